package bench_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/bench"
	"tendermend/core/climate"
	"tendermend/core/feed"
	"tendermend/core/mix"
	"tendermend/core/plant"
)

func TestReadingsAreTakenUpToTheirLimits(t *testing.T) {
	light := func(reading, hours float64) error {
		_, err := bench.Light(bench.LightInput{Reading: reading, Unit: "lux", Lamp: climate.Sunlight, Hours: hours}, nil)
		return err
	}
	for _, v := range []float64{0, 200000} {
		assert.NoError(t, light(v, 12))
	}
	for _, v := range []float64{-1, 200000.5} {
		assert.Error(t, light(v, 12))
	}
	for hours, fine := range map[float64]bool{0.1: true, 24: true, 0.09: false, 24.01: false} {
		assert.Equal(t, fine, light(100, hours) == nil, hours)
	}
}

func TestWarmthThatAKindDoesNotBearIsSaid(t *testing.T) {
	kind := plant.Profile{Temperature: [3]float64{10, 20, 30}, Humidity: [2]float64{40, 60}}
	for warmth, says := range map[float64]string{9.9: "10 to 30", 10: "", 30: "", 30.1: "10 to 30"} {
		r, err := bench.Air(bench.AirInput{TempC: warmth, HumidityPct: 60}, &kind)
		require.NoError(t, err)
		said := strings.Join(r.Warnings, " ")
		assert.Equal(t, says != "", strings.Contains(said, "Outside what it bears"), warmth)
		assert.Contains(t, said, says)
	}
}

// The first thing that cannot be right is named with its field.
func TestAFaultNamesItsField(t *testing.T) {
	_, err := bench.Light(bench.LightInput{Reading: -1, Unit: "lux", Lamp: climate.Sunlight, Hours: 99}, nil)
	var f bench.Fault
	require.ErrorAs(t, err, &f)
	assert.Equal(t, "reading", f.Field)
	assert.NotContains(t, err.Error(), "\n", "one thing at a time")
}

// A flush is three volumes of the pot (common practice).
func TestAFlushIsThreePots(t *testing.T) {
	for _, pot := range []float64{8, 12, 30} {
		r, err := bench.Feed(bench.FeedInput{
			Doses: []feed.Dose{{Label: feed.Label{Name: "feed", N: 10}, PerLitre: 1}}, PotCM: &pot,
		})
		require.NoError(t, err)
		found := 0.0
		for _, a := range r.Amounts {
			if a.What == "clean water for a flush" {
				found = a.Value
			}
		}
		assert.InDelta(t, 3*mix.PotLitres(pot), found, 1e-9, pot)
	}
}

// The dish of new roots at its limits: it falls from a root that comes within a centimetre of
// a third of the pot, and is gone a centimetre above the bottom.
func TestTheDishIsToldUpToItsLimits(t *testing.T) {
	for root, want := range map[float64]struct {
		level float64
		done  bool
	}{1: {30, false}, 50: {30, false}, 51: {29, false}, 79: {1, false}, 80: {0, true}, 200: {0, true}} {
		r, err := bench.Dish(bench.DishInput{PotDepthCM: 9, LongestRootMM: root})
		require.NoError(t, err)
		assert.Equal(t, want.level, r.Amounts[0].Value, root)
		assert.Equal(t, want.done, strings.Contains(strings.Join(r.Warnings, " "), "no water stands"), root)
		falls, gone := r.Amounts[len(r.Amounts)-2].Value, r.Amounts[len(r.Amounts)-1].Value
		assert.Equal(t, [2]float64{50, 80}, [2]float64{falls, gone})
		if !want.done {
			assert.InDelta(t, 90, want.level+root+r.Amounts[1].Value, 1e-9, "root, air and water fill the pot")
			assert.GreaterOrEqual(t, r.Amounts[1].Value, 10.0)
		}
	}
	for depth, fine := range map[float64]bool{3: true, 60: true, 2.9: false, 60.1: false} {
		_, err := bench.Dish(bench.DishInput{PotDepthCM: depth, LongestRootMM: 10})
		assert.Equal(t, fine, err == nil, depth)
	}
	for root, fine := range map[float64]bool{1: true, 1000: true, 0.9: false, 1001: false} {
		_, err := bench.Dish(bench.DishInput{PotDepthCM: 9, LongestRootMM: root})
		assert.Equal(t, fine, err == nil, root)
	}
}
