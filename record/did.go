package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/treatment"

	"github.com/google/uuid"
)

// Did ticks a step of the plan, or skips it with a reason.
type Did struct {
	Step    string `json:"step"`
	Skipped bool   `json:"skipped"`
	Reason  string `json:"reason,omitempty" maxLength:"300"`
	Note    string `json:"note,omitempty" maxLength:"2000"`
	Used    []Used `json:"used,omitempty" maxItems:"30" doc:"What it took from the cupboard."`
}

// Used is what a step took of a supply.
type Used struct {
	Supply uuid.UUID `json:"supply"`
	Amount float64   `json:"amount" doc:"In the supply's unit."`
}

// KindDid stands in stored records: it is never renamed or used for another.
const KindDid Kind = "did"

// Kind names it.
func (*Did) Kind() Kind { return KindDid }

func (d *Did) check(s *situation) (faults Faults) {
	state := s.caseState()
	if state.Plan == nil {
		return Faults{{Field: "did.step", Message: "there is no plan to tick", Conflict: true}}
	}
	title, recurs := "", false
	for _, step := range state.Plan.Steps {
		if step.ID == d.Step {
			title, recurs = step.Title, step.Every > 0
		}
	}
	tick, ticked := state.Ticks[d.Step]
	if recurs && tick.On != s.entry.On {
		ticked = false // it comes back
	}
	switch {
	case title == "":
		faults = append(
			faults,
			Fault{
				Field:    "did.step",
				Message:  fmt.Sprintf("the plan has no step %q; it may have been made again since", d.Step),
				Conflict: true,
			},
		)
	case ticked:
		faults = append(
			faults,
			Fault{
				Field:    "did.step",
				Message:  fmt.Sprintf("“%s” was ticked on %s already", title, tick.On),
				Conflict: true,
			},
		)
	}
	for i, u := range d.Used {
		between(&faults, fmt.Sprintf("did.used[%d].amount", i), &u.Amount, 0.001, 1e6, "of it")
	}
	if d.Skipped && strings.TrimSpace(d.Reason) == "" {
		faults = append(faults, Fault{Field: "did.reason", Message: "say in a few words why it is skipped"})
	}
	return faults
}

// isolates makes the plant isolated, or free again, when such a step of the plan
// is ticked: a tick is not only a word.
func (s *State) isolates(stepID string, on day.Day) {
	if s.Plan == nil {
		return
	}
	for _, step := range s.Plan.Steps {
		if step.ID != stepID {
			continue
		}
		switch treatment.OperatorID(step.Op) {
		case treatment.Isolate, treatment.KeepApart:
			s.keep(Isolated, on, "by its plan")
		case treatment.Release:
			s.keep(Clean, on, "")
		}
	}
}

func (d *Did) apply(s *State, e Entry) {
	s.Ticks[d.Step] = Tick{e.On, e.ID, d.Skipped, d.Reason}
	if !d.Skipped {
		s.looked(e.On)
		s.isolates(d.Step, e.On)
	}
}

func (d *Did) event(s State) (string, bool) {
	if d.Skipped || s.Plan == nil {
		return "", false
	}
	for _, step := range s.Plan.Steps {
		if step.ID == d.Step {
			return strings.ToLower(step.Title[:1]) + step.Title[1:], true
		}
	}
	return "", false
}

func (*Did) taken() taken { return whileHere }

func (*Did) minutes() int { return 0 }

func (d *Did) concerns(_ *situation, m moment) []Concern {
	if d.Skipped || m.state.Plan == nil {
		return nil
	}
	for _, step := range m.state.Plan.Steps {
		if step.ID == d.Step && treatment.OperatorID(step.Op) == treatment.Release {
			return m.state.early(m.on)
		}
	}
	return nil
}
