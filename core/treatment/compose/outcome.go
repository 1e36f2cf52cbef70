package compose

import (
	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// outcome says how an ending counts: a rosette that ends lives on in its pups.
func (c *composer) outcome() {
	if !c.has(cause.SpentRosette) {
		return
	}
	living := int(max(c.Facts.Pups.Or(0), c.Facts.Plantlets.Or(0)))
	shown := "lives on in its pups"
	if living == 0 {
		shown = "ending; pups may come"
	}
	c.plan.Outcome = &treatment.Outcome{Shown: shown, LivingParts: living}
}
