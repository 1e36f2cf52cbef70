package walk

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what a look takes and is worth.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{perPlace, perPlant, perWash, mustValue, lateADay, latest, atFirst},
	})
}
