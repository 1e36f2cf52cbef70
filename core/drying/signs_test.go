package drying_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/drying"
	"tendermend/core/plant"
)

const now = 200.0

// seen is what is told of a sign by waterings so many days ago, with how early each came
// and how many days of harm lay before it, and by the harm since the last.
func seen(t *testing.T, id string, harm float64, waterings ...drying.Watering) drying.Seen {
	t.Helper()
	f, _ := half(t)
	told := drying.Told{Filter: f, Rule: rule(t, plant.QuarterDry), Waterings: waterings, Harm: harm}
	for _, s := range told.Signs(now) {
		if s.ID == id {
			return s.Seen
		}
	}
	require.Fail(t, "no such sign", id)
	return ""
}

func times(n int, early, harm float64) (list []drying.Watering) {
	for i := range n {
		list = append(list, drying.Watering{At: now - 50 + float64(i), Early: early, Harm: harm})
	}
	return list
}

func TestLimitsOfWateringTooOften(t *testing.T) {
	for _, one := range []struct {
		n     int
		early float64
		want  drying.Seen
	}{
		{2, 1, drying.Unknown}, {3, .60, drying.IsSeen}, {3, .59, drying.Unknown}, {3, .31, drying.Unknown},
		{3, .30, drying.NotThere},
	} {
		got := seen(t, "care.water-often", 0, times(one.n, one.early, 0)...)
		assert.Equal(t, one.want, got, fmt.Sprint(one.n, " ", one.early))
	}
	early := append(times(8, 1, 0), times(8, 0, 0)...)
	assert.Equal(t, drying.NotThere, seen(t, "care.water-often", 0, early...), "the last eight tell")
}

// Days of harm are those beyond the two that its rule bears.
func TestLimitsOfAMissedWatering(t *testing.T) {
	for _, one := range []struct {
		harm float64
		want drying.Seen
	}{{4.0, drying.IsSeen}, {3.99, drying.Unknown}, {2.71, drying.Unknown}, {2.69, drying.NotThere}} {
		assert.Equal(t, one.want, seen(t, "care.water-missed", one.harm, times(1, 0, 0)...), "since the last: %g", one.harm)
		before := drying.Watering{At: now - 60, Harm: one.harm}
		assert.Equal(t, one.want, seen(t, "care.water-missed", 0, before), "before a watering: %g", one.harm)
	}
	old := drying.Watering{At: now - 61, Harm: 9}
	assert.Equal(t, drying.NotThere, seen(t, "care.water-missed", 0, old), "over two months ago")
	assert.Equal(t, drying.Unknown, seen(t, "care.water-missed", 0), "nothing is recorded")
}

func TestLimitsOfSwings(t *testing.T) {
	dry := drying.Watering{At: now - 20, Harm: 4}
	for _, one := range []struct {
		what string
		list []drying.Watering
		want drying.Seen
	}{
		{"dried out twice", []drying.Watering{dry, dry}, drying.IsSeen},
		{"once, and two too early", append(times(2, .6, 0), dry), drying.IsSeen},
		{"once, and one too early", append(times(1, .6, 0), dry), drying.Unknown},
		{"once, and two not quite too early", append(times(2, .59, 0), dry), drying.Unknown},
		{"never, of three", times(3, 0, 0), drying.NotThere},
		{"never, of two", times(2, 0, 0), drying.Unknown},
		{"twice, over 90 days ago", []drying.Watering{{At: now - 91, Harm: 9}, {At: now - 91, Harm: 9}}, drying.Unknown},
		{"twice, 90 days ago", []drying.Watering{{At: now - 90, Harm: 9}, {At: now - 90, Harm: 9}}, drying.IsSeen},
	} {
		assert.Equal(t, one.want, seen(t, "care.water-swings", 0, one.list...), one.what)
	}
}

// What stores water in its leaves bears dryness for weeks where it is watered when dry
// through, and only there.
func TestWhoBearsDrynessLonger(t *testing.T) {
	assert.Equal(t, 20, rule(t, plant.DryThrough).For("succulent").Grace)
	assert.Equal(t, 7, rule(t, plant.DryThrough).For("leathery").Grace)
	assert.Equal(t, 3, rule(t, plant.HalfDry).For("succulent").Grace)
}

func TestMediaThatShedWater(t *testing.T) {
	for medium, sheds := range map[string]bool{
		"peat mix": true, "coir": true, "moss": true, "potting soil": true, "": true, "bark and perlite": false,
		"pumice": false,
	} {
		assert.Equal(t, sheds, drying.Pot{Mix: drying.MixOf(medium)}.Sheds(), medium)
	}
}
