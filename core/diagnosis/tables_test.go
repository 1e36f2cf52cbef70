package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/plant"
)

func TestTablesHoldTogether(t *testing.T) {
	assert.Len(t, signs, 128)
	assert.Len(t, causes, 55)
	assert.Len(t, moves, 37)
	zones := index(zones, func(z Zone) string { return z.ID })
	for _, s := range signs {
		assert.Contains(t, zones, s.Zone, s.ID)
		assert.NotEmpty(t, s.Label, s.ID)
		assert.NotEmpty(t, s.How, s.ID)
		assert.NotEmpty(t, s.Looks, "nobody says what %s looks like", s.ID)
		assert.NotEmpty(t, s.NotThis, "nobody says what %s is taken for", s.ID)
		assert.Greater(t, s.Minutes, 0, s.ID)
		assert.True(t, s.Background > 0 && s.Background <= 0.5, s.ID)
	}
	shown := map[string]bool{}
	for cause, ls := range links {
		assert.Contains(t, causeIndex, cause)
		twice := map[string]bool{}
		for _, l := range ls {
			assert.Contains(t, signIndex, l.sign, "shown by %s", cause)
			assert.False(t, twice[l.sign], "%s stands twice under %s", l.sign, cause)
			twice[l.sign], shown[l.sign] = true, true
		}
	}
	for _, s := range signs {
		assert.True(t, shown[s.ID], "%s tells of no cause", s.ID)
	}
	for habit, factors := range habitFactors {
		_, ok := plant.HabitByID(habit)
		assert.True(t, ok, habit)
		for cause, f := range factors {
			assert.Contains(t, causeIndex, cause)
			assert.True(t, f >= 0 && f <= 10, "%s on %s", cause, habit)
		}
	}
	for _, p := range plant.Profiles() {
		for _, l := range p.Pests {
			c, ok := cause.ByID(cause.ID(l.Pest))
			assert.True(t, ok && c.Kind == "pest", "%s on %s", l.Pest, p.ID)
		}
	}
	for sign := range onlyOn {
		assert.Contains(t, signIndex, sign)
	}
	assert.Len(t, notes, len(signs), "a note without a sign")
	for move, needed := range doable {
		assert.Contains(t, moveIndex, move)
		for _, sign := range needed {
			assert.Contains(t, signIndex, sign)
		}
	}
}

func TestEveryCauseCanBeFoundTreatedAndToldApart(t *testing.T) {
	for _, c := range causes {
		assert.NotEmpty(t, links[c.ID], "%s shows nothing", c.ID)
		best := 0
		for _, m := range moves {
			assert.Truef(t, m.Effects[c.ID] >= -5 && m.Effects[c.ID] <= 4, "%s on %s", m.ID, c.ID)
			best = max(best, m.Effects[c.ID])
		}
		if c.ID != "springtail" && c.ID != "spent-rosette" && c.ID != "rust" && c.ID != "broad-mite" {
			assert.Positive(t, best, "no move helps %s", c.ID)
		}
		for _, other := range causes {
			if other.ID == c.ID {
				continue
			}
			apart := false
			for s := range signs {
				a, b := linkMatrix[causeIndex[c.ID]][s], linkMatrix[causeIndex[other.ID]][s]
				apart = apart || a-b >= 0.25 || b-a >= 0.25
			}
			assert.True(t, apart, "nothing tells %s from %s", c.ID, other.ID)
		}
	}
	for _, m := range moves {
		for cause := range m.Effects {
			assert.Contains(t, causeIndex, cause, m.ID)
		}
	}
}

// Each cause is found among the first three by its own usual signs.
func TestEveryCauseIsFoundByItsOwnUsualSigns(t *testing.T) {
	for _, c := range causes {
		for _, h := range plant.Habits() {
			if PriorFor(c.ID, h, "") == 0 {
				continue
			}
			var usual []string
			for _, l := range links[c.ID] {
				if l.frequency >= 0.45 {
					usual = append(usual, l.sign)
				}
			}
			k, err := Examine(Examination{Habit: h.ID, Present: usual})
			if assert.NoError(t, err) {
				first := k.Causes()
				assert.Contains(
					t,
					[]string{first[0].ID, first[1].ID, first[2].ID},
					c.ID,
					"on %s with %v",
					h.ID,
					usual,
				)
			}
			break
		}
	}
}
