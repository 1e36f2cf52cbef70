package water

import (
	"time"

	"tendermend/core/day"
	"tendermend/core/plant"
)

// Gap is the time between two waterings, or since the last one.
type Gap struct {
	Days   float64
	Ended  day.Day
	Dark   bool // whether its middle lies from October to March of the northern half
	Asleep bool // whether its rule gave it no water in the middle or at the end
	Open   bool // whether it is the one since the last watering
}

// gapsBack is how far back gaps tell anything, days: over a year, so that each half
// of it is among them.
const gapsBack = 400

// GapsOf lists the gaps of the last year between waterings, oldest first; the one that is open on a
// day comes last. Asleep says on which days its rule gave no water.
func GapsOf(watered []day.Day, today day.Day, south bool, asleep func(day.Day) bool) []Gap {
	var list []Gap
	add := func(from, to day.Day, open bool) {
		middle := from + (to-from)/2
		list = append(list, Gap{float64(to - from), to, dark(middle, south), asleep(middle) || asleep(to), open})
	}
	for i := 1; i < len(watered); i++ {
		if watered[i] > watered[i-1] && today-watered[i] <= gapsBack {
			add(watered[i-1], watered[i], false)
		}
	}
	if n := len(watered); n > 0 {
		add(watered[n-1], today, true)
	}
	return list
}

// dark says whether a day lies from October to March of the northern half.
func dark(on day.Day, south bool) bool {
	m := plant.NorthMonth(on, south)
	return m < time.April || m > time.September
}

// leastGaps is how many gaps of its own are wanted before they tell anything, and
// mostGaps how many of the last are looked at (common practice).
const (
	leastGaps = 3
	mostGaps  = 6
)

// Usual is a plant's own time between two waterings.
type Usual struct {
	Days     float64 // the median
	Gaps     int     // of how many
	Borrowed bool    // whether gaps of the other half of the year were counted in
}

// UsualOf gives the median of a plant's own gaps in one half of the year, but for
// one of them (-1 for none): of its last six. Where there are too few, those of the
// other half count too, longer by the season's factor in the dark (common
// practice). False where there are too few at all.
func UsualOf(gaps []Gap, dark bool, but int) (Usual, bool) {
	var own, all []float64
	for i, g := range gaps {
		switch {
		case i == but || g.Open || g.Asleep:
			continue
		case g.Dark == dark:
			own, all = append(own, g.Days), append(all, g.Days)
		case dark:
			all = append(all, g.Days*winterStretch)
		default:
			all = append(all, g.Days/winterStretch)
		}
	}
	if len(own) >= leastGaps {
		own = own[max(0, len(own)-mostGaps):]
		return Usual{Days: Median(own), Gaps: len(own)}, true
	}
	all = all[max(0, len(all)-mostGaps):]
	if len(all) < leastGaps {
		return Usual{}, false
	}
	return Usual{Median(all), len(all), true}, true
}

// Gaps gives the days between successive waterings, oldest first.
func Gaps(watered []day.Day) []float64 {
	var gaps []float64
	for i := 1; i < len(watered); i++ {
		if g := int(watered[i] - watered[i-1]); g > 0 {
			gaps = append(gaps, float64(g))
		}
	}
	return gaps
}
