package record

import "github.com/google/uuid"

// Voided takes an entry back. Voiding a voiding entry brings the old one back.
type Voided struct {
	Entry  uuid.UUID `json:"entry"`
	Reason string    `json:"reason,omitempty" maxLength:"300"`
}

// KindVoided stands in stored records: it is never renamed or used for another.
const KindVoided Kind = "voided"

// Kind names it.
func (*Voided) Kind() Kind { return KindVoided }

func (v *Voided) check(s *situation) Faults {
	_, found := s.ledger.find(v.Entry)
	switch {
	case !found:
		return Faults{{Field: "voided.entry", Message: "there is no such entry in this plant's record"}}
	case !s.ledger.live(v.Entry):
		return Faults{{Field: "voided.entry", Message: "this entry was undone or corrected already", Conflict: true}}
	}
	return nil
}

func (*Voided) apply(s *State, e Entry) {}

func (*Voided) event(State) (string, bool) { return "", false }

func (*Voided) taken() taken { return always }

func (*Voided) effort() (Effort, int) { return ForNothing, 0 }
