package due_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/record/due"
)

// A task that is useful from day 10 and safe until 20 is at its best on 15: a fifth of its worth
// on the first day, all on the best, twice on the last, more from then on; a weight stands for
// twice as much danger.
func TestWhatATaskIsWorth(t *testing.T) {
	task := due.Term{Weight: 3, From: 10, Until: 20}
	for today, want := range map[day.Day]float64{9: 0, 10: 1.2, 15: 6, 20: 12, 21: 15, 60: 36} {
		assert.InDelta(t, want, task.Worth(today), 1e-9, "day %d", int(today))
	}
	atOnce := due.Term{Weight: 5, From: 10, Until: 10}
	assert.InDelta(t, 10, atOnce.Worth(10), 1e-9)
	assert.Zero(t, atOnce.Worth(9))
}
