package told_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/told"
)

func TestAThinnedSeamKeepsItsEnds(t *testing.T) {
	s := record.State{}
	for on := range day.Day(51) {
		s.Looks = append(s.Looks, on)
	}
	whole := told.SeamOf(s)
	thin := whole.Thin(10)
	assert.Len(t, thin.Stitches, 10)
	assert.Equal(t, 51, thin.Looks)
	assert.Equal(t, whole.Stitches[0], thin.Stitches[0])
	assert.Equal(t, whole.Stitches[50], thin.Stitches[9])
	assert.Equal(t, whole.Stitches, whole.Thin(60).Stitches)
	assert.Len(t, whole.Thin(51).Stitches, 51)
	assert.Len(t, whole.Thin(50).Stitches, 50)
}
