package record_test

import (
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/record"
	"tendermend/record/due"
)

// in records something for a case.
func (b *book) in(daysAgo int, of uuid.UUID, body record.Body) record.Entry {
	b.t.Helper()
	e := b.entry(daysAgo, body)
	e.Case = &of
	return b.add(e)
}

// tryIn says what keeps something from being recorded for a case.
func (b *book) tryIn(daysAgo int, of uuid.UUID, body record.Body) record.Faults {
	e := b.entry(daysAgo, body)
	e.Case, e.RecordedAt = &of, time.Time{}
	return record.Check(e, b.entries, b.kinds, today)
}

// mended brings a vine through mealybugs: its case ends with the last gate.
func (b *book) mended() {
	mealybugs(b, nil)
	for i, to := range []string{"repeats", "proving", recovery.Mended} {
		from := []string{"knock-down", "repeats", "proving"}[i]
		body := record.Body{Staged: &record.Staged{Track: "pest-clearance", From: from, To: to, Reason: "seen"}}
		b.write(30-i, body)
	}
}

// A vine mended of mealybugs in spring, found crawling in autumn and planned anew,
// begins at the first stage of a case of its own.
func TestATroubleThatComesAgainIsACaseOfItsOwn(t *testing.T) {
	b := newBook(t)
	b.mended()
	s := b.state()
	require.Equal(t, "mended", s.Standing())
	require.Empty(t, s.OpenCases())
	first := s.Cases[0].ID
	b.write(9, check("live-pests", 1, "wilt", 0))
	s = b.state()
	require.Len(t, s.Alarms(), 1, "an alarm on a mended plant")
	assert.Equal(t, "live-pests", s.Alarms()[0].ID)
	task := due.Tasks(s, false)[0]
	assert.Equal(t, due.Signal, task.Kind)
	assert.Equal(t, today-9, task.From, "it is on the walk that very minute")
	assert.NotEmpty(t, task.Why)
	again := b.write(8, record.Body{Opened: &record.Opened{Signal: "live-pests"}})
	s = b.state()
	assert.Empty(t, s.Alarms(), "a case answers it")
	assert.Equal(t, "opened", s.Standing())
	assert.Equal(t, "Live pests seen", s.Case.Why)
	b.in(8, again.ID, record.Body{Examined: &record.Examined{Present: []string{"pest.cotton"}}})
	assert.Equal(t, "examined", b.state().Standing())
	b.in(8, again.ID, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"mealybug"}}})
	b.in(7, again.ID, record.Body{Planned: &record.Planned{}})
	s = b.state()
	assert.Equal(t, "mending", s.Standing())
	require.Len(t, s.Cases, 2)
	assert.Equal(t, again.ID, s.Case.ID)
	at := slices.IndexFunc(s.Courses, func(c record.Course) bool { return c.Track == "pest-clearance" })
	assert.Zero(t, s.Courses[at].Stage, "from its first stage, on a track that was passed before")
	old, _ := s.CaseByID(first)
	assert.Equal(t, record.OutcomeMended, old.Outcome(), "the first stays as it ended")
	assert.Equal(t, record.ResultSaved, old.Result())
	assert.Equal(t, record.ResultOpen, s.Case.Result())
}

// Who takes a case up again finds it in work, however it had ended.
func TestACaseThatEndedIsTakenUpAgain(t *testing.T) {
	closed := func(o record.Outcome) func(*book) {
		return func(b *book) {
			mealybugs(b, nil)
			b.write(9, record.Body{Closed: &record.Closed{Outcome: o, Reason: "so it was"}})
		}
	}
	found := func(b *book) {
		b.write(20, record.Body{Opened: &record.Opened{Why: "a spot"}})
		b.write(9, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	}
	for how, c := range map[string]struct {
		ended func(*book)
		stage string
	}{
		"its last gate passed": {(*book).mended, "proving"},
		"kept under watch":     {closed(record.OutcomeKept), "knock-down"},
		"given away":           {closed(record.OutcomeGiven), "knock-down"},
		"lost":                 {closed(record.OutcomeLost), "knock-down"},
		"nothing found":        {found, ""},
	} {
		b := newBook(t)
		c.ended(b)
		require.Empty(t, b.state().OpenCases(), how)
		was := b.state().Case.ID
		b.in(5, was, record.Body{Reopened: &record.Reopened{Reason: "it shows again"}})
		s := b.state()
		require.Len(t, s.OpenCases(), 1, how)
		assert.Equal(t, was, s.Case.ID, how)
		_, stage, _ := s.CurrentStage()
		assert.Equal(t, c.stage, stage.ID, how)
		assert.NotEmpty(t, due.Tasks(s, false), how)
		faults := b.tryIn(4, was, record.Body{Reopened: &record.Reopened{}})
		assert.True(t, faults.Conflict(), "%s: it is open already", how)
	}
}

// What is done in a case is of that case alone; what is read of the plant is of all
// that were in work that day.
func TestAnEntryIsPartOfItsCases(t *testing.T) {
	b := newBook(t)
	opened := func(daysAgo int) record.Entry {
		return b.write(daysAgo, record.Body{Opened: &record.Opened{Why: "a spot"}})
	}
	before := b.write(50, check("wilt", 0))
	first, second := opened(40), opened(30)
	both := b.write(25, check("wilt", 1))
	mine := b.in(20, first.ID, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	after := b.write(10, check("wilt", 0))
	s := b.state()
	for _, c := range []struct {
		of   record.Entry
		want []uuid.UUID
	}{
		{before, []uuid.UUID{}},
		{first, []uuid.UUID{first.ID}},
		{second, []uuid.UUID{second.ID}},
		{both, []uuid.UUID{first.ID, second.ID}},
		{mine, []uuid.UUID{first.ID}},
		{after, []uuid.UUID{second.ID}},
	} {
		assert.Equal(t, c.want, s.CasesOf(c.of), "%s", c.of.Kind())
	}
	b.write(5, record.Body{Voided: &record.Voided{Entry: mine.ID}})
	assert.Equal(t, []uuid.UUID{first.ID}, b.state().CasesOf(mine), "undone, it was still meant for that case")
}

func TestTwoCasesGoSideBySideTheGravestFirst(t *testing.T) {
	b := newBook(t)
	b.write(40, record.Body{Examined: &record.Examined{Present: []string{"leaf.crisp"}}})
	b.write(40, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"dry-air"}}})
	b.write(40, record.Body{Planned: &record.Planned{}})
	dry := b.state().Case.ID
	rot := b.write(10, record.Body{Opened: &record.Opened{Why: "it smells"}})
	assert.Equal(t, rot.ID, b.state().Case.ID, "what is not known yet comes first")
	b.in(10, rot.ID, record.Body{Examined: &record.Examined{Present: []string{"root.mushy", "root.smell"}}})
	b.in(10, rot.ID, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	b.in(9, rot.ID, record.Body{Planned: &record.Planned{}})
	s := b.state()
	require.Len(t, s.OpenCases(), 2)
	assert.Equal(t, rot.ID, s.OpenCases()[0].ID, "root rot is graver than dry air")
	cases := map[uuid.UUID]int{}
	for _, task := range due.Tasks(s, false) {
		cases[task.Case]++
	}
	assert.Positive(t, cases[dry], "both are on the walk")
	assert.Positive(t, cases[rot.ID])
	lanes := map[uuid.UUID]int{}
	for _, span := range s.Stages {
		lanes[span.Case] = span.Lane
	}
	assert.NotEqual(t, lanes[dry], lanes[rot.ID], "each has its own lane of the seam")
	b.in(2, rot.ID, record.Body{Closed: &record.Closed{Outcome: record.OutcomeKept, Reason: "firm again"}})
	s = b.state()
	assert.Equal(t, dry, s.Case.ID)
	assert.Equal(t, "mending", s.Standing(), "the other goes on")
}

func TestWhatCannotBelongToACaseIsRefused(t *testing.T) {
	b := newBook(t)
	b.mended()
	ended := b.state().Cases[0].ID
	causes := record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"mealybug"}}}
	assert.ErrorContains(t, b.tryIn(1, ended, record.Body{Planned: &record.Planned{}}), "this case ended on")
	assert.ErrorContains(t, b.tryIn(1, ended, causes), "this case ended on")
	assert.ErrorContains(t, b.tryIn(1, uuid.New(), causes), "no such case")
	one := b.write(9, record.Body{Opened: &record.Opened{Why: "white fluff"}})
	assert.ErrorContains(t, b.tryIn(12, one.ID, causes), "before its case")
	b.in(9, one.ID, record.Body{Examined: &record.Examined{Present: []string{"pest.cotton"}}})
	b.in(9, one.ID, causes)
	two := b.write(8, record.Body{Opened: &record.Opened{Why: "fluff on another stem"}})
	assert.ErrorContains(t, b.tryIn(8, two.ID, causes), "in work here since")
	assert.NotEmpty(t, b.try(8, record.Body{Opened: &record.Opened{}}), "a case begins with something")
	assert.NotEmpty(t, b.try(8, record.Body{Opened: &record.Opened{Why: "x", Signal: "omen"}}))

	well := newBook(t)
	fresh := well.entry(1, record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}})
	fresh.RecordedAt = time.Time{}
	assert.ErrorContains(t, record.Check(fresh, well.entries, well.kinds, today), "no case that could end")
	fresh.Closed.Outcome = record.OutcomeGiven
	assert.Empty(t, record.Check(fresh, well.entries, well.kinds, today), "a plant can always leave")
}

func TestACaseThatIsEndedTooEarlyIsAskedAbout(t *testing.T) {
	b := newBook(t)
	b.rot()
	end := b.entry(0, record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}})
	ledger := record.NewLedger(b.plant, b.entries, b.kinds)
	concerns := ledger.Concerns(end, b.at, record.Context{})
	require.Len(t, concerns, 1)
	assert.Equal(t, record.CourseOpen, concerns[0].ID)
	end.Closed.Outcome = record.OutcomeKept
	assert.Empty(t, ledger.Concerns(end, b.at, record.Context{}), "watching on asks for nothing")
}

func TestALookThatFindsNothingEndsThere(t *testing.T) {
	b := newBook(t)
	b.write(30, record.Body{Examined: &record.Examined{Absent: []string{"leaf.drooping"}}})
	b.write(30, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	s := b.state()
	assert.Equal(t, "well", s.Standing())
	assert.Empty(t, s.Cases, "no trouble, no case")
	opened := b.write(20, record.Body{Opened: &record.Opened{Why: "a spot"}})
	b.in(20, opened.ID, record.Body{Examined: &record.Examined{Present: []string{"leaf.torn"}}})
	b.in(20, opened.ID, record.Body{Diagnosed: &record.Diagnosed{Nothing: true, Reason: "a tear"}})
	s = b.state()
	assert.Equal(t, "well", s.Standing())
	assert.Equal(t, record.OutcomeNothing, s.Cases[0].Outcome())
	assert.Equal(t, record.ResultNothing, s.Cases[0].Result(), "and counts as no trouble")
	assert.NotEmpty(t, b.try(1, record.Body{Diagnosed: &record.Diagnosed{Nothing: true, Causes: []string{"drought"}}}))
}

// Only what was in danger and lives on is saved.
func TestWhatACaseCountsAs(t *testing.T) {
	for _, c := range []struct {
		cause   string
		outcome record.Outcome
		want    record.Result
	}{
		{"root-rot", record.OutcomeMended, record.ResultSaved},
		{"root-rot", record.OutcomeKept, record.ResultSaved},
		{"root-rot", record.OutcomeGiven, record.ResultGiven},
		{"root-rot", record.OutcomeLost, record.ResultLost},
		{"root-rot", record.OutcomeNothing, record.ResultNothing},
		{"dormancy", record.OutcomeMended, record.ResultNothing},
		{"old-leaf", record.OutcomeMended, record.ResultNothing},
	} {
		b := newBook(t)
		b.write(9, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}})
		b.write(9, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{c.cause}}})
		b.write(3, record.Body{Closed: &record.Closed{Outcome: c.outcome, Reason: "told"}})
		assert.Equal(t, c.want, b.state().Cases[0].Result(), "%s, %s", c.cause, c.outcome)
	}
}

// What was said for a past day is judged by that day.
func TestAPlanForAPastDayKnowsNothingOfLater(t *testing.T) {
	b := newBook(t)
	b.write(50, record.Body{Examined: &record.Examined{Present: []string{"root.mushy", "root.smell"}}})
	b.write(50, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	then := b.entry(50, record.Body{Planned: &record.Planned{}})
	require.NoError(t, record.Complete(&then, b.entries, record.Context{}))
	tally := &record.Tallied{Tally: roots.Tally{InMedium: roots.Count{Live: 6, Mushy: 1}}}
	b.write(3, record.Body{Tallied: tally})
	b.write(2, record.Body{Watered: &record.Watered{}})
	late := b.entry(50, record.Body{Planned: &record.Planned{}})
	require.NoError(t, record.Complete(&late, b.entries, record.Context{}))
	assert.Equal(t, then.Planned.Plan, late.Planned.Plan)
}
