package record_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment"
	"tendermend/record"
	"tendermend/record/due"
)

// alarms gives the ids of what alarms.
func alarms(b *book) (ids []string) {
	for _, a := range b.state().Alarms() {
		ids = append(ids, a.ID)
	}
	return ids
}

// Every signal, on both sides of its limit, on a plant that is well.
func TestSignalsSoundOnAnyPlantAtTheirLimits(t *testing.T) {
	weighed := func(daysAgo int, grams float64) func(*book) {
		return func(b *book) { b.write(daysAgo, record.Body{Weighed: &record.Weighed{Grams: grams}}) }
	}
	metered := func(m record.Metered) func(*book) {
		return func(b *book) { b.write(5, record.Body{Metered: &m}) }
	}
	read := func(daysAgo int, pairs ...any) func(*book) {
		return func(b *book) { b.write(daysAgo, check(pairs...)) }
	}
	watered := func(b *book) { b.write(8, record.Body{Watered: &record.Watered{}}) }
	s := newBook(t).state()
	least, most := s.Wants.Temperature[0], s.Wants.Temperature[2]
	if s.Wants.Chill != nil {
		least = *s.Wants.Chill
	}
	for _, c := range []struct {
		name string
		do   []func(*book)
		want []string
	}{
		{"pests", []func(*book){read(5, "live-pests", 1)}, []string{"live-pests"}},
		{"no pests", []func(*book){read(5, "live-pests", 0)}, nil},
		{"pests hide: a clean look is no answer", []func(*book){read(5, "live-pests", 1), read(4, "live-pests", 0)},
			[]string{"live-pests"}},
		{"limp", []func(*book){read(5, "wilt", 1)}, []string{"wilt"}},
		{"firm again", []func(*book){read(5, "wilt", 1), read(4, "wilt", 0)}, nil},
		{"a smell stays a question", []func(*book){read(5, "smell", 1), read(4, "smell", 0)}, []string{"smell"}},
		{"marks on new growth", []func(*book){read(5, "marked-new", 1)}, []string{"marked-new"}},
		{"a third of the tips lost", []func(*book){read(9, "live-tips", 3), read(5, "live-tips", 2)},
			[]string{recovery.SignalRootsLost}},
		{"less than a third", []func(*book){read(9, "live-tips", 4), read(5, "live-tips", 3)}, nil},
		{"two tips are too few to tell", []func(*book){read(9, "live-tips", 2), read(5, "live-tips", 0)}, nil},
		{"too cold", []func(*book){metered(record.Metered{MinC: p(least - 0.5)})}, []string{recovery.SignalCold}},
		{"cold enough", []func(*book){metered(record.Metered{MinC: p(least)})}, nil},
		{"too hot", []func(*book){metered(record.Metered{MaxC: p(most + 0.5)})}, []string{recovery.SignalHot}},
		{"warm", []func(*book){metered(record.Metered{MaxC: p(most)})}, nil},
		{"does not drink", []func(*book){watered, weighed(7, 1000), weighed(3, 971)}, []string{recovery.SignalNoDrink}},
		{"drinks", []func(*book){watered, weighed(7, 1000), weighed(3, 970)}, nil},
		{"too soon to tell", []func(*book){watered, weighed(7, 1000), weighed(4, 1000)}, nil},
	} {
		t.Run(c.name, func(t *testing.T) {
			b := newBook(t)
			b.write(20, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
			for _, do := range c.do {
				do(b)
			}
			assert.Equal(t, c.want, alarms(b))
			for _, a := range b.state().Alarms() {
				assert.NotEmpty(t, a.First, "what to do first")
				assert.NotEmpty(t, a.Said)
			}
		})
	}
}

func TestASignalIsAnsweredByACaseOfItsKindOrAReason(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.write(30, check("smell", 1))
	assert.Empty(t, alarms(b), "its case is about it")
	b.write(20, check("live-pests", 1))
	assert.Equal(t, []string{"live-pests"}, alarms(b), "a case of rot is not about pests")
	b.write(19, record.Body{Dismissed: &record.Dismissed{Signal: "live-pests", Reason: "springtails"}})
	assert.Empty(t, alarms(b))
	b.write(10, check("live-pests", 1))
	assert.Equal(t, []string{"live-pests"}, alarms(b), "seen again, asked again")
	assert.NotEmpty(t, b.try(9, record.Body{Dismissed: &record.Dismissed{Signal: "live-pests"}}), "why?")
	assert.NotEmpty(t, b.try(9, record.Body{Dismissed: &record.Dismissed{Signal: "omen", Reason: "x"}}))

	pests := newBook(t)
	mealybugs(pests, nil)
	pests.write(20, check("live-pests", 1))
	assert.Empty(t, alarms(pests), "its case is about pests")
	pests.write(19, check("smell", 1))
	assert.Equal(t, []string{"smell"}, alarms(pests), "and about nothing else")
}

func TestAPlantThatIsWellHasARoutine(t *testing.T) {
	b := newBook(t)
	b.write(50, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	jobs := func() map[care.Job]care.Due {
		list := map[care.Job]care.Due{}
		for _, d := range due.Routine(b.state(), false) {
			list[d.Job] = d
		}
		return list
	}
	before := jobs()
	require.Contains(t, before, care.PestLook)
	require.Contains(t, before, care.LeafWash)
	b.write(4, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.LeafWash, care.Turn}}})
	after := jobs()
	assert.Equal(t, today-4, *after[care.LeafWash].Last)
	assert.Greater(t, after[care.LeafWash].On, before[care.LeafWash].On)
	b.write(3, check("live-pests", 0))
	assert.Equal(t, today-3, *jobs()[care.PestLook].Last, "a look is a look")
	later := today + 20
	b.write(2, record.Body{Snoozed: &record.Snoozed{Job: care.PestLook, Until: &later}})
	assert.Equal(t, later, jobs()[care.PestLook].On)
	b.write(1, record.Body{Snoozed: &record.Snoozed{Job: care.Turn, Off: true}})
	assert.NotContains(t, jobs(), care.Turn)
	b.write(0, record.Body{Snoozed: &record.Snoozed{Job: care.Turn}})
	assert.Contains(t, jobs(), care.Turn, "and on again")

	joined := false
	for _, task := range due.Tasks(b.state(), false) {
		joined = joined || task.Kind == due.Look && len(task.Jobs) > 0
	}
	assert.True(t, joined, "jobs join the look")
	for _, bad := range []record.Body{
		{Tended: &record.Tended{}},
		{Tended: &record.Tended{Jobs: []care.Job{"sing"}}},
		{Tended: &record.Tended{Jobs: []care.Job{care.Feed}}},
		{Tended: &record.Tended{Jobs: []care.Job{care.Turn, care.Turn}}},
		{Snoozed: &record.Snoozed{Job: "sing"}},
		{Snoozed: &record.Snoozed{Job: care.Turn, Until: &later, Off: true}},
	} {
		assert.NotEmpty(t, b.try(1, bad), "%s", bad.Kind())
	}
	for days, refused := range map[int]bool{0: true, 1: false, 90: false, 91: true} {
		until := today - 1 + day.Day(days)
		faults := b.try(1, record.Body{Snoozed: &record.Snoozed{Job: care.Turn, Until: &until}})
		assert.Equal(t, refused, len(faults) > 0, "put off by %d days", days)
	}
}

func TestANewcomerIsInQuarantineAndReleasedWhenAllOfItIsMet(t *testing.T) {
	b := newBook(t)
	b.write(59, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	a := b.state().Apart(today - 55)
	require.NotNil(t, a)
	require.NotNil(t, a.Quarantine)
	assert.False(t, a.Release.Open)
	q := a.Quarantine
	early := b.entry(50, record.Body{Moved: &record.Moved{Isolation: record.Clean}})
	concerns := record.NewLedger(b.plant, b.entries, b.kinds).Concerns(early, b.at, record.Context{})
	require.Len(t, concerns, 1)
	assert.Equal(t, record.ReleasedEarly, concerns[0].ID)
	b.write(int(today-q.Looks[0]), check("live-pests", 0))
	assert.False(t, b.state().Apart(q.Until).Release.Open, "one look is not two")
	b.write(int(today-q.Looks[1]), check("live-pests", 0))
	assert.False(t, b.state().Apart(q.Until-1).Release.Open, "a day too early")
	assert.True(t, b.state().Apart(q.Until).Release.Open)
	b.write(int(today-q.Until), record.Body{Moved: &record.Moved{Isolation: record.Clean}})
	assert.Nil(t, b.state().Apart(today))
}

func TestAVirusSuspectStaysApartForGood(t *testing.T) {
	b := newBook(t)
	b.write(50, record.Body{Examined: &record.Examined{Present: []string{"leaf.mosaic"}}})
	b.write(50, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"virus"}}})
	b.write(50, record.Body{Closed: &record.Closed{Outcome: record.OutcomeKept, Reason: "too dear to bin"}})
	a := b.state().Apart(today)
	require.NotNil(t, a)
	assert.False(t, a.Release.Open)
	assert.True(t, a.Reasons[0].ForGood)
	assert.NotEmpty(t, a.Means, "own blade, own tray")
	assert.NotEmpty(t, due.Routine(b.state(), false), "and it is cared for as its kind")
}

func TestWinterIsNotDrought(t *testing.T) {
	missed := func(b *book, on int) (present, judged bool) {
		for _, d := range b.state().Derive(today-day.Day(on), false) {
			if d.Sign == "care.water-missed" {
				return d.Present, true
			}
		}
		return false, false
	}
	cactus := kept(t, "cactus", "", 400)
	for days := 390; days > 60; days -= 14 { // through spring and summer, until autumn
		cactus.write(days, record.Body{Watered: &record.Watered{}})
	}
	_, judged := missed(cactus, 0)
	assert.False(t, judged, "a cactus that is dry since autumn has missed no watering")

	vine := kept(t, "aroid-vine", "", 400)
	for days := 390; days > 300; days -= 20 { // last winter
		vine.write(days, record.Body{Watered: &record.Watered{}})
	}
	for days := 250; days > 60; days -= 7 { // spring and summer
		vine.write(days, record.Body{Watered: &record.Watered{}})
	}
	for days := 45; days > 0; days -= 20 { // and this autumn
		vine.write(days, record.Body{Watered: &record.Watered{}})
	}
	present, judged := missed(vine, 0)
	assert.True(t, judged)
	assert.False(t, present, "20 days are its own gap of the dark half of the year, not three times that of summer")
}

// kept is a plant that was had for so many days.
func kept(t *testing.T, habit, profile string, daysAgo int) *book {
	t.Helper()
	b := &book{t: t, plant: uuid.New()}
	arrived := &record.Arrived{Name: "It", Habit: habit, Profile: profile, Had: record.HadYears, Well: true}
	b.write(daysAgo, record.Body{Arrived: arrived})
	return b
}

// A cactus that is dry for its rest is asked for no water before spring.
func TestADryRestAsksForNoWater(t *testing.T) {
	b := kept(t, "cactus", "", 200)
	for days := 190; days > 30; days -= 14 {
		b.write(days, record.Body{Watered: &record.Watered{}})
	}
	w, known := b.state().WaterWindow(false)
	require.True(t, known)
	assert.True(t, w.From.Month() >= 3 && w.From > today, "from %s", w.From)
	fern := kept(t, "fern", "", 200)
	for days := 190; days > 3; days -= 7 {
		fern.write(days, record.Body{Watered: &record.Watered{}})
	}
	w, known = fern.state().WaterWindow(false)
	assert.True(t, known && w.From < today+30, "a fern goes on drinking: from %s", w.From)
}

// A look is a look again, and a watering is a watering, without a tick of its own;
// steps of a stage that was left leave the walk.
func TestStepsAreDoneByWhatIsDoneAndLeaveWithTheirStage(t *testing.T) {
	b := newBook(t)
	b.rot()
	dueOf := func(op string) int {
		n, s := 0, b.state()
		for _, step := range s.Plan.Steps {
			if on, open := s.NextOn(step); step.Op == op && step.Of == "" && open && on <= today {
				n++
			}
		}
		return n
	}
	require.Positive(t, dueOf("look"))
	require.Positive(t, dueOf("by-rule"))
	b.write(0, check("wilt", 0, "yellow", 0, "smell", 0))
	b.write(0, record.Body{Watered: &record.Watered{}})
	assert.Zero(t, dueOf("look"), "looked at today")
	assert.Zero(t, dueOf("by-rule"), "watered today")
	steps := func() (n int) {
		for _, task := range due.Tasks(b.state(), false) {
			if task.Kind == due.Step && task.From < today-1 && !strings.HasPrefix(task.Why, "Only when") {
				n++
			}
		}
		return n
	}
	before := steps()
	require.Positive(t, before)
	on := record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root", Reason: "seen"}}
	b.write(1, on)
	assert.Zero(t, steps(), "what belonged to the stage before is past")
}

// Feed harms a plant that rests or has few roots: it is asked about.
func TestAFeedThatHarmsIsAskedAbout(t *testing.T) {
	asked := func(b *book) (ids []record.ConcernID) {
		e := b.entry(0, record.Body{Fed: &record.Fed{Strength: 0.5}})
		for _, c := range record.NewLedger(b.plant, b.entries, b.kinds).Concerns(e, b.at, record.Context{}) {
			ids = append(ids, c.ID)
		}
		return ids
	}
	assert.Empty(t, asked(kept(t, "fern", "", 100)))
	assert.Equal(
		t,
		[]record.ConcernID{record.FedAtRest},
		asked(kept(t, "cactus", "mammillaria-hahniana", 100)),
		"in November",
	)
	for live, want := range map[int]int{39: 1, 40: 0} {
		b := kept(t, "fern", "", 100)
		tally := roots.Tally{InMedium: roots.Count{Live: live, Mushy: 100 - live}}
		b.write(9, record.Body{Tallied: &record.Tallied{Tally: tally}})
		assert.Len(t, asked(b), want, "%d %% of the roots live", live)
		old := kept(t, "fern", "", 100)
		old.write(40, record.Body{Tallied: &record.Tallied{Tally: tally}})
		assert.Empty(t, asked(old), "a count of six weeks ago says nothing")
	}
}

// Pests are asked for at every look, in every stage.
func TestEveryLookAsksForPests(t *testing.T) {
	for _, track := range recovery.Tracks() {
		for _, stage := range track.Stages {
			asks := func(m recovery.Measure) bool { return m.ID == "live-pests" }
			assert.True(t, slices.ContainsFunc(stage.Asks(), asks), "%s, %s", track.ID, stage.ID)
		}
	}
	asks := func(m recovery.Measure) bool { return m.ID == "live-pests" }
	assert.True(t, slices.ContainsFunc(recovery.InPassing(), asks), "and of any plant in passing")
}

func TestAPlantThatDoesNotDrinkSaysForHowLong(t *testing.T) {
	b := newBook(t)
	b.write(8, record.Body{Watered: &record.Watered{}})
	b.write(7, record.Body{Weighed: &record.Weighed{Grams: 1000}})
	b.write(2, record.Body{Weighed: &record.Weighed{Grams: 990}})
	alarms := b.state().Alarms()
	if assert.Len(t, alarms, 1) {
		assert.Contains(t, fmt.Sprint(alarms[0]), "990 g, 5 days after 1000 g")
	}
}

// Where roots were worked on the first water comes first; until then its rule asks for
// none, and while its plan asks for water nothing else does.
func TestWaterIsAskedForOnce(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.tick(39, treatment.Unpot, nil)
	asks := func() (ops []string) {
		s := b.state()
		for _, task := range due.Tasks(s, false) {
			if task.Kind == due.Water && task.From <= today {
				ops = append(ops, "a look for water")
			}
		}
		for _, step := range s.Plan.Steps {
			on, open := s.NextOn(step)
			if open && on <= today && step.Of == "" && slices.Contains([]string{"first-water", "by-rule"}, step.Op) {
				ops = append(ops, step.Op)
			}
		}
		return slices.Compact(ops)
	}
	assert.Equal(t, []string{"first-water"}, asks())
	b.write(36, record.Body{Watered: &record.Watered{}})
	assert.Equal(t, []string{"by-rule"}, asks(), "who watered it gave it its first water")
	b.write(20, record.Body{Watered: &record.Watered{}})
	assert.Equal(t, []string{"a look for water"}, asks(), "its plan has done what it asked for")
	b.write(0, record.Body{Watered: &record.Watered{}})
	assert.Empty(t, asks())
}
