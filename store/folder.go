package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/exchange/folder"
)

// Called lists the plants by what they are called, those that have left too.
func (s *Store) Called(ctx context.Context, collection uuid.UUID) ([]folder.Whose, error) {
	var rows []struct {
		ID    uuid.UUID `db:"id"`
		Name  string    `db:"name"`
		Label string    `db:"label"`
		On    day.Day   `db:"arrived_on"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows,
		`select id, name, label, arrived_on from plants where collection_id = $1 and here order by id`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading what plants are called: %w", err)
	}
	list := make([]folder.Whose, len(rows))
	for i, r := range rows {
		list[i] = folder.Whose(r)
	}
	return list, nil
}

// PicturesHere says which pictures were kept before.
func (s *Store) PicturesHere(ctx context.Context, collection uuid.UUID, ids []uuid.UUID) (map[uuid.UUID]bool, error) {
	var here []uuid.UUID
	err := sqlx.SelectContext(ctx, s.q(), &here,
		`select id from pictures where collection_id = $1 and id = any($2)`, collection, idsOf(ids))
	if err != nil {
		return nil, fmt.Errorf("asking which pictures are here: %w", err)
	}
	return setOf(here), nil
}
