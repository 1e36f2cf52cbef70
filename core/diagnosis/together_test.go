package diagnosis

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

// nearlyCertain is the chance from which nobody would call a cause open.
const nearlyCertain = 0.85

// twoTroubles are a plant with two causes, of which the sign that tells them was seen, and
// two more that they often show.
func twoTroubles(r *rand.Rand, h plant.Habit) (e Examination, of [2]string) {
	k := Standard()
	e = Examination{Habit: h.ID, Season: "summer"}
	see := map[string]bool{}
	for n := 0; n < len(of); {
		c := r.IntN(len(k.causes))
		known := k.causes[c]
		if len(known.Defining) == 0 || !Fits(known.Defining[0], h) || n == 1 && of[0] == known.ID {
			continue
		}
		of[n] = known.ID
		n++
		see[known.Defining[0]] = true
		var often []string
		for s, sign := range k.signs {
			if k.link[c][s] >= 0.45 && Fits(sign.ID, h) {
				often = append(often, sign.ID)
			}
		}
		for range min(2, len(often)) {
			see[often[r.IntN(len(often))]] = true
		}
	}
	for _, s := range k.signs {
		if see[s.ID] {
			e.Present = append(e.Present, s.ID)
		}
	}
	return e, of
}

// Two things that are both there are rarely met together; that never speaks for a third.
func TestTwoCertainCausesAreNotSomethingElse(t *testing.T) {
	r := rand.New(rand.NewPCG(20, 8))
	habits, certain := plant.Habits(), 0
	for range 1200 / every {
		h := habits[r.IntN(len(habits))]
		e, of := twoTroubles(r, h)
		c, err := Standard().Examine(e)
		if err != nil || c.Chance(of[0]) < nearlyCertain || c.Chance(of[1]) < nearlyCertain {
			continue // they exclude each other, or it is not clear yet
		}
		certain++
		assert.False(t, c.Outside().Flag, "%s, %v: %v", h.ID, of, e.Present)
	}
	t.Logf("%d plants with two certain causes", certain)
	assert.Greater(t, certain, 100/every)
	shields := examine(t, look("sympodial-orchid", "pest.flat-shields", "leaf.mosaic"))
	assert.False(t, shields.Outside().Flag, "shields and a mosaic")
	assert.Contains(t, shields.Suggested(), "virus")
	assert.Contains(t, shields.Suggested(), "armoured-scale")
	one := examine(t, look("sympodial-orchid", "leaf.mosaic"))
	assert.Greater(t, one.Outside().Chance, elseMay, "one rare thing alone may still be something unknown")
}
