package store

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/exchange"
	"tendermend/record"
)

// Archive gathers a collection, or one plant of it, with all that was recorded;
// with its pictures where they are wanted.
func (s *Store) Archive(ctx context.Context, c Collection, only *uuid.UUID, pictures bool, today day.Day) (exchange.Archive, error) {
	a := exchange.Archive{Format: exchange.Format, Written: today, Collection: c.Name, Places: []exchange.Place{}, Supplies: []exchange.Supply{}, Plants: []exchange.Plant{}}
	places, err := s.Places(ctx, c.ID)
	if err != nil {
		return a, err
	}
	for _, p := range places {
		a.Places = append(a.Places, exchange.Place{ID: p.ID, Name: p.Name, Light: p.Light, Isolation: p.Isolation})
	}
	own, err := s.Kinds(ctx, c.ID)
	if err != nil {
		return a, err
	}
	a.Kinds = own.All()[:len(own)]
	if only == nil {
		if a.Supplies, err = s.archivedSupplies(ctx, c.ID); err != nil {
			return a, err
		}
	}
	var ids []uuid.UUID
	where, args := `collection_id = $1`, []any{c.ID}
	if only != nil {
		where, args = where+` and id = $2`, append(args, *only)
	}
	if err := s.DB.SelectContext(ctx, &ids, `select id from plants where `+where+` order by arrived_on, id`, args...); err != nil {
		return a, fmt.Errorf("listing plants: %w", err)
	}
	if only != nil && len(ids) == 0 {
		return a, ErrNotFound
	}
	for _, id := range ids {
		p := exchange.Plant{ID: id, Pictures: []exchange.Picture{}}
		if p.Entries, err = loadEntries(ctx, s.DB, c.ID, id); err != nil {
			return a, err
		}
		for _, e := range p.Entries {
			if e.Arrived != nil {
				p.Name = e.Arrived.Name
			}
		}
		if pictures {
			var rows []Picture
			if err := s.DB.SelectContext(ctx, &rows, `select id, plant_id, width, height, digest, body, small, recorded_at from pictures where collection_id = $1 and plant_id = $2 order by recorded_at, id`, c.ID, id); err != nil {
				return a, fmt.Errorf("reading pictures: %w", err)
			}
			for _, r := range rows {
				p.Pictures = append(p.Pictures, exchange.Picture{ID: r.ID, Width: r.Width, Height: r.Height, RecordedAt: r.RecordedAt.UTC(), Digest: r.Digest, JPEG: r.Body, Small: r.Small})
			}
		}
		a.Plants = append(a.Plants, p)
	}
	return a, nil
}

func (s *Store) archivedSupplies(ctx context.Context, collection uuid.UUID) ([]exchange.Supply, error) {
	list := []exchange.Supply{}
	supplies, err := s.Supplies(ctx, collection)
	if err != nil {
		return nil, err
	}
	for _, x := range supplies {
		one := exchange.Supply{ID: x.ID, Name: x.Name, Unit: x.Unit, Low: x.Low, Price: x.Price, Moves: []exchange.SupplyMove{}}
		var moves []struct {
			ID     uuid.UUID `db:"id"`
			On     day.Day   `db:"on_day"`
			Amount float64   `db:"amount"`
			Why    string    `db:"why"`
		}
		if err := s.DB.SelectContext(ctx, &moves, `select id, on_day, amount, why from supply_moves where collection_id = $1 and supply_id = $2 and entry_id is null order by recorded_at, id`, collection, x.ID); err != nil {
			return nil, fmt.Errorf("reading the cupboard: %w", err)
		}
		for _, m := range moves {
			one.Moves = append(one.Moves, exchange.SupplyMove{ID: m.ID, On: m.On, Amount: m.Amount, Why: m.Why})
		}
		list = append(list, one)
	}
	return list, nil
}

// Import takes an archive over into a collection. What is there already is left
// alone; places are found by name. Refusals are record.Faults, ErrConflict means
// that an id is used for something else.
func (s *Store) Import(ctx context.Context, a Account, in exchange.Archive, today day.Day) (added Added, err error) {
	moved, err := s.importPlaces(ctx, a.Collection.ID, in.Places)
	if err != nil {
		return added, err
	}
	for _, k := range in.Kinds {
		if !strings.HasPrefix(k.ID, "own:") {
			return added, record.Faults{{Field: "kinds", Message: fmt.Sprintf("the kind %q is none that a collection added", k.ID)}}
		}
		version, err := s.KindVersion(ctx, a.Collection.ID, k.ID)
		if err != nil {
			return added, err
		}
		if version == 0 {
			if err := s.SaveKind(ctx, a, k, 0, false); err != nil {
				return added, err
			}
		}
	}
	known, err := s.Supplies(ctx, a.Collection.ID)
	if err != nil {
		return added, err
	}
	have := map[uuid.UUID]bool{}
	for _, x := range known {
		have[x.ID] = true
	}
	for _, x := range in.Supplies {
		if !have[x.ID] {
			if err := s.SaveSupply(ctx, a, Supply{ID: x.ID, Name: x.Name, Unit: x.Unit, Low: x.Low, Price: x.Price}, false); err != nil {
				return added, err
			}
		}
		for _, m := range x.Moves {
			if err := s.Stock(ctx, a, m.ID, x.ID, m.On, m.Amount, m.Why); err != nil {
				return added, err
			}
		}
	}
	// All plants or none: a file that breaks off in the middle leaves nothing half
	// done.
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		for _, p := range in.Plants {
			got, err := s.importPlant(ctx, tx, a, s.recordOf(p, moved), today, false)
			if errors.Is(err, ErrConflict) {
				return fmt.Errorf("plant %s (%s): %w", p.ID, p.Name, err)
			}
			if err != nil {
				return err
			}
			added.Plants += got.Plants
			added.Entries += got.Entries
			added.Pictures += got.Pictures
			added.Known += got.Known
		}
		return nil
	})
	return added, err
}

// recordOf gives a plant of an archive as it is kept here.
func (s *Store) recordOf(p exchange.Plant, moved map[uuid.UUID]uuid.UUID) PlantRecord {
	one := PlantRecord{ID: p.ID, Entries: make([]record.Entry, len(p.Entries))}
	for i, e := range p.Entries {
		one.Entries[i] = inPlaces(e, moved)
		if e.RecordedAt.IsZero() { // a row of a register: it is recorded now
			one.Entries[i].RecordedAt = s.now()
		}
	}
	for _, x := range p.Pictures {
		one.Pictures = append(one.Pictures, Picture{ID: x.ID, PlantID: p.ID, Width: x.Width, Height: x.Height, Digest: x.Digest, Body: x.JPEG, Small: x.Small, RecordedAt: x.RecordedAt})
	}
	return one
}

// importPlaces finds or makes the places of an archive and says under which id
// each stands here.
func (s *Store) importPlaces(ctx context.Context, collection uuid.UUID, places []exchange.Place) (map[uuid.UUID]uuid.UUID, error) {
	here, err := s.Places(ctx, collection)
	if err != nil {
		return nil, err
	}
	byName, byID := map[string]uuid.UUID{}, map[uuid.UUID]bool{}
	for _, p := range here {
		byName[strings.ToLower(p.Name)], byID[p.ID] = p.ID, true
	}
	moved := map[uuid.UUID]uuid.UUID{}
	for _, p := range places {
		if byID[p.ID] {
			continue
		}
		if at, known := byName[strings.ToLower(p.Name)]; known {
			moved[p.ID] = at
			continue
		}
		if err := s.AddPlace(ctx, collection, Place{ID: p.ID, Name: p.Name, Light: p.Light, Isolation: p.Isolation}); err != nil {
			return nil, err
		}
		byName[strings.ToLower(p.Name)], byID[p.ID] = p.ID, true
	}
	return moved, nil
}

// inPlaces turns an entry's place into the one under which it stands here.
func inPlaces(e record.Entry, moved map[uuid.UUID]uuid.UUID) record.Entry {
	switch {
	case e.Arrived != nil && e.Arrived.Place != nil:
		if at, is := moved[*e.Arrived.Place]; is {
			arrived := *e.Arrived
			arrived.Place = &at
			e.Arrived = &arrived
		}
	case e.Moved != nil && e.Moved.Place != nil:
		if at, is := moved[*e.Moved.Place]; is {
			to := *e.Moved
			to.Place = &at
			e.Moved = &to
		}
	}
	return e
}

// Registered gives the whole register, with what stands in each arrival.
func (s *Store) Registered(ctx context.Context, collection uuid.UUID) ([]exchange.Registered, error) {
	var rows []struct {
		ID        uuid.UUID              `db:"id"`
		On        day.Day                `db:"on_day"`
		Arrival   asJSON[record.Arrived] `db:"arrival"`
		PlaceName *string                `db:"place_name"`
		Botanical string                 `db:"botanical"`
		Standing  string                 `db:"standing"`
		Stage     string                 `db:"stage"`
		Isolation string                 `db:"isolation"`
		Causes    asJSON[[]string]       `db:"causes"`
		LastLook  day.Day                `db:"last_look"`
		Ended     *day.Day               `db:"ended_on"`
	}
	// The arrival that counts is the last one: a correction replaces the first.
	err := s.DB.SelectContext(ctx, &rows, `
		select p.id, p.arrived_on as on_day, e.body->'arrived' as arrival, pl.name as place_name, p.botanical, p.standing, p.stage, p.isolation, p.causes, p.last_look, p.ended_on
		from plants p
		join lateral (select body from entries e where e.collection_id = p.collection_id and e.plant_id = p.id and e.kind = 'arrived' order by recorded_at desc limit 1) e on true
		left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.collection_id = $1 and p.here order by lower(p.name), p.id`, collection)
	if err != nil {
		return nil, fmt.Errorf("listing the register: %w", err)
	}
	list := make([]exchange.Registered, len(rows))
	for i, r := range rows {
		list[i] = exchange.Registered{ID: r.ID, On: r.On, Arrival: r.Arrival.V, Botanical: r.Botanical, Standing: r.Standing, Stage: r.Stage, Isolation: r.Isolation, Causes: r.Causes.V, LastLook: r.LastLook, Ended: r.Ended}
		if r.PlaceName != nil {
			list[i].PlaceName = *r.PlaceName
		}
	}
	return list, nil
}
