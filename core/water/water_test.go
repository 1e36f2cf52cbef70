package water_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/water"
)

// vine is a pothos, which grows all year; bright is a rule of its growth on any day.
var bright = func(day.Day) water.Line { return water.Line{Days: true, Stretch: 1} }

func next(t *testing.T, last day.Day, rule func(day.Day) water.Line) water.Window {
	t.Helper()
	vine, _ := plant.HabitByID("aroid-vine")
	w, ok := water.AfterRest(water.UsualWindow(vine, last, rule), 0, rule)
	require.True(t, ok)
	return w
}

// may is a day in May, on which 100 days later it is bright too.
var may = day.Of(2026, time.May, 1)

func TestAWindowIsTheUsualGapWhereDryingDoesNotTell(t *testing.T) {
	w := next(t, may, bright)
	assert.True(t, w.Guess)
	assert.Equal(t, []day.Day{may + 6, may + 6, may + 11}, []day.Day{w.From, w.Best, w.Until})
	low := next(t, may, func(day.Day) water.Line { return water.Line{Days: true, Stretch: 1.4} })
	assert.Equal(t, []day.Day{may + 8, may + 15}, []day.Day{low.From, low.Until}, "a drier rule, a longer window")
	bare := next(t, may, func(day.Day) water.Line { return water.Line{Days: true, Stretch: 1, Rule: plant.AirRoots} })
	assert.Equal(t, []day.Day{may + 1, may + 2}, []day.Day{bare.From, bare.Until}, "bare roots dry within the day")
}

func TestAWindowLiesBehindARestAndThereIsNoneWithoutAnEnd(t *testing.T) {
	asleep := func(from, to day.Day) func(day.Day) water.Line {
		return func(on day.Day) water.Line { return water.Line{Days: on < from || on >= to, Stretch: 1} }
	}
	w := next(t, may, asleep(may+3, may+40))
	assert.Equal(t, []day.Day{may + 40, may + 45}, []day.Day{w.From, w.Until})
	vine, _ := plant.HabitByID("aroid-vine")
	forGood := asleep(may+3, may+4000)
	_, ok := water.AfterRest(water.UsualWindow(vine, may, forGood), 0, forGood)
	assert.False(t, ok)
	later := asleep(may+15, may+4000)
	_, ok = water.AfterRest(water.UsualWindow(vine, may, later), may+20, later)
	assert.False(t, ok, "it has gone to rest since its window began")
}

// Three gaps of the same half of the year tell; with fewer the other half counts,
// longer in the dark by 1.4.
func TestAPlantsUsualGap(t *testing.T) {
	gap := func(days float64, dark bool) water.Gap { return water.Gap{Days: days, Dark: dark} }
	summer := []water.Gap{gap(10, false), gap(10, false), gap(10, false)}
	usual, known := water.UsualOf(summer, false, -1)
	require.True(t, known)
	assert.Equal(t, water.Usual{Days: 10, Gaps: 3}, usual)
	usual, _ = water.UsualOf(summer, true, -1)
	assert.InDelta(t, 14, usual.Days, 1e-9, "September's gaps do not make November's a drought")
	assert.True(t, usual.Borrowed)
	_, known = water.UsualOf(summer, false, 0)
	assert.False(t, known, "two gaps and the one that is judged: too few")
	two := append([]water.Gap{gap(20, true), gap(20, true)}, summer...)
	usual, _ = water.UsualOf(two, true, -1)
	assert.True(t, usual.Borrowed, "two of the same half are too few")
	usual, _ = water.UsualOf(append(two, gap(20, true)), true, -1)
	assert.Equal(t, water.Usual{Days: 20, Gaps: 3}, usual, "three are enough")
	asleep := water.Gap{Days: 90, Dark: true, Asleep: true}
	open := water.Gap{Days: 50, Open: true}
	usual, _ = water.UsualOf(append(summer, asleep, open), false, -1)
	assert.Equal(t, 3, usual.Gaps, "neither a rest nor the time since the last watering is a gap of its own")
	many := append([]water.Gap{gap(3, false), gap(3, false)}, gap(8, false), gap(8, false), gap(8, false), gap(8, false),
		gap(8, false), gap(8, false))
	usual, _ = water.UsualOf(many, false, -1)
	assert.Equal(t, water.Usual{Days: 8, Gaps: 6}, usual, "the last six")
}

func TestTheHalfOfTheYearIsThatOfAGapsMiddle(t *testing.T) {
	awake := func(day.Day) bool { return false }
	september := day.Of(2026, time.September, 21)
	gaps := water.GapsOf([]day.Day{september, september + 18, september + 38}, september+38, false, awake)
	assert.Equal(
		t,
		[]bool{false, true, true},
		[]bool{gaps[0].Dark, gaps[1].Dark, gaps[2].Dark},
		"30 September, 19 October",
	)
	south := water.GapsOf([]day.Day{september, september + 18}, september+38, true, awake)
	assert.Equal(t, []bool{true, false}, []bool{south[0].Dark, south[1].Dark})
	old := water.GapsOf([]day.Day{september, september + 10, september + 20}, september+410, false, awake)
	assert.Len(t, old, 3, "400 days back")
	assert.Len(t, water.GapsOf([]day.Day{september, september + 10, september + 20}, september+411, false, awake), 2)
}

// Two waterings of one day are no gap.
func TestGapsAreBetweenDays(t *testing.T) {
	assert.Equal(t, []float64{3, 1}, water.Gaps([]day.Day{5, 5, 8, 9, 9}))
	assert.Empty(t, water.Gaps([]day.Day{5}))
}

func TestMedian(t *testing.T) {
	assert.Zero(t, water.Median(nil))
	assert.Equal(t, 4.0, water.Median([]float64{9, 4, 1}))
	assert.Equal(t, 2.5, water.Median([]float64{4, 1, 2, 3}))
}
