package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// The first act is never a cut, an unpotting or anything that cannot be undone, and never
// what is advised against: on every worked case, and on every sign seen alone.
func TestTheFirstActIsSafe(t *testing.T) {
	for _, c := range looked(t) {
		moves := c.moves
		act := c.FirstAct(moves)
		at, known := c.k.moveAt[act.Move]
		require.True(t, known, act.Move)
		m := c.k.moves[at]
		assert.True(t, m.Reversible && m.Stress == 0 && !m.blade, "%s: %v", act.Move, c.examination.Present)
		for _, a := range moves {
			against := a.Move == act.Move && (a.Advice == Not || a.Advice == Wait)
			assert.False(t, against, "%s: %v", act.Move, c.examination.Present)
		}
	}
}

func TestTheFirstActByWhatIsKnown(t *testing.T) {
	for _, c := range []struct {
		name  string
		e     Examination
		move  string
		alone bool
	}{
		{"a pest is kept apart", look("aroid-vine", "pest.cotton", "leaf.sticky"), "isolate", false},
		{"a dry one drinks", look("aroid-vine", "med.dry-through", "leaf.drooping", "leaf.crisp"), "soak", false},
		{"nothing was seen yet", look("aroid-vine", "leaf.tips-brown"), "isolate", true},
		{"a sound one is watched", wholeLook("aroid-vine"), "watch", false},
	} {
		k := examine(t, c.e)
		act := k.FirstAct(k.Moves(k.NextChecks()))
		assert.Equal(t, c.move, act.Move, c.name)
		assert.Equal(t, c.alone, act.Words != "", c.name)
	}
}
