package diagnosis_test

import (
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/diagnosis"
	"tendermend/internal/approve"
)

// Every version of the tables ever shipped has one hash. Where this fails the
// tables have changed: give them a new version, and run with APPROVE=1 to add its
// line.
func TestTablesDoNotChangeUnderTheirVersion(t *testing.T) {
	const file = "testdata/editions.txt"
	raw, err := os.ReadFile(file)
	require.NoError(t, err)
	now := diagnosis.Standard().Edition()
	line := now.Version + " " + now.Hash
	known := strings.Fields(string(raw))
	for i := 0; i+1 < len(known); i += 2 {
		if known[i] == now.Version {
			assert.Equal(t, known[i+1], now.Hash, "the tables of %s have changed", now.Version)
			return
		}
	}
	if !approve.Taking() {
		t.Fatalf("no line for version %s", now.Version)
	}
	require.NoError(t, os.WriteFile(file, []byte(strings.TrimSpace(string(raw)+"\n"+line)+"\n"), 0o644))
}
