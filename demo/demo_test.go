package demo_test

import (
	"context"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/demo"
	"tendermend/internal/pgtest"
	"tendermend/record/due"
	"tendermend/record/told"
	"tendermend/store"
)

func TestMain(m *testing.M) { pgtest.Run(m) }

// clinic is a store with the clinic in it, made up once for all tests.
func clinic(t *testing.T) *store.Store {
	t.Helper()
	return pgtest.Copy(t, "clinic", func(ctx context.Context, s *store.Store) error {
		loaded, err := demo.Load(ctx, s, pgtest.Today)
		assert.True(t, loaded)
		return err
	})
}

func TestTheClinicShowsEveryKindOfCase(t *testing.T) {
	s := clinic(t)
	again, err := demo.Load(t.Context(), s, pgtest.Today+1)
	require.NoError(t, err)
	assert.False(t, again, "a second start keeps what is there")

	user, err := s.UserByEmail(t.Context(), demo.Email)
	require.NoError(t, err)
	account, err := s.Account(t.Context(), user.ID)
	require.NoError(t, err)
	page, err := s.Register(t.Context(), account.Collection.ID, store.Filter{Limit: 100})
	require.NoError(t, err)
	assert.GreaterOrEqual(t, len(page.Rows), 28, "about thirty plants")
	standing := map[string]int{}
	var stalled, setback, longest, pictures, strands, beside int
	for _, r := range page.Rows {
		standing[r.Standing]++
		if r.StallsOn != nil && *r.StallsOn <= pgtest.Today {
			stalled++
		}
		longest = max(longest, int(pgtest.Today-r.ArrivedOn))
		state, err := s.State(t.Context(), account.Collection.ID, r.ID)
		require.NoError(t, err)
		setback += len(told.SeamOf(state).Loose)
		pictures += len(state.Pictures)
		strands += len(state.Strands)
		if len(state.Courses) > 1 {
			beside++
		}
	}
	for _, wanted := range []string{"arrived", "examined", "watched", "mending", "mended", "lost", "given-away",
		"kept-under-watch"} {
		assert.Positive(t, standing[wanted], wanted)
	}
	assert.Positive(t, stalled, "a stall")
	assert.Positive(t, setback, "a setback")
	assert.GreaterOrEqual(t, longest, 240, "about nine months")
	assert.Greater(t, pictures, 60)
	assert.Greater(t, strands, 80)
	assert.Positive(t, beside, "two tracks on one plant")
	walk, err := s.Due(t.Context(), account.Collection.ID, pgtest.Today, nil, 100)
	require.NoError(t, err)
	assert.Greater(t, walk.Due, 5)
	// What the walk says in all is what its stops add up to, whatever is switched off.
	offs, spared := [][]care.Job{nil, {care.LeafWash}, {care.LeafWash, care.Turn, care.Feed, care.PestLook}}, 0
	whole := 0
	for ahead := range day.Day(40) {
		for _, off := range offs {
			walk, err := s.Due(t.Context(), account.Collection.ID, pgtest.Today+ahead, off, 100)
			require.NoError(t, err)
			stops := 0
			for _, row := range walk.Rows {
				for _, task := range due.By(row.Tasks.V, pgtest.Today+ahead, off) {
					stops += task.Minutes
				}
			}
			require.Equal(t, stops, walk.Minutes, "in %d days, without %v", ahead, off)
			if off == nil {
				whole = stops
			}
			spared += whole - stops
		}
	}
	assert.Positive(t, spared)
}

// The dates are relative to the day of loading, whatever day that is.
func TestTheClinicCanBeMadeUpOnAnyDay(t *testing.T) {
	_, err := demo.Load(t.Context(), pgtest.Store(t), pgtest.Today-271)
	require.NoError(t, err)
}
