package logger

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what a reading may be.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{coldest, hottest, driest, wettest, overWet, neighbours, spreads, floorTemp,
			floorWet, holds, lastHolds, countsWith, stuckHours, stuckAtMost, MostRows, lastLines, warmest},
	})
}
