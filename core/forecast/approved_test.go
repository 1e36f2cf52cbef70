package forecast

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what is taken of a pot that nobody measured.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{bestUnknown, mostMeter, mostGrams, gramsInKG, fullHours, vpdUsual, vpdHeated,
			lightMean, lightSwing, midsummer, daysOfYear, justFull, probably},
		"cases": cases,
		"worse": worseWith,
	})
}
