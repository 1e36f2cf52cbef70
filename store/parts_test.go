package store_test

import (
	"context"
	"encoding/json"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/demo"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

func clinic(t *testing.T) (*store.Store, store.Account) {
	t.Helper()
	s := pgtest.Copy(t, "clinic", func(ctx context.Context, s *store.Store) error {
		_, err := demo.Load(ctx, s, pgtest.Today)
		return err
	})
	user, err := s.UserByEmail(t.Context(), demo.Email)
	require.NoError(t, err)
	a, err := s.Account(t.Context(), user.ID)
	require.NoError(t, err)
	return s, a
}

// Whatever is asked of a collection goes to its own rows: every key and every index of a
// table of collections begins with the collection. Members are asked for by user as well,
// and links by their secrets.
func TestEveryKeyBeginsWithTheCollection(t *testing.T) {
	s := pgtest.Store(t)
	var others []string
	require.NoError(t, s.DB.Select(&others, `
		select i.indexrelid::regclass::text from pg_index i join pg_class c on c.oid = i.indrelid
		where c.relnamespace = 'public'::regnamespace
			and exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'collection_id')
			and (select attname from pg_attribute a where a.attrelid = c.oid and a.attnum = i.indkey[0])
				<> 'collection_id' order by 1`))
	assert.Equal(t, []string{"calendar_links_pkey", "members_pkey", "trip_links_pkey"}, others)
	var without []string
	require.NoError(t, s.DB.Select(&without, `
		select c.relname from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'
			and not exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'collection_id')
		order by 1`))
	assert.Equal(t, strings.Fields(`collections folded goose_db_version recovery_codes reset_links sessions
		sign_in_callers sign_in_tries user_sessions users`), without, "only what belongs to people or to the program")
}

// shown is all that the lists and a plant's record tell.
func shown(t *testing.T, s *store.Store, a store.Account) string {
	t.Helper()
	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 200})
	require.NoError(t, err)
	places, err := s.Places(t.Context(), a.Collection.ID)
	require.NoError(t, err)
	came := map[string][]store.CameFrom{}
	for _, by := range []string{"source", "tag", "batch", "kind", "packing", "school", "method"} {
		came[by], err = s.CameNamed(t.Context(), a.Collection.ID, 0, today, by)
		require.NoError(t, err)
	}
	entries, _, err := s.Record(t.Context(), a.Collection.ID, page.Rows[3].ID)
	require.NoError(t, err)
	all, err := json.Marshal([]any{page, places, came, entries})
	require.NoError(t, err)
	return string(all)
}

// Split by collection the database tells the same, takes entries and refuses changes as
// before, and asks one part only.
func TestTablesSplitByCollectionTellTheSame(t *testing.T) {
	s, a := clinic(t)
	before := shown(t, s, a)
	_, err := s.Partition(t.Context(), 1)
	require.ErrorContains(t, err, "ask for 2 to 256")
	split, err := s.Partition(t.Context(), 4)
	require.NoError(t, err)
	assert.Greater(t, split, 10)
	again, err := s.Partition(t.Context(), 4)
	require.NoError(t, err)
	assert.Zero(t, again, "what is split stays as it is")
	require.NoError(t, s.Migrate(t.Context()))
	assert.Equal(t, before, shown(t, s, a))

	var plan []string
	require.NoError(t, s.DB.Select(&plan, `explain select * from plants where collection_id = '`+
		a.Collection.ID.String()+`' and here order by natural_name`))
	assert.Equal(t, 1, strings.Count(strings.Join(plan, "\n"), " on plants_"), plan)

	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 1})
	require.NoError(t, err)
	noted(t, s, a, page.Rows[0].ID, today)
	_, err = s.DB.Exec(`update entries set on_day = on_day - 1`)
	require.ErrorContains(t, err, "append-only")
	_, err = s.DB.Exec(`insert into plants (collection_id, id) values ($1, $2)`, uuid.New(), uuid.New())
	require.ErrorContains(t, err, "foreign key")
	n, err := s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Greater(t, n, 40)

	stranger := pgtest.Account(t, s, "stranger@example.org")
	none, err := s.Register(t.Context(), stranger.Collection.ID, store.Filter{Limit: 10})
	require.NoError(t, err)
	assert.Empty(t, none.Rows)
}

// noted writes a note into a plant's record.
func noted(t *testing.T, s *store.Store, a store.Account, plant uuid.UUID, on day.Day) {
	t.Helper()
	_, err := s.Append(t.Context(), a, entry(plant, on, record.Body{Noted: &record.Noted{Text: "seen"}}), on)
	require.NoError(t, err)
}

// What reads goes to the replica, shows the last tap, and goes on where the replica is away.
func TestAReplicaTakesTheReads(t *testing.T) {
	s, a := clinic(t)
	require.ErrorContains(t, s.ReadFrom(t.Context(), "postgres://nowhere"), "synchronous_commit to remote_apply")
	var name string
	require.NoError(t, s.DB.Get(&name, `select current_database()`))
	replica, stop, err := pgtest.Server().Replica(t.Context())
	require.NoError(t, err)
	running := true
	t.Cleanup(func() {
		if running {
			require.NoError(t, stop())
		}
	})
	through, err := store.Open(pgtest.Server().DatabaseURL(name), pgtest.Clock)
	require.NoError(t, err)
	t.Cleanup(func() { _ = through.DB.Close() })
	require.NoError(t, through.ReadFrom(t.Context(), replica.DatabaseURL(name)))

	assert.Equal(t, shown(t, s, a), shown(t, through, a))
	page, err := through.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 1})
	require.NoError(t, err)
	plant := page.Rows[0].ID
	for n := range 20 {
		before, _, err := through.Record(t.Context(), a.Collection.ID, plant)
		require.NoError(t, err)
		noted(t, through, a, plant, today)
		after, _, err := through.Record(t.Context(), a.Collection.ID, plant)
		require.NoError(t, err)
		require.Len(t, after, len(before)+1, "tap %d is shown at once", n)
	}
	var scans int
	at, err := store.Open(replica.DatabaseURL(name), pgtest.Clock)
	require.NoError(t, err)
	require.NoError(t, at.DB.Get(&scans, `select count(*) from pg_stat_activity where datname = current_database()
		and query ilike '%from plants%' and pid <> pg_backend_pid()`))
	assert.Positive(t, scans, "the replica was asked")
	require.NoError(t, at.DB.Close())

	times := 0
	read := func(then *store.Store) error {
		times++
		if running && times > 1 {
			running = false
			require.NoError(t, stop())
		}
		if times == 1 {
			return store.ErrNotFound
		}
		_, err := then.Outbreakers(t.Context(), a.Collection.ID, []uuid.UUID{plant})
		return err
	}
	require.ErrorIs(t, through.AtOneMoment(t.Context(), read), store.ErrNotFound)
	require.Equal(t, 1, times, "what is not there is no fault of the replica")
	require.NoError(t, through.AtOneMoment(t.Context(), read))
	assert.Equal(t, 3, times, "what it broke off is read again, from its beginning")
	assert.Equal(t, shown(t, s, a), shown(t, through, a), "without it the database itself is asked")
}

// What is known of a place goes out with an archive and comes back, also of one that is gone.
func TestAnArchiveCarriesWhatPlacesAreLike(t *testing.T) {
	s := pgtest.Store(t)
	one, two := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	sill := store.Place{ID: newID(), Name: "Sill", Details: &place.Details{
		Setting: place.Sill, Slots: 4, Window: &place.LitBy{Aspect: "E", DistanceM: .4},
	}}
	attic := store.Place{ID: newID(), Name: "Attic"}
	shelf := store.Place{ID: newID(), Name: "A shelf of it", PartOf: &sill.ID}
	require.NoError(t, s.AddPlace(t.Context(), one.Collection.ID, sill))
	require.NoError(t, s.AddPlace(t.Context(), one.Collection.ID, attic))
	require.NoError(t, s.AddPlace(t.Context(), one.Collection.ID, shelf))
	there := store.Place{ID: newID(), Name: "SILL"} // the same place, under another id
	require.NoError(t, s.AddPlace(t.Context(), two.Collection.ID, there))
	attic.Version, attic.Gone = 1, true
	require.NoError(t, s.ChangePlace(t.Context(), one, attic))
	archive := pgtest.Archived(t, s, one.Collection, nil, false)
	_, err := s.Import(t.Context(), two, archive, today, nil)
	require.NoError(t, err)
	here, err := s.Places(t.Context(), two.Collection.ID)
	require.NoError(t, err)
	require.Len(t, here, 2, "what is gone stays gone")
	assert.Equal(t, there.ID, *here[1].PartOf, "it is a part of what stands here under that name")
	three := pgtest.Account(t, s, "three@example.org")
	_, err = s.Import(t.Context(), three, archive, today, nil)
	require.NoError(t, err)
	here, err = s.Places(t.Context(), three.Collection.ID)
	require.NoError(t, err)
	require.Len(t, here, 2)
	assert.Equal(t, sill.Details, here[0].Details)
	assert.Equal(t, sill.ID, *here[1].PartOf)
	assert.ErrorIs(t, s.ChangePlace(t.Context(), two, store.Place{ID: newID(), Name: "X", Version: 1}), store.ErrNotFound)
}
