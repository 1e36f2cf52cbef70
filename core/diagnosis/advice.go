package diagnosis

import (
	"slices"
	"sort"

	"tendermend/core/cause"
)

// The sorts of advice on a move.
const (
	Now  = "now"  // good whichever likely cause is true, five at most, the first one first
	If   = "if"   // worth doing once its cause is accepted
	Wait = "wait" // look first: it helps one likely cause and harms a rival
	Not  = "not"  // it would do more harm than good
)

// Harm is the worst that a move may do.
type Harm struct {
	Cause  string  `json:"cause"`
	Effect int     `json:"effect" doc:"−1 to −5"`
	Chance float64 `json:"chance"`
}

// Advice sorts one move.
type Advice struct {
	Move   string  `json:"move"`
	Advice string  `json:"advice" enum:"now,if,wait,not"`
	Good   float64 `json:"good" doc:"Expected good: the sum of chance × effect, less half the move's own stress."`
	Harms  float64 `json:"harms" doc:"Chance that it does grave harm, 0-1."`
	Helps  string  `json:"helps,omitempty" doc:"The cause for which the move is worth most."`
	Worst  *Harm   `json:"worst,omitempty"`
	Check  string  `json:"check,omitempty" doc:"For wait: the sign to look for first."`
	Needs  string  `json:"needs,omitempty" doc:"A sign that must be there, and that nobody has looked for."`
	// Hinge is the one answer on which it hangs: asked again before anything that
	// cannot be undone.
	Hinge string `json:"hinge,omitempty" doc:"The one answer on which it hangs; look again before you do it."`
	// Before says what is done before a cut.
	Before string `json:"before,omitempty" doc:"What is done before a cut."`

	move  Move
	worth float64
}

// Limits of advice (common practice; set while looking at worked cases).
const (
	mostNow = 5
	// graveHarm is the value of a move for a set of causes that counts as grave.
	graveHarm = -2.5
	// outweighed is what the harm to a slow cause counts beside help for a fast one.
	outweighed = 0.34
	// The chance of grave harm that is taken: for a fast and likely cause, for
	// what can be undone, and for what cannot.
	harmForFast       = 0.25
	harmReversible    = 0.15
	harmIrreversible  = 0.08
	fastAndLikely     = 0.60
	actThreshold      = 0.60 // chance over which something irreversible may be done
	actThresholdFast  = 0.50 // the same with one day left
	matters           = 0.30 // chance × effect under which a move is not named
	goodForNow        = 0.50
	leastEffect       = 2
	strongEffect      = 3
	chanceForNow      = 0.35
	chanceForAgent    = 0.50 // of what is sprayed or poured
	firstMoveFrom     = 0.40
	nearlyAsGood      = 0.60 // a gentler move of the same aim is taken from here on
	leastNamedHarm    = 0.01
	stressShare       = 0.50
	barelyLikely      = 0.05
	barelyHarmful     = 0.02
	slowestDays       = 365
	harmlessWatchFrom = standsOut
)

// canDo says whether a move has anything to work on, and which sign it needs
// that nobody has looked for.
func (c *Case) canDo(m Move) (needs string, can bool) {
	can = len(m.needs) == 0
	for _, id := range m.needs {
		s := c.k.signAt[id]
		switch {
		case c.saw(s):
			return "", true
		case !c.answers.given[s]:
			can = true
			if needs == "" {
				needs = id
			}
		}
	}
	return needs, can
}

// allowed says whether a plant of this habit and these traits can have a move.
func (c *Case) allowed(m Move) bool {
	if !m.fits.habit(c.habit.ID) {
		return false
	}
	for _, t := range c.examination.Traits {
		if slices.Contains(m.notTraits, string(t)) {
			return false
		}
	}
	return m.ID != "unpot-look" || !c.rootsSeen()
}

// rootsSeen says whether the roots were looked at.
func (c *Case) rootsSeen() bool {
	for s := range c.answers.asked {
		if c.k.signs[s].Disturbance == Unpot {
			return true
		}
	}
	return false
}

// Moves sorts every move that can be done and would matter: now first, in the
// order in which they are done.
func (c *Case) Moves(checks []Check) []Advice {
	all := c.weighed(checks)
	now := c.beforeCuts(c.chooseNow(all))
	list := append([]Advice{}, now...)
	if slices.ContainsFunc(now, func(a Advice) bool { return !a.move.Reversible }) {
		hinge, _ := c.irreversibleHinge()
		for i := range list {
			if !list[i].move.Reversible {
				list[i].Hinge = hinge
			}
		}
	}
	order := map[string]int{Wait: 0, If: 1, Not: 2}
	var rest []Advice
	for _, a := range all {
		if a.Advice == Now && slices.ContainsFunc(now, func(n Advice) bool { return n.Move == a.Move }) {
			continue
		}
		if a.Advice == Now {
			a.Advice = If
		}
		rest = append(rest, a)
	}
	sort.SliceStable(rest, func(a, b int) bool {
		x, y := rest[a], rest[b]
		if x.Advice != y.Advice {
			return order[x.Advice] < order[y.Advice]
		}
		if x.Advice == Not {
			return x.Good < y.Good
		}
		return x.worth > y.worth
	})
	return append(list, rest...)
}

// weighed sorts each move that can be done by itself.
func (c *Case) weighed(checks []Check) (all []Advice) {
	for _, m := range c.k.moves {
		needs, can := c.canDo(m)
		if !can || !c.allowed(m) {
			continue
		}
		if a, is := c.advise(m, needs, checks); is {
			all = append(all, a)
		}
	}
	return all
}

// value is what a move is worth for a set of causes. A cause that is there
// together with the one that is helped never vetoes: it only takes its harm off.
func (c *Case) value(m *Move, causes []int) float64 {
	up, down := 0, 0
	var urgentUp, urgentDown float64
	for _, i := range causes {
		switch e := m.effect[i]; {
		case e > 0:
			up, urgentUp = max(up, e), max(urgentUp, c.k.causes[i].urgency())
		case e < 0:
			down, urgentDown = min(down, e), max(urgentDown, c.k.causes[i].urgency())
		}
	}
	loss := float64(down)
	if up > 0 && urgentUp > urgentDown {
		loss *= outweighed
	}
	return float64(up) + loss
}

func (c *Case) advise(m Move, needs string, checks []Check) (a Advice, named bool) {
	a = Advice{Move: m.ID, Needs: needs, move: m, Good: -m.Stress * stressShare}
	harmful := 0.0
	for _, s := range c.likely() {
		v := c.value(&m, s.causes)
		a.Good += s.share * v
		if v <= graveHarm {
			a.Harms += s.share
		}
		if v < 0 {
			harmful += s.share
		}
	}
	var touched, helpsBy, likely float64
	helps := -1
	for i := range c.k.causes {
		known, e := &c.k.causes[i], m.effect[i]
		if e == 0 || len(known.parts) > 0 {
			continue
		}
		by := c.chances[i] * float64(e)
		touched = max(touched, by, -by)
		if by > helpsBy {
			helps, helpsBy = i, by
		}
		if e > 0 {
			likely = max(likely, c.chances[i])
		}
		if e < 0 && c.chances[i] > leastNamedHarm {
			a.Worst = graver(a.Worst, Harm{known.ID, e, c.chances[i]})
		}
	}
	if touched < matters || a.Good <= 0 && harmful < barelyHarmful && likely < barelyLikely {
		return a, false
	}
	a.decide(c, helps, checks)
	return a, true
}

// decide sorts a move by what it does to the cause it helps most.
func (a *Advice) decide(c *Case, helps int, checks []Check) {
	m := a.move
	days, chance, effect, presses := slowestDays, 0.0, 0, 1.0
	if helps >= 0 {
		known := c.k.causes[helps]
		a.Helps, days, chance = known.ID, known.DaysToAct, c.chances[helps]
		effect, presses = m.Effects[known.ID], known.presses()
	}
	limit, least := m.limits(days, chance)
	goes := a.Needs == "" && (m.Reversible || c.sureEnough(m, days))
	a.worth = a.Good * presses
	switch {
	case a.Harms > limit && a.Good <= 0:
		a.Advice = Not
	case a.Harms > limit:
		a.Advice = Wait
		a.Check = c.separating(a.Helps, a.Worst, checks)
	case goes && a.Good >= goodForNow && effect >= leastEffect && chance >= least:
		a.Advice = Now
	case a.Good > 0:
		a.Advice = If
	default:
		a.Advice = Not
	}
	a.hold(c)
}

// looksBefore are what is looked at before a move: one sign of each list, whichever is
// answered first. A yellow new leaf is fed with iron only where the roots can take it up
// and the acidity lets them (common practice).
var looksBefore = map[string][][]string{
	"chelate":    {{"root.firm", "root.mushy", "root.few-live", "root.dry-dead"}, {"med.ph-high", "med.ph-low"}},
	"correct-ph": {{"med.ph-high", "med.ph-low"}},
}

// unlooked is the first sign that has to be looked at before a move.
func (c *Case) unlooked(move string) (sign string, is bool) {
	for _, looks := range looksBefore[move] {
		answered := slices.ContainsFunc(looks, func(id string) bool { return c.answers.given[c.k.signAt[id]] })
		if !answered && c.k.signs[c.k.signAt[looks[0]]].fits.habit(c.habit.ID) {
			return looks[0], true
		}
	}
	return "", false
}

// hold keeps back what is looked at first, and lets nobody who is unsure be told that
// watching is wrong.
func (a *Advice) hold(c *Case) {
	if sign, is := c.unlooked(a.Move); is && (a.Advice == Now || a.Advice == If) {
		a.Advice, a.Check = Wait, sign
	}
	if a.Move != "watch" {
		return
	}
	switch {
	case a.Advice == Now && !c.harmlessLeads(), a.Advice != Now && c.Verdict().Kind != Act:
		a.Advice, a.Check = If, ""
	}
}

// harmlessLeads says whether what is likeliest does no harm, for sure enough.
func (c *Case) harmlessLeads() bool {
	lead, leads := c.lead()
	return lead.Harmless && leads >= harmlessWatchFrom
}

// sureEnough says whether a cause that the move cures is likely enough for
// something that cannot be undone; where it cures none, one that it helps.
func (c *Case) sureEnough(m Move, days int) bool {
	best := c.likeliestOf(m, strongEffect)
	if best == 0 {
		best = c.likeliestOf(m, leastEffect)
	}
	if days <= 1 {
		return best >= actThresholdFast
	}
	return best >= actThreshold
}

// likeliestOf is the chance of the likeliest cause that a move helps by so much.
func (c *Case) likeliestOf(m Move, effect int) (best float64) {
	for id, e := range m.Effects {
		if e >= effect {
			best = max(best, c.Chance(id))
		}
	}
	return best
}

// standIns are what is done where the plant cannot have the first move (common
// practice).
var standIns = map[string][]string{
	"cut-to-clean":    {"lift-rot-out", "cut-leaf"},
	"cut-leaf":        {"cut-to-clean", "lift-rot-out"},
	"soak":            {"fill-cup", "dip-plant"},
	"humid-chamber":   {"even-water"},
	"humidity-up":     {"watch"},
	"trim-dead-roots": {"unpot-look"},
	"repot-fresh":     {"unpot-look", "hold-water"},
	"clean-moss":      {"unpot-look"},
}

// softBase are signs that a rot has reached the stem: it is cut there and not at
// the leaf.
var softBase = []string{
	"stem.soft-brown", "stem.collapsed", "leaf.yellow-from-base", "stem.black-creep", "stem.crown-wet",
}

// chooseNow takes at most five of the moves that may be done now: first what an
// expert does first, one of those with the same aim, the rest by tier.
func (c *Case) chooseNow(all []Advice) []Advice {
	var now []Advice
	for _, a := range all {
		if a.Advice == Now {
			now = append(now, a)
		}
	}
	first := c.firstMove(now)
	sort.SliceStable(now, func(a, b int) bool {
		if x, y := now[a].Move == first, now[b].Move == first; x != y {
			return x
		}
		return now[a].worth > now[b].worth
	})
	var kept []Advice
	for _, a := range now {
		if slices.ContainsFunc(kept, func(k Advice) bool { return apart(k.Move, a.Move) }) {
			continue
		}
		twin := slices.IndexFunc(kept, func(k Advice) bool { return k.move.group == a.move.group })
		switch {
		case twin < 0:
			kept = append(kept, a)
		case kept[twin].Move != first && a.move.Reversible && !kept[twin].move.Reversible &&
			a.Good >= nearlyAsGood*kept[twin].Good:
			kept[twin] = a
		}
	}
	kept = kept[:min(len(kept), mostNow)]
	if len(kept) > 1 {
		rest := kept[1:]
		sort.SliceStable(rest, func(a, b int) bool {
			if x, y := rest[a].move.tier, rest[b].move.tier; x != y {
				return x < y
			}
			return rest[a].worth > rest[b].worth
		})
	}
	return kept
}

// onTwoDays are moves of which only one is done at a time: a dry ball drinks first, and is
// potted up on another day (common practice).
var onTwoDays = [...][2]string{{"soak", "pot-up"}}

// apart says whether two moves are not done on the same day.
func apart(a, b string) bool {
	return slices.Contains(onTwoDays[:], [2]string{a, b}) || slices.Contains(onTwoDays[:], [2]string{b, a})
}

// firstMove is what an expert does first for the cause that presses most, or what
// stands in for it here; empty where none may be done now.
func (c *Case) firstMove(now []Advice) string {
	can := func(move string) bool {
		return slices.ContainsFunc(now, func(a Advice) bool { return a.Move == move })
	}
	var leads []int
	for _, cc := range c.ranked {
		if cc.Chance >= firstMoveFrom {
			leads = append(leads, c.k.causeAt[cc.ID])
		}
	}
	presses := func(i int) float64 { return c.chances[i] * c.k.causes[i].urgency() }
	sort.SliceStable(leads, func(a, b int) bool { return presses(leads[a]) > presses(leads[b]) })
	for _, i := range leads {
		known := c.k.causes[i]
		move := known.firstMove
		if cause.ID(known.ID) == cause.SoftRot && c.sawAny(softBase) {
			move = "cut-to-clean"
		}
		for _, one := range append([]string{move}, standIns[move]...) {
			if can(one) {
				return one
			}
		}
	}
	return ""
}

func (c *Case) sawAny(ids []string) bool {
	return slices.ContainsFunc(ids, func(id string) bool { return c.saw(c.k.signAt[id]) })
}

func graver(known *Harm, h Harm) *Harm {
	if known == nil || float64(h.Effect)*h.Chance < float64(known.Effect)*known.Chance {
		return &h
	}
	return known
}

// separating picks the check that tells the cause a move helps from the cause it
// harms: of those offered, the one that moves their chances furthest apart.
func (c *Case) separating(helped string, harmed *Harm, checks []Check) string {
	if harmed == nil {
		return ""
	}
	best, name := 0.0, ""
	for _, check := range checks {
		s := c.k.signAt[check.Sign]
		gap := c.k.link[c.k.causeAt[helped]][s] - c.k.link[c.k.causeAt[harmed.Cause]][s]
		if gap*gap > best {
			best, name = gap*gap, check.Sign
		}
	}
	return name
}

// limits are the harm that a move may do, and how probable a cause must be for
// it to be made now; a cause that kills within days allows more.
func (m Move) limits(days int, chance float64) (harm, least float64) {
	harm, least = harmIrreversible, chanceForNow
	switch {
	case days <= pressingDays && chance >= fastAndLikely:
		harm = harmForFast
	case m.Reversible:
		harm = harmReversible
	}
	if m.group == "agent" {
		least = chanceForAgent
	}
	return harm, least
}
