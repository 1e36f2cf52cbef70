package check

import (
	"slices"

	"tendermend/core/treatment"
)

// of gives the events of some operators; only those done for the first time
// unless repeats are asked for.
func (r *replay) of(again bool, ops ...treatment.OperatorID) (list []*event) {
	for i := range r.events {
		e := &r.events[i]
		if (again || e.again == 0) && slices.Contains(ops, e.op) {
			list = append(list, e)
		}
	}
	return list
}

func (r *replay) has(ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(r.events, func(e event) bool { return slices.Contains(ops, e.op) })
}

// earlier and later say whether the sitting of an event holds one of the
// operators before or behind it.
func (r *replay) earlier(e *event, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(
		e.sitting.Steps[:e.step],
		func(s treatment.Step) bool { return slices.Contains(ops, s.Op) },
	)
}

func (r *replay) later(e *event, ops ...treatment.OperatorID) []*treatment.Step {
	var list []*treatment.Step
	for i := e.step + 1; i < len(e.sitting.Steps); i++ {
		if slices.Contains(ops, e.sitting.Steps[i].Op) {
			list = append(list, &e.sitting.Steps[i])
		}
	}
	return list
}

func opsWith(d treatment.Does) (list []treatment.OperatorID) {
	for _, o := range treatment.Operators() {
		if o.Does.Has(d) {
			list = append(list, o.ID)
		}
	}
	return list
}

var (
	cuts   = opsWith(treatment.Cuts)
	sets   = opsWith(treatment.Sets)
	medium = []treatment.OperatorID{
		treatment.FirstWater,
		treatment.Soak,
		treatment.BottomWater,
		treatment.Flush,
		treatment.ByRule,
	}
	waters = append(slices.Clone(medium), treatment.CupFill)
)
