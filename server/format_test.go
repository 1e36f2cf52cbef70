package server

import (
	"bytes"
	"encoding/json"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/record"
	"tendermend/record/due"
)

// An answer is written letter by letter as the standard writer writes it: empty and missing
// lists, kinds of entry inside an entry, names of maps in order, days, times, and letters
// that a page would take for its own.
func TestAnswersAreWrittenAsTheStandardWriterDoes(t *testing.T) {
	on, none := day.Of(2026, time.May, 1), []string(nil)
	entry := record.Entry{ID: uuid.New(), On: on, RecordedAt: time.Date(2026, 5, 1, 9, 0, 0, 5000, time.UTC)}
	entry.Noted = &record.Noted{Text: "a <b> & “c”\u2028\n"}
	for name, v := range map[string]any{
		"an entry":     ListedEntry{EntryView{entry, entry.Kind(), true}, []uuid.UUID{}},
		"lists":        map[string]any{"missing": none, "empty": []string{}, "z": 1, "a": 1.5e-9, "big": 1e21, "whole": 3.0},
		"maps":         map[care.Job][]int{care.Turn: {1}, care.Feed: nil},
		"by id":        map[uuid.UUID]bool{uuid.Nil: true},
		"a task":       due.Task{Kind: due.Look, From: on, Until: on + 2, What: "Look"},
		"facts":        facts.Facts{Seat: facts.Said(facts.InPot)}.Rows(),
		"raw":          map[string]any{"raw": json.RawMessage(`{"b":1, "a":[ ]}`), "none": json.RawMessage(nil)},
		"as it stands": passed[record.Figure]{[]byte(`{"leaves": 3}`)},
	} {
		var want, got bytes.Buffer
		standard := json.NewEncoder(&want)
		standard.SetEscapeHTML(false)
		require.NoError(t, standard.Encode(v), name)
		require.NoError(t, fastJSON()["json"].Marshal(&got, v), name)
		assert.Equal(t, string(bytes.TrimSuffix(want.Bytes(), []byte("\n"))), got.String(), name)
	}
}
