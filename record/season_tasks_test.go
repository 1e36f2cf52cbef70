package record_test

import (
	"fmt"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/record"
	"tendermend/record/due"
)

// aYear is a place with the same light and sun all year, on a sill at 52° north.
func aYear(light, sun float64) (y place.YearAir) {
	y.Latitude, y.Out = 52, [12]float64{1, 1, 3, 8, 14, 20, 21, 21, 18, 9, 4, 2}
	for m := range y.Light {
		y.Light[m], y.Sun[m], y.VPD[m], y.Night[m], y.Day[m], y.Humidity[m] = light, sun, .8, 17, 22, 60
	}
	return y
}

// seasonOf gives what the season asks for by job, of a book read with the air of its places.
func seasonOf(b *book, airs map[uuid.UUID]place.YearAir) map[care.Job]due.Task {
	s := b.state().Apiece()
	s.Airs = airs
	asked := map[care.Job]due.Task{}
	for _, t := range due.Tasks(s, false) {
		if t.Kind == due.Season {
			asked[t.Job] = t
		}
	}
	return asked
}

// What the season asks for is answered once a year, can be put off and switched off, and goes
// when its time is over.
func TestWhatTheSeasonAsksForIsAnswered(t *testing.T) {
	sunny := uuid.New()
	air := aYear(8, 0)
	for m := 4; m < 8; m++ {
		air.Sun[m], air.Hot[m] = 6, true
	}
	airs := map[uuid.UUID]place.YearAir{sunny: air}
	b := inPot(t)
	b.write(200, record.Body{Moved: &record.Moved{Place: &sunny}})
	b.write(199, record.Body{Watered: &record.Watered{}})
	shade, asked := seasonOf(b, airs)[care.Shade]
	require.True(t, asked)
	assert.Equal(t, "shaded", shade.Done)
	assert.NotEmpty(t, shade.How)
	assert.NotEmpty(t, due.By([]due.Task{shade}, shade.From, nil))
	assert.Empty(t, due.By([]due.Task{shade}, shade.From-1, nil))
	assert.Empty(t, due.By([]due.Task{shade}, *shade.Ends+1, nil), "the bright months are over")
	assert.NotEmpty(t, due.By([]due.Task{shade}, *shade.Ends, nil))
	assert.Empty(t, due.By([]due.Task{shade}, shade.From, []care.Job{care.Shade}), "switched off for all")
	water := due.Task{Kind: due.Water, From: shade.From + 1, Until: shade.From + 5, Weight: shade.Weight}
	both := due.By([]due.Task{shade, water}, shade.From+1, nil)
	assert.Equal(t, due.Water, both[0].Kind, "the season comes behind others of its weight")
	load := due.LoadOf([]due.Task{shade})
	assert.Equal(t, []int{3, 0}, load.Minutes)
	assert.Equal(t, []int{3, 0}, load.Jobs[care.Shade])

	now := int(today - shade.From)
	b.write(now, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.Shade}}})
	assert.NotContains(t, seasonOf(b, airs), care.Shade, "it is done for this year")

	put := inPot(t)
	put.write(200, record.Body{Moved: &record.Moved{Place: &sunny}})
	until := shade.From + 7
	const why = "the curtain is at the wash"
	put.write(now, record.Body{Snoozed: &record.Snoozed{Job: care.Shade, Until: &until, Reason: why}})
	later := seasonOf(put, airs)[care.Shade]
	assert.Equal(t, until, later.From)
	assert.Equal(t, 1, later.PutOff)
	assert.Equal(t, why, later.PutOffWhy)
	put.write(now, record.Body{Snoozed: &record.Snoozed{Job: care.Shade, Off: true}})
	assert.NotContains(t, seasonOf(put, airs), care.Shade)

	faults := put.try(now, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.BringIn}}})
	require.Len(t, faults, 1)
	assert.Contains(t, faults[0].Message, "where it stands now")
}

// A move into more light is followed by its steps, each on its day; whoever does one late moves
// the next. One that is being mended is shaded and brought in, and not put out.
func TestStepsOfLightFollowAMove(t *testing.T) {
	dark, dim, bright, open := uuid.New(), uuid.New(), uuid.New(), uuid.New()
	outside := aYear(6, 1)
	outside.Outdoors = true
	airs := map[uuid.UUID]place.YearAir{dark: aYear(.6, 0), dim: aYear(3, 0), bright: aYear(9, 0), open: outside}
	b := inPot(t)
	b.write(100, record.Body{Moved: &record.Moved{Place: &dim}})
	assert.NotContains(t, seasonOf(b, airs), care.LightStep)
	b.write(20, record.Body{Moved: &record.Moved{Place: &bright}})
	moved := today - 20
	for i, on := range []day.Day{0, 4, 7} {
		step, asked := seasonOf(b, airs)[care.LightStep]
		require.True(t, asked)
		assert.Equal(t, moved+on, step.From, "step %d", i+1)
		b.write(20-int(on), record.Body{Tended: &record.Tended{Jobs: []care.Job{care.LightStep}}})
	}
	assert.NotContains(t, seasonOf(b, airs), care.LightStep, "it has all of it")

	out := inPot(t)
	out.write(100, record.Body{Moved: &record.Moved{Place: &dark}})
	assert.Contains(t, seasonOf(out, airs), care.PutOut)
	out.write(90, record.Body{Opened: &record.Opened{Why: "It droops"}})
	assert.NotContains(t, seasonOf(out, airs), care.PutOut, "it is being mended")
	out.write(80, record.Body{Moved: &record.Moved{Place: &open}})
	in := seasonOf(out, airs)[care.BringIn]
	assert.Empty(t, in.Done, "it is answered by a move")
	assert.NotContains(t, seasonOf(out, airs), care.PutOut)
}

// A known place says when little grows: by its days and its light, not by the month.
func TestARoutineKnowsTheLightOfThePlace(t *testing.T) {
	lit, unlit := uuid.New(), uuid.New()
	lamp := aYear(8, 0)
	lamp.Lamp = true
	airs := map[uuid.UUID]place.YearAir{lit: lamp, unlit: aYear(8, 0)}
	feeds := func(at uuid.UUID) care.Due {
		b := inPot(t)
		ago := int(today - day.Of(today.Time().Year(), time.September, 20))
		b.write(ago, record.Body{Moved: &record.Moved{Place: &at}})
		b.write(ago-1, record.Body{Fed: &record.Fed{Strength: .25}})
		s := b.state().Apiece()
		s.Airs = airs
		for _, job := range due.Routine(s, false) {
			if job.Job == care.Feed {
				return job
			}
		}
		t.Fatal("it is fed")
		return care.Due{}
	}
	assert.Less(t, feeds(lit).On, feeds(unlit).On)
}

// Who says in the middle of a season what a place is like is not late: two weeks from then on are
// in time. Feeding less is asked of one that is fed.
func TestWhatIsKnownLateIsNotLate(t *testing.T) {
	sill := uuid.New()
	air := aYear(8, 0)
	for m := range 12 {
		if m < 2 || m > 8 {
			air.Light[m] = .5
		}
	}
	air.Since = today - 10
	b := inPot(t)
	b.write(200, record.Body{Moved: &record.Moved{Place: &sill}})
	b.write(60, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.Turn}}})
	asked := seasonOf(b, map[uuid.UUID]place.YearAir{sill: air})
	assert.Equal(t, today-10, asked[care.Brighter].From)
	assert.Equal(t, today+4, asked[care.Brighter].Until)
	assert.NotContains(t, asked, care.FeedLess)
	for ago, is := range map[int]bool{150: true, 151: false} {
		fed := inPot(t)
		fed.write(200, record.Body{Moved: &record.Moved{Place: &sill}})
		fed.write(ago, record.Body{Fed: &record.Fed{Strength: .5}})
		fed.write(60, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.Turn}}})
		_, less := seasonOf(fed, map[uuid.UUID]place.YearAir{sill: air})[care.FeedLess]
		assert.Equal(t, is, less, "fed %d days before the last look", ago-60)
	}
}

// How often a job was put off counts from when it was done last, and says why the last time.
func TestHowOftenAJobWasPutOff(t *testing.T) {
	b := inPot(t)
	turn := func() care.Due {
		for _, job := range due.Routine(b.state(), false) {
			if job.Job == care.Turn {
				return job
			}
		}
		t.Fatal("it is turned")
		return care.Due{}
	}
	assert.Zero(t, turn().PutOff)
	for i, ago := range []int{30, 20, 10} {
		assert.False(t, turn().Unwanted, "put off %d times", i)
		until := today - day.Day(ago) + 7
		why := fmt.Sprint("too heavy ", ago)
		b.write(ago, record.Body{Snoozed: &record.Snoozed{Job: care.Turn, Until: &until, Reason: why}})
	}
	assert.Equal(t, 3, turn().PutOff)
	assert.True(t, turn().Unwanted)
	assert.Equal(t, "too heavy 10", turn().PutOffWhy)
	b.write(5, record.Body{Tended: &record.Tended{Jobs: []care.Job{care.Turn}}})
	assert.Zero(t, turn().PutOff)
}
