package store

import (
	"context"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/exchange/list"
)

// Here gives what a list that somebody typed comes into.
func (s *Store) Here(ctx context.Context, collection uuid.UUID, today day.Day) (here list.Here, err error) {
	here.Today = today
	if here.Kinds, err = s.Kinds(ctx, collection); err != nil {
		return here, err
	}
	here.Plants, err = s.Registered(ctx, collection)
	return here, err
}
