package diagnosis

import (
	"math"
	"slices"
	"sort"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/working"
)

// Check is a look at one sign not yet looked for, and what it would settle.
type Check struct {
	Sign    string `json:"sign"`
	Minutes int    `json:"minutes"`
	// Days are how long it takes until it can be answered; nothing urgent waits for it.
	Days  int     `json:"days,omitempty" doc:"In how many days it can be answered; nothing urgent waits for it."`
	Bits  float64 `json:"bits" doc:"Expected drop in the uncertainty over all causes, in bits."`
	Worth float64 `json:"worth" doc:"What it settles weighted by urgency, over the cost of the look."`
	// RulesOut is the lethal cause for which it is asked before all others.
	RulesOut string `json:"rulesOut,omitempty" doc:"The cause that it rules out before anything else."`
	// Again says that it was seen, and that all hangs on it: it is looked for once more.
	Again bool `json:"again,omitempty" doc:"Whether it was seen, all hangs on it, and it is looked for once more."`
	// Reason says why it comes before all others.
	Reason string `json:"reason,omitempty"`
	// Outcomes says what each answer would mean for the causes it moves most.
	Outcomes Outcomes        `json:"outcomes"`
	Working  working.Working `json:"working"`

	// instead is the worth of the question in whose place it is asked.
	instead float64
}

// Outcomes says what a look would lead to.
type Outcomes struct {
	Cost   float64       `json:"cost" doc:"2 + minutes + price of the disturbance."`
	Seen   float64       `json:"seen" doc:"Chance that the sign will be seen, 0-1."`
	IfSeen []CauseChance `json:"ifSeen"`
	IfNot  []CauseChance `json:"ifNot"`
}

const (
	checksOffered = 3
	leastWorth    = 0.004 // under this a check is not worth its trouble
	mostHistory   = 1     // of the checks offered, at most so many ask for its past
	// setsForChecks is how many of the likeliest sets a check is weighed by.
	setsForChecks = 400
	// asGoodAsKnown is a chance of an answer under which it is not reckoned with.
	asGoodAsKnown = 1e-4
	// Root rot is smelt for first; then it is unpotted from these chances on.
	unpotAfterSmell   = 0.15
	unpotWithoutSmell = 0.30
	// animalFrom is the chance of a leading pest from which the animal itself is
	// looked for before anything else.
	animalFrom = 0.5
)

// disturbancePrice is what each grade of disturbance adds to a look's cost, in
// minutes' worth (common practice).
var disturbancePrice = [...]float64{Look: 0, Touch: 1, Lift: 3, Unpot: 20}

// NextChecks gives the looks most worth their trouble, best first, three at most.
func (c *Case) NextChecks() []Check {
	if c.checks == nil {
		c.checks = c.nextChecks(func(Sign) bool { return true })
	}
	return slices.Clone(c.checks)
}

// ChecksAtSale gives the looks most worth their trouble that a stranger can take
// at a plant for sale.
func (c *Case) ChecksAtSale() []Check { return c.nextChecks(seenAtSale) }

// openLook is a cause that must be ruled out, and the sign to look for.
type openLook struct{ cause, sign int }

// reason says why it is looked for before anything else.
func (o openLook) reason(k *Knowledge) string {
	of := working.Lower(k.causes[o.cause].Label)
	if animal(k.signs[o.sign].ID) {
		return "Before all else: nobody has looked for the animal of " + of + "."
	}
	return "Before all else, to rule out " + of + ", which is quick to kill."
}

// animal says whether a sign is the animal itself.
func animal(sign string) bool { return strings.HasPrefix(sign, "pest.") }

// openLethal finds the causes that kill fast and are still open, likeliest first.
func (c *Case) openLethal() (open []openLook) {
	for _, id := range lethal {
		i := c.k.causeAt[string(id)]
		p := c.chances[i]
		if p <= plausible || p <= suspicion*c.prior[i] {
			continue
		}
		if sign, is := c.openSign(id, i, p); is {
			open = append(open, openLook{i, sign})
		}
	}
	sort.SliceStable(open, func(a, b int) bool { return c.chances[open[a].cause] > c.chances[open[b].cause] })
	return open
}

// openSign is the sign by which a lethal cause is ruled out; false where one was
// asked for.
func (c *Case) openSign(id cause.ID, i int, p float64) (sign int, open bool) {
	if id == cause.RootRot {
		return c.openRootLook(p)
	}
	first := -1
	for _, defining := range c.k.causes[i].Defining {
		s := c.k.signAt[defining]
		switch {
		case c.answers.asked[s]:
			return 0, false
		case first < 0 && c.k.signs[s].fits.habit(c.habit.ID):
			first = s
		}
	}
	return first, first >= 0
}

// openRootLook smells before it unpots.
func (c *Case) openRootLook(p float64) (sign int, open bool) {
	smell, mushy := c.k.signAt["root.smell"], c.k.signAt["root.mushy"]
	switch {
	case c.answers.asked[mushy] || c.answers.asked[c.k.signAt["root.firm"]]:
		return 0, false
	case !c.answers.given[smell] && c.k.signs[smell].fits.habit(c.habit.ID):
		return smell, true
	case c.saw(smell):
		return mushy, p >= unpotAfterSmell
	}
	return mushy, p >= unpotWithoutSmell && c.k.signs[mushy].fits.habit(c.habit.ID)
}

// animals are the signs of a pest that are the animal itself.
func (c *Case) animals(known Cause) (signs []int) {
	for _, id := range known.Defining {
		if animal(id) {
			signs = append(signs, c.k.signAt[id])
		}
	}
	return signs
}

// animalOpen is the animal of a leading pest that nobody looked for.
func (c *Case) animalOpen() (open openLook, is bool) {
	lead, chance := c.lead()
	signs := c.animals(lead)
	if lead.Kind != "pest" || chance < animalFrom || len(signs) == 0 {
		return open, false
	}
	for _, s := range signs {
		if c.answers.asked[s] {
			return open, false
		}
	}
	return openLook{c.k.causeAt[lead.ID], signs[len(signs)-1]}, true
}

// history says whether a sign is answered by the plant's past and not by looking.
func history(s Sign) bool {
	switch s.Zone {
	case "course", "care", "place":
		return true
	}
	return s.Source != FromLook
}

func (c *Case) nextChecks(can func(Sign) bool) []Check {
	all := c.askable(can)
	chosen := c.worthAsking(c.rulingOut(can), all)
	chosen = c.unseenParts(chosen, all)
	if again, is := c.secondLook(chosen); is && can(c.k.signs[c.k.signAt[again.Sign]]) {
		chosen = append([]Check{again}, chosen...)
	}
	chosen = chosen[:min(len(chosen), checksOffered)]
	for i := range chosen {
		chosen[i].explain()
	}
	return chosen
}

// unseenParts fills up with one cheap sign of each part that nobody looked at.
func (c *Case) unseenParts(chosen, all []Check) []Check {
	for _, part := range c.Missing() {
		here := func(x Check) bool {
			s := c.k.signs[c.k.signAt[x.Sign]]
			return s.Zone == part
		}
		if len(chosen) >= checksOffered || slices.ContainsFunc(chosen, here) {
			continue
		}
		at := slices.IndexFunc(all, func(x Check) bool {
			s := c.k.signs[c.k.signAt[x.Sign]]
			return here(x) && s.Disturbance <= Touch
		})
		if at >= 0 {
			chosen = append(chosen, c.check(c.k.signAt[all[at].Sign]))
		}
	}
	return chosen
}

// open says whether a sign can still be asked.
func (c *Case) open(sign int) bool { return !c.answers.given[sign] && !c.answers.unknown[sign] }

// askable weighs every sign that can still be asked, the worthiest first. What their
// answers would mean is left to be told of those that are chosen.
func (c *Case) askable(can func(Sign) bool) []Check {
	var all []Check
	for s, sign := range c.k.signs {
		if !c.open(s) || !sign.fits.habit(c.habit.ID) || !can(sign) {
			continue
		}
		if w := c.swing(s); w.seen > asGoodAsKnown && w.seen < 1-asGoodAsKnown {
			all = append(all, c.weigh(s, w))
		}
	}
	sort.SliceStable(all, func(a, b int) bool { return all[a].Worth > all[b].Worth })
	return all
}

// bestWorth is the worth of the best check that can be answered within so many days
// and is not asked to rule something out or to make sure: what is left to settle.
func bestWorth(checks []Check, days int) (best float64) {
	for _, check := range checks {
		if check.RulesOut == "" && !check.Again && check.Days <= days {
			best = max(best, check.Worth, check.instead)
		}
	}
	return best
}

// ifAnswered gives the chance that a sign will be seen, and of each cause before
// and together with it, over the likeliest sets.
func (c *Case) ifAnswered(sign int) (seen float64, before, with []float64) {
	before, with = make([]float64, len(c.k.causes)), make([]float64, len(c.k.causes))
	b, whole := c.background(sign), 0.0
	for _, s := range c.sets[:min(len(c.sets), setsForChecks)] {
		fails := 1 - b
		for _, cause := range s.causes {
			fails *= 1 - c.k.link[cause][sign]
		}
		p := s.share * (1 - fails)
		whole += s.share
		seen += p
		for _, cause := range s.causes {
			before[cause] += s.share
			with[cause] += p
		}
	}
	for cause := range before {
		before[cause] /= whole
		with[cause] /= whole
	}
	return seen / whole, before, with
}

// price is what a look costs, in minutes' worth.
func (c *Case) price(s Sign) float64 {
	price := disturbancePrice[s.Disturbance]
	if c.examination.Fragile || c.saw(c.k.signAt["root.few-live"]) {
		price *= 2
	}
	return 2 + float64(s.Minutes) + price
}

// swing is the chance that a sign will be seen, and that of each cause before it, if it
// is seen and if it is not.
type swing struct {
	seen                  float64
	before, ifSeen, ifNot []float64
}

// swing works out what the answer to a sign moves.
func (c *Case) swing(sign int) swing {
	seen, before, ifSeen := c.ifAnswered(sign)
	ifNot := make([]float64, len(ifSeen))
	for i := range ifSeen {
		ifNot[i] = (before[i] - ifSeen[i]) / max(1-seen, asGoodAsKnown)
		ifSeen[i] /= max(seen, asGoodAsKnown)
	}
	return swing{seen, before, ifSeen, ifNot}
}

// check weighs a sign and tells what its answers would mean.
func (c *Case) check(sign int) Check {
	w := c.swing(sign)
	check := c.weigh(sign, w)
	c.tell(&check, w)
	return check
}

// moves says whether a cause is one that answers move: it is possible, and neither a
// condition that was seen nor an umbrella.
func (c *Case) moves(cause int, before float64) bool {
	return before > 0 && len(c.k.causes[cause].parts) == 0 && !slices.Contains(c.conditionsSeen, cause)
}

// weigh gives a check its worth.
func (c *Case) weigh(sign int, w swing) Check {
	s := c.k.signs[sign]
	check := Check{Sign: s.ID, Minutes: s.Minutes, Days: s.Days, Outcomes: Outcomes{Cost: c.price(s), Seen: w.seen}}
	settles := 0.0
	for i, p := range w.before {
		if c.moves(i, p) {
			up, down := w.ifSeen[i]-p, w.ifNot[i]-p
			settles += c.k.causes[i].urgency() * 4 * (w.seen*up*up + (1-w.seen)*down*down)
		}
	}
	check.Worth = settles / check.Outcomes.Cost
	return check
}

// tell adds to a check how much it would settle, and the causes that it moves most.
func (c *Case) tell(check *Check, w swing) {
	var moved []int
	for i, p := range w.before {
		if c.moves(i, p) {
			check.Bits += entropy(p) - w.seen*entropy(w.ifSeen[i]) - (1-w.seen)*entropy(w.ifNot[i])
			moved = append(moved, i)
		}
	}
	by := func(i int) float64 { return math.Abs(w.ifSeen[i] - w.ifNot[i]) }
	sort.SliceStable(moved, func(a, b int) bool { return by(moved[a]) > by(moved[b]) })
	for _, i := range moved[:min(len(moved), 3)] {
		id := c.k.causes[i].ID
		check.Outcomes.IfSeen = append(check.Outcomes.IfSeen, CauseChance{id, w.ifSeen[i]})
		check.Outcomes.IfNot = append(check.Outcomes.IfNot, CauseChance{id, w.ifNot[i]})
	}
}

// explain adds how its worth was worked out.
func (k *Check) explain() {
	k.Working = working.Working{
		Inputs: []working.Input{
			{Name: "chance that it will be seen", Value: k.Outcomes.Seen},
			{Name: "cost: 2 + minutes + disturbance", Value: k.Outcomes.Cost},
			{Name: "worth", Value: k.Worth},
		},
		Formula: "Σ over all causes of urgency (3, 2, 1; harmless 0.3) × 4 × the expected square of what the answer " +
			"moves its chance by, ÷ cost",
		Source: working.CommonPractice, Sure: "as good as its tables"}
}

func has(chosen []Check, sign string) bool {
	return slices.ContainsFunc(chosen, func(x Check) bool { return x.Sign == sign })
}

// rulingOut are the checks that rule out what kills or what moves.
func (c *Case) rulingOut(can func(Sign) bool) []Check {
	chosen, open := []Check{}, c.openLethal()
	if animal, is := c.animalOpen(); is {
		open = append(open, animal)
	}
	for _, o := range open {
		if s := c.k.signs[o.sign]; can(s) && !has(chosen, s.ID) && c.open(o.sign) {
			check := c.check(o.sign)
			check.RulesOut, check.Reason = c.k.causes[o.cause].ID, o.reason(c.k)
			chosen = append(chosen, check)
		}
	}
	return chosen
}

// readInPot are questions about how it was watered, and what a finger in the pot says of
// the same now, which is surer than what somebody remembers (common practice).
var readInPot = map[string]string{"care.water-missed": "med.dry-through"}

// feltFirst is the look at the medium that tells more than a question about the past,
// whatever it costs; empty where there is none.
func feltFirst(question Check, all []Check) string {
	tells := func(x Check) float64 { return x.Worth * x.Outcomes.Cost }
	for _, x := range all {
		if x.Sign == readInPot[question.Sign] && tells(x) >= tells(question) {
			return x.Sign
		}
	}
	return ""
}

// worthAsking adds the checks that tell most, few of them about the past.
func (c *Case) worthAsking(chosen, all []Check) []Check {
	asked := 0
	for _, check := range all {
		if check.Worth < leastWorth || len(chosen) >= checksOffered {
			break
		}
		s := c.k.signs[c.k.signAt[check.Sign]]
		past := history(s)
		instead := 0.0
		if felt := feltFirst(check, all); felt != "" {
			past, check.Sign, instead = false, felt, check.Worth
		}
		if has(chosen, check.Sign) || past && asked >= mostHistory {
			continue
		}
		if past {
			asked++
		}
		next := c.check(c.k.signAt[check.Sign])
		next.instead = instead
		chosen = append(chosen, next)
	}
	return chosen
}
