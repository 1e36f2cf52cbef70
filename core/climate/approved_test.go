package climate

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"lights": lights, "lux": luxPerPPFD, "chamber": ChamberComfort})
}
