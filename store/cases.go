package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
)

// ConfirmedCase is a plant's trouble that somebody confirmed, beside what was
// said first.
type ConfirmedCase struct {
	Plant uuid.UUID
	Name  string
	record.Confirmation
}

// ConfirmedCases lists the collection's confirmed cases, newest first, those
// that happened on or after a day.
func (s *Store) ConfirmedCases(ctx context.Context, collection uuid.UUID, since day.Day) ([]ConfirmedCase, error) {
	var rows []struct {
		ID    uuid.UUID                   `db:"id"`
		Name  string                      `db:"name"`
		Case  asJSON[record.Confirmation] `db:"one"`
		Order day.Day                     `db:"on_day"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select p.id, p.name, one, (one->>'on')::date as on_day from plants p, jsonb_array_elements(p.confirmations) one
		where p.collection_id = $1 and p.here and p.confirmations <> '[]' and (one->>'on')::date >= $2
		order by on_day desc, p.id`, collection, since)
	if err != nil {
		return nil, fmt.Errorf("listing the confirmed cases: %w", err)
	}
	cases := make([]ConfirmedCase, len(rows))
	for i, r := range rows {
		cases[i] = ConfirmedCase{r.ID, r.Name, r.Case.V}
	}
	return cases, nil
}
