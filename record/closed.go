package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Closed ends the case.
type Closed struct {
	Outcome Outcome `json:"outcome" enum:"mended,given-away,lost,kept-under-watch,nothing-found"`
	Reason  string  `json:"reason,omitempty" maxLength:"2000"`
}

// Outcome is how a case ended.
type Outcome string

// The outcomes.
const (
	OutcomeMended Outcome = "mended"
	OutcomeGiven  Outcome = "given-away"
	OutcomeLost   Outcome = "lost"
	// OutcomeNothing ends a case in which nothing was found that wants treatment.
	OutcomeNothing Outcome = "nothing-found"
	// OutcomeKept ends the case and goes on looking, as at any plant that is well.
	OutcomeKept Outcome = "kept-under-watch"
	// OutcomeDone is how a wish ends of itself: all that its plan does is done. Nobody closes a case so.
	OutcomeDone Outcome = "done"
)

// KindClosed stands in stored records: it is never renamed or used for another.
const KindClosed Kind = "closed"

// Kind names it.
func (*Closed) Kind() Kind { return KindClosed }

func (c *Closed) check(s *situation) (faults Faults) {
	switch c.Outcome {
	case OutcomeMended, OutcomeGiven, OutcomeLost, OutcomeKept, OutcomeNothing:
	default:
		faults = append(
			faults,
			Fault{
				Field:   "closed.outcome",
				Message: "a case ends mended, given away, lost, kept under watch or with nothing found",
			},
		)
	}
	if c.Outcome == OutcomeLost && strings.TrimSpace(c.Reason) == "" {
		faults = append(
			faults,
			Fault{
				Field:   "closed.reason",
				Message: "say what it died of, as far as you know; the next one may live by it",
			},
		)
	}
	return faults
}

func (c *Closed) apply(s *State, e Entry) {
	if s.Case.Open() || !c.leaves() {
		s.end(c, e.On)
	}
	if !c.leaves() {
		return
	}
	s.Left, s.LeftOn = c, e.On
	here := s.Case
	for i := range s.Cases { // a plant that is gone has no open case
		if s.Case = s.Cases[i]; s.Case.ID != here.ID && s.Case.Open() {
			s.end(c, e.On)
			s.Cases[i] = s.Case
		}
	}
	s.Case = here
}

// leaves says whether the plant itself goes with it.
func (c *Closed) leaves() bool { return c.Outcome == OutcomeGiven || c.Outcome == OutcomeLost }

// end closes the case in hand.
func (s *State) end(c *Closed, on day.Day) {
	s.Closed, s.ClosedOn = c, on
	for _, course := range s.Courses {
		s.endSpan(course.Track, on)
	}
}

func (c *Closed) event(State) (string, bool) {
	return "closed: " + strings.ReplaceAll(string(c.Outcome), "-", " "), true
}

func (*Closed) taken() taken { return whileHere }

func (*Closed) effort() (Effort, int) { return ForNothing, 0 }

func (c *Closed) concerns(s *situation, m moment) []Concern {
	if c.Outcome != OutcomeMended {
		return nil
	}
	if what, on, bad := m.state.Bad(); bad {
		const said = "Its last look was bad: %s on %s. A plant that has mended shows nothing of the kind."
		return []Concern{{BadAtLastLook, fmt.Sprintf(said, working.Lower(what), on.Words())}}
	}
	for _, course := range m.state.Courses {
		if _, stage, in := course.In(); in {
			const said = "It is not past “%s” yet: what it waits for has not been seen. Ended now, nobody asks for it again."
			return []Concern{{CourseOpen, fmt.Sprintf(said, stage.Name)}}
		}
	}
	return nil
}
