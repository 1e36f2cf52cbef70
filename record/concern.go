package record

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/treatment"
)

// Concern is a mistake that recording something is about to confirm. It is named
// at that moment, and the entry is taken all the same when it says so.
type Concern struct {
	ID   ConcernID `json:"id"`
	Said string    `json:"said" doc:"What was warned of, in words."`
}

// ConcernID names a concern. It stands in stored records.
type ConcernID string

// What is warned of.
const (
	WateredToday  ConcernID = "watered-today"  // somebody watered it that day already
	CutsOpen      ConcernID = "cuts-open"      // its plan keeps it dry yet
	RotWatered    ConcernID = "rot-watered"    // its roots rot and nobody has worked on them
	FreshlyHurt   ConcernID = "freshly-hurt"   // its leaves were burnt or chilled
	NothingSpeaks ConcernID = "nothing-speaks" // the signs give a cause no chance
	CourseOpen    ConcernID = "course-open"    // its case is to end while a stage is not passed
	ReleasedEarly ConcernID = "released-early" // what keeps it apart is not over
	FedAtRest     ConcernID = "fed-at-rest"    // its kind rests
	FedFewRoots   ConcernID = "fed-few-roots"  // too few roots live to take the feed up
	WaterHeld     ConcernID = "water-held"     // its plan, its stage or its rest holds water back
	WateredWet    ConcernID = "watered-wet"    // the stick came out wet
	FeedHeld      ConcernID = "feed-held"      // its stage is not fed
	SprayBarred   ConcernID = "spray-barred"   // its stage says that nothing is sprayed
	ProductsClose ConcernID = "products-close" // another product was used days ago
	MarksLeaves   ConcernID = "marks-leaves"   // it marks hairy or powdery leaves
	LookOld       ConcernID = "look-old"       // the look that it is planned from is old
	BadAtLastLook ConcernID = "bad-last-look"  // it is to be mended while its last look was bad
	StockBelow    ConcernID = "stock-below"    // more is taken from the cupboard than stands in it
)

// Concerns is what keeps an entry back until its sender says that it is meant.
type Concerns []Concern

func (c Concerns) Error() string {
	said := make([]string, len(c))
	for i, one := range c {
		said[i] = one.Said
	}
	return strings.Join(said, " ")
}

// wary is a kind that can be a mistake.
type wary interface {
	concerns(*situation, moment) []Concern
}

// Concerns names what is likely a mistake in an entry that is sound, at the
// moment at which it is recorded.
func (l *Ledger) Concerns(e Entry, now time.Time, c Context) Concerns {
	w, is := e.Content().(wary)
	if !is {
		return nil
	}
	s := &situation{entry: e, ledger: l}
	state := l.asOf(e)
	state.Sisters = c.Sisters
	return w.concerns(s, moment{on: e.On, at: now, state: state, around: c})
}

// Unmet leaves out the concerns that were accepted.
func (c Concerns) Unmet(accepted []ConcernID) Concerns {
	return slices.DeleteFunc(slices.Clone(c), func(one Concern) bool { return slices.Contains(accepted, one.ID) })
}

// ago says how long ago something was, to somebody who stands before it.
func ago(d time.Duration) string {
	switch {
	case d < time.Minute:
		return fmt.Sprintf("%d s ago", max(1, int(d.Seconds())))
	case d < time.Hour:
		return fmt.Sprintf("%d min ago", int(d.Minutes()))
	}
	return "earlier that day"
}

// watered is the last counting watering of a day, but for one that is corrected.
func (l *Ledger) watered(on day.Day, but Entry) (last Entry, found bool) {
	for _, e := range slices.Backward(l.entries) {
		replaced := but.Replaces != nil && *but.Replaces == e.ID
		if e.Watered != nil && e.On == on && !replaced && l.live(e.ID) {
			return e, true
		}
	}
	return Entry{}, false
}

// firstWater gives the step of the plan in hand with which water comes back
// after work on roots; false where it was done, or no such step stands.
func (s State) firstWater() (on day.Day, gate string, waits bool) {
	if s.Plan == nil || !s.Case.Open() {
		return 0, "", false
	}
	if _, worked := s.CarriedOut()[string(treatment.Unpot)]; !worked {
		return 0, "", false
	}
	done := s.Done()
	for _, step := range s.Plan.Steps {
		if _, is := done[step.ID]; !is && treatment.OperatorID(step.Op) == treatment.FirstWater && step.Of == "" {
			return s.DueOn(step.ID), step.Gate, true
		}
	}
	return 0, "", false
}

// rotsUntouched says whether rot of roots or base was accepted and the plant has
// not been out of its pot since.
func (s State) rotsUntouched() bool {
	if s.Verdict == nil || !s.Case.Open() {
		return false
	}
	rots := slices.ContainsFunc(treatment.Rots(), func(id cause.ID) bool {
		return slices.Contains(s.Verdict.Causes, string(id))
	})
	out, worked := s.CarriedOut()[string(treatment.Unpot)]
	repotted := s.Pot.FreshOn != nil && *s.Pot.FreshOn >= s.Verdict.On
	return rots && !repotted && (!worked || out < s.Verdict.On)
}
