package store_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/bench"
	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/place"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// What a collection decided for all its plants, and its trips, go out with it and come in where
// nobody has decided otherwise; the same again adds nothing.
func TestWhatWasDecidedAndTripsComeAlong(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	empty := pgtest.Archived(t, s, two.Collection, nil, false)
	assert.Nil(t, empty.Decided)
	assert.Empty(t, empty.Trips)

	kept(t, s, one)
	ctx := t.Context()
	medium := func(name string) bench.OwnMedium {
		return bench.OwnMedium{Name: name, Like: "perlite", Water: [2]float64{.2, .3}, Air: [2]float64{.4, .5}}
	}
	mixed := func(a store.Account, name string) {
		_, err := s.ChangeOwnMixes(ctx, a, func(o bench.Own) (bench.Own, error) { return o.WithMedium(medium(name), false) })
		require.NoError(t, err)
	}
	home := facts.Household{Pets: true}
	require.NoError(t, s.SaveHousehold(ctx, one, home))
	require.NoError(t, s.SaveRoutine(ctx, one, store.Routine{Off: []care.Job{care.Turn}}))
	require.NoError(t, s.SaveNightForecast(ctx, one, place.NightForecast{From: today, Nights: []float64{3, 4}}))
	require.NoError(t, s.SaveSwitches(ctx, one, diagnosis.Switches{}))
	mixed(one, "river grit")
	away := exchange.Trip{
		ID: newID(), From: today + 3, Back: today + 9, Sitter: "Ana",
		Sheet: []exchange.TripPot{{Plant: newID(), Name: "Fern"}},
	}
	require.NoError(t, s.AddTrip(ctx, one, away))
	for range 101 { // more than the screen lists
		require.NoError(t, s.AddTrip(ctx, one, exchange.Trip{ID: newID(), From: today - 9, Back: today - 8}))
	}
	require.NoError(t, s.EndTrip(ctx, one.Collection.ID, away.ID))

	out := pgtest.Archived(t, s, one.Collection, nil, false)
	require.NotNil(t, out.Decided)
	assert.Len(t, out.Trips, 102)
	require.NoError(t, s.SaveHousehold(ctx, two, facts.Household{Children: true}))
	mixed(two, "pumice of mine")
	for range 2 {
		_, err := s.Import(ctx, two, out, today, nil)
		require.NoError(t, err)
		back := pgtest.Archived(t, s, two.Collection, nil, false)
		assert.ElementsMatch(t, out.Trips, back.Trips)
		assert.Equal(t, &facts.Household{Children: true}, back.Decided.Household, "what was said here stands")
		assert.Equal(t, out.Decided.Off, back.Decided.Off)
		assert.Equal(t, out.Decided.Forecast, back.Decided.Forecast)
		assert.Equal(t, out.Decided.Learning, back.Decided.Learning)
		require.Len(t, back.Decided.Mixes.Media, 2)
		assert.Equal(t, "pumice of mine", back.Decided.Mixes.Media[0].Name)
	}
	plant := out.Plants[0].ID
	alone := pgtest.Archived(t, s, one.Collection, &plant, false)
	assert.Nil(t, alone.Decided, "a plant alone tells nothing of the household")
	assert.Empty(t, alone.Trips)
}

// A trip that was changed goes out with what it was before. It comes in whole where there is none, brings one that
// stands as it was once up to what it is, and leaves one that has gone further; another trip of its id is refused.
func TestAChangedTripComesAlongWithWhatItWas(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	ctx := t.Context()
	trip := exchange.Trip{ID: newID(), From: today + 3, Back: today + 9, Sitter: "Ana",
		Sheet: []exchange.TripPot{{Plant: newID(), Name: "Fern"}}}
	require.NoError(t, s.AddTrip(ctx, one, trip))
	first := pgtest.Archived(t, s, one.Collection, nil, false)
	for n, back := range []day.Day{12, 15} {
		trip.Back = today + back
		require.NoError(t, s.ChangeTrip(ctx, one, trip, n+1))
	}
	last := pgtest.Archived(t, s, one.Collection, nil, false)
	require.Len(t, last.Trips, 1)
	require.Len(t, last.Trips[0].Earlier, 2)
	assert.Equal(t, "Fern", last.Trips[0].Earlier[0].Sheet[0].Name)
	for _, in := range []exchange.Archive{first, last, last, first} {
		_, err := s.Import(ctx, two, in, today, nil)
		require.NoError(t, err)
	}
	assert.Equal(t, last.Trips, pgtest.Archived(t, s, two.Collection, nil, false).Trips)
	third := pgtest.Account(t, s, "three@example.org")
	_, err := s.Import(ctx, third, last, today, nil)
	require.NoError(t, err)
	assert.Equal(t, last.Trips, pgtest.Archived(t, s, third.Collection, nil, false).Trips)
	other := last
	other.Trips = []exchange.Trip{{ID: trip.ID, From: today + 4, Back: today + 5, Version: 1}}
	_, err = s.Import(ctx, two, other, today, nil)
	require.ErrorIs(t, err, store.ErrConflict)
	err = s.ChangeTrip(ctx, third, exchange.Trip{ID: newID(), From: today, Back: today + 1}, 1)
	require.ErrorIs(t, err, store.ErrNotFound)
}

// What could not be decided here by hand does not come in with a file.
func TestWhatCannotBeDecidedIsRefused(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	for field, in := range map[string]exchange.Archive{
		"decided.off[0]":          {Decided: &exchange.Decided{Off: []care.Job{"polish"}}},
		"decided.forecast.nights": {Decided: &exchange.Decided{Forecast: &place.NightForecast{Nights: []float64{99}}}},
		"decided.mixes": {Decided: &exchange.Decided{Mixes: &bench.Own{
			Media: []bench.OwnMedium{{Name: "stones", Like: "nothing known"}},
		}}},
		"trips[0]": {Trips: []exchange.Trip{{ID: newID(), From: today, Back: today - 1}}},
	} {
		_, err := s.Import(t.Context(), a, in, today, nil)
		var faults record.Faults
		require.ErrorAs(t, err, &faults, field)
		assert.Equal(t, field, faults[0].Field)
	}
}

// Each order of the places is kept, the same again once.
func TestOrdersOfPlacesAreKept(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	var ids []uuid.UUID
	for _, name := range []string{"Sill", "Hall", "Stairs"} {
		p := store.Place{ID: newID(), Name: name}
		require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, p))
		ids = append(ids, p.ID)
	}
	versions := func() (n int) {
		require.NoError(t, s.DB.Get(&n, `select count(*) from settings where collection_id = $1 and key = 'places'`,
			a.Collection.ID))
		return n
	}
	for range 2 {
		require.NoError(t, s.OrderPlaces(t.Context(), a, []uuid.UUID{ids[2], ids[0], ids[1]}))
		assert.Equal(t, 1, versions())
	}
	require.NoError(t, s.OrderPlaces(t.Context(), a, ids))
	assert.Equal(t, 2, versions())
}
