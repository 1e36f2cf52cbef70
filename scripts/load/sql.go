package main

import (
	"context"
	"database/sql"
	"sync/atomic"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"

	"tendermend/store"
)

// sqlTime adds up the time that statements take, from being sent until their last row
// was read.
type sqlTime struct{ nanoseconds atomic.Int64 }

type begun struct{}

func (s *sqlTime) TraceQueryStart(ctx context.Context, _ *pgx.Conn, _ pgx.TraceQueryStartData) context.Context {
	return context.WithValue(ctx, begun{}, time.Now())
}

func (s *sqlTime) TraceQueryEnd(ctx context.Context, _ *pgx.Conn, _ pgx.TraceQueryEndData) {
	if at, ok := ctx.Value(begun{}).(time.Time); ok {
		s.nanoseconds.Add(int64(time.Since(at)))
	}
}

// taken gives what was added up since it was asked last.
func (s *sqlTime) taken() time.Duration { return time.Duration(s.nanoseconds.Swap(0)) }

// timed is a store whose statements are timed.
func timed(url string) (*store.Store, *sqlTime, error) {
	config, err := pgx.ParseConfig(url)
	if err != nil {
		return nil, nil, err
	}
	bare := &sqlTime{}
	config.Tracer = bare
	return store.OpenBy(config, time.Now), bare, nil
}

// readRecord tells how long the database takes to give the rows of a plant's record, to the
// last.
func readRecord(s *store.Store, plant uuid.UUID) (time.Duration, error) {
	begun := time.Now()
	rows, err := s.DB.Query(`select e.id, e.on_day, e.recorded_at, coalesce(e.by_name, u.name), e.replaces, e.case_id,
			e.with_id, e.despite, e.body
		from entries e join users u on u.id = e.by_user
		where e.collection_id = (select collection_id from plants where id = $1) and e.plant_id = $1
		order by e.on_day, e.recorded_at, e.id`, plant)
	if err != nil {
		return 0, err
	}
	defer func() { _ = rows.Close() }()
	columns := make([]any, 9)
	for i := range columns {
		columns[i] = new(sql.RawBytes)
	}
	for rows.Next() {
		if err := rows.Scan(columns...); err != nil {
			return 0, err
		}
	}
	return time.Since(begun), rows.Err()
}
