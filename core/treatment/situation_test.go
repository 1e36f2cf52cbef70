package treatment_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
)

// Answers are taken as people and other programs write them.
func TestAYesIsReadHoweverItIsWritten(t *testing.T) {
	for text, want := range map[string]facts.Yes{
		`true`: facts.Said(true), `false`: facts.Said(false),
		`1`: facts.Said(true), `0`: facts.Said(false),
		`"limp"`: facts.Said(true), `"firm"`: facts.Said(false),
		`"no"`: facts.Said(false), `"none"`: facts.Said(false),
		`""`: {}, `null`: {},
	} {
		var got facts.Yes
		require.NoError(t, json.Unmarshal([]byte(text), &got), text)
		assert.Equal(t, want, got, text)
	}
	var got facts.Yes
	assert.Error(t, json.Unmarshal([]byte(`{"a":1}`), &got))
}
