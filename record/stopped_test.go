package record_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/care"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/record/due"
)

// What sounds stands above all else: while rot is open nothing asks for water, feed or growth, and it comes back with
// the answer; a medium that stays wet holds water until a stick comes out drier.
func TestWhatSoundsStandsAboveWaterAndFeed(t *testing.T) {
	habit, _ := plant.HabitByID("aroid-vine")
	answer := func(s *record.State) {
		for _, signal := range recovery.Signals() {
			s.Dismissed = append(s.Dismissed, record.DismissedOn{On: ago(1), Dismissed: record.Dismissed{Signal: signal.ID}})
		}
	}
	for i, row := range []struct {
		change            func(*record.State)
		water, feed, dips bool // asked for; dips: a watering step of its plan stands
	}{
		{func(*record.State) {}, true, true, true},
		{func(s *record.State) { s.Readings.Add("smell", recovery.Reading{On: ago(2), Value: 1}) }, false, false, false},
		{func(s *record.State) { s.Readings.Add("rot", recovery.Reading{On: ago(2), Value: 1}) }, false, false, false},
		{func(s *record.State) {
			s.Readings.Add("rot", recovery.Reading{On: ago(2), Value: 1})
			answer(s)
		}, true, true, true},
		{func(s *record.State) {
			s.Readings.Add("live-tips", recovery.Reading{On: ago(9), Value: 6})
			s.Readings.Add("live-tips", recovery.Reading{On: ago(2), Value: 3})
		}, true, false, true},
		{func(s *record.State) { s.Readings.Add("marked-new", recovery.Reading{On: ago(2), Value: 1}) }, true, true, true},
		{func(s *record.State) {
			for _, on := range s.WateredOn {
				s.Probes = append(s.Probes, record.Probe{On: on, Moisture: water.Wet})
			}
		}, false, true, false},
		{func(s *record.State) {
			for _, on := range s.WateredOn {
				s.Probes = append(s.Probes, record.Probe{On: on, Moisture: water.Wet})
			}
			s.Probes = append(s.Probes, record.Probe{On: ago(3), Moisture: water.Dry})
		}, true, true, true},
	} {
		s := record.State{}
		s.Habit, s.ArrivedOn, s.Here, s.Readings = habit, ago(400), true, recovery.History{}
		s.Known.Growing.Known, s.Isolation = true, record.Clean
		s.WateredOn = daysAgo(26, 18, 10)
		row.change(&s)
		tasks := due.Tasks(s, false)
		asks := func(kind due.Kind) bool {
			return slices.ContainsFunc(tasks, func(t due.Task) bool { return t.Kind == kind })
		}
		assert.Equal(t, row.water, asks(due.Water), "row %d, water", i)
		feeds := slices.ContainsFunc(due.Routine(s, false), func(d care.Due) bool { return d.Job == care.Feed })
		assert.Equal(t, row.feed, feeds, "row %d, feed", i)
		step := func(op treatment.OperatorID, of treatment.Target) sheet.Step {
			return sheet.Step{Op: string(op), Of: of}
		}
		assert.Equal(t, !row.dips, s.Stopped(step(treatment.ByRule, ""), today), "row %d, its plan's water", i)
		assert.Equal(t, !row.feed, s.Stopped(step(treatment.FeedIt, ""), today), "row %d, its plan's feed", i)
		assert.False(t, s.Stopped(step(treatment.ByRule, treatment.ForPieces), today), "row %d, its pieces drink", i)
		assert.False(t, s.Stopped(step(treatment.Unpot, ""), today), "row %d, what answers it stands", i)
	}
}
