package recovery_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

// What each part of a condition comes to and what is said of it, on both sides of every limit (common practice):
// nothing is said to be there of which none was found, and what is old counts no more.
func TestWhatEachPartOfAConditionSays(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	usual := day.Day(habit.GrowthDays[1])
	type at map[int]map[string]float64
	for i, row := range []struct {
		readings at
		leaves   int
		on       day.Day
		part     string
		value    float64
		why      string
	}{
		{at{0: {recovery.LivePests: 0}}, 0, 0, "free of pests", 100, "none were found"},
		{at{0: {recovery.LivePests: 1}}, 0, 0, "free of pests", 0, "pests were found"},
		{at{0: {"plump": 1}}, 0, 0, "reserves", 0, "plumpness 1 of 5"},
		{at{0: {"plump": 5}}, 0, 0, "reserves", 100, "plumpness 5 of 5"},
		{at{0: {"plump": 3}}, 0, 90, "reserves", 50, "plumpness 3 of 5"},
		{at{0: {"plump": 3}}, 0, 91, "", 0, ""},
		{at{0: {"wilt": 0}}, 0, 0, "leaves", 100, "no wilt"},
		{at{0: {"wilt": 1}}, 0, 0, "leaves", 60, "no wilt, wilted"},
		{at{0: {"wilt": 0, "yellow": 1}}, 0, 0, "leaves", 80, "no wilt, yellowing"},
		{at{0: {"wilt": 0, "yellow": 0}}, 0, 0, "leaves", 100, "no wilt"},
		{at{0: {"wilt": 1, "yellow": 1}}, 0, 0, "leaves", 48, "no wilt, yellowing, wilted"},
		{at{0: {"wilt": 0, "leaves-lost": 2}}, 8, 0, "leaves", 75, "6 leaves, it came with 8"},
		{at{0: {"wilt": 0, "new-leaves": 1, "leaves-lost": 2}}, 8, 0, "leaves", 88, "7 leaves, it came with 8"},
		{at{0: {"wilt": 0, "new-leaves": 3}}, 8, 0, "leaves", 100, "11 leaves, it came with 8"},
		{at{0: {"wilt": 0, "leaves-lost": 9}}, 8, 0, "leaves", 0, "0 leaves, it came with 8"},
		{at{0: {"leaves-lost": 0}}, 8, 0, "", 0, ""},
		{at{0: {"leaves-lost": 1}}, 8, 0, "leaves", 88, "7 leaves, it came with 8"},
		{at{0: {"new-growth": 0}}, 0, 0, "growth", 0, "no new leaf or growth yet"},
		{at{0: {"new-growth": 1}}, 0, 0, "growth", 100, "last new leaf or growth 0 days ago"},
		{at{0: {"new-growth": 1}}, 0, usual, "growth", 100, fmt.Sprintf("last new leaf or growth %d days ago", usual)},
		{at{0: {"new-growth": 1}}, 0, 2 * usual, "growth", 50, fmt.Sprintf("last new leaf or growth %d days ago", 2*usual)},
		{at{0: {"new-growth": 1}}, 0, 3 * usual, "growth", 0, fmt.Sprintf("last new leaf or growth %d days ago", 3*usual)},
		{at{0: {"new-growth": 1}, 5: {"new-growth": 0}}, 0, 9, "growth", 100, "last new leaf or growth 9 days ago"},
		{at{0: {"new-growth": 1}, 5: {"new-growth": 2}}, 0, 9, "growth", 100, "last new leaf or growth 4 days ago"},
		{at{0: {"live-tips": 1}}, 0, 0, "roots", 17, "1 live tips"},
		{at{0: {"live-tips": 6, "rot": 1}}, 0, 0, "roots", 50, "6 live tips, rot found"},
		{at{0: {"live-tips": 6, "longest-root": 50}}, 0, 0, "roots", 75, "6 live tips, longest root 50 mm"},
	} {
		b := recovery.Basis{Habit: habit, Leaves: row.leaves}
		got, told := recovery.WellbeingOn(readings(row.readings), b, began+row.on)
		require.Equal(t, row.part != "", told, "row %d: %v", i, got)
		if !told {
			continue
		}
		found := false
		for _, p := range got.Parts {
			if p.Name == row.part {
				found = true
				assert.InDelta(t, row.value, p.Value, 1e-9, "row %d", i)
				assert.Equal(t, row.why, p.Why, "row %d", i)
			}
		}
		assert.True(t, found, "row %d: %v", i, got)
		assert.Len(t, got.Unknown, 5-len(got.Parts), "row %d", i)
	}
}
