package store

import (
	"context"
	"fmt"
	"math"

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

// ChangeAir makes a change of a place, its readings or the site and works the air of every place
// out anew: both or neither. Changes of one collection wait for each other, so that none is
// reckoned from what another is about to replace.
func (s *Store) ChangeAir(ctx context.Context, c Collection, today day.Day, change func(*Store) error) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := lockSettings(ctx, tx, c.ID); err != nil {
			return err
		}
		changing := s.within(tx)
		if err := change(changing); err != nil {
			return err
		}
		return changing.RemakeAir(ctx, c, today)
	})
}

// RemakeAir works the air of every place out anew, after a place, its readings or the site
// changed. The lists of what stands where it is another now are left to SettleAir.
func (s *Store) RemakeAir(ctx context.Context, c Collection, today day.Day) error {
	known, err := s.PlacesKnown(ctx, c, today)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		around, err := surround(ctx, tx, c.ID)
		if err != nil {
			return err
		}
		for _, p := range known.Places {
			was, had := around.Airs.V[p.ID]
			var now *place.YearAir
			if p.Details != nil {
				air := place.AirOf(p.Details.Year(known.Site, known.Of(p), today), *p.Details, known.Site)
				if air.Since = today; had && was.Since > 0 {
					air.Since = was.Since
				}
				now = &air
			}
			if now == nil && !had || now != nil && had && was == *now {
				continue
			}
			if _, err := tx.ExecContext(ctx, `update places set air = $3, air_left = case when exists
				(select from plants x where x.collection_id = $1 and x.place_id = $2) then $4::uuid end
				where collection_id = $1 and id = $2`, c.ID, p.ID, orNull(now), uuid.Nil); err != nil {
				return fmt.Errorf("keeping the air of a place: %w", err)
			}
		}
		return nil
	})
}

// settledAtOnce is how many plants are written anew in one transaction.
const settledAtOnce = 50

// SettleAir writes the lists anew of plants that stand where the air changed, up to about so
// many, and says whether any are left. Where it was broken off it goes on.
func (s *Store) SettleAir(ctx context.Context, c Collection, most int) (left bool, err error) {
	for done := 0; done < most; {
		n, more, err := s.settleSome(ctx, c)
		if err != nil || !more {
			return false, err
		}
		done += n
	}
	return true, nil
}

// settleSome writes some plants of one place anew; more is false where no place has any left.
func (s *Store) settleSome(ctx context.Context, c Collection) (n int, more bool, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		var open []struct {
			ID   uuid.UUID `db:"id"`
			Left uuid.UUID `db:"air_left"`
		}
		if err := tx.SelectContext(ctx, &open, `select id, air_left from places where collection_id = $1
			and air_left is not null order by id limit 1 for update skip locked`, c.ID); err != nil {
			return fmt.Errorf("asking where the air changed: %w", err)
		}
		if more = len(open) > 0; !more {
			return nil
		}
		var ids []uuid.UUID
		if err := tx.SelectContext(ctx, &ids, `select id from plants where collection_id = $1 and here and place_id = $2
			and id > $3 order by id limit $4 for update`, c.ID, open[0].ID, open[0].Left, settledAtOnce); err != nil {
			return fmt.Errorf("locking what stands there: %w", err)
		}
		var last *uuid.UUID
		if n = len(ids); n == settledAtOnce {
			last = &ids[n-1]
		}
		if err := projectAll(ctx, tx, c, ids); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `update places set air_left = $3 where collection_id = $1 and id = $2`,
			c.ID, open[0].ID, last)
		return err
	})
	return n, more, err
}

// SettleAll finishes what was left of changed air in any collection.
func (s *Store) SettleAll(ctx context.Context) error {
	var open []Collection
	err := sqlx.SelectContext(ctx, s.q(), &open, `select id, name, time_zone, south from collections c
		where exists (select from places p where p.collection_id = c.id and p.air_left is not null)`)
	if err != nil {
		return fmt.Errorf("asking where the air changed: %w", err)
	}
	for _, c := range open {
		if _, err := s.SettleAir(ctx, c, math.MaxInt); err != nil {
			return err
		}
	}
	return nil
}
