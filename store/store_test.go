package store_test

import (
	"sync"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

func TestMain(m *testing.M) { pgtest.Run(m) }

var today = pgtest.Today

func newID() uuid.UUID { return uuid.Must(uuid.NewV7()) }

func entry(plant uuid.UUID, on day.Day, b record.Body) record.Entry {
	return record.Entry{ID: newID(), PlantID: plant, On: on, Body: b}
}

func arrival(name string, on day.Day) record.Entry {
	return entry(
		newID(),
		on,
		record.Body{Arrived: &record.Arrived{Name: name, Profile: "monstera-adansonii", Habit: "aroid-vine"}},
	)
}

func takeIn(t *testing.T, s *store.Store, a store.Account, name string, on day.Day) uuid.UUID {
	t.Helper()
	e, err := s.Append(t.Context(), a, arrival(name, on), today)
	require.NoError(t, err)
	return e.PlantID
}

func TestSameSubmissionAtOnceDoesNothingTwice(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := takeIn(t, s, a, "Monstera", today-20)
	watered := entry(plant, today-3, record.Body{Watered: &record.Watered{}})

	var wait sync.WaitGroup
	for range 8 {
		wait.Go(func() {
			_, err := s.Append(t.Context(), a, watered, today)
			assert.NoError(t, err)
		})
	}
	wait.Wait()
	entries, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Len(t, entries, 2, "arrival and one watering")

	other := watered
	other.Body = record.Body{Noted: &record.Noted{Text: "other"}}
	_, err = s.Append(t.Context(), a, other, today)
	assert.ErrorIs(t, err, store.ErrConflict, "the id stands for something else")
}

func TestAStrangerSeesAndChangesNothing(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	plant := takeIn(t, s, a, "Monstera", today-20)
	place := store.Place{ID: newID(), Name: "Sill"}
	require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, place))

	_, err := s.Entries(t.Context(), stranger.Collection.ID, plant)
	assert.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.Append(
		t.Context(),
		stranger,
		entry(plant, today, record.Body{Noted: &record.Noted{Text: "mine"}}),
		today,
	)
	assert.ErrorIs(t, err, store.ErrNotFound)
	page, err := s.Register(t.Context(), stranger.Collection.ID, store.Filter{Limit: 10})
	require.NoError(t, err)
	assert.Empty(t, page.Rows)
	walk, err := s.Due(t.Context(), stranger.Collection.ID, today, nil, 10)
	require.NoError(t, err)
	assert.Equal(t, store.Walk{Rows: []store.Row{}}, walk)
	places, err := s.Places(t.Context(), stranger.Collection.ID)
	require.NoError(t, err)
	assert.Empty(t, places)
	standing, _, _, err := s.Counts(t.Context(), stranger.Collection.ID)
	require.NoError(t, err)
	assert.Empty(t, standing)

	theirs := arrival("Theirs", today)
	theirs.Arrived.Place = &place.ID
	_, err = s.Append(t.Context(), stranger, theirs, today)
	assert.ErrorContains(t, err, "no such place", "nor do they put a plant in it")

	same := entry(plant, today, record.Body{Arrived: &record.Arrived{Name: "Mine now", Habit: "fern"}})
	_, err = s.Append(t.Context(), stranger, same, today)
	require.NoError(t, err, "the same id in another collection is another plant")
	entries, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Len(t, entries, 1)
	assert.Equal(t, "Monstera", entries[0].Arrived.Name)
}

func TestEntriesCannotBeChangedOrRemoved(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := takeIn(t, s, a, "Monstera", today)
	_, err := s.DB.Exec(`update entries set body = '{}' where plant_id = $1`, plant)
	assert.ErrorContains(t, err, "append-only")
	_, err = s.DB.Exec(`delete from entries where plant_id = $1`, plant)
	assert.ErrorContains(t, err, "append-only")
	for _, table := range []string{"entries", "kinds", "settings", "supplies", "supply_moves", "pictures"} {
		_, err = s.DB.Exec(`truncate ` + table + ` cascade`)
		assert.ErrorContains(t, err, "append-only", table)
	}
	// A row points to what is there.
	_, err = s.DB.Exec(`update plants set place_id = $1 where id = $2`, newID(), plant)
	assert.ErrorContains(t, err, "foreign key")
}

func TestRecomputeGivesTheSameRows(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := takeIn(t, s, a, "Monstera", today-40)
	for _, e := range []record.Entry{
		entry(plant, today-39, record.Body{Examined: &record.Examined{Present: []string{"root.mushy", "med.wet-long"}}}),
		entry(plant, today-39, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}}),
		entry(plant, today-39, record.Body{Planned: &record.Planned{}}),
		entry(plant, today-36, record.Body{Did: &record.Did{Step: "unpot@d0"}}),
		entry(plant, today-30, record.Body{Watered: &record.Watered{}}),
		entry(plant, today-29, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise",
			To: "re-root", Reason: "looks firm"}}),
		entry(plant, today-20, record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "re-root",
			To: "stabilise", Reason: "wilted"}}),
	} {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	takeIn(t, s, a, "Left alone", today-3)
	rows := func() (all []string) {
		require.NoError(t, s.DB.Select(&all, `select row_to_json(p)::text from plants p order by id`))
		return all
	}
	before := rows()
	_, err := s.DB.Exec(
		`update plants set name = '', tasks = '[]', seam = '{}', next_due = null, standing = '', stage = 'x'`,
	)
	require.NoError(t, err)
	n, err := s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, 2, n)
	assert.Equal(t, before, rows())
}

// pagedThrough reads a register of five page by page, and gives the names and the last page mark.
func pagedThrough(t *testing.T, s *store.Store, a store.Account, f store.Filter) (seen []string, last string) {
	t.Helper()
	for {
		page, err := s.Register(t.Context(), a.Collection.ID, f)
		require.NoError(t, err)
		assert.Equal(t, 5, page.Total)
		assert.False(t, page.Nearly)
		for _, r := range page.Rows {
			seen = append(seen, r.Name)
		}
		if page.Next == "" {
			return seen, f.After
		}
		f.After = page.Next
	}
}

func TestRegisterPagesSearchesAndFilters(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	for i, name := range []string{"delta", "Alpha", "charlie", "bravo", "echo 100%"} {
		takeIn(t, s, a, name, today-day.Day(i))
	}
	for order, want := range map[store.Sort][]string{
		store.ByName:   {"Alpha", "bravo", "charlie", "delta", "echo 100%"},
		store.ByNewest: {"delta", "Alpha", "charlie", "bravo", "echo 100%"},
	} {
		for _, words := range []string{"", "monstera"} {
			seen, last := pagedThrough(t, s, a, store.Filter{Limit: 2, Words: words, Sort: order})
			assert.Equal(t, want, seen, "%s %q", order, words)
			_, err := s.DB.Exec(`update plants set here = false where name = 'echo 100%'`)
			require.NoError(t, err)
			page, err := s.Register(t.Context(), a.Collection.ID,
				store.Filter{Limit: 2, Words: words, Sort: order, After: last})
			require.NoError(t, err)
			assert.Empty(t, page.Rows, "%s %q", order, words)
			assert.Equal(t, 4, page.Total, "the last page is empty, and still says how many there are: %q", words)
			_, err = s.DB.Exec(`update plants set here = true`)
			require.NoError(t, err)
		}
	}
	for words, want := range map[string]int{"ALPHA": 1, "monstera": 5, "five-holes bravo": 1, "100%": 1, "1_0": 0,
		"fern": 0} {
		page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Words: words, Limit: 10})
		require.NoError(t, err)
		assert.Len(t, page.Rows, want, words)
	}
	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Standing: "mending", Limit: 10})
	require.NoError(t, err)
	assert.Empty(t, page.Rows)
	_, err = s.Register(t.Context(), a.Collection.ID, store.Filter{After: "garbage", Limit: 10})
	assert.ErrorAs(t, err, &record.Faults{})
}

// Each narrowing of the register leaves those that have it, and only those; an empty one leaves all.
func TestTheRegisterIsNarrowedByEachThingAlone(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	place := store.Place{ID: newID(), Name: "Sill"}
	require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, place))
	plain := together(t, s, a, "Plain", "A friend", today-20)
	changed := together(t, s, a, "Changed", "A friend", today-20)
	_, err := s.DB.Exec(`update plants set place_id = $1, standing = 'lost', stage = 'harden', isolation = 'isolated',
		tags = '{a,b}' where id = $2`, place.ID, changed)
	require.NoError(t, err)
	_, err = s.DB.Exec(`update plants set standing = 'mending', stage = 're-root', isolation = 'clean', tags = '{a}'
		where id = $1`, plain)
	require.NoError(t, err)
	for i, row := range []struct {
		by    store.Filter
		names []string
	}{
		{store.Filter{}, []string{"Changed", "Plain"}},
		{store.Filter{Place: &place.ID}, []string{"Changed"}},
		{store.Filter{Standing: "lost"}, []string{"Changed"}}, {store.Filter{Standing: "mending"}, []string{"Plain"}},
		{store.Filter{Stage: "harden"}, []string{"Changed"}}, {store.Filter{Stage: "re-root"}, []string{"Plain"}},
		{store.Filter{Isolation: "isolated"}, []string{"Changed"}}, {store.Filter{Isolation: "clean"}, []string{"Plain"}},
		{store.Filter{Tags: []string{"a"}}, []string{"Changed", "Plain"}},
		{store.Filter{Tags: []string{"a", "b"}}, []string{"Changed"}},
		{store.Filter{Plants: []uuid.UUID{plain}}, []string{"Plain"}},
		{store.Filter{Plants: []uuid.UUID{}}, nil},
		{store.Filter{Isolation: "isolated", Stage: "re-root"}, nil},
	} {
		row.by.Limit = 9
		page, err := s.Register(t.Context(), a.Collection.ID, row.by)
		require.NoError(t, err)
		var names []string
		for _, r := range page.Rows {
			names = append(names, r.Name)
		}
		assert.Equal(t, row.names, names, "row %d", i)
		assert.Equal(t, len(row.names), page.Total, "row %d", i)
	}
}

// A plant is found by what ails it, where it came from and where it stands; a word with a
// typing error finds where nothing has it.
func TestTheRegisterFindsByWhatIsKnownOfAPlant(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	sick := together(t, s, a, "Hoya", "The plant fair", today-20)
	together(t, s, a, "Pothos", "A friend", today-20)
	place := store.Place{ID: newID(), Name: "Boiler corner"}
	require.NoError(t, s.AddPlace(t.Context(), a.Collection.ID, place))
	for _, b := range []record.Body{
		{Examined: &record.Examined{Present: []string{"pest.cotton"}}},
		{Diagnosed: &record.Diagnosed{Causes: []string{"mealybug"}}},
		{Treated: &record.Treated{Product: "Own soap", Where: "leaves"}},
		{Moved: &record.Moved{Place: &place.ID}},
	} {
		_, err := s.Append(t.Context(), a, entry(sick, today, b), today, record.MarksLeaves, record.FreshlyHurt)
		require.NoError(t, err)
	}
	for words, nearly := range map[string]bool{
		"mealy": false, "mealybugs hoya": false, "fair": false, "own soap": false, "boiler": false, "boiler hoya": false,
		"mealybgus": true,
	} {
		page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Words: words, Limit: 9})
		require.NoError(t, err)
		require.Len(t, page.Rows, 1, words)
		assert.Equal(t, "Hoya", page.Rows[0].Name, words)
		assert.Equal(t, nearly, page.Nearly, words)
	}
	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Words: "zamioculcas", Limit: 9})
	require.NoError(t, err)
	assert.Empty(t, page.Rows)
	assert.False(t, page.Nearly)
}

func TestAccounts(t *testing.T) {
	s := pgtest.Store(t)
	first := store.NewAccount{
		Email:          "a@example.org",
		Name:           "A",
		Password:       "correct horse",
		CollectionName: "Sill",
		TimeZone:       "Pacific/Auckland",
		OnlyIfFirst:    true,
	}
	a, err := s.CreateAccount(t.Context(), first)
	require.NoError(t, err)
	assert.Equal(
		t,
		"2026-11-25",
		a.Collection.Today(time.Date(2026, 11, 24, 12, 0, 0, 0, time.UTC)).String(),
		"it is tomorrow there already",
	)
	second := first
	second.Email = "b@example.org"
	_, err = s.CreateAccount(t.Context(), second)
	assert.ErrorIs(t, err, store.ErrNotFirst)
	second.OnlyIfFirst, second.Email = false, "A@EXAMPLE.org"
	_, err = s.CreateAccount(t.Context(), second)
	assert.ErrorIs(t, err, store.ErrConflict, "one account for an address, however it is written")

	u, err := s.SignIn(t.Context(), " A@example.org ", "correct horse", "", "192.0.2.7")
	require.NoError(t, err)
	assert.Equal(t, a.User.ID, u.ID)
	_, err = s.SignIn(t.Context(), "a@example.org", "wrong horse", "", "192.0.2.7")
	assert.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.SignIn(t.Context(), "nobody@example.org", "nobody has this password", "", "192.0.2.7")
	assert.ErrorIs(t, err, store.ErrNotFound)
	var hash string
	require.NoError(t, s.DB.Get(&hash, `select password_hash from users limit 1`))
	assert.Contains(t, hash, "$argon2id$v=19$m=64,t=1,p=4$", "a test's, which is as it stands in the row")
}

// Lists that an earlier version wrote are rebuilt once, from the record.
func TestListsOfAnEarlierVersionAreRebuiltOnce(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := takeIn(t, s, a, "Monstera", today-40)
	for _, e := range []record.Entry{
		entry(plant, today-39, record.Body{Examined: &record.Examined{Present: []string{"root.mushy"}}}),
		entry(plant, today-39, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}}),
	} {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	cases := func() (n int) {
		require.NoError(t, s.DB.Get(&n, `select count(*) from plant_cases where main_cause = 'root-rot'`))
		return n
	}
	require.Equal(t, 1, cases())
	_, err := s.DB.Exec(`delete from plant_cases; delete from folded`)
	require.NoError(t, err)
	n, err := s.Refold(t.Context())
	require.NoError(t, err)
	assert.Equal(t, 1, n)
	assert.Equal(t, 1, cases())
	n, err = s.Refold(t.Context())
	require.NoError(t, err)
	assert.Zero(t, n, "once")
}
