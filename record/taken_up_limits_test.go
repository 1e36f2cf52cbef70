package record_test

import (
	"slices"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/record"
)

// What sounds is an alarm until somebody takes it up: a case that was opened for it, a step that answers it, somebody
// who says why it is harmless, or a later look that finds nothing. On both sides of every day.
func TestWhatSoundsIsAnAlarmUntilItIsTakenUp(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	const read = 10 // days ago it smelled
	found := func(days int) func(*record.State) {
		return func(s *record.State) { well := ago(days); s.FoundWell = &well }
	}
	dismissed := func(signal string, days int) func(*record.State) {
		d := record.DismissedOn{On: ago(days), Dismissed: record.Dismissed{Signal: signal}}
		return func(s *record.State) { s.Dismissed = []record.DismissedOn{d} }
	}
	of := func(c record.Case, causes ...string) func(*record.State) {
		c.ID = uuid.New()
		if len(causes) > 0 {
			c.Verdict = &record.Verdict{Diagnosed: record.Diagnosed{Causes: causes}, On: c.OpenedOn}
		}
		return func(s *record.State) { s.Cases, s.Case = []record.Case{c}, c }
	}
	planned := func(op treatment.OperatorID, gate string) record.Case {
		steps := []sheet.Step{{ID: "x", Op: string(op), Gate: gate, On: ago(2)}}
		plan := &sheet.Plan{Causes: []string{"root-rot"}, Steps: steps}
		return record.Case{OpenedOn: ago(30), PlannedOn: ago(30), Plan: plan}
	}
	ended := func(days int) record.Case {
		return record.Case{OpenedOn: ago(30), Closed: &record.Closed{}, ClosedOn: ago(days)}
	}
	for i, row := range []struct {
		change func(*record.State)
		alarm  bool
	}{
		{func(*record.State) {}, true},
		{found(read), true}, {found(read - 1), false},
		{dismissed("smell", read), false}, {dismissed("smell", read+1), true}, {dismissed("wilt", read), true},
		{of(record.Case{OpenedOn: ago(read), Signal: "smell"}), false},
		{of(record.Case{OpenedOn: ago(read - 1), Signal: "smell"}), false},
		{of(record.Case{OpenedOn: ago(read + 1), Signal: "smell"}), true}, // it smelled again
		{of(record.Case{OpenedOn: ago(read), Signal: "wilt"}), true},
		{of(record.Case{OpenedOn: ago(read)}, "root-rot"), true}, // that a case is open is no answer
		{of(planned(treatment.Unpot, ""), "root-rot"), false},
		{of(planned(treatment.Unpot, "new leaf"), "root-rot"), true}, // what waits answers nothing
		{of(planned(treatment.FirstWater, ""), "root-rot"), true},
		{of(ended(read), "root-rot"), false}, {of(ended(read+1), "root-rot"), true},
		{of(ended(read), "mealybug"), true}, // its end was not about roots
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(90), true, recovery.History{}
		s.Readings.Add("smell", recovery.Reading{On: ago(read), Value: 1})
		row.change(&s)
		smells := slices.ContainsFunc(s.Alarms(), func(a record.Alarm) bool { return a.Signal.ID == "smell" })
		assert.Equal(t, row.alarm, smells, "row %d", i)
	}
}

// What its kind bears is borne; a degree below its chill or above its most is not. The last reading of each end tells.
func TestWarmthSoundsBeyondWhatItsKindBears(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	chill, at := 8.0, func(c float64) *float64 { return &c }
	for i, row := range []struct {
		chill     *float64
		low, high []*float64
		cold, hot bool
	}{
		{nil, []*float64{at(12)}, nil, false, false}, {nil, []*float64{at(11.9)}, nil, true, false},
		{&chill, []*float64{at(8)}, nil, false, false}, {&chill, []*float64{at(7.9)}, nil, true, false},
		{nil, nil, []*float64{at(30)}, false, false}, {nil, nil, []*float64{at(30.1)}, false, true},
		{nil, []*float64{at(5), at(12)}, nil, false, false}, {nil, []*float64{at(12), at(5)}, nil, true, false},
		{nil, []*float64{at(5), nil}, []*float64{nil, at(20)}, true, false},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(90), true, recovery.History{}
		s.Wants.Temperature, s.Wants.Chill = [3]float64{12, 21, 30}, row.chill
		for n := range max(len(row.low), len(row.high)) {
			m := record.Meter{On: ago(20 - n)}
			if n < len(row.low) {
				m.MinC = row.low[n]
			}
			if n < len(row.high) {
				m.MaxC = row.high[n]
			}
			s.Meters = append(s.Meters, m)
		}
		sounds := map[string]bool{}
		for _, a := range s.Alarms() {
			sounds[a.Signal.ID] = true
		}
		assert.Equal(t, row.cold, sounds[recovery.SignalCold], "row %d", i)
		assert.Equal(t, row.hot, sounds[recovery.SignalHot], "row %d", i)
	}
}

// A plant does not drink when a later weighing, days after the first one since its water, is about as heavy.
func TestAPlantThatStaysHeavyDoesNotDrink(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	type weighed struct {
		days int
		g    float64
	}
	days, light := recovery.DrinkDays, 1000*(1-recovery.DrinkShare)
	for i, row := range []struct {
		watered []int
		weights []weighed
		fresh   int // days since it got fresh medium; 0 where never
		dry     bool
	}{
		{[]int{20}, []weighed{{20, 1000}, {20 - days, 1000}}, 0, true},
		{[]int{20}, []weighed{{20, 1000}, {21 - days, 1000}}, 0, false}, // too soon
		{[]int{20}, []weighed{{20, 1000}, {20 - days, light + 1}}, 0, true},
		{[]int{20}, []weighed{{20, 1000}, {20 - days, light}}, 0, false},
		{[]int{20}, []weighed{{21, 1000}, {20 - days, 1000}}, 0, false}, // weighed before its water
		{nil, []weighed{{20, 1000}, {20 - days, 1000}}, 0, false},
		{[]int{20}, []weighed{{20, 1000}, {20 - days, 1000}}, 20, true},
		{[]int{20}, []weighed{{20, 1000}, {20 - days, 1000}}, 19, false}, // other medium, another weight
		{[]int{30, 20}, []weighed{{30, 1000}, {20, 1000}}, 0, false},
		{[]int{20}, []weighed{{20, 1000}, {18, 1000}, {20 - days, light}}, 0, false},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(90), true, recovery.History{}
		s.WateredOn = daysAgo(row.watered...)
		for _, w := range row.weights {
			s.Weights = append(s.Weights, recovery.Reading{On: ago(w.days), Value: w.g})
		}
		if row.fresh > 0 {
			fresh := ago(row.fresh)
			s.Pot.FreshOn = &fresh
		}
		heavy := slices.ContainsFunc(s.Alarms(), func(a record.Alarm) bool { return a.Signal.ID == recovery.SignalNoDrink })
		assert.Equal(t, row.dry, heavy, "row %d", i)
	}
}

// Waterings in a row sound where each came onto a stick that was moist or wet not too long before.
func TestWateringsOntoAWetStickSound(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	type stick struct {
		days  int
		found water.Moisture
	}
	hold := recovery.StickDays
	for i, row := range []struct {
		sticks []stick
		sounds bool
	}{
		{[]stick{{20, water.Wet}, {10, water.Wet}}, true},
		{[]stick{{20 + hold, water.Moist}, {10, water.Wet}}, true},
		{[]stick{{21 + hold, water.Wet}, {10, water.Wet}}, false},
		{[]stick{{20, water.Wet}, {10 + hold, water.Wet}}, true},
		{[]stick{{20, water.Wet}, {11 + hold, water.Wet}}, false},
		{[]stick{{20, water.Wet}, {10, water.Dry}}, false},
		{[]stick{{20, water.Dry}, {10, water.Wet}}, false},
		{[]stick{{20, water.Wet}, {9, water.Wet}}, false},
		{nil, false},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(90), true, recovery.History{}
		s.WateredOn = daysAgo(30, 20, 10)
		for _, p := range append([]stick{{30, water.Wet}}, row.sticks...) {
			s.Probes = append(s.Probes, record.Probe{On: ago(p.days), Moisture: p.found})
		}
		wet := slices.ContainsFunc(s.Alarms(), func(a record.Alarm) bool { return a.Signal.ID == recovery.SignalWetWater })
		assert.Equal(t, row.sounds, wet, "row %d", i)
	}
}
