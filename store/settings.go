package store

import (
	"context"
	"encoding/json"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/facts"
)

const householdKey = "household"

// choicesKey names a person's usual choices.
func choicesKey(user uuid.UUID) string { return "choices:" + user.String() }

// Household gives who lives where the collection stands, and whether anybody
// said so yet.
func (s *Store) Household(ctx context.Context, collection uuid.UUID) (h facts.Household, known bool, err error) {
	return loadSetting[facts.Household](ctx, s.q(), collection, householdKey)
}

// LivesThere gives who is taken to live there: what was said, else what is careful.
func (s *Store) LivesThere(ctx context.Context, collection uuid.UUID) (facts.Household, error) {
	return livesThere(ctx, s.q(), collection)
}

func livesThere(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (facts.Household, error) {
	home, told, err := loadSetting[facts.Household](ctx, q, collection, householdKey)
	if !told {
		home = facts.CarefulHousehold()
	}
	return home, err
}

// Choices gives the sides that a person usually takes where the trade disagrees.
func (s *Store) Choices(ctx context.Context, a Account) (map[string]string, error) {
	choices, _, err := loadSetting[map[string]string](ctx, s.q(), a.Collection.ID, choicesKey(a.User.ID))
	if choices == nil {
		choices = map[string]string{}
	}
	return choices, err
}

// SaveHousehold keeps a new version of who lives there.
func (s *Store) SaveHousehold(ctx context.Context, a Account, h facts.Household) error {
	return s.saveSetting(ctx, a, householdKey, h)
}

// SaveChoices keeps a new version of a person's usual choices.
func (s *Store) SaveChoices(ctx context.Context, a Account, choices map[string]string) error {
	return s.saveSetting(ctx, a, choicesKey(a.User.ID), choices)
}

func loadSetting[T any](
	ctx context.Context,
	q sqlx.QueryerContext,
	collection uuid.UUID,
	key string,
) (value T, known bool, err error) {
	var rows []json.RawMessage
	if err := sqlx.SelectContext(ctx, q, &rows, `select body from settings
		where collection_id = $1 and key = $2 order by version desc limit 1`, collection, key); err != nil {
		return value, false, fmt.Errorf("reading settings: %w", err)
	}
	if len(rows) == 0 {
		return value, false, nil
	}
	return value, true, json.Unmarshal(rows[0], &value)
}

func (s *Store) saveSetting(ctx context.Context, a Account, key string, value any) error {
	body, err := json.Marshal(value)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := lockSettings(ctx, tx, a.Collection.ID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `
			insert into settings (collection_id, key, version, body, recorded_at, by_user)
			select $1, $2, 1 + coalesce(max(version), 0), $3, $4, $5 from settings where collection_id = $1 and key = $2`,
			a.Collection.ID, key, body, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("saving settings: %w", err)
		}
		return nil
	})
}

// lockSettings has writers of one collection's settings wait for each other.
func lockSettings(ctx context.Context, tx *sqlx.Tx, collection uuid.UUID) error {
	_, err := tx.ExecContext(ctx, `select from collections where id = $1 for no key update`, collection)
	return err
}
