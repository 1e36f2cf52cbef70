package due_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/record/due"
)

func TestTheLoadOfAPlantAddsUpByDay(t *testing.T) {
	task := func(from day.Day, minutes, weight int) due.Task {
		return due.Task{From: from, Minutes: minutes, Weight: weight}
	}
	l := due.LoadOf([]due.Task{task(1, 2, 3), task(1, 5, 1), task(4, 1, 5), task(9, 3, 2)})
	assert.Equal(
		t,
		due.Load{Days: []day.Day{1, 4, 9}, Minutes: []int{7, 8, 11}, Weights: []int{3, 5, 5},
			Jobs: map[care.Job][]int{}},
		l,
	)
	assert.Equal(
		t,
		due.Load{Days: []day.Day{}, Minutes: []int{}, Weights: []int{}, Jobs: map[care.Job][]int{}},
		due.LoadOf(nil),
	)
	var many []due.Task
	for i := range 100 {
		many = append(many, task(day.Day(i), 1, 1))
	}
	l = due.LoadOf(many)
	assert.Len(t, l.Days, 60)
	assert.Equal(t, 100, l.Minutes[59], "nothing is left out")
	assert.False(t, due.Task{Until: 6}.Presses(5))
	assert.True(t, due.Task{Until: 5}.Presses(5), "its last safe day")
	assert.True(t, due.Task{Until: 6, Kind: due.Signal}.Presses(5), "an alarm never waits")
	asked := due.By([]due.Task{task(3, 1, 2), task(4, 2, 5), task(5, 3, 5), task(6, 4, 9)}, 5, nil)
	assert.Equal(t, []int{2, 3, 1}, []int{asked[0].Minutes, asked[1].Minutes, asked[2].Minutes})
}

// What the walk says in all is what its stops add up to, on any day: jobs that join
// a look take their time, and none while they wait or are switched off.
func TestTheLoadCountsTheJobsThatJoinALook(t *testing.T) {
	job := func(id care.Job, on day.Day, minutes int, pause *care.Pause) care.Due {
		return care.Due{Job: id, On: on, Minutes: minutes, Pauses: pause}
	}
	tasks := []due.Task{
		{From: 10, Minutes: 1, Weight: 1, Jobs: []care.Due{
			job(care.Feed, 20, 4, &care.Pause{From: 40, To: 60}), job(care.Turn, 5, 2, nil), job(care.LeafWash, 13, 8, nil),
		}},
		{From: 30, Minutes: 16, Weight: 4},
	}
	l := due.LoadOf(tasks)
	for on, minutes := range map[day.Day]int{
		9: 0, 10: 11, 16: 11, 17: 15, 29: 15, 30: 31, 39: 31, 40: 27, 56: 27, 57: 31, 300: 31,
	} {
		at, stop := -1, 0
		for at+1 < len(l.Days) && l.Days[at+1] <= on {
			at++
		}
		for _, due := range due.By(tasks, on, nil) {
			stop += due.Minutes
		}
		assert.Equal(t, minutes, stop, "day %d", on)
		if at >= 0 {
			assert.Equal(t, minutes, l.Minutes[at], "day %d", on)
			without := 0
			for _, due := range due.By(tasks, on, []care.Job{care.LeafWash, care.Turn}) {
				without += due.Minutes
			}
			spared := l.Jobs[care.LeafWash][at] + l.Jobs[care.Turn][at]
			assert.Equal(t, without, l.Minutes[at]-spared, "day %d", on)
		}
	}
	off := due.By(tasks, 20, []care.Job{care.LeafWash, care.Turn})
	require.Len(t, off[0].Jobs, 1)
	assert.Equal(t, 1+4, off[0].Minutes, "what is switched off takes no time")
}

// Every rule that is felt or looked at says how.
func TestEveryWaterRuleSaysHowItIsFelt(t *testing.T) {
	for rule := range plant.WaterRuleText() {
		assert.Equal(t, rule != plant.NoWater, rule.How() != "", string(rule))
	}
}
