package plant

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables of habits, as somebody read them.
func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"habits": habits, "weeks": weeksOf})
}
