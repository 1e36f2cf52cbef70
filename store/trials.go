package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/told"
)

// Trials gives what was tried on the plants of a collection since a day, the newest first.
func (s *Store) Trials(ctx context.Context, collection uuid.UUID, from day.Day) ([]told.TriedOn, error) {
	rows, err := since[record.Trial](ctx, s.q(), "trials", collection, from)
	if err != nil {
		return nil, fmt.Errorf("listing the trials: %w", err)
	}
	list := make([]told.TriedOn, len(rows))
	for i, r := range rows {
		list[i] = told.TriedOn{Plant: r.ID, Name: r.Name, Trial: r.One.V}
	}
	return list, nil
}
