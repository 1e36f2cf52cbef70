package gate_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/recovery"
)

// Days by which what is awaited must have been seen: common practice. Its plan was taken up on day 100, its roots were
// worked on on day 101 and it was set on day 103; the plan reckons with what is awaited on day 130.
func TestByWhenASignMustHaveCome(t *testing.T) {
	const planned, sat, potted, expected = 100, 101, 103, 130
	last := map[facts.Happening]day.Day{facts.Planned: planned, facts.SatRoots: sat, facts.Potted: potted}
	see := func(list ...gate.Sight) (g gate.Gate) {
		for _, s := range list {
			g = append(g, gate.See(s))
		}
		return g
	}
	for _, row := range []struct {
		name   string
		wanted gate.Gate
		of     gate.Nature
		by     day.Day
		then   string
		last   day.Day
	}{
		{"a leafy piece", see(gate.Nudge), gate.Nature{}, potted + 42, "feel where it was cut", 0},
		{"a woody piece", see(gate.PieceRoot), gate.Nature{Woody: true}, potted + 70, "feel where it was cut", 0},
		{"with roots", see(gate.Nudge), gate.Nature{Rooted: true, Woody: true}, potted + 42, "stake it", 0},
		{"one of two", gate.Gate{gate.OneOf(gate.See(gate.Nudge), gate.See(gate.NewGrowth))}, gate.Nature{},
			potted + 42, "feel where it was cut", 0},
		{"one of none, as somebody wrote it", gate.Gate{gate.OneOf()}, gate.Nature{}, expected + 28, "make the plan anew", 0},
		{"rootless", see(gate.Tip), gate.Nature{Rootless: true}, expected, "another way", sat + 90},
		{"rootless and cool", see(gate.Tip), gate.Nature{Rootless: true, Cool: true}, sat + 45, "another way", sat + 90},
		{"cool, with roots", see(gate.Tip), gate.Nature{Cool: true}, expected + 28, "count its roots", 0},
		{"a lost point", see(gate.NewGrowth), gate.Nature{Crown: true}, planned + 120, "push from the side", planned + 365},
		{"set dry", see(gate.Growth), gate.Nature{DrySet: true}, potted + 56, "feel its base", 0},
		{"at rest", see(gate.NewGrowth), gate.Nature{Rests: true}, expected + 28, "its season", 0},
		{"growth", see(gate.NewLeaf), gate.Nature{}, expected + 28, "firm with live roots", 0},
		{"clean leaves", gate.Gate{gate.Count(gate.CleanLeaf, 2, 0)}, gate.Nature{}, planned + 60, "less than one leaf", 0},
		{"an offset", see(gate.GrownOffset), gate.Nature{}, expected + 28, "leave it where it is", 0},
		{"a share of roots", gate.Gate{gate.Alive(.25)}, gate.Nature{}, expected + 28, "count its roots again", 0},
		{"pests", gate.Gate{gate.CleanFor(28, 3)}, gate.Nature{}, expected + 28, "another means", 0},
		{"marks", gate.Gate{gate.QuietFor(14, 3)}, gate.Nature{}, expected + 28, "examine it anew", 0},
		{"limp", gate.Gate{gate.FirmFor(1)}, gate.Nature{}, expected + 28, "limp on a moist medium", 0},
		{"wet", gate.Gate{gate.IsDry()}, gate.Nature{}, expected + 28, "slide it out", 0},
		{"dry", gate.Gate{gate.IsMoist()}, gate.Nature{}, expected + 28, "from below", 0},
		{"warmth", gate.Gate{gate.InRange(3)}, gate.Nature{}, expected + 28, "another place", 0},
		{"anything else", see(gate.CrustGone), gate.Nature{}, expected + 28, "make the plan anew", 0},
		{"with days behind", append(see(gate.Tip), gate.DaysSince(facts.SatRoots, 200)), gate.Nature{}, sat + 200,
			"count its roots", 0},
		{"the first of two", append(see(gate.NewLeaf), gate.See(gate.Nudge)), gate.Nature{}, potted + 42,
			"feel where it was cut", 0},
	} {
		late, can := row.wanted.Late(facts.Facts{Last: last}, row.of, expected, expected)
		require.True(t, can, row.name)
		assert.Equal(t, row.by, late.By, row.name)
		assert.Contains(t, strings.ToLower(late.Then), row.then, row.name)
		if row.last == 0 {
			assert.Nil(t, late.Last, row.name)
			continue
		}
		require.NotNil(t, late.Last, row.name)
		assert.Equal(t, row.last, *late.Last, row.name)
		assert.Equal(t, late.Then, late.On(row.last-1), row.name)
		assert.Equal(t, late.AtLast, late.On(row.last), row.name)
	}
}

func TestWhatIsNeverLate(t *testing.T) {
	f := facts.Facts{Last: map[facts.Happening]day.Day{facts.Planned: 100}}
	for name, g := range map[string]gate.Gate{
		"days alone":                   {gate.OnDay(50)},
		"months alone":                 {gate.In(gate.Spring()...)},
		"none":                         {},
		"what comes after undone work": {gate.See(gate.Tip), gate.DaysSince(facts.SatRoots, 28)},
	} {
		_, can := g.Late(f, gate.Nature{}, 130, 130)
		assert.False(t, can, name)
	}
	seen := f
	seen.Readings = recovery.History{"live-tips": {{On: 120, Value: 1}}}
	_, can := gate.Gate{gate.See(gate.Tip)}.Late(seen, gate.Nature{}, 130, 130)
	assert.False(t, can, "it was seen")
}

// Where nothing is known of the days before, what is awaited is late by its grace, and asked to the end later still.
func TestLateWithoutDaysToCountFrom(t *testing.T) {
	late, can := gate.Gate{gate.See(gate.Nub)}.Late(facts.Facts{}, gate.Nature{Rootless: true}, 130, 100)
	require.True(t, can)
	assert.Equal(t, day.Day(158), late.By)
	assert.Equal(t, day.Day(130+90-28), *late.Last)
	assert.Contains(t, late.Words(), late.Then)
}
