package recovery

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"gonum.org/v1/gonum/stat/distuv"
)

// A pace is told by the week: seven times what it is in a day, each end of its interval as well.
func TestAPaceIsToldByTheWeek(t *testing.T) {
	p := pace{measure: "longest-root", now: 12.04, wanted: 20, slope: Slope{Value: .5, Low: .25, High: 1, N: 4}}
	var values []float64
	for _, in := range p.inputs() {
		values = append(values, in.Value)
	}
	assert.Equal(t, []float64{12, 20, 3.5, 1.75, 7}, values)
}

// Days that are left are weighed at their middle: where a stage usually takes ten days and five are over, the weight
// of each day is that of its noon, and all together are one.
func TestDaysLeftAreWeighedAtTheirMiddle(t *testing.T) {
	usual := distuv.LogNormal{Mu: 2.3, Sigma: .4}
	w := remaining(usual, 5, nil)
	sum := 0.0
	for _, v := range w {
		sum += v
	}
	assert.InDelta(t, 1, sum, 1e-9)
	for _, d := range []int{0, 3, 9} {
		want := usual.Prob(5+float64(d)+.5) / usual.Prob(5+float64(d)+1.5)
		assert.InDelta(t, want, w[d]/w[d+1], 1e-9, d)
	}
}
