package treatment_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Answers are taken as people and other programs write them.
func TestAYesIsReadHoweverItIsWritten(t *testing.T) {
	for text, want := range map[string]treatment.Yes{
		`true`: {Said: true, Known: true}, `false`: {Said: false, Known: true},
		`1`: {Said: true, Known: true}, `0`: {Said: false, Known: true},
		`"limp"`: {Said: true, Known: true}, `"firm"`: {Said: false, Known: true},
		`"no"`: {Said: false, Known: true}, `"none"`: {Said: false, Known: true},
		`""`: {}, `null`: {},
	} {
		var got treatment.Yes
		require.NoError(t, json.Unmarshal([]byte(text), &got), text)
		assert.Equal(t, want, got, text)
	}
	var got treatment.Yes
	assert.Error(t, json.Unmarshal([]byte(`{"a":1}`), &got))
}
