package record_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/treatment"
	"tendermend/record"
	"tendermend/record/due"
)

// What a case put on comes off when it has ended: its cover first, then its light in steps a week apart, until nothing
// is left on. While the case is in work its plan says when.
func TestWhatACasePutOnComesOffWhenItHasEnded(t *testing.T) {
	b := newBook(t)
	b.rot()
	b.tick(39, treatment.CoverIt, nil)
	b.tick(39, treatment.ShadeIt, nil)
	asked := func() (jobs []care.Job) {
		for _, d := range due.Routine(b.state(), false) {
			if slices.Contains([]care.Job{care.Uncover, care.LightBack}, d.Job) {
				jobs = append(jobs, d.Job)
			}
		}
		return jobs
	}
	tended := func(daysAgo int, job care.Job) {
		b.write(daysAgo, record.Body{Tended: &record.Tended{Jobs: []care.Job{job}}})
	}
	assert.Empty(t, asked(), "its plan says when")
	b.write(30, record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}})
	require.Empty(t, b.state().OpenCases())
	assert.Equal(t, []care.Job{care.Uncover}, asked())
	tended(25, care.Uncover)
	assert.Equal(t, []care.Job{care.LightBack}, asked())
	light := b.state().Known.LightShare.Value
	tended(24, care.LightBack)
	assert.InDelta(t, light+care.LightBackStep, b.state().Known.LightShare.Value, 1e-9)
	for _, d := range due.Routine(b.state(), false) {
		if d.Job == care.LightBack {
			assert.Equal(t, today-17, d.On, "the next step a week later")
		}
	}
	tended(17, care.LightBack)
	assert.Empty(t, asked(), "it has all of its light")
}
