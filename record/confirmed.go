package record

import "slices"

// Confirmed is what it turned out to be in the end.
type Confirmed struct {
	Causes []string `json:"causes" doc:"What it was, the main one first; none means that nothing was wrong."`
	How    string   `json:"how" enum:"seen,mended-by,laboratory,died-of,guess" doc:"How one knows."`
	Note   string   `json:"note,omitempty" maxLength:"2000"`
}

// howKnown are the ways in which one knows what it was.
var howKnown = map[string]bool{"seen": true, "mended-by": true, "laboratory": true, "died-of": true, "guess": true}

// KindConfirmed stands in stored records: it is never renamed or used for another.
const KindConfirmed Kind = "confirmed"

// Kind names it.
func (*Confirmed) Kind() Kind { return KindConfirmed }

func (c *Confirmed) check(s *situation) (faults Faults) {
	faults = checkCauses("confirmed.causes", c.Causes)
	if !howKnown[c.How] {
		faults = append(
			faults,
			Fault{
				Field:   "confirmed.how",
				Message: "say how you know: seen, mended by its treatment, a laboratory, what it died of, or a guess",
			},
		)
	}
	if s.state().Examined == nil {
		faults = append(
			faults,
			Fault{
				Field:    "confirmed",
				Message:  "it was never examined, so there is nothing to confirm; examine it first",
				Conflict: true,
			},
		)
	}
	return faults
}

func (c *Confirmed) apply(s *State, e Entry) {
	one := Confirmation{On: e.On, Entry: e.ID, Confirmed: *c}
	from := s.confirmedFrom
	if s.Case.Is() {
		from, one.Case = max(from, s.Case.From), s.Case.ID
	}
	for i := range s.Said {
		if s.Said[i].On >= from {
			first := s.Said[i]
			one.First, one.Look = &first, &first.look
			break
		}
	}
	same := func(before Confirmation) bool {
		return before.Case == one.Case && before.On >= s.confirmedFrom
	}
	s.Confirmations = append(slices.DeleteFunc(slices.Clone(s.Confirmations), same), one)
	s.Case.Confirmed = &one
}

func (*Confirmed) event(State) (string, bool) { return "", false }

func (*Confirmed) taken() taken { return always }

func (*Confirmed) effort() (Effort, int) { return ForNothing, 0 }
