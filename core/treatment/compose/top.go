package compose

import (
	"math"
	"strings"

	"tendermend/core/agenda"
	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// A top, a head or a piece without roots is a cutting, whatever it was before: a small
// pot, barely damp, a cover by its kind, and no water by the can before it holds.

// topIt takes the firm top off what rots at its foot, and roots it.
func topIt(a *orders, _ cause.ID) { a.top = true }

// setTop roots a piece as it is: nothing is cut from it.
func setTop(a *orders, _ cause.ID) { a.top, a.severed = true, true }

const (
	foot      = 1 // cm, of a stem where nobody measured
	thickFoot = 4 // of a cane, a column or an upright succulent
)

// footCM is how thick it is where it is cut.
func (c *composer) footCM() float64 {
	usual := float64(foot)
	if c.is(treatment.CaneFoliage, treatment.UprightSucculent, treatment.Cactus) {
		usual = thickFoot
	}
	return c.Facts.FootCM.Or(usual)
}

// topWidth is the pot of a top: 5 cm more than its foot, from 6 to 9.
func (c *composer) topWidth() float64 {
	w := min(9, max(6, half(c.footCM()+5)))
	return min(max(w, c.footCM()+2), c.Facts.PotWidthCM.Or(math.Inf(1)))
}

// slowTop says whether a top is watered only when it holds: succulents and thick canes.
func (c *composer) slowTop() bool {
	return c.is(treatment.UprightSucculent, treatment.SucculentRosette, treatment.TrailingSucculent, treatment.Cactus,
		treatment.ForestCactus) ||
		strings.HasPrefix(c.kind.ID, "yucca") || strings.HasPrefix(c.kind.ID, "beaucarnea")
}

// topDries is how many days its cut lies on a tray; 0 for hours.
func (c *composer) topDries() int {
	if !c.slowTop() {
		return 0
	}
	var days int
	switch wound := c.footCM(); {
	case c.habitID == treatment.SucculentRosette:
		days = 5
	case c.habitID == treatment.TrailingSucculent:
		days = 3
	case wound <= 2:
		days = 7
	case wound <= 5:
		days = 10
	default:
		days = 21
	}
	if d := c.kind.CutDryDays; d != nil {
		days = max(days, d[0])
	}
	return days
}

// topSitting cuts the top where the ring is clean, and gives it its own home.
func (c *composer) topSitting() {
	steps := []step{}
	cuts := !c.severed || c.has(cause.BaseRot, cause.BlackRot)
	if cuts {
		part := treatment.OnStem
		if c.habitID == treatment.Cactus {
			part = treatment.OnBody
		}
		steps = c.cutting(do(treatment.Behead, organ(part), with(func(p *treatment.Params) {
			p.What, p.Keeps = "to a clean ring, and 1 cm more", "top"
		})))
	}
	days := c.topDries()
	if days > 0 {
		steps = append(steps, do(treatment.Callus, with(func(p *treatment.Params) { p.Days = num(float64(days)) })))
	} else if hours := c.topHours(); hours > 0 {
		steps = append(steps, do(treatment.DryCut, organ(treatment.OnStem), with(func(p *treatment.Params) {
			p.Hours = num(hours)
		})))
	}
	if cuts {
		steps = append(steps, c.bag()...)
	}
	c.draft.sit(treatment.PiecesSit, 0, rankPieces, steps...)
	if days > 0 {
		c.draft.at(0, rankWater+1, do(treatment.HoldFeed, until(newLeaf)))
	}
	c.topHome(days)
}

// topHours is how long a leafy cut dries, h.
func (c *composer) topHours() float64 {
	switch {
	case c.trait(plant.Latex):
		return 2
	case c.is(treatment.CaneFoliage, treatment.WaxVine):
		return 12
	}
	return 2
}

// topHome pots the top on a day, and waters it in its own time.
func (c *composer) topHome(day int) {
	w := c.topWidth()
	home := []step{c.readyTop(w), c.potIn(treatment.PotIn, how("1 or 2 nodes, or 3 cm, under"))}
	tall := c.Facts.HeightCM.Or(0) > 3*w || c.slowTop()
	if tall && !c.is(treatment.SucculentRosette, treatment.Gesneriad, treatment.Rhizomatous, treatment.Carnivore) {
		home = append(home, do(treatment.Stake, with(func(p *treatment.Params) { p.N = num(2) })))
	}
	home = append(home, c.labelled()...)
	cover := c.topCover()
	home = append(home, cover...)
	home = append(home, do(treatment.ShadeIt, share(0.4)))
	c.draft.at(day, rankAfter, home...)
	c.sat = day
	water := do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) {
		p.ML = num(20)
		if c.habitID == treatment.Gesneriad {
			p.From = "below"
		}
	}))
	holds := gate.Gate{gate.OneOf(gate.See(gate.Nudge), gate.Count(gate.NewRoot, 0, 2))}
	if c.slowTop() {
		waits := gate.Gate{gate.OnDay(day + 14), gate.See(gate.Nudge)}
		if c.Choices.Succulent == treatment.SideAtRoots {
			waits = gate.Gate{gate.OnDay(day + 14), gate.Count(gate.NewRoot, 0, 1)}
		}
		c.draft.hold("", waits, "", water)
		top := c.thing(agenda.Top, w)
		c.draft.then(daysLater(agenda.WaterOf(top).Every), wateredThing(top, newLeaf))
		c.draft.at(day+agenda.FallbackFrom, rankWater, c.fallback(agenda.Top, nudged))
		c.draft.at(day+3, rankLook, do(treatment.Look, every(7, toDay(day+28)), note("is its foot firm?")))
		return
	}
	first := 1
	if c.is(treatment.CaneFoliage, treatment.WaxVine, treatment.Gesneriad) || c.trait(plant.Latex) {
		first = 2
	}
	c.draft.at(day+first, rankPieces, water)
	top := c.thing(agenda.Top, w)
	c.draft.at(day+first+agenda.WaterOf(top).Every, rankWater, wateredThing(top, holds))
	c.draft.at(day+3, rankLook, do(treatment.Look, every(3, toDay(day+14)), note("is its foot firm?")))
	c.draft.at(day+21, rankLook, do(treatment.Look, every(7, toDay(day+56))))
	c.draft.hold("", holds, "", do(treatment.ByRule, water2(c.betterWater())))
	if len(cover) > 0 {
		c.draft.gate(holds, do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(12) })))
	}
}

func water2(w treatment.Water) option { return water(w) }

// topCover is what is put over a top in its pot.
func (c *composer) topCover() []step {
	list := c.pieceCover()
	if most := c.mostCover(); len(list) > 0 && most != plant.CoverClosed {
		if most == plant.CoverNone {
			return nil
		}
		list[0].Params.Cover = min2(list[0].Params.Cover, most)
	}
	for i := range list {
		list[i].Organ, list[i].Params.For = "", ""
	}
	return list
}

// readyTop lays out the pot of a top.
func (c *composer) readyTop(w float64) step {
	s := c.ready(w, 0, false)
	if !c.severed {
		s.Params.Mix, s.Params.MixFrom = c.cutMix()
	}
	s.Params.Shape = "usual"
	s.Params.VolumeML = num(math.Round(MixML(w, 0, false, "usual")))
	return s
}
