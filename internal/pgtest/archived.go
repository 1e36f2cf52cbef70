package pgtest

import (
	"bytes"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/require"

	"tendermend/exchange"
	"tendermend/store"
)

// Archived writes a collection out, or one plant of it, and reads it again.
func Archived(t testing.TB, s *store.Store, c store.Collection, only *uuid.UUID, pictures bool) exchange.Archive {
	t.Helper()
	out, err := s.Archive(t.Context(), c, only, pictures, Today)
	require.NoError(t, err)
	defer out.Close()
	var file bytes.Buffer
	require.NoError(t, out.JSON(&file))
	archive, err := exchange.Read(file.Bytes())
	require.NoError(t, err)
	return archive
}

// Table writes the entries of plants as CSV.
func Table(t testing.TB, plants []exchange.Plant, places []exchange.Place) []byte {
	t.Helper()
	var table bytes.Buffer
	out, err := exchange.BeginEntries(&table, places)
	require.NoError(t, err)
	for _, p := range plants {
		require.NoError(t, out.Plant(p))
	}
	require.NoError(t, out.End())
	return table.Bytes()
}

// JSON writes an archive.
func JSON(t testing.TB, a exchange.Archive) []byte {
	t.Helper()
	var file bytes.Buffer
	out, err := exchange.Begin(&file, a)
	require.NoError(t, err)
	for _, p := range a.Plants {
		require.NoError(t, out.Plant(p))
	}
	require.NoError(t, out.End())
	return file.Bytes()
}
