package check

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	t "tendermend/core/treatment"
)

// lawsOfActs are those of the plan as a whole: what was accepted is acted on, once.
var lawsOfActs = []law{
	{t.NeverTieLeft, func(r *replay, c *patient, no found) {
		if !c.has(cause.Girdled) || r.has(t.Discard) {
			return
		}
		for i := range r.events {
			e := &r.events[i]
			if e.op == t.Untie {
				return
			}
			if isOne(e.op, t.Unpot, t.Stake, t.CoverIt) {
				no(e, "what strangles it is cut first")
				return
			}
		}
		no(nil, "what strangles it is not cut")
	}},
	{t.NeverTwiceInSitting, twiceLaw},
	{t.NeverCauseUntouched, untouchedLaw},
}

// repeatable are operators that one sitting may hold more than once.
var repeatable = []t.OperatorID{
	t.CleanBlade, t.CrownDrain, t.CrownDry, t.WashDown, t.Look, t.DryCut, t.ReadyPot, t.PotIn, t.LabelDrug,
	t.Alcohol, t.Callus, t.RemoveLeaves, t.PullDead, t.TipCut, t.NodeBox, t.RinseOff, t.Stake, t.ByRule, t.ShadeIt,
	t.CutRot, t.CoverIt,
}

// twiceLaw: the same thing to the same part stands once in a sitting.
func twiceLaw(r *replay, _ *patient, no found) {
	type thing struct {
		sit   int
		op    t.OperatorID
		organ t.Organ
		part  t.Target
		what  string
	}
	seen := map[thing]bool{}
	for i := range r.events {
		e := &r.events[i]
		if e.again > 0 || slices.Contains(repeatable, e.op) {
			continue
		}
		k := thing{e.sit, e.op, e.s.Organ, e.p.For, e.p.Colour + e.p.What}
		if seen[k] {
			no(e, "it stands twice in its sitting")
		}
		seen[k] = true
	}
}

// acts are what the recipe of a cause turns on.
var acts = map[cause.ID][]t.OperatorID{
	cause.RootRot:     {t.TrimDead, t.Tally, t.Behead, t.Air},
	cause.DryRootLoss: {t.TrimDead, t.PullDead, t.Behead, t.NodeBox, t.TipCut, t.PartIt},
	cause.Drought: {
		t.Soak, t.BottomWater, t.FirstWater, t.WetRoots, t.ChangeWater, t.SetCup, t.NodeBox, t.TipCut, t.CupFill,
	},
	cause.SaltInjury:    {t.Flush, t.ChangeWater, t.Soak, t.WetRoots, t.WashOff, t.CupFill, t.TopDress},
	cause.MossSmothered: {t.ClearMoss},
	cause.Girdled:       {t.Untie},
	cause.SunScorch:     {t.ShadeIt},
	cause.ColdInjury:    {t.Temper},
	cause.HeatStress:    {t.Temper},
	cause.NoDrainage:    {t.DrainSaucer, t.Unpot},
	cause.BaseRot: {
		t.Behead, t.CutRot, t.PickCrown, t.PartIt, t.TipCut, t.NodeBox, t.RaiseBase, t.HoldWater, t.RemoveLeaves, t.Air,
	},
}

// untouchedLaw: every accepted cause is acted on, or the plan says why not.
func untouchedLaw(r *replay, c *patient, no found) {
	if len(c.plan.LeftOut) > 0 || r.has(t.Discard) {
		return
	}
	for _, id := range c.Causes {
		asleep := id == cause.Drought && c.phase(0) == "resting"
		soaked := id == cause.DryRootLoss && c.is(t.AirPlant) && r.has(t.Soak) // it drinks by its leaves
		if ops := acts[id]; len(ops) > 0 && !r.has(ops...) && !asleep && !soaked && !c.has(cause.Detached) {
			no(nil, "nothing is done for %s", id)
		}
	}
	c.setUnlifted(r, no)
	if r.has(t.Isolate) && !r.has(t.Release, t.KeepApart, t.Discard) {
		no(nil, "it is isolated without an end")
	}
}

// setUnlifted finds a plant that is set somewhere else and was not taken out before.
func (c *patient) setUnlifted(r *replay, no found) {
	if c.has(cause.Detached) || c.Facts.Piece.Value || r.has(t.TakeOffset, t.TipCut, t.Insurance) {
		return
	}
	for _, e := range r.of(false, t.Hang, t.Mount, t.PotUp) {
		airy := e.op != t.PotUp && isOne(e.pre.Seat, facts.OnMount, facts.Hung, facts.InBasket)
		if !isPiece(e) && !airy && !isOne(e.pre.Seat, facts.InHand, facts.OnTray) {
			no(e, "nothing takes it out of its pot before")
		}
	}
}
