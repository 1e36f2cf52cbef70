package recovery_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

var began = day.Of(2026, time.March, 2)

func TestTracksHoldTogether(t *testing.T) {
	assert.Equal(t, 18, len(recovery.Tracks()))
	for _, tr := range recovery.Tracks() {
		require.NotEmpty(t, tr.Stages, tr.ID)
		seen := map[string]bool{}
		for i, s := range tr.Stages {
			assert.False(t, seen[s.ID], "%s stands twice in %s", s.ID, tr.ID)
			seen[s.ID] = true
			at, ok := tr.StageIndex(s.ID)
			assert.True(t, ok && at == i)
			assert.NotEmpty(t, s.Gate, "%s of %s has no gate", s.ID, tr.ID)
			assert.NotEmpty(t, s.TooEarly)
			assert.NotEmpty(t, s.Not)
			for _, word := range []string{"%", " cm", " days", "cover", "feed at", "half rate", "quarter"} {
				assert.NotContains(t, s.Not, word, "%s of %s: figures, days and covers come from plan and facts", s.ID, tr.ID)
			}
			assert.Positive(t, s.LookDays)
			assert.LessOrEqual(t, s.UsualWeeks[0], s.UsualWeeks[1])
			for _, c := range s.Gate {
				for _, m := range c.Reads() {
					_, ok := recovery.MeasureByID(m)
					assert.True(t, ok, "%s of %s reads %s", s.ID, tr.ID, m)
				}
				assert.Equal(t, recovery.Unknown, c.Judge(recovery.History{}, began, began+400).Status,
					"no number of days alone opens %s of %s", s.ID, tr.ID)
			}
		}
		end, ok := tr.StageIndex(recovery.Mended)
		assert.True(t, ok && end == len(tr.Stages))
	}
}

func stage(t *testing.T, track, id string) recovery.Stage {
	t.Helper()
	tr, ok := recovery.TrackByID(track)
	require.True(t, ok)
	i, ok := tr.StageIndex(id)
	require.True(t, ok)
	return tr.Stages[i]
}

func readings(on map[int]map[string]float64) recovery.History {
	h := recovery.History{}
	for d, values := range on {
		for m, v := range values {
			h.Add(m, recovery.Reading{On: began + day.Day(d), Value: v})
		}
	}
	return h
}

func TestSevenQuietDaysNeedLooksAtBothEnds(t *testing.T) {
	s := stage(t, "foliage-rerooting", "stabilise")
	quiet := map[string]float64{"wilt": 0, "yellow": 0, "smell": 0}
	assert.False(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{0: quiet}), began, began+30).Open,
		"one look and a month of nobody looking proves nothing",
	)
	assert.False(t, s.JudgeGate(readings(map[int]map[string]float64{0: quiet, 6: quiet}), began, began+6).Open)
	assert.True(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{0: quiet, 4: quiet, 7: quiet}), began, began+7).Open,
	)
	relapse := readings(
		map[int]map[string]float64{0: quiet, 5: {"wilt": 1, "yellow": 0, "smell": 0}, 8: quiet, 10: quiet},
	)
	g := s.JudgeGate(relapse, began, began+10)
	assert.False(t, g.Open, "the count starts again after a wilt")
	assert.Contains(t, g.Conditions[0].Found, "2 of 7 days")
	partly := readings(map[int]map[string]float64{0: {"wilt": 0}, 8: {"wilt": 0}})
	assert.Equal(t, recovery.Unknown, s.JudgeGate(partly, began, began+8).Conditions[0].Status, "nobody smelled it")
}

func TestReRootGateTakesRootsOrANewGrowthPoint(t *testing.T) {
	s := stage(t, "foliage-rerooting", "re-root")
	assert.False(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{3: {"rocks": 0, "roots-3cm": 2}}), began, began+3).Open,
	)
	assert.True(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{3: {"rocks": 0, "roots-3cm": 3}}), began, began+3).Open,
	)
	assert.True(
		t,
		s.JudgeGate(
			readings(map[int]map[string]float64{3: {"rocks": 0, "roots-3cm": 0, "new-growth": 1}}),
			began,
			began+3,
		).Open,
	)
	assert.False(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{3: {"rocks": 1, "roots-3cm": 5}}), began, began+3).Open,
		"it still rocks",
	)
	before := readings(map[int]map[string]float64{-2: {"rocks": 0, "new-growth": 1}})
	assert.False(t, s.JudgeGate(before, began, began+3).Open, "answers from before the stage do not open it")
}

// One leaf a month, two leaves: common practice after root rot.
func TestRoomAirIsBorneForTwoWeeks(t *testing.T) {
	s := stage(t, "foliage-rerooting", "wean")
	h := readings(map[int]map[string]float64{5: {"out-of-chamber": 1}, 18: {"out-of-chamber": 1}})
	assert.False(t, s.JudgeGate(h, began, began+18).Open, "13 days")
	h.Add("out-of-chamber", recovery.Reading{On: began + 19, Value: 1})
	assert.True(t, s.JudgeGate(h, began, began+19).Open, "14 days")
}

func TestGrowingAgainCountsLeavesSinceTheStageBegan(t *testing.T) {
	s := stage(t, "foliage-rerooting", "grow")
	h := readings(map[int]map[string]float64{
		0:  {"new-leaves": 5, "leaf-ratio": 99},
		5:  {"leaves-lost": 0},
		28: {"new-leaves": 1, "leaf-ratio": 94, "leaves-lost": 0},
		58: {"new-leaves": 1, "leaf-ratio": 97, "leaves-lost": 0},
	})
	assert.False(t, s.JudgeGate(h, began, began+40).Open, "what was there on the first day opens nothing")
	assert.True(t, s.JudgeGate(h, began, began+58).Open)
	h.Add("leaf-ratio", recovery.Reading{On: began + 60, Value: 70})
	assert.False(t, s.JudgeGate(h, began, began+60).Open, "a smaller leaf closes it again")
}

// Growth of the day on which a stage began is where it began; other answers of that
// day count.
func TestGrowthOfTheFirstDayOpensNothing(t *testing.T) {
	for _, c := range []struct {
		gate    recovery.Condition
		measure string
		value   float64
		first   bool // whether an answer of the first day counts
	}{
		{recovery.AtLeast{Measure: "live-tips", Value: 2, Words: "tips"}, "live-tips", 3, false},
		{recovery.Yes{Measure: "new-growth", Words: "growth"}, "new-growth", 1, false},
		{recovery.Sum{Measure: "new-leaves", Value: 1, Words: "a leaf"}, "new-leaves", 1, false},
		{recovery.Yes{Measure: "core-wet", Words: "wet"}, "core-wet", 1, true},
		{recovery.AtLeast{Measure: "plump", Value: 4, Words: "plump"}, "plump", 5, true},
	} {
		h := recovery.History{}
		h.Add(c.measure, recovery.Reading{On: began - 3, Value: c.value})
		assert.NotEqual(t, recovery.Met, c.gate.Judge(h, began, began+9).Status, "%s before it began", c.measure)
		h.Add(c.measure, recovery.Reading{On: began, Value: c.value})
		assert.Equal(t, c.first, c.gate.Judge(h, began, began+9).Status == recovery.Met, "%s on its first day", c.measure)
		h.Add(c.measure, recovery.Reading{On: began + 1, Value: c.value})
		assert.Equal(t, recovery.Met, c.gate.Judge(h, began, began+9).Status, "%s on the day after", c.measure)
	}
}

func TestCleanLooksMustLieApart(t *testing.T) {
	s := stage(t, "pest-clearance", "knock-down")
	none, some := map[string]float64{"live-pests": 0}, map[string]float64{"live-pests": 1}
	assert.False(
		t,
		s.JudgeGate(readings(map[int]map[string]float64{1: none, 2: none, 3: none}), began, began+3).Open,
		"three looks in three days are one look",
	)
	assert.True(t, s.JudgeGate(readings(map[int]map[string]float64{1: none, 6: none}), began, began+6).Open)
	assert.False(t, s.JudgeGate(readings(map[int]map[string]float64{1: none, 6: none, 8: some}), began, began+8).Open)
}

func TestSetbackSaysWhereToGoBackTo(t *testing.T) {
	tr, _ := recovery.TrackByID("foliage-rerooting")
	_, found := tr.FindSetback(2, readings(map[int]map[string]float64{3: {"wilt": 0, "rot": 0}}), began, began+3)
	assert.False(t, found)
	back, found := tr.FindSetback(2, readings(map[int]map[string]float64{3: {"rot": 1}}), began, began+3)
	require.True(t, found)
	assert.Equal(t, "stabilise", back.BackTo, "rot sends it back to the start")
	back, found = tr.FindSetback(2, readings(map[int]map[string]float64{3: {"wilt": 1}}), began, began+3)
	require.True(t, found)
	assert.Equal(t, "re-root", back.BackTo, "a wilt one stage")
	_, found = tr.FindSetback(2, readings(map[int]map[string]float64{-5: {"rot": 1}}), began, began+3)
	assert.False(t, found, "what was before the stage has been answered for")
	back, found = tr.FindSetback(
		1,
		readings(map[int]map[string]float64{1: {"live-tips": 6}, 9: {"live-tips": 3}}),
		began,
		began+9,
	)
	require.True(t, found)
	assert.Contains(t, back.Why, "live tips fell from 6 to 3")
}

func TestStallByHabitAndRest(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	orchid, _ := plant.HabitByID("sympodial-orchid")
	still := recovery.History{}
	_, stalled := recovery.FindStall(vine, false, still, began, began+6*7)
	assert.False(t, stalled, "six weeks are normal")
	s, stalled := recovery.FindStall(vine, false, still, began, began+8*7)
	require.True(t, stalled)
	assert.Equal(t, 8, s.Weeks)
	_, stalled = recovery.FindStall(orchid, false, still, began, began+8*7)
	assert.False(t, stalled, "an orchid may stand for twelve")
	_, stalled = recovery.FindStall(orchid, true, still, began, began+30*7)
	assert.False(t, stalled, "and does not while it rests")
	growing := readings(
		map[int]map[string]float64{10: {"longest-root": 8}, 40: {"longest-root": 15}, 50: {"longest-root": 15}},
	)
	s, stalled = recovery.FindStall(vine, false, growing, began, began+90)
	require.True(t, stalled)
	assert.Equal(t, began+40, s.Since, "the last rise, not the last reading")
}

func TestWithoutReadingsTheUsualWeeksAreExpected(t *testing.T) {
	s := stage(t, "foliage-rerooting", "re-root")
	w := s.Expect(recovery.History{}, climate.Summer, began, began)
	assert.InDelta(t, 14, int(w.From-began), 1, "two weeks at the shortest")
	assert.InDelta(t, 56, int(w.To-began), 1, "eight at the longest")
	assert.False(t, w.Late || w.Own)
	slow := s.Expect(recovery.History{}, climate.Winter, began, began)
	assert.Greater(t, slow.To, w.To, "longer in winter light")
	late := s.Expect(recovery.History{}, climate.Summer, began, began+70)
	assert.True(t, late.Late)
	assert.True(t, late.From >= began+70 && late.To > late.From)
}

func TestReadingsAreChecked(t *testing.T) {
	tips, _ := recovery.MeasureByID("live-tips")
	wilt, _ := recovery.MeasureByID("wilt")
	plump, _ := recovery.MeasureByID("plump")
	assert.NoError(t, tips.Check(3))
	assert.Error(t, tips.Check(2.5))
	assert.Error(t, tips.Check(-1))
	assert.Error(t, tips.Check(1e6))
	assert.Error(t, wilt.Check(2))
	assert.Error(t, plump.Check(0))
}

func TestKindsNameTracksThatExist(t *testing.T) {
	for _, p := range plant.Profiles() {
		for _, w := range p.Weeks {
			_, ok := recovery.TrackByID(w.Track)
			assert.True(t, ok, "%s of %s", w.Track, p.ID)
			assert.True(t, w.Weeks[0] > 0 && w.Weeks[0] <= w.Weeks[1], p.ID)
		}
	}
}
