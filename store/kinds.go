package store

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/plant"
	"tendermend/record"
)

// Kinds gives the kinds that a collection added, the newest version of each.
// Withdrawn ones are left out.
func (s *Store) Kinds(ctx context.Context, collection uuid.UUID) (plant.Kinds, error) {
	return loadKinds(ctx, s.q(), collection, false)
}

// loadKinds reads the newest version of each kind. A record still reads a kind
// that was withdrawn after a plant of it had come.
func loadKinds(
	ctx context.Context,
	q sqlx.QueryerContext,
	collection uuid.UUID,
	withdrawnToo bool,
) (plant.Kinds, error) {
	rows, err := newestKinds(ctx, q, collection)
	if err != nil {
		return nil, err
	}
	kinds := plant.Kinds{}
	for _, r := range rows {
		if !r.Withdrawn || withdrawnToo {
			kinds[r.Body.V.ID] = r.Body.V
		}
	}
	return kinds, nil
}

type kindRow struct {
	Withdrawn bool                  `db:"withdrawn"`
	Body      asJSON[plant.Profile] `db:"body"`
}

// newestKinds gives the newest version of each kind, by id, withdrawn ones too.
func newestKinds(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (rows []kindRow, err error) {
	err = sqlx.SelectContext(
		ctx,
		q,
		&rows,
		`select distinct on (id) withdrawn, body from kinds where collection_id = $1 order by id, version desc`,
		collection,
	)
	if err != nil {
		return nil, fmt.Errorf("reading the kinds: %w", err)
	}
	return rows, nil
}

// SaveKind adds a version of a kind of the collection's own, or withdraws it.
// Saving what stands already does nothing. The lists of its plants follow in
// the same transaction. ErrConflict means that somebody saved another version
// since the one that this one was made from; version 0 makes a new kind.
func (s *Store) SaveKind(ctx context.Context, a Account, p plant.Profile, from int, withdrawn bool) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		// Writers of one collection's kinds wait for each other.
		if _, err := tx.ExecContext(ctx, `select from collections where id = $1 for update`, a.Collection.ID); err != nil {
			return err
		}
		var newest []struct {
			Version   int                   `db:"version"`
			Withdrawn bool                  `db:"withdrawn"`
			Body      asJSON[plant.Profile] `db:"body"`
		}
		err := tx.SelectContext(
			ctx,
			&newest,
			`select version, withdrawn, body from kinds where collection_id = $1 and id = $2 order by version desc limit 1`,
			a.Collection.ID,
			p.ID,
		)
		if err != nil {
			return err
		}
		version := 0
		if len(newest) > 0 {
			version = newest[0].Version
			if newest[0].Withdrawn == withdrawn && sameJSON(newest[0].Body, asJSON[plant.Profile]{p}) {
				return nil
			}
		}
		if version != from {
			return ErrConflict
		}
		_, err = tx.ExecContext(
			ctx,
			`insert into kinds (collection_id, id, version, withdrawn, body, recorded_at, by_user)
				values ($1, $2, $3, $4, $5, $6, $7)`,
			a.Collection.ID,
			p.ID,
			version+1,
			withdrawn,
			asJSON[plant.Profile]{p},
			s.now(),
			a.User.ID,
		)
		if err != nil {
			return fmt.Errorf("saving a kind: %w", err)
		}
		return s.projectKind(ctx, tx, a.Collection, p.ID)
	})
}

// insertKind adds a version of a kind as it was recorded elsewhere.
func (s *Store) insertKind(
	ctx context.Context, a Account, p plant.Profile, version int, withdrawn bool, recordedAt time.Time,
) error {
	_, err := s.q().ExecContext(
		ctx,
		`insert into kinds (collection_id, id, version, withdrawn, body, recorded_at, by_user)
			values ($1, $2, $3, $4, $5, $6, $7)`,
		a.Collection.ID, p.ID, version, withdrawn, asJSON[plant.Profile]{p}, recordedAt, a.User.ID,
	)
	if err != nil {
		return fmt.Errorf("taking a kind over: %w", err)
	}
	return nil
}

// kindRecord is every version of every kind that a collection added, by id, the oldest
// first.
type kindRecord map[string][]versionRow

type versionRow struct {
	ID         string                `db:"id"`
	Withdrawn  bool                  `db:"withdrawn"`
	Body       asJSON[plant.Profile] `db:"body"`
	RecordedAt time.Time             `db:"recorded_at"`
}

// kindVersions reads every version of every kind of a collection.
func (s *Store) kindVersions(ctx context.Context, collection uuid.UUID) (kindRecord, error) {
	var rows []versionRow
	err := sqlx.SelectContext(ctx, s.q(), &rows, `select id, withdrawn, body, recorded_at from kinds
		where collection_id = $1 order by id, version`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the kinds: %w", err)
	}
	all := kindRecord{}
	for _, r := range rows {
		all[r.ID] = append(all[r.ID], r)
	}
	return all, nil
}

// at gives the kinds as they were when an entry was recorded; the first version of one
// that came later.
func (k kindRecord) at(e record.Entry) plant.Kinds {
	kinds := plant.Kinds{}
	for id, versions := range k {
		kinds[id] = versions[0].Body.V
		for _, v := range versions {
			if !v.RecordedAt.After(e.RecordedAt) {
				kinds[id] = v.Body.V
			}
		}
	}
	return kinds
}

// KindVersion gives the newest version of a kind; 0 where the collection has
// none of that id.
func (s *Store) KindVersion(ctx context.Context, collection uuid.UUID, id string) (version int, err error) {
	err = sqlx.GetContext(
		ctx,
		s.q(),
		&version,
		`select coalesce(max(version), 0) from kinds where collection_id = $1 and id = $2`,
		collection,
		id,
	)
	return version, err
}

func sameJSON[T any](a, b asJSON[T]) bool {
	x, errX := a.Value()
	y, errY := b.Value()
	return errX == nil && errY == nil && string(x.([]byte)) == string(y.([]byte))
}

// projectKind rewrites the lists of the plants of a kind.
func (s *Store) projectKind(ctx context.Context, tx *sqlx.Tx, c Collection, kind string) error {
	var ids []uuid.UUID
	if err := tx.SelectContext(ctx, &ids, `select id from plants
		where collection_id = $1 and profile = $2 order by id for update`, c.ID, kind); err != nil {
		return err
	}
	return projectAll(ctx, tx, c, ids)
}

// projectAll rewrites the lists of plants that are locked.
func projectAll(ctx context.Context, tx *sqlx.Tx, c Collection, ids []uuid.UUID) error {
	if len(ids) == 0 {
		return nil
	}
	kinds, err := loadKinds(ctx, tx, c.ID, true)
	if err != nil {
		return err
	}
	around, err := surround(ctx, tx, c.ID)
	if err != nil {
		return err
	}
	for _, id := range ids {
		entries, err := loadEntries(ctx, tx, c.ID, id)
		if err != nil {
			return err
		}
		if err := project(ctx, tx, c, record.Fold(id, entries, kinds), around); err != nil {
			return err
		}
	}
	return nil
}

// State folds a plant's record; ErrNotFound when the collection has no such
// plant.
func (s *Store) State(ctx context.Context, collection, id uuid.UUID) (record.State, error) {
	_, state, err := s.Record(ctx, collection, id)
	return state, err
}

// Record gives a plant's entries, in the order of the record, with the state that they
// fold into. Others read the same ones: nobody writes to them.
func (s *Store) Record(ctx context.Context, collection, id uuid.UUID) ([]record.Entry, record.State, error) {
	f, err := s.folded(ctx, collection, id)
	if err != nil {
		return nil, record.State{}, err
	}
	around, err := s.around(ctx, collection)
	if err != nil {
		return nil, record.State{}, err
	}
	came, err := sisters(ctx, s.q(), collection, id, originOf(f.state))
	return f.entries, f.state.Told(around.of(came)), err
}
