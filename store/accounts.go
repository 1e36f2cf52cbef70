package store

import (
	"context"
	"crypto/rand"
	"crypto/subtle"
	"database/sql"
	"encoding/base64"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jmoiron/sqlx"
	"golang.org/x/crypto/argon2"

	"tendermend/core/day"
)

// Collection is one household's or club's plants.
type Collection struct {
	ID       uuid.UUID `db:"id"`
	Name     string    `db:"name"`
	TimeZone string    `db:"time_zone"`
	South    bool      `db:"south"`
}

// Today gives the day it is where the collection is.
func (c Collection) Today(now time.Time) day.Day {
	zone, err := time.LoadLocation(c.TimeZone)
	if err != nil {
		zone = time.UTC
	}
	return day.At(now.In(zone))
}

// User is a person with an account.
type User struct {
	ID    uuid.UUID `db:"id"`
	Email string    `db:"email"`
	Name  string    `db:"name"`
}

// Account is a user in one collection: whose data a request may see.
type Account struct {
	User       User
	Collection Collection
	// As is the name under which entries are recorded, where it is not the user's own: of
	// somebody who waters in their stead.
	As string
}

// NewAccount is what opens an account with an empty collection of its own.
type NewAccount struct {
	Email, Name, Password    string
	CollectionName, TimeZone string
	South                    bool
	CollectionID, UserID     uuid.UUID
	OnlyIfFirst              bool
}

// ErrNotFirst means that the installation has accounts already.
var ErrNotFirst = errors.New("there are accounts already")

// CreateAccount opens an account and its collection. ErrConflict means that the
// e-mail address has an account; ErrNotFirst that this was to be the first.
func (s *Store) CreateAccount(ctx context.Context, n NewAccount) (Account, error) {
	if n.CollectionID == uuid.Nil {
		n.CollectionID = uuid.Must(uuid.NewV7())
	}
	if n.UserID == uuid.Nil {
		n.UserID = uuid.Must(uuid.NewV7())
	}
	if _, err := time.LoadLocation(n.TimeZone); err != nil || n.TimeZone == "" {
		n.TimeZone = "UTC"
	}
	hash, err := s.hashed(ctx, n.Password)
	if err != nil {
		return Account{}, err
	}
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		if n.OnlyIfFirst {
			var some bool
			// The lock keeps two first accounts from being opened at once.
			if _, err := tx.ExecContext(ctx, `lock table users in exclusive mode`); err != nil {
				return err
			}
			if err := tx.GetContext(ctx, &some, `select exists (select from users)`); err != nil {
				return err
			}
			if some {
				return ErrNotFirst
			}
		}
		now := s.now()
		if _, err := tx.ExecContext(ctx, `insert into collections (id, name, time_zone, south, created_at)
			values ($1, $2, $3, $4, $5)`,
			n.CollectionID, n.CollectionName, n.TimeZone, n.South, now); err != nil {
			return err
		}
		if _, err := tx.ExecContext(ctx, `insert into users (id, email, name, password_hash, created_at)
			values ($1, $2, $3, $4, $5)`,
			n.UserID, strings.TrimSpace(n.Email), n.Name, hash, now); err != nil {
			return err
		}
		_, err := tx.ExecContext(
			ctx,
			`insert into members (collection_id, user_id) values ($1, $2)`,
			n.CollectionID,
			n.UserID,
		)
		return err
	})
	if isUnique(err) {
		return Account{}, ErrConflict
	}
	if err != nil {
		return Account{}, fmt.Errorf("opening an account: %w", err)
	}
	return s.Account(ctx, n.UserID)
}

func isUnique(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && pg.Code == "23505"
}

// HasAccounts says whether anybody has an account yet.
func (s *Store) HasAccounts(ctx context.Context) (some bool, err error) {
	err = sqlx.GetContext(ctx, s.q(), &some, `select exists (select from users)`)
	return some, err
}

// Account gives a user with the collection they work in.
func (s *Store) Account(ctx context.Context, userID uuid.UUID) (Account, error) {
	var row struct {
		User
		CollectionID uuid.UUID `db:"collection_id"`
		Collection   string    `db:"collection"`
		TimeZone     string    `db:"time_zone"`
		South        bool      `db:"south"`
	}
	err := sqlx.GetContext(ctx, s.q(), &row, `
		select u.id, u.email, u.name, c.id as collection_id, c.name as collection, c.time_zone, c.south
		from users u join members m on m.user_id = u.id join collections c on c.id = m.collection_id
		where u.id = $1 order by c.created_at limit 1`, userID)
	if errors.Is(err, sql.ErrNoRows) {
		return Account{}, ErrNotFound
	}
	of := Collection{row.CollectionID, row.Collection, row.TimeZone, row.South}
	return Account{User: row.User, Collection: of}, err
}

// argon2id parameters.
const (
	argonLanes = 4
	argonKey   = 32
)

// argonCost is what a guess costs.
type argonCost struct {
	passes, memory uint32 // memory in KiB
}

// safeCost is RFC 9106's second recommended option (64 MiB, 3 passes, 4 lanes).
var safeCost = argonCost{passes: 3, memory: 64 * 1024}

// hash is a password as it is kept, with its cost.
func (c argonCost) hash(password string) string {
	salt := make([]byte, 16)
	_, _ = rand.Read(salt) // never fails
	key := argon2.IDKey([]byte(password), salt, c.passes, c.memory, argonLanes, argonKey)
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, c.memory, c.passes, argonLanes,
		base64.RawStdEncoding.EncodeToString(salt), base64.RawStdEncoding.EncodeToString(key))
}

// HashCheaply has passwords kept so that a guess costs next to nothing: for tests, whose passwords keep nobody out.
func (s *Store) HashCheaply() { s.hash = newHashing(argonCost{passes: 1, memory: 64}) }

// hashed is a password as it is kept, made when it is its turn.
func (s *Store) hashed(ctx context.Context, password string) (hash string, err error) {
	err = s.hash.do(ctx, func() { hash = s.hash.cost.hash(password) })
	return hash, err
}

// matches says whether a password is the one that is kept, looked at when it is its
// turn.
func (s *Store) matches(ctx context.Context, password, encoded string) (is bool, err error) {
	err = s.hash.do(ctx, func() { is = passwordMatches(password, encoded) })
	return is, err
}

func passwordMatches(password, encoded string) bool {
	var version, memory, passes, lanes int
	parts := strings.Split(encoded, "$")
	if len(parts) != 6 || parts[1] != "argon2id" {
		return false
	}
	if _, err := fmt.Sscanf(parts[2]+" "+parts[3], "v=%d m=%d,t=%d,p=%d", &version, &memory, &passes,
		&lanes); err != nil ||
		version != argon2.Version {
		return false
	}
	salt, err := base64.RawStdEncoding.DecodeString(parts[4])
	if err != nil {
		return false
	}
	want, err := base64.RawStdEncoding.DecodeString(parts[5])
	if err != nil {
		return false
	}
	got := argon2.IDKey([]byte(password), salt, uint32(passes), uint32(memory), uint8(lanes), uint32(len(want)))
	return subtle.ConstantTimeCompare(got, want) == 1
}

// UserByEmail finds a user; ErrNotFound when nobody has the address.
func (s *Store) UserByEmail(ctx context.Context, email string) (User, error) {
	var u User
	err := sqlx.GetContext(ctx, s.q(), &u, `select id, email, name from users where lower(email) = lower($1)`, email)
	if errors.Is(err, sql.ErrNoRows) {
		return User{}, ErrNotFound
	}
	return u, err
}
