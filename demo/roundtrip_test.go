package demo_test

import (
	"bytes"
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/demo"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/store"
)

func asText(t *testing.T, v any) string {
	t.Helper()
	raw, err := json.Marshal(v)
	require.NoError(t, err)
	return string(raw)
}

// The whole clinic goes out and into an empty collection, as JSON and as tables,
// and nothing is lost: not an entry, not a name, not a picture.
func TestTheClinicGoesOutAndComesInWhole(t *testing.T) {
	s := clinic(t)
	user, err := s.UserByEmail(t.Context(), demo.Email)
	require.NoError(t, err)
	clinic, err := s.Account(t.Context(), user.ID)
	require.NoError(t, err)
	out := pgtest.Archived(t, s, clinic.Collection, nil, true)
	var file bytes.Buffer
	file.Write(pgtest.JSON(t, out))
	t.Logf("%d plants, %d bytes", len(out.Plants), file.Len())

	read, err := exchange.Understand(file.Bytes(), pgtest.Today)
	require.NoError(t, err)
	other := pgtest.Account(t, s, "other@example.org")
	added, err := s.Import(t.Context(), other, read, pgtest.Today, nil)
	require.NoError(t, err)
	assert.Equal(t, len(out.Plants), added.Plants)
	assert.Zero(t, added.Known)
	back := pgtest.Archived(t, s, other.Collection, nil, true)
	back.Collection = out.Collection
	assert.Equal(t, len(asText(t, out)), len(asText(t, back)))
	require.True(t, asText(t, out) == asText(t, back), "the same archive comes out of the other collection")

	// The lists that are folded from it agree as well.
	rows := func(a store.Account) string {
		page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 100})
		require.NoError(t, err)
		return asText(t, page.Rows)
	}
	assert.Equal(t, rows(clinic), rows(other))
	again, err := s.Import(t.Context(), other, read, pgtest.Today, nil)
	require.NoError(t, err)
	assert.Zero(t, again.Plants+again.Entries+again.Pictures, "the same file twice does nothing twice")
	assert.Equal(t, added.Entries+added.Pictures, again.Known)

	// As a table of entries: all but the pictures themselves.
	var table bytes.Buffer
	table.Write(pgtest.Table(t, out.Plants, out.Places))
	fromTable, err := exchange.Understand(table.Bytes(), pgtest.Today)
	require.NoError(t, err)
	third := pgtest.Account(t, s, "third@example.org")
	added, err = s.Import(t.Context(), third, fromTable, pgtest.Today, nil)
	require.NoError(t, err)
	assert.Equal(t, len(out.Plants), added.Plants)
	tabled := pgtest.Archived(t, s, third.Collection, nil, false)
	for i := range out.Plants {
		assert.Equal(t, asText(t, out.Plants[i].Entries), asText(t, tabled.Plants[i].Entries), out.Plants[i].Name)
	}

	// The register as a table.
	list, err := s.Registered(t.Context(), clinic.Collection.ID)
	require.NoError(t, err)
	table.Reset()
	require.NoError(t, exchange.WriteRegister(&table, list))
	arrivals, err := exchange.Understand(table.Bytes(), pgtest.Today)
	require.NoError(t, err)
	fourth := pgtest.Account(t, s, "fourth@example.org")
	added, err = s.Import(t.Context(), fourth, arrivals, pgtest.Today, nil)
	require.NoError(t, err)
	assert.Equal(t, len(list), added.Plants)
	again, err = s.Import(t.Context(), fourth, arrivals, pgtest.Today, nil)
	require.NoError(t, err)
	assert.Zero(t, again.Entries)
}
