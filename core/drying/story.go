package drying

import (
	"cmp"
	"math"
	"slices"
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
	Guess float64 // of the rate; as the pot tells where 0
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
	// Foretold is what was foretold before each look of two months with a stick, against what
	// it found.
	Foretold Foretold
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
	foretoldBack = 60 // days back in which looks are held against what was foretold
)

// Run reads the story up to its last happening: windows count from there.
func (s Story) Run() Told {
	rate, evaporating, sd := s.Pot.Rate()
	if s.Guess > 0 {
		rate = s.Guess
	}
	told := Told{Filter: New(rate, sd, s.Pot.Sheds(), clockOf(s, evaporating), s.Begin), Rule: s.Rule}
	list := slices.Clone(s.Happenings)
	slices.SortStableFunc(list, func(x, y Happening) int { return cmp.Compare(x.At, y.At) })
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
		if h.Find.kind == byStick && s.Now-h.At <= foretoldBack {
			dry := contentAt(h.Find.depth, dryBelow)
			told.Foretold.Count(told.Below(dry, h.At), h.Find.class == FoundDry)
		}
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
