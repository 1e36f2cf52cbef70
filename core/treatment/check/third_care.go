package check

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
	"tendermend/core/working"
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
			out := r.earlier(e, t.Unpot) || e.pre.set != notYet && e.pre.set >= 0
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

// driedFor are causes whose recipes hold water back from a plant that is awake.
var driedFor = append([]cause.ID{
	cause.Overwatering, cause.SoftRot, cause.BlackRot, cause.NoDrainage, cause.Edema, cause.PotTooBig, cause.WokenEarly,
	cause.ColdInjury, cause.MediumCollapsed, cause.FungusGnat, cause.Springtail, cause.SouthernBlight, cause.GreyMould,
	cause.CrownWet, cause.Detached, cause.RootMealybug, cause.RootGrub, cause.Guttation, cause.DryRootLoss,
}, t.Rots()...)

// mayBeDried says whether water may be held back from it while it is awake.
func (c *patient) mayBeDried(r *replay) bool {
	wet := c.moist == facts.Wet || c.moist == facts.Soaked
	return wet || c.anyOf(driedFor) || c.has(cause.Dormancy) || r.has(t.Callus, t.CutRot, t.Behead, t.Unpot) ||
		strings.HasPrefix(string(c.kind.WaterRule), "roots-first")
}

// restMadeLaw: nothing is dried, fed or cooled as if it slept while it is awake.
func restMadeLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.HoldWater) {
		if e.pre.phase != "resting" && !c.mayBeDried(r) {
			no(e, "a leafy plant is kept dry")
		}
	}
	for _, e := range r.of(true, t.FeedIt) {
		drier := c.kind.HowItRests() == plant.RestSlows
		if e.pre.phase == "resting" && !e.gated && c.kind.RestKind != "" && c.kind.RestKind != "none" && !drier {
			no(e, "nothing is fed while it sleeps")
		}
	}
	for _, e := range r.of(false, t.Temper) {
		if to := e.p.ToC; c.kind.Chill != nil && to.Known && to.Value < *c.kind.Chill {
			no(e, "%g °C harms it", to.Value)
		}
	}
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

// bareWetLaw: bare roots are not left dry for two days when they are thirsty or cleaned,
// and an air plant is dried on the day of its soak.
func bareWetLaw(r *replay, c *patient, no found) {
	if c.is(t.AirPlant) {
		driedAirLaw(r, no)
		return
	}
	if !c.thirstyBare() || r.has(t.Discard) {
		return
	}
	wets := slices.ContainsFunc(r.events, func(e event) bool {
		return !e.gated && e.day <= 1 && isOne(e.op, t.Soak, t.WetRoots, t.ByRule, t.FirstWater, t.Mist)
	})
	if !wets && !r.has(t.HoldWater) {
		no(nil, "its bare roots dry out")
		return
	}
	last := notYet
	for _, e := range r.of(true, t.Soak, t.WetRoots, t.FirstWater) {
		if !e.gated && e.day <= 14 && last != notYet && e.day-last > 3 {
			no(e, "bare roots stay dry for %s", working.Count(e.day-last, "day"))
		}
		last = max(last, e.day)
	}
}

// driedAirLaw: an air plant is dried on the day of its soak.
func driedAirLaw(r *replay, no found) {
	for _, e := range r.of(false, t.Soak) {
		dried := slices.ContainsFunc(r.events, func(x event) bool {
			return x.op == t.CrownDry && x.day == e.day && x.sit == e.sit
		})
		if !dried {
			no(e, "an air plant is dried on the day of its soak")
		}
	}
}

// thirstyBare says whether it has bare roots, and is limp for want of water.
func (c *patient) thirstyBare() bool {
	dry := c.moist == facts.Dry || c.moist == facts.Bone
	return c.free() && c.seat != facts.InBasket && c.limp && dry && !c.anyOf(t.Rots())
}

// coverLaw: heat, size and kind allow the cover.
func coverLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.CoverIt) {
		why := ""
		if isPiece(e) {
			why = c.overPieces(e)
		} else {
			why = c.overPlant(r, e)
		}
		if why != "" {
			no(e, "%s", why)
		}
	}
}

func (c *patient) heat() float64 { return max(c.warm, c.Facts.Place.HighC.Or(-99)) }

func isShut(e *event) bool { return e.p.Cover != plant.CoverOpen && e.p.Cover != plant.CoverNone }

// overPieces is why a cover over pieces is too much; nothing where it is not.
func (c *patient) overPieces(e *event) string {
	switch {
	case e.p.Cover == plant.CoverNone:
	case c.heat() > 30:
		return "too hot for any cover"
	case isShut(e) && c.heat() > 28:
		return "too hot for a closed cover over pieces"
	}
	return ""
}

// overPlant is why a cover over the plant is too much; nothing where it is not.
func (c *patient) overPlant(r *replay, e *event) string {
	shutTo, openTo := 26.0, 30.0
	if c.known {
		shutTo, openTo = min(shutTo, c.kind.Temperature[2]-3), min(openTo, c.kind.Temperature[2])
	}
	switch {
	case e.p.Cover == plant.CoverNone:
	case c.heat() > openTo:
		return "too hot for any cover"
	case r.has(t.Behead), c.has(cause.Detached), c.Facts.Piece.Value: // it is a cutting itself
	case isShut(e) && c.heat() > shutTo:
		return "too hot for a closed cover"
	case c.known && c.kind.Size == plant.HugeSize, c.across(r, e) > 40:
		return "it is too large to be covered"
	case isShut(e) && c.known && c.kind.Size == plant.LargeSize:
		return "it is too large for a closed cover"
	}
	return ""
}

// across is how wide or high it is, cm: as measured, else twice its pot's width, the new one
// where it was cut back or stays as low as its pot is wide.
func (c *patient) across(r *replay, e *event) float64 {
	f := c.Facts
	if f.SpanCM.Known || f.HeightCM.Known {
		return max(f.SpanCM.Or(0), f.HeightCM.Or(0))
	}
	cut := slices.ContainsFunc(r.events, func(x event) bool {
		return x.before(e) && (isOne(x.op, t.TrimBranch, t.Behead) || x.op == t.RemoveLeaves && x.p.Share.Or(0) >= 0.25)
	})
	if low := c.is(t.Monopodial, t.Gesneriad, t.SucculentRosette, t.Bromeliad, t.SoftTrailer); !cut && !low {
		return 2 * f.PotWidthCM.Or(0)
	}
	w := 0.0
	for _, x := range r.of(false, t.ReadyPot) {
		if x.before(e) && !x.gated {
			w = max(w, x.p.PotWidthCM.Or(0))
		}
	}
	return 2 * w
}

// lawsOfThird are those of pots, water and products of the third edition.
var lawsOfThird = []law{
	{t.NeverProductTooSoon, floorLaw},
	{t.NeverFlowersInfested, func(r *replay, c *patient, no found) {
		open := c.Facts.Spikes.Or(0) > 0 || c.Facts.Flowers.Value
		if c.has(cause.Thrips, cause.GreyMould, cause.PetalBlight) && open && !c.Choices.Spikes.Keeps() &&
			!r.has(t.StripSpikes, t.Discard) && !c.is(t.Fern, t.Palm, t.Cycad, t.Ivy) {
			no(nil, "the trouble sits in its open flowers")
		}
	}},
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
		if c.seat != facts.InJar || c.Wish != "" || c.has(cause.WaterRoots) {
			return
		}
		for _, e := range r.of(false, t.Loosen, t.Flush, t.PotIn, t.Unpot) {
			if !e.gated && !isPiece(e) {
				no(e, "it grows in water")
			}
		}
	}},
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
	{t.NeverReservoirDeep, func(r *replay, c *patient, no found) {
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
	{t.NeverReservoirDeep, unusedLaw},
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
			alone := isPiece(e) || c.has(cause.Detached, cause.Breakage) || c.Facts.Piece.Value
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
	{t.NeverWetTheWet, func(r *replay, c *patient, no found) {
		for _, h := range r.of(false, t.HoldWater) {
			for _, e := range r.of(true, t.Larvicide, t.Nematodes, t.Systemic) {
				between := slices.ContainsFunc(r.events, func(x event) bool {
					return slices.Contains(medium, x.op) && h.before(&x) && x.before(e) && !isPiece(&x)
				})
				if h.before(e) && !e.gated && !between && !isOne(e.pre.seat, facts.InHand, facts.OnTray) {
					no(e, "water is held, and this wets the medium")
				}
			}
		}
	}},
	{t.NeverTwiceInSitting, twiceLaw},
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
	{t.NeverCauseUntouched, untouchedLaw},
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

// saysWhy says whether the plan gives its reason for leaving an operator out.
func (c *patient) saysWhy(op t.OperatorID) bool {
	return slices.ContainsFunc(c.plan.LeftOut, func(l t.LeftOut) bool { return l.Op == string(op) && l.Why != "" })
}

// acts are what the recipe of a cause turns on.
var acts = map[cause.ID][]t.OperatorID{
	cause.RootRot:     {t.TrimDead, t.Tally, t.Behead, t.Air},
	cause.DryRootLoss: {t.TrimDead, t.PullDead, t.Behead, t.NodeBox, t.PartIt},
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
		if ops := acts[id]; len(ops) > 0 && !r.has(ops...) && !asleep && !c.has(cause.Detached) {
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
		airy := e.op != t.PotUp && isOne(e.pre.seat, facts.OnMount, facts.Hung, facts.InBasket)
		if !isPiece(e) && !airy && !isOne(e.pre.seat, facts.InHand, facts.OnTray) {
			no(e, "nothing takes it out of its pot before")
		}
	}
}
