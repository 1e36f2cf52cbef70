package season_test

import (
	"math"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/season"
)

// nights are those of the handbook's example: a plant that wants 10 °C and is hurt at 3 stands out
// from day 156 to day 258.
var nights = [12]float64{1, 1, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2}

func on(n int) day.Day { return day.Of(2026, time.January, 1) + day.Day(n-1) }

// indoors is a place with the same light, sun and air all year.
func indoors(light, sun float64) place.YearAir {
	y := place.YearAir{Latitude: 52, Out: nights}
	for i := range 12 {
		y.Light[i], y.Sun[i], y.Night[i], y.Day[i], y.Humidity[i] = light, sun, 17, 21, 60
	}
	return y
}

// wave is a year with its least in January and its most in July.
func wave(least, most float64) (of [12]float64) {
	for i := range of {
		of[i] = (least+most)/2 - (most-least)/2*math.Cos(float64(i)*math.Pi/6)
	}
	return of
}

// kind is one that wants 3 to 12 mol of light, two hours of sun, and nights over 10 °C.
func kind() plant.Profile {
	chill := 3.0
	return plant.Profile{
		Light: [3]float64{3, 7, 12}, Sun: plant.Filtered, Temperature: [3]float64{10, 22, 32}, Chill: &chill,
		Humidity: [2]float64{40, 60}, Feed: plant.Feed{PpmN: 100, Low: 0.25, Every: "month"},
	}
}

func asks(p season.Plant, known day.Day) map[care.Job]season.Ask {
	list := map[care.Job]season.Ask{}
	for _, a := range season.Asks(p, known) {
		if _, has := list[a.Job]; !has {
			list[a.Job] = a
		}
	}
	return list
}

func TestAKindRestsInItsMonths(t *testing.T) {
	for _, row := range []struct {
		kind       string
		south      bool
		from, ends day.Day
	}{
		{"winter-cool", false, day.Of(2026, time.November, 1), day.Of(2027, time.February, 28)},
		{"summer", false, day.Of(2026, time.June, 1), day.Of(2026, time.August, 31)},
		{"winter-cool", true, day.Of(2026, time.May, 1), day.Of(2026, time.August, 31)},
	} {
		p := season.Plant{Wants: plant.Profile{RestKind: row.kind, Rest: "cool and dry"}, South: row.south}
		a := asks(p, day.Of(2026, time.April, 1))[care.Rest]
		assert.Equal(t, row.from, a.From, row.kind)
		assert.Equal(t, row.ends, a.Ends, row.kind)
		assert.Equal(t, "Cool and dry.", a.How)
	}
	for _, none := range []string{"", "none", "after-bloom"} {
		assert.Empty(t, season.Asks(season.Plant{Wants: plant.Profile{RestKind: none}}, on(100)), none)
	}
}

// Little grows where the day is under ten hours, or under eleven and a half and shortens, or where
// the light is under the least that a kind wants; a lamp that gives it that lifts all three.
func TestWhenItIsDim(t *testing.T) {
	wants, here := kind(), indoors(8, 0)
	// At 52° north a day lasts ten hours on about 20 October and 20 February, eleven and a half on
	// about 27 September.
	for n, dim := range map[int]bool{40: true, 60: false, 172: false, 260: false, 275: true, 300: true, 355: true} {
		assert.Equal(t, dim, season.Dim(wants, here, on(n)), "day %d, %.2f hours", n, here.HoursOn(on(n)))
	}
	for d := on(1); d <= on(365); d++ {
		hours := here.HoursOn(d)
		want := hours < 10 || hours < 11.5 && here.HoursOn(d+1) < hours
		assert.Equal(t, want, season.Dim(wants, here, d), "%s", d)
	}
	assert.True(t, season.Dim(wants, indoors(2.9, 0), on(172)), "too dark in June")
	assert.False(t, season.Dim(wants, indoors(3, 0), on(172)))
	here.Lamp = true
	assert.False(t, season.Dim(wants, here, on(355)), "a lamp that is enough")
	here = indoors(2.9, 0)
	here.Lamp = true
	assert.True(t, season.Dim(wants, here, on(355)), "one that is not")
	wants.RestKind = "summer"
	assert.False(t, season.Dim(wants, indoors(8, 0), on(355)), "it grows in winter")
}

func TestItIsFedLessWhileItIsDim(t *testing.T) {
	here := indoors(8, 0)
	p := season.Plant{Wants: kind(), Here: &here, FedOn: on(200)}
	a := asks(p, on(200))[care.FeedLess]
	require.NotZero(t, a.From)
	assert.True(t, season.Dim(p.Wants, here, a.From) && !season.Dim(p.Wants, here, a.From-1))
	assert.True(t, season.Dim(p.Wants, here, a.Ends) && !season.Dim(p.Wants, here, a.Ends+1))
	assert.Contains(t, a.How, "a quarter")
	assert.Contains(t, a.How, "60 days")
	assert.Contains(t, a.Why, "7.6 hours")
	assert.NotContains(t, a.Why, "at least", "the light there is enough")
	here.Light = wave(2, 8)
	assert.Contains(t, asks(p, on(200))[care.FeedLess].Why, "it gets 2.4 mol of light a day and wants 3 at least")
	here = indoors(8, 0)

	for ago, fed := range map[day.Day]bool{90: true, 91: false} {
		p.FedOn = on(200) - ago
		_, less := asks(p, on(200))[care.FeedLess]
		assert.Equal(t, fed, less, "fed %d days before", ago)
	}
	p.FedOn = on(200)
	p.Wants.Feed.Low = 0
	assert.Contains(t, asks(p, on(200))[care.FeedLess].How, "Feed nothing")
	p.Wants.Feed.Every = "never"
	assert.NotContains(t, asks(p, on(200)), care.FeedLess)
	p.Wants = kind()
	p.Wants.RestKind = "winter-drier"
	assert.NotContains(t, asks(p, on(200)), care.FeedLess, "its rest says it")
	equator := indoors(8, 0)
	equator.Latitude = 0
	p = season.Plant{Wants: kind(), Here: &equator, FedOn: on(200)}
	assert.NotContains(t, asks(p, on(200)), care.FeedLess)
}

// It wants 3 mol at least: a place that gives 2 in January and 8 in July is too dark from
// November to February, and one that always gives 2 is no matter of the season.
func TestItStandsBrighterForTheDarkMonths(t *testing.T) {
	here := indoors(8, 0)
	here.Light = wave(2, 8)
	p := season.Plant{Wants: kind(), Here: &here}
	a := asks(p, on(200))[care.Brighter]
	dark := a.From + season.ReadyDays
	assert.Less(t, here.LightOn(dark), 3.0)
	assert.GreaterOrEqual(t, here.LightOn(dark-1), 3.0)
	assert.Less(t, here.LightOn(a.Ends), 3.0)
	assert.GreaterOrEqual(t, here.LightOn(a.Ends+1), 3.0)
	assert.Contains(t, a.Why, "2 mol of light a day and wants 3 at least")
	// 1 mol more in twelve hours is 1 / (12 × 0.0036) = 23 µmol.
	assert.Contains(t, a.How, "30 µmol")

	p.Wants.RestKind = "winter-cool"
	rests := asks(p, on(200))[care.Brighter]
	assert.Zero(t, rests.From, "at rest 2 mol are as good as 3.2")
	long := indoors(2, 0)
	long.Light[6], long.Light[7] = 5, 5
	assert.NotContains(t, asks(season.Plant{Wants: kind(), Here: &long}, on(200)), care.Brighter,
		"for ten months it is the place that is wrong")
	always := indoors(2, 0)
	assert.NotContains(t, asks(season.Plant{Wants: kind(), Here: &always}, on(200)), care.Brighter)
}

// It bears two hours of sun, 1.2 around noon; an hour more burns it, and so does a quarter more
// light than is most for it.
func TestItIsShadedForTheBrightMonths(t *testing.T) {
	for _, row := range []struct {
		says       string
		sun, light float64
		hot, asked bool
	}{
		{"as much as it bears and an hour", 3, 8, false, false},
		{"more", 3.6, 8, false, true},
		{"around noon", 2.2, 8, true, false},
		{"more around noon", 2.7, 8, true, true},
		{"a quarter more light", 0, 15, false, false},
		{"more light", 0, 15.5, false, true},
	} {
		here := indoors(8, 0)
		for i := 4; i < 8; i++ {
			here.Sun[i], here.Light[i], here.Hot[i] = row.sun, row.light, row.hot
		}
		a, asked := asks(season.Plant{Wants: kind(), Here: &here}, on(60))[care.Shade]
		assert.Equal(t, row.asked, asked, row.says)
		if asked {
			assert.Equal(t, a.Until-7, a.From)
			assert.Greater(t, a.Ends, a.Until+13)
		}
	}
	sunny := indoors(8, 9)
	assert.NotContains(t, asks(season.Plant{Wants: kind(), Here: &sunny}, on(60)), care.Shade, "that is no season")
}

func TestItGoesOutAndComesIn(t *testing.T) {
	inside, open := indoors(2, 0), indoors(8, 1)
	open.Outdoors = true
	p := season.Plant{Wants: kind(), Here: &inside, Outside: []place.YearAir{open}}
	a := asks(p, on(100))[care.PutOut]
	assert.Equal(t, on(156), a.From)
	assert.Equal(t, on(258)-30, a.Ends)
	assert.Equal(t, on(156), asks(p, on(228))[care.PutOut].From, "the last day on which it is asked for")
	assert.Equal(t, on(156)+365, asks(p, on(229))[care.PutOut].From, "then next year")
	for i, night := range nights { // half a year later: out in November, in in March
		inside.Out[(i+6)%12] = night
	}
	south := asks(season.Plant{Wants: kind(), South: true, Here: &inside, Outside: p.Outside}, on(10))[care.PutOut]
	assert.Less(t, south.From, on(10), "it began last year")
	assert.Greater(t, south.Ends, on(10))
	inside.Out = nights
	p.Outside = nil
	assert.NotContains(t, asks(p, on(100)), care.PutOut, "there is no place in the open")
	same := inside
	same.Outdoors = true
	p.Outside = []place.YearAir{same}
	assert.NotContains(t, asks(p, on(100)), care.PutOut, "it would do no better")
	p.Outside = []place.YearAir{open}
	p.Wants.Traits = []plant.Trait{plant.SulksMoved}
	assert.NotContains(t, asks(p, on(100)), care.PutOut, "it takes a move ill")

	p = season.Plant{Wants: kind(), Here: &open}
	for known, until := range map[int]day.Day{100: on(100), 155: on(155), 156: on(258), 258: on(258), 259: on(259)} {
		a := asks(p, on(known))[care.BringIn]
		assert.Equal(t, until, a.Until, "day %d", known)
	}
	assert.Equal(t, on(258)-14, asks(p, on(200))[care.BringIn].From)
	p.FedOn = on(240)
	assert.Contains(t, asks(p, on(243)), care.FeedLess)
	assert.Len(t, asks(p, on(244)), 1, "it comes in: nothing else is asked for out there")
	tender := kind()
	tender.Chill = nil
	tender.Temperature[0] = 16
	p = season.Plant{Wants: tender, Here: &open}
	assert.Equal(t, on(200), asks(p, on(200))[care.BringIn].Until, "never warm enough")
	open.Out = [12]float64{24, 24, 24, 24, 24, 24, 24, 24, 24, 24, 24, 24}
	assert.NotContains(t, asks(season.Plant{Wants: kind(), Here: &open}, on(200)), care.BringIn)
}

// The handbook's steps from 4 to 12 mol and two hours of sun: day 0 5.8, day 4 8.3, day 7 12.
func TestLightIsRaisedByDatedSteps(t *testing.T) {
	from, to := indoors(4, 0), indoors(12, 2)
	moved := on(100)
	none := day.Day(0)
	step, asked := season.Raise(from, to, moved, none, none)
	require.True(t, asked)
	assert.Equal(t, "Light, step 1 of 3", step.What)
	assert.Equal(t, moved, step.From)
	assert.Contains(t, step.How, "48 % of the light")
	assert.Contains(t, step.How, "0.5 hours of sun")
	step, _ = season.Raise(from, to, moved, moved, none)
	assert.Equal(t, moved+4, step.From)
	assert.Contains(t, step.How, "69 % of the light")
	late, _ := season.Raise(from, to, moved, moved+6, none)
	assert.Equal(t, moved+9, late.From, "one done late moves the next")
	assert.Contains(t, late.How, "all the light")
	waits, _ := season.Raise(from, to, moved, moved, moved+8)
	assert.Equal(t, moved+11, waits.From, "it was potted meanwhile")
	_, asked = season.Raise(from, to, moved, moved+7, none)
	assert.False(t, asked, "all steps are done")
	for light, steps := range map[float64]bool{3: false, 6: false, 6.1: true} {
		_, asked := season.Raise(from, indoors(light, 0), moved, none, none)
		assert.Equal(t, steps, asked, "to %g mol", light)
	}
}

// Whatever the kind and the day: nothing is asked for that is over, days are in order, and every
// ask names its reason.
func TestAsksAreToCome(t *testing.T) {
	here, open := indoors(8, 0), indoors(20, 5)
	here.Light, here.Sun, open.Outdoors = wave(1, 14), wave(0, 6), true
	for _, wants := range plant.Profiles() {
		for _, known := range []day.Day{on(1), on(90), on(200), on(300)} {
			for _, south := range []bool{false, true} {
				for _, at := range []place.YearAir{here, open} {
					p := season.Plant{Wants: wants, South: south, Here: &at, Outside: []place.YearAir{open}}
					for _, a := range season.Asks(p, known) {
						assert.GreaterOrEqual(t, a.Ends, known, "%s %s", wants.ID, a.Job)
						assert.LessOrEqual(t, a.From, a.Until, "%s %s", wants.ID, a.Job)
						assert.LessOrEqual(t, a.Until, a.Ends, "%s %s", wants.ID, a.Job)
						assert.LessOrEqual(t, a.From, known+2*365)
						assert.NotEmpty(t, a.What)
						assert.NotEmpty(t, a.How)
						assert.NotContains(t, a.Why+a.How, "%!")
					}
				}
			}
		}
	}
}

func BenchmarkAsks(b *testing.B) {
	here := indoors(8, 0)
	here.Light, here.Sun = wave(1, 14), wave(0, 6)
	p := season.Plant{Wants: kind(), Here: &here, Outside: []place.YearAir{here}}
	for b.Loop() {
		season.Asks(p, on(200))
	}
}
