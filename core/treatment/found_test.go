package treatment_test

import (
	"bufio"
	"encoding/json"
	"os"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

// Situations whose plans once broke a rule, one in some ten thousand that were
// made up: none of them comes back.
func TestWhatWasOnceBrokenStaysMended(t *testing.T) {
	file, err := os.Open("testdata/found.jsonl")
	require.NoError(t, err)
	defer file.Close()
	n := 0
	for lines := bufio.NewScanner(file); lines.Scan(); n++ {
		var s treatment.Situation
		require.NoError(t, json.Unmarshal(lines.Bytes(), &s))
		p, err := compose.Plan(s)
		require.NoError(t, err)
		list, err := check.Plan(s, p)
		require.NoError(t, err)
		assert.Empty(t, list, lines.Text())
		assert.Empty(t, sound(p), lines.Text())
	}
	assert.Equal(t, 53, n)
}

// Where thirst takes every spray away, what can be dabbed is dabbed: once as a
// trial, then every third day for the whole programme.
func TestAThirstyPlantIsDabbedWhereNoSprayIsBorne(t *testing.T) {
	var s treatment.Situation
	require.NoError(t, json.Unmarshal([]byte(`{"kind":"tillandsia-ionantha","causes":["black-rot","mealybug"],`+
		`"on":"2026-12-20","answers":{"limp":true,"moist":"dry"},"place":{"warmthC":17,"humidityPct":65,"lookDays":2}}`), &s))
	p, err := compose.Plan(s)
	require.NoError(t, err)
	type dab struct {
		day, every int
		until      string
	}
	var dabs []dab
	for _, sit := range p.Sittings {
		for _, x := range sit.Steps {
			require.NotContains(t, []treatment.OperatorID{treatment.Soap, treatment.Oil}, x.Op)
			if x.Op == treatment.Alcohol {
				require.NotNil(t, sit.Day)
				dabs = append(dabs, dab{*sit.Day, x.Every, x.Until.Words()})
			}
		}
	}
	// The programme takes until day 42: the next of every third day from 5 on.
	assert.Equal(t, []dab{{5, 0, ""}, {8, 3, "day 44 of the plan"}}, dabs)
	assert.True(t, slices.IsSortedFunc(p.Sittings, func(a, b treatment.Sitting) int {
		if a.Day == nil || b.Day == nil {
			return 0
		}
		return *a.Day - *b.Day
	}))
}
