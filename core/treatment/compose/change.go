package compose

import (
	"math"

	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// changeSetup is CHANGE: from any way of growing to another, when tips run.
func (c *composer) changeSetup() {
	r := rootWork{kind: washRoots, daily: 0}
	if c.root != nil {
		r = *c.root
	}
	if r.part {
		c.leave(string(treatment.PartIt), "it changes its seat first: it is divided at its next repotting")
		r.part = false
	}
	set := c.aimedAt()
	c.plan.School = c.school
	if !c.orchid {
		c.plan.School = ""
	}
	sitting := c.unpotting(r, false)
	sitting = append(sitting, c.cleaning(r, false)...)
	place := c.potIn(set.op)
	if set.op == treatment.SetReservoir {
		place = do(set.op, with(func(p *treatment.Params) { p.LevelCM = c.level() }))
	}
	sitting = append(sitting, place)
	sitting = append(sitting, c.props(set.op, false)...)
	sitting = append(sitting, c.labelled()...)
	sitting = append(sitting, c.bag()...)
	if c.habitID == treatment.Monopodial {
		sitting = append(sitting, c.crownDry(treatment.Crown)...)
	}
	ready := set.ready
	if !c.gated && c.sat > 0 && set.op == treatment.SetReservoir { // baked and soaked the day before
		c.draft.at(c.sat-1, rankReady, ready...)
		ready = nil
	}
	var before []step
	before = append(before, c.blade())
	live := c.rotLives && r.live
	c.place(treatment.ChangeSit, ready, before, sitting, nil)
	c.waterAfter(r, set, live, c.afterWash(set))
	c.watchTips(set)
}

// aimedAt is the way of growing that the change leads to.
func (c *composer) aimedAt() setting {
	switch {
	case c.Choices.Aim == treatment.SideMount:
		return setting{
			treatment.Mount,
			[]step{do(treatment.ReadyPot, with(func(p *treatment.Params) { p.Seat = facts.OnMount }))},
			0,
		}
	case c.school == treatment.ClayPot || !c.orchid && c.Choices.Aim == "S5":
		c.school = treatment.ClayPot
		w := math.Floor(min(c.ball(false)+2.5, c.Facts.PotWidthCM.Or(99)))
		if c.bound() {
			w = c.boundWidth()
		}
		return setting{treatment.SetReservoir, []step{do(treatment.BakeGrit), c.ranged(c.clayPot(w))}, w}
	}
	return c.setting()
}

// watchTips looks after the changed plant until its new tips run.
func (c *composer) watchTips(set setting) {
	if c.gated {
		return
	}
	asks := "do root tips grow?"
	if set.op == treatment.SetReservoir {
		asks = "is its reservoir as low as it should be, and do root tips grow?"
	}
	c.draft.at(c.sat+7, rankLook, do(treatment.Look, every(7, tips), note(asks)))
	if set.op == treatment.PotIn || set.op == treatment.WrapMoss {
		c.draft.at(c.sat+max(7, c.dryDay("", false)+4), rankLook+1, do(treatment.ByRule))
	}
	c.feedLater(set.op)
}

func (c *composer) clayPot(w float64) step {
	return c.ready(w, c.ball(false), false, with(func(p *treatment.Params) {
		p.Seat, p.Shape, p.Mix, p.MixFrom, p.MixBy = facts.InReservoir, "usual", schoolMixes[treatment.ClayPot],
			"reservoir", ""
		p.VolumeML = num(math.Round(MixML(w, c.ballIn(w, c.ball(false)), false, "usual")))
	}))
}
