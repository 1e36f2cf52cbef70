package mix_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/mix"
)

func TestAmountsAreReadAsPeopleWriteThem(t *testing.T) {
	for text, want := range map[string]mix.Quantity{
		"250 ml": {Value: 250, Unit: "ml"}, "2 l": {Value: 2000, Unit: "ml"}, "2,5 l": {Value: 2500, Unit: "ml"},
		"1 1/2 tsp": {Value: 1.5 * mix.Teaspoon, Unit: "ml"},
		"½ cup":     {Value: 118.29411825, Unit: "ml"}, "1½ tbsp": {Value: 1.5 * mix.Tablespoon, Unit: "ml"},
		"1 gal": {Value: 3785.411784, Unit: "ml"}, "3/4 Cups": {Value: 0.75 * 16 * mix.Tablespoon, Unit: "ml"},
		" 30 g ": {Value: 30, Unit: "g"}, "1 oz": {Value: 28.349523125, Unit: "g"},
		"2 fl oz": {Value: 4 * mix.Tablespoon, Unit: "ml"}, ".5 l": {Value: 500, Unit: "ml"},
		"2 teaspoons": {Value: 2 * mix.Teaspoon, Unit: "ml"},
	} {
		got, err := mix.ParseAmount(text)
		require.NoError(t, err, text)
		assert.InDelta(t, want.Value, got.Value, 1e-6, text)
		assert.Equal(t, want.Unit, got.Unit, text)
	}
	for _, bad := range []string{"", "ml", "250", "some ml", "1/0 l", "-3 ml", "0 ml", "1/2 1 tsp", "1 2 3 ml",
		"12 parsecs", "1e9 l", "1..2 l", "½½ cup", "NaN g", "99999999999 kg"} {
		_, err := mix.ParseAmount(bad)
		assert.ErrorIs(t, err, mix.ErrAmount, bad)
	}
}

// NIST SP 811: a US tablespoon is 14.787 ml, a US gallon 3785.41 ml.
func TestKitchenMeasures(t *testing.T) {
	assert.InDelta(t, 14.787, mix.Tablespoon, 5e-4)
	assert.InDelta(t, 3785.41, mix.Gallon, 5e-3)
	assert.Equal(t, "1 tsp", mix.Spoons(5))
	assert.Equal(t, "2.5 tbsp", mix.Spoons(37))
	assert.Equal(t, "", mix.Spoons(0.3))
	// Extension fact sheets (from memory): 2.5-5 tablespoons of soap to a US
	// gallon make about 1-2 %.
	assert.InDelta(t, 0.0098, 2.5*mix.Tablespoon/mix.Gallon, 5e-5)
	assert.InDelta(t, 0.0195, 5*mix.Tablespoon/mix.Gallon, 5e-5)
}

func FuzzParseAmount(f *testing.F) {
	for _, s := range []string{"1 1/2 tsp", "250 ml", "½ cup", "2 l", "2,5 l", "1/0 l", "", "9 9 9 g", "⅔ tbsp.",
		"1e5 ml"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, text string) {
		q, err := mix.ParseAmount(text)
		if err != nil {
			assert.ErrorIs(t, err, mix.ErrAmount)
			return
		}
		if !(q.Value > 0) || math.IsInf(q.Value, 0) || q.Unit != "ml" && q.Unit != "g" {
			t.Fatalf("%q gives %v", text, q)
		}
	})
}

// Household-chemicals leaflets (from memory): every dangerous pair, either way
// round, is refused.
func TestTheGuardKnowsEveryDangerousPair(t *testing.T) {
	for _, pair := range [][2]string{
		{"bleach", "ammonia"}, {"bleach", "vinegar"}, {"bleach", "descaler"}, {"bleach", "alcohol"}, {"bleach", "peroxide"},
		{"bleach", "pesticide"}, {"bleach", "insecticidal-soap"},
		{"bleach", "feed"}, {"bleach", "calcium-feed"}, {"bleach", "phosphate-feed"}, {"bleach", "sulphur"},
		{"peroxide", "vinegar"}, {"peroxide", "descaler"}, {"peroxide", "alcohol"}, {"peroxide", "copper"},
		{"ammonia", "vinegar"}, {"sulphur", "vinegar"}, {"pesticide", "alcohol"},
	} {
		for _, ids := range [][]string{{pair[0], pair[1]}, {pair[1], "water", pair[0]}} {
			found, unknown := mix.Guard(ids)
			require.NotEmpty(t, found, "%v", ids)
			assert.True(t, found[0].Danger, "%v", ids)
			assert.NotEmpty(t, found[0].Why)
			assert.Empty(t, unknown)
		}
	}
	found, _ := mix.Guard([]string{"calcium-feed", "phosphate-feed"})
	require.Len(t, found, 1)
	assert.False(t, found[0].Danger, "no danger, but two bottles")
	found, unknown := mix.Guard([]string{"water", "mild-soap", "mystery"})
	assert.Empty(t, found)
	assert.Equal(t, []string{"mystery"}, unknown, "silence is no safety")
	for _, c := range mix.Chemicals() {
		_, unknown := mix.Guard([]string{c.ID})
		assert.Empty(t, unknown)
	}
}

func TestMediaHoldWaterAndAir(t *testing.T) {
	for _, g := range mix.Ingredients() {
		assert.True(t, 0 < g.Water[0] && g.Water[0] < g.Water[1] && 0 < g.Air[0] && g.Air[0] < g.Air[1], g.ID)
		assert.LessOrEqual(
			t,
			(g.Water[0]+g.Water[1]+g.Air[0]+g.Air[1])/2,
			1.0,
			"%s holds no more than its volume",
			g.ID,
		)
	}
	soil, err := mix.Holds([]string{"potting soil"}, []float64{1}, mix.Ingredients())
	require.NoError(t, err)
	airy, err := mix.Holds([]string{"potting soil", "perlite", "medium bark"}, []float64{1, 1, 1}, mix.Ingredients())
	require.NoError(t, err)
	assert.Greater(t, airy.Air[0], soil.Air[0])
	assert.Less(t, airy.Water[1], soil.Water[1])
	assert.InDelta(t, (0.50+0.20+0.20)/3, airy.Water[0], 1e-12, "by hand")
	odd, err := mix.Holds([]string{"perlite", "stardust"}, []float64{1, 1}, mix.Ingredients())
	require.NoError(t, err)
	assert.Equal(t, []string{"stardust"}, odd.Unknown)
	for _, bad := range [][]float64{nil, {0}, {-1}, {math.NaN()}} {
		_, err := mix.Holds([]string{"perlite"}, bad, mix.Ingredients())
		assert.ErrorIs(t, err, mix.ErrMix)
	}
	assert.Zero(t, mix.Idle(10, 12), "two or three centimetres are reached")
	assert.Greater(t, mix.Idle(6, 20), 0.8, "far too large: nearly all of it stays wet")
	assert.InDelta(t, 1-0.125, mix.Idle(6, 20), 1e-12, "(10/20)³ by hand")
}
