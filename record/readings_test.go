package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/record"
)

func TestTheDishFallsWithTheLongestRoot(t *testing.T) {
	b := newBook(t)
	_, ok := b.state().DishLevel()
	assert.False(t, ok, "neither root nor pot is known")
	b.write(30, check("longest-root", 40))
	_, ok = b.state().DishLevel()
	assert.False(t, ok, "nor how deep the pot is")
	b.write(29, record.Body{Potted: &record.Potted{WidthCM: p(9.0), DepthCM: p(9.0), Medium: "bark"}})
	for i, step := range []struct {
		root  int
		level float64
	}{{40, 30}, {50, 30}, {51, 29}, {79, 1}, {80, 0}, {81, 0}} {
		b.write(20-i, check("longest-root", step.root))
		level, ok := b.state().DishLevel()
		require.True(t, ok)
		assert.Equal(t, step.level, level.Value, "a root of %d mm in a pot of 90 mm", step.root)
		assert.Equal(t, "mm", level.Unit)
	}
	depth, known := b.state().Readings.Last(recovery.PotDepthKey)
	assert.True(t, known && depth.Value == 90, "and the forecast knows how deep the pot is")
	b.write(10, record.Body{Potted: &record.Potted{WidthCM: p(11.0)}})
	_, ok = b.state().DishLevel()
	assert.False(t, ok, "another pot, and nobody said how deep it is")
	b.write(9, record.Body{Potted: &record.Potted{DepthCM: p(9.0)}})
	// A tally measures the longest root as well.
	b.write(
		5,
		record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: roots.Count{Live: 4}, LongestMM: p(50.0)}}},
	)
	level, _ := b.state().DishLevel()
	assert.Equal(t, 30.0, level.Value, "what was measured last counts")
}

func TestTheConditionIsReadAgainstWhatCameWithIt(t *testing.T) {
	b := &book{t: t, plant: newBook(t).plant}
	b.write(60, record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine", Leaves: p(8)}})
	basis := b.state().Basis()
	assert.Equal(t, 8, basis.Leaves)
	assert.Empty(t, basis.LiveShares)
	for i, c := range []struct {
		roots.Count
		share float64
	}{
		{roots.Count{Live: 6, DeadDry: 2}, 0.75},
		{roots.Count{Live: 3, Doubtful: 2, Mushy: 3}, 0.5},
		{roots.Count{Mushy: 5}, 0},
	} {
		b.write(50-10*i, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: c.Count}}})
		shares := b.state().Basis().LiveShares
		require.Len(t, shares, i+1)
		assert.InDelta(t, c.share, shares[i].Value, 1e-9, "those in doubt count by half")
	}
	// Most of what it counts on gone, the score falls.
	scores := b.state().Scores()
	require.Len(t, scores, 3, "one for each look that read something")
	assert.Greater(t, scores[0].Value, scores[len(scores)-1].Value)
}

// A pot may stand still for months while roots run: firm roots are no setback.
func TestFirmRootsExcuseAStandstill(t *testing.T) {
	for name, tc := range map[string]struct {
		count  roots.Count
		atWork bool
	}{
		"firm":        {roots.Count{Live: 8, DeadDry: 2}, true},
		"half gone":   {roots.Count{Live: 4, Mushy: 6}, false},
		"only doubts": {roots.Count{Doubtful: 9}, false},
	} {
		b := &book{t: t, plant: newBook(t).plant}
		b.write(200, record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine"}})
		b.write(190, record.Body{Examined: &record.Examined{Present: []string{"root.mushy"}}})
		b.write(190, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
		b.write(190, record.Body{Planned: &record.Planned{}})
		for on := 180; on > 0; on -= 9 {
			b.write(on, check("longest-root", 14))
		}
		s := b.state()
		stall, found := s.Stall(s.Courses[0], today, false)
		require.True(t, found, name)
		assert.False(t, stall.AtWork, "%s: nobody has looked at the roots", name)
		b.write(2, record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: tc.count}}})
		s = b.state()
		stall, found = s.Stall(s.Courses[0], today, false)
		require.True(t, found, name)
		assert.Equal(t, tc.atWork, stall.AtWork, name)
		assert.NotEmpty(t, stall.Why, name)
	}
}

func TestSprayingIsReadFromTheRecord(t *testing.T) {
	sprayed := func(b *book) bool {
		for _, d := range b.state().Derive(today, false) {
			if d.Sign == "care.sprayed" && d.Present {
				assert.NotEmpty(t, d.Why)
				return true
			}
		}
		return false
	}
	b := newBook(t)
	mealybugs(b, nil)
	assert.False(t, sprayed(b))
	skipped := b.write(6, record.Body{Did: &record.Did{Step: "soap@d0", Skipped: true, Reason: "too hot"}})
	assert.False(t, sprayed(b), "a step that was skipped sprays nothing")
	b.write(6, record.Body{Voided: &record.Voided{Entry: skipped.ID}})
	did := b.write(5, record.Body{Did: &record.Did{Step: "soap@d0"}})
	assert.True(t, sprayed(b))
	b.write(4, record.Body{Voided: &record.Voided{Entry: did.ID}})
	assert.False(t, sprayed(b), "undone")
	b.write(30, record.Body{Treated: &record.Treated{Product: "oil of the label"}})
	assert.False(t, sprayed(b), "that was a month ago")
	b.write(3, record.Body{Treated: &record.Treated{Product: "oil of the label"}})
	assert.True(t, sprayed(b))
}

func TestTheWeightBetweenLightestAndHeaviestTellsTheWaterLeft(t *testing.T) {
	found := func(b *book, sign string) (present, known bool) {
		for _, d := range b.state().Derive(today, false) {
			if d.Sign == sign {
				return d.Present, true
			}
		}
		return false, false
	}
	b := newBook(t)
	weigh := func(daysAgo int, grams float64) {
		b.write(daysAgo, record.Body{Weighed: &record.Weighed{Grams: grams}})
	}
	weigh(20, 900)
	weigh(10, 600)
	_, known := found(b, "med.dry-through")
	assert.False(t, known, "two weighings tell no range")
	weigh(1, 620)
	dry, known := found(b, "med.dry-through")
	assert.True(t, known && dry, "620 g between 600 and 900: 7 % of its water is left")
	b.write(1, record.Body{Weighed: &record.Weighed{Grams: 95, Bare: true}})
	dry, _ = found(b, "med.dry-through")
	assert.True(t, dry, "the plant without its pot says nothing of the water in it")
	weigh(0, 780)
	dry, known = found(b, "med.dry-through")
	assert.True(t, known && !dry)
	b.write(0, record.Body{Potted: &record.Potted{Medium: "bark"}})
	_, known = found(b, "med.dry-through")
	assert.False(t, known, "fresh medium weighs otherwise")
}

// The season is that of the half of the earth where the collection is.
func TestTheSameDayIsAnotherSeasonInTheSouth(t *testing.T) {
	november := day.Of(2026, 11, 24)
	assert.NotEqual(t, climate.SeasonOf(november, false), climate.SeasonOf(november, true))
	b := newBook(t)
	for _, feed := range []int{50, 30, 10} {
		b.write(feed, record.Body{Fed: &record.Fed{Strength: 0.5}})
	}
	heavy := func(south bool) bool {
		for _, d := range b.state().Derive(today, south) {
			if d.Sign == "care.feed-heavy" {
				return d.Present
			}
		}
		t.Fatal("the record of feeds says nothing")
		return false
	}
	assert.Equal(
		t,
		len(b.state().Habit.RestSeasons) > 0 && b.state().Habit.RestsIn(climate.SeasonOf(today, false)),
		heavy(false),
	)
	assert.False(t, heavy(true), "late spring: it grows")
}

// A drawing shows how the plant is: what was seen fades when a later check-in
// found nothing that alarms, and comes back with an alarm.
func TestWhatWasSeenFadesFromTheDrawing(t *testing.T) {
	b := newBook(t)
	b.rot()
	assert.Contains(t, b.state().Figure().Seen, "roots")
	b.write(40, check("wilt", 0, "smell", 0))
	assert.Contains(t, b.state().Figure().Seen, "roots", "the check-in of the same day is no later one")
	b.write(30, check("wilt", 0, "smell", 0))
	assert.Empty(t, b.state().Figure().Seen)
	assert.Contains(t, b.state().Figure().Looked, "roots")
	b.write(29, check("smell", 1))
	assert.Contains(t, b.state().Figure().Seen, "roots")
}
