package store

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/logger"
	"tendermend/core/place"
)

// readingsAtOnce is how many readings one statement keeps.
const readingsAtOnce = 20000

// AddReadings keeps readings of a place, each time once: what stands stays. It gives how many
// were new, and makes the days anew that they belong to.
func (s *Store) AddReadings(ctx context.Context, a Account, at uuid.UUID, rows []logger.Row) (added int, err error) {
	zone, err := time.LoadLocation(a.Collection.TimeZone)
	if err != nil {
		zone = time.UTC
	}
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		there := false
		if err := tx.GetContext(ctx, &there, `select exists (select from places where collection_id = $1 and id = $2
			and not gone)`, a.Collection.ID, at); err != nil || !there {
			return orNotFound(err)
		}
		for from := 0; from < len(rows); from += readingsAtOnce {
			n, err := addReadings(ctx, tx, a.Collection.ID, at, rows[from:min(len(rows), from+readingsAtOnce)])
			if err != nil {
				return err
			}
			added += n
		}
		if added == 0 {
			return nil
		}
		return remakeDays(ctx, tx, a.Collection.ID, at, rows[0].At, rows[len(rows)-1].At, zone)
	})
	return added, err
}

func orNotFound(err error) error {
	if err != nil {
		return err
	}
	return ErrNotFound
}

func addReadings(ctx context.Context, tx *sqlx.Tx, collection, at uuid.UUID, rows []logger.Row) (int, error) {
	times, temps, wets := make([]time.Time, len(rows)), make([]*float64, len(rows)), make([]*float64, len(rows))
	for i, r := range rows {
		times[i], temps[i], wets[i] = r.At.UTC(), r.TempC, r.Humidity
	}
	done, err := tx.ExecContext(ctx, `
		insert into place_readings (collection_id, place_id, at, temperature, humidity)
		select $1, $2, r.at, r.temperature, r.humidity
			from unnest($3::timestamptz[], $4::float8[], $5::float8[]) as r(at, temperature, humidity)
			where r.temperature is not null or r.humidity is not null
		on conflict do nothing`, collection, at, times, temps, wets)
	if err != nil {
		return 0, fmt.Errorf("keeping readings: %w", err)
	}
	n, err := done.RowsAffected()
	return int(n), err
}

// remakeDays makes the days between two moments of all readings that stand.
func remakeDays(
	ctx context.Context, tx *sqlx.Tx, collection, at uuid.UUID, from, to time.Time, zone *time.Location,
) error {
	first, last := day.At(from.In(zone)), day.At(to.In(zone))
	var rows []struct {
		At       time.Time `db:"at"`
		Temp     *float64  `db:"temperature"`
		Humidity *float64  `db:"humidity"`
	}
	begin := time.Date(first.Time().Year(), first.Month(), first.Time().Day(), 0, 0, 0, 0, zone)
	if err := tx.SelectContext(ctx, &rows, `select at, temperature, humidity from place_readings
		where collection_id = $1 and place_id = $2 and at >= $3 and at < $4 order by at`,
		collection, at, begin, begin.AddDate(0, 0, int(last-first)+1)); err != nil {
		return fmt.Errorf("reading readings: %w", err)
	}
	list := make([]logger.Row, len(rows))
	for i, r := range rows {
		list[i] = logger.Row{At: r.At, TempC: r.Temp, Humidity: r.Humidity}
	}
	_, err := tx.ExecContext(ctx, `
		insert into place_days (collection_id, place_id, on_day, hours, low, high, mean, humidity, vpd)
		select $1, $2, "on", hours, low, high, mean, humidity, vpd from jsonb_to_recordset($3) as d("on" date,
			hours float8, low float8, high float8, mean float8, humidity float8, vpd float8)
		on conflict (collection_id, place_id, on_day) do update set hours = excluded.hours, low = excluded.low,
			high = excluded.high, mean = excluded.mean, humidity = excluded.humidity, vpd = excluded.vpd`,
		collection, at, asJSON[[]logger.ReadDay]{logger.Days(list, zone)})
	if err != nil {
		return fmt.Errorf("keeping the days of a place: %w", err)
	}
	return nil
}

// PlaceDay is a day of a place as instruments read it.
type PlaceDay struct {
	Place uuid.UUID `db:"place_id"`
	On    day.Day   `db:"on_day"`
	Hours float64   `db:"hours"`
	Low   float64   `db:"low"`
	High  float64   `db:"high"`
	Mean  float64   `db:"mean"`
	Wet   *float64  `db:"humidity"`
	VPD   *float64  `db:"vpd"`
}

// Day turns it into a day of the core.
func (d PlaceDay) Day() logger.ReadDay {
	return logger.ReadDay{On: d.On, Hours: d.Hours, Low: d.Low, High: d.High, Mean: d.Mean, Humidity: d.Wet, VPD: d.VPD}
}

// PlaceDays gives the days of all places since a day, oldest first.
func (s *Store) PlaceDays(ctx context.Context, collection uuid.UUID, from day.Day) ([]PlaceDay, error) {
	days := []PlaceDay{}
	err := sqlx.SelectContext(ctx, s.q(), &days, `select place_id, on_day, hours, low, high, mean, humidity, vpd
		from place_days where collection_id = $1 and on_day >= $2 order by on_day, place_id`, collection, from)
	if err != nil {
		return nil, fmt.Errorf("reading the days of places: %w", err)
	}
	return days, nil
}

// AddLight keeps a reading of light; the same id again does nothing. ErrNotFound means that
// the collection has no such place.
func (s *Store) AddLight(ctx context.Context, a Account, at, id uuid.UUID, r place.LightRead) error {
	there, err := s.hasPlace(ctx, a.Collection.ID, at)
	if err != nil || !there {
		return orNotFound(err)
	}
	return s.keepLight(ctx, a, at, id, r)
}

func (s *Store) keepLight(ctx context.Context, a Account, at, id uuid.UUID, r place.LightRead) error {
	_, err := s.q().ExecContext(ctx, `insert into place_lights (collection_id, place_id, id, body, recorded_at, by_user)
		values ($1, $2, $3, $4, $5, $6) on conflict do nothing`,
		a.Collection.ID, at, id, asJSON[place.LightRead]{r}, s.now(), a.User.ID)
	if err != nil {
		return fmt.Errorf("keeping a reading of light: %w", err)
	}
	return nil
}

// Lights gives the readings of light of all places, oldest first.
func (s *Store) Lights(ctx context.Context, collection uuid.UUID) (map[uuid.UUID][]place.LightRead, error) {
	var rows []struct {
		Place uuid.UUID               `db:"place_id"`
		Body  asJSON[place.LightRead] `db:"body"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `select place_id, body from place_lights where collection_id = $1
		order by recorded_at, id`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the light of places: %w", err)
	}
	lights := map[uuid.UUID][]place.LightRead{}
	for _, r := range rows {
		lights[r.Place] = append(lights[r.Place], r.Body.V)
	}
	return lights, nil
}
