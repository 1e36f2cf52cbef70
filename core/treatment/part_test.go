package treatment

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
)

// Each operator is told in one part of the work, or belongs to what is around it.
func TestEachOperatorIsToldInOnePart(t *testing.T) {
	for _, o := range Operators() {
		in := 0
		for _, p := range partsOfWork {
			if slices.Contains(p.ops, o.ID) {
				in++
			}
		}
		if slices.Contains(housekeeping, o.ID) {
			assert.Zero(t, in, o.ID)
			assert.Empty(t, PartOf(o.ID), o.ID)
			continue
		}
		assert.Equal(t, 1, in, o.ID)
	}
	assert.Equal(t, "Roots", PartOf(Unpot))
}
