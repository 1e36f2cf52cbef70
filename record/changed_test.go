package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/treatment"
	"tendermend/record"
)

// A plan that is followed to the day is as it was promised; one whose root work was done later moves with it, and says
// by what.
func TestAPlanSaysWhatIsNotAsItWasPromised(t *testing.T) {
	b := newBook(t)
	b.rot()
	assert.Empty(t, b.state().Changed(today-40))
	promised := map[string]day.Day{}
	for _, step := range b.state().Plan.Steps {
		promised[step.ID] = step.On
	}
	for _, ago := range []int{40, 37} {
		late := b.copied()
		unpot := late.step(treatment.Unpot)
		require.Equal(t, today-40, unpot.On)
		late.add(late.entry(ago, record.Body{Did: &record.Did{Step: unpot.ID}}))
		s := late.state()
		list := s.Changed(today - day.Day(ago))
		if ago == 40 {
			assert.Empty(t, list, "done on its day")
			continue
		}
		require.NotEmpty(t, list)
		moved := map[string]bool{}
		for _, c := range list {
			require.Equal(t, record.ChangedMoved, c.How)
			assert.Equal(t, c.From+3, *c.To)
			assert.Contains(t, c.Because, unpot.Title)
			assert.Contains(t, c.Because, (today - 37).Words())
			assert.NotEmpty(t, c.Titles)
			for _, id := range c.Steps {
				assert.False(t, moved[id], "each once")
				moved[id] = true
				assert.Equal(t, promised[id], c.From, id)
				assert.Equal(t, *c.To, s.DueOn(id), id)
			}
		}
		for _, step := range s.Plan.Steps {
			if _, done := s.Done()[step.ID]; !done && step.Gate == "" && s.DueOn(step.ID) != step.On {
				assert.True(t, moved[step.ID], "%s moved and is told", step.ID)
			}
		}
	}
}

// What alarms holds water and feed, and the plan says so; when it is over its case, nothing is told.
func TestWhatIsHeldIsToldWithWhatSounds(t *testing.T) {
	b := newBook(t)
	b.write(20, record.Body{Examined: &record.Examined{Present: []string{"med.dry-through"}}})
	b.write(20, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"drought"}}})
	b.write(20, record.Body{Planned: &record.Planned{}})
	s := b.later(today-19, check("smell", 1))
	require.NotEmpty(t, s.Alarms())
	held := 0
	for _, c := range s.Changed(today - 19) {
		if c.How == record.ChangedHeld {
			held += len(c.Steps)
			assert.Nil(t, c.To)
			assert.Contains(t, c.Because, "comes first")
		}
	}
	want := 0
	for _, step := range s.Plan.Steps {
		if step.Gate == "" && s.Stopped(step, max(today-19, s.DueOn(step.ID))) {
			want++
		}
	}
	assert.Positive(t, want)
	assert.Equal(t, want, held)
	b.write(0, record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost, Reason: "it rotted"}})
	assert.Empty(t, b.state().Changed(today))
}
