package store

import (
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
)

// Names are sorted as people do: numbers by their size, letters whatever their case.
func TestNamesAreSortedAsPeopleDo(t *testing.T) {
	want := []string{"Anthurium", "Fern", "fern 1", "Fern 2", "Fern 2a", "fern 12", "Hoya 999999999999", "T-7", "T-08"}
	got := slices.Clone(want)
	slices.Reverse(got)
	slices.SortFunc(got, func(a, b string) int { return strings.Compare(natural(a), natural(b)) })
	assert.Equal(t, want, got)
	assert.Equal(t, natural("T-7"), natural(" t-007 "), "zeros before a number say nothing")
}
