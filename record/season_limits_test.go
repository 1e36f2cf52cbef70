package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/water"
	"tendermend/record"
)

// Whether it grows is told by what was seen, counted and said in the month before, and by nothing else; looks that
// found nothing say so when there are two, three weeks apart (common practice).
func TestWhetherItGrowsIsToldByTheMonthBefore(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	const grows, still, untold = "grows", "stands still", "untold"
	type reading struct {
		measure string
		days    int
		value   float64
	}
	for i, row := range []struct {
		readings []reading
		want     string
	}{
		{nil, untold},
		{[]reading{{"new-leaves", 30, 1}}, grows},
		{[]reading{{"new-leaves", 31, 1}}, untold},
		{[]reading{{water.GrowingMeasure, 30, 1}}, grows},
		{[]reading{{water.GrowingMeasure, 31, 1}}, untold},
		{[]reading{{water.GrowingMeasure, 30, 0}}, still},
		{[]reading{{water.GrowingMeasure, 31, 0}}, untold},
		{[]reading{{water.GrowingMeasure, 10, 0}, {"new-leaves", 9, 1}}, grows},
		{[]reading{{water.GrowingMeasure, 10, 0}, {"new-leaves", 10, 1}}, grows},
		{[]reading{{water.GrowingMeasure, 10, 0}, {"new-leaves", 11, 1}}, still},
		{[]reading{{"new-leaves", 22, 0}, {"new-leaves", 1, 0}}, still},
		{[]reading{{"new-leaves", 21, 0}, {"new-leaves", 1, 0}}, untold},
		{[]reading{{"new-leaves", 30, 0}}, untold},
		{[]reading{{"new-leaves", 30, 0}, {"new-growth", 9, 0}}, still},
		{[]reading{{"new-leaves", 31, 0}, {"new-growth", 9, 0}}, untold},
		{[]reading{{"new-leaves", 5, 0}, {"new-growth", 29, 0}}, still}, // whatever was looked for first
		{[]reading{{"new-leaves", 25, 0}, {"new-leaves", 2, 0}, {water.GrowingMeasure, 1, 1}}, grows},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Readings = habit, ago(400), recovery.History{}
		for _, r := range row.readings {
			s.Readings.Add(r.measure, recovery.Reading{On: ago(r.days), Value: r.value})
		}
		got := untold
		if told := s.Growing(today); told != nil {
			got = map[bool]string{true: grows, false: still}[told.Is]
		}
		assert.Equal(t, row.want, got, "row %d", i)
	}
}

// That it rests was said or accepted, holds until something grows, and no longer than ten months.
func TestThatItRestsHoldsUntilItGrows(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	dormant := record.Verdict{Diagnosed: record.Diagnosed{Causes: []string{string(cause.Dormancy)}}}
	const rests, not, untold = "rests", "does not", "untold"
	for i, row := range []struct {
		said     map[int]float64 // "at rest", by days ago
		accepted int             // days ago; 0 for never
		grew     int             // days ago; 0 for never
		want     string
	}{
		{nil, 0, 0, untold},
		{map[int]float64{300: 1}, 0, 0, rests},
		{map[int]float64{301: 1}, 0, 0, untold},
		{map[int]float64{20: 0}, 0, 0, not},
		{map[int]float64{20: 1, 10: 0}, 0, 0, not},
		{map[int]float64{20: 1}, 0, 19, untold},
		{map[int]float64{20: 1}, 0, 20, rests},
		{nil, 300, 0, rests},
		{nil, 301, 0, untold},
		{map[int]float64{20: 0}, 30, 0, not},
		{map[int]float64{30: 0}, 20, 0, rests}, // the later of the two
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Readings = habit, ago(400), recovery.History{}
		for days, value := range row.said {
			s.Readings.Add(water.RestMeasure, recovery.Reading{On: ago(days), Value: value})
		}
		if row.accepted > 0 {
			v := dormant
			v.On = ago(row.accepted)
			s.Cases = []record.Case{{Verdict: &v}}
		}
		if row.grew > 0 {
			s.Readings.Add("new-leaves", recovery.Reading{On: ago(row.grew), Value: 1})
		}
		got := untold
		if told := s.Resting(today); told != nil {
			got = map[bool]string{true: rests, false: not}[told.Is]
		}
		assert.Equal(t, row.want, got, "row %d", i)
	}
}

// How long its new roots are is what was measured this season: eight months back, and not before it went to rest.
func TestNewRootsAreThoseOfThisSeason(t *testing.T) {
	habit, _ := plant.HabitByID("sympodial-orchid")
	for i, row := range []struct {
		measured, rested int // days ago; 0 for never
		want             string
		awake            bool // it was said not to rest
	}{
		{0, 0, "unknown", false}, {240, 0, "4", false}, {241, 0, "unknown", false}, {100, 100, "4", false},
		{100, 99, "unknown", false}, {100, 99, "4", true},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Readings = habit, ago(400), recovery.History{}
		if row.measured > 0 {
			s.Readings.Add(water.RootsMeasure, recovery.Reading{On: ago(row.measured), Value: 40})
		}
		if row.rested > 0 {
			rests := map[bool]float64{false: 1, true: 0}[row.awake]
			s.Readings.Add(water.RestMeasure, recovery.Reading{On: ago(row.rested), Value: rests})
		}
		assert.Equal(t, row.want, worth(s.Facts(today, record.Context{}).NewRootsCM), "row %d", i)
	}
}

// Leaves are those it came with, and what came and went since; those that somebody counted stand above both.
func TestLeavesAreCountedFromWhatItCameWith(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	type change struct {
		days       int
		came, gone float64
	}
	for i, row := range []struct {
		arrived int // -1 for not said
		changes []change
		want    string
	}{
		{-1, nil, "unknown"},
		{5, nil, "5"},
		{5, []change{{10, 2, 0}}, "7"},
		{5, []change{{10, 0, 3}}, "2"},
		{-1, []change{{10, 0, 3}}, "unknown"},
		{-1, []change{{10, 2, 0}}, "2"},
		{-1, []change{{10, 2, 1}}, "1"},
		{5, []change{{401, 2, 3}}, "5"}, // before it came
		{5, []change{{400, 2, 1}}, "6"},
		{5, []change{{-1, 2, 1}}, "5"}, // still to come
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Readings = habit, ago(400), recovery.History{}
		if row.arrived >= 0 {
			s.Arrival.Leaves = &row.arrived
		}
		for _, c := range row.changes {
			s.Readings.Add("new-leaves", recovery.Reading{On: ago(c.days), Value: c.came})
			s.Readings.Add("leaves-lost", recovery.Reading{On: ago(c.days), Value: c.gone})
		}
		assert.Equal(t, row.want, worth(s.Facts(today, record.Context{}).Leaves), "row %d", i)
	}
}
