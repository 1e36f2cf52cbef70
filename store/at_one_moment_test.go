package store_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// What is read at one moment does not see what is recorded meanwhile, writes nothing, and asks in statements that are
// planned once; what it fails with is given back.
func TestWhatIsReadAtOneMomentStaysAsItWas(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "moment@example.org")
	plant := newID()
	_, err := s.Append(t.Context(), a, entry(plant, today-9, record.Body{
		Arrived: &record.Arrived{Name: "Vine", Profile: "monstera-deliciosa", Habit: "aroid-vine"},
	}), today)
	require.NoError(t, err)
	found := func(s *store.Store, id uuid.UUID) int {
		list, err := s.Outbreakers(t.Context(), a.Collection.ID, []uuid.UUID{id})
		require.NoError(t, err)
		return len(list)
	}
	later := newID()
	require.NoError(t, s.AtOneMoment(t.Context(), func(then *store.Store) error {
		require.Equal(t, 1, found(then, plant))
		_, err := s.Append(t.Context(), a, entry(later, today, record.Body{
			Arrived: &record.Arrived{Name: "Fern", Profile: "nephrolepis-exaltata", Habit: "fern"},
		}), today)
		require.NoError(t, err)
		assert.Zero(t, found(then, later), "it came after that moment")
		return then.AtOneMoment(t.Context(), func(same *store.Store) error {
			assert.Zero(t, found(same, later), "within it the moment is the same")
			return nil
		})
	}))
	assert.Equal(t, 1, found(s, later))
	assert.ErrorIs(t, s.AtOneMoment(t.Context(), func(*store.Store) error { return store.ErrNotFound }), store.ErrNotFound)
}

// Long lists are the same through the driver and through the standard interface, which is all that a transaction
// that writes knows: with days and places that are missing and with those that are there.
func TestLongListsAreReadAlikeBothWays(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "both@example.org")
	place := newID()
	require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, store.Place{ID: place, Name: "Window"}))
	plants := []uuid.UUID{newID(), newID()}
	for i, at := range []*uuid.UUID{nil, &place} {
		_, err := s.AppendAll(t.Context(), a, []record.Entry{
			entry(plants[i], today-9, record.Body{Arrived: &record.Arrived{
				Name: "Vine", Profile: "monstera-deliciosa", Habit: "aroid-vine", Place: at, From: "Market",
			}}),
		}, today)
		require.NoError(t, err)
	}
	read := func(s *store.Store) (all []any) {
		standing, err := s.Standing(t.Context(), a.Collection.ID)
		require.NoError(t, err)
		require.Len(t, standing, 2)
		met, err := s.WereMet(t.Context(), a.Collection.ID, plants)
		require.NoError(t, err)
		contacts, err := s.Contacts(t.Context(), a.Collection.ID, plants[:1], today-9, today, true)
		require.NoError(t, err)
		require.NotEmpty(t, contacts)
		all = append(all, standing, met, contacts)
		for _, by := range []string{"source", "tag", "batch", "kind", "packing", "school", "method"} {
			came, err := s.CameNamed(t.Context(), a.Collection.ID, today-9, today, by)
			require.NoError(t, err)
			all = append(all, came)
		}
		return all
	}
	driven := read(s)
	require.NoError(t, s.InTx(t.Context(), func(in *store.Store) error {
		assert.Equal(t, driven, read(in))
		return nil
	}))
}
