package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
)

// Ended counts how plants with one main cause, or of one school, ended.
type Ended struct {
	Of     string `db:"of" json:"of"`
	Saved  int    `db:"saved" json:"saved" doc:"Mended, given away or kept under watch."`
	Lost   int    `db:"lost" json:"lost"`
	InWork int    `db:"in_work" json:"inWork"`
}

const endedColumns = `
	count(*) filter (where standing in ('mended', 'given-away', 'kept-under-watch')) as saved,
	count(*) filter (where standing = 'lost') as lost,
	count(*) filter (where standing not in ('mended', 'given-away', 'kept-under-watch', 'lost')) as in_work`

// EndedBy counts plants by main cause or by school, those that came between two
// days; plants without one are left out.
func (s *Store) EndedBy(ctx context.Context, collection uuid.UUID, school bool, from, to day.Day) ([]Ended, error) {
	column := "main_cause"
	if school {
		column = "school"
	}
	list := []Ended{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select `+column+` as of, `+endedColumns+` from plants
		where collection_id = $1 and here and `+column+` <> ''
			and arrived_on between $2 and $3 group by 1 order by count(*) desc, 1`, collection, from, to)
	if err != nil {
		return nil, fmt.Errorf("counting endings: %w", err)
	}
	return list, nil
}

// EndedAll counts all plants that came between two days.
func (s *Store) EndedAll(ctx context.Context, collection uuid.UUID, from, to day.Day) (Ended, error) {
	var e Ended
	err := sqlx.GetContext(
		ctx,
		s.q(),
		&e,
		`select '' as of, `+endedColumns+` from plants where collection_id = $1 and here and arrived_on between $2 and $3`,
		collection,
		from,
		to,
	)
	return e, err
}

// OwnOdds counts the collection's own cases of a main cause that have ended.
func (s *Store) OwnOdds(ctx context.Context, collection uuid.UUID, cause string) (saved, lost int, err error) {
	if cause == "" {
		return 0, 0, nil
	}
	var counts []struct {
		Standing string `db:"standing"`
		N        int    `db:"n"`
	}
	err = sqlx.SelectContext(ctx, s.q(), &counts, `select standing, count(*) as n from plants
		where collection_id = $1 and here
			and main_cause = $2 and standing in ('mended', 'given-away', 'kept-under-watch', 'lost')
		group by standing`, collection, cause)
	for _, c := range counts {
		if c.Standing == "lost" {
			lost += c.N
		} else {
			saved += c.N
		}
	}
	return saved, lost, err
}

// StageTimes gives how many days each passed stage took in plants that came
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
			and arrived_on between $2 and $3 group by track, stage order by track, stage`, collection, from, to)
	if err != nil {
		return nil, fmt.Errorf("counting stages: %w", err)
	}
	return list, nil
}

// Ending is a plant whose case ended.
type Ending struct {
	ID       uuid.UUID `db:"id" json:"id"`
	Name     string    `db:"name" json:"name"`
	Standing string    `db:"standing" json:"standing"`
	Arrived  day.Day   `db:"arrived_on" json:"arrivedOn"`
	Ended    day.Day   `db:"ended_on" json:"endedOn"`
	Cause    string    `db:"main_cause" json:"cause" doc:"Id of its main cause; empty where none was accepted."`
}

// Endings lists the last plants whose cases ended, newest first.
func (s *Store) Endings(ctx context.Context, collection uuid.UUID, from, to day.Day, limit int) ([]Ending, error) {
	list := []Ending{}
	err := sqlx.SelectContext(
		ctx,
		s.q(),
		&list,
		`select id, name, standing, arrived_on, ended_on, main_cause from plants
		where collection_id = $1 and here
			and ended_on is not null
			and arrived_on between $2 and $3 order by ended_on desc, id limit $4`,
		collection,
		from,
		to,
		limit,
	)
	return list, err
}
