package told_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/record"
	"tendermend/record/told"
)

func trialOf(what string, result record.Helped) told.TriedOn {
	t := told.TriedOn{Plant: uuid.New(), Name: "A plant", Trial: record.Trial{ID: uuid.New()}}
	t.What = what
	if result != "" {
		t.Result = &record.TrialResult{Result: result}
	}
	return t
}

// Trials are added up by method, whatever its letters and spaces; what is open or unclear
// is no evidence.
func TestMethodsAddTheirTrialsUp(t *testing.T) {
	list := told.MethodsOf([]told.TriedOn{
		trialOf("Heat mat", record.HelpedUnclear),
		trialOf("Cinnamon ", record.HelpedBetter),
		trialOf("cinnamon", record.HelpedSame),
		trialOf("CINNAMON", record.HelpedWorse),
		trialOf(" Cinnamon", ""),
		trialOf("heat  mat", ""),
	})
	require.Len(t, list, 2)
	first, second := list[0], list[1]
	assert.Equal(t, "Cinnamon", first.What)
	assert.Equal(t, []int{1, 1, 1, 0, 1, 4, 3},
		[]int{first.Better, first.Same, first.Worse, first.Unclear, first.Open, len(first.On), first.Clear()})
	assert.Equal(t, []int{0, 0, 0, 1, 1, 2}, []int{
		second.Better, second.Same, second.Worse, second.Unclear, second.Open, len(second.On),
	})
	assert.Nil(t, second.Low, "nothing clear, nothing known")
	require.NotNil(t, first.Low)
	// One of three, by hand with z = 1.96: the middle (1/3 + z²/6)/(1 + z²/3) is 0.4269, and half of
	// it z·√(2/27 + z²/36)/(1 + z²/3) is 0.3654 to each side.
	assert.InDelta(t, 0.0615, *first.Low, 0.0005)
	assert.InDelta(t, 0.7923, *first.High, 0.0005)
	assert.Empty(t, told.MethodsOf(nil))
}
