package exchange_test

import (
	"encoding/json"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
)

// A NUL is refused with its place, wherever in a file it stands and however it is written.
func TestANULIsRefusedWithItsPlace(t *testing.T) {
	plant := exchange.Plant{ID: uuid.New(), Entries: []record.Entry{
		{ID: uuid.New(), On: pgtest.Today, Body: record.Body{Arrived: &record.Arrived{Name: "Fern", Habit: "fern"}}},
		{ID: uuid.New(), On: pgtest.Today, Body: record.Body{Noted: &record.Noted{Text: "MARK"}}},
	}}
	archive, err := json.Marshal(exchange.Archive{
		Format: exchange.Format, Written: pgtest.Today, Collection: "NAME", Plants: []exchange.Plant{plant},
	})
	require.NoError(t, err)
	for what, c := range map[string]struct{ raw, says string }{
		"a note":          {strings.Replace(string(archive), "MARK", `a\u0000b`, 1), "plants[0].entries[1].noted.text"},
		"a name":          {strings.Replace(string(archive), "NAME", `\u0000`, 1), "in collection;"},
		"a register":      {"name,habit,note\nFern,fern,a\x00b\n", "(NUL) in plants[0].entries"},
		"letters alone":   {strings.Replace(string(archive), "MARK", `a\\u0000b`, 1), ""},
		"nothing of that": {string(archive), ""},
	} {
		_, err := exchange.Understand([]byte(c.raw), pgtest.Today)
		if c.says == "" {
			assert.NoError(t, err, what)
			continue
		}
		if assert.Error(t, err, what) {
			assert.Contains(t, err.Error(), c.says, what)
		}
	}
}
