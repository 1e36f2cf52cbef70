package store

import (
	"context"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/logger"
	"tendermend/core/place"
	"tendermend/exchange"
)

// archivedAir adds what was read in each place to the places of an archive.
func (s *Store) archivedAir(ctx context.Context, collection uuid.UUID, list []exchange.Place) error {
	at := map[uuid.UUID]*exchange.Place{}
	for i := range list {
		at[list[i].ID] = &list[i]
	}
	var lights []struct {
		Place uuid.UUID               `db:"place_id"`
		ID    uuid.UUID               `db:"id"`
		Body  asJSON[place.LightRead] `db:"body"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &lights, `select place_id, id, body from place_lights
		where collection_id = $1 order by body->>'on', id`, collection)
	if err != nil {
		return fmt.Errorf("reading the light of places: %w", err)
	}
	for _, l := range lights {
		p := at[l.Place]
		p.Lights = append(p.Lights, exchange.PlaceLight{ID: l.ID, LightRead: l.Body.V})
	}
	var readings []struct {
		Place uuid.UUID `db:"place_id"`
		exchange.PlaceReading
	}
	// As they were read: single precision is kept, which would be written with its noise.
	err = sqlx.SelectContext(ctx, s.q(), &readings, `select place_id, at,
			round(temperature::numeric, 3)::float8 as temperature, round(humidity::numeric, 3)::float8 as humidity
		from place_readings where collection_id = $1 order by place_id, at`, collection)
	if err != nil {
		return fmt.Errorf("reading the readings of places: %w", err)
	}
	for _, r := range readings {
		p := at[r.Place]
		r.At = r.At.UTC()
		p.Readings = append(p.Readings, r.PlaceReading)
	}
	return nil
}

// importAir takes over what was read in places, and where the collection is where nobody
// here has said so. What stands is left alone.
func (s *Store) importAir(ctx context.Context, tx *sqlx.Tx, a Account, in exchange.Archive,
	moved map[uuid.UUID]uuid.UUID, today day.Day,
) error {
	_, said, err := loadSetting[place.Site](ctx, tx, a.Collection.ID, siteKey)
	if err != nil {
		return err
	}
	if in.Site != nil && !said {
		if err := s.SaveSite(ctx, a, *in.Site); err != nil {
			return err
		}
	}
	zone, err := time.LoadLocation(a.Collection.TimeZone)
	if err != nil {
		zone = time.UTC
	}
	for _, p := range in.Places {
		at := p.ID
		if here, is := moved[p.ID]; is {
			at = here
		}
		for _, l := range p.Lights {
			if err := s.keepLight(ctx, a, at, l.ID, l.LightRead); err != nil {
				return err
			}
		}
		if len(p.Readings) == 0 {
			continue
		}
		rows := make([]logger.Row, len(p.Readings))
		for i, r := range p.Readings {
			rows[i] = logger.Row{At: r.At, TempC: r.TempC, Humidity: r.Humidity}
		}
		slices.SortFunc(rows, func(a, b logger.Row) int { return a.At.Compare(b.At) })
		if err := s.takeReadings(ctx, tx, a.Collection.ID, at, rows, zone); err != nil {
			return err
		}
	}
	return s.RemakeAir(ctx, a.Collection, today)
}

// takeReadings keeps readings of a place that an archive brings, and their days.
func (s *Store) takeReadings(
	ctx context.Context, tx *sqlx.Tx, collection, at uuid.UUID, rows []logger.Row, zone *time.Location,
) error {
	for from := 0; from < len(rows); from += readingsAtOnce {
		if _, err := addReadings(ctx, tx, collection, at, rows[from:min(len(rows), from+readingsAtOnce)]); err != nil {
			return err
		}
	}
	return remakeDays(ctx, tx, collection, at, rows[0].At, rows[len(rows)-1].At, zone)
}
