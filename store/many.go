package store

import (
	"context"
	"fmt"
	"slices"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/jmoiron/sqlx"
)

// many reads rows in the order of their columns, into where into points. Of thousands of rows each value takes its
// time: they are read by the driver itself, which neither looks for fields by the names of columns nor makes a value of
// every column first. Days and ids are read with dayTo and idTo, which do not take the way over words. In a transaction
// that only the standard interface knows they are read through that.
func many[T any](ctx context.Context, s *Store, into func(*T) []any, query string, args ...any) (list []T, err error) {
	if s.tx != nil && s.conn == nil {
		rows, err := s.tx.QueryContext(ctx, query, args...)
		if err != nil {
			return nil, err
		}
		defer func() { _ = rows.Close() }()
		return collected(rows, into)
	}
	err = s.driven(ctx, func(conn *pgx.Conn) error {
		rows, err := conn.Query(ctx, query, args...)
		if err != nil {
			return err
		}
		defer rows.Close()
		list, err = collected(rows, into)
		return err
	})
	return list, err
}

// driven does work that reads with a connection of the driver itself: that of the transaction, of the replica, or of
// the database. Where the replica is at fault the work is done again on the database.
func (s *Store) driven(ctx context.Context, work func(*pgx.Conn) error) error {
	if s.conn != nil {
		return raw(s.conn, work)
	}
	if r := s.reading; r != nil && r.up() {
		if err := connected(ctx, r.reads, work); !r.failed(err) {
			return err
		}
	}
	return connected(ctx, s.DB, work)
}

func connected(ctx context.Context, db *sqlx.DB, work func(*pgx.Conn) error) error {
	conn, err := db.Connx(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close() }()
	return raw(conn, work)
}

func raw(conn *sqlx.Conn, work func(*pgx.Conn) error) error {
	return conn.Raw(func(driver any) error {
		known, is := driver.(*stdlib.Conn)
		if !is {
			return fmt.Errorf("the database driver is a %T", driver)
		}
		return work(known.Conn())
	})
}

// scannable are rows of either interface.
type scannable interface {
	Next() bool
	Scan(to ...any) error
	Err() error
}

func collected[T any](rows scannable, into func(*T) []any) ([]T, error) {
	var row T
	fields := into(&row)
	full, part := [][]T{}, make([]T, 0, fewRows)
	for rows.Next() {
		row = *new(T) // nothing is shared with the row before
		if err := rows.Scan(fields...); err != nil {
			return nil, err
		}
		if len(part) == cap(part) {
			full, part = append(full, part), make([]T, 0, manyRows)
		}
		part = append(part, row)
	}
	if len(full) == 0 {
		return part, rows.Err()
	}
	return slices.Concat(append(full, part)...), rows.Err()
}

// Rows are read into parts of so many, and put together once: a list that grows row by row is copied five times over.
const (
	fewRows  = 64
	manyRows = 2048
)
