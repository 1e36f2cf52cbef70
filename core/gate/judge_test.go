package gate_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/recovery"
)

var planned = day.Of(2026, time.May, 1)

// known are facts of a plant whose plan was made on the first of May, with readings as
// pairs of days after it and a value.
func known(measure string, readings ...[2]float64) facts.Facts {
	f := facts.Facts{
		Readings: recovery.History{},
		Last:     map[facts.Happening]day.Day{facts.Planned: planned, facts.SatRoots: planned + 1, facts.Came: planned - 3},
	}
	for _, r := range readings {
		f.Readings.Add(measure, recovery.Reading{On: planned + day.Day(r[0]), Value: r[1]})
	}
	return f
}

// Each condition on both sides of its limit.
func TestConditionsOpenAtTheirLimits(t *testing.T) {
	for name, c := range map[string]struct {
		wants gate.Condition
		facts facts.Facts
		on    int
		open  bool
	}{
		"27 days since the root work": {gate.DaysSince(facts.SatRoots, 28), known(""), 28, false},
		"28 days since the root work": {gate.DaysSince(facts.SatRoots, 28), known(""), 29, true},
		"days since what never was":   {gate.DaysSince(facts.Flushed, 1), known(""), 90, false},
		"13 days since it came":       {gate.DaysSince(facts.Came, 14), known(""), 10, false},
		"14 days since it came":       {gate.DaysSince(facts.Came, 14), known(""), 11, true},
		"no tip":                      {gate.See(gate.Tip), known("live-tips", [2]float64{3, 0}), 4, false},
		"a tip":                       {gate.See(gate.Tip), known("live-tips", [2]float64{3, 1}), 4, true},
		"a tip before the plan":       {gate.See(gate.Tip), known("live-tips", [2]float64{-1, 1}), 4, false},
		"a tip of the plan's day":     {gate.See(gate.Tip), known("live-tips", [2]float64{0, 1}), 4, true},
		"a tip of a later day":        {gate.See(gate.Tip), known("live-tips", [2]float64{5, 1}), 4, false},
		"it grows by a new leaf":      {gate.See(gate.Growth), known("new-leaves", [2]float64{3, 1}), 4, true},
		"it rocks":                    {gate.See(gate.Nudge), known("rocks", [2]float64{3, 1}), 4, false},
		"it holds":                    {gate.See(gate.Nudge), known("rocks", [2]float64{3, 0}), 4, true},
		"roots of 29 mm":              {gate.Count(gate.NewRoot, 0, 3), known("root-on-new", [2]float64{3, 29}), 4, false},
		"roots of 30 mm":              {gate.Count(gate.NewRoot, 0, 3), known("root-on-new", [2]float64{3, 30}), 4, true},
		"two tips of 2 cm":            {gate.Count(gate.Tip, 3, 2), known("tips-2cm", [2]float64{3, 2}), 4, false},
		"three tips of 2 cm":          {gate.Count(gate.Tip, 3, 2), known("tips-2cm", [2]float64{3, 3}), 4, true},
		"two roots of the plantlet": {gate.Count(gate.OffsetRoot, 3, 7.5), known("roots-7cm", [2]float64{3, 2}), 4,
			false},
		"three roots of the plantlet": {gate.Count(gate.OffsetRoot, 3, 7.5), known("roots-7cm", [2]float64{3, 3}), 4, true},
		"firm once":                   {gate.FirmFor(1), known("wilt", [2]float64{3, 0}), 4, false},
		"firm for a day":              {gate.FirmFor(1), known("wilt", [2]float64{3, 0}, [2]float64{4, 0}), 4, true},
		"firm, then limp":             {gate.FirmFor(1), known("wilt", [2]float64{2, 0}, [2]float64{4, 1}), 4, false},
		"firm at all":                 {gate.FirmFor(0), known("wilt", [2]float64{3, 0}), 4, true},
		"no rot seen":                 {gate.WithoutRot(), known("rot", [2]float64{3, 0}), 4, true},
		"rot":                         {gate.WithoutRot(), known("smell", [2]float64{3, 1}), 4, false},
		"nobody looked for rot":       {gate.WithoutRot(), known(""), 4, false},
		"April":                       {gate.In(gate.LateWinter()...), known(""), 0, false},
		"May":                         {gate.In(gate.Spring()...), known(""), 0, true},
		"either": {gate.OneOf(gate.See(gate.Nudge), gate.See(gate.Tip)),
			known("live-tips", [2]float64{1, 1}), 4, true},
		"neither": {gate.OneOf(gate.See(gate.Nudge), gate.See(gate.Tip)),
			known("rocks", [2]float64{1, 1}), 4, false},
		"two clean looks": {
			gate.CleanFor(14, 3), known(recovery.LivePests, [2]float64{1, 0}, [2]float64{9, 0}), 15, false,
		},
		"three clean looks in 13 days": {
			gate.CleanFor(14, 3), known(recovery.LivePests, [2]float64{1, 0}, [2]float64{6, 0}, [2]float64{9, 0}), 13, false,
		},
		"three clean looks in 14 days": {
			gate.CleanFor(14, 3), known(recovery.LivePests, [2]float64{1, 0}, [2]float64{6, 0}, [2]float64{9, 0}), 14, true,
		},
		"a leaf, and none since": {gate.See(gate.NewLeaf), known("new-leaves", [2]float64{2, 1}, [2]float64{3, 0}), 4,
			true},
		"one leaf of two": {gate.Count(gate.NewLeaf, 2, 0), known("new-leaves", [2]float64{2, 1}), 4, false},
		"a leaf, and another": {gate.Count(gate.NewLeaf, 2, 0),
			known("new-leaves", [2]float64{2, 1}, [2]float64{4, 1}), 4, true},
		"three tips, then two again": {gate.Count(gate.Tip, 3, 2), known("tips-2cm", [2]float64{2, 3}, [2]float64{4, 2}), 4,
			false},
		"a find between": {
			gate.CleanFor(14, 2), known(recovery.LivePests, [2]float64{1, 0}, [2]float64{6, 1}, [2]float64{9, 0}), 22, false,
		},
		"14 days after the find": {
			gate.CleanFor(14, 2),
			known(recovery.LivePests, [2]float64{6, 1}, [2]float64{9, 0}, [2]float64{20, 0}), 20, true,
		},
	} {
		o := gate.Gate{c.wants}.Opens(c.facts, planned+day.Day(c.on))
		assert.Equal(t, c.open, o.Open, "%s: %v", name, o.Conditions)
		assert.Len(t, o.Conditions, 1, name)
		assert.NotEmpty(t, o.Conditions[0].Found, name)
	}
}

func TestSharesAndMoistureOpenByTheirFacts(t *testing.T) {
	f := known("")
	f.LiveRoots, f.DeadRoots = facts.Seen(24.0, planned, facts.Measured), facts.Seen(76.0, planned, facts.Measured)
	open := func(c gate.Condition) bool { return gate.Gate{c}.Opens(f, planned+3).Open }
	assert.False(t, open(gate.Alive(0.25)), "24 of 100")
	f.LiveRoots, f.DeadRoots = facts.Said(25.0), facts.Said(75.0)
	assert.True(t, open(gate.Alive(0.25)), "25 of 100")
	for moist, dry := range map[facts.Moist]bool{
		facts.Soaked: false, facts.Wet: false, facts.Right: false, facts.Due: true, facts.Dry: true, facts.Bone: true,
	} {
		f.Moist = facts.Seen(moist, planned+1, facts.Measured)
		assert.Equal(t, dry, open(gate.IsDry()), string(moist))
		assert.Equal(t, !dry, open(gate.IsMoist()), string(moist))
	}
	f.Moist = facts.Seen(facts.Dry, planned-1, facts.Measured)
	assert.False(t, open(gate.IsDry()), "a stick of before its plan")
	f.Isolated = facts.Said(true)
	assert.False(t, open(gate.IsFree()))
	f.Isolated = facts.Said(false)
	assert.True(t, open(gate.IsFree()))
}

// Where days or a season alone are wanting, the gate has its date.
func TestAGateOfDaysAndSeasonsHasItsDate(t *testing.T) {
	on := func(g gate.Gate, f facts.Facts, today day.Day) *day.Day { return g.Opens(f, today).On }
	days := gate.Gate{gate.DaysSince(facts.Came, 14)}
	require := func(want day.Day, got *day.Day) {
		t.Helper()
		if assert.NotNil(t, got) {
			assert.Equal(t, want, *got)
		}
	}
	require(planned+11, on(days, known(""), planned+2))
	spring := gate.Gate{gate.In(gate.Spring()...)}
	require(day.Of(2027, time.March, 1), on(spring, known(""), day.Of(2026, time.December, 10)))
	south := known("")
	south.South = true
	require(day.Of(2026, time.September, 1), on(spring, south, planned))
	assert.Nil(t, on(days.With(gate.See(gate.Tip)), known(""), planned+20), "what must be seen has none")
	seen := days.With(gate.See(gate.Tip))
	require(planned+11, on(seen, known("live-tips", [2]float64{4, 2}), planned+5))
	require(planned+13, on(seen, known("live-tips", [2]float64{13, 2}), planned+14))
}

// What one look can show is shown by the reading that it names, and by no less.
func TestWhatOneLookShowsOpensByItsReading(t *testing.T) {
	for _, s := range []gate.Sight{
		gate.NewGrowth, gate.Growth, gate.NewLeaf, gate.NewSpear, gate.Tip, gate.NewRoot, gate.PieceRoot, gate.OffsetRoot,
		gate.GrownOffset, gate.Offset, gate.Nudge, gate.Bloomed, gate.RivalAbsent, gate.Nub,
	} {
		c := gate.See(s)
		measure, reading, can := c.Shows()
		assert.True(t, can, string(s))
		assert.True(t, c.Seeable(), string(s))
		m, exists := recovery.MeasureByID(measure)
		assert.True(t, exists, "%s is read by %s", s, measure)
		assert.NoError(t, m.Check(reading), string(s))
		f := known(measure, [2]float64{2, reading})
		assert.True(t, gate.Gate{c}.Opens(f, planned+2).Open, string(s))
		assert.Contains(t, c.Reads(), measure, string(s))
		assert.NotEmpty(t, c.Words(), string(s))
	}
	for _, c := range []gate.Condition{
		gate.DaysSince(facts.SatRoots, 3), gate.Alive(0.25), gate.In(gate.Spring()...), gate.CleanFor(14, 3), gate.IsFree(),
	} {
		assert.False(t, c.Seeable(), c.Words())
	}
}

// A leaf with marks is no clean one, however many were counted by hand; where none was
// looked at for marks the count stands.
func TestCleanLeavesAreThoseWithoutAMark(t *testing.T) {
	two := gate.Gate{gate.Count(gate.CleanLeaf, 2, 0)}
	counted := func(clean ...[2]float64) facts.Facts {
		f := known("new-leaves", [2]float64{3, 2})
		for _, r := range clean {
			f.Readings.Add(recovery.CleanLeafKey, recovery.Reading{On: planned + day.Day(r[0]), Value: r[1]})
		}
		return f
	}
	assert.True(t, two.Opens(counted(), planned+5).Open)
	assert.False(t, two.Opens(counted([2]float64{4, 1}), planned+5).Open, "one of the two has a mark")
	assert.False(t, two.Opens(counted([2]float64{4, 0}), planned+5).Open)
	assert.True(t, two.Opens(counted([2]float64{4, 1}, [2]float64{5, 1}), planned+5).Open)
	assert.False(t, two.Opens(counted([2]float64{4, 1}, [2]float64{6, 1}), planned+5).Open, "the second is still ahead")
	assert.True(t, two.Opens(counted([2]float64{-1, 0}), planned+5).Open, "looked at before the plan")
	leaves := gate.Gate{gate.Count(gate.NewLeaf, 2, 0)}
	assert.True(t, leaves.Opens(counted([2]float64{4, 0}), planned+5).Open, "leaves alone are wanted")
}
