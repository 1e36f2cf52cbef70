package compose

import (
	"slices"

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

// emptied empties what stands under a pot that was found soaked, where no work on it does.
func (c *composer) emptied(list []*sit) []*sit {
	soaked := c.Facts.Moist.Known && c.moist == facts.Soaked
	if !soaked || c.seat != facts.InPot || c.kind.WaterRule == plant.WetTray || c.piece || c.discard != "" ||
		anyHas(list, treatment.DrainSaucer, treatment.Discard, treatment.Unpot) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{c.drains()})
}

// drainedFirst opens what lets no water out before anything is poured in that day.
func drainedFirst(list []*sit) []*sit {
	for _, s := range list {
		drains := slices.IndexFunc(s.steps, func(x step) bool {
			return x.Op == treatment.DrainSaucer && x.Params.How == tipped
		})
		pours := slices.IndexFunc(s.steps, itsFirstWater)
		if s.dated && pours >= 0 && drains > pours && !has(s.steps, treatment.Unpot) {
			drain := s.steps[drains]
			s.steps = slices.Insert(slices.Delete(slices.Clone(s.steps), drains, drains+1), pours, drain)
		}
	}
	return list
}
