package store_test

import (
	"bytes"
	"context"
	"image"
	"image/jpeg"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/diagnosis"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// kept fills a collection with one of everything, and gives its plant and the
// supply that a step of its plan used.
func kept(t *testing.T, s *store.Store, a store.Account) (plant, soil uuid.UUID) {
	t.Helper()
	place := newID()
	require.NoError(
		t,
		s.AddPlace(t.Context(), a.Collection.ID, store.Place{ID: place, Name: "North sill", Light: "no sun"}),
	)
	kind := ownKind("Monstera of the pilot")
	require.NoError(t, s.SaveKind(t.Context(), a, kind, 0, false))
	price := 0.4
	soil = newID()
	require.NoError(
		t,
		s.SaveSupply(t.Context(), a, store.Supply{ID: soil, Name: "bark", Unit: "l", Low: 2, Price: &price}, false),
	)
	require.NoError(t, s.Stock(t.Context(), a, store.StockMove{newID(), soil, today - 3, 8, "from the market stall"}))
	_, err := s.TakeCases(t.Context(), a, []diagnosis.WorkedCase{{
		Examination: diagnosis.Examination{Habit: "fern", Present: []string{"pest.webbing"},
			Again: []string{"pest.webbing"}},
		Causes: []string{"spider-mite"}, Known: true, Basis: "seen",
	}})
	require.NoError(t, err)
	plant = newID()
	for _, e := range []record.Entry{
		entry(plant, today-9, record.Body{Arrived: &record.Arrived{Name: "Vine", Profile: kind.ID, Habit: kind.Habit,
			Place: &place}}),
		entry(plant, today-2, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}}),
		entry(plant, today-2, record.Body{Planned: &record.Planned{}}),
		entry(plant, today-2, record.Body{Did: &record.Did{Step: "ready-pot@d0",
			Used: []record.Used{{Supply: soil, Amount: 3}}}}),
	} {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	return plant, soil
}

// contents are what a collection holds beside its plants.
func contents(t *testing.T, s *store.Store, a store.Account) (places []string, kinds int, supplies []string) {
	t.Helper()
	list, err := s.Places(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	for _, p := range list {
		places = append(places, p.Name)
	}
	own, err := s.Kinds(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	cupboard, err := s.Supplies(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	for _, x := range cupboard {
		supplies = append(supplies, x.Name)
	}
	return places, len(own), supplies
}

func TestAnArchiveIsTakenOverWholeOrNotAtAll(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	_, soil := kept(t, s, one)
	good := pgtest.Archived(t, s, one.Collection, nil, true)
	require.Len(t, good.Supplies[0].Moves, 1)
	require.Len(t, good.Cases, 1)

	copied := func() exchange.Archive {
		var file bytes.Buffer
		file.Write(pgtest.JSON(t, good))
		a, err := exchange.Read(file.Bytes())
		require.NoError(t, err)
		return a
	}
	for name, spoil := range map[string]func(*exchange.Archive){
		"an entry of another plant": func(a *exchange.Archive) { a.Plants[0].Entries[1].PlantID = newID() },
		"nothing recorded":          func(a *exchange.Archive) { a.Plants[0].Entries = nil },
		"a kind that is not own":    func(a *exchange.Archive) { a.Kinds[0].ID = "monstera-adansonii" },
		"a place without a name":    func(a *exchange.Archive) { a.Places[0].Name = " " },
		"a place with a long light": func(a *exchange.Archive) { a.Places[0].Light = strings.Repeat("x", 121) },
		"an unknown unit":           func(a *exchange.Archive) { a.Supplies[0].Unit = "barrels" },
		"a price below nothing":     func(a *exchange.Archive) { *a.Supplies[0].Price = -1 },
		"a case of an unknown end":  func(a *exchange.Archive) { a.Cases[0].Known = false },
		"a case of nothing known":   func(a *exchange.Archive) { a.Cases[0].Present = []string{"leaf.blue"} },
		"an absurd move":            func(a *exchange.Archive) { a.Supplies[0].Moves[0].Amount = 1e9 },
	} {
		bad := copied()
		spoil(&bad)
		added, err := s.Import(t.Context(), two, bad, today, nil)
		var faults record.Faults
		assert.ErrorAs(t, err, &faults, name)
		assert.NotEmpty(t, faults.Error(), name)
		assert.Zero(t, added, name)
		places, kinds, supplies := contents(t, s, two)
		assert.Empty(t, places, name)
		assert.Zero(t, kinds, name)
		assert.Empty(t, supplies, name)
		taken, err := s.TakenCases(t.Context(), two.Collection.ID)
		require.NoError(t, err)
		assert.Empty(t, taken, name)
		page, err := s.Register(t.Context(), two.Collection.ID, store.Filter{Limit: 10})
		require.NoError(t, err)
		assert.Empty(t, page.Rows, name)
	}

	added, err := s.Import(t.Context(), two, copied(), today, nil)
	require.NoError(t, err)
	assert.Equal(t, store.Added{Plants: 1, Entries: 4, Cases: 1, Notes: []string{}}, added)
	taken, err := s.TakenCases(t.Context(), two.Collection.ID)
	require.NoError(t, err)
	assert.Equal(t, good.Cases, taken)
	places, kinds, supplies := contents(t, s, two)
	assert.Equal(t, []string{"North sill"}, places)
	assert.Equal(t, 1, kinds)
	assert.Equal(t, []string{"bark"}, supplies)
	added, err = s.Import(t.Context(), two, copied(), today, nil)
	require.NoError(t, err)
	assert.Equal(t, store.Added{Known: 4, Notes: []string{}}, added, "the same again adds nothing")
	assert.Equal(t, 5.0, stockOf(t, s, two, soil), "bought 8, used 3, and nothing counted twice")
}

func TestWhatIsHereIsNotOverwrittenByAnArchive(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	id, _ := kept(t, s, a)
	out := pgtest.Archived(t, s, a.Collection, &id, false)
	out.Plants[0].Entries[1].Body = record.Body{Noted: &record.Noted{Text: "something else"}}
	_, err := s.Import(t.Context(), a, out, today, nil)
	assert.ErrorIs(t, err, store.ErrConflict)
	entries, err := s.Entries(t.Context(), a.Collection.ID, id)
	require.NoError(t, err)
	for _, e := range entries {
		assert.Nil(t, e.Noted)
	}
	// What was added here since stays, and counts.
	later, err := s.Append(
		t.Context(),
		a,
		entry(id, today-1, record.Body{Noted: &record.Noted{Text: "a new leaf"}}),
		today,
	)
	require.NoError(t, err)
	out = pgtest.Archived(t, s, a.Collection, &id, false)
	out.Plants[0].Entries = out.Plants[0].Entries[:4]
	_, err = s.Import(t.Context(), a, out, today, nil)
	require.NoError(t, err)
	entries, err = s.Entries(t.Context(), a.Collection.ID, id)
	require.NoError(t, err)
	assert.Equal(t, later.ID, entries[len(entries)-1].ID)
}

func TestPlacesOfAnArchiveAreFoundByTheirName(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	id, _ := kept(t, s, one)
	sill := newID()
	require.NoError(t, s.AddPlace(t.Context(), two.Collection.ID, store.Place{ID: sill, Name: "NORTH sill"}))
	out := pgtest.Archived(t, s, one.Collection, nil, false)
	_, err := s.Import(t.Context(), two, out, today, nil)
	require.NoError(t, err)
	places, _, _ := contents(t, s, two)
	assert.Equal(t, []string{"NORTH sill"}, places, "no second one was made")
	state, err := s.State(t.Context(), two.Collection.ID, id)
	require.NoError(t, err)
	require.NotNil(t, state.Place)
	assert.Equal(t, sill, *state.Place)
}

func TestWhatWasWithdrawnComesAlong(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	id, soil := kept(t, s, one)
	require.NoError(t, s.SaveKind(t.Context(), one, ownKind("Monstera of the pilot"), 1, true))
	price := 0.4
	require.NoError(
		t,
		s.SaveSupply(
			t.Context(),
			one,
			store.Supply{ID: soil, Name: "bark", Unit: "l", Low: 2, Price: &price, Version: 1},
			true,
		),
	)
	out := pgtest.Archived(t, s, one.Collection, nil, true)
	_, err := s.Import(t.Context(), two, out, today, nil)
	require.NoError(t, err)
	_, kinds, supplies := contents(t, s, two)
	assert.Zero(t, kinds, "withdrawn there as well")
	assert.Empty(t, supplies)
	state, err := s.State(t.Context(), two.Collection.ID, id)
	require.NoError(t, err)
	require.NotNil(t, state.Profile)
	assert.Equal(t, "Monstera of the pilot", state.Profile.Botanical, "its plants keep it")
	back := pgtest.Archived(t, s, two.Collection, nil, true)
	back.Collection = out.Collection
	assert.Equal(t, out, back)
}

func TestAPlantGoesOutAloneAndTellsOfNothingElse(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	id, soil := kept(t, s, one)
	takeIn(t, s, one, "Another", today)
	require.NoError(t, s.AddPlace(t.Context(), one.Collection.ID, store.Place{ID: newID(), Name: "Bedroom"}))
	require.NoError(
		t,
		s.SaveSupply(t.Context(), one, store.Supply{ID: newID(), Name: "violet ink", Unit: "l"}, false),
	)
	other := ownKind("Monstera of the pier")
	other.ID += "9"
	require.NoError(t, s.SaveKind(t.Context(), one, other, 0, false))

	out := pgtest.Archived(t, s, one.Collection, &id, true)
	var file bytes.Buffer
	file.Write(pgtest.JSON(t, out))
	for _, private := range []string{"Another", "Bedroom", "violet ink", "pier", "market stall"} {
		assert.False(t, strings.Contains(file.String(), private), private)
	}
	_, err := s.Import(t.Context(), two, out, today, nil)
	require.NoError(t, err)
	places, kinds, supplies := contents(t, s, two)
	assert.Equal(t, []string{"North sill"}, places)
	assert.Equal(t, 1, kinds)
	assert.Empty(t, supplies, "what was used on it is on no shelf here")
	_, err = s.Archive(t.Context(), two.Collection, &soil, true, today)
	assert.ErrorIs(t, err, store.ErrNotFound, "there is no such plant")

	// As a table there is room for ids alone.
	file.Reset()
	file.Write(pgtest.Table(t, out.Plants, out.Places))
	table, err := exchange.Understand(file.Bytes(), today)
	require.NoError(t, err)
	table.Kinds = out.Kinds
	third := pgtest.Account(t, s, "three@example.org")
	_, err = s.Import(t.Context(), third, table, today, nil)
	require.NoError(t, err)
	_, _, supplies = contents(t, s, third)
	assert.Empty(t, supplies)
}

// photo is a small picture of a collection's plant.
func photo(t *testing.T, of uuid.UUID, wide int) store.Picture {
	t.Helper()
	var body bytes.Buffer
	require.NoError(t, jpeg.Encode(&body, image.NewGray(image.Rect(0, 0, wide, 20)), nil))
	return store.Picture{
		ID:      newID(),
		PlantID: of,
		Width:   wide,
		Height:  20,
		Digest:  bytes.Repeat([]byte{byte(wide)}, 32),
		Body:    body.Bytes(),
		Small:   body.Bytes(),
	}
}

func TestPicturesBelongToOnePlantOfOneCollection(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	mine, other := takeIn(t, s, one, "Vine", today), takeIn(t, s, one, "Fern", today)
	picture := photo(t, mine, 30)
	require.NoError(t, s.AddPicture(t.Context(), one, picture))
	require.NoError(t, s.AddPicture(t.Context(), one, picture), "the same again does nothing")
	different := photo(t, mine, 31)
	different.ID = picture.ID
	assert.ErrorIs(t, s.AddPicture(t.Context(), one, different), store.ErrConflict)
	assert.ErrorIs(
		t,
		s.AddPicture(t.Context(), two, photo(t, mine, 30)),
		store.ErrNotFound,
		"a stranger has no such plant",
	)

	body, err := s.PictureBytes(t.Context(), one.Collection.ID, mine, picture.ID, true)
	require.NoError(t, err)
	assert.Equal(t, picture.Small, body)
	for name, at := range map[string][2]uuid.UUID{"a stranger": {two.Collection.ID, mine},
		"another plant": {one.Collection.ID, other}} {
		_, err := s.PictureBytes(t.Context(), at[0], at[1], picture.ID, false)
		assert.ErrorIs(t, err, store.ErrNotFound, name)
		list, err := s.Pictures(t.Context(), at[0], at[1])
		require.NoError(t, err)
		assert.Empty(t, list, name)
	}
}

// An arrival that was corrected, and the correction taken back: the register
// and the archive say what the plant's own page says.
func TestACorrectionTakenBackIsGoneEverywhere(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "corrects@example.org")
	plant := newID()
	first := entry(
		plant,
		today-9,
		record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine", From: "market"}},
	)
	wrong := entry(
		plant,
		today-9,
		record.Body{Arrived: &record.Arrived{Name: "Ivy", Habit: "aroid-vine", From: "a friend"}},
	)
	wrong.Replaces = &first.ID
	back := entry(plant, today, record.Body{Voided: &record.Voided{Entry: wrong.ID}})
	for _, e := range []record.Entry{first, wrong, back} {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	require.Equal(t, "Vine", state.Arrival.Name)
	list, err := s.Registered(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	require.Len(t, list, 1)
	assert.Equal(t, "Vine", list[0].Arrival.Name)
	assert.Equal(t, "market", list[0].Arrival.From)
	out := pgtest.Archived(t, s, a.Collection, nil, false)
	assert.Equal(t, "Vine", out.Plants[0].Name)
}

// A picture of an archive comes in by the same door as one that is sent: without
// what a camera wrote into it, and in the size that it has.
func TestPicturesOfAnArchiveAreCleaned(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	plant := takeIn(t, s, one, "Monstera", today)
	clean := photo(t, plant, 30)
	require.NoError(t, s.AddPicture(t.Context(), one, clean))
	out := pgtest.Archived(t, s, one.Collection, nil, true)
	spoilt := &out.Plants[0].Pictures[0]
	spoilt.JPEG = append(
		append([]byte{}, clean.Body[:2]...),
		append(
			[]byte{
				0xff,
				0xe1,
				0,
				22,
				'E',
				'x',
				'i',
				'f',
				0,
				0,
				'h',
				'e',
				'r',
				'e',
				' ',
				'i',
				' ',
				'l',
				'i',
				'v',
				'e',
				'.',
				'.',
				'.',
			},
			append(clean.Body[2:len(clean.Body):len(clean.Body)], "and more behind its end"...)...)...)
	spoilt.Width = 40_000
	_, err := s.Import(t.Context(), two, out, today, nil)
	require.NoError(t, err)
	for _, small := range []bool{false, true} {
		body, err := s.PictureBytes(t.Context(), two.Collection.ID, plant, clean.ID, small)
		require.NoError(t, err)
		assert.NotContains(t, string(body), "here i live")
		assert.NotContains(t, string(body), "behind its end")
	}
	list, err := s.Pictures(t.Context(), two.Collection.ID, plant)
	require.NoError(t, err)
	assert.Equal(t, []int{clean.Width, clean.Height}, []int{list[clean.ID].Width, list[clean.ID].Height})

	out = pgtest.Archived(t, s, one.Collection, nil, true)
	out.Plants[0].Pictures[0].JPEG = clean.Body[:len(clean.Body)/2]
	_, err = s.Import(t.Context(), pgtest.Account(t, s, "three@example.org"), out, today, nil)
	assert.ErrorContains(t, err, "not a picture that can be read")
}

// Whoever goes away while a file comes in leaves nothing of it behind.
func TestAnImportThatIsGivenUpLeavesNothing(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "leaves@example.org")
	plant := newID()
	list := []record.Entry{
		entry(plant, today-9, record.Body{Arrived: &record.Arrived{Name: "Vine", Habit: "aroid-vine"}}),
	}
	for range 2000 {
		list = append(list, entry(plant, today-2, record.Body{Noted: &record.Noted{Text: "nothing new"}}))
	}
	file := exchange.Archive{Format: exchange.Format, Plants: []exchange.Plant{{ID: plant, Entries: list}}}
	ctx, leave := context.WithCancel(t.Context())
	var told []store.Progress
	_, err := s.Import(ctx, a, file, today, func(p store.Progress) {
		told = append(told, p)
		leave()
	})
	assert.ErrorIs(t, err, context.Canceled)
	assert.Equal(t, []store.Progress{{Done: 500, Of: 2001}}, told, "it stops at once")
	_, err = s.Entries(t.Context(), a.Collection.ID, plant)
	assert.ErrorIs(t, err, store.ErrNotFound)
	added, err := s.Import(t.Context(), a, file, today, nil)
	require.NoError(t, err)
	assert.Equal(t, 2001, added.Entries)
}
