package origins

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: when something has lived, and when sources differ.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{LivingAfter, SurelyApart, fewest},
	})
}
