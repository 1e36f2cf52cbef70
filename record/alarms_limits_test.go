package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/record"
)

// One live pest is one too many: a look was clean where none was found, and nothing was found since.
func TestALookIsCleanWhereNoPestWasFound(t *testing.T) {
	for i, row := range []struct {
		found map[int]float64 // by days ago
		clean bool
	}{
		{nil, false}, {map[int]float64{3: 0}, true}, {map[int]float64{3: 1}, false}, {map[int]float64{3: 2}, false},
		{map[int]float64{9: 0, 3: 1}, false}, {map[int]float64{9: 1, 3: 0}, true},
	} {
		s := record.State{}
		s.Readings = recovery.History{}
		for days, n := range row.found {
			s.Readings.Add(recovery.LivePests, recovery.Reading{On: ago(days), Value: n})
		}
		clean := s.PestsClean()
		assert.Equal(t, row.clean, clean != nil, "row %d", i)
		if row.clean {
			assert.Equal(t, ago(3), *clean)
		}
	}
}

// Nothing sounds of a plant that left, or whose arrival was undone.
func TestNothingSoundsOfWhatIsNotHere(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	alarms := func(here bool, left *record.Closed) int {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Left, s.Readings = habit, ago(90), here, left, recovery.History{}
		s.Readings.Add("smell", recovery.Reading{On: ago(2), Value: 1})
		return len(s.Alarms())
	}
	assert.Positive(t, alarms(true, nil))
	assert.Zero(t, alarms(false, nil))
	assert.Zero(t, alarms(true, &record.Closed{Outcome: record.OutcomeLost}))
}
