package store

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
)

// ErrPassword means that the password asked for is not the account's.
var ErrPassword = fmt.Errorf("the password is not right")

// ErrCode means that the code asked for is not one of the account's second factor.
var ErrCode = fmt.Errorf("the code is not right")

// VerifyOwner gives nil where a password is the user's own, with a code where a second
// factor is set up; ErrPassword or ErrCode where it is not, and a WaitError where too
// many of either were tried.
func (s *Store) VerifyOwner(ctx context.Context, user User, password, code string) error {
	// Counted like tries to sign in, for the account alone: who holds an open session
	// guesses no further than anybody else.
	const session = "session"
	if err := s.countTry(ctx, user.Email, session, freeTries); err != nil {
		return err
	}
	var hash string
	if err := sqlx.GetContext(ctx, s.q(), &hash, `select password_hash from users where id = $1`, user.ID); err != nil {
		return fmt.Errorf("looking for the account: %w", err)
	}
	right, err := s.matches(ctx, password, hash)
	switch {
	case err != nil:
		return err
	case !right:
		return ErrPassword
	}
	on, _, err := s.SecondFactor(ctx, user.ID)
	if err != nil {
		return err
	}
	if on {
		good, err := s.codeMatches(ctx, user.ID, code)
		if err != nil {
			return err
		}
		if !good {
			return ErrCode
		}
	}
	_, err = s.q().ExecContext(ctx, `delete from sign_in_tries where email = lower($1) and caller = $2`,
		user.Email, session)
	if err != nil {
		return fmt.Errorf("counting the tries: %w", err)
	}
	return nil
}

// ChangeUser changes what somebody is called and signs in with; ErrConflict when
// somebody else has the address.
func (s *Store) ChangeUser(ctx context.Context, user uuid.UUID, name, email string) error {
	_, err := s.q().ExecContext(ctx, `update users set name = $2, email = $3 where id = $1`,
		user, strings.TrimSpace(name), strings.TrimSpace(email))
	if isUnique(err) {
		return ErrConflict
	}
	if err != nil {
		return fmt.Errorf("changing the account: %w", err)
	}
	return nil
}

// SetPassword gives an account another password and ends all its sessions but one; the
// links that could set it are worth nothing any more.
func (s *Store) SetPassword(ctx context.Context, user uuid.UUID, password string, but uuid.UUID) error {
	hash, err := s.hashed(ctx, password)
	if err != nil {
		return err
	}
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		s := s.within(tx)
		if _, err := tx.ExecContext(ctx, `update users set password_hash = $2 where id = $1`, user, hash); err != nil {
			return fmt.Errorf("changing the password: %w", err)
		}
		if _, err := tx.ExecContext(ctx, `update reset_links set used_at = $2 where user_id = $1 and used_at is null`,
			user, s.now()); err != nil {
			return fmt.Errorf("changing the password: %w", err)
		}
		return s.EndSessions(ctx, user, but)
	})
}

// linkHolds is for how long a link that sets a password is good.
const linkHolds = 24 * time.Hour

// NewResetLink makes a token with which a user's password is set once.
func (s *Store) NewResetLink(ctx context.Context, user uuid.UUID) (token string, until time.Time, err error) {
	token, until = rand.Text(), s.now().Add(linkHolds)
	_, err = s.q().ExecContext(ctx, `insert into reset_links (token_hash, user_id, expires_at) values ($1, $2, $3)`,
		hashed(token), user, until)
	if err != nil {
		return "", until, fmt.Errorf("making a link: %w", err)
	}
	return token, until, nil
}

// hashed is a token as it is kept.
func hashed(token string) string {
	sum := sha256.Sum256([]byte(token))
	return hex.EncodeToString(sum[:])
}

// ResetUser gives the user whose password a token sets, while it is good; ErrNotFound
// where it is not.
func (s *Store) ResetUser(ctx context.Context, token string) (User, error) {
	var list []User
	err := sqlx.SelectContext(ctx, s.q(), &list, `select u.id, u.email, u.name from reset_links l
		join users u on u.id = l.user_id where l.token_hash = $1 and l.used_at is null and l.expires_at > $2`,
		hashed(token), s.now())
	if err != nil {
		return User{}, fmt.Errorf("looking for the link: %w", err)
	}
	if len(list) == 0 {
		return User{}, ErrNotFound
	}
	return list[0], nil
}

// Reset sets a password by a token, once: all sessions end, and the tries that were
// counted are forgotten.
func (s *Store) Reset(ctx context.Context, token, password string) (User, error) {
	user, err := s.ResetUser(ctx, token)
	if err != nil {
		return user, err
	}
	hash, err := s.hashed(ctx, password)
	if err != nil {
		return user, err
	}
	return user, s.inTx(ctx, func(tx *sqlx.Tx) error {
		used, err := tx.ExecContext(ctx, `update reset_links set used_at = $2
			where token_hash = $1 and used_at is null and expires_at > $2`, hashed(token), s.now())
		if err != nil {
			return fmt.Errorf("using the link: %w", err)
		}
		if n, _ := used.RowsAffected(); n == 0 {
			return ErrNotFound
		}
		if _, err := tx.ExecContext(ctx, `update users set password_hash = $2 where id = $1`, user.ID, hash); err != nil {
			return fmt.Errorf("setting the password: %w", err)
		}
		if _, err := tx.ExecContext(ctx, `delete from sign_in_tries where email = lower($1)`, user.Email); err != nil {
			return fmt.Errorf("forgetting the tries: %w", err)
		}
		return s.within(tx).EndSessions(ctx, user.ID, uuid.Nil)
	})
}

// SharesCollection gives the user of an address who works in a collection, and in none in
// which somebody else does not work as well; ErrNotFound where nobody does. Whoever
// gets into their account so gets into nothing that is not theirs.
func (s *Store) SharesCollection(ctx context.Context, a Account, email string) (User, error) {
	var list []User
	err := sqlx.SelectContext(ctx, s.q(), &list, `select u.id, u.email, u.name from users u
		join members m on m.user_id = u.id where m.collection_id = $1 and lower(u.email) = lower($2)
			and not exists (select from members o where o.user_id = u.id and o.collection_id not in (
				select collection_id from members where user_id = $3))`,
		a.Collection.ID, strings.TrimSpace(email), a.User.ID)
	if err != nil {
		return User{}, fmt.Errorf("looking for the account: %w", err)
	}
	if len(list) == 0 {
		return User{}, ErrNotFound
	}
	return list[0], nil
}
