package recovery_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"gonum.org/v1/gonum/stat"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

// The example of Sen 1968, J Am Stat Assoc 63:1379, section 7 (values from
// memory): slope 4; its ends are slopes between pairs of these points.
func TestTheilSenGivesSensExample(t *testing.T) {
	x, y := []float64{1, 2, 3, 4, 10, 12, 18}, []float64{9, 15, 19, 20, 45, 55, 78}
	s, ok := recovery.TheilSen(x, y)
	require.True(t, ok)
	assert.InDelta(t, 4, s.Value, 1e-12)
	assert.True(t, s.Low > 3.5 && s.Low < 4 && s.High > 4 && s.High < 4.5, "%+v", s)
}

// The reference on clean lines is gonum's least squares.
func TestTheilSenEqualsLeastSquaresOnCleanLines(t *testing.T) {
	chance := rand.New(rand.NewPCG(7, 7))
	for range 100 {
		a, b := chance.NormFloat64()*10, chance.NormFloat64()
		var x, y []float64
		for i := range 3 + chance.IntN(20) {
			x = append(x, float64(i)+chance.Float64()/2)
			y = append(y, a+b*x[i])
		}
		_, slope := stat.LinearRegression(x, y, nil, false)
		s, ok := recovery.TheilSen(x, y)
		require.True(t, ok)
		assert.InDelta(t, slope, s.Value, 1e-9)
	}
}

// Theil 1950: the slope bears up to 29 % of gross errors.
func TestGrossErrorsLeaveTheSlopeWhereItIs(t *testing.T) {
	var x, y, clean []float64
	for i := range 28 {
		x, clean = append(x, float64(i)), append(clean, 3+0.5*float64(i))
	}
	y = append(y, clean...)
	for i := 1; i < len(y); i += 4 { // a quarter of them
		y[i] = 500
	}
	s, ok := recovery.TheilSen(x, y)
	require.True(t, ok)
	assert.InDelta(t, 0.5, s.Value, 0.25)
	_, squares := stat.LinearRegression(x, y, nil, false)
	assert.Greater(t, math.Abs(squares-0.5), 0.5, "least squares does not bear them")
}

func TestNoSlopeWithoutThreeReadings(t *testing.T) {
	_, ok := recovery.TheilSen([]float64{1, 2}, []float64{1, 2})
	assert.False(t, ok)
	_, ok = recovery.TheilSen([]float64{1, 1, 1}, []float64{1, 2, 3})
	assert.False(t, ok, "all on one day")
	h := recovery.History{}
	for i := range 5 {
		h.Add("longest-root", recovery.Reading{On: day.Day(i * 7), Value: float64(10 + 3*i)})
	}
	s, ok := h.SlopeOf("longest-root", 7, 28)
	require.True(t, ok)
	assert.InDelta(t, 3.0/7, s.Value, 1e-12)
	assert.Equal(t, 4, s.N)
}

// The interval promises 80 %: held on noisy lines.
func TestTheSlopesIntervalKeepsItsPromise(t *testing.T) {
	chance := rand.New(rand.NewPCG(11, 4))
	held, n := 0, 2000
	for range n {
		var x, y []float64
		for i := range 10 {
			x, y = append(x, float64(i)), append(y, 2*float64(i)+chance.NormFloat64()*3)
		}
		s, _ := recovery.TheilSen(x, y)
		if s.Low <= 2 && 2 <= s.High {
			held++
		}
	}
	assert.InDelta(t, 0.80, float64(held)/float64(n), 0.05)
}

// Garwood 1936, Biometrika 28:437, 95 % limits of a Poisson count (values from
// memory of the printed table).
func TestCountsHaveTheirExactInterval(t *testing.T) {
	for k, want := range map[int][2]float64{0: {0, 3.689}, 1: {0.0253, 5.572}, 3: {0.6187, 8.767}, 10: {4.795, 18.39}} {
		low, high := recovery.CountInterval(k)
		assert.InDelta(t, want[0], low, 0.002)
		assert.InDelta(t, want[1], high, 0.006)
	}
}
