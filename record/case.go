package record

import (
	"cmp"
	"math"
	"slices"

	"github.com/google/uuid"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
)

// Case is one trouble of a plant, from what made one look to its end. A plant has
// any number of them, one after the other and side by side.
type Case struct {
	ID       uuid.UUID // of the entry that opened it; nil where there is none
	From     day.Day   // the first look that belongs to it, or the day it was opened
	OpenedOn day.Day
	Why      string // what made one look; empty where nobody said
	Signal   string // the signal that it answers; empty where none

	Verdict *Verdict // what was accepted last

	Plan        *sheet.Plan
	PlanEntry   uuid.UUID // the entry with which it was taken up
	PlannedOn   day.Day
	PlanAnswers sheet.Answers
	Ticks       map[string]Tick // steps of the plan done or skipped
	// Before are operators that were carried out under plans that the plan in hand
	// took the place of in the middle of the same work, with the last day of each.
	Before map[string]day.Day

	Courses []Course // the tracks it is on, the leading one first; none before a plan

	Confirmed *Confirmation // what it turned out to be

	Closed   *Closed
	ClosedOn day.Day

	// took are the signals that sounded when what ails it was accepted last, with the
	// days of what they were read from.
	took map[string]*day.Day

	// watered is how often its roots had been wetted when the plan in hand was taken up.
	watered int

	// nothing is true where a look ended it: nothing was found.
	nothing bool

	// carriedOut is the day on which all that was wished had been done; nil before, and where it is no mere wish.
	carriedOut *day.Day
}

// Is says whether there is a case at all.
func (c Case) Is() bool { return c.ID != uuid.Nil }

// Open says whether it is in work: neither closed nor past the last gate of all
// its tracks.
func (c Case) Open() bool {
	if c.OnlyWished() {
		return c.Is() && c.Closed == nil && c.carriedOut == nil
	}
	return c.Is() && c.Closed == nil && !c.passed() && !c.nothing
}

// passed says whether the last gate of all its tracks is passed.
func (c Case) passed() bool {
	for _, course := range c.Courses {
		if _, _, in := course.In(); in {
			return false
		}
	}
	return len(c.Courses) > 0
}

// Outcome is how it ended; empty while it is open.
func (c Case) Outcome() Outcome {
	switch {
	case c.Closed != nil:
		return c.Closed.Outcome
	case c.OnlyWished() && c.carriedOut != nil:
		return OutcomeDone
	case c.OnlyWished():
		return ""
	case c.nothing:
		return OutcomeNothing
	case c.passed():
		return OutcomeMended
	}
	return ""
}

// EndedOn gives the day on which it ended; nil while it is open.
func (c Case) EndedOn() *day.Day {
	switch {
	case !c.Is() || c.Open():
		return nil
	case c.Closed != nil:
		on := c.ClosedOn
		return &on
	case c.OnlyWished():
		return c.carriedOut
	}
	last := c.OpenedOn
	for _, course := range c.Courses {
		last = max(last, course.Began)
	}
	if c.nothing && c.Verdict != nil {
		last = max(last, c.Verdict.On)
	}
	return &last
}

// Causes gives what it is about, the main cause first: what it turned out to be,
// otherwise what its plan treats, otherwise what was accepted.
func (c Case) Causes() []string {
	switch {
	case c.Confirmed != nil && len(c.Confirmed.Causes) > 0:
		return c.Confirmed.Causes
	case c.Plan != nil && len(c.Plan.Causes) > 0:
		return c.Plan.Causes
	case c.Verdict != nil:
		return c.Verdict.Causes
	}
	return nil
}

// MainCause gives the first of its causes; empty where none is known.
func (c Case) MainCause() string {
	if all := c.Causes(); len(all) > 0 {
		return all[0]
	}
	return ""
}

// Edition is the state of the tables by which it was judged last; empty before.
func (c Case) Edition() string {
	if c.Verdict == nil {
		return ""
	}
	return c.Verdict.Tables
}

// standing says in one word where the case stands.
func (c Case) standing() string {
	switch {
	case !c.Open():
		return string(c.Outcome())
	case c.OnlyWished():
		return "wished"
	case c.Plan != nil:
		return "mending"
	case c.Verdict == nil:
		return "opened"
	case len(c.Verdict.Causes) == 0:
		return "watched"
	}
	return "diagnosed"
}

// CaseStanding says in one word where the case in hand stands.
func (s State) CaseStanding() string {
	if s.Case.Open() && s.Plan == nil && s.Undecided() {
		return "examined"
	}
	return s.Case.standing()
}

// Result says what a case counts as when cases are counted.
type Result string

// What cases count as. Only what was in danger and lives on is saved: a plant that
// was given away is no cure, and a rest is none either.
const (
	ResultOpen    Result = "open"
	ResultSaved   Result = "saved"
	ResultLost    Result = "lost"
	ResultGiven   Result = "given-away"
	ResultNothing Result = "nothing" // nothing was wrong, or it rested
)

// Result says what the case counts as.
func (c Case) Result() Result {
	main, known := diagnosis.CauseByID(c.MainCause())
	switch outcome := c.Outcome(); {
	case outcome == OutcomeLost:
		return ResultLost
	case outcome == OutcomeGiven:
		return ResultGiven
	case c.OnlyWished():
		return ResultNothing
	case outcome == "":
		return ResultOpen
	case outcome == OutcomeNothing, known && main.Harmless, main.ID == string(cause.Dormancy):
		return ResultNothing
	}
	return ResultSaved
}

// rank orders open cases, the gravest first: by how soon its causes must be acted
// on. One whose cause is not known yet comes before all others: it may be any. What is only wished comes last.
func (c Case) rank() float64 {
	switch {
	case c.OnlyWished():
		return math.Inf(1)
	case c.Verdict == nil:
		return 0
	}
	soonest := math.Inf(1)
	for _, id := range c.Causes() {
		if one, known := diagnosis.CauseByID(id); known {
			soonest = min(soonest, float64(one.DaysToAct))
		}
	}
	return soonest
}

// OpenCases gives the open cases, the gravest first.
func (s State) OpenCases() []Case {
	open := slices.DeleteFunc(slices.Clone(s.Cases), func(c Case) bool { return !c.Open() })
	slices.SortStableFunc(open, func(a, b Case) int {
		return cmp.Or(cmp.Compare(a.rank(), b.rank()), cmp.Compare(a.OpenedOn, b.OpenedOn))
	})
	return open
}

// CaseByID finds a case; false where the plant has none of that id.
func (s State) CaseByID(id uuid.UUID) (Case, bool) {
	i := slices.IndexFunc(s.Cases, func(c Case) bool { return c.ID == id })
	if i < 0 {
		return Case{}, false
	}
	return s.Cases[i], true
}

// As is the state read for one of its cases.
func (s State) As(c Case) State {
	s.Case = c
	return s
}

// leading is the index of the case that is shown first: the gravest open one, or
// the one that ended last; -1 where there is none.
func (s State) leading() int {
	if open := s.OpenCases(); len(open) > 0 {
		return slices.IndexFunc(s.Cases, func(c Case) bool { return c.ID == open[0].ID })
	}
	last := -1
	for i, c := range s.Cases {
		if last < 0 || *c.EndedOn() >= *s.Cases[last].EndedOn() {
			last = i
		}
	}
	return last
}

// begin begins a case with an entry and gives its index. Looks since the last case
// ended belong to it, but those of another that was opened since; none belongs to a mere wish.
func (s *State) begin(e Entry) int {
	c := Case{ID: e.ID, From: e.On, OpenedOn: e.On, Ticks: map[string]Tick{}}
	if e.Planned != nil {
		s.Cases = append(s.Cases, c)
		return len(s.Cases) - 1
	}
	taken := day.Day(math.MinInt32)
	for _, other := range s.Cases {
		if !other.OnlyWished() {
			taken = max(taken, other.OpenedOn)
		}
	}
	if s.Examined != nil && !s.Decided && s.Examined.On >= s.quietSince() {
		c.From = min(c.From, s.Examined.On)
	}
	for _, said := range s.Said {
		if said.On >= s.quietSince() && said.On > taken {
			c.From = min(c.From, said.On)
			break
		}
	}
	s.Cases = append(s.Cases, c)
	return len(s.Cases) - 1
}

// quietSince is the day since which nothing was wrong with it that anybody worked on.
func (s State) quietSince() day.Day {
	since := s.ArrivedOn
	for _, c := range s.Cases {
		if on := c.EndedOn(); on != nil && !c.OnlyWished() {
			since = max(since, *on)
		}
	}
	return since
}

// belongs says to which case an entry belongs: one of them by its index, one that
// it begins, or none (-1). Entries of older records name none: they belong to the
// case in hand.
func (s State) belongs(e Entry) (at int, begins bool) {
	if e.Case != nil {
		if i := slices.IndexFunc(s.Cases, func(c Case) bool { return c.ID == *e.Case }); i >= 0 {
			return i, false
		}
	}
	if e.Opened != nil {
		return -1, true
	}
	if !bound(e) {
		return -1, false
	}
	lead := s.leading()
	none := lead < 0 || !s.Cases[lead].Open()
	beside := !none && e.Planned == nil && s.Cases[lead].OnlyWished() // what is found is no part of a wish
	if (none || beside) && (e.Diagnosed != nil || e.Planned != nil || e.Examined != nil) {
		return -1, e.Planned != nil || e.Diagnosed != nil && !e.Diagnosed.Nothing
	}
	return s.belongsTo(e, lead)
}

// belongsTo says to which case an entry belongs that names none, where one leads.
func (s State) belongsTo(e Entry, lead int) (at int, begins bool) {
	switch {
	case e.Closed != nil && lead < 0 && !e.Closed.leaves():
		return -1, true // older records ended what nobody had named
	case e.Did != nil:
		return s.caseWith(lead, func(c Case) bool {
			return c.Plan != nil && slices.ContainsFunc(c.Plan.Steps, func(x sheet.Step) bool { return x.ID == e.Did.Step })
		}), false
	case e.Staged != nil:
		return s.caseWith(lead, func(c Case) bool {
			return slices.ContainsFunc(c.Courses, func(x Course) bool { return x.Track == e.Staged.Track })
		}), false
	}
	return lead, false
}

// bound says whether an entry is of a kind that belongs to a case; what is read of
// the plant belongs to all of them.
func bound(e Entry) bool {
	return e.Examined != nil || e.Diagnosed != nil || e.Planned != nil || e.Did != nil || e.Sat != nil ||
		e.Staged != nil || e.Confirmed != nil || e.Closed != nil || e.Reopened != nil
}

// CasesOf gives the cases that an entry is part of: its own, or for what is read of
// the plant, and for what was undone, those that were in work on its day.
func (s State) CasesOf(e Entry) []uuid.UUID {
	if own, known := s.caseOf[e.ID]; known {
		return []uuid.UUID{own}
	}
	in := []uuid.UUID{}
	for _, c := range s.Cases {
		ended := c.EndedOn()
		if e.Case != nil && *e.Case == c.ID || e.Case == nil && e.On >= c.From && (ended == nil || e.On <= *ended) {
			in = append(in, c.ID)
		}
	}
	return in
}

// caseWith gives the first case for which something holds, the one in hand before
// the newest; the one in hand where it holds for none.
func (s State) caseWith(lead int, holds func(Case) bool) int {
	if lead >= 0 && holds(s.Cases[lead]) {
		return lead
	}
	for i := len(s.Cases) - 1; i >= 0; i-- {
		if holds(s.Cases[i]) {
			return i
		}
	}
	return lead
}

// treatsPests says whether it is about pests: its tracks, or what was accepted.
func (c Case) treatsPests() bool {
	if slices.ContainsFunc(c.Courses, func(x Course) bool { return recovery.ClearsPests(x.Track) }) {
		return true
	}
	return slices.ContainsFunc(c.Causes(), isPest)
}

// onlyPests says whether it is about nothing but pests.
func (c Case) onlyPests() bool {
	all := c.Causes()
	return len(all) > 0 && !slices.ContainsFunc(all, func(id string) bool { return !isPest(id) })
}
