package trip_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/drying"
	"tendermend/core/plant"
	"tendermend/core/trip"
)

func rule(t *testing.T, name plant.WaterRule) drying.Rule {
	t.Helper()
	r, known := drying.RuleOf(name)
	require.True(t, known)
	return r
}

// The handbook's worked example: fourteen days, from in two days; its risks, safe days, and
// what a sitter does.
func TestTheWorkedTrip(t *testing.T) {
	for _, row := range []struct {
		name                        string
		rate, sd, litres, pace, now float64
		rule                        plant.WaterRule
		resting, before             bool
		risk                        float64
		safeDays                    int
		verdict                     trip.Verdict
		aids                        int
		days                        []int
		millilitres                 int
		noCover                     bool
	}{
		{"fern", .105, .18, .46, .70, .80, plant.Even, false, true, 1, 5, trip.Sitter, 0, []int{3, 6, 9, 12}, 90, true},
		{"peace lily", .085, .20, 1, .72, .75, plant.SurfaceDry, false, true, .76, 9, trip.Aided, 2, nil, 0, true},
		{"monstera", .060, .20, 1.8, .70, .60, plant.HalfDry, false, false, .10, 14, trip.Lasts, 0, nil, 0, false},
		{"pothos", .070, .15, .62, .66, .95, plant.HalfDry, false, false, 0, 19, trip.Lasts, 0, nil, 0, false},
		{"moth orchid", .075, .25, .20, .75, .45, plant.HalfDry, false, true, .02, 16, trip.Lasts, 0, nil, 0, false},
		{"wax vine", .050, .20, .60, .75, .50, plant.DryThrough, false, false, 0, 23, trip.Lasts, 0, nil, 0, false},
		{"cactus", .040, .30, .20, .60, .05, plant.DryThrough, true, false, 0, 90, trip.Leave, 0, nil, 0, false},
		{"begonia", .140, .45, .12, .80, .70, plant.QuarterDry, false, true, .83, 6, trip.Aided, 2, nil, 0, false},
		{"begonia without a bag", .140, .45, .12, .80, .70, plant.QuarterDry, false, true, .83, 6, trip.Sitter, 0,
			[]int{4, 8, 12}, 50, true},
	} {
		p := trip.For(trip.Pot{
			Rate: row.rate, SD: row.sd, Litres: row.litres, Pace: row.pace, Content: row.now, DaysToGo: 2,
			Rule: rule(t, row.rule), Resting: row.resting, NoCover: row.noCover,
		}, 14, false)
		assert.Equal(t, row.verdict, p.Verdict, row.name)
		assert.Equal(t, row.before, p.WaterBefore, row.name)
		assert.InDelta(t, row.risk, p.Risk, .005, row.name)
		assert.Equal(t, row.safeDays, p.SafeDays, row.name)
		assert.Len(t, p.Aids, row.aids, row.name)
		assert.ElementsMatch(t, row.days, p.Days, row.name)
		if row.millilitres > 0 {
			assert.Equal(t, row.millilitres, p.Millilitres, row.name)
		}
	}
}

// Whatever the pot: longer is never safer, cooler never worse, nobody pours where nobody has
// to, and all sitter's days lie between leaving and coming back.
func TestTripsHoldTogether(t *testing.T) {
	for _, rate := range []float64{.02, .06, .15, .4} {
		for _, name := range []plant.WaterRule{
			plant.Even, plant.SurfaceDry, plant.QuarterDry, plant.HalfDry, plant.DryThrough,
		} {
			p := trip.Pot{Rate: rate, SD: .3, Litres: .5, Rule: rule(t, name), Pace: .8, Content: .7, DaysToGo: 1}
			last := 0.0
			for away := 1; away < 40; away += 3 {
				plan := trip.For(p, away, false)
				assert.GreaterOrEqual(t, plan.Risk, last-1e-9)
				last = plan.Risk
				assert.LessOrEqual(t, trip.For(p, away, true).Risk, plan.Risk+1e-9)
				assert.Equal(t, plan.Verdict == trip.Lasts, plan.Risk <= .10)
				alone := p
				alone.Apart = true
				assert.NotContains(t, trip.For(alone, away, false).Aids, trip.Together, "what is kept apart stays alone")
				for _, d := range plan.Days {
					assert.Less(t, d, away)
					assert.GreaterOrEqual(t, d, 2)
				}
				if plan.Verdict == trip.Lasts {
					assert.Empty(t, plan.Days)
				}
			}
		}
	}
}

func TestWhatTellsNothingByDryingIsSeenToByTheCalendar(t *testing.T) {
	for rule, every := range map[plant.WaterRule]int{
		plant.AirRoots: 1, plant.CupWater: 4, plant.Reservoir: 7, plant.WetTray: 3,
		plant.Dish: 2, plant.InWater: 4, plant.HalfDry: 0, plant.NoWater: 0,
	} {
		what, days, known := trip.Otherwise(rule)
		assert.Equal(t, every, days, rule)
		assert.Equal(t, every > 0, known, rule)
		assert.Equal(t, known, what != "", rule)
	}
	assert.Equal(t, []int{1, 5, 9}, trip.OnDays(4, 10))
	assert.Empty(t, trip.OnDays(0, 10))
}

// A pot that nobody watered is not taken as watered: after a trip it is dry.
func TestWhoStoodDry(t *testing.T) {
	p := trip.Pot{Rate: .1, SD: .2, Litres: .5, Rule: rule(t, plant.HalfDry), Pace: .7, Content: .35}
	assert.Greater(t, p.Dried(30), .9)
	assert.Less(t, trip.For(p, 5, false).Risk, .1, "a plan waters it first")
	assert.Less(t, p.Dried(0), .01)
}

// Seen to on days 3, 6 and 9 of a trip of twelve: a tick counts from the day before until the
// day before the next.
func TestWhatATickCovers(t *testing.T) {
	const from, back = day.Day(100), day.Day(112)
	days := []int{3, 6, 9}
	for _, row := range []struct {
		today  day.Day
		ticked []day.Day
		next   day.Day // 0 for none
		missed []day.Day
	}{
		{100, nil, 103, []day.Day{103, 106, 109}},
		{103, nil, 103, []day.Day{103, 106, 109}},
		{103, []day.Day{101}, 103, []day.Day{103, 106, 109}},
		{103, []day.Day{102}, 106, []day.Day{106, 109}},
		{104, []day.Day{104}, 106, []day.Day{106, 109}},
		{105, nil, 103, []day.Day{103, 106, 109}},
		{106, []day.Day{105}, 109, []day.Day{103, 109}},
		{107, nil, 106, []day.Day{103, 106, 109}},
		{109, []day.Day{103, 106, 109}, 0, []day.Day{}},
		{111, []day.Day{103, 106, 111}, 0, []day.Day{}},
		{112, []day.Day{103, 106, 112}, 109, []day.Day{109}},
	} {
		next, left := trip.Next(days, from, back, row.today, row.ticked)
		assert.Equal(t, row.next, next, "%+v", row)
		assert.Equal(t, row.next != 0, left, "%+v", row)
		assert.Equal(t, row.missed, trip.Missed(days, from, back, row.ticked), "%+v", row)
	}
	_, left := trip.Next(nil, from, back, 103, nil)
	assert.False(t, left)
}

func TestWhyAPlantIsNotWatered(t *testing.T) {
	cactus := plant.Profile{RestKind: "winter-cool-dry", RestWater: plant.RestDry}
	december, june := day.Of(2026, time.December, 1), day.Of(2026, time.June, 1)
	for _, row := range []struct {
		kind   plant.Profile
		rule   plant.WaterRule
		rest   bool
		held   string
		from   day.Day
		south  bool
		reason string
	}{
		{plant.Profile{}, plant.HalfDry, false, "", december, false, ""},
		{cactus, plant.DryThrough, false, "", december, false, "it rests"},
		{cactus, plant.DryThrough, false, "", december, true, ""},
		{cactus, plant.DryThrough, false, "", june, true, "it rests"},
		{plant.Profile{}, plant.NoWater, true, "", june, false, "it rests"},
		{plant.Profile{}, plant.NoWater, false, "", june, false, "its kind is not watered now"},
		{plant.Profile{}, plant.HalfDry, true, "", june, false, ""},
		{plant.Profile{}, plant.HalfDry, false, "its roots rot", june, false, "its roots rot"},
		{plant.Profile{}, plant.AirRoots, false, "no pot", june, false, ""},
	} {
		assert.Equal(t, row.reason, trip.Never(row.kind, row.rule, row.rest, row.held, row.from, row.south), "%+v", row)
	}
}
