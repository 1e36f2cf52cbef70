package store

import (
	"context"
	"errors"
	"fmt"
	"reflect"
	"slices"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5/pgtype"
	"github.com/jmoiron/sqlx"

	"tendermend/core/place"
)

// ErrNotEmpty means that plants stand in what was to be removed.
var ErrNotEmpty = errors.New("plants stand in it")

// Place is a room, a shelf or a corner where plants stand.
type Place struct {
	ID        uuid.UUID `db:"id" json:"id"`
	Name      string    `db:"name" json:"name"`
	Light     string    `db:"light" json:"light" doc:"Its light in words."`
	Position  int       `db:"position" json:"position" doc:"Its turn on the walk."`
	Isolation bool      `db:"isolation" json:"isolation" doc:"Whether plants here are kept apart; walked last."`
	// PartOf is the place that it is a part of, such as the room of a shelf.
	PartOf *uuid.UUID `db:"part_of" json:"partOf,omitempty" doc:"The place that it is a part of, as a shelf of its room."`
	// Version is the one that a change must be made from.
	Version int                    `db:"version" json:"version"`
	Plants  int                    `db:"plants" json:"plants"`
	Gone    bool                   `db:"gone" json:"-"`
	Known   asJSON[*place.Details] `db:"details" json:"-"`
	Details *place.Details         `db:"-" json:"details,omitempty" doc:"What is known of it; missing where nobody said."`
}

// Places lists a collection's places in the order of the walk.
func (s *Store) Places(ctx context.Context, collection uuid.UUID) ([]Place, error) {
	return s.places(ctx, collection, `not p.gone`)
}

// SomePlaces lists those of some ids, in the order of the walk.
func (s *Store) SomePlaces(ctx context.Context, collection uuid.UUID, ids []uuid.UUID) ([]Place, error) {
	return s.places(ctx, collection, `not p.gone and p.id = any($2)`, idsOf(ids))
}

// places lists those that a condition of ours is true of.
func (s *Store) places(ctx context.Context, collection uuid.UUID, which string, args ...any) ([]Place, error) {
	places := []Place{}
	err := sqlx.SelectContext(ctx, s.q(), &places, `
		select p.id, p.name, p.light, p.position, p.isolation, p.part_of, p.version, p.gone,
			coalesce(p.details, 'null') as details,
			(select count(*) from plants x where x.collection_id = p.collection_id and x.place_id = p.id and x.here
				and x.standing not in ('lost', 'given-away')) as plants
		from places p where p.collection_id = $1 and `+which+` order by p.isolation, p.position, p.name`,
		append([]any{collection}, args...)...)
	for i := range places {
		places[i].Details = places[i].Known.V
	}
	return places, err
}

// Place gives one place; ErrNotFound where the collection has none of the id, or it is gone.
func (s *Store) Place(ctx context.Context, collection, id uuid.UUID) (Place, error) {
	all, err := s.Places(ctx, collection)
	if err != nil {
		return Place{}, fmt.Errorf("reading a place: %w", err)
	}
	for _, p := range all {
		if p.ID == id {
			return p, nil
		}
	}
	return Place{}, ErrNotFound
}

// AddPlace adds a place at the end of the walk. Adding the same id again does
// nothing; ErrConflict means that the name is taken.
func (s *Store) AddPlace(ctx context.Context, collection uuid.UUID, p Place) error {
	_, err := s.q().ExecContext(ctx, `
		insert into places (collection_id, id, name, light, isolation, details, part_of, gone, position)
		values ($1, $2, $3, $4, $5, $6, $7, $8,
			1 + coalesce((select max(position) from places where collection_id = $1), 0))
		on conflict (collection_id, id) do nothing`, collection, p.ID, p.Name, p.Light, p.Isolation, orNull(p.Details),
		p.PartOf, p.Gone)
	if isUnique(err) {
		return ErrConflict
	}
	if err != nil {
		return fmt.Errorf("adding a place: %w", err)
	}
	return nil
}

// ChangePlace writes a new version of a place. The same again does nothing; ErrConflict means
// that it was changed since or that the name is taken, ErrNotEmpty that it is to go and
// plants stand there, ErrNotFound that there is no such place.
func (s *Store) ChangePlace(ctx context.Context, a Account, p Place) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		// The placing of plants waits for it, and it for them.
		var now []Place
		err := tx.SelectContext(ctx, &now, `select id, name, light, position, isolation, part_of, version, gone,
			coalesce(details, 'null') as details,
			(select count(*) from plants x where x.collection_id = $1 and x.place_id = $2 and x.here
				and x.standing not in ('lost', 'given-away')) as plants
			from places where collection_id = $1 and id = $2 for update`, a.Collection.ID, p.ID)
		if err != nil {
			return fmt.Errorf("changing a place: %w", err)
		}
		switch {
		case len(now) == 0 || now[0].Gone && !p.Gone:
			return ErrNotFound
		case now[0].Version == p.Version+1 && now[0].same(p):
			return nil
		case now[0].Version != p.Version:
			return ErrConflict
		case p.Gone && now[0].Plants > 0:
			return ErrNotEmpty
		}
		if p.Version == 1 { // what it was before anybody changed it
			now[0].Details = now[0].Known.V
			if err := keepPlace(ctx, tx, a, now[0], s.now()); err != nil {
				return err
			}
		}
		p.Version++
		_, err = tx.ExecContext(ctx, `update places set name = $3, light = $4, isolation = $5, details = $6, part_of = $7,
			gone = $8, position = $9, version = $10 where collection_id = $1 and id = $2`,
			a.Collection.ID, p.ID, p.Name, p.Light, p.Isolation, orNull(p.Details), p.PartOf, p.Gone, p.Position, p.Version)
		if isUnique(err) {
			return ErrConflict
		}
		if err != nil {
			return fmt.Errorf("changing a place: %w", err)
		}
		return keepPlace(ctx, tx, a, p, s.now())
	})
}

// keepPlace writes a version of a place into what is never changed.
func keepPlace(ctx context.Context, tx *sqlx.Tx, a Account, p Place, at any) error {
	_, err := tx.ExecContext(ctx, `insert into place_changes (collection_id, place_id, version, body, recorded_at, by_user)
		values ($1, $2, $3, $4, $5, $6)`, a.Collection.ID, p.ID, p.Version, asJSON[Place]{p}, at, a.User.ID)
	if err != nil {
		return fmt.Errorf("keeping a version of a place: %w", err)
	}
	return nil
}

// same says whether a place is already as another one wants it.
func (p Place) same(as Place) bool {
	return reflect.DeepEqual(p.Known.V, as.Details) && reflect.DeepEqual(p.PartOf, as.PartOf) && p.Name == as.Name &&
		p.Light == as.Light && p.Isolation == as.Isolation && p.Gone == as.Gone && p.Position == as.Position
}

// OrderPlaces gives the places their turns on the walk. Places that are not named keep
// theirs behind the others; ids of no place here are passed over.
func (s *Store) OrderPlaces(ctx context.Context, a Account, ids []uuid.UUID) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		_, err := tx.ExecContext(ctx, `
			with turns as (select p.id, row_number() over (order by coalesce(t.turn, 1000000), p.position, p.name) as turn
				from places p left join unnest($2::uuid[]) with ordinality as t(id, turn) on t.id = p.id
				where p.collection_id = $1)
			update places p set position = turns.turn from turns where p.collection_id = $1 and turns.id = p.id`,
			a.Collection.ID, idsOf(ids))
		if err != nil {
			return fmt.Errorf("ordering the places: %w", err)
		}
		return s.within(tx).keepOrder(ctx, a)
	})
}

// orderKey names the order of the places, each of its versions kept.
const orderKey = "places"

// keepOrder keeps a version of the order in which the places stand now, where it is another.
func (s *Store) keepOrder(ctx context.Context, a Account) error {
	var now []uuid.UUID
	err := sqlx.SelectContext(ctx, s.q(), &now, `select id from places where collection_id = $1 order by position, name`,
		a.Collection.ID)
	if err != nil {
		return fmt.Errorf("reading the order of the places: %w", err)
	}
	was, _, err := loadSetting[[]uuid.UUID](ctx, s.q(), a.Collection.ID, orderKey)
	if err != nil || slices.Equal(was, now) {
		return err
	}
	return s.saveSetting(ctx, a, orderKey, now)
}

// idsOf are ids as PostgreSQL takes them, sixteen bytes each: to write thousands of them as words, and to read
// them again there, takes ten times as long.
func idsOf(ids []uuid.UUID) pgtype.FlatArray[pgtype.UUID] {
	list := make(pgtype.FlatArray[pgtype.UUID], len(ids))
	for i, id := range ids {
		list[i] = pgtype.UUID{Bytes: id, Valid: true}
	}
	return list
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
