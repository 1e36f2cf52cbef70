package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What grows in a glass of water is not unpotted, loosened or flushed: its roots are looked after there, and its water
// is changed, once whatever asks for it. In a pot the same roots are unpotted.
func TestWhatGrowsInAGlassStaysThere(t *testing.T) {
	for seat, stays := range map[string]bool{"jar": true, "pot": false} {
		s := `{"kind":"epipremnum-aureum","causes":["root-rot","salt-injury","overwatering"],"on":"2026-06-15","answers":
			{"seat":"` + seat + `","moist":"wet","limp":false},"place":{"warmthC":22}}`
		for _, op := range []treatment.OperatorID{treatment.Unpot, treatment.PotIn} {
			words, _ := said(t, s, op)
			assert.Equal(t, stays, len(words) == 0, "%s: %s", seat, op)
		}
		for _, op := range []treatment.OperatorID{treatment.Flush, treatment.Loosen} {
			words, _ := said(t, s, op)
			assert.Empty(t, words, "%s: %s", seat, op)
		}
		changes, _ := said(t, s, treatment.ChangeWater)
		assert.Equal(t, stays, len(changes) == 1, seat)
		looks, _ := said(t, s, treatment.Look)
		assert.Equal(t, stays, strings.Contains(strings.Join(looks, " "), "wash the glass"), seat)
	}
}

// A pot without a hole is not soaked from below, nor flushed; one with holes is.
func TestAPotWithoutAHoleIsNotSoaked(t *testing.T) {
	for holes, soaked := range map[string]bool{"true": true, "false": false} {
		s := `{"kind":"spathiphyllum-wallisii","causes":["drought","water-quality"],"on":"2026-06-15","answers":
			{"potHoles":` + holes + `,"moist":"bone","limp":true},"place":{"warmthC":22}}`
		soaks, _ := said(t, s, treatment.Soak)
		assert.Equal(t, soaked, len(soaks) > 0, holes)
		flushes, _ := said(t, s, treatment.Flush)
		assert.Equal(t, soaked, len(flushes) > 0, holes)
		first, days := said(t, s, treatment.FirstWater)
		assert.Equal(t, !soaked, len(first) > 0, holes)
		looks, _ := said(t, s, treatment.Look)
		assert.Contains(t, looks[0], "every day until day 4", "it drank all the same")
		if !soaked {
			require.NotEmpty(t, days)
			assert.Zero(t, days[0])
			assert.Contains(t, first[0], "a fifth of its pot at most")
		}
	}
}

// A top that is cut off takes no flush of its old pot, and no water by rule before it is potted.
func TestATopTakesNoWaterOfItsOldPot(t *testing.T) {
	s := `{"kind":"cereus-repandus","causes":["base-rot","water-quality"],"on":"2026-12-11","answers":{"moist":"wet",
		"potWidthCm":40,"limp":true},"place":{"warmthC":22}}`
	flushes, _ := said(t, s, treatment.Flush)
	assert.Empty(t, flushes)
	_, potted := said(t, s, treatment.PotIn)
	require.NotEmpty(t, potted)
	_, rules := said(t, s, treatment.ByRule)
	for _, day := range rules {
		assert.True(t, day < 0 || day > potted[0], "day %d, potted on %d", day, potted[0])
	}
}

// An air plant that was found dry is shaken out after its soak, and watered as it lives from the next day on.
func TestAnAirPlantIsDriedAfterItsSoak(t *testing.T) {
	s := `{"kind":"tillandsia-ionantha","causes":["spent-rosette"],"on":"2026-06-15","answers":{"moist":"bone",
		"limp":false},"place":{"warmthC":20}}`
	for op, on := range map[treatment.OperatorID]int{treatment.Soak: 0, treatment.CrownDry: 0, treatment.ByRule: 1} {
		_, days := said(t, s, op)
		require.NotEmpty(t, days, op)
		assert.Equal(t, on, days[0], op)
	}
}
