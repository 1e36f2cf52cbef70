package fit_test

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/fit"
	"tendermend/internal/approve"
)

func stands(here int, values ...float64) fit.Standing {
	return fit.Standing{Here: here, Worth: 1, Score: scored(values)}
}

// A move wins 15 at least, alone or with the one that makes room for it: 100 for each whole step of its score,
// less 6 for the trouble of moving, and 10 more where it sulks.
func TestWhatAMoveMustWin(t *testing.T) {
	two := []fit.Spot{{Slots: 1}, {Slots: 1}}
	sulks := stands(0, .25, .46)
	sulks.Sulks = true
	twice := stands(0, .25, .385)
	twice.Worth = 2
	for _, c := range []struct {
		name   string
		plants []fit.Standing
		want   []fit.Move
	}{
		{"it wins just enough", []fit.Standing{stands(0, .25, .46)}, []fit.Move{{Plant: 0, To: 1, Wins: 15}}},
		{"it wins a little less", []fit.Standing{stands(0, .25, .45)}, nil},
		{"it sulks", []fit.Standing{sulks}, nil},
		{"it is worth twice as much", []fit.Standing{twice}, []fit.Move{{Plant: 0, To: 1, Wins: 21}}},
		{"both together win just enough", []fit.Standing{stands(0, .25, .46), stands(1, .5, .44)},
			[]fit.Move{{Plant: 0, To: 1, Wins: 15}, {Plant: 1, From: 1, Wins: 0, MakesRoom: true}}},
		{"both together win less", []fit.Standing{stands(0, .25, .45), stands(1, .5, .44)}, nil},
		{"one that stands nowhere", []fit.Standing{stands(-1, .31, 0)}, []fit.Move{{From: -1, To: 0, Wins: 15}}},
		{"one that would stand no better than nowhere", []fit.Standing{stands(-1, .30, 0)}, nil},
	} {
		got := fit.Propose(c.plants, two)
		for i := range got {
			got[i].Wins = float64(int(got[i].Wins*1000+.5)) / 1000
		}
		assert.Equal(t, len(c.want), len(got), c.name)
		for i := range min(len(c.want), len(got)) {
			assert.Equal(t, c.want[i], got[i], c.name)
		}
	}
}

// What must be kept apart, out of reach, or is too tall costs a million; one that just fits under a shelf does not.
func TestWhereAPlantMustNotStand(t *testing.T) {
	plant := fit.Standing{Here: 0, Worth: 1, HeightCM: 30, Poison: true, Score: scored([]float64{.5})}
	for _, c := range []struct {
		spot fit.Spot
		want float64
	}{
		{fit.Spot{}, 50}, {fit.Spot{HeightCM: 30}, 50}, {fit.Spot{HeightCM: 29}, 1e6},
		{fit.Spot{Reach: true}, 1e6}, {fit.Spot{Apart: true}, 1e6},
	} {
		assert.InDelta(t, c.want, plant.Cost(0, c.spot), 1e-9, "%+v", c.spot)
	}
	assert.InDelta(t, 400, stands(0, 0).Cost(0, fit.Spot{}), 1e-9, "where it dies")
}

// Of up to three hundred plants all are placed anew, of more the sixty worst of those that stand badly: below a
// score of 0.6, or where they must not stand.
func TestOfManyTheWorstArePlaced(t *testing.T) {
	many := func(n int, badly float64) []fit.Standing {
		list := make([]fit.Standing, n)
		for i := range list {
			list[i] = stands(0, badly, .95)
		}
		return list
	}
	spots := []fit.Spot{{}, {}}
	assert.Len(t, fit.Propose(many(300, .6), spots), 300)
	assert.Empty(t, fit.Propose(many(301, .6), spots), "they stand well enough")
	assert.Len(t, fit.Propose(many(301, .59), spots), 60)
	few := many(301, .9)
	few[7] = stands(0, .1, .95)
	few[9] = stands(-1, .1, .95)
	few[11].Apart = true // it must not stand where it does, and there is no place that is apart
	got := fit.Propose(few, spots)
	assert.Len(t, got, 2)
	for _, m := range got {
		assert.Contains(t, []int{7, 9}, m.Plant)
		assert.Equal(t, 1, m.To)
	}
}

// What is proposed for made-up plants and places stays as it was approved: APPROVE=1 writes it anew.
func TestProposalsStayAsTheyWereApproved(t *testing.T) {
	r := rand.New(rand.NewPCG(29, 11))
	var made strings.Builder
	for n := range 120 {
		plants, spots := drawn(r, 2+r.IntN(11), 2+r.IntN(5))
		fmt.Fprintf(&made, "%d:", n)
		for _, m := range fit.Propose(plants, spots) {
			fmt.Fprintf(&made, " %d %d>%d %.1f%s", m.Plant, m.From, m.To, m.Wins, map[bool]string{true: " room"}[m.MakesRoom])
		}
		made.WriteString("\n")
	}
	plants, spots := drawn(r, 400, 12)
	for i := range spots {
		spots[i].Slots = 36
	}
	for _, m := range fit.Propose(plants, spots) {
		fmt.Fprintf(&made, "many: %d %d>%d %.1f\n", m.Plant, m.From, m.To, m.Wins)
	}
	approve.Text(t, "testdata/approved-proposals.txt", made.String(), "\n")
}
