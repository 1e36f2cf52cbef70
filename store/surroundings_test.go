package store_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/place"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// The air that a plant is read with is that of its place as it is now, whichever of two servers changed it.
func TestPlantsAreReadWithTheAirOfNow(t *testing.T) {
	s, a := clinic(t)
	var name string
	require.NoError(t, s.DB.Get(&name, `select current_database()`))
	other, err := store.Open(pgtest.Server().DatabaseURL(name), pgtest.Clock)
	require.NoError(t, err)
	t.Cleanup(func() { _ = other.DB.Close() })
	shelf, plant := uuid.New(), uuid.New()
	require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, store.Place{ID: shelf, Name: "Shelf"}))
	_, err = s.AppendAll(t.Context(), a, []record.Entry{entry(plant, today-20, record.Body{Arrived: &record.Arrived{
		Name: "Pothos", Profile: "epipremnum-aureum", Habit: "aroid-vine", Well: true, Place: &shelf,
	}})}, today)
	require.NoError(t, err)
	light := func(by *store.Store) float64 {
		state, err := by.State(t.Context(), a.Collection.ID, plant)
		require.NoError(t, err)
		return state.Airs[shelf].Light[0]
	}
	before := light(s)
	for i, ppfd := range []float64{50, 100, 300} {
		writer := []*store.Store{s, other}[i%2]
		p, err := writer.Place(t.Context(), a.Collection.ID, shelf)
		require.NoError(t, err)
		p.Details = &place.Details{Setting: place.Room, Lamp: &place.Lamp{PPFD: ppfd, Hours: 14}}
		require.NoError(t, writer.ChangePlace(t.Context(), a, p))
		require.NoError(t, writer.RemakeAir(t.Context(), a.Collection, today))
		now := light(s)
		assert.Greater(t, now, before, "a brighter lamp gives more light")
		assert.InDelta(t, now, light(other), 1e-9)
		assert.InDelta(t, now, light(s), 1e-9, "read again, it is the same")
		before = now
	}
}
