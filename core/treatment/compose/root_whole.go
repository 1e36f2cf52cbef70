package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// wholeSitting is ROOT-WHOLE: the ball stays whole.
func (c *composer) wholeSitting(r rootWork) {
	if c.noBall(r) {
		return
	}
	bound, w := r.bound && !c.rescue(), c.wholeWidth(r)
	if bound && c.potWidth() >= 35 {
		c.largePot()
		return
	}
	ready := []step{c.ready(w, c.ball(true), true)}
	saved := c.savedTips(r)
	sitting := c.wholeSteps(r, w, bound)
	if len(saved) > 0 || c.has(cause.MediumCollapsed) || c.any(treatment.Rots()) || len(c.spreads()) > 0 {
		sitting = append(sitting, c.bag()...)
	}
	after, wean := []step{}, false
	if r.cover != "" {
		after = c.covers(r.cover)
		wean = len(after) > 0
	}
	first := c.wholeFirst(w)
	c.place(treatment.RootWhole, ready, saved, sitting, after)
	days := c.wholeDay()
	if c.has(cause.ColdInjury) {
		days = max(days, 3)
	}
	c.wholeWater(first, days)
	if !c.gated {
		c.afterWhole(days, wean, len(saved) > 0)
	}
}

// noBall leaves the work out where there is no ball in a pot.
func (c *composer) noBall(r rootWork) bool {
	switch {
	case c.untied && r.bound:
		c.leave("pot-up", "it grows in no pot")
		if c.seat == facts.InBasket && c.growing() {
			c.draft.at(14, rankPieces, do(treatment.TopDress))
		}
		c.draft.at(14, rankLook, do(treatment.Look))
	case c.potless():
		c.leave(string(treatment.Unpot), "its kind lives in no pot: it stays as it hangs")
	case c.noMix(), c.seat == facts.Hung, c.seat == facts.OnMount:
		c.leave(string(treatment.Unpot), "it grows in no medium that could be renewed")
	default:
		return false
	}
	c.root, c.sat, c.gated = nil, -1, false
	return true
}

func (c *composer) noMix() bool {
	m, _ := c.mix()
	return m == nil
}

// savedTips are pieces that a jewel gives before its ball is lifted.
func (c *composer) savedTips(r rootWork) []step {
	if !r.tips || c.habitID != treatment.JewelOrchid {
		return nil
	}
	tips := c.howMany(c.cutOf(treatment.TipCut, treatment.OnTip), false)
	nodes := c.howMany(c.cutOf(treatment.NodeBox, treatment.OnNode), false)
	if c.tipsThere() < 2 {
		return nil // the only tip stays
	}
	if len(c.travels()) > 0 {
		c.leave("tip-cut", "what ails it travels with a piece")
		return nil
	}
	beside := with(func(p *treatment.Params) { p.N, p.How = num(tips), "beside the mother" })
	return c.cutting(
		do(treatment.TipCut, organ(treatment.OnTip), beside),
		do(treatment.NodeBox, organ(treatment.OnNode), with(func(p *treatment.Params) { p.N = num(nodes) })),
	)
}

// wholeSteps lift the ball, loosen it where that is borne, and set it again.
func (c *composer) wholeSteps(r rootWork, w float64, bound bool) []step {
	lift := ""
	if c.potWidth() >= 25 {
		lift = "two persons"
	}
	steps := []step{do(treatment.Unpot, with(func(p *treatment.Params) { p.To, p.How = "hand", lift }))}
	switch {
	case c.is(treatment.Palm, treatment.Cycad):
		steps = append(steps, do(treatment.WashOff, how("falls")))
	case c.untied || c.habitID == treatment.Monopodial && c.trait(plant.Brittle):
	default:
		steps = append(steps, do(treatment.Loosen))
	}
	if c.Facts.Plug.Value {
		steps = append(steps, do(treatment.RemovePlug))
	}
	op := treatment.PotIn
	if w > c.Facts.PotWidthCM.Or(w-1) && !r.down && !r.mixOnly && !c.epiphyteCollapse() && c.growing() {
		op = treatment.PotUp
	}
	steps = append(steps, c.potIn(op))
	if !bound || c.Facts.Leans.Value {
		steps = append(steps, c.props(op, r.stake)...)
	}
	return append(steps, c.labelled()...)
}

// wholeFirst is the first water of a ball that was set again.
func (c *composer) wholeFirst(w float64) []step {
	first := c.firstWater(w, c.dry)
	if c.habitID == treatment.Monopodial {
		first = append(first, c.crownDry(treatment.Crown)...)
	}
	return first
}

// wholeWater waters for the first time, some days later.
func (c *composer) wholeWater(first []step, days int) {
	if c.firstRoots() {
		c.draft.gate(c.ownRoots(), do(treatment.FirstWater, how("quarter"), share(0.25)))
		return
	}
	rank := rankPieces
	if days == 0 {
		rank = rankWater
	}
	c.following(days, rank, first...)
}

// afterWhole looks after it from the sitting on.
func (c *composer) afterWhole(days int, wean, saved bool) {
	c.draft.at(c.sat+14, rankLook, do(treatment.Look))
	if !c.firstRoots() && !c.asleep() {
		c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, water(c.betterWater())))
	}
	if wean {
		c.weaning(steady)
	}
	if saved {
		c.boxLater(c.sat)
	}
	if c.habitID == treatment.Carnivore {
		return
	}
	v := 0.5
	if c.rescue() {
		v = 0.25
	}
	part := gate.OneOf(gate.See(gate.NewLeaf), gate.See(gate.Tip))
	if c.is(treatment.GiantHerb, treatment.Palm) {
		part = gate.See(gate.NewSpear)
	}
	c.draft.gate(gate.Gate{gate.DaysSince(facts.SatRoots, 28), part, gate.Alive(0.25)}, do(treatment.FeedIt, share(v)))
}

func (c *composer) epiphyteCollapse() bool { return c.epiphyte && c.has(cause.MediumCollapsed) }

// largePot renews what it can of a pot too large to go up: the ball is shaved
// where the habit bears it and it grows, else the top is renewed.
func (c *composer) largePot() {
	if !c.is(treatment.Woody, treatment.GiantHerb, treatment.HerbClump, treatment.CaneFoliage) || !c.growing() {
		steps := []step{do(treatment.TopDress)}
		c.place("", nil, nil, steps, nil)
		return
	}
	w := c.potWidth()
	sitting := []step{do(treatment.Unpot, with(func(p *treatment.Params) { p.To, p.How = "hand", "two persons" })),
		do(treatment.RootPrune, organ(treatment.OnRoots))}
	sitting = append(sitting, c.labelled()...)
	sitting = append(sitting, c.bag()...)
	var before []step
	before = append(before, c.blade())
	c.place(treatment.RootWhole, []step{c.ready(w, c.ball(true), true)}, before, sitting, nil)
	c.following(c.dryDay("roots", false), rankWater, c.firstWater(w, false)...)
	if !c.gated {
		c.draft.at(c.sat+14, rankLook, do(treatment.Look))
		c.draft.at(c.sat+max(7, c.dryDay("roots", false)+4), rankLook+1, do(treatment.ByRule))
	}
}

// restFirst strips and rests an orchid, and repots it when roots show on new
// growth.
func (c *composer) restFirst() {
	c.draft.at(0, rankAfter, do(treatment.ShadeIt, share(0.5)), do(treatment.HoldFeed, until(growth)))
	if !c.firstRoots() && !c.thirsty && !c.asleep() && !c.livesInWater() {
		c.draft.at(0, rankWater, do(treatment.ByRule, how("sparingly")))
	}
	c.draft.at(7, rankAfter, do(treatment.Supplement, what("weak tonic"), every(14, growth)))
	c.draft.at(7, rankLook, do(treatment.Look, every(14, growth), note("does anything grow, and are there pests?")))
	if c.root != nil || c.untied || c.livesInWater() {
		return // its own root sitting waits for those roots, or they are looked after in its glass
	}
	if c.rotLives && c.has(cause.Fusarium, cause.BaseRot, cause.BlackRot) {
		c.leave(string(treatment.Unpot), rotStillOpen)
		return
	}
	school := c.school
	c.school = treatment.OwnMix
	r := rootWork{kind: washRoots}
	w := c.rescueWidth(c.rootless)
	if c.bound() {
		w = c.boundWidth()
	}
	steps := []step{c.ranged(c.ready(w, c.ball(false), false)), c.blade()}
	r = c.dividedIf(r)
	steps = append(steps, c.unpotting(r, false)...)
	steps = append(steps, c.cleaning(r, false)...)
	steps = append(append(steps, c.potIn(treatment.PotIn)), c.props(treatment.PotIn, true)...)
	steps = append(steps, c.labelled()...)
	steps = append(steps, c.bag()...)
	if c.habitID == treatment.Monopodial {
		steps = append(steps, c.crownDry(treatment.Crown)...)
	}
	c.draft.hold(treatment.RootWash, onNewRoot, "", steps...)
	switch {
	case c.kind.RootsFirstCM > 0:
		c.draft.hold("", c.ownRoots(), "", do(treatment.FirstWater, how("quarter"), share(0.25)))
	default:
		c.draft.then(daysLater(max(1, c.dryDay("", false))), do(treatment.FirstWater, how("through")))
	}
	c.school = school
}
