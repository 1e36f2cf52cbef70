package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/record"
)

// Marks are compared with the nearest look that is old enough; where none is, with the
// first one, from its own days later on.
func TestALookThatTakesDaysCountsFromAnEarlierOne(t *testing.T) {
	const today = 100
	checks := []diagnosis.Check{
		{Sign: "course.static", Days: 14}, {Sign: "pest.larvae", Days: 2}, {Sign: "leaf.crisp"}, {Sign: "no.sign", Days: 3},
	}
	for name, c := range map[string]struct {
		looks []day.Day
		want  map[string]record.Wait
	}{
		"never looked at":        {nil, map[string]record.Wait{}},
		"today":                  {[]day.Day{100}, map[string]record.Wait{"course.static": {Since: 100, On: 114}}},
		"a day too young":        {[]day.Day{87}, map[string]record.Wait{"course.static": {Since: 87, On: 101}}},
		"just old enough":        {[]day.Day{86}, map[string]record.Wait{"course.static": {Since: 86, On: 100}}},
		"the nearest that is":    {[]day.Day{40, 80, 86, 95}, map[string]record.Wait{"course.static": {Since: 86, On: 100}}},
		"the first of young one": {[]day.Day{90, 95}, map[string]record.Wait{"course.static": {Since: 90, On: 104}}},
	} {
		s := record.State{}
		for _, on := range c.looks {
			s.Said = append(s.Said, record.Said{On: on})
		}
		assert.Equal(t, c.want, s.Waits(checks, today), name)
	}
}
