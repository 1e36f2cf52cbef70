package record_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/water"
	"tendermend/record"
)

// ago is a day so many days before today.
func ago(days int) day.Day { return today - day.Day(days) }

// daysAgo are days, the oldest first, each so many days before today.
func daysAgo(days ...int) (list []day.Day) {
	for _, d := range days {
		list = append(list, ago(d))
	}
	return list
}

// What a record answers by itself, on both sides of every limit (common practice): a sign is there, is not there, or
// nothing is said of it.
func TestWhatARecordAnswersOnBothSidesOfEveryLimit(t *testing.T) {
	habit, _ := plant.HabitByID("sympodial-orchid")
	const there, not, untold = "there", "not there", "untold"
	state := func() record.State {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here = habit, ago(400), true
		s.Readings = recovery.History{}
		return s
	}
	type change func(s *record.State)
	arrived := func(days int, had record.Had, packing record.Packing) change {
		return func(s *record.State) {
			s.ArrivedOn, s.Arrival.Had, s.Arrival.Packing = ago(days), had, packing
		}
	}
	stick := func(found water.Moisture, days int, watered ...int) change {
		return func(s *record.State) {
			s.Probes, s.WateredOn = []record.Probe{{On: ago(days), Moisture: found}}, daysAgo(watered...)
		}
	}
	read := func(measure string, pairs ...float64) change {
		return func(s *record.State) {
			for i := 0; i < len(pairs); i += 2 {
				s.Readings.Add(measure, recovery.Reading{On: ago(int(pairs[i])), Value: pairs[i+1]})
			}
		}
	}
	both := func(changes ...change) change {
		return func(s *record.State) {
			for _, c := range changes {
				c(s)
			}
		}
	}
	fed := func(pairs ...float64) change {
		return func(s *record.State) {
			for i := 0; i < len(pairs); i += 2 {
				s.Feeds = append(s.Feeds, record.Feeding{On: ago(int(pairs[i])), Fed: record.Fed{Strength: pairs[i+1]}})
			}
		}
	}
	slow := func(days int) change {
		return func(s *record.State) {
			s.Feeds = append(s.Feeds, record.Feeding{On: ago(days), Fed: record.Fed{Slow: "compost"}})
		}
	}
	watered := func(days ...int) change { return func(s *record.State) { s.WateredOn = daysAgo(days...) } }
	potted := func(days int) change {
		return func(s *record.State) { on := ago(days); s.Pot.FreshOn = &on }
	}
	ball := func(days int, width, ball float64) change {
		return func(s *record.State) {
			s.Pot.WidthCM = &width
			s.Tallies = []record.TallyOn{{On: ago(days), Tallied: record.Tallied{Tally: roots.Tally{RootBallCM: &ball}}}}
		}
	}
	met := func(days int, m record.Metered) change {
		return func(s *record.State) {
			s.Wants.Temperature, s.Wants.Humidity = [3]float64{12, 20, 30}, [2]float64{60, 80}
			s.Wants.Light = [3]float64{4, 6, 9}
			s.Meters = append(s.Meters, record.Meter{On: ago(days), Metered: m})
		}
	}
	sprayed := func(days int) change {
		return func(s *record.State) {
			s.Treatments = []record.TreatedOn{{On: ago(days), Treated: record.Treated{Product: "soap"}}}
		}
	}
	for i, row := range []struct {
		given change
		sign  string
		want  string
	}{
		{arrived(41, "", ""), "care.new-arrival", there},
		{arrived(42, "", ""), "care.new-arrival", not},
		{arrived(41, record.HadUnknown, ""), "care.new-arrival", untold},
		{arrived(41, "", record.PackedWet), "care.shipped-wet-cold", there},
		{arrived(41, "", record.PackedCold), "care.shipped-wet-cold", there},
		{arrived(41, "", record.PackedDry), "care.shipped-wet-cold", not},
		{arrived(41, "", record.PackingOther), "care.shipped-wet-cold", untold},
		{arrived(42, "", record.PackedWet), "care.shipped-wet-cold", untold},

		{stick(water.Dry, 7), "med.dry-through", there},
		{stick(water.Dry, 8), "med.dry-through", untold},
		{stick(water.Barely, 7), "med.dry-through", not},
		{stick(water.Dry, 3, 2), "med.dry-through", untold},
		{stick(water.Dry, 3, 3), "med.dry-through", there},
		{stick(water.Wet, 1, 7), "med.wet-long", there},
		{stick(water.Moist, 1, 7), "med.wet-long", there},
		{stick(water.Wet, 1, 6), "med.wet-long", untold},
		{stick(water.Barely, 1, 7), "med.wet-long", not},
		{stick(water.Wet, 1), "med.wet-long", untold},

		{read("leaf-ratio", 30, 79), "leaf.small-new", there},
		{read("leaf-ratio", 30, 80), "leaf.small-new", untold},
		{read("leaf-ratio", 30, 89), "leaf.small-new", untold},
		{read("leaf-ratio", 30, 90), "leaf.small-new", not},
		{read("leaf-ratio", 31, 79), "leaf.small-new", untold},

		{read("new-growth", 59, 1), "new.none-in-season", not},
		{read("new-growth", 60, 1), "new.none-in-season", untold},
		{read("new-growth", 60, 0, 1, 0), "new.none-in-season", there},
		{read("new-growth", 59, 0, 1, 0), "new.none-in-season", untold},
		{read("new-growth", 90, 1, 60, 0, 1, 0), "new.none-in-season", there},
		{read("new-growth", 60, 0), "new.none-in-season", untold},

		{both(fed(180, 1)), "care.feed-none", there},
		{both(fed(179, 1)), "care.feed-none", not},
		{watered(60, 50, 40, 30, 20, 10), "care.feed-none", there},
		{watered(50, 40, 30, 20, 10), "care.feed-none", untold},
		{both(watered(60, 50, 40, 30, 20, 10), potted(179)), "care.feed-none", not},
		{both(watered(60, 50, 40, 30, 20, 10), potted(180)), "care.feed-none", there},
		{slow(180), "care.feed-none", not},
		{slow(269), "care.feed-none", not},
		{slow(270), "care.feed-none", there},

		{fed(60, 1.1), "care.feed-heavy", there},
		{fed(61, 1.1), "care.feed-heavy", untold},
		{fed(60, 1), "care.feed-heavy", not},
		{slow(10), "care.feed-heavy", untold},

		{ball(180, 13.1, 7), "pot.oversize", there},
		{ball(180, 13, 7), "pot.oversize", not},
		{ball(181, 20, 7), "pot.oversize", untold},

		{read("plump", 30, 2), "stem.shrivelled-newest", there},
		{read("plump", 30, 3), "stem.shrivelled-newest", untold},
		{read("plump", 30, 4), "stem.shrivelled-newest", not},
		{read("plump", 31, 2), "stem.shrivelled-newest", untold},
		{both(read("plump-oldest", 30, 2), read("plump", 30, 4)), "stem.shrivelled-oldest", there},
		{both(read("plump-oldest", 30, 2), read("plump", 30, 2)), "stem.shrivelled-oldest", not},
		{both(read("plump-oldest", 30, 2), read("plump", 30, 1)), "stem.shrivelled-oldest", not},
		{read("plump-oldest", 30, 4), "stem.shrivelled-oldest", not},
		{read("plump-oldest", 30, 3), "stem.shrivelled-oldest", untold},
		{read("plump-oldest", 31, 2), "stem.shrivelled-oldest", untold},

		{read("marked-leaves", 6, 2, 1, 3), "course.spreading", there},
		{read("marked-leaves", 5, 2, 1, 3), "course.spreading", untold},
		{read("marked-leaves", 35, 2, 30, 3), "course.spreading", there},
		{read("marked-leaves", 36, 2, 31, 3), "course.spreading", untold},
		{read("marked-leaves", 15, 2, 1, 2), "course.static", there},
		{read("marked-leaves", 14, 2, 1, 2), "course.static", untold},
		{read("marked-leaves", 15, 3, 1, 2), "course.static", there},

		{read("live-tips", 30, 0), "root.no-tips", there},
		{read("live-tips", 30, 1), "root.no-tips", not},
		{read("live-tips", 31, 0), "root.no-tips", untold},

		{met(30, record.Metered{MinC: p(11.9)}), "place.cold", there},
		{met(30, record.Metered{MinC: p(12.0)}), "place.cold", not},
		{met(31, record.Metered{MinC: p(11.9)}), "place.cold", untold},
		{both(met(20, record.Metered{MinC: p(11.0)}), met(1, record.Metered{MinC: p(15.0)})), "place.cold", there},
		{met(30, record.Metered{MaxC: p(30.1)}), "place.heat", there},
		{met(30, record.Metered{MaxC: p(30.0)}), "place.heat", not},
		{both(met(20, record.Metered{MaxC: p(33.0)}), met(1, record.Metered{MaxC: p(25.0)})), "place.heat", there},
		{met(1, record.Metered{HumidityPct: p(49.0)}), "place.dry-air", there},
		{met(1, record.Metered{HumidityPct: p(50.0)}), "place.dry-air", untold},
		{met(1, record.Metered{HumidityPct: p(59.0)}), "place.dry-air", untold},
		{met(1, record.Metered{HumidityPct: p(60.0)}), "place.dry-air", not},
		{met(1, record.Metered{Lux: p(2000.0)}), "place.low-light", untold},
		{met(1, record.Metered{Lux: p(2000.0), Hours: p(10.0)}), "place.low-light", there},
		{met(1, record.Metered{Lux: p(20000.0), Hours: p(10.0)}), "place.low-light", not},

		{sprayed(21), "care.sprayed", there},
		{sprayed(22), "care.sprayed", untold},

		// Gaps of ten days: one of 21 is more than twice as long and a week longer.
		{watered(91, 81, 71, 61, 51, 41, 31, 21), "care.water-missed", there},
		{watered(90, 80, 70, 60, 50, 40, 30, 20), "care.water-missed", not},
		{watered(37, 35, 33, 31, 29, 27, 25, 23, 14), "care.water-missed", there},
		{watered(45, 40, 35, 30, 25, 20), "care.water-swings", not},
		{watered(60, 56, 52, 48, 44, 32, 28), "care.water-swings", not},
		{watered(61, 57, 53, 49, 45, 32, 28), "care.water-swings", there},
		{watered(41, 39, 37, 29, 27), "care.water-swings", not},
		{watered(42, 40, 38, 29, 27), "care.water-swings", there},
		{watered(42, 40, 29, 27), "care.water-swings", untold},
	} {
		s := state()
		row.given(&s)
		list := s.Derive(today, true)
		got := untold
		if i := slices.IndexFunc(list, func(d record.Derived) bool { return d.Sign == row.sign }); i >= 0 {
			got = map[bool]string{true: there, false: not}[list[i].Present]
		}
		assert.Equal(t, row.want, got, "row %d: %s", i, row.sign)
	}
}
