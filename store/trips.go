package store

import (
	"context"
	"crypto/rand"
	"database/sql"
	"errors"
	"fmt"
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

const tripColumns = `select id, from_day, back_day, sitter, phone, note, cooler, ended, sheet from trips `

// Trips lists the last hundred trips of a collection, the last first.
func (s *Store) Trips(ctx context.Context, collection uuid.UUID) ([]exchange.Trip, error) {
	return s.trips(ctx, tripColumns+`where collection_id = $1 order by from_day desc, id limit 100`, collection)
}

// allTrips lists all trips of a collection, the last first.
func (s *Store) allTrips(ctx context.Context, collection uuid.UUID) ([]exchange.Trip, error) {
	return s.trips(ctx, tripColumns+`where collection_id = $1 order by from_day desc, id`, collection)
}

// Trip gives one trip; ErrNotFound where the collection has none of the id.
func (s *Store) Trip(ctx context.Context, collection, id uuid.UUID) (exchange.Trip, error) {
	list, err := s.trips(ctx, tripColumns+`where collection_id = $1 and id = $2`, collection, id)
	if err != nil {
		return exchange.Trip{}, err
	}
	if len(list) == 0 {
		return exchange.Trip{}, ErrNotFound
	}
	return list[0], nil
}

func (s *Store) trips(ctx context.Context, query string, args ...any) ([]exchange.Trip, error) {
	var rows []tripRow
	if err := sqlx.SelectContext(ctx, s.q(), &rows, query, args...); err != nil {
		return nil, fmt.Errorf("reading trips: %w", err)
	}
	list := make([]exchange.Trip, len(rows))
	for i, r := range rows {
		list[i] = r.Trip
		list[i].Sheet = r.Written.V
	}
	return list, nil
}

// AddTrip keeps a trip; the same id again does nothing.
func (s *Store) AddTrip(ctx context.Context, a Account, t exchange.Trip) error {
	_, err := s.q().ExecContext(ctx, `
		insert into trips (collection_id, id, from_day, back_day, sitter, phone, note, cooler, sheet, recorded_at, by_user)
		values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) on conflict do nothing`,
		a.Collection.ID, t.ID, t.From, t.Back, t.Sitter, t.Phone, t.Note, t.Cooler, asJSON[[]exchange.TripPot]{t.Sheet},
		s.now(), a.User.ID)
	if err != nil {
		return fmt.Errorf("keeping a trip: %w", err)
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

// NewTripLink makes a secret with which somebody without an account sees and ticks a trip.
func (s *Store) NewTripLink(ctx context.Context, collection, id uuid.UUID) (token string, err error) {
	token = rand.Text()
	_, err = s.q().ExecContext(ctx, `insert into trip_links (token_hash, collection_id, trip_id) values ($1, $2, $3)`,
		hashed(token), collection, id)
	if err != nil {
		return "", fmt.Errorf("making a link: %w", err)
	}
	return token, nil
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
		where l.token_hash = $1 and not t.ended`, hashed(token))
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
			p.isolation, coalesce(pl.name, '') as place_name, coalesce(p.pot, 'null') as pot
		from plants p left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.collection_id = $1 and p.here and p.standing not in ('lost', 'given-away')
		order by p.isolation = 'isolated', coalesce(pl.isolation, false), pl.position, p.natural_name, p.id`, collection)
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

// Ticks lists what a sitter ticked between two days.
func (s *Store) Ticks(
	ctx context.Context, collection uuid.UUID, sitter string, from, to day.Day,
) ([]SitterTick, error) {
	list := []SitterTick{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select plant_id, on_day, kind, recorded_at from entries
		where collection_id = $1 and by_name = $2 and on_day between $3 and $4 order by recorded_at`,
		collection, sitter, from, to)
	if err != nil {
		return nil, fmt.Errorf("listing ticks: %w", err)
	}
	return list, nil
}
