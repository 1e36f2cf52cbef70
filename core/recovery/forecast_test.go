package recovery_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

func grow(h recovery.History, measure string, from, to, every int, start, perDay float64) {
	for d := from; d <= to; d += every {
		h.Add(measure, recovery.Reading{On: began + day.Day(d), Value: start + perDay*float64(d-from)})
	}
}

func TestItsOwnPaceMovesTheWindow(t *testing.T) {
	s := stage(t, "rejuvenation", "root") // roots of 2 cm, usually 2-9 weeks
	at := began + 21
	fast, slow := recovery.History{}, recovery.History{}
	grow(fast, "longest-root", 7, 21, 3, 2, 1.1)
	grow(slow, "longest-root", 7, 21, 3, 2, 0.2)
	quick := s.Expect(fast, climate.Summer, began, at)
	long := s.Expect(slow, climate.Summer, began, at)
	usual := s.Expect(recovery.History{}, climate.Summer, began, at)
	require.True(t, quick.Own && long.Own && !usual.Own)
	assert.Less(t, quick.To, usual.To, "a root that has 17 of 20 mm after two weeks is soon there")
	assert.Greater(t, long.From, quick.To)
	assert.Contains(t, usual.Working.Sure, "wide")
	assert.Contains(t, quick.Working.Formula, "robust slope")
	names := []string{}
	for _, in := range quick.Working.Inputs {
		names = append(names, in.Name)
	}
	assert.Contains(t, names, "longest root now, by its line")
}

// The longest root and the pot's depth tell when roots may reach the bottom,
// while nobody sees them there and none is five centimetres long.
func TestRootsOnTheirWayDownTellTheirPace(t *testing.T) {
	s := stage(t, "orchid-water-bridge", "falling-dish")
	at := began + 35
	h := recovery.History{}
	grow(h, "roots-at-bottom", 7, 35, 7, 0, 0)
	grow(h, "roots-5cm", 7, 35, 7, 0, 0)
	grow(h, "longest-root", 7, 35, 7, 12, 1)
	assert.False(t, s.Expect(h, climate.Summer, began, at).Own, "nobody knows how deep the pot is")
	h[recovery.PotDepthKey] = []recovery.Reading{{On: began, Value: 60}}
	shallow := s.Expect(h, climate.Summer, began, at)
	assert.True(t, shallow.Own)
	h[recovery.PotDepthKey][0].Value = 180
	deep := s.Expect(h, climate.Summer, began, at)
	assert.True(t, deep.Own)
	assert.Less(t, shallow.From, deep.From, "20 mm to go, or 140")
	assert.Less(t, shallow.To, deep.To)
	wanted := 0.0
	for _, in := range deep.Working.Inputs {
		if in.Name == "wanted" {
			wanted = in.Value
		}
	}
	assert.Equal(t, 180.0, wanted)
	// Seen at the bottom, the gate is open, however long the root.
	h.Add("roots-at-bottom", recovery.Reading{On: at, Value: 1})
	assert.True(t, s.JudgeGate(h, began, at).Open)
}

func TestDaysThatAreMissingAreCounted(t *testing.T) {
	s := stage(t, "foliage-rerooting", "stabilise")
	quiet := map[string]float64{"wilt": 0, "yellow": 0, "smell": 0}
	h := readings(map[int]map[string]float64{0: quiet, 3: quiet})
	w := s.Expect(h, climate.Summer, began, began+3)
	assert.Equal(t, began+7, w.From, "seven quiet days from the first look")
	assert.True(t, w.Waits)
	assert.False(t, w.Own, "no pace was measured")
	h.Add("wilt", recovery.Reading{On: began + 4, Value: 1})
	assert.Equal(
		t,
		began+12,
		s.Expect(h, climate.Summer, began, began+4).From,
		"a wilt begins them anew on the next day",
	)

	wean := stage(t, "foliage-rerooting", "wean")
	g := readings(map[int]map[string]float64{2: {"out-of-chamber": 1}, 20: {"new-leaves": 1}, 30: {"new-leaves": 1}})
	assert.GreaterOrEqual(
		t,
		wean.Expect(g, climate.Summer, began, began+5).From,
		began+16,
		"two weeks out of the chamber cannot be hurried",
	)
}

func TestOutOfTheChamberMustBeHeld(t *testing.T) {
	s := stage(t, "foliage-rerooting", "wean")
	of := func(h recovery.History, on int) recovery.Standing {
		return s.JudgeGate(h, began, began+day.Day(on)).Conditions[0]
	}
	h := readings(map[int]map[string]float64{3: {"out-of-chamber": 1}})
	assert.Equal(t, recovery.Missing, of(h, 40).Status, "one look proves no fortnight")
	h.Add("out-of-chamber", recovery.Reading{On: began + 17, Value: 1})
	assert.Equal(t, recovery.Met, of(h, 17).Status)
	h.Add("out-of-chamber", recovery.Reading{On: began + 18, Value: 0})
	back := of(h, 18)
	assert.Equal(t, recovery.Missing, back.Status)
	assert.Equal(t, "not yet", back.Found)
}

func TestClearOnlyAfterAWholeGeneration(t *testing.T) {
	s := stage(t, "pest-clearance", "proving")
	h := recovery.History{recovery.GenerationKey: {{On: began, Value: 40}}}
	h.Add("live-pests", recovery.Reading{On: began - 4, Value: 1})
	for d := 0; d <= 30; d += 6 {
		h.Add("live-pests", recovery.Reading{On: began + day.Day(d), Value: 0})
	}
	g := s.JudgeGate(h, began, began+30)
	assert.Equal(t, recovery.Met, g.Conditions[0].Status, "three clean looks")
	assert.Equal(t, recovery.Missing, g.Conditions[1].Status, "but 34 of 40 days")
	assert.Equal(t, began+36, s.Expect(h, climate.Summer, began, began+30).From)
	h.Add("live-pests", recovery.Reading{On: began + 37, Value: 0})
	assert.True(t, s.JudgeGate(h, began, began+37).Open)
}

// The dish of the water bridge: a third of the pot's height at most, a centimetre below the
// longest root, then none (common practice).
func TestTheDishFallsAsTheRootsGoDown(t *testing.T) {
	for root, want := range map[float64]float64{20: 40, 70: 40, 71: 39, 109: 1, 110: 0, 130: 0} {
		level, ok := recovery.DishLevel(root, 120)
		require.True(t, ok)
		assert.Equal(t, want, level.Value, "longest root %g mm in a pot of 120", root)
	}
	_, ok := recovery.DishLevel(0, 120)
	assert.False(t, ok)
}

func TestWeaningFollowsHowItIsBorne(t *testing.T) {
	now := func(steps []recovery.WeaningStep) string {
		for _, s := range steps {
			if s.Now {
				return s.What
			}
		}
		return ""
	}
	h := recovery.History{}
	assert.Equal(t, "a finger's width open", now(recovery.Weaning(h, began, began+2)))
	assert.Equal(t, "a quarter open", now(recovery.Weaning(h, began, began+3)))
	assert.Equal(t, "off", now(recovery.Weaning(h, began, began+30)))
	h.Add("wilt", recovery.Reading{On: began + 7, Value: 1}) // half open by then
	assert.Equal(t, "a quarter open", now(recovery.Weaning(h, began, began+7)), "a wilt closes it by one step")
	assert.Equal(t, "a quarter open", now(recovery.Weaning(h, began, began+9)), "and its days begin anew")
	assert.Equal(t, "half open", now(recovery.Weaning(h, began, began+10)))
}

func TestAPotThatDriesFasterCountsAsRootsAtWork(t *testing.T) {
	var watered []day.Day
	on := began
	for _, gap := range []int{10, 10, 9, 10, 8, 7, 6, 6} {
		watered = append(watered, on)
		on += day.Day(gap)
	}
	d, ok := recovery.DryingOf(append(watered, on))
	require.True(t, ok)
	assert.True(t, d.Faster)
	assert.Greater(t, d.Before, d.Now)
	steady, ok := recovery.DryingOf([]day.Day{0, 9, 18, 27, 36, 45, 54})
	require.True(t, ok)
	assert.False(t, steady.Faster)
	_, ok = recovery.DryingOf(watered[:4])
	assert.False(t, ok, "three gaps tell nothing")
}

func TestConditionIsMadeOfItsParts(t *testing.T) {
	fern, _ := plant.HabitByID("fern")
	b := recovery.Basis{Habit: fern, Leaves: 10}
	_, ok := recovery.WellbeingOn(recovery.History{}, b, began)
	assert.False(t, ok, "nothing read, nothing told")
	h := readings(
		map[int]map[string]float64{
			0: {
				"wilt":         0,
				"new-leaves":   2,
				"leaves-lost":  0,
				"live-tips":    6,
				"plump":        5,
				"live-pests":   0,
				"longest-root": 100,
			},
		},
	)
	full, ok := recovery.WellbeingOn(h, b, began)
	require.True(t, ok)
	assert.Equal(t, 100.0, full.Value)
	assert.Empty(t, full.Unknown)
	var weights float64
	for _, p := range full.Parts {
		weights += p.Weight
	}
	assert.InDelta(t, 1, weights, 0.03)
	h.Add("wilt", recovery.Reading{On: began + 5, Value: 1})
	h.Add("rot", recovery.Reading{On: began + 5, Value: 1})
	worse, _ := recovery.WellbeingOn(h, b, began+5)
	assert.Less(t, worse.Value, 80.0)
	then, _ := recovery.WellbeingOn(h, b, began)
	assert.Equal(t, full.Value, then.Value, "what came later does not change what it was")
	late, _ := recovery.WellbeingOn(h, b, began+400)
	assert.Contains(t, late.Unknown, "roots", "old readings no longer count")
}
