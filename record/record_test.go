package record_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

var today = day.Of(2026, time.November, 24)

// book writes entries in the order of the calls, as carers would.
type book struct {
	t       *testing.T
	plant   uuid.UUID
	entries []record.Entry
	at      time.Time
	kinds   plant.Kinds
}

// copied is a book of its own with the same entries.
func (b *book) copied() *book {
	c := *b
	c.entries = slices.Clone(b.entries)
	return &c
}

func newBook(t *testing.T) *book {
	b := &book{t: t, plant: uuid.New(), at: time.Date(2026, 1, 1, 0, 0, 0, 0, time.UTC)}
	b.write(
		60,
		record.Body{
			Arrived: &record.Arrived{
				Name:     "Monstera",
				Profile:  "monstera-adansonii",
				Habit:    "aroid-vine",
				Isolated: true,
			},
		},
	)
	return b
}

func (b *book) entry(daysAgo int, body record.Body) record.Entry {
	b.at = b.at.Add(time.Minute)
	return record.Entry{ID: uuid.New(), PlantID: b.plant, On: today - day.Day(daysAgo), RecordedAt: b.at, Body: body}
}

// try says what keeps an entry out.
func (b *book) try(daysAgo int, body record.Body) record.Faults {
	sent := b.entry(daysAgo, body)
	sent.RecordedAt = time.Time{} // it is not in the record yet
	return record.Check(sent, b.entries, b.kinds, today)
}

// write checks, completes and adds an entry.
func (b *book) write(daysAgo int, body record.Body) record.Entry {
	b.t.Helper()
	return b.add(b.entry(daysAgo, body))
}

func (b *book) add(e record.Entry) record.Entry {
	b.t.Helper()
	require.Empty(b.t, record.Check(e, b.entries, b.kinds, today))
	require.NoError(b.t, record.Complete(&e, b.entries, record.Context{Kinds: b.kinds}))
	b.entries = append(b.entries, e)
	b.entries = append(b.entries, record.NewLedger(b.plant, b.entries, b.kinds).Effects(e)...)
	return e
}

func (b *book) state() record.State { return record.Fold(b.plant, b.entries, b.kinds) }

func (b *book) rot() {
	b.write(
		40,
		record.Body{
			Examined: &record.Examined{
				Present: []string{"root.mushy", "med.wet-long", "root.smell"},
				Absent:  []string{"pest.cotton"},
			},
		},
	)
	b.write(40, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	ball := 7.0
	b.write(40, record.Body{Planned: &record.Planned{Answers: sheet.Answers{RootBallCM: &ball}}})
}

func check(values ...any) record.Body {
	c := &record.Checked{}
	for i := 0; i < len(values); i += 2 {
		c.Readings = append(c.Readings, record.Value{Measure: values[i].(string), Value: float64(values[i+1].(int))})
	}
	return record.Body{Checked: c}
}

func TestACaseFromArrivalToItsFirstStagePassed(t *testing.T) {
	b := newBook(t)
	assert.Equal(t, "arrived", b.state().Standing())
	assert.Equal(t, record.Isolated, b.state().Isolation)
	b.write(50, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}})
	assert.Equal(t, "examined", b.state().Standing())
	b.write(50, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{}}})
	assert.Equal(t, "watched", b.state().Standing())
	b.write(45, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping", "root.smell"}}})
	assert.Equal(t, "examined", b.state().Standing(), "a new look wants a new decision")
	b.rot()
	s := b.state()
	assert.Equal(t, "mending", s.Standing())
	assert.Equal(t, "foliage-rerooting", s.Courses[0].Track)
	require.NotNil(t, s.Verdict)
	assert.Equal(t, "root-rot", s.Verdict.Chances[0].ID, "a diagnosis keeps what the differential said")
	assert.NotEmpty(t, s.Verdict.Tables)

	assert.Contains(
		t,
		b.try(38, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root"}}).
			Error(),
		"gate is not met",
	)
	b.write(39, check("wilt", 0, "yellow", 0, "smell", 0))
	b.write(32, check("wilt", 0, "yellow", 0, "smell", 0))
	b.write(32, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root"}})
	s = b.state()
	_, stage, in := s.CurrentStage()
	require.True(t, in)
	assert.Equal(t, "re-root", stage.ID)
	assert.False(t, s.Stages[1].Early, "its gate was met")
	seam := told.SeamOf(s)
	assert.Len(t, seam.Knots, 1)
	assert.Empty(t, seam.Loose)

	b.write(
		20,
		record.Body{
			Staged: &record.Staged{Track: "foliage-rerooting", From: "re-root", To: "stabilise", Reason: "wilted"},
		},
	)
	seam = told.SeamOf(b.state())
	assert.Equal(t, "wilted", seam.Loose[0].Why)
	assert.Len(t, seam.Knots, 1, "a step back is no knot")
}

func TestUndoingAndBringingBack(t *testing.T) {
	b := newBook(t)
	note := b.write(10, record.Body{Watered: &record.Watered{}})
	assert.Len(t, b.state().WateredOn, 1)
	undo := b.write(0, record.Body{Voided: &record.Voided{Entry: note.ID}})
	assert.Empty(t, b.state().WateredOn)
	assert.True(t, b.try(0, record.Body{Voided: &record.Voided{Entry: note.ID}}).Conflict(), "it was undone already")
	b.write(0, record.Body{Voided: &record.Voided{Entry: undo.ID}})
	assert.Len(t, b.state().WateredOn, 1, "undoing the undoing brings it back")
	assert.Equal(t, 4, b.state().Entries, "nothing is lost")

	right := b.entry(12, record.Body{Watered: &record.Watered{}})
	right.Replaces = &note.ID
	b.add(right)
	assert.Equal(t, []day.Day{today - 12}, b.state().WateredOn)
	again := b.entry(11, record.Body{Watered: &record.Watered{}})
	again.Replaces = &note.ID
	assert.True(t, record.Check(again, b.entries, nil, today).Conflict(), "somebody corrected it before")
	other := b.entry(11, record.Body{Noted: &record.Noted{Text: "x"}})
	other.Replaces = &right.ID
	assert.ErrorContains(t, record.Check(other, b.entries, nil, today), "cannot correct")
}

func TestAnUndoneArrivalTakesThePlantOut(t *testing.T) {
	b := newBook(t)
	arrival := b.entries[0]
	undo := b.write(0, record.Body{Voided: &record.Voided{Entry: arrival.ID}})
	assert.False(t, b.state().Here)
	assert.Empty(t, due.Tasks(b.state(), false))
	faults := b.try(0, record.Body{Noted: &record.Noted{Text: "still there?"}})
	assert.ErrorContains(t, faults, "bring the arrival back")
	b.write(0, record.Body{Voided: &record.Voided{Entry: undo.ID}})
	assert.True(t, b.state().Here)
}

// Every refusal says what to do and at which field.
func TestBadEntriesAreRefusedInPlainWords(t *testing.T) {
	b := newBook(t)
	b.rot()
	num := func(v float64) *float64 { return &v }
	count := func(v int) *int { return &v }
	for name, tc := range map[string]struct {
		daysAgo int
		body    record.Body
		field   string
		says    string
	}{
		"tomorrow":       {-1, record.Body{Watered: &record.Watered{}}, "on", "still to come"},
		"before arrival": {61, record.Body{Watered: &record.Watered{}}, "on", "before it arrived"},
		"last century":   {40000, record.Body{Watered: &record.Watered{}}, "on", "check the year"},
		"nothing":        {0, record.Body{}, "body", "exactly one thing"},
		"two things": {0, record.Body{Watered: &record.Watered{}, Noted: &record.Noted{Text: "x"}}, "body",
			"exactly one thing"},
		"second arrival": {0, record.Body{Arrived: &record.Arrived{Name: "x", Habit: "fern"}}, "arrived",
			"arrived already"},
		"both answers": {0, record.Body{Examined: &record.Examined{Present: []string{"leaf.crisp"},
			Absent: []string{"leaf.crisp"}}}, "examined.absent[0]", "both seen and not there"},
		"stays what is not": {0, record.Body{Examined: &record.Examined{Present: []string{"course.no-perk"},
			Absent: []string{"leaf.drooping"}}}, "examined.present", "can only be seen where"},
		"contradiction": {0, record.Body{Examined: &record.Examined{Present: []string{"med.wet-long",
			"med.dry-through"}}}, "examined.present", "cannot both be true"},
		"unknown sign": {0, record.Body{Examined: &record.Examined{Present: []string{"leaf.blue"}}},
			"examined.present[0]", "no sign"},
		"no answer": {0, record.Body{Examined: &record.Examined{}}, "examined", "at least one sign"},
		"unknown cause": {0, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"curse"}}},
			"diagnosed.causes[0]", "no cause"},
		"negative weight": {0, record.Body{Weighed: &record.Weighed{Grams: -3}}, "weighed.grams", "cannot be right"},
		"absurd water": {0, record.Body{Watered: &record.Watered{Millilitres: num(1e9)}}, "watered.millilitres",
			"cannot be right"},
		"unknown step": {0, record.Body{Did: &record.Did{Step: "sing"}}, "did.step", "no step"},
		"skip without reason": {0, record.Body{Did: &record.Did{Step: "unpot@d0", Skipped: true}}, "did.reason",
			"why it is skipped"},
		"unknown measure": {0, check("mood", 3), "checked.readings[0]", "measured"},
		"reading twice":   {0, check("wilt", 1, "wilt", 0), "checked.readings[1]", "twice"},
		"two stages at once": {0, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise",
			To: "wean", Reason: "hurry"}}, "staged.to", "one at a time"},
		"wrong stage": {0, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "wean",
			To: "mended"}}, "staged.from", "somebody moved it"},
		"empty note": {0, record.Body{Noted: &record.Noted{Text: "  "}}, "noted.text", "write something"},
		"lost without why": {0, record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost}}, "closed.reason",
			"died of"},
		"open case reopened": {0, record.Body{Reopened: &record.Reopened{}}, "reopened", "open"},
		"absurd root ball": {0, record.Body{Planned: &record.Planned{Answers: sheet.Answers{RootBallCM: num(-4)}}},
			"planned.answers.rootBallCm", "cannot be right"},
		"absurd root count": {0, record.Body{Planned: &record.Planned{Answers: sheet.Answers{LiveRoots: count(9999)}}},
			"planned.answers.liveRoots", "cannot be right"},
	} {
		faults := b.try(tc.daysAgo, tc.body)
		if assert.NotEmpty(t, faults, name) {
			assert.Equal(t, tc.field, faults[0].Field, name)
			assert.Contains(t, faults[0].Message, tc.says, name)
		}
	}
}

func TestBadArrivals(t *testing.T) {
	num := func(v float64) *float64 { return &v }
	for name, tc := range map[string]struct {
		a     record.Arrived
		field string
	}{
		"no name":      {record.Arrived{Habit: "fern"}, "arrived.name"},
		"unknown kind": {record.Arrived{Name: "x", Habit: "fern", Profile: "brassica"}, "arrived.profile"},
		"no habit":     {record.Arrived{Name: "x"}, "arrived.habit"},
		"wrong habit":  {record.Arrived{Name: "x", Habit: "cactus", Profile: "monstera-adansonii"}, "arrived.habit"},
		"negative pot": {record.Arrived{Name: "x", Habit: "fern", PotWidthCM: num(-4)}, "arrived.potWidthCm"},
		"absurd depth": {record.Arrived{Name: "x", Habit: "fern", PotDepthCM: num(5000)}, "arrived.potDepthCm"},
		"absurd price": {record.Arrived{Name: "x", Habit: "fern", Price: num(-1)}, "arrived.price"},
	} {
		e := record.Entry{ID: uuid.New(), PlantID: uuid.New(), On: today, Body: record.Body{Arrived: &tc.a}}
		faults := record.Check(e, nil, nil, today)
		if assert.NotEmpty(t, faults, name) {
			assert.Equal(t, tc.field, faults[0].Field, name)
		}
	}
}

func TestAClosedCaseTakesOnlyNotesUntilItIsReopened(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.write(5, record.Body{Closed: &record.Closed{Outcome: record.OutcomeGiven}})
	assert.Equal(t, "given-away", b.state().Standing())
	assert.Empty(t, due.Tasks(b.state(), false))
	assert.ErrorContains(t, b.try(0, record.Body{Watered: &record.Watered{}}), "given away since")
	assert.Empty(t, b.try(5, record.Body{Watered: &record.Watered{}}), "what was done before can still be told")
	b.write(3, record.Body{Noted: &record.Noted{Text: "doing well there"}})
	b.write(2, record.Body{Reopened: &record.Reopened{}})
	assert.Equal(t, "mending", b.state().Standing())
}

func TestTasksSayWhatIsNextAndWhy(t *testing.T) {
	kinds := func(tasks []due.Task) (ks []due.Kind) {
		for _, k := range tasks {
			ks = append(ks, k.Kind)
		}
		return ks
	}
	b := newBook(t)
	pests := due.Pests // a newcomer's quarantine
	assert.Equal(t, []due.Kind{due.Examine, pests}, kinds(due.Tasks(b.state(), false)))
	b.write(50, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}})
	assert.Equal(t, []due.Kind{pests, due.Decide}, kinds(due.Tasks(b.state(), false)))
	b.write(50, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{}}})
	watch := due.Tasks(b.state(), false)
	assert.Equal(t, []due.Kind{pests, due.Examine}, kinds(watch))
	assert.Equal(t, today-45, watch[1].From, "looked at again after 5-7 days: common practice")
	b.rot()
	mending := due.Tasks(b.state(), false)
	assert.Contains(t, kinds(mending), due.Step)
	assert.Contains(t, kinds(mending), due.Check)
	for _, task := range mending {
		assert.NotEmpty(t, task.Why)
		assert.LessOrEqual(t, task.From, task.Until)
	}
	b.write(30, check("rot", 1))
	assert.NotContains(
		t,
		kinds(due.Tasks(b.state(), false)),
		due.Back,
		"in the first stage there is nowhere to go back to",
	)
	b.write(
		29,
		record.Body{
			Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root", Reason: "hurry"},
		},
	)
	b.write(28, check("rot", 1))
	assert.Contains(t, kinds(due.Tasks(b.state(), false)), due.Back)
	b.write(27, record.Body{Watered: &record.Watered{}})
	assert.NotContains(t, kinds(due.Tasks(b.state(), false)), due.Water, "rot was read, and nobody answered")
	b.write(26, check("rot", 0))
	assert.Contains(t, kinds(due.Tasks(b.state(), false)), due.Water)
}

func TestBareClothWhereNobodyLooked(t *testing.T) {
	b := newBook(t)
	b.write(55, record.Body{Watered: &record.Watered{}})
	b.write(20, record.Body{Watered: &record.Watered{}})
	seam := told.SeamOf(b.state())
	require.Len(t, seam.Bare, 1)
	assert.Equal(t, told.Gap{From: today - 55, To: today - 20}, seam.Bare[0])
	assert.Equal(t, []day.Day{today - 60, today - 55, today - 20}, seam.Stitches)
}

func TestStallIsForetoldFromTheRecordAlone(t *testing.T) {
	b := newBook(t)
	b.rot()
	on, can := due.StallsOn(b.state(), false)
	require.True(t, can)
	assert.Equal(t, today-40+7*7, on, "six weeks are normal for a climbing aroid, the seventh is not")
	b.write(10, check("longest-root", 12))
	later, _ := due.StallsOn(b.state(), false)
	assert.Equal(t, today-10+7*7, later)
}

func TestExaminationTakesSeasonRecordAndWhatIsRuledOut(t *testing.T) {
	b := newBook(t)
	b.write(55, record.Body{Examined: &record.Examined{Present: []string{"med.wet-long"}}})
	e := b.state().Examination(today-55, false)
	assert.Equal(t, climate.Autumn, e.Season)
	assert.True(t, e.Fragile, "in its first two weeks")
	assert.NotContains(t, e.Absent, "med.dry-through", "what a sign rules out is left to the differential")
	assert.Contains(t, e.Present, "care.new-arrival", "the record knows how long it has been here")
	later := b.state().Examination(today, false)
	assert.False(t, later.Fragile)
	assert.Contains(t, later.Absent, "care.new-arrival")
	assert.Equal(t, climate.Spring, b.state().Examination(today, true).Season, "south of the equator")
}

func derived(s record.State, sign string) *record.Derived {
	for _, d := range s.Derive(today, false) {
		if d.Sign == sign {
			return &d
		}
	}
	return nil
}

// A plant missed by the last watering before a trip is found in the record, not
// on the leaf.
func TestAMissedWateringIsFoundByTheProgram(t *testing.T) {
	b := newBook(t)
	for _, ago := range []int{58, 50, 42, 34} {
		b.write(ago, record.Body{Watered: &record.Watered{}})
	}
	missed := derived(b.state(), "care.water-missed")
	require.NotNil(t, missed)
	assert.True(t, missed.Present)
	assert.Contains(t, missed.Why, "34 days ago; its own at this time of the year is about 8 days")
	assert.NotEmpty(t, missed.Working.Formula)
	b.write(8, record.Body{Watered: &record.Watered{}})
	assert.True(t, derived(b.state(), "care.water-missed").Present, "the gap of 26 days lies within two months")
	swings := derived(b.state(), "care.water-swings")
	require.NotNil(t, swings)
	assert.True(t, swings.Present)

	even := newBook(t)
	for ago := 56; ago >= 0; ago -= 8 {
		even.write(ago, record.Body{Watered: &record.Watered{}})
	}
	assert.False(t, derived(even.state(), "care.water-missed").Present)
	assert.False(t, derived(even.state(), "care.water-swings").Present)
	assert.Nil(t, derived(newBook(t).state(), "care.water-missed"), "without gaps of its own nothing is said")
}

func TestWhatTheRecordAnswers(t *testing.T) {
	b := newBook(t)
	b.write(12, record.Body{Watered: &record.Watered{}})
	b.write(3, record.Body{Probed: &record.Probed{Moisture: "wet"}})
	wet := derived(b.state(), "med.wet-long")
	require.NotNil(t, wet)
	assert.True(t, wet.Present)
	assert.Contains(t, wet.Why, "9 days after watering")
	assert.False(t, derived(b.state(), "med.dry-through").Present)
	b.write(1, record.Body{Watered: &record.Watered{}})
	assert.Nil(t, derived(b.state(), "med.wet-long"), "watered since: the stick says nothing any more")
	b.write(0, record.Body{Probed: &record.Probed{Moisture: "dry"}})
	assert.True(t, derived(b.state(), "med.dry-through").Present)
	assert.False(t, derived(b.state(), "med.wet-long").Present)

	b.write(5, check("live-tips", 0, "leaf-ratio", 70))
	assert.True(t, derived(b.state(), "root.no-tips").Present)
	assert.True(t, derived(b.state(), "leaf.small-new").Present)
	b.write(4, check("live-tips", 3, "leaf-ratio", 85))
	assert.False(t, derived(b.state(), "root.no-tips").Present)
	assert.Nil(t, derived(b.state(), "leaf.small-new"), "between 80 and 90 % nothing is said")

	assert.Nil(t, derived(b.state(), "new.none-in-season"), "nobody looked for growth yet")
	for _, ago := range []int{59, 30} {
		b.write(ago, check("new-leaves", 0))
	}
	assert.Nil(t, derived(b.state(), "new.none-in-season"), "not two months yet")
	b.write(60, check("new-leaves", 0))
	assert.True(t, derived(b.state(), "new.none-in-season").Present)
	b.write(20, check("new-leaves", 1))
	assert.False(t, derived(b.state(), "new.none-in-season").Present)
}

func TestALookAndACarerOverruleTheRecord(t *testing.T) {
	b := newBook(t)
	for _, ago := range []int{58, 50, 42, 34} {
		b.write(ago, record.Body{Watered: &record.Watered{}})
	}
	b.write(0, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}})
	assert.Contains(t, b.state().Examination(today, false).Present, "care.water-missed")
	b.write(
		0,
		record.Body{
			Examined: &record.Examined{
				Present:   []string{"leaf.drooping"},
				Overruled: []record.Overruled{{Sign: "care.water-missed", Reason: "the sitter watered it"}},
			},
		},
	)
	e := b.state().Examination(today, false)
	assert.NotContains(t, e.Present, "care.water-missed")
	assert.NotContains(t, e.Absent, "care.water-missed")
	b.write(
		0,
		record.Body{
			Examined: &record.Examined{Present: []string{"leaf.drooping"}, Absent: []string{"care.water-missed"}},
		},
	)
	assert.Contains(t, b.state().Examination(today, false).Absent, "care.water-missed")
	assert.ErrorContains(
		t,
		b.try(
			0,
			record.Body{
				Examined: &record.Examined{
					Present:   []string{"leaf.drooping"},
					Overruled: []record.Overruled{{Sign: "care.water-missed"}},
				},
			},
		),
		"say why",
	)
}

// However entries arrive, the fold is the same: it depends on days and times of
// recording, not on the order in which they were read.
func TestFoldDoesNotDependOnTheOrderOfReading(t *testing.T) {
	b := newBook(t)
	b.rot()
	for i := range 20 {
		b.write(39-i, check("wilt", i%2, "longest-root", i))
	}
	b.write(1, record.Body{Voided: &record.Voided{Entry: b.entries[7].ID}})
	want := fmt.Sprintf("%+v", told.SeamOf(b.state())) + fmt.Sprintf("%+v", b.state().Readings)
	r := rand.New(rand.NewPCG(1, 1))
	for range 10 {
		r.Shuffle(len(b.entries), func(i, j int) { b.entries[i], b.entries[j] = b.entries[j], b.entries[i] })
		got := b.state()
		assert.Equal(t, want, fmt.Sprintf("%+v", told.SeamOf(got))+fmt.Sprintf("%+v", got.Readings))
	}
}
