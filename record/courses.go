package record

import (
	"slices"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

// follow puts the plant on the tracks of a plan. A track it is on already keeps
// the stage that was reached; one that the plan no longer names ends.
func (s *State) follow(tracks []string, on day.Day) {
	var courses []Course
	for lane, id := range tracks {
		if known := s.course(id); known != nil {
			courses = append(courses, *known)
			continue
		}
		courses = append(courses, Course{Track: id, Began: on})
		s.enter(courses[lane], lane, on, Span{})
	}
	for _, old := range s.Courses {
		if !slices.Contains(tracks, old.Track) {
			s.endSpan(old.Track, on)
		}
	}
	s.Courses = courses
}

// move takes a course of the case in hand into another of its stages.
func (s *State) move(c *Course, to int, on day.Day, how Span) {
	c.Stage, c.Began = to, on
	s.endSpan(c.Track, on)
	lane := slices.IndexFunc(s.Courses, func(one Course) bool { return one.Track == c.Track })
	s.enter(*c, lane, on, how)
}

// enter begins the span of the stage that a course is in.
func (s *State) enter(c Course, lane int, on day.Day, how Span) {
	how.Case, how.Track, how.Lane, how.From = s.Case.ID, c.Track, lane+s.lanesTaken(), on
	how.Stage, how.Name = recovery.Mended, recovery.Mended
	if _, stage, in := c.In(); in {
		how.Stage, how.Name = stage.ID, stage.Name
	}
	s.Stages = append(s.Stages, how)
}

// lanesTaken is how many lanes of the seam other cases take that are in work.
func (s *State) lanesTaken() int {
	taken := 0
	for _, span := range s.Stages {
		if other, known := s.CaseByID(span.Case); known && other.ID != s.Case.ID && other.Open() {
			taken = max(taken, span.Lane+1)
		}
	}
	return taken
}

// endSpan ends the open span of a track.
func (s *State) endSpan(track string, on day.Day) {
	for i := range s.Stages {
		if s.Stages[i].Track == track && s.Stages[i].Case == s.Case.ID && s.Stages[i].To == nil {
			s.Stages[i].To = &on
		}
	}
}
