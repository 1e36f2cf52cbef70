package store

import (
	"context"

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
	list = []T{}
	var row T
	fields := into(&row)
	for rows.Next() {
		row = *new(T) // nothing is shared with the row before
		if err := rows.Scan(fields...); err != nil {
			return nil, err
		}
		list = append(list, row)
	}
	return list, rows.Err()
}
