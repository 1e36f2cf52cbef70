package due

import (
	"maps"
	"slices"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/recovery"
	"tendermend/core/season"
	"tendermend/record"
)

// Routine gives the jobs of ordinary care, each with its next day. It is asked for
// a plant that is well: one with a case in work follows its plan.
func Routine(s record.State, south bool) []care.Due {
	p := care.Plant{
		Wants: s.Wants, Habit: s.Habit, South: south, Rule: s.WaterLines(south),
		Had: s.ArrivedOn, FreshOn: s.Pot.FreshOn,
		// What it was exposed to is looked for on days of its own.
		Watched: s.Isolation == record.UnderWatch && len(s.Exposures) == 0,
		Last:    map[care.Job]day.Day{}, Snoozed: s.Snoozes,
	}
	maps.Copy(p.Last, s.Jobs)
	before, known := s.Owned(s.ArrivedOn)
	p.New = known && before < care.NewDays
	if n := len(s.Tallies); n > 0 {
		if share, ok := s.Tallies[n-1].LiveShare(); ok {
			p.LiveShare = &share
		}
	}
	if spike := s.SawSpike(); spike != nil {
		p.InBud = *spike
	}
	if here, known := s.AirOn(lastKnown(s)); known {
		p.Dim = dim(s, here)
	}
	p.Covered, p.Dimmed = s.StillOn()
	later := func(job care.Job, on day.Day) { p.Last[job] = max(p.Last[job], on) }
	if r, read := s.Readings.Last(recovery.LivePests); read {
		later(care.PestLook, r.On)
	}
	if s.Examined != nil {
		later(care.PestLook, s.Examined.On)
	}
	for _, f := range s.Feeds {
		later(care.Feed, f.On+f.Lasts())
		if f.On > p.Last[care.Flush] && f.Slow == "" {
			p.Fed++
		}
	}
	p.Off = slices.Sorted(maps.Keys(s.JobsOff))
	list := care.Routine(p)
	if unfed(s) {
		list = slices.DeleteFunc(list, func(d care.Due) bool { return d.Job == care.Feed })
	}
	for i := range list {
		since := s.ArrivedOn
		if last := list[i].Last; last != nil {
			since = *last
		}
		list[i].PutOff, list[i].PutOffWhy = s.PutOffSince(list[i].Job, since)
		list[i].Unwanted = list[i].PutOff >= care.OftenPutOff
	}
	return list
}

// unfed says whether its routine does not feed it: its plan feeds it again, or what sounds is answered first.
func unfed(s record.State) bool {
	_, stopped := s.FeedAgain()
	return stopped || s.Unfed()
}

// dim says on which days it grows little for want of light where it stands; each is worked out
// once.
func dim(s record.State, here place.YearAir) func(day.Day) bool {
	seen := map[day.Day]bool{}
	return func(on day.Day) bool {
		is, known := seen[on]
		if !known {
			is = season.Dim(s.Wants, here, on)
			seen[on] = is
		}
		return is
	}
}
