package recovery

import (
	"math"

	"gonum.org/v1/gonum/stat/distuv"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/working"
)

// Forecast is when the gate of a stage may open: the middle 80 % of what is
// likely.
type Forecast struct {
	From day.Day `json:"from"`
	To   day.Day `json:"to"`
	Late bool    `json:"late" doc:"Whether it takes longer than is usual."`
	// Waits is true where only days without trouble are missing.
	Waits   bool            `json:"waits" doc:"Whether only days without trouble are missing."`
	Own     bool            `json:"own" doc:"Whether its own pace was measured."`
	Working working.Working `json:"working"`
}

const (
	z80 = 1.2815515655446004 // the normal point that leaves 10 % on each side
	// paceError is how far, on the log scale, a pace measured so far misses the
	// pace to come: growth comes in spurts. Set so that on simulated plants the
	// windows hold what they promise; nobody has measured it on real ones.
	paceError = 0.75
	// leastShare widens a usual time that is said to start at nothing.
	leastShare = 0.15
)

// seasonSlows stretches the usual times where light is short (common practice).
var seasonSlows = map[climate.Season]float64{climate.Winter: 1.3, climate.Autumn: 1.1}

// pace is how far a measured condition is and how fast it goes: the days that
// are left at that pace, and how uncertain they are on the log scale.
type pace struct {
	measure string
	days    float64
	sigma   float64
	slope   Slope
	wanted  float64
	now     float64
}

// paced conditions have a measured way to go.
type paced interface {
	pace(h History, began, today day.Day) (pace, bool)
}

func (c AtLeast) pace(h History, began, today day.Day) (pace, bool) {
	if !measureByID[c.Measure].Growing {
		return pace{}, false
	}
	return h.paceOf(c.Measure, c.Value, began, today)
}

func (c Down) pace(h History, began, today day.Day) (pace, bool) {
	depth, known := h.Last(PotDepthKey)
	if !known {
		return pace{}, false
	}
	return h.paceOf("longest-root", depth.Value, began, today)
}

// paceOf is how fast a measure goes towards a value.
func (h History) paceOf(measure string, wanted float64, began, today day.Day) (pace, bool) {
	var x, y []float64
	for _, r := range h.within(measure, began-lookBack, today) {
		x, y = append(x, float64(r.On-today)), append(y, r.Value)
	}
	return paceTo(measure, wanted, x, y)
}

func (c Sum) pace(h History, began, today day.Day) (pace, bool) {
	var x, y []float64
	sum := 0.0
	for _, r := range h.within(c.Measure, began, today) {
		sum += r.Value
		x, y = append(x, float64(r.On-today)), append(y, sum)
	}
	return paceTo(c.Measure, c.Value, x, y)
}

func (c Any) pace(h History, began, today day.Day) (best pace, ok bool) {
	for _, one := range c {
		if p, can := one.(paced); can {
			if got, has := p.pace(h, began, today); has && (!ok || got.days < best.days) {
				best, ok = got, true
			}
		}
	}
	return best, ok
}

// lookBack is how many days before the stage readings still tell its pace.
const lookBack = 14

func paceTo(measure string, wanted float64, x, y []float64) (pace, bool) {
	slope, ok := TheilSen(x, y)
	if !ok || slope.Value <= 0 {
		return pace{}, false
	}
	at := make([]float64, len(x))
	for i := range x {
		at[i] = y[i] - slope.Value*x[i]
	}
	now := max(medianOf(at), 0)
	left := wanted - now
	if left <= 0 {
		return pace{}, false
	}
	low := max(slope.Low, slope.Value/4)
	high := max(slope.High, low)
	sigma := math.Hypot(paceError, math.Log(high/low)/(2*z80))
	return pace{measure, left / slope.Value, sigma, slope, wanted, now}, true
}

// waiting conditions cannot be met before a day, whatever grows.
type waiting interface {
	earliest(h History, began, today day.Day) day.Day
}

func (c Quiet) earliest(h History, began, today day.Day) day.Day {
	latest := began
	for _, m := range c.Measures {
		start := today // nobody has looked: the run can begin today
		for i, r := range h.since(m, began) {
			if r.On > today {
				break
			}
			if r.Value > 0 {
				start = r.On + 1
			} else if i == 0 {
				start = r.On
			}
		}
		latest = max(latest, start+day.Day(c.Days))
	}
	return latest
}

func (c Held) earliest(h History, began, today day.Day) day.Day {
	var first *day.Day
	for _, r := range h.since(c.Measure, began) {
		on := r.On
		switch {
		case on > today || r.Value != 1:
			first = nil
		case first == nil:
			first = &on
		}
	}
	if first == nil {
		return today + day.Day(c.Days)
	}
	return *first + day.Day(c.Days)
}

func (c CleanLooks) earliest(h History, began, today day.Day) day.Day {
	var clean int
	var last day.Day
	for _, r := range h.since(c.Measure, began) {
		switch {
		case r.On > today:
		case r.Value > 0:
			clean = 0
		case clean == 0 || int(r.On-last) >= c.Apart:
			clean, last = clean+1, r.On
		}
	}
	switch {
	case clean >= c.Looks:
		return last
	case clean == 0:
		return today + day.Day((c.Looks-1)*c.Apart)
	}
	return last + day.Day((c.Looks-clean)*c.Apart)
}

func (c Generation) earliest(h History, _, today day.Day) day.Day {
	wanted := day.Day(usualGeneration)
	if g, known := h.Last(GenerationKey); known {
		wanted = day.Day(g.Value)
	}
	start := today
	for i, r := range h.until(c.Measure, today) {
		if r.Value > 0 || i == 0 {
			start = r.On
		}
	}
	return start + wanted
}

// Expect gives the window in which the gate of a stage may open. What is usual
// for the stage, longer in little light, is taken as a log-normal time of which
// it is known that it has not ended yet; a pace measured on the plant weighs on
// the days that are left; a condition that waits for days puts off the earliest.
// An empty season counts as growing.
func (s Stage) Expect(h History, season climate.Season, began, today day.Day) Forecast {
	slows := max(1, seasonSlows[season])
	longest := s.UsualWeeks[1] * 7 * slows
	shortest := max(s.UsualWeeks[0]*7, leastShare*s.UsualWeeks[1]*7) * slows
	usual := distuv.LogNormal{
		Mu:    (math.Log(shortest) + math.Log(longest)) / 2,
		Sigma: (math.Log(longest) - math.Log(shortest)) / (2 * z80),
	}
	elapsed := float64(today - began)
	w := Forecast{
		Late: elapsed > longest,
		Working: working.Working{
			Source: working.CommonPractice + " for what is usual; Theil 1950 and Sen 1968 for its own pace",
			Inputs: []working.Input{
				{Name: "shortest usual", Value: s.UsualWeeks[0], Unit: "weeks"},
				{Name: "longest usual", Value: s.UsualWeeks[1], Unit: "weeks"},
				{Name: "days in this stage", Value: elapsed},
			},
		},
	}
	if slows > 1 {
		w.Working.Inputs = append(w.Working.Inputs, working.Input{Name: "longer in little light, ×", Value: slows})
	}
	put, grow, open, paces := s.lacks(h, began, today)
	if grow == 0 {
		w.From = max(put, today)
		w.To = w.From + day.Day(s.LookDays) + 2
		w.Waits = open > 0
		w.Working.Formula = "only days without trouble are missing: the first day on which they can be full, + one look"
		w.Working.Sure = "if nothing happens"
		return w
	}
	left := remaining(usual, elapsed, paces)
	from, to := left.quantile(0.1), left.quantile(0.9)
	w.From = max(today+day.Day(math.Floor(from)), put)
	w.To = max(today+day.Day(math.Ceil(to)), put+day.Day(s.LookDays))
	w.Working.Formula = "80 % of: usual time of the stage (log-normal through its shortest and longest), given " +
		"that it has lasted this long"
	w.Working.Sure = "wide: from plants like it, not from its own pace"
	for _, p := range paces {
		w.Own = true
		w.Working.Inputs = append(w.Working.Inputs, p.inputs()...)
	}
	if w.Own {
		w.Working.Formula += ", × its own pace: (wanted − now) ÷ robust slope, log-normal with the slope's " +
			"interval and how far a pace so far misses the pace to come"
		w.Working.Sure = "fair: its own pace and what is usual, together"
	}
	return w
}

func unitOf(m Measure) string {
	switch m.Kind {
	case Length:
		return "mm"
	case Percent:
		return "%"
	default:
		return ""
	}
}

func round1(v float64) float64 { return math.Round(v*10) / 10 }
func round2(v float64) float64 { return math.Round(v*100) / 100 }

// weights is a distribution over the days that are left.
type weights []float64

// remaining weighs every number of days that may be left.
func remaining(usual distuv.LogNormal, elapsed float64, paces []pace) weights {
	span := int(math.Ceil(usual.Quantile(0.999))) + 1
	for _, p := range paces {
		span = max(span, int(p.days*math.Exp(2.5*p.sigma))+1)
	}
	span = min(max(span, 30), 2000)
	w := make(weights, span)
	var total float64
	for i := range w {
		d := float64(i) + 0.5
		density := usual.LogProb(elapsed + d)
		for _, p := range paces {
			density += distuv.LogNormal{Mu: math.Log(max(p.days, 0.5)), Sigma: p.sigma}.LogProb(d)
		}
		w[i] = density
	}
	highest := math.Inf(-1)
	for _, v := range w {
		highest = max(highest, v)
	}
	for i := range w {
		w[i] = math.Exp(w[i] - highest)
		total += w[i]
	}
	for i := range w {
		w[i] /= total
	}
	return w
}

func (w weights) quantile(share float64) float64 {
	var sum float64
	for i, v := range w {
		if sum+v >= share {
			return float64(i) + (share-sum)/v
		}
		sum += v
	}
	return float64(len(w))
}

// lacks gives, of the conditions that are not met, how many need growth and how
// many are open in all, the day before which none can end, and its own paces.
func (s Stage) lacks(h History, began, today day.Day) (put day.Day, grow, open int, paces []pace) {
	put = began
	for _, c := range s.Gate {
		if c.Judge(h, began, today).Status == Met {
			continue
		}
		open++
		if waits, ok := c.(waiting); ok {
			put = max(put, waits.earliest(h, began, today))
			continue
		}
		grow++
		if p, ok := c.(paced); ok {
			if own, has := p.pace(h, began, today); has {
				paces = append(paces, own)
			}
		}
	}
	return put, grow, open, paces
}

// inputs are the numbers of a pace, as its forecast shows them.
func (p pace) inputs() []working.Input {
	m := measureByID[p.measure]
	unit := unitOf(m)
	return []working.Input{
		{Name: m.Short + " now, by its line", Value: round1(p.now), Unit: unit},
		{Name: "wanted", Value: p.wanted, Unit: unit},
		{Name: "a week, from " + working.Count(p.slope.N, "reading"), Value: round2(p.slope.Value * 7), Unit: unit},
		{Name: "a week, at least", Value: round2(p.slope.Low * 7), Unit: unit},
		{Name: "a week, at most", Value: round2(p.slope.High * 7), Unit: unit},
	}
}
