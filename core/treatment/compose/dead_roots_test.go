package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Most roots are dead from fewer than half alive on: no ball holds together then, its old medium goes and
// what is dead is trimmed; at half nothing of that is done.
func TestDeadRootsDoNotGoIntoFreshMix(t *testing.T) {
	for _, c := range []struct {
		kind       string
		live, dead int
		trims      bool
		washes     bool
	}{
		{"philodendron-hederaceum", 9, 10, true, true},
		{"philodendron-hederaceum", 10, 10, false, false},
		{"paphiopedilum-insigne", 9, 10, true, true},
		{"paphiopedilum-insigne", 10, 10, false, false},
		{"macodes-petola", 9, 10, true, true},
		{"macodes-petola", 10, 10, false, false},
	} {
		situation := fmt.Sprintf(`{"kind":%q,"causes":["medium-repels"],"on":"2026-05-15",
			"answers":{"moist":"dry","potWidthCm":12,"liveRoots":%d,"deadRoots":%d,"liveTips":2,
			"growing":true},"place":{"warmthC":20}}`, c.kind, c.live, c.dead)
		for op, want := range map[treatment.OperatorID]bool{
			treatment.TrimDead: c.trims, treatment.Tally: c.trims, treatment.WashOff: c.washes, treatment.Unpot: true,
		} {
			words, _ := said(t, situation, op)
			assert.Equal(t, want, len(words) > 0, "%+v: %s", c, op)
		}
	}
}

// Roots of water that died in a medium are rot: they are washed and trimmed, and do not stay in a whole ball.
func TestDeadWaterRootsAreTreatedLikeRot(t *testing.T) {
	for counted, washed := range map[string]bool{
		`"liveRoots":0,"deadRoots":12`: true, `"liveRoots":5,"deadRoots":6`: true, `"liveRoots":6,"deadRoots":6`: false,
		`"liveRoots":2`: false,
	} {
		words, _ := said(t, `{"kind":"citrus-limon","causes":["water-roots"],"on":"2026-05-15","answers":{"moist":"wet",`+
			counted+`,"potWidthCm":18},"place":{"warmthC":22}}`, treatment.WashOff)
		assert.Equal(t, washed, len(words) > 0, counted)
	}
}

// Where a sound top goes on alone, the rotten base is bagged with its medium; not where other shoots stand in it.
func TestTheRottenBaseIsBaggedWithItsMedium(t *testing.T) {
	for growths, bagged := range map[int]bool{1: true, 2: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"tradescantia-zebrina","causes":["base-rot"],"on":"2026-07-10","answers":
			{"limp":true,"moist":"wet","growths":%d},"place":{"warmthC":22}}`, growths), treatment.BagWaste)
		require.NotEmpty(t, words)
		assert.Equal(t, bagged, strings.Contains(words[0], "Bag the old base with its medium and what was cut"), words[0])
	}
}

// A tip that is saved before a rescue has a label of its own beside its mother's.
func TestASavedTipHasItsLabel(t *testing.T) {
	words, days := said(t, `{"kind":"monstera-deliciosa","causes":["root-rot"],"on":"2026-06-15",
		"answers":{"limp":true,"moist":"wet","liveRoots":3,"deadRoots":12,"potWidthCm":18},"place":{"warmthC":20}}`,
		treatment.Label)
	assert.Contains(t, words, "Label the pieces with name, number and date.")
	assert.Contains(t, words, "Put its label back, with name and date.")
	assert.Equal(t, []int{0, 0}, days[:2])
}

// What lost most of its roots is looked at each week to day 28, in however small a pot.
func TestDeadRootsAreWatched(t *testing.T) {
	for dead, weekly := range map[int]bool{6: true, 5: false} {
		looks, _ := said(t, fmt.Sprintf(`{"kind":"philodendron-hederaceum","causes":["draught"],"on":"2026-06-15","answers":{
			"potWidthCm":6,"limp":false,"moist":"dry","liveRoots":5,"deadRoots":%d},"place":{"warmthC":22}}`, dead),
			treatment.Look)
		require.NotEmpty(t, looks)
		assert.Equal(t, weekly, strings.HasPrefix(looks[0], "Look at it every week until day 28"), "%d dead", dead)
	}
}
