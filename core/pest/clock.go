package pest

import (
	"fmt"
	"math"

	"tendermend/core/day"
	"tendermend/core/working"
)

// Clock is when a pest is treated and when its plant may count as clear.
type Clock struct {
	Pest       Pest      `json:"pest"`
	First      day.Day   `json:"first" doc:"The first treatment."`
	Treatments []day.Day `json:"treatments" doc:"All treatments, the first among them."`
	// Generation is how many days it takes from egg to adult: so long must looks
	// stay clean.
	Generation working.Amount `json:"generation"`
	Interval   working.Amount `json:"interval" doc:"Days from one treatment to the next."`
}

const (
	// beforeLaying is the share of the time from hatching to laying after which
	// the young are treated at the latest (common practice).
	beforeLaying = 0.8
	// Live young need no wait for eggs: again after half their growing up, and at
	// the latest after two weeks, since they are born every day (common practice).
	liveYoungShare  = 0.5
	liveYoungLatest = 14
	// Nothing is treated again sooner than after these days, unless the young
	// would lay before (common practice: 5-10 days).
	leastInterval   = 5
	usualTreatments = 3
	// mostTreatments keeps a cold place from asking for treatments without end.
	mostTreatments = 6
)

// Run gives the pest's clock from a first treatment on. A contact treatment
// kills what moves and no eggs, so it is repeated when the eggs have hatched and
// before their young can lay. It is false where it is too cold for the pest to
// grow within a year: nothing can be timed then.
func (p Pest) Run(first day.Day, w Warmth) (Clock, bool) {
	generation, ok := w.DaysFor(p.TotalK, p.Threshold, first)
	if !ok {
		return Clock{}, false
	}
	k := p.EggK
	if p.EggK == 0 {
		k = liveYoungShare * p.TotalK
	}
	c := Clock{Pest: p, First: first, Treatments: []day.Day{first}}
	// Eggs that were laid up to the first treatment must all have hatched before
	// the last one.
	hatched, _ := w.DaysFor(p.EggK, p.Threshold, first)
	for n := 1; n < mostTreatments; n++ {
		last := c.Treatments[n-1]
		if n >= usualTreatments && int(last-first) >= hatched {
			break
		}
		days, _ := w.DaysFor(k, p.Threshold, last)
		if p.EggK == 0 {
			days = min(days, liveYoungLatest)
		}
		laying, _ := w.DaysFor(beforeLaying*(p.TotalK-p.EggK), p.Threshold, last)
		c.Treatments = append(c.Treatments, last+day.Day(max(1, min(max(days, leastInterval), laying-1))))
	}
	low, high := w.Of(first)
	sure := "dates move with every temperature that is read; " + Source
	if w.Guess && len(w.Read) == 0 {
		sure = "a guess, until a temperature is read: " + sure
	}
	inputs := []working.Input{{Name: "lowest of the day", Value: low, Unit: "°C"}, {Name: "highest of the day", Value: high, Unit: "°C"},
		{Name: "grows above", Value: p.Threshold, Unit: "°C"}, {Name: "degree-days that day", Value: math.Round(DegreeDays(low, high, p.Threshold)*100) / 100}}
	formula := fmt.Sprintf("days until %.0f degree-days have gathered (single sine), the time for the egg; at least %d days, at most 0.8 × the time from hatching to laying", k, leastInterval)
	if p.EggK == 0 {
		formula = fmt.Sprintf("days until %.0f degree-days have gathered (single sine): half of its growing up, at most %d days, since it bears live young", k, liveYoungLatest)
	}
	c.Interval = working.Amount{What: "days to the next treatment", Value: float64(c.Treatments[1] - first), Unit: "days",
		Working: working.Working{Inputs: inputs, Formula: formula, Source: "Baskerville and Emin 1969; " + Source, Sure: sure}}
	c.Generation = working.Amount{What: "days of one generation", Value: float64(generation), Unit: "days",
		Working: working.Working{Inputs: inputs, Formula: fmt.Sprintf("days until %.0f degree-days have gathered (single sine), from egg to adult", p.TotalK), Source: "Baskerville and Emin 1969; " + Source, Sure: sure}}
	return c, true
}
