package record_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/record"
)

func pointer(v float64) *float64 { return &v }

// An arrival lies before all that counts, and only what counts is an arrival.
func TestAnArrivalLiesBeforeWhatCounts(t *testing.T) {
	b := newBook(t)
	watering := b.write(50, record.Body{Watered: &record.Watered{}})
	later := func() record.Faults {
		e := b.entry(40, record.Body{Arrived: b.entries[0].Arrived})
		e.Replaces = &b.entries[0].ID
		return record.Check(e, b.entries, b.kinds, today)
	}
	if faults := later(); assert.Len(t, faults, 1) {
		assert.Equal(
			t,
			fmt.Sprintf("there is an entry of %s, before this arrival; give that day or an earlier one", watering.On),
			faults[0].Message,
		)
	}
	b.write(0, record.Body{Voided: &record.Voided{Entry: watering.ID}})
	assert.Empty(t, later(), "what was undone does not count")

	_, found := record.Arrival(b.entries)
	assert.True(t, found)
	gone := b.write(0, record.Body{Voided: &record.Voided{Entry: b.entries[0].ID}})
	_, found = record.Arrival(b.entries)
	assert.False(t, found)
	b.write(0, record.Body{Voided: &record.Voided{Entry: gone.ID}})
	_, found = record.Arrival(b.entries)
	assert.True(t, found)
}

// A step that comes back each day is ticked once a day.
func TestADailyStepIsTickedOnceADay(t *testing.T) {
	b := newBook(t)
	b.rot()
	plan := *b.entries[len(b.entries)-1].Planned.Plan
	plan.Steps[0].Every = 1
	b.entries[len(b.entries)-1].Planned.Plan = &plan
	tick := record.Body{Did: &record.Did{Step: plan.Steps[0].ID}}
	b.write(39, tick)
	assert.NotEmpty(t, b.try(39, tick), "twice on a day")
	assert.Empty(t, b.try(38, tick), "the day after it comes back")
}
