package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
)

// Ended counts how cases with one main cause, or of one school, ended.
type Ended struct {
	Of     string `db:"of" json:"of"`
	Saved  int    `db:"saved" json:"saved" doc:"Mended, or kept under watch."`
	Lost   int    `db:"lost" json:"lost"`
	Given  int    `db:"given" json:"given" doc:"Given away: neither saved nor lost."`
	InWork int    `db:"in_work" json:"inWork"`
}

const endedColumns = `
	count(*) filter (where result = 'saved') as saved, count(*) filter (where result = 'lost') as lost,
	count(*) filter (where result = 'given-away') as given, count(*) filter (where result = 'open') as in_work`

// EndedBy counts cases by main cause or by school, those that began between two
// days; cases without one are left out, and so are those in which nothing was
// wrong.
func (s *Store) EndedBy(ctx context.Context, collection uuid.UUID, school bool, from, to day.Day) ([]Ended, error) {
	column := "main_cause"
	if school {
		column = "school"
	}
	list := []Ended{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select `+column+` as of, `+endedColumns+` from plant_cases
		where collection_id = $1 and `+column+` <> '' and result <> 'nothing'
			and opened_on between $2 and $3 group by 1 order by count(*) desc, 1`, collection, from, to)
	if err != nil {
		return nil, fmt.Errorf("counting endings: %w", err)
	}
	return list, nil
}

// EndedAll counts all cases that began between two days.
func (s *Store) EndedAll(ctx context.Context, collection uuid.UUID, from, to day.Day) (Ended, error) {
	var e Ended
	err := sqlx.GetContext(
		ctx,
		s.q(),
		&e,
		`select '' as of, `+endedColumns+` from plant_cases where collection_id = $1 and opened_on between $2 and $3`,
		collection,
		from,
		to,
	)
	return e, err
}

// OwnOdds counts the collection's own cases of a main cause that were saved and
// lost.
func (s *Store) OwnOdds(ctx context.Context, collection uuid.UUID, cause string) (saved, lost int, err error) {
	if cause == "" {
		return 0, 0, nil
	}
	var e Ended
	err = sqlx.GetContext(ctx, s.q(), &e, `select '' as of, `+endedColumns+` from plant_cases
		where collection_id = $1 and main_cause = $2`, collection, cause)
	return e.Saved, e.Lost, err
}

// StageTimes gives how many days each passed stage took in cases that began
// between two days, by track and stage.
type StageTimes struct {
	Track  string  `db:"track"`
	Stage  string  `db:"stage"`
	N      int     `db:"n"`
	Median float64 `db:"median"`
}

// StageTimes lists how long passed stages took.
func (s *Store) StageTimes(ctx context.Context, collection uuid.UUID, from, to day.Day) ([]StageTimes, error) {
	list := []StageTimes{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `
		select track, stage, count(*) as n, percentile_cont(0.5) within group (order by days) as median
		from passed_stages where collection_id = $1
			and opened_on between $2 and $3 group by track, stage order by track, stage`, collection, from, to)
	if err != nil {
		return nil, fmt.Errorf("counting stages: %w", err)
	}
	return list, nil
}

// Ending is a case that ended.
type Ending struct {
	ID      uuid.UUID `db:"id" json:"id" doc:"The plant."`
	Name    string    `db:"name" json:"name"`
	Outcome string    `db:"outcome" json:"outcome"`
	Opened  day.Day   `db:"opened_on" json:"openedOn"`
	Ended   day.Day   `db:"ended_on" json:"endedOn"`
	Cause   string    `db:"main_cause" json:"cause" doc:"Id of its main cause; empty where none was accepted."`
}

// Endings lists the last cases that ended, newest first.
func (s *Store) Endings(ctx context.Context, collection uuid.UUID, from, to day.Day, limit int) ([]Ending, error) {
	list := []Ending{}
	err := sqlx.SelectContext(
		ctx,
		s.q(),
		&list,
		`select p.id, p.name, c.outcome, c.opened_on, c.ended_on, c.main_cause from (
			select * from plant_cases where collection_id = $1 and ended_on is not null and opened_on between $2 and $3
			order by ended_on desc, case_id limit $4) c
		join plants p on p.collection_id = $1 and p.id = c.plant_id order by c.ended_on desc, c.case_id`,
		collection,
		from,
		to,
		limit,
	)
	return list, err
}
