package store_test

import (
	"fmt"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/place"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// The lists of what stands where the air changed are written anew by and by: what was broken
// off goes on, nobody is left out, other collections and places are left alone, and what did
// not change is not written.
func TestChangedAirReachesEveryPlantThere(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	const plants = 60
	at := map[string]uuid.UUID{}
	for _, of := range []store.Account{a, stranger} {
		shelf := uuid.New()
		at[of.User.Email] = shelf
		require.NoError(t, s.AddPlace(t.Context(), of.Collection.ID, store.Place{ID: shelf, Name: "Shelf"}))
		for n := range plants {
			plant := uuid.New()
			width, depth := 14.0, 12.0
			_, err := s.AppendAll(t.Context(), of, []record.Entry{
				entry(plant, today-200, record.Body{Arrived: &record.Arrived{
					Name: fmt.Sprintf("Pothos %d", n), Profile: "epipremnum-aureum", Habit: "aroid-vine", Well: true,
					Had: record.HadYears, PotWidthCM: &width, PotDepthCM: &depth, Medium: "potting soil", Place: &shelf,
				}}),
				entry(plant, today-6, record.Body{Watered: &record.Watered{}}),
			}, today)
			require.NoError(t, err)
		}
	}
	pots := func(of store.Account) map[string]int {
		var rows []string
		require.NoError(t, s.DB.Select(&rows, `select tasks::text from plants where collection_id = $1`, of.Collection.ID))
		count := map[string]int{}
		for _, r := range rows {
			count[r]++
		}
		return count
	}
	before, theirs := pots(a), pots(stranger)
	require.Len(t, before, 1, "all alike")
	p, err := s.Place(t.Context(), a.Collection.ID, at[a.User.Email])
	require.NoError(t, err)
	p.Details = &place.Details{Setting: place.Room, Fan: true, Lamp: &place.Lamp{PPFD: 300, Hours: 14}}
	require.NoError(t, s.ChangePlace(t.Context(), a, p))
	require.NoError(t, s.RemakeAir(t.Context(), a.Collection, today))

	left, err := s.SettleAir(t.Context(), a.Collection, 1)
	require.NoError(t, err)
	assert.True(t, left)
	assert.Len(t, pots(a), 2, "some are written anew, and some are not yet")
	require.NoError(t, s.SettleAll(t.Context()))
	assert.Len(t, pots(a), 1)
	assert.NotEqual(t, before, pots(a))
	assert.Equal(t, theirs, pots(stranger))

	require.NoError(t, s.RemakeAir(t.Context(), a.Collection, today))
	left, err = s.SettleAir(t.Context(), a.Collection, 1)
	require.NoError(t, err)
	assert.False(t, left, "nothing changed")
	n, err := s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, 2*plants, n)
	assert.Len(t, pots(a), 1)
	assert.NotEqual(t, before, pots(a), "computed from the record and the air, the lists are the same")
}
