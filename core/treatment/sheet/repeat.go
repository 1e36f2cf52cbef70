package sheet

import (
	"regexp"
	"strconv"

	"tendermend/core/day"
)

var (
	onDay   = regexp.MustCompile(`^d(\d+)`)
	forDays = regexp.MustCompile(`^(\d+) d\b`)
)

// EndsOn gives the last day of a repeated step, for a plan taken up on a day;
// false where something seen ends it.
func (s Step) EndsOn(planned day.Day) (day.Day, bool) {
	if m := onDay.FindStringSubmatch(s.Until); m != nil {
		n, err := strconv.Atoi(m[1])
		return planned + day.Day(n), err == nil
	}
	if m := forDays.FindStringSubmatch(s.Until); m != nil {
		n, err := strconv.Atoi(m[1])
		return s.On + day.Day(n), err == nil
	}
	return 0, false
}
