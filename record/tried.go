package record

import (
	"fmt"
	"strings"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Tried begins a trial of a product or a method on a plant: when its time is over, its
// result is asked for.
type Tried struct {
	What string `json:"what" maxLength:"120" doc:"The product or method that is tried."`
	Hope string `json:"hope" maxLength:"300" doc:"What will be seen if it helps."`
	Days int    `json:"days" minimum:"-9999" maximum:"99999" doc:"After so many days its result is asked for, 1-365."`
}

// How long a trial lasts, days: as it is proposed (common practice), and at most.
const (
	UsualTrial = 28
	mostTried  = 365
)

// Trial is a trial with what came of it.
type Trial struct {
	ID     uuid.UUID `json:"id" doc:"Of the entry that began it."`
	On     day.Day   `json:"on" doc:"The day it began."`
	AsksOn day.Day   `json:"asksOn" doc:"The day on which its result is asked for."`
	Tried
	Result *TrialResult `json:"result,omitempty" doc:"What came of it; missing while nobody has said."`
}

// TrialResult is the result of a trial, with its day.
type TrialResult struct {
	On     day.Day `json:"on"`
	Result Helped  `json:"result"`
	Note   string  `json:"note,omitempty"`
}

// KindTried stands in stored records: it is never renamed or used for another.
const KindTried Kind = "tried"

// Kind names it.
func (*Tried) Kind() Kind { return KindTried }

func (t *Tried) check(s *situation) (faults Faults) {
	if strings.TrimSpace(t.What) == "" {
		faults = append(faults, Fault{Field: "tried.what", Message: "say which product or method you try"})
	}
	if strings.TrimSpace(t.Hope) == "" {
		const said = "say what you will see if it helps: a trial without that has no result"
		faults = append(faults, Fault{Field: "tried.hope", Message: said})
	}
	if t.Days < 1 || t.Days > mostTried {
		said := fmt.Sprintf("give it a day to %s", working.Count(mostTried, "day"))
		faults = append(faults, Fault{Field: "tried.days", Message: said})
	}
	if s.entry.Replaces == nil {
		return faults
	}
	for _, before := range s.ledger.fold().Trials {
		if before.ID == *s.entry.Replaces && before.Result != nil {
			const said = "its result is recorded; undo that first, then correct what was tried"
			faults = append(faults, Fault{Field: "tried", Message: said, Conflict: true})
		}
	}
	return faults
}

func (t *Tried) apply(s *State, e Entry) {
	s.Trials = append(s.Trials, Trial{ID: e.ID, On: e.On, AsksOn: e.On + day.Day(t.Days), Tried: *t})
}

func (t *Tried) event(State) (string, bool) { return "tried: " + t.What, true }

func (*Tried) taken() taken { return whileHere }

func (*Tried) effort() (Effort, int) { return ForNothing, 0 }
