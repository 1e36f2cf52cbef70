package forecast

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
)

// What is looked for may be dry below an even chance, is probably dry from there on, and almost surely from 95 % on;
// what is never to dry is kept moist, and not watered so.
func TestHowSurelyItIsDryIsSaid(t *testing.T) {
	for _, c := range []struct {
		met  float64
		rule plant.WaterRule
		want string
	}{
		{.499, plant.HalfDry, "Look first, it may be dry: water when the medium is dry half way down."},
		{.5, plant.HalfDry, "Look first, probably dry: water when the medium is dry half way down."},
		{.949, plant.HalfDry, "Look first, probably dry: water when the medium is dry half way down."},
		{.95, plant.HalfDry, "Look first, almost surely dry: water when the medium is dry half way down."},
		{.95, plant.Even, "Look first, almost surely dry: keep it evenly moist: never let it dry."},
	} {
		f := Forecast{Say: drying.LookFirst, Met: c.met, Rule: c.rule}
		assert.Equal(t, c.want, inWords(f, day.Day(20_000)))
	}
}
