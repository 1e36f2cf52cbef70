package compose

import (
	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// broughtInRange brings to a warmth that its kind bears what was measured to stand outside it, where the
// plan says nothing of warmth: whatever else ails it, it does not mend there (common practice).
func (c *composer) broughtInRange(list []*sit) []*sit {
	low, high := c.kind.Temperature[0], c.kind.Temperature[2]
	warm := c.Facts.Place.WarmthC
	outside := warm.Value > high || warm.Value < low && !c.resting()
	if !c.named || !warm.Known || !outside || c.discard != "" || c.has(cause.ColdInjury, cause.HeatStress) ||
		len(list) == 0 || anyHas(list, treatment.Temper, treatment.Discard) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{c.warmedTo(high)})
}

// warmedTo brings it up to the lower limit of its kind, or down to the most that is borne, °C, by where its
// place is outside them.
func (c *composer) warmedTo(most float64) step {
	to, way := c.kind.Temperature[0], warmerNow
	if c.airC > to {
		to, way = most, coolerNow
	}
	return do(treatment.Temper, how(way), with(func(p *treatment.Params) { p.ToC = num(to) }))
}
