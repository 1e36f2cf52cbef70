package record

// Reopened takes a closed case up again.
type Reopened struct {
	Reason string `json:"reason,omitempty" maxLength:"2000"`
}

// KindReopened stands in stored records: it is never renamed or used for another.
const KindReopened Kind = "reopened"

// Kind names it.
func (*Reopened) Kind() Kind { return KindReopened }

func (r *Reopened) check(s *situation) Faults {
	if s.ledger.ending() == nil {
		return Faults{{Field: "reopened", Message: "this case is open", Conflict: true}}
	}
	return nil
}

func (*Reopened) apply(s *State, e Entry) {
	s.Closed, s.caseFrom = nil, e.On
	for _, c := range s.Courses {
		for i := len(s.Stages) - 1; i >= 0; i-- {
			if s.Stages[i].Track == c.Track {
				s.Stages[i].To = nil
				break
			}
		}
	}
}

func (*Reopened) event(State) (string, bool) { return "reopened", true }

func (*Reopened) taken() taken { return always }

func (*Reopened) minutes() int { return 0 }
