package due_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/record"
	"tendermend/record/due"
)

// Marks are compared with the nearest look that is old enough; where none is, with the
// first one, from its own days later on.
func TestALookThatTakesDaysCountsFromAnEarlierOne(t *testing.T) {
	const today = 100
	checks := []diagnosis.Check{{Sign: "course.static", Days: 14}, {Sign: "pest.larvae", Days: 2}, {Sign: "leaf.crisp"}}
	since := func(on day.Day) *day.Day { return &on }
	for name, c := range map[string]struct {
		looks []day.Day
		want  due.Wait
	}{
		"never looked at":        {nil, due.Wait{On: 114}},
		"today":                  {[]day.Day{100}, due.Wait{Since: since(100), On: 114}},
		"a day too young":        {[]day.Day{87}, due.Wait{Since: since(87), On: 101}},
		"just old enough":        {[]day.Day{86}, due.Wait{Since: since(86), On: 100}},
		"the nearest that is":    {[]day.Day{40, 80, 86, 95}, due.Wait{Since: since(86), On: 100}},
		"the first of young one": {[]day.Day{90, 95}, due.Wait{Since: since(90), On: 104}},
	} {
		s := record.State{}
		for _, on := range c.looks {
			s.Said = append(s.Said, record.Said{On: on})
		}
		want := map[string]due.Wait{"course.static": c.want, "pest.larvae": {On: 102}}
		assert.Equal(t, want, due.Waits(s, checks, today), name)
	}
}
