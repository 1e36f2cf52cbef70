package record_test

import (
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/record"
	"tendermend/record/due"
)

func tried(days int) record.Body {
	return record.Body{Tried: &record.Tried{What: "Cinnamon on the cut", Hope: "a dry cut.", Days: days}}
}

func judged(trial uuid.UUID, result record.Helped) record.Body {
	return record.Body{Judged: &record.Judged{Trial: trial, Result: result}}
}

// asksForTrial gives the task that asks for a trial's result; false where none does.
func asksForTrial(b *book) (due.Task, bool) {
	for _, task := range due.Tasks(b.state(), false) {
		if task.Kind == due.Trial {
			return task, true
		}
	}
	return due.Task{}, false
}

// A trial asks for its result when its time is over, until somebody says it.
func TestATrialAsksForItsResult(t *testing.T) {
	b := newBook(t)
	begun := b.write(30, tried(28))
	task, asks := asksForTrial(b)
	require.True(t, asks)
	assert.Equal(t, today-2, task.From)
	assert.Equal(t, begun.ID.String(), task.Trial)
	assert.Equal(t, "Did it help: Cinnamon on the cut?", task.What)
	assert.True(t, strings.HasSuffix(task.Why, "if this is seen: a dry cut."), task.Why)
	assert.False(t, task.Presses(today+4))
	assert.True(t, task.Presses(today+5))

	said := b.write(1, judged(begun.ID, record.HelpedBetter))
	_, asks = asksForTrial(b)
	assert.False(t, asks)
	trials := b.state().Trials
	require.Len(t, trials, 1)
	assert.Equal(t, &record.TrialResult{On: today - 1, Result: record.HelpedBetter}, trials[0].Result)

	b.write(0, record.Body{Voided: &record.Voided{Entry: said.ID}})
	_, asks = asksForTrial(b)
	assert.True(t, asks, "its result was undone")
	b.write(0, record.Body{Voided: &record.Voided{Entry: begun.ID}})
	assert.Empty(t, b.state().Trials)
}

func TestWhatIsNoTrialIsRefused(t *testing.T) {
	b := newBook(t)
	for _, days := range []int{1, 365} {
		assert.Empty(t, b.try(9, tried(days)), days)
	}
	for _, days := range []int{-1, 0, 366} {
		assert.NotEmpty(t, b.try(9, tried(days)), days)
	}
	assert.Len(t, b.try(9, record.Body{Tried: &record.Tried{What: " ", Hope: "\t", Days: 5}}), 2)

	begun := b.write(20, tried(10))
	assert.NotEmpty(t, b.try(1, judged(uuid.New(), record.HelpedSame)), "no such trial")
	assert.NotEmpty(t, b.try(1, judged(begun.ID, "marvellous")))
	assert.NotEmpty(t, b.try(21, judged(begun.ID, record.HelpedSame)), "before it began")
	assert.Empty(t, b.try(20, judged(begun.ID, record.HelpedSame)))
	said := b.write(3, judged(begun.ID, record.HelpedSame))
	assert.NotEmpty(t, b.try(1, judged(begun.ID, record.HelpedWorse)), "its result is recorded")

	again := b.entry(3, judged(begun.ID, record.HelpedWorse))
	again.Replaces = &said.ID
	assert.Empty(t, record.Check(again, b.entries, nil, today), "a correction of the result")
	other := b.entry(20, tried(12))
	other.Replaces = &begun.ID
	assert.NotEmpty(t, record.Check(other, b.entries, nil, today), "its result belongs to what was tried")
}

// A state that was given out keeps what it said when a result comes later.
func TestAResultChangesNoEarlierState(t *testing.T) {
	b := newBook(t)
	begun := b.write(20, tried(10))
	ledger := record.NewLedger(b.plant, b.entries, b.kinds)
	before := ledger.State()
	e := b.entry(1, judged(begun.ID, record.HelpedWorse))
	ledger.Add(e)
	require.Len(t, before.Trials, 1)
	assert.Nil(t, before.Trials[0].Result)
	assert.NotNil(t, ledger.State().Trials[0].Result)
}
