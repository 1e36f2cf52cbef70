package isolation

import (
	"testing"

	"tendermend/internal/approve"
)

// The limits of a quarantine, as somebody read them.
func TestLimitsStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"limits": []int{suspectDays, mostDays, firstLook, LeastLooks, LooksApart}})
}
