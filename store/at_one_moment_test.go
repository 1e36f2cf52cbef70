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
