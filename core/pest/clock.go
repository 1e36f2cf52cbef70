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
	// A lasting generation is treated for the time of two eggs and ten days.
	lastingEggs, lastingDays = 2, 10
	// clearLeast is how many days must at least be clean (common practice).
	clearLeast = 14
)

// GenerationDays is how many days it takes from egg to adult from a day on;
// false where it is too cold to grow within 400 days: nothing can be timed then.
func (p Pest) GenerationDays(from day.Day, w Warmth) (int, bool) {
	return w.DaysFor(p.TotalK, p.Threshold, from)
}

// IntervalDays is how many days after a treatment the next one is due: when the
// eggs have hatched and before their young can lay; false where it is too cold.
func (p Pest) IntervalDays(from day.Day, w Warmth) (int, bool) {
	k := p.EggK
	if k == 0 {
		k = liveYoungShare * p.TotalK
	}
	days, ok := w.DaysFor(k, p.Threshold, from)
	if !ok {
		return 0, false
	}
	if p.EggK == 0 {
		days = min(days, liveYoungLatest)
	}
	days = max(days, p.Least)
	if p.Longest > 0 {
		days = min(days, p.Longest)
	}
	laying, ok := w.DaysFor(beforeLaying*(p.TotalK-p.EggK), p.Threshold, from)
	if ok {
		days = min(days, laying-1)
	}
	return max(1, days), true
}

// TreatedDays is for how many days after the first treatment contact treatments
// go on, so that what hid has come out; false where it is too cold.
func (p Pest) TreatedDays(first day.Day, w Warmth) (int, bool) {
	if p.Lasting {
		egg, ok := w.DaysFor(p.EggK, p.Threshold, first)
		return max(p.Days, lastingEggs*egg+lastingDays), ok
	}
	days, ok := w.DaysFor(float64(max(1, p.Generations))*p.TotalK, p.Threshold, first)
	return max(p.Days, days), ok
}

// ClearDays is how many days must be clean before a plant is clear: a whole
// generation, at least two weeks; false where it is too cold.
func (p Pest) ClearDays(from day.Day, w Warmth) (int, bool) {
	days, ok := p.GenerationDays(from, w)
	return max(clearLeast, days), ok
}

// Run gives the pest's clock from a first treatment on. It is false where it is
// too cold for the pest to grow within a year: nothing can be timed then.
func (p Pest) Run(first day.Day, w Warmth) (Clock, bool) {
	generation, ok := p.GenerationDays(first, w)
	if !ok {
		return Clock{}, false
	}
	end, _ := p.TreatedDays(first, w)
	c := Clock{Pest: p, First: first, Treatments: []day.Day{first}}
	for n := 1; n < p.Treatments || int(c.Treatments[n-1]-first) < end; n++ {
		days, ok := p.IntervalDays(c.Treatments[n-1], w)
		if !ok {
			break
		}
		c.Treatments = append(c.Treatments, c.Treatments[n-1]+day.Day(days))
	}
	if len(c.Treatments) < 2 {
		return Clock{}, false
	}
	low, high := w.Of(first)
	why := working.Working{
		Inputs: []working.Input{
			{Name: "lowest of the day", Value: low, Unit: "°C"},
			{Name: "highest of the day", Value: high, Unit: "°C"},
			{Name: "grows above", Value: p.Threshold, Unit: "°C"},
			{Name: "degree-days that day", Value: math.Round(DegreeDays(low, high, p.Threshold)*100) / 100},
		},
		Source: "Baskerville and Emin 1969; " + Source,
		Sure:   "dates move with every temperature that is read; " + Source,
	}
	if w.Guess && len(w.Read) == 0 {
		why.Sure = "a guess, until a temperature is read: " + why.Sure
	}
	next := float64(c.Treatments[1] - first)
	c.Interval = working.Amount{What: "days to the next treatment", Value: next, Unit: "days", Working: why}
	c.Interval.Working.Formula = p.intervalFormula()
	c.Generation = working.Amount{What: "days of one generation", Value: float64(generation), Unit: "days", Working: why}
	c.Generation.Working.Formula = fmt.Sprintf(
		"days until %.0f degree-days have gathered (single sine), from egg to adult", p.TotalK)
	return c, true
}

// intervalFormula says how the days between two treatments are found.
func (p Pest) intervalFormula() string {
	formula := fmt.Sprintf(
		"days until %.0f degree-days have gathered (single sine), the time for the egg; at least %s, at most "+
			"a day under 0.8 × the time from hatching to laying",
		p.EggK,
		working.Count(p.Least, "day"),
	)
	if p.EggK == 0 {
		formula = fmt.Sprintf(
			"days until %.0f degree-days have gathered (single sine): half of its growing up, at most %s, "+
				"since it bears live young",
			liveYoungShare*p.TotalK,
			working.Count(liveYoungLatest, "day"),
		)
	}
	if p.Longest > 0 {
		formula += "; never more than " + working.Count(p.Longest, "day")
	}
	return formula
}
