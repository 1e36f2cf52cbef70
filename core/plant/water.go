package plant

import "maps"

// WaterRule says how dry the medium becomes before the next watering.
type WaterRule string

// The water rules. Depths are shares of the pot's depth, never centimetres.
const (
	Even       WaterRule = "even"        // never dry
	SurfaceDry WaterRule = "surface-dry" // when the surface dries
	QuarterDry WaterRule = "quarter-dry" // the top quarter
	HalfDry    WaterRule = "half-dry"    // the upper half
	DryThrough WaterRule = "dry-through" // down to the bottom
	AirRoots   WaterRule = "air-roots"   // every morning, twice when dry and hot
	DryRest    WaterRule = "dry-rest"    // none until its new roots are long enough
	CupWater   WaterRule = "cup"         // keep the cup and a light medium
	Reservoir  WaterRule = "reservoir"   // a shallow reservoir, refilled a day after it is empty
	WetTray    WaterRule = "wet-tray"    // stands in a tray of water
	NoWater    WaterRule = "none"        // kept dry

	// TopDry is what older records say for a top quarter.
	TopDry WaterRule = "top-dry"
)

// WaterRuleText says a water rule as a carer would.
func WaterRuleText() map[WaterRule]string { return maps.Clone(waterRuleText) }

// Words says the rule as a carer would; empty where there is no such rule.
func (r WaterRule) Words() string { return waterRuleText[r] }

var waterRuleText = map[WaterRule]string{
	Even:       "evenly moist: never let it dry",
	SurfaceDry: "when the surface begins to dry",
	QuarterDry: "when the top quarter of the pot is dry",
	TopDry:     "when the top quarter of the pot is dry (older records: the top 5-7 cm)",
	HalfDry:    "when the medium is dry half way down",
	DryThrough: "when it is dry through to the bottom",
	AirRoots:   "roots every morning, twice on dry hot days",
	DryRest:    "not before its new roots are long enough",
	CupWater:   "keep a little fresh water in the cup and the medium light",
	Reservoir:  "a shallow reservoir, refilled a day after it is empty",
	WetTray:    "stands in 1-2 cm of low-mineral water",
	NoWater:    "none",
}

// ruleCodes are the water rules as the kinds' tables write them, where they
// differ from the ids that stand in records.
var ruleCodes = map[string]WaterRule{"air-daily": AirRoots}
