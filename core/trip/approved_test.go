package trip

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what counts when nobody waters.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{LookFirst, slows, cooler, safe, dueWithin, evenBelow, filledTo, poured, leastGap,
			longest, nodes, reachSD, sharp, toTheNext},
	})
}
