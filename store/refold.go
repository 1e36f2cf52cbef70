package store

import (
	"context"
	"fmt"

	"tendermend/core/plant"
	"tendermend/record"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// foldEdition counts the changes of what is folded into the lists. It goes up with
// every change after which the same record gives other rows.
const foldEdition = 22

// Refold rebuilds the lists from the record where another edition of the program
// wrote them, and gives the number of plants; 0 where they are of this one.
func (s *Store) Refold(ctx context.Context) (int, error) {
	var edition int
	const now = `select coalesce((select edition from folded), 0)`
	if err := sqlx.GetContext(ctx, s.q(), &edition, now); err != nil {
		return 0, fmt.Errorf("asking how the lists were folded: %w", err)
	}
	if edition == foldEdition {
		return 0, nil
	}
	n, err := s.Recompute(ctx)
	if err != nil {
		return n, err
	}
	_, err = s.DB.ExecContext(ctx, `insert into folded (edition) values ($1)
		on conflict (one) do update set edition = excluded.edition`, foldEdition)
	return n, err
}

// Recompute rebuilds what lists need from the entries of every collection and
// gives the number of plants.
func (s *Store) Recompute(ctx context.Context) (int, error) {
	var collections []Collection
	err := sqlx.SelectContext(ctx, s.q(), &collections, `select id, name, time_zone, south from collections`)
	if err != nil {
		return 0, err
	}
	done := 0
	for _, c := range collections {
		n, err := s.RecomputeOf(ctx, c)
		if done += n; err != nil {
			return done, err
		}
	}
	return done, nil
}

// RecomputeOf rebuilds what lists need of one collection and gives the number of its plants.
func (s *Store) RecomputeOf(ctx context.Context, c Collection) (done int, err error) {
	if err := s.RemakeAir(ctx, c, c.Today(s.now())); err != nil {
		return 0, err
	}
	// All of them are written anew here.
	if _, err := s.q().ExecContext(ctx, `update places set air_left = null
		where collection_id = $1 and air_left is not null`, c.ID); err != nil {
		return 0, err
	}
	kinds, err := loadKinds(ctx, s.q(), c.ID, true)
	if err != nil {
		return 0, err
	}
	var ids []uuid.UUID
	if err := sqlx.SelectContext(ctx, s.q(), &ids, `select id from plants where collection_id = $1`, c.ID); err != nil {
		return 0, err
	}
	around, err := surround(ctx, s.q(), c.ID)
	if err != nil {
		return 0, err
	}
	if err := s.writeSuspects(ctx, c.ID, ids, kinds); err != nil {
		return 0, err
	}
	for _, id := range ids {
		err := s.inTx(ctx, func(tx *sqlx.Tx) error {
			var locked uuid.UUID
			const lock = `select id from plants where collection_id = $1 and id = $2 for update`
			if err := tx.GetContext(ctx, &locked, lock, c.ID, id); err != nil {
				return err
			}
			entries, err := loadEntries(ctx, tx, c.ID, id)
			if err != nil {
				return err
			}
			return project(ctx, tx, c, record.Fold(id, entries, kinds), around)
		})
		if err != nil {
			return done, fmt.Errorf("recomputing plant %s: %w", id, err)
		}
		done++
	}
	return done, nil
}

// writeSuspects writes anew what each plant of a collection is suspected of, before
// its lists are: those of a plant rest on what came with it.
func (s *Store) writeSuspects(ctx context.Context, c uuid.UUID, ids []uuid.UUID, kinds plant.Kinds) error {
	for _, id := range ids {
		entries, err := loadEntries(ctx, s.q(), c, id)
		if err != nil {
			return err
		}
		state := record.Fold(id, entries, kinds)
		_, err = s.q().ExecContext(ctx, `update plants set source = $3, arrived_on = $4, suspected = $5
			where collection_id = $1 and id = $2`,
			c, id, sourceOf(state.Arrival), state.ArrivedOn, asJSON[[]record.Suspicion]{state.Suspected()})
		if err != nil {
			return fmt.Errorf("writing what plant %s is suspected of: %w", id, err)
		}
	}
	return nil
}
