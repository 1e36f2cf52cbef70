package recovery

import (
	"math"
	"sort"

	"gonum.org/v1/gonum/stat/distuv"

	"tendermend/core/day"
)

// Slope is a robust slope through readings, with its interval.
type Slope struct {
	Value float64 // per unit of x
	Low   float64 // lower end of the 80 % interval
	High  float64 // upper end
	N     int     // readings it rests on
}

// slopeShare is the share of intervals that hold the true slope.
const slopeShare = 0.80

// TheilSen gives the median of the slopes between all pairs of readings (Theil
// 1950), which up to 29 % of gross errors leave where it is, and its interval
// from Kendall's S (Sen 1968, J Am Stat Assoc 63:1379). It is false with fewer
// than three readings or where all stand at one x.
func TheilSen(x, y []float64) (Slope, bool) {
	return theilSen(x, y, slopeShare)
}

func theilSen(x, y []float64, share float64) (Slope, bool) {
	n := len(x)
	if n < 3 || len(y) != n {
		return Slope{}, false
	}
	slopes := make([]float64, 0, n*(n-1)/2)
	for i := range x {
		for j := i + 1; j < n; j++ {
			if x[i] != x[j] {
				slopes = append(slopes, (y[j]-y[i])/(x[j]-x[i]))
			}
		}
	}
	if len(slopes) == 0 {
		return Slope{}, false
	}
	sort.Float64s(slopes)
	m := len(slopes)
	// Kendall's S has this variance; its normal quantile says how many slopes lie
	// outside on each side.
	size := float64(n)
	out := distuv.UnitNormal.Quantile((1+share)/2) * math.Sqrt(size*(size-1)*(2*size+5)/18)
	low, high := int(math.Round((float64(m)-out)/2)), int(math.Round((float64(m)+out)/2))+1
	low, high = max(1, min(low, m)), max(1, min(high, m))
	return Slope{Value: median(slopes), Low: slopes[low-1], High: slopes[high-1], N: n}, true
}

// median of sorted numbers.
func median(sorted []float64) float64 {
	n := len(sorted)
	if n%2 == 1 {
		return sorted[n/2]
	}
	return (sorted[n/2-1] + sorted[n/2]) / 2
}

// SlopeOf gives the slope a day through the readings of a measure between two
// days, both counted; false with fewer than three.
func (h History) SlopeOf(measure string, from, to day.Day) (Slope, bool) {
	var x, y []float64
	for _, r := range h[measure] {
		if r.On >= from && r.On <= to {
			x, y = append(x, float64(r.On)), append(y, r.Value)
		}
	}
	return TheilSen(x, y)
}
