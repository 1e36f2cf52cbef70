package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What an orchid is not known to have is looked for in its roots today, after it was set apart, before it would be
// thrown away; a begonia is known to have it and goes.
func TestKnotsAreSoughtBeforeAPlantIsThrownAway(t *testing.T) {
	for _, c := range []struct {
		kind string
		op   treatment.OperatorID
		goes bool
	}{
		{"paphiopedilum-delenatii", treatment.SlideLook, false},
		{"vanda-hybrid", treatment.Look, false},
		{"spathiphyllum-wallisii", treatment.SlideLook, true},
	} {
		s := `{"kind":"` + c.kind + `","causes":["root-nematode"],"on":"2026-03-15","answers":{"moist":"right"},
			"place":{"warmthC":20}}`
		gone, _ := said(t, s, treatment.Discard)
		assert.Equal(t, c.goes, len(gone) > 0, c.kind)
		words, days := said(t, s, c.op)
		if c.goes {
			assert.Empty(t, words)
			continue
		}
		require.NotEmpty(t, words, c.kind)
		assert.Contains(t, words[0], "hard knots in the root itself")
		assert.Zero(t, days[0])
		rules, days := said(t, s, treatment.ByRule)
		require.NotEmpty(t, rules, c.kind)
		assert.Equal(t, 1, days[0], "it is watered until it is known")
	}
}

// A limp plant whose roots are looked at today is not smelled at the hole besides; without a live root its rescue is
// what is asked for.
func TestKnotsAreSoughtOnce(t *testing.T) {
	for live, slid := range map[string]int{"5": 1, "0": 0} {
		s := `{"kind":"cymbidium-mini-hybrid","causes":["root-nematode"],"on":"2026-10-15","answers":{"limp":true,
			"moist":"right","liveRoots":` + live + `,"deadRoots":12},"place":{"warmthC":20}}`
		words, _ := said(t, s, treatment.SlideLook)
		assert.Len(t, words, slid)
		looks, _ := said(t, s, treatment.Look)
		assert.NotContains(t, strings.Join(looks, " "), "smell sour")
	}
}

// Litres are not poured over the last roots of what drinks from its cup: its cup is rinsed, and filled with better
// water. From half of its roots alive, or without a cup, salts go out with litres.
func TestACupIsRinsedWhereMostRootsWereDead(t *testing.T) {
	for _, c := range []struct {
		kind       string
		live, dead string
		moist      string
		limp       string
		rinsed     bool
		drained    int
	}{
		{"aechmea-fasciata", "3", "4", "right", "false", true, 2},
		{"aechmea-fasciata", "4", "4", "right", "false", false, 0},
		{"aechmea-fasciata", "3", "4", "dry", "true", true, 0}, // it is filled for its thirst
		{"spathiphyllum-wallisii", "3", "4", "right", "false", false, 0},
	} {
		s := `{"kind":"` + c.kind + `","causes":["softened-water"],"on":"2026-06-15","answers":{"moist":"` + c.moist +
			`","limp":` + c.limp + `,"liveRoots":` + c.live + `,"deadRoots":` + c.dead + `},"place":{"warmthC":20}}`
		flushes, _ := said(t, s, treatment.Flush)
		assert.Equal(t, c.rinsed, len(flushes) == 0, "%s: %s of its roots live", c.kind, c.live)
		drains, _ := said(t, s, treatment.CrownDrain)
		assert.Len(t, drains, c.drained, c.kind)
		fills, _ := said(t, s, treatment.CupFill)
		assert.Equal(t, c.rinsed, len(fills) > 0, c.kind)
		for _, f := range fills {
			assert.Contains(t, f, "low-mineral water")
		}
	}
}

// Whether the live roots fill the pot is no look at whether a limp plant stands firm: it is asked within four days.
func TestALookAtThePotIsNoLookAtTheLeaves(t *testing.T) {
	words, days := said(t, `{"kind":"billbergia-nutans","causes":["water-quality"],"on":"2026-04-15","answers":
		{"limp":true,"moist":"dry","liveRoots":2,"deadRoots":12,"potWidthCm":12},"place":{"warmthC":24}}`, treatment.Look)
	require.True(t, strings.Contains(words[0], fillPot), words)
	assert.Contains(t, words[1], "Still as limp")
	assert.LessOrEqual(t, days[1], lookedBy)
	first, _ := said(t, `{"kind":"billbergia-nutans","causes":["water-quality"],"on":"2026-04-15","answers":
		{"limp":true,"moist":"dry"},"place":{"warmthC":24}}`, treatment.FirstWater)
	require.NotEmpty(t, first)
	assert.Contains(t, first[0], "low-mineral water", "the water is what ails it")
}
