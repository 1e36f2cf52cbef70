package store

import (
	"context"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Kin is a plant by name: a mother, or a piece of one.
type Kin struct {
	ID       uuid.UUID `db:"id" json:"id"`
	Name     string    `db:"name" json:"name"`
	Standing string    `db:"standing" json:"standing"`
}

// Children lists the pieces that were taken of a plant, oldest first.
func (s *Store) Children(ctx context.Context, collection, mother uuid.UUID) ([]Kin, error) {
	kin := []Kin{}
	err := sqlx.SelectContext(
		ctx, s.q(),
		&kin,
		`select id, name, standing from plants where collection_id = $1 and mother_id = $2 and here
		order by arrived_on, id`,
		collection,
		mother,
	)
	return kin, err
}

// KinOf gives a plant by name; false where the collection has no such plant.
func (s *Store) KinOf(ctx context.Context, collection, id uuid.UUID) (kin Kin, found bool, err error) {
	list := []Kin{}
	err = sqlx.SelectContext(
		ctx, s.q(),
		&list,
		`select id, name, standing from plants where collection_id = $1 and id = $2`,
		collection,
		id,
	)
	if err != nil || len(list) == 0 {
		return Kin{}, false, err
	}
	return list[0], true, nil
}
