package due

import (
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/record"
)

// Wait says when a sign that takes days can be answered.
type Wait struct {
	// Since is the look with which it is compared; missing where it is begun by hand.
	Since *day.Day `json:"since,omitempty" doc:"The look with which it is compared; missing where it is begun by hand."`
	On    day.Day  `json:"on" doc:"From when it can be answered."`
}

// Waits gives, by sign, when those of the checks can be answered that take days: where
// the record holds looks to compare with, from the nearest that is old enough on, or
// from the first one, so many days later; everything else that long after today.
func Waits(s record.State, checks []diagnosis.Check, today day.Day) map[string]Wait {
	waits := map[string]Wait{}
	for _, check := range checks {
		if check.Days == 0 {
			continue
		}
		days := day.Day(check.Days)
		wait := Wait{On: today + days}
		if sign, _ := diagnosis.SignByID(check.Sign); sign.Source == diagnosis.FromRecord && len(s.Said) > 0 {
			since := comparedWith(s, today-days)
			wait = Wait{&since, max(today, since+days)}
		}
		waits[check.Sign] = wait
	}
	return waits
}

// comparedWith is the last look by a day, or the first one where all came later.
func comparedWith(s record.State, by day.Day) day.Day {
	first, last := s.Said[0].On, day.Day(0)
	old := false
	for _, look := range s.Said {
		first = min(first, look.On)
		if look.On <= by {
			last, old = max(last, look.On), true
		}
	}
	if old {
		return last
	}
	return first
}
