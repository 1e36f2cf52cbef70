package recovery

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
)

// read are readings of one measure, as day and value in turns.
func read(h History, measure string, pairs ...float64) History {
	for i := 0; i < len(pairs); i += 2 {
		h.Add(measure, Reading{On: day.Day(pairs[i]), Value: pairs[i+1]})
	}
	return h
}

// The days that are left are what is wanted, less what is there, over how much comes in a day; where one of several
// ways is enough the quickest foretells, whichever stands first. A pace that stands still or goes back foretells
// nothing, nor does what is reached.
func TestTheQuickestPaceForetells(t *testing.T) {
	const began, today = 100, 120
	slow := AtLeast{Measure: "longest-root", Value: 50}
	quick := AtLeast{Measure: "live-tips", Value: 8}
	h := read(read(History{}, "longest-root", 100, 10, 110, 20, 120, 30), "live-tips", 100, 2, 110, 4, 120, 6)
	for name, row := range map[string]struct {
		of   paced
		h    History
		days float64 // 0: it foretells nothing
	}{
		"one millimetre a day":            {slow, h, 20},
		"a tip in five days":              {quick, h, 10},
		"the quicker stands last":         {Any{slow, quick}, h, 10},
		"the quicker stands first":        {Any{quick, slow}, h, 10},
		"what has no pace is no way":      {Any{Quiet{Measures: []string{"wilt"}, Days: 7}, slow}, h, 20},
		"nothing of it has a pace":        {Any{Quiet{Measures: []string{"wilt"}, Days: 7}}, h, 0},
		"it stands still":                 {slow, read(History{}, "longest-root", 100, 10, 110, 10, 120, 10), 0},
		"it goes back":                    {slow, read(History{}, "longest-root", 100, 30, 110, 20, 120, 10), 0},
		"it is reached":                   {slow, read(History{}, "longest-root", 100, 30, 110, 40, 120, 50), 0},
		"what does not grow has none":     {AtLeast{Measure: "smell", Value: 1}, h, 0},
		"readings two weeks before count": {slow, read(History{}, "longest-root", 86, 10, 100, 24, 110, 34), 6},
		"older ones do not":               {slow, read(History{}, "longest-root", 85, 90, 100, 24, 110, 34), 0},
		"a sum goes on from its days": {Sum{Measure: "new-leaves", Value: 4},
			read(History{}, "new-leaves", 99, 9, 100, 1, 110, 1, 120, 1), 10},
		"down to the water": {Down{},
			read(read(History{}, PotDepthKey, 90, 50), "longest-root", 100, 10, 110, 20, 120, 30), 20},
		"no known depth": {Down{}, h, 0},
	} {
		got, is := row.of.pace(row.h, began, today)
		require.Equal(t, row.days > 0, is, name)
		assert.InDelta(t, row.days, got.days, 1e-9, name)
	}
}

// What waits for days puts the earliest day off: a run without trouble begins at its first look or on the day after the
// last trouble, looks lie apart, and a pest's generation counts from its last find.
func TestWhatWaitsForDaysPutsTheEarliestOff(t *testing.T) {
	const began, today = 100, 120
	quiet := Quiet{Measures: []string{"wilt", "smell"}, Days: 7}
	held := Held{Measure: "roots-in-place", Days: 10}
	looks := CleanLooks{Measure: LivePests, Looks: 3, Apart: 7}
	pest := Generation{Measure: LivePests}
	for name, row := range map[string]struct {
		of   waiting
		h    History
		want day.Day
	}{
		"nobody looked":               {quiet, History{}, 127},
		"both quiet from day 105":     {quiet, read(read(History{}, "wilt", 105, 0), "smell", 105, 0), 112},
		"the later of two":            {quiet, read(read(History{}, "wilt", 105, 0), "smell", 110, 0), 117},
		"trouble ends its run":        {quiet, read(read(History{}, "wilt", 105, 0, 112, 1), "smell", 105, 0), 120},
		"a later calm look does not":  {quiet, read(read(History{}, "wilt", 105, 0, 112, 0), "smell", 105, 0), 112},
		"looks to come do not count":  {quiet, read(read(History{}, "wilt", 105, 0, 125, 1), "smell", 105, 0), 112},
		"looks before do not":         {quiet, read(read(History{}, "wilt", 90, 0), "smell", 105, 0), 127},
		"not held yet":                {held, History{}, 130},
		"held from day 108":           {held, read(History{}, "roots-in-place", 104, 0, 108, 1, 115, 1), 118},
		"let go in between":           {held, read(History{}, "roots-in-place", 104, 1, 108, 0, 115, 1), 125},
		"no clean look":               {looks, History{}, 134},
		"one":                         {looks, read(History{}, LivePests, 110, 0), 124},
		"two, a week apart":           {looks, read(History{}, LivePests, 110, 0, 117, 0), 124},
		"two, six days apart are one": {looks, read(History{}, LivePests, 110, 0, 116, 0), 124},
		"three":                       {looks, read(History{}, LivePests, 101, 0, 108, 0, 115, 0), 115},
		"a find begins anew":          {looks, read(History{}, LivePests, 101, 0, 108, 0, 112, 1, 115, 0), 129},
		"a generation from the find": {pest, read(read(History{}, LivePests, 90, 0, 95, 1, 110, 0), GenerationKey, 90, 20),
			115},
		"from the first look where none": {pest,
			read(read(History{}, LivePests, 110, 0, 115, 0), GenerationKey, 90, 20), 130},
		"from today without a look":    {pest, read(History{}, GenerationKey, 90, 20), 140},
		"as usual where none is known": {pest, read(History{}, LivePests, 110, 1), 110 + usualGeneration},
	} {
		assert.Equal(t, row.want, row.of.earliest(row.h, began, today), name)
	}
}
