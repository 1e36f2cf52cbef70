package plant

import (
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

// A nickname means kinds that there are, and is no name of the tables already.
func TestNicknamesMeanKinds(t *testing.T) {
	x := shippedNames()
	for name := range nicknames() {
		assert.Empty(t, x.byName[name], name)
	}
	for said, id := range map[string]string{
		"zz": "zamioculcas-zamiifolia", "Xmas cactus": "schlumbergera-truncata", "bird's nest": "asplenium-nidus",
		"ivy": "hedera-helix",
	} {
		list := Kinds{}.Called(said)
		require.NotEmpty(t, list, said)
		assert.Equal(t, id, list[0].ID, said)
	}
}

// Of a single word one letter may be wrong, from six letters on two.
func TestShortNamesAreMisspeltByOneLetterOnly(t *testing.T) {
	for said, is := range map[string]bool{
		"vunda": true, "vunde": false, // five letters
		"clivio": true, "clevio": true, "clevoo": false, // six
	} {
		id := "vanda-hybrid"
		if said[0] == 'c' {
			id = "clivia-miniata"
		}
		p, known := Kinds{}.ByID(id)
		require.True(t, known)
		assert.Equal(t, is, p.Misspelt(said), said)
	}
	assert.Equal(t, 6, twoWrongFrom)
}
