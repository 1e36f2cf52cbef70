package store

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/diagnosis"
)

const (
	switchesKey = "learning"
	// casesTaught is how many own cases, and how many of others, are learned from at
	// most, the newest first: a differential reads them all while it is switched on.
	casesTaught = 500
)

// Switches gives which tables follow the collection's own cases; none to begin with.
func (s *Store) Switches(ctx context.Context, collection uuid.UUID) (diagnosis.Switches, error) {
	on, _, err := loadSetting[diagnosis.Switches](ctx, s.q(), collection, switchesKey)
	return on, err
}

// SaveSwitches keeps a new version of what is switched on.
func (s *Store) SaveSwitches(ctx context.Context, a Account, on diagnosis.Switches) error {
	return s.saveSetting(ctx, a, switchesKey, on)
}

// OwnCases lists the collection's confirmed cases with what was answered at the first
// look, newest first. Guesses are not among them.
func (s *Store) OwnCases(ctx context.Context, collection uuid.UUID) ([]diagnosis.WorkedCase, error) {
	return ownCases(ctx, s.q(), collection)
}

func ownCases(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) ([]diagnosis.WorkedCase, error) {
	var rows []struct {
		ID     string                        `db:"id"`
		Look   asJSON[diagnosis.Examination] `db:"look"`
		Causes asJSON[[]string]              `db:"causes"`
		How    string                        `db:"how"`
	}
	err := sqlx.SelectContext(ctx, q, &rows, `
		select concat_ws(' ', p.collection_id, p.id, one->>'on', nth) as id,
			one->'look' as look, one->'causes' as causes, one->>'how' as how
		from plants p, jsonb_array_elements(p.confirmations) with ordinality as these (one, nth)
		where p.collection_id = $1 and p.here and p.confirmations <> '[]' and one ? 'look' and one->>'how' <> 'guess'
		order by (one->>'on')::date desc, p.id limit $2`, collection, casesTaught)
	if err != nil {
		return nil, fmt.Errorf("listing the cases that teach: %w", err)
	}
	cases := make([]diagnosis.WorkedCase, len(rows))
	for i, r := range rows {
		cases[i] = diagnosis.WorkedCase{
			ID: r.ID, Examination: r.Look.V, Causes: r.Causes.V, Known: true, Basis: r.How,
		}
	}
	return cases, nil
}

// TakenCases lists the cases that were taken in from other collections, newest first.
func (s *Store) TakenCases(ctx context.Context, collection uuid.UUID) ([]diagnosis.WorkedCase, error) {
	return takenCases(ctx, s.q(), collection, casesTaught)
}

// takenCases lists the newest, so many at most; 0 means all.
func takenCases(
	ctx context.Context,
	q sqlx.QueryerContext,
	collection uuid.UUID,
	most int,
) ([]diagnosis.WorkedCase, error) {
	var rows []asJSON[diagnosis.WorkedCase]
	err := sqlx.SelectContext(ctx, q, &rows,
		`select body from taken_cases where collection_id = $1 order by taken_at desc, hash
		limit nullif($2::int, 0)`, collection, most)
	if err != nil {
		return nil, fmt.Errorf("listing the cases taken in: %w", err)
	}
	cases := make([]diagnosis.WorkedCase, len(rows))
	for i, r := range rows {
		cases[i] = r.V
	}
	return cases, nil
}

// TakeCases keeps cases of other collections, each once, without names and stories;
// it says how many were new. Two that are alike in all but their id are two; without an id they are told apart
// within a file by their turn.
func (s *Store) TakeCases(ctx context.Context, a Account, cases []diagnosis.WorkedCase) (added int, err error) {
	err = s.inTx(ctx, func(tx *sqlx.Tx) error {
		alike := map[string]int{}
		for _, c := range cases {
			body, err := json.Marshal(c.Anonymous())
			if err != nil {
				return err
			}
			turn := alike[string(body)]
			alike[string(body)]++
			told := body
			if turn > 0 && c.Anonymous().ID == "" {
				told = fmt.Appendf(nil, "%s %d", body, turn+1)
			}
			sum := sha256.Sum256(told)
			done, err := tx.ExecContext(ctx, `
				insert into taken_cases (collection_id, hash, body, taken_at, by_user) values ($1, $2, $3, $4, $5)
				on conflict do nothing`,
				a.Collection.ID, hex.EncodeToString(sum[:]), body, s.now(), a.User.ID)
			if err != nil {
				return fmt.Errorf("taking in a case: %w", err)
			}
			n, err := done.RowsAffected()
			if err != nil {
				return err
			}
			added += int(n)
		}
		return nil
	})
	return added, err
}

// Knowledge gives what a collection judges by: the tables, with what its own cases and
// those taken in teach where that was switched on.
func (s *Store) Knowledge(ctx context.Context, collection uuid.UUID) (*diagnosis.Knowledge, error) {
	return knowledge(ctx, s.q(), collection)
}

func knowledge(ctx context.Context, q sqlx.QueryerContext, collection uuid.UUID) (*diagnosis.Knowledge, error) {
	on, _, err := loadSetting[diagnosis.Switches](ctx, q, collection, switchesKey)
	if err != nil || !on.Any() {
		return diagnosis.Standard(), err
	}
	own, err := ownCases(ctx, q, collection)
	if err != nil {
		return nil, err
	}
	taken, err := takenCases(ctx, q, collection, casesTaught)
	if err != nil {
		return nil, err
	}
	k := diagnosis.Standard()
	return k.Learned(k.Learn(append(own, taken...)), on), nil
}
