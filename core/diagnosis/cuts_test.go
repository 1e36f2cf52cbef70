package diagnosis

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
)

// advised is a list of moves as they would be done now.
func advised(ids ...string) (list []Advice) {
	k := Standard()
	for _, id := range ids {
		list = append(list, Advice{Move: id, Advice: Now, move: k.moves[k.moveAt[id]]})
	}
	return list
}

func TestAPieceIsTakenBeforeAnyOtherCut(t *testing.T) {
	c := made(t, look("aroid-vine"), map[string]float64{"base-rot": 0.9})
	list := c.beforeCuts(advised("cut-to-clean", "hold-water", "backup-cutting"))
	assert.Equal(t, []string{"backup-cutting", "cut-to-clean", "hold-water"}, ids(list))
	assert.Equal(t, cleanBlade, list[0].Before)
	assert.Equal(t, cleanBlade, list[1].Before, "the piece stands in the list itself")
	assert.Empty(t, list[2].Before)
	list = c.beforeCuts(advised("isolate", "backup-cutting", "cut-to-clean"))
	assert.Equal(t, []string{"isolate", "backup-cutting", "cut-to-clean"}, ids(list))
	assert.Equal(t, []string{"hold-water", "backup-cutting"}, ids(c.beforeCuts(advised("hold-water", "backup-cutting"))))
}

func ids(list []Advice) (out []string) {
	for _, a := range list {
		out = append(out, a.Move)
	}
	return out
}

func TestNoPieceIsTakenWhereItWouldCarryTheTroubleOn(t *testing.T) {
	for _, c := range []struct {
		name, habit, cut string
		chances          map[string]float64
		want             string
	}{
		{"it may die", "aroid-vine", "cut-to-clean", map[string]float64{"base-rot": 0.35}, takePiece},
		{"hardly", "aroid-vine", "cut-to-clean", map[string]float64{"base-rot": 0.349}, ""},
		{"it is bacteria", "aroid-vine", "cut-to-clean", map[string]float64{"soft-rot": 0.9}, takeNone},
		{"it may be a virus", "aroid-vine", "cut-to-clean", map[string]float64{"base-rot": 0.6, "virus": 0.151}, takeNone},
		{"that is not likely", "aroid-vine", "cut-to-clean", map[string]float64{"base-rot": 0.6, "virus": 0.149}, takePiece},
		{"it can be struck from no piece", "monopodial-orchid", "trim-dead-roots", map[string]float64{"root-rot": 0.9}, ""},
		{"only flowers are cut", "aroid-vine", "remove-flowers", map[string]float64{"base-rot": 0.9}, ""},
	} {
		list := made(t, look(c.habit), c.chances).beforeCuts(advised(c.cut))
		assert.Equal(t, cleanBlade+c.want, list[0].Before, c.name)
	}
	carriers := []string{}
	for id, effect := range Standard().moves[Standard().moveAt[reserve]].Effects {
		if effect < 0 {
			carriers = append(carriers, id)
		}
	}
	for _, id := range []string{"flat-mite", "broad-mite", "thrips", "bacterial-spot", "soft-rot", "virus", "fusarium"} {
		assert.Contains(t, carriers, id, "mites, thrips, bacteria, virus and wilt")
	}
}

// Whatever is cut in any real advice says what is done before it.
func TestEveryCutSaysWhatIsDoneBefore(t *testing.T) {
	cuts := 0
	for _, name := range []string{"practice", "new"} {
		for _, wc := range cases(t, name) {
			list := now(examine(t, wc.Examination))
			for i, a := range list {
				if !a.move.blade {
					assert.Empty(t, a.Before)
					continue
				}
				cuts++
				assert.Contains(t, a.Before, "flame the blade", wc.ID)
				if a.Move == reserve {
					assert.False(t, slices.ContainsFunc(list[:i], func(b Advice) bool { return b.move.blade }), wc.ID)
				}
			}
		}
	}
	require.Positive(t, cuts)
	for _, m := range Moves() {
		h, _ := plant.HabitByID("aroid-vine")
		if m.blade && m.fits.habit(h.ID) {
			assert.False(t, m.Reversible, "%s: a cut cannot be undone", m.ID)
		}
	}
}
