package record

import (
	"fmt"
	"strings"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Fault is one thing that keeps an entry from being recorded: the field, and in
// plain words what is wrong and what to do.
type Fault struct {
	Field   string
	Message string
	// Conflict is true where the entry was sound when it was begun and the record
	// has moved on since.
	Conflict bool
}

// Faults is a refusal with all its reasons.
type Faults []Fault

func (f Faults) Error() string {
	words := make([]string, len(f))
	for i, x := range f {
		words[i] = x.Field + ": " + x.Message
	}
	return strings.Join(words, "; ")
}

// Conflict says whether any fault comes from the record having moved on.
func (f Faults) Conflict() bool {
	for _, x := range f {
		if x.Conflict {
			return true
		}
	}
	return false
}

// situation is what an entry is checked against.
type situation struct {
	entry  Entry
	ledger *Ledger
	folded *State
}

// state is the plant as the record tells it, without the entry that this one
// corrects. It is folded when a check first asks for it.
func (s *situation) state() State {
	if s.folded == nil {
		state := s.ledger.without(s.entry.Replaces)
		s.folded = &state
	}
	return *s.folded
}

// unsettled is the same without what only the whole record tells: enough for a check
// that asks what was recorded of one thing, and much cheaper.
func (s *situation) unsettled() *State {
	if s.folded != nil || s.entry.Replaces != nil {
		state := s.state()
		return &state
	}
	return s.ledger.fold()
}

// caseState is the same, read for the case that the entry belongs to: for none yet
// where it begins one of its own, and for the case in hand where it belongs to none.
func (s *situation) caseState() State {
	state := s.state()
	switch at, begins := state.belongs(s.entry); {
	case begins:
		return state.As(Case{})
	case at >= 0:
		return state.As(state.Cases[at])
	}
	return state
}

// yearsBack is how far back something may be recorded.
const yearsBack = 30

// Check says what keeps an entry from being added to a plant's record, given
// the entries so far, the collection's own kinds and today. An empty answer
// means that it is sound.
func Check(e Entry, entries []Entry, kinds plant.Kinds, today day.Day) Faults {
	return NewLedger(e.PlantID, entries, kinds).Check(e, today)
}

// Check says what keeps an entry from being added. An empty answer means that it
// is sound.
func (l *Ledger) Check(e Entry, today day.Day) Faults {
	contents := e.contents()
	if len(contents) != 1 {
		const said = "an entry records exactly one thing; this one has %d"
		return Faults{{Field: "body", Message: fmt.Sprintf(said, len(contents))}}
	}
	s := &situation{entry: e, ledger: l}
	var faults Faults
	add := func(field, format string, args ...any) {
		faults = append(faults, Fault{Field: field, Message: fmt.Sprintf(format, args...)})
	}
	arrival, here := l.arrival(e.Replaces)
	switch {
	case e.On > today:
		add("on", "%s is still to come; give today or an earlier day", e.On)
	case e.On < today-yearsBack*366:
		add("on", "%s is more than %s ago; check the year", e.On, working.Count(yearsBack, "year"))
	case e.Arrived == nil && here && e.On < arrival.On:
		add("on", "%s is before it arrived on %s; correct this day, or the arrival's", e.On, arrival.On)
	}
	if e.Arrived == nil && e.Voided == nil && !here {
		const said = "the arrival of this plant was undone; bring the arrival back before you record more"
		return append(faults, Fault{"plant", said, true})
	}
	if left, on := l.leaving(); left != nil && e.Replaces == nil && contents[0].taken() == whileHere && e.On > on {
		const said = "this plant is %s since %s; give an earlier day, or say that it is here again"
		return append(faults, Fault{"plant", fmt.Sprintf(said, outcomeWords[left.Outcome], on), true})
	}
	faults = append(faults, s.checkCase()...)
	faults = append(faults, l.replacing(e)...)
	return append(faults, contents[0].check(s)...)
}

// replacing says what keeps an entry from correcting the one that it names.
func (l *Ledger) replacing(e Entry) Faults {
	if e.Replaces == nil {
		return nil
	}
	old, found := l.find(*e.Replaces)
	switch {
	case !found:
		return Faults{{Field: "replaces", Message: "there is no such entry in this plant's record"}}
	case old.Kind() != e.Kind():
		const said = "an entry of the kind %s cannot correct one of the kind %s"
		return Faults{{Field: "replaces", Message: fmt.Sprintf(said, e.Kind(), old.Kind())}}
	case !l.live(old.ID):
		const said = "somebody has corrected or undone this entry since you opened it; " +
			"look at the record and correct the newest one"
		return Faults{{Field: "replaces", Message: said, Conflict: true}}
	}
	return nil
}

// between refuses a number outside its sensible range.
func between(faults *Faults, field string, value *float64, least, most float64, unit string) {
	if value != nil && !(*value >= least && *value <= most) {
		*faults = append(
			*faults,
			Fault{
				Field:   field,
				Message: fmt.Sprintf("%g %s cannot be right; give a number from %g to %g", *value, unit, least, most),
			},
		)
	}
}

func countBetween(faults *Faults, field string, value *int, least, most int) {
	if value != nil && (*value < least || *value > most) {
		*faults = append(
			*faults,
			Fault{
				Field:   field,
				Message: fmt.Sprintf("%d cannot be right; give a count from %d to %d", *value, least, most),
			},
		)
	}
}
