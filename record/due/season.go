package due

import (
	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/season"
	"tendermend/record"
)

// seasonTasks asks for what the turn of the year wants of a plant where it stands, and for the
// steps by which it is used to more light. One that is being mended follows its plan: only what
// would harm it is asked for.
func seasonTasks(s record.State, south bool, add func(Task)) {
	known := lastKnown(s)
	p := season.Plant{Wants: s.Wants, South: south}
	if here, is := s.AirOn(known); is {
		p.Here = &here
	}
	if n := len(s.Feeds); n > 0 {
		p.FedOn = s.Feeds[n-1].On
	}
	if s.Isolation == record.Clean {
		p.Outside = outside(s)
	}
	asked := map[care.Job]bool{}
	for _, a := range season.Asks(p, known) {
		if !asked[a.Job] && wanted(s, a) {
			asked[a.Job] = true
			add(seasonTask(s, a))
		}
	}
	if a, raises := raise(s); raises && !asked[care.BringIn] {
		add(seasonTask(s, a))
	}
}

// wanted says whether something that the season asks for is asked of this plant.
func wanted(s record.State, a season.Ask) bool {
	if _, off := s.JobsOff[a.Job]; off || answered(s, a) {
		return false
	}
	return a.Job == care.BringIn || a.Job == care.Shade || len(s.Troubles()) == 0
}

// standsSince is the day from which on a thing of the season can be asked for: since it is here,
// stands where it does, and it is known what that is like. It comes in at once, and rests anywhere.
func standsSince(s record.State, a season.Ask) day.Day {
	since := s.ArrivedOn
	if n := len(s.Stays); n > 0 && s.Stays[n-1].Until == nil && a.Job != care.BringIn && a.Job != care.Rest {
		since = max(since, s.Stays[n-1].From, s.Airs[s.Stays[n-1].Place].Since)
	}
	return since
}

// lastKnown is the last day on which somebody looked at it or moved it.
func lastKnown(s record.State) day.Day {
	known := s.LastLook()
	if n := len(s.Stays); n > 0 {
		known = max(known, s.Stays[n-1].From)
	}
	return known
}

// outside are the places of its collection in the open.
func outside(s record.State) (open []place.YearAir) {
	for _, at := range s.Airs {
		if at.Outdoors {
			open = append(open, at)
		}
	}
	return open
}

// answeredEarly is how many days before it is asked for a thing of the season counts as done.
const answeredEarly = 28

// answered says whether somebody did for this year what a season asks for.
func answered(s record.State, a season.Ask) bool {
	done, is := s.Jobs[a.Job]
	return is && done >= a.From-answeredEarly && done <= a.Ends
}

// weights of what the season asks for: what harms it within days before what it can wait for.
var weights = map[care.Job]int{
	care.BringIn: mostWeight, care.Shade: 3, care.Brighter: 2, care.LightStep: 2, care.Rest: 1, care.FeedLess: 1,
	care.PutOut: 1,
}

func seasonTask(s record.State, a season.Ask) Task {
	words, _ := care.ByID(a.Job)
	on, until := a.From, a.Until
	if since := standsSince(s, a); on < since { // it came there, or that was said, later
		on, until = since, min(max(until, since+season.ReadyDays), a.Ends)
	}
	on = max(on, s.Snoozes[a.Job])
	t := Task{
		Kind: Season, Job: a.Job, From: on, Until: max(until, on), Ends: &a.Ends, What: a.What, How: a.How, Why: a.Why,
		Minutes: words.Minutes, Weight: weights[a.Job],
	}
	t.PutOff, t.PutOffWhy = s.PutOffSince(a.Job, a.From-answeredEarly)
	t.Unwanted = t.PutOff >= care.OftenPutOff
	if !a.Job.Moves() {
		t.Done = words.Done
	}
	return t
}

// raise is the next step in light after its last move.
func raise(s record.State) (season.Ask, bool) {
	n := len(s.Stays)
	if n < 2 || s.Stays[n-1].Until != nil {
		return season.Ask{}, false
	}
	if _, off := s.JobsOff[care.LightStep]; off {
		return season.Ask{}, false
	}
	was, now := s.Stays[n-2], s.Stays[n-1]
	from, known := s.Airs[was.Place]
	to, there := s.Airs[now.Place]
	if !known || !there || was.Until == nil || *was.Until != now.From {
		return season.Ask{}, false
	}
	var worked day.Day
	if s.Pot.FreshOn != nil {
		worked = *s.Pot.FreshOn
	}
	if k := len(s.Treatments); k > 0 {
		worked = max(worked, s.Treatments[k-1].On)
	}
	return season.Raise(from, to, now.From, s.Jobs[care.LightStep], worked)
}
