package drying

import "math"

// Finding is what was found of a pot's water at one moment.
type Finding struct {
	kind  findingKind
	class Class
	depth float64
	value float64
	sd    float64
	yes   bool
}

type findingKind int

const (
	byStick findingKind = iota
	stillMoist
	byHand
	byScale
	byLimp
	byMeter
)

// Class is what a finger, a stick or a lifting hand found.
type Class string

// The classes of a finger or stick, and of a lifting hand.
const (
	FoundDry    Class = "dry"
	FoundBarely Class = "barely"
	FoundMoist  Class = "moist"
	FoundWet    Class = "wet"
	Light       Class = "light"
	Middling    Class = "middling"
	Heavy       Class = "heavy"
)

// Stick is what a finger or stick found at a depth, 0-1.
func Stick(depth float64, found Class) Finding {
	return Finding{kind: byStick, depth: depth, class: found}
}

// StillMoist is one tap: not dry at the rule's depth.
func StillMoist(depth float64) Finding { return Finding{kind: stillMoist, depth: depth} }

// NotDry says whether somebody felt that it is not dry yet where its rule asks.
func (f Finding) NotDry() bool {
	return f.kind == stillMoist || f.kind == byStick && (f.class == FoundMoist || f.class == FoundWet)
}

// Rests says for how many days after a find nobody need feel it again: two where it was wet where its rule asks, one
// where it was moist, none else (common practice).
func (f Finding) Rests() int {
	switch {
	case f.kind == byStick && f.class == FoundWet:
		return 2
	case f.NotDry():
		return 1
	}
	return 0
}

// Lift is what a lifting hand found.
func Lift(found Class) Finding { return Finding{kind: byHand, class: found} }

// Limp says whether a kind that shows thirst hangs limp; at is the content at which it
// does.
func Limp(yes bool, at float64) Finding { return Finding{kind: byLimp, yes: yes, value: at} }

// Meter is what a moisture meter reads at a depth, 0-10.
func Meter(reading, depth float64) Finding {
	return Finding{kind: byMeter, value: reading, depth: depth}
}

// Weighed is the weight of the pot now and just after it had drained, grams, in a pot
// that holds so many litres.
func Weighed(now, full, litres float64) Finding {
	u := 1 - (full-now)/(litres*litresInCube)
	sd := scaleSD + scaleByWater*math.Abs(1-u)
	return Finding{kind: byScale, value: min(wettest, max(0, u)), sd: sd}
}

// How sure readings are (growers' practice; a guess). Lapse is the share of readings that
// say nothing at all.
const (
	stickSD, stickLapse       = .10, .06
	tapSD                     = .12
	handSD                    = .13
	handSure, handLapse       = .88, .04
	lightBelow, heavyFrom     = .3, .7
	leafSure, leafLapse       = .92, .03
	leafSD                    = .03
	scaleSD, scaleByWater     = .03, .2
	scaleSure                 = .97
	meterSD, meterSenseless   = .2, .5
	wettest                   = 1.05
	tableSteps                = 210
	limpThin, limpOther       = .15, .10
	normalAtMiddle, meterNorm = 2.5066, .5013
)

// LimpAt is the content at which a kind hangs limp: thin leaves sooner (a guess).
func LimpAt(d Drink) float64 {
	if d == "thin" {
		return limpThin
	}
	return limpOther
}

// Likelihood is how likely a finding is of a content.
func (f Finding) Likelihood(content float64) float64 {
	switch f.kind {
	case byStick:
		low, high := math.Inf(-1), math.Inf(1)
		switch f.class {
		case FoundDry:
			high = dryBelow
		case FoundBarely:
			low, high = dryBelow, barelyBelow
		case FoundMoist:
			low, high = barelyBelow, moistBelow
		case FoundWet, Light, Middling, Heavy:
			low = moistBelow
		}
		s := WetAt(f.depth, content)
		return (1-stickLapse)*(below((high-s)/stickSD)-below((low-s)/stickSD)) + stickLapse/4
	case stillMoist:
		return (1-stickLapse)*(1-below((dryBelow-WetAt(f.depth, content))/tapSD)) + stickLapse/2
	case byHand:
		low, high := math.Inf(-1), math.Inf(1)
		switch f.class {
		case Light:
			high = lightBelow
		case Middling:
			low, high = lightBelow, heavyFrom
		case Heavy, FoundDry, FoundBarely, FoundMoist, FoundWet:
			low = heavyFrom
		}
		return handSure*(below((high-content)/handSD)-below((low-content)/handSD)) + handLapse
	case byLimp:
		limp := leafLapse + leafSure/(1+math.Exp((content-f.value)/leafSD))
		if f.yes {
			return limp
		}
		return 1 - limp
	case byMeter:
		x := (WetAt(f.depth, content) - f.value/10) / meterSD
		return (1-meterSenseless)*math.Exp(-x*x/2)/meterNorm + meterSenseless
	case byScale:
		x := (content - f.value) / f.sd
		return scaleSure*math.Exp(-x*x/2)/(f.sd*normalAtMiddle) + 1 - scaleSure
	}
	return 1
}

// below is the normal distribution.
func below(x float64) float64 { return .5 * (1 + math.Erf(x/math.Sqrt2)) }

// table is the likelihood at contents in steps of half a hundredth.
type table [tableSteps + 1]float64

func (f Finding) table() *table {
	t := &table{}
	for i := range t {
		t[i] = f.Likelihood(wettest * float64(i) / tableSteps)
	}
	return t
}

// at reads the table between its steps.
func (t *table) at(content float64) float64 {
	x := min(max(content/wettest*tableSteps, 0), tableSteps-1e-9)
	i := int(x)
	part := x - float64(i)
	return t[i]*(1-part) + t[i+1]*part
}
