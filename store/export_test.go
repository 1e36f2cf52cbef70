package store

import (
	"context"

	"github.com/jmoiron/sqlx"
)

// InTx does work in a transaction that writes.
func (s *Store) InTx(ctx context.Context, work func(*Store) error) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error { return work(s.within(tx)) })
}
