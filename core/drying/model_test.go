package drying_test

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/drying"
	"tendermend/core/plant"
)

// Values of these tests are the check values of the handbook on rounds (tolerance 0.2 %),
// unless they say otherwise.

func rule(t *testing.T, name plant.WaterRule) drying.Rule {
	t.Helper()
	r, known := drying.RuleOf(name)
	require.True(t, known)
	return r
}

func days(at float64) float64 { return at }

func TestContentAtWhichARuleIsMet(t *testing.T) {
	for name, want := range map[plant.WaterRule]float64{
		plant.Even: .72, plant.SurfaceDry: .652, plant.QuarterDry: .520, plant.HalfDry: .310, plant.DryThrough: .096,
	} {
		assert.InDelta(t, want, rule(t, name).Met, .0006, name)
	}
	for _, name := range []plant.WaterRule{plant.NoWater, plant.AirRoots, plant.Reservoir, plant.CupWater, plant.WetTray} {
		_, known := drying.RuleOf(name)
		assert.False(t, known, name)
	}
}

func TestDryingAndItsInverse(t *testing.T) {
	assert.InDelta(t, .650, drying.Dry(.95, .3), .0006)
	assert.InDelta(t, .148, drying.Dry(.95, 1), .0006)
	assert.InDelta(t, .668, drying.Between(.95, .31), .0006)
	assert.InDelta(t, 1.195, drying.Between(.95, .096), .0012)
	assert.Zero(t, drying.Between(.3, .4))
}

// The closed solution of the drying equation: it adds up over time, it is the inverse of
// its inverse, and it agrees with small steps of the equation du/dx = −min(1, u/0.45).
func TestTheSolutionOfTheDryingEquation(t *testing.T) {
	chance := rand.New(rand.NewPCG(7, 7))
	for range 2000 {
		u, a, b := .02+.98*chance.Float64(), 2*chance.Float64(), 2*chance.Float64()
		assert.InDelta(t, drying.Dry(u, a+b), drying.Dry(drying.Dry(u, a), b), 1e-12)
		assert.InDelta(t, drying.Between(u, drying.Dry(u, a)), a, 1e-9)
	}
	u := .97
	for range 100000 {
		u -= math.Min(1, u/.45) * 1e-5
	}
	assert.InDelta(t, u, drying.Dry(.97, 1), 1e-4)
}

func TestAPotsSpeedIsGuessedFromWhatItIs(t *testing.T) {
	pot := drying.Pot{TopCM: 15, BaseCM: 11, DepthCM: 14, Mix: []drying.Part{
		{"potting soil", 2}, {"perlite", 1}, {"fine bark", 1}}}
	assert.InDelta(t, 1.873, pot.Litres(), .002)
	assert.InDelta(t, .413, pot.Hold(), .0006)
	assert.InDelta(t, .695, pot.Capacity(), .001)
	e, d := pot.Demand()
	assert.InDelta(t, .0265, e, .0001)
	assert.InDelta(t, .0247, d, .0001)
	rate, _, sd := pot.Rate()
	assert.InDelta(t, .0737, rate, .0002)
	assert.InDelta(t, .45, sd, 0)
	pot.Wall = "terracotta"
	rate, _, _ = pot.Rate()
	assert.InDelta(t, .1463, rate, .0003)
	_, _, sd = drying.Pot{TopCM: 15}.Rate()
	assert.InDelta(t, .60, sd, 0)
	_, _, sd = drying.Pot{}.Rate()
	assert.InDelta(t, .80, sd, 0)
	few := .1
	_, drunk := drying.Pot{TopCM: 15, LiveRoots: &few}.Demand()
	_, all := drying.Pot{TopCM: 15}.Demand()
	assert.InDelta(t, .15*all, drunk, 1e-9, "a plant with few roots still drinks a little")
}

func TestTheClockOfDrying(t *testing.T) {
	// Of a pot that loses half by evaporation, about.
	e := .0265 / (.0265 + .0247)
	assert.InDelta(t, 1, drying.Air{VPD: 1, Light: 1}.Pace(e), .001)
	assert.InDelta(t, .535, drying.Air{VPD: .6, Light: 2.0 / 8}.Pace(e), .02)
	assert.InDelta(t, 1.633, drying.Air{VPD: 1.5, Light: 1, Fan: true}.Pace(e), .02)
	assert.InDelta(t, .3, drying.Air{VPD: 1, Light: 1, Closed: true}.Pace(e), .001)
	assert.Equal(t, drying.Air{VPD: 3, Light: 1}.Pace(e), drying.Air{VPD: 9, Light: 1}.Pace(e))
	assert.Equal(t, drying.Air{VPD: .2, Light: 1}.Pace(e), drying.Air{VPD: 0, Light: 1}.Pace(e))
}

func TestHowLikelyAFindingIs(t *testing.T) {
	for u, want := range map[float64]float64{.2: .825, .31: .485, .6: .017} {
		assert.InDelta(t, want, drying.Stick(.5, drying.FoundDry).Likelihood(u), .002, "dry at half depth of %g", u)
	}
	for u, want := range map[float64]float64{.05: .804, .10: .490, .30: .031} {
		assert.InDelta(t, want, drying.Limp(true, .10).Likelihood(u), .002, "limp at %g", u)
	}
	// 410 g of 560 g when full, in a pot that holds 0.3 l: half of it is there.
	at := drying.Weighed(410, 560, .3)
	assert.Greater(t, at.Likelihood(.5), at.Likelihood(.4))
	assert.Greater(t, at.Likelihood(.5), at.Likelihood(.6))
}

// Classes cover everything once: whatever it holds, some class is found.
func TestClassesAddUp(t *testing.T) {
	for u := .0; u <= 1; u += .01 {
		for _, z := range []float64{0, .25, .5, .95} {
			sum := 0.0
			for _, c := range []drying.Class{drying.FoundDry, drying.FoundBarely, drying.FoundMoist, drying.FoundWet} {
				sum += drying.Stick(z, c).Likelihood(u)
			}
			assert.InDelta(t, 1, sum, 1e-9)
		}
	}
}

func half(t *testing.T) (*drying.Filter, drying.Rule) {
	f := drying.New(.07, .45, true, days, 0)
	f.Water(0, drying.Through)
	return f, rule(t, plant.HalfDry)
}

func TestWindowsAndRatesAsTheyAreLearned(t *testing.T) {
	f, r := half(t)
	w := f.Window(r, 0, drying.Ordinary)
	assert.Equal(t, []int{6, 11, 11}, []int{w.From, w.Best, w.Until})
	f.Read(6, drying.Stick(.5, drying.FoundMoist))
	rate, sd := f.Rate()
	assert.InDelta(t, .055, rate, .001)
	assert.InDelta(t, .322, sd, .003)
	f.Read(11, drying.Stick(.5, drying.FoundDry))
	rate, sd = f.Rate()
	assert.InDelta(t, .067, rate, .001)
	assert.InDelta(t, .263, sd, .003)
	f.Water(11, drying.Through)
	w = f.Window(r, 11, drying.Ordinary)
	assert.Equal(t, []int{8, 11, 13}, []int{w.From, w.Best, w.Until})
}

// A watering is no evidence of dryness: twelve of them leave the rate where it was.
func TestWateringsTeachNothing(t *testing.T) {
	f, _ := half(t)
	for i := 1; i <= 12; i++ {
		f.Water(float64(3*i), drying.Through)
	}
	rate, sd := f.Rate()
	assert.InDelta(t, .07, rate, .0005)
	assert.InDelta(t, .45, sd, .04)
}

func TestWeighingTeaches(t *testing.T) {
	f, _ := half(t)
	f.Read(5, drying.Weighed(1000-.3*700, 1000, .7))
	rate, sd := f.Rate()
	assert.InDelta(t, .052, rate, .003)
	assert.InDelta(t, .30, sd, .02, "a third surer than the guess")
}

// Limp while the stick is wet is never thirst.
func TestLimpWhileWetIsNotThirst(t *testing.T) {
	f, r := half(t)
	f.Read(4, drying.Stick(.5, drying.FoundWet))
	f.Read(4, drying.Limp(true, drying.LimpAt("usual")))
	assert.Less(t, f.Below(r.Met, 4), .35)
}

func TestWhatIsSaid(t *testing.T) {
	f, r := half(t)
	assert.Equal(t, drying.Wait, f.Says(f.Below(r.Met, 2), false, drying.Ordinary))
	assert.Equal(t, drying.LookFirst, f.Says(.9, false, drying.Ordinary), "nothing was read")
	assert.Equal(t, drying.WaterNow, f.Says(.85, true, drying.Ordinary))
	assert.Equal(t, drying.LookFirst, f.Says(.849, true, drying.Ordinary))
	assert.Equal(t, drying.LookFirst, f.Says(.949, true, drying.RotsEasy))
	assert.Equal(t, drying.WaterNow, f.Says(.95, true, drying.RotsEasy))
	assert.Equal(t, drying.LookFirst, f.Says(.20, false, drying.Ordinary))
	assert.Equal(t, drying.Wait, f.Says(.199, false, drying.Ordinary))
}

// The chance that a rule is met only grows while nobody waters, whatever was found.
func TestChancesGrowWhileNobodyWaters(t *testing.T) {
	chance := rand.New(rand.NewPCG(3, 9))
	classes := []drying.Class{drying.FoundDry, drying.FoundBarely, drying.FoundMoist, drying.FoundWet}
	for range 60 {
		f, r := half(t)
		at := 0.0
		for range chance.IntN(12) {
			at += float64(1 + chance.IntN(6))
			if chance.IntN(3) == 0 {
				f.Water(at, drying.Through)
			} else {
				f.Read(at, drying.Stick(chance.Float64()*.95, classes[chance.IntN(4)]))
			}
		}
		w := f.Window(r, at, drying.Ordinary)
		assert.LessOrEqual(t, w.From, w.Best)
		assert.LessOrEqual(t, w.Best, w.Until)
		assert.LessOrEqual(t, w.Low, w.High)
		before := 0.0
		for d := range 100 {
			p := f.Below(r.Met, at+float64(d))
			assert.GreaterOrEqual(t, p, before-1e-12)
			before = p
		}
	}
}
