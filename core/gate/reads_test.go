package gate_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/recovery"
)

// Each sight is shown by its measures from one on, and by nothing less; what stands for it
// shows it too, and says nothing when it is not there.
func TestEachSightIsReadByItsMeasures(t *testing.T) {
	for sight, measures := range map[gate.Sight][]string{
		gate.NewGrowth: {"new-growth", "new-leaves"}, gate.NewLeaf: {"new-leaves"},
		gate.Growth:   {"growing", "new-growth", "new-leaves", "live-tips"},
		gate.NewSpear: {"new-growth", "new-leaves"}, gate.Tip: {"live-tips"}, gate.NewRoot: {"root-on-new", "live-tips"},
		gate.PieceRoot: {"pieces-rooted"}, gate.OffsetRoot: {"roots-7cm"}, gate.GrownOffset: {"offset-grown"},
		gate.Offset: {"offsets"}, gate.Bloomed: {"flowers-over"}, gate.RivalAbsent: {"rival-absent"}, gate.Nub: {"live-tips"},
	} {
		g := gate.Gate{gate.See(sight)}
		for i, m := range measures {
			assert.True(t, g.Opens(known(m, [2]float64{2, 1}), planned+2).Open, "%s by %s", sight, m)
			less := g.Opens(known(m, [2]float64{2, 0.99}), planned+2)
			assert.False(t, less.Open, "%s by %s", sight, m)
			assert.Equal(t, i == 0, less.Conditions[0].Status == recovery.Missing, "%s by %s", sight, m)
		}
	}
}

// What counts, and from which reading on.
func TestEachCountIsReadByItsMeasure(t *testing.T) {
	for name, c := range map[string]struct {
		wants   gate.Condition
		measure string
		least   float64
	}{
		"rooted pieces":          {gate.Count(gate.PieceRoot, 3, 0), "pieces-rooted", 3},
		"no number is one":       {gate.Count(gate.PieceRoot, 0, 0), "pieces-rooted", 1},
		"roots of an offset":     {gate.Count(gate.OffsetRoot, 3, 7.5), "roots-7cm", 3},
		"roots on new growth":    {gate.Count(gate.NewRoot, 0, 2.5), "root-on-new", 25},
		"leaves":                 {gate.Count(gate.NewLeaf, 2, 0), "new-leaves", 2},
		"clean leaves":           {gate.Count(gate.CleanLeaf, 2, 0), "new-leaves", 2},
		"tips of any length":     {gate.Count(gate.Tip, 4, 0), "live-tips", 4},
		"tips of half a cm":      {gate.Count(gate.Tip, 4, 0.5), "tips-1cm", 4},
		"tips of just under 2":   {gate.Count(gate.Tip, 4, 1.9), "tips-1cm", 4},
		"tips of 2 cm":           {gate.Count(gate.Tip, 4, 2), "tips-2cm", 4},
		"rot, which must not be": {gate.WithoutRot(), "rot", 0},
		"warmth in range":        {gate.Condition{Is: gate.Warmth}, "in-range", 1},
	} {
		measure, reading, can := c.wants.Shows()
		assert.True(t, can, name)
		assert.Equal(t, c.measure, measure, name)
		assert.InDelta(t, c.least, reading, 1e-9, name)
	}
	measure, reading, can := gate.FirmFor(0).Shows()
	assert.Equal(t, []any{"wilt", 0.0, true}, []any{measure, reading, can})
	_, _, can = gate.FirmFor(1).Shows()
	assert.False(t, can, "a day of it takes two looks")
	either := gate.OneOf(gate.DaysSince(facts.Came, 3), gate.See(gate.Tip))
	measure, _, can = either.Shows()
	assert.Equal(t, []any{"live-tips", true}, []any{measure, can}, "the first of them that one look can show")
	_, _, can = gate.OneOf(gate.DaysSince(facts.Came, 3)).Shows()
	assert.False(t, can)
	for _, c := range []gate.Condition{gate.IsDry(), gate.IsMoist(), gate.FirmFor(3)} {
		assert.True(t, c.Seeable(), c.Words())
	}
}

// Readings of before the plan, and of later days, count for nothing.
func TestOnlyReadingsOfItsTimeCount(t *testing.T) {
	count := gate.Gate{gate.Count(gate.NewLeaf, 2, 0)}
	for name, c := range map[string]struct {
		readings [][2]float64
		open     bool
	}{
		"both before the plan":      {[][2]float64{{-2, 1}, {-1, 1}}, false},
		"one before, one on it":     {[][2]float64{{-1, 1}, {0, 1}}, false},
		"on its day and later":      {[][2]float64{{0, 1}, {3, 1}}, true},
		"the second is still ahead": {[][2]float64{{0, 1}, {6, 1}}, false},
		"the second is of today":    {[][2]float64{{0, 1}, {5, 1}}, true},
	} {
		assert.Equal(t, c.open, count.Opens(known("new-leaves", c.readings...), planned+5).Open, name)
	}
	firm := gate.Gate{gate.FirmFor(3)}
	assert.False(t, firm.Opens(known("wilt", [2]float64{-1, 0}, [2]float64{2, 0}), planned+5).Open, "three days, two here")
	assert.True(t, firm.Opens(known("wilt", [2]float64{0, 0}, [2]float64{3, 0}), planned+5).Open)
	assert.False(t, firm.Opens(known("wilt", [2]float64{0, 0}, [2]float64{2, 0}), planned+5).Open)
	assert.False(t, firm.Opens(known("wilt", [2]float64{0, 0}, [2]float64{6, 0}), planned+5).Open, "still ahead")
	clean := gate.Gate{gate.CleanFor(10, 2)}
	pests := func(readings ...[2]float64) facts.Facts { return known(recovery.LivePests, readings...) }
	assert.False(t, clean.Opens(pests([2]float64{-1, 0}, [2]float64{4, 0}), planned+12).Open, "one look before the plan")
	assert.True(t, clean.Opens(pests([2]float64{0, 0}, [2]float64{4, 0}), planned+12).Open)
	assert.False(t, clean.Opens(pests([2]float64{0, 0}, [2]float64{13, 0}), planned+12).Open, "one look still ahead")
	treated := pests([2]float64{2, 0}, [2]float64{6, 0})
	treated.Last[facts.TreatedNow] = planned + 3
	assert.False(t, clean.Opens(treated, planned+20).Open, "one look since it was treated")
	treated.Last[facts.TreatedNow] = planned + 2
	assert.True(t, clean.Opens(treated, planned+20).Open, "a look on the day of the treatment counts")
	assert.False(t, clean.Opens(treated, planned+11).Open, "nine days since")
	assert.True(t, clean.Opens(treated, planned+12).Open, "ten days since")
	quiet := gate.Gate{{Is: gate.Quiet, Days: 4}}
	assert.True(t, quiet.Opens(known("marked-new", [2]float64{1, 0}), planned+4).Open, "one look is enough")
	assert.False(t, quiet.Opens(known("marked-new", [2]float64{1, 1}), planned+4).Open)
}

// Days count from the latest of what they count from: what was seen before that opens
// nothing, but what an arrival brought does.
func TestWhatWasSeenBeforeItsDaysBeganOpensNothing(t *testing.T) {
	f := known("live-tips", [2]float64{0, 1})
	after := gate.Gate{gate.DaysSince(facts.SatRoots, 2), gate.See(gate.Tip)}
	assert.False(t, after.Opens(f, planned+9).Open, "the tip was seen the day before the roots were worked on")
	f.Readings.Add("live-tips", recovery.Reading{On: planned + 1, Value: 1})
	assert.True(t, after.Opens(f, planned+9).Open)
	f = known("live-tips", [2]float64{0, 1})
	came := gate.Gate{gate.DaysSince(facts.Came, 2), gate.See(gate.Tip)}
	assert.True(t, came.Opens(f, planned+9).Open)
	f.Last[facts.Came] = planned + 3
	assert.True(t, came.Opens(f, planned+9).Open, "an arrival moves nothing")
}

// The date of a gate is the last of what days bring, and of what was seen; what is open
// needs no look.
func TestAnOpeningSaysWhatOneLookCanShow(t *testing.T) {
	both := gate.Gate{gate.DaysSince(facts.SatRoots, 5), gate.See(gate.Tip)}
	o := both.Opens(known(""), planned+3)
	assert.False(t, o.Seeable, "days are wanting, which no look can show")
	o = both.Opens(known(""), planned+6)
	assert.True(t, o.Seeable)
	assert.Equal(t, []recovery.Status{recovery.Met, recovery.Unknown},
		[]recovery.Status{o.Conditions[0].Status, o.Conditions[1].Status})
	o = both.Opens(known("live-tips", [2]float64{8, 1}), planned+9)
	require.True(t, o.Open)
	assert.Equal(t, planned+8, *o.On)
	assert.Nil(t, gate.Gate{}.Opens(known(""), planned).On)
	assert.True(t, gate.Gate{}.Opens(known(""), planned).Open)
	always := gate.Gate{gate.In()}.Opens(known(""), planned)
	assert.True(t, always.Open, "a season without months is any time")
}

// A share of roots that nobody counted is unknown, not missing.
func TestARootShareNobodyCountedIsUnknown(t *testing.T) {
	o := gate.Gate{gate.Alive(0.25)}.Opens(known(""), planned)
	assert.Equal(t, recovery.Unknown, o.Conditions[0].Status)
	for reading, open := range map[float64]bool{0: true, 1: false} {
		f := known("smell", [2]float64{2, reading})
		assert.Equal(t, open, gate.Gate{gate.WithoutRot()}.Opens(f, planned+2).Open)
		assert.False(t, gate.Gate{gate.WithoutRot()}.Opens(f, planned+1).Open, "the look is still ahead")
	}
	warm := gate.Gate{{Is: gate.Warmth}}
	assert.True(t, warm.Opens(known("in-range", [2]float64{1, 1}), planned+1).Open)
	assert.False(t, warm.Opens(known("in-range", [2]float64{1, 0}), planned+1).Open)
	assert.Equal(t, time.May, day.Day(planned).Month())
}

// A cover is off for good where that is a fact: no reading says so.
func TestACoverIsOffWhereThatIsAFact(t *testing.T) {
	weaned := gate.Gate{gate.See(gate.Weaned)}
	for name, c := range map[string]struct {
		cover facts.Fact[facts.Cover]
		open  bool
	}{
		"nobody knows":          {facts.Fact[facts.Cover]{}, false},
		"closed":                {facts.Seen(facts.ClosedCover, planned+1, facts.Done), false},
		"open":                  {facts.Seen(facts.OpenCover, planned+1, facts.Done), false},
		"off":                   {facts.Seen(facts.Uncovered, planned+1, facts.Done), true},
		"off on the plan's day": {facts.Seen(facts.Uncovered, planned, facts.Done), true},
		"off before the plan":   {facts.Seen(facts.Uncovered, planned-1, facts.Done), false},
		"off tomorrow":          {facts.Seen(facts.Uncovered, planned+3, facts.Done), false},
	} {
		f := known("")
		f.Cover = c.cover
		assert.Equal(t, c.open, weaned.Opens(f, planned+2).Open, name)
	}
}
