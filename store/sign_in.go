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
// twice as long each time (NIST SP 800-63B, 5.2.2, wants such a limit; the figures are
// ours). Tries from one caller keep nobody else out; only many from callers that the
// owner never came from slow down all such callers. A day without a try forgets it.
const (
	freeTries  = 5
	freeOfAll  = 50
	longestTry = 15 * time.Minute
	forgotten  = 24 * time.Hour
	anybody    = "*"
)

// WaitError means that too many wrong passwords were tried for an account.
type WaitError struct{ Left time.Duration }

func (e WaitError) Error() string { return fmt.Sprintf("wait %s before the next try", e.Left) }

// ErrSecondFactor means that the password is right and the code of the second factor
// is wanted too.
var ErrSecondFactor = errors.New("the code of the second factor is wanted")

// waits is how long after the last of so many wrong passwords the next is tried.
func waits(failures, free int) time.Duration {
	if failures < free {
		return 0
	}
	return min(time.Second<<min(failures-free, 20), longestTry)
}

// SignIn gives the user of an e-mail address and password, and of a code where a second
// factor is set up; ErrNotFound when they do not match, without saying which. Each try
// is counted before the password is looked at; a WaitError means that too many were
// made, ErrBusy that too many are looked at just now.
func (s *Store) SignIn(ctx context.Context, email, password, code, caller string) (User, error) {
	email = strings.TrimSpace(email)
	var row struct {
		User
		Hash  string  `db:"password_hash"`
		Totp  *string `db:"totp_secret"`
		Known bool    `db:"known"`
	}
	err := sqlx.GetContext(ctx, s.q(), &row, `
		select u.id, u.email, u.name, u.password_hash, u.totp_secret, exists (
			select from sign_in_callers c where c.user_id = u.id and c.caller = $2) as known
		from users u where lower(u.email) = lower($1)`, email, caller)
	if errors.Is(err, sql.ErrNoRows) {
		// An unknown address takes as long as a wrong password.
		row.Hash = s.hash.ofNobody()
	} else if err != nil {
		return User{}, fmt.Errorf("looking for the account: %w", err)
	}
	if err := s.countTry(ctx, email, caller, freeTries); err != nil {
		return User{}, err
	}
	if !row.Known {
		if err := s.countTry(ctx, email, anybody, freeOfAll); err != nil {
			return User{}, err
		}
	}
	right, err := s.matches(ctx, password, row.Hash)
	switch {
	case err != nil:
		return User{}, err
	case !right || row.ID == uuid.Nil:
		return User{}, ErrNotFound
	case row.Totp == nil:
		return row.User, s.noteSignIn(ctx, row.User, caller)
	case strings.TrimSpace(code) == "":
		// The password was right: that is no guess, and the code is asked for.
		return User{}, errors.Join(ErrSecondFactor, s.forgiveTry(ctx, email, caller))
	}
	good, err := s.codeMatches(ctx, row.ID, code)
	if err != nil {
		return User{}, err
	}
	if !good {
		return User{}, ErrNotFound
	}
	return row.User, s.noteSignIn(ctx, row.User, caller)
}

// countTry counts a try, in one statement that also says whether it may be made; a
// WaitError when it is too early.
func (s *Store) countTry(ctx context.Context, email, caller string, free int) error {
	now := s.now()
	var counted []int
	err := sqlx.SelectContext(ctx, s.writes(), &counted, `
		insert into sign_in_tries as t (email, caller, failures, last_at) values (lower($1), $2, 1, $3)
		on conflict (email, caller) do update set last_at = $3,
			failures = case when t.last_at < $4 then 1 else t.failures + 1 end
		where t.last_at < $4 or t.failures < $5
			or t.last_at + least(interval '1 second' * power(2, least(t.failures - $5, 20)), $6 * interval '1 second') <= $3
		returning failures`,
		email, caller, now, now.Add(-forgotten), free, longestTry.Seconds())
	if err != nil {
		return fmt.Errorf("counting the tries: %w", err)
	}
	if len(counted) > 0 {
		return nil
	}
	var row struct {
		Failures int       `db:"failures"`
		Last     time.Time `db:"last_at"`
	}
	err = sqlx.GetContext(ctx, s.q(), &row, `
		select failures, last_at from sign_in_tries where email = lower($1) and caller = $2`, email, caller)
	if err != nil && !errors.Is(err, sql.ErrNoRows) {
		return fmt.Errorf("counting the tries: %w", err)
	}
	return WaitError{max(time.Second, row.Last.Add(waits(row.Failures, free)).Sub(now))}
}

// forgiveTry takes a try back that was no wrong password.
func (s *Store) forgiveTry(ctx context.Context, email, caller string) error {
	_, err := s.q().ExecContext(ctx, `update sign_in_tries set failures = greatest(failures - 1, 0)
		where email = lower($1) and caller in ($2, $3)`, email, caller, anybody)
	if err != nil {
		return fmt.Errorf("counting the tries: %w", err)
	}
	return nil
}

// noteSignIn forgets the tries of a caller that signed in, those of a day ago, and
// remembers where from.
func (s *Store) noteSignIn(ctx context.Context, u User, caller string) error {
	if err := s.forgiveTry(ctx, u.Email, anybody); err != nil {
		return err
	}
	_, err := s.q().ExecContext(ctx, `
		with gone as (delete from sign_in_tries where email = lower($1) and caller = $3 or last_at < $5)
		insert into sign_in_callers (user_id, caller, last_at) values ($2, $3, $4)
		on conflict (user_id, caller) do update set last_at = $4`,
		u.Email, u.ID, caller, s.now(), s.now().Add(-forgotten))
	if err != nil {
		return fmt.Errorf("noting the sign-in: %w", err)
	}
	return nil
}
