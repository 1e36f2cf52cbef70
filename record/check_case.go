package record

import (
	"fmt"
	"slices"

	"tendermend/core/diagnosis"
)

// outcomeWords says how a plant is after each outcome.
var outcomeWords = map[Outcome]string{
	OutcomeMended: "mended", OutcomeGiven: "given away", OutcomeLost: "lost",
	OutcomeKept: "kept under watch", OutcomeNothing: "found well",
}

// checkCase says what keeps an entry from belonging to the case that it names, or
// to the one in hand. Records of an archive are taken as they were written.
func (s *situation) checkCase() Faults {
	e := s.entry
	if !e.RecordedAt.IsZero() || e.Case == nil && !bound(e) {
		return nil
	}
	state := s.caseState()
	c := state.Case
	if e.Case != nil && c.ID != *e.Case {
		return Faults{{Field: "case", Message: "this plant has no such case; look at its cases and pick one"}}
	}
	if e.Closed != nil {
		if faults := state.checkEnd(e.Closed, c); faults != nil {
			return faults
		}
	}
	switch {
	case !c.Is():
		return nil
	case e.Case != nil && e.On != 0 && e.On < c.From:
		const said = "%s is before its case, which began on %s; correct the day, or name another case"
		return Faults{{Field: "on", Message: fmt.Sprintf(said, e.On, c.From)}}
	}
	return state.checkNamed(e, c)
}

// checkNamed says what keeps a decision or a plan from the case that it names.
func (s State) checkNamed(e Entry, c Case) Faults {
	switch {
	case (e.Planned != nil || e.Diagnosed != nil) && e.Case != nil && !c.Open():
		const said = "this case ended on %s; open a new one, or take this one up again"
		return Faults{{Field: "case", Message: fmt.Sprintf(said, *c.EndedOn()), Conflict: true}}
	case e.Diagnosed != nil:
		return s.oneCaseEach(c, e.Diagnosed.Causes)
	}
	return nil
}

// oneCaseEach refuses causes that another open case is about already.
func (s State) oneCaseEach(but Case, causes []string) (faults Faults) {
	for _, other := range s.OpenCases() {
		if other.ID == but.ID {
			continue
		}
		for i, id := range causes {
			if !slices.Contains(other.Causes(), id) {
				continue
			}
			known, _ := diagnosis.CauseByID(id)
			const said = "%s is in work here since %s in a case of its own; go on with that one"
			faults = append(faults, Fault{
				Field:    fmt.Sprintf("diagnosed.causes[%d]", i),
				Message:  fmt.Sprintf(said, known.Label, other.OpenedOn),
				Conflict: true,
			})
		}
	}
	return faults
}

// checkEnd says what keeps a case, or a plant's stay, from ending.
func (s State) checkEnd(end *Closed, c Case) Faults {
	switch {
	case end.leaves() && s.Left != nil:
		message := fmt.Sprintf("it is %s since %s already", outcomeWords[s.Left.Outcome], s.LeftOn.Words())
		return Faults{{Field: "closed", Message: message, Conflict: true}}
	case end.leaves():
		return nil
	case !c.Is():
		const said = "it has no case that could end; look at it, or say that it is well"
		return Faults{{Field: "closed.outcome", Message: said, Conflict: true}}
	case !c.Open():
		const said = "this case ended on %s already; take it up again first"
		return Faults{{Field: "closed", Message: fmt.Sprintf(said, c.EndedOn().Words()), Conflict: true}}
	}
	return nil
}
