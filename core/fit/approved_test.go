package fit

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: what a place costs and how much light is too much.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{costOfUnfit, costOfDeath, costOfMove, costOfSulking, costOfNowhere, forbidden,
			winsAtLeast, mostAtOnce, worstAtOnce, badly, belowLow, MonthsAhead, good, passable, hotShare,
			burnsOver, burnsLight, restingLight, byHalf, sunNoticed, mostSteps, weekOfSteps, usualGap,
			twoWeeksStep, LampHours, mended, severalDark},
		"sun": sunHours,
	})
}
