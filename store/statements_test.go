package store_test

import (
	"context"
	"strings"
	"sync/atomic"
	"testing"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/jmoiron/sqlx"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// counter counts the statements that a database is sent, and keeps the last one.
type counter struct {
	n    atomic.Int64
	last atomic.Pointer[pgx.TraceQueryStartData]
}

func (c *counter) TraceQueryStart(ctx context.Context, _ *pgx.Conn, d pgx.TraceQueryStartData) context.Context {
	c.n.Add(1)
	c.last.Store(&d)
	return ctx
}

func (c *counter) TraceQueryEnd(context.Context, *pgx.Conn, pgx.TraceQueryEndData) {}

// counted gives a second way to a store's database that counts.
func counted(t *testing.T, s *store.Store) (*store.Store, *counter) {
	t.Helper()
	conn, err := s.DB.Conn(t.Context())
	require.NoError(t, err)
	var config *pgx.ConnConfig
	require.NoError(t, conn.Raw(func(driver any) error {
		config = driver.(*stdlib.Conn).Conn().Config()
		return nil
	}))
	require.NoError(t, conn.Close())
	c := &counter{}
	config.Tracer = c
	db := sqlx.NewDb(stdlib.OpenDB(*config), "pgx")
	t.Cleanup(func() { db.Close() })
	return &store.Store{DB: db, Clock: pgtest.Clock}, c
}

// An entry costs as many statements after twenty steps that used something up
// as after one.
func TestAnEntryCostsAFixedNumberOfStatements(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "counts@example.org")
	plant, soil := kept(t, s, a)
	slow, c := counted(t, s)
	cost := func() int64 {
		before := c.n.Load()
		_, err := slow.Append(t.Context(), a, entry(plant, today, record.Body{Watered: &record.Watered{}}), today,
			record.RotWatered, record.WateredToday)
		require.NoError(t, err)
		return c.n.Load() - before
	}
	_ = cost() // the first one prepares
	few := cost()
	entries, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	var last uuid.UUID
	for _, e := range entries {
		if e.Did != nil {
			last = e.ID
		}
	}
	for range 20 { // done, taken back, done again: each of them used something
		again := entry(plant, today, record.Body{Did: &record.Did{
			Step: "ready-pot@d0", Used: []record.Used{{Supply: soil, Amount: 0.01}},
		}})
		for _, e := range []record.Entry{entry(plant, today, record.Body{Voided: &record.Voided{Entry: last}}), again} {
			_, err := s.Append(t.Context(), a, e, today)
			require.NoError(t, err)
		}
		last = again.ID
	}
	assert.Equal(t, few, cost())
	assert.LessOrEqual(t, few, int64(19))
	t.Logf("statements for an entry: %d", few)
}

// A page of the register is read off the index of its order: nothing is sorted and no other
// plant is read.
func TestPagesAreReadOffAnIndex(t *testing.T) {
	s, a := clinic(t)
	slow, c := counted(t, s)
	explained := func() string {
		tx, err := s.DB.Beginx()
		require.NoError(t, err)
		defer func() { require.NoError(t, tx.Rollback()) }()
		for _, off := range []string{"enable_sort", "enable_seqscan", "enable_bitmapscan"} {
			_, err := tx.Exec("set local " + off + " = off")
			require.NoError(t, err)
		}
		var plan []string
		require.NoError(t, tx.Select(&plan, "explain "+c.last.Load().SQL, c.last.Load().Args...))
		return strings.Join(plan, "\n")
	}
	for _, sort := range []store.Sort{store.ByName, store.ByDue, store.ByCondition, store.ByNewest, store.ByOldest} {
		page, err := slow.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 5, Sort: sort})
		require.NoError(t, err)
		first := explained()
		_, err = slow.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 5, Sort: sort, After: page.Next})
		require.NoError(t, err)
		for _, plan := range []string{first, explained()} {
			assert.Contains(t, plan, "plants_by_", sort)
			assert.NotContains(t, plan, "Sort", sort)
		}
	}
}
