package plant

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A genus that was also the former name of another kind means its own kinds first.
func TestAGenusMeansTodaysKindsFirst(t *testing.T) {
	list := Kinds{}.Called("philodendron")
	require.Greater(t, len(list), 2)
	former := false
	for _, p := range list {
		today := wordsOf(p.Botanical)[0] == "philodendron"
		assert.False(t, today && former, "%s comes after a kind that is no philodendron today", p.ID)
		former = former || !today
	}
	assert.True(t, former, "none of them once was one: the test says nothing")
}

// A nickname means kinds that there are, and is no name of the table already.
func TestNicknamesMeanKinds(t *testing.T) {
	x := shippedIndex()
	for name, ids := range nicknames {
		assert.Empty(t, x.byName[name], name)
		assert.Equal(t, name, strings.Join(wordsOf(name), " "), "folded")
		list := Kinds{}.Called(name)
		require.Len(t, list, len(ids), name)
		for i, p := range list {
			assert.Equal(t, ids[i], p.ID)
		}
	}
}
