package plant

import "slices"

// Profile is a kind of plant, a genus or species, with what it wants. Values
// are from memory of the usual growers' books, rounded, unless a value says
// otherwise; they are starting points that a carer may overrule.
type Profile struct {
	ID        string   `json:"id"`
	Botanical string   `json:"botanical"`
	Synonyms  []string `json:"synonyms,omitempty" doc:"Former and other botanical names."`
	Common    string   `json:"common"`
	Names     []string `json:"names,omitempty" doc:"Other trade and folk names."`
	Habit     string   `json:"habit"`
	Setups    []string `json:"setups,omitempty" doc:"The usual first: pot, basket, mounted, bare-root, cup, air."`
	Epiphyte  bool     `json:"epiphyte,omitempty" doc:"Whether it grows on trees, its roots in air."`
	Branches  Branches `json:"branches,omitempty" enum:"yes,no,crown" doc:"Whether a cut stem branches."`
	// Light is the daily light integral in mol m⁻² d⁻¹: least, best, most.
	Light [3]float64 `json:"light" minimum:"0" maximum:"200"`
	// Temperature in °C: lower limit, best, upper limit.
	Temperature [3]float64 `json:"temperature" minimum:"-200" maximum:"200"`
	Chill       *float64   `json:"chill,omitempty" minimum:"-60" maximum:"60" doc:"°C below which a night hurts it."`
	// Humidity in per cent: least, best.
	Humidity  [2]float64 `json:"humidity" minimum:"0" maximum:"100"`
	WaterRule WaterRule  `json:"waterRule"`
	WaterLow  WaterRule  `json:"waterLow,omitempty" doc:"Its water rule in leaf in the dark months."`
	// RootsFirstCM is how long new roots must be before its first water after
	// rest, cm; 0 where it does not wait for them.
	RootsFirstCM float64 `json:"rootsFirstCm,omitempty" minimum:"0" maximum:"1000"`
	Thirst       string  `json:"thirst,omitempty" doc:"What it shows when thirsty, before harm."`
	Sun          Sun     `json:"sun" doc:"The most direct sun it bears indoors."`
	Rest         string  `json:"rest,omitempty" doc:"How it rests; empty where it does not."`
	RestKind     string  `json:"restKind,omitempty" doc:"When it rests: winter-dry, leafless-winter, summer …"`
	// RestSeen is how a rest looks, so that it can be asked.
	RestSeen RestLook `json:"restSeen,omitempty" enum:"none,slows,leafless,hard" doc:"How its rest looks."`
	// RestWater is the rule of a plant that is seen at rest.
	RestWater RestWater `json:"restWater,omitempty" enum:"growth,low,none,roots-first" doc:"Its water while seen at rest."`
	Feed      Feed      `json:"feed"`
	Mixes     []Mix     `json:"mixes" doc:"Mixes by parts."`
	// RepotMonths is the usual time between repottings, in months.
	RepotMonths [2]int   `json:"repotMonths" minimum:"0" maximum:"999"`
	RepotWhen   []string `json:"repotWhen,omitempty" doc:"When it is best repotted: spring, new-roots, after-bloom …"`
	PotFit      string   `json:"potFit,omitempty" doc:"How tight it likes its pot: snug, one-size, roomy."`
	PotShape    string   `json:"potShape,omitempty" doc:"usual, deep, shallow, holes, clear or none."`
	// PerMonth is how many leaves or growths it makes a month in season.
	PerMonth [2]float64 `json:"perMonth" minimum:"0" maximum:"1000"`
	// DryDays is how many days cut roots stay dry before the first water, fewest
	// and most; missing where only the habit tells.
	DryDays *[2]int `json:"dryDays,omitempty" minimum:"0" maximum:"99999"`
	Cover   Cover   `json:"cover,omitempty" enum:"closed,open,none" doc:"The cover it bears after root loss."`
	// Size is how large it grows in a room; a plant that was measured stands above it.
	Size Size `json:"size,omitempty" enum:"small,usual,large,huge" doc:"Its full size in a room."`
	// SoldIn is what it usually stands in when bought: what is assumed of a newcomer
	// until somebody says.
	SoldIn string `json:"soldIn,omitempty" doc:"pot, pot-bark, pot-moss, pot-plug, basket, mounted or bare."`
	// CutDryDays is how many days a living cut of a piece lies dry before it is set,
	// fewest and most; 0 and 1 mean some hours. Roots that were trimmed have DryDays.
	CutDryDays *[2]int `json:"cutDryDays,omitempty" minimum:"0" maximum:"99999" doc:"Days that a cut piece lies dry."`
	// RootIn is what its pieces root in, the best first.
	RootIn     []string `json:"rootIn,omitempty" doc:"water, moss, mix, gritty, pinned, mount; the best first."`
	RootsWeeks [2]int   `json:"rootsWeeks,omitzero" minimum:"0" maximum:"1000" doc:"Weeks to roots of 2-3 cm in growth."`
	// Piece is the smallest piece of it that lives, as "1 tip"; empty where none does.
	Piece string `json:"piece,omitempty" doc:"The smallest piece that lives: 1 tip, 3 growths …"`
	// Never is what is not taken of it for increase.
	Never  []string `json:"never,omitempty" doc:"top, node, leaf, division, section: not taken for increase."`
	Traits []Trait  `json:"traits"`
	// Poisons says what harms whom. A kind that nobody knows about says so: the
	// severity "not known" is never to be read as safe.
	Poisons     []Poison `json:"poisons" doc:"What harms whom; a severity of “not known” is not safe."`
	Pests       []Liking `json:"pests" doc:"How well pests like it; those not named come seldom."`
	Troubles    []string `json:"troubles,omitempty" doc:"What it is known for in homes."`
	Propagation []string `json:"propagation,omitempty" doc:"How it is multiplied."`
	LookAlike   string   `json:"lookAlike,omitempty" doc:"What it is confused with in shops, and what follows from that."`
	Note        string   `json:"note,omitempty" doc:"What a rescuer of this kind must know."`
	// Weeks are the usual weeks of each track from start to mended.
	Weeks  []TrackWeeks `json:"weeks"`
	Source string       `json:"source" doc:"Where its values come from, unless sources says otherwise."`
	Sure   string       `json:"sure,omitempty" doc:"How sure its values are: high, fair or low."`
	// Sources says for single fields where their values come from.
	Sources map[string]string `json:"sources"`
	Own     bool              `json:"own" doc:"Whether the collection added it."`
}

// Branches says what a kind does when a stem of it is cut.
type Branches string

// What a cut stem does.
const (
	BranchesYes   Branches = "yes"   // it branches
	BranchesNo    Branches = "no"    // it has a single growing point, or no stem
	BranchesCrown Branches = "crown" // new growth comes from the base
)

// RestLook is how a rest looks.
type RestLook string

// How rests look.
const (
	RestNone     RestLook = "none"     // it grows all year
	RestSlows    RestLook = "slows"    // it keeps its leaves and hardly grows
	RestLeafless RestLook = "leafless" // it drops its leaves or dies back
	RestHard     RestLook = "hard"     // it keeps leaves or bulbs and really stops
)

// RestWater is how a plant is watered while it is seen at rest.
type RestWater string

// How plants at rest are watered.
const (
	RestAsGrowth   RestWater = "growth"
	RestLow        RestWater = "low"
	RestDry        RestWater = "none"
	RestRootsFirst RestWater = "roots-first" // none until its new roots are long enough
)

// Size is how large a kind grows in a room.
type Size string

// The sizes: up to 25 cm, up to 60 cm, what one person carries, and what takes two.
const (
	SmallSize Size = "small"
	UsualSize Size = "usual"
	LargeSize Size = "large"
	HugeSize  Size = "huge"
)

// Cover is a cover over a plant whose roots cannot feed it.
type Cover string

// The covers, from the driest on.
const (
	CoverNone   Cover = "none"
	CoverOpen   Cover = "open"
	CoverClosed Cover = "closed"
)

// Sun is the most direct sun a kind bears indoors.
type Sun string

// The sun limits.
const (
	Shade      Sun = "none"     // no direct sun
	Filtered   Sun = "filtered" // through a curtain or leaves
	MorningSun Sun = "morning"  // until about eleven
	FullSun    Sun = "full"     // all day, once used to it
)

// Feed is what a kind is fed.
type Feed struct {
	PpmN  float64 `json:"ppmN" minimum:"0" maximum:"10000" doc:"Nitrogen in the water while it grows, ppm (mg/l)."`
	Low   float64 `json:"low" minimum:"0" maximum:"1" doc:"Share of that in the low-light months, 0-1."`
	Every string  `json:"every,omitempty" doc:"each-watering, weekly, fortnight, month, six-weeks, quarter, never."`
}

// Mix is a medium by parts.
type Mix struct {
	Name  string `json:"name" maxLength:"60"`
	Parts []Part `json:"parts"`
}

// Part is one ingredient of a mix.
type Part struct {
	What  string  `json:"what" maxLength:"60"`
	Parts float64 `json:"parts" minimum:"0" maximum:"1000"`
}

// Fondness is how well a pest likes a kind.
type Fondness string

// The grades of fondness.
const (
	Sometimes Fondness = "sometimes"
	Often     Fondness = "often"
)

// Liking is a pest that comes to a kind.
type Liking struct {
	Pest string   `json:"pest" doc:"Id of a cause."`
	How  Fondness `json:"how" enum:"sometimes,often"`
}

// TrackWeeks is how long a recovery track usually takes, in weeks.
type TrackWeeks struct {
	Track string `json:"track"`
	Weeks [2]int `json:"weeks" minimum:"0" maximum:"1000"`
}

var profileByID = func() map[string]Profile {
	m := make(map[string]Profile, len(profiles))
	for _, p := range profiles {
		m[p.ID] = p
	}
	return m
}()

// Profiles lists the kinds that ship with the program.
func Profiles() []Profile { return slices.Clone(profiles) }
