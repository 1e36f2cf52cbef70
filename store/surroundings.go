package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/place"
	"tendermend/record"
)

// surroundings are what a collection tells of every plant beside its record: the air of its
// places, and when nobody was at home.
type surroundings struct {
	Airs  asJSON[map[uuid.UUID]place.YearAir] `db:"airs"`
	Aways asJSON[[]record.Away]               `db:"aways"`
}

// surround reads the surroundings of a collection.
func surround(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (x surroundings, err error) {
	err = sqlx.GetContext(ctx, q, &x, `select
		coalesce((select jsonb_object_agg(id, air) from places where collection_id = $1 and air is not null), '{}') as airs,
		coalesce((select jsonb_agg(jsonb_build_object('from', from_day, 'back', back_day) order by from_day, id)
			from trips where collection_id = $1), '[]') as aways`, collection)
	if err != nil {
		return x, fmt.Errorf("reading the air of places, and who was away: %w", err)
	}
	return x, nil
}

// told is a state with its surroundings: what it remembers was worked out without them.
func (x surroundings) told(s record.State) record.State {
	s = s.Apiece()
	s.Airs, s.Aways = x.Airs.V, x.Aways.V
	return s
}
