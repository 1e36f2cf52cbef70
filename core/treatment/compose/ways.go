package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// waysOf are the ways in which a habit is multiplied, the surest first, by the names of
// the kinds' tables (growers' books, from memory).
var waysOf = map[treatment.HabitID][]string{
	treatment.Monopodial:        {"keiki", "offset"},
	treatment.Sympodial:         {"division", "keiki", "offset"},
	treatment.WinterDeciduous:   {"division", "keiki", "offset"},
	treatment.JewelOrchid:       {"tip-cutting", "node-cutting", "division"},
	treatment.AroidVine:         {"node-cutting", "tip-cutting", "layering"},
	treatment.SoftTrailer:       {"tip-cutting", "leaf-cutting", "offset", "node-cutting", "layering", "division"},
	treatment.Ivy:               {"tip-cutting", "node-cutting", "layering"},
	treatment.Begonia:           {"tip-cutting", "node-cutting", "leaf-cutting", "rhizome", "division"},
	treatment.Woody:             {"tip-cutting", "layering", "offset"},
	treatment.WaxVine:           {"node-cutting", "tip-cutting", "layering"},
	treatment.AroidClump:        {"division", "offset", "tip-cutting", "stem-section", "leaf-cutting"},
	treatment.Rhizomatous:       {"division", "node-cutting", "offset"},
	treatment.HerbClump:         {"offset", "tip-cutting", "division"},
	treatment.GiantHerb:         {"offset", "division"},
	treatment.Fern:              {"division", "rhizome", "offset"},
	treatment.Palm:              {"division", "offset"},
	treatment.Cycad:             {"offset"},
	treatment.Bromeliad:         {"offset"},
	treatment.AirPlant:          {"offset"},
	treatment.SucculentRosette:  {"offset", "stem-section", "tip-cutting", "leaf-cutting"},
	treatment.UprightSucculent:  {"stem-section", "tip-cutting", "leaf-cutting", "offset", "layering"},
	treatment.TrailingSucculent: {"stem-section", "tip-cutting", "leaf-cutting", "offset", "layering"},
	treatment.Cactus:            {"offset", "stem-section"},
	treatment.ForestCactus:      {"stem-section", "tip-cutting"},
	treatment.Gesneriad:         {"leaf-cutting", "tip-cutting", "division"},
	treatment.BulbPlant:         {"offset", "division"},
	treatment.Carnivore:         {"division", "leaf-cutting", "tip-cutting"},
	treatment.CaneFoliage:       {"tip-cutting", "stem-section", "layering"},
}

// barredBy are the ways that a kind's "never" closes.
var barredBy = map[string][]string{
	"top": {"tip-cutting"}, "node": {"node-cutting"}, "leaf": {"leaf-cutting"}, "section": {"stem-section"},
	"division": {"division", "rhizome"},
}

// way is the one that the carer chose where its kind allows it, else the first of its
// habit; empty where there is none.
func (x *subject) way() string {
	list := x.ways()
	switch {
	case slices.Contains(list, x.Choices.MultiplyBy):
		return x.Choices.MultiplyBy
	case len(list) > 0:
		return list[0]
	}
	return ""
}

// ways are those of its habit that its kind allows, the surest first.
func (x *subject) ways() (list []string) {
	var barred []string
	for _, n := range x.kind.Never {
		barred = append(barred, barredBy[n]...)
	}
	for _, w := range waysOf[x.habitID] {
		own := slices.Contains(x.kind.Propagation, w)
		if x.named && (own || len(x.kind.Propagation) == 0 && !slices.Contains(barred, w)) ||
			!x.named && treatment.TipSet().Has(x.habitID) {
			list = append(list, w)
		}
	}
	return list
}

// divides says whether it is parted to be multiplied.
func (x *subject) divides() bool { return among(x.way(), "division", "rhizome") }

// cutWay is how a way is done: with what, on which organ, how many at most.
type cutWay struct {
	op    treatment.OperatorID
	organ treatment.Organ
	most  float64
}

var cutWays = map[string]cutWay{
	"tip-cutting":  {treatment.TipCut, treatment.OnTip, 4},
	"node-cutting": {treatment.NodeBox, treatment.OnNode, 4},
	"leaf-cutting": {treatment.LeafCut, treatment.OnLeaf, 3},
	"stem-section": {treatment.TipCut, treatment.OnSection, 3},
	"layering":     {treatment.Layer, treatment.OnStem, 1},
}

// howMany is how many pieces may be taken, of what is there; one growing point stays.
func (c *composer) howMany(w cutWay, dying bool) float64 {
	f := c.Facts
	var have float64
	switch w.organ {
	case treatment.OnNode:
		have = max(f.Nodes.Or(f.Leaves.Or(1)), 1)
	case treatment.OnLeaf, treatment.OnStem:
		return w.most
	default:
		have = c.tipsThere()
		if w.organ == treatment.OnSection && f.Nodes.Known {
			have = max(have, f.Nodes.Value)
		}
		if have > 1 && !dying {
			have--
		}
	}
	if c.is(treatment.SoftTrailer, treatment.Ivy) && w.organ == treatment.OnTip {
		w.most = 7
	}
	return max(1, min(w.most, have))
}

// tipsThere is how many growing tips it has, as far as anybody knows.
func (c *composer) tipsThere() float64 {
	f := c.Facts
	usual := 1.0
	if c.is(treatment.SoftTrailer, treatment.Ivy, treatment.AroidVine) {
		usual = 3
	}
	return max(1, f.Tips.Or(f.Points.Or(f.Growths.Or(usual))))
}
