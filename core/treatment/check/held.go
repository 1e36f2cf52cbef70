package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// lawsOfHolds are those of the care while something waits, of bare roots, of rest and of
// the way back to light.
var lawsOfHolds = []law{
	{t.NeverHeldUncared, caredLaw},
	{t.NeverHeldInVain, vainLaw},
	{t.NeverBareUnwetted, bareWetLaw},
	{t.NeverCoverTooMuch, coverLaw},
	{t.NeverRestUntold, func(r *replay, c *patient, no found) {
		if !c.has(cause.Dormancy) || r.has(t.Discard) {
			return
		}
		if !r.has(t.ByRule, t.HoldWater) {
			no(nil, "its rest has no line for water")
		}
		if strings.Contains(c.kind.Rest, "°C") && !r.has(t.Temper) {
			no(nil, "its rest has a warmth, and the plan does not say it")
		}
		if !r.has(t.HoldFeed) {
			no(nil, "its rest has no line for feed")
		}
	}},
	{t.NeverRestMade, restMadeLaw},
	{t.NeverDrownAgain, func(r *replay, c *patient, no found) {
		if !c.has(cause.Overwatering) || c.moist != facts.Wet && c.moist != facts.Soaked {
			return
		}
		for _, e := range r.of(false, t.FirstWater, t.Soak, t.BottomWater, t.Flush) {
			out := r.earlier(e, t.Unpot) || e.pre.SetOn != notYet && e.pre.SetOn >= 0
			if e.day <= 1 && !e.gated && !isPiece(e) && !out {
				no(e, "it is drowned already")
			}
		}
	}},
	{t.NeverBurnTwice, func(r *replay, c *patient, no found) {
		if !c.has(cause.SunScorch, cause.LampBurn) {
			return
		}
		shy := c.known && !isOne(c.kind.Sun, plant.MorningSun, plant.FullSun)
		for _, e := range r.of(true, t.Brighten) {
			switch {
			case e.day < 14 && !e.gated:
				no(e, "two weeks have not passed since the burn")
			case e.p.Share.Or(0.25) > 0.25:
				no(e, "more than a quarter at a time")
			case shy && (e.p.Sun || strings.Contains(e.p.What, "sun")):
				no(e, "its kind takes no direct sun")
			}
		}
	}},
}

// atOnce are causes whose root work would be due today if nothing held it back.
var atOnce = append([]cause.ID{
	cause.BlackRot, cause.DryRootLoss, cause.MediumCollapsed, cause.Detached, cause.MossSmothered, cause.RootMealybug,
	cause.RootGrub, cause.PotBound, cause.PotTooBig, cause.NoDrainage, cause.BaseBuried, cause.Congested,
}, t.Rots()...)

// heldSitting is the first root sitting where it is held back.
func heldSitting(r *replay) *event {
	now := slices.ContainsFunc(r.c.Causes, func(id cause.ID) bool { return slices.Contains(atOnce, id) }) ||
		isOne(r.c.Wish, t.Refresh, t.PartWish, t.SetupChange)
	lifted := r.of(false, t.Unpot)
	if len(lifted) == 0 {
		return nil
	}
	if e := lifted[0]; e.sitting.Held != "" || now && r.c.school() != t.Rest && (e.gated || e.day >= 4) {
		return e
	}
	return nil
}

// caredLaw: what waits has water, light and looks until then.
func caredLaw(r *replay, c *patient, no found) {
	h := heldSitting(r)
	if h == nil || h.day <= 5 && !h.gated || c.has(cause.ColdInjury) { // no water in the first days after cold
		return
	}
	early := func(ops ...t.OperatorID) bool {
		return slices.ContainsFunc(r.events, func(e event) bool {
			return e.again == 0 && !e.gated && e.day <= 1 && slices.Contains(ops, e.op)
		})
	}
	if !early(t.Soak, t.ByRule, t.HoldWater, t.WetRoots, t.ChangeWater, t.BottomWater, t.Mist, t.Routine, t.FirstWater,
		t.CupFill, t.DryTop, t.Flush) {
		no(h, "it waits without a line for water")
	}
	if !early(t.ShadeIt, t.Brighten, t.Routine) {
		no(h, "it waits without a line for light")
	}
	if !slices.ContainsFunc(r.events, func(e event) bool {
		return !e.gated && e.day < max(h.day, 15) && isOne(e.op, t.Look, t.SlideLook)
	}) {
		no(h, "it waits, and nobody looks")
	}
}

// vainLaw: nothing waits that cannot, and held work keeps what follows it.
func vainLaw(r *replay, c *patient, no found) {
	h := heldSitting(r)
	if h == nil {
		return
	}
	asleep := h.pre.phase == "resting" || c.phase(0) == "resting"
	weather := strings.Contains(h.sitting.Held, "temp")
	thirst := strings.Contains(h.sitting.Held, "thirst")
	waits := h.gated || h.sitting.Held != "" && h.day > 1
	if c.pressing(asleep) && !weather && !thirst && waits {
		no(h, "it is held back, and cannot wait")
	}
	follows := func(ops ...t.OperatorID) bool {
		return slices.ContainsFunc(r.events, func(e event) bool {
			return h.before(&e) && slices.Contains(ops, e.op)
		})
	}
	if !follows(append(slices.Clone(sets), t.Callus, t.Discard, t.RootPrune, t.TopDress)...) {
		no(h, "held work without a place for the plant")
	}
	if !follows(t.FirstWater, t.WetRoots, t.ChangeWater, t.CupFill, t.Discard, t.Soak, t.HoldWater, t.SetCup, t.Mount,
		t.Hang) {
		no(h, "held work without its first water")
	}
}
