package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record"
)

// Supply is something in the cupboard.
type Supply struct {
	ID    uuid.UUID `db:"id" json:"id"`
	Name  string    `db:"name" json:"name" maxLength:"80"`
	Unit  string    `db:"unit" json:"unit" enum:"ml,l,g,kg,pieces"`
	Low   float64   `db:"low" json:"low" minimum:"0" doc:"At or under this much it stands on the shopping list."`
	Price *float64  `db:"price" json:"price,omitempty" minimum:"0" doc:"Of one unit, in the collection's money."`
	Stock float64   `db:"stock" json:"stock" doc:"How much is left; may fall below 0 when more was used than was written down."`
	// Version is the one that a change must be made from; 0 for a new supply.
	Version int `db:"version" json:"version"`
}

// supplyRow is the newest version of a supply.
type supplyRow struct {
	Supply
	Withdrawn bool `db:"withdrawn"`
}

// Supplies lists the cupboard by name.
func (s *Store) Supplies(ctx context.Context, collection uuid.UUID) ([]Supply, error) {
	rows, err := s.newestSupplies(ctx, collection)
	if err != nil {
		return nil, err
	}
	list := []Supply{}
	for _, r := range rows {
		if !r.Withdrawn {
			list = append(list, r.Supply)
		}
	}
	return list, nil
}

// newestSupplies gives the newest version of each supply by name, withdrawn ones
// too.
func (s *Store) newestSupplies(ctx context.Context, collection uuid.UUID) (rows []supplyRow, err error) {
	err = sqlx.SelectContext(ctx, s.q(), &rows, `
		select n.id, n.name, n.unit, n.low, n.price, n.version, n.withdrawn, coalesce(m.stock, 0) as stock
		from (select distinct on (id) * from supplies where collection_id = $1 order by id, version desc) n
		left join (select supply_id, sum(amount) as stock from supply_moves where collection_id = $1 group by supply_id) m on m.supply_id = n.id
		order by lower(n.name), n.id`, collection)
	if err != nil {
		return nil, fmt.Errorf("reading the cupboard: %w", err)
	}
	return rows, nil
}

// SaveSupply adds a version of a supply, or withdraws it. The same again does
// nothing; ErrConflict means that it was changed since.
func (s *Store) SaveSupply(ctx context.Context, a Account, p Supply, withdrawn bool) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `select from collections where id = $1 for update`, a.Collection.ID); err != nil {
			return err
		}
		var newest []supplyRow
		err := tx.SelectContext(ctx, &newest, `
			select id, name, unit, low, price, version, withdrawn, 0 as stock from supplies where collection_id = $1 and id = $2 order by version desc limit 1`, a.Collection.ID, p.ID)
		if err != nil {
			return err
		}
		version := 0
		if len(newest) > 0 {
			old := newest[0]
			version = old.Version
			if old.Name == p.Name && old.Unit == p.Unit && old.Low == p.Low && samePrice(old.Price, p.Price) &&
				old.Withdrawn == withdrawn {
				return nil
			}
		}
		if version != p.Version {
			return ErrConflict
		}
		_, err = tx.ExecContext(ctx, `
			insert into supplies (collection_id, id, version, name, unit, low, price, withdrawn, recorded_at, by_user) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
			a.Collection.ID, p.ID, version+1, p.Name, p.Unit, p.Low, p.Price, withdrawn, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("saving a supply: %w", err)
		}
		return nil
	})
}

func samePrice(a, b *float64) bool { return a == nil && b == nil || a != nil && b != nil && *a == *b }

// Stock puts something into the cupboard, or takes it out. The same id again
// does nothing; ErrNotFound means that there is no such supply.
func (s *Store) Stock(
	ctx context.Context,
	a Account,
	id, supply uuid.UUID,
	on day.Day,
	amount float64,
	why string,
) error {
	result, err := s.q().ExecContext(ctx, `
		insert into supply_moves (collection_id, id, supply_id, on_day, amount, why, recorded_at, by_user)
		select $1, $2, $3, $4, $5, $6, $7, $8 where exists (select from supplies where collection_id = $1 and id = $3)
		on conflict (collection_id, id) do nothing`, a.Collection.ID, id, supply, on, amount, why, s.now(), a.User.ID)
	if err != nil {
		return fmt.Errorf("stocking the cupboard: %w", err)
	}
	if n, err := result.RowsAffected(); err != nil || n > 0 {
		return err
	}
	var known bool
	if err := sqlx.GetContext(ctx, s.q(), &known, `select exists (select from supplies where collection_id = $1 and id = $2)`, a.Collection.ID, supply); err != nil {
		return err
	}
	if !known {
		return ErrNotFound
	}
	return nil
}

// useUp makes the cupboard agree with what a plant's counting entries used:
// steps that were undone or corrected give back what they took.
func (s *Store) useUp(ctx context.Context, tx *sqlx.Tx, a Account, entries []record.Entry) error {
	type key struct{ entry, supply uuid.UUID }
	wanted := map[key]float64{}
	days := map[uuid.UUID]day.Day{}
	live := record.Live(entries)
	for _, e := range entries {
		if e.Did == nil {
			continue
		}
		for _, u := range e.Did.Used {
			days[e.ID] = e.On
			if live[e.ID] {
				wanted[key{e.ID, u.Supply}] -= u.Amount
			} else {
				wanted[key{e.ID, u.Supply}] += 0
			}
		}
	}
	for k, want := range wanted {
		var stands float64
		err := tx.GetContext(
			ctx,
			&stands,
			`select coalesce(sum(amount), 0) from supply_moves where collection_id = $1 and entry_id = $2 and supply_id = $3`,
			a.Collection.ID,
			k.entry,
			k.supply,
		)
		if err != nil {
			return err
		}
		if want == stands {
			continue
		}
		result, err := tx.ExecContext(
			ctx,
			`
			insert into supply_moves (collection_id, id, supply_id, on_day, amount, why, entry_id, recorded_at, by_user)
			select $1, $2, $3, $4, $5, 'a step of a plan', $6, $7, $8 where exists (select from supplies where collection_id = $1 and id = $3)`,
			a.Collection.ID,
			uuid.Must(uuid.NewV7()),
			k.supply,
			days[k.entry],
			want-stands,
			k.entry,
			s.now(),
			a.User.ID,
		)
		if err != nil {
			return fmt.Errorf("using up a supply: %w", err)
		}
		if n, err := result.RowsAffected(); err != nil {
			return err
		} else if n == 0 {
			return record.Faults{{Field: "did.used", Message: "there is no such supply in the cupboard; pick one from the list"}}
		}
	}
	return nil
}
