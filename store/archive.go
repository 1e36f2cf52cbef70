package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"

	"tendermend/core/day"
	"tendermend/exchange"
	"tendermend/record"
)

// Archive gathers a collection, or one plant of it with the places, the kind and
// the supplies that its record names; with pictures where they are wanted.
// ErrNotFound means that the collection has no such plant.
func (s *Store) Archive(
	ctx context.Context,
	c Collection,
	only *uuid.UUID,
	pictures bool,
	today day.Day,
) (exchange.Archive, error) {
	a := exchange.Archive{
		Format:     exchange.Format,
		Written:    today,
		Collection: c.Name,
		Places:     []exchange.Place{},
		Kinds:      []exchange.Kind{},
		Supplies:   []exchange.Supply{},
		Plants:     []exchange.Plant{},
	}
	var ids []uuid.UUID
	where, args := `collection_id = $1`, []any{c.ID}
	if only != nil {
		where, args = where+` and id = $2`, append(args, *only)
	}
	err := s.DB.SelectContext(ctx, &ids, `select id from plants where `+where+` order by arrived_on, id`, args...)
	if err != nil {
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
				p.Pictures = append(
					p.Pictures,
					exchange.Picture{
						ID:         r.ID,
						Width:      r.Width,
						Height:     r.Height,
						RecordedAt: r.RecordedAt.UTC(),
						Digest:     r.Digest,
						JPEG:       r.Body,
						Small:      r.Small,
					},
				)
			}
		}
		a.Plants = append(a.Plants, p)
	}
	if a.Places, err = s.archivedPlaces(ctx, c.ID); err != nil {
		return a, err
	}
	if a.Kinds, err = s.archivedKinds(ctx, c.ID); err != nil {
		return a, err
	}
	if a.Supplies, err = s.archivedSupplies(ctx, c.ID); err != nil {
		return a, err
	}
	if only != nil {
		a = a.Alone()
	}
	return a, nil
}

func (s *Store) archivedPlaces(ctx context.Context, collection uuid.UUID) ([]exchange.Place, error) {
	list := []exchange.Place{}
	places, err := s.Places(ctx, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the places: %w", err)
	}
	for _, p := range places {
		list = append(list, exchange.Place{ID: p.ID, Name: p.Name, Light: p.Light, Isolation: p.Isolation})
	}
	return list, nil
}

func (s *Store) archivedKinds(ctx context.Context, collection uuid.UUID) ([]exchange.Kind, error) {
	list := []exchange.Kind{}
	rows, err := newestKinds(ctx, s.DB, collection)
	if err != nil {
		return nil, err
	}
	for _, r := range rows {
		list = append(list, exchange.Kind{Profile: r.Body.V, Withdrawn: r.Withdrawn})
	}
	return list, nil
}

func (s *Store) archivedSupplies(ctx context.Context, collection uuid.UUID) ([]exchange.Supply, error) {
	list := []exchange.Supply{}
	supplies, err := s.newestSupplies(ctx, collection)
	if err != nil {
		return nil, err
	}
	for _, x := range supplies {
		one := exchange.Supply{
			ID:        x.ID,
			Name:      x.Name,
			Unit:      x.Unit,
			Low:       x.Low,
			Price:     x.Price,
			Withdrawn: x.Withdrawn,
			Moves:     []exchange.SupplyMove{},
		}
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
		list[i] = exchange.Registered{
			ID:        r.ID,
			On:        r.On,
			Arrival:   r.Arrival.V,
			Botanical: r.Botanical,
			Standing:  r.Standing,
			Stage:     r.Stage,
			Isolation: r.Isolation,
			Causes:    r.Causes.V,
			LastLook:  r.LastLook,
			Ended:     r.Ended,
		}
		if r.PlaceName != nil {
			list[i].PlaceName = *r.PlaceName
		}
	}
	return list, nil
}
