package place

import (
	"math"

	"tendermend/core/day"
	"tendermend/core/drying"
)

// YearAir is the light and air that pots dry in at a place, by month, January first.
type YearAir struct {
	Light [12]float64 `json:"light" doc:"Mol a square metre and day, with the lamp."`
	VPD   [12]float64 `json:"vpd" doc:"kPa, by day."`
	Fan   bool        `json:"fan,omitempty"`
}

// How finely air is told: what differs by less changes no window (common practice).
const (
	lightSteps = 2  // steps to a mol
	vpdSteps   = 20 // steps to a kPa
)

// AirOf is what twelve months of a place come to for its pots.
func AirOf(year []MonthThere, fan bool) YearAir {
	air := YearAir{Fan: fan}
	for _, m := range year {
		air.Light[m.Month-1] = math.Round(m.Light*lightSteps) / lightSteps
		air.VPD[m.Month-1] = math.Round(m.VPD*vpdSteps) / vpdSteps
	}
	return air
}

// On is the air that a pot dries in there on a day, of a kind with its best light; the usual
// air where nothing is known of the kind.
func (y YearAir) On(on day.Day, best float64, usual drying.Air) drying.Air {
	if best <= 0 {
		return usual
	}
	m := on.Month() - 1
	usual.Light, usual.VPD, usual.Fan = y.Light[m]/best, y.VPD[m], y.Fan
	return usual
}
