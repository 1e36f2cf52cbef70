package compose

import (
	"slices"

	"tendermend/core/agenda"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// offsetLater parts an offset when it is ripe.
func (c *composer) offsetLater(way string) {
	organName, waits := treatment.OnOffset, gate.Gate{gate.See(gate.GrownOffset)}
	if way == "keiki" || c.orchid {
		organName, waits = treatment.OnKeiki, gate.Gate{gate.Count(gate.OffsetRoot, 3, 7.5)}
	}
	c.draft.at(14, rankLook, do(treatment.Look, every(14, waits),
		note("is there an offset or plantlet, with roots of its own?")))
	c.partOffset(do(treatment.TakeOffset, organ(organName)), waits)
}

// partOffset parts an offset when its gate opens, gives it a home, and looks after it.
func (c *composer) partOffset(cut step, waits gate.Gate) {
	c.draft.hold(treatment.PiecesSit, waits, "", c.setOff(cut)...)
	c.followOffset()
}

// setOff cuts off what has roots of its own and gives it a home, which is laid out before.
func (c *composer) setOff(cut step) []step {
	home := c.pieceHome()
	laid := 0
	if home[0].Op == treatment.ReadyPot {
		laid = 1
	}
	return slices.Concat(home[:laid], c.cutting(cut), home[laid:])
}

// piecesNextDay waters what was parted and potted a day later, where the mother is given none that day: nobody mistakes
// the one for the other, and the cut closes overnight.
func (c *composer) piecesNextDay(list []*sit) []*sit {
	pieces := func(x step) bool { return x.Op == treatment.FirstWater && x.Params.For != "" }
	return c.nextDay(list, pieces, itsHold)
}

// followOffset waters what is set dry when it holds, and looks at it a fortnight later.
func (c *composer) followOffset() {
	if c.dry && c.habitID != treatment.AirPlant {
		c.draft.then(daysLater(14), do(treatment.Look, note("does the young plant resist a gentle nudge?")), c.pieceWater())
		c.rootedLater()
		return
	}
	c.rootedLater()
}

// rootedLater waters what has roots of its own, and looks at it, from some days after a sitting that waits.
func (c *composer) rootedLater() {
	own := c.thing(agenda.Rooted, pieceWidth)
	c.draft.then(daysLater(agenda.WaterOf(own).Every), wateredThing(own, nil),
		do(treatment.Look, every(3, forDays(12)), note("does the young plant hold and grow?")))
}

// offsetNow parts it today.
func (c *composer) offsetNow(cut step) {
	c.draft.sit(treatment.PiecesSit, 0, rankPieces, c.setOff(cut)...)
	c.draft.at(14, rankLook, do(treatment.Look, note("does the young plant resist a gentle nudge?")))
	if c.dry && c.habitID != treatment.AirPlant {
		c.draft.at(14, rankLook+1, c.pieceWater())
	}
	own := c.thing(agenda.Rooted, pieceWidth)
	first := b2n(c.dry && c.habitID != treatment.AirPlant) * 14
	c.draft.at(first+agenda.WaterOf(own).Every, rankWater, wateredThing(own, nil))
}

// mayOffset says whether its kind makes offsets or plantlets that are taken.
func (x *subject) mayOffset() bool {
	if !x.named || len(x.kind.Propagation) == 0 || among("offset", x.kind.Propagation...) ||
		among("keiki", x.kind.Propagation...) {
		return true
	}
	return x.is(treatment.Monopodial, treatment.Sympodial, treatment.WinterDeciduous, treatment.AroidClump,
		treatment.HerbClump, treatment.GiantHerb, treatment.Fern, treatment.Cycad, treatment.Bromeliad,
		treatment.AirPlant, treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent,
		treatment.Cactus, treatment.Gesneriad, treatment.BulbPlant)
}

// mayPart says whether its kind is divided.
func (x *subject) mayPart() bool {
	if !x.named || len(x.kind.Propagation) == 0 {
		return true
	}
	if among("division", x.kind.Propagation...) || among("rhizome", x.kind.Propagation...) {
		return true
	}
	row := x.is(treatment.Sympodial, treatment.WinterDeciduous, treatment.JewelOrchid, treatment.AroidClump,
		treatment.Rhizomatous, treatment.HerbClump, treatment.GiantHerb, treatment.Fern, treatment.AirPlant,
		treatment.Gesneriad, treatment.BulbPlant, treatment.Carnivore)
	return row && !slices.Contains(x.kind.Never, "division")
}
