package record_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/pieces"
	"tendermend/record"
	"tendermend/record/due"
)

// aBatch is a book of twelve nodes in a box, taken so many days ago.
func aBatch(t *testing.T, daysAgo int) *book {
	t.Helper()
	b := newBook(t)
	first := b.entries[0]
	first.On = today - day.Day(daysAgo)
	arrived := *first.Arrived
	arrived.Batch = &record.TakenAs{N: 12, Method: pieces.NodeCutting, Vessel: pieces.InBox}
	first.Arrived = &arrived
	b.entries = []record.Entry{first}
	return b
}

func counted(alive, shoots, rooted int) record.Body {
	return record.Body{Counted: &record.Counted{Alive: alive, Shoots: shoots, Rooted: rooted}}
}

func TestABatchIsFollowedInOneRow(t *testing.T) {
	b := aBatch(t, 60)
	assert.Equal(t, "rooting", b.state().Standing())
	b.write(46, counted(11, 2, 0))
	b.write(32, counted(9, 6, 4))
	b.write(18, counted(9, 9, 7))
	b.write(18, record.Body{Parted: &record.Parted{Potted: 5}})
	b.write(17, record.Body{Parted: &record.Parted{Returned: 1}})
	b.write(4, counted(2, 2, 2))
	s := b.state()
	batch := s.Batch
	require.NotNil(t, batch)
	assert.Equal(t, []int{2, 2, 2, 4, 4, 5, 1},
		[]int{batch.Alive, batch.Shoots, batch.Rooted, batch.Lost, batch.Rotted, batch.Potted, batch.Returned})
	assert.Equal(t, []pieces.Rooting{{Days: 28, N: 4}, {Days: 42, N: 3}, {Days: 56, N: 1}}, batch.Rootings)
	assert.Equal(t, batch.N, batch.Alive+batch.Lost+batch.Potted+batch.Returned, "every piece is somewhere")
	assert.Equal(t, "rooted", s.Standing())
	assert.Equal(t, today-4+pieces.CountDays, *batch.CountOn)

	b.write(1, record.Body{Parted: &record.Parted{Potted: 2}})
	assert.Equal(t, "parted", b.state().Standing())
	assert.Nil(t, b.state().Batch.CountOn)
	for _, task := range due.Tasks(b.state(), false) {
		assert.NotEqual(t, due.Count, task.Kind, "nothing is left to count")
	}
}

func TestWhatABatchCannotBe(t *testing.T) {
	for _, one := range []struct {
		what string
		body record.Body
		says string
	}{
		{"more alive than left", counted(11, 0, 0), "only 10 nodes were left"},
		{"all that are left", counted(10, 0, 0), ""},
		{"more rooted than alive", counted(5, 0, 6), "of 5 nodes alive, 6 cannot have roots"},
		{"all rooted", counted(5, 5, 5), ""},
		{"more shoots than alive", counted(5, 6, 5), "of 5 nodes alive, 6 cannot have a shoot"},
		{"fewer than none", counted(-1, 0, 0), "0 or more"},
		{"more rotted than died", record.Body{Counted: &record.Counted{Alive: 9, Rotted: p(2)}}, "2 cannot have rotted"},
		{"more out than left", record.Body{Parted: &record.Parted{Potted: 6, Returned: 5}}, "11 cannot be taken out"},
		{"all out", record.Body{Parted: &record.Parted{Potted: 6, Returned: 4}}, ""},
		{"none out", record.Body{Parted: &record.Parted{}}, "say how many"},
	} {
		t.Run(one.what, func(t *testing.T) {
			b := aBatch(t, 30)
			b.write(16, counted(10, 0, 0))
			faults := b.try(0, one.body)
			if one.says == "" {
				assert.Empty(t, faults)
				return
			}
			require.NotEmpty(t, faults)
			assert.Contains(t, faults[0].Message, one.says)
		})
	}
}

func TestAPlantIsNoBatchAndABatchHasLimits(t *testing.T) {
	b := newBook(t)
	for _, body := range []record.Body{counted(1, 0, 0), {Parted: &record.Parted{Potted: 1}}} {
		require.NotEmpty(t, b.try(0, body))
		assert.Contains(t, b.try(0, body)[0].Message, "one plant, not a batch")
	}
	for n, ok := range map[int]bool{0: false, 1: true, 500: true, 501: false} {
		fresh := &book{t: t, plant: uuid.New()}
		taken := record.TakenAs{N: n, Method: pieces.LeafCutting, Vessel: pieces.InMix}
		faults := fresh.try(1, record.Body{Arrived: &record.Arrived{Name: "Leaves", Habit: "gesneriad", Batch: &taken}})
		assert.Equal(t, ok, len(faults) == 0, "%d: %v", n, faults)
	}
}

func TestABatchIsCountedEveryTwoWeeks(t *testing.T) {
	b := aBatch(t, 20)
	var count *due.Task
	for _, task := range due.Tasks(b.state(), false) {
		assert.NotEqual(t, due.Examine, task.Kind, "it is no patient")
		assert.NotEqual(t, due.Water, task.Kind, "a box is not watered as a pot is")
		if task.Kind == due.Count {
			count = &task
		}
	}
	require.NotNil(t, count)
	assert.Equal(t, today-20+14, count.From)
	assert.Contains(t, count.Why, "12 nodes alive")
}
