package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"

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
func (s *Store) ConfirmedCases(ctx context.Context, collection uuid.UUID, from day.Day) ([]ConfirmedCase, error) {
	rows, err := since[record.Confirmation](ctx, s.q(), "confirmations", collection, from)
	if err != nil {
		return nil, fmt.Errorf("listing the confirmed cases: %w", err)
	}
	cases := make([]ConfirmedCase, len(rows))
	for i, r := range rows {
		cases[i] = ConfirmedCase{r.ID, r.Name, r.One.V}
	}
	return cases, nil
}
