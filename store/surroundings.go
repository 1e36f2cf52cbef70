package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
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

// What the surroundings of a collection, $1, are read from.
const (
	airsThere = `coalesce((select jsonb_object_agg(id, air) from places
		where collection_id = $1 and air is not null), '{}')`
	awaysThen = `coalesce((select jsonb_agg(jsonb_build_object('from', from_day, 'back', back_day)
		order by from_day, id) from trips where collection_id = $1), '[]')`
)

// surround reads the surroundings of a collection.
func surround(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (x surroundings, err error) {
	err = sqlx.GetContext(ctx, q, &x, `select `+airsThere+` as airs, `+awaysThen+` as aways`, collection)
	return x, surroundingsRead(err)
}

func surroundingsRead(err error) error {
	if err != nil {
		return fmt.Errorf("reading the air of places, and who was away: %w", err)
	}
	return nil
}

// airsOf are the years of a collection's places, and of which rows they were read. Others read the same ones:
// nobody writes to them.
type airsOf struct {
	rows string
	airs asJSON[map[uuid.UUID]place.YearAir]
}

// airsKept keeps them by collection.
type airsKept = lru.Cache[uuid.UUID, airsOf]

// mostAirs is of how many collections they are kept.
const mostAirs = 256

func newAirs() *airsKept {
	kept, err := lru.New[uuid.UUID, airsOf](mostAirs)
	if err != nil {
		panic(err) // a size below one
	}
	return kept
}

// around reads the surroundings of a collection, and the air of its places only where a row of them is another
// than when it was read last: each plant that is looked at asks for them, and each entry. Within a transaction
// nothing is kept.
func (s *Store) around(ctx context.Context, collection uuid.UUID) (surroundings, error) {
	return s.aroundBy(ctx, s.q(), collection, s.tx == nil)
}

// aroundBy reads them by any connection, and keeps what it read where that is asked for.
func (s *Store) aroundBy(
	ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID, keep bool,
) (surroundings, error) {
	if s.airs == nil {
		return surround(ctx, q, collection)
	}
	known, _ := s.airs.Get(collection)
	var x struct {
		surroundings
		Rows string `db:"rows"`
	}
	err := sqlx.GetContext(ctx, q, &x, `with versions as (
			select coalesce(md5(string_agg(concat_ws(' ', id, xmin, ctid), ',' order by id)), '') as rows
			from places where collection_id = $1 and air is not null)
		select versions.rows, case when versions.rows = $2 then 'null' else `+airsThere+` end as airs,
			`+awaysThen+` as aways from versions`, collection, known.rows)
	if err != nil {
		return x.surroundings, surroundingsRead(err)
	}
	switch {
	case x.Rows == known.rows:
		x.Airs = known.airs
	case keep:
		s.airs.Add(collection, airsOf{x.Rows, x.Airs})
	}
	return x.surroundings, nil
}

// of is what stands around a plant that came with these.
func (x surroundings) of(sisters []record.Sister) record.Around {
	return record.Around{Sisters: sisters, Airs: x.Airs.V, Aways: x.Aways.V}
}
