// Package store keeps collections, their plants and their entries in
// PostgreSQL. Every query is scoped by collection. Entries are only ever added;
// what lists need is folded from them and written in the same transaction.
package store

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/jmoiron/sqlx"
	"github.com/pressly/goose/v3"
	"golang.org/x/sync/errgroup"
)

// ErrNotFound means that the collection has no such thing. A stranger's id
// gives the same error as an invented one.
var ErrNotFound = errors.New("not found")

// ErrConflict means that the id or name is taken by something else.
var ErrConflict = errors.New("taken by something else")

// Store is the database. Clock tells the time at which things are recorded.
type Store struct {
	DB    *sqlx.DB
	Clock func() time.Time
	hash  *hashing
	// foldings are the plants that were looked at last.
	foldings *foldings
	// airs are the air of the places of those collections whose plants were looked at last.
	airs *airsKept
	tx   *sqlx.Tx   // the transaction that all its work is part of; nil outside of one
	conn *sqlx.Conn // the connection of that transaction; nil where only the transaction knows it
	// reading is the way to a replica; nil where there is none.
	reading *reading
	patient pgx.ConnConfig // the way to the database on which a statement waits as long as it must
}

// lockedAtMost is how long a statement waits for what another holds: whoever asks is told to try again long before
// they would go away. What takes hold of everything, as parting the tables does, waits as long as it must.
const lockedAtMost = "5s"

// Open connects to PostgreSQL by its URL. It does not wait for the server: the
// first query does.
func Open(url string, clock func() time.Time) (*Store, error) {
	config, err := pgx.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("opening the database: %w", err)
	}
	return OpenBy(config, clock), nil
}

// OpenBy connects to PostgreSQL as configured.
func OpenBy(config *pgx.ConnConfig, clock func() time.Time) *Store {
	patient := *config.Copy()
	config.RuntimeParams["lock_timeout"] = lockedAtMost
	db := sqlx.NewDb(stdlib.OpenDB(*config), "pgx")
	db.SetMaxOpenConns(20)
	db.SetMaxIdleConns(10)
	db.SetConnMaxLifetime(30 * time.Minute)
	return &Store{
		DB: db, Clock: clock, hash: newHashing(safeCost), foldings: newFoldings(mostFolded), airs: newAirs(),
		patient: patient,
	}
}

// Migrate brings the database's tables up to this version of the program.
func (s *Store) Migrate(ctx context.Context) error {
	db := stdlib.OpenDB(s.patient)
	defer func() { _ = db.Close() }()
	provider, err := goose.NewProvider(goose.DialectPostgres, db, migrationFiles())
	if err != nil {
		return fmt.Errorf("reading the migrations: %w", err)
	}
	if _, err := provider.Up(ctx); err != nil {
		return fmt.Errorf("migrating the database: %w", err)
	}
	return nil
}

// now is the time of recording, to the microsecond that PostgreSQL keeps.
func (s *Store) now() time.Time { return s.Clock().UTC().Truncate(time.Microsecond) }

// querier is what queries go to.
type querier interface {
	sqlx.QueryerContext
	sqlx.ExecerContext
}

// q is what a query goes to: the transaction that it is part of, or the database.
func (s *Store) q() querier {
	if s.tx != nil {
		return s.tx
	}
	if s.reading != nil {
		return s.reading
	}
	return s.DB
}

// together does several pieces of reading at the same time, each on a connection of its own; one after
// the other within a transaction, which has a single one. The first error ends them all.
func (s *Store) together(ctx context.Context, work ...func(context.Context) error) error {
	g, ctx := errgroup.WithContext(ctx)
	if s.tx != nil {
		g.SetLimit(1)
	}
	for _, one := range work {
		g.Go(func() error { return one(ctx) })
	}
	return g.Wait()
}

// writes is what a statement goes to that writes and gives rows back.
func (s *Store) writes() querier {
	if s.tx != nil {
		return s.tx
	}
	return s.DB
}

// within gives a store whose work is part of a transaction.
func (s *Store) within(tx *sqlx.Tx) *Store {
	return &Store{DB: s.DB, Clock: s.Clock, hash: s.hash, foldings: s.foldings, airs: s.airs, tx: tx, reading: s.reading}
}

// mostTries is how often work is tried whose transaction another one stood in the way
// of.
const mostTries = 3

// inTx runs work in one transaction and commits when it succeeds; within a
// transaction it is part of that one. Work whose transaction PostgreSQL broke off,
// because two waited for each other, is done again.
func (s *Store) inTx(ctx context.Context, work func(*sqlx.Tx) error) (err error) {
	if s.tx != nil {
		return work(s.tx)
	}
	for range mostTries {
		if err = s.tryTx(ctx, work); !brokenOff(err) {
			return err
		}
	}
	return err
}

// brokenOff says whether PostgreSQL broke a transaction off that may be tried again:
// for a deadlock, or because it could not be put in a row with another.
func brokenOff(err error) bool {
	var said *pgconn.PgError
	return errors.As(err, &said) && slices.Contains([]string{"40P01", "40001"}, said.Code)
}

func (s *Store) tryTx(ctx context.Context, work func(*sqlx.Tx) error) error {
	tx, err := s.DB.BeginTxx(ctx, nil)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }()
	if err := work(tx); err != nil {
		return err
	}
	return tx.Commit()
}
