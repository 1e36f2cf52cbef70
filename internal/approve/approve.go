// Package approve holds what tests make against what a person has read and
// approved. Run with APPROVE=1 to take a change over; it is then seen in the
// difference.
package approve

import (
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// Taking says whether changes are taken over in this run.
func Taking() bool { return os.Getenv("APPROVE") != "" }

// Text wants a text to be what was approved in a file, part by part: a part that
// changed is shown alone. An empty mark between parts compares the whole.
func Text(t *testing.T, file, made, between string) {
	t.Helper()
	if Taking() {
		require.NoError(t, os.MkdirAll(filepath.Dir(file), 0o755))
		require.NoError(t, os.WriteFile(file, []byte(made), 0o600))
	}
	kept, err := os.ReadFile(file)
	require.NoError(t, err)
	if between == "" {
		assert.Equal(t, string(kept), made)
		return
	}
	want, got := strings.Split(string(kept), between), strings.Split(made, between)
	require.Equal(t, len(want), len(got), file)
	for i := range want {
		assert.Equal(t, want[i], got[i], file)
	}
}

// Tables wants tables of the trade to stand as they were read, line by line: a
// number that was mistyped shows.
func Tables(t *testing.T, tables map[string]any) {
	t.Helper()
	for name, table := range tables {
		text := fmt.Sprintf("%+v", table)
		assert.NotContains(t, text, "0x", "%s holds an address", name)
		text = strings.NewReplacer("} {", "}\n{", "] [", "]\n[").Replace(text) + "\n"
		Text(t, filepath.Join("testdata", "table-"+name+".txt"), text, "\n")
	}
}
