package compose

import (
	"tendermend/core/agenda"
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// insure first saves a piece, where few roots are left and a piece is to be had.
func (c *composer) insure(r rootWork) []step {
	if !r.insure || c.roots >= 1.0/3 || !c.insurable() {
		return nil
	}
	if !c.named || !c.propagates("tip", "node", "leaf", "stem") {
		return nil
	}
	w := cutWay{treatment.Insurance, treatment.OnTip, 1}
	switch {
	case c.habitID == treatment.ForestCactus:
		w.organ, w.most = treatment.OnSegment, 6
	case c.is(treatment.Begonia, treatment.Gesneriad) && c.propagates("leaf"):
		w.organ, w.most = treatment.OnLeaf, 2
	case c.tipsThere() < 2 && !(c.branches && c.Facts.Nodes.Or(0) >= 5):
		return nil // the only growing point is no insurance
	}
	saved := []step{do(w.op, organ(w.organ), with(func(p *treatment.Params) { p.N = num(c.howMany(w, false)) }))}
	if days, _ := c.pieceDries(); days > 0 {
		saved = append(saved, do(treatment.Callus, organ(treatment.OnPieces), with(func(p *treatment.Params) {
			p.Days, p.For = num(float64(days)), treatment.ForPieces
		})))
	}
	return saved
}

// insurable says whether a piece of it would be saved: not where it is only treated like rot, where what
// ails it travels with a piece, or where it is one itself.
func (c *composer) insurable() bool {
	op, _ := treatment.OperatorByID(treatment.Insurance)
	return c.asked(op) && treatment.TipSet().Has(c.habitID) && !c.thirsty && !c.piece && len(c.travels()) == 0
}

// insuredHome gives the saved piece its own pot, and follows it.
func (c *composer) insuredHome() {
	days, _ := c.pieceDries()
	home := append(c.piecesPotted(), c.pieceCover()...)
	c.following(days, rankBlade+1, home...)
	piece := c.thing(agenda.Cutting, pieceWidth)
	if c.dry {
		c.following(days+agenda.FallbackFrom, rankWater, c.fallback(agenda.Cutting, rooted))
	} else {
		c.following(days+1, rankPieces, c.pieceWater())
		c.following(days+1+agenda.WaterOf(piece).Every, rankWater, wateredThing(piece, rooted))
	}
	if !c.gated {
		c.boxLater(c.sat + days)
		return
	}
	c.draft.then(daysLater(14), do(treatment.BoxTally))
}

// basal says whether it grows from a bulb or a tuber, whose cut base heals dry for a week
// before it is set, and a week before it is watered.
func (c *composer) basal() bool { return c.habitID == treatment.BulbPlant || c.tuberous() }

// soft are bulbs that are never long dry.
var soft = []string{
	"zantedeschia-aethiopica", "clivia-miniata", "eucharis-amazonica", "begonia-tuberhybrida", "lilium-hybrid",
}

// basalDays is how long the cut base of a bulb or tuber lies dry, and how long after its
// setting the first water comes (growers' practice).
func (c *composer) basalDays() (dry, water int) {
	switch {
	case among(c.kind.ID, soft...):
		return 3, 7
	case c.kind.ID == "zamioculcas-zamiifolia":
		return 10, 14
	}
	return 7, 7
}

// callusDays is how long wounds heal on a tray, by their width.
func (c *composer) callusDays(head bool) int {
	if c.basal() {
		days, _ := c.basalDays()
		if c.habitID == treatment.BulbPlant && !c.has(cause.BaseRot, cause.BlackRot, cause.Fusarium) {
			return 2 // only roots were cut
		}
		return days
	}
	wound := c.ball(false)
	if !c.Facts.RootBallCM.Known {
		wound = 5
	}
	switch {
	case c.habitID == treatment.SucculentRosette && head:
		if d := c.kind.CutDryDays; d != nil {
			return max(5, d[0])
		}
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
	organOf := treatment.OnRoots
	if head {
		organOf = treatment.OnStem
	}
	wait := max(c.wholeDay(), c.stemDry[0])
	switch {
	case c.basal():
		_, wait = c.basalDays()
	case head:
		wait = max(wait, 14) // a head without roots
	}
	first := max(days+wait, c.dryDay(organOf, r.live || c.rotLives))
	c.place(treatment.CallusSit, nil, []step{c.blade()}, sitting, []step{do(treatment.HoldFeed, until(growth))})
	water := do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = num(20) }))
	drinks := c.drinksAgain(first)
	if c.gated {
		drinks = gate.Gate{gate.DaysSince(facts.Potted, wait), gate.See(gate.Nudge)}
	}
	pot := c.dryPotting(r, head, w, ballCM, drinks)
	if c.gated {
		c.draft.then(gate.Gate{gate.DaysSince(facts.OnATray, days)}, pot...)
		c.draft.then(drinks, water)
		return
	}
	c.draft.sit(treatment.CallusSit, c.sat+days, rankRoot, pot...)
	c.draft.hold("", drinks, "", water)
	c.draft.at(c.sat+days+7, rankLook, do(treatment.Look, every(7, toDay(c.sat+days+28))))
	if r.daily > 7 {
		c.draft.at(c.sat+1, rankLook, do(treatment.Look, every(1, toDay(c.sat+r.daily))))
	}
	c.lookedAtDry(head, c.sat+days+28)
}

// lookedAtDry looks every two weeks at what stands in dry mix until it grows, from the day on which it is last looked
// at for its work: months may pass, and nobody looked (common practice).
func (c *composer) lookedAtDry(head bool, last int) {
	if head || c.growing() || c.has(cause.Dormancy) || c.quietDays() > 0 { // marks are looked for as long
		return
	}
	then := "Where it folds, and its mix is dry, it gets 20 ml round the rim"
	if c.is(treatment.Cactus, treatment.BulbPlant) {
		then = "That it shrinks a little is its rest"
	}
	c.draft.at(last+14, rankLook, do(treatment.Look, every(14, growth),
		note("is it firm? Soft means rot: work on it that day. "+then)))
}

// bared takes it out, cleans it and lays it on the tray, its head off where the
// stem is lost.
func (c *composer) bared(r rootWork, head bool, days int) []step {
	if !c.basal() {
		r.cut = ""
	}
	if r.part {
		c.leave(string(treatment.PartIt), "its cuts heal on a tray first: it is divided at its next repotting")
		r.part = false
	}
	sitting := append(c.unpotting(r, true), c.cleaning(r, true)...)
	if r.cut != "" && !has(sitting, treatment.DustCut) {
		sitting = append(sitting, do(treatment.DustCut, organ(r.cut)))
	}
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
	if c.bound() {
		w = c.boundWidth()
	}
	return w, c.ball(false)
}

// dryPotting sets it in dry mix when its skins have grown; a bulb or a tuber, and what does not grow then, gets no
// water before it drinks again.
func (c *composer) dryPotting(r rootWork, head bool, w, ballCM float64, drinks gate.Gate) []step {
	laid := c.ready(w, ballCM, false)
	if !head {
		laid = c.ranged(laid)
	}
	pot := []step{
		laid,
		c.potIn(treatment.PotIn, with(func(p *treatment.Params) { p.Dry = true })),
	}
	pot = append(pot, c.labelled()...)
	pot = append(pot, c.scalded(r)...)
	switch {
	case head:
		pot = append(pot, do(treatment.ShadeIt, share(0.4)))
	case !c.growing():
		pot = append(pot, do(treatment.HoldWater, until(growth)))
	case c.basal():
		pot = append(pot, do(treatment.HoldWater, until(drinks)))
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
