package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// How long somebody stays signed in: at most, and without asking for anything.
const (
	SessionLength = 30 * 24 * time.Hour
	SessionIdle   = 7 * 24 * time.Hour
	// noted is how often it is written down that a session is in use.
	noted = 10 * time.Minute
)

// UserSession is a place at which somebody is signed in.
type UserSession struct {
	ID     uuid.UUID `db:"id" json:"id"`
	Began  time.Time `db:"began_at" json:"began"`
	Last   time.Time `db:"last_at" json:"last" doc:"When it was last in use, to ten minutes."`
	Caller string    `db:"caller" json:"caller" doc:"The address that it began from."`
	Agent  string    `db:"agent" json:"agent" doc:"What the browser calls itself."`
}

// BeginSession notes that somebody signed in.
func (s *Store) BeginSession(ctx context.Context, user uuid.UUID, caller, agent string) (uuid.UUID, error) {
	id := uuid.Must(uuid.NewV7())
	if len(agent) > 300 {
		agent = agent[:300]
	}
	_, err := s.q().ExecContext(ctx, `
		with gone as (delete from user_sessions where user_id = $2 and (began_at < $6 or last_at < $7))
		insert into user_sessions (id, user_id, began_at, last_at, caller, agent) values ($1, $2, $3, $3, $4, $5)`,
		id, user, s.now(), caller, agent, s.now().Add(-SessionLength), s.now().Add(-SessionIdle))
	if err != nil {
		return id, fmt.Errorf("noting the sign-in: %w", err)
	}
	return id, nil
}

// AccountIn gives the user of a session with the collection they work in; ErrNotFound
// where the session was ended or ran out.
func (s *Store) AccountIn(ctx context.Context, user, session uuid.UUID) (Account, error) {
	var last time.Time
	err := sqlx.GetContext(ctx, s.q(), &last, `select last_at from user_sessions
		where id = $1 and user_id = $2 and began_at > $3 and last_at > $4`,
		session, user, s.now().Add(-SessionLength), s.now().Add(-SessionIdle))
	if errors.Is(err, sql.ErrNoRows) {
		return Account{}, ErrNotFound
	}
	if err != nil {
		return Account{}, fmt.Errorf("looking for the session: %w", err)
	}
	if s.now().Sub(last) > noted {
		if _, err := s.q().ExecContext(ctx, `update user_sessions set last_at = $2 where id = $1`,
			session, s.now()); err != nil {
			return Account{}, fmt.Errorf("noting the session: %w", err)
		}
	}
	return s.Account(ctx, user)
}

// UserSessions lists where somebody is signed in, the last used first.
func (s *Store) UserSessions(ctx context.Context, user uuid.UUID) ([]UserSession, error) {
	list := []UserSession{}
	err := sqlx.SelectContext(ctx, s.q(), &list, `select id, began_at, last_at, caller, agent from user_sessions
		where user_id = $1 and began_at > $2 and last_at > $3 order by last_at desc, id`,
		user, s.now().Add(-SessionLength), s.now().Add(-SessionIdle))
	if err != nil {
		return nil, fmt.Errorf("listing the sessions: %w", err)
	}
	return list, nil
}

// EndSession ends one of a user's sessions; ErrNotFound where they have no such one.
func (s *Store) EndSession(ctx context.Context, user, session uuid.UUID) error {
	done, err := s.q().ExecContext(ctx, `delete from user_sessions where id = $1 and user_id = $2`, session, user)
	if err != nil {
		return fmt.Errorf("ending the session: %w", err)
	}
	if n, _ := done.RowsAffected(); n == 0 {
		return ErrNotFound
	}
	return nil
}

// EndSessions ends all of a user's sessions but one.
func (s *Store) EndSessions(ctx context.Context, user, but uuid.UUID) error {
	_, err := s.q().ExecContext(ctx, `delete from user_sessions where user_id = $1 and id <> $2`, user, but)
	if err != nil {
		return fmt.Errorf("ending the sessions: %w", err)
	}
	return nil
}
