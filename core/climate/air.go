package climate

import "math"

// SaturationVapourPressure gives the pressure of water vapour in saturated air
// in kPa at a temperature in °C: 0.6108·exp(17.27·T/(T+237.3)) (FAO Irrigation
// and Drainage Paper 56, Allen et al. 1998, eq. 11).
func SaturationVapourPressure(t float64) float64 {
	return 0.6108 * math.Exp(17.27*t/(t+237.3))
}

// VPD gives the vapour pressure deficit in kPa of air at t °C with a relative
// humidity of 0-100 %.
func VPD(t, humidity float64) float64 {
	return SaturationVapourPressure(t) * (1 - humidity/100)
}

// DewPoint gives the temperature in °C at which air at t °C with a relative
// humidity above 0 and up to 100 % gives off dew: equation 11 of FAO 56 turned
// round.
func DewPoint(t, humidity float64) float64 {
	l := math.Log(SaturationVapourPressure(t) * humidity / 100 / 0.6108)
	return 237.3 * l / (17.27 - l)
}

// Comfort bands of VPD in kPa for most foliage in growth, and in a closed
// chamber (common practice).
var (
	LeafComfort    = [2]float64{0.4, 1.2}
	ChamberComfort = [2]float64{0.1, 0.4}
)

// HoursFor gives the hours a day at a PPFD in µmol m⁻² s⁻¹ that bring a DLI in
// mol m⁻² d⁻¹; more than 24 means that the light is too weak.
func HoursFor(dli, ppfd float64) float64 { return dli / (ppfd * 0.0036) }

// FootCandles is how many lux a foot-candle is, by definition of the foot.
const FootCandles = 10.7639104167097
