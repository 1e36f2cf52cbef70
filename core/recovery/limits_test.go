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

// waterings makes days of watering out of gaps.
func waterings(gaps ...int) []day.Day {
	on := []day.Day{100}
	for _, g := range gaps {
		on = append(on, on[len(on)-1]+day.Day(g))
	}
	return on
}

// A pot dries faster at 85 % of its earlier gap and below; the last four gaps, or
// the later half, against those before (common practice).
func TestWhenAPotDriesFaster(t *testing.T) {
	for _, c := range []struct {
		gaps        []int
		known, fast bool
		before, now float64
	}{
		{[]int{20, 20, 17, 17}, false, false, 0, 0}, // four gaps are too few
		{[]int{20, 20, 20, 17, 17}, true, true, 20, 17},
		{[]int{20, 20, 20, 18, 18}, true, false, 20, 18},
		{[]int{100, 100, 20, 20, 20, 20, 17, 17, 17, 17}, true, true, 20, 17},
		{[]int{100, 100, 100, 100, 20, 20, 20, 20, 20, 20, 20, 20, 17, 17, 17, 17}, true, true, 20, 17},
	} {
		d, known := recovery.DryingOf(waterings(c.gaps...))
		require.Equal(t, c.known, known, c.gaps)
		if known {
			assert.Equal(t, c.fast, d.Faster, c.gaps)
			assert.InDelta(t, c.now, d.Now, 1.6, c.gaps)
			assert.InDelta(t, c.before, d.Before, 0.1, c.gaps)
		}
	}
}

// A step of weaning that was borne keeps the day on which it began; none begins
// before the stage.
func TestTheDaysOfWeaning(t *testing.T) {
	steps := recovery.Weaning(recovery.History{}, began, began+7)
	require.Len(t, steps, 5)
	for i, want := range []day.Day{began, began + 3, began + 6, began + 9, began + 12} {
		assert.Equal(t, want, steps[i].From, "step %d", i)
		assert.Equal(t, i < 2, steps[i].Done, "step %d", i)
		assert.Equal(t, i == 2, steps[i].Now, "step %d", i)
	}
}

// What roots count for: six tips or ten centimetres are whole, rot halves them; a
// tally older than the count of tips tells of then (common practice).
func TestWhatRootsCountFor(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	for i, c := range []struct {
		readings map[string]float64
		share    float64 // a tally on the day before, 0 for none
		want     float64
	}{
		{map[string]float64{"live-tips": 6}, 0, 100},
		{map[string]float64{"live-tips": 3}, 0, 50},
		{map[string]float64{"live-tips": 12}, 0, 100},
		{map[string]float64{"longest-root": 100}, 0, 100},
		{map[string]float64{"longest-root": 40}, 0, 40},
		{map[string]float64{"live-tips": 3, "longest-root": 100}, 0, 75},
		{map[string]float64{"live-tips": 6, "rot": 1}, 0, 50},
		{map[string]float64{"live-tips": 6, "rot": 0}, 0, 100},
		{map[string]float64{"live-tips": 6}, 0.2, 100}, // the tips were counted later
		{map[string]float64{"longest-root": 100}, 0.2, 60},
	} {
		t.Run(fmt.Sprint(i), func(t *testing.T) {
			b := recovery.Basis{Habit: habit}
			if c.share > 0 {
				b.LiveShares = []recovery.Reading{{On: began - 1, Value: c.share}}
			}
			score, ok := recovery.WellbeingOn(readings(map[int]map[string]float64{0: c.readings}), b, began)
			require.True(t, ok)
			require.Len(t, score.Parts, 1)
			assert.InDelta(t, c.want, score.Parts[0].Value, 0.5)
		})
	}
}
