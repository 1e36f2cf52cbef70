package record

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/treatment/sheet"
	"tendermend/core/working"
)

// Sat is a whole sitting of the plan that was done on one day. The ticks of its steps
// are entries of their own that count only while it does: undoing it takes back all.
type Sat struct {
	Sitting int    `json:"sitting" minimum:"-9999" maximum:"99999" doc:"Its number in the plan, from 1."`
	Name    string `json:"name,omitempty" maxLength:"120" doc:"Its name. Filled in when it is recorded."`
}

// KindSat stands in stored records: it is never renamed or used for another.
const KindSat Kind = "sat"

// Kind names it.
func (*Sat) Kind() Kind { return KindSat }

func (t *Sat) check(s *situation) (faults Faults) {
	if _, found := t.of(s.caseState()); !found {
		const said = "the plan has no sitting %d; it may have been made again since"
		faults = append(faults, Fault{Field: "sat.sitting", Message: fmt.Sprintf(said, t.Sitting), Conflict: true})
	}
	return faults
}

// of finds the sitting in the plan in hand.
func (t *Sat) of(s State) (sheet.Sitting, bool) {
	if s.Plan == nil {
		return sheet.Sitting{}, false
	}
	i := slices.IndexFunc(s.Plan.Sittings, func(x sheet.Sitting) bool { return x.N == t.Sitting })
	if i < 0 {
		return sheet.Sitting{}, false
	}
	return s.Plan.Sittings[i], true
}

func (*Sat) apply(s *State, e Entry) { s.looked(e.On) }

func (t *Sat) event(State) (string, bool) {
	return working.Lower(strings.TrimSpace(t.Name)), t.Name != ""
}

func (*Sat) taken() taken { return whileHere }

func (*Sat) effort() (Effort, int) { return ForNothing, 0 }

func (t *Sat) completed(m moment) (Body, error) {
	done := *t
	if sitting, found := t.of(m.state); found {
		done.Name = sitting.Name
	}
	return Body{Sat: &done}, nil
}

func (t *Sat) sent() Body {
	bare := *t
	bare.Name = ""
	return Body{Sat: &bare}
}
