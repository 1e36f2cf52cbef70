package sim_test

import (
	"math/rand/v2"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/sim"
)

// one case for the forecasts: a stage of a track, and plants that go through it.
type stageCase struct {
	track, stage, habit string
	spec                sim.Spec
}

var stageCases = []stageCase{
	{
		"foliage-rerooting",
		"re-root",
		"aroid-vine",
		sim.Spec{
			Leaves:   8,
			LeafMM:   140,
			PotMM:    100,
			Roots:    0.08,
			Reserves: 0.6,
			Water:    0.5,
			Lag:      8,
			Every:    3,
			RootMM:   1.7,
		},
	},
	{
		"orchid-water-bridge",
		"cup",
		"sympodial-orchid",
		sim.Spec{Leaves: 6, LeafMM: 200, PotMM: 90, Reserves: 0.6, Water: 0.6, Lag: 32, Every: 6, RootMM: 0.9},
	},
	{
		"orchid-water-bridge",
		"falling-dish",
		"sympodial-orchid",
		sim.Spec{Leaves: 6, LeafMM: 200, PotMM: 90, Reserves: 0.6, Water: 0.6, Lag: 5, Every: 8, RootMM: 1.5},
	},
	{
		"orchid-moss",
		"re-root",
		"monopodial-orchid",
		sim.Spec{
			Leaves:   5,
			LeafMM:   180,
			PotMM:    90,
			Roots:    0.1,
			Reserves: 0.6,
			Water:    0.6,
			Lag:      36,
			Every:    9,
			RootMM:   0.9,
		},
	},
	{
		"rejuvenation",
		"root",
		"wax-vine",
		sim.Spec{Leaves: 6, LeafMM: 60, PotMM: 80, Reserves: 0.6, Water: 0.6, Lag: 15, Every: 3, RootMM: 1.4},
	},
}

// A forecast made at some look, and the day on which the gate opened.
type forecast struct {
	window recovery.Forecast
	opened day.Day
	made   day.Day
}

// follow lives one plant through a stage and gives a forecast made at a look
// picked beforehand; false when the gate was open by then, or never.
func follow(t *testing.T, c stageCase, seed uint64, look int) (forecast, bool) {
	t.Helper()
	track, ok := recovery.TrackByID(c.track)
	require.True(t, ok)
	at, ok := track.StageIndex(c.stage)
	require.True(t, ok)
	stage := track.Stages[at]
	c.spec.Habit, ok = plant.HabitByID(c.habit)
	require.True(t, ok)
	began := day.Of(2026, time.June, 10)
	p := sim.New(c.spec, began, seed)
	p.Treat()
	h := recovery.History{recovery.PotDepthKey: {{On: began, Value: c.spec.PotMM}}}
	var f forecast
	looks := 0
	for d := 1; d < 700; d++ {
		p.Step()
		if p.Water < 0.35 {
			p.GiveWater()
		}
		if d%stage.LookDays != 0 {
			continue
		}
		looks++
		for _, m := range stage.Asks() {
			if v, has := p.Read(m.ID); has {
				h.Add(m.ID, recovery.Reading{On: p.Day, Value: v})
			}
		}
		p.Looked()
		open := stage.JudgeGate(h, began, p.Day).Open
		switch {
		case open && f.made > 0:
			f.opened = p.Day
			return f, true
		case open:
			return f, false
		case looks == look:
			f.made, f.window = p.Day, stage.Expect(h, "", began, p.Day)
		}
	}
	return f, false
}

// Of the 80 % windows, 75-85 % contain the truth: on simulated plants whose pace
// differs as plants of a kind differ, at looks picked beforehand.
func TestForecastsKeepTheirPromise(t *testing.T) {
	chance := rand.New(rand.NewPCG(5, 9))
	var held, n, own, ownHeld int
	var width float64
	for _, c := range stageCases {
		var heldHere, here int
		for seed := range uint64(1200) {
			f, ok := follow(t, c, seed+1, 1+chance.IntN(24))
			if !ok {
				continue
			}
			here++
			width += float64(f.window.To - f.window.From)
			in := f.window.From <= f.opened && f.opened <= f.window.To
			if in {
				heldHere++
			}
			if f.window.Own {
				own++
				if in {
					ownHeld++
				}
			}
		}
		t.Logf(
			"%s %s: %d of %d windows held the day (%.1f %%)",
			c.track,
			c.stage,
			heldHere,
			here,
			100*float64(heldHere)/float64(here),
		)
		held, n = held+heldHere, n+here
	}
	t.Logf(
		"all: %d of %d (%.1f %%), mean width %.0f days; with its own pace %d of %d (%.1f %%)",
		held,
		n,
		100*float64(held)/float64(n),
		width/float64(n),
		ownHeld,
		own,
		100*float64(ownHeld)/float64(own),
	)
	require.Greater(t, n, 500)
	assert.GreaterOrEqual(t, float64(held)/float64(n), 0.75)
	assert.LessOrEqual(t, float64(held)/float64(n), 0.85)
	require.Greater(t, own, 200, "its own pace was measured")
	assert.InDelta(t, 0.80, float64(ownHeld)/float64(own), 0.06, "and kept its promise as well")
}
