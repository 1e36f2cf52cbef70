package treatment

import (
	"slices"

	"tendermend/core/plant"
)

// Code is the short name of a habit in recipes.
type Code string

// The habits' codes.
const (
	MON Code = "MON" // monopodial-orchid
	SYM Code = "SYM" // sympodial-orchid
	DEC Code = "DEC" // winter-deciduous-orchid
	JEW Code = "JEW" // jewel-orchid
	AV  Code = "AV"  // aroid-vine
	AC  Code = "AC"  // aroid-clump
	RH  Code = "RH"  // rhizomatous-foliage
	BEG Code = "BEG" // begonia
	TR  Code = "TR"  // soft-trailer
	WO  Code = "WO"  // woody
	GH  Code = "GH"  // giant-herb
	WV  Code = "WV"  // wax-vine
	RS  Code = "RS"  // succulent-rosette
	US  Code = "US"  // upright-succulent
	TS  Code = "TS"  // trailing-succulent
	CA  Code = "CA"  // cactus
	FC  Code = "FC"  // forest-cactus
	FE  Code = "FE"  // fern
	PA  Code = "PA"  // palm
	CY  Code = "CY"  // cycad
	BR  Code = "BR"  // bromeliad
	AP  Code = "AP"  // air-plant
	BU  Code = "BU"  // bulb
	GE  Code = "GE"  // gesneriad
	CV  Code = "CV"  // carnivore
	HC  Code = "HC"  // herb-clump
	IV  Code = "IV"  // ivy
	CF  Code = "CF"  // cane-foliage
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
	Code  Code
	Habit string
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
		MON,
		"monopodial-orchid",
		parts("medium bark", 4, "perlite", 1, "chopped moss", 0.5),
		plant.CoverOpen,
		[2]int{1, 3},
		1,
		[]Organ{Crown, Joints},
	},
	{
		SYM,
		"sympodial-orchid",
		parts("medium bark", 4, "perlite", 1, "charcoal", 0.5),
		plant.CoverOpen,
		[2]int{1, 3},
		1,
		[]Organ{Joints},
	},
	{
		DEC,
		"winter-deciduous-orchid",
		parts("fine bark", 3, "chopped moss", 1, "perlite", 1),
		plant.CoverNone,
		[2]int{5, 14},
		-1,
		[]Organ{Joints},
	},
	{
		JEW,
		"jewel-orchid",
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{0, 1},
		0,
		[]Organ{Leaves},
	},
	{
		AV,
		"aroid-vine",
		parts("potting soil", 1, "perlite", 1, "medium bark", 1),
		plant.CoverClosed,
		[2]int{2, 4},
		0,
		nil,
	},
	{
		AC,
		"aroid-clump",
		parts("potting soil", 1, "perlite", 1, "fine bark", 1),
		plant.CoverClosed,
		[2]int{2, 4},
		0,
		[]Organ{Crown},
	},
	{
		RH,
		"rhizomatous-foliage",
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{1, 2},
		0,
		nil,
	},
	{
		BEG,
		"begonia",
		parts("peat or coir", 3, "fine bark", 1, "vermiculite", 1),
		plant.CoverOpen,
		[2]int{1, 2},
		0,
		[]Organ{Leaves},
	},
	{TR, "soft-trailer", parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{0, 1}, 0, nil},
	{WO, "woody", parts("potting soil", 2, "perlite", 1, "fine bark", 1), plant.CoverOpen, [2]int{1, 2}, 0, nil},
	{
		GH,
		"giant-herb",
		parts("potting soil", 2, "perlite", 1, "medium bark", 1),
		plant.CoverNone,
		[2]int{2, 3},
		0,
		[]Organ{Crown},
	},
	{WV, "wax-vine", parts("potting soil", 1, "medium bark", 1), plant.CoverOpen, [2]int{3, 5}, 1, nil},
	{RS, "succulent-rosette", gritty, plant.CoverNone, [2]int{5, 10}, 7, []Organ{Crown}},
	{US, "upright-succulent", gritty, plant.CoverNone, [2]int{7, 14}, 7, nil},
	{TS, "trailing-succulent", gritty, plant.CoverNone, [2]int{3, 7}, 5, nil},
	{
		CA,
		"cactus",
		parts("pumice", 2, "coarse grit", 1, "potting soil", 1),
		plant.CoverNone,
		[2]int{7, 14},
		7,
		[]Organ{Crown},
	},
	{
		FC,
		"forest-cactus",
		parts("fine bark", 2, "peat or coir", 2, "perlite", 1),
		plant.CoverNone,
		[2]int{3, 5},
		2,
		nil,
	},
	{
		FE,
		"fern",
		parts("peat or coir", 2, "fine bark", 1, "perlite", 1),
		plant.CoverClosed,
		[2]int{0, 1},
		0,
		[]Organ{Crown},
	},
	{
		PA,
		"palm",
		parts("potting soil", 2, "coarse sand", 1, "fine bark", 1),
		plant.CoverNone,
		[2]int{1, 3},
		0,
		[]Organ{Crown},
	},
	{CY, "cycad", parts("coarse grit", 2, "potting soil", 1), plant.CoverNone, [2]int{7, 14}, 7, []Organ{Crown}},
	{
		BR,
		"bromeliad",
		parts("medium bark", 2, "peat or coir", 1, "perlite", 1),
		plant.CoverOpen,
		[2]int{1, 2},
		-1,
		[]Organ{Cup},
	},
	{AP, "air-plant", nil, plant.CoverNone, [2]int{0, 0}, -1, []Organ{Crown}},
	{
		BU,
		"bulb",
		parts("potting soil", 2, "perlite", 1, "coarse grit", 1),
		plant.CoverNone,
		[2]int{3, 7},
		-1,
		[]Organ{Crown},
	},
	{
		GE,
		"gesneriad",
		parts("peat or coir", 2, "perlite", 1, "vermiculite", 1),
		plant.CoverClosed,
		[2]int{1, 2},
		1,
		[]Organ{Leaves, Crown},
	},
	{CV, "carnivore", parts("peat", 1, "perlite", 1), plant.CoverClosed, [2]int{0, 0}, 0, nil},
	{HC, "herb-clump", parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{1, 3}, 0, nil},
	{IV, "ivy", parts("potting soil", 3, "perlite", 1), plant.CoverOpen, [2]int{1, 2}, 0, nil},
	{
		CF,
		"cane-foliage",
		parts("potting soil", 2, "perlite", 1, "medium bark", 1),
		plant.CoverNone,
		[2]int{2, 4},
		0,
		[]Organ{Crown},
	},
}

// HabitDefaults finds what a habit bears, by its id or its code; false when
// there is no such habit.
func HabitDefaults(habit string) (Defaults, bool) {
	if h, ok := plant.HabitByID(habit); ok {
		habit = h.ID
	}
	i := slices.IndexFunc(defaults, func(d Defaults) bool { return d.Habit == habit || string(d.Code) == habit })
	if i < 0 {
		return Defaults{}, false
	}
	d := defaults[i]
	d.Mix, d.KeepDry = slices.Clone(d.Mix), slices.Clone(d.KeepDry)
	return d, true
}

// Codes is a set of habits.
type Codes []Code

// Has says whether a habit is in the set.
func (c Codes) Has(x Code) bool { return slices.Contains(c, x) }

// The sets of habits that rules speak of.
var (
	DrySet     = Codes{RS, US, TS, CA, CY, BU, AP, FC}           // never a closed cover
	MineralSet = Codes{RS, US, TS, CA, CY}                       // at least half mineral parts
	OneSet     = Codes{MON, PA, CY, GE, AP}                      // a single growing point
	OrchidSet  = Codes{MON, SYM, DEC, JEW}                       // orchids
	FineSet    = Codes{FE, CV, JEW, RH}                          // fine roots stay damp: no drying of cut roots
	WetNoSet   = Codes{BEG, GE, JEW, RS}                         // leaves must be dry by night
	LeafSet    = Codes{CA, FC}                                   // leafless
	TipSet     = Codes{AV, BEG, TR, WO, WV, GE, IV, CF, FC, JEW} // a piece can be saved
)
