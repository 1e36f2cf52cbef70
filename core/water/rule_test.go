package water_test

import (
	"strings"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/water"
)

// of is what is asked about a kind in leaf of which nothing else is known.
func of(t *testing.T, kind string, on day.Day, more ...func(*water.Asked)) water.Line {
	t.Helper()
	p, known := plant.Kinds(nil).ByID(kind)
	require.True(t, known, kind)
	habit, _ := plant.HabitByID(p.Habit)
	a := water.Asked{Kind: p, Habit: habit, On: on, Leaves: &yes}
	for _, m := range more {
		m(&a)
	}
	return water.LineOn(a)
}

var (
	yes, no  = true, false
	november = day.Of(2026, time.November, 25)
	july     = day.Of(2026, time.July, 1)
)

func grows(is bool) func(*water.Asked) {
	return func(a *water.Asked) { a.Growing = &water.Fact{Is: is, On: a.On - 3, How: "a look"} }
}

func rests(is bool) func(*water.Asked) {
	return func(a *water.Asked) { a.Resting = &water.Fact{Is: is, On: a.On - 20, How: "said so"} }
}

func bare(a *water.Asked) { a.Leaves = &no }

func roots(cm float64) func(*water.Asked) { return func(a *water.Asked) { a.RootsCM = &cm } }

// Growers' practice: the low rule stands from 15 November to 1 February, and half a
// year later in the south.
func TestTheDarkMonthsBeginAndEndOnTheirDays(t *testing.T) {
	for on, low := range map[day.Day]bool{
		day.Of(2026, time.November, 14): false, day.Of(2026, time.November, 15): true,
		day.Of(2027, time.February, 1): true, day.Of(2027, time.February, 2): false,
		day.Of(2026, time.July, 20): false,
	} {
		rule := map[bool]plant.WaterRule{true: plant.HalfDry, false: plant.QuarterDry}[low]
		assert.Equal(t, rule, of(t, "monstera-deliciosa", on).Rule, "%s", on)
	}
	south := func(a *water.Asked) { a.South = true }
	assert.Equal(t, plant.HalfDry, of(t, "monstera-deliciosa", day.Of(2026, time.May, 15), south).Rule)
	assert.Equal(t, plant.QuarterDry, of(t, "monstera-deliciosa", day.Of(2026, time.May, 14), south).Rule)
	assert.Equal(t, plant.QuarterDry, of(t, "monstera-deliciosa", november, south).Rule)
	lamp := func(a *water.Asked) { a.Lamp = true }
	bloom := func(a *water.Asked) { a.Bloom = true }
	for name, not := range map[string]func(*water.Asked){"a lamp": lamp, "a flower": bloom, "growth": grows(true)} {
		assert.Equal(t, plant.QuarterDry, of(t, "monstera-deliciosa", november, not).Rule, "not with %s", name)
	}
	assert.Equal(t, plant.HalfDry, of(t, "monstera-deliciosa", november, grows(false)).Rule)
}

func TestLittleLightReadAtItsPlaceMeansTheLowRule(t *testing.T) {
	p, _ := plant.Kinds(nil).ByID("monstera-deliciosa")
	dli := func(v float64) func(*water.Asked) { return func(a *water.Asked) { a.DLI = &v } }
	assert.Equal(t, plant.QuarterDry, of(t, p.ID, july, dli(0.4*p.Light[1])).Rule)
	assert.Equal(t, plant.HalfDry, of(t, p.ID, july, dli(0.39*p.Light[1])).Rule)
}

// A leafy plant is never kept dry by the month: every kind but cacti, stone plants
// and those that wait for roots has a rule with a window on every day of the year.
func TestALeafyPlantAlwaysHasAWindow(t *testing.T) {
	for _, p := range plant.Profiles() {
		for month := time.January; month <= time.December; month++ {
			line := of(t, p.ID, day.Of(2027, month, 20))
			if p.Habit == "cactus" || p.ID == "lithops-hybrid" {
				continue
			}
			assert.True(t, line.Days, "%s in %s: %s", p.ID, month, line.Why)
			assert.NotEqual(t, plant.NoWater, line.Rule, "%s in %s", p.ID, month)
			assert.GreaterOrEqual(t, line.Stretch, 1.0)
			assert.NotEmpty(t, line.Words)
		}
	}
}

func TestARestIsSeenBeforeItIsKeptDry(t *testing.T) {
	const alocasia, caladium, cactus = "alocasia-amazonica", "caladium-bicolor", "mammillaria-hahniana"
	for _, c := range []struct {
		kind  string
		more  []func(*water.Asked)
		days  bool
		rest  bool
		reads string
	}{
		{alocasia, nil, true, false, ""},
		{alocasia, []func(*water.Asked){rests(true)}, true, true, ""},
		{caladium, nil, true, false, ""},
		{caladium, []func(*water.Asked){grows(false)}, true, false, ""}, // until its leaves are down it is in leaf
		{caladium, []func(*water.Asked){rests(true), bare}, false, true, water.GrowingMeasure},
		{caladium, []func(*water.Asked){rests(false)}, true, false, ""},
		{caladium, []func(*water.Asked){rests(true), grows(true)}, true, false, ""}, // it grew since
		{cactus, nil, false, true, water.GrowingMeasure},                            // by the month
		{cactus, []func(*water.Asked){rests(false)}, true, false, ""},
		{"dendrobium-nobile", []func(*water.Asked){grows(false)}, true, true, ""}, // growth stopped in its months
		{"dendrobium-nobile", nil, true, false, ""},
		{"dendrobium-anosmum", []func(*water.Asked){bare}, false, true, water.GrowingMeasure},
		{"dendrobium-anosmum", nil, true, false, ""},
	} {
		line := of(t, c.kind, november, c.more...)
		assert.Equal(t, []any{c.days, c.rest, c.reads}, []any{line.Days, line.Rest, line.Asks}, "%s: %s", c.kind, line.Why)
		if !line.Days {
			assert.Equal(t, plant.NoWater, line.Rule)
			assert.Equal(t, 28, line.LookDays)
		}
	}
	assert.True(t, of(t, cactus, july).Days, "it drinks in summer")
	for month, dry := range map[time.Month]bool{
		time.April: true, time.May: false, time.June: true, time.August: true, time.September: false,
		time.October: false, time.November: true,
	} {
		assert.Equal(t, dry, !of(t, "lithops-hybrid", day.Of(2026, month, 15)).Days, "stone plants in %s", month)
	}
}

// Catasetum and its kin: no water before the new roots are 8 cm long.
func TestWaterThatWaitsForRootsIsGivenByTheirLength(t *testing.T) {
	const kind = "catasetum-fimbriatum"
	at := func(more ...func(*water.Asked)) water.Line { return of(t, kind, day.Of(2026, time.May, 1), more...) }
	short := at(roots(7.9))
	assert.Equal(t, []any{plant.NoWater, false, 7, water.RootsMeasure}, []any{short.Rule, short.Days, short.LookDays,
		short.Asks})
	long := at(roots(8))
	assert.Equal(t, []any{plant.SurfaceDry, true}, []any{long.Rule, long.Days})
	unread := at()
	assert.Equal(t, []any{plant.SurfaceDry, true, true}, []any{unread.Rule, unread.Days, unread.Half},
		"in leaf and nobody measured: half of it")
	asleep := at(bare)
	assert.Equal(t, []any{false, 28, water.RootsMeasure}, []any{asleep.Days, asleep.LookDays, asleep.Asks})
	dry := of(t, kind, november, rests(true), bare)
	assert.Equal(t, []any{false, 28, true}, []any{dry.Days, dry.LookDays, dry.Rest})
}

func TestWhatItsPlanHoldsComesFirst(t *testing.T) {
	held := of(t, "monstera-deliciosa", july, func(a *water.Asked) { a.Held = "its cuts close" })
	assert.Equal(t, []any{plant.NoWater, false, 0, "its cuts close"}, []any{held.Rule, held.Days, held.LookDays, held.Why})
	potted := func(a *water.Asked) { a.Potted = true }
	assert.Equal(t, plant.HalfDry, of(t, "tolumnia-hybrid", july, potted).Rule, "in a pot its roots dry by depth")
	assert.Equal(t, plant.AirRoots, of(t, "tolumnia-hybrid", july).Rule)
}

func TestNothingIsFedInAnyRestOfAKind(t *testing.T) {
	for _, p := range plant.Profiles() {
		if p.RestKind == "" || p.RestKind == "winter-drier" || p.RestKind == "after-bloom" || p.RestKind == "summer" {
			continue
		}
		assert.True(t, of(t, p.ID, november).NoFeed, "%s rests in November", p.ID)
		assert.False(t, of(t, p.ID, november, grows(true)).NoFeed && p.Habit != "cactus" && p.ID != "lithops-hybrid",
			"%s grows all the same", p.ID)
	}
	assert.False(t, of(t, "monstera-deliciosa", november).NoFeed, "it only grows less")
	assert.True(t, of(t, "cyclamen-persicum", july).NoFeed)
	assert.False(t, of(t, "cyclamen-persicum", november).NoFeed)
}

// A rule that is the same all year is said once.
func TestARuleOfTheWholeYearIsSaidOnce(t *testing.T) {
	for _, p := range plant.Profiles() {
		said := map[string]bool{}
		for _, phase := range water.PhasesOf(p) {
			leaf := strings.HasPrefix(phase.When, "in ")
			assert.False(t, leaf && said[phase.Words], "%s: %s", p.ID, phase.Words)
			if leaf {
				said[phase.Words] = true
			}
		}
	}
}
