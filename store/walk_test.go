package store_test

import (
	"cmp"
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/due"
	"tendermend/store"
)

// dated is what the lists hold of a plant that a walk is ordered by.
type dated struct {
	ID       uuid.UUID `db:"id"`
	Standing string    `db:"standing"`
	Next     *day.Day  `db:"next_due"`
	Tasks    []byte    `db:"tasks"`
}

// pressing are the plants with something to do by a day, those on which most rides first,
// reckoned here from their tasks alone.
func pressing(t *testing.T, s *store.Store, a store.Account, on day.Day) []uuid.UUID {
	t.Helper()
	var plants []dated
	require.NoError(t, s.DB.Select(&plants,
		`select id, standing, next_due, tasks from plants where collection_id = $1 and here`, a.Collection.ID))
	weight := map[uuid.UUID]int{}
	for _, p := range plants {
		var tasks []due.Task
		require.NoError(t, json.Unmarshal(p.Tasks, &tasks))
		for _, task := range due.By(tasks, on, nil) {
			weight[p.ID] = max(weight[p.ID], task.Weight)
		}
	}
	plants = slices.DeleteFunc(plants, func(p dated) bool { return weight[p.ID] == 0 })
	unseen := func(p dated) int {
		if p.Standing == "arrived" {
			return 1
		}
		return 0
	}
	slices.SortFunc(plants, func(x, y dated) int {
		return cmp.Or(weight[y.ID]-weight[x.ID], unseen(y)-unseen(x), cmp.Compare(*x.Next, *y.Next),
			strings.Compare(x.ID.String(), y.ID.String()))
	})
	ids := make([]uuid.UUID, len(plants))
	for i, p := range plants {
		ids[i] = p.ID
	}
	return ids
}

// On any day the walk begins with the plants on which most rides, as their tasks say.
func TestTheWalkTakesTheMostUrgentOfAnyDay(t *testing.T) {
	s, a := clinic(t)
	page, err := s.Register(t.Context(), a.Collection.ID, store.Filter{Limit: 200})
	require.NoError(t, err)
	changes := map[int]bool{}
	for _, ahead := range []day.Day{-30, -1, 0, 1, 2, 5, 9, 30, 200} {
		on := today + ahead
		all := pressing(t, s, a, on)
		changes[len(all)] = true
		for _, limit := range []int{1, 5, 100} {
			walk, err := s.Due(t.Context(), a.Collection.ID, on, nil, limit)
			require.NoError(t, err)
			assert.Equal(t, len(all), walk.Due, "in %d days", ahead)
			assert.Equal(t, len(page.Rows), walk.Plants)
			taken := make([]uuid.UUID, len(walk.Rows))
			for i, row := range walk.Rows {
				taken[i] = row.ID
			}
			assert.ElementsMatch(t, all[:min(limit, len(all))], taken, "in %d days, the first %d", ahead, limit)
			again, err := s.DueAt(t.Context(), a.Collection.ID, on, taken)
			require.NoError(t, err)
			assert.Equal(t, walk.Rows, again, "the same rows in the same order")
		}
	}
	assert.Greater(t, len(changes), 3, "the days differ")
}

// What falls due is made anew from the record, and leaves the walk with a plant that is taken back.
func TestWhatFallsDueFollowsTheRecord(t *testing.T) {
	s, a := clinic(t)
	e, err := s.Append(t.Context(), a, arrival("Vine", today-3), today)
	require.NoError(t, err)
	loads := func() string {
		var all string
		require.NoError(t, s.DB.Get(&all, `select coalesce(jsonb_agg(l order by from_day)::text, '') from due_loads l
			where plant_id = $1`, e.PlantID))
		return all
	}
	before := loads()
	require.NotEmpty(t, before)
	_, err = s.DB.Exec(`update due_loads set minutes = 99, unseen = not unseen, next_due = next_due - 1,
		from_day = from_day - 1, until_day = until_day - 1`)
	require.NoError(t, err)
	_, err = s.Recompute(t.Context())
	require.NoError(t, err)
	assert.Equal(t, before, loads())
	assert.Contains(t, pressing(t, s, a, today), e.PlantID)
	_, err = s.Append(t.Context(), a, entry(e.PlantID, today, record.Body{Voided: &record.Voided{Entry: e.ID}}), today)
	require.NoError(t, err)
	assert.Empty(t, loads())
}
