package record

import (
	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/gate"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// Late says by when what a step waits for must have been seen, and what is done where it is not; false where it waits
// for nothing that can be late, its case is over, or its gate is kept in words alone, as those of older records are.
func (s State) Late(step sheet.Step, on day.Day) (gate.Late, bool) {
	if s.Plan == nil || !s.Case.Open() || len(step.Waits) == 0 {
		return gate.Late{}, false
	}
	causes := make([]cause.ID, len(s.Plan.Causes))
	for i, c := range s.Plan.Causes {
		causes[i] = cause.ID(c)
	}
	f := s.gateFacts(step, on)
	nature := treatment.NatureOfWaiting(s.Habit.ID, causes, treatment.School(s.Plan.School), f)
	return step.Waits.Late(f, nature, s.DueOn(step.ID), on)
}

// FirstLate gives of the sittings of the plan in hand that wait the one that is late first, as it stood at the last
// look; false where none will be.
func (s State) FirstLate() (step sheet.Step, first gate.Late, found bool) {
	if s.Plan == nil {
		return step, first, false
	}
	seen := map[int]bool{}
	for _, x := range s.Plan.Steps {
		if _, ticked := s.Ticks[x.ID]; ticked || x.Gate == "" || seen[x.Sitting] {
			continue
		}
		seen[x.Sitting] = true
		if l, can := s.Late(x, s.LastLook()); can && (!found || l.By < first.By) {
			step, first, found = x, l, true
		}
	}
	return step, first, found
}
