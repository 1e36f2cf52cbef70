package pieces

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: how pieces are taken, and how long they take.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"ways":  ways,
		"weeks": weeks,
		"days":  []any{CountDays},
	})
}
