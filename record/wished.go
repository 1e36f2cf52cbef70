package record

import (
	"slices"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// OnlyWished says whether the case is work that was wished of a well plant and nothing else: no illness. Nothing was
// accepted, nothing alarmed, and nobody opened it for a trouble.
func (c Case) OnlyWished() bool {
	return c.Plan != nil && c.Plan.Wish != "" && len(c.Plan.Causes) == 0 && c.Verdict == nil && c.Confirmed == nil &&
		c.Why == "" && c.Signal == ""
}

// Troubles gives the open cases that are about something wrong, the gravest first: work that was wished is beside them.
func (s State) Troubles() []Case { return slices.DeleteFunc(s.OpenCases(), Case.OnlyWished) }

// Wished gives the open cases that are only work that was wished, the oldest first.
func (s State) Wished() []Case {
	return slices.DeleteFunc(s.OpenCases(), func(c Case) bool { return !c.OnlyWished() })
}

// Trouble is the case by which the plant stands: the case in hand, or, where that is only a wish, the gravest open
// trouble or the one that ended last. It is none where nothing ever was wrong.
func (s State) Trouble() Case {
	if !s.OnlyWished() {
		return s.Case
	}
	if open := s.Troubles(); len(open) > 0 {
		return open[0]
	}
	var last Case
	for _, c := range s.Cases {
		if !c.OnlyWished() && (!last.Is() || *c.EndedOn() >= *last.EndedOn()) {
			last = c
		}
	}
	return last
}

// carry notes which wishes are carried out with an entry of a day: all that their plans do is done or skipped.
func (s *State) carry(on day.Day) {
	for i, c := range s.Cases {
		if !c.OnlyWished() || c.Closed != nil {
			continue
		}
		done := s.As(c).wishDone()
		if done != (c.carriedOut != nil) {
			s.Cases[i].carriedOut = nil
			if done {
				s.Cases[i].carriedOut = &on
			}
		}
	}
}

// wishDone says whether all that the plan of the wish in hand does is done or skipped, and what its roots went through
// is behind it.
func (s State) wishDone() bool {
	for _, course := range s.Courses {
		if _, _, in := course.In(); in {
			return false
		}
	}
	done := s.Done()
	return !slices.ContainsFunc(s.Plan.Steps, func(step sheet.Step) bool {
		_, is := done[step.ID]
		return !is && !s.StepOver(step)
	})
}

// followPlan puts the plant on the tracks of its plan. That of settling in is begun when its roots were touched.
func (s *State) followPlan(on day.Day) {
	_, touched := s.CarriedOut()[string(treatment.Unpot)]
	tracks := slices.DeleteFunc(append([]string{s.Plan.Track}, s.Plan.Beside...), func(track string) bool {
		return track == "" || track == recovery.Settling && !touched && s.course(track) == nil
	})
	s.follow(tracks, on)
}

// FeedAgain says when the plan of a wish has it fed again whose roots were touched; false where none stops its feed.
func (s State) FeedAgain() (on day.Day, stopped bool) {
	for _, c := range s.Wished() {
		as := s.As(c)
		if _, touched := as.CarriedOut()[string(treatment.Unpot)]; !touched {
			continue
		}
		for _, step := range as.Plan.Steps {
			if next, due := as.NextOn(step); due && step.Of == "" && treatment.OperatorID(step.Op) == treatment.FeedIt {
				on, stopped = max(on, next), true
			}
		}
	}
	return on, stopped
}
