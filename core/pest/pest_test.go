package pest_test

import (
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"gonum.org/v1/gonum/integrate/quad"

	"tendermend/core/day"
	"tendermend/core/pest"
)

var first = day.Of(2026, time.March, 2)

// Baskerville and Emin 1969, Ecology 50:514; the values are in the trade's
// tables of numbers (from memory): 40/80 °F over 50 °F, and 5/25 °C over 10 °C.
func TestDegreeDaysGiveTheWorkedExamples(t *testing.T) {
	assert.InDelta(t, 12.18, pest.DegreeDays(40, 80, 50), 0.005)
	assert.InDelta(t, 6.09, pest.DegreeDays(5, 25, 10), 0.005)
	assert.Equal(t, 0.0, pest.DegreeDays(2, 9, 10), "below the threshold all day")
	assert.Equal(t, 10.0, pest.DegreeDays(15, 25, 10), "above it all day: the mean less the threshold")
	assert.Equal(t, pest.DegreeDays(5, 25, 10), pest.DegreeDays(25, 5, 10))
}

// The reference is numerical integration of the sine by gonum.
func TestDegreeDaysEqualNumericalIntegration(t *testing.T) {
	chance := rand.New(rand.NewPCG(3, 5))
	for range 200 {
		low, high, threshold := chance.Float64()*30-5, chance.Float64()*30-5, chance.Float64()*15+2
		if low > high {
			low, high = high, low
		}
		mean, swing := (low+high)/2, (high-low)/2
		above := func(angle float64) float64 { return max(0, mean+swing*math.Sin(angle)-threshold) / (2 * math.Pi) }
		// Split where the sine crosses the threshold, so that each piece is smooth.
		cuts := []float64{-math.Pi / 2}
		if r := (threshold - mean) / swing; math.Abs(r) < 1 {
			cuts = append(cuts, math.Asin(r), math.Pi-math.Asin(r))
		}
		cuts = append(cuts, 3*math.Pi/2)
		var sum float64
		for i := 1; i < len(cuts); i++ {
			sum += quad.Fixed(above, cuts[i-1], cuts[i], 60, nil, 0)
		}
		assert.InDelta(t, sum, pest.DegreeDays(low, high, threshold), 1e-6, "%g-%g over %g", low, high, threshold)
	}
}

// The days to adult at 20 and 25 °C as greenhouse handbooks print them (from
// memory), within the 20 % that the table promises.
func TestDaysToAdultAreThePrintedOnes(t *testing.T) {
	for cause, printed := range map[string][2]float64{"spider-mite": {16, 10}, "thrips": {19, 14}, "mealybug": {50, 34},
		"root-mealybug": {73, 50},
		"scale":         {75, 50}, "aphid": {8.5, 6.5}, "whitefly": {32, 23}, "fungus-gnat": {28, 19}} {
		p, ok := pest.ByCause(cause)
		require.True(t, ok, cause)
		assert.NotEmpty(t, p.Label, cause)
		for i, warm := range []float64{20, 25} {
			days, ok := pest.Warmth{Low: warm, High: warm}.DaysFor(p.TotalK, p.Threshold, first)
			require.True(t, ok)
			assert.InEpsilon(t, printed[i], float64(days), 0.2, "%s at %g °C", cause, warm)
		}
	}
}

func run(t *testing.T, cause string, w pest.Warmth) pest.Clock {
	t.Helper()
	p, ok := pest.ByCause(cause)
	require.True(t, ok)
	c, ok := p.Run(first, w)
	require.True(t, ok)
	return c
}

func TestTreatmentsMeetTheHatchBeforeTheYoungLay(t *testing.T) {
	for _, p := range pest.Pests() {
		for _, warm := range []float64{15, 18, 20, 24, 28} {
			w := pest.Warmth{Low: warm - 2, High: warm + 2}
			c, ok := p.Run(first, w)
			require.True(t, ok)
			require.GreaterOrEqual(t, len(c.Treatments), 3, "%s at %g", p.Cause, warm)
			for i := 1; i < len(c.Treatments); i++ {
				gap := int(c.Treatments[i] - c.Treatments[i-1])
				grown, ok := w.DaysFor(p.TotalK-p.EggK, p.Threshold, c.Treatments[i-1])
				require.True(t, ok)
				assert.LessOrEqual(
					t,
					gap,
					grown,
					"%s at %g: the young of the first hatch could lay before the next treatment",
					p.Cause,
					warm,
				)
				assert.Positive(t, gap)
			}
			hatched, _ := w.DaysFor(p.EggK, p.Threshold, first)
			assert.GreaterOrEqual(
				t,
				int(c.Treatments[len(c.Treatments)-1]-first),
				hatched,
				"%s at %g: eggs laid up to the first treatment have hatched before the last",
				p.Cause,
				warm,
			)
		}
	}
}

// It is treated as often as its table says at least, and until what hid has come out: not once more.
func TestTreatmentsEndWhenWhatHidHasComeOut(t *testing.T) {
	for _, p := range pest.Pests() {
		for _, warm := range []float64{15, 18, 20, 24, 28} {
			w := pest.Warmth{Low: warm - 2, High: warm + 2}
			c, ok := p.Run(first, w)
			require.True(t, ok)
			end, ok := p.TreatedDays(first, w)
			require.True(t, ok)
			n := len(c.Treatments)
			assert.GreaterOrEqual(t, n, p.Treatments)
			assert.GreaterOrEqual(t, int(c.Treatments[n-1]-first), end, "%s at %g", p.Cause, warm)
			assert.True(t, n == p.Treatments || int(c.Treatments[n-2]-first) < end, "%s at %g: once too often", p.Cause, warm)
			whole, _ := p.GenerationDays(first, w)
			clean, ok := p.ClearDays(first, w)
			assert.True(t, ok)
			assert.Equal(t, max(14, whole), clean, "a generation, two weeks at least")
		}
	}
}

func TestWarmthSetsTheClock(t *testing.T) {
	cool := run(t, "spider-mite", pest.Warmth{Low: 16, High: 16})
	warm := run(t, "spider-mite", pest.Warmth{Low: 26, High: 26})
	assert.Equal(t, 9.0, cool.Interval.Value, "45 degree-days at 5 a day")
	assert.Equal(
		t,
		5.0,
		warm.Interval.Value,
		"45 degree-days at 15 a day would be three days: not sooner than five, and before the young lay",
	)
	assert.Equal(
		t,
		3.0,
		run(t, "spider-mite", pest.Warmth{Low: 32, High: 32}).Interval.Value,
		"in heat the young lay so soon that five days are too long",
	)
	assert.Greater(t, cool.Generation.Value, warm.Generation.Value)
	guess := run(t, "mealybug", pest.UsualRoom())
	assert.Contains(t, guess.Interval.Working.Sure, "guess")
	// Readings taken later move the dates.
	moved := pest.Warmth{Low: 20, High: 20, Read: []pest.Temperature{{On: first + 2, Low: 10, High: 12}}}
	assert.Greater(
		t,
		run(t, "mealybug", moved).Treatments[1],
		run(t, "mealybug", pest.Warmth{Low: 20, High: 20}).Treatments[1],
	)
	low, high := moved.Of(first + 40)
	assert.Equal(t, []float64{20, 20}, []float64{low, high}, "a reading is taken as true for a month")
	p, _ := pest.ByCause("mealybug")
	_, ok := p.Run(first, pest.Warmth{Low: 5, High: 8})
	assert.False(t, ok, "too cold to grow: nothing is timed")
	_, ok = pest.ByCause("root-rot")
	assert.False(t, ok)
}
