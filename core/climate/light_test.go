package climate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/climate"
)

// Thimijan and Heins 1983, HortScience 18:818 (from memory): full sun of about
// 108,000 lx is 2000 µmol m⁻² s⁻¹, so a tenth of it is 200.
func TestLuxIsTurnedIntoDailyLight(t *testing.T) {
	assert.InDelta(t, 200, climate.PPFD(10800, climate.Sunlight), 0.5)
	assert.InDelta(t, 200, climate.PPFD(14800, climate.CoolWhite), 0.5)
	assert.Equal(
		t,
		climate.PPFD(5000, climate.Sunlight),
		climate.PPFD(5000, ""),
		"a lamp nobody named is taken as daylight",
	)
	// Arithmetic: 200 µmol for 12 hours.
	assert.InDelta(t, 8.64, climate.DLI(200, 12), 1e-12)
	assert.True(t, climate.LampKnown(climate.HighPressure))
	assert.False(t, climate.LampKnown("candle"))
}

func TestEveryLightThatCanBePickedIsReckonedWith(t *testing.T) {
	assert.Len(t, climate.Lights(), 5)
	for _, l := range climate.Lights() {
		assert.True(t, climate.LampKnown(l.ID), l.ID)
		assert.NotEmpty(t, l.Label)
	}
}
