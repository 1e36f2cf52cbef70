package interval_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/interval"
)

// Newcombe 1998, Statistics in Medicine 17:857, table I, method 3.
func TestWilsonGivesNewcombesTable(t *testing.T) {
	for _, row := range []struct {
		k, n      int
		low, high float64
	}{{81, 263, 0.2553, 0.3662}, {15, 148, 0.0624, 0.1605}, {0, 20, 0, 0.1611}, {1, 29, 0.0061, 0.1718}} {
		low, high := interval.Wilson(row.k, row.n)
		assert.InDelta(t, row.low, low, 5e-5, "%d of %d", row.k, row.n)
		assert.InDelta(t, row.high, high, 5e-5, "%d of %d", row.k, row.n)
	}
	low, high := interval.Wilson(0, 0)
	assert.Equal(t, []float64{0, 1}, []float64{low, high})
}
