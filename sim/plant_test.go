package sim_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/sim"
)

var start = day.Of(2026, time.May, 1)

func living(t *testing.T, habit string, s sim.Spec) *sim.Plant {
	t.Helper()
	h, ok := plant.HabitByID(habit)
	require.True(t, ok)
	s.Habit = h
	if s.LeafMM == 0 {
		s.LeafMM, s.PotMM, s.Leaves = 120, 100, 8
	}
	return sim.New(s, start, 5)
}

func days(p *sim.Plant, n int, water bool) {
	for range n {
		p.Step()
		if water && p.Water < 0.4 {
			p.GiveWater()
		}
	}
}

func read(t *testing.T, p *sim.Plant, measure string) float64 {
	t.Helper()
	v, ok := p.Read(measure)
	require.True(t, ok, measure)
	return v
}

// What the simulation gives must hang together, or the demo would lie.
func TestAPlantThatIsTreatedRootsAndGrows(t *testing.T) {
	p := living(
		t,
		"aroid-vine",
		sim.Spec{Roots: 0.1, Reserves: 0.6, Water: 0.6, Lag: 8, Every: 3, RootMM: 1.7, Vigour: 1},
	)
	assert.Equal(t, 1.0, read(t, p, "rocks"))
	days(p, 60, true)
	assert.Zero(t, read(t, p, "longest-root"), "untreated it does not root")
	p.Treat()
	before := p.RootShare()
	days(p, 70, true)
	assert.Greater(t, p.RootShare(), before)
	assert.Zero(t, read(t, p, "rocks"))
	assert.GreaterOrEqual(t, read(t, p, "roots-3cm"), 3.0)
	assert.GreaterOrEqual(t, read(t, p, "longest-root"), 30.0)
	assert.Positive(t, read(t, p, "new-leaves"))
	p.Looked()
	assert.Zero(t, read(t, p, "new-leaves"), "a look ends the count")
}

func TestDroughtAndRotShowThemselves(t *testing.T) {
	p := living(t, "fern", sim.Spec{Roots: 0.9, Reserves: 0.6, Water: 0.8, Vigour: 1})
	days(p, 25, false)
	assert.Equal(t, 1.0, read(t, p, "wilt"))
	assert.Zero(t, read(t, p, "core-wet"))
	p.GiveWater()
	days(p, 1, true)
	assert.Zero(t, read(t, p, "wilt"))

	wet := living(
		t,
		"aroid-vine",
		sim.Spec{Roots: 0.9, Reserves: 0.6, Water: 0.8, Lag: 5, Every: 3, RootMM: 2, Vigour: 1},
	)
	wet.Treat()
	days(wet, 60, true)
	long := read(t, wet, "longest-root")
	wet.Flood()
	wet.Step()
	assert.Equal(t, 1.0, read(t, wet, "rot"))
	assert.Less(t, read(t, wet, "longest-root"), long)
	leaves, _ := wet.LeavesOn()
	wet.LoseRoots(0)
	wet.Decay = 0.9
	days(wet, 12, false)
	after, yellow := wet.LeavesOn()
	assert.True(t, after < leaves || yellow > 0, "rot costs leaves")
}

func TestPestsGrowByWarmthAndComeBackFromEggs(t *testing.T) {
	grown := func(warm float64) float64 {
		p := living(
			t,
			"wax-vine",
			sim.Spec{Roots: 0.9, Reserves: 0.8, Water: 0.7, Pest: "mealybug", Pests: 0.03, WarmC: warm, Vigour: 1},
		)
		days(p, 30, true)
		return p.Colony
	}
	assert.Greater(t, grown(26), grown(16))
	p := living(
		t,
		"wax-vine",
		sim.Spec{Roots: 0.9, Reserves: 0.8, Water: 0.7, Pest: "mealybug", Pests: 0.3, WarmC: 24, Vigour: 1},
	)
	p.Spray()
	assert.Zero(t, read(t, p, "live-pests"), "nothing is seen after the first treatment")
	days(p, 60, true)
	assert.Equal(t, 1.0, read(t, p, "live-pests"), "treated once, they come back")
	p = living(
		t,
		"wax-vine",
		sim.Spec{Roots: 0.9, Reserves: 0.8, Water: 0.7, Pest: "mealybug", Pests: 0.3, WarmC: 24, Vigour: 1},
	)
	for range 3 {
		p.Spray()
		days(p, 9, true)
	}
	days(p, 60, true)
	assert.Zero(t, read(t, p, "live-pests"), "three on the clock end it")
}

func TestEveryMeasureOfTheTracksCanBeRead(t *testing.T) {
	carers := map[string]bool{
		"drained": true, "repotted": true, "treated": true, "marked-leaves": true, "growing": true, "at-rest": true,
		"tips-1cm": true, "in-range": true, "flowers-over": true, "offsets": true, "offset-grown": true, "rival-absent": true,
	}
	seen := map[string]bool{}
	for _, habit := range []string{"sympodial-orchid", "aroid-vine"} {
		p := living(t, habit, sim.Spec{Roots: 0.3, Reserves: 0.7, Water: 0.5, Lag: 5, Every: 3, RootMM: 1, Vigour: 1})
		p.Treat()
		for range 300 {
			days(p, 1, true)
			for _, m := range recovery.Measures() {
				if v, ok := p.Read(m.ID); ok {
					seen[m.ID] = true
					require.NoError(t, m.Check(v), "%s reads %g", m.ID, v)
				}
			}
		}
	}
	for _, m := range recovery.Measures() {
		assert.True(t, seen[m.ID] || carers[m.ID], m.ID)
	}
}

func TestTheSameSeedLivesTheSameLife(t *testing.T) {
	s := sim.Spec{Roots: 0.2, Reserves: 0.7, Water: 0.5, Lag: 9, Every: 3, RootMM: 1}
	a, b := living(t, "begonia", s), living(t, "begonia", s)
	for _, p := range []*sim.Plant{a, b} {
		p.Treat()
		days(p, 90, true)
	}
	assert.Equal(t, a.Roots, b.Roots)
	assert.Equal(t, a.Leaves, b.Leaves)
}
