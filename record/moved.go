package record

import (
	"fmt"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
)

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
		s.keep(m.Isolation, e.On, m.Reason)
	}
}

func (m *Moved) event(State) (string, bool) {
	if m.Isolation == Isolated {
		return "isolated", true
	}
	return "moved", true
}

func (*Moved) taken() taken { return whileHere }

func (*Moved) effort() (Effort, int) { return ForNothing, 0 }

func (m *Moved) concerns(_ *situation, at moment) []Concern {
	if m.Isolation != Clean {
		return nil
	}
	return at.state.early(at.on)
}

// early names what is missing before the plant may go back among the others.
func (s State) early(on day.Day) []Concern {
	a := s.Apart(on)
	if a == nil || a.Release.Open {
		return nil
	}
	var missing []string
	for _, c := range a.Release.Conditions {
		if !c.Met {
			missing = append(missing, c.Wanted)
		}
	}
	const said = "It is too early to let it back: still wanted is %s."
	return []Concern{{ReleasedEarly, fmt.Sprintf(said, strings.Join(missing, ", and "))}}
}
