package due_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/record/due"
)

// What comes next is the first task that is neither too late nor switched off, as it reads by then.
func TestWhatComesNext(t *testing.T) {
	ends := day.Day(20)
	tasks := []due.Task{
		{From: 10, What: "Put it out", Ends: &ends},
		{From: 12, What: "Turn it", Job: care.Turn},
		{From: 30, What: "Look", Turns: []due.Turned{{From: 30, What: "Look again"}, {From: 40, What: "Look at once"}}},
	}
	for _, c := range []struct {
		today day.Day
		off   []care.Job
		what  string
	}{
		{5, nil, "Put it out"}, {20, nil, "Put it out"}, {21, nil, "Turn it"},
		{21, []care.Job{care.Turn}, "Look again"}, {39, []care.Job{care.Turn}, "Look again"},
		{40, []care.Job{care.Turn}, "Look at once"},
	} {
		next, comes := due.First(tasks, c.today, c.off)
		assert.True(t, comes)
		assert.Equal(t, c.what, next.What, "%+v", c)
	}
	_, comes := due.First(tasks[:1], 21, nil)
	assert.False(t, comes)
}
