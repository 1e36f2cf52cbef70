package day_test

import (
	"encoding/json"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
)

func TestDayCountsAcrossMonthsLeapYearsAndBefore1970(t *testing.T) {
	assert.Equal(t, day.Of(2024, time.March, 1), day.Of(2024, time.February, 28)+2, "2024 is a leap year")
	assert.Equal(t, day.Of(2026, time.March, 1), day.Of(2026, time.February, 28)+1)
	assert.Equal(t, "1969-12-31", day.Day(-1).String())
}

func TestDayIsTheCalendarDayOfItsOwnZone(t *testing.T) {
	lateEvening := time.Date(2026, 11, 24, 23, 30, 0, 0, time.FixedZone("west", -8*3600))
	assert.Equal(t, "2026-11-24", day.At(lateEvening).String())
}

func TestDayReadsAndWritesJSON(t *testing.T) {
	raw, err := json.Marshal(map[string]day.Day{"on": day.Of(2026, 11, 24)})
	require.NoError(t, err)
	assert.JSONEq(t, `{"on":"2026-11-24"}`, string(raw))
	var back struct{ On day.Day }
	require.NoError(t, json.Unmarshal(raw, &back))
	assert.Equal(t, day.Of(2026, 11, 24), back.On)
	assert.ErrorContains(t, json.Unmarshal([]byte(`{"on":"24.11.26"}`), &back), "year-month-day")
}

func TestDayGoesIntoADateColumnAndComesBack(t *testing.T) {
	on := day.Of(2026, time.November, 24)
	stored, err := on.Value()
	require.NoError(t, err)
	assert.Equal(t, "2026-11-24", stored)
	for name, column := range map[string]any{"as a date": time.Date(2026, 11, 24, 0, 0, 0, 0, time.UTC),
		"as text": "2026-11-24"} {
		var back day.Day
		require.NoError(t, back.Scan(column), name)
		assert.Equal(t, on, back, name)
	}
	var none day.Day
	for _, column := range []any{nil, 20857, "soon"} {
		assert.Error(t, none.Scan(column), "%v", column)
	}
	assert.Equal(t, time.November, on.Month())
}

func TestOnlyDaysOfTheCalendarAreMade(t *testing.T) {
	for _, c := range []struct {
		y, m, d int
		is      bool
	}{{2026, 2, 28, true}, {2026, 2, 29, false}, {2028, 2, 29, true}, {2026, 0, 1, false}, {2026, 1, 1, true},
		{2026, 12, 31, true}, {2026, 13, 1, false}, {2026, 4, 31, false}, {2026, 4, 0, false}} {
		made, is := day.Made(c.y, c.m, c.d)
		assert.Equal(t, c.is, is, "%+v", c)
		if is {
			assert.Equal(t, day.Of(c.y, time.Month(c.m), c.d), made)
		}
	}
}

func TestDaysThatAreNotThereAreRefused(t *testing.T) {
	for _, words := range []string{"", "2026-02-30", "2026-13-01", "26-1-1", "2026-11-24T00:00:00Z"} {
		_, err := day.Parse(words)
		assert.ErrorContains(t, err, "year-month-day", words)
	}
}
