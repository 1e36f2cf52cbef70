package pest

import (
	"math"
	"sort"

	"tendermend/core/day"
)

// DegreeDays gives the degree-days of one day above a threshold from its lowest
// and highest temperature in °C, by the single sine (Baskerville and Emin 1969,
// Ecology 50:514): the day's warmth is a sine through both, and what lies under
// the threshold counts nothing. The two may be given either way round.
func DegreeDays(low, high, threshold float64) float64 {
	if low > high {
		low, high = high, low
	}
	mean, swing := (high+low)/2, (high-low)/2
	switch {
	case high <= threshold:
		return 0
	case low >= threshold:
		return mean - threshold
	}
	// The sine is above the threshold from the angle at which it crosses it.
	at := math.Asin((threshold - mean) / swing)
	return ((mean-threshold)*(math.Pi/2-at) + swing*math.Cos(at)) / math.Pi
}

// Temperature is the lowest and the highest of one day, °C.
type Temperature struct {
	On   day.Day
	Low  float64
	High float64
}

// Warmth is what is known of the warmth of a place: what is usual there, and
// what was read on single days. A reading counts until the next one, for at most
// 30 days; before and after that the usual counts.
type Warmth struct {
	Low, High float64 // usual, °C
	Guess     bool    // whether the usual is only assumed
	Read      []Temperature
}

// readingHolds is for how many days a reading of warmth is taken as true
// (common practice).
const readingHolds = 30

// UsualRoom is taken where nobody read or said how warm it is: house air of
// 20-24 °C by day (common practice), cooler at night.
func UsualRoom() Warmth { return Warmth{Low: 18, High: 23, Guess: true} }

// Of gives the temperatures of a day.
func (w Warmth) Of(d day.Day) (low, high float64) {
	at := sort.Search(len(w.Read), func(i int) bool { return w.Read[i].On > d }) - 1
	if at >= 0 && d-w.Read[at].On <= readingHolds {
		return w.Read[at].Low, w.Read[at].High
	}
	return w.Low, w.High
}

// longest is how far ahead the clock counts; in a colder place nothing grows.
const longest = 400

// DaysFor gives the days from a first day until so many degree-days above the
// threshold have gathered; false when they do not within 400 days.
func (w Warmth) DaysFor(k, threshold float64, from day.Day) (int, bool) {
	var sum float64
	for n := 0; n < longest; n++ {
		if sum >= k {
			return n, true
		}
		low, high := w.Of(from + day.Day(n))
		sum += DegreeDays(low, high, threshold)
	}
	return 0, false
}
