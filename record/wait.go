package record

import (
	"slices"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
)

// Wait says when a sign that takes days can be answered.
type Wait struct {
	// Since is the look with which it is compared.
	Since day.Day `json:"since" doc:"The look with which it is compared."`
	On    day.Day `json:"on" doc:"From when it can be answered."`
}

// Waits gives, by sign, when those of the checks can be answered for which the record
// holds a look to compare with: from the nearest look that is old enough on, or from the
// first one, so many days later. What is begun by hand is not among them.
func (s State) Waits(checks []diagnosis.Check, today day.Day) map[string]Wait {
	waits := map[string]Wait{}
	for _, check := range checks {
		sign, ok := diagnosis.SignByID(check.Sign)
		if !ok || check.Days == 0 || sign.Source != diagnosis.FromRecord || len(s.Said) == 0 {
			continue
		}
		var old []day.Day
		first := today
		for _, look := range s.Said {
			first = min(first, look.On)
			if look.On <= today-day.Day(check.Days) {
				old = append(old, look.On)
			}
		}
		if len(old) > 0 {
			first = slices.Max(old)
		}
		waits[check.Sign] = Wait{first, max(today, first+day.Day(check.Days))}
	}
	return waits
}
