package place_test

import (
	"math"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/sky"
)

func on(n int) day.Day { return day.Of(2025, time.January, 1) + day.Day(n-1) }

var north = place.Site{
	Latitude: 52, Sky: sky.Mixed, Nights: []float64{1, 1, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2},
}

func sill(aspect string, metres float64) place.Details {
	return place.Details{Setting: place.Sill, Window: &place.LitBy{Aspect: aspect, DistanceM: metres}}
}

// The handbook's table of light on sills at 52° N, mid-January, mid-April and mid-July.
func TestLightOfWindowsThroughTheYear(t *testing.T) {
	for _, row := range []struct {
		aspect string
		metres float64
		want   [3]float64
	}{
		{"N", .3, [3]float64{1.3, 5.8, 7.9}}, {"E", .3, [3]float64{2.4, 12.4, 16.4}}, {"S", .3, [3]float64{9.0, 12.6, 12.3}},
	} {
		for i, n := range []int{15, 105, 196} {
			assert.InDelta(t, row.want[i], sill(row.aspect, row.metres).Light(north, on(n)), .06, "%s on day %d", row.aspect, n)
		}
	}
	assert.InDelta(t, 3.13, sill("S", 2).Light(north, on(15)), .01)
	assert.InDelta(t, 1.20, sill("S", 2).Light(north, on(196)), .01)
	east, _ := sill("E", .3).SunHours(north, on(196))
	south, usual := sill("S", .3).SunHours(north, on(196))
	assert.InDelta(t, 6.33, east, .01)
	assert.InDelta(t, 5.67, south, .01)
	assert.Less(t, usual, south)
}

// The same window turned to the other pole gives the same half a year later, but for the
// distance of the sun, at the other end of the earth.
func TestTheSouthIsTheNorthHalfAYearLater(t *testing.T) {
	south := north
	south.Latitude = -52
	a := sill("S", .3).Light(north, on(172))
	b := sill("N", .3).Light(south, on(355))
	assert.InEpsilon(t, a, b, .08)
}

func TestWhatStandsBeforeAWindowTakesLight(t *testing.T) {
	base := sill("S", .5)
	last := math.Inf(1)
	for _, blocked := range []place.Blocked{place.Open, place.Some, place.Half, place.Walled} {
		p := base
		w := *base.Window
		w.Blocked = blocked
		p.Window = &w
		light := p.Light(north, on(80))
		assert.Less(t, light, last, blocked)
		last = light
	}
	for _, curtain := range []place.Curtain{place.Sheer, place.Blind} {
		w := *base.Window
		w.Curtain = curtain
		assert.Less(t, place.Details{Setting: place.Sill, Window: &w}.Light(north, on(80)), base.Light(north, on(80)))
	}
	last = math.Inf(1)
	for _, metres := range []float64{0, .3, 1, 2, 4} {
		light := sill("N", metres).Light(north, on(80))
		assert.Less(t, light, last, "%g m", metres)
		last = light
	}
	w := *base.Window
	w.UnderSill = true
	assert.Less(t, place.Details{Setting: place.Sill, Window: &w}.Light(north, on(80)), base.Light(north, on(80)))
}

func TestLampsAndPlacesWithoutAWindow(t *testing.T) {
	lit := place.Details{Setting: place.Room, Lamp: &place.Lamp{PPFD: 100, Hours: 12}}
	assert.InDelta(t, 4.32, lit.Light(north, on(15)), 1e-9)
	dark := place.Details{Setting: place.Room}
	assert.Zero(t, dark.Light(north, on(15)))
	hours, _ := dark.SunHours(north, on(172))
	assert.Zero(t, hours)
	both := sill("N", .3)
	both.Lamp = lit.Lamp
	assert.InDelta(t, 4.32+sill("N", .3).Light(north, on(15)), both.Light(north, on(15)), 1e-9)
	polar := north
	polar.Latitude = 78
	assert.Zero(t, sill("S", .3).Light(polar, on(355)))
	assert.Positive(t, sill("S", .3).Light(polar, on(172)))
}

// One reading moves the guess by its weight: 30 where 68 were to be expected gives .559.
func TestOneReadingCorrectsTheEye(t *testing.T) {
	p := sill("E", .3)
	factor, spread := p.Scale(north, nil)
	assert.InDelta(t, 1, factor, 0)
	assert.InDelta(t, .55, spread, 0)
	r := place.LightRead{On: on(105), Hour: 12, Sky: place.GreySky, PPFD: 1}
	f1, _ := p.Scale(north, []place.LightRead{r})
	expected := math.Exp(-math.Log(f1) / (math.Pow(.35, -2) / (math.Pow(.35, -2) + math.Pow(.55, -2))))
	r.PPFD = expected * 30 / 68
	factor, spread = p.Scale(north, []place.LightRead{r})
	assert.InDelta(t, .559, factor, .001)
	assert.InDelta(t, .295, spread, .001)
	_, two := p.Scale(north, []place.LightRead{r, r})
	assert.InDelta(t, .23, two, .005)
	low, high := place.Within(4, .30)
	assert.InDelta(t, 2.72, low, .01)
	assert.InDelta(t, 5.87, high, .01)
	night := r
	night.Hour = 1
	factor, _ = p.Scale(north, []place.LightRead{night, {On: on(105), Hour: 12, Sky: place.GreySky}})
	assert.InDelta(t, 1, factor, 0, "by night, and of nothing, it teaches nothing")
	assert.True(t, place.Odd(.29))
	assert.False(t, place.Odd(.31))
	assert.False(t, place.Odd(2.9))
	assert.True(t, place.Odd(3.1))
}

func TestNightsFollowTheOutdoors(t *testing.T) {
	porch, onSill := place.Details{Setting: place.Porch}, place.Details{Setting: place.Sill}
	assert.InDelta(t, .794, porch.ColderThan(10, 2, 1, nil), .001)
	assert.InDelta(t, .718, onSill.ColderThan(13, -5, 2, nil), .001)
	var warmer []place.Night
	for i := range 10 {
		out := float64(i) - 2
		warmer = append(warmer, place.Night{Out: out, In: .6*out + 7 + 3})
	}
	assert.Greater(t, porch.NightAt(2, warmer), porch.NightAt(2, nil)+1, "own nights correct the guess")
	assert.Less(t, porch.ColderThan(10, 2, 1, warmer), .6)
	last := 0.0
	for limit := 0.0; limit < 20; limit++ {
		chance := porch.ColderThan(limit, 2, 1, nil)
		assert.GreaterOrEqual(t, chance, last)
		last = chance
	}
}

func TestUsualNightsRunStraightBetweenMonths(t *testing.T) {
	for month := 1; month <= 12; month++ {
		assert.InDelta(t, north.Nights[month-1], north.UsualNight(sky.Middle(month, on(1))), 1e-9)
	}
	assert.InDelta(t, 1.5, north.UsualNight(on(1)), .1, "between December's 2 and January's 1")
	assert.InDelta(t, 1.5, north.UsualNight(on(365)), .1)
	assert.Zero(t, place.Site{}.UsualNight(on(1)))
}

// The handbook's days: 156 to 258 for a plant that wants 10 and is hurt at 3, none for 12 and
// 7, 125 to 288 for 5 and 0.
func TestWhenAPlantCanStandOutdoors(t *testing.T) {
	for _, row := range []struct {
		low, chill float64
		out, in    int
	}{{10, 3, 156, 258}, {5, 0, 125, 288}} {
		stays := north.OutFrom(row.low, row.chill, 0, on(1))
		assert.Equal(t, place.Stays{Out: on(row.out), In: on(row.in)}, stays)
	}
	assert.True(t, north.OutFrom(12, 7, 0, on(1)).Never)
	warm := place.Site{Latitude: 1, Sky: sky.Mixed, Nights: []float64{24, 24, 24, 24, 24, 24, 24, 24, 24, 24, 24, 24}}
	assert.True(t, warm.OutFrom(12, 7, 0, on(1)).Always)
	southern := place.Site{Latitude: -35, Nights: []float64{16, 16, 14, 11, 8, 6, 5, 6, 8, 10, 13, 15}}
	stays := southern.OutFrom(10, 3, 0, on(1))
	assert.Greater(t, stays.Out, stays.In, "the run goes over the turn of the year")
}

func TestAForecastCallsIn(t *testing.T) {
	night, cold, calls := place.CallsIn([]float64{12, 9, 8, 6}, 10, 5)
	require.True(t, calls)
	assert.Equal(t, 1, night)
	assert.False(t, cold, "three nights under what it wants")
	_, _, calls = place.CallsIn([]float64{12, 9, 8}, 10, 3)
	assert.False(t, calls, "two nights are not three")
	night, cold, calls = place.CallsIn([]float64{12, 11, 6.4}, 10, 5)
	assert.True(t, calls && cold)
	assert.Equal(t, 2, night)
	_, _, calls = place.CallsIn([]float64{12, 11, 6.5}, 10, 5)
	assert.False(t, calls)
	_, _, calls = place.CallsIn(nil, 10, 5)
	assert.False(t, calls)
}

func TestWhatIsMissingOfAPlaceIsSaid(t *testing.T) {
	require.ErrorContains(t, place.Details{}.Check(), "between it and the outdoors")
	require.ErrorContains(t, place.Details{Setting: place.Room, Window: &place.LitBy{}}.Check(),
		"where its window looks")
	require.NoError(t, place.Details{Setting: place.Room, Window: &place.LitBy{Roof: true}}.Check())
	require.NoError(t, sill("NE", 1).Check())
}

func TestTheSouthernSummerHoldsOverTheTurnOfTheYear(t *testing.T) {
	over := place.Stays{Out: on(270), In: on(120)}
	for n, holds := range map[int]bool{20: true, 120: true, 121: false, 200: false, 269: false, 270: true} {
		assert.Equal(t, holds, over.Holds(on(n)), "day %d", n)
	}
	usual := place.Stays{Out: on(156), In: on(258)}
	for n, holds := range map[int]bool{155: false, 156: true, 258: true, 259: false} {
		assert.Equal(t, holds, usual.Holds(on(n)), "day %d", n)
	}
}
