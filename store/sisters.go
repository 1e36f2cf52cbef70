package store

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
)

// origin is what plants that came together share: a source and a day.
type origin struct {
	Source string   `db:"source"`
	On     *day.Day `db:"arrived_on"`
}

// known says whether anything is known of where it came from.
func (o origin) known() bool { return o.Source != "" && o.On != nil }

// originOf is where a plant came from, and when.
func originOf(s record.State) origin { return origin{sourceOf(s.Arrival), &s.ArrivedOn} }

// sourceOf is the source of an arrival as it is compared.
func sourceOf(a record.Arrived) string { return strings.ToLower(strings.TrimSpace(a.From)) }

// lockOrigins makes writers to plants that came together wait for each other: what
// one of them is suspected of is written into the lists of the others. It comes
// before any plant is locked, for all that is written together, so that two of them never
// wait for one another.
func lockOrigins(ctx context.Context, tx *sqlx.Tx, collection uuid.UUID, entries ...record.Entry) error {
	var origins []origin
	var plants []uuid.UUID
	for _, e := range entries {
		plants = append(plants, e.PlantID)
		if e.Arrived != nil {
			origins = append(origins, origin{sourceOf(*e.Arrived), &e.On})
		}
	}
	var known []origin
	const of = `select source, arrived_on from plants where collection_id = $1 and id = any($2)`
	if err := tx.SelectContext(ctx, &known, of, collection, plants); err != nil {
		return fmt.Errorf("asking where a plant came from: %w", err)
	}
	origins = append(origins, known...)
	var keys []string
	for _, o := range origins {
		if o.known() {
			keys = append(keys, fmt.Sprintf("%s %s %s", collection, o.On, o.Source))
		}
	}
	slices.Sort(keys)
	for _, key := range slices.Compact(keys) {
		if _, err := tx.ExecContext(ctx, `select pg_advisory_xact_lock(hashtextextended($1, 0))`, key); err != nil {
			return fmt.Errorf("waiting for plants that came together: %w", err)
		}
	}
	return nil
}

// sisters gives what the plants that came with one may have that travels.
func sisters(
	ctx context.Context, q sqlx.QueryerContext, c, plant uuid.UUID, o origin,
) ([]record.Sister, error) {
	if !o.known() {
		return nil, nil
	}
	var rows []struct {
		ID        uuid.UUID                  `db:"id"`
		Name      string                     `db:"name"`
		Suspected asJSON[[]record.Suspicion] `db:"suspected"`
	}
	err := sqlx.SelectContext(ctx, q, &rows, `select id, name, suspected from plants
		where collection_id = $1 and source = $2 and arrived_on = $3 and id <> $4 and here and suspected <> '[]'
		order by name, id`, c, o.Source, *o.On, plant)
	if err != nil {
		return nil, fmt.Errorf("reading what came with it: %w", err)
	}
	var list []record.Sister
	for _, r := range rows {
		for _, x := range r.Suspected.V {
			list = append(list, record.Sister{Plant: r.ID, Name: r.Name, Suspicion: x})
		}
	}
	return list, nil
}

// projectWithSisters writes what lists need of a plant, and of those that came with
// it where what it is suspected of has changed.
func (s *Store) projectWithSisters(ctx context.Context, tx *sqlx.Tx, c Collection, state record.State) error {
	var before []struct {
		origin
		Suspected asJSON[[]record.Suspicion] `db:"suspected"`
	}
	const was = `select source, arrived_on, suspected from plants where collection_id = $1 and id = $2`
	if err := tx.SelectContext(ctx, &before, was, c.ID, state.PlantID); err != nil {
		return fmt.Errorf("reading what it was suspected of: %w", err)
	}
	around, err := s.aroundBy(ctx, tx, c.ID, false)
	if err != nil {
		return err
	}
	if err := project(ctx, tx, c, state, around); err != nil {
		return err
	}
	now, o := state.Suspected(), originOf(state)
	origins := []origin{o}
	if len(before) > 0 {
		old := before[0]
		same := old.Source == o.Source && old.On != nil && *old.On == *o.On
		if same && slices.Equal(old.Suspected.V, now) {
			return nil
		}
		if !same {
			origins = append(origins, old.origin)
		}
	}
	for _, o := range origins {
		if err := projectSisters(ctx, tx, c, o, state.PlantID); err != nil {
			return err
		}
	}
	return nil
}

// projectSisters writes what lists need of the plants of an origin, but for one.
func projectSisters(ctx context.Context, tx *sqlx.Tx, c Collection, o origin, but uuid.UUID) error {
	if !o.known() {
		return nil
	}
	var ids []uuid.UUID
	err := tx.SelectContext(ctx, &ids, `select id from plants
		where collection_id = $1 and source = $2 and arrived_on = $3 and id <> $4 order by id for update`,
		c.ID, o.Source, *o.On, but)
	if err != nil {
		return fmt.Errorf("locking what came with it: %w", err)
	}
	return projectAll(ctx, tx, c, ids)
}
