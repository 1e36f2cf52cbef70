package store

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"strings"
	"time"

	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jmoiron/sqlx"
)

// mostParts is into how many parts a table may be split: each costs a file and a plan.
const mostParts = 256

// yieldsAfter is how long the splitting waits for one table before it lets go of all it holds. It is shorter than
// the second after which PostgreSQL looks for a deadlock, so that it is never others whose work is broken off.
const yieldsAfter = 300 * time.Millisecond

// mostYields is how often the splitting lets others go first before it gives up.
const mostYields = 100

// Partition splits every table of the collections into parts by hash of the collection
// (PostgreSQL's own declarative partitioning), in one transaction: each collection is in
// one part of each table. Tables that are split already stay as they are; it gives how
// many were split. Who works on the database meanwhile waits, or is put off.
func (s *Store) Partition(ctx context.Context, parts int) (split int, err error) {
	if parts < 2 || parts > mostParts {
		return 0, fmt.Errorf("%d parts cannot be made; ask for 2 to %d", parts, mostParts)
	}
	for range mostYields {
		if split, err = s.partition(ctx, parts); !inTheWay(err) {
			return split, err
		}
		select {
		case <-ctx.Done():
			return 0, ctx.Err()
		case <-time.After(rand.N(yieldsAfter)):
		}
	}
	return 0, fmt.Errorf("the tables are in use all the time; stop the server and try again: %w", err)
}

// inTheWay says whether work of others held a table that was wanted.
func inTheWay(err error) bool {
	var said *pgconn.PgError
	return brokenOff(err) || errors.As(err, &said) && said.Code == "55P03"
}

// partition splits the tables once it has all of them for itself.
func (s *Store) partition(ctx context.Context, parts int) (split int, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := lockAll(ctx, tx); err != nil {
			return err
		}
		var tables []string
		err := tx.SelectContext(ctx, &tables, `
			select c.relname from pg_class c join pg_index i on i.indrelid = c.oid and i.indisprimary
				join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
			where c.relnamespace = 'public'::regnamespace and c.relkind = 'r' and not c.relispartition
				and a.attname = 'collection_id' order by c.relname`)
		if err != nil {
			return fmt.Errorf("listing the tables of collections: %w", err)
		}
		split = len(tables)
		return splitTables(ctx, tx, tables, parts)
	})
	return split, err
}

// lockAll takes every table for this transaction alone, in the order in which they were made: a table that others
// refer to before those that do, as whoever records takes them.
func lockAll(ctx context.Context, tx *sqlx.Tx) error {
	var tables []string
	err := tx.SelectContext(ctx, &tables, `
		select c.oid::regclass::text from pg_class c
		where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p') and not c.relispartition order by c.oid`)
	if err != nil {
		return fmt.Errorf("listing the tables: %w", err)
	}
	return run(ctx, tx,
		fmt.Sprintf(`set local lock_timeout = %d`, yieldsAfter.Milliseconds()),
		`lock table `+strings.Join(tables, ", ")+` in access exclusive mode`)
}

// splitTables takes the foreign keys away, splits each table and puts them back.
func splitTables(ctx context.Context, tx *sqlx.Tx, tables []string, parts int) error {
	var keys []struct{ On, Name, Def string }
	err := tx.SelectContext(ctx, &keys, `
		select conrelid::regclass::text as on, conname as name, pg_get_constraintdef(oid) as def from pg_constraint
		where contype = 'f' and conparentid = 0
			and (conrelid = any(select ('public.' || quote_ident(t))::regclass from unnest($1::text[]) t)
				or confrelid = any(select ('public.' || quote_ident(t))::regclass from unnest($1::text[]) t))
		order by conrelid, conname`, tables)
	if err != nil {
		return fmt.Errorf("listing the foreign keys: %w", err)
	}
	for _, k := range keys {
		if err := run(ctx, tx, `alter table `+k.On+` drop constraint `+k.Name); err != nil {
			return err
		}
	}
	for _, table := range tables {
		if err := splitTable(ctx, tx, table, parts); err != nil {
			return err
		}
	}
	for _, k := range keys {
		if err := run(ctx, tx, `alter table `+k.On+` add constraint `+k.Name+` `+k.Def); err != nil {
			return err
		}
	}
	return nil
}

// splitTable makes a table of the same columns, keys, indexes and triggers in parts, and
// moves the rows over.
func splitTable(ctx context.Context, tx *sqlx.Tx, table string, parts int) error {
	of := []any{"public." + table}
	var key struct{ Name, Def string }
	if err := tx.GetContext(ctx, &key, `select conname as name, pg_get_constraintdef(oid) as def from pg_constraint
		where conrelid = $1::regclass and contype = 'p'`, of...); err != nil {
		return fmt.Errorf("reading the key of %s: %w", table, err)
	}
	var indexes []struct{ Name, Def string }
	if err := tx.SelectContext(ctx, &indexes, `
		select indexrelid::regclass::text as name, pg_get_indexdef(indexrelid) as def from pg_index
		where indrelid = $1::regclass and not indisprimary order by 1`, of...); err != nil {
		return fmt.Errorf("reading the indexes of %s: %w", table, err)
	}
	var triggers []string
	if err := tx.SelectContext(ctx, &triggers, `select pg_get_triggerdef(oid) from pg_trigger
		where tgrelid = $1::regclass and not tgisinternal order by tgname`, of...); err != nil {
		return fmt.Errorf("reading the triggers of %s: %w", table, err)
	}
	whole := table + "_whole"
	statements := []string{
		`alter table ` + table + ` rename to ` + whole,
		`alter table ` + whole + ` drop constraint ` + key.Name,
	}
	for _, i := range indexes {
		statements = append(statements, `drop index `+i.Name)
	}
	statements = append(statements,
		`create table `+table+` (like `+whole+` including all) partition by hash (collection_id)`)
	for i := range parts {
		statements = append(statements, fmt.Sprintf(
			`create table %s_%d partition of %s for values with (modulus %d, remainder %d)`, table, i, table, parts, i))
	}
	statements = append(statements,
		`insert into `+table+` select * from `+whole, `drop table `+whole,
		`alter table `+table+` add constraint `+key.Name+` `+key.Def)
	for _, i := range indexes {
		statements = append(statements, i.Def)
	}
	return run(ctx, tx, append(statements, triggers...)...)
}

// run sends statements that are made of names which the database itself gave.
func run(ctx context.Context, tx *sqlx.Tx, statements ...string) error {
	for _, statement := range statements {
		if _, err := tx.ExecContext(ctx, statement); err != nil {
			return fmt.Errorf("%s: %w", statement, err)
		}
	}
	return nil
}
