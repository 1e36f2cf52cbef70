package mix

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(
		t,
		map[string]any{
			"ingredients": ingredients,
			"chemicals":   chemicals,
			"clashes":     clashes,
			"units":       units,
			"fractions":   vulgar,
		},
	)
}
