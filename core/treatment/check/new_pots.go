package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	t "tendermend/core/treatment"
)

// lawsOfNewPots are those of a pot that is made ready: how wide, for what seat, with what
// water and support.
var lawsOfNewPots = []law{
	{t.NeverWidthGuessed, func(r *replay, c *patient, no found) {
		told := c.Facts.RootBallCM.Known || c.Choices.PotWidthCM.Known || c.share == 0
		whole := c.Wish == t.Refresh || c.has(cause.PotBound) || c.has(cause.MediumCollapsed) && c.share >= 0.5
		if told || whole || c.is(t.BulbPlant) || c.has(cause.Detached) || r.has(t.Behead) {
			return
		}
		for _, u := range r.of(false, t.Unpot) {
			washed := slices.ContainsFunc(r.later(u, t.WashOff), func(s *t.Step) bool {
				return s.Params.How != "falls" && s.Params.How != "dry"
			})
			if !washed || len(r.later(u, t.PotUp, t.RootPrune, t.SetCup, t.Hang, t.Mount)) > 0 {
				continue
			}
			for _, e := range r.of(false, t.ReadyPot) {
				potted := e.p.PotWidthCM.Known && !isPiece(e) && (e.p.Seat == "" || e.p.Seat == facts.InReservoir)
				if potted && e.sit <= u.sit+2 && e.sit >= u.sit-1 && !e.p.PotWidthTo.Known {
					no(e, "one width for a ball that nobody measured")
				}
			}
		}
	}},
	{t.NeverTroubleAgain, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.WrapMoss) {
			if c.has(cause.MossSmothered) && !c.is(t.JewelOrchid) {
				no(e, "moss smothered it")
			}
		}
		for _, e := range r.of(false, t.SetReservoir) {
			if c.share == 0 && !e.gated {
				no(e, "no root drinks from a reservoir")
			}
		}
	}},
	{t.NeverSeatChanged, func(r *replay, c *patient, no found) {
		if !c.known || c.Wish == t.SetupChange || len(c.kind.Setups) == 0 || slices.Contains(c.kind.Setups, "pot") {
			return
		}
		rescued := c.anyOf(t.Rescued()) || c.has(cause.MossSmothered, cause.BloomDrain, cause.WaterRoots,
			cause.NoDrainage, cause.RootGrub)
		for _, e := range r.of(false, t.PotIn, t.PotUp) {
			if !isPiece(e) && !rescued && !e.gated {
				no(e, "its kind does not live in a pot")
			}
		}
	}},
	{t.NeverFlushFresh, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.Flush) {
			for _, x := range r.of(false, t.WashOff) {
				if e.day >= x.day && e.day < x.day+28 && !e.gated && !x.gated {
					no(e, "its mix is fresh")
				}
			}
		}
	}},
	{t.NeverPotInGlass, func(r *replay, c *patient, no found) {
		rooted := c.has(cause.WaterRoots, cause.Detached) || r.has(t.Behead) // a top is potted
		if c.seat != facts.InJar || c.Wish != "" || rooted {
			return
		}
		for _, e := range r.of(false, t.Loosen, t.Flush, t.PotIn, t.Unpot) {
			if !e.gated && !isPiece(e) {
				no(e, "it grows in water")
			}
		}
	}},
	{t.NeverLaidOutWrong, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.SetReservoir) {
			w := 0.0
			for _, x := range r.of(false, t.ReadyPot) {
				if x.p.Seat == facts.InReservoir {
					w = x.p.PotWidthCM.Or(0)
				}
			}
			if depth := c.Facts.PotDepthCM.Or(0.92 * w); depth > 0 && e.p.LevelCM.Or(0) > depth/4+0.55 {
				no(e, "%g cm of water in a pot %g cm deep", e.p.LevelCM.Value, depth)
			}
		}
	}},
	{t.NeverLaidOutWrong, unusedLaw},
	{t.NeverFirstWaterWrong, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.FirstWater) {
			if ml := e.p.ML; ml.Known && ml.Value < 15 && !e.p.Share.Known && c.Facts.PotWidthCM.Or(10) > 4.5 {
				no(e, "%g ml dry on the rim", ml.Value)
			}
		}
	}},
	{t.NeverStakeHabit, func(r *replay, c *patient, no found) {
		stands := c.is(t.Gesneriad, t.SucculentRosette, t.AirPlant, t.Rhizomatous, t.Fern, t.BulbPlant, t.Carnivore)
		for _, kin := range []string{"gloriosa", "lilium", "nepenthes"} {
			stands = stands && !strings.HasPrefix(c.kind.ID, kin)
		}
		for _, e := range r.of(false, t.Stake) {
			alone := isPiece(e) || c.has(cause.Detached, cause.Breakage, cause.Girdled) || c.Facts.Piece.Value
			pup := c.is(t.Bromeliad) && r.earlier(e, t.TakeOffset)
			tall := c.Facts.HeightCM.Or(0) > 60
			rocks := c.Facts.Leans.Value || tall
			switch {
			case alone, pup:
			case stands && !(c.is(t.BulbPlant) && tall):
				no(e, "its habit holds itself")
			case c.is(t.Bromeliad) && !(c.share < 0.5 && c.Facts.Leans.Value):
				no(e, "it is clipped only where it wobbles on few roots")
			case r.earlier(e, t.PotUp) && !r.earlier(e, t.TrimDead) && !rocks && !(c.orchid && c.share < 0.5):
				no(e, "a whole ball stands by itself")
			}
		}
	}},
	{t.NeverCoreLeft, func(r *replay, c *patient, no found) {
		if !c.has(cause.MediumCollapsed) || c.is(t.JewelOrchid, t.Fern, t.BulbPlant) || r.has(t.Behead) || c.free() {
			return
		}
		for _, u := range r.of(false, t.Unpot) {
			if len(r.later(u, t.WashOff, t.ClearMoss)) == 0 {
				no(u, "the bad medium stays in its roots")
			}
		}
	}},
}

// unusedLaw: a pot is made ready for something, and a base that was set too deep is not
// set to its old height again.
func unusedLaw(r *replay, c *patient, no found) {
	uses := append(slices.Clone(sets), t.PotPieces, t.NodeBox, t.Refill, t.ChangeWater, t.SetDish)
	for _, e := range r.of(false, t.ReadyPot) {
		used := slices.ContainsFunc(r.events, func(x event) bool { return e.before(&x) && slices.Contains(uses, x.op) })
		if !used {
			no(e, "nothing is set into it")
		}
	}
	if !c.has(cause.BaseBuried) {
		return
	}
	for _, e := range r.of(false, t.PotIn, t.PotUp) {
		if strings.Contains(e.p.How+e.s.Words, "old height") {
			no(e, "at its old height its base is buried again")
		}
	}
}
