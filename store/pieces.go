package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/pieces"
	"tendermend/record"
)

// Relative is a plant of a family.
type Relative struct {
	ID         uuid.UUID                  `db:"id"`
	Name       string                     `db:"name"`
	Label      string                     `db:"label"`
	Standing   string                     `db:"standing"`
	Place      string                     `db:"place_name"`
	CameOn     day.Day                    `db:"arrived_on"`
	Mother     *uuid.UUID                 `db:"mother_id"`
	BatchOf    *uuid.UUID                 `db:"batch_of"`
	Batch      asJSON[*record.Batch]      `db:"batch"`
	Suspected  asJSON[[]record.Suspicion] `db:"suspected"`
	Generation int                        `db:"generation"`
}

// mostRelatives is how many plants of a family are listed.
const mostRelatives = 300

// Family gives the oldest ancestor of a plant here and all that came of it, by
// generation; the plant alone where it has no kin. It is empty where the collection has
// no such plant.
func (s *Store) Family(ctx context.Context, collection, plant uuid.UUID) ([]Relative, error) {
	list := []Relative{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `
		with recursive up as (
			select id, mother_id, 0 as step from plants where collection_id = $1 and id = $2
			union all
			select p.id, p.mother_id, up.step + 1 from up join plants p on p.collection_id = $1 and p.id = up.mother_id
				where up.step < 12),
		root as (select id from up order by step desc limit 1),
		down as (
			select id, 0 as generation from root
			union all
			select p.id, down.generation + 1 from down join plants p on p.collection_id = $1 and p.mother_id = down.id
				where down.generation < 12)
		select p.id, p.name, p.label, p.standing, coalesce(pl.name, '') as place_name, p.arrived_on, p.mother_id,
			p.batch_of, coalesce(p.batch, 'null') as batch, p.suspected, min(down.generation) as generation
		from down join plants p on p.collection_id = $1 and p.id = down.id
			left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.here group by p.collection_id, p.id, pl.name
		order by generation, p.arrived_on, p.natural_name, p.id limit $3`, collection, plant, mostRelatives)
	if err != nil {
		return nil, fmt.Errorf("reading a family: %w", err)
	}
	return list, nil
}

// Batches gives what has become of every batch of pieces.
func (s *Store) Batches(ctx context.Context, collection uuid.UUID) ([]pieces.Outcome, error) {
	var rows []struct {
		Kind  string               `db:"profile"`
		Batch asJSON[record.Batch] `db:"batch"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select profile, batch from plants where collection_id = $1 and batch is not null and here`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading batches of pieces: %w", err)
	}
	list := make([]pieces.Outcome, len(rows))
	for i, r := range rows {
		list[i] = r.Batch.V.Outcome(r.Kind)
	}
	return list, nil
}
