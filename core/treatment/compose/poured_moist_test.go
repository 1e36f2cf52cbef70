package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What is poured onto a moist medium waits for its first water, where cut roots keep the fresh mix dry for days.
func TestWhatIsPouredWaitsForFirstWater(t *testing.T) {
	of := `{"kind":"dendrobium-speciosum","causes":["root-grub"],"on":"2026-10-15","answers":{"limp":true,"moist":"right",
		"newcomerDays":2,"spikes":0,"growths":0,"potWidthCm":18,"liveRoots":9,"deadRoots":0,"liveTips":2},
		"place":{"warmthC":20}}`
	_, first := said(t, of, treatment.FirstWater)
	_, poured := said(t, of, treatment.Nematodes)
	require.NotEmpty(t, first)
	require.Len(t, poured, 2)
	assert.Equal(t, first[0], poured[0])
	assert.Equal(t, 14, poured[1]-poured[0])
}

// Moved is what falls on the dry days only, with its later uses; where the mix is watered at once there are none.
func TestPoursMoveOverTheDryDaysOnly(t *testing.T) {
	for day, want := range map[int]int{2: 2, 3: 8, 7: 8, 8: 8, 9: 9} {
		list := []*sit{
			{dated: true, day: 3, steps: []step{do(treatment.Unpot), do(treatment.PotIn)}},
			{dated: true, day: 8, steps: []step{do(treatment.FirstWater)}},
			{dated: true, day: day, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
			{dated: true, day: day + 14, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
		}
		var days []int
		for _, s := range pouredWhenMoist(list) {
			if has(s.steps, treatment.Nematodes) {
				days = append(days, s.day)
			}
		}
		assert.Equal(t, []int{want, want + 14}, days, day)
	}
	at := []*sit{{dated: true, day: 3, steps: []step{do(treatment.Unpot), do(treatment.PotIn), do(treatment.FirstWater),
		do(treatment.Nematodes)}}}
	assert.Len(t, pouredWhenMoist(at), 1)
	assert.True(t, has(at[0].steps, treatment.Nematodes))
}

// A pot that was found wet is not wetted through at once where that does harm: of a dry kind, or of one most of
// whose roots were dead. A bromeliad that was found wet is not watered for its thirst.
func TestAWetPotIsNotWettedThrough(t *testing.T) {
	for _, c := range []struct {
		kind, moist string
		dead        int
		today       bool
	}{
		{"aporocactus-flagelliformis", "wet", 0, false},
		{"aporocactus-flagelliformis", "right", 0, true},
		{"peperomia-argyreia", "wet", 10, false},
		{"peperomia-argyreia", "wet", 9, true}, // half of them live
		{"peperomia-argyreia", "right", 10, true},
	} {
		_, days := said(t, fmt.Sprintf(`{"kind":%q,"causes":["water-quality"],"on":"2026-06-15","answers":{"moist":%q,
			"liveRoots":9,"deadRoots":%d},"place":{"warmthC":20}}`, c.kind, c.moist, c.dead), treatment.Flush)
		require.NotEmpty(t, days, c.kind)
		assert.Equal(t, c.today, days[0] == 0, "%s %s %d: %v", c.kind, c.moist, c.dead, days)
	}
	for moist, want := range map[string]int{"wet": 0, "bone": 1} {
		words, _ := said(t, `{"kind":"vriesea-splendens","causes":["drought"],"on":"2026-03-15","answers":{"moist":"`+moist+
			`","limp":true,"liveRoots":18},"place":{"warmthC":20}}`, treatment.FirstWater)
		assert.Len(t, words, want, moist)
	}
}

// What stands wet until work on its roots is held dry, then watered lightly: in one line where its day is known, and in
// one of its own where it waits for something that must be seen.
func TestHeldDryUntilItsRootsAreWorkedOn(t *testing.T) {
	for warmth, known := range map[float64]bool{20: true, 36: false} {
		situation := fmt.Sprintf(`{"kind":"pilea-cadierei","wish":"refresh","on":"2026-06-15","answers":{"moist":"wet",
			"newcomerDays":2,"potWidthCm":9,"liveRoots":5,"deadRoots":3},"place":{"warmthC":%g}}`, warmth)
		held, _ := said(t, situation, treatment.HoldWater)
		require.Len(t, held, 1)
		assert.Equal(t, known, strings.Contains(held[0], "until the work on its roots, give it a little water"), held[0])
		light, _ := said(t, situation, treatment.ByRule)
		assert.Equal(t, !known, slices.ContainsFunc(light, func(w string) bool { return strings.Contains(w, "lightly") }))
	}
}

// No pot of dead roots is flushed of its salts: it gets a fresh mix.
func TestAPotWithoutALiveRootIsNotFlushed(t *testing.T) {
	for live, flushed := range map[float64]bool{0: false, 12: true} {
		situation := fmt.Sprintf(`{"kind":"fatsia-japonica","causes":["salt-injury","dry-root-loss"],"on":"2026-08-15",
			"answers":{"moist":"right","potWidthCm":26,"liveRoots":%g,"deadRoots":3},"place":{"warmthC":31}}`, live)
		words, _ := said(t, situation, treatment.Flush)
		assert.Equal(t, flushed, len(words) > 0, live)
		assert.Equal(t, !flushed, leftOut(t, situation, string(treatment.Flush)) != "", live)
	}
}
