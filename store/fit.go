package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
)

// StandsAt is a plant with where it stands.
type StandsAt struct {
	ID        uuid.UUID  `db:"id"`
	Name      string     `db:"name"`
	Kind      string     `db:"profile"`
	Habit     string     `db:"habit"`
	Place     *uuid.UUID `db:"place_id"`
	Isolation string     `db:"isolation"`
	Apart     bool       `db:"apart"` // kept apart, or there is a reason to
}

// Standing lists the plants that are here, with where each stands, as they were entered.
func (s *Store) Standing(ctx context.Context, collection uuid.UUID) ([]StandsAt, error) {
	list, err := many(ctx, s, func(p *StandsAt) []any {
		return []any{idTo{&p.ID}, &p.Name, &p.Kind, &p.Habit, maybeIDTo{&p.Place}, &p.Isolation, &p.Apart}
	}, `select id, name, profile, habit, place_id, isolation, apart
		from plants where collection_id = $1 and here and standing not in ('lost', 'given-away')
		order by id`, collection)
	if err != nil {
		return nil, fmt.Errorf("listing where plants stand: %w", err)
	}
	return list, nil
}
