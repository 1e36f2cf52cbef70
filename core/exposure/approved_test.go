package exposure

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what it may come from, how ties count, and when is looked.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{hadIt, newcomer, anyPlant, cameWith, cameBad, fromNobody, MayHave, sitting,
			diseaseDays, slowDays, afterEggs, unseen, PastDays, atOnce, nowFrom, watchFrom, lookFrom, HandsOn,
			LikingUnknown},
		"slow":    []any{slow, looksOfSlow, once},
		"hazards": hazards,
		"modes":   modes,
	})
}
