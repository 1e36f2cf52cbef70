package season

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: when something is put out, brought in, fed and rested.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{gains, shortestOut, tooLate, leftAlone, stepsForgotten, ReadyDays, shadeReady,
			outDays, restDays, feedWaits, fedLately, longestSeason, shortestSeason, year, aWeek, shortDay,
			waningDay},
	})
}
