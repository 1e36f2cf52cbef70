package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
	"tendermend/record"
)

// Of no plan is anything done before its day, or before what it waits for was seen, by
// pressing alone: each wants its word. On its own day a step wants none.
func TestNothingOfALaterDayIsDoneByPressingAlone(t *testing.T) {
	dated, gated, unseen, due, based := 0, 0, 0, 0, 0
	for _, causes := range [][]string{{"root-rot"}, {"mealybug"}, {"drought"}, {"overwatering", "fungus-gnat"}} {
		b := newBook(t)
		b.write(40, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}, Absent: []string{}}})
		b.write(40, record.Body{Diagnosed: &record.Diagnosed{Causes: causes}})
		b.write(40, record.Body{Planned: &record.Planned{}})
		on := today - 40
		for _, step := range b.state().Plan.Steps {
			try := func(d record.Did) record.Faults {
				d.Step = step.ID
				return b.try(40, record.Body{Did: &d})
			}
			field := func(faults record.Faults) string {
				require.Len(t, faults, 1, step.ID)
				return faults[0].Field
			}
			switch {
			case step.Gate != "":
				gated++
				assert.Equal(t, "did.seen", field(try(record.Did{})), step.ID)
				if seen := try(record.Did{Seen: true}); len(seen) > 0 {
					unseen++
					assert.Equal(t, "did.reason", field(seen), "%s: days and shares are no sight", step.ID)
				}
				assert.Empty(t, try(record.Did{Reason: "it cannot wait"}), step.ID)
			case step.On > on:
				dated++
				assert.Equal(t, "did.reason", field(try(record.Did{})), step.ID)
				assert.Equal(t, "did.reason", field(try(record.Did{Seen: true})), "%s: its day is no sight", step.ID)
				assert.Empty(t, try(record.Did{Reason: "I am away then"}), step.ID)
				dueIn := 40 - int(step.On-on)
				if dueIn >= 0 && treatment.OperatorID(step.Op) != treatment.Baseline {
					late := b.try(dueIn, record.Body{Did: &record.Did{Step: step.ID}})
					assert.Empty(t, late, "%s on its day", step.ID)
				}
			default:
				due++
				assert.Empty(t, try(record.Did{Note: "no picture was taken"}), step.ID)
			}
			assert.Empty(t, try(record.Did{Skipped: true, Reason: "not for this plant"}), step.ID)
		}
		for _, step := range b.state().Plan.Steps {
			if treatment.OperatorID(step.Op) == treatment.Baseline && step.On == on {
				based++
				assert.NotEmpty(t, b.try(39, record.Body{Did: &record.Did{Step: step.ID}}), "nothing is there of that day")
				b.write(39, check("longest-root", 7))
				assert.Empty(t, b.try(39, record.Body{Did: &record.Did{Step: step.ID}}), "a measure is")
			}
		}
	}
	assert.Positive(t, dated)
	assert.Positive(t, gated)
	assert.Positive(t, unseen)
	assert.Less(t, unseen, gated)
	assert.Positive(t, due)
	assert.Positive(t, based)
}
