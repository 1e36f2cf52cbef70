package sheet

import (
	"maps"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// late says by when what a sitting waits for must have been seen, and what is done where it is not: counted from the
// days on which the plan has what comes before it. False where it waits for nothing that can be late.
func (w *writing) late(sit treatment.Sitting, on day.Day) (gate.Late, bool) {
	if len(sit.Gate) == 0 {
		return gate.Late{}, false
	}
	f := w.s.Facts
	f.Last = maps.Clone(f.Last)
	if f.Last == nil {
		f.Last = map[facts.Happening]day.Day{}
	}
	f.Last[facts.Planned], f.Last[facts.Before] = w.s.On, w.before
	maps.Copy(f.Last, w.done)
	nature := treatment.NatureOfWaiting(w.s.HabitID(), w.s.Causes, w.school, w.s.Facts)
	return sit.Gate.Late(f, nature, on, w.s.On)
}

// does notes what a sitting leaves to be counted from.
func (w *writing) does(sit treatment.Sitting, on day.Day) {
	w.before = on
	for _, x := range sit.Steps {
		if what := x.Op.MakesHappen(); what != "" {
			w.done[what] = on
		}
	}
}
