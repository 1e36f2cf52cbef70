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

	// Dish and InWater are rules of what it stands in, never of a kind.
	Dish    WaterRule = "dish"     // drinks from a dish under its pot
	InWater WaterRule = "in-water" // roots above a cup or a glass of water

	// TopDry is what older records say for a top quarter.
	TopDry WaterRule = "top-dry"
)

// WaterRuleText says a water rule as a carer would, of those that a kind may have.
func WaterRuleText() map[WaterRule]string {
	words := maps.Clone(waterRuleText)
	maps.DeleteFunc(words, func(r WaterRule, _ string) bool { return r == Dish || r == InWater })
	return words
}

// Words says the rule as a carer would; empty where there is no such rule.
func (r WaterRule) Words() string { return waterRuleText[r] }

// How says how one finds out whether the rule is reached; empty where nothing is felt or
// looked at (common practice).
func (r WaterRule) How() string { return waterRuleHow[r] }

// Look says what a look for water asks by the rule (common practice).
func (r WaterRule) Look() string {
	if asks := waterRuleLook[r]; asks != "" {
		return asks
	}
	return "Feel whether it is dry enough to water"
}

// waterRuleLook are the rules by which nothing is felt.
var waterRuleLook = map[WaterRule]string{
	AirRoots:  "Water its roots where they are silver",
	DryRest:   "Look how long its new roots are",
	CupWater:  "Look whether its cup holds clear water",
	Reservoir: "Look whether its water space is empty",
	WetTray:   "Look whether its tray holds water",
	Dish:      "Fill its dish",
	InWater:   "Look at the water it stands over",
	NoWater:   "No water now: look only",
}

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
	Dish:       "Pour into the dish, not over the pot, and again when it has been drunk.",
	InWater:    "Fill it to just below its base, never over it; change it when it is not clear.",
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
	Dish:       "from below, out of a dish whose level falls as its roots grow down",
	InWater:    "its base stands just above fresh water",
	NoWater:    "none",
}

// ruleCodes are the water rules as the kinds' tables write them, where they
// differ from the ids that stand in records.
var ruleCodes = map[string]WaterRule{"air-daily": AirRoots}
