// Package pieces knows how plants are multiplied by pieces, what becomes of a batch of
// them, and what the batches of a collection teach.
package pieces

import (
	"fmt"
	"slices"

	"tendermend/core/plant"
	"tendermend/core/working"
)

// Method is one way to multiply a plant, by the names of the kinds' tables.
type Method string

// The methods.
const (
	TipCutting  Method = "tip-cutting"
	NodeCutting Method = "node-cutting"
	LeafCutting Method = "leaf-cutting"
	StemSection Method = "stem-section"
	Layering    Method = "layering"
	Division    Method = "division"
	Offset      Method = "offset"
	Keiki       Method = "keiki"
	Backbulb    Method = "backbulb"
	Rhizome     Method = "rhizome"
	Seed        Method = "seed"
)

// Vessel is what pieces root in.
type Vessel string

// The vessels.
const (
	InWater  Vessel = "water"
	InMix    Vessel = "mix"
	InMoss   Vessel = "moss"
	InBox    Vessel = "moss-box"
	OnMother Vessel = "mother"
	OwnPot   Vessel = "pot"
)

// Way is a method with what is said of it.
type Way struct {
	Method  Method   `json:"method" doc:"As the kinds name it."`
	Label   string   `json:"label"`
	One     string   `json:"one" doc:"What one piece is called."`
	Organ   string   `json:"organ" doc:"What is cut off the mother for it; empty where nothing is."`
	Vessels []Vessel `json:"vessels" doc:"What they root in, the usual one first."`
	Listed  bool     `json:"listed" doc:"Whether the kind's own row names it."`
	Usual   int      `json:"usual" doc:"How many are usually taken from one mother at a time."`
	Takes   string   `json:"takes,omitempty" doc:"How long it takes, in a sentence; missing where nobody knows."`
}

// ways holds one row for each method (growers' books, from memory; how many at a time is common practice).
var ways = []Way{
	{Method: TipCutting, Label: "Tips", Usual: 4, One: "tip", Organ: "tip", Vessels: []Vessel{InMix, InWater, InMoss}},
	{Method: NodeCutting, Label: "Lengths of stem with a node", Usual: 6, One: "node", Organ: "stem",
		Vessels: []Vessel{InBox, InWater, InMix, InMoss}},
	{Method: LeafCutting, Label: "Leaves", Usual: 4, One: "leaf", Organ: "leaf",
		Vessels: []Vessel{InMix, InWater, InMoss}},
	{Method: StemSection, Label: "Bare lengths of stem", Usual: 4, One: "section", Organ: "stem",
		Vessels: []Vessel{InMix, InMoss}},
	{Method: Layering, Label: "Layering, on the mother", Usual: 1, One: "layer", Vessels: []Vessel{OnMother}},
	{Method: Division, Label: "Division", Usual: 2, One: "division", Organ: "rhizome", Vessels: []Vessel{OwnPot}},
	{Method: Offset, Label: "Offsets", Usual: 1, One: "offset", Organ: "pup", Vessels: []Vessel{OwnPot, InMix}},
	{Method: Keiki, Label: "Plantlets", Usual: 1, One: "plantlet", Organ: "plantlet", Vessels: []Vessel{OwnPot, InMoss}},
	{Method: Backbulb, Label: "Back bulbs", Usual: 2, One: "back bulb", Organ: "bulb",
		Vessels: []Vessel{InMoss, InBox, OwnPot}},
	{Method: Rhizome, Label: "Lengths of rhizome", Usual: 3, One: "length", Organ: "rhizome",
		Vessels: []Vessel{InMix, InMoss}},
	{Method: Seed, Label: "Seed", Usual: 20, One: "seedling", Vessels: []Vessel{InMix, InMoss}},
}

// WayOf gives a method's row; false where there is none of the name.
func WayOf(m Method) (Way, bool) {
	i := slices.IndexFunc(ways, func(w Way) bool { return w.Method == m })
	if i < 0 {
		return Way{}, false
	}
	return clone(ways[i]), true
}

// Vessels lists what pieces root in.
func Vessels() []Vessel { return []Vessel{InWater, InMix, InMoss, InBox, OnMother, OwnPot} }

func clone(w Way) Way {
	w.Vessels = slices.Clone(w.Vessels)
	return w
}

// weeks are the usual weeks from the cut until a piece is a plant, by how it grows
// (growers' books, from memory). A winter takes half as long again.
var weeks = map[string][2]int{
	"sympodial-orchid": {12, 40}, "winter-deciduous-orchid": {12, 40}, "jewel-orchid": {3, 6}, "aroid-vine": {2, 4},
	"soft-trailer": {2, 3}, "ivy": {2, 3}, "begonia": {3, 8}, "woody": {4, 10}, "wax-vine": {4, 8},
	"aroid-clump": {3, 8}, "rhizomatous-foliage": {4, 8}, "herb-clump": {4, 8}, "giant-herb": {4, 8}, "fern": {4, 8},
	"bromeliad": {8, 16}, "succulent-rosette": {3, 8}, "upright-succulent": {3, 8}, "trailing-succulent": {3, 8},
	"cactus": {6, 12}, "forest-cactus": {4, 6}, "gesneriad": {6, 12}, "carnivore": {6, 12}, "cane-foliage": {4, 8},
}

// takes says how long it takes until a piece is a plant.
func takes(habit string) string {
	w, known := weeks[habit]
	if !known {
		return ""
	}
	const said = "Until one is a plant: usually %d to %s, half as long again in winter."
	return fmt.Sprintf(said, w[0], working.Count(w[1], "week"))
}

// What is said where pieces are taken and where they are potted out (growers' books, from
// memory).
const (
	Before  = "A clean blade for each mother."
	Ripe    = "roots 2 to 3 cm long"
	PotThem = "Pot out what has " + Ripe + ": under a bag first, then let it harden."
)

// WaysFor gives the methods for a kind, those that its row names first; every other
// follows, since what somebody does is recorded whatever the tables say.
func WaysFor(kind plant.Profile) []Way {
	list := []Way{}
	for _, name := range kind.Propagation {
		if w, known := WayOf(Method(name)); known {
			w.Listed = true
			list = append(list, w)
		}
	}
	for _, w := range ways {
		if !slices.ContainsFunc(list, func(x Way) bool { return x.Method == w.Method }) {
			list = append(list, clone(w))
		}
	}
	for i := range list {
		list[i].Takes = takes(kind.Habit)
	}
	return list
}

// CountDays is how many days lie between the counts of a batch (common practice).
const CountDays = 14
