package record_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/core/water"
	"tendermend/record"
)

// worth is a fact as text; unknown where it is none.
func worth[T any](f facts.Fact[T]) string {
	if !f.Known {
		return "unknown"
	}
	return fmt.Sprint(f.Value)
}

// Each fact is taken from what was recorded for as long as it holds, and from the newer of two records (the trade's
// book: how wet it is 3 days, how limp 7, what roots were counted 60, what a look saw 30).
func TestFactsHoldForAsLongAsTheTradeSays(t *testing.T) {
	habit, _ := plant.HabitByID("sympodial-orchid")
	type change func(s *record.State)
	look := func(days int, present, absent, unsure string) change {
		list := func(sign string) []string {
			if sign == "" {
				return nil
			}
			return []string{sign}
		}
		return func(s *record.State) {
			s.Examined = &record.Look{On: ago(days), Examined: record.Examined{
				Present: list(present), Absent: list(absent), Unsure: list(unsure)}}
		}
	}
	read := func(measure string, days int, value float64) change {
		return func(s *record.State) {
			s.Readings.Add(measure, recovery.Reading{On: ago(days), Value: value})
		}
	}
	stick := func(days int, found water.Moisture) change {
		return func(s *record.State) { s.Probes = append(s.Probes, record.Probe{On: ago(days), Moisture: found}) }
	}
	watered := func(days int) change { return func(s *record.State) { s.WateredOn = daysAgo(days) } }
	tally := func(days, live, doubtful, dead, tips int) change {
		return func(s *record.State) {
			one := roots.Tally{InMedium: roots.Count{Live: live, Doubtful: doubtful, Mushy: dead}, Tips: &tips}
			s.Tallies = append(s.Tallies, record.TallyOn{On: ago(days), Tallied: record.Tallied{Tally: one}})
		}
	}
	meter := func(days int, m record.Metered) change {
		return func(s *record.State) { s.Meters = append(s.Meters, record.Meter{On: ago(days), Metered: m}) }
	}
	moist := func(f facts.Facts) string { return worth(f.Moist) }
	limp := func(f facts.Facts) string { return worth(f.Limp) }
	reserves := func(f facts.Facts) string { return worth(f.Reserves) }
	tips := func(f facts.Facts) string { return worth(f.LiveTips) }
	medium := func(f facts.Facts) string { return worth(f.Medium) }
	spikes := func(f facts.Facts) string { return worth(f.Spikes) }
	for i, row := range []struct {
		given []change
		told  func(facts.Facts) string
		want  string
	}{
		{nil, moist, "unknown"},
		{[]change{look(3, "med.wet-long", "", "")}, moist, "wet"},
		{[]change{look(4, "med.wet-long", "", "")}, moist, "unknown"},
		{[]change{look(3, "med.dry-through", "", "")}, moist, "dry"},
		{[]change{look(3, "", "med.dry-through", "")}, moist, "unknown"},
		{[]change{look(3, "med.dry-through", "", "med.dry-through")}, moist, "unknown"},
		{[]change{watered(3)}, moist, "right"},
		{[]change{watered(4)}, moist, "unknown"},
		{[]change{watered(2), stick(1, water.Wet)}, moist, "wet"},
		{[]change{watered(1), stick(2, water.Dry)}, moist, "right"},
		{[]change{stick(1, water.Barely)}, moist, "due"},
		{[]change{stick(2, water.Dry), stick(1, water.Moist)}, moist, "right"},

		{[]change{look(7, "leaf.drooping", "", "")}, limp, "true"},
		{[]change{look(8, "leaf.drooping", "", "")}, limp, "unknown"},
		{[]change{look(7, "", "leaf.drooping", "")}, limp, "false"},
		{[]change{read("wilt", 7, 1)}, limp, "true"},
		{[]change{read("wilt", 8, 1)}, limp, "unknown"},
		{[]change{read("wilt", 3, 0)}, limp, "false"},
		{[]change{look(2, "leaf.drooping", "", ""), read("wilt", 1, 0)}, limp, "false"},
		{[]change{look(1, "leaf.drooping", "", ""), read("wilt", 2, 0)}, limp, "true"},

		{[]change{read("plump", 7, 4)}, reserves, "plump"},
		{[]change{read("plump", 7, 3)}, reserves, "ridged"},
		{[]change{read("plump", 7, 2)}, reserves, "shrivelled"},
		{[]change{read("plump", 8, 2)}, reserves, "unknown"},
		{[]change{look(7, "stem.shrivelled-newest", "", "")}, reserves, "shrivelled"},
		{[]change{look(7, "", "stem.shrivelled-newest", "")}, reserves, "unknown"},

		{[]change{look(30, "root.no-tips", "", "")}, tips, "0"},
		{[]change{look(31, "root.no-tips", "", "")}, tips, "unknown"},
		{[]change{look(30, "", "root.no-tips", "")}, tips, "unknown"},
		{[]change{read("live-tips", 60, 4)}, tips, "4"},
		{[]change{read("live-tips", 61, 4)}, tips, "unknown"},
		{[]change{tally(60, 3, 1, 2, 5)}, tips, "5"},
		{[]change{tally(61, 3, 1, 2, 5)}, tips, "unknown"},
		{[]change{tally(20, 3, 1, 2, 5), read("live-tips", 10, 7)}, tips, "7"},
		{[]change{tally(10, 3, 1, 2, 5), read("live-tips", 20, 7)}, tips, "5"},
		{[]change{tally(20, 3, 1, 2, 5)}, func(f facts.Facts) string { return worth(f.LiveRoots) }, "4"},
		{[]change{tally(20, 3, 1, 2, 5)}, func(f facts.Facts) string { return worth(f.DeadRoots) }, "2"},
		{[]change{look(1, "root.few-live", "", "")}, func(f facts.Facts) string { return worth(f.FewRoots) }, "true"},
		{[]change{look(1, "root.few-live", "", ""), tally(20, 3, 1, 2, 5)},
			func(f facts.Facts) string { return worth(f.FewRoots) }, "unknown"},

		{[]change{look(30, "med.crust", "", "")}, medium, string(facts.Crusted)},
		{[]change{look(30, "med.repels", "", "")}, medium, string(facts.Repels)},
		{[]change{look(30, "med.broken-down", "", "")}, medium, string(facts.Rotten)},
		{[]change{look(30, "", "med.broken-down", "")}, medium, "unknown"},
		{[]change{look(31, "med.crust", "", "")}, medium, "unknown"},
		{[]change{look(9, "pot.no-drain", "", "")}, func(f facts.Facts) string { return worth(f.PotHoles) }, "false"},
		{[]change{look(9, "", "pot.no-drain", "")}, func(f facts.Facts) string { return worth(f.PotHoles) }, "true"},
		{[]change{look(9, "pot.stands-in-water", "", "")}, func(f facts.Facts) string { return worth(f.Standing) }, "true"},
		{[]change{look(9, "root.old-plug", "", "")}, func(f facts.Facts) string { return worth(f.Plug) }, "true"},

		{[]change{look(9, "flower.in-spike", "", "")}, spikes, "1"},
		{[]change{look(9, "", "flower.in-spike", "")}, spikes, "0"},
		{[]change{look(9, "flower.in-spike", "", ""), read("flowers-over", 5, 1)}, spikes, "0"},
		{[]change{look(9, "flower.in-spike", "", ""), read("flowers-over", 5, 0)}, spikes, "1"},

		{[]change{meter(60, record.Metered{HumidityPct: p(55.0)})},
			func(f facts.Facts) string { return worth(f.Place.HumidityPct) }, "55"},
		{[]change{meter(61, record.Metered{HumidityPct: p(55.0)})},
			func(f facts.Facts) string { return worth(f.Place.HumidityPct) }, "unknown"},
		{[]change{meter(9, record.Metered{Lux: p(9000.0)})},
			func(f facts.Facts) string { return worth(f.Place.LightDLI) }, "unknown"},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(400), true, recovery.History{}
		for _, c := range row.given {
			c(&s)
		}
		assert.Equal(t, row.want, row.told(s.Facts(today, record.Context{})), "row %d", i)
	}
}

// What happened last is the last day of each thing, up to the day that is asked of.
func TestWhatHappenedLastIsTheLastDayOfEach(t *testing.T) {
	s := record.State{}
	s.ArrivedOn, s.Readings = ago(50), recovery.History{}
	s.PottedOn, s.WateredOn, s.FlushedOn = daysAgo(40, 20), daysAgo(30, 10, 3), daysAgo(25)
	s.Feeds = []record.Feeding{{On: ago(15)}, {On: ago(5)}}
	s.Treatments = []record.TreatedOn{{On: ago(12), Treated: record.Treated{Class: string(treatment.Soap)}}}
	for _, row := range []struct {
		on   int
		want map[facts.Happening]int // days ago
	}{
		{0, map[facts.Happening]int{facts.Came: 50, facts.SatRoots: 20, facts.Potted: 20, facts.WateredNow: 3,
			facts.Flushed: 25, facts.FedNow: 5, facts.TreatedNow: 12}},
		{11, map[facts.Happening]int{facts.Came: 50, facts.SatRoots: 20, facts.Potted: 20, facts.WateredNow: 30,
			facts.Flushed: 25, facts.FedNow: 15, facts.TreatedNow: 12}},
		{45, map[facts.Happening]int{facts.Came: 50}},
	} {
		got := map[facts.Happening]int{}
		for what, on := range s.Facts(ago(row.on), record.Context{}).Last {
			got[what] = int(today - on)
		}
		assert.Equal(t, row.want, got, "%d days ago", row.on)
	}
	f := s.Facts(today, record.Context{})
	assert.Equal(t, "20", worth(f.LastSitting))
	assert.Equal(t, "unknown", worth(s.Facts(ago(20), record.Context{}).LastSitting), "today it is in the hand")
	assert.Equal(t, "50", worth(f.NewcomerDays))
}
