package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// livesInWater says whether it grows in a glass of water and is to stay there: nobody wishes it elsewhere, and its
// roots grew for water.
func (c *composer) livesInWater() bool {
	return c.seat == facts.InJar && c.Wish == "" && !c.has(cause.WaterRoots) && c.habitID != treatment.AirPlant
}

// rootsSeen is how the roots of what grows in a glass are looked after: they are seen through it (common practice).
const rootsSeen = "are any of its roots brown and soft? Cut those off with a clean blade, back to what is firm, and " +
	"rinse the rest under lukewarm water; wash the glass and what lies in it"

// keptInGlass looks after the roots of what grows in a glass of water where they are, and changes that water.
func (c *composer) keptInGlass() {
	if !c.livesInWater() || c.root == nil && !c.change {
		return
	}
	c.root, c.change = nil, false
	c.leave(string(treatment.Unpot), "it grows in a glass of water: its roots are looked after there, and it is not "+
		"potted")
	c.draft.at(0, rankRoot, do(treatment.Look, note(rootsSeen)))
	c.waterChanged(c.betterWater())
}

// waterChanged changes the water of a glass for four weeks (common practice), once whatever asks for it.
func (c *composer) waterChanged(kind treatment.Water) {
	if !c.freshWater {
		c.draft.at(0, rankRoot+1, do(treatment.ChangeWater, every(3, toDay(28)), water(kind)))
	}
	c.freshWater = true
}
