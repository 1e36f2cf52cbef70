package treatment_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func pestPlan(t *testing.T, w pest.Warmth, causes ...string) treatment.Plan {
	t.Helper()
	h, ok := plant.HabitByID("aroid-vine")
	require.True(t, ok)
	p, err := treatment.Compose(treatment.Situation{Habit: h, Causes: causes, Start: 20000, Warmth: w})
	require.NoError(t, err)
	return p
}

func repeats(p treatment.Plan) (days []day.Day) {
	for _, s := range p.Steps {
		if s.Pest != nil && s.Pest.Nth > 0 {
			days = append(days, s.On-20000)
		}
	}
	return days
}

func TestRepeatsFollowThePestsClock(t *testing.T) {
	room := pest.Warmth{Low: 20, High: 20}
	assert.Equal(t, []day.Day{10, 20}, repeats(pestPlan(t, room, "mealybug")), "110 degree-days over 9 °C")
	assert.Equal(t, []day.Day{5, 10}, repeats(pestPlan(t, room, "spider-mite")), "45 over 11 °C, not before its fifth day")
	cool := repeats(pestPlan(t, pest.Warmth{Low: 14, High: 14}, "mealybug"))
	assert.Equal(t, []day.Day{22, 44}, cool, "at 5 a day")
	unknown := repeats(pestPlan(t, pest.Warmth{}, "mealybug"))
	usual := repeats(pestPlan(t, pest.UsualRoom, "mealybug"))
	assert.Equal(t, usual, unknown, "a usual room where nothing is known")
	cold := pestPlan(t, pest.Warmth{Low: 4, High: 8}, "mealybug")
	assert.Empty(t, repeats(cold), "too cold to be timed: the steps keep the days of common practice")
	kept := false
	for _, s := range cold.Steps {
		kept = kept || s.ID == "look-again" && s.On == 20007
	}
	assert.True(t, kept)
}

func TestOfTwoPestsTheQuickerOneSetsTheDay(t *testing.T) {
	room := pest.Warmth{Low: 20, High: 20}
	both := pestPlan(t, room, "mealybug", "spider-mite")
	assert.Equal(t, repeats(pestPlan(t, room, "spider-mite")), repeats(both))
}

func TestPestsAreClearedBesideWhatElseMends(t *testing.T) {
	for name, tc := range map[string]struct {
		causes []string
		track  string
		beside []string
	}{
		"rot first":       {[]string{"root-rot", "mealybug"}, "foliage-rerooting", []string{"pest-clearance"}},
		"pests first":     {[]string{"mealybug", "root-rot"}, "foliage-rerooting", []string{"pest-clearance"}},
		"a mite in shade": {[]string{"spider-mite", "low-light"}, "place-correction", []string{"pest-clearance"}},
		"pests alone":     {[]string{"mealybug", "thrips"}, "pest-clearance", nil},
		"rot alone":       {[]string{"root-rot", "pot-too-big"}, "foliage-rerooting", nil},
	} {
		p := pestPlan(t, pest.UsualRoom, tc.causes...)
		assert.Equal(t, tc.track, p.Track, name)
		assert.Equal(t, tc.beside, p.Beside, name)
	}
}
