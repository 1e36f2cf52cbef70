package store

import (
	"context"
	"fmt"

	"github.com/google/uuid"
	"github.com/jmoiron/sqlx"

	"tendermend/core/drying"
)

// Foretold adds up how drying was foretold in all pots of a collection, against what was found.
func (s *Store) Foretold(ctx context.Context, collection uuid.UUID) (all drying.Foretold, err error) {
	var rows []struct {
		Fifth int `db:"fifth"`
		Looks int `db:"looks"`
		Dry   int `db:"dry"`
	}
	err = sqlx.SelectContext(ctx, s.q(), &rows, `
		select n - 1 as fifth, sum((one->>0)::int) as looks, sum((one->>1)::int) as dry
		from plants p, jsonb_array_elements(p.pot->'foretold') with ordinality as x(one, n)
		where p.collection_id = $1 and p.here group by n`, collection)
	if err != nil {
		return all, fmt.Errorf("adding up how drying was foretold: %w", err)
	}
	for _, r := range rows {
		if r.Fifth < len(all) {
			all[r.Fifth] = [2]int{r.Looks, r.Dry}
		}
	}
	return all, nil
}
