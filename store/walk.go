package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/record/due"
)

// Walk is what a walk begins with: the most urgent plants that are due, in the
// order in which they are walked past.
type Walk struct {
	Rows    []Row
	Due     int // plants due in all
	Minutes int // for all of them
	Plants  int // in the collection
}

// Due gives the plants with something to do by today, the most urgent ones, at
// most limit of them. Jobs that the collection switched off take no time.
func (s *Store) Due(
	ctx context.Context,
	collection uuid.UUID,
	today day.Day,
	off []care.Job,
	limit int,
) (w Walk, err error) {
	rows := []Row{}
	err = s.together(ctx,
		func(ctx context.Context) (err error) {
			w, err = s.countDue(ctx, collection, today, off)
			return err
		},
		func(ctx context.Context) error {
			err := sqlx.SelectContext(ctx, s.q(), &rows, `with l as (`+mostUrgent+`)
				select `+rowColumns+` from l `+ofLoads+walkOrder, collection, today, limit)
			if err != nil {
				return fmt.Errorf("listing the walk: %w", err)
			}
			return nil
		})
	w.Rows = rows
	return w, err
}

// countDue counts the plants with something to do by today, and the minutes that they take.
func (s *Store) countDue(
	ctx context.Context, collection uuid.UUID, today day.Day, off []care.Job,
) (w Walk, err error) {
	spared, plants := 0, 0
	err = s.together(ctx,
		func(ctx context.Context) error {
			row := s.q().QueryRowxContext(ctx, `
				select count(*) filter (where weight > 0), coalesce(sum(minutes), 0)
				from due_loads l where `+loadsOn, collection, today)
			if err := row.Scan(&w.Due, &w.Minutes); err != nil {
				return fmt.Errorf("counting the walk: %w", err)
			}
			return nil
		},
		func(ctx context.Context) error {
			const here = `select count(*) from plants where collection_id = $1 and here`
			if err := sqlx.GetContext(ctx, s.q(), &plants, here, collection); err != nil {
				return fmt.Errorf("counting the plants: %w", err)
			}
			return nil
		},
		func(ctx context.Context) error {
			if len(off) == 0 {
				return nil
			}
			err := sqlx.GetContext(ctx, s.q(), &spared, `
				select coalesce(sum((l.jobs -> job)::integer), 0) from due_loads l, unnest($3::text[]) as job
				where `+loadsOn+` and l.jobs ? job`, collection, today, off)
			if err != nil {
				return fmt.Errorf("counting what is switched off: %w", err)
			}
			return nil
		})
	w.Minutes, w.Plants = w.Minutes-spared, plants
	return w, err
}

// Weighed is a plant with something to do, as far as a walk is weighed by it.
type Weighed struct {
	ID        uuid.UUID          `db:"id"`
	PlaceName *string            `db:"place_name"`
	Apart     bool               `db:"apart"`
	Isolation string             `db:"isolation"`
	Minutes   int                `db:"minutes"` // without those of jobs that are switched off
	Terms     asJSON[[]due.Term] `db:"due_terms"`
}

// WeighDue counts what is due by today, and gives what a walk by today is chosen from.
func (s *Store) WeighDue(
	ctx context.Context, collection uuid.UUID, today day.Day, off []care.Job, limit int,
) (w Walk, list []Weighed, err error) {
	err = s.together(ctx,
		func(ctx context.Context) (err error) {
			w, err = s.countDue(ctx, collection, today, off)
			return err
		},
		func(ctx context.Context) (err error) {
			list, err = s.weigh(ctx, collection, today, off, limit)
			return err
		})
	return w, list, err
}

// weigh gives what a walk by today is chosen from: the most urgent plants, at most limit of
// them, in the order in which they are walked past.
func (s *Store) weigh(
	ctx context.Context, collection uuid.UUID, today day.Day, off []care.Job, limit int,
) ([]Weighed, error) {
	list := []Weighed{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `with l as (`+mostUrgent+`)
		select p.id, pl.name as place_name, coalesce(pl.isolation, false) as apart, p.isolation, p.due_terms,
			l.minutes - coalesce((
				select sum((l.jobs -> job)::integer) from unnest($4::text[]) as job
				where l.jobs ? job), 0) as minutes
		from l `+ofLoads+walkOrder,
		collection, today, limit, off)
	if err != nil {
		return nil, fmt.Errorf("weighing the walk: %w", err)
	}
	return list, nil
}

// DueAt gives some plants as a walk by today shows them, in its order.
func (s *Store) DueAt(ctx context.Context, collection uuid.UUID, today day.Day, ids []uuid.UUID) ([]Row, error) {
	rows := []Row{}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `select `+rowColumns+` from due_loads l `+ofLoads+`
		where `+loadsOn+` and l.plant_id = any($3)`+walkOrder, collection, today, idsOf(ids))
	if err != nil {
		return nil, fmt.Errorf("listing the walk: %w", err)
	}
	return rows, nil
}

// loadsOn are the loads that stand on the day $2.
const loadsOn = `l.collection_id = $1 and l.from_day <= $2 and l.until_day > $2`

// mostUrgent are the loads of the day $2 on which most rides, at most $3: the weightiest first,
// then what nobody has looked at since it came, then what has waited longest. They are read
// off an index alone.
const mostUrgent = `select l.collection_id, l.plant_id, l.weight, l.minutes, l.jobs from due_loads l
	where ` + loadsOn + ` and l.weight > 0
	order by l.weight desc, l.unseen desc, l.next_due, l.plant_id limit $3`

// ofLoads are the plants of loads, with their places.
const ofLoads = `join plants p on p.collection_id = l.collection_id and p.id = l.plant_id
	left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id`

// walkOrder is clean places first, isolated plants last, the most urgent first
// in a place.
const walkOrder = `
	order by case when p.isolation = 'isolated' or pl.isolation then 2 when p.isolation = 'watch' then 1 else 0 end,
		pl.position nulls last, l.weight desc, p.next_due, p.id`
