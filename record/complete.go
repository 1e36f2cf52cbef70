package record

import (
	"encoding/json"
	"fmt"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
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
	Household facts.Household
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
		!sameID(recorded.Replaces, sent.Replaces) || sent.With != nil && !sameID(recorded.With, sent.With) {
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

// Situation gives what a plan is made for: what the record knows of the plant, with
// what the carer answered now above it. A plan made anew in the middle of the same
// work takes what was done as it is.
func (s State) Situation(a sheet.Answers, keeps bool, on day.Day, c Context) treatment.Situation {
	sit := treatment.Situation{
		Kind:    s.kindID(),
		Habit:   s.Habit.ID,
		Profile: s.Profile,
		Causes:  []cause.ID{},
		On:      on,
		Facts:   s.Facts(on, c),
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
	low, high := s.warmthFor(a).Of(on)
	sit.Facts.Place.LowC, sit.Facts.Place.HighC = facts.Said(low), facts.Said(high)
	if keeps {
		sit.Facts.Done = s.done(on)
	}
	return sit
}

// kindID is the id of its kind, where it ships with the program.
func (s State) kindID() string {
	if s.Profile == nil || s.Profile.Own {
		return ""
	}
	return s.Profile.ID
}

// SawSpike says whether the last look saw a flower spike; nil where it did not
// look.
func (s State) SawSpike() *bool {
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

// warmthFor gives the warmth that a plan with these answers reckons with.
func (s State) warmthFor(a sheet.Answers) pest.Warmth {
	s.PlanAnswers = a
	return s.Warmth()
}
