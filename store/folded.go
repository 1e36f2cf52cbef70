package store

import (
	"bytes"
	"cmp"
	"context"
	"database/sql"
	"errors"
	"fmt"
	"slices"
	"time"

	"github.com/google/uuid"
	lru "github.com/hashicorp/golang-lru/v2"
	"github.com/jmoiron/sqlx"

	"tendermend/core/plant"
	"tendermend/record"
)

// mostFolded is how many plants are kept as they were folded last: those that were looked
// at last. A plant with a thousand entries takes about 2 MB.
const mostFolded = 64

// folded is a plant's record as it was read, with the state that it folds into. Neither is
// written to.
type folded struct {
	of      version
	entries []record.Entry
	state   record.State
}

// version tells two records of a plant apart. Entries and kinds are only ever added, so
// their number is enough; names of users are written on entries.
type version struct {
	Entries int    `db:"entries"`
	Kinds   int    `db:"kinds"`
	Names   string `db:"names"`
}

type plantKey struct{ collection, plant uuid.UUID }

// foldings keeps plants as they were folded last. What is kept is taken only where the
// database still has that version of it, whoever wrote there.
type foldings struct {
	kept *lru.Cache[plantKey, folded]
}

func newFoldings(size int) *foldings {
	kept, err := lru.New[plantKey, folded](size)
	if err != nil {
		panic(err) // a size below one, which no caller gives
	}
	return &foldings{kept}
}

// forget lets go of all that is kept in memory.
func (s *Store) forget() {
	if s.foldings != nil {
		s.foldings.kept.Purge()
	}
	if s.airs != nil {
		s.airs.Purge()
	}
}

// readVersion gives the version of a plant's record; ErrNotFound when the collection has no
// such plant.
func readVersion(ctx context.Context, q sqlx.QueryerContext, collection, id uuid.UUID) (v version, err error) {
	const which = `select p.entries, (select count(*) from kinds where collection_id = $1) as kinds,
			(select coalesce(string_agg(u.name, chr(10) order by u.id), '') from members m join users u on u.id = m.user_id
				where m.collection_id = $1) as names
		from plants p where p.collection_id = $1 and p.id = $2`
	err = sqlx.GetContext(ctx, q, &v, which, collection, id)
	if errors.Is(err, sql.ErrNoRows) {
		return v, ErrNotFound
	}
	if err != nil {
		return v, fmt.Errorf("reading the record: %w", err)
	}
	return v, nil
}

// folded gives a plant's entries with the state that they fold into. The version is read
// before the entries, so what is kept may be newer than it says, and never older. Within a
// transaction nothing is kept: it may yet be undone.
func (s *Store) folded(ctx context.Context, collection, id uuid.UUID) (f folded, err error) {
	keeps := s.tx == nil && s.foldings != nil
	var known folded
	if keeps {
		if f.of, err = readVersion(ctx, s.q(), collection, id); err != nil {
			return f, err
		}
		known, _ = s.foldings.kept.Get(plantKey{collection, id})
		if known.entries != nil && known.of == f.of {
			return known, nil
		}
	}
	if f.entries, err = known.grown(ctx, s.q(), collection, id, f.of); err != nil {
		return f, err
	}
	if len(f.entries) == 0 { // a plant has at least its arrival
		return f, ErrNotFound
	}
	var kinds plant.Kinds
	if kinds, err = loadKinds(ctx, s.q(), collection, true); err != nil {
		return f, err
	}
	f.state = record.Fold(id, f.entries, kinds)
	if keeps {
		s.foldings.kept.Add(plantKey{collection, id}, f)
	}
	return f, nil
}

// grown gives the entries of a plant in a version of it: those that are kept with what came since, or all of them
// where nothing is kept, or what is kept does not lead to that version.
func (f folded) grown(
	ctx context.Context, q sqlx.QueryerContext, collection, id uuid.UUID, now version,
) ([]record.Entry, error) {
	if len(f.entries) == 0 || f.of.Names != now.Names || len(f.entries) > now.Entries {
		return loadEntries(ctx, q, collection, id)
	}
	var last time.Time
	for _, e := range f.entries {
		if e.RecordedAt.After(last) {
			last = e.RecordedAt
		}
	}
	newer, err := selectEntries(ctx, q, `e.plant_id = $2 and e.recorded_at > $3`, collection, id, last)
	if err != nil {
		return nil, err
	}
	if len(f.entries)+len(newer) != now.Entries { // what was taken over may be older than what is kept
		return loadEntries(ctx, q, collection, id)
	}
	all := slices.Concat(f.entries, newer)
	slices.SortStableFunc(all, asRead)
	return all, nil
}

// asRead compares entries by the order in which they are read.
func asRead(x, y record.Entry) int {
	return cmp.Or(cmp.Compare(x.On, y.On), x.RecordedAt.Compare(y.RecordedAt), bytes.Compare(x.ID[:], y.ID[:]))
}

// underLock gives the entries of a plant within the transaction that holds its row: those that are kept are of use
// there too.
func (s *Store) underLock(ctx context.Context, tx *sqlx.Tx, collection, id uuid.UUID) ([]record.Entry, error) {
	if s.foldings == nil {
		return loadEntries(ctx, tx, collection, id)
	}
	known, _ := s.foldings.kept.Get(plantKey{collection, id})
	if len(known.entries) == 0 {
		return loadEntries(ctx, tx, collection, id)
	}
	now, err := readVersion(ctx, tx, collection, id)
	if err != nil {
		return nil, err
	}
	return known.grown(ctx, tx, collection, id, now)
}
