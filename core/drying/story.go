package drying

import (
	"math"
	"slices"

	"tendermend/core/plant"
)

// Happening is one thing of a pot's history: one of its fields is set.
type Happening struct {
	At     float64 // days
	Water  How
	Sip    float64 // a little water, as a share of what the pot holds
	Find   *Finding
	Spread float64 // the rate is less sure by that: moved, cut back
	Repot  *Pot    // into another pot or medium, watered through
}

// Story is a pot's history as the model reads it.
type Story struct {
	Pot   Pot
	SD    float64 // of the guessed rate; as the pot tells where 0
	Guess float64 // of the rate; as the pot tells where 0
	Sheds bool    // its medium sheds water once it has dried out
	Rule  Rule
	Begin float64
	Now   float64
	// Air is what the place gave and will give on a day.
	Air        func(at int) Air
	Happenings []Happening
}

// Told is what a story comes to.
type Told struct {
	*Filter
	Rule      Rule
	Waterings []Watering // of the last months, oldest first
	Harm      float64    // days of harm since the last watering
	// Read is whether anything was found since the last watering; LastFound is the last
	// finding of a stick or finger, with its moment.
	Read      bool
	LastFound *Finding
	FoundAt   float64
	Evaporate float64 // share of what leaves the pot that evaporates
}

// Watering is one watering with how it stood then.
type Watering struct {
	At    float64
	Early float64 // the chance that it came too early
	Harm  float64 // days of harm before it
}

// What a watering is told by (growers' practice; a guess).
const (
	earlyAbove   = .10 // of the capacity over the rule's content
	signsBack    = 120 // days back in which waterings are judged
	earlyByStick = .95
	stickDays    = 1
)

// Run reads the story up to its last happening: windows count from there.
func (s Story) Run() Told {
	rate, evaporating, sd := s.Pot.Rate()
	if s.SD > 0 {
		sd = s.SD
	}
	if s.Guess > 0 {
		rate = s.Guess
	}
	clock := clockOf(s, evaporating)
	told := Told{Filter: New(rate, sd, s.Sheds, clock, s.Begin), Rule: s.Rule, Evaporate: evaporating}
	list := slices.Clone(s.Happenings)
	slices.SortStableFunc(list, func(x, y Happening) int {
		switch {
		case x.At < y.At:
			return -1
		case x.At > y.At:
			return 1
		}
		return 0
	})
	for _, h := range list {
		if h.At > s.Now {
			break
		}
		s.take(&told, h)
	}
	return told
}

// clockOf sums the pace of every day up, so that any span is two look-ups.
func clockOf(s Story, evaporating float64) Clock {
	first := int(math.Floor(s.Begin)) - 1
	last := int(math.Ceil(s.Now)) + horizon + 2
	sums := make([]float64, last-first+2)
	for i := range len(sums) - 1 {
		sums[i+1] = sums[i] + s.Air(first+i).Pace(evaporating)
	}
	return func(at float64) float64 {
		x := at - float64(first)
		i := min(max(int(x), 0), len(sums)-2)
		return sums[i] + (sums[i+1]-sums[i])*(x-float64(i))
	}
}

func (s Story) take(told *Told, h Happening) {
	recent := s.Now-h.At <= signsBack
	if recent {
		told.Harm += HarmBetween(told.Filter, s.Rule, told.at, h.At)
	}
	switch {
	case h.Water != "":
		told.To(h.At)
		if recent {
			told.Waterings = append(told.Waterings, Watering{h.At, told.early(s.Rule, h.At), told.Harm})
		}
		told.Filter.Water(h.At, h.Water)
		told.Harm, told.Read = 0, false
	case h.Sip > 0:
		told.Filter.Sip(h.At, h.Sip)
	case h.Find != nil:
		told.Filter.Read(h.At, *h.Find)
		told.Read = true
		if h.Find.kind == byStick {
			told.LastFound, told.FoundAt = h.Find, h.At
		}
	case h.Repot != nil:
		rate, _, sd := h.Repot.Rate()
		told.Filter.Repot(h.At, rate, max(sd, RepottedSD))
		told.Harm, told.Read = 0, false
	case h.Spread > 0:
		told.To(h.At)
		told.Filter.Spread(h.Spread)
	}
}

// early is the chance that a watering came too early.
func (t *Told) early(rule Rule, at float64) float64 {
	early := 1 - t.Below(rule.Met+earlyAbove, at)
	if f := t.LastFound; f != nil && at-t.FoundAt <= stickDays && t.Read && f.depth <= rule.Depth+.1 &&
		(f.class == FoundMoist || f.class == FoundWet) {
		early = max(early, earlyByStick)
	}
	return early
}

// HarmBetween adds up the chances of harm of the days between two moments.
func HarmBetween(f *Filter, rule Rule, from, to float64) (sum float64) {
	for at := to; at > from; at-- { // it only grows: once there is none, there was none before
		one := f.Below(rule.Harm, at)
		if one < noHarm {
			break
		}
		sum += one
	}
	return sum
}

// noHarm is a chance of harm that counts as none.
const noHarm = 1e-3

// Seen is whether the record tells a sign.
type Seen string

// The answers.
const (
	IsSeen   Seen = "seen"
	NotThere Seen = "not-there"
	Unknown  Seen = "unknown"
)

// Sign is a sign that the model tells, with the numbers that it rests on.
type Sign struct {
	ID      string  `json:"sign"`
	Seen    Seen    `json:"seen" enum:"seen,not-there,unknown"`
	Value   float64 `json:"value" doc:"What it rests on: a chance, or days."`
	What    string  `json:"what" doc:"What the value is."`
	Working string  `json:"formula"`
}

// Limits of the signs (growers' practice; a guess).
const (
	leastWaterings = 3
	oftenOf        = 8
	oftenFrom      = .6
	seldomTo       = .3
	missedFrom     = 2.0
	missedNone     = .7
	missedBack     = 60
	swingsBack     = 90
	driedOut       = .05
	driedOutFrom   = .8
)

// Signs tells what the history says of how it was watered. Kinds that are kept dry, rest
// or wait for roots have no rule that drying tells, and are not asked.
func (t Told) Signs(now float64) []Sign {
	list := []Sign{t.often()}
	missed := t.missed(now)
	list = append(list, missed, t.swings(now, missed))
	if t.Rule.Name != plant.DryThrough {
		dried := t.Below(driedOut, now)
		sign := Sign{"med.dry-through", Unknown, dried, "chance that it is dry through",
			"seen from .8 on: content under 5 % of what it holds"}
		if dried >= driedOutFrom {
			sign.Seen = IsSeen
		}
		list = append(list, sign)
	}
	return list
}

func (t Told) often() Sign {
	sign := Sign{"care.water-often", Unknown, 0, "mean chance that a watering came too early",
		"mean of the last eight waterings of 120 days; seen from .6, not there up to .3; three at least"}
	last := t.Waterings[max(0, len(t.Waterings)-oftenOf):]
	if len(last) < leastWaterings {
		return sign
	}
	for _, w := range last {
		sign.Value += w.Early / float64(len(last))
	}
	switch {
	case sign.Value >= oftenFrom:
		sign.Seen = IsSeen
	case sign.Value <= seldomTo:
		sign.Seen = NotThere
	}
	return sign
}

// worst is the most harm of a drying since a day, beyond its grace.
func (t Told) worst(since float64) (days float64, dryings int) {
	for _, w := range t.Waterings {
		if w.At >= since {
			days, dryings = max(days, w.Harm-float64(t.Rule.Grace)), dryings+1
		}
	}
	return max(days, t.Harm-float64(t.Rule.Grace)), dryings
}

func (t Told) missed(now float64) Sign {
	sign := Sign{"care.water-missed", Unknown, 0, "days of harm beyond those that it bears",
		"sum of the chances of harm by day, less the days that it bears; seen from 2, not there up to 0.7; 60 days"}
	days, _ := t.worst(now - missedBack)
	sign.Value = max(0, days)
	switch {
	case len(t.Waterings) == 0 && days < missedFrom:
	case days >= missedFrom:
		sign.Seen = IsSeen
	case days <= missedNone:
		sign.Seen = NotThere
	}
	return sign
}

func (t Told) swings(now float64, missed Sign) Sign {
	sign := Sign{"care.water-swings", Unknown, 0, "dryings into harm, of 90 days",
		"seen with two dryings into harm, or one and two waterings too early; not there with none"}
	dried, early, all := 0, 0, 0
	for _, w := range t.Waterings {
		if now-w.At > swingsBack {
			continue
		}
		all++
		if w.Harm-float64(t.Rule.Grace) >= missedFrom {
			dried++
		}
		if w.Early >= oftenFrom {
			early++
		}
	}
	sign.Value = float64(dried)
	switch {
	case dried >= 2 || dried == 1 && early >= 2:
		sign.Seen = IsSeen
	case dried == 0 && all >= leastWaterings && missed.Seen == NotThere:
		sign.Seen = NotThere
	}
	return sign
}
