package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// ofCollections are the tables that hold a collection's rows, those that point to
// others first.
var ofCollections = []string{
	"calendar_links", "trip_links", "trip_versions", "trips",
	"supply_moves", "supplies", "settings", "pictures", "passed_stages", "plant_cases", "stays", "hands",
	"due_loads",
	"taken_cases", "entries",
	"plants", "place_changes", "place_readings", "place_days", "place_lights", "places", "kinds",
}

// ofUsers are the tables that hold what belongs to a person.
var ofUsers = []string{"recovery_codes", "reset_links", "user_sessions", "sign_in_callers", "members"}

// Erase deletes an account with everything in the collections in which nobody else
// works: the one way in which anything recorded is ever taken away, and only by its
// owner.
func (s *Store) Erase(ctx context.Context, user User) error {
	defer s.forget() // nothing of it stays in memory either
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		var own []uuid.UUID
		err := tx.SelectContext(ctx, &own, `select m.collection_id from members m where m.user_id = $1 and not exists (
			select from members o where o.collection_id = m.collection_id and o.user_id <> $1)`, user.ID)
		if err != nil {
			return fmt.Errorf("looking for the collections: %w", err)
		}
		for _, c := range own {
			if _, err := tx.ExecContext(ctx, `select set_config('tendermend.erases', $1, true)`, c.String()); err != nil {
				return err
			}
			for _, table := range ofCollections {
				if _, err := tx.ExecContext(ctx, `delete from `+table+` where collection_id = $1`, c); err != nil {
					return fmt.Errorf("erasing %s: %w", table, err)
				}
			}
			if _, err := tx.ExecContext(ctx, `delete from members where collection_id = $1`, c); err != nil {
				return fmt.Errorf("erasing the members: %w", err)
			}
			if _, err := tx.ExecContext(ctx, `delete from collections where id = $1`, c); err != nil {
				return fmt.Errorf("erasing the collection: %w", err)
			}
		}
		for _, table := range ofUsers {
			if _, err := tx.ExecContext(ctx, `delete from `+table+` where user_id = $1`, user.ID); err != nil {
				return fmt.Errorf("erasing %s: %w", table, err)
			}
		}
		if _, err := tx.ExecContext(ctx, `delete from sign_in_tries where email = lower($1)`, user.Email); err != nil {
			return fmt.Errorf("erasing the tries: %w", err)
		}
		var left bool
		const recorded = `select exists (select from entries where by_user = $1)`
		if err := tx.GetContext(ctx, &left, recorded, user.ID); err != nil {
			return err
		}
		if left {
			// What was recorded in a collection of others stays theirs, without a person.
			_, err = tx.ExecContext(ctx, `update users set email = $2, name = 'Somebody who left', password_hash = '',
				totp_secret = null, totp_pending = null where id = $1`, user.ID, "left:"+user.ID.String())
		} else {
			_, err = tx.ExecContext(ctx, `delete from users where id = $1`, user.ID)
		}
		if err != nil {
			return fmt.Errorf("erasing the account: %w", err)
		}
		return nil
	})
}
