package trip

import (
	"tendermend/core/day"
	"tendermend/core/working"
)

// Span is when a trip takes place, and whether it was called off.
type Span struct {
	From, Back day.Day
	Off        bool
}

// Longest is how long a trip may be, days.
const Longest = 120

// Refusal is why a trip cannot take place so, in words that say what to do. Settled is set where nothing about it can
// be changed any more; else Field names what is wrong.
type Refusal struct {
	Field, Why string
	Settled    bool
}

func (r *Refusal) Error() string { return r.Why }

// Begun says whether its first day has come.
func (s Span) Begun(today day.Day) bool { return s.From <= today }

// Over says whether its last day is behind.
func (s Span) Over(today day.Day) bool { return s.Back < today }

// MayBegin says what keeps a trip from being planned on a day; nil where nothing does.
func (s Span) MayBegin(today day.Day) *Refusal {
	if s.From < today {
		return &Refusal{Field: "from", Why: "that day has gone by: a trip is planned before it begins"}
	}
	return s.lasts()
}

// MayBecome says what keeps a trip from being changed to another on a day; nil where nothing does. Once it has begun
// the day of leaving stays; what was called off takes place after all until then.
func (s Span) MayBecome(next Span, today day.Day) *Refusal {
	switch begun := s.Begun(today); {
	case s.Off && begun:
		return &Refusal{Why: "This trip was called off, and its first day has gone by. Plan another.", Settled: true}
	case s.Over(today):
		return &Refusal{Why: "This trip is over: it stays as it was.", Settled: true}
	case next.Off && begun:
		return &Refusal{Field: "off", Why: "it has begun: say when you are back"}
	case begun && next.From != s.From:
		return &Refusal{Field: "from", Why: "it has begun: the day of leaving stays as it was"}
	case !begun && next.From < today:
		return &Refusal{Field: "from", Why: "that day has gone by"}
	case next.Over(today):
		return &Refusal{Field: "back", Why: "that day has gone by: give today where you are back already"}
	}
	return next.lasts()
}

// lasts says what is wrong with how long it is.
func (s Span) lasts() *Refusal {
	switch {
	case s.Back <= s.From:
		return &Refusal{Field: "back", Why: "it ends before it begins: give a day of coming back after the day of leaving"}
	case s.Back-s.From > Longest:
		return &Refusal{Field: "back", Why: "that is longer than " + working.Count(Longest, "day") + ": plan it in parts"}
	}
	return nil
}
