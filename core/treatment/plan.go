package treatment

import (
	"fmt"
	"sort"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/pest"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// Step is one dated step of a plan.
type Step struct {
	ID          string           `json:"id"`
	Phase       Phase            `json:"phase"`
	On          day.Day          `json:"on"`
	Title       string           `json:"title"`
	How         string           `json:"how"`
	Minutes     int              `json:"minutes"`
	WaitMinutes int              `json:"waitMinutes,omitempty" doc:"Minutes that a clock runs: a soak, a drying cut."`
	Entry       string           `json:"entry,omitempty" doc:"What must be so before it is begun."`
	Gate        string           `json:"gate,omitempty" doc:"What must be seen first: its day is only when to look."`
	Ends        string           `json:"ends,omitempty" doc:"What ends it."`
	Wrong       string           `json:"wrong,omitempty" doc:"What can go wrong in it."`
	If          string           `json:"if,omitempty" doc:"Held back until this is settled."`
	Reasons     []string         `json:"reasons" doc:"The treatments that ask for it."`
	Materials   []string         `json:"materials,omitempty"`
	Cautions    []string         `json:"cautions" doc:"Ids of cautions."`
	Amounts     []working.Amount `json:"amounts"`
	Pest        *PestTime        `json:"pest,omitempty" doc:"Set where a pest's clock sets its day: temperatures that are read later move it."`
}

// PestTime says which treatment in the row against a pest a step is.
type PestTime struct {
	Cause string `json:"cause"`
	Nth   int    `json:"nth" doc:"0 is the first treatment."`
}

// Rule is a rule of conflict that shaped the plan, with its reason.
type Rule struct {
	ID        string `json:"id"`
	What      string `json:"what"`
	Why       string `json:"why"`
	Overruled bool   `json:"overruled,omitempty" doc:"Whether the carer set it aside."`
}

// Plan is an ordered list of dated steps with what they are for.
type Plan struct {
	Causes    []string  `json:"causes"`
	Protocols []string  `json:"protocols" doc:"Ids of the treatments it is composed of."`
	Names     []string  `json:"names" doc:"Their names."`
	Track     string    `json:"track"`
	Beside    []string  `json:"beside,omitempty" doc:"Tracks that run beside the first one."`
	School    string    `json:"school,omitempty"`
	Entry     []string  `json:"entry,omitempty" doc:"What must be so before it is begun."`
	Steps     []Step    `json:"steps"`
	Rules     []Rule    `json:"rules"`
	Cautions  []Caution `json:"cautions"`
	Expect    []string  `json:"expect"`
	Ends      []string  `json:"ends"`
	Wrong     []string  `json:"wrong" doc:"What can go wrong."`
	Stops     []string  `json:"stops,omitempty" doc:"When to give up, and how to bin it."`
	Materials []string  `json:"materials,omitempty" doc:"All that its steps need."`
	Asks      []string  `json:"asks" doc:"What to answer for a fuller plan."`
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
	c := composer{s: s, steps: map[string]*part{}, used: map[string]bool{}, plan: Plan{Causes: s.Causes, School: s.Answers.School, Protocols: []string{}, Names: []string{},
		Steps: []Step{}, Rules: []Rule{}, Expect: []string{}, Ends: []string{}, Wrong: []string{}, Asks: []string{}}}
	for _, cause := range byUrgency(s.Causes) {
		c.treat(cause)
	}
	c.settleConflicts()
	c.insure()
	c.careAfter()
	c.ask()
	return c.finish(), nil
}

// byUrgency puts what can kill within days before what merely slows.
func byUrgency(ids []string) []string {
	ordered := append([]string{}, ids...)
	sort.SliceStable(ordered, func(a, b int) bool { return daysToAct(ordered[a]) < daysToAct(ordered[b]) })
	return ordered
}

func daysToAct(cause string) int {
	c, _ := diagnosis.CauseByID(cause)
	return c.DaysToAct
}

// part is a step in the making: what it does, and the causes that ask for it.
type part struct {
	Step
	does   does
	move   string
	causes []string
	turn   int // in which it was added: the order of protocols is the order of work
}

// urgency is how few days are left for the most urgent cause that asks for it.
func (p *part) urgency() int {
	least := 365
	for _, id := range p.causes {
		least = min(least, daysToAct(id))
	}
	return least
}

type composer struct {
	s     Situation
	plan  Plan
	steps map[string]*part
	used  map[string]bool
	added int // steps added so far
}

// treat adds the protocol for a cause: the first of its protocols that fits.
func (c *composer) treat(cause string) {
	for _, p := range protocols {
		if !p.forCause(cause) || p.fits != nil && !p.fits(c.s) {
			continue
		}
		if !c.used[p.id] {
			c.used[p.id] = true
			c.take(p)
		}
		for _, t := range p.steps {
			if t.when == nil || t.when(c.s) {
				c.add(t, p.name, cause)
			}
		}
		return
	}
}

// take keeps what a protocol says of the whole plan.
func (c *composer) take(p protocol) {
	c.follow(p.track)
	c.plan.Protocols, c.plan.Names = append(c.plan.Protocols, p.id), append(c.plan.Names, p.name)
	c.plan.Expect, c.plan.Ends, c.plan.Wrong = append(c.plan.Expect, p.expect), append(c.plan.Ends, p.ends), append(c.plan.Wrong, p.wrong)
	if p.entry != "" {
		c.plan.Entry = append(c.plan.Entry, p.entry)
	}
	if p.stop != "" {
		c.plan.Stops = append(c.plan.Stops, p.stop)
	}
}

// follow puts the plan on a track. The first one leads; a track of the kind that
// runs beside others, clearing pests, is followed as well.
func (c *composer) follow(id string) {
	if c.s.Habit.Orchid && id == "foliage-rerooting" {
		id = "orchid-lean"
	}
	track, _ := recovery.TrackByID(id)
	leads, _ := recovery.TrackByID(c.plan.Track)
	switch {
	case c.plan.Track == "":
		c.plan.Track = id
	case track.Beside && !leads.Beside:
		c.plan.Beside = appendOnce(c.plan.Beside, id)
	case leads.Beside && !track.Beside:
		c.plan.Beside, c.plan.Track = appendOnce(c.plan.Beside, c.plan.Track), id
	}
}

func (p protocol) forCause(cause string) bool {
	for _, id := range p.causes {
		if id == cause {
			return true
		}
	}
	return false
}

func (c *composer) add(t template, reason, cause string) {
	on, time := c.pestTime(t, cause)
	if known := c.steps[t.id]; known != nil {
		known.Reasons = appendOnce(known.Reasons, reason)
		known.causes = appendOnce(known.causes, cause)
		if on < known.On {
			known.On, known.Pest = on, time
		}
		known.does |= t.does
		return
	}
	c.added++
	p := &part{turn: c.added, does: t.does, move: t.move, Step: Step{ID: t.id, Phase: t.phase, On: on, Pest: time, Title: t.title, How: t.how, Minutes: t.minutes, WaitMinutes: t.waitMin,
		Entry: t.entry, Gate: t.gate, Ends: t.ends, Wrong: t.wrong, Materials: t.materials, Reasons: []string{reason}, Cautions: append([]string{}, t.cautions...), Amounts: []working.Amount{}}}
	if cause != "" {
		p.causes = []string{cause}
	}
	if t.amounts != nil {
		p.Amounts = append(p.Amounts, t.amounts(c.s)...)
	}
	c.steps[t.id] = p
}

func appendOnce(list []string, s string) []string {
	for _, x := range list {
		if x == s {
			return list
		}
	}
	return append(list, s)
}

// pestTime gives the day of a step: that of its template, or, for treatments
// that are repeated, that of the pest's clock at the warmth of the place.
func (c *composer) pestTime(t template, cause string) (day.Day, *PestTime) {
	on := c.s.Start + day.Day(t.day)
	p, known := pest.ByCause(cause)
	if t.treats == noTreatment || !known {
		return on, nil
	}
	nth := int(t.treats - firstTreatment)
	clock, runs := p.Run(c.s.Start, c.s.warmth())
	if !runs {
		return on, nil
	}
	if nth > 0 {
		on = clock.Treatments[nth]
	}
	return on, &PestTime{cause, nth}
}

func (c *composer) ask() {
	a := c.s.Answers
	if (c.steps["prepare-pot"] != nil || c.steps["prepare-lean-pot"] != nil || c.steps["rinse-clay"] != nil) && a.RootBallCM == nil {
		c.plan.Asks = append(c.plan.Asks, "rootBallCm")
	}
	if c.s.WantsSchool() && a.Reserves == "" {
		c.plan.Asks = append(c.plan.Asks, "reserves")
	}
}

func (c *composer) finish() Plan {
	parts := make([]*part, 0, len(c.steps))
	for _, p := range c.steps {
		parts = append(parts, p)
	}
	sort.Slice(parts, func(a, b int) bool {
		x, y := parts[a], parts[b]
		if x.On != y.On {
			return x.On < y.On
		}
		if phaseRank[x.Phase] != phaseRank[y.Phase] {
			return phaseRank[x.Phase] < phaseRank[y.Phase]
		}
		return x.turn < y.turn
	})
	for _, p := range parts {
		p.Cautions = c.cautionsOf(p)
		c.plan.Steps = append(c.plan.Steps, p.Step)
	}
	seen := map[string]bool{}
	warn := func(id string) {
		if !seen[id] {
			seen[id] = true
			c.plan.Cautions = append(c.plan.Cautions, Caution{id, cautions[id]})
		}
	}
	if c.s.Profile != nil {
		if c.s.Profile.Has("toxic-people") {
			warn("sap")
		}
		if c.s.Profile.Has("toxic-pets") {
			warn("toxic-pets")
		}
	}
	for _, s := range c.plan.Steps {
		for _, id := range s.Cautions {
			warn(id)
		}
		for _, m := range s.Materials {
			c.plan.Materials = appendOnce(c.plan.Materials, m)
		}
	}
	warn("estimate")
	return c.plan
}

// cautionsOf gives a step's cautions for this household and this kind.
func (c *composer) cautionsOf(p *part) []string {
	home := c.s.Household
	kept := []string{}
	risky := false
	for _, id := range p.Cautions {
		switch id {
		case "asthma":
			if home.Asthma {
				kept = append(kept, id)
			}
			continue
		case "pesticide", "alcohol", "waste", "dust":
			risky = true
		}
		kept = append(kept, id)
	}
	if risky && home.Children {
		kept = append(kept, "children")
	}
	if risky && home.Pets {
		kept = append(kept, "pets")
	}
	if c.s.Profile != nil && c.s.Profile.Has("toxic-people") {
		for _, id := range p.Cautions {
			if id == "blade" {
				kept = appendOnce(kept, "sap")
			}
		}
	}
	return kept
}
