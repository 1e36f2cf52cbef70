// Package pgtest gives tests a PostgreSQL of their own.
package pgtest

import (
	"context"
	"fmt"
	"os"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/localpg"
	"tendermend/store"
)

var (
	server *localpg.Server
	count  atomic.Int64
)

// Today is the day on which all tests play, a Tuesday in late autumn.
var Today = day.Of(2026, time.November, 24)

// Clock stands at noon of that day.
func Clock() time.Time { return Today.Time().Add(12 * time.Hour) }

// Run starts PostgreSQL, runs the package's tests, does what is to be done after them and stops it. Call it from
// TestMain.
func Run(m *testing.M, after ...func()) {
	os.Exit(run(m, after))
}

func run(m *testing.M, after []func()) int {
	s, stop, err := localpg.Scratch(context.Background(), "test")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	server = s
	defer func() {
		if err := stop(); err != nil {
			fmt.Fprintln(os.Stderr, err)
		}
	}()
	defer func() {
		for _, do := range after {
			do()
		}
	}()
	return m.Run()
}

// Server gives the running server, for tests that take it away.
func Server() *localpg.Server { return server }

// Store gives a store on an empty, migrated database of the test's own.
func Store(t testing.TB) *store.Store {
	t.Helper()
	return Copy(t, "migrated", func(context.Context, *store.Store) error { return nil })
}

var (
	making sync.Mutex
	made   = map[string]bool{}
)

// Copy gives a store on a database of the test's own that is a copy of one which
// was filled once, under a name of its own.
func Copy(t testing.TB, name string, fill func(context.Context, *store.Store) error) *store.Store {
	t.Helper()
	making.Lock()
	defer making.Unlock()
	if !made[name] {
		url, err := server.CreateDatabase(t.Context(), name)
		require.NoError(t, err)
		s, err := store.Open(url, Clock)
		require.NoError(t, err)
		s.HashCheaply()
		require.NoError(t, s.Migrate(t.Context()))
		require.NoError(t, fill(t.Context(), s))
		require.NoError(t, s.DB.Close())
		made[name] = true
	}
	url, err := server.CopyDatabase(t.Context(), fmt.Sprintf("t%d_%d", os.Getpid(), count.Add(1)), name)
	require.NoError(t, err)
	s, err := store.Open(url, Clock)
	require.NoError(t, err)
	s.HashCheaply()
	t.Cleanup(func() { _ = s.DB.Close() })
	return s
}

// Account opens an account with an empty collection.
func Account(t testing.TB, s *store.Store, email string) store.Account {
	t.Helper()
	a, err := s.CreateAccount(
		t.Context(),
		store.NewAccount{Email: email, Name: email, Password: "eight words", CollectionName: "Of " + email},
	)
	require.NoError(t, err)
	return a
}
