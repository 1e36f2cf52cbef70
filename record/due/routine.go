package record

import (
	"maps"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
)

// Routine gives the jobs of ordinary care, each with its next day. It is asked for
// a plant that is well: one with a case in work follows its plan.
func (s State) Routine(south bool) []care.Due {
	p := care.Plant{
		Wants: s.Wants, Habit: s.Habit, South: south, Rule: s.waterLines(south),
		Had: s.ArrivedOn, FreshOn: s.Pot.FreshOn, Watched: s.Isolation == UnderWatch,
		Last: map[care.Job]day.Day{}, Snoozed: s.Snoozes,
	}
	maps.Copy(p.Last, s.Jobs)
	before, known := hadDays[s.Arrival.Had]
	p.New = known && before < care.NewDays
	if n := len(s.Tallies); n > 0 {
		if share, ok := s.Tallies[n-1].liveShare(); ok {
			p.LiveShare = &share
		}
	}
	if spike := s.sawSpike(); spike != nil {
		p.InBud = *spike
	}
	later := func(job care.Job, on day.Day) { p.Last[job] = max(p.Last[job], on) }
	if r, read := s.Readings.Last(recovery.LivePests); read {
		later(care.PestLook, r.On)
	}
	if s.Examined != nil {
		later(care.PestLook, s.Examined.On)
	}
	for _, f := range s.Feeds {
		later(care.Feed, f.On+f.lasts())
		if f.On > p.Last[care.Flush] && f.Slow == "" {
			p.Fed++
		}
	}
	p.Off = slices.Sorted(maps.Keys(s.JobsOff))
	return care.Routine(p)
}
