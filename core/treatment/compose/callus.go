package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// insure first saves a piece, where few roots are left and a piece is to be had.
func (c *composer) insure(r rootWork) []step {
	if !r.insure || c.roots >= 1.0/3 || !treatment.TipSet().Has(c.habitID) || c.thirsty {
		return nil
	}
	if !c.named || !c.propagates("tip", "node", "leaf", "stem") {
		return nil
	}
	switch {
	case c.habitID == treatment.ForestCactus:
		return []step{
			do(
				treatment.Insurance,
				organ(treatment.OnSegment),
				with(func(p *treatment.Params) { p.N, p.How = num(6), "2-3 segments each" }),
			),
		}
	case c.is(treatment.Begonia, treatment.Gesneriad) && c.propagates("leaf"):
		return []step{do(treatment.Insurance, organ(treatment.OnLeaf), with(func(p *treatment.Params) { p.N = num(2) }))}
	}
	return []step{do(treatment.Insurance, organ(treatment.OnTip), with(func(p *treatment.Params) { p.N = num(1) }))}
}

// callusDays is how long wounds heal on a tray, by their width.
func (c *composer) callusDays(head bool) int {
	wound := c.ball(false)
	if !c.Facts.RootBallCM.Known {
		wound = 5
	}
	switch {
	case c.habitID == treatment.SucculentRosette && head:
		return 5
	case c.habitID == treatment.TrailingSucculent:
		return 3
	case c.habitID == treatment.SucculentRosette:
		return 7
	case wound <= 2:
		return 7
	case wound <= 5:
		return 10
	}
	return 14
}

// callusSitting is CALLUS: bare on a tray until skins have grown, then potted
// dry, then watered when it holds.
func (c *composer) callusSitting(r rootWork) {
	behead, _ := treatment.OperatorByID(treatment.Behead)
	head := c.is(treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent, treatment.Cactus) &&
		(r.head || c.Facts.StemStain.Or(0) > 0 && c.asked(behead))
	days := c.callusDays(head)
	sitting := c.bared(r, head, days)
	w, ballCM := c.callusPot(head)
	pot := c.dryPotting(r, head, w, ballCM)
	organOf := treatment.OnRoots
	if head {
		organOf = treatment.OnStem
	}
	wait := max(c.wholeDay(), c.stemDry[0])
	first := max(days+wait, c.dryDay(organOf, r.live || c.rotLives))
	c.place(treatment.CallusSit, nil, []step{c.blade()}, sitting, []step{do(treatment.HoldFeed, until(growth))})
	water := do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = c.lightML(w) }))
	if c.gated {
		c.draft.then(gate.Gate{gate.DaysSince(facts.OnATray, days)}, pot...)
		c.draft.then(gate.Gate{gate.DaysSince(facts.Potted, wait), gate.See(gate.Nudge)}, water)
		return
	}
	c.draft.sit(treatment.CallusSit, c.sat+days, rankRoot, pot...)
	c.draft.hold("", c.drinksAgain(first), "", water)
	c.draft.at(c.sat+days+7, rankLook, do(treatment.Look, every(7, toDay(c.sat+days+28))))
	if r.daily > 7 {
		c.draft.at(c.sat+1, rankLook, do(treatment.Look, every(1, toDay(c.sat+r.daily))))
	}
}

// bared takes it out, cleans it and lays it on the tray, its head off where the
// stem is lost.
func (c *composer) bared(r rootWork, head bool, days int) []step {
	r.cut = ""
	sitting := append(c.unpotting(r, true), c.cleaning(r, true)...)
	if head {
		part := treatment.OnStem
		if c.habitID == treatment.Cactus {
			part = treatment.OnBody
		}
		sitting = append(sitting, do(treatment.Behead, organ(part)), c.blade())
	}
	sitting = append(sitting, do(treatment.Callus, with(func(p *treatment.Params) { p.Days = num(float64(days)) })))
	return append(sitting, c.bag()...)
}

// callusPot is the width of the pot it comes into and of what is set in it.
func (c *composer) callusPot(head bool) (w, ballCM float64) {
	if head {
		return min(7, c.Facts.PotWidthCM.Or(7)), 0
	}
	w = c.rescueWidth(c.rootless)
	if own := c.Facts.RootBallCM; !c.rootless && own.Known {
		w = min(w, own.Value+3)
	}
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	return w, c.ball(false)
}

// dryPotting sets it in dry mix when its skins have grown.
func (c *composer) dryPotting(r rootWork, head bool, w, ballCM float64) []step {
	pot := []step{
		c.ready(w, ballCM, false),
		c.potIn(treatment.PotIn, with(func(p *treatment.Params) { p.Dry = true })),
	}
	pot = append(pot, c.labelled()...)
	pot = append(pot, c.scalded(r)...)
	switch {
	case head:
		pot = append(pot, do(treatment.ShadeIt, share(0.4)))
	case !c.growing():
		pot = append(pot, do(treatment.HoldWater, until(growth)))
	}
	return pot
}

// drinksAgain is what its first water waits for.
func (c *composer) drinksAgain(first int) gate.Gate {
	switch {
	case c.Choices.Succulent == treatment.SideAtRoots:
		return gate.Gate{gate.OnDay(c.sat + first), gate.Count(gate.NewRoot, 0, 1)}
	case c.firstRoots():
		return c.ownRoots()
	case !c.growing():
		return gate.Gate{gate.In(gate.Spring()...), gate.See(gate.Growth), gate.OnDay(c.sat + first)}
	}
	return gate.Gate{gate.OnDay(c.sat + first), gate.See(gate.Nudge)}
}
