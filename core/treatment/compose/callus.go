package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// insure first saves a piece, where few roots are left and a piece is to be had.
func (c *composer) insure(r rootWork) []step {
	if !r.insure || c.roots >= 1.0/3 || !treatment.TipSet.Has(c.code) || c.thirsty {
		return nil
	}
	if !c.named || !c.propagates("tip", "node", "leaf", "stem") {
		return nil
	}
	switch {
	case c.code == treatment.FC:
		return []step{
			do(
				treatment.Insurance,
				organ("segment"),
				with(func(p *treatment.Params) { p.N, p.How = num(6), "2-3 segments each" }),
			),
		}
	case c.is(treatment.BEG, treatment.GE) && c.propagates("leaf"):
		return []step{do(treatment.Insurance, organ("leaf"), with(func(p *treatment.Params) { p.N = num(2) }))}
	}
	return []step{do(treatment.Insurance, organ("tip"), with(func(p *treatment.Params) { p.N = num(1) }))}
}

// callusDays is how long wounds heal on a tray, by their width.
func (c *composer) callusDays(head bool) int {
	wound := c.ball(false)
	if !c.Facts.RootBallCM.Known {
		wound = 5
	}
	switch {
	case c.code == treatment.RS && head:
		return 5
	case c.code == treatment.TS:
		return 3
	case c.code == treatment.RS:
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
	head := c.is(treatment.RS, treatment.US, treatment.TS, treatment.CA) &&
		(r.head || c.Facts.StemStain.Or(0) > 0 && c.asked(behead))
	live := r.live || c.rotLives
	rr := r
	rr.cut = ""
	sitting := c.unpotting(rr, true)
	sitting = append(sitting, c.cleaning(rr, true)...)
	if head {
		part := "stem"
		if c.code == treatment.CA {
			part = "body"
		}
		sitting = append(sitting, do(treatment.Behead, organ(part)))
		sitting = append(sitting, c.blade())
	}
	days := c.callusDays(head)
	sitting = append(sitting, do(treatment.Callus, with(func(p *treatment.Params) { p.Days = num(float64(days)) })))
	sitting = append(sitting, c.bag()...)
	w, ballCM := c.rescueWidth(head || c.rootless), c.ball(false)
	if own := c.Facts.RootBallCM; !head && !c.rootless && own.Known {
		w = min(w, own.Value+3)
	}
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	if head {
		w, ballCM = 7, 0
		w = min(w, c.Facts.PotWidthCM.Or(w))
	}
	pot := []step{
		c.ready(w, ballCM, false),
		c.potIn(treatment.PotIn, with(func(p *treatment.Params) { p.Dry = true })),
	}
	pot = append(pot, c.labelled()...)
	pot = append(pot, c.scalded(r)...)
	if head {
		pot = append(pot, do(treatment.ShadeIt, share(0.4)))
	} else if !c.growing() {
		pot = append(pot, do(treatment.HoldWater, until(growth)))
	}
	var before []step
	before = append(before, c.blade())
	organOf := "roots"
	if head {
		organOf = "stem"
	}
	wait := max(c.wholeDay(), c.stemDry[0])
	first := max(days+wait, c.dryDay(organOf, live))
	c.place(treatment.CallusSit, nil, before, sitting, []step{do(treatment.HoldFeed, until(growth))})
	water := do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = c.lightML(w) }))
	if c.gated {
		c.draft.then(gate.Gate{gate.DaysSince(facts.OnATray, days)}, pot...)
		c.draft.then(gate.Gate{gate.DaysSince(facts.Potted, wait), gate.See(gate.Nudge)}, water)
		return
	}
	c.draft.sit(treatment.CallusSit, c.sat+days, rankRoot, pot...)
	waits := gate.Gate{gate.OnDay(c.sat + first), gate.See(gate.Nudge)}
	if !c.growing() {
		waits = gate.Gate{gate.In(gate.Spring()...), gate.See(gate.Growth), gate.OnDay(c.sat + first)}
	}
	if c.firstRoots() {
		waits = c.ownRoots()
	}
	if c.Choices.Succulent == "at roots" {
		waits = gate.Gate{gate.OnDay(c.sat + first), gate.Count(gate.NewRoot, 0, 1)}
	}
	c.draft.hold("", waits, "", water)
	c.draft.at(c.sat+days+7, rankLook, do(treatment.Look, every(7, toDay(c.sat+days+28))))
	if r.daily > 7 {
		c.draft.at(c.sat+1, rankLook, do(treatment.Look, every(1, toDay(c.sat+r.daily))))
	}
}
