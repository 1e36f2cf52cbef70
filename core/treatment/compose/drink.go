package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// rotsBelow says whether rot lives in roots, base or bulb: it is cut before a
// thirsty plant drinks.
func (x *subject) rotsBelow() bool {
	return x.rotLives && x.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
}

// drinks is the day on which a thirsty plant drinks: at once, the day after rotten leaves
// are off, or, where it is said to have had too much, when it was smelled and felt below, or
// when the first days after cold are over.
func (x *subject) drinks() int {
	switch {
	case x.has(cause.ColdInjury):
		return chilledDays
	case x.rotLives, x.has(cause.Overwatering) && x.moist != facts.Bone:
		return 1
	}
	return 0
}

// drinksOtherwise says whether something else says when what is thirsty drinks.
func (c *composer) drinksOtherwise() bool {
	return c.rotsBelow() || c.has(cause.Drought, cause.MediumRepels) ||
		c.root != nil && c.rootsCountedDead() && c.habitID != treatment.Bromeliad || // nothing in there can drink
		c.resting() && neverRests(c.subject) && c.root == nil && !c.change || // it is watered as its kind has it, at once
		c.pieces != nil && c.piece && !c.change || c.top && c.severed // which has left its pot
}

// drink soaks what is thirsty and has no recipe of its own for it; at rest a
// dry kind is only looked at, and others get a little by their rule.
func (c *composer) drink() {
	if !c.thirsty || c.drinksOtherwise() {
		return
	}
	switch {
	case restingDry(c.subject) || c.asleep():
		c.add(plain{day: 3, step: do(treatment.Look, every(7, growth), note("it rests, so nothing else is done"))})
	case c.resting() && !neverRests(c.subject):
		c.add(plain{day: 0, step: do(treatment.ByRule, what("a little: it rests"))})
	case c.has(cause.NoDrainage) || c.sealed(): // what is poured in does not come out again
		c.add(plain{day: 0, step: do(treatment.FirstWater, how("light"))})
	case c.habitID == treatment.Bromeliad:
		c.add(plain{day: 0, step: do(treatment.CupFill, share(0.25), water("low-mineral"))})
		c.add(plain{day: 0, step: do(treatment.FirstWater, how("light"))})
	case c.habitID == treatment.AirPlant:
		c.airSoaks()
	case c.untied:
		c.add(plain{day: c.drinks(), step: do(treatment.Soak, how("dip"))})
		c.add(plain{day: 1, // bare roots dry out in a day, after cold too
			step: do(treatment.WetRoots, every(1, gate.Gate{gate.FirmFor(7)}))})
	default:
		c.add(plain{day: c.drinks(), step: do(treatment.Soak)})
	}
}

// airSoaks soaks an air plant that is thirsty, every third day five times, then weekly,
// each time shaken and dried upside down.
func (c *composer) airSoaks() { soaksOfAir(c.orders, "") }

// soaksOfAir is that item of a recipe. One with a hollow base is only dipped, and drained
// head down.
func soaksOfAir(a *orders, id cause.ID) {
	soak := func(day int, opts ...option) {
		a.add(plain{cause: id, day: day, step: do(treatment.Soak, opts...)})
		dry := do(treatment.CrownDry, opts...)
		dry.Params.Hours, dry.Params.How = treatment.Number{}, "upside down"
		a.add(plain{cause: id, day: day, step: dry})
	}
	d := a.drinks()
	soak(d, with(func(p *treatment.Params) { p.Hours = num(3) }))
	soak(d+3, with(func(p *treatment.Params) { p.Hours = num(0.5) }), every(3, toDay(d+15)))
	soak(d+20, with(func(p *treatment.Params) { p.Hours = num(0.5) }), every(7, toDay(d+62)))
}
