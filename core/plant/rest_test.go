package plant_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
)

// Whether it can be at rest is told by its kind where that says anything, otherwise by its habit; the year of the
// southern half is turned by six months (common practice).
func TestWhetherItRestsIsToldByItsKindBeforeItsHabit(t *testing.T) {
	sleeper := plant.Habit{RestSeasons: []climate.Season{climate.Winter}}
	waking := plant.Habit{}
	kind := func(rest string) *plant.Profile { return &plant.Profile{RestKind: rest} }
	on := func(m time.Month, d int) day.Day { return day.Of(2026, m, d) }
	for i, row := range []struct {
		kind  *plant.Profile
		habit plant.Habit
		on    day.Day
		south bool
		rests bool
	}{
		{nil, sleeper, on(time.January, 15), false, true},
		{nil, sleeper, on(time.July, 15), false, false},
		{nil, sleeper, on(time.July, 15), true, true},
		{nil, waking, on(time.January, 15), false, false},
		{kind(""), sleeper, on(time.January, 15), false, true},
		{kind("none"), sleeper, on(time.January, 15), false, false},
		{kind("after-bloom"), sleeper, on(time.January, 15), false, false},
		{kind("summer"), sleeper, on(time.May, 31), false, false},
		{kind("summer"), sleeper, on(time.June, 1), false, true},
		{kind("summer"), sleeper, on(time.August, 31), false, true},
		{kind("summer"), sleeper, on(time.September, 1), false, false},
		{kind("summer"), waking, on(time.December, 1), true, true},
		{kind("tuber-winter"), waking, on(time.October, 31), false, false},
		{kind("tuber-winter"), waking, on(time.November, 1), false, true},
		{kind("tuber-winter"), waking, on(time.February, 28), false, true},
		{kind("tuber-winter"), waking, on(time.March, 1), false, false},
		{kind("tuber-winter"), waking, on(time.May, 1), true, true},
	} {
		assert.Equal(t, row.rests, plant.RestsOn(row.kind, row.habit, row.on, row.south), "row %d", i)
	}
}

// What a kind says of its rest comes first; what it does not say is told by the code of its rest (common practice).
func TestHowItRestsIsToldByItsTableBeforeItsCode(t *testing.T) {
	for i, row := range []struct {
		kind  plant.Profile
		look  plant.RestLook
		water plant.RestWater
	}{
		{plant.Profile{}, plant.RestNone, plant.RestAsGrowth},
		{plant.Profile{RestKind: "none"}, plant.RestNone, plant.RestAsGrowth},
		{plant.Profile{RestKind: "leafless-winter"}, plant.RestLeafless, plant.RestLow},
		{plant.Profile{RestKind: "tuber-winter"}, plant.RestLeafless, plant.RestLow},
		{plant.Profile{RestKind: "summer"}, plant.RestLeafless, plant.RestLow},
		{plant.Profile{RestKind: "winter-cool-dry"}, plant.RestHard, plant.RestLow},
		{plant.Profile{RestKind: "after-bloom"}, plant.RestSlows, plant.RestLow},
		{plant.Profile{RestKind: "summer", RestSeen: plant.RestSlows}, plant.RestSlows, plant.RestLow},
		{plant.Profile{RestWater: plant.RestAsGrowth, RestKind: "summer"}, plant.RestLeafless, plant.RestAsGrowth},
		{plant.Profile{WaterRule: plant.DryRest}, plant.RestNone, plant.RestRootsFirst},
		{plant.Profile{WaterRule: plant.DryRest, RestWater: plant.RestLow}, plant.RestNone, plant.RestLow},
	} {
		assert.Equal(t, row.look, row.kind.HowItRests(), "row %d", i)
		assert.Equal(t, row.water, row.kind.WaterAtRest(), "row %d", i)
	}
}
