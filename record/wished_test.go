package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/record/told"
)

// wellPlant is a book of a plant of a kind that was looked over and found well.
func wellPlant(t *testing.T, profile, habit string) *book {
	b := newBook(t)
	b.entries[0].Arrived = &record.Arrived{Name: profile, Profile: profile, Habit: habit}
	b.write(40, record.Body{Examined: &record.Examined{Absent: []string{"pest.cotton"}}})
	b.write(40, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	b.write(39, record.Body{Fed: &record.Fed{Strength: 0.5}})
	return b
}

func (b *book) wish(w treatment.Wish) record.Entry {
	ball, width := 10.0, 12.0
	return b.write(10, record.Body{Planned: &record.Planned{
		Answers: sheet.Answers{Wish: w, RootBallCM: &ball, PotWidthCM: &width},
	}})
}

// A wish leaves a well plant well: it is no trouble, alarms nothing, and routine, feed and card go on as they were,
// until its roots are touched.
func TestAWishLeavesAWellPlantWell(t *testing.T) {
	kinds := []string{
		"monstera-adansonii", "phalaenopsis-hybrid", "nephrolepis-exaltata", "ficus-elastica", "hoya-carnosa",
		"crassula-ovata", "tradescantia-zebrina", "spathiphyllum-wallisii", "aloe-vera", "dendrobium-nobile",
	}
	for _, kind := range kinds {
		profile, known := plant.Kinds(nil).ByID(kind)
		require.True(t, known, kind)
		for _, wish := range treatment.Wishes() {
			b := wellPlant(t, kind, profile.Habit)
			was := b.state()
			b.wish(wish)
			s, name := b.state(), kind+", "+string(wish)
			require.Equal(t, "well", was.Standing(), name)
			assert.Equal(t, "well", s.Standing(), name)
			assert.Empty(t, s.Troubles(), name)
			assert.Equal(t, was.Alarms(), s.Alarms(), name)
			assert.Equal(t, was.Isolation, s.Isolation, name)
			assert.Equal(t, jobsOf(was), jobsOf(s), name)
			if s.Plan.Steps[0].On > today-10 || !plansToday(s, treatment.FeedIt) {
				assert.Equal(t, told.CardOf(was, today-10, false).Feed, told.CardOf(s, today-10, false).Feed, name)
			}
			assert.Contains(t, told.Line(s, today-10, false), "It is well: ", name)
			for _, c := range s.Wished() {
				assert.Equal(t, record.ResultNothing, c.Result(), name)
			}
		}
	}
}

// jobsOf is the ordinary care of a plant ten days ago.
func jobsOf(s record.State) any {
	for _, task := range due.Tasks(s, false) {
		if task.Kind == due.Look || len(task.Jobs) > 0 {
			return task.Jobs
		}
	}
	return "none"
}

// plansToday says whether its plan has a step with an operator of its own.
func plansToday(s record.State, op treatment.OperatorID) bool {
	for _, step := range s.Plan.Steps {
		if treatment.OperatorID(step.Op) == op && step.Of == "" {
			return true
		}
	}
	return false
}

// tickAll ticks every step of the plan in hand on its day, and gives the last of those.
func (b *book) tickAll() (last day.Day) {
	for _, step := range b.state().Plan.Steps {
		last = max(last, step.On)
		b.entries = append(b.entries, b.entry(int(today-step.On), record.Body{Did: &record.Did{Step: step.ID}}))
	}
	return last
}

// A wish that touches roots has it settle in from that day, and goes on until it has; a trouble beside it is a case of
// its own and stands first.
func TestAWishGoesOnUntilItHasSettled(t *testing.T) {
	b := wellPlant(t, "spathiphyllum-wallisii", "aroid-clump")
	b.wish(treatment.Refresh)
	s := b.state()
	require.Len(t, s.Wished(), 1)
	require.Equal(t, recovery.Settling, s.Plan.Track)
	assert.Empty(t, s.Courses, "nothing was touched yet")
	last := b.tickAll()
	s = b.state()
	require.Len(t, s.Courses, 1)
	assert.Equal(t, recovery.Settling, s.Courses[0].Track)
	assert.Len(t, s.Wished(), 1, "it settles in yet")
	assert.Equal(t, "well", s.Standing())

	b.entries = append(b.entries, b.entry(int(today-last), record.Body{
		Diagnosed: &record.Diagnosed{Causes: []string{"thrips"}},
	}))
	s = b.state()
	require.Len(t, s.Troubles(), 1)
	assert.Equal(t, "diagnosed", s.Standing())
	assert.Len(t, s.Wished(), 1, "and the wish goes on beside it")
	assert.Equal(t, "thrips", s.MainCause())
}

// A wish that touches no roots ends of itself with its last step, and leaves the plant as well as it was.
func TestAWishEndsWithItsLastStep(t *testing.T) {
	b := wellPlant(t, "tradescantia-zebrina", "soft-trailer")
	e := b.wish(treatment.Prune)
	require.Empty(t, b.state().Plan.Track)
	last := b.tickAll()
	s := b.state()
	require.Empty(t, s.OpenCases())
	c, known := s.CaseByID(e.ID)
	require.True(t, known)
	assert.Equal(t, record.OutcomeDone, c.Outcome())
	assert.Equal(t, record.ResultNothing, c.Result())
	assert.Equal(t, last, *c.EndedOn())
	assert.Equal(t, "well", s.Standing())
	assert.False(t, s.Mended(), "nothing was wrong with it")
}
