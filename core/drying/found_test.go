package drying_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/drying"
)

// Wetness at which a stick comes out otherwise (handbook, rounds2: dry below 0.30, barely below 0.50,
// moist below 0.78), on both sides.
func TestWhatAStickFinds(t *testing.T) {
	for wet, found := range map[float64]drying.Class{
		0: drying.FoundDry, .299: drying.FoundDry, .3: drying.FoundBarely, .499: drying.FoundBarely,
		.5: drying.FoundMoist, .779: drying.FoundMoist, .78: drying.FoundWet, 1: drying.FoundWet,
	} {
		assert.Equal(t, found, drying.Found(wet), "%g", wet)
	}
}
