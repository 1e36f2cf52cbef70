package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
)

// overReservoir says whether it stands over a reservoir, and the plan leaves it there.
func (c *composer) overReservoir() bool {
	return c.seat == facts.InReservoir && !c.rootsWorked()
}

// runDry says whether it stands over a reservoir and was found due or drier, and may drink: its reservoir has long been
// empty, and a medium that dried draws no water up by itself (common practice).
func (c *composer) runDry() bool {
	rots := c.rotLives || c.rotUnaccepted()
	return c.overReservoir() && c.feltDue() && c.rootsMayLive() && !rots && c.mayDrink() && !c.piece &&
		!c.has(cause.NoDrainage, cause.Overwatering, cause.ColdInjury) && c.kind.WaterRule != plant.WetTray
}

// refilled is how a reservoir is filled (handbook, amounts: no higher than a quarter of the pot, a day after it is
// empty).
func (w saying) refilled() string {
	high, with, when := "to a quarter of the pot's height at most", "", "a day after you find it empty"
	if w.Params.How != "" {
		high = "half as high as usual"
	}
	if w.Params.Water != "" {
		with = ", with " + waterKind(w)
	}
	if w.dryKind() {
		when = "only when its medium is dry through"
	}
	return "Fill its reservoir again " + when + ", " + high + with + "."
}

// reservoirDrained pours a reservoir out (handbook, emptying a saucer: a reservoir is left empty for two days).
const reservoirDrained = "Pour its reservoir out, and leave it empty for two days."

// drawsAgain waters from above what ran dry over its reservoir.
const drawsAgain = "Its reservoir has run dry: water it through from above now, so that its medium draws again."
