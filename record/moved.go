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
	Tray      string     `json:"tray,omitempty" maxLength:"40" doc:"The tray that it shares there, by name."`
	// Exposed is what it may have caught, where it is put on watch for that.
	Exposed *ExposedTo `json:"exposed,omitempty" doc:"What it may have caught, where it is watched for that."`
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

func (m *Moved) check(s *situation) (faults Faults) {
	if m.Place == nil && m.Isolation == "" && m.Tray == "" && m.Exposed == nil {
		return Faults{{Field: "moved", Message: "say where it went, or how it is kept apart"}}
	}
	m.Exposed.check(&faults)
	if m.Exposed != nil && m.Exposed.Plant == s.entry.PlantID {
		faults = append(faults, Fault{Field: "moved.exposed.plant", Message: "a plant does not catch it from itself"})
	}
	switch m.Isolation {
	case "", Clean, UnderWatch, Isolated:
		return faults
	}
	return append(faults, Fault{Field: "moved.isolation", Message: "a plant is clean, under watch or isolated"})
}

func (m *Moved) apply(s *State, e Entry) {
	if m.Place != nil {
		s.Place, s.Tray = m.Place, ""
	}
	if m.Tray != "" {
		s.Tray = strings.TrimSpace(m.Tray)
	}
	if m.Isolation != "" {
		s.keep(m.Isolation, e.On, m.Reason)
	}
	if m.Isolation == Clean {
		s.Exposures = nil
	}
	if m.Exposed != nil {
		s.Exposures = append(s.Exposures, Exposure{On: e.On, Entry: e.ID, Why: m.Reason, ExposedTo: *m.Exposed})
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
