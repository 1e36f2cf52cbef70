// Package pgtest gives tests a PostgreSQL of their own.
package pgtest

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
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

// Run starts PostgreSQL, runs the package's tests and stops it. Call it from
// TestMain.
func Run(m *testing.M) {
	os.Exit(run(m))
}

func run(m *testing.M) int {
	parent, err := os.MkdirTemp("", "tendermend-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(parent)
	if err := os.Chmod(parent, 0o755); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	server, err = localpg.Start(context.Background(), filepath.Join(parent, "pg"), true)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer func() {
		if err := server.Stop(); err != nil {
			fmt.Fprintln(os.Stderr, err)
		}
	}()
	return m.Run()
}

// Server gives the running server, for tests that take it away.
func Server() *localpg.Server { return server }

// Store gives a store on an empty, migrated database of the test's own.
func Store(t testing.TB) *store.Store {
	t.Helper()
	url, err := server.CreateDatabase(t.Context(), fmt.Sprintf("t%d_%d", os.Getpid(), count.Add(1)))
	require.NoError(t, err)
	s, err := store.Open(url, Clock)
	require.NoError(t, err)
	t.Cleanup(func() { s.DB.Close() })
	require.NoError(t, s.Migrate(t.Context()))
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
