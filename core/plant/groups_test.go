package plant

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// A group's word is the name of no single kind, its habits are habits, and each of its kinds grows like one of them.
func TestGroupsHoldKindsThatGrowSo(t *testing.T) {
	x := shippedNames()
	for word, g := range groups() {
		assert.Empty(t, x.byName[word], word)
		assert.NotContains(t, nicknames(), word)
		for _, h := range g.Habits {
			_, known := HabitByID(h)
			assert.True(t, known, "%s: %s", word, h)
		}
		assert.GreaterOrEqual(t, len(g.Kinds), 3, word)
		for _, p := range g.Kinds {
			assert.Contains(t, g.Habits, p.Habit, "%s: %s", word, p.ID)
		}
	}
}

func TestAGroupIsCalledByOneOrMany(t *testing.T) {
	for said, want := range map[string]string{
		"Orchid": "orchid", "orchids": "orchid", "cacti": "cactus", "palm tree": "palm", "tree": "", "moth orchid": "",
	} {
		g, known := GroupCalled(said)
		assert.Equal(t, want != "", known, said)
		assert.Equal(t, want, g.Said, said)
	}
}

// Who looks for a group finds its commonest kinds first, a collection's own kinds before them, each once.
func TestAGroupIsFoundCommonestFirst(t *testing.T) {
	own := Kinds{"own:1": {ID: "own:1", Botanical: "Orchis mea", Common: "my orchid", Own: true}}
	found := own.Find("orchids", 400)
	require.Greater(t, len(found), 6)
	assert.Equal(t, "own:1", found[0].ID)
	g, _ := GroupCalled("orchid")
	for i, p := range g.Kinds {
		assert.Equal(t, p.ID, found[i+1].ID)
	}
	once := map[string]bool{}
	for _, p := range found {
		assert.False(t, once[p.ID], p.ID)
		once[p.ID] = true
	}
	assert.Equal(t, "crassula-ovata", Kinds{}.Find("succulent", 1)[0].ID, "none of its names holds the word")
}
