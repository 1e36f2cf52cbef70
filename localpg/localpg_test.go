package localpg_test

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/localpg"
)

func TestAHalfMadeClusterIsMadeAnewAndAFinishedOneKept(t *testing.T) {
	parent, err := os.MkdirTemp("", "tendermend-pg-")
	require.NoError(t, err)
	t.Cleanup(func() { os.RemoveAll(parent) })
	require.NoError(t, os.Chmod(parent, 0o755))
	dir := filepath.Join(parent, "pg")
	require.NoError(t, os.MkdirAll(dir, 0o700))
	require.NoError(
		t,
		os.WriteFile(filepath.Join(dir, "PG_VERSION"), []byte("15\n"), 0o644),
		"what an interrupted start leaves",
	)

	s, err := localpg.Start(t.Context(), dir, true)
	require.NoError(t, err)
	_, err = s.CreateDatabase(t.Context(), "kept")
	require.NoError(t, err)
	require.NoError(t, s.Stop())

	s, err = localpg.Start(t.Context(), dir, true)
	require.NoError(t, err)
	assert.DirExists(t, filepath.Join(dir, "base"))
	url, err := s.CreateDatabase(t.Context(), "kept")
	require.NoError(t, err, "it is there already, and that is no error")
	assert.Contains(t, url, "127.0.0.1")
	require.NoError(t, s.Stop())
}
