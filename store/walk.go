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
			err := sqlx.SelectContext(ctx, s.q(), &rows, `select `+rowColumns+`, p.tasks from `+rowTables+`
				where p.collection_id = $1 and p.id in (`+mostUrgent+`)`+walkOrder, collection, today, limit)
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
	spared := 0
	err = s.together(ctx,
		func(ctx context.Context) error {
			row := s.q().QueryRowxContext(ctx, `
				select count(*) filter (where next_due <= $2 and `+urgency+` > 0),
					coalesce(sum(due_minutes[width_bucket($2::date, due_days)]) filter (where next_due <= $2), 0), count(*)
				from plants where collection_id = $1 and here`, collection, today)
			if err := row.Scan(&w.Due, &w.Minutes, &w.Plants); err != nil {
				return fmt.Errorf("counting the walk: %w", err)
			}
			return nil
		},
		func(ctx context.Context) error {
			if len(off) == 0 {
				return nil
			}
			err := sqlx.GetContext(ctx, s.q(), &spared, `
				select coalesce(sum((due_jobs -> job ->> width_bucket($2::date, due_days) - 1)::int), 0)
				from plants, unnest($3::text[]) as job
				where collection_id = $1 and here and next_due <= $2 and due_jobs ? job`,
				collection, today, off)
			if err != nil {
				return fmt.Errorf("counting what is switched off: %w", err)
			}
			return nil
		})
	w.Minutes -= spared
	return w, err
}

// mostUrgent are the plants on which most rides by the day $2, at most $3.
const mostUrgent = `select p.id from plants p where p.collection_id = $1 and p.here and p.next_due <= $2
	and ` + urgency + ` > 0` + byUrgency + ` limit $3`

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
	err := sqlx.SelectContext(ctx, s.q(), &list, `
		select p.id, pl.name as place_name, coalesce(pl.isolation, false) as apart, p.isolation, p.due_terms,
			p.due_minutes[width_bucket($2::date, p.due_days)] - coalesce((
				select sum((p.due_jobs -> job ->> width_bucket($2::date, p.due_days) - 1)::int)
				from unnest($4::text[]) as job where p.due_jobs ? job), 0) as minutes
		from `+rowTables+` where p.collection_id = $1 and p.id in (`+mostUrgent+`)`+walkOrder,
		collection, today, limit, off)
	if err != nil {
		return nil, fmt.Errorf("weighing the walk: %w", err)
	}
	return list, nil
}

// DueAt gives some plants as a walk by today shows them, in its order.
func (s *Store) DueAt(ctx context.Context, collection uuid.UUID, today day.Day, ids []uuid.UUID) ([]Row, error) {
	rows := []Row{}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `select `+rowColumns+`, p.tasks from `+rowTables+`
		where p.collection_id = $1 and p.id = any($3) and p.here`+walkOrder, collection, today, texts(ids))
	if err != nil {
		return nil, fmt.Errorf("listing the walk: %w", err)
	}
	return rows, nil
}

// urgency is how much rides on what is due by the day, by the columns that
// project writes.
const urgency = `due_weights[width_bucket($2::date, due_days)]`

// byUrgency is what rides most on first, then what nobody has looked at since it
// came, then what has waited longest.
const byUrgency = `
	order by ` + urgency + ` desc, p.standing = 'arrived' desc, p.next_due, p.id`

// walkOrder is clean places first, isolated plants last, the most urgent first
// in a place.
const walkOrder = `
	order by case when p.isolation = 'isolated' or pl.isolation then 2 when p.isolation = 'watch' then 1 else 0 end,
		pl.position nulls last, ` + urgency + ` desc, p.next_due, p.id`
