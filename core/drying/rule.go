package drying

import (
	"math"

	"tendermend/core/plant"
)

// Rule is when a kind wants water, by what its pot holds.
type Rule struct {
	Name plant.WaterRule
	// Depth is how deep dryness is felt for, 0 at the top and 1 at the bottom.
	Depth float64
	Met   float64 // share of capacity at which the rule is met
	Harm  float64 // share under which harm begins
	Grace int     // days of harm that it bears
	Late  float64 // what a day too late costs for a day too early
}

// ruleRows are the rules that a pot's drying tells (growers' practice; a guess).
var ruleRows = []Rule{
	{plant.Even, .05, .72, .42, 0, 3},
	{plant.SurfaceDry, .05, 0, .30, 1, 1.5},
	{plant.QuarterDry, .25, 0, .20, 2, 1},
	{plant.HalfDry, .50, 0, .12, 3, .7},
	{plant.DryThrough, .90, 0, .05, 7, .5},
}

// graceSucculent are the days of harm that leaves which store water bear where they are
// watered when dry through (growers' practice).
const graceSucculent = 20

// For gives the rule as leaves of a sort bear it.
func (r Rule) For(d Drink) Rule {
	if r.Name == plant.DryThrough && d == "succulent" {
		r.Grace = graceSucculent
	}
	return r
}

// RuleOf gives the row of a water rule; false where drying does not tell it: bare roots,
// a water space, a cup, or none at all.
func RuleOf(name plant.WaterRule) (Rule, bool) {
	if name == plant.TopDry { // what older records say for the top quarter
		name = plant.QuarterDry
	}
	for _, r := range ruleRows {
		if r.Name == name {
			if r.Met == 0 {
				r.Met = contentAt(r.Depth, dryBelow)
			}
			return r, true
		}
	}
	return Rule{}, false
}

// Classes of what a finger or stick finds, by wetness at its depth (a guess).
const (
	dryBelow    = .30
	barelyBelow = .50
	moistBelow  = .78
)

// power is how wetness at a depth follows from the content: wetness = content^power. The
// top dries first; the mean over all depths is the content within 0.05 (a guess).
func power(depth float64) float64 { return .5 + 2.6*math.Pow(1-depth, 2.3) }

// WetAt gives how wet a pot of some content is at a depth, 0-1.
func WetAt(depth, content float64) float64 { return math.Pow(max(content, 1e-6), power(depth)) }

// Found is what a stick finds where it is so wet, 0-1.
func Found(wet float64) Class {
	switch {
	case wet < dryBelow:
		return FoundDry
	case wet < barelyBelow:
		return FoundBarely
	case wet < moistBelow:
		return FoundMoist
	}
	return FoundWet
}

// contentAt is the content at which a depth is so wet.
func contentAt(depth, wet float64) float64 { return math.Pow(wet, 1/power(depth)) }

// deepest is how deep a finger or stick is taken to reach: the last bit is the bottom.
const deepest = .95

// DepthOf gives the depth of a reading in a pot; that of the rule where nobody said.
func DepthOf(cm, potCM float64, rule Rule) float64 {
	if cm <= 0 || potCM <= 0 {
		return rule.Depth
	}
	return min(deepest, cm/potCM)
}
