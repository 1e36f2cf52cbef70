package treatment

import "math"

// leastSoap is the smallest amount of soap that a syringe or a spoon measures, ml;
// soap is measured in such steps (common practice).
const leastSoap = 0.5

// SoapAndWater is what a soap spray is mixed of, in ml: the soap rounded to what can be
// measured, and the water to it, so that the strength stays. The volume is in ml, the
// strength a share of it, greater than 0.
func SoapAndWater(volume, strength float64) (soap, water float64) {
	soap = math.Max(leastSoap, math.Round(volume*strength/leastSoap)*leastSoap)
	return soap, math.Round(soap/strength - soap)
}
