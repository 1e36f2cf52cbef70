package record

import (
	"fmt"
	"slices"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/working"
)

// Bad says whether the last look was bad: the last reading of something that alarms
// was a yes, nobody has said why it is harmless, and it was not answered by work with a
// look after it.
func (s State) Bad() (what string, on day.Day, bad bool) {
	for _, m := range s.badMeasures() {
		if r, _ := s.Readings.Last(m.ID); !bad || r.On > on {
			what, on, bad = working.Capital(m.Short), r.On, true
		}
	}
	return what, on, bad
}

// badMeasures lists what was bad when it was read last.
func (s State) badMeasures() (list []recovery.Measure) {
	for _, m := range recovery.Measures() {
		r, read := s.Readings.Last(m.ID)
		switch {
		case !m.Alarm || !read || r.Value <= 0, s.harmless(m.ID, r.On), s.FoundWell != nil && *s.FoundWell > r.On:
		case s.LastLook() > r.On && slices.ContainsFunc(s.Cases, func(c Case) bool { return s.As(c).didAnswer(m.ID, r.On) }):
		default:
			list = append(list, m)
		}
	}
	return list
}

// Asks lists what is read at a check-in of the plant in a stage: what its gate wants,
// and what was bad when it was read last, so that it can be seen to be over.
func (s State) Asks(stage recovery.Stage) []recovery.Measure {
	asks := stage.Asks()
	for _, id := range s.gateAsks() {
		if m, known := recovery.MeasureByID(id); known {
			asks = append(asks, m)
		}
	}
	asks = onceEach(asks)
	for _, m := range s.badMeasures() {
		if !slices.ContainsFunc(asks, func(a recovery.Measure) bool { return a.ID == m.ID }) {
			asks = append(asks, m)
		}
	}
	return asks
}

// Gate is where the plant stands on a course before its next stage. Whatever its
// conditions are, it is shut while the last look was bad.
func (s State) Gate(c Course, on day.Day) recovery.Gate {
	_, stage, in := c.In()
	if !in {
		return recovery.Gate{Conditions: []recovery.Standing{}}
	}
	gate := stage.JudgeGate(s.Readings, c.Began, on)
	if what, since, bad := s.Bad(); bad && since <= on {
		gate.Open = false
		gate.Conditions = append(gate.Conditions, recovery.Standing{
			Wanted: "nothing bad at the last look", Status: recovery.Missing,
			Found: fmt.Sprintf("%s on %s", working.Lower(what), since.Words()), Since: &since, Measures: []string{},
		})
	}
	return gate
}

// onceEach keeps each measure once, at its first place.
func onceEach(list []recovery.Measure) (kept []recovery.Measure) {
	for _, m := range list {
		if !slices.ContainsFunc(kept, func(k recovery.Measure) bool { return k.ID == m.ID }) {
			kept = append(kept, m)
		}
	}
	return kept
}
