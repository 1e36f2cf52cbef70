package pest

import (
	"testing"

	"tendermend/internal/approve"
)

func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{
		"pests":  pests,
		"limits": []float64{beforeLaying, liveYoungShare, liveYoungLatest, lastingEggs, lastingDays, clearLeast},
	})
}
