package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// lawsOfCourses are those of treatments against pests that come again and again.
var lawsOfCourses = []law{
	{t.NeverProductTooSoon, floorLaw},
	{t.NeverFlowersInfested, func(r *replay, c *patient, no found) {
		open := c.Facts.Spikes.Or(0) > 0 || c.Facts.Flowers.Value
		if c.has(cause.Thrips, cause.GreyMould, cause.PetalBlight) && open && !c.Choices.Spikes.Keeps() &&
			!r.has(t.StripSpikes, t.Discard) && !c.is(t.Fern, t.Palm, t.Cycad, t.Ivy) {
			no(nil, "the trouble sits in its open flowers")
		}
	}},
	{t.NeverWetTheWet, func(r *replay, c *patient, no found) {
		for _, h := range r.of(false, t.HoldWater) {
			for _, e := range r.of(true, t.Larvicide, t.Nematodes, t.Systemic) {
				between := slices.ContainsFunc(r.events, func(x event) bool {
					return slices.Contains(medium, x.op) && h.before(&x) && x.before(e) && !isPiece(&x)
				})
				if h.before(e) && !e.gated && !between && !isOne(e.pre.Seat, facts.InHand, facts.OnTray) {
					no(e, "water is held, and this wets the medium")
				}
			}
		}
	}},
	{t.NeverNoWash, func(r *replay, c *patient, no found) {
		wetBad := c.anyOf(t.LeafDiseases()) || c.has(cause.BlackRot, cause.Virus)
		sticky := strings.HasPrefix(c.kind.ID, "drosera") || strings.HasPrefix(c.kind.ID, "pinguicula")
		if !c.has(cause.SpiderMite, cause.Aphid, cause.Thrips, cause.Whitefly) || wetBad || sticky || c.limp ||
			r.has(t.Discard) {
			return
		}
		for _, e := range r.of(false, t.WashDown) {
			if e.day <= 0 && !e.gated {
				return
			}
		}
		no(nil, "the cheapest, a wash, is not done today")
	}},
}

// floorLaw: between two uses of a thing lie its days at least, and of oil no more than three
// in four weeks.
func floorLaw(r *replay, c *patient, no found) {
	for _, op := range []t.OperatorID{t.WashDown, t.Soap, t.Oil, t.Alcohol, t.Earth, t.LabelDrug} {
		least, last := c.floor(op), notYet
		for _, e := range r.of(true, op) {
			if e.gated || !onWholePlant(e) {
				continue
			}
			if last != notYet && e.day > last && e.day-last < least {
				no(e, "%s after the last: %d at least", working.Count(e.day-last, "day"), least)
			}
			last = max(last, e.day)
		}
	}
	c.soapsInARow(r, no)
	c.oilsInAMonth(r, no)
}

// floor is how many days lie between two uses at least.
func (c *patient) floor(op t.OperatorID) int {
	switch {
	case op == t.WashDown && c.has(cause.SpiderMite, cause.FlatMite, cause.BroadMite), op == t.Alcohol:
		return 3
	case op == t.WashDown:
		return 2
	case op == t.Soap:
		return 5
	case op == t.Oil && (c.epi || c.is(t.Rhizomatous, t.Palm)):
		return 10
	}
	return 7
}

// onWholePlant says whether a product goes on all leaves: not on roots, single pests or spots.
func onWholePlant(e *event) bool {
	return isOne(e.s.Organ, "", t.OnLeaf) && !isOne(e.p.Where, "roots", "singles") &&
		!(e.op == t.LabelDrug && e.p.Class == "bacteria")
}

func (c *patient) oilsInAMonth(r *replay, no found) {
	var oils []int
	for _, e := range r.of(true, t.Oil) {
		oils = append(oils, e.day)
		n := 0
		for _, d := range oils {
			if d > e.day-28 {
				n++
			}
		}
		if n > 3 {
			no(e, "%d oils in four weeks", n)
		}
		if c.is(t.Bromeliad, t.AirPlant) {
			no(e, "its scales breathe through the film")
		}
	}
}

// soapsInARow: after six soaps it rests for two weeks.
func (c *patient) soapsInARow(r *replay, no found) {
	row, last := 0, notYet
	for _, e := range r.of(true, t.Soap) {
		if e.gated || e.day == last || e.s.Organ == t.OnRoots || e.p.Where == "roots" {
			continue
		}
		if row++; e.day-last >= 14 {
			row = 1
		}
		if last = e.day; row > 6 {
			no(e, "the seventh soap without two weeks of washes between")
		}
	}
}
