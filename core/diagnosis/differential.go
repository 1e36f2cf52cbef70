package diagnosis

import (
	"fmt"
	"sort"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

// Examination is what is known of a plant at one look. A sign in neither list
// was not looked for.
type Examination struct {
	Habit   string         `json:"habit"`
	Season  climate.Season `json:"season,omitempty"`
	Present []string       `json:"present"`
	Absent  []string       `json:"absent"`
	// Fragile plants have few roots or are in their first two weeks: a look that
	// disturbs them costs double.
	Fragile bool `json:"-"`
}

// CauseChance is a cause and its chance, 0-1, given the evidence.
type CauseChance struct {
	ID     string  `json:"id"`
	Chance float64 `json:"chance" doc:"Chance given the evidence, 0-1."`
}

// CauseSet is a combination of causes, none for a plant with no trouble of
// these, and its chance, 0-1.
type CauseSet struct {
	Causes []string `json:"causes"`
	Chance float64  `json:"chance"`
}

// Result is the differential with what follows from it.
type Result struct {
	Causes []CauseChance `json:"causes" doc:"All causes by falling chance."`
	Sets   []CauseSet    `json:"sets" doc:"The five likeliest combinations."`
	Checks []Check       `json:"checks" doc:"The looks most worth their trouble; none means time to act."`
	Moves  []Advice      `json:"moves"`
	Enough bool          `json:"enough" doc:"False when nothing fits: not enough to go on."`
}

// plausible is the chance above which a cause must be reckoned with.
const plausible = 0.05

// shaky is the top chance under which the evidence is not enough to go on.
const shaky = 1.0 / 3

// Case is a checked examination with its posterior. Make it with Examine.
type Case struct {
	examination     Examination
	habit           plant.Habit
	network         *network
	present, absent []int
	looked          map[int]bool
	joint           *joint
	best            []set // the likeliest combinations
}

// setsOffered is how many combinations are given.
const setsOffered = 5

// Examine checks an examination and computes its posterior, from exactly what was
// answered. An error names the field, the offending value and what to do.
func Examine(e Examination) (*Case, error) {
	habit, ok := plant.HabitByID(e.Habit)
	if !ok {
		return nil, fmt.Errorf("habit: there is no growth habit %q", e.Habit)
	}
	switch e.Season {
	case "", climate.Spring, climate.Summer, climate.Autumn, climate.Winter:
	default:
		return nil, fmt.Errorf("season: %q is not spring, summer, autumn or winter", e.Season)
	}
	c := &Case{examination: e, habit: habit, network: networkFor(habit, e.Season), looked: map[int]bool{}}
	answers := []struct {
		field string
		ids   []string
		to    *[]int
	}{{"present", e.Present, &c.present}, {"absent", e.Absent, &c.absent}}
	for _, a := range answers {
		for i, id := range a.ids {
			s, ok := signIndex[id]
			if !ok {
				return nil, fmt.Errorf("%s[%d]: there is no sign %q", a.field, i, id)
			}
			seen := contains(c.present, s)
			if c.looked[s] && seen != (a.field == "present") {
				return nil, fmt.Errorf(
					"%s[%d]: %q is said to be both seen and not there; keep one of the two",
					a.field,
					i,
					id,
				)
			}
			if !c.looked[s] {
				c.looked[s] = true
				*a.to = append(*a.to, s)
			}
		}
	}
	// The order of the answers must not matter, not even in the last digit.
	sort.Ints(c.present)
	sort.Ints(c.absent)
	c.joint = newJoint(c.network, c.present, c.absent)
	c.best = c.joint.likeliest(setsOffered)
	return c, nil
}

func contains(list []int, v int) bool {
	for _, x := range list {
		if x == v {
			return true
		}
	}
	return false
}

// Diagnose examines, with what the signs seen exclude, and gives the whole result.
func Diagnose(e Examination) (Result, error) {
	c, err := Examine(e.WithImplied())
	if err != nil {
		return Result{}, err
	}
	checks := c.NextChecks()
	return Result{Causes: c.Causes(), Sets: c.Sets(), Checks: checks, Moves: c.Moves(checks), Enough: c.Enough()}, nil
}

// Causes gives all causes by falling chance.
func (c *Case) Causes() []CauseChance {
	all := make([]CauseChance, len(causes))
	for i, cause := range causes {
		all[i] = CauseChance{cause.ID, c.joint.chance(i)}
	}
	sort.SliceStable(all, func(a, b int) bool { return all[a].Chance > all[b].Chance })
	return all
}

// Chance gives the chance of one cause, 0-1; 0 for an unknown id.
func (c *Case) Chance(causeID string) float64 {
	if i, ok := causeIndex[causeID]; ok {
		return c.joint.chance(i)
	}
	return 0
}

// Sets gives the five likeliest combinations.
func (c *Case) Sets() []CauseSet {
	sets := make([]CauseSet, len(c.best))
	for i, s := range c.best {
		ids := make([]string, len(s.causes))
		for k, cause := range s.causes {
			ids[k] = causes[cause].ID
		}
		sort.Strings(ids)
		sets[i] = CauseSet{ids, s.chance}
	}
	return sets
}

// Enough is false when the evidence is not enough to go on: the best
// explanation is no cause at all, or no cause reaches one third.
func (c *Case) Enough() bool {
	return len(c.best[0].causes) > 0 && c.Causes()[0].Chance >= shaky
}

// suspects are the causes raised by evidence, not just common: over 5 % and
// more than 1.5 times their prior for this habit.
func (c *Case) suspects() []int {
	var raised []int
	for i, prior := range c.network.prior {
		if p := c.joint.chance(i); p > plausible && p > 1.5*prior {
			raised = append(raised, i)
		}
	}
	return raised
}
