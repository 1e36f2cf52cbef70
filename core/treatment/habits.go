package treatment

import (
	"cmp"
	"slices"

	"tendermend/core/plant"
)

// HabitID is the id of a habit (plant.Habit).
type HabitID string

// The habits that rules and recipes speak of.
const (
	Monopodial        HabitID = "monopodial-orchid"
	Sympodial         HabitID = "sympodial-orchid"
	WinterDeciduous   HabitID = "winter-deciduous-orchid"
	JewelOrchid       HabitID = "jewel-orchid"
	AroidVine         HabitID = "aroid-vine"
	AroidClump        HabitID = "aroid-clump"
	Rhizomatous       HabitID = "rhizomatous-foliage"
	Begonia           HabitID = "begonia"
	SoftTrailer       HabitID = "soft-trailer"
	Woody             HabitID = "woody"
	GiantHerb         HabitID = "giant-herb"
	WaxVine           HabitID = "wax-vine"
	SucculentRosette  HabitID = "succulent-rosette"
	UprightSucculent  HabitID = "upright-succulent"
	TrailingSucculent HabitID = "trailing-succulent"
	Cactus            HabitID = "cactus"
	ForestCactus      HabitID = "forest-cactus"
	Fern              HabitID = "fern"
	Palm              HabitID = "palm"
	Cycad             HabitID = "cycad"
	Bromeliad         HabitID = "bromeliad"
	AirPlant          HabitID = "air-plant"
	BulbPlant         HabitID = "bulb"
	Gesneriad         HabitID = "gesneriad"
	Carnivore         HabitID = "carnivore"
	HerbClump         HabitID = "herb-clump"
	Ivy               HabitID = "ivy"
	CaneFoliage       HabitID = "cane-foliage"
)

// Organ is a part of a plant that may have to stay dry.
type Organ string

// The parts that may have to stay dry. A heart, a spear, a whorl and the neck of
// a bulb are crowns here; the sheaths of a bulbed orchid are joints.
const (
	Crown  Organ = "crown"
	Joints Organ = "joints"
	Leaves Organ = "leaves"
	Cup    Organ = "cup"
)

// Defaults are what a habit bears where its kind is silent (society culture
// sheets and extension leaflets, from memory; common practice).
type Defaults struct {
	Habit HabitID
	Mix   []plant.Part
	Cover plant.Cover // after root loss
	// StemDry are the days to the first water after a cut of stem, base, rhizome
	// or bulb in live rot, fewest and most.
	StemDry [2]int
	// Whole is the day of the first water after potting with whole roots; -1 where
	// only its water rule tells.
	Whole   int
	KeepDry []Organ
}

func parts(pairs ...any) []plant.Part {
	var list []plant.Part
	for i := 0; i+1 < len(pairs); i += 2 {
		share, whole := pairs[i+1].(float64)
		if !whole {
			share = float64(pairs[i+1].(int))
		}
		list = append(list, plant.Part{What: pairs[i].(string), Parts: share})
	}
	return list
}

var gritty = parts("pumice", 1, "coarse grit", 1, "potting soil", 1)

var defaults = []Defaults{
	{
		Monopodial,
		parts("medium bark", 4, "perlite", 1, "chopped moss", 0.5),
		plant.CoverOpen,
		[2]int{1, 3},
		1,
		[]Organ{Crown, Joints},
	},
	{
		Sympodial,
		parts("medium bark", 4, "perlite", 1, "charcoal", 0.5),
		plant.CoverOpen,
		[2]int{1, 3},
		1,
		[]Organ{Joints},
	},
	{
		WinterDeciduous,
		parts("fine bark", 3, "chopped moss", 1, "perlite", 1),
		plant.CoverNone,
		[2]int{5, 14},
		-1,
		[]Organ{Joints},
	},
	{
		JewelOrchid,
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{0, 1},
		0,
		[]Organ{Leaves},
	},
	{
		AroidVine,
		parts("potting soil", 1, "perlite", 1, "medium bark", 1),
		plant.CoverClosed,
		[2]int{2, 4},
		0,
		nil,
	},
	{
		AroidClump,
		parts("potting soil", 1, "perlite", 1, "fine bark", 1),
		plant.CoverClosed,
		[2]int{2, 4},
		0,
		[]Organ{Crown},
	},
	{
		Rhizomatous,
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{1, 2},
		0,
		nil,
	},
	{
		Begonia,
		parts("peat or coir", 3, "fine bark", 1, "vermiculite", 1),
		plant.CoverOpen,
		[2]int{1, 2},
		0,
		[]Organ{Leaves},
	},
	{SoftTrailer, parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{0, 1}, 0, nil},
	{Woody, parts("potting soil", 2, "perlite", 1, "fine bark", 1), plant.CoverOpen, [2]int{1, 2}, 0, nil},
	{
		GiantHerb,
		parts("potting soil", 2, "perlite", 1, "medium bark", 1),
		plant.CoverNone,
		[2]int{2, 3},
		0,
		[]Organ{Crown},
	},
	{WaxVine, parts("potting soil", 1, "medium bark", 1), plant.CoverOpen, [2]int{3, 5}, 1, nil},
	{SucculentRosette, gritty, plant.CoverNone, [2]int{5, 10}, 7, []Organ{Crown}},
	{UprightSucculent, gritty, plant.CoverNone, [2]int{7, 14}, 7, nil},
	{TrailingSucculent, gritty, plant.CoverNone, [2]int{3, 7}, 5, nil},
	{
		Cactus,
		parts("pumice", 2, "coarse grit", 1, "potting soil", 1),
		plant.CoverNone,
		[2]int{7, 14},
		7,
		[]Organ{Crown},
	},
	{
		ForestCactus,
		parts("fine bark", 2, "peat or coir", 2, "perlite", 1),
		plant.CoverNone,
		[2]int{3, 5},
		2,
		nil,
	},
	{
		Fern,
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{0, 1},
		0,
		[]Organ{Crown},
	},
	{
		Palm,
		parts("potting soil", 2, "coarse sand", 1, "fine bark", 1),
		plant.CoverNone,
		[2]int{1, 3},
		0,
		[]Organ{Crown},
	},
	{Cycad, parts("coarse grit", 2, "potting soil", 1), plant.CoverNone, [2]int{7, 14}, 7, []Organ{Crown}},
	{
		Bromeliad,
		parts("medium bark", 2, "peat or coir", 1, "perlite", 1),
		plant.CoverOpen,
		[2]int{1, 2},
		-1,
		[]Organ{Cup},
	},
	{AirPlant, nil, plant.CoverNone, [2]int{0, 0}, -1, []Organ{Crown}},
	{
		BulbPlant,
		parts("potting soil", 2, "perlite", 1, "coarse grit", 1),
		plant.CoverNone,
		[2]int{3, 7},
		-1,
		[]Organ{Crown},
	},
	{
		Gesneriad,
		parts("peat or coir", 2, "perlite", 1, "vermiculite", 1),
		plant.CoverClosed,
		[2]int{1, 2},
		1,
		[]Organ{Leaves, Crown},
	},
	{Carnivore, parts("peat", 1, "perlite", 1), plant.CoverClosed, [2]int{0, 0}, 0, nil},
	{HerbClump, parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{1, 3}, 0, nil},
	{Ivy, parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{1, 2}, 0, nil},
	{
		CaneFoliage,
		parts("potting soil", 2, "perlite", 1, "medium bark", 1),
		plant.CoverNone,
		[2]int{2, 4},
		0,
		[]Organ{Crown},
	},
}

// shortNames are those by which a situation may be written short by hand.
var shortNames = map[string]HabitID{
	"MON": Monopodial,
	"SYM": Sympodial,
	"DEC": WinterDeciduous,
	"JEW": JewelOrchid,
	"AV":  AroidVine,
	"AC":  AroidClump,
	"RH":  Rhizomatous,
	"BEG": Begonia,
	"TR":  SoftTrailer,
	"WO":  Woody,
	"GH":  GiantHerb,
	"WV":  WaxVine,
	"RS":  SucculentRosette,
	"US":  UprightSucculent,
	"TS":  TrailingSucculent,
	"CA":  Cactus,
	"FC":  ForestCactus,
	"FE":  Fern,
	"PA":  Palm,
	"CY":  Cycad,
	"BR":  Bromeliad,
	"AP":  AirPlant,
	"BU":  BulbPlant,
	"GE":  Gesneriad,
	"CV":  Carnivore,
	"HC":  HerbClump,
	"IV":  Ivy,
	"CF":  CaneFoliage,
}

// HabitDefaults finds what a habit bears, by its id or its short name; false
// when there is no such habit.
func HabitDefaults(habit string) (Defaults, bool) {
	id := cmp.Or(shortNames[habit], HabitID(habit))
	if h, ok := plant.HabitByID(habit); ok {
		id = HabitID(h.ID)
	}
	i := slices.IndexFunc(defaults, func(d Defaults) bool { return d.Habit == id })
	if i < 0 {
		return Defaults{}, false
	}
	d := defaults[i]
	d.Mix, d.KeepDry = slices.Clone(d.Mix), slices.Clone(d.KeepDry)
	return d, true
}

// HabitSet is a set of habits, which nobody can write to.
type HabitSet struct{ ids []HabitID }

func habits(ids ...HabitID) HabitSet { return HabitSet{ids} }

// Has says whether a habit is in the set.
func (s HabitSet) Has(x HabitID) bool { return slices.Contains(s.ids, x) }

// IDs lists the habits of the set.
func (s HabitSet) IDs() []HabitID { return slices.Clone(s.ids) }

// DrySet are the habits that are never under a closed cover.
func DrySet() HabitSet { return drySet }

// MineralSet are the habits that stand in at least half mineral parts.
func MineralSet() HabitSet { return mineralSet }

// OneSet are the habits that have a single growing point.
func OneSet() HabitSet { return oneSet }

// OrchidSet are the habits that are orchids.
func OrchidSet() HabitSet { return orchidSet }

// FineSet are the habits that have fine roots that stay damp: cut roots are not dried.
func FineSet() HabitSet { return fineSet }

// WetNoSet are the habits that must have dry leaves by night.
func WetNoSet() HabitSet { return wetNoSet }

// LeafSet are the habits that have no leaves.
func LeafSet() HabitSet { return leafSet }

// TipSet are the habits that can be saved as a piece.
func TipSet() HabitSet { return tipSet }

var (
	drySet = habits(SucculentRosette, UprightSucculent, TrailingSucculent, Cactus,
		Cycad, BulbPlant, AirPlant, ForestCactus)
	mineralSet = habits(SucculentRosette, UprightSucculent, TrailingSucculent, Cactus, Cycad)
	oneSet     = habits(Monopodial, Palm, Cycad, Gesneriad, AirPlant)
	orchidSet  = habits(Monopodial, Sympodial, WinterDeciduous, JewelOrchid)
	fineSet    = habits(Fern, Carnivore, JewelOrchid, Rhizomatous)
	wetNoSet   = habits(Begonia, Gesneriad, JewelOrchid, SucculentRosette)
	leafSet    = habits(Cactus, ForestCactus)
	tipSet     = habits(AroidVine, Begonia, SoftTrailer, Woody, WaxVine,
		Gesneriad, Ivy, CaneFoliage, ForestCactus, JewelOrchid)
)
