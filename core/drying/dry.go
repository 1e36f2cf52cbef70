package drying

import "math"

// slowing is the content under which drying slows in proportion to what is left (two
// stages of drying, from memory).
const slowing = .45

// Dry gives what is left of a content after so much drying: at a constant rate down to
// 0.45, then in proportion to what is left.
func Dry(content, drying float64) float64 {
	first := max(content-slowing, 0)
	if drying <= first {
		return content - drying
	}
	return (content - first) * math.Exp(-(drying-first)/slowing)
}

// Between is how much drying lies between two contents; 0 where the second is no less.
func Between(from, to float64) float64 {
	if to >= from {
		return 0
	}
	x := max(0, from-max(to, slowing))
	if to < slowing {
		x += slowing * math.Log(min(from, slowing)/to)
	}
	return x
}

// Air is what a place gives on a day.
type Air struct {
	VPD   float64 // vapour pressure deficit, kPa
	Light float64 // daily light over the kind's best
	Fan   bool
	// Closed is true under a bag or in a box.
	Closed bool
}

// What air and light do to drying (growers' practice; a guess).
const (
	leastVPD, mostVPD   = .2, 3.0
	inTheDark, byLight  = .35, .65
	mostLight           = 1.3
	byAirAlone, byLeaf  = .8, .5
	withFan, underCover = 1.25, .3
)

// Pace is how fast the clock of drying runs in some air, 1 at 1 kPa and the best light;
// evaporating is the share of what leaves the pot that evaporates.
func (a Air) Pace(evaporating float64) float64 {
	v := min(mostVPD, max(leastVPD, a.VPD))
	l := min(mostLight, inTheDark+byLight*a.Light)
	pace := evaporating*math.Pow(v, byAirAlone) + (1-evaporating)*math.Pow(v, byLeaf)*l
	if a.Fan {
		pace *= withFan
	}
	if a.Closed {
		pace *= underCover
	}
	return pace
}
