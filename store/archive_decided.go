package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/bench"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/place"
	"tendermend/exchange"
)

// archivedDecided gives what a collection decided for all its plants; nil where nobody decided
// anything.
func archivedDecided(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (*exchange.Decided, error) {
	var d exchange.Decided
	routine, _, err := loadSetting[Routine](ctx, q, collection, routineKey)
	if err != nil {
		return nil, err
	}
	d.Off = routine.Off
	if d.Household, err = decided[facts.Household](ctx, q, collection, householdKey); err != nil {
		return nil, err
	}
	if d.Mixes, err = decided[bench.Own](ctx, q, collection, mixesKey); err != nil {
		return nil, err
	}
	if d.Forecast, err = decided[place.NightForecast](ctx, q, collection, forecastKey); err != nil {
		return nil, err
	}
	if d.Learning, err = decided[diagnosis.Switches](ctx, q, collection, switchesKey); err != nil {
		return nil, err
	}
	if len(d.Off) == 0 && d.Household == nil && d.Mixes == nil && d.Forecast == nil && d.Learning == nil {
		return nil, nil //nolint:nilnil // nothing was decided
	}
	return &d, nil
}

// decided is a setting, nil where nobody set it.
func decided[T any](ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID, key string) (*T, error) {
	value, said, err := loadSetting[T](ctx, q, collection, key)
	if err != nil || !said {
		return nil, err
	}
	return &value, nil
}

// importDecided takes over what another collection decided where nobody here has decided
// otherwise: what stands is left alone, own media and recipes of other names come beside it.
func (s *Store) importDecided(ctx context.Context, tx *sqlx.Tx, a Account, d *exchange.Decided) error {
	if d == nil {
		return nil
	}
	var routine *Routine
	if len(d.Off) > 0 {
		routine = &Routine{d.Off}
	}
	if err := decide(ctx, s, tx, a, routineKey, routine); err != nil {
		return err
	}
	if err := decide(ctx, s, tx, a, householdKey, d.Household); err != nil {
		return err
	}
	if err := decide(ctx, s, tx, a, forecastKey, d.Forecast); err != nil {
		return err
	}
	if err := decide(ctx, s, tx, a, switchesKey, d.Learning); err != nil {
		return err
	}
	if d.Mixes == nil {
		return nil
	}
	own, err := s.OwnMixes(ctx, a.Collection.ID)
	if err != nil {
		return err
	}
	both, err := own.And(*d.Mixes)
	if err != nil || len(both.Media) == len(own.Media) && len(both.Recipes) == len(own.Recipes) {
		return err
	}
	return s.saveSetting(ctx, a, mixesKey, both)
}

// decide keeps a setting where there is one and nobody here has set it.
func decide[T any](ctx context.Context, s *Store, tx *sqlx.Tx, a Account, key string, value *T) error {
	if value == nil {
		return nil
	}
	if _, said, err := loadSetting[T](ctx, tx, a.Collection.ID, key); err != nil || said {
		return err
	}
	return s.saveSetting(ctx, a, key, *value)
}

// importTrips takes times away over; a trip that is here already is left alone. The links of
// sitters stay where they were made.
func (s *Store) importTrips(ctx context.Context, tx *sqlx.Tx, a Account, trips []exchange.Trip) error {
	for _, t := range trips {
		if err := s.AddTrip(ctx, a, t); err != nil {
			return err
		}
		if !t.Ended {
			continue
		}
		if _, err := tx.ExecContext(ctx, `update trips set ended = true where collection_id = $1 and id = $2 and not ended`,
			a.Collection.ID, t.ID); err != nil {
			return fmt.Errorf("ending a trip: %w", err)
		}
	}
	return nil
}
