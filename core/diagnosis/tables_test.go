package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/plant"
)

func TestTablesHoldTogether(t *testing.T) {
	k, err := build()
	require.NoError(t, err)
	assert.Len(t, k.signs, 175)
	assert.Len(t, k.causes, 91)
	assert.Len(t, k.moves, 65)
	assert.Len(t, k.factors, 28)
	parts := map[string]bool{}
	for _, z := range Zones() {
		parts[z.ID] = true
	}
	for _, s := range k.signs {
		assert.True(t, parts[s.Zone], s.ID)
		for _, words := range []string{s.Label, s.How, s.Looks, s.NotThis} {
			assert.NotEmpty(t, words, s.ID)
		}
		assert.Positive(t, s.Minutes, s.ID)
		assert.True(t, s.Background > 0 && s.Background <= 0.5, s.ID)
		assert.True(t, s.Overlooked > 0 && s.Overlooked < 0.6, s.ID)
		assert.Contains(t, []Source{FromLook, FromAsking, FromRecord, FromMeasure}, s.Source, s.ID)
		told := false
		for c := range k.causes {
			told = told || k.link[c][k.signAt[s.ID]] > 0
		}
		assert.True(t, told, "%s tells of no cause", s.ID)
	}
	for habit, factors := range k.factors {
		_, ok := plant.HabitByID(habit)
		assert.True(t, ok, habit)
		for id, times := range factors {
			assert.True(t, times >= 0 && times <= 20, "%s on %s", id, habit)
		}
	}
	for _, p := range plant.Profiles() {
		for _, l := range p.Pests {
			c, ok := cause.ByID(cause.ID(l.Pest))
			assert.True(t, ok && c.Kind == "pest", "%s on %s", l.Pest, p.ID)
		}
	}
	for _, m := range k.moves {
		for id, e := range m.Effects {
			assert.True(t, e >= -5 && e <= 4 && e != 0, "%s on %s", m.ID, id)
		}
		for _, trait := range m.notTraits {
			assert.Contains(t, plant.TraitWords(), plant.Trait(trait), m.ID)
		}
	}
	for _, ids := range append([][]string{softBase}, mapValues(standIns)...) {
		for _, id := range ids {
			_, isMove := k.moveAt[id]
			_, isSign := k.signAt[id]
			assert.True(t, isMove || isSign, id)
		}
	}
	for _, id := range lethal {
		i, ok := k.causeAt[string(id)]
		assert.True(t, ok, id)
		assert.NotEmpty(t, k.causes[i].Defining, "%s has no sign by which it is ruled out", id)
	}
}

func mapValues(m map[string][]string) (all [][]string) {
	for key, list := range m {
		all = append(all, append([]string{key}, list...))
	}
	return all
}

// What a cause brings on never comes back to it.
func TestChainsHaveNoCircle(t *testing.T) {
	k := Standard()
	count := 0
	for from := range k.causes {
		reached := map[int]bool{}
		var walk func(c int)
		walk = func(c int) {
			for _, e := range k.starts[c] {
				if !reached[e.to] {
					reached[e.to] = true
					walk(e.to)
				}
			}
		}
		walk(from)
		assert.False(t, reached[from], k.causes[from].ID)
		for _, e := range k.starts[from] {
			count++
			assert.True(t, e.strength > 0 && e.strength < 1)
		}
	}
	assert.Equal(t, 64, count)
}

// The priors are shares of examined plants: about one trouble a plant.
func TestPriorsOfAHabitAddUp(t *testing.T) {
	k := Standard()
	for _, h := range plant.Habits() {
		sum := 0.0
		for i := range k.causes {
			sum += k.prior(i, h, "")
		}
		assert.True(t, sum >= 0.7 && sum <= 1.6, "%s: %.2f", h.ID, sum)
	}
}

func TestPriorsAreCut(t *testing.T) {
	k := Standard()
	orchid, _ := plant.HabitByID("winter-deciduous-orchid")
	fern, _ := plant.HabitByID("fern")
	assert.Zero(t, k.PriorFor("dormancy", orchid, "summer"))
	assert.Positive(t, k.PriorFor("dormancy", orchid, "winter"))
	assert.Positive(t, k.PriorFor("dormancy", orchid, ""), "an unknown season is taken as possible")
	assert.Zero(t, k.PriorFor("woken-early", fern, "winter"))
	assert.Zero(t, k.PriorFor("micronutrient-low", fern, ""), "an umbrella has no prior")
	assert.Zero(t, k.PriorFor("curse", fern, ""))
	for _, h := range plant.Habits() {
		for i := range k.causes {
			assert.LessOrEqual(t, k.prior(i, h, ""), maxPrior)
		}
	}
}

// Every cause shows something, can be helped, and is told from every other by a sign.
func TestEveryCauseCanBeFoundHelpedAndToldApart(t *testing.T) {
	k := Standard()
	for i, c := range k.causes {
		if len(c.parts) > 0 {
			continue
		}
		best := 0
		for _, m := range k.moves {
			best = max(best, m.effect[i])
		}
		assert.Positive(t, best, "no move helps %s", c.ID)
		for j, other := range k.causes {
			if i == j || len(other.parts) > 0 {
				continue
			}
			apart := 0.0
			for s := range k.signs {
				apart = max(apart, k.link[i][s]-k.link[j][s], k.link[j][s]-k.link[i][s])
			}
			assert.GreaterOrEqual(t, apart, 0.25, "nothing tells %s from %s", c.ID, other.ID)
		}
	}
}

// Each cause is found among the first three by its own usual signs.
func TestEveryCauseIsFoundByItsOwnUsualSigns(t *testing.T) {
	k := Standard()
	for i, c := range k.causes {
		for _, h := range plant.Habits() {
			if k.prior(i, h, "") == 0 {
				continue
			}
			var usual []string
			for s, often := range k.link[i] {
				if often >= 0.45 && Fits(k.signs[s].ID, h) {
					usual = append(usual, k.signs[s].ID)
				}
			}
			first := examine(t, look(h.ID, usual...)).Causes()
			assert.Contains(t, []string{first[0].ID, first[1].ID, first[2].ID}, c.ID, "on %s with %v", h.ID, usual)
			break
		}
	}
}
