package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Place is a room, a shelf or a corner where plants stand.
type Place struct {
	ID        uuid.UUID `db:"id" json:"id"`
	Name      string    `db:"name" json:"name"`
	Light     string    `db:"light" json:"light" doc:"Its light in words."`
	Position  int       `db:"position" json:"position" doc:"Its turn on the walk."`
	Isolation bool      `db:"isolation" json:"isolation" doc:"Whether plants here are kept apart; walked last."`
	Plants    int       `db:"plants" json:"plants"`
}

// Places lists a collection's places in the order of the walk.
func (s *Store) Places(ctx context.Context, collection uuid.UUID) ([]Place, error) {
	places := []Place{}
	err := sqlx.SelectContext(ctx, s.q(), &places, `
		select p.id, p.name, p.light, p.position, p.isolation,
			(select count(*) from plants x where x.collection_id = p.collection_id and x.place_id = p.id and x.here) as plants
		from places p where p.collection_id = $1 order by p.isolation, p.position, p.name`, collection)
	return places, err
}

// AddPlace adds a place at the end of the walk. Adding the same id again does
// nothing; ErrConflict means that the name is taken.
func (s *Store) AddPlace(ctx context.Context, collection uuid.UUID, p Place) error {
	_, err := s.q().ExecContext(ctx, `
		insert into places (collection_id, id, name, light, isolation, position)
		values ($1, $2, $3, $4, $5, 1 + coalesce((select max(position) from places where collection_id = $1), 0))
		on conflict (collection_id, id) do nothing`, collection, p.ID, p.Name, p.Light, p.Isolation)
	if isUnique(err) {
		return ErrConflict
	}
	if err != nil {
		return fmt.Errorf("adding a place: %w", err)
	}
	return nil
}

func (s *Store) hasPlace(ctx context.Context, collection, place uuid.UUID) (there bool, err error) {
	err = sqlx.GetContext(
		ctx,
		s.q(),
		&there,
		`select exists (select from places where collection_id = $1 and id = $2)`,
		collection,
		place,
	)
	return there, err
}

// PlaceName gives a place's name.
func (s *Store) PlaceName(ctx context.Context, collection, place uuid.UUID) (name string, err error) {
	err = sqlx.GetContext(
		ctx, s.q(),
		&name,
		`select name from places where collection_id = $1 and id = $2`,
		collection,
		place,
	)
	return name, err
}
