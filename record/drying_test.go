package record_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/place"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/record/due"
)

// inPot is a book of a pothos in a pot that is known, watered so many days ago.
func inPot(t *testing.T, watered ...int) *book {
	t.Helper()
	b := &book{t: t, plant: uuid.New()}
	b.write(300, record.Body{Arrived: &record.Arrived{
		Name: "Pothos", Profile: "epipremnum-aureum", Habit: "aroid-vine", Had: record.HadYears, Well: true,
		PotWidthCM: p(14.0), PotDepthCM: p(12.0), Medium: "potting soil and perlite",
	}})
	for _, days := range watered {
		b.write(days, record.Body{Watered: &record.Watered{}})
	}
	return b
}

func (b *book) stick(daysAgo int, found water.Moisture) {
	b.write(daysAgo, record.Body{Probed: &record.Probed{Moisture: found}})
}

func window(t *testing.T, b *book) water.Window {
	t.Helper()
	w, known := b.state().WaterWindow(false)
	require.True(t, known)
	return w
}

// Who waters too often is told what the pot does: its own short gaps move no window.
func TestHabitsOfTheCarerMoveNoWindow(t *testing.T) {
	often := inPot(t, 40, 37, 34, 31, 28, 25, 22, 19, 16, 13, 10, 7, 4)
	seldom := inPot(t, 4)
	a, b := window(t, often), window(t, seldom)
	assert.InDelta(t, float64(b.Best), float64(a.Best), 1)
	assert.True(t, a.Guess, "nothing was found in it")
}

func TestWhatASticksFindsMovesTheWindow(t *testing.T) {
	base := window(t, inPot(t, 4))
	wet, dry := inPot(t, 4), inPot(t, 4)
	wet.stick(0, water.Wet)
	dry.stick(0, water.Dry)
	assert.Greater(t, window(t, wet).Best, base.Best)
	assert.Greater(t, window(t, wet).From, today, "it was wet today")
	assert.LessOrEqual(t, window(t, dry).From, today, "it was dry today")
	assert.False(t, window(t, wet).Guess)
}

// What was found wet where its rule asks is not felt again tomorrow, whatever the model expected of it; what was
// moist or barely so is, at the earliest.
func TestWhatWasFoundWetRestsForTwoDays(t *testing.T) {
	for found, rests := range map[water.Moisture]day.Day{water.Wet: 2, water.Moist: 1, water.Barely: 1} {
		b := inPot(t, 60)
		b.stick(0, found)
		w := window(t, b)
		assert.GreaterOrEqual(t, w.From, today+rests, found)
		assert.GreaterOrEqual(t, w.Best, today+rests, found)
		assert.Greater(t, w.Until, today+rests, found)
		if found != water.Moist {
			assert.Equal(t, today+rests, w.From, "its own time is over long since: %s", found)
		}
	}
}

// What was found in the old pot says nothing of the new one.
func TestANewPotIsLearnedAnew(t *testing.T) {
	b := inPot(t, 60, 50, 40)
	for _, days := range []int{58, 48, 38} {
		b.stick(days, water.Dry)
	}
	b.write(30, record.Body{Potted: &record.Potted{WidthCM: p(20.0), Medium: "potting soil"}})
	b.write(4, record.Body{Watered: &record.Watered{}})
	assert.True(t, window(t, b).Guess)
}

func TestAPotUnderABagDriesSlowly(t *testing.T) {
	open, closed := inPot(t, 6), inPot(t)
	closed.write(7, record.Body{Stated: &record.Stated{Cover: facts.ClosedCover}})
	closed.write(6, record.Body{Watered: &record.Watered{}})
	assert.Greater(t, window(t, closed).Best, window(t, open).Best)
}

func TestWeighingsTellWhatItHolds(t *testing.T) {
	weighing := func(grams float64) float64 {
		b := inPot(t, 8)
		b.write(8, record.Body{Weighed: &record.Weighed{Grams: 1500}})
		b.write(0, record.Body{Weighed: &record.Weighed{Grams: grams}})
		f, told := b.state().DryingNow(today, false)
		require.True(t, told)
		return f.Content
	}
	assert.Greater(t, weighing(1450), weighing(1100)+.2)
}

// The row of the walk turns on no day: what it says is an absolute window.
func TestTheWindowStandsStillWhileNobodyDoesAnything(t *testing.T) {
	b := inPot(t, 12, 4)
	w := window(t, b)
	now, later := b.state(), b.state()
	f, _ := now.DryingNow(today, false)
	g, _ := later.DryingNow(today+5, false)
	assert.Equal(t, *f.Best, *g.Best)
	assert.Equal(t, w.Best, *f.Best)
	assert.Greater(t, g.Met, f.Met)
	for _, task := range due.Tasks(b.state(), false) {
		if task.Kind == due.Water {
			assert.LessOrEqual(t, task.From, w.Best)
			assert.Equal(t, max(w.Until, w.From), task.Until)
			assert.GreaterOrEqual(t, task.From, w.From)
		}
	}
}

func TestALittleWaterIsNoWatering(t *testing.T) {
	through, little := inPot(t, 12, 3), inPot(t, 12)
	little.write(3, record.Body{Watered: &record.Watered{How: facts.WateredLight, Millilitres: p(40.0)}})
	assert.Greater(t, window(t, through).Best, window(t, little).Best)
	assert.Equal(t, day.Day(0), window(t, through).Best-window(t, inPot(t, 3)).Best)
}

// A pot dries as the place where it stands lets it: bright and dry air brings its look sooner
// than dim and moist air, from the day on which it came there; what was read at the plant
// itself stands above what is known of the place.
func TestAPotDriesAsItsPlaceLetsIt(t *testing.T) {
	year := func(light, vpd float64) (y place.YearAir) {
		for m := range y.Light {
			y.Light[m], y.VPD[m] = light, vpd
		}
		return y
	}
	bright, dim := uuid.New(), uuid.New()
	airs := map[uuid.UUID]place.YearAir{bright: year(9, 1.6), dim: year(1, .4)}
	best := func(at *uuid.UUID, more ...record.Body) day.Day {
		b := inPot(t)
		if at != nil {
			b.write(200, record.Body{Moved: &record.Moved{Place: at}})
		}
		for _, body := range more {
			b.write(5, body)
		}
		b.write(4, record.Body{Watered: &record.Watered{}})
		s := b.state().Apiece()
		s.Airs = airs
		w, known := s.WaterWindow(false)
		require.True(t, known)
		return w.Best
	}
	assert.Less(t, best(&bright), best(nil))
	assert.Less(t, best(nil), best(&dim))
	assert.Less(t, best(&dim, record.Body{Moved: &record.Moved{Place: &bright}}), best(&dim), "it came into light")
	lo, hi, wet := 17.0, 21.0, 80.0
	read := record.Body{Metered: &record.Metered{MinC: &lo, MaxC: &hi, HumidityPct: &wet}}
	assert.Greater(t, best(&bright, read), best(&bright), "moist air was read beside it")
}
