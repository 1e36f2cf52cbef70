package store

import (
	"context"
	"fmt"

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

// KinBy gives plants by name; those that the collection does not have are missing.
func (s *Store) KinBy(ctx context.Context, collection uuid.UUID, ids ...uuid.UUID) (map[uuid.UUID]Kin, error) {
	list := []Kin{}
	err := sqlx.SelectContext(ctx, s.q(), &list,
		`select id, name, standing from plants where collection_id = $1 and id = any($2)`, collection, idsOf(ids))
	if err != nil {
		return nil, fmt.Errorf("reading what plants are called: %w", err)
	}
	all := map[uuid.UUID]Kin{}
	for _, k := range list {
		all[k.ID] = k
	}
	return all, nil
}

// KinOf gives a plant by name; false where the collection has no such plant.
func (s *Store) KinOf(ctx context.Context, collection, id uuid.UUID) (kin Kin, found bool, err error) {
	all, err := s.KinBy(ctx, collection, id)
	kin, found = all[id]
	return kin, found, err
}
