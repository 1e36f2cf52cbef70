// Package water says when a plant should next be looked at for water. It looks
// at the plant's own record; it never waters by the calendar.
package water

import (
	"fmt"
	"math"
	"sort"

	"tendermend/core/climate"
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

// ownGaps is how many gaps of its own are wanted before they replace the
// habit's guess.
const ownGaps = 3

// winterStretch lengthens a guessed gap in winter light (common practice).
const winterStretch = 1.4

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

// NextLook gives the window after the last watering. With three gaps of its
// own it runs from 0.8 to 1.25 times their median over the last six; without,
// from the habit's usual gaps, longer in winter. When the medium was found
// still moist after that, the window moves to at least two days after the look.
// All factors are common practice. False when it was never watered here.
func NextLook(h plant.Habit, season climate.Season, watered []day.Day, stillMoist *day.Day) (Window, bool) {
	if len(watered) == 0 {
		return Window{}, false
	}
	last := watered[len(watered)-1]
	gaps := Gaps(watered)
	w := Window{}
	if len(gaps) >= ownGaps {
		recent := gaps[max(0, len(gaps)-6):]
		m := Median(recent)
		w.From, w.Until = last+day.Day(math.Round(0.8*m)), last+day.Day(math.Round(1.25*m))
		w.Working = working.Working{
			Inputs: []working.Input{
				{Name: "median of its last gaps", Value: m, Unit: "days"},
				{Name: "gaps", Value: float64(len(recent))},
			},
			Formula: "last watering + 0.8 to 1.25 × its own median gap",
			Source:  working.CommonPractice, Sure: "fair: its own record",
		}
	} else {
		from, until := float64(h.WaterDays[0]), float64(h.WaterDays[1])
		if season == climate.Winter {
			from, until = from*winterStretch, until*winterStretch
		}
		w.From, w.Until, w.Guess = last+day.Day(math.Round(from)), last+day.Day(math.Round(until)), true
		w.Working = working.Working{
			Inputs: []working.Input{{Name: "earliest", Value: math.Round(from), Unit: "days"},
				{Name: "latest", Value: math.Round(until), Unit: "days"}},
			Formula: fmt.Sprintf("last watering + the usual gap of a %s, × %g in winter", h.Label, winterStretch),
			Source:  working.CommonPractice, Sure: "a guess, until three gaps of its own are known",
		}
	}
	if stillMoist != nil && *stillMoist >= last {
		w.From = max(w.From, *stillMoist+2)
		w.Until = max(w.Until, w.From+2)
	}
	w.Until = max(w.Until, w.From+1)
	return w, true
}
