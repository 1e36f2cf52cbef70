package store

import (
	"context"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/exchange"
	"tendermend/exchange/list"
)

// Here gives what a list that somebody typed comes into.
func (s *Store) Here(ctx context.Context, collection uuid.UUID, today day.Day) (list.Here, error) {
	kinds, err := s.Kinds(ctx, collection)
	plants := func() ([]exchange.Registered, error) { return s.Registered(ctx, collection) }
	return list.Here{Kinds: kinds, Plants: plants, Today: today}, err
}
