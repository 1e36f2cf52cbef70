package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/state"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

var lawsOfRoots = []law{
	{t.NeverRootsBare, bareLaw},
	{t.NeverUnpotUnready, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.Unpot) {
			if e.p.To != "tray" && !r.earlier(e, t.ReadyPot) && (e.pre.Ready == notYet || e.day-e.pre.Ready > 2) {
				no(e, "its new place is not ready")
			}
		}
		for _, e := range r.of(false, t.PotIn) { // pieces and tops that are cut, not lifted
			if e.gated || !isPiece(e) || r.has(t.Unpot, t.Callus) || !r.has(t.TipCut, t.Insurance, t.Behead) {
				continue
			}
			if !slices.ContainsFunc(r.events, func(x event) bool { return x.op == t.ReadyPot && x.before(e) }) {
				no(e, "no pot is ready for the piece")
			}
		}
	}},
	{t.NeverWaterInSitting, func(r *replay, c *patient, no found) {
		out := false
		for i := range r.events {
			e := &r.events[i]
			switch {
			case e.again > 0:
			case e.op == t.Unpot:
				out = true
			case slices.Contains(sets, e.op) && e.p.For != t.ForPieces:
				out = false
			case out && slices.Contains(waters, e.op) && e.p.For != t.ForPieces:
				no(e, "it is out of its pot")
			}
		}
	}},
	{t.NeverSittingSpread, oneSittingLaw},
	{t.NeverUnpotHeld, heldLaw},
	{t.NeverUnpotUnasked, func(r *replay, c *patient, no found) {
		ok := c.anyOf(unpots) || c.habitID == t.Carnivore && c.has(cause.SaltInjury, cause.WaterQuality) ||
			c.orchid && c.has(cause.OffsetDrain) ||
			slices.Contains([]t.Wish{t.SetupChange, t.Refresh, t.PartWish, t.Propagate}, c.Wish)
		for _, e := range r.of(false, t.Unpot) {
			if !ok {
				no(e, "nothing accepted or wished takes it out of its pot")
			}
		}
	}},
	{t.NeverRootsTwice, func(r *replay, c *patient, no found) {
		last := notYet
		if ago := c.Facts.LastSitting; ago.Known {
			last = -int(ago.Value)
		}
		for _, e := range r.of(false, t.Unpot) {
			newRot := e.pre.Rot && c.anyOf(t.Rots())
			if last != notYet && e.day-last < 28 && !newRot {
				no(e, "%s after the last root work", working.Count(e.day-last, "day"))
			}
			last = e.day
		}
	}},
	{t.NeverRootsThirsty, func(r *replay, c *patient, no found) {
		roots := c.Facts.LiveRoots
		none := roots.Known && roots.Value == 0 // nothing can drink
		if !c.limp || none || c.moist != facts.Dry && c.moist != facts.Bone {
			return
		}
		for _, e := range r.of(false, t.Unpot) {
			drunk := e.pre.SoakedOn != notYet && (e.day >= e.pre.SoakedOn+4 || c.share < 0.25 && e.day > e.pre.SoakedOn)
			if e.pre.Rot && c.anyOf(t.Rots()) || drunk || e.gated || c.has(cause.Detached) {
				continue
			}
			no(e, "it has not drunk yet")
		}
	}},
	{t.NeverTangleBrittle, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.WashOff, t.Loosen, t.RootPrune) {
			falls := e.op == t.WashOff && e.p.How == "falls"
			tied := c.free() || c.habitID == t.Monopodial && c.has2(plant.Brittle)
			switch {
			case c.is(t.Palm, t.Cycad) && !falls:
				no(e, "its roots are not made again")
			case e.op == t.Loosen && tied && c.share >= 0.5:
				no(e, "sound roots that are tied or brittle break")
			}
		}
	}},
	{t.NeverSetUntrimmed, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.WrapMoss, t.PotIn, t.Hang) {
			if e.p.For != t.ForPieces && r.earlier(e, t.Unpot) && len(r.later(e, t.TrimDead)) > 0 {
				no(e, "what is dead is trimmed only afterwards")
			}
		}
	}},
}

// bareLaw: nothing is out of its pot longer than it bears.
func bareLaw(r *replay, c *patient, no found) {
	for i := range r.events {
		e := &r.events[i]
		if e.last && e.again == 0 && e.post.Seat == facts.InHand && e.post.LiftedOn == e.day &&
			slices.ContainsFunc(e.sitting.Steps, func(s t.Step) bool { return s.Op == t.Unpot }) {
			no(e, "it is in the hand when the sitting ends")
		}
	}
	c.dryingLaw(r, no)
	c.trayLaw(r, no)
}

// dryingLaw: cuts dry for hours, fine roots for two at most.
func (c *patient) dryingLaw(r *replay, no found) {
	piece := c.has(cause.Detached) || c.share == 0 || c.Facts.Piece.Value || r.has(t.Behead)
	for _, e := range r.of(false, t.DryCut) {
		hours := e.p.Hours.Or(2)
		mine := piece || e.p.For == t.ForPieces
		rooted := slices.ContainsFunc(e.pre.Wounds, func(s state.Wound) bool { return s.Organ == t.OnRoots }) && e.pre.Out
		switch {
		case hours > 24, hours > 6 && !mine:
			no(e, "%s bare", working.Measured(hours, "hour"))
		case hours > 2 && c.nature.RootDry[0] == 0 && !mine && rooted:
			no(e, "fine roots bare for %s", working.Measured(hours, "hour"))
		}
	}
}

// mayLieDry says whether what is cut may lie on a tray overnight.
func (c *patient) mayLieDry(e *event) bool {
	latex := c.has2(plant.Latex) && (c.Facts.Piece.Value || c.has(cause.Detached))
	return isPiece(e) || latex || c.is(t.BulbPlant, t.CaneFoliage) || c.tuberous() || c.dry && c.habitID != t.AirPlant
}

// tuberous says whether it grows from a tuber that heals dry.
func (c *patient) tuberous() bool {
	return c.kind.ID == "zamioculcas-zamiifolia" ||
		c.is(t.AroidClump) && strings.Contains(c.kind.Piece+c.kind.RestKind, "tuber")
}

// trayLaw: overnight on a tray only what grows dry, and pieces with latex.
func (c *patient) trayLaw(r *replay, no found) {
	for _, e := range r.of(false, t.Callus) {
		if !c.mayLieDry(e) {
			no(e, "overnight on a tray, and it is no dry kind")
		}
	}
	ends := append(slices.Clone(sets), t.Callus)
	for _, e := range r.of(false, t.Unpot) {
		if e.p.To == "tray" && !c.dry && !c.is(t.AroidClump) && len(r.later(e, ends...)) == 0 {
			no(e, "overnight on a tray, and it is no dry kind")
		}
	}
}

// oneSittingLaw: from unpotting to setting is one disturbance.
func oneSittingLaw(r *replay, c *patient, no found) {
	var out *event
	for i := range r.events {
		e := &r.events[i]
		if e.again > 0 || e.p.For == t.ForPieces {
			continue
		}
		switch {
		case e.op == t.Unpot:
			out = e
		case e.op == t.Callus || e.op == t.Discard:
			out = nil
		case slices.Contains(sets, e.op) && out != nil:
			if e.day != out.day || e.slot != out.slot {
				no(e, "it was taken out on another day or in another slot")
			}
			out = nil
		case e.op == t.WashOff || e.op == t.RemovePlug:
			seat := e.pre.Seat
			if !slices.Contains([]facts.Seat{facts.InHand, facts.OnTray, facts.InBasket, facts.OnMount, facts.Hung}, seat) {
				no(e, "outside a root sitting")
			}
		}
	}
}
