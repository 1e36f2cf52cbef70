package diagnosis

import (
	"encoding/csv"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// rowsOf reads a table as it is written down, with nothing of the program.
func rowsOf(t *testing.T, name string) [][]string {
	t.Helper()
	raw, err := os.ReadFile("tables/" + name)
	require.NoError(t, err)
	rows, err := csv.NewReader(strings.NewReader(string(raw))).ReadAll()
	require.NoError(t, err)
	return rows[1:]
}

// What a sheet tells of a cause is what stands in the tables.
func TestSheetsTellTheTables(t *testing.T) {
	chains := 0
	for _, r := range rowsOf(t, "chains.csv") {
		from, ok := SheetOf(r[0])
		require.True(t, ok)
		to, ok := SheetOf(r[1])
		require.True(t, ok)
		assert.Contains(t, from.BringsOn, r[1], r[0])
		assert.Contains(t, to.BroughtBy, r[0], r[1])
		chains++
	}
	brings, brought := 0, 0
	for _, c := range Causes() {
		s, _ := SheetOf(c.ID)
		brings, brought = brings+len(s.BringsOn), brought+len(s.BroughtBy)
	}
	assert.Equal(t, chains, brings)
	assert.Equal(t, chains, brought)

	raw, err := os.ReadFile("tables/links.txt")
	require.NoError(t, err)
	written := map[string]int{}
	for line := range strings.Lines(string(raw)) {
		for _, word := range strings.Fields(line)[1:] {
			sign, _, _ := strings.Cut(word, "=")
			written[sign]++
		}
	}
	for _, s := range Signs() {
		shows := CausesShowing(s.ID)
		assert.Len(t, shows, written[s.ID], s.ID)
		for i, by := range shows {
			assert.Positive(t, by.Frequency, s.ID)
			assert.True(t, i == 0 || shows[i-1].Frequency >= by.Frequency, s.ID)
		}
	}
}
