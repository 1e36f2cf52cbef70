package store

import (
	"context"
	"fmt"

	"github.com/jmoiron/sqlx"
)

// foldEdition counts the changes of what is folded into the lists. It goes up with
// every change after which the same record gives other rows.
const foldEdition = 11

// Refold rebuilds the lists from the record where another edition of the program
// wrote them, and gives the number of plants; 0 where they are of this one.
func (s *Store) Refold(ctx context.Context) (int, error) {
	var edition int
	const now = `select coalesce((select edition from folded), 0)`
	if err := sqlx.GetContext(ctx, s.q(), &edition, now); err != nil {
		return 0, fmt.Errorf("asking how the lists were folded: %w", err)
	}
	if edition == foldEdition {
		return 0, nil
	}
	n, err := s.Recompute(ctx)
	if err != nil {
		return n, err
	}
	_, err = s.DB.ExecContext(ctx, `insert into folded (edition) values ($1)
		on conflict (one) do update set edition = excluded.edition`, foldEdition)
	return n, err
}
