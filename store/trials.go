package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/told"
)

// Trials gives what was tried on the plants of a collection since a day, the newest first.
func (s *Store) Trials(ctx context.Context, collection uuid.UUID, since day.Day) ([]told.TriedOn, error) {
	var rows []struct {
		ID    uuid.UUID            `db:"id"`
		Name  string               `db:"name"`
		Trial asJSON[record.Trial] `db:"one"`
		Order day.Day              `db:"on_day"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select p.id, p.name, one, (one->>'on')::date as on_day from plants p, jsonb_array_elements(p.trials) one
		where p.collection_id = $1 and p.here and p.trials <> '[]' and (one->>'on')::date >= $2
		order by on_day desc, p.id`, collection, since)
	if err != nil {
		return nil, fmt.Errorf("listing the trials: %w", err)
	}
	list := make([]told.TriedOn, len(rows))
	for i, r := range rows {
		list[i] = told.TriedOn{Plant: r.ID, Name: r.Name, Trial: r.Trial.V}
	}
	return list, nil
}
