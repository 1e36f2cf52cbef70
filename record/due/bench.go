package due

import (
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/isolation"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// Hygiene is what a plant may give to the next one on a bench, the least first: who works
// on several goes from the clean to the infested and never back (common practice).
type Hygiene string

// The turns of a bench day.
const (
	CleanFirst   Hygiene = "clean"
	SuspectNext  Hygiene = "suspect"
	InfestedLast Hygiene = "infested"
)

// BenchTurn says a turn, and what is done before its first plant and between two of them.
type BenchTurn struct {
	Turn   Hygiene `json:"turn" enum:"clean,suspect,infested"`
	Title  string  `json:"title"`
	Before string  `json:"before"`
}

// Turns lists them in the order of the work (common practice).
func Turns() []BenchTurn {
	return []BenchTurn{
		{CleanFirst, "Clean ones first", "A clean bench, washed hands, a clean blade; the blade again between two."},
		{SuspectNext, "Then the suspect", "Wash your hands; another tray; the blade cleaned between two."},
		{InfestedLast, "The infested last", "A tray and a blade of their own; nothing of them goes back."},
	}
}

// HygieneOf is the turn of a plant: last what has a cause that goes over by itself, through
// the air, by touch or on insects; before it what has one that goes with blade, medium or
// drops, and what is kept apart, watched or suspected; first the others.
func HygieneOf(s record.State) Hygiene {
	var ways []cause.Way
	for _, c := range s.OpenCases() {
		ways = append(ways, isolation.WaysOf(c.Causes()...)...)
	}
	byItself := func(w cause.Way) bool { return w == cause.ByAir || w == cause.ByContact || w == cause.ByVector }
	switch {
	case slices.ContainsFunc(ways, byItself):
		return InfestedLast
	case len(ways) > 0, s.Isolation == record.Isolated, s.Isolation == record.UnderWatch, len(s.Suspected()) > 0,
		s.Arrival.Suspect:
		return SuspectNext
	}
	return CleanFirst
}

// BenchStep is a step of a plan, with the case that it belongs to.
type BenchStep struct {
	sheet.Step
	Case uuid.UUID `json:"case" doc:"The case of its plan; all zeros where there is none."`
}

// StepsBy are the steps of its plans that are due by a day and wait for nothing to be
// seen, in the order of the plan.
func StepsBy(s record.State, south bool, by day.Day) (steps []BenchStep) {
	for _, t := range By(Tasks(s, south), by, nil) {
		if t.Step == "" || t.Gate != "" {
			continue
		}
		of := s
		if c, known := caseOf(s, t); known {
			of = s.As(c)
		}
		if of.Plan == nil {
			continue
		}
		for _, step := range of.Plan.Steps {
			if step.ID == t.Step {
				steps = append(steps, BenchStep{step, t.Case})
			}
		}
	}
	return steps
}

func caseOf(s record.State, t Task) (record.Case, bool) {
	for _, c := range s.OpenCases() {
		if c.ID == t.Case {
			return c, true
		}
	}
	return record.Case{}, false
}
