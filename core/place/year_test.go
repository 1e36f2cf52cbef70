package place_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/logger"
	"tendermend/core/place"
)

func TestAYearOfAPlace(t *testing.T) {
	p := sill("E", .3)
	year := p.Year(north, place.Known{}, on(320))
	assert.Len(t, year, 12)
	assert.Equal(t, 11, year[0].Month, "from the month of the day on")
	for i, m := range year {
		assert.Less(t, m.Low, m.Light, "month %d", m.Month)
		assert.Greater(t, m.High, m.Light)
		assert.GreaterOrEqual(t, m.SunMost, m.SunUsual)
		assert.Less(t, m.Night, m.Day)
		assert.InDelta(t, 50, m.Humidity, 40)
		assert.Equal(t, (10+i)%12+1, m.Month)
	}
	january, july := year[2], year[8]
	assert.Less(t, january.Light, july.Light)
	assert.Less(t, january.Humidity, july.Humidity, "heated air is dry")
	assert.False(t, july.Hot, "the sun is off an east window by eleven")
	assert.True(t, sill("S", .3).Year(north, place.Known{}, on(80))[0].Hot)

	read := p.Year(north, place.Known{
		Light: []place.LightRead{{On: on(105), Hour: 12, PPFD: 5, Sky: place.GreySky}}, Warmer: -3, Moister: 10,
	}, on(320))
	assert.Less(t, read[8].Light, july.Light, "less was read than by eye")
	assert.Less(t, read[8].High/read[8].Low, july.High/july.Low, "and it is surer")
	assert.InDelta(t, july.Day-3, read[8].Day, .11)
}

func TestWhatIsTypedStandsAboveWhatIsAssumed(t *testing.T) {
	night, wet := 12.0, 70.0
	p := sill("S", .3)
	p.Winter = &place.TypedAir{Night: &night, Humidity: &wet}
	year := p.Year(north, place.Known{}, on(15))
	assert.InDelta(t, 12, year[0].Night, 0)
	assert.InDelta(t, 70, year[0].Humidity, 0)
	assert.NotEqual(t, 12.0, year[6].Night, "summer was not typed")
}

// 80 % at 5 °C is 28 % at 21 °C (FAO 56, equation 11); people and plants add some.
func TestHeatedAirIsDry(t *testing.T) {
	site := north
	site.Nights = []float64{1, 1, 1, 1, 8, 12, 14, 14, 8, 1, 1, 1}
	year := place.Details{Setting: place.Room}.Year(site, place.Known{}, on(15))
	assert.InDelta(t, 28.1+7, year[0].Humidity, .6)
}

func TestWhereACollectionLikelyIs(t *testing.T) {
	assert.InDelta(t, 52.5, place.Assume("Europe/Berlin", false).Latitude, .1)
	assert.InDelta(t, -33.9, place.Assume("Australia/Sydney", true).Latitude, .1)
	assert.Positive(t, place.Assume("Australia/Sydney", false).Latitude, "who says it is in the north is believed")
	assert.Negative(t, place.Assume("Nowhere/At all", true).Latitude)
	for _, lat := range []float64{-80, -35, -10, 0, 19.9, 20, 47, 66, 89} {
		nights := place.NightsAt(lat)
		assert.Len(t, nights, 12)
		if lat > 20 {
			assert.Less(t, nights[0], nights[6], "%g", lat)
		}
		if lat < -20 {
			assert.Greater(t, nights[0], nights[6], "%g", lat)
		}
	}
	assert.True(t, place.Assume("UTC", false).Assumed)
}

func TestAColdNightAlarmsInTime(t *testing.T) {
	porch := place.Details{Setting: place.Porch}
	night, likely, chance, alarms := porch.Cold(10, []float64{12, 2, 2, 2}, nil)
	assert.True(t, alarms)
	assert.Equal(t, 1, night)
	assert.InDelta(t, 8.2, likely, 1e-9)
	assert.InDelta(t, .794, chance, .001)
	_, _, _, alarms = porch.Cold(10, []float64{12, 12, 12, -20}, nil)
	assert.False(t, alarms, "four nights ahead is too far to say")
	_, _, _, alarms = porch.Cold(10, nil, nil)
	assert.False(t, alarms)
	// The chance of .20 on both sides: in the open the spread tonight is √(1.5² + 1²) = 1.803.
	out := place.Details{Setting: place.Outdoors}
	_, _, _, alarms = out.Cold(10, []float64{10 + .83*1.803}, nil)
	assert.True(t, alarms)
	_, _, _, alarms = out.Cold(10, []float64{10 + .86*1.803}, nil)
	assert.False(t, alarms)
}

func TestAYearInWords(t *testing.T) {
	assert.Empty(t, place.Says(nil))
	said := place.Says(sill("E", .3).Year(north, place.Known{}, on(320)))
	assert.Contains(t, said, "Dim in December (1.")
	assert.Contains(t, said, "very bright in J")
	assert.Regexp(t, `sun between \d+ and 11 o’clock in (May|June|July)`, said)
	assert.Contains(t, said, "nights down to about 14 °C in January.")
	assert.Contains(t, place.Says(sill("N", .3).Year(north, place.Known{}, on(1))),
		"sun early and late in the day in June")
	lamp := place.Details{Setting: place.Room, Lamp: &place.Lamp{PPFD: 100, Hours: 12}}
	assert.Contains(t, place.Says(lamp.Year(north, place.Known{}, on(1))),
		"Of middling light all year (4.3 mol); no sun reaches it")
	assert.Contains(t, place.Says([]place.MonthThere{{Month: 1, Light: 4.3, Night: -.4}, {Month: 7, Light: 5}}),
		"Of middling light all year (4.3 to 5.0 mol); no sun reaches it; nights down to about 0 °C in January.")
	for light, word := range map[float64]string{
		.99: "too dark for nearly all plants", 1: "dim", 2.99: "dim", 3: "of middling light", 6.99: "of middling light",
		7: "bright", 13.99: "bright", 14: "very bright",
	} {
		assert.Equal(t, word, place.LightWord(light), "%g", light)
	}
}

// What is kept of the sun is of that window, that latitude and that day alone.
func TestWhatIsKeptOfTheSunIsOfThatPlace(t *testing.T) {
	first := sill("E", .3).Light(north, on(105))
	other := north
	other.Latitude = 30
	assert.NotEqual(t, first, sill("E", .3).Light(other, on(105)))
	assert.NotEqual(t, first, sill("S", .3).Light(north, on(105)))
	assert.NotEqual(t, first, sill("E", .3).Light(north, on(140)))
	assert.InDelta(t, first, sill("E", .3).Light(north, on(105)), 0)
}

func BenchmarkYearOfAPlace(b *testing.B) {
	for b.Loop() {
		sill("E", .3).Year(north, place.Known{}, on(1))
	}
}

// Whole days that were read teach how warm and moist a place is and how its nights follow the
// outdoors; days of which little was read teach nothing.
func TestDaysThatWereReadTeach(t *testing.T) {
	p, wet := sill("E", .3), 60.0
	read := func(n int, hours float64) logger.ReadDay {
		return logger.ReadDay{On: on(n), Hours: hours, Low: 10, High: 17, Humidity: &wet}
	}
	few := p.Learn(north, nil, []logger.ReadDay{read(15, 17.9)}, nil)
	assert.Empty(t, few.Nights)
	assert.Zero(t, few.Warmer)
	known := p.Learn(north, nil, []logger.ReadDay{read(15, 18), read(16, 24)}, map[day.Day]float64{on(16): -8})
	assert.Equal(t, []place.Night{{Out: 1, In: 10}, {Out: -8, In: 10}}, known.Nights, "as read outdoors, or as usual")
	assert.InDelta(t, 17-20, known.Warmer, 1e-9, "a heated sill is taken to have 20 °C by day")
	bare := p.Year(north, place.Known{}, on(15))[0]
	learned := p.Year(north, known, on(15))[0]
	assert.InDelta(t, 60, learned.Humidity, 1.1)
	assert.InDelta(t, 17, learned.Day, .11)
	assert.Less(t, learned.Night, bare.Night)
}

func TestTheAirThatAPotDriesIn(t *testing.T) {
	usual := drying.Air{VPD: 1, Light: .4, Closed: true}
	fanned := sill("E", .3)
	fanned.Fan = true
	year := fanned.Year(north, place.Known{}, on(15))
	there := place.AirOf(year, fanned, north)
	air := there.On(on(196), 8, usual)
	assert.InDelta(t, year[6].Light/8, air.Light, .25/8)
	assert.InDelta(t, year[6].VPD, air.VPD, .025)
	assert.True(t, air.Fan && air.Closed)
	assert.Equal(t, usual, there.On(on(196), 0, usual), "nothing is known of the kind")
}

func TestNightsThatAreOnEarth(t *testing.T) {
	require.ErrorContains(t, place.CheckNights(nil), "at least one night")
	for night, fits := range map[float64]bool{-60.1: false, -60: true, 45: true, 45.1: false, math.NaN(): false} {
		assert.Equal(t, fits, place.CheckNights([]float64{3, night}) == nil, "%g", night)
	}
}
