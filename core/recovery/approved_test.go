package recovery

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(
		t,
		map[string]any{
			"tracks":   tracks,
			"measures": measures,
			"seasons":  seasonSlows,
			"reserves": reserveDays,
			"weights":  partWeights,
		},
	)
}
