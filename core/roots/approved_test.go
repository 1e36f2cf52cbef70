package roots

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"sorts": sorts})
}
