package store

import (
	"context"
	"crypto/rand"
	"database/sql"
	"errors"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/day"
	"tendermend/record/due"
)

// NewCalendarLink makes a secret address of the collection's calendar in place of the one
// before.
func (s *Store) NewCalendarLink(ctx context.Context, a Account) (token string, err error) {
	token = rand.Text()
	return token, s.inTx(ctx, func(tx *sqlx.Tx) error {
		if err := endCalendar(ctx, tx, a.Collection.ID); err != nil {
			return err
		}
		_, err := tx.ExecContext(ctx, `insert into calendar_links (token_hash, collection_id, made_at, by_user)
			values ($1, $2, $3, $4)`, hashed(token), a.Collection.ID, s.now(), a.User.ID)
		if err != nil {
			return fmt.Errorf("making an address of the calendar: %w", err)
		}
		return nil
	})
}

// EndCalendar takes the calendar's address back.
func (s *Store) EndCalendar(ctx context.Context, collection uuid.UUID) error {
	return endCalendar(ctx, s.writes(), collection)
}

func endCalendar(ctx context.Context, q sqlx.ExecerContext, collection uuid.UUID) error {
	if _, err := q.ExecContext(ctx, `delete from calendar_links where collection_id = $1`, collection); err != nil {
		return fmt.Errorf("taking the calendar's address back: %w", err)
	}
	return nil
}

// HasCalendar says whether the calendar has an address.
func (s *Store) HasCalendar(ctx context.Context, collection uuid.UUID) (has bool, err error) {
	err = sqlx.GetContext(ctx, s.q(), &has,
		`select exists (select from calendar_links where collection_id = $1)`, collection)
	return has, err
}

// CalendarOf gives the collection of a calendar's address; ErrNotFound where it was taken back.
func (s *Store) CalendarOf(ctx context.Context, token string) (c Collection, err error) {
	err = sqlx.GetContext(ctx, s.q(), &c, `select c.id, c.name, c.time_zone, c.south from calendar_links l
		join collections c on c.id = l.collection_id where l.token_hash = $1`, hashed(token))
	if errors.Is(err, sql.ErrNoRows) {
		return c, ErrNotFound
	}
	return c, err
}

// DueRow is a plant with what is due there.
type DueRow struct {
	ID    uuid.UUID          `db:"id"`
	Name  string             `db:"name"`
	Place string             `db:"place_name"`
	Tasks asJSON[[]due.Task] `db:"tasks"`
}

// DueUntil lists the plants at which something begins to be due up to a day, the soonest first.
func (s *Store) DueUntil(ctx context.Context, collection uuid.UUID, until day.Day, most int) ([]DueRow, error) {
	list := []DueRow{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select p.id, p.name, coalesce(pl.name, '') as place_name, p.tasks
		from plants p left join places pl on pl.collection_id = p.collection_id and pl.id = p.place_id
		where p.collection_id = $1 and p.here and p.next_due <= $2 order by p.next_due, p.id limit $3`,
		collection, until, most)
	if err != nil {
		return nil, fmt.Errorf("listing what is due: %w", err)
	}
	return list, nil
}
