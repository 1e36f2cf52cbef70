package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// Guessing a password is slowed down from the fifth wrong one on: a second, then
// twice as long each time (NIST SP 800-63B, 5.2.2, wants such a limit; the
// figures are ours). A day without a try forgets it.
const (
	freeTries  = 5
	longestTry = 15 * time.Minute
	forgotten  = 24 * time.Hour
)

// WaitError means that too many wrong passwords were tried for an account.
type WaitError struct{ Left time.Duration }

func (e WaitError) Error() string { return fmt.Sprintf("wait %s before the next try", e.Left) }

// waits is how long after the last of so many wrong passwords the next is tried.
func waits(failures int) time.Duration {
	if failures < freeTries {
		return 0
	}
	return min(time.Second<<min(failures-freeTries, 20), longestTry)
}

// SignIn gives the user of an e-mail address and password; ErrNotFound when they
// do not match, without saying which. A WaitError means that too many were tried;
// it does not keep those out who come from where the user signed in before.
func (s *Store) SignIn(ctx context.Context, email, password, caller string) (User, error) {
	var row struct {
		User
		Hash  string `db:"password_hash"`
		Known bool   `db:"known"`
	}
	email = strings.TrimSpace(email)
	err := sqlx.GetContext(ctx, s.q(), &row, `
		select u.id, u.email, u.name, u.password_hash, exists (
			select from sign_in_callers c where c.user_id = u.id and c.caller = $2) as known
		from users u where lower(u.email) = lower($1)`, email, caller)
	if errors.Is(err, sql.ErrNoRows) {
		// An unknown address takes as long as a wrong password.
		row.Hash = unknownHash
	} else if err != nil {
		return User{}, fmt.Errorf("looking for the account: %w", err)
	}
	if !row.Known {
		if err := s.mayTry(ctx, email); err != nil {
			return User{}, err
		}
	}
	if !passwordMatches(password, row.Hash) || row.ID == uuid.Nil {
		if !row.Known {
			if err := s.noteFailure(ctx, email); err != nil {
				return User{}, err
			}
		}
		return User{}, ErrNotFound
	}
	return row.User, s.noteSignIn(ctx, row.User, caller)
}

// mayTry gives a WaitError while a password must not be tried.
func (s *Store) mayTry(ctx context.Context, email string) error {
	var row struct {
		Failures int       `db:"failures"`
		Last     time.Time `db:"last_at"`
	}
	err := sqlx.GetContext(ctx, s.q(), &row, `
		select failures, last_at from sign_in_failures where email = lower($1)`, email)
	if errors.Is(err, sql.ErrNoRows) {
		return nil
	}
	if err != nil {
		return fmt.Errorf("counting the tries: %w", err)
	}
	if left := row.Last.Add(waits(row.Failures)).Sub(s.now()); left > 0 {
		return WaitError{left}
	}
	return nil
}

func (s *Store) noteFailure(ctx context.Context, email string) error {
	_, err := s.q().ExecContext(ctx, `
		insert into sign_in_failures as f (email, failures, last_at) values (lower($1), 1, $2)
		on conflict (email) do update set last_at = $2,
			failures = case when f.last_at < $3 then 1 else f.failures + 1 end`,
		email, s.now(), s.now().Add(-forgotten))
	if err != nil {
		return fmt.Errorf("counting the tries: %w", err)
	}
	return nil
}

func (s *Store) noteSignIn(ctx context.Context, u User, caller string) error {
	_, err := s.q().ExecContext(ctx, `
		with gone as (delete from sign_in_failures where email = lower($1))
		insert into sign_in_callers (user_id, caller, last_at) values ($2, $3, $4)
		on conflict (user_id, caller) do update set last_at = $4`, u.Email, u.ID, caller, s.now())
	if err != nil {
		return fmt.Errorf("noting the sign-in: %w", err)
	}
	return nil
}
