package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"

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

// version gives the version of a plant's record; ErrNotFound when the collection has no
// such plant.
func (s *Store) version(ctx context.Context, collection, id uuid.UUID) (v version, err error) {
	const which = `select p.entries, (select count(*) from kinds where collection_id = $1) as kinds,
			(select coalesce(string_agg(u.name, chr(10) order by u.id), '') from members m join users u on u.id = m.user_id
				where m.collection_id = $1) as names
		from plants p where p.collection_id = $1 and p.id = $2`
	err = sqlx.GetContext(ctx, s.q(), &v, which, collection, id)
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
	if keeps {
		if f.of, err = s.version(ctx, collection, id); err != nil {
			return f, err
		}
		if known, is := s.foldings.kept.Get(plantKey{collection, id}); is && known.of == f.of {
			return known, nil
		}
	}
	if f.entries, err = s.readEntries(ctx, collection, id); err != nil {
		return f, err
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
