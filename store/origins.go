package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/core/origins"
	"tendermend/record"
)

// CameFrom is what became of a plant, with what it can be grouped by.
type CameFrom struct {
	origins.Plant
	Source  string   // where it came from, in small letters
	Origin  string   // the same as it was written
	Kind    string   // id of its kind; empty where nobody knows
	Habit   string   // how it grows
	Packing string   // how it travelled
	School  string   // of the plan of its first trouble; empty where it had none
	Tried   []string // what was tried on it
	Tags    []string // the box that it came in among them
	Own     bool     // whether it is a piece of a plant here
	BatchOf *uuid.UUID
}

// cameRow is a row as the database gives it.
type cameRow struct {
	ID        uuid.UUID
	Name      string
	Source    string
	Origin    string
	Kind      string
	Habit     string
	Packing   string
	School    string
	Tried     asJSON[[]string]
	Tags      asJSON[[]string]
	Mother    *uuid.UUID
	BatchOf   *uuid.UUID
	Came      day.Day
	Ended     *day.Day
	Standing  string
	Condition *int
	Paid      *float64
	Spent     *float64
	FellIll   *day.Day
	Mended    *day.Day
	InWork    bool
}

// columns are some columns of plants with the fields that they are read into.
type columns struct {
	sql  string
	into func(*cameRow) []any
}

// cameBy are the columns of each thing that plants are grouped by.
var cameBy = map[string]columns{
	"source": {"p.source, p.origin, p.mother_id, p.batch_of",
		func(r *cameRow) []any {
			return []any{&r.Source, &r.Origin, maybeIDTo{&r.Mother}, maybeIDTo{&r.BatchOf}}
		}},
	"tag": {"case when p.tags = '{}' then '[]'::jsonb else to_jsonb(p.tags) end",
		func(r *cameRow) []any { return []any{&r.Tags} }},
	"batch":   {"p.batch_of", func(r *cameRow) []any { return []any{maybeIDTo{&r.BatchOf}} }},
	"kind":    {"p.profile, p.habit", func(r *cameRow) []any { return []any{&r.Kind, &r.Habit} }},
	"packing": {"p.packing", func(r *cameRow) []any { return []any{&r.Packing} }},
	"school":  {"p.school", func(r *cameRow) []any { return []any{&r.School} }},
	"method": {`case when p.trials = '[]' then '[]'::jsonb else
		(select jsonb_agg(distinct one->>'what') from jsonb_array_elements(p.trials) one) end`,
		func(r *cameRow) []any { return []any{&r.Tried} }},
}

// CameFrom gives what became of every plant that came between two days, with the one thing by which they are
// grouped: source, tag, batch, kind, packing, school or method; in no order. Batches of pieces are no plants.
func (s *Store) CameFrom(ctx context.Context, collection uuid.UUID, from, to day.Day, by string) ([]CameFrom, error) {
	return s.came(ctx, collection, from, to, cameBy[by], "")
}

// CameNamed gives the same with each plant's id, name and condition, as they came.
func (s *Store) CameNamed(ctx context.Context, collection uuid.UUID, from, to day.Day, by string) ([]CameFrom, error) {
	named := columns{"p.id, p.name, p.condition, " + cameBy[by].sql, func(r *cameRow) []any {
		return append([]any{idTo{&r.ID}, &r.Name, &r.Condition}, cameBy[by].into(r)...)
	}}
	return s.came(ctx, collection, from, to, named, "order by p.arrived_on, p.id")
}

// came reads no column and keeps no order that nobody asked for: of ten thousand plants each takes its time.
func (s *Store) came(
	ctx context.Context, collection uuid.UUID, from, to day.Day, more columns, order string,
) ([]CameFrom, error) {
	rows, err := many(ctx, s, func(r *cameRow) []any {
		return append([]any{dayTo{&r.Came}, maybeDayTo{&r.Ended}, &r.Standing, &r.Paid, &r.Spent, maybeDayTo{&r.FellIll},
			maybeDayTo{&r.Mended}, &r.InWork},
			more.into(r)...)
	}, `
		with price as (
			select distinct on (id) id, price from supplies where collection_id = $1 order by id, version desc),
		spent as (
			select e.plant_id, sum(-m.amount * price.price) as spent from supply_moves m
				join entries e on e.collection_id = $1 and e.id = m.entry_id
				join price on price.id = m.supply_id and price.price is not null
			where m.collection_id = $1 and m.entry_id is not null group by e.plant_id)
		select p.arrived_on, p.ended_on, p.standing, p.paid, spent.spent, p.fell_ill, p.mended, p.in_work, `+more.sql+`
		from plants p left join spent on spent.plant_id = p.id
		where p.collection_id = $1 and p.here and p.batch is null and p.arrived_on between $2 and $3 `+order,
		collection, from, to)
	if err != nil {
		return nil, fmt.Errorf("listing what came: %w", err)
	}
	list := make([]CameFrom, len(rows))
	for i, r := range rows {
		list[i] = r.asOf(to)
	}
	return list, nil
}

func (r cameRow) asOf(today day.Day) CameFrom {
	came := CameFrom{
		Plant: origins.Plant{
			Name: r.Name, Came: r.Came, Until: today, FellIll: r.FellIll, Mended: r.Mended,
			InWork: r.InWork, Condition: r.Condition, Paid: r.Paid, Spent: r.Spent,
		},
		Source: r.Source, Origin: r.Origin, Kind: r.Kind, Habit: r.Habit, Packing: r.Packing, School: r.School,
		Tried: r.Tried.V, Tags: r.Tags.V, Own: r.Mother != nil || r.BatchOf != nil, BatchOf: r.BatchOf,
	}
	if r.ID != uuid.Nil { // of thousands nobody reads it
		came.ID = r.ID.String()
	}
	switch r.Standing {
	case string(record.OutcomeLost):
		came.End = origins.Lost
	case string(record.OutcomeGiven):
		came.End = origins.Given
	}
	if came.End != "" && r.Ended != nil {
		came.Until = *r.Ended
	}
	return came
}

// BatchNames gives what the batches of pieces are called, by id.
func (s *Store) BatchNames(ctx context.Context, collection uuid.UUID) (map[string]string, error) {
	var rows []struct {
		ID   uuid.UUID `db:"id"`
		Name string    `db:"name"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows,
		`select id, name from plants where collection_id = $1 and batch is not null and here`, collection)
	if err != nil {
		return nil, fmt.Errorf("listing batches of pieces: %w", err)
	}
	names := make(map[string]string, len(rows))
	for _, r := range rows {
		names[r.ID.String()] = r.Name
	}
	return names, nil
}
