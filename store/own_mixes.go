package store

import (
	"context"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/bench"
)

const mixesKey = "mixes"

// OwnMixes gives the media and recipes of a collection's own.
func (s *Store) OwnMixes(ctx context.Context, collection uuid.UUID) (bench.Own, error) {
	own, _, err := loadSetting[bench.Own](ctx, s.q(), collection, mixesKey)
	return own, err
}

// ChangeOwnMixes keeps a new version of them; who changes another one at the same time waits.
func (s *Store) ChangeOwnMixes(
	ctx context.Context,
	a Account,
	change func(bench.Own) (bench.Own, error),
) (own bench.Own, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		in := s.within(tx)
		if err := lockSettings(ctx, tx, a.Collection.ID); err != nil {
			return err
		}
		if own, err = in.OwnMixes(ctx, a.Collection.ID); err != nil {
			return err
		}
		if own, err = change(own); err != nil {
			return err
		}
		return in.saveSetting(ctx, a, mixesKey, own)
	})
	return own, err
}
