// Package water says by which rule a plant is watered on a day, and when it should next be
// looked at where the drying of its pot does not tell. It never waters by the calendar.
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
	From  day.Day `json:"from" doc:"It may be dry enough."`
	Best  day.Day `json:"best" doc:"The day on which a look is worth most."`
	Until day.Day `json:"until" doc:"The last day before harm is likely."`
	// Low and High hold the day on which its rule is met eight times in ten; missing where
	// drying does not tell it.
	Low     *day.Day        `json:"low,omitempty" doc:"Its rule is met on this day or later, nine times in ten."`
	High    *day.Day        `json:"high,omitempty" doc:"And by this day, nine times in ten."`
	Guess   bool            `json:"guess" doc:"True while nothing was read of its pot."`
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

// UsualWindow is the window after the last watering where drying does not tell it: bare
// roots dry within the day, and for a water space, a cup or a tray the usual gap of the
// habit stands in, longer by a drier rule (common practice).
func UsualWindow(h plant.Habit, last day.Day, rule func(day.Day) Line) Window {
	w := usual(h, last, rule(last))
	return usual(h, last, rule(w.From))
}

// daysOf are the rules that tell their days whatever the habit, first and last (common
// practice): bare roots dry within the day, a dish is filled with what is drunk in one or two,
// and water below a base goes stale within the week.
var daysOf = map[plant.WaterRule][2]float64{
	plant.AirRoots: {1, 2}, plant.Dish: {2, 4}, plant.InWater: {3, 7},
}

func usual(h plant.Habit, last day.Day, line Line) Window {
	from, until := float64(h.WaterDays[0])*line.Stretch, float64(h.WaterDays[1])*line.Stretch
	if days, known := daysOf[line.Rule]; known {
		from, until = days[0], days[1]
	}
	first := last + day.Day(math.Round(from))
	return Window{
		From: first, Best: first, Until: max(first+1, last+day.Day(math.Round(until))), Guess: true,
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "earliest", Value: math.Round(from), Unit: "days"},
				{Name: "latest", Value: math.Round(until), Unit: "days"},
				{Name: "longer by its rule ×", Value: line.Stretch},
			},
			Formula: fmt.Sprintf("last watering + the usual gap of %s × how much longer its rule is now", working.A(h.Label)),
			Source:  working.CommonPractice, Sure: "a guess: drying does not tell this rule",
		},
	}
}

// AfterRest moves a window behind a rest in which its rule gives no water, as of the day
// on which it was seen last. False when nobody knows the day on which its rule gives water
// again.
func AfterRest(w Window, seen day.Day, rule func(day.Day) Line) (Window, bool) {
	best := w.Best
	if seen > best && !rule(seen).Days {
		best = seen // it has gone to rest since
	}
	for on := best; on < best+longestSleep; on++ {
		if !rule(on).Days {
			continue
		}
		if late := on - w.Best; late > 0 {
			return Window{
				From: on, Best: on, Until: w.Until + late, Low: w.Low, High: w.High, Guess: w.Guess, Working: w.Working,
			}, true
		}
		for w.From < w.Best && !rule(w.From).Days {
			w.From++
		}
		return w, true
	}
	return Window{}, false
}
