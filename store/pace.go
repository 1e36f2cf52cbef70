package store

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/record"
)

// Pace is how fast a carer works, learned from the last answers in the collection that are
// recorded there and on their own day.
func (s *Store) Pace(ctx context.Context, collection Collection, user uuid.UUID) (care.Pace, error) {
	var rows []struct {
		At    time.Time   `db:"recorded_at"`
		On    day.Day     `db:"on_day"`
		Kind  record.Kind `db:"kind"`
		Plant uuid.UUID   `db:"plant_id"`
	}
	err := sqlx.SelectContext(ctx, s.q(), &rows, `
		select recorded_at, on_day, kind, plant_id from entries
		where collection_id = $1 and by_user = $2 and by_name is null and with_id is null
		order by recorded_at desc limit $3`,
		collection.ID, user, care.OfAnswers)
	if err != nil {
		return care.Pace{}, fmt.Errorf("reading how long answers took: %w", err)
	}
	answers := make([]care.Answer, len(rows))
	for i, row := range rows {
		answers[i] = care.Answer{
			At: row.At, Plant: row.Plant, Minutes: record.UsualMinutes(row.Kind), Late: row.On != collection.Today(row.At),
		}
	}
	return care.PaceOf(answers), nil
}
