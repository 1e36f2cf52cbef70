package store

import (
	"context"
	"fmt"
	"slices"

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
	Stock float64   `db:"stock" json:"stock" doc:"How much is left; below 0 where more was used than written down."`
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
		left join (select supply_id, sum(amount) as stock from supply_moves where collection_id = $1
			group by supply_id) m on m.supply_id = n.id
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
			select id, name, unit, low, price, version, withdrawn, 0 as stock from supplies
				where collection_id = $1 and id = $2 order by version desc limit 1`, a.Collection.ID, p.ID)
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
			insert into supplies (collection_id, id, version, name, unit, low, price, withdrawn, recorded_at, by_user)
				values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
			a.Collection.ID, p.ID, version+1, p.Name, p.Unit, p.Low, p.Price, withdrawn, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("saving a supply: %w", err)
		}
		return nil
	})
}

func samePrice(a, b *float64) bool { return a == nil && b == nil || a != nil && b != nil && *a == *b }

// Stock puts something into the cupboard, or takes it out. The same again does nothing; ErrConflict means
// that the id is another move's, ErrNotFound that there is no such supply. Taking out more than stands there is a
// record.Concerns, unless it was accepted.
func (s *Store) Stock(ctx context.Context, a Account, m StockMove, accepted ...record.ConcernID) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `select from collections where id = $1 for update`, a.Collection.ID); err != nil {
			return err
		}
		var known []bool
		if err := tx.SelectContext(ctx, &known, `select supply_id = $3 and on_day = $4 and amount = $5 and why = $6
			from supply_moves where collection_id = $1 and id = $2`,
			a.Collection.ID, m.ID, m.Supply, m.On, m.Amount, m.Why); err != nil {
			return fmt.Errorf("asking for a move of stock: %w", err)
		}
		switch {
		case len(known) > 0 && known[0]:
			return nil
		case len(known) > 0:
			return ErrConflict
		}
		rows, err := s.within(tx).newestSupplies(ctx, a.Collection.ID)
		if err != nil {
			return err
		}
		i := slices.IndexFunc(rows, func(r supplyRow) bool { return r.ID == m.Supply })
		if i < 0 {
			return ErrNotFound
		}
		if unmet := m.concerns(rows[i].Supply).Unmet(accepted); len(unmet) > 0 {
			return unmet
		}
		_, err = tx.ExecContext(ctx, `
			insert into supply_moves (collection_id, id, supply_id, on_day, amount, why, recorded_at, by_user)
			values ($1, $2, $3, $4, $5, $6, $7, $8)`,
			a.Collection.ID, m.ID, m.Supply, m.On, m.Amount, m.Why, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("stocking the cupboard: %w", err)
		}
		return nil
	})
}

// StockMove is something that went into the cupboard, or out of it.
type StockMove struct {
	ID, Supply uuid.UUID
	On         day.Day
	Amount     float64 // in the unit of the supply; below 0 where it went out
	Why        string
}

// rounding is what sums of amounts may differ by from what was meant, in any unit.
const rounding = 1e-6

func (m StockMove) concerns(of Supply) record.Concerns {
	if m.Amount >= 0 || of.Stock+m.Amount >= -rounding {
		return nil
	}
	const said = "Of %s %g %s stand in the cupboard, and %g are taken out."
	return record.Concerns{{
		ID: record.StockBelow, Said: fmt.Sprintf(said, of.Name, max(0, of.Stock), of.Unit, -m.Amount),
	}}
}

// use is what an entry takes of a supply.
type use struct {
	Entry  uuid.UUID `db:"entry_id"`
	Supply uuid.UUID `db:"supply_id"`
	Amount float64   `db:"amount"` // below 0 where it is taken
	on     day.Day
}

// uses lists what a plant's entries take, those that no longer count with
// nothing, in the order of the record.
func uses(entries []record.Entry) (list []use) {
	live := record.Live(entries)
	for _, e := range entries {
		if e.Did == nil {
			continue
		}
		for _, u := range e.Did.Used {
			taken := 0.0
			if live[e.ID] {
				taken = -u.Amount
			}
			same := func(x use) bool { return x.Entry == e.ID && x.Supply == u.Supply }
			if i := slices.IndexFunc(list, same); i >= 0 {
				list[i].Amount += taken
				continue
			}
			list = append(list, use{e.ID, u.Supply, taken, e.On})
		}
	}
	return list
}

// useUp makes the cupboard agree with what a plant's counting entries used:
// steps that were undone or corrected give back what they took. It asks once for
// what stands, however many steps there were, and writes what differs.
func (s *Store) useUp(ctx context.Context, tx *sqlx.Tx, a Account, entries []record.Entry) error {
	wanted := uses(entries)
	if len(wanted) == 0 {
		return nil
	}
	ids := make([]string, len(wanted))
	for i, u := range wanted {
		ids[i] = u.Entry.String()
	}
	var written []use
	err := tx.SelectContext(ctx, &written, `
		select entry_id, supply_id, sum(amount) as amount from supply_moves
		where collection_id = $1 and entry_id = any($2::uuid[]) group by entry_id, supply_id`, a.Collection.ID, ids)
	if err != nil {
		return fmt.Errorf("reading what was used: %w", err)
	}
	stands := map[[2]uuid.UUID]float64{}
	for _, u := range written {
		stands[[2]uuid.UUID{u.Entry, u.Supply}] = u.Amount
	}
	for _, u := range wanted {
		differs := u.Amount - stands[[2]uuid.UUID{u.Entry, u.Supply}]
		if differs == 0 {
			continue
		}
		result, err := tx.ExecContext(ctx, `
			insert into supply_moves (collection_id, id, supply_id, on_day, amount, why, entry_id, recorded_at, by_user)
			select $1, $2, $3, $4, $5, 'a step of a plan', $6, $7, $8
			where exists (select from supplies where collection_id = $1 and id = $3)`,
			a.Collection.ID, uuid.Must(uuid.NewV7()), u.Supply, u.on, differs, u.Entry, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("using up a supply: %w", err)
		}
		if n, err := result.RowsAffected(); err != nil {
			return err
		} else if n == 0 {
			return record.Faults{{Field: "did.used", Message: "there is no such supply in the cupboard; pick one " +
				"from the list"}}
		}
	}
	return nil
}
