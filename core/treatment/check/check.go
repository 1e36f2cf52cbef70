// Package check proves plans: it replays any plan, the composer's or one that a
// carer changed, and names every rule that it breaks. It shares nothing with
// the composer but the tables of operators, habits and kinds.
package check

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"tendermend/core/treatment"
)

// Breach is a rule that a plan breaks, and where.
type Breach struct {
	Rule    treatment.RuleID `json:"rule"`
	Sitting int              `json:"sitting" minimum:"-1" maximum:"10000" doc:"Of the plan, from 0."`
	Index   int              `json:"index" minimum:"-1" maximum:"10000" doc:"Of the step in its sitting, from 0."`
	Step    string           `json:"step" doc:"The operator."`
	Why     string           `json:"why"`
	// Edit is the step of the carer's change that it comes of; empty where of none.
	Edit string `json:"edit,omitempty" doc:"The step of the change that it comes of."`
	// Reason is why the carer goes against the rule; empty where nobody said.
	Reason string `json:"reason,omitempty"`
}

// ErrHabit means that nothing is known of how the plant grows.
var ErrHabit = errors.New("habit: say how it grows, or which kind it is")

// found says that a rule is broken at a step.
type found func(e *event, format string, args ...any)

// law is a rule as it is proved.
type law struct {
	id    treatment.RuleID
	holds func(r *replay, c *patient, no found)
}

// laws are the rules, one by one, in the files beside this one.
var laws = slices.Concat(lawsOfCuts, lawsOfRoots, lawsOfPots, lawsOfWater, lawsOfAir, lawsOfProducts, lawsOfEnds,
	lawsOfPeople, lawsOfPieces, lawsOfHolds, lawsOfCourses, lawsOfNewPots, lawsOfActs)

// Plan replays a plan by its days, in whatever order its sittings are listed, and lists what it breaks, by rule and
// step. It fails where the situation names neither a known kind nor a habit.
func Plan(s treatment.Situation, p treatment.Plan) ([]Breach, error) {
	p, at := byDays(p)
	c, ok := read(s, &p)
	if !ok {
		return nil, ErrHabit
	}
	r := carryOut(c)
	list := []Breach{}
	for _, l := range laws {
		l.holds(r, c, func(e *event, format string, args ...any) {
			b := Breach{Rule: l.id, Why: fmt.Sprintf(format, args...)}
			if e != nil {
				b.Sitting, b.Index, b.Step = at[e.sit], e.step, string(e.op)
				b.Reason = e.s.Against[l.id]
			}
			same := func(o Breach) bool { return o.Rule == b.Rule && o.Sitting == b.Sitting && o.Index == b.Index }
			if !slices.ContainsFunc(list, same) {
				list = append(list, b)
			}
		})
	}
	return list, nil
}

// byDays gives a plan with its sittings in the order of time, and where each stood: those that have a day first, by day
// and slot, then those that wait, as they are listed.
func byDays(p treatment.Plan) (treatment.Plan, []int) {
	at := make([]int, len(p.Sittings))
	for i := range at {
		at[i] = i
	}
	slices.SortStableFunc(at, func(i, j int) int {
		a, b := p.Sittings[i], p.Sittings[j]
		switch {
		case a.Day != nil && b.Day != nil:
			return cmp.Or(cmp.Compare(*a.Day, *b.Day), cmp.Compare(slotOf(a.Slot), slotOf(b.Slot)))
		case a.Day == nil && b.Day == nil:
			return 0
		case a.Day != nil:
			return -1
		}
		return 1
	})
	sorted := make([]treatment.Sitting, len(at))
	for i, from := range at {
		sorted[i] = p.Sittings[from]
	}
	p.Sittings = sorted
	return p, at
}
