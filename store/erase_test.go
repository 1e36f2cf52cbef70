package store_test

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/demo"
	"tendermend/internal/pgtest"
	"tendermend/store"
)

// rowsOf is how many rows each table that holds rows of somebody's has, of a collection
// and of a user: every table of the database that names either.
func rowsOf(t *testing.T, s *store.Store, a store.Account) map[string]int {
	t.Helper()
	var columns []struct {
		Table  string `db:"table_name"`
		Column string `db:"column_name"`
	}
	require.NoError(t, s.DB.Select(&columns, `select table_name, column_name from information_schema.columns
		where table_schema = 'public' and column_name in ('collection_id', 'user_id')`))
	require.NotEmpty(t, columns)
	rows := map[string]int{}
	for _, c := range columns {
		var n int
		whose := a.Collection.ID
		if c.Column == "user_id" {
			whose = a.User.ID
		}
		require.NoError(t, s.DB.Get(&n, fmt.Sprintf(`select count(*) from %s where %s = $1`, c.Table, c.Column), whose))
		rows[c.Table+"."+c.Column] = n
	}
	return rows
}

// An account that is erased leaves no row in any table, and nothing of anybody else goes.
func TestAnErasedAccountLeavesNothing(t *testing.T) {
	s := pgtest.Store(t)
	s.Clock = pgtest.Clock
	_, err := demo.Load(t.Context(), s, pgtest.Today)
	require.NoError(t, err)
	user, err := s.UserByEmail(t.Context(), demo.Email)
	require.NoError(t, err)
	own, err := s.Account(t.Context(), user.ID)
	require.NoError(t, err)
	other := pgtest.Account(t, s, "other@example.org")
	plant := takeIn(t, s, other, "Fern", pgtest.Today)
	for _, a := range []store.Account{own, other} {
		_, err = s.BeginSession(t.Context(), a.User.ID, "192.0.2.1", "a browser")
		require.NoError(t, err)
		_, _, err = s.NewResetLink(t.Context(), a.User.ID)
		require.NoError(t, err)
	}
	before := rowsOf(t, s, other)
	filled := rowsOf(t, s, own)
	for _, table := range []string{"entries", "plants", "pictures", "supplies", "places", "plant_cases"} {
		require.Positive(t, filled[table+".collection_id"], table)
	}
	require.NoError(t, s.Erase(t.Context(), own.User))
	for table, n := range rowsOf(t, s, own) {
		assert.Zero(t, n, table)
	}
	assert.Equal(t, before, rowsOf(t, s, other))
	_, err = s.UserByEmail(t.Context(), demo.Email)
	assert.ErrorIs(t, err, store.ErrNotFound)
	_, err = s.DB.Exec(`delete from entries where plant_id = $1`, plant)
	assert.ErrorContains(t, err, "append-only", "which is no way round for anything else")
}

// Whoever leaves a collection in which others work takes nothing of it away.
func TestWhoLeavesOthersLeavesTheRecord(t *testing.T) {
	s := pgtest.Store(t)
	s.Clock = pgtest.Clock
	owner, helper := pgtest.Account(t, s, "owner@example.org"), pgtest.Account(t, s, "helper@example.org")
	_, err := s.DB.Exec(`insert into members (collection_id, user_id) values ($1, $2)`,
		owner.Collection.ID, helper.User.ID)
	require.NoError(t, err)
	plant := takeIn(t, s, owner, "Fern", pgtest.Today)
	_, err = s.DB.Exec(`alter table entries disable trigger user; update entries set by_user = '` +
		helper.User.ID.String() + `'; alter table entries enable trigger user`)
	require.NoError(t, err)
	before := rowsOf(t, s, owner)
	require.NoError(t, s.Erase(t.Context(), helper.User))
	after := rowsOf(t, s, owner)
	before["members.collection_id"]--
	assert.Equal(t, before, after)
	var by string
	require.NoError(t, s.DB.Get(&by, `select u.name from entries e join users u on u.id = e.by_user
		where e.plant_id = $1`, plant))
	assert.Equal(t, "Somebody who left", by)
	_, err = s.UserByEmail(t.Context(), "helper@example.org")
	assert.ErrorIs(t, err, store.ErrNotFound)
}
