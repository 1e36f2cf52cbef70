package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
)

// onPlant is something of a plant that its row keeps in a list.
type onPlant[T any] struct {
	ID    uuid.UUID `db:"id"`
	Name  string    `db:"name"`
	One   asJSON[T] `db:"one"`
	Order day.Day   `db:"on_day"`
}

// since lists what a column of the plants' rows holds since a day, the newest first. The
// column is named by the program, and never by who asks.
func since[T any](
	ctx context.Context, q sqlx.QueryerContext, column string, collection uuid.UUID, from day.Day,
) (rows []onPlant[T], err error) {
	err = sqlx.SelectContext(ctx, q, &rows, fmt.Sprintf(`
		select p.id, p.name, one, (one->>'on')::date as on_day from plants p, jsonb_array_elements(p.%[1]s) one
		where p.collection_id = $1 and p.here and p.%[1]s <> '[]' and (one->>'on')::date >= $2
		order by on_day desc, p.id`, column), collection, from)
	return rows, err
}
