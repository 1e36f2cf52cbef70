package record

import "github.com/google/uuid"

// Moved puts the plant in another place or state of isolation.
type Moved struct {
	Place     *uuid.UUID `json:"place,omitempty"`
	Isolation Isolation  `json:"isolation,omitempty" enum:"clean,watch,isolated"`
	Reason    string     `json:"reason,omitempty" maxLength:"300"`
}

// Isolation says how freely a plant may stand among the others.
type Isolation string

// The states of isolation.
const (
	Clean      Isolation = "clean"
	UnderWatch Isolation = "watch"
	Isolated   Isolation = "isolated"
)

// KindMoved stands in stored records: it is never renamed or used for another.
const KindMoved Kind = "moved"

// Kind names it.
func (*Moved) Kind() Kind { return KindMoved }

func (m *Moved) check(*situation) Faults {
	if m.Place == nil && m.Isolation == "" {
		return Faults{{Field: "moved", Message: "say where it went, or how it is kept apart"}}
	}
	switch m.Isolation {
	case "", Clean, UnderWatch, Isolated:
		return nil
	}
	return Faults{{Field: "moved.isolation", Message: "a plant is clean, under watch or isolated"}}
}

func (m *Moved) apply(s *State, e Entry) {
	if m.Place != nil {
		s.Place = m.Place
	}
	if m.Isolation != "" {
		s.Isolation = m.Isolation
	}
}

func (m *Moved) event(State) (string, bool) {
	if m.Isolation == Isolated {
		return "isolated", true
	}
	return "moved", true
}

func (*Moved) taken() taken { return underWatch }

func (*Moved) minutes() int { return 0 }
