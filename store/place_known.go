package store

import (
	"context"
	"fmt"
	"reflect"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/logger"
	"tendermend/core/place"
)

// daysBack is how many days of readings are looked at.
const daysBack = 60

// PlacesKnown are the places of a collection with what was read there.
type PlacesKnown struct {
	Site     place.Site
	Places   []Place
	Lights   map[uuid.UUID][]place.LightRead
	Days     map[uuid.UUID][]logger.ReadDay
	Outdoors map[day.Day]float64 // night minimum by day, as read outdoors
}

// PlacesKnown reads what is known of the places of a collection on a day.
func (s *Store) PlacesKnown(ctx context.Context, c Collection, today day.Day) (w PlacesKnown, err error) {
	if w.Site, err = s.Site(ctx, c); err != nil {
		return w, err
	}
	if w.Places, err = s.Places(ctx, c.ID); err != nil {
		return w, err
	}
	if w.Lights, err = s.Lights(ctx, c.ID); err != nil {
		return w, err
	}
	read, err := s.PlaceDays(ctx, c.ID, today-daysBack)
	w.Days, w.Outdoors = map[uuid.UUID][]logger.ReadDay{}, map[day.Day]float64{}
	for _, d := range read {
		w.Days[d.Place] = append(w.Days[d.Place], d.Day())
	}
	for _, p := range w.Places {
		if p.Details == nil || p.Details.Setting != place.Outdoors {
			continue
		}
		for _, d := range w.Days[p.ID] {
			if d.Counts() {
				w.Outdoors[d.On] = d.Low
			}
		}
	}
	return w, err
}

// Of is what readings teach of a place of which something is known.
func (w PlacesKnown) Of(p Place) place.Known {
	return p.Details.Learn(w.Site, w.Lights[p.ID], w.Days[p.ID], w.Outdoors)
}

// RemakeAir works the air of every place out anew, after a place, its readings or the site
// changed, and writes the lists anew of the plants that stand where it is another now. It
// gives their number.
func (s *Store) RemakeAir(ctx context.Context, c Collection, today day.Day) (plants int, err error) {
	known, err := s.PlacesKnown(ctx, c, today)
	if err != nil {
		return 0, err
	}
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		before, err := airs(ctx, tx, c.ID)
		if err != nil {
			return err
		}
		var changed []uuid.UUID
		for _, p := range known.Places {
			was, had := before[p.ID]
			var now *place.YearAir
			if p.Details != nil {
				air := place.AirOf(p.Details.Year(known.Site, known.Of(p), today), p.Details.Fan)
				now = &air
			}
			if now == nil && !had || now != nil && had && reflect.DeepEqual(was, *now) {
				continue
			}
			if _, err := tx.ExecContext(ctx, `update places set air = $3 where collection_id = $1 and id = $2`,
				c.ID, p.ID, orNull(now)); err != nil {
				return fmt.Errorf("keeping the air of a place: %w", err)
			}
			changed = append(changed, p.ID)
		}
		if len(changed) == 0 {
			return nil
		}
		var ids []uuid.UUID
		if err := tx.SelectContext(ctx, &ids, `select id from plants where collection_id = $1 and here
			and place_id = any($2) order by id for update`, c.ID, changed); err != nil {
			return fmt.Errorf("locking what stands there: %w", err)
		}
		plants = len(ids)
		return projectAll(ctx, tx, c, ids)
	})
	return plants, err
}

// airs gives the air of the places of which something is known.
func airs(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (map[uuid.UUID]place.YearAir, error) {
	var rows []struct {
		ID  uuid.UUID             `db:"id"`
		Air asJSON[place.YearAir] `db:"air"`
	}
	err := sqlx.SelectContext(ctx, q, &rows,
		`select id, air from places where collection_id = $1 and air is not null`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the air of places: %w", err)
	}
	all := map[uuid.UUID]place.YearAir{}
	for _, r := range rows {
		all[r.ID] = r.Air.V
	}
	return all, nil
}
