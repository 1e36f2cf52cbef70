package store

import (
	"context"
	"fmt"
	"io"
	"maps"
	"slices"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/exchange"
	"tendermend/record"
)

// Outgoing is a collection, or one plant of it, on its way out: read in one
// transaction, plant by plant, as it stood when it was opened. Close it.
type Outgoing struct {
	ctx      context.Context
	conn     *sqlx.Conn
	tx       *sqlx.Tx
	store    *Store
	c        Collection
	ids      []uuid.UUID
	pictures bool
	head     exchange.Archive
}

// writer takes plants in the order of the archive.
type writer interface {
	Plant(exchange.Plant) error
	End() error
}

// Archive opens a collection to be written out, or one plant of it with the
// places, the kind and the supplies that its record names; with pictures where
// they are wanted. ErrNotFound means that the collection has no such plant. The
// context has to last until it is closed.
func (s *Store) Archive(
	ctx context.Context,
	c Collection,
	only *uuid.UUID,
	pictures bool,
	today day.Day,
) (*Outgoing, error) {
	conn, tx, err := s.snapshot(ctx)
	if err != nil {
		return nil, fmt.Errorf("opening the archive: %w", err)
	}
	out := &Outgoing{ctx: ctx, conn: conn, tx: tx, store: s.within(tx), c: c, pictures: pictures}
	if err := out.begin(only, today); err != nil {
		out.Close()
		return nil, err
	}
	return out, nil
}

// Close ends the transaction, and gives its connection back.
func (o *Outgoing) Close() {
	if o.tx != nil {
		_ = o.tx.Rollback()
	}
	if o.conn != nil {
		_ = o.conn.Close()
	}
}

// begin reads all but the plants.
func (o *Outgoing) begin(only *uuid.UUID, today day.Day) (err error) {
	o.head = exchange.Archive{Format: exchange.Format, Written: today, Collection: o.c.Name, Plants: []exchange.Plant{}}
	where, args := `collection_id = $1`, []any{o.c.ID}
	if only != nil {
		where, args = where+` and id = $2`, append(args, *only)
	}
	err = o.tx.SelectContext(o.ctx, &o.ids, `select id from plants where `+where+` order by arrived_on, id`, args...)
	if err != nil {
		return fmt.Errorf("listing plants: %w", err)
	}
	if only != nil && len(o.ids) == 0 {
		return ErrNotFound
	}
	if o.head.Places, err = o.store.archivedPlaces(o.ctx, o.c.ID); err != nil {
		return err
	}
	if o.head.Kinds, err = o.store.archivedKinds(o.ctx, o.c.ID); err != nil {
		return err
	}
	if o.head.Supplies, err = o.store.archivedSupplies(o.ctx, o.c.ID); err != nil {
		return err
	}
	if only == nil {
		if at, said, err := loadSetting[place.Site](o.ctx, o.tx, o.c.ID, siteKey); err != nil {
			return err
		} else if said {
			o.head.Site = &at
		}
		if o.head.Decided, err = archivedDecided(o.ctx, o.tx, o.c.ID); err != nil {
			return err
		}
		if o.head.Trips, err = o.store.allTrips(o.ctx, o.c.ID); err != nil {
			return err
		}
		o.head.Cases, err = takenCases(o.ctx, o.tx, o.c.ID, 0)
		return err
	}
	one, err := o.plant(*only)
	if err != nil {
		return err
	}
	alone := o.head
	alone.Plants = []exchange.Plant{one}
	o.head = alone.Alone()
	return nil
}

// plant reads one plant.
func (o *Outgoing) plant(id uuid.UUID) (p exchange.Plant, err error) {
	p = exchange.Plant{ID: id, Pictures: []exchange.Picture{}}
	if p.Entries, err = loadEntries(o.ctx, o.tx, o.c.ID, id); err != nil {
		return p, err
	}
	if e, ok := record.Arrival(p.Entries); ok {
		p.Name = e.Arrived.Name
	}
	if !o.pictures {
		return p, nil
	}
	var rows []Picture
	err = o.tx.SelectContext(o.ctx, &rows, `
		select id, plant_id, width, height, digest, body, small, recorded_at from pictures
		where collection_id = $1 and plant_id = $2 order by recorded_at, id`, o.c.ID, id)
	if err != nil {
		return p, fmt.Errorf("reading pictures: %w", err)
	}
	for _, r := range rows {
		p.Pictures = append(p.Pictures, exchange.Picture{
			ID:         r.ID,
			Width:      r.Width,
			Height:     r.Height,
			RecordedAt: r.RecordedAt.UTC(),
			Digest:     r.Digest,
			JPEG:       r.Body,
			Small:      r.Small,
		})
	}
	return p, nil
}

// JSON writes it as an archive.
func (o *Outgoing) JSON(w io.Writer) error {
	out, err := exchange.Begin(w, o.head)
	if err != nil {
		return err
	}
	return o.write(out)
}

// Table writes its entries as CSV.
func (o *Outgoing) Table(w io.Writer) error {
	out, err := exchange.BeginEntries(w, o.head.Places)
	if err != nil {
		return err
	}
	return o.write(out)
}

func (o *Outgoing) write(to writer) error {
	for _, id := range o.ids {
		p, err := o.plant(id)
		if err != nil {
			return err
		}
		if err := to.Plant(p); err != nil {
			return err
		}
	}
	return to.End()
}

func (s *Store) archivedPlaces(ctx context.Context, collection uuid.UUID) ([]exchange.Place, error) {
	list := []exchange.Place{}
	places, err := s.places(ctx, collection, `true`)
	if err != nil {
		return nil, fmt.Errorf("reading the places: %w", err)
	}
	for _, p := range places {
		list = append(list, exchange.Place{
			ID: p.ID, Name: p.Name, Light: p.Light, Isolation: p.Isolation, Details: p.Details, PartOf: p.PartOf,
			Gone: p.Gone,
		})
	}
	return list, s.archivedAir(ctx, collection, list)
}

func (s *Store) archivedKinds(ctx context.Context, collection uuid.UUID) ([]exchange.Kind, error) {
	list := []exchange.Kind{}
	all, err := s.kindVersions(ctx, collection)
	if err != nil {
		return nil, err
	}
	for _, id := range slices.Sorted(maps.Keys(all)) {
		versions := all[id]
		newest := versions[len(versions)-1]
		kind := exchange.Kind{Profile: newest.Body.V, Withdrawn: newest.Withdrawn}
		for _, v := range versions {
			kind.Versions = append(kind.Versions, exchange.KindVersion{
				Profile: v.Body.V, Withdrawn: v.Withdrawn, RecordedAt: v.RecordedAt.UTC(),
			})
		}
		list = append(list, kind)
	}
	return list, nil
}

func (s *Store) archivedSupplies(ctx context.Context, collection uuid.UUID) ([]exchange.Supply, error) {
	supplies, err := s.newestSupplies(ctx, collection)
	if err != nil {
		return nil, err
	}
	var rows []struct {
		ID     uuid.UUID `db:"id"`
		Supply uuid.UUID `db:"supply_id"`
		On     day.Day   `db:"on_day"`
		Amount float64   `db:"amount"`
		Why    string    `db:"why"`
	}
	err = sqlx.SelectContext(ctx, s.q(), &rows, `
		select id, supply_id, on_day, amount, why from supply_moves
		where collection_id = $1 and entry_id is null order by recorded_at, id`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the cupboard: %w", err)
	}
	moves := map[uuid.UUID][]exchange.SupplyMove{}
	for _, m := range rows {
		moves[m.Supply] = append(moves[m.Supply], exchange.SupplyMove{ID: m.ID, On: m.On, Amount: m.Amount, Why: m.Why})
	}
	list := []exchange.Supply{}
	for _, x := range supplies {
		list = append(list, exchange.Supply{
			ID:        x.ID,
			Name:      x.Name,
			Unit:      x.Unit,
			Low:       x.Low,
			Price:     x.Price,
			Withdrawn: x.Withdrawn,
			Moves:     append([]exchange.SupplyMove{}, moves[x.ID]...),
		})
	}
	return list, nil
}

// Registered gives the whole register, with what stands in each arrival that
// counts.
func (s *Store) Registered(ctx context.Context, collection uuid.UUID) ([]exchange.Registered, error) {
	var rows []struct {
		ID        uuid.UUID        `db:"id"`
		On        day.Day          `db:"on_day"`
		PlaceName *string          `db:"place_name"`
		Botanical string           `db:"botanical"`
		Standing  string           `db:"standing"`
		Stage     string           `db:"stage"`
		Isolation string           `db:"isolation"`
		Causes    asJSON[[]string] `db:"causes"`
		LastLook  day.Day          `db:"last_look"`
		Ended     *day.Day         `db:"ended_on"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select p.id, p.arrived_on as on_day, pl.name as place_name, p.botanical, p.standing, p.stage, p.isolation,
			p.causes, p.last_look, p.ended_on
		from plants p
		left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.collection_id = $1 and p.here order by lower(p.name), p.id`, collection)
	if err != nil {
		return nil, fmt.Errorf("listing the register: %w", err)
	}
	arrivals, err := s.arrivals(ctx, collection)
	if err != nil {
		return nil, err
	}
	list := make([]exchange.Registered, len(rows))
	for i, r := range rows {
		arrival, ok := record.Arrival(arrivals[r.ID])
		if !ok {
			return nil, fmt.Errorf("plant %s stands in the register without an arrival", r.ID)
		}
		list[i] = exchange.Registered{
			ID:        r.ID,
			On:        r.On,
			Arrival:   *arrival.Arrived,
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

// arrivals gives, by plant, the entries that tell which arrival counts: all
// arrivals, and what was taken back.
func (s *Store) arrivals(ctx context.Context, collection uuid.UUID) (map[uuid.UUID][]record.Entry, error) {
	list, err := selectEntries(ctx, s.q(), `e.kind in ('arrived', 'voided')`, collection)
	if err != nil {
		return nil, err
	}
	by := map[uuid.UUID][]record.Entry{}
	for _, e := range list {
		by[e.PlantID] = append(by[e.PlantID], e)
	}
	return by, nil
}
