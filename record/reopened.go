package record

import "tendermend/core/day"

// Reopened takes a closed case up again.
type Reopened struct {
	Reason string `json:"reason,omitempty" maxLength:"2000"`
}

// KindReopened stands in stored records: it is never renamed or used for another.
const KindReopened Kind = "reopened"

// Kind names it.
func (*Reopened) Kind() Kind { return KindReopened }

func (r *Reopened) check(s *situation) Faults {
	state := s.caseState()
	if state.Left == nil && (!state.Case.Is() || state.Case.Open()) {
		return Faults{{Field: "reopened", Message: "this case is open", Conflict: true}}
	}
	return nil
}

func (r *Reopened) apply(s *State, e Entry) {
	s.confirmedFrom = e.On
	left := s.Left
	if left == nil {
		s.reopen(r, e.On)
		return
	}
	// It is here again, and so are the cases that went with it.
	s.Left = nil
	in := s.Case
	for i := range s.Cases {
		if s.Case = s.Cases[i]; s.Case.Closed == left {
			s.reopen(r, e.On)
			s.Cases[i] = s.Case
		}
		if s.Case.ID == in.ID {
			in = s.Case
		}
	}
	s.Case = in
}

// reopen takes the case in hand up again, in the stages in which it was. Where it
// had ended by passing the last gates, its leading track goes back a stage.
func (s *State) reopen(r *Reopened, on day.Day) {
	s.Closed, s.nothing = nil, false
	if s.passed() {
		lead := &s.Courses[0]
		s.move(lead, max(lead.Stage-1, 0), on, Span{Back: true, Reason: r.Reason})
		return
	}
	for _, c := range s.Courses {
		for i := len(s.Stages) - 1; i >= 0; i-- {
			if s.Stages[i].Track == c.Track && s.Stages[i].Case == s.Case.ID {
				s.Stages[i].To = nil
				break
			}
		}
	}
}

func (*Reopened) event(State) (string, bool) { return "reopened", true }

func (*Reopened) taken() taken { return always }

func (*Reopened) effort() (Effort, int) { return ForNothing, 0 }
