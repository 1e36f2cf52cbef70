package store

import (
	"cmp"
	"context"
	"crypto/rand"
	"database/sql"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/exchange"
	"tendermend/record"
)

type tripRow struct {
	exchange.Trip
	Written asJSON[[]exchange.TripPot] `db:"sheet"`
}

const tripColumns = `select id, from_day, back_day, sitter, phone, note, cooler, ended, off, version, recorded_at, sheet
	from trips `

// Trips lists the last hundred trips of a collection, the last first.
func (s *Store) Trips(ctx context.Context, collection uuid.UUID) ([]exchange.Trip, error) {
	return s.trips(ctx, tripColumns+`where collection_id = $1 order by from_day desc, id limit 100`, collection)
}

// allTrips lists all trips of a collection, the last first.
func (s *Store) allTrips(ctx context.Context, collection uuid.UUID) ([]exchange.Trip, error) {
	list, err := s.trips(ctx, tripColumns+`where collection_id = $1 order by from_day desc, id`, collection)
	if err != nil {
		return nil, err
	}
	earlier, err := s.earlierTrips(ctx, `v.sheet`, `v.collection_id = $1`, collection)
	for i := range list {
		list[i].Earlier = earlier[list[i].ID]
	}
	return list, err
}

// Trip gives one trip with what it was before, without those sheets; ErrNotFound where the collection has none of the
// id.
func (s *Store) Trip(ctx context.Context, collection, id uuid.UUID) (exchange.Trip, error) {
	list, err := s.trips(ctx, tripColumns+`where collection_id = $1 and id = $2`, collection, id)
	if err != nil {
		return exchange.Trip{}, err
	}
	if len(list) == 0 {
		return exchange.Trip{}, ErrNotFound
	}
	earlier, err := s.earlierTrips(ctx, `'[]'::jsonb as sheet`, `v.collection_id = $1 and v.trip_id = $2`, collection, id)
	list[0].Earlier = earlier[id]
	return list[0], err
}

// earlierTrips gives what trips of a condition were before they were changed, by their ids.
func (s *Store) earlierTrips(
	ctx context.Context, sheet, condition string, args ...any,
) (map[uuid.UUID][]exchange.Trip, error) {
	list, err := s.trips(ctx, `select v.trip_id as id, v.from_day, v.back_day, v.sitter, v.phone, v.note, v.cooler, v.off,
		v.version, v.recorded_at, `+sheet+` from trip_versions v where `+condition+` order by v.trip_id, v.version`, args...)
	by := map[uuid.UUID][]exchange.Trip{}
	for _, t := range list {
		by[t.ID] = append(by[t.ID], t)
	}
	return by, err
}

func (s *Store) trips(ctx context.Context, query string, args ...any) ([]exchange.Trip, error) {
	var rows []tripRow
	if err := sqlx.SelectContext(ctx, s.q(), &rows, query, args...); err != nil {
		return nil, fmt.Errorf("reading trips: %w", err)
	}
	list := make([]exchange.Trip, len(rows))
	for i, r := range rows {
		list[i] = r.Trip
		list[i].Sheet, list[i].RecordedAt = r.Written.V, r.RecordedAt.UTC()
	}
	return list, nil
}

// AddTrip keeps a trip, with what it was before where it comes from an archive. The same again does nothing;
// ErrConflict means that the id is another trip's.
func (s *Store) AddTrip(ctx context.Context, a Account, t exchange.Trip) error {
	if t.RecordedAt.IsZero() {
		t.RecordedAt = s.now()
	}
	t.Version = max(1, t.Version)
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		result, err := tx.ExecContext(ctx, `insert into trips (collection_id, id, from_day, back_day, sitter, phone, note,
				cooler, off, sheet, version, recorded_at, by_user)
			values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) on conflict do nothing`,
			a.Collection.ID, t.ID, t.From, t.Back, t.Sitter, t.Phone, t.Note, t.Cooler, t.Off,
			asJSON[[]exchange.TripPot]{t.Sheet}, t.Version, t.RecordedAt, a.User.ID)
		if err != nil {
			return fmt.Errorf("keeping a trip: %w", err)
		}
		n, err := result.RowsAffected()
		if err != nil {
			return err
		}
		if n == 0 {
			return s.within(tx).knownTrip(ctx, a, t)
		}
		for _, v := range t.Earlier {
			_, err := tx.ExecContext(ctx, `insert into trip_versions (collection_id, trip_id, version, from_day, back_day,
					sitter, phone, note, cooler, off, sheet, recorded_at, by_user)
				values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
				a.Collection.ID, t.ID, v.Version, v.From, v.Back, v.Sitter, v.Phone, v.Note, v.Cooler, v.Off,
				asJSON[[]exchange.TripPot]{v.Sheet}, v.RecordedAt, a.User.ID)
			if err != nil {
				return fmt.Errorf("keeping what a trip was before: %w", err)
			}
		}
		return nil
	})
}

// knownTrip brings a trip that is here up to one of the same id: what is here may be what that was before, or what it
// has become since. ErrConflict means that it is neither.
func (s *Store) knownTrip(ctx context.Context, a Account, t exchange.Trip) error {
	known, err := s.Trip(ctx, a.Collection.ID, t.ID)
	if err != nil {
		return err
	}
	chain := append(slices.Clone(t.Earlier), t)
	for i := len(chain) - 1; i >= 0; i-- {
		chain[i].ID = t.ID
		if !sameTrip(known, chain[i]) {
			continue
		}
		for n, next := range chain[i+1:] {
			if err := s.ChangeTrip(ctx, a, next, known.Version+n); err != nil {
				return err
			}
		}
		return nil
	}
	if slices.ContainsFunc(known.Earlier, func(v exchange.Trip) bool { return sameTrip(v, t) }) {
		return nil
	}
	return ErrConflict
}

// sameTrip says whether two say the same of a trip. Its sheet is worked out on the day it is planned: sent again later
// it would be another.
func sameTrip(x, y exchange.Trip) bool {
	said := func(t exchange.Trip) [8]any {
		return [8]any{t.ID, t.From, t.Back, t.Sitter, t.Phone, t.Note, t.Cooler, t.Off}
	}
	return said(x) == said(y)
}

// ChangeTrip keeps a trip as it is now and what it was before. The same again does nothing; ErrConflict means that it
// was changed since the version that was looked at. Where somebody else comes in, the address of whoever was to come
// ends.
func (s *Store) ChangeTrip(ctx context.Context, a Account, t exchange.Trip, looked int) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		list, err := s.within(tx).trips(ctx, tripColumns+`where collection_id = $1 and id = $2 for update`,
			a.Collection.ID, t.ID)
		switch {
		case err != nil:
			return err
		case len(list) == 0:
			return ErrNotFound
		case sameTrip(list[0], t):
			return nil
		case list[0].Version != looked:
			return ErrConflict
		}
		if _, err := tx.ExecContext(ctx, `insert into trip_versions select collection_id, id, version, from_day, back_day,
				sitter, cooler, phone, note, off, sheet, recorded_at, by_user
			from trips where collection_id = $1 and id = $2`, a.Collection.ID, t.ID); err != nil {
			return fmt.Errorf("keeping what a trip was before: %w", err)
		}
		another := list[0].Sitter != t.Sitter
		if _, err := tx.ExecContext(ctx, `update trips set from_day = $3, back_day = $4, sitter = $5, phone = $6, note = $7,
				cooler = $8, off = $9, sheet = $10, version = version + 1, recorded_at = $11, by_user = $12,
				ended = ended and not $13
			where collection_id = $1 and id = $2`,
			a.Collection.ID, t.ID, t.From, t.Back, t.Sitter, t.Phone, t.Note, t.Cooler, t.Off,
			asJSON[[]exchange.TripPot]{t.Sheet}, cmp.Or(t.RecordedAt, s.now()), a.User.ID, another); err != nil {
			return fmt.Errorf("changing a trip: %w", err)
		}
		if !another {
			return nil
		}
		return endLinks(ctx, tx, a.Collection.ID, t.ID)
	})
}

// endLinks takes the addresses of a trip back.
func endLinks(ctx context.Context, tx *sqlx.Tx, collection, id uuid.UUID) error {
	if _, err := tx.ExecContext(ctx, `delete from trip_links where collection_id = $1 and trip_id = $2`,
		collection, id); err != nil {
		return fmt.Errorf("ending a link: %w", err)
	}
	return nil
}

// EndTrip takes the links of a trip back.
func (s *Store) EndTrip(ctx context.Context, collection, id uuid.UUID) error {
	_, err := s.q().ExecContext(ctx, `update trips set ended = true where collection_id = $1 and id = $2`, collection, id)
	if err != nil {
		return fmt.Errorf("ending a trip: %w", err)
	}
	return nil
}

// NewTripLink makes a secret with which somebody without an account sees and ticks a trip. The one that was made
// before is not good any more.
func (s *Store) NewTripLink(ctx context.Context, collection, id uuid.UUID) (token string, err error) {
	token = rand.Text()
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `select from trips where collection_id = $1 and id = $2 for update`,
			collection, id); err != nil {
			return fmt.Errorf("holding a trip: %w", err)
		}
		if err := endLinks(ctx, tx, collection, id); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `insert into trip_links (token_hash, collection_id, trip_id) values ($1, $2, $3)`,
			hashed(token), collection, id)
		if err != nil {
			return fmt.Errorf("making a link: %w", err)
		}
		return nil
	})
	return token, err
}

// linkLasts is for how many days before leaving and after coming back a link is good.
const linkLasts = 2

// Sat gives the trip of a link with the account in whose stead it is ticked; ErrNotFound where
// there is none, where it was taken back, or before and after its time as of now.
func (s *Store) Sat(ctx context.Context, token string, now time.Time) (exchange.Trip, Account, error) {
	var of struct {
		Collection uuid.UUID `db:"collection_id"`
		Trip       uuid.UUID `db:"trip_id"`
		User       uuid.UUID `db:"by_user"`
	}
	err := sqlx.GetContext(ctx, s.q(), &of, `select l.collection_id, l.trip_id, t.by_user from trip_links l
		join trips t on t.collection_id = l.collection_id and t.id = l.trip_id
		where l.token_hash = $1 and not t.ended and not t.off`, hashed(token))
	if errors.Is(err, sql.ErrNoRows) {
		return exchange.Trip{}, Account{}, ErrNotFound
	}
	if err != nil {
		return exchange.Trip{}, Account{}, fmt.Errorf("looking for a link: %w", err)
	}
	t, err := s.Trip(ctx, of.Collection, of.Trip)
	if err != nil {
		return exchange.Trip{}, Account{}, err
	}
	a := Account{As: t.Sitter}
	err = sqlx.GetContext(ctx, s.q(), &a.Collection, `select id, name, time_zone, south from collections where id = $1`,
		of.Collection)
	if err != nil {
		return exchange.Trip{}, Account{}, err
	}
	err = sqlx.GetContext(ctx, s.q(), &a.User, `select id, email, name from users where id = $1`, of.User)
	if err != nil {
		return exchange.Trip{}, Account{}, err
	}
	if today := a.Collection.Today(now); today < t.From-linkLasts || today > t.Back+linkLasts {
		return exchange.Trip{}, Account{}, ErrNotFound
	}
	return t, a, nil
}

// PotRow is a plant with what is known of its pot.
type PotRow struct {
	StandsAt
	Label     string                 `db:"label"`
	PlaceName string                 `db:"place_name"`
	Pot       asJSON[*record.PotNow] `db:"pot"`
}

// Pots lists what is known of every pot, in the order of the walk: isolated ones last.
func (s *Store) Pots(ctx context.Context, collection uuid.UUID) ([]PotRow, error) {
	list := []PotRow{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select p.id, p.name, p.label, p.profile, p.habit, p.place_id,
			p.isolation, p.apart, coalesce(pl.name, '') as place_name, coalesce(p.pot, 'null') as pot
		from plants p left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.collection_id = $1 and p.here and p.standing not in ('lost', 'given-away')
		order by p.apart, coalesce(pl.isolation, false), pl.position, p.natural_name, p.id`, collection)
	if err != nil {
		return nil, fmt.Errorf("listing pots: %w", err)
	}
	return list, nil
}

// SitterTick is what was recorded of a plant in somebody's stead.
type SitterTick struct {
	Plant uuid.UUID `db:"plant_id" json:"plant"`
	On    day.Day   `db:"on_day" json:"on"`
	Kind  string    `db:"kind" json:"kind" doc:"watered, or probed: felt wet and left."`
	At    time.Time `db:"recorded_at" json:"at"`
}

// Ticks lists what sitters ticked between two days, and did not take back.
func (s *Store) Ticks(
	ctx context.Context, collection uuid.UUID, sitters []string, from, to day.Day,
) ([]SitterTick, error) {
	return s.thatCount(ctx, collection, `by_name = any($2) and on_day between $3 and $4`, sitters, from, to)
}

// WateredOn lists the waterings of a day, whoever watered.
func (s *Store) WateredOn(ctx context.Context, collection uuid.UUID, on day.Day) ([]SitterTick, error) {
	return s.thatCount(ctx, collection, `kind = 'watered' and on_day = $2`, on)
}

// thatCount lists those entries of a condition of ours that count: the record of their plant says which do.
func (s *Store) thatCount(
	ctx context.Context, collection uuid.UUID, condition string, args ...any,
) ([]SitterTick, error) {
	var found []struct {
		SitterTick
		ID uuid.UUID `db:"id"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &found, `select id, plant_id, on_day, kind, recorded_at from entries
		where collection_id = $1 and `+condition+` order by recorded_at`, append([]any{collection}, args...)...)
	if err != nil {
		return nil, fmt.Errorf("listing ticks: %w", err)
	}
	list, counts := []SitterTick{}, map[uuid.UUID]map[uuid.UUID]bool{}
	for _, f := range found {
		if counts[f.Plant] == nil {
			entries, err := s.Entries(ctx, collection, f.Plant)
			if err != nil {
				return nil, fmt.Errorf("reading what was ticked: %w", err)
			}
			counts[f.Plant] = record.Live(entries)
		}
		if counts[f.Plant][f.ID] {
			list = append(list, f.SitterTick)
		}
	}
	return list, nil
}
