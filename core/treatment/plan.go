package treatment

import (
	"fmt"
	"sort"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/working"
)

// Step is one dated step of a plan.
type Step struct {
	ID       string           `json:"id"`
	Phase    Phase            `json:"phase"`
	On       day.Day          `json:"on"`
	Title    string           `json:"title"`
	How      string           `json:"how"`
	Minutes  int              `json:"minutes"`
	Reasons  []string         `json:"reasons" doc:"The treatments that ask for it."`
	Cautions []string         `json:"cautions" doc:"Ids of cautions."`
	Amounts  []working.Amount `json:"amounts"`
}

// Rule is a rule of conflict that shaped the plan, with its reason.
type Rule struct {
	What string `json:"what"`
	Why  string `json:"why"`
}

// Plan is an ordered list of dated steps with what they are for.
type Plan struct {
	Causes   []string  `json:"causes"`
	Names    []string  `json:"names" doc:"The treatments it is composed of."`
	Track    string    `json:"track"`
	School   string    `json:"school,omitempty"`
	Steps    []Step    `json:"steps"`
	Rules    []Rule    `json:"rules"`
	Cautions []Caution `json:"cautions"`
	Expect   []string  `json:"expect"`
	Ends     []string  `json:"ends"`
	Wrong    []string  `json:"wrong" doc:"What can go wrong."`
	Asks     []string  `json:"asks" doc:"What to answer for a fuller plan."`
}

// Compose makes a plan for the accepted causes. It fails on an unknown cause
// and when none is accepted.
func Compose(s Situation) (Plan, error) {
	if len(s.Causes) == 0 {
		return Plan{}, fmt.Errorf("causes: accept at least one cause, or set the plant aside and watch it")
	}
	for i, id := range s.Causes {
		if _, ok := diagnosis.CauseByID(id); !ok {
			return Plan{}, fmt.Errorf("causes[%d]: there is no cause %q", i, id)
		}
	}
	if s.WantsSchool() {
		if s.Answers.School == "" {
			s.Answers.School = Schools(s)[0].ID
		}
	} else {
		s.Answers.School = ""
	}
	c := composer{s: s, steps: map[string]*Step{}, plan: Plan{Causes: s.Causes, School: s.Answers.School,
		Steps: []Step{}, Rules: []Rule{}, Expect: []string{}, Ends: []string{}, Wrong: []string{}, Asks: []string{}}}
	ordered := byUrgency(s.Causes)
	var byMoves []string
	for _, cause := range ordered {
		if !c.treat(cause) {
			byMoves = append(byMoves, cause)
		}
	}
	for _, cause := range byMoves {
		c.treatByMoves(cause)
	}
	c.settleConflicts()
	c.ask()
	return c.finish(), nil
}

// byUrgency puts what can kill within days before what merely slows.
func byUrgency(ids []string) []string {
	ordered := append([]string{}, ids...)
	sort.SliceStable(ordered, func(a, b int) bool {
		x, _ := diagnosis.CauseByID(ordered[a])
		y, _ := diagnosis.CauseByID(ordered[b])
		return x.DaysToAct < y.DaysToAct
	})
	return ordered
}

type composer struct {
	s     Situation
	plan  Plan
	steps map[string]*Step
	used  map[string]bool
}

// treat adds the protocol for a cause; false where there is none that fits.
func (c *composer) treat(cause string) bool {
	if c.used == nil {
		c.used = map[string]bool{}
	}
	for _, p := range protocols {
		if !treats(p, cause) || p.fits != nil && !p.fits(c.s) {
			continue
		}
		if c.used[p.id] {
			return true
		}
		c.used[p.id] = true
		if c.plan.Track == "" {
			c.plan.Track = p.track
		}
		c.plan.Names = append(c.plan.Names, p.name)
		c.plan.Expect = append(c.plan.Expect, p.expect)
		c.plan.Ends = append(c.plan.Ends, p.ends)
		c.plan.Wrong = append(c.plan.Wrong, p.wrong)
		for _, t := range p.steps {
			if t.when == nil || t.when(c.s) {
				c.add(t, p.name)
			}
		}
		return true
	}
	return false
}

func treats(p protocol, cause string) bool {
	for _, id := range p.causes {
		if id == cause {
			return true
		}
	}
	return false
}

func (c *composer) add(t template, reason string) {
	if known := c.steps[t.id]; known != nil {
		known.Reasons = appendOnce(known.Reasons, reason)
		known.On = min(known.On, c.s.Start+day.Day(t.day))
		return
	}
	step := &Step{ID: t.id, Phase: t.phase, On: c.s.Start + day.Day(t.day), Title: t.title, How: t.how, Minutes: t.minutes,
		Reasons: []string{reason}, Cautions: append([]string{}, t.cautions...), Amounts: []working.Amount{}}
	if t.amounts != nil {
		step.Amounts = append(step.Amounts, t.amounts(c.s)...)
	}
	c.steps[t.id] = step
}

func appendOnce(list []string, s string) []string {
	for _, x := range list {
		if x == s {
			return list
		}
	}
	return append(list, s)
}

// movePhase says where in the work a move belongs.
var movePhase = map[string]Phase{
	"isolate": "isolate", "soak": "pre-soak", "strip-spikes": "strip", "take-offsets": "strip", "remove-leaves": "strip",
	"unpot-look": "unpot", "wash": "clean-roots", "clean-moss": "clean-roots", "flush": "clean-roots",
	"trim-dead-roots": "tally-and-trim", "cut-to-clean": "tally-and-trim", "alcohol-dab": "disinfect", "soap-or-oil": "disinfect",
	"systemic": "disinfect", "fungicide": "disinfect", "hand-pick": "disinfect", "backup-cutting": "insurance",
	"repot-fresh": "prepare", "raise-base": "set-and-stake", "stake": "set-and-stake", "hold-water": "first-water",
	"even-water": "first-water", "empty-saucer": "first-water", "better-water": "first-water", "dry-top": "first-water", "feed": "feed",
}

var moveCautions = map[string][]string{
	"systemic": {"pesticide"}, "fungicide": {"pesticide"}, "soap-or-oil": {"pesticide", "no-mixing"}, "alcohol-dab": {"alcohol"},
	"trim-dead-roots": {"blade"}, "cut-to-clean": {"blade"}, "backup-cutting": {"blade"}, "strip-spikes": {"blade"},
	"remove-leaves": {"blade"}, "turn-and-trim": {"blade"}, "repot-fresh": {"dust"}, "stake": {"stake"}, "discard": {"waste"},
	"humidity-up": {"electric"}, "more-light": {"electric"},
}

// coveredBy says which steps of protocols already do what a move does, or settle
// it: a plan that washes the roots and pots anew needs no second repotting.
var coveredBy = map[string][]string{
	"unpot-look":      {"unpot"},
	"trim-dead-roots": {"tally"},
	"cut-to-clean":    {"tally"},
	"repot-fresh":     {"pot-up", "cup", "stake-firm"},
	"raise-base":      {"pot-up", "cup", "stake-firm"},
	"stake":           {"pot-up", "stake-firm"},
	"hold-water":      {"first-water", "cup", "mist-leaves"},
	"empty-saucer":    {"pot-up", "cup", "stake-firm"},
	"soak":            {"soak-below"},
	"even-water":      {"check-core"},
	"humid-chamber":   {"clear-cover", "warm-shade"},
	"move-from-sun":   {"out-of-sun", "shade", "warm-shade", "clear-cover"},
	"cool-down":       {"out-of-sun", "shade"},
	"wash":            {"wash-down"},
	"alcohol-dab":     {"dab"},
	"soap-or-oil":     {"soap-dusk"},
	"dry-top":         {"pot-up"},
}

// cover credits a step already in the plan with what a move is for.
func (c *composer) cover(move, reason string) bool {
	for _, id := range coveredBy[move] {
		if step := c.steps[id]; step != nil {
			step.Reasons = appendOnce(step.Reasons, reason)
			return true
		}
	}
	return false
}

// helpful is the least good a move must do to a cause to enter its plan.
const helpful = 2

// treatByMoves makes steps of the moves that help the cause, leaving out what
// would harm another accepted cause gravely and what the plant's kind minds.
func (c *composer) treatByMoves(id string) {
	cause, _ := diagnosis.CauseByID(id)
	c.plan.Names = append(c.plan.Names, cause.Label)
	c.add(baseline, cause.Label)
	added := 0
	for _, m := range diagnosis.Moves() {
		if m.Effects[id] < helpful || m.ID == "discard" || c.s.harms(m) || m.ID == "soap-or-oil" && isTender(c.s) {
			continue
		}
		if m.ID == "strip-spikes" && !hasSpike(c.s) {
			continue
		}
		added++
		if c.cover(m.ID, cause.Label) {
			continue
		}
		phase, named := movePhase[m.ID]
		if !named {
			phase = "shelter"
		}
		c.add(template{id: m.ID, phase: phase, title: m.Label, how: m.How + ".", minutes: 10, cautions: moveCautions[m.ID]}, cause.Label)
	}
	// A protocol brings its own looks.
	if len(c.used) == 0 {
		c.add(template{id: "look-again-week", phase: "daily-watch", day: 6, title: "Look again", how: "Compare with the first picture: what moved, what stayed?", minutes: 3}, cause.Label)
	}
	switch {
	case cause.Harmless:
		c.plan.Expect = append(c.plan.Expect, cause.Summary+".")
	case cause.Spreads:
		c.add(isolate, cause.Label)
	}
	if c.plan.Track == "" {
		c.plan.Track = "place-correction"
		if cause.Kind == "pest" && !cause.Harmless {
			c.plan.Track = "pest-clearance"
		}
	}
	if added == 0 {
		c.plan.Expect = append(c.plan.Expect, "There is nothing to do to it but watch.")
	}
}

// harms says whether a move would harm any accepted cause by 3 or more.
func (s Situation) harms(m diagnosis.Move) bool {
	for _, id := range s.Causes {
		if m.Effects[id] <= -3 {
			return true
		}
	}
	return false
}

// settleConflicts applies the rules for steps that disagree.
func (c *composer) settleConflicts() {
	drop := func(id, what, why string) {
		if c.steps[id] != nil {
			delete(c.steps, id)
			c.plan.Rules = append(c.plan.Rules, Rule{what, why})
		}
	}
	if c.steps["first-water"] != nil || c.steps["dry-cut"] != nil {
		const why = "Fresh cuts rot in wet medium; water waits until they have closed."
		drop("soak-below", "No soak before the root work", why)
		drop("soak", "No soak before the root work", why)
		drop("check-core", "The core is wetted by the first light watering", why)
	}
	if soap := c.steps["soap-dusk"]; soap != nil && c.s.accepts("drought") {
		soap.On = c.s.Start + 5
		c.plan.Rules = append(c.plan.Rules, Rule{"Soap or oil waits until it has drunk", "A thirsty plant burns under soap and oil."})
	}
	if isTender(c.s) && (c.used["P12"]) {
		c.plan.Rules = append(c.plan.Rules, Rule{"No soap or oil: dab and wash only", "Its leaves are marked by soap and oil, by kind or because they are burnt."})
	}
	if c.used["P1"] && c.used["P12"] {
		c.plan.Rules = append(c.plan.Rules, Rule{"Leaves are treated while it is out of its pot", "One disturbance of the roots, not two; waste in one bag, fresh mix."})
	}
	if c.steps["feed"] != nil && (c.used["P1"] || c.used["P3"] || c.used["S1"] || c.used["S3"]) {
		drop("feed", "No feed for now", "Few or thirsty roots burn.")
	}
	if c.steps["clear-cover"] != nil && (c.s.accepts("edema") || c.s.accepts("fungal-spot") || c.s.accepts("bacterial-spot") || c.s.accepts("grey-mould")) {
		c.steps["clear-cover"].How = "Open-sided: a cover on three sides only, leaves dry, aired often."
		c.plan.Rules = append(c.plan.Rules, Rule{"An open-sided cover", "Wet still air feeds what marks its leaves."})
	}
}

func (c *composer) ask() {
	a := c.s.Answers
	if (c.steps["prepare-pot"] != nil || c.steps["prepare-lean-pot"] != nil) && a.RootBallCM == nil {
		c.plan.Asks = append(c.plan.Asks, "rootBallCm")
	}
	if c.s.WantsSchool() && a.Reserves == "" {
		c.plan.Asks = append(c.plan.Asks, "reserves")
	}
}

func (c *composer) finish() Plan {
	for _, s := range c.steps {
		c.plan.Steps = append(c.plan.Steps, *s)
	}
	sort.Slice(c.plan.Steps, func(a, b int) bool {
		x, y := c.plan.Steps[a], c.plan.Steps[b]
		if x.On != y.On {
			return x.On < y.On
		}
		if phaseRank[x.Phase] != phaseRank[y.Phase] {
			return phaseRank[x.Phase] < phaseRank[y.Phase]
		}
		return x.ID < y.ID
	})
	if c.s.Profile != nil {
		if c.s.Profile.Has("toxic-people") {
			c.plan.Cautions = append(c.plan.Cautions, Caution{"sap", cautions["sap"]})
		}
		if c.s.Profile.Has("toxic-pets") {
			c.plan.Cautions = append(c.plan.Cautions, Caution{"toxic-pets", cautions["toxic-pets"]})
		}
	}
	seen := map[string]bool{}
	for _, s := range c.plan.Steps {
		for _, id := range s.Cautions {
			if !seen[id] {
				seen[id] = true
				c.plan.Cautions = append(c.plan.Cautions, Caution{id, cautions[id]})
			}
		}
	}
	c.plan.Cautions = append(c.plan.Cautions, Caution{"estimate", cautions["estimate"]})
	return c.plan
}
