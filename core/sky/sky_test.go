package sky_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/sky"
)

// on is the n-th day of a year without a leap day.
func on(n int) day.Day { return day.Of(2025, time.January, 1) + day.Day(n-1) }

// FAO Irrigation and Drainage Paper 56: examples 8 and 9 (20° S, 3 September), and its
// annex 2, table 2.6, for the middles of the months at 50° N.
func TestSunshineAndDayLengthAreThoseOfFAO56(t *testing.T) {
	assert.InDelta(t, 32.2, sky.Above(-20, on(246)), 0.05)
	assert.InDelta(t, 11.7, sky.DayHours(-20, on(246)), 0.05)
	table := []float64{8.9, 14.4, 22.2, 31.5, 38.5, 41.7, 40.2, 34.3, 25.6, 16.8, 10.2, 7.5}
	for month, want := range table {
		assert.InDelta(t, want, sky.Above(50, sky.Middle(month+1, on(1))), 0.4, "month %d", month+1)
	}
	assert.InDelta(t, 37.9, sky.Above(0, on(74)), 0.05)
	assert.InDelta(t, 40.8, sky.Above(40, on(196)), 0.05)
}

func TestDaysBeyondThePolarCircles(t *testing.T) {
	assert.InDelta(t, 24, sky.DayHours(75, on(172)), 0)
	assert.InDelta(t, 0, sky.DayHours(75, on(355)), 0)
	assert.InDelta(t, 0, sky.Above(75, on(355)), 1e-9)
	assert.InDelta(t, 24, sky.DayHours(-75, on(355)), 0)
	assert.InDelta(t, 8.03, sky.DayHours(52, on(15)), 0.01)
	assert.InDelta(t, 16.46, sky.DayHours(52, on(166)), 0.01)
}

func TestLightOnOpenGround(t *testing.T) {
	assert.InDelta(t, 6.1, sky.Outside(sky.Mixed, 52, on(15)), 0.05)
	assert.InDelta(t, 42.4, sky.Outside(sky.Mixed, 52, on(166)), 0.05)
	assert.Equal(t, sky.Outside(sky.Mixed, 52, on(15)), sky.Outside("unheard of", 52, on(15)))
	for _, c := range sky.Clouds() {
		winter, summer := sky.Clearness(c, 52, on(355)), sky.Clearness(c, 52, on(172))
		assert.Less(t, winter, summer, c)
		assert.InDelta(t, winter, sky.Clearness(c, -52, on(172)), 1e-3, "the south has its winter then: %s", c)
	}
	// Erbs: .664 at .3, .429 at .5 and .250 at .7 on long days.
	assert.InDelta(t, .429, sky.Diffuse(sky.Mixed, 52, on(172)), .001)
}

// The sun's height at noon is 90° less the latitude, and the declination more (any textbook
// of astronomy); it rises in the east and sets in the west, in both halves of the earth.
func TestTheSunStandsWhereGeometryPutsIt(t *testing.T) {
	for _, lat := range []float64{-60, -35, 0, 20, 52, 66} {
		for _, n := range []int{1, 80, 172, 266, 355} {
			noon := sky.At(lat, on(n), 12)
			want := 90 - abs(lat-sky.Declination(on(n))*57.29578)
			assert.InDelta(t, want, noon.Altitude*57.29578, 1e-3, "%g on day %d", lat, n)
			assert.Negative(t, sky.At(lat, on(n), 9).Azimuth, "east in the morning")
			assert.Positive(t, sky.At(lat, on(n), 15).Azimuth, "west in the afternoon")
		}
	}
}

func abs(x float64) float64 { return max(x, -x) }
