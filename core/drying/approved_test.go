package drying

import (
	"testing"

	"tendermend/internal/approve"
)

// The tables stand as they were read: how a pot dries and what is seen of it.
func TestTablesStayAsTheyWereApproved(t *testing.T) {
	approve.Tables(t, map[string]any{
		"limits": []any{slowing, leastVPD, mostVPD, inTheDark, byLight, mostLight, byAirAlone, byLeaf,
			withFan, underCover, ratePoints, rateReach, segmentSD, monthSD, leastReach, shedsBelow, sipShare,
			daysOfAMonth, MovedSD, MovedOutSD, CutSD, RepottedSD, segmentRates, edge, neverSo, ruledOut},
		"findings": []any{stickSD, stickLapse, tapSD, handSD, handSure, handLapse, lightBelow, heavyFrom,
			leafSure, leafLapse, leafSD, scaleSD, scaleByWater, scaleSure, meterSD, meterSenseless, wettest,
			tableSteps, limpThin, limpOther, normalAtMiddle, meterNorm, fifths, enoughLooks, enoughInAll},
		"pots": []any{filled, bareLitres, leafLitres, sideWetted, underStones, inOuterPot, leastRoots,
			baseOfTop, depthOfTop, holdsCommon, usualPotTop, cmInM, litresInCube, shedding, sdOfMix,
			holdsUnknown},
		"holds":    holds,
		"breathes": breathes,
		"mixes":    mixWords,
		"refills":  refills,
	})
}
