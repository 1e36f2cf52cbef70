package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
	"tendermend/record/due"
)

// lateOf is the task that asks for what is late.
func lateOf(s record.State) (due.Task, bool) {
	for _, t := range due.Tasks(s, false) {
		if t.Kind == due.Late {
			return t, true
		}
	}
	return due.Task{}, false
}

// What a plan waits for is asked for when its day is past, again after each look that did not show it, and no more once
// it was seen. An alarm comes first.
func TestWhatDoesNotComeIsAskedFor(t *testing.T) {
	b := newBook(t)
	b.rot()
	for _, step := range b.state().Plan.Steps {
		if step.Gate == "" && step.On <= today-30 {
			b.add(b.entry(int(today-step.On), record.Body{Did: &record.Did{Step: step.ID}}))
		}
	}
	s := b.state()
	step, late, found := s.FirstLate()
	require.True(t, found)
	assert.Greater(t, late.By, step.On-1, "never before the plan reckons with it")
	task, asked := lateOf(s)
	require.True(t, asked)
	assert.Equal(t, max(late.By, s.LastLook()+7), task.From)
	assert.Contains(t, task.What, late.Awaited)
	assert.Equal(t, step.ID, task.Step)
	waiting := s.Waiting(today)[step.Sitting]
	require.NotNil(t, waiting.Late)
	assert.NotEmpty(t, waiting.Late.Then)

	// Looked at on its day, and not there: in a week again.
	b.at = b.at.AddDate(0, 0, 1)
	s = b.later(task.From, check("rocks", 1, "live-tips", 0))
	again, asked := lateOf(s)
	require.True(t, asked)
	assert.Equal(t, task.From+7, again.From)
	assert.Equal(t, again.From+7, again.Until)

	// An alarm comes before it.
	s = b.later(task.From+1, check("smell", 1, "soft", 1, "live-pests", 5))
	require.NotEmpty(t, s.Alarms())
	_, asked = lateOf(s)
	assert.False(t, asked)
}

// later is the state with one more entry on a day that may lie ahead.
func (b *book) later(on day.Day, body record.Body) record.State {
	e := b.entry(0, body)
	e.On = on
	b.entries = append(b.entries, e)
	return b.state()
}

// From its last day on, a page is told what decides whether to go on, and nothing else.
func TestWhatDecidesAtLastIsToldFromItsDay(t *testing.T) {
	b := wellPlant(t, "phalaenopsis-hybrid", "monopodial-orchid")
	none := 0
	b.write(0, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}})
	b.write(0, record.Body{Planned: &record.Planned{Answers: sheet.Answers{LiveRoots: &none}}})
	s, told := b.state(), 0
	for n, now := range s.Waiting(today) {
		if now.Late == nil || now.Late.Last == nil {
			continue
		}
		told++
		assert.NotEqual(t, now.Late.AtLast, now.Late.Then, n)
		then := s.Waiting(*now.Late.Last)[n]
		assert.Equal(t, now.Late.AtLast, then.Late.Then, n)
	}
	assert.Positive(t, told)
}
