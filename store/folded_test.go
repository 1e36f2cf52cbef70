package store_test

import (
	"sync"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// What is kept of a plant is never older than what the database has, whoever wrote there:
// an entry of another server, a new name of its writer, a new version of its kind.
func TestAPlantThatIsKeptIsNeverOld(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	other, _ := counted(t, s)
	id := takeIn(t, s, a, "Cattleya", today-20)
	read := func() ([]record.Entry, record.State) {
		entries, state, err := s.Record(t.Context(), a.Collection.ID, id)
		require.NoError(t, err)
		assert.Len(t, entries, state.Entries)
		return entries, state
	}
	_, before := read()
	_, err := other.Append(t.Context(), a, entry(id, today, record.Body{Noted: &record.Noted{Text: "seen"}}), today)
	require.NoError(t, err)
	entries, after := read()
	assert.Equal(t, before.Entries+1, after.Entries)

	require.NoError(t, other.ChangeUser(t.Context(), a.User.ID, "Another Name", a.User.Email))
	renamed, _ := read()
	assert.NotEqual(t, entries[0].By, renamed[0].By)
	assert.Equal(t, "Another Name", renamed[0].By)

	kind := ownKind("Cattleya domestica")
	require.NoError(t, other.SaveKind(t.Context(), a, kind, 0, false))
	e := arrival("Of its own kind", today-20)
	e.Arrived.Profile = kind.ID
	kept, err := s.Append(t.Context(), a, e, today)
	require.NoError(t, err)
	id = kept.PlantID
	_, before = read()
	kind.Botanical = "Cattleya silvestris"
	require.NoError(t, other.SaveKind(t.Context(), a, kind, 1, false))
	_, after = read()
	assert.Equal(t, "Cattleya domestica", before.Profile.Botanical)
	assert.Equal(t, "Cattleya silvestris", after.Profile.Botanical)
}

// A plant that is kept is kept for its own collection.
func TestAStrangerGetsNothingThatIsKept(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	id := takeIn(t, s, a, "Cattleya", today-20)
	for range 2 {
		_, err := s.State(t.Context(), a.Collection.ID, id)
		require.NoError(t, err)
		_, err = s.State(t.Context(), stranger.Collection.ID, id)
		require.ErrorIs(t, err, store.ErrNotFound)
	}
}

// Many read one plant at a time: none waits for another, and what each works out is the
// same.
func TestManyReadAPlantAtOnce(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	id := takeIn(t, s, a, "Cattleya", today-20)
	fresh, err := s.State(t.Context(), a.Collection.ID, id)
	require.NoError(t, err)
	want := fresh.Facts(today, record.Context{}).Rows()
	var readers sync.WaitGroup
	for range 8 {
		readers.Go(func() {
			state, err := s.State(t.Context(), a.Collection.ID, id)
			if assert.NoError(t, err) {
				assert.Equal(t, want, state.Facts(today, record.Context{}).Rows())
				assert.NotEmpty(t, state.WaterLine(today, false).Words)
			}
		})
	}
	readers.Wait()
}

// What came since is read with what is kept, and gives what reading all of it anew gives: later entries, earlier days,
// what was taken back, and what was taken over from elsewhere with an older time of recording.
func TestWhatIsKeptGrowsIntoWhatIsRead(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	other, _ := counted(t, s)
	id := takeIn(t, s, a, "Cattleya", today-20)
	same := func(what string) {
		t.Helper()
		kept, state, err := s.Record(t.Context(), a.Collection.ID, id)
		require.NoError(t, err)
		fresh, anew, err := other.Record(t.Context(), a.Collection.ID, id)
		require.NoError(t, err)
		assert.Equal(t, fresh, kept, what)
		assert.Equal(t, anew.Entries, state.Entries, what)
		assert.Equal(t, anew.Facts(today, record.Context{}).Rows(), state.Facts(today, record.Context{}).Rows(), what)
	}
	add := func(by *store.Store, e record.Entry) record.Entry {
		t.Helper()
		kept, err := by.Append(t.Context(), a, e, today, record.MarksLeaves, record.FreshlyHurt)
		require.NoError(t, err)
		return kept
	}
	same("its arrival")
	noted := add(s, entry(id, today, record.Body{Noted: &record.Noted{Text: "seen"}}))
	same("a note of today")
	add(other, entry(id, today-9, record.Body{Noted: &record.Noted{Text: "remembered"}}))
	same("a note of an earlier day, of another server")
	add(s, entry(id, today, record.Body{Voided: &record.Voided{Entry: noted.ID}}))
	same("what was taken back")
	other.Clock = func() time.Time { return pgtest.Clock().AddDate(-1, 0, 0) } // of a server whose clock was wrong
	add(other, entry(id, today, record.Body{Noted: &record.Noted{Text: "older than what is kept"}}))
	same("an older time of recording")
	entries, err := s.Entries(t.Context(), a.Collection.ID, id)
	require.NoError(t, err)
	assert.Len(t, entries, 5, "what is older than what is kept is read too")
}
