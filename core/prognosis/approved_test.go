package prognosis

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"outlooks": outlooks, "reserves": reservesTake, "spent": spent})
}
