package recovery_test

import (
	"math"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

func TestRunwayFollowsTheWeight(t *testing.T) {
	// 1 % a day from 100 g: 55 g is reached after ln(1/0.55)/0.01 = 59.8 days.
	var readings []recovery.Reading
	for d := range 11 {
		readings = append(readings, recovery.Reading{On: began + day.Day(d), Value: 100 * math.Exp(-0.01*float64(d))})
	}
	r, err := recovery.RunwayByWeight(readings)
	require.NoError(t, err)
	assert.True(t, r.Days[0] <= 49.8 && 49.8 <= r.Days[1], "%v: 59.8 days less the ten gone by", r.Days)
	assert.InDelta(t, 0.00995, r.Loss, 1e-5)
	for _, bad := range [][]recovery.Reading{nil, readings[:1], readings[:2], {readings[5], readings[0]}} {
		_, err := recovery.RunwayByWeight(bad)
		assert.ErrorIs(t, err, recovery.ErrRunway)
	}
	for grams, most := range map[float64]float64{58: 14, 52: 3, 50: 0, 40: 0} {
		late, err := recovery.RunwayByWeight(
			[]recovery.Reading{{On: began, Value: 100}, {On: began + 40, Value: grams}},
		)
		require.NoError(t, err)
		assert.Zero(t, late.Days[0], "%v g of 100: it may be at its end", grams)
		assert.Equal(t, most, late.Days[1], "%v g of 100", grams)
	}
}

// Common practice: plump bulbs and leaves without roots last 3-4 months.
func TestRunwayByEye(t *testing.T) {
	r, err := recovery.RunwayByEye("plump")
	require.NoError(t, err)
	assert.Equal(t, [2]float64{90, 120}, r.Days)
	_, err = recovery.RunwayByEye("proud")
	assert.Error(t, err)
}
