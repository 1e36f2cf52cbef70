package store

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"database/sql"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"
	"github.com/pquerna/otp"
	"github.com/pquerna/otp/totp"
)

// A second factor: codes of six digits that change every thirty seconds (RFC 6238), one
// step to either side, each taken once; and recovery codes, each for one use.
const (
	totpPeriod    = 30
	recoveryCodes = 8
	codeLength    = 10
)

// NewSecondFactor makes a key that waits to be confirmed with a code.
func (s *Store) NewSecondFactor(ctx context.Context, user User) (*otp.Key, error) {
	key, err := totp.Generate(totp.GenerateOpts{Issuer: "Tender Mend", AccountName: user.Email, Period: totpPeriod})
	if err != nil {
		return nil, fmt.Errorf("making a key: %w", err)
	}
	_, err = s.q().ExecContext(ctx, `update users set totp_pending = $2 where id = $1`, user.ID, key.Secret())
	if err != nil {
		return nil, fmt.Errorf("keeping the key: %w", err)
	}
	return key, nil
}

// ConfirmSecondFactor takes the key that waits into use where the code is its own, and
// gives the recovery codes; false where the code is not right.
func (s *Store) ConfirmSecondFactor(
	ctx context.Context, user uuid.UUID, code string,
) (codes []string, ok bool, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		var pending *string
		if err := tx.GetContext(ctx, &pending, `select totp_pending from users where id = $1 for update`, user); err != nil {
			return fmt.Errorf("looking for the key: %w", err)
		}
		if pending == nil {
			return nil
		}
		step, good := stepOf(*pending, code, s.now())
		if !good {
			return nil
		}
		ok = true
		if _, err := tx.ExecContext(ctx, `update users set totp_secret = totp_pending, totp_pending = null,
			totp_used = $2 where id = $1`, user, step); err != nil {
			return fmt.Errorf("taking the key into use: %w", err)
		}
		if _, err := tx.ExecContext(ctx, `delete from recovery_codes where user_id = $1`, user); err != nil {
			return fmt.Errorf("making recovery codes: %w", err)
		}
		for range recoveryCodes {
			one := rand.Text()[:codeLength]
			codes = append(codes, one[:codeLength/2]+"-"+one[codeLength/2:])
			if _, err := tx.ExecContext(ctx, `insert into recovery_codes (user_id, code_hash) values ($1, $2)`,
				user, hashed(one)); err != nil {
				return fmt.Errorf("making recovery codes: %w", err)
			}
		}
		return nil
	})
	return codes, ok, err
}

// DropSecondFactor takes the second factor away.
func (s *Store) DropSecondFactor(ctx context.Context, user uuid.UUID) error {
	return s.inTx(ctx, func(tx *sqlx.Tx) error {
		if _, err := tx.ExecContext(ctx, `update users set totp_secret = null, totp_pending = null where id = $1`,
			user); err != nil {
			return fmt.Errorf("taking the second factor away: %w", err)
		}
		_, err := tx.ExecContext(ctx, `delete from recovery_codes where user_id = $1`, user)
		return err
	})
}

// SecondFactor says whether a user has a second factor, and how many recovery codes are
// left.
func (s *Store) SecondFactor(ctx context.Context, user uuid.UUID) (on bool, codesLeft int, err error) {
	err = s.q().QueryRowxContext(ctx, `select totp_secret is not null,
		(select count(*) from recovery_codes where user_id = $1 and used_at is null)
		from users where id = $1`, user).Scan(&on, &codesLeft)
	if err != nil {
		return false, 0, fmt.Errorf("looking for the second factor: %w", err)
	}
	return on, codesLeft, nil
}

// codeMatches says whether a code is one of the user's second factor, or a recovery
// code; either is taken once.
func (s *Store) codeMatches(ctx context.Context, user uuid.UUID, code string) (good bool, err error) {
	code = strings.ToUpper(strings.NewReplacer(" ", "", "-", "").Replace(code))
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		var row struct {
			Secret *string `db:"totp_secret"`
			Used   int64   `db:"totp_used"`
		}
		err := tx.GetContext(ctx, &row, `select totp_secret, totp_used from users where id = $1 for update`, user)
		if errors.Is(err, sql.ErrNoRows) || err == nil && row.Secret == nil {
			return nil
		}
		if err != nil {
			return fmt.Errorf("looking for the second factor: %w", err)
		}
		if step, right := stepOf(*row.Secret, code, s.now()); right && step > row.Used {
			good = true
			_, err := tx.ExecContext(ctx, `update users set totp_used = $2 where id = $1`, user, step)
			return err
		}
		used, err := tx.ExecContext(ctx, `update recovery_codes set used_at = $3
			where user_id = $1 and code_hash = $2 and used_at is null`, user, hashed(code), s.now())
		if err != nil {
			return fmt.Errorf("using a recovery code: %w", err)
		}
		n, _ := used.RowsAffected()
		good = n == 1
		return nil
	})
	return good, err
}

// stepOf gives the step of time that a code belongs to: this one, or one to either
// side; false where it belongs to none.
func stepOf(secret, code string, now time.Time) (step int64, good bool) {
	for _, skew := range []int64{0, -1, 1} {
		at := now.Add(time.Duration(skew*totpPeriod) * time.Second)
		want, err := totp.GenerateCodeCustom(secret, at, totp.ValidateOpts{
			Period: totpPeriod, Digits: otp.DigitsSix, Algorithm: otp.AlgorithmSHA1,
		})
		if err == nil && subtle.ConstantTimeCompare([]byte(code), []byte(want)) == 1 {
			return at.Unix() / totpPeriod, true
		}
	}
	return 0, false
}
