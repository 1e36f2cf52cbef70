package plant_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

func TestHabitsHoldTogether(t *testing.T) {
	assert.Len(t, plant.Habits(), 28)
	for _, h := range plant.Habits() {
		assert.NotEmpty(t, plant.WaterRuleText()[h.WaterRule], h.ID)
		assert.NotEmpty(t, h.Figure, h.ID)
		assert.True(t, h.GrowthDays[0] > 0 && h.GrowthDays[0] <= h.GrowthDays[1], h.ID)
		assert.True(t, h.WaterDays[0] > 0 && h.WaterDays[0] <= h.WaterDays[1], h.ID)
		assert.True(t, h.StallWeeks >= 0 && h.StallWeeks <= 16, h.ID)
		assert.Positive(t, h.LookDays, h.ID)
	}
	alias, ok := plant.HabitByID("cane-begonia-or-rex")
	assert.True(t, ok)
	assert.Equal(t, "begonia", alias.ID)
}

func TestKindsAreFoundByEitherName(t *testing.T) {
	first := func(q string) string {
		found := plant.Kinds(nil).Find(q, 5)
		if len(found) == 0 {
			return ""
		}
		return found[0].ID
	}
	assert.Equal(t, "zygopetalum-maculatum", first("zygo"))
	assert.Equal(t, "phalaenopsis-hybrid", first("moth orchid"))
	assert.Equal(t, "monstera-deliciosa", first("MONSTERA del"))
	assert.Empty(t, first("wheelbarrow"))
	assert.Len(t, plant.Kinds(nil).Find("", 5), 5)
}

func TestOwnKindsComeFirstAndAreCheckedLikeTheOthers(t *testing.T) {
	own := plant.Profiles()[0]
	own.ID, own.Botanical, own.Common, own.Own = "own:1", "Zygopetalum crinitum", "clinic zygo", true
	kinds := plant.Kinds{own.ID: own}
	assert.Equal(t, "own:1", kinds.Find("zygo", 3)[0].ID)
	found, ok := kinds.ByID("own:1")
	assert.True(t, ok)
	assert.True(t, found.Own)
	_, ok = kinds.ByID("monstera-deliciosa")
	assert.True(t, ok, "what ships is there as well")
	assert.Empty(t, own.Faults())
	for field, spoil := range map[string]func(*plant.Profile){
		"botanical":   func(p *plant.Profile) { p.Botanical = " " },
		"habit":       func(p *plant.Profile) { p.Habit = "weed" },
		"light":       func(p *plant.Profile) { p.Light = [3]float64{5, 4, 9} },
		"temperature": func(p *plant.Profile) { p.Temperature = [3]float64{60, 70, 80} }, // °F by mistake
		"humidity":    func(p *plant.Profile) { p.Humidity = [2]float64{50, 150} },
		"waterRule":   func(p *plant.Profile) { p.WaterRule = "weekly" },
		"feed.ppmN":   func(p *plant.Profile) { p.Feed.PpmN = -1 },
		"feed.low":    func(p *plant.Profile) { p.Feed.Low = 50 },
		"repotMonths": func(p *plant.Profile) { p.RepotMonths = [2]int{24, 12} },
		"perMonth":    func(p *plant.Profile) { p.PerMonth = [2]float64{3, 1} },
		"sun":         func(p *plant.Profile) { p.Sun = "noon" },
		"mixes[0]":    func(p *plant.Profile) { p.Mixes = []plant.Mix{{Name: "air"}} },
		"mixes[0].parts[0]": func(p *plant.Profile) {
			p.Mixes = []plant.Mix{{Name: "air",
				Parts: []plant.Part{{What: "bark"}}}}
		},
		"traits[0]": func(p *plant.Profile) { p.Traits = []plant.Trait{"pretty"} },
	} {
		bad := own
		spoil(&bad)
		faults := bad.Faults()
		if assert.NotEmpty(t, faults, field) {
			assert.Equal(t, field, faults[0].Field)
		}
	}
}

func TestWishesOfOnePlantOverruleItsKind(t *testing.T) {
	p := plant.Profiles()[0]
	w := plant.Wishes{Temperature: &[3]float64{12, 20, 31}, WaterRule: plant.Even}
	got := p.Overruled(w)
	assert.Equal(t, [3]float64{12, 20, 31}, got.Temperature)
	assert.Equal(t, plant.Even, got.WaterRule)
	assert.Equal(t, p.Light, got.Light)
	for _, h := range plant.Habits() {
		middle := plant.OfHabit(h)
		assert.Empty(t, middle.Wishes().Faults(), h.ID)
	}
}

func TestWhoStandsOutOfReach(t *testing.T) {
	for bad, out := range map[string]bool{
		"none": false, "not known": false, "mild": false, "moderate": true, "severe": true,
	} {
		p := plant.Profile{Poisons: []plant.Poison{{Whom: "pets", Bad: bad}, {Whom: "people", Bad: "none"}}}
		assert.Equal(t, out, p.OutOfReach(true, true), bad)
		assert.False(t, p.OutOfReach(true, false), "no animals live there")
	}
}
