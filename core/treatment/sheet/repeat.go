package sheet

import (
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
)

// EndsOn gives the last day of a repeated step, for a plan taken up on a day;
// false where something seen ends it.
func (s Step) EndsOn(planned day.Day) (day.Day, bool) {
	lasts := s.Lasts
	if lasts == nil { // older records say it short
		short, err := gate.Read(s.Until)
		if err != nil {
			return 0, false
		}
		lasts = short
	}
	if n, is := lasts.Since(facts.Planned); is {
		return planned + day.Day(n), true
	}
	for _, from := range []facts.Happening{facts.Begun, facts.SatRoots} {
		if n, is := lasts.Since(from); is {
			return s.On + day.Day(n), true
		}
	}
	if c, is := lasts.Of(gate.Quiet); is && len(lasts) == 1 {
		return s.On + day.Day(c.Days), true
	}
	return 0, false
}
