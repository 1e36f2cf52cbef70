package sky

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: sunshine through cloud, and the middle days of months.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{solarConstant, MolPerMJ, minutes, clearness, middles},
	})
}
