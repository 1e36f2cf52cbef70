// Package water says when a plant should next be looked at for water. It looks
// at the plant's own record; it never waters by the calendar.
package water

import (
	"fmt"
	"math"
	"sort"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// Moisture is what a finger or a stick found.
type Moisture string

// The readings of a stick.
const (
	Dry    Moisture = "dry"
	Barely Moisture = "barely"
	Moist  Moisture = "moist"
	Wet    Moisture = "wet"
)

// Window is the time in which the next look for water is useful: from the
// earliest day it may be dry enough to the latest that is safe.
type Window struct {
	From    day.Day         `json:"from"`
	Until   day.Day         `json:"until"`
	Guess   bool            `json:"guess" doc:"True while the plant's own gaps are not known."`
	Working working.Working `json:"working"`
}

// winterStretch lengthens a gap in winter light (common practice).
const winterStretch = 1.4

// Median of a list of numbers; 0 for an empty one.
func Median(values []float64) float64 {
	if len(values) == 0 {
		return 0
	}
	s := append([]float64{}, values...)
	sort.Float64s(s)
	if n := len(s); n%2 == 0 {
		return (s[n/2-1] + s[n/2]) / 2
	}
	return s[len(s)/2]
}

// longestSleep is how far ahead the end of a rest is looked for that the months tell,
// days. A rest that was seen ends by what is seen.
const longestSleep = 200

// NextLook gives the window after the last watering, by the plant's rule of its
// days: from 0.8 to 1.25 times its own usual gap of that half of the year; without
// one, from the habit's usual gaps, longer by a drier rule. When the medium was
// found still moist after that, the window moves to at least two days after the
// look; where the rule gives no water then, or on the day on which it was seen last,
// behind the rest. All factors are common
// practice. False when it was never watered here, or when nobody knows the day on
// which its rule gives water again.
func NextLook(
	h plant.Habit, watered []day.Day, stillMoist *day.Day, seen day.Day, south bool, rule func(day.Day) Line,
) (Window, bool) {
	if len(watered) == 0 {
		return Window{}, false
	}
	last := watered[len(watered)-1]
	asleep := func(on day.Day) bool { return !rule(on).Days }
	gaps := GapsOf(watered, last, south, asleep)
	w := windowBy(h, last, gaps, south, rule(last))
	w = windowBy(h, last, gaps, south, rule(w.From))
	if stillMoist != nil && *stillMoist >= last {
		w.From = max(w.From, *stillMoist+2)
		w.Until = max(w.Until, w.From+2)
	}
	w.Until = max(w.Until, w.From+1)
	from := w.From
	if seen > from && !rule(seen).Days {
		from = seen // it has gone to rest since
	}
	for on := from; on < from+longestSleep; on++ {
		if rule(on).Days {
			w.From, w.Until = on, on+(w.Until-w.From)
			return w, true
		}
	}
	return Window{}, false
}

// windowBy is the window by one rule.
func windowBy(h plant.Habit, last day.Day, gaps []Gap, south bool, line Line) Window {
	middle := last + day.Day(h.WaterDays[0])/2
	if usual, known := UsualOf(gaps, dark(middle, south), -1); known {
		stretch := 1.0
		if line.Rest {
			stretch = line.Stretch
		}
		how := "last watering + 0.8 to 1.25 × its own median gap of this half of the year"
		if usual.Borrowed {
			how += fmt.Sprintf("; gaps of the other half count × %g in the dark", winterStretch)
		}
		m := usual.Days * stretch
		return Window{
			From: last + day.Day(math.Round(0.8*m)), Until: last + day.Day(math.Round(1.25*m)),
			Working: working.Working{
				Inputs: []working.Input{
					{Name: "median of its last gaps", Value: math.Round(10*usual.Days) / 10, Unit: "days"},
					{Name: "gaps", Value: float64(usual.Gaps)},
					{Name: "longer at rest ×", Value: stretch},
				},
				Formula: how, Source: working.CommonPractice, Sure: "fair: its own record",
			},
		}
	}
	from, until := float64(h.WaterDays[0])*line.Stretch, float64(h.WaterDays[1])*line.Stretch
	if line.Rule == plant.AirRoots { // bare roots dry within the day
		from, until = 1, 2
	}
	return Window{
		From: last + day.Day(math.Round(from)), Until: last + day.Day(math.Round(until)), Guess: true,
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "earliest", Value: math.Round(from), Unit: "days"},
				{Name: "latest", Value: math.Round(until), Unit: "days"},
				{Name: "longer by its rule ×", Value: line.Stretch},
			},
			Formula: fmt.Sprintf("last watering + the usual gap of %s × how much longer its rule is now", working.A(h.Label)),
			Source:  working.CommonPractice, Sure: "a guess, until three gaps of its own are known",
		},
	}
}
