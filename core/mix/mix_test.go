package mix_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/mix"
)

func TestFrustumVolume(t *testing.T) {
	assert.InDelta(
		t,
		1.876,
		mix.FrustumLitres(15.2, 10.8, 14),
		0.001,
		"geometry: frustum of a cone, a nominal 6 in pot",
	)
	assert.InDelta(t, 0.785, mix.FrustumLitres(10, 10, 10), 0.001, "a cylinder is the frustum that does not taper")
	assert.InDelta(
		t,
		mix.FrustumLitres(15.2, 10.8, 14),
		mix.PotLitres(15.2),
		0.02,
		"the usual shape fits the nominal pot",
	)
}

func TestPotForARescueFitsTheLiveRoots(t *testing.T) {
	assert.InDelta(t, 9.5, mix.PotFor(7, 15), 1e-9, "2-3 cm more than the root ball: common practice")
	assert.InDelta(t, 8, mix.PotFor(7, 8), 1e-9, "never above the old pot")
	assert.InDelta(t, 9.5, mix.PotFor(7, 0), 1e-9, "old pot not known")
}

func TestDilution(t *testing.T) {
	stock, water, err := mix.Dilute(3, 1.5, 250)
	require.NoError(t, err)
	assert.InDelta(t, 125, stock, 1e-9, "arithmetic: 250 ml of 1.5 %% from 3 %% is 125 + 125")
	assert.InDelta(t, 125, water, 1e-9)
	for _, bad := range [][3]float64{{1.5, 3, 250}, {3, 0, 250}, {3, 1.5, 0}, {3, -1, 250}} {
		_, _, err := mix.Dilute(bad[0], bad[1], bad[2])
		assert.ErrorIs(t, err, mix.ErrDilution)
	}
}

func TestPartsAddUp(t *testing.T) {
	assert.Equal(
		t,
		[]float64{800, 200},
		mix.Parts(1000, 4, 1),
		"leaf wash of 4 water : 1 mild soap, 1 l: common practice",
	)
	assert.Equal(t, []float64{1, 1, 3}, mix.Parts(5, 1, 1, 3), "light begonia mix, 5 l: common practice")
}
