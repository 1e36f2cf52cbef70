package compose

import (
	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// release sets predators on the pest: one wash, a week, then no product.
func (c *composer) release(k clock) {
	c.spraySit(0, c.washing(false))
	const first, again = 7, 21
	c.draft.at(first, rankSpray, do(treatment.Predators))
	c.draft.at(
		first+again,
		rankSpray,
		do(treatment.Predators, with(func(p *treatment.Params) { p.Cond = "prey lives" })),
	)
	c.draft.at(
		first+7,
		rankLook,
		do(treatment.Look, every(7, toDay(max(first+35, first+again+k.clear)))),
	)
}

// dabbing kills single insects every third day.
func (c *composer) dabbing(list []cause.ID, start int, k clock) {
	c.spraySit(0, c.washing(shielded(list)))
	for i, x := range c.dabs(k, start) {
		c.draft.sit(treatment.SpraySit, start+i*dabDays, rankSpray+1, x)
	}
	last := start + c.dabbed(k)
	from := last + 3
	step1 := 10
	n := (max(last+k.clear, from+2*step1) - from + step1 - 1) / step1
	c.draft.at(
		from,
		rankLook,
		do(treatment.Look, every(step1, toDay(from+n*step1)), note(anyLeft)),
	)
}

const (
	dabDays     = 3  // days between two dabs (common practice)
	leastDabbed = 28 // days for which it is dabbed at least (common practice)
)

// dabbed is how many days after the first dab the last one comes, in whole steps.
func (c *composer) dabbed(k clock) int {
	return (max(k.treated, leastDabbed) + dabDays - 1) / dabDays * dabDays
}

// dabs are the first dab, on one leaf as a trial, and those that follow it.
func (c *composer) dabs(k clock, start int) []step {
	end := c.ending(start + c.dabbed(k))
	dab := func(where string, opts ...option) step {
		opts = append(opts, with(func(p *treatment.Params) { p.Conc, p.Where = num(0.7), where }))
		return do(treatment.Alcohol, opts...)
	}
	return []step{dab("a leaf tried first"), dab("every joint and rim", every(dabDays, end))}
}

const beesOrFood = "bees or food could meet it"

// meetsBees says whether bees, or somebody who eats of it, could meet what it
// takes up.
func (x *subject) meetsBees() bool {
	return x.Facts.Household.Pollinators || x.Facts.Household.Edible || x.trait(plant.Edible) ||
		x.Facts.Place.Outdoors.Value && x.Facts.Spikes.Or(0) > 0
}

// takesSystemic says whether it could take a systemic product up from its medium.
func (c *composer) takesSystemic() bool {
	return !c.meetsBees() && !c.untied && c.habitID != treatment.AirPlant && c.roots >= 0.25 && !c.thirsty &&
		c.root == nil && !c.change && c.pieces == nil && !c.firstRoots() && !c.asleep() && !c.any(treatment.Rots())
}

// systemicDays is how long one dose goes on (common practice; its label decides).
const systemicDays = 28

// drenching gives a systemic product into moist medium, by its label, after one
// wash, and again as long as it takes.
func (c *composer) drenching(list []cause.ID, start int, k clock) {
	c.spraySit(0, c.washing(shielded(list)))
	last := start + 1
	for day := last; ; day += systemicDays {
		moist := do(treatment.ByRule, what(beforeProduct))
		c.draft.at(day, rankRoot, moist, do(treatment.Systemic, with(func(p *treatment.Params) {
			p.Class, p.DoseTyped = "insect", true
		})))
		last = day + systemicDays
		if last >= start+1+k.treated {
			break
		}
	}
	c.draft.at(start+8, rankLook, do(treatment.Look, every(7, toDay(last))))
	c.lookAfter(list, last, k)
}

// dipping is the warm bath against mites that hide in tips.
func (c *composer) dipping(k clock) {
	warm := 43.5
	if own := c.Choices.DipC; own.Known {
		warm = own.Value
		if warm < 43 || warm > 44 {
			c.leave("hot-dip", "only 43 to 44 °C kills the mites and spares the plant")
			warm = 43.5
		}
	}
	for _, day := range []int{0, k.interval, 2 * k.interval} {
		steps := []step{
			do(treatment.HotDip, with(func(p *treatment.Params) { p.WaterC, p.Minutes = num(warm), num(15) })),
		}
		c.spraySit(day, append(steps, c.dried()...))
	}
	c.lookAfter([]cause.ID{cause.BroadMite}, 2*k.interval, k)
}
