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
