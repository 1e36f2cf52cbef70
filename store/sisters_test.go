package store_test

import (
	"sync"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/store"
)

// together takes a plant in that came from a source.
func together(t *testing.T, s *store.Store, a store.Account, name, from string, on day.Day) uuid.UUID {
	t.Helper()
	e := arrival(name, on)
	e.Arrived.From, e.Arrived.Had = from, record.HadMonths
	kept, err := s.Append(t.Context(), a, e, today)
	require.NoError(t, err)
	return kept.PlantID
}

// asksApart says whether the walk asks to keep a plant apart.
func asksApart(t *testing.T, s *store.Store, a store.Account, plant uuid.UUID) bool {
	t.Helper()
	walk, err := s.Due(t.Context(), a.Collection.ID, today, nil, 100)
	require.NoError(t, err)
	for _, row := range walk.Rows {
		for _, task := range row.Tasks.V {
			if row.ID == plant && task.Kind == due.Apart {
				return true
			}
		}
	}
	return false
}

// What came on one day from one source with a suspect is a suspect too, until the
// first is decided on; the lists follow in the same transaction.
func TestPlantsThatCameWithASuspectAreKeptApart(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	first := together(t, s, a, "Cattleya", "The plant fair", today-20)
	sister := together(t, s, a, "Oncidium", " the plant fair", today-20)
	later := together(t, s, a, "Miltonia", "The plant fair", today-19)
	other := together(t, s, a, "Zygopetalum", "A friend", today-20)
	theirs := together(t, s, stranger, "Vanda", "The plant fair", today-20)
	for _, id := range []uuid.UUID{sister, later, other} {
		assert.False(t, asksApart(t, s, a, id))
	}
	pests := entry(first, today-2, record.Body{Checked: &record.Checked{
		Readings: []record.Value{{Measure: "live-pests", Value: 1}},
	}})
	_, err := s.Append(t.Context(), a, pests, today)
	require.NoError(t, err)
	assert.True(t, asksApart(t, s, a, sister))
	assert.False(t, asksApart(t, s, a, later), "of another day")
	assert.False(t, asksApart(t, s, a, other), "of another source")
	assert.False(t, asksApart(t, s, stranger, theirs), "of another collection")
	state, err := s.State(t.Context(), a.Collection.ID, sister)
	require.NoError(t, err)
	require.NotNil(t, state.Apart(today))
	assert.Contains(t, state.Apart(today).Reasons[0].What, "“Cattleya”")

	before := rows(t, s, a)
	_, err = s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, before, rows(t, s, a))

	harmless := entry(first, today-1, record.Body{Dismissed: &record.Dismissed{Signal: "live-pests", Reason: "mould"}})
	_, err = s.Append(t.Context(), a, harmless, today)
	require.NoError(t, err)
	assert.False(t, asksApart(t, s, a, sister))
}

// A sister may be written to while its suspect is: neither waits for ever.
func TestSistersAreWrittenToAtOnce(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	var ids []uuid.UUID
	for _, name := range []string{"A", "B", "C", "D"} {
		ids = append(ids, together(t, s, a, name, "The fair", today-20))
	}
	var all sync.WaitGroup
	for i := range 40 {
		all.Go(func() {
			e := entry(ids[i%len(ids)], today-1, record.Body{Checked: &record.Checked{
				Readings: []record.Value{{Measure: "live-pests", Value: float64(i / len(ids) % 2)}},
			}})
			_, err := s.Append(t.Context(), a, e, today)
			assert.NoError(t, err)
		})
	}
	all.Wait()
	before := rows(t, s, a)
	_, err := s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, before, rows(t, s, a), "the lists are what the record tells")
}

// rows gives what lists hold of every plant of a collection.
func rows(t *testing.T, s *store.Store, a store.Account) string {
	t.Helper()
	var all string
	require.NoError(t, s.DB.GetContext(t.Context(), &all, `
		select jsonb_agg(to_jsonb(p) order by p.id)::text from plants p where collection_id = $1`, a.Collection.ID))
	return all
}
