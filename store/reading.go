package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"strings"
	"sync/atomic"
	"time"

	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jmoiron/sqlx"
)

// asideFor is how long a replica that failed is left alone.
const asideFor = 5 * time.Second

// reading sends what reads to a replica and what writes to the database itself. A replica
// that is away, or that breaks a reading off, is left aside for a while.
type reading struct {
	writes, reads *sqlx.DB
	aside         atomic.Int64 // until when, in nanoseconds of the clock of this machine
}

// ReadFrom sends what reads, outside of transactions, to a replica by its URL. The database
// has to wait for it with every commit (synchronous_commit is remote_apply and the replica
// is in synchronous_standby_names), or screens would show what was before the last tap; an
// error says so where it does not.
func (s *Store) ReadFrom(ctx context.Context, url string) error {
	var how struct{ Commit, Names string }
	err := s.DB.GetContext(ctx, &how, `select current_setting('synchronous_commit') as commit,
		current_setting('synchronous_standby_names') as names`)
	if err != nil {
		return fmt.Errorf("asking the database whether it waits for its replica: %w", err)
	}
	if how.Commit != "remote_apply" || how.Names == "" {
		return errors.New("the database does not wait for its replica, so that it would show what was before the last " +
			"tap: set synchronous_commit to remote_apply and name the replica in synchronous_standby_names")
	}
	replica, err := Open(url, s.Clock)
	if err != nil {
		return err
	}
	s.reading = &reading{writes: s.DB, reads: replica.DB}
	return nil
}

func (r *reading) up() bool { return time.Now().UnixNano() >= r.aside.Load() }

// failed says whether the replica was at fault, and then leaves it aside.
func (r *reading) failed(err error) bool {
	if err == nil || errors.Is(err, sql.ErrNoRows) || errors.Is(err, ErrNotFound) ||
		errors.Is(err, context.Canceled) || errors.Is(err, context.DeadlineExceeded) {
		return false
	}
	var said *pgconn.PgError
	if errors.As(err, &said) && !strings.HasPrefix(said.Code, "57P") && said.Code != "40001" {
		return false // the statement's own fault
	}
	r.aside.Store(time.Now().Add(asideFor).UnixNano())
	return true
}

// QueryContext reads rows.
func (r *reading) QueryContext(ctx context.Context, query string, args ...any) (*sql.Rows, error) {
	if r.up() {
		if rows, err := r.reads.QueryContext(ctx, query, args...); !r.failed(err) {
			return rows, err
		}
	}
	return r.writes.QueryContext(ctx, query, args...)
}

// QueryxContext reads rows.
func (r *reading) QueryxContext(ctx context.Context, query string, args ...any) (*sqlx.Rows, error) {
	if r.up() {
		if rows, err := r.reads.QueryxContext(ctx, query, args...); !r.failed(err) {
			return rows, err
		}
	}
	return r.writes.QueryxContext(ctx, query, args...)
}

// QueryRowxContext reads one row.
func (r *reading) QueryRowxContext(ctx context.Context, query string, args ...any) *sqlx.Row {
	if r.up() {
		if row := r.reads.QueryRowxContext(ctx, query, args...); !r.failed(row.Err()) {
			return row
		}
	}
	return r.writes.QueryRowxContext(ctx, query, args...)
}

// ExecContext writes.
func (r *reading) ExecContext(ctx context.Context, query string, args ...any) (sql.Result, error) {
	return r.writes.ExecContext(ctx, query, args...)
}

// snapshot opens a transaction that only reads, all of it as of one moment, with the connection that it is on.
func (s *Store) snapshot(ctx context.Context) (*sqlx.Conn, *sqlx.Tx, error) {
	if r := s.reading; r != nil && r.up() {
		if conn, tx, err := begun(ctx, r.reads); !r.failed(err) {
			return conn, tx, err
		}
	}
	return begun(ctx, s.DB)
}

func begun(ctx context.Context, db *sqlx.DB) (*sqlx.Conn, *sqlx.Tx, error) {
	conn, err := db.Connx(ctx)
	if err != nil {
		return nil, nil, err
	}
	tx, err := conn.BeginTxx(ctx, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	if err != nil {
		_ = conn.Close()
		return nil, nil, err
	}
	return conn, tx, nil
}

// AtOneMoment reads as of one moment, with statements that are planned once and not anew for every list of
// plants that they are asked for: to weigh hundreds of them takes longer than to read what they are of. Where a replica
// breaks it off the work is done again, from its beginning, on the database itself.
func (s *Store) AtOneMoment(ctx context.Context, work func(*Store) error) error {
	if s.tx != nil {
		return work(s)
	}
	err := s.readAtOnce(ctx, work)
	if r := s.reading; r != nil && r.up() && r.failed(err) {
		return s.readAtOnce(ctx, work)
	}
	return err
}

func (s *Store) readAtOnce(ctx context.Context, work func(*Store) error) error {
	conn, tx, err := s.snapshot(ctx)
	if err != nil {
		return fmt.Errorf("beginning to read: %w", err)
	}
	defer func() { _ = conn.Close() }()
	defer func() { _ = tx.Rollback() }()
	if _, err := tx.ExecContext(ctx, `set local plan_cache_mode = force_generic_plan`); err != nil {
		return fmt.Errorf("choosing how statements are planned: %w", err)
	}
	in := s.within(tx)
	in.conn = conn
	if err := work(in); err != nil {
		return err
	}
	return tx.Commit()
}
