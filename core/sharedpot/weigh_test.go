package sharedpot_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
	"tendermend/core/sharedpot"
)

func of(habit string, rule plant.WaterRule, traits ...plant.Trait) plant.Profile {
	return plant.Profile{Botanical: "Planta " + string(rule), Habit: habit, WaterRule: rule, Traits: traits}
}

// Plants that no watering suits together are parted; others only where they are crowded, and
// never where one of them does not bear it (common practice).
func TestWhatSpeaksForPartingAndWhatForKeeping(t *testing.T) {
	even, surface, half := of("fern", plant.Even), of("aroid-vine", plant.SurfaceDry), of("aroid-vine", plant.HalfDry)
	palm := of("palm", plant.SurfaceDry)
	tender := of("cane-foliage", plant.SurfaceDry, plant.ResentsRepot)
	for _, c := range []struct {
		name string
		pot  sharedpot.Pot
		part bool
	}{
		{"one step of dryness apart", sharedpot.Pot{Kinds: []plant.Profile{even, surface}}, false},
		{"two steps apart", sharedpot.Pot{Kinds: []plant.Profile{surface, half}}, true},
		{"as much room as each wants", sharedpot.Pot{Kinds: []plant.Profile{half, half, half}, WidthCM: 12}, false},
		{"a little less room", sharedpot.Pot{Kinds: []plant.Profile{half, half, half}, WidthCM: 11.9}, true},
		{"nobody measured the pot", sharedpot.Pot{Kinds: []plant.Profile{half, half, half}}, false},
		{"crowded palms", sharedpot.Pot{Kinds: []plant.Profile{palm, palm, palm}, WidthCM: 9}, false},
		{"crowded, and resents it", sharedpot.Pot{Kinds: []plant.Profile{tender, tender, tender}, WidthCM: 9}, false},
		{"a palm beside what drinks otherwise", sharedpot.Pot{Kinds: []plant.Profile{palm, of("cactus",
			plant.DryThrough)}}, true},
		{"nobody knows the kinds", sharedpot.Pot{Kinds: make([]plant.Profile, 2)}, false},
	} {
		got := sharedpot.Weigh(c.pot)
		assert.Equal(t, c.part, got.Part, c.name)
		assert.Len(t, got.Why, 1, c.name)
	}
}

// When they are parted follows from whether they grow and from what the plan does anyway.
func TestTheyArePartedWhenTheirRootsAreMadeAgain(t *testing.T) {
	pot := sharedpot.Pot{Kinds: []plant.Profile{of("fern", plant.Even), of("cactus", plant.DryThrough)}}
	assert.Contains(t, sharedpot.Weigh(pot).When, "Wait until they grow")
	pot.Growing = true
	assert.Contains(t, sharedpot.Weigh(pot).When, "Part them now")
	pot.Work, pot.Growing = true, false
	assert.Contains(t, sharedpot.Weigh(pot).When, "when the plan opens the pot")
	pot.Spreading = true
	assert.Len(t, sharedpot.Weigh(pot).Why, 2)
}

// Of several that differ, the two that differ most are named.
func TestTheMostUnlikeAreNamed(t *testing.T) {
	kinds := []plant.Profile{of("fern", plant.Even), of("palm", plant.QuarterDry), of("cactus", plant.DryThrough)}
	why := sharedpot.Weigh(sharedpot.Pot{Kinds: kinds}).Why[0]
	assert.Contains(t, why, "Planta even")
	assert.Contains(t, why, "Planta dry-through")
}
