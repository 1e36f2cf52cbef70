package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func dropIf(is bool, why string) verdict { return verdict{do: onlyIf(drop, is), why: why} }

func onlyIf(a action, is bool) action {
	if is {
		return a
	}
	return fine
}

// branchable says whether cutting its stem makes it branch.
func (x *subject) branchable() bool {
	if x.kind.Branches != "" {
		return x.kind.Branches == plant.BranchesYes
	}
	return !x.is(
		treatment.Monopodial,
		treatment.Sympodial,
		treatment.WinterDeciduous,
		treatment.Palm,
		treatment.Cycad,
		treatment.Bromeliad,
		treatment.AirPlant,
		treatment.Fern,
		treatment.GiantHerb,
		treatment.AroidClump,
		treatment.Rhizomatous,
		treatment.HerbClump,
		treatment.Gesneriad,
		treatment.BulbPlant,
		treatment.Cactus,
	)
}

var lowOrgans = []treatment.Organ{"rhizome", "corm", "bulb", "crown", "base", ""}

// cuttable says whether a rot cut leaves something that grows.
func (x *subject) cuttable(s step) bool {
	if s.Op == treatment.CutRot && slices.Contains(lowOrgans, s.Organ) {
		return !x.is(treatment.Palm, treatment.Cycad, treatment.AirPlant, treatment.Monopodial) && !x.pointGone()
	}
	switch {
	case x.branches,
		x.is(treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent, treatment.Cactus,
			treatment.CaneFoliage, treatment.AroidVine, treatment.Woody):
		return true
	case x.habitID == treatment.Gesneriad:
		return s.Organ == treatment.OnNeck || s.Organ == treatment.OnStem || s.Organ == ""
	case x.habitID == treatment.Monopodial:
		return x.Facts.RootsAbove.Or(0) >= 3
	case x.habitID == treatment.Bromeliad:
		return x.has(cause.SpentRosette)
	}
	return x.kind.Branches != plant.BranchesNo &&
		(x.branchable() || x.kind.Branches == plant.BranchesCrown && x.is(treatment.JewelOrchid, treatment.Begonia,
			treatment.SoftTrailer,
			treatment.WaxVine, treatment.Ivy, treatment.ForestCactus, treatment.Carnivore))
}

// onlyMarks says whether all that was accepted are marks that do not spread, or
// harmless.
func (x *subject) onlyMarks() bool {
	if len(x.Causes) == 0 || !x.any(treatment.OldMarks()) {
		return false
	}
	for _, id := range x.Causes {
		cc, _ := cause.ByID(id)
		if !cc.Harmless && !slices.Contains(treatment.OldMarks(), id) {
			return false
		}
	}
	return true
}

// pointGone says whether its only growing point is hit.
func (x *subject) pointGone() bool {
	return x.Facts.PointHit.Value && x.Facts.Growths.Or(0) <= 1 &&
		(x.Facts.Points.Or(0) == 1 || !x.Facts.Points.Known && x.one())
}

// divisible says whether enough stays on both sides of a division.
func (x *subject) divisible(s step) bool {
	sorted := s.Op == treatment.PartIt &&
		(x.has(cause.Detached) || s.Organ == treatment.OnPieces || x.any(treatment.Rots()))
	if sorted {
		return true
	}
	g := x.Facts.Growths
	if x.one() && !among(s.Organ, "offset", "keiki", "leaf", "pup") && x.habitID != treatment.Gesneriad {
		return false
	}
	if !g.Known {
		return true
	}
	switch {
	case x.is(treatment.Sympodial, treatment.WinterDeciduous) && s.Op == treatment.PartIt:
		return g.Value >= 6
	case x.is(treatment.Sympodial, treatment.WinterDeciduous):
		return g.Value >= 4 || s.Organ == treatment.OnKeiki
	case s.Op == treatment.PartIt:
		return g.Value >= 4
	}
	return true
}

func (h *here) thirstyTidy() verdict {
	if h.rot && h.c.any(treatment.Rots()) {
		return verdict{}
	}
	if h.thirsty && h.gate {
		return verdict{}
	}
	if h.thirsty {
		return verdict{do: drop, why: "it is thirsty: what looks lost comes back"}
	}
	drank := h.soaked
	if h.c.limp {
		drank = max(drank, h.dipped)
	}
	return verdict{
		do:  onlyIf(delay, drank != never && h.day-drank < 4),
		day: drank + 5,
		why: onlyDrank,
	}
}

const mostLeaves = 1.0 / 3

func (h *here) leafLimit() verdict {
	if h.step.Params.Mush {
		return verdict{}
	}
	taken := 0.0
	for _, t := range h.taken {
		if h.day-t.day < 30 {
			taken += t.share
		}
	}
	want := h.leafShare(h.step.Params)
	if taken+want <= mostLeaves+1e-9 {
		return verdict{}
	}
	left := mostLeaves - taken
	if left < 0.05 {
		return verdict{do: drop, why: "a third of its leaves is off already this month"}
	}
	s := h.step
	s.Params.N, s.Params.Share = treatment.Number{}, num(float64(int(left*20))/20)
	h.c.leave("remove-leaves", "no more than a third of its leaves in a month")
	return verdict{do: instead, step: s}
}

// drowned says whether too much water ails it, and its medium is wet these first days.
func (h *here) drowned() bool {
	early := h.day <= 1 && !h.gate && h.set == never
	return early && h.c.has(cause.Overwatering) && among(h.c.moist, facts.Wet, facts.Soaked)
}

func (h *here) soaking() verdict {
	s, rests, stands := h.step, h.phase() == "resting", h.c.has(cause.NoDrainage)
	if h.drowned() {
		return verdict{do: drop, why: "it is over-wet already: water is held first"}
	}
	return h.soakingDry(s, rests, stands)
}

// soakingDry says when a medium that is not over-wet is soaked or flushed.
func (h *here) soakingDry(s step, rests, stands bool) verdict {
	switch {
	case h.rot:
		return verdict{do: drop, why: "with live rot nothing is soaked"}
	case s.Params.WetDrops.Known && !rests && !stands:
		return verdict{}
	case stands && h.set == never && !has(h.gone, treatment.DrainSaucer):
		return h.noWayOut()
	case h.c.firstRoots() && !h.gate && s.Op == treatment.Flush:
		return verdict{do: wait, gate: h.c.ownRoots()}
	case rests && h.c.habitID != treatment.AirPlant:
		return h.soakedInRest()
	case s.Op == treatment.Soak:
		return dropIf(among(h.moist, facts.Wet, facts.Soaked), "the medium is wet")
	case s.Op == treatment.Flush:
		return h.flushed()
	}
	return verdict{}
}

// noWayOut lets a dish be emptied before, where a pot has no hole.
func (h *here) noWayOut() verdict {
	if h.seat == facts.InPot || h.seat == facts.InReservoir {
		return verdict{do: before, step: do(treatment.DrainSaucer)}
	}
	return verdict{do: drop, why: "the water has no way out"}
}

// soakedInRest gives a resting plant little water or none.
func (h *here) soakedInRest() verdict {
	if h.step.Op == treatment.Flush && !h.gate {
		return verdict{do: wait, gate: newGrowth}
	}
	if h.thirsty && !restingDry(h.c.subject) {
		return verdict{do: instead, step: do(treatment.ByRule, what("a little: it rests"), water(h.c.betterWater()))}
	}
	return verdict{do: drop, why: "it rests"}
}

// flushed rinses salts out of a medium, once before a kind's rest.
func (h *here) flushed() verdict {
	s := h.step
	switch {
	case h.c.habitID == treatment.AirPlant:
		return verdict{do: drop, why: "it has no medium"}
	case s.Every > 0 && h.c.kind.RestKind != "":
		s.Every, s.Until = 0, nil // once, and again by its look: it would run into its rest
		return verdict{do: instead, step: s}
	}
	return verdict{}
}

func (h *here) chilled() verdict {
	if !h.c.has(cause.ColdInjury) || h.day > 1 || h.gate {
		return verdict{}
	}
	switch h.step.Op {
	case treatment.Temper:
		return verdict{}
	case treatment.FeedIt:
		return verdict{do: wait, gate: able}
	case treatment.ByRule:
		return verdict{}
	}
	return verdict{do: delay, day: 3, why: "nothing is watered in the first days after cold"}
}

// healed is the day on which every open wound has closed.
func (h *here) healed() int {
	day := h.day + 1
	for _, x := range h.wounds {
		if x.closed || !x.wetted {
			continue
		}
		dry := h.c.stemDry[1]
		if x.roots {
			dry = h.c.rootDry[1]
		}
		day = max(day, x.day+max(2, dry))
	}
	return day
}

type opposition struct{ first, second []treatment.OperatorID }

// opposed are pairs of operators that undo each other on one day: the second
// gives way.
var opposed = []opposition{
	{append(ops(treatment.CupFill), medium...), ops(treatment.HoldWater)},
	{ops(treatment.ShadeIt), ops(treatment.Brighten)},
	{ops(treatment.HoldFeed), ops(treatment.FeedIt)},
	{ops(treatment.Isolate, treatment.KeepApart), ops(treatment.Release)},
	{ops(treatment.Predators), poisons},
}

func (h *here) opposites() verdict {
	op := h.step.Op
	givesWay := op == treatment.Air || op == treatment.ByRule ||
		slices.ContainsFunc(opposed, func(o opposition) bool { return slices.Contains(o.second, op) })
	if h.gate || !givesWay {
		return verdict{}
	}
	same := h.sameDay()
	switch {
	case op == treatment.Air && slices.ContainsFunc(same, closesCover):
		return verdict{do: drop, why: "a closed cover stands; it is aired daily"}
	case op == treatment.ByRule && has(same, treatment.HoldWater) && h.tooWet() && h.soaked != h.day:
		return verdict{do: drop, why: "water is held until it is due"}
	}
	for _, o := range opposed {
		if slices.Contains(o.second, op) && has(same, o.first...) && !h.ruleGivesWay(same) {
			return h.giveWay(has1(same, o.first))
		}
	}
	return verdict{}
}

func closesCover(s step) bool {
	return s.Op == treatment.CoverIt && s.Params.Cover == plant.CoverClosed
}

// tooWet says that too much water is what ails it.
func (h *here) tooWet() bool {
	return !h.c.thirsty &&
		h.c.has(cause.Overwatering, cause.Springtail, cause.NoDrainage, cause.BaseRot, cause.BlackRot)
}

// ruleGivesWay says that watering by its rule gives way to holding water.
func (h *here) ruleGivesWay(same []step) bool {
	return h.step.Op == treatment.HoldWater && has(same, treatment.ByRule) && h.tooWet() &&
		!has(same, treatment.Soak, treatment.FirstWater, treatment.BottomWater, treatment.Flush, treatment.CupFill)
}

// giveWay is what becomes of a step that would undo another of its day.
func (h *here) giveWay(other string) verdict {
	switch h.step.Op {
	case treatment.FeedIt:
		return verdict{do: wait, gate: able}
	case treatment.Brighten:
		return verdict{do: delay, day: h.day + 14, why: "it stands shaded first"}
	}
	return verdict{do: drop, why: fmt.Sprintf("it would undo “%s” of the same day", other)}
}

func has1(steps []step, list []treatment.OperatorID) string {
	for _, s := range steps {
		if slices.Contains(list, s.Op) {
			o, _ := treatment.OperatorByID(s.Op)
			return o.Title
		}
	}
	return ""
}

// sameDay lists all other steps of the day.
func (h *here) sameDay() (list []step) {
	for _, s := range h.plans {
		if !s.dated || s.day != h.s.day {
			continue
		}
		for i, x := range s.steps {
			if s != h.s || i != h.i {
				list = append(list, x)
			}
		}
	}
	return list
}

func (h *here) brighten() verdict {
	burnt := h.c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury)
	switch {
	case h.gate:
		return verdict{}
	case h.thirsty:
		return verdict{do: wait, gate: gate.Gate{gate.FirmFor(0), gate.OnDay(14)}}
	case h.c.has(cause.HeatStress, cause.ColdInjury, cause.BloomDrain) || burnt && h.day < 14:
		return verdict{do: wait, gate: gate.Gate{gate.FirmFor(0), gate.OnDay(14), gate.See(gate.Growth), gate.QuietFor(7, 0)}}
	case h.lost != never && h.day-h.lost < 14,
		h.c.root != nil && h.c.sat >= 0 && h.day < h.c.sat+14,
		h.c.pieces != nil,
		h.c.neck,
		h.c.held != "" && h.c.roots < 0.5,
		h.c.any(treatment.Rots()):
		return verdict{do: wait, gate: gate.Gate{gate.FirmFor(0), gate.DaysSince(facts.SatRoots, 14)}}
	}
	return verdict{}
}

const tankShare = 0.25

func (h *here) feedHow() verdict {
	s := h.step
	switch {
	case h.c.habitID == treatment.Carnivore:
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	case h.c.habitID == treatment.Bromeliad && s.Params.Share.Or(1) > tankShare:
		s.Params.Share = num(tankShare)
		return verdict{do: instead, step: s}
	case !h.gate && (h.c.any(treatment.Rots()) || h.c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury)):
		return verdict{do: wait, gate: able}
	}
	return verdict{}
}

const fedRoots = 0.25

func (h *here) feedWhen() verdict {
	c := h.c
	switch {
	case h.tonic():
		resting := c.resting() || c.has(cause.SaltInjury, cause.ColdInjury, cause.Drought) || c.roots < 0.15
		return dropIf(resting, "it rests, or could not take it up")
	case h.gate:
		return verdict{}
	case h.step.Op == treatment.Supplement && c.habitID == treatment.Carnivore:
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	case h.unfed():
		return verdict{do: wait, gate: able}
	case h.step.Every > 0 && len(h.step.Until) > 0:
		return h.fedUntilRest()
	}
	return verdict{}
}

// tonic says whether it is no feed, in a school that gives one.
func (h *here) tonic() bool {
	return h.step.Op == treatment.Supplement && strings.Contains(h.step.Params.What, "tonic") &&
		(h.c.school == treatment.Rest || h.c.school == treatment.ClayPot)
}

// unfed says whether roots could not take feed up now, or the plant is to be spared it.
func (h *here) unfed() bool {
	c, nd := h.c, h.c.Facts.NewcomerDays
	now := h.roots < fedRoots || h.openWound() || h.rooted != never && h.day-h.rooted < 28 || h.thirsty ||
		h.phase() != "growing" || h.salt && h.day < 56 || c.limp && h.soaked == never && h.watered == never
	return now || nd.Known && nd.Value+float64(h.day) < newcomerDays || h.spared()
}

// spared says whether what was accepted, or the work on its roots, forbids feed.
func (h *here) spared() bool {
	c := h.c
	return c.has(cause.Drought, cause.SettlingIn, cause.SpentRosette, cause.BloomDrain, cause.ColdInjury) ||
		c.piece || c.gated || c.sitsOnDay() || c.any(treatment.Rots())
}

// fedUntilRest ends a repeated feed where the kind rests.
func (h *here) fedUntilRest() verdict {
	c := h.c
	end, dated := dayOf(h.step.Until)
	if !dated {
		end = h.day + 84
	}
	for d := h.day; d <= end; d++ {
		if c.phase(d) != "resting" {
			continue
		}
		if d-h.step.Every <= h.day {
			return verdict{do: wait, gate: able}
		}
		s := h.step
		s.Until = toDay(d - 1)
		if s.Until.Same(h.step.Until) {
			return verdict{}
		}
		c.leave(string(s.Op), "it ends where the kind's rest begins")
		return verdict{do: instead, step: s}
	}
	return verdict{}
}

func (h *here) spraying() verdict {
	c, s := h.c, h.step
	if s.Op == treatment.Soap && s.Params.Where == "roots" {
		return dropIf(c.trait(plant.SoapTender, plant.PowderBloom), "its kind does not bear soap")
	}
	switch {
	case s.Op == treatment.Soap && c.trait(plant.SoapTender, plant.PowderBloom):
		return verdict{do: drop, why: "its leaves do not bear soap"}
	case s.Op == treatment.Oil && c.trait(plant.OilTender, plant.PowderBloom, plant.Fuzzy):
		return verdict{do: drop, why: "its leaves do not bear oil"}
	case !h.onLeaves():
		return verdict{}
	}
	return h.filmed()
}

// onLeaves says whether a product is meant for the leaves.
func (h *here) onLeaves() bool {
	return h.step.Op != treatment.LabelDrug ||
		(h.c.any(treatment.LeafDiseases()) || len(h.c.pests) > 0) &&
			!slices.Contains(below, h.step.Organ) && h.step.Organ != treatment.Crown
}

// filmed says when leaves bear a product on them.
func (h *here) filmed() verdict {
	c := h.c
	switch {
	case c.airC > 30:
		return verdict{do: drop, why: "over 30 °C every product burns"}
	case h.thirsty:
		return verdict{do: drop, why: "a thirsty plant burns under it"}
	case h.sun:
		return verdict{do: before, step: do(treatment.ShadeIt, share(0.4))}
	case h.soaked != never && h.day-h.soaked < drinkDays:
		return verdict{do: delay, day: h.soaked + drinkDays, why: "it has only just drunk"}
	case !h.gate && h.day < drinkDays &&
		c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury, cause.HeatStress, cause.ColdInjury):
		return verdict{do: delay, day: drinkDays, why: "burnt or chilled leaves bear no product yet"}
	}
	return verdict{}
}

func (h *here) systemic() verdict {
	c := h.c
	dry := h.moist == facts.Dry || h.moist == facts.Bone || h.moist == facts.Due
	switch {
	case c.meetsBees():
		return verdict{do: drop, why: beesOrFood}
	case h.rooted != never && h.watered < h.rooted:
		return verdict{do: wait, gate: gate.Gate{gate.IsMoist()}}
	case dry && !h.gate && !has(h.gone, medium...):
		return verdict{do: before, step: do(treatment.ByRule)}
	}
	return verdict{}
}
