package treatment_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// Below 22 °C roots are slow to start: common practice.
func TestWhatDecidesForHowLongSignsAreWaitedFor(t *testing.T) {
	of := func(habit string, f facts.Facts, causes ...cause.ID) gate.Nature {
		return treatment.NatureOfWaiting(habit, causes, treatment.OwnMix, f)
	}
	var warm, cool, bare, one facts.Facts
	warm.Place.WarmthC, cool.Place.WarmthC = facts.Said(22.0), facts.Said(21.9)
	bare.LiveRoots, one.LiveRoots = facts.Said(0.0), facts.Said(1.0)
	assert.False(t, of("woody", warm).Cool)
	assert.True(t, of("woody", cool).Cool)
	assert.False(t, of("woody", facts.Facts{}).Cool, "nobody measured")
	assert.True(t, of("woody", bare).Rootless)
	assert.False(t, of("woody", one).Rootless)
	assert.False(t, of("woody", facts.Facts{}).Rootless, "nobody counted")
	assert.True(t, of("woody", one).Rooted)
	assert.False(t, of("woody", bare).Rooted)
	assert.False(t, of("woody", facts.Facts{}).Rooted)
	one.Piece = facts.Said(true)
	assert.False(t, of("woody", one).Rooted, "a piece is felt where it was cut")
	assert.True(t, of("woody", warm).Woody)
	assert.False(t, of("aroid-vine", warm).Woody)
	assert.True(t, of("cactus", warm).DrySet)
	assert.False(t, of("aroid-vine", warm).DrySet)
	assert.True(t, of("monopodial-orchid", warm, cause.CrownWet).Crown)
	assert.True(t, of("monopodial-orchid", facts.Facts{PointHit: facts.Said(true)}).Crown)
	assert.False(t, of("monopodial-orchid", warm, cause.RootRot).Crown)
	assert.True(t, treatment.NatureOfWaiting("sympodial-orchid", nil, treatment.Rest, warm).Rests)
	assert.False(t, treatment.NatureOfWaiting("sympodial-orchid", nil, treatment.Lean, warm).Rests)
}
