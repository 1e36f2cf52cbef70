package record_test

import (
	"bytes"
	"compress/gzip"
	"fmt"
	"io"
	"math"
	"os"
	"slices"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
	"tendermend/exchange"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// What follows from the record of a whole clinic holds together at many moments of it, on the day of its last entry
// and when nobody has looked for a while since.
func TestTheRecordsOfAWholeClinicHoldTogether(t *testing.T) {
	packed, err := os.ReadFile("../exchange/testdata/collection-v1.json.gz")
	require.NoError(t, err)
	in, err := gzip.NewReader(bytes.NewReader(packed))
	require.NoError(t, err)
	raw, err := io.ReadAll(in)
	require.NoError(t, err)
	archive, err := exchange.Understand(raw, today)
	require.NoError(t, err)
	kinds := plant.Kinds{}
	for _, k := range archive.Kinds {
		kinds[k.ID] = k.Profile
	}
	for _, p := range archive.Plants {
		entries := record.InOrder(p.Entries)
		for n := len(entries); n > 0; n -= 1 + n/6 {
			s := record.Fold(p.ID, entries[:n], kinds)
			if !s.Here {
				continue
			}
			for _, late := range []day.Day{0, 9, 45} {
				holdsTogether(t, fmt.Sprintf("%s, %d entries", p.Name, n), s, entries[:n], entries[n-1].On+late)
			}
		}
	}
}

// holdsTogether checks that what follows from a record does not contradict itself, as of a day.
func holdsTogether(t *testing.T, name string, s record.State, entries []record.Entry, on day.Day) {
	t.Helper()
	coursesHold(t, name, s, on)
	readingsHold(t, name, s, on)
	tasksHold(t, name, s, on)
	toldHolds(t, name, s, entries, on)
}

// Every course is on a track once, and its open span is the stage that it is in.
func coursesHold(t *testing.T, name string, s record.State, on day.Day) {
	t.Helper()
	type way struct {
		of    uuid.UUID
		track string
	}
	open := map[way]string{}
	for _, span := range s.Stages {
		if span.To == nil {
			assert.NotContains(t, open, way{span.Case, span.Track}, name)
			open[way{span.Case, span.Track}] = span.Stage
		} else {
			assert.LessOrEqual(t, span.From, *span.To, name)
		}
	}
	for _, of := range s.Cases {
		for _, c := range of.Courses {
			want := recovery.Mended
			if _, stage, in := c.In(); in {
				want = stage.ID
			}
			if of.Closed == nil {
				assert.Equal(t, want, open[way{of.ID, c.Track}], name)
			} else {
				assert.NotContains(t, open, way{of.ID, c.Track}, name)
			}
		}
	}
	for _, c := range s.Courses {
		if _, stage, in := c.In(); in {
			w := stage.Expect(s.Readings, climate.Summer, c.Began, on)
			assert.True(t, w.From >= on && w.To >= w.From, "%s: %s to %s", name, w.From, w.To)
			shown(t, name, w.Working)
		}
	}
	for _, passed := range s.PassedStages() {
		assert.GreaterOrEqual(t, passed.Days, 0, name)
	}
	for _, clock := range s.PestClocks() {
		assert.True(t, slices.IsSorted(clock.Treatments), name)
		assert.Len(t, slices.Compact(slices.Clone(clock.Treatments)), len(clock.Treatments), name)
	}
}

// Readings stand by day, none counts below nothing, and no condition lies outside its scale.
func readingsHold(t *testing.T, name string, s record.State, on day.Day) {
	t.Helper()
	for measure, list := range s.Readings {
		for i, r := range list {
			assert.GreaterOrEqual(t, r.Value, 0.0, "%s %s", name, measure)
			if i > 0 {
				assert.LessOrEqual(t, list[i-1].On, r.On, "%s %s", name, measure)
			}
		}
	}
	for _, r := range s.Scores() {
		assert.True(t, r.Value >= 0 && r.Value <= 100, "%s: condition %g", name, r.Value)
	}
	seen := map[string]bool{}
	for _, d := range s.Derive(on, false) {
		assert.False(t, seen[d.Sign], "%s: %s is derived once", name, d.Sign)
		seen[d.Sign] = true
		assert.LessOrEqual(t, d.On, on, "%s: %s", name, d.Sign)
		assert.NotEmpty(t, d.Why, "%s: %s", name, d.Sign)
		shown(t, name+": "+d.Sign, d.Working)
	}
	if w, is := s.WaterWindow(false); is {
		assert.True(t, w.From <= w.Best && w.Best <= w.Until, "%s: %v", name, w)
		shown(t, name, w.Working)
	}
	if level, is := s.DishLevel(); is {
		assert.False(t, math.IsNaN(level.Value) || level.Value < 0, name)
	}
	sit := s.Situation(sheet.Answers{}, true, on, record.Context{})
	assert.Equal(t, on, sit.On, name)
}

// shown says that a number opens to how it came about.
func shown(t *testing.T, name string, w working.Working) {
	t.Helper()
	assert.NotEmpty(t, w.Formula, name)
	assert.NotEmpty(t, w.Source, name)
	assert.NotEmpty(t, w.Sure, name)
	for _, in := range w.Inputs {
		assert.NotEmpty(t, in.Name, name)
	}
}

// A task has its reason, ends no sooner than it begins, and counts in the load of its days.
func tasksHold(t *testing.T, name string, s record.State, on day.Day) {
	t.Helper()
	tasks := due.Tasks(s, false)
	load, minutes := due.LoadOf(tasks), 0
	for _, task := range tasks {
		assert.LessOrEqual(t, task.From, task.Until, "%s: %s", name, task.What)
		assert.NotEmpty(t, task.What, name)
		assert.NotEmpty(t, task.Why, "%s: %s", name, task.What)
		assert.True(t, task.Weight >= 1 && task.Weight <= 5, "%s: %s weighs %d", name, task.What, task.Weight)
		if task.Ends != nil {
			assert.GreaterOrEqual(t, *task.Ends, task.From, "%s: %s", name, task.What)
		}
	}
	now := due.By(tasks, on, nil)
	for i, task := range now {
		minutes += task.Minutes
		assert.LessOrEqual(t, task.From, on, "%s: %s", name, task.What)
		if i > 0 && now[i-1].Kind != due.Season && task.Kind != due.Season {
			assert.GreaterOrEqual(t, now[i-1].Weight, task.Weight, "%s: the weightiest first", name)
		}
	}
	assert.True(t, slices.IsSorted(load.Days), name)
	if i, exact := slices.BinarySearch(load.Days, on); len(load.Days) < 60 && (exact || i > 0) {
		if !exact {
			i--
		}
		assert.Equal(t, minutes, load.Minutes[i], "%s: what is due on %s", name, on)
	}
}

// What is told of a record counts what is in it.
func toldHolds(t *testing.T, name string, s record.State, entries []record.Entry, on day.Day) {
	t.Helper()
	whole := told.ReviewOf(s, entries, 0, on)
	looks := len(slices.DeleteFunc(slices.Clone(s.Looks), func(d day.Day) bool { return d > on }))
	assert.Equal(t, looks, whole.Looks, name)
	assert.GreaterOrEqual(t, whole.Minutes.Value, 0.0)
	for _, stage := range whole.Stages {
		assert.GreaterOrEqual(t, stage.Days, 0, name)
	}
	late := told.ReviewOf(s, entries, on-30, on)
	assert.LessOrEqual(t, late.Looks, whole.Looks, name)
	assert.LessOrEqual(t, late.Minutes.Value, whole.Minutes.Value, name)
	seam := told.SeamOf(s)
	assert.Equal(t, len(s.Looks), seam.Looks, name)
	assert.True(t, slices.IsSorted(seam.Stitches), name)
	thin := seam.Thin(20)
	assert.LessOrEqual(t, len(thin.Stitches), 20, name)
	if len(seam.Stitches) > 0 {
		assert.Equal(t, seam.Stitches[0], thin.Stitches[0], name)
		assert.Equal(t, seam.Stitches[len(seam.Stitches)-1], thin.Stitches[len(thin.Stitches)-1], name)
	}
	for _, gap := range seam.Bare {
		assert.Less(t, gap.From, gap.To, name)
	}
}
