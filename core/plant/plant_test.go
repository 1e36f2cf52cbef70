package plant_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

func TestHabitsHoldTogether(t *testing.T) {
	assert.Len(t, plant.Habits(), 17)
	for _, h := range plant.Habits() {
		assert.NotEmpty(t, plant.WaterRuleText[h.WaterRule], h.ID)
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

// Units and ranges: DLI in mol m⁻² d⁻¹, °C, per cent.
func TestProfilesAreWithinRange(t *testing.T) {
	assert.GreaterOrEqual(t, len(plant.Profiles()), 80)
	ids, habits := map[string]bool{}, map[string]int{}
	for _, p := range plant.Profiles() {
		assert.False(t, ids[p.ID], "%s stands twice", p.ID)
		ids[p.ID] = true
		habits[p.Habit]++
		assert.True(t, 1 <= p.Light[0] && p.Light[0] < p.Light[1] && p.Light[1] < p.Light[2] && p.Light[2] <= 45, "light of %s", p.ID)
		assert.True(t, -20 <= p.Temperature[0] && p.Temperature[0] < p.Temperature[1] && p.Temperature[1] < p.Temperature[2] && p.Temperature[2] <= 40, "temperature of %s", p.ID)
		assert.True(t, 10 <= p.Humidity[0] && p.Humidity[0] < p.Humidity[1] && p.Humidity[1] <= 90, "humidity of %s", p.ID)
		assert.NotEmpty(t, plant.WaterRuleText[p.WaterRule], p.ID)
		assert.NotEmpty(t, p.Source, p.ID)
		assert.NotContains(t, p.Traits, plant.Trait(""), "a trait of %s is misspelt", p.ID)
	}
	for _, h := range plant.Habits() {
		assert.GreaterOrEqual(t, habits[h.ID], 3, "kinds of %s", h.ID)
	}
}

func TestKindsAreFoundByEitherName(t *testing.T) {
	first := func(q string) string {
		found := plant.FindProfiles(q, 5)
		if len(found) == 0 {
			return ""
		}
		return found[0].ID
	}
	assert.Equal(t, "zygopetalum-maculatum", first("zygo"))
	assert.Equal(t, "phalaenopsis-hybrid", first("moth orchid"))
	assert.Equal(t, "monstera-deliciosa", first("MONSTERA del"))
	assert.Empty(t, first("cabbage"))
	assert.Len(t, plant.FindProfiles("", 5), 5)
}
