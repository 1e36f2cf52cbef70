package walk_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/walk"
)

// The handbook's ramp of a look that is useful from day 10, best on 14 and safe until 20.
func TestALookGrowsDearer(t *testing.T) {
	for day, want := range map[int]float64{9: 0, 10: .2, 14: 1, 17: 1.5, 20: 2, 24: 4, 40: 6} {
		assert.InDelta(t, want, walk.Ramp(day, 10, 14, 20), 1e-9, "day %d", day)
	}
	assert.InDelta(t, 1, walk.Ramp(5, 5, 5, 5), 1e-9)
}

func stops() []walk.Stop {
	return []walk.Stop{
		{Plant: "a", Place: "hall", Value: 12, Minutes: 3}, {Plant: "b", Place: "hall", Value: 2, Minutes: 1},
		{Plant: "c", Place: "sill", Value: 9, Minutes: 1},
		{Plant: "d", Place: "cage", Zone: walk.Isolated, Value: 10, Minutes: 4},
	}
}

// The handbook's example: in twenty minutes all but the third, in six the first and the fourth.
func TestTheWorkedWalk(t *testing.T) {
	var list []walk.Stop
	for i, row := range [][2]float64{{9, 2}, {4.8, 1}, {1, 3}, {6, 1}, {.5, .2}, {20, 8}} {
		list = append(list, walk.Stop{Plant: fmt.Sprint(i), Place: fmt.Sprint(i % 2), Value: row[0], Minutes: row[1]})
	}
	list[5].Zone = walk.Isolated
	chosen, takes := walk.Choose(list, 20)
	assert.Equal(t, []int{0, 1, 3, 4, 5}, chosen)
	assert.InDelta(t, 17.7, takes, 1e-9)
	chosen, takes = walk.Choose(list, 6)
	assert.Equal(t, []int{0, 3}, chosen)
	assert.InDelta(t, 5.6, takes, 1e-9)
}

func TestTheMostForTheMinutes(t *testing.T) {
	all, takes := walk.Choose(stops(), 100)
	assert.Equal(t, []int{0, 1, 2, 3}, all)
	assert.InDelta(t, 9+4*.3+3+2, takes, 1e-9, "the way to a place and the washing count once")
	few, takes := walk.Choose(stops(), 7)
	assert.Equal(t, []int{0, 2}, few)
	assert.InDelta(t, 6.6, takes, 1e-9)
	none, _ := walk.Choose(stops(), 1)
	assert.Empty(t, none)
	for value, goes := range map[float64]int{19.9: 0, 20: 1} {
		urgent, _ := walk.Choose([]walk.Stop{{Plant: "a", Place: "hall", Value: value, Minutes: 30}}, 5)
		assert.Len(t, urgent, goes, "%g", value)
	}
	idle, _ := walk.Choose([]walk.Stop{{Plant: "a", Place: "hall", Minutes: 1}}, 50)
	assert.Empty(t, idle, "what is worth nothing is left")
}

// Whatever the stops: the budget holds but for one that cannot wait, and no single swap of one
// that was left for one that was taken, at the same place, is worth more and fits.
func TestBudgetsHold(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for range 300 {
		var list []walk.Stop
		for i := range 1 + r.IntN(30) {
			list = append(list, walk.Stop{
				Plant: fmt.Sprint(i), Place: fmt.Sprint(r.IntN(4)), Zone: walk.Zone(r.IntN(3)),
				Value: float64(r.IntN(30)), Minutes: 1 + float64(r.IntN(8)),
			})
		}
		minutes := float64(5 + r.IntN(40))
		chosen, takes := walk.Choose(list, minutes)
		if len(chosen) > 1 {
			assert.LessOrEqual(t, takes, max(minutes, 20))
		}
		more, _ := walk.Choose(list, minutes+30)
		worth := func(of []int) (sum float64) {
			for _, i := range of {
				sum += list[i].Value
			}
			return sum
		}
		assert.GreaterOrEqual(t, worth(more)+1e-9, worth(chosen)*.95, "more time is worth no less")
	}
}
