package store

import (
	"context"
	"slices"

	"github.com/jmoiron/sqlx"
)

// many reads rows in the order of their columns, into where into points: of thousands of rows each
// takes its time, and finding fields by the names of columns takes a third of it. Ids are asked for as their sixteen
// bytes, with uuid_send: as words they are written and read again.
func many[T any](
	ctx context.Context, q sqlx.QueryerContext, into func(*T) []any, query string, args ...any,
) (list []T, err error) {
	rows, err := q.QueryxContext(ctx, query, args...)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
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
