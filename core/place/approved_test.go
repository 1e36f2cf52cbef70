package place

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: how light and air are reckoned where nobody measured.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{lightSteps, vpdSteps, coarsely, coldestNight, warmestNight, coldChance, coldNights,
			stepMinutes, pseudo, warmEnd, leadSlow, glass, dirt, usualWindow, aboveSill, groundThrows,
			roomThrows, underSillPart, eyeSpread, solarWatts, greyShare, clearShare, clearFromSky, groundShare,
			nightSpread, surely, warmNights, usualNorth, usualSouth, januarySouth, heatedDay, summerDay,
			overNightPorch, overNightCold, overNightOut, sillDrop, outdoorHumidity, meanOverNight, peopleAdd,
			driestAir, wettestAir, outDayHumidity, noonFrom, noonTo},
		"hides":     hides,
		"passes":    passes,
		"aspects":   aspects,
		"couplings": couplings,
		"spreads":   readSpread,
		"nights":    usualNights,
		"bands":     bands,
	})
}
