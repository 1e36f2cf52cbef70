package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

func (c *patient) grownBy(ways ...string) bool {
	return slices.ContainsFunc(ways, func(w string) bool { return slices.Contains(c.kind.Propagation, w) })
}

// rowWays are the ways of a habit, beside those that its kind names (growers' books).
var rowWays = map[t.HabitID]string{
	t.Monopodial: "keiki offset stem-section", t.Sympodial: "division keiki offset",
	t.WinterDeciduous: "division keiki offset", t.JewelOrchid: "tip-cutting node-cutting division",
	t.AroidVine: "node-cutting layering tip-cutting", t.Ivy: "tip-cutting", t.SoftTrailer: "tip-cutting",
	t.Begonia: "tip-cutting node-cutting leaf-cutting rhizome", t.Woody: "tip-cutting layering",
	t.WaxVine: "node-cutting layering", t.AroidClump: "division offset tip-cutting stem-section",
	t.Rhizomatous: "division", t.HerbClump: "division offset tip-cutting", t.GiantHerb: "division offset",
	t.Fern: "division rhizome offset", t.Cycad: "offset", t.Bromeliad: "offset", t.AirPlant: "offset division",
	t.SucculentRosette: "offset tip-cutting", t.Cactus: "offset stem-section", t.ForestCactus: "stem-section",
	t.UprightSucculent:  "stem-section tip-cutting leaf-cutting offset layering",
	t.TrailingSucculent: "stem-section tip-cutting leaf-cutting offset layering",
	t.Gesneriad:         "leaf-cutting division offset", t.BulbPlant: "offset division",
	t.Carnivore: "division leaf-cutting", t.CaneFoliage: "tip-cutting stem-section",
}

var stepWays = map[t.OperatorID]string{
	t.TipCut: "tip-cutting stem-section", t.NodeBox: "node-cutting", t.LeafCut: "leaf-cutting", t.Layer: "layering",
	t.PartIt: "division rhizome", t.TakeOffset: "offset keiki",
}

// wayLaw: a kind is multiplied as its row or its habit says, and not asleep.
func wayLaw(r *replay, c *patient, no found) {
	if !c.known || c.Facts.Piece.Value || c.has(cause.Detached) || len(c.kind.Propagation) == 0 {
		return
	}
	for _, e := range r.of(false, t.TipCut, t.NodeBox, t.LeafCut, t.Layer, t.PartIt, t.TakeOffset) {
		if e.op == t.PartIt && c.anyOf(t.Rots()) {
			continue
		}
		if !c.multipliedBy(stepWays[e.op]) {
			no(e, "its kind is not multiplied so")
		}
		if c.cutAsleep(e) {
			no(e, "it sleeps")
		}
	}
}

// cutAsleep says whether a kind that sleeps is cut while it does, and its rest is not over.
func (c *patient) cutAsleep(e *event) bool {
	saved := c.anyOf(t.Rots()) && e.op == t.TipCut // what is sound of a rotting plant cannot wait
	asleep := e.pre.phase == "resting" && !e.gated && !saved && !(e.op == t.PartIt && c.restEnds(e.day))
	return asleep && (c.dry || c.is(t.WinterDeciduous, t.BulbPlant)) && !c.is(t.AirPlant)
}

// multipliedBy says whether one of some ways is its kind's, or its habit's and not forbidden.
func (c *patient) multipliedBy(ways string) bool {
	row := strings.Fields(rowWays[c.habitID])
	return slices.ContainsFunc(strings.Fields(ways), func(w string) bool {
		return slices.Contains(c.kind.Propagation, w) ||
			slices.Contains(row, w) && !slices.Contains(c.kind.Never, nameOf(w))
	})
}

func nameOf(way string) string {
	return map[string]string{
		"tip-cutting": "top", "node-cutting": "node", "leaf-cutting": "leaf", "division": "division",
		"rhizome": "division", "stem-section": "section",
	}[way]
}
