package store_test

import (
	"fmt"
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
		_, err := s.SignIn(t.Context(), email, password, from)
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
	assert.ErrorIs(t, try("owner@example.org", "a guess", away), store.ErrNotFound, "and begins the count anew")
	for i := range 4 {
		assert.ErrorIs(t, try("owner@example.org", fmt.Sprint("guess ", i), away), store.ErrNotFound)
	}
	now = now.Add(24*time.Hour + time.Second)
	for range 5 {
		assert.ErrorIs(t, try("owner@example.org", "a guess", away), store.ErrNotFound, "a day forgets")
	}
}
