package main

import (
	"context"
	"sync/atomic"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/stdlib"

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
	s, err := store.Open(stdlib.RegisterConnConfig(config), time.Now)
	return s, bare, err
}
