package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// tipped is how water leaves a pot that has no hole.
const tipped = "tip"

// drains empties what stands under its present pot, or in it.
func (c *composer) drains() step {
	if c.has(cause.NoDrainage) || c.noHole() {
		return do(treatment.DrainSaucer, how(tipped))
	}
	return do(treatment.DrainSaucer)
}

// leavesItsWater says whether what stood over water goes into a pot today.
func (c *composer) leavesItsWater() bool {
	return (c.root != nil || c.change) && c.sat == 0 && !c.gated || c.top || c.neck || c.pieces != nil
}

// emptyDish pours away what stands under a pot, or in one without a way out.
func (c *composer) emptyDish() {
	blocked := c.has(cause.NoDrainage) && !(c.root != nil && c.sat == 0) // what waits is drained meanwhile
	if (c.Facts.Standing.Value || blocked) && c.kind.WaterRule != plant.WetTray && !c.untied &&
		(!among(c.seat, facts.InCup, facts.InDish, facts.InJar) || c.leavesItsWater()) {
		c.draft.at(0, rankAfter, c.drains())
	}
}
