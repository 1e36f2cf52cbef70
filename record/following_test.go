package record_test

import (
	"slices"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

func TestAGrowthIsAStrandOfItsOwn(t *testing.T) {
	b := newBook(t)
	leaf := uuid.New()
	b.write(
		50,
		record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: recovery.Leaf, CameWith: true, SizeMM: p(200.0)}},
	)
	first := b.write(
		40,
		record.Body{
			Grown: &record.Grown{
				Growth: leaf,
				Sort:   recovery.Leaf,
				State:  recovery.Starting,
				Name:   "the one by the window",
			},
		},
	)
	b.write(30, record.Body{Grown: &record.Grown{Growth: leaf, SizeMM: p(90.0), State: recovery.Growing}})
	b.write(20, record.Body{Grown: &record.Grown{Growth: leaf, SizeMM: p(184.0), State: recovery.Mature}})
	s := b.state()
	require.Len(t, s.Strands, 2)
	assert.Equal(t, []int{1, 2}, []int{s.Strands[0].Number, s.Strands[1].Number})
	assert.Equal(t, s.ArrivedOn, s.Strands[0].Began, "what came with it began before")
	assert.Equal(t, "the one by the window", s.Strands[1].Name)
	assert.Equal(t, recovery.Mature, s.Strands[1].State)
	ratio, ok := s.Readings.Last("leaf-ratio")
	require.True(t, ok)
	assert.Equal(t, 92.0, ratio.Value, "184 of 200 mm: the gate reads it by itself")
	opened, ok := s.Readings.Last("new-leaves")
	assert.True(t, ok && opened.Value == 1)

	b.write(0, record.Body{Voided: &record.Voided{Entry: first.ID}})
	assert.Len(t, b.state().Strands, 1, "with its beginning undone nothing is left of it")
}

// A mark on a leaf that grew here starts the quiet days anew, and its leaf is no clean one.
func TestMarksOnLeavesAreToldFromOldOnes(t *testing.T) {
	b := newBook(t)
	came, grew := uuid.New(), uuid.New()
	b.write(50, record.Body{Grown: &record.Grown{Growth: came, Sort: recovery.Leaf, CameWith: true,
		Marks: []recovery.Mark{recovery.Torn}}})
	b.write(40, record.Body{Grown: &record.Grown{Growth: grew, Sort: recovery.Leaf, Clean: true,
		Lobes: p(recovery.MostLobes)}})
	b.write(10, record.Body{Grown: &record.Grown{Growth: grew, Marks: []recovery.Mark{recovery.Spotted}}})
	s := b.state()
	require.Len(t, s.Strands, 2)
	assert.True(t, s.Strands[0].Marked[0].Old)
	assert.False(t, s.Strands[1].Marked[0].Old)
	assert.Equal(t, recovery.MostLobes, *s.Strands[1].Lobes)
	marked := s.Readings["marked-new"]
	assert.Equal(t, []float64{0, 0, 1}, []float64{marked[0].Value, marked[1].Value, marked[2].Value})
	clean, _ := s.Readings.Last(recovery.CleanLeafKey)
	assert.Zero(t, clean.Value, "it was clean once")
}

func mealybugs(b *book, warmth *float64) {
	b.write(
		40,
		record.Body{
			Examined: &record.Examined{
				Present: []string{"pest.cotton", "leaf.sticky"},
				Absent:  []string{"root.smell"},
			},
		},
	)
	b.write(40, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"mealybug"}}})
	b.write(40, record.Body{Planned: &record.Planned{Answers: sheet.Answers{WarmthC: warmth}}})
}

func TestTheWarmthOfThePlaceMovesTheTreatments(t *testing.T) {
	b := newBook(t)
	mealybugs(b, p(20.0))
	s := b.state()
	second := s.DueOn("soap@d10")
	assert.Equal(t, today-40+10, second, "110 degree-days over 9 °C at 20 °C are ten days")
	require.Len(t, s.PestClocks(), 1)
	// The room turns out to be cool: everything comes later.
	b.write(39, record.Body{Metered: &record.Metered{MinC: p(13.0), MaxC: p(17.0)}})
	assert.Greater(t, b.state().DueOn("soap@d10"), second+5)
	// The third treatment follows the second, when it was really done.
	b.write(20, record.Body{Did: &record.Did{Step: "soap@d10"}})
	third := b.state().DueOn("soap@d20")
	assert.Greater(t, third, today-20+10)
	asked := false
	for _, task := range due.Tasks(b.state(), false) {
		asked = asked || task.Step == "soap@d20" && task.From == third
	}
	assert.True(t, asked, "the walk asks for it on that day")
	g, ok := b.state().Readings.Last(recovery.GenerationKey)
	assert.True(t, ok && g.Value > 50, "and proving takes a whole generation: %v", g.Value)
}

func TestRotAndPestsRunSideBySide(t *testing.T) {
	b := newBook(t)
	b.write(40, record.Body{Examined: &record.Examined{Present: []string{"root.mushy", "root.smell", "pest.cotton"}}})
	b.write(40, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot", "mealybug"}}})
	b.write(40, record.Body{Planned: &record.Planned{}})
	s := b.state()
	require.Len(t, s.Courses, 2)
	assert.Equal(t, []string{"foliage-rerooting", "pest-clearance"}, []string{s.Courses[0].Track, s.Courses[1].Track})
	stage := func(daysAgo int, track, from, to string) {
		b.write(daysAgo, record.Body{Staged: &record.Staged{Track: track, From: from, To: to, Reason: "tried"}})
	}
	stage(30, "pest-clearance", "knock-down", "repeats")
	s = b.state()
	assert.Equal(t, []int{0, 1}, []int{s.Courses[0].Stage, s.Courses[1].Stage}, "each has its own stage")
	assert.NotEmpty(
		t,
		b.try(29, record.Body{Staged: &record.Staged{Track: "orchid-lean", From: "hold", To: "nubs"}}),
		"it is not on that track",
	)
	checks := 0
	for _, task := range due.Tasks(s, false) {
		if task.Kind == due.Check {
			checks++
		}
	}
	assert.Equal(t, 2, checks, "both are looked after")
	stage(28, "foliage-rerooting", "stabilise", "re-root")
	stage(26, "foliage-rerooting", "re-root", "wean")
	stage(25, "foliage-rerooting", "wean", "grow")
	stage(24, "foliage-rerooting", "grow", recovery.Mended)
	s = b.state()
	assert.False(t, s.Mended(), "while pests are proved, it is not mended")
	assert.Equal(t, "pest-clearance", s.Leading()[0].Track)
	_, now, in := s.CurrentStage()
	assert.True(t, in && now.ID == "repeats")
	lanes := map[int]int{}
	for _, band := range told.SeamOf(s).Bands {
		lanes[band.Lane]++
	}
	assert.Equal(t, map[int]int{0: 5, 1: 2}, lanes)
	stage(20, "pest-clearance", "repeats", "proving")
	stage(10, "pest-clearance", "proving", recovery.Mended)
	assert.True(t, b.state().Mended())
	require.NotNil(t, b.state().EndedOn())
	assert.Equal(t, today-10, *b.state().EndedOn())
}

func TestANewPlanKeepsWhatGoesOnAndEndsTheRest(t *testing.T) {
	b := newBook(t)
	mealybugs(b, nil)
	b.write(
		30,
		record.Body{
			Staged: &record.Staged{
				Track:  "pest-clearance",
				From:   "knock-down",
				To:     "repeats",
				Reason: "nothing seen",
			},
		},
	)
	b.rot()
	s := b.state()
	require.Len(t, s.Courses, 1, "root rot alone was accepted then")
	assert.Equal(t, "foliage-rerooting", s.Courses[0].Track)
	for _, span := range s.Stages {
		if span.Track == "pest-clearance" {
			assert.NotNil(t, span.To)
		}
	}
}

func TestKeptUnderWatchIsStillLookedAt(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.write(5, record.Body{Closed: &record.Closed{Outcome: record.OutcomeKept}})
	s := b.state()
	assert.Equal(t, "kept-under-watch", s.Standing())
	tasks := due.Tasks(s, false)
	assert.True(t, slices.ContainsFunc(tasks, func(x due.Task) bool { return x.Kind == due.Look }))
	b.write(3, check("wilt", 0, "smell", 0))
	b.write(3, record.Body{Watered: &record.Watered{}})
	assert.Equal(t, today-3, b.state().LastLook(), "what is looked at can be recorded")
	assert.Empty(
		t,
		b.try(2, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"drought"}}}),
		"another trouble is another case",
	)
	assert.Nil(t, told.SeamOf(b.state()).Ended, "its seam goes on")
	b.write(1, record.Body{Reopened: &record.Reopened{}})
	assert.Equal(t, "mending", b.state().Standing())
	b.write(1, record.Body{Closed: &record.Closed{Outcome: record.OutcomeGiven}})
	assert.Empty(t, due.Tasks(b.state(), false), "what was given away is nobody's task here")
	assert.NotEmpty(t, b.try(0, record.Body{Watered: &record.Watered{}}))
}

func TestAReviewTellsWhatCameOfIt(t *testing.T) {
	b := newBook(t)
	b.rot()
	shot := func(daysAgo int) record.Entry {
		return b.write(daysAgo, record.Body{Pictured: &record.Pictured{Picture: uuid.New(), Side: record.SideFront}})
	}
	before, middle, after := shot(39), shot(20), shot(2)
	soil := uuid.New()
	b.write(40, record.Body{Did: &record.Did{Step: "unpot@d0", Used: []record.Used{{Supply: soil, Amount: 2}}}})
	b.write(39, check("wilt", 0, "yellow", 0, "smell", 0, "new-leaves", 1))
	b.write(30, check("wilt", 0, "yellow", 0, "smell", 0, "leaves-lost", 2))
	b.write(30, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root"}})
	b.write(25, record.Body{Watered: &record.Watered{}})
	b.write(
		24,
		record.Body{
			Staged: &record.Staged{Track: "foliage-rerooting", From: "re-root", To: "stabilise", Reason: "wilted"},
		},
	)
	b.write(1, record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost, Reason: "Too wet, too long."}})
	s := b.state()
	r := told.ReviewOf(s, b.entries, 0, today-1).
		WithCost(p(4.0), map[uuid.UUID]told.Price{soil: {Name: "potting soil", Each: 0.5}})
	assert.Equal(t, before.ID, r.Before.Entry)
	assert.Equal(t, after.ID, r.After.Entry)
	assert.Equal(t, []int{1, 2}, []int{r.Made, r.Lost})
	assert.Equal(t, 1, r.Watered)
	assert.Equal(t, 5.0, r.Cost.Value, "4 for the plant, 2 × 0.50 for the soil")
	assert.Equal(t, []string{"Root rot"}, r.Causes)
	assert.Equal(t, "Too wet, too long.", r.Lesson)
	require.Len(t, r.Stages, 2)
	assert.Equal(t, 10+23, r.Stages[0].Days, "twice in it")
	assert.Equal(t, 1, r.Stages[0].Back)
	require.Len(t, r.Steps, 1)
	assert.GreaterOrEqual(t, r.Minutes.Value, float64(r.Steps[0].Minutes))
	assert.NotEmpty(t, r.Minutes.Working.Inputs)

	half := told.ReviewOf(s, b.entries, today-21, today-1)
	assert.Equal(t, middle.ID, half.Before.Entry, "only what lies in its time")
	assert.Zero(t, half.Made)
	assert.Empty(t, half.Steps)
	noPrice := told.ReviewOf(s, b.entries, 0, today-1).WithCost(nil, nil)
	assert.Contains(t, noPrice.Cost.Working.Sure, "too low")
}

func TestTheDaysOfAllStagesAddUp(t *testing.T) {
	b := newBook(t)
	b.rot()
	for i, to := range []string{"re-root", "wean", "grow", "mended"} {
		from := []string{"stabilise", "re-root", "wean", "grow"}[i]
		b.write(
			30-8*i,
			record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: from, To: to, Reason: "seen"}},
		)
	}
	s := b.state()
	r := told.ReviewOf(s, b.entries, 0, today)
	sum := 0
	for _, stage := range r.Stages {
		sum += stage.Days
	}
	assert.Equal(t, int(today-s.PlannedOn), sum, "from the plan until today")
	last := r.Stages[len(r.Stages)-1]
	assert.Equal(t, "mended, watched on", last.Stage)
	assert.Equal(t, 6, last.Days)
	assert.Nil(t, last.Usual, "nothing is usual after the last gate")
}

func TestTwoTapsOnThePotGiveTheScale(t *testing.T) {
	s := record.Scale{X1: 0.3, Y1: 0.8, X2: 0.7, Y2: 0.8, MM: 120}
	assert.InDelta(t, 300, s.WidthMM(), 1e-9, "0.4 of the width are 120 mm")
	slanted := record.Scale{X1: 0, Y1: 0, X2: 0.3, Y2: 0.4, MM: 100}
	assert.InDelta(t, 200, slanted.WidthMM(), 1e-9)
	assert.Zero(t, record.Scale{MM: 10}.WidthMM())
}

func TestAStallWithRootsAtWorkIsNoSetback(t *testing.T) {
	b := newBook(t)
	b.entries[0].On = today - 150
	b.write(140, record.Body{Examined: &record.Examined{Present: []string{"root.mushy"}}})
	b.write(140, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	b.write(140, record.Body{Planned: &record.Planned{}})
	south := true // November is spring there: no rest
	course := func() record.Course { return b.state().Courses[0] }
	stall, found := b.state().Stall(course(), today, south)
	require.True(t, found)
	assert.False(t, stall.AtWork)
	on := 130
	for _, gap := range []int{12, 12, 12, 12, 11, 8, 7, 7, 7} {
		b.write(on, record.Body{Watered: &record.Watered{}})
		on -= gap
	}
	stall, found = b.state().Stall(course(), today, south)
	require.True(t, found)
	assert.True(t, stall.AtWork)
	assert.Contains(t, stall.Why, "dries faster")
}

func TestReservesRunOutBesideTheWayToRoots(t *testing.T) {
	b := &book{t: t, plant: uuid.New()}
	b.write(60, record.Body{Arrived: &record.Arrived{Name: "Slipper", Habit: "sympodial-orchid"}})
	b.write(60, record.Body{Examined: &record.Examined{Present: []string{"root.few-live", "root.dry-dead"}}})
	b.write(60, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"dry-root-loss"}}})
	b.write(
		60,
		record.Body{
			Planned: &record.Planned{
				Answers: sheet.Answers{LiveRoots: p(0), Reserves: facts.Shrivelled, School: "S1"},
			},
		},
	)
	way, ok := b.state().ReservesLast(today)
	require.True(t, ok)
	assert.Equal(
		t,
		[]day.Day{today - 60 + 15, today - 60 + 40},
		[]day.Day{way.From, way.To},
		"shrivelled: 15 to 40 days",
	)
	b.write(10, check("plump", 4))
	way, _ = b.state().ReservesLast(today)
	assert.Equal(t, today-10+90, way.From, "judged anew: plump")
	assert.NotEmpty(t, way.Working.Formula)

	// A weighing with its pot says nothing of reserves, one of the bare plant too little.
	b.write(9, record.Body{Weighed: &record.Weighed{Grams: 900}})
	b.write(8, record.Body{Weighed: &record.Weighed{Grams: 100, Bare: true}})
	b.write(4, record.Body{Weighed: &record.Weighed{Grams: 700}})
	way, _ = b.state().ReservesLast(today)
	assert.Equal(t, today-10+90, way.From, "still by eye")
	// 2 % in 4 days: ln(98/60) ÷ (1.2 × ln(100/98)/4) = 80.9 days at least,
	// ln(98/50) ÷ (ln(100/98)/4/1.2) = 159.9 at most.
	b.write(4, record.Body{Weighed: &record.Weighed{Grams: 98, Bare: true}})
	way, ok = b.state().ReservesLast(today)
	require.True(t, ok)
	assert.Equal(t, []day.Day{today - 4 + 80, today - 4 + 160}, []day.Day{way.From, way.To})
	assert.Contains(t, way.Working.Sure, "2 weighings")
	// Heavier again: it drinks, and the eye judges.
	b.write(1, record.Body{Weighed: &record.Weighed{Grams: 103, Bare: true}})
	way, _ = b.state().ReservesLast(today)
	assert.Equal(t, today-10+90, way.From)
}

func TestRatesComeWithTheirInterval(t *testing.T) {
	b := newBook(t)
	for i, mm := range []int{5, 9, 12, 99, 20, 23} { // one of them misread
		b.write(35-7*i, check("longest-root", mm))
	}
	rates := b.state().Rates(today)
	require.Len(t, rates, 1)
	assert.Equal(t, "longest root", rates[0].What)
	assert.InDelta(t, 3.7, rates[0].Value, 0.5, "the misreading does not move it")
	assert.Less(t, rates[0].Working.Inputs[1].Value, rates[0].Value)
	assert.Greater(t, rates[0].Working.Inputs[2].Value, rates[0].Value)
	assert.Empty(t, b.state().Rates(today+200), "old readings tell no pace")
}

func TestWhatComesFirstForAPlantOnItsReserves(t *testing.T) {
	last := record.ReservesLast{From: today + 20, To: today + 40}
	for first, gate := range map[record.RunsOutFirst]recovery.Forecast{
		record.RootsFirst:    {From: today + 2, To: today + 20},
		record.EitherFirst:   {From: today + 30, To: today + 90},
		record.ReservesFirst: {From: today + 41, To: today + 90},
	} {
		assert.Equal(t, first, last.Against(gate).First)
	}
}

func TestSecondThoughtsKeepWhatIsDoneAsState(t *testing.T) {
	b := newBook(t)
	b.rot() // forty days ago: root work
	b.write(40, record.Body{Did: &record.Did{Step: "baseline@d0"}})
	b.write(40, record.Body{Did: &record.Did{Step: "unpot@d0"}})
	ball := 5.0
	b.write(40, record.Body{Planned: &record.Planned{Keeps: true, Answers: sheet.Answers{RootBallCM: &ball}}})
	s := b.state()
	assert.Contains(t, s.Ticks, "unpot@d0", "it is in the hand")

	b.write(20, record.Body{Planned: &record.Planned{Keeps: true, Answers: sheet.Answers{RootBallCM: &ball}}})
	s = b.state()
	assert.NotContains(t, s.Ticks, "unpot@d0", "another day, another sitting: nothing of it is done")
	for _, step := range s.Plan.Steps {
		assert.NotEqual(t, "baseline", step.Op, "the start was recorded already")
	}
}
