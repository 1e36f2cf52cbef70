package record_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/recovery"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// Whole cases as the trade tells them (common practice): the record of each is
// followed through its stages, and what is told at the gates is what happened.

func caseOf(t *testing.T, daysAgo int, habit string, causes []string, a sheet.Answers, present ...string) *book {
	b := &book{t: t, plant: uuid.New()}
	b.write(daysAgo, record.Body{Arrived: &record.Arrived{Name: "It", Habit: habit, Leaves: p(6)}})
	b.write(daysAgo, record.Body{Examined: &record.Examined{Present: present}})
	b.write(daysAgo, record.Body{Diagnosed: &record.Diagnosed{Causes: causes}})
	b.write(daysAgo, record.Body{Planned: &record.Planned{Answers: a}})
	return b
}

// gate says whether the leading stage's gate is open on a day, and passes it.
func (b *book) gate(daysAgo int) recovery.Gate {
	c := b.state().Leading()[0]
	_, stage, in := c.In()
	require.True(b.t, in)
	return stage.JudgeGate(b.state().Readings, c.Began, today-day.Day(daysAgo))
}

func (b *book) pass(daysAgo int) {
	b.t.Helper()
	c := b.state().Leading()[0]
	track, stage, in := c.In()
	require.True(b.t, in)
	to := recovery.Mended
	if c.Stage+1 < len(track.Stages) {
		to = track.Stages[c.Stage+1].ID
	}
	require.Empty(
		b.t,
		b.try(daysAgo, record.Body{Staged: &record.Staged{Track: track.ID, From: stage.ID, To: to}}),
		"%s: %+v",
		stage.ID,
		b.gate(daysAgo).Conditions,
	)
	b.write(daysAgo, record.Body{Staged: &record.Staged{Track: track.ID, From: stage.ID, To: to}})
}

// After 39 dry days in winter, leaves uncurl about four days after a half-hour
// soak.
func TestADroughtRevivesInAboutFourDays(t *testing.T) {
	b := caseOf(
		t,
		60,
		"rhizomatous-foliage",
		[]string{"drought"},
		sheet.Answers{},
		"med.dry-through",
		"leaf.curled-in",
		"care.water-missed",
	)
	require.Equal(t, "drought-revive", b.state().Courses[0].Track)
	assert.False(t, b.gate(60).Open, "nobody has felt the core yet")
	b.write(60, check("core-wet", 1, "wilt", 0, "smell", 0))
	b.pass(60)
	c := b.state().Leading()[0]
	_, perk, _ := c.In()
	window := perk.Expect(b.state().Readings, climate.Winter, c.Began, today-60)
	assert.True(
		t,
		window.From <= today-56 && today-56 <= window.To+1,
		"the fourth day is expected: %s to %s",
		window.From,
		window.To,
	)
	for d := 59; d > 56; d-- {
		b.write(d, check("uncurled", 0, "wilt", 0, "smell", 0))
		assert.False(t, b.gate(d).Open)
	}
	b.write(56, check("uncurled", 1, "wilt", 0, "smell", 0))
	b.pass(56)
	// Yellow leaves of the old drought come for another week.
	b.write(50, check("yellow", 1, "new-leaves", 0, "wilt", 0, "smell", 0))
	for _, d := range []int{43, 36, 29} {
		b.write(d, check("yellow", 0, "new-leaves", 1, "wilt", 0, "smell", 0))
	}
	assert.False(t, b.gate(29).Open, "two weeks without yellowing are not three")
	b.write(21, check("yellow", 0, "new-leaves", 0, "wilt", 0, "smell", 0))
	b.pass(21)
	assert.Equal(t, "mended", b.state().Standing())
}

// Four months after root rot: three new leaves, one a month, each nearly as
// large as the one before.
func TestRootRotMendsWithALeafAMonth(t *testing.T) {
	b := caseOf(
		t,
		130,
		"aroid-vine",
		[]string{"root-rot"},
		sheet.Answers{RootBallCM: p(8.0)},
		"root.mushy",
		"root.smell",
		"med.wet-long",
	)
	quiet := func(d int, more ...any) {
		b.write(d, check(append([]any{"wilt", 0, "yellow", 0, "smell", 0}, more...)...))
	}
	quiet(129)
	quiet(125)
	assert.False(t, b.gate(125).Open)
	quiet(121)
	b.pass(121)
	quiet(110, "rocks", 1, "roots-3cm", 1, "new-growth", 0)
	assert.False(t, b.gate(110).Open)
	quiet(98, "rocks", 0, "roots-3cm", 4, "new-growth", 1)
	b.pass(98)
	leaf := func(d int, mm float64) {
		at := uuid.New()
		b.write(d+20, record.Body{Grown: &record.Grown{Growth: at, Sort: recovery.Leaf, State: recovery.Starting}})
		b.write(d, record.Body{Grown: &record.Grown{Growth: at, SizeMM: &mm, State: recovery.Mature}})
	}
	b.write(
		129,
		record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: recovery.Leaf, CameWith: true, SizeMM: p(180.0)}},
	)
	quiet(96, "out-of-chamber", 1, "leaves-lost", 0)
	quiet(82, "out-of-chamber", 1, "leaves-lost", 0)
	b.pass(82)
	c := b.state().Leading()[0]
	_, grow, _ := c.In()
	expected := grow.Expect(b.state().Readings, climate.Summer, c.Began, today-82)
	leaf(75, 150)
	quiet(75, "out-of-chamber", 1, "leaves-lost", 0)
	assert.False(t, b.gate(75).Open, "one leaf, and smaller than the old ones")
	leaf(45, 148)
	quiet(44, "out-of-chamber", 1, "leaves-lost", 0)
	assert.False(t, b.gate(44).Open, "83 %% was the first against the old ones: one in a row is not two")
	leaf(15, 150)
	quiet(14, "out-of-chamber", 1, "leaves-lost", 0)
	b.pass(14)
	assert.True(
		t,
		expected.From <= today-14 && today-14 <= expected.To,
		"the day was expected: %s to %s",
		expected.From,
		expected.To,
	)
	g := recovery.Reckon(b.state().Strands, b.state().ArrivedOn, today)
	assert.Equal(t, 3, g.Made)
	assert.Equal(t, 30.0, g.Interval.Value, "one leaf a month")
	assert.Equal(t, "mended", b.state().Standing())
}

// A bare-root air orchid treated in late winter had many new roots by July:
// about five months.
func TestABareRootAirOrchidRootsInAboutFiveMonths(t *testing.T) {
	b := caseOf(
		t,
		270,
		"monopodial-orchid",
		[]string{"dry-root-loss"},
		sheet.Answers{LiveRoots: p(1), School: "S6", WarmthC: p(25.0), HumidityPct: p(65.0)},
		"root.dry-dead",
		"root.few-live",
		"leaf.wrinkled",
	)
	require.Equal(t, "orchid-basket", b.state().Courses[0].Track)
	b.write(269, check("drained", 1, "wilt", 0, "smell", 0))
	b.pass(269)
	c := b.state().Leading()[0]
	_, tips, _ := c.In()
	first := tips.Expect(b.state().Readings, climate.Spring, c.Began, today-269)
	for d, n := range map[int]int{240: 0, 210: 0, 180: 1, 160: 2} {
		b.write(d, check("tips-2cm", n, "wilt", 0, "smell", 0))
	}
	assert.False(t, b.gate(160).Open)
	b.write(145, check("tips-2cm", 6, "wilt", 0, "smell", 0))
	b.pass(145)
	assert.True(
		t,
		first.From <= today-145 && today-145 <= first.To,
		"124 days lie in the window: %s to %s",
		first.From,
		first.To,
	)
	assert.False(t, b.gate(145).Open, "leaves fill weeks after the roots")
	for d := 140; d >= 110; d -= 10 {
		b.write(d, check("wilt", 0, "smell", 0))
	}
	b.pass(110)
	assert.InDelta(
		t,
		160,
		float64(today-day.Day(110)-b.state().ArrivedOn),
		1,
		"about five months from treatment to normal",
	)
}

// A division that is moved on before its gate is met goes on without it in the
// record, with what usually happens said beforehand, and its step back is kept.
func TestRushingAStageIsKeptInTheRecord(t *testing.T) {
	b := caseOf(
		t,
		90,
		"sympodial-orchid",
		[]string{"dry-root-loss"},
		sheet.Answers{LiveRoots: p(0), Reserves: facts.Plump, School: "S1"},
		"root.few-live",
		"root.dry-dead",
	)
	b.write(60, check("live-tips", 1, "wilt", 0, "smell", 0))
	early := record.Body{Staged: &record.Staged{Track: "orchid-water-bridge", From: "cup", To: "falling-dish"}}
	assert.Contains(t, b.try(60, early).Error(), "gate is not met")
	_, cup, _ := b.state().Leading()[0].In()
	assert.NotEmpty(t, cup.TooEarly)
	early.Staged.Reason = "it looks well"
	b.write(60, early)
	assert.True(t, b.state().Stages[1].Early)
	b.write(40, check("live-tips", 0, "wilt", 1, "smell", 0))
	track, _, _ := b.state().Leading()[0].In()
	back, found := track.FindSetback(1, b.state().Readings, b.state().Leading()[0].Began, today-40)
	require.True(t, found)
	assert.Equal(t, "cup", back.BackTo)
	b.write(
		40,
		record.Body{
			Staged: &record.Staged{Track: "orchid-water-bridge", From: "falling-dish", To: "cup", Reason: back.Why},
		},
	)
	assert.Equal(t, "cup", b.state().Stages[2].Stage)
	assert.True(t, b.state().Stages[2].Back)
}
