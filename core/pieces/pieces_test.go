package pieces_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/pieces"
	"tendermend/core/plant"
)

// Every way that a kind's row names is known by its name.
func TestEveryWayOfEveryKindIsKnown(t *testing.T) {
	for _, kind := range plant.Profiles() {
		for _, name := range kind.Propagation {
			if name == "none" {
				continue
			}
			_, known := pieces.WayOf(pieces.Method(name))
			assert.True(t, known, "%s: %s", kind.ID, name)
		}
	}
}

// Habits of the table of weeks are habits.
func TestTheWaysOfAKindComeFirst(t *testing.T) {
	kinds := plant.Profiles()
	for _, kind := range kinds {
		ways := pieces.WaysFor(kind)
		seen := map[pieces.Method]bool{}
		rest := false
		for _, w := range ways {
			assert.False(t, seen[w.Method], "%s twice", w.Method)
			assert.False(t, rest && w.Listed, "%s after one that is not listed", w.Method)
			assert.NotEmpty(t, w.Vessels)
			seen[w.Method], rest = true, rest || !w.Listed
		}
		assert.Len(t, seen, 11)
	}
}

func TestBatchesTeachByMethodAndKind(t *testing.T) {
	learned := pieces.Learn([]pieces.Outcome{
		{Method: pieces.NodeCutting, Kind: "macodes-petola", Taken: 12, Rooted: 8, Lost: 3, Rootings: []pieces.Rooting{
			{Days: 28, N: 3}, {Days: 42, N: 5}}},
		{Method: pieces.NodeCutting, Kind: "epipremnum-aureum", Taken: 4, Rooted: 4,
			Rootings: []pieces.Rooting{{Days: 14, N: 4}}},
		{Method: pieces.LeafCutting, Taken: 2},
	})
	require.Len(t, learned, 4)
	all := learned[0]
	assert.Equal(t, "", all.Kind)
	assert.Equal(t, []int{16, 12, 3, 1}, []int{all.Taken, all.Rooted, all.Lost, all.Open})
	assert.InDelta(t, 80, all.Share.Value, 1e-9)
	// Newcombe 1998, method 3, for 12 of 15.
	assert.InDelta(t, .548, all.Low, .001)
	assert.InDelta(t, .930, all.High, .001)
	assert.Equal(t, 28, *all.MedianDays, "seven of twelve by then")
	leaves := learned[3]
	assert.Nil(t, leaves.Share, "nothing is decided")
	assert.Nil(t, leaves.MedianDays)
}
