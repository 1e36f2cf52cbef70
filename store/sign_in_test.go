package store_test

import (
	"errors"
	"fmt"
	"runtime"
	"runtime/debug"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/store"
)

// Guessing slows down from the fifth wrong password on, whoever it is tried for,
// and the owner gets in from where they have been before.
func TestGuessingAPasswordSlowsDown(t *testing.T) {
	s := pgtest.Store(t)
	now := pgtest.Clock()
	s.Clock = func() time.Time { return now }
	_, err := s.CreateAccount(t.Context(), store.NewAccount{
		Email: "owner@example.org", Name: "Owner", Password: "a short sentence", CollectionName: "Sill",
	})
	require.NoError(t, err)
	const home, away = "192.0.2.1", "198.51.100.9"
	try := func(email, password, from string) error {
		_, err := s.SignIn(t.Context(), email, password, "", from)
		return err
	}
	require.NoError(t, try("owner@example.org", "a short sentence", home))
	for _, email := range []string{"Owner@Example.org", "nobody@example.org"} {
		for range 5 {
			assert.ErrorIs(t, try(email, "a guess", away), store.ErrNotFound)
		}
		for _, wait := range []time.Duration{1, 2, 4, 8} {
			wait *= time.Second
			var left store.WaitError
			require.ErrorAs(t, try(email, "a guess", away), &left)
			assert.Equal(t, wait, left.Left)
			now = now.Add(wait - time.Millisecond)
			assert.ErrorAs(t, try(email, "a short sentence", away), &left, "the right one waits as well")
			now = now.Add(time.Millisecond)
			assert.ErrorIs(t, try(email, "a guess", away), store.ErrNotFound)
		}
		for range 12 {
			now = now.Add(15 * time.Minute)
			assert.ErrorIs(t, try(email, "a guess", away), store.ErrNotFound, "never longer than a quarter of an hour")
		}
	}
	assert.ErrorIs(t, try("owner@example.org", "mistyped", home), store.ErrNotFound)
	assert.NoError(t, try("owner@example.org", "a short sentence", home), "the owner is not locked out")
	assert.NoError(t, try("owner@example.org", "a short sentence", "203.0.113.5"), "and gets in from a new place")
	assert.ErrorIs(t, try("owner@example.org", "a guess", away), store.ErrNotFound)
	var left store.WaitError
	assert.ErrorAs(t, try("owner@example.org", "a guess", away), &left, "which is no help to who guesses")
	for i := range 5 {
		assert.ErrorIs(t, try("owner@example.org", fmt.Sprint("guess ", i), home), store.ErrNotFound)
	}
	assert.ErrorAs(t, try("owner@example.org", "a guess", home), &left, "a place that is known is counted too")
	now = now.Add(24*time.Hour + time.Second)
	for range 5 {
		assert.ErrorIs(t, try("owner@example.org", "a guess", away), store.ErrNotFound, "a day forgets")
	}
}

// Tries that come at once are counted one by one, before any password is looked at.
func TestGuessesAtOnceAreCounted(t *testing.T) {
	s := pgtest.Store(t)
	s.Clock = pgtest.Clock
	pgtest.Account(t, s, "owner@example.org")
	var looked atomic.Int64
	var all sync.WaitGroup
	for range 20 {
		all.Go(func() {
			if _, err := s.SignIn(
				t.Context(),
				"owner@example.org",
				"a guess",
				"",
				"198.51.100.9",
			); errors.Is(
				err,
				store.ErrNotFound,
			) {
				looked.Add(1)
			}
		})
	}
	all.Wait()
	assert.EqualValues(t, 5, looked.Load())
}

// Guesses spread over many callers slow down callers that the owner never came from,
// after fifty in all, and the owner not at all.
func TestGuessesFromEverywhereKeepTheOwnerIn(t *testing.T) {
	s := pgtest.Store(t)
	s.Clock = pgtest.Clock
	a := pgtest.Account(t, s, "owner@example.org")
	try := func(password, from string) error {
		_, err := s.SignIn(t.Context(), a.User.Email, password, "", from)
		return err
	}
	const home = "192.0.2.1"
	require.NoError(t, try("eight words", home))
	for i := range 50 {
		require.ErrorIs(t, try("a guess", fmt.Sprintf("198.51.100.%d", i)), store.ErrNotFound)
	}
	var left store.WaitError
	assert.ErrorAs(t, try("a guess", "203.0.113.1"), &left)
	assert.NoError(t, try("eight words", home))
}

// Forty who sign in at once take no more memory than two, and give it back.
func TestManySignInsAtOnceTakeLittleMemory(t *testing.T) {
	s := pgtest.Store(t)
	s.Clock = pgtest.Clock
	for i := range 4 {
		pgtest.Account(t, s, fmt.Sprintf("grower%d@example.org", i))
	}
	debug.FreeOSMemory() // what the tests before it took is not counted
	before, most := memory(), uint64(0)
	done, watched := make(chan struct{}), make(chan struct{})
	go func() {
		defer close(watched)
		for {
			select {
			case <-done:
				return
			case <-time.After(5 * time.Millisecond):
				most = max(most, memory())
			}
		}
	}()
	var all sync.WaitGroup
	var in atomic.Int64
	for i := range 40 {
		all.Go(func() {
			from := fmt.Sprintf("192.0.2.%d", i)
			_, err := s.SignIn(t.Context(), fmt.Sprintf("grower%d@example.org", i%4), "eight words", "", from)
			if err == nil {
				in.Add(1)
			} else { // on a slow machine the last are told to come again
				assert.ErrorIs(t, err, store.ErrBusy)
			}
		})
	}
	all.Wait()
	assert.GreaterOrEqual(t, in.Load(), int64(4))
	close(done)
	<-watched
	const most40 = 400 << 20 // two at once and their garbage; forty would take 2,560 MiB
	assert.Less(t, most, before+most40)
	assert.Less(t, memory(), before+64<<20, "what it took is given back")
}

// memory is what the process holds of the machine's memory, bytes.
func memory() uint64 {
	var m runtime.MemStats
	runtime.ReadMemStats(&m)
	return m.Sys - m.HeapReleased
}
