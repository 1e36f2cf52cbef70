package feed_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/feed"
)

var calciumNitrate = feed.Label{Name: "calcium nitrate", N: 15.5, Ca: 19}

// Definition of ppm: 1 g of calcium nitrate 15.5-0-0 with 19 % Ca in a litre is
// 155 ppm N and 190 ppm Ca.
func TestPPMFromTheLabel(t *testing.T) {
	w, err := feed.Water([]feed.Dose{{Label: calciumNitrate, PerLitre: 1}})
	require.NoError(t, err)
	assert.InDelta(t, 155, w.N, 1e-9)
	assert.InDelta(t, 190, w.Ca, 1e-9)
	assert.Zero(t, w.P)

	// The "0.75 rule" of greenhouse handbooks: one ounce in 100 US gallons of a
	// feed with 1 % N is about 0.75 ppm (0.749).
	ounceIn100Gallons := 28.349523125 / 378.5411784
	w, err = feed.Water([]feed.Dose{{Label: feed.Label{N: 1}, PerLitre: ounceIn100Gallons}})
	require.NoError(t, err)
	assert.InDelta(t, 0.749, w.N, 5e-4)

	w, err = feed.Water(
		[]feed.Dose{
			{Label: calciumNitrate, PerLitre: 0.5},
			{Label: feed.Label{Name: "20-20-20", N: 20, P2O5: 20, K2O: 20}, PerLitre: 0.5},
		},
	)
	require.NoError(t, err)
	assert.InDelta(t, 77.5+100, w.N, 1e-9, "salts add up")
	assert.InDelta(t, 43.64, w.P, 0.01)
	assert.InDelta(t, 83.01, w.K, 0.01)
}

// IUPAC atomic weights; the factors of every fertiliser handbook.
func TestOxidesToElements(t *testing.T) {
	assert.InDelta(t, 0.4364, feed.PofP2O5, 5e-5)
	assert.InDelta(t, 0.8301, feed.KofK2O, 1e-4)
}

func TestGramsForAWantedStrengthAndBadLabels(t *testing.T) {
	g, err := feed.ForNitrogen(calciumNitrate, 100)
	require.NoError(t, err)
	w, err := feed.Water([]feed.Dose{{Label: calciumNitrate, PerLitre: g}})
	require.NoError(t, err)
	assert.InDelta(t, 100, w.N, 1e-9)
	_, err = feed.ForNitrogen(feed.Label{Name: "potash", K2O: 50}, 100)
	assert.ErrorContains(t, err, "no nitrogen")
	_, err = feed.ForNitrogen(calciumNitrate, 0)
	assert.Error(t, err)
	for _, bad := range []feed.Label{{N: -1}, {N: 120}, {N: 60, K2O: 60}} {
		_, err := feed.Water([]feed.Dose{{Label: bad, PerLitre: 1}})
		assert.ErrorIs(t, err, feed.ErrLabel)
	}
	_, err = feed.Water([]feed.Dose{{Label: calciumNitrate, PerLitre: -1}})
	assert.Error(t, err)
}
