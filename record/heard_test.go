package record_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/isolation"
	"tendermend/core/plant"
	"tendermend/core/prognosis"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/core/water"
	"tendermend/record"
	"tendermend/record/due"
)

// carryOut ticks every step of its plan that waits for nothing.
func carryOut(b *book, daysAgo int) {
	for _, step := range b.state().Plan.Steps {
		if _, ticked := b.state().Ticks[step.ID]; !ticked && step.Gate == "" {
			b.write(daysAgo, record.Body{Did: &record.Did{Step: step.ID}})
		}
	}
}

func kinds(b *book) (list []due.Kind) {
	for _, t := range due.Tasks(b.state(), false) {
		list = append(list, t.Kind)
	}
	return list
}

// What a carer reports is heard under any case: once nothing of its plan is left that
// would answer it, it alarms, the odds fall, and nothing is passed, mended or let out.
func TestABadReadingIsHeardWhileACaseIsOpen(t *testing.T) {
	for _, c := range []struct{ habit, cause string }{
		{"aroid-vine", "overwatering"}, {"aroid-vine", "drought"}, {"monopodial-orchid", "bloom-drain"},
		{"aroid-vine", "root-rot"}, {"sympodial-orchid", "medium-collapsed"}, {"woody", "settling-in"},
	} {
		t.Run(c.cause, func(t *testing.T) {
			b := caseOf(t, 60, c.habit, []string{c.cause}, sheet.Answers{}, "leaf.drooping")
			b.write(60, record.Body{Moved: &record.Moved{Isolation: record.Isolated}})
			carryOut(b, 58)
			before := prognosis.OddsOf(b.state().Living(0, 0)).Lives
			b.write(20, check("smell", 1, "rot", 1))
			assert.Subset(t, alarms(b), []string{"rot", "smell"})
			if c.cause != "root-rot" {
				assert.Less(t, prognosis.OddsOf(b.state().Living(0, 0)).Lives, before, "the odds fall")
			}
			assert.NotContains(t, kinds(b), due.Release)
			assert.NotContains(t, kinds(b), due.Pass)
			assert.Contains(t, kinds(b), due.Signal)
			b.write(19, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot", c.cause}[:1]}})
			assert.Empty(t, alarms(b), "what ails it was decided on anew: that is an answer")
			b.write(10, check("smell", 1))
			assert.Contains(t, alarms(b), "smell", "and heard again when it is read again")
		})
	}
}

// A case is quiet about a reading only while a step of its plan answers that very
// reading; that step is due on the reading's day.
func TestAStepThatAnswersAReadingIsDueAtOnce(t *testing.T) {
	b := newBook(t)
	b.rot()
	answers := func(op string) bool { return treatment.AnswersSignal(treatment.OperatorID(op), "rot") }
	b.write(30, check("rot", 1))
	assert.Empty(t, alarms(b))
	asked := false
	for _, task := range due.Tasks(b.state(), false) {
		for _, step := range b.state().Plan.Steps {
			if task.Step == step.ID && answers(step.Op) {
				asked = asked || task.From <= today-30
			}
		}
	}
	assert.True(t, asked, "the step that answers it")
	carryOut(b, 29)
	assert.Empty(t, alarms(b), "it was answered by what was done")
	b.write(28, check("rot", 1))
	assert.Contains(t, alarms(b), "rot", "and nothing is left that would answer this one")
}

func TestEverySignalHasStepsThatAnswerIt(t *testing.T) {
	for _, signal := range recovery.Signals() {
		found := slices.ContainsFunc(treatment.Operators(), func(o treatment.Operator) bool {
			return treatment.AnswersSignal(o.ID, signal.ID)
		})
		assert.True(t, found, signal.ID)
	}
	assert.False(t, treatment.AnswersSignal(treatment.Look, "rot"), "a look alone cuts nothing")
}

// What a plan says of itself is checked: limp in the fourth day after a soak, and not
// in the third; the third look that finds the pest alive, and not the second.
func TestWhatAPlanWarnsOfIsSaidWhenItIsMet(t *testing.T) {
	warned := func(b *book, id string) bool { return slices.Contains(alarms(b), id) }
	for days, met := range map[int]bool{3: false, 4: true} {
		b := caseOf(t, 60, "aroid-vine", []string{"drought"}, sheet.Answers{}, "leaf.drooping")
		carryOut(b, 60)
		b.write(60-days, check("wilt", 1))
		alarm := b.state().Alarms()
		require.NotEmpty(t, alarm, "limp alarms on any day")
		assert.Equal(t, met, len(alarm[0].First) == 3, "day %d: %v", days, alarm[0].First)
	}
	b := newBook(t)
	mealybugs(b, nil)
	carryOut(b, 40)
	for look := range 3 {
		b.write(30-look*5, check("live-pests", 1))
		said := b.state().Alarms()
		require.NotEmpty(t, said)
		assert.Equal(t, look == 2, len(said[0].First) == 4, "look %d: %v", look+1, said[0].First)
	}
	c := caseOf(t, 60, "aroid-vine", []string{"root-rot"}, sheet.Answers{}, "root.mushy")
	carryOut(c, 58)
	const give = "give-up:root-rot"
	assert.False(t, warned(c, give))
	c.write(30, record.Body{Checked: &record.Checked{Seen: []string{give}}})
	require.True(t, warned(c, give), "somebody saw it")
	for _, a := range c.state().Alarms() {
		assert.True(t, a.Plan)
		assert.Equal(t, c.state().Case.ID, a.Case)
		assert.NotEmpty(t, a.First)
	}
	c.write(29, record.Body{Dismissed: &record.Dismissed{Signal: give, Reason: "a node further up is firm"}})
	assert.False(t, warned(c, give), "I looked")
	assert.NotEmpty(t, c.try(28, record.Body{Checked: &record.Checked{Seen: []string{"give-up:omen"}}}))
}

func TestEveryWarningCanBeReadOrAsked(t *testing.T) {
	for _, one := range cause.All() {
		for _, w := range treatment.WarningsOf([]cause.ID{one.ID}, "", "aroid-vine") {
			assert.True(t, treatment.IsWarning(w.ID), w.ID)
			for _, trigger := range w.When {
				_, known := recovery.MeasureByID(trigger.Measure)
				assert.True(t, known, "%s reads %q", w.ID, trigger.Measure)
			}
		}
	}
	for _, w := range treatment.Offered() {
		for _, said := range treatment.WarningsOf(nil, w.ID, "aroid-vine") {
			assert.True(t, treatment.IsWarning(said.ID), said.ID)
		}
	}
	for _, not := range []string{"", "wrong:", "wrong:omen", "give-up:wish:", "rot", "wrong:wish:omen"} {
		assert.False(t, treatment.IsWarning(not), not)
	}
}

// A tap on limp never leads to "everything its gate wants has been seen", on any
// track and in any stage.
func TestNoGateIsOpenWhileTheLastLookWasBad(t *testing.T) {
	open := 0
	for _, habit := range []string{"aroid-vine", "monopodial-orchid", "succulent-rosette"} {
		for _, id := range []string{"root-rot", "drought", "mealybug", "sun-scorch"} {
			well := caseOf(t, 100, habit, []string{id}, sheet.Answers{}, "leaf.drooping")
			good := []any{"wilt", 0, "smell", 0, "rot", 0, recovery.LivePests, 0}
			for _, m := range recovery.Measures() {
				if !m.Alarm {
					good = append(good, m.ID, 1)
				}
			}
			for days := 99; days > 40; days -= 5 {
				well.write(days, check(good...))
			}
			for _, measure := range []string{"wilt", "smell", "rot", recovery.LivePests} {
				b := well.copied()
				for _, c := range b.state().Courses {
					if b.state().Gate(c, today).Open {
						open++
					}
				}
				b.write(39, check(measure, 1))
				for _, c := range b.state().Courses {
					assert.False(t, b.state().Gate(c, today).Open, "%s of a %s, %s", id, habit, measure)
				}
				assert.NotContains(t, kinds(b), due.Pass)
				assert.Equal(t, []record.ConcernID{record.BadAtLastLook}, asked(b.warned(38, 0, record.Body{
					Closed: &record.Closed{Outcome: record.OutcomeMended},
				}))[:1])
				b.write(38, check(measure, 0))
				_, _, bad := b.state().Bad()
				assert.False(t, bad, "a calm look lifts it")
			}
		}
	}
	assert.Positive(t, open, "gates that the bad look closes")
}

func asked(list record.Concerns) (ids []record.ConcernID) {
	for _, c := range list {
		ids = append(ids, c.ID)
	}
	return ids
}

func TestLivePestsAreAReasonToStayApartBeforeAnythingIsAccepted(t *testing.T) {
	b := kept(t, "aroid-vine", "", 100)
	assert.Nil(t, b.state().Apart(today))
	b.write(40, check("live-pests", 1))
	a := b.state().Apart(today)
	require.NotNil(t, a)
	assert.True(t, a.Wanted, "it stands among the others and should not")
	b.write(40, record.Body{Moved: &record.Moved{Isolation: record.Isolated}})
	b.write(30, check("live-pests", 0))
	b.write(20, check("live-pests", 0))
	a = b.state().Apart(today)
	assert.False(t, a.Wanted)
	assert.False(t, a.Release.Open, "nobody has answered it")
	assert.NotContains(t, kinds(b), due.Release)
	b.write(19, record.Body{Dismissed: &record.Dismissed{Signal: "live-pests", Reason: "springtails"}})
	assert.True(t, b.state().Apart(today).Release.Open)
	assert.Contains(t, kinds(b), due.Release)
}

func TestASisterOfASuspectIsKeptApart(t *testing.T) {
	suspect := newBook(t)
	suspect.write(50, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"virus"}}})
	said := suspect.state().Suspected()
	require.Len(t, said, 1)
	s := kept(t, "aroid-vine", "", 100).state()
	s.Sisters = []record.Sister{{Plant: uuid.New(), Name: "Cattleya", Suspicion: said[0]}}
	require.NotNil(t, s.Apart(today))
	assert.True(t, s.Apart(today).Wanted)
	assert.Contains(t, s.Apart(today).Reasons[0].What, "“Cattleya”")
	since := said[0].Since
	assert.NotNil(t, s.Apart(since+isolation.SisterDays-1))
	assert.Nil(t, s.Apart(since+isolation.SisterDays), "watched for ninety days")
	tasks := due.Tasks(s, false)
	assert.True(t, slices.ContainsFunc(tasks, func(x due.Task) bool { return x.Kind == due.Apart }))
}

func TestNewcomersAreApartAndOthersAreNot(t *testing.T) {
	for had, apart := range map[record.Had]bool{
		"": true, record.HadWeeks: true, record.HadMonths: false, record.HadYears: false, record.HadUnknown: true,
	} {
		assert.Equal(t, apart, had.Isolated(), "%q", had)
	}
	b := &book{t: t, plant: uuid.New()}
	b.write(5, record.Body{Arrived: &record.Arrived{Name: "It", Habit: "aroid-vine", Isolated: true}})
	assert.Equal(t, "Kept apart since it came, as newcomers are.", b.state().Apart(today).Reasons[0].What)
	old := &book{t: t, plant: uuid.New()}
	old.write(5, record.Body{Arrived: &record.Arrived{
		Name: "It", Habit: "aroid-vine", Isolated: true, Had: record.HadYears,
	}})
	assert.Equal(t, "Kept apart since it was taken in.", old.state().Apart(today).Reasons[0].What)
	why := kept(t, "aroid-vine", "", 100)
	why.write(5, record.Body{Moved: &record.Moved{Isolation: record.Isolated, Reason: "Draughts by the door."}})
	assert.Contains(
		t,
		why.state().Apart(today).Reasons[len(why.state().Apart(today).Reasons)-1].What,
		"draughts by the door",
	)
}

// What goes against the plan or the rest is asked about when it is recorded.
func TestWateringAgainstItsRuleIsAskedAbout(t *testing.T) {
	watered := record.Body{Watered: &record.Watered{}}
	asks := func(b *book, daysAgo int, body record.Body) []record.ConcernID {
		return asked(b.warned(daysAgo, 0, body))
	}

	hold := caseOf(t, 60, "aroid-vine", []string{"overwatering"}, sheet.Answers{}, "med.wet-long")
	assert.Equal(t, []record.ConcernID{record.WaterHeld}, asks(hold, 57, watered), "day 3 of a hold")
	hold.write(56, record.Body{Probed: &record.Probed{Moisture: water.Barely}})
	assert.Empty(t, asks(hold, 56, watered), "the stick ended it")

	asleep := &book{t: t, plant: uuid.New()}
	asleep.write(200, record.Body{Arrived: &record.Arrived{
		Name: "It", Habit: "bulb", Profile: "caladium-bicolor", Had: record.HadYears, Well: true, Leaves: p(5),
	}})
	assert.Empty(t, asks(asleep, 3, watered), "in leaf it is watered, in November too")
	asleep.write(40, check(water.RestMeasure, 1))
	assert.Equal(t, []record.ConcernID{record.WaterHeld}, asks(asleep, 3, watered), "deep in a leafless rest")
	assert.Contains(t, asks(asleep, 3, record.Body{Fed: &record.Fed{Strength: 0.5}}), record.FedAtRest)
	asleep.write(2, check(water.GrowingMeasure, 1))
	assert.Empty(t, asks(asleep, 1, watered), "awake again")

	waits := caseOf(t, 60, "winter-deciduous-orchid", []string{"woken-early"}, sheet.Answers{}, "leaf.drooping")
	if _, stage, in := waits.state().CurrentStage(); in && stage.HoldsWater {
		assert.Equal(t, []record.ConcernID{record.WaterHeld}, asks(waits, 50, watered), stage.Name)
	}
}

func TestThreeWateringsOnAWetStickAreASignal(t *testing.T) {
	for _, sticks := range [][]water.Moisture{
		{water.Wet, water.Wet, water.Moist}, {water.Wet, water.Barely, water.Wet}, {water.Wet, water.Wet},
	} {
		b := kept(t, "aroid-vine", "", 100)
		for i, m := range sticks {
			b.write(40-10*i, record.Body{Probed: &record.Probed{Moisture: m}})
			assert.Equal(t, m != water.Barely, slices.Contains(asked(b.warned(39-10*i, 0,
				record.Body{Watered: &record.Watered{}})), record.WateredWet), "%v", m)
			b.write(39-10*i, record.Body{Watered: &record.Watered{}})
		}
		all := len(sticks) == 3 && !slices.Contains(sticks, water.Barely)
		assert.Equal(t, all, slices.Contains(alarms(b), recovery.SignalWetWater), "%v", sticks)
	}
	late := kept(t, "aroid-vine", "", 100)
	for i := range 3 {
		late.write(40-10*i, record.Body{Probed: &record.Probed{Moisture: water.Wet}})
		late.write(40-10*i-recovery.StickDays-1, record.Body{Watered: &record.Watered{}})
	}
	assert.NotContains(t, alarms(late), recovery.SignalWetWater, "a stick of three days before tells nothing")
}

func TestProductsAreAskedAboutWhereTheyBurn(t *testing.T) {
	used := func(name string, every int) record.Body {
		return record.Body{Treated: &record.Treated{Product: name, IntervalDays: every}}
	}
	b := newBook(t)
	b.write(30, used("Soap", 0))
	for days, close := range map[int]bool{0: true, 4: true, 5: false} {
		got := asked(b.warned(30-days, 0, used("Oil", 0)))
		assert.Equal(t, close, slices.Contains(got, record.ProductsClose), "%d days after", days)
	}
	b.write(20, used("Label product", 14))
	assert.Contains(t, asked(b.warned(7, 0, used("Oil", 0))), record.ProductsClose, "13 days after one of 14")
	assert.Empty(t, b.warned(6, 0, used("Oil", 0)))

	fuzzy, _ := plant.Kinds(nil).ByID("saintpaulia-ionantha")
	require.True(t, fuzzy.ShedsNoShine(), "an African violet")
	hairs := &book{t: t, plant: uuid.New()}
	hairs.write(100, record.Body{Arrived: &record.Arrived{
		Name: "It", Habit: fuzzy.Habit, Profile: fuzzy.ID, Had: record.HadYears, Well: true,
	}})
	assert.Equal(t, []record.ConcernID{record.MarksLeaves}, asked(hairs.warned(3, 0, used("Leaf Shine spray", 0))))
	assert.Empty(t, hairs.warned(3, 0, used("Soap", 0)))
	assert.Empty(t, newBook(t).warned(3, 0, used("Leaf Shine spray", 0)), "a smooth leaf")

	burnt := caseOf(t, 60, "aroid-vine", []string{"settling-in"}, sheet.Answers{}, "leaf.drooping")
	if _, stage, in := burnt.state().CurrentStage(); in {
		barred := slices.Contains(asked(burnt.warned(20, 0, used("Oil", 0))), record.SprayBarred)
		assert.Equal(t, stage.NoSprays, barred, stage.Name)
	}
	for _, track := range recovery.Tracks() {
		for _, stage := range track.Stages {
			assert.Equal(t, stage.ID == "moved", stage.NoSprays, "%s: %s", track.ID, stage.ID)
		}
	}
}

// The forgotten plant: gaps of nine days, then none for 39.
func TestTheForgottenPlantIsFound(t *testing.T) {
	for _, last := range []int{39, 12} {
		b := kept(t, "aroid-vine", "", 100)
		for days := last + 45; days >= last; days -= 9 {
			b.write(days, record.Body{Watered: &record.Watered{}})
		}
		d := derived(b.state(), "care.water-missed")
		require.NotNil(t, d, "%d days", last)
		assert.Equal(t, last == 39, d.Present, "%d days: %s", last, d.Why)
	}
	few := kept(t, "aroid-vine", "", 100)
	few.write(60, record.Body{Watered: &record.Watered{}})
	few.write(51, record.Body{Watered: &record.Watered{}})
	assert.Nil(t, derived(few.state(), "care.water-missed"), "one gap tells nothing, and denies nothing")
}

// Growing or not is a fact with a day, from what was seen in the month before.
func TestGrowingIsReadFromTheRecordAndNeverFromTheMonth(t *testing.T) {
	b := newBook(t)
	assert.Nil(t, b.state().Growing(today), "nobody has looked")
	b.write(40, check("new-leaves", 1))
	grew := b.state().Growing(today - 10)
	require.NotNil(t, grew)
	assert.True(t, grew.Is)
	assert.Equal(t, today-40, grew.On)
	assert.Nil(t, b.state().Growing(today-9), "after thirty days nobody knows again")
	b.write(8, check(water.GrowingMeasure, 0))
	require.NotNil(t, b.state().Growing(today))
	assert.False(t, b.state().Growing(today).Is)
	b.write(2, check("new-growth", 1))
	assert.True(t, b.state().Growing(today).Is, "seen since")

	for apart, tells := range map[int]bool{20: false, 21: true} {
		still := newBook(t)
		still.write(apart+1, check("new-leaves", 0))
		still.write(1, check("new-leaves", 0))
		assert.Equal(t, tells, still.state().Growing(today) != nil, "%d days apart", apart)
	}
}

// A leafy alocasia with a dry stick in November keeps its window; what rests leafless
// is asked about every four weeks and never leaves the walk.
func TestALeafyPlantStaysOnTheWalkInWinter(t *testing.T) {
	kept := func(kind string, leaves int) *book {
		of, _ := plant.Kinds(nil).ByID(kind)
		b := &book{t: t, plant: uuid.New()}
		b.write(200, record.Body{Arrived: &record.Arrived{
			Name: "It", Habit: of.Habit, Profile: kind, Had: record.HadYears, Well: true, Leaves: &leaves,
		}})
		for days := 100; days >= 20; days -= 10 {
			b.write(days, record.Body{Watered: &record.Watered{}})
		}
		return b
	}
	alocasia := kept("alocasia-amazonica", 4)
	alocasia.write(0, record.Body{Probed: &record.Probed{Moisture: water.Dry}})
	w, known := alocasia.state().WaterWindow(false)
	require.True(t, known)
	assert.LessOrEqual(t, w.From, today, "the stick was dry")
	caladium := kept("caladium-bicolor", 4)
	caladium.write(10, check(water.RestMeasure, 1))
	_, known = caladium.state().WaterWindow(false)
	assert.False(t, known, "nobody knows when it wakes")
	var asleep []day.Day
	for _, task := range due.Tasks(caladium.state(), false) {
		if task.Kind == due.Asleep {
			asleep = append(asleep, task.From)
			assert.Equal(t, water.GrowingMeasure, task.Measure)
		}
	}
	assert.Equal(t, []day.Day{today - 10 + 28}, asleep, fmt.Sprint(caladium.state().WaterLine(today, false)))
}

// A look for water that nobody made is told by the rule of the day on which it is read,
// not of that on which it fell due: the row of the lists knows no today.
func TestAWaterLookReadsByTheRuleOfItsDay(t *testing.T) {
	turned := 0
	for _, kind := range []string{"monstera-adansonii", "maranta-leuconeura", "alocasia-amazonica",
		"phalaenopsis-hybrid"} {
		for _, ago := range []int{330, 240, 150, 60} {
			b := newBook(t)
			b.entries = nil
			profile, known := plant.Kinds{}.ByID(kind)
			if !known {
				continue
			}
			b.write(ago+40, record.Body{Arrived: &record.Arrived{Name: kind, Profile: kind, Habit: profile.Habit}})
			for i := range 4 {
				b.write(ago+30-10*i, record.Body{Watered: &record.Watered{}})
			}
			s := b.state()
			for _, task := range due.Tasks(s, false) {
				if task.Kind != due.Water {
					continue
				}
				for on := task.From; on < task.From+200; on += 3 {
					line := s.WaterLine(on, false)
					asked := task.At(on)
					assert.Contains(t, asked.Why, line.Why, "%s on %s", kind, on)
					if line.Days {
						assert.Contains(t, strings.ToLower(asked.Why), strings.ToLower(line.Words), "%s on %s", kind, on)
					} else {
						assert.Contains(t, asked.Why, "No water now", "%s on %s", kind, on)
					}
					assert.Equal(t, line.Rule.How(), asked.How, "what is asked for is how its rule is found out")
					assert.Equal(t, line.Rule.Look(), asked.What)
				}
				turned += len(task.Turns)
			}
		}
	}
	assert.Positive(t, turned)
}
