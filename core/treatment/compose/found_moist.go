package compose

import (
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// heldWhileWet gives no water to what was found wet, where the plan says nothing of water: what
// stands wet dries first, whatever else ails it (common practice).
func (c *composer) heldWhileWet(list []*sit) []*sit {
	wet := c.Facts.Moist.Known && c.drownedNow()
	if !wet || neverDries(c.subject) || c.seat != facts.InPot || c.untied || c.resting() || c.piece ||
		c.is(treatment.AirPlant, treatment.Bromeliad) || anyHas(list, waters...) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.HoldWater, until(due))})
}

// wateredWhileDry waters today what was found bone dry and stands firm, where the plan says
// nothing of water and nothing is sprayed: what is dry through drinks, whatever else ails it
// (common practice).
func (c *composer) wateredWhileDry(list []*sit) []*sit {
	bone := c.Facts.Moist.Known && c.moist == facts.Bone && !c.limp
	if !bone || c.dry || c.seat != facts.InPot || c.untied || c.resting() || c.piece || c.rotLives ||
		c.is(treatment.AirPlant, treatment.Bromeliad, treatment.WinterDeciduous) ||
		anyHas(list, waters...) || anyHas(list, sprays...) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.ByRule, water(c.betterWater()))})
}

// waters are the steps that say when it drinks, or that wet its medium.
var waters = []treatment.OperatorID{
	treatment.ByRule, treatment.HoldWater, treatment.BottomWater, treatment.Flush, treatment.FirstWater, treatment.Soak,
	treatment.WetRoots, treatment.ChangeWater, treatment.Routine, treatment.Discard, treatment.CupFill,
	treatment.DryTop, treatment.Unpot, treatment.Callus, treatment.Behead, treatment.NodeBox, treatment.Larvicide,
	treatment.Nematodes, treatment.Systemic, treatment.PotIn, treatment.SetCup, treatment.Peroxide,
}
