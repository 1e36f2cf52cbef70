package exposure_test

import (
	"math"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/exposure"
	"tendermend/core/pest"
	"tendermend/core/plant"
)

// The plants of the handbook's worked example.
var a, b, c, d = uuid.UUID{1}, uuid.UUID{2}, uuid.UUID{3}, uuid.UUID{4}

const start = day.Day(20000)

func tie(x, y uuid.UUID, how exposure.Tie, from, until day.Day) exposure.Contact {
	near := 0.0
	if how == exposure.Beside {
		how, near = exposure.OnePlace, 1
	}
	return exposure.Contact{From: x, To: y, Tie: how, Since: start + from, Until: start + until, Near: near}
}

func ask(id cause.ID, on day.Day, contacts ...exposure.Contact) exposure.Question {
	return exposure.Question{
		Cause: id, On: start + on, Contacts: contacts, Sick: []exposure.Sick{{Plant: a, Since: start}},
	}
}

// The worked example of the handbook on rounds (its check values, tolerance 0.2 %).
func TestTheWorkedExampleOfAnExposure(t *testing.T) {
	q := ask(cause.Mealybug, 30,
		tie(a, b, exposure.Touching, 0, 20), tie(a, c, exposure.Beside, 0, 20),
		tie(b, d, exposure.Tray, 5, 30), tie(a, d, exposure.Apart, 0, 30))
	likes := map[uuid.UUID]float64{b: 1, c: .7, d: 1}
	q.Who = func(id uuid.UUID) (exposure.Host, bool) { return exposure.Host{Liking: likes[id]}, true }
	found := exposure.Weave(q).Trace()
	require.Len(t, found, 3)
	for i, want := range []struct {
		plant  uuid.UUID
		chance float64
	}{{b, .456}, {c, .079}, {d, .024}} {
		assert.Equal(t, want.plant, found[i].Plant)
		assert.InDelta(t, want.chance, found[i].Chance, .0006)
	}
}

func TestChancesOfSingleTies(t *testing.T) {
	for _, one := range []struct {
		what     string
		cause    cause.ID
		contacts []exposure.Contact
		want     float64
	}{ // the first three are check values of the handbook
		{"leaf to leaf for 14 days, crawling", cause.Mealybug, []exposure.Contact{tie(a, b, exposure.Touching, 0, 14)}, .347},
		{"in one room for 30 days, flying", cause.Whitefly, []exposure.Contact{tie(a, b, exposure.Apart, 0, 30)}, .26},
		{"cut twice after it, virus", cause.Virus,
			[]exposure.Contact{tie(a, b, exposure.Blade, 1, 1), tie(a, b, exposure.Blade, 2, 2)}, .438},
		{"a blade carries rot as it carries sap", cause.SoftRot, []exposure.Contact{tie(a, b, exposure.Blade, 1, 1)}, .25},
		{"an animal only clings to it", cause.Mealybug, []exposure.Contact{tie(a, b, exposure.Blade, 1, 1)}, .03},
		{"a piece of it", cause.Virus, []exposure.Contact{tie(a, b, exposure.Kin, 3, 3)}, .95},
		{"came with it", cause.Thrips, []exposure.Contact{tie(a, b, exposure.Came, 0, 0)}, .25},
		{"a tray carries water", cause.RootRot, []exposure.Contact{tie(a, b, exposure.Tray, 0, 1)}, .04},
	} {
		t.Run(one.what, func(t *testing.T) {
			found := exposure.Weave(ask(one.cause, 40, one.contacts...)).Trace()
			require.Len(t, found, 1)
			assert.InDelta(t, one.want, found[0].Chance, .0006)
		})
	}
}

func TestWhatStaysWhereItIsExposesNobody(t *testing.T) {
	assert.Empty(t, exposure.Weave(ask(cause.Overwatering, 30, tie(a, b, exposure.Touching, 0, 30))).Trace())
}

func TestWhatAChanceAsksFor(t *testing.T) {
	for _, one := range []struct {
		chance float64
		want   exposure.Act
	}{
		{.0199, exposure.Nothing}, {.02, exposure.LookOnce}, {.0999, exposure.LookOnce}, {.10, exposure.Watch},
		{.2999, exposure.Watch}, {.30, exposure.WatchNow}, {1, exposure.WatchNow},
	} {
		assert.Equal(t, one.want, exposure.ActOn(one.chance), one.chance)
	}
}

// Nothing is handed on backwards in time: what met b before b can have had it says
// nothing of a.
func TestWaysRunForwardInTime(t *testing.T) {
	generation := day.Day(exposure.IncubationDays(cause.SpiderMite, start))
	early := ask(cause.SpiderMite, 90,
		tie(a, b, exposure.Touching, 10, 60), tie(b, c, exposure.Touching, 0, 10+generation))
	assert.Len(t, exposure.Weave(early).Trace(), 1, "b met c only before it could hand it on")
	late := ask(cause.SpiderMite, 90,
		tie(a, b, exposure.Touching, 10, 60), tie(b, c, exposure.Touching, 0, 10+generation+1))
	require.Len(t, exposure.Weave(late).Trace(), 2)
	assert.Len(t, exposure.Weave(late).Trace()[1].Legs(), 2)
	assert.Empty(t, exposure.Weave(ask(cause.SpiderMite, 90, tie(b, a, exposure.Session, 5, 5))).Trace(),
		"hands that had b before a carried nothing to b")
	assert.Len(t, exposure.Weave(ask(cause.SpiderMite, 90, tie(a, b, exposure.Session, 5, 5))).Trace(), 1)
}

func TestALookWithoutAFindClearsWhatIsAGenerationOld(t *testing.T) {
	generation := day.Day(exposure.IncubationDays(cause.SpiderMite, start))
	q := ask(cause.SpiderMite, 60, tie(a, b, exposure.Touching, 0, 10))
	clean := start + 10 + generation
	q.Who = func(uuid.UUID) (exposure.Host, bool) { return exposure.Host{Liking: 1, Clean: &clean}, true }
	assert.Empty(t, exposure.Weave(q).Trace())
	clean--
	require.Len(t, exposure.Weave(q).Trace(), 1)
	assert.InDelta(t, .03, exposure.Weave(q).Trace()[0].Chance, 1e-9, "one day counts still")
}

// Two that have it reach a third as two chances that are asked apart.
func TestWaysFromSeveralAddUp(t *testing.T) {
	q := ask(cause.Mealybug, 30, tie(a, c, exposure.Touching, 0, 10), tie(b, c, exposure.Touching, 0, 10))
	q.Sick = append(q.Sick, exposure.Sick{Plant: b, Since: start})
	found := exposure.Weave(q).Trace()
	require.Len(t, found, 1)
	assert.InDelta(t, 1-math.Pow(.97, 20), found[0].Chance, 1e-9)
}

func TestHowWellItIsLiked(t *testing.T) {
	kind := plant.Profile{Pests: []plant.Liking{
		{Pest: "mealybug", How: plant.Often}, {Pest: "scale", How: plant.Sometimes},
	}}
	assert.InDelta(t, 1, exposure.LikingOf(cause.Mealybug, kind), 0)
	assert.InDelta(t, .7, exposure.LikingOf(cause.SoftScale, kind), 0)
	assert.InDelta(t, .3, exposure.LikingOf(cause.Thrips, kind), 0)
	assert.InDelta(t, 1, exposure.LikingOf(cause.Virus, kind), 0)
}

func TestLooksOfAnExposure(t *testing.T) {
	whole := day.Day(exposure.IncubationDays(cause.Mealybug, start))
	looks := exposure.Looks(cause.Mealybug, start, exposure.Watch)
	require.Len(t, looks, 4)
	assert.Equal(t, start, looks[0])
	assert.Equal(t, start+whole, looks[3])
	assert.Equal(t, []day.Day{start + whole}, exposure.Looks(cause.Mealybug, start, exposure.LookOnce))
	assert.Equal(t, []day.Day{start + 30, start + 90, start + 180}, exposure.Looks(cause.Virus, start, exposure.Watch))
	assert.Empty(t, exposure.Looks(cause.Mealybug, start, exposure.Nothing))
	// What lays no eggs is looked for after three days, at half its time and at the whole of it.
	assert.Equal(t, []day.Day{start, start + 3, start + 7, start + 14},
		exposure.Looks(cause.BacterialSpot, start, exposure.Watch))
	bug, _ := pest.ByCause(string(cause.Mealybug))
	hatched, _ := pest.UsualRoom().DaysFor(bug.EggK, bug.Threshold, start)
	assert.Equal(t, start+day.Day(hatched)+3, looks[1], "three days after the eggs of the first day hatched")
}

func TestSinceWhenItMayHaveHadIt(t *testing.T) {
	whole := day.Day(exposure.IncubationDays(cause.Mealybug, start))
	clean := start - 5
	for _, one := range []struct {
		what  string
		came  day.Day
		clean *day.Day
		want  day.Day
	}{
		{"nobody looked: two generations", 0, nil, start - 2*whole},
		{"not before it came", start - 3, nil, start - 3},
		{"a generation before the last look without a find", 0, &clean, clean - whole},
	} {
		assert.InDelta(t, float64(one.want), float64(exposure.SinceWhen(cause.Mealybug, start, one.came, one.clean)), 1,
			one.what)
	}
}

func TestWhereItMayHaveComeFrom(t *testing.T) {
	q := ask(cause.Mealybug, 60, tie(b, a, exposure.Touching, 40, 60), tie(c, a, exposure.Touching, 40, 60))
	find := exposure.Find{Plant: a, On: start + 60, Came: start - 1000}
	suspects := map[uuid.UUID]exposure.Suspect{
		b: {Had: exposure.Prior(true, 0, false), Since: start},
		c: {Had: exposure.Prior(false, 0, false), Since: start},
	}
	from := exposure.Weave(q).Back(find, func(id uuid.UUID) exposure.Suspect { return suspects[id] })
	require.Len(t, from, 3)
	assert.Equal(t, b, from[0].Plant, "the one that had it")
	all := 0.0
	for _, o := range from {
		all += o.Share
	}
	assert.InDelta(t, 1, all, 1e-9)
	find.Came = start + 50
	brought := exposure.Weave(ask(cause.Mealybug, 60)).Back(find, nil)
	require.Len(t, brought, 2)
	assert.True(t, brought[0].Came, "it came lately: it brought it")
}

func TestWhoStoodBesideWhom(t *testing.T) {
	shelf, sill := uuid.UUID{9}, uuid.UUID{8}
	ended := start + 10
	stays := []exposure.Stood{
		{Plant: a, Place: shelf, Tray: "green", From: start}, {Plant: b, Place: shelf, Tray: "green", From: start + 5},
		{Plant: c, Place: shelf, From: start, Until: &ended}, {Plant: d, Place: sill, From: start},
		{Plant: uuid.UUID{5}, Place: shelf, Apart: true, From: start + 19},
	}
	met := exposure.Standing(stays[:1], stays, start+20, map[uuid.UUID]int{shelf: 9})
	require.Len(t, met, 3)
	assert.Equal(t, exposure.Contact{From: a, To: b, Tie: exposure.Tray, Since: start + 5, Until: start + 20}, met[0])
	assert.Equal(t, exposure.Contact{From: a, To: c, Tie: exposure.OnePlace, Since: start, Until: ended, Near: .5}, met[1])
	assert.Equal(t, exposure.Apart, met[2].Tie, "it is kept apart there: only the air is shared")
	assert.InDelta(t, 1, exposure.Near(5), 0)
	assert.InDelta(t, .8, exposure.Near(6), 1e-9)
}

func TestHandsAndBlades(t *testing.T) {
	at := start.Time()
	all := []exposure.Worked{
		{Plant: b, On: start, By: "Ada", At: at, Blade: true},
		{Plant: a, On: start, By: "Ada", At: at.Add(3600e9), Blade: true},
		{Plant: c, On: start, By: "Ada", At: at.Add(2 * 3600e9), Blade: true},
		{Plant: d, On: start, By: "Ben", At: at.Add(2 * 3600e9), Blade: true},
		{Plant: uuid.UUID{5}, On: start, By: "Ada", At: at.Add(5 * 3600e9)},
	}
	met := exposure.Working(map[uuid.UUID]bool{a: true}, all, false)
	require.Len(t, met, 2, "c after it; b was before it, Ben never had it, five hours are another sitting")
	assert.Equal(t, []exposure.Tie{exposure.Session, exposure.Blade}, []exposure.Tie{met[0].Tie, met[1].Tie})
	whole := []exposure.Worked{all[1], {Plant: c, On: start, By: "Ada", At: all[1].At.Add(3 * 3600e9)}}
	assert.Len(t, exposure.Working(map[uuid.UUID]bool{a: true}, whole, false), 1, "three hours are one sitting still")
	whole[1].At = whole[1].At.Add(1e9)
	assert.Empty(t, exposure.Working(map[uuid.UUID]bool{a: true}, whole, false), "and a second more is another")
	all[2].Cleaned = true
	assert.Len(t, exposure.Working(map[uuid.UUID]bool{a: true}, all, false), 1, "the blade was cleaned between them")
	met = exposure.Working(map[uuid.UUID]bool{a: true}, all, true)
	require.Len(t, met, 3, "where it may come from is asked too: b was before it, and was cut; not b before c")
	assert.Equal(t, [2]uuid.UUID{b, a}, [2]uuid.UUID{met[0].From, met[0].To})
	assert.Equal(t, [2]uuid.UUID{a, c}, [2]uuid.UUID{met[2].From, met[2].To})
}

func TestWhenAnOutbreakBegan(t *testing.T) {
	reach := day.Day(2 * exposure.IncubationDays(cause.Mealybug, start))
	_, has := exposure.Began(cause.Mealybug, nil, [][2]day.Day{{start - 9, start - 5}})
	assert.False(t, has, "nothing has it")
	for _, one := range []struct {
		ended day.Day
		want  day.Day
	}{{start - reach, start - reach - 30}, {start - reach - 2, start}} {
		earlier := [][2]day.Day{{one.ended - 30, one.ended}}
		began, has := exposure.Began(cause.Mealybug, []day.Day{start + 4, start}, earlier)
		assert.True(t, has)
		assert.Equal(t, one.want, began)
	}
}

func TestWhoCameLately(t *testing.T) {
	reach := exposure.Reach(cause.Mealybug, start)
	before, after := start-reach-1, start-reach+1
	assert.True(t, exposure.Lately(cause.Mealybug, start, start-reach, nil))
	assert.False(t, exposure.Lately(cause.Mealybug, start, start-reach-1, nil))
	assert.False(t, exposure.Lately(cause.Mealybug, start, start-reach, &after), "it was found clean here")
	assert.True(t, exposure.Lately(cause.Mealybug, start, start-reach, &before), "a look before it came says nothing")
}

// Hands that went from one to the other on several days are told in one line, and count each time.
func TestHandsOfSeveralDaysAreOneLine(t *testing.T) {
	q := ask(cause.Mealybug, 40, tie(a, b, exposure.Session, 3, 3), tie(a, b, exposure.Session, 9, 9))
	found := exposure.Weave(q).Trace()
	require.Len(t, found, 1)
	require.Len(t, found[0].Legs()[0].Ties, 1)
	held := found[0].Legs()[0].Ties[0]
	assert.InDelta(t, 1-.985*.985, found[0].Chance, 1e-9)
	first, last := (start + 3).Words(), (start + 9).Words()
	assert.Equal(t, "The same hands had it after “X” on 2 days from "+first+" to "+last+".", held.Say("X"))
	one := exposure.Weave(ask(cause.Mealybug, 40, tie(a, b, exposure.Session, 3, 3))).Trace()
	assert.Equal(t, "The same hands had it after “X” on "+first+".", one[0].Legs()[0].Ties[0].Say("X"))
}

// What may have caught it hands it on one incubation later, when it is likely enough (from .10).
func TestWhoMayHaveHandedItOn(t *testing.T) {
	incubation := day.Day(exposure.IncubationDays(cause.Mealybug, start+60))
	q := ask(cause.Mealybug, 60)
	for _, c := range []struct {
		chance float64
		since  day.Day
		does   bool
	}{{.10, start, true}, {.099, start, false}, {.5, q.On - incubation, true}, {.5, q.On - incubation + 1, false}} {
		plants, from := q.HandingOn([]exposure.Exposed{{Plant: b, Chance: c.chance, Since: c.since}})
		assert.Equal(t, c.does, len(plants) == 1, "%g since %d", c.chance, c.since)
		if c.does {
			assert.Equal(t, c.since+incubation, from)
		}
	}
}
