package facts_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
)

// A number is read from a number, from words and from yes or no; an answer from the same.
func TestFactsAreReadAsTheyAreWrittenByHand(t *testing.T) {
	for said, want := range map[string]struct {
		number float64
		answer bool
	}{
		`3.5`: {3.5, true}, `0`: {0, false}, `true`: {1, true}, `false`: {0, false}, `"none"`: {0, false}, `"no"`: {0, false},
		`"yes"`: {1, true}, `"12"`: {12, true},
	} {
		var n facts.Number
		require.NoError(t, json.Unmarshal([]byte(said), &n), said)
		assert.Equal(t, facts.Said(want.number), n, said)
		var y facts.Yes
		require.NoError(t, json.Unmarshal([]byte(said), &y), said)
		assert.Equal(t, facts.Said(want.answer), y, said)
	}
	var firm facts.Yes
	require.NoError(t, json.Unmarshal([]byte(`"firm"`), &firm))
	assert.Equal(t, facts.Said(false), firm, "a firm stem is not limp")
	var seat facts.Fact[facts.Seat]
	require.NoError(t, json.Unmarshal([]byte(`"mount"`), &seat))
	assert.Equal(t, facts.Said(facts.OnMount), seat)
}

func TestWhatIsNoFactIsRefusedOrUnknown(t *testing.T) {
	for _, said := range []string{`null`, `""`} {
		n, y := facts.Said(4.0), facts.Said(true)
		require.NoError(t, json.Unmarshal([]byte(said), &n))
		require.NoError(t, json.Unmarshal([]byte(said), &y))
		assert.True(t, n.IsZero(), said)
		assert.True(t, y.IsZero(), said)
	}
	for _, said := range []string{`"many"`, `[1]`, `{}`} {
		var n facts.Number
		assert.Error(t, json.Unmarshal([]byte(said), &n), said)
		assert.False(t, n.Known, said)
	}
	for _, said := range []string{`[true]`, `{}`} {
		var y facts.Yes
		assert.Error(t, json.Unmarshal([]byte(said), &y), said)
	}
	var seat facts.Fact[facts.Seat]
	assert.Error(t, json.Unmarshal([]byte(`4`), &seat))
	var from facts.Source
	assert.Error(t, from.UnmarshalText([]byte("hearsay")))
}

// What is only taken to be so stands in its value, is not known, and is not written.
func TestWhatNobodySaidIsNotKnown(t *testing.T) {
	taken := facts.Taken(18.0)
	assert.InDelta(t, 7, taken.Or(7), 0)
	assert.InDelta(t, 18, facts.Said(18.0).Or(7), 0)
	assert.False(t, taken.IsZero())
	assert.False(t, facts.Said(0.0).IsZero())
	assert.True(t, facts.Number{}.IsZero())
	for _, c := range []struct {
		fact json.Marshaler
		text string
	}{{taken, "null"}, {facts.Said(18.0), "18"}, {facts.Said(false), "false"}, {facts.Number{}, "null"}} {
		raw, err := json.Marshal(c.fact)
		require.NoError(t, err)
		assert.Equal(t, c.text, string(raw))
	}
	for _, from := range []facts.Source{
		facts.Unknown, facts.Usual, facts.Derived, facts.Typed, facts.Measured, facts.Done,
	} {
		text, err := from.MarshalText()
		require.NoError(t, err)
		var again facts.Source
		require.NoError(t, again.UnmarshalText(text))
		assert.Equal(t, from, again)
	}
}

func TestTheShareOfLiveRoots(t *testing.T) {
	for name, c := range map[string]struct {
		live, dead facts.Number
		share      float64
		counted    bool
	}{
		"nobody counted":            {facts.Number{}, facts.Said(4.0), 0, false},
		"taken, not counted":        {facts.Taken(5.0), facts.Said(5.0), 0, false},
		"half":                      {facts.Said(5.0), facts.Said(5.0), 0.5, true},
		"one and none dead":         {facts.Said(1.0), facts.Said(0.0), 1, true},
		"the dead were not counted": {facts.Said(5.0), facts.Number{}, 1, true},
		"none at all":               {facts.Said(0.0), facts.Said(0.0), 0, true},
		"none live":                 {facts.Said(0.0), facts.Said(9.0), 0, true},
	} {
		share, counted := facts.Facts{LiveRoots: c.live, DeadRoots: c.dead}.LiveShare()
		assert.Equal(t, c.counted, counted, name)
		assert.InDelta(t, c.share, share, 1e-9, name)
	}
}

// Each fact has one row, in words; what is unknown has none.
func TestRowsSayWhatIsKnown(t *testing.T) {
	const on = day.Day(20000)
	assert.Empty(t, facts.Facts{}.Rows())
	f := facts.Facts{
		Seat:       facts.Seen(facts.InReservoir, on, facts.Done),
		PotWidthCM: facts.Said(12.5),
		Moist:      facts.Seen(facts.Bone, on, facts.Measured),
		LiveRoots:  facts.Seen(6.0, on, facts.Measured),
		DeadRoots:  facts.Seen(2.0, on, facts.Measured),
		Infested:   facts.Said(0.256),
		Limp:       facts.Seen(false, on, facts.Derived),
		RotAlive:   facts.Said(true),
		Reserves:   facts.Said(facts.Ridged),
		Cover:      facts.Said(facts.Uncovered),
		GrewIn:     facts.Said(facts.Bark),
		PotDepthCM: facts.Taken(9.0),
		Leaves:     facts.Taken(3.0),
		Isolated:   facts.Taken(true),
		LightShare: facts.Taken(0.5),
	}
	f.NewcomerDays = facts.Seen(40.0, on, facts.Typed)
	said := map[string]string{}
	rows := map[string]facts.Row{}
	for _, r := range f.Rows() {
		_, twice := said[r.ID]
		assert.False(t, twice, r.ID)
		said[r.ID], rows[r.ID] = r.Value, r
	}
	assert.Equal(t, map[string]string{
		"seat": "a pot with a water space", "pot-width": "12.5 cm", "moist": "dry to the core", "live-roots": "6",
		"dead-roots": "2", "share": "75 %", "infested": "26 %", "limp": "no", "rot": "yes", "reserves": "ridged",
		"cover": "none", "had": "40",
	}, said)
	assert.Equal(t, on, *rows["seat"].On)
	assert.Nil(t, rows["pot-width"].On, "it has no day")
	assert.Nil(t, rows["had"].On, "it is counted to today")
	assert.Equal(t, facts.Derived, rows["share"].From)
	assert.Equal(t, "cm", rows["pot-width"].Unit)
	assert.InDelta(t, 12.5, *rows["pot-width"].Size, 0)
	assert.Nil(t, rows["live-roots"].Size)
}

// The first word of the list that is found decides what a medium is.
func TestTheClassOfAMediumThatSomebodyDescribed(t *testing.T) {
	for said, want := range map[string]facts.MediumClass{
		"Sphagnum with bark": facts.Moss, "bark mix": facts.Bark, "a gritty mix": facts.Soil, "LECA": facts.Stones,
		"clay balls": facts.Stones, "peat": facts.Peat, "tap water": facts.InWater, "pumice": facts.Stones, "": "",
		"what was in the bag": "",
	} {
		assert.Equal(t, want, facts.ClassOf(said), said)
	}
}
