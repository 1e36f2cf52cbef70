package record

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"

	"github.com/google/uuid"
)

// Did ticks a step of the plan, or skips it with a reason.
type Did struct {
	Step    string `json:"step"`
	Skipped bool   `json:"skipped"`
	Reason  string `json:"reason,omitempty" maxLength:"300"`
	Note    string `json:"note,omitempty" maxLength:"2000"`
	Used    []Used `json:"used,omitempty" maxItems:"30" doc:"What it took from the cupboard."`
	// Unmet are conditions of its gate that were not met. Filled in when it is recorded.
	Unmet []string `json:"unmet,omitempty" maxItems:"20" doc:"What of its gate was not met when it was done."`
	// Made is what came out otherwise than the plan has it.
	Made *Made `json:"made,omitempty" doc:"What came out otherwise than planned."`
	// Writes says whether what the step makes so was recorded beside the tick, as
	// entries of their own; ticks of older records were only ticks.
	Writes bool `json:"writes,omitempty" doc:"Whether what it makes so is recorded beside it."`
	// Seen says that what the step waited for was seen.
	Seen bool `json:"seen,omitempty" doc:"Whether what the step waited for was seen."`
}

// Used is what a step took of a supply.
type Used struct {
	Supply uuid.UUID `json:"supply"`
	Amount float64   `json:"amount" minimum:"-9999" maximum:"1000000" doc:"In the supply's unit."`
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
			if s.entry.RecordedAt.IsZero() { // older records were not asked
				faults = append(faults, d.tooEarly(state, step, s.entry.On)...)
			}
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
	if d.Made != nil {
		faults = append(faults, d.Made.check()...)
	}
	for i, u := range d.Used {
		between(&faults, fmt.Sprintf("did.used[%d].amount", i), &u.Amount, 0.001, 1e6, "of it")
	}
	if d.Skipped && strings.TrimSpace(d.Reason) == "" {
		faults = append(faults, Fault{Field: "did.reason", Message: "say in a few words why it is skipped"})
	}
	return faults
}

// tooEarly says what keeps a step from being done on a day: it waits for something
// that nobody says was seen, its day is still to come, or there is nothing yet of what
// it is to record. With a reason it can be done all the same.
func (d *Did) tooEarly(state State, step sheet.Step, on day.Day) Faults {
	if d.Skipped || strings.TrimSpace(d.Reason) != "" {
		return nil
	}
	due := state.DueOn(step.ID)
	tick, ticked := state.Ticks[step.ID]
	if ticked && !tick.Skipped && step.Every > 0 {
		return nil // it comes back, and a look too many does no harm
	}
	unmet := state.unmet(step, on, d.Seen)
	switch {
	case len(unmet) > 0 && d.Seen:
		const said = "“%s” waits for this as well: %s (%s). Say in a few words why it is done all the same"
		return Faults{{Field: "did.reason", Message: fmt.Sprintf(said, step.Title, unmet[0].Wanted, unmet[0].Found)}}
	case len(unmet) > 0:
		const said = "“%s” waits for this: %s. Say that it was seen, or why it is done all the same"
		return Faults{{Field: "did.seen", Message: fmt.Sprintf(said, step.Title, step.Gate)}}
	case step.Gate == "" && due > on:
		const said = "“%s” is for %s; say in a few words why it is done early"
		return Faults{{Field: "did.reason", Message: fmt.Sprintf(said, step.Title, due.Words())}}
	case treatment.OperatorID(step.Op) == treatment.Baseline && strings.TrimSpace(d.Note) == "":
		if last, recorded := state.lastRecorded(); !recorded || last < on {
			const said = "take a picture or count first, or say in the note that none was made"
			return Faults{{Field: "did.note", Message: said}}
		}
	}
	return nil
}

// lastRecorded is the last day that holds a picture, a count or a size of how the plant
// is; false where none does.
func (s State) lastRecorded() (last day.Day, found bool) {
	see := func(on day.Day) { last, found = max(last, on), true }
	for _, p := range s.Pictures {
		see(p.On)
	}
	for _, t := range s.Tallies {
		see(t.On)
	}
	for _, measure := range recovery.Measures() {
		if measure.Kind == recovery.YesNo {
			continue // an answer is no count
		}
		if r, read := s.Readings.Last(measure.ID); read {
			see(r.On)
		}
	}
	for _, strand := range s.Strands {
		for _, size := range strand.Sizes {
			see(size.On)
		}
	}
	return last, found
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
		if !d.Writes {
			s.isolates(d.Step, e.On)
		}
		if s.Plan != nil && s.Plan.Track == recovery.Settling && s.course(recovery.Settling) == nil {
			s.followPlan(e.On)
		}
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

func (*Did) effort() (Effort, int) { return ForSteps, 0 }

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

// completed says whether the step writes what it makes so.
func (d *Did) completed(m moment) (Body, error) {
	done := *d
	done.Writes, done.Unmet = false, nil
	if step, found := m.state.step(d.Step); found && !d.Skipped {
		done.Writes = step.Makes != nil || d.Seen && len(m.state.sawIt(step, m.on)) > 0
		for _, c := range m.state.unmet(step, m.on, d.Seen) {
			done.Unmet = append(done.Unmet, c.Wanted)
		}
	}
	return Body{Did: &done}, nil
}

func (d *Did) sent() Body {
	bare := *d
	bare.Writes, bare.Unmet = false, nil
	return Body{Did: &bare}
}

// step finds a step of the plan in hand.
func (s State) step(id string) (sheet.Step, bool) {
	if s.Plan == nil {
		return sheet.Step{}, false
	}
	i := slices.IndexFunc(s.Plan.Steps, func(x sheet.Step) bool { return x.ID == id })
	if i < 0 {
		return sheet.Step{}, false
	}
	return s.Plan.Steps[i], true
}
