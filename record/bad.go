package record

import (
	"fmt"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Bad says whether the last look was bad: the last reading of something that alarms
// was a yes, and nobody has said why it is harmless.
func (s State) Bad() (what string, on day.Day, bad bool) {
	for _, m := range recovery.Measures() {
		r, read := s.Readings.Last(m.ID)
		if !m.Alarm || !read || r.Value <= 0 || s.harmless(m.ID, r.On) || s.FoundWell != nil && *s.FoundWell > r.On {
			continue
		}
		if !bad || r.On > on {
			what, on, bad = capital(m.Short), r.On, true
		}
	}
	return what, on, bad
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
			Found: fmt.Sprintf("%s on %s", lower(what), since.Words()), Since: &since, Measures: []string{},
		})
	}
	return gate
}
