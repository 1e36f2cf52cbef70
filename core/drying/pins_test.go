package drying

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

// The rules of water as growers keep them: how deep is felt, what is left in the pot when they are met and when harm
// begins, how long that is borne, and what a day too late costs.
func TestTheRulesOfWaterStand(t *testing.T) {
	assert.Equal(t, []Rule{
		{Name: plant.Even, Depth: .05, Met: .72, Harm: .42, Grace: 0, Late: 3},
		{Name: plant.SurfaceDry, Depth: .05, Met: 0, Harm: .30, Grace: 1, Late: 1.5},
		{Name: plant.QuarterDry, Depth: .25, Met: 0, Harm: .20, Grace: 2, Late: 1},
		{Name: plant.HalfDry, Depth: .50, Met: 0, Harm: .12, Grace: 3, Late: .7},
		{Name: plant.DryThrough, Depth: .90, Met: 0, Harm: .05, Grace: 7, Late: .5},
	}, ruleRows)
	old, known := RuleOf(plant.TopDry)
	quarter, _ := RuleOf(plant.QuarterDry)
	assert.True(t, known)
	assert.Equal(t, quarter, old)
}

// Water leaves through mouth and wall: the wall's part grows with its height and shrinks in an outer pot, the mouth's
// shrinks under stones, each by itself.
func TestWaterLeavesThroughMouthAndWall(t *testing.T) {
	evaporates := func(wall Wall, deep float64, covered, inCache bool) float64 {
		e, _ := Pot{TopCM: 14, DepthCM: deep, Wall: wall, Covered: covered, InCache: inCache}.Demand()
		return e
	}
	mouth := evaporates("plastic", 12, false, false)
	assert.InDelta(t, mouth, evaporates("plastic", 24, false, true), 1e-9, "plastic does not breathe")
	assert.InDelta(t, .5*mouth, evaporates("plastic", 12, true, false), 1e-9, "half under stones")
	wall := evaporates("terracotta", 12, false, false) - mouth
	assert.Greater(t, wall, 0.0)
	assert.InDelta(t, 2*wall, evaporates("terracotta", 24, false, false)-mouth, 1e-9, "twice as high")
	assert.InDelta(t, 1.5*wall, evaporates("fabric", 12, false, false)-mouth, 1e-9, "fabric breathes by half more")
	assert.InDelta(t, .6*wall, evaporates("terracotta", 12, false, true)-mouth, 1e-9, "in an outer pot")
	assert.InDelta(t, .5*mouth+.6*wall, evaporates("terracotta", 12, true, true), 1e-9)
}

// Looks are counted apart from dry finds, and the edges of fifths belong to the upper one.
func TestLooksAreCountedApartFromDryFinds(t *testing.T) {
	var f Foretold
	for range 5 {
		f.Count(.19, false)
	}
	f.Count(.2, true)
	f.Count(1, true)
	r := f.Reliability()
	assert.Equal(t, 7, r.Looks)
	for i, want := range [][2]int{{5, 0}, {1, 1}, {0, 0}, {0, 0}, {1, 1}} {
		assert.Equal(t, want, [2]int{r.Fifths[i].Looks, r.Fifths[i].Dry}, i)
	}
	assert.Zero(t, r.Fifths[2].Low)
	assert.InDelta(t, 1, r.Fifths[2].High, 0, "nobody looked")
	assert.Equal(t, Agrees, r.Fifths[0].Says)
	assert.Equal(t, TooFew, r.Fifths[1].Says)
}
