package record

import "strings"

// Closed ends the case.
type Closed struct {
	Outcome Outcome `json:"outcome" enum:"mended,given-away,lost,kept-under-watch"`
	Reason  string  `json:"reason,omitempty" maxLength:"2000"`
}

// Outcome is how a case ended.
type Outcome string

// The outcomes.
const (
	OutcomeMended Outcome = "mended"
	OutcomeGiven  Outcome = "given-away"
	OutcomeLost   Outcome = "lost"
	// OutcomeKept ends the case and goes on looking, as at any plant that is well.
	OutcomeKept Outcome = "kept-under-watch"
)

// KindClosed stands in stored records: it is never renamed or used for another.
const KindClosed Kind = "closed"

// Kind names it.
func (*Closed) Kind() Kind { return KindClosed }

func (c *Closed) check(s *situation) (faults Faults) {
	switch c.Outcome {
	case OutcomeMended, OutcomeGiven, OutcomeLost, OutcomeKept:
	default:
		faults = append(
			faults,
			Fault{Field: "closed.outcome", Message: "a case ends mended, given away, lost or kept under watch"},
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
	s.Closed, s.ClosedOn = c, e.On
	for _, course := range s.Courses {
		s.endSpan(course.Track, e.On)
	}
}

func (c *Closed) event(State) (string, bool) {
	return "closed: " + strings.ReplaceAll(string(c.Outcome), "-", " "), true
}

func (*Closed) taken() taken { return underWatch }

func (*Closed) minutes() int { return 0 }
