package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// step carries one operator out.
func (c *patient) step(p pose, e *event) pose {
	op, par := e.op, e.p
	pieces := par.For == "pieces" || e.s.Organ == treatment.OnPieces
	p = c.seated(p, e, pieces)
	p = c.wetted(p, e)
	p = c.trimmed(p, e)
	p = filmed(p, e)
	switch op {
	case treatment.ClearMoss:
		p.cleared = true
	case treatment.DrainSaucer:
		p.standing = false
	case treatment.CoverIt:
		p = covered(p, e)
	case treatment.Wean, treatment.Harden:
		p.cover, p.covered = "none", notYet
	case treatment.ShadeIt:
		p.sun, p.shaded = false, e.day
	case treatment.Brighten:
		p.sun = p.sun || par.Sun
	case treatment.Isolate, treatment.KeepApart:
		if par.Recorded == nil || *par.Recorded {
			p.isolated = true
		}
		p.free = false
	case treatment.Release:
		p.isolated, p.free = false, true
	}
	if par.SaucerHours.Or(0) > 1 {
		p.standing = true
	}
	return p
}

// trimmed follows what is cut off: rot, dead roots, leaves.
func (c *patient) trimmed(p pose, e *event) pose {
	rootRot := c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
	if e.op.Does(treatment.Cuts) {
		p.blade = "used"
		if c.infected(e.op) {
			p.blade = "dirty"
		}
		p.slits = c.cut(p.slits, e)
	}
	if e.op == treatment.CleanBlade {
		p.blade = "clean"
	}
	if c.rotGoes(e, rootRot) {
		p.rot = false
	}
	switch e.op {
	case treatment.TrimDead:
		if 1-c.share >= 0.25 {
			p.lost = e.day
		}
	case treatment.RemoveLeaves:
		if !e.p.Mush && !strings.Contains(e.p.What+e.s.Args, "mush") {
			p.stripped = append(slices.Clip(p.stripped), stripped{e.day, c.leafShare(e.p)})
		}
	}
	return p
}

// filmed follows what treats it and what lies on its leaves.
func filmed(p pose, e *event) pose {
	switch e.op {
	case treatment.Predators:
		p.predator = e.day
	case treatment.RinseOff:
		p.residue = ""
	case treatment.Soap, treatment.Oil, treatment.Earth, treatment.LabelDrug, treatment.Systemic, treatment.Alcohol:
		if e.s.Organ != treatment.OnRoots {
			p.residue = e.op
		}
	}
	if e.op.Treats() && e.op != treatment.WashDown {
		p.treated = e.day
	}
	return p
}

func covered(p pose, e *event) pose {
	p.cover = string(e.p.Cover)
	if p.cover == "" {
		p.cover = "closed"
	}
	switch {
	case p.cover == "none":
		p.covered = notYet
	case p.covered == notYet:
		p.covered = e.day
	}
	return p
}

func (c *patient) leafShare(par *treatment.Params) float64 {
	switch {
	case par.Share.Known:
		return par.Share.Value
	case par.N.Known && c.Facts.Leaves.Or(0) > 0:
		return par.N.Value / c.Facts.Leaves.Value
	}
	return 0
}

// cut adds the cut that a step makes.
func (c *patient) cut(list []slit, e *event) []slit {
	s := slit{day: e.day, open: true, wetted: true}
	switch e.op {
	case treatment.TrimDead, treatment.RootPrune:
		s.organ, s.open = "roots", c.roots[0] > 0
	case treatment.CutRot, treatment.Behead:
		s.organ = string(e.s.Organ)
		if s.organ == "" {
			s.organ = "stem"
		}
	case treatment.PartIt:
		s.organ = "rhizome"
	case treatment.TrimBranch:
		s.organ, s.wetted = "stem", false
	default:
		return list
	}
	return append(slices.Clip(list), s)
}

// seated moves the plant: out of its pot, onto a tray, into its new place.
func (c *patient) seated(p pose, e *event, pieces bool) pose {
	switch e.op {
	case treatment.ReadyPot:
		if !pieces {
			p.ready = e.day
		}
	case treatment.Unpot:
		p.seat, p.out, p.outDay, p.lifted, p.standing, p.cleared = facts.InHand, true, e.day, e.day, false, false
		if e.p.To == "tray" {
			p.seat = facts.OnTray
		}
	case treatment.Callus:
		p.seat = facts.OnTray
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			p.slits[i].open, p.slits[i].healed = false, true
		}
	case treatment.DryCut:
		p.slits = slices.Clone(p.slits)
		for i := range p.slits {
			p.slits[i].open = false
		}
		p.wet = 0
	case treatment.Discard:
		p.seat = facts.InBin
	}
	o, _ := treatment.OperatorByID(e.op)
	if pieces || o.Seat == "" || e.op == treatment.Discard {
		return p
	}
	p.seat = o.Seat
	if o.Does.Has(treatment.Sets) {
		p.set, p.out, p.ready = e.day, false, notYet
	}
	return p
}

// wetted follows water: in the medium, and on what must be dry.
func (c *patient) wetted(p pose, e *event) pose {
	op := e.op
	if op.Does(treatment.Waters) && op != treatment.PreWater {
		if p.thirsty || op == treatment.Soak && c.has(cause.Drought) {
			p.soaked = e.day
		}
		p.thirsty, p.limp, p.moist, p.watered = false, false, facts.Right, e.day
	}
	switch op {
	case treatment.PreWater:
		p.moist, p.thirsty, p.limp = facts.Right, false, false
	case treatment.CrownDry:
		p.wet = 0
	case treatment.CrownDrain:
		p.wet &^= wetCup | wetCrown
	case treatment.Mist:
		p.wet |= wetLeaves
		if e.slot == 2 {
			p.wet |= c.keep
		}
	}
	if now := c.wetsNow(e); now != 0 {
		if c.habitID == treatment.Bromeliad && op != treatment.WashOff {
			now |= wetCup
		}
		p.wet, p.wetDay = p.wet|now, e.day
	}
	return p
}

// wetsNow is what a step makes wet of the parts that are kept dry.
func (c *patient) wetsNow(e *event) wetness {
	low := slices.Contains(lowDown, e.s.Organ) || isOne(e.p.Where, "roots", "soil", "medium")
	switch e.op {
	case treatment.WashDown, treatment.RinseOff, treatment.Oil, treatment.HotDip:
		if e.op == treatment.WashDown && c.habitID == treatment.Cactus {
			return 0 // it is brushed with a dry brush
		}
		return c.keep | wetLeaves
	case treatment.Soap:
		if !low {
			return c.keep | wetLeaves
		}
	case treatment.LabelDrug:
		if !low && (c.anyOf(treatment.LeafDiseases()) || c.anyOf(pestsAll)) {
			return c.keep | wetLeaves
		}
	case treatment.WashOff:
		if !isOne(e.p.How, "dry", "falls") {
			return c.keep &^ wetLeaves
		}
	case treatment.Peroxide:
		if !low {
			return c.keep & wetCrown
		}
	}
	return 0
}

// rotGoes says whether a step takes away all the rot that lives.
func (c *patient) rotGoes(e *event, rootRot bool) bool {
	switch e.op {
	case treatment.CutRot:
		// A soft spot cut out of a body is not the rot below it.
		return e.s.Organ != treatment.OnBody || !c.has(cause.SoftRot) || !rootRot
	case treatment.Behead, treatment.PickCrown:
		return true
	case treatment.TrimDead:
		return !c.has(cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium)
	case treatment.RemoveLeaves:
		return c.has(cause.SoftRot) && !rootRot
	}
	return false
}
