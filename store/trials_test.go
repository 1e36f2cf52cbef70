package store_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/internal/pgtest"
	"tendermend/record"
)

func TestTrialsAreListedByDayAndCollection(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	id := takeIn(t, s, a, "Cattleya", today-40)
	tried := record.Body{Tried: &record.Tried{What: "Heat mat", Hope: "roots", Days: 28}}
	begun := entry(id, today-30, tried)
	for _, e := range []record.Entry{
		begun, entry(id, today-10, tried),
		entry(id, today-1, record.Body{Judged: &record.Judged{Trial: begun.ID, Result: record.HelpedBetter}}),
	} {
		_, err := s.Append(t.Context(), a, e, today)
		require.NoError(t, err)
	}
	list, err := s.Trials(t.Context(), a.Collection.ID, today-30)
	require.NoError(t, err)
	require.Len(t, list, 2)
	assert.Nil(t, list[0].Result, "the newest first")
	assert.Equal(t, record.HelpedBetter, list[1].Result.Result)
	assert.Equal(t, []any{id, "Cattleya", begun.ID}, []any{list[1].Plant, list[1].Name, list[1].ID})
	list, err = s.Trials(t.Context(), a.Collection.ID, today-29)
	require.NoError(t, err)
	assert.Len(t, list, 1)
	theirs, err := s.Trials(t.Context(), stranger.Collection.ID, 0)
	require.NoError(t, err)
	assert.Empty(t, theirs)
}
