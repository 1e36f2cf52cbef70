package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// openedIn is over how many days a closed cover that harms is opened (common practice).
const openedIn = 7

// stillAirHarms says whether the still, wet air under a closed cover would harm it.
func (c *composer) stillAirHarms() bool {
	return c.dry || c.kind.Cover == plant.CoverNone || c.any(treatment.LeafDiseases()) ||
		c.has(cause.Edema, cause.BroadMite)
}

// openCover opens by steps from today the closed cover that it was found under, where that harms it: what stands
// there already spreads in it as it would under a new one.
func (c *composer) openCover(list []*sit) []*sit {
	if c.Facts.Cover.Value != facts.ClosedCover || !c.stillAirHarms() || c.piece || c.discard != "" ||
		anyHas(list, treatment.CoverIt, treatment.Wean, treatment.Discard) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{
		do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(openedIn) })),
	})
}
