package pieces_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/pieces"
	"tendermend/core/plant"
)

// How many are usually taken is told of every way; a plant is parted into two, and a layer is one (common practice).
func TestEveryWayTellsHowManyAreUsual(t *testing.T) {
	for _, w := range pieces.WaysFor(plant.Profile{}) {
		assert.Positive(t, w.Usual, w.Method)
		assert.LessOrEqual(t, w.Usual, 20, w.Method)
	}
	for method, n := range map[pieces.Method]int{
		pieces.Division: 2, pieces.Layering: 1, pieces.Offset: 1, pieces.Keiki: 1,
	} {
		w, known := pieces.WayOf(method)
		assert.True(t, known, method)
		assert.Equal(t, n, w.Usual, method)
	}
}
