package least

import (
	"cmp"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
)

// The least are those with which the sorted list begins.
func TestTheLeastAreTheFirstOfTheSorted(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 2000 {
		list := r.Perm(r.IntN(40))
		before := slices.Clone(list)
		n := r.IntN(45)
		got := Of(n, list, cmp.Compare[int])
		assert.Equal(t, before, list, "it stays as it is")
		slices.Sort(list)
		want := list[:min(n, len(list))]
		assert.True(t, slices.Equal(want, got), "%d of %v: %v", n, before, got)
	}
}
