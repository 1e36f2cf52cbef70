package climate_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/climate"
)

// FAO Irrigation and Drainage Paper 56 (Allen et al. 1998): table 2.3 (annex 2)
// and example 3.
func TestVapourPressureIsThatOfFAO56(t *testing.T) {
	for temp, want := range map[float64]float64{10: 1.228, 15: 1.705, 20: 2.338, 25: 3.168, 30: 4.243} {
		assert.InDelta(t, want, climate.SaturationVapourPressure(temp), 6e-4, "%g °C", temp)
	}
	mean := (climate.SaturationVapourPressure(24.5) + climate.SaturationVapourPressure(15)) / 2
	assert.InDelta(t, 2.39, mean, 5e-3, "example 3")
	assert.InDelta(t, 1.267, climate.VPD(25, 60), 5e-4)
	assert.Zero(t, climate.VPD(25, 100))
}

func TestDewPointTurnsTheEquationRound(t *testing.T) {
	for _, temp := range []float64{-5, 8, 21, 33} {
		assert.InDelta(t, temp, climate.DewPoint(temp, 100), 1e-9, "saturated air is at its dew point")
		for _, rh := range []float64{5, 40, 75} {
			dew := climate.DewPoint(temp, rh)
			assert.InDelta(
				t,
				climate.SaturationVapourPressure(temp)*rh/100,
				climate.SaturationVapourPressure(dew),
				1e-9,
			)
		}
	}
}

func TestHoursForALightSum(t *testing.T) {
	assert.InDelta(t, 12, climate.HoursFor(8.64, 200), 1e-9, "200 µmol for 12 hours: arithmetic")
	// Definition: 1000 foot-candles are 10,764 lux.
	assert.InDelta(t, 10764, 1000*climate.FootCandles, 0.5)
}
