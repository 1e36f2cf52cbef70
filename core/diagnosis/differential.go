package diagnosis

import (
	"fmt"
	"slices"
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// CauseChance is a cause and its chance, 0-1, given the evidence.
type CauseChance struct {
	ID     string  `json:"id"`
	Chance float64 `json:"chance" minimum:"0" maximum:"1" doc:"Chance given the evidence, 0-1."`
}

// CauseSet is a combination of causes, none for a plant with no trouble of
// these, and its chance, 0-1.
type CauseSet struct {
	Causes []string `json:"causes"`
	Chance float64  `json:"chance"`
}

// Result is the differential with what follows from it.
type Result struct {
	Causes      []CauseChance `json:"causes" doc:"All causes by falling chance."`
	Sets        []CauseSet    `json:"sets" doc:"The five likeliest combinations."`
	Verdict     VerdictKind   `json:"verdict" enum:"look-further,act,harmless,nothing-found,not-enough,something-else"`
	Outside     Outside       `json:"outside" doc:"Whether something that is not on the list may be at work."`
	Unexplained []string      `json:"unexplained" doc:"Signs seen that no likely cause explains."`
	Conditions  []string      `json:"conditions" doc:"Causes that were seen as such, and not reckoned."`
	Checks      []Check       `json:"checks" doc:"The looks most worth their trouble."`
	Moves       []Advice      `json:"moves"`
	Enough      bool          `json:"enough" doc:"False while no cause reaches one in three."`
	Left        float64       `json:"left" doc:"Share that rarer mixtures may have, at most; left out."`
}

// plausible is the chance above which a cause must be reckoned with.
const plausible = 0.05

// suspicion is how much likelier than before any sign a suspect has become.
const suspicion = 1.5

// chanceSeen is the chance that is given for a condition that was seen.
const chanceSeen = 0.97

// setsOffered is how many combinations are given.
const setsOffered = 5

// Case is a checked examination with its posterior. Make it with Examine.
type Case struct {
	k           *Knowledge
	examination Examination
	habit       plant.Habit
	answers     answers

	prior          []float64 // by cause, before any sign
	conditionsSeen []int
	posterior      sums
	chances        []float64 // by cause
	sets           []combination
	outside        float64
	ranked         []CauseChance // without umbrellas, likeliest first
	checks         []Check       // once they were asked for
	without        map[int]func(cause int) float64
}

// combination is a set of causes with its chance.
type combination struct {
	causes []int
	share  float64
}

// nearlyAll is the share of all sets by which moves and signs are judged.
const nearlyAll = 0.9995

// Examine checks an examination and computes its posterior. An error names the
// field, the offending value and what to do.
func (k *Knowledge) Examine(e Examination) (*Case, error) {
	habit, ok := plant.HabitByID(e.Habit)
	if !ok {
		return nil, fmt.Errorf("habit: there is no growth habit %q", e.Habit)
	}
	switch e.Season {
	case "", climate.Spring, climate.Summer, climate.Autumn, climate.Winter:
	default:
		return nil, fmt.Errorf("season: %q is not spring, summer, autumn or winter", e.Season)
	}
	said, err := k.answers(e)
	if err != nil {
		return nil, err
	}
	c := &Case{k: k, examination: e, habit: habit, answers: said}
	c.solve()
	return c, nil
}

// solve works out the chances.
func (c *Case) solve() {
	p, causes := c.problem()
	c.posterior = p.sum(true)
	c.chances = make([]float64, len(c.k.causes))
	for i, cause := range causes {
		c.chances[cause] = c.posterior.of[i] / c.posterior.total
	}
	for _, seen := range c.conditionsSeen {
		c.chances[seen] = chanceSeen
	}
	c.sets = make([]combination, len(c.posterior.sets))
	lists := make([]int, 0, len(c.sets)*(allAmong+len(c.conditionsSeen)))
	for i, s := range c.posterior.sets {
		from := len(lists)
		lists = append(lists, c.conditionsSeen...)
		for _, at := range s.list() {
			lists = append(lists, causes[at])
		}
		list := lists[from:len(lists):len(lists)]
		slices.Sort(list)
		c.sets[i] = combination{list, s.weight / c.posterior.total}
	}
	c.posterior.sets = nil
	for u, umbrella := range c.k.causes {
		if len(umbrella.parts) > 0 {
			c.chances[u] = c.anyOf(umbrella.parts)
		}
	}
	c.outside = c.somethingElse(p)
	c.rank()
}

// likely gives the likeliest sets that together are nearly all.
func (c *Case) likely() []combination {
	sum := 0.0
	for i, s := range c.sets {
		if sum += s.share; sum > nearlyAll {
			return c.sets[:i+1]
		}
	}
	return c.sets
}

// anyOf is the chance that any of the causes is present.
func (c *Case) anyOf(ids []string) (chance float64) {
	for _, s := range c.sets {
		if slices.ContainsFunc(ids, func(id string) bool { return slices.Contains(s.causes, c.k.causeAt[id]) }) {
			chance += s.share
		}
	}
	return chance
}

func (c *Case) rank() {
	for i, known := range c.k.causes {
		if len(known.parts) == 0 {
			c.ranked = append(c.ranked, CauseChance{known.ID, c.chances[i]})
		}
	}
	sort.SliceStable(c.ranked, func(a, b int) bool { return c.ranked[a].Chance > c.ranked[b].Chance })
}

// Diagnose examines and gives the whole result.
func Diagnose(e Examination) (Result, error) {
	c, err := Standard().Examine(e)
	if err != nil {
		return Result{}, err
	}
	return c.Result(), nil
}

// Result gives the differential with what follows from it.
func (c *Case) Result() Result {
	checks := c.NextChecks()
	return Result{
		Causes:      c.Causes(),
		Sets:        c.Sets(),
		Verdict:     c.Verdict().Kind,
		Outside:     c.Outside(),
		Unexplained: c.Unexplained(),
		Conditions:  c.Conditions(),
		Checks:      checks,
		Moves:       c.Moves(checks),
		Enough:      c.ranked[0].Chance >= shaky && len(c.sets[0].causes) > 0,
		Left:        c.posterior.left,
	}
}

// Causes gives all causes by falling chance; umbrellas of older records are left
// to Chance.
func (c *Case) Causes() []CauseChance { return slices.Clone(c.ranked) }

// Chance gives the chance of one cause, 0-1; that of an umbrella is the chance of
// any of its parts; 0 for an unknown id.
func (c *Case) Chance(causeID string) float64 {
	if i, ok := c.k.causeAt[causeID]; ok {
		return c.chances[i]
	}
	return 0
}

// Prior gives the chance of a cause before any sign, for the habit and season of
// the look; 0 for an unknown id.
func (c *Case) Prior(causeID string) float64 {
	if i, ok := c.k.causeAt[causeID]; ok {
		return c.prior[i]
	}
	return 0
}

// Left is the share of all weight that rarer mixtures may have, at most; they are
// left out on purpose.
func (c *Case) Left() float64 { return c.posterior.left }

// Conditions lists the causes that were seen as such.
func (c *Case) Conditions() []string {
	ids := []string{}
	for _, i := range c.conditionsSeen {
		ids = append(ids, c.k.causes[i].ID)
	}
	return ids
}

// Sets gives the five likeliest combinations.
func (c *Case) Sets() []CauseSet {
	sets := make([]CauseSet, min(setsOffered, len(c.sets)))
	for i, s := range c.sets[:len(sets)] {
		ids := make([]string, len(s.causes))
		for k, cause := range s.causes {
			ids[k] = c.k.causes[cause].ID
		}
		sort.Strings(ids)
		sets[i] = CauseSet{ids, s.share}
	}
	return sets
}

// lead is the likeliest cause.
func (c *Case) lead() (known Cause, chance float64) {
	first := c.ranked[0]
	return c.k.causes[c.k.causeAt[first.ID]], first.Chance
}

// suspects are the harmful causes raised by evidence, not just common: over 5 %
// and more than 1.5 times their prior for this habit.
func (c *Case) suspects() (raised []int) {
	for i, known := range c.k.causes {
		if len(known.parts) > 0 || known.Harmless || slices.Contains(c.conditionsSeen, i) {
			continue
		}
		if p := c.chances[i]; p > plausible && p > suspicion*c.prior[i] {
			raised = append(raised, i)
		}
	}
	return raised
}

// symptomSeen says whether anything amiss was seen on the plant.
func (c *Case) symptomSeen() bool {
	return slices.ContainsFunc(c.answers.seen, func(a answer) bool { return c.k.signs[a.sign].Symptom })
}

// Working says how a differential is computed, and how sure it is.
func (c *Case) Working() working.Working {
	return working.Working{
		Inputs: []working.Input{
			{Name: "signs seen", Value: float64(len(c.examination.Present))},
			{Name: "looked for, not there", Value: float64(len(c.examination.Absent))},
			{Name: "causes thought of at the same time, at most", Value: MostTogether},
			{Name: "share that rarer mixtures may have, at most; left out", Value: c.Left()},
		},
		Formula: "P(sign absent) = (1 − background) × Π(1 − link); P(cause) = 1 − (1 − prior) × " +
			"Π(1 − strength) over what brings it on; summed over the sets of causes; a condition that was seen " +
			"counts as true",
		Source: "noisy-OR networks: Pearl 1988, ch. 4; Heckerman 1989; Shwe et al. 1991, Methods Inf Med 30:241. " +
			"Priors, links and strengths: common practice",
		Sure: fmt.Sprintf("as good as its tables; these were tried on %d worked cases that people wrote down, which are "+
			"no outcomes", CasesTriedOn)}
}
