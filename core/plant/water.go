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

// How says how one finds out whether the rule is reached; empty where nothing is felt or
// looked at (common practice).
func (r WaterRule) How() string { return waterRuleHow[r] }

var waterRuleHow = map[WaterRule]string{
	Even:       "Lay a finger on the surface: cool and damp is right, anything drier wants water now.",
	SurfaceDry: "Lay a finger on the surface: water it when that feels dry.",
	QuarterDry: "Push a finger in two knuckles deep: water it when it is dry there.",
	TopDry:     "Push a finger in two knuckles deep: water it when it is dry there.",
	HalfDry:    "Push a dry wooden stick half way down and wait a minute: water it when it comes out clean and dry.",
	DryThrough: "Push a dry wooden stick to the bottom: water it when it comes out dry and the pot is light.",
	AirRoots:   "Look at its roots: silver ones are dry, green ones are wet.",
	DryRest:    "Look at the roots on its new growth: until they are long enough it gets none.",
	CupWater:   "Look at the water in its cup, and change it when it is not clear.",
	Reservoir:  "Look at the level: fill it a day after it stood empty.",
	WetTray:    "Look at the tray: one to two centimetres of rain water or other soft water.",
}

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
