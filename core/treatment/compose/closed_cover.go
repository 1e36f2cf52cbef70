package compose

import (
	"slices"

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
		pours := slices.IndexFunc(s.steps, func(x step) bool { return x.Op == treatment.FirstWater && x.Params.For == "" })
		if s.dated && pours >= 0 && drains > pours && !has(s.steps, treatment.Unpot) {
			drain := s.steps[drains]
			s.steps = slices.Insert(slices.Delete(slices.Clone(s.steps), drains, drains+1), pours, drain)
		}
	}
	return list
}
