package store_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

func ownKind(botanical string) plant.Profile {
	p := plant.Profiles()[0]
	p.ID, p.Botanical, p.Own, p.Habit = "own:0123456789", botanical, true, "aroid-vine"
	return p
}

func TestKindsAreVersionedAndTheirPlantsFollow(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	require.NoError(t, s.SaveKind(t.Context(), a, ownKind("Monstera of the quay"), 0, false))
	require.NoError(t, s.SaveKind(t.Context(), a, ownKind("Monstera of the quay"), 0, false), "the same again")
	version := func(c uuid.UUID) int {
		v, err := s.KindVersion(t.Context(), c, "own:0123456789")
		require.NoError(t, err)
		return v
	}
	assert.Equal(t, 1, version(a.Collection.ID))
	assert.Zero(t, version(stranger.Collection.ID))
	_, err := s.Append(
		t.Context(),
		a,
		entry(
			newID(),
			today-9,
			record.Body{Arrived: &record.Arrived{Name: "M", Profile: "own:0123456789", Habit: "aroid-vine"}},
		),
		today,
	)
	require.NoError(t, err)

	assert.ErrorIs(t, s.SaveKind(t.Context(), a, ownKind("Monstera of the pier"), 0, false), store.ErrConflict)
	require.NoError(t, s.SaveKind(t.Context(), a, ownKind("Monstera of the pier"), 1, false))
	find := func(word string) int {
		page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Words: word, Limit: 9})
		require.NoError(t, err)
		return len(page.Rows)
	}
	assert.Zero(t, find("quay"))
	assert.Equal(t, 1, find("pier"), "found under its new name")

	_, err = s.DB.Exec(`update plants set search = 'lost', botanical = ''`)
	require.NoError(t, err)
	_, err = s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, 1, find("pier"), "recomputing knows the collection's own kinds")

	require.NoError(t, s.SaveKind(t.Context(), a, ownKind("Monstera of the pier"), 2, true))
	kinds, err := s.Kinds(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	assert.Empty(t, kinds, "withdrawn from choosing")
	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 9})
	require.NoError(t, err)
	state, err := s.State(t.Context(), a.Collection.ID, page.Rows[0].ID)
	require.NoError(t, err)
	assert.Equal(t, "Monstera of the pier", state.Profile.Botanical, "its plants keep it")
	for _, change := range []string{`update kinds set body = '{}'`, `delete from kinds`} {
		_, err = s.DB.Exec(change)
		assert.ErrorContains(t, err, "append-only")
	}
}

func stockOf(t *testing.T, s *store.Store, a store.Account, id uuid.UUID) float64 {
	t.Helper()
	list, err := s.Supplies(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	for _, p := range list {
		if p.ID == id {
			return p.Stock
		}
	}
	t.Fatal("not in the cupboard")
	return 0
}

func TestTheCupboardCountsEachMoveOnce(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	perlite := store.Supply{ID: newID(), Name: "Perlite", Unit: "l", Low: 2}
	require.NoError(t, s.SaveSupply(t.Context(), a, perlite, false))
	require.NoError(t, s.SaveSupply(t.Context(), a, perlite, false), "the same again")
	bought := newID()
	for range 3 {
		require.NoError(t, s.Stock(t.Context(), a, store.StockMove{bought, perlite.ID, today, 10, "bought"}))
	}
	assert.Equal(t, 10.0, stockOf(t, s, a, perlite.ID))

	taken := store.StockMove{newID(), perlite.ID, today, -5, "taken"}
	require.ErrorIs(t, s.Stock(t.Context(), stranger, taken), store.ErrNotFound)
	theirs, err := s.Supplies(t.Context(), stranger.Collection.ID)
	require.NoError(t, err)
	assert.Empty(t, theirs)

	changed := perlite
	changed.Low = 3
	assert.ErrorIs(t, s.SaveSupply(t.Context(), a, changed, false), store.ErrConflict, "made from no version")
	changed.Version = 1
	require.NoError(t, s.SaveSupply(t.Context(), a, changed, false))
	assert.Equal(t, 10.0, stockOf(t, s, a, perlite.ID), "a new version of it keeps what is there")
	_, err = s.DB.Exec(`delete from supply_moves`)
	assert.ErrorContains(t, err, "append-only")
}

func TestWhatAStepUsedComesBackWhenItIsUndone(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	soil := store.Supply{ID: newID(), Name: "Potting soil", Unit: "l"}
	require.NoError(t, s.SaveSupply(t.Context(), a, soil, false))
	require.NoError(t, s.Stock(t.Context(), a, store.StockMove{newID(), soil.ID, today, 5, "bought"}))
	plant := takeIn(t, s, a, "Monstera", today-20)
	write := func(e record.Entry) {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	write(entry(plant, today, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}}))
	write(entry(plant, today, record.Body{Planned: &record.Planned{}}))
	used := func(amount float64) record.Body {
		return record.Body{
			Did: &record.Did{Step: "ready-pot@d0", Used: []record.Used{{Supply: soil.ID, Amount: amount}}},
		}
	}
	did := entry(plant, today, used(0.75))
	write(did)
	write(did)
	assert.InDelta(t, 4.25, stockOf(t, s, a, soil.ID), 1e-9, "sent twice, used once")

	corrected := entry(plant, today, used(1.5))
	corrected.Replaces = &did.ID
	write(corrected)
	assert.InDelta(t, 3.5, stockOf(t, s, a, soil.ID), 1e-9, "the correction counts instead")
	undo := entry(plant, today, record.Body{Voided: &record.Voided{Entry: corrected.ID}})
	write(undo)
	assert.InDelta(t, 4.25, stockOf(t, s, a, soil.ID), 1e-9, "undone, what it corrected stands again")
	write(entry(plant, today, record.Body{Voided: &record.Voided{Entry: undo.ID}}))
	assert.InDelta(t, 3.5, stockOf(t, s, a, soil.ID), 1e-9, "and the undoing undone")

	_, err := s.Append(
		t.Context(),
		a,
		entry(
			plant,
			today,
			record.Body{Did: &record.Did{Step: "tally@d0", Used: []record.Used{{Supply: newID(), Amount: 1}}}},
		),
		today,
	)
	assert.ErrorContains(t, err, "no such supply")
	assert.InDelta(t, 3.5, stockOf(t, s, a, soil.ID), 1e-9, "and nothing of it was recorded")
}

func TestSettingsBelongToTheCollectionAndChoicesToThePerson(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	_, known, err := s.Household(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	assert.False(t, known, "nobody said so yet")
	require.NoError(t, s.SaveHousehold(t.Context(), a, facts.Household{Pets: true}))
	require.NoError(t, s.SaveHousehold(t.Context(), a, facts.Household{Pets: true, Asthma: true}))
	require.NoError(t, s.SaveChoices(t.Context(), a, map[string]string{"rootWash": "peroxide"}))

	household, known, err := s.Household(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	assert.True(t, known)
	assert.Equal(t, facts.Household{Pets: true, Asthma: true}, household)
	_, known, err = s.Household(t.Context(), stranger.Collection.ID)
	require.NoError(t, err)
	assert.False(t, known)

	choices, err := s.Choices(t.Context(), a)
	require.NoError(t, err)
	assert.Equal(t, map[string]string{"rootWash": "peroxide"}, choices)
	intruder := stranger
	intruder.User = a.User
	choices, err = s.Choices(t.Context(), intruder)
	require.NoError(t, err)
	assert.Empty(t, choices, "the same person in another collection chose nothing there")

	var versions int
	require.NoError(t, s.DB.Get(&versions, `select count(*) from settings where key = 'household'`))
	assert.Equal(t, 2, versions, "the older one is kept")
}

func TestConfirmedCasesAreListedByDayAndCollection(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	confirm := func(name string, ago int, cause string) uuid.UUID {
		plant := takeIn(t, s, a, name, today-100)
		for _, e := range []record.Entry{
			entry(plant, today-90, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}}),
			entry(plant, today-90+0, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{cause}}}),
		} {
			_, err := s.Append(t.Context(), a, e, today)
			require.NoError(t, err)
		}
		e, err := s.Append(
			t.Context(),
			a,
			entry(plant, today, record.Body{Confirmed: &record.Confirmed{Causes: []string{cause}, How: "seen"}}),
			today,
		)
		require.NoError(t, err)
		if ago > 0 {
			old := entry(
				plant,
				today-1,
				record.Body{Confirmed: &record.Confirmed{Causes: []string{cause}, How: "seen"}},
			)
			old.Replaces = &e.ID
			_, err = s.Append(t.Context(), a, old, today)
			require.NoError(t, err)
		}
		return plant
	}
	early, late := confirm("Early", 1, "drought"), confirm("Late", 0, "root-rot")
	cases, err := s.ConfirmedCases(t.Context(), a.Collection.ID, today-30)
	require.NoError(t, err)
	require.Len(t, cases, 2)
	assert.Equal(t, []uuid.UUID{late, early}, []uuid.UUID{cases[0].Plant, cases[1].Plant}, "newest first")
	assert.Equal(t, []string{"drought"}, cases[1].Causes)
	require.NotNil(t, cases[0].First)
	assert.NotEmpty(t, cases[0].First.Chances, "with what the first look said")
	cases, err = s.ConfirmedCases(t.Context(), a.Collection.ID, today)
	require.NoError(t, err)
	assert.Len(t, cases, 1)
	cases, err = s.ConfirmedCases(t.Context(), stranger.Collection.ID, today-30)
	require.NoError(t, err)
	assert.Empty(t, cases)
}
