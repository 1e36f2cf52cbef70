package care_test

import (
	"slices"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/plant"
)

var (
	spring = day.Of(2026, time.April, 1)
	winter = day.Of(2026, time.December, 10)
)

// vine is a healthy one that was had for long.
func vine(t *testing.T, more func(*care.Plant)) map[care.Job]care.Due {
	t.Helper()
	habit, ok := plant.HabitByID("aroid-vine")
	require.True(t, ok)
	p := care.Plant{Habit: habit, Wants: plant.OfHabit(habit), Had: spring, Last: map[care.Job]day.Day{}}
	if more != nil {
		more(&p)
	}
	list := map[care.Job]care.Due{}
	for _, d := range care.Routine(p) {
		list[d.Job] = d
	}
	return list
}

// Intervals are common practice.
func TestJobsFallDueByTheirIntervals(t *testing.T) {
	jobs := vine(t, nil)
	for job, days := range map[care.Job]day.Day{
		care.PestLook: 14, care.LeafWash: 56, care.Turn: 14, care.Stake: 60, care.Feed: 30,
	} {
		require.Contains(t, jobs, job)
		assert.Equal(t, spring+days, jobs[job].On, "%s", job)
		assert.NotEmpty(t, jobs[job].Why)
	}
	assert.NotContains(t, jobs, care.Flush, "nothing was fed")
	dark := vine(t, func(p *care.Plant) { p.Had = winter })
	assert.Equal(t, winter+21, dark[care.PestLook].On, "seldomer in the dark months")
	assert.Equal(t, winter+60, dark[care.Feed].On, "and fed half as often")
	watched := vine(t, func(p *care.Plant) { p.Watched = true })
	assert.Equal(t, spring+7, watched[care.PestLook].On)
}

func TestWhoIsNotFed(t *testing.T) {
	share := func(s float64) func(*care.Plant) { return func(p *care.Plant) { p.LiveShare = &s } }
	assert.NotContains(t, vine(t, share(0.39)), care.Feed, "too few roots")
	assert.Contains(t, vine(t, share(0.4)), care.Feed)
	fresh := spring + 10
	assert.Equal(t, fresh+30, vine(t, func(p *care.Plant) { p.FreshOn = &fresh })[care.Feed].On, "fresh medium feeds")
	never := func(p *care.Plant) { p.Wants.Feed.Every = "never" }
	assert.NotContains(t, vine(t, never), care.Feed)
	weekly := func(p *care.Plant) { p.Wants.Feed.Every = "weekly" }
	assert.Equal(t, spring+7, vine(t, weekly)[care.Feed].On)
	isNew := func(p *care.Plant) { weekly(p); p.New = true }
	assert.Equal(t, spring+30, vine(t, isNew)[care.Feed].On, "a newcomer waits for a month")
}

func TestARestMovesWhatFeedsAndFlushes(t *testing.T) {
	kind := plant.Profile{RestKind: "winter-dry", Feed: plant.Feed{Every: "month"}}
	rests := func(p *care.Plant) { p.Wants, p.Had, p.Fed = kind, winter, 4 }
	jobs := vine(t, rests)
	assert.Equal(t, day.Of(2027, time.March, 1), jobs[care.Feed].On, "not before the rest is over")
	assert.Equal(t, day.Of(2027, time.March, 1), jobs[care.Flush].On)
	assert.InDelta(t, 0.5, jobs[care.Feed].Strength, 1e-9)
	south := func(p *care.Plant) { rests(p); p.South = true }
	assert.Equal(t, winter+30, vine(t, south)[care.Feed].On, "in the south it is summer")
}

func TestSaltsAreFlushedAfterFourFeeds(t *testing.T) {
	assert.NotContains(t, vine(t, func(p *care.Plant) { p.Fed = 3 }), care.Flush)
	assert.Equal(t, spring+56, vine(t, func(p *care.Plant) { p.Fed = 4 })[care.Flush].On)
	tender := func(p *care.Plant) { p.Fed, p.Wants.Traits = 4, []plant.Trait{plant.SaltTender} }
	assert.Equal(t, spring+35, vine(t, tender)[care.Flush].On)
}

func TestWhatAKindDoesNotBear(t *testing.T) {
	for trait, job := range map[plant.Trait]care.Job{
		plant.PowderBloom: care.LeafWash, plant.Fuzzy: care.LeafWash, plant.DryLeaves: care.LeafWash,
		plant.SulksMoved: care.Turn,
	} {
		assert.NotContains(t, vine(t, func(p *care.Plant) { p.Wants.Traits = []plant.Trait{trait} }), job, "%s", trait)
	}
	assert.NotContains(t, vine(t, func(p *care.Plant) { p.InBud = true }), care.Turn, "buds drop when turned")
}

func TestAPlantIsRepottedInGrowth(t *testing.T) {
	months := func(p *care.Plant) { p.Wants.RepotMonths = [2]int{6, 12} }
	on := vine(t, months)[care.RepotCheck].On
	assert.Equal(t, day.Of(2027, time.February, 1), on, "nine months end in the dark: it waits")
	fresh := day.Of(2026, time.August, 1)
	again := func(p *care.Plant) { months(p); p.FreshOn = &fresh }
	assert.Equal(t, fresh+270, vine(t, again)[care.RepotCheck].On, "from when it was potted last")
	assert.NotContains(t, vine(t, nil), care.Pinch, "a climber is not pinched")
}

func TestJobsJoinTheLookThatIsNear(t *testing.T) {
	list := []care.Due{{Job: care.Turn, On: spring + 3}, {Job: care.Feed, On: spring + 4}}
	assert.Equal(t, list[:1], care.By(list, spring), "three days early, not four")
	off := vine(t, func(p *care.Plant) {
		p.Off, p.Snoozed = []care.Job{care.Turn}, map[care.Job]day.Day{care.LeafWash: spring + 90}
	})
	assert.NotContains(t, off, care.Turn)
	assert.Equal(t, spring+90, off[care.LeafWash].On)
	last := spring + 5
	done := vine(t, func(p *care.Plant) { p.Last[care.LeafWash] = last })[care.LeafWash]
	assert.Equal(t, last, *done.Last)
	assert.Equal(t, last+56, done.On)
	all := care.Jobs()
	assert.Equal(t, care.PestLook, all[0].ID, "a look comes before what makes leaves wet")
	assert.Less(t, slices.IndexFunc(all, is(care.LeafWash)), slices.IndexFunc(all, is(care.Feed)))
	_, known := care.ByID("sing")
	assert.False(t, known)
}

func is(job care.Job) func(care.Words) bool { return func(w care.Words) bool { return w.ID == job } }

func TestAJobThatFellDueBeforeARestWaitsForItsEnd(t *testing.T) {
	kind := plant.Profile{RestKind: "winter-dry", Feed: plant.Feed{Every: "month"}}
	autumn := day.Of(2026, time.September, 20)
	jobs := vine(t, func(p *care.Plant) { p.Wants, p.Had = kind, autumn })
	feed := jobs[care.Feed]
	assert.Equal(t, autumn+30, feed.On)
	november, march := day.Of(2026, time.November, 1), day.Of(2027, time.March, 1)
	assert.Equal(t, autumn+30, feed.At(november-1).On, "the day before its rest")
	assert.Equal(t, march, feed.At(november).On, "the first day of its rest")
	assert.Equal(t, march, feed.At(march-1).On, "the last")
	assert.Equal(t, autumn+30, feed.At(march).On, "after it, it is due")
	assert.Empty(t, care.By([]care.Due{feed}, winter))
	assert.Nil(t, jobs[care.PestLook].Pauses, "pests do not rest")
}

// A feed that fell due in growth and was left is given as the day is on which it is given.
func TestALateFeedIsAsWeakAsItsDay(t *testing.T) {
	feed := vine(t, func(p *care.Plant) { p.Had = day.Of(2026, time.August, 1) })[care.Feed]
	for on, strength := range map[day.Day]float64{
		day.Of(2026, time.September, 1): .5, day.Of(2026, time.October, 31): .5, day.Of(2026, time.November, 1): .25,
		day.Of(2027, time.January, 31): .25, day.Of(2027, time.February, 1): .5,
	} {
		assert.InDelta(t, strength, feed.At(on).Strength, 1e-9, "%s", on)
	}
	assert.Contains(t, feed.At(day.Of(2026, time.December, 1)).Done, "a quarter")
}
