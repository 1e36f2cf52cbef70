package record

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
)

// keptChances is how many causes of the differential are kept with a diagnosis.
const keptChances = 10

// Context is what a collection adds to the trade: where it lies, its own kinds,
// and who lives there.
type Context struct {
	South     bool
	Kinds     plant.Kinds
	Household treatment.Household
	// Sisters are plants that came with it and may have what travels.
	Sisters []Sister
	// Knowledge is what the collection judges by; nil for the shipped tables.
	Knowledge *diagnosis.Knowledge
}

func (c Context) knowledge() *diagnosis.Knowledge {
	if c.Knowledge == nil {
		return diagnosis.Standard()
	}
	return c.Knowledge
}

// edition names the tables that the collection judges by, as it is kept.
func (c Context) edition() string { return c.knowledge().Edition().String() }

// Complete fills in what an entry keeps of the moment it is recorded: the
// differential behind a look or a diagnosis, the composed plan, whether a gate
// was open.
func Complete(e *Entry, entries []Entry, c Context) error {
	return NewLedger(e.PlantID, entries, c.Kinds).Complete(e, c)
}

// Complete fills in what an entry keeps of the moment it is recorded.
func (l *Ledger) Complete(e *Entry, c Context) error {
	k, keeps := e.Content().(keeper)
	if !keeps {
		return nil
	}
	done, err := k.completed(moment{on: e.On, state: l.asOf(*e), around: c})
	if err != nil {
		return err
	}
	e.Body = done
	return nil
}

// SameSubmission says whether a sent entry is the recorded one sent again: the whole
// of it is equal but for what is filled in when it is recorded.
func SameSubmission(recorded, sent Entry) bool {
	if recorded.ID != sent.ID || recorded.PlantID != sent.PlantID || recorded.On != sent.On ||
		!sameID(recorded.Replaces, sent.Replaces) {
		return false
	}
	bare := func(e Entry) string {
		b := e.Body
		if k, keeps := e.Content().(keeper); keeps {
			b = k.sent()
		}
		raw, err := json.Marshal(b)
		if err != nil {
			return fmt.Sprintf("unwritable: %v", err)
		}
		return string(raw)
	}
	return bare(recorded) == bare(sent) && sameID(recorded.Case, sent.Case)
}

func sameID(a, b *uuid.UUID) bool {
	return a == nil && b == nil || a != nil && b != nil && *a == *b
}

// fragileDays is how long a newcomer is disturbed only at double price.
const fragileDays = 14

// Examination gives the last look as the differential takes it on a day: with
// the season, with what the record answers, with what the signs seen rule out,
// and whether the plant is to be spared.
func (s State) Examination(on day.Day, south bool) diagnosis.Examination {
	var e diagnosis.Examination
	if s.Examined != nil {
		e = s.Examined.withRecord(s.Derive(on, south))
	}
	e.Habit, e.Season = s.Habit.ID, climate.SeasonOf(on, south)
	e.Fragile, e.Traits = s.fragile(on), s.Wants.Traits
	return e
}

// Situation gives what a plan is made for, with the answers that the carer gave
// and, where he did not, what the record knows. A plan made anew in the middle of
// the same work takes what was done as it is.
func (s State) Situation(a sheet.Answers, keeps bool, on day.Day, c Context) (treatment.Situation, sheet.Answers) {
	if a.PotWidthCM == nil {
		a.PotWidthCM = s.Pot.WidthCM
	}
	if a.InSpike == nil {
		a.InSpike = s.sawSpike()
	}
	s.tallied(&a, on)
	sit := treatment.Situation{
		Kind:      s.kindID(),
		Habit:     s.Habit.ID,
		Profile:   s.Profile,
		Causes:    []cause.ID{},
		On:        on,
		South:     c.South,
		Household: c.Household,
	}
	if s.Verdict != nil {
		sit.Chances, sit.Rivals = map[cause.ID]float64{}, map[cause.ID]float64{}
		for _, id := range s.Verdict.Causes {
			sit.Causes = append(sit.Causes, cause.ID(id))
		}
		for _, said := range s.Verdict.Chances {
			if slices.Contains(s.Verdict.Causes, said.ID) {
				sit.Chances[cause.ID(said.ID)] = said.Chance
			} else {
				sit.Rivals[cause.ID(said.ID)] = said.Chance
			}
		}
	}
	w := s.warmthFor(a)
	low, high := w.Of(on)
	sit.Place.LowC, sit.Place.HighC = treatment.N(low), treatment.N(high)
	sit.Answers.Isolated = treatment.Yes{Said: s.Isolation == Isolated, Known: s.Isolation == Isolated}
	if a.OwnedDays == nil && s.fragile(on) {
		owned, _ := s.Owned(on)
		a.OwnedDays = &owned
	}
	if keeps {
		sit.Answers.Done = s.done(on)
	}
	// Another root sitting soon after would be one too many; today it is in the hand.
	if out, unpotted := s.carriedOut()[string(treatment.Unpot)]; unpotted && out < on {
		sit.Answers.LastSitting = treatment.N(float64(on - out))
	}
	return sit, a
}

// kindID is the id of its kind, where it ships with the program.
func (s State) kindID() string {
	if s.Profile == nil || s.Profile.Own {
		return ""
	}
	return s.Profile.ID
}

// sawSpike says whether the last look saw a flower spike; nil where it did not
// look.
func (s State) sawSpike() *bool {
	if s.Examined == nil {
		return nil
	}
	const sign = "flower.in-spike"
	seen := slices.Contains(s.Examined.Present, sign)
	if !seen && !slices.Contains(s.Examined.Absent, sign) {
		return nil
	}
	return &seen
}

// done lists what was carried out of the plans that are replaced, with its day,
// in order of name.
func (s State) done(on day.Day) []treatment.Event {
	var list []treatment.Event
	last := s.carriedOut()
	for _, op := range slices.Sorted(maps.Keys(last)) {
		list = append(list, treatment.Event{Event: op, Day: int(last[op] - on)})
	}
	return list
}

// warmthFor gives the warmth that a plan with these answers reckons with.
func (s State) warmthFor(a sheet.Answers) pest.Warmth {
	s.PlanAnswers = a
	return s.Warmth()
}

// tallied answers from a fresh root tally what the carer did not.
func (s State) tallied(a *sheet.Answers, on day.Day) {
	if len(s.Tallies) == 0 || on-s.Tallies[len(s.Tallies)-1].On > readingDays {
		return
	}
	last := s.Tallies[len(s.Tallies)-1]
	if a.LiveRoots == nil && last.Counted() > 0 {
		n := last.InMedium.Live + last.InMedium.Doubtful + last.InAir.Live + last.InAir.Doubtful
		a.LiveRoots = &n
		if a.DeadRoots == nil {
			dead := last.Counted() - n
			a.DeadRoots = &dead
		}
	}
	if a.LiveTips == nil {
		a.LiveTips = last.Tips
	}
	if a.RootBallCM == nil {
		a.RootBallCM = last.RootBallCM
	}
}
