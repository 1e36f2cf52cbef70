package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// verdict is what a guard says of a step.
type verdict struct {
	do   action
	why  string
	step step   // put before it, or in its place
	day  int    // the day it is delayed to
	gate string // the gate it waits for
}

type action int

const (
	fine action = iota
	drop
	delay
	wait
	before
	after
	instead
)

// at is a step where it stands, before it is carried out.
type here struct {
	*world
	s     *sit
	i     int
	step  step
	rest  []step // of the sitting
	gone  []step
	plans []*sit
}

// guard keeps one rule at the steps of some operators: it looks at the plant as
// it would then be, and says what to do instead.
type guard struct {
	rule treatment.RuleID
	ops  []treatment.OperatorID // empty for all
	says func(h *here) verdict
}

func ops(list ...treatment.OperatorID) []treatment.OperatorID { return list }

var (
	medium  = ops(treatment.FirstWater, treatment.Soak, treatment.BottomWater, treatment.Flush, treatment.ByRule)
	sprays  = ops(treatment.Soap, treatment.Oil, treatment.LabelDrug)
	poisons = ops(treatment.Soap, treatment.Oil, treatment.Alcohol, treatment.Earth, treatment.LabelDrug, treatment.Systemic)
	shaping = ops(treatment.PullDead, treatment.RemoveLeaves, treatment.TrimBranch)
)

// guards are the rules that a simulated plan is held against, in the order in
// which they are asked.
var guards = []guard{
	{"N05", ops(treatment.StripSpikes), func(h *here) verdict {
		return dropIf(h.c.is(treatment.FE, treatment.PA, treatment.CY, treatment.IV) || h.c.Answers.Spikes.Known && h.c.Answers.Spikes.Value == 0, "it has no spike")
	}},
	{"N05", ops(treatment.RemoveLeaves, treatment.LeafCut), func(h *here) verdict { return dropIf(h.c.leafless, "it has no leaves") }},
	{"N05", ops(treatment.CupFill), func(h *here) verdict { return dropIf(h.c.code != treatment.BR, "it has no cup") }},
	{"N05", ops(treatment.TakeOffset), func(h *here) verdict {
		return dropIf(h.c.Answers.Plantlets.Known && h.c.Answers.Plantlets.Value == 0 && !h.gate, "no offset was seen")
	}},
	{"N05", ops(treatment.CutRot), func(h *here) verdict {
		return dropIf(h.step.Organ == "bulb" && h.c.code != treatment.BU && h.c.named && h.c.kind.Thirst != "wrinkled-bulb", "it has no bulb")
	}},
	{"N37", ops(treatment.SlideLook, treatment.DrainSaucer, treatment.Loosen, treatment.TopDress, treatment.RootPrune, treatment.PotUp, treatment.DryTop), func(h *here) verdict {
		in := slices.Contains([]treatment.Seat{treatment.InPot, treatment.InDish, treatment.InReservoir, treatment.InHand, treatment.OnTray}, h.seat)
		return dropIf(!in && !(h.step.Op == treatment.TopDress && h.seat == treatment.InBasket), "it stands in no pot")
	}},
	{"N04", ops(treatment.TrimBranch), func(h *here) verdict { return dropIf(!h.c.branchable(), "its kind does not branch when it is cut") }},
	{"N04", ops(treatment.CutRot, treatment.Behead), func(h *here) verdict {
		return dropIf(!h.c.cuttable(h.step), "nothing would grow again from below the cut")
	}},
	{"N04", ops(treatment.TipCut, treatment.NodeBox, treatment.LeafCut, treatment.PartIt, treatment.RootPrune, treatment.Insurance), func(h *here) verdict {
		return dropIf(h.c.is(treatment.PA, treatment.CY, treatment.AP) && !h.c.branches, "it has a single growing point")
	}},
	{"N08", ops(treatment.RemoveLeaves, treatment.TrimBranch, treatment.CutRot, treatment.Behead), func(h *here) verdict {
		return dropIf(!h.step.Params.Mush && h.c.onlyMarks() && h.c.Wish != treatment.Prune && h.c.Wish != treatment.Propagate, "the marks do not spread; the leaf still feeds it")
	}},
	{"N11", ops(treatment.Insurance, treatment.TipCut, treatment.NodeBox, treatment.LeafCut, treatment.Layer), func(h *here) verdict {
		return dropIf(len(h.c.travels()) > 0 && !h.free, "what ails it travels with a piece")
	}},
	{"N13", ops(treatment.Insurance), func(h *here) verdict { return dropIf(h.c.piece, "it is itself a piece") }},
	{"N12", ops(treatment.PartIt, treatment.Insurance), func(h *here) verdict { return dropIf(!h.c.divisible(h.step), "too little would stay on one side") }},
	{"N09", shaping, (*here).thirstyTidy},
	{"N07", ops(treatment.RemoveLeaves), (*here).leafLimit},
	{"N01", cutOps, func(h *here) verdict {
		return verdict{do: onlyIf(before, h.step.Op.Does(treatment.Cuts) && h.blade == "elsewhere"), step: h.c.blade()}
	}},
	{"N02", cutOps, func(h *here) verdict {
		return verdict{do: onlyIf(before, h.step.Op.Does(treatment.Cuts) && h.blade == "dirty"), step: h.c.blade()}
	}},
	{"N24", ops(treatment.WashOff, treatment.Loosen, treatment.RootPrune), func(h *here) verdict {
		palm := h.c.is(treatment.PA, treatment.CY)
		if palm && h.step.Op == treatment.WashOff && h.step.Params.How != "falls" {
			s := h.step
			s.Params.How = "falls"
			return verdict{do: instead, step: s}
		}
		tied := h.c.roots >= 0.5 && (h.c.untied || h.c.code == treatment.MON && h.c.trait(plant.Brittle))
		return dropIf(palm && h.step.Op != treatment.WashOff || h.step.Op == treatment.Loosen && tied, "its roots are not made again")
	}},
	{"N42", ops(treatment.Soak, treatment.Flush), (*here).soaking},
	{"N42", ops(treatment.Flush), func(h *here) verdict {
		dry := treatment.MineralSet.Has(h.c.code) && h.moist != treatment.Due && h.moist != treatment.Dry
		return verdict{do: onlyIf(wait, dry && !h.gate), gate: "due, growing"}
	}},
	{"N43", append(ops(treatment.CupFill), medium...), func(h *here) verdict {
		return dropIf(h.c.firstRoots() && !h.gate && h.step.Params.For != "pieces", "no water before its new roots are long enough")
	}},
	{"N52", ops(treatment.PreWater), func(h *here) verdict {
		return dropIf(h.rot || h.c.dry || h.phase() == "resting", "it must stay dry")
	}},
	{"N58", append(ops(treatment.FeedIt, treatment.Temper), medium...), (*here).chilled},
	{"N39", medium, func(h *here) verdict {
		if !h.openWound() || h.step.Params.For == "pieces" {
			return verdict{}
		}
		return verdict{do: delay, day: h.healed(), why: "the cuts have not closed"}
	}},
	{"N51", nil, (*here).opposites},
	{"N53", ops(treatment.CoverIt), func(h *here) verdict {
		shut := h.step.Params.Cover == string(plant.CoverClosed) && (h.c.dry || h.c.kind.Cover == plant.CoverNone || h.c.any(treatment.LeafDiseases) || h.c.has(cause.Edema, cause.BroadMite))
		return dropIf(shut, "still wet air would harm it")
	}},
	{"N54", ops(treatment.CoverIt), func(h *here) verdict {
		return verdict{do: onlyIf(before, h.sun && !has(h.rest, treatment.ShadeIt)), step: do(treatment.ShadeIt, share(0.4))}
	}},
	{"N57", ops(treatment.Brighten), (*here).brighten},
	{"N59", ops(treatment.Humidify), func(h *here) verdict {
		return dropIf(h.c.any(treatment.LeafDiseases) || h.c.has(cause.BroadMite, cause.Edema) || h.c.is(treatment.RS, treatment.CA), "moist air helps the trouble")
	}},
	{"N62", ops(treatment.FeedIt), (*here).feedHow},
	{"N60", ops(treatment.FeedIt, treatment.Supplement), (*here).feedWhen},
	{"N61", ops(treatment.FeedIt, treatment.Supplement), func(h *here) verdict {
		dry := h.moist != treatment.Right && h.moist != treatment.Wet && h.moist != treatment.Soaked
		return verdict{do: onlyIf(before, !h.gate && dry && !has(h.gone, treatment.ByRule, treatment.FirstWater, treatment.Soak) && h.step.Params.Where != "leaves"), step: do(treatment.ByRule, water(h.c.betterWater()))}
	}},
	{"N63", sprays, (*here).spraying},
	{"N67", ops(treatment.LabelDrug), func(h *here) verdict {
		touched, known := treatment.Classes[h.step.Params.Class]
		return dropIf(known && !h.c.any(touched), "its class touches nothing that was accepted")
	}},
	{"N69", ops(treatment.LabelDrug), func(h *here) verdict {
		return dropIf(h.step.Params.Class == "copper" && h.c.copperHurts(), "copper kills its leaves")
	}},
	{"N70", ops(treatment.Systemic), (*here).systemic},
	{"N71", poisons, func(h *here) verdict {
		return dropIf(h.predator != never && h.day-h.predator < 28, "predators are at work")
	}},
	{"N74", ops(treatment.WashDown, treatment.Mist, treatment.Soap), func(h *here) verdict {
		return dropIf(h.earthed != never && h.day-h.earthed < 4, "the dust would be washed off")
	}},
	{"N77", ops(treatment.Alcohol, treatment.Scrape), func(h *here) verdict {
		return dropIf(h.c.trait(plant.PowderBloom), "its powdery bloom must not be wiped")
	}},
	{"N48", ops(treatment.Mist, treatment.WashDown), func(h *here) verdict {
		wetBad := !h.c.wetOK() || h.step.Op == treatment.Mist && h.c.has(cause.Virus)
		return dropIf(wetBad && !h.free, "it travels in drops")
	}},
	{"N05", ops(treatment.Mist), func(h *here) verdict { return dropIf(h.c.wetNo, "its leaves must stay dry") }},
	{"N84", nil, func(h *here) verdict {
		o, ok := treatment.OperatorByID(h.step.Op)
		return dropIf(ok && o.For != "" && !h.c.asked(o), "nothing accepted asks for it")
	}},
}

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
	return !x.is(treatment.MON, treatment.SYM, treatment.DEC, treatment.PA, treatment.CY, treatment.BR, treatment.AP, treatment.FE, treatment.GH, treatment.AC,
		treatment.RH, treatment.HC, treatment.GE, treatment.BU, treatment.CA)
}

var lowOrgans = []string{"rhizome", "corm", "bulb", "crown", "base", ""}

// cuttable says whether a rot cut leaves something that grows.
func (x *subject) cuttable(s step) bool {
	if s.Op == treatment.CutRot && slices.Contains(lowOrgans, s.Organ) {
		pointGone := x.Answers.PointHit.Said && x.Answers.Growths.Or(0) <= 1 && (x.Answers.Points.Or(0) == 1 || !x.Answers.Points.Known && x.one())
		return !x.is(treatment.PA, treatment.CY, treatment.AP, treatment.MON) && !pointGone
	}
	switch {
	case x.branches, x.is(treatment.RS, treatment.US, treatment.TS, treatment.CA, treatment.CF, treatment.AV, treatment.WO):
		return true
	case x.code == treatment.GE:
		return s.Organ == "neck" || s.Organ == "stem" || s.Organ == ""
	case x.code == treatment.MON:
		return x.Answers.RootsAbove.Or(0) >= 3
	case x.code == treatment.BR:
		return x.has(cause.SpentRosette)
	}
	return x.kind.Branches != plant.BranchesNo && (x.branchable() || x.kind.Branches == plant.BranchesCrown && x.is(treatment.JEW, treatment.BEG, treatment.TR, treatment.WV, treatment.IV, treatment.FC, treatment.CV))
}

var marks = []cause.ID{cause.SunScorch, cause.Edema, cause.SprayInjury, cause.ColdWaterMarks, cause.MesophyllCollapse, cause.Corking, cause.StressColour, cause.LampBurn}

// onlyMarks says whether all that was accepted are marks that do not spread, or
// harmless.
func (x *subject) onlyMarks() bool {
	if len(x.Causes) == 0 || !x.any(marks) {
		return false
	}
	for _, id := range x.Causes {
		cc, _ := cause.ByID(id)
		if !cc.Harmless && !slices.Contains(marks, id) {
			return false
		}
	}
	return true
}

// divisible says whether enough stays on both sides of a division.
func (x *subject) divisible(s step) bool {
	sorted := s.Op == treatment.PartIt && (x.has(cause.Detached) || s.Organ == "pieces" || x.any(treatment.Rots))
	if sorted {
		return true
	}
	g := x.Answers.Growths
	soft := s.Organ == "offset" || s.Organ == "keiki" || s.Organ == "leaf" || s.Organ == "pup"
	if x.one() && !soft && x.code != treatment.GE {
		return false
	}
	if !g.Known {
		return true
	}
	switch {
	case x.is(treatment.SYM, treatment.DEC) && s.Op == treatment.PartIt:
		return g.Value >= 6
	case x.is(treatment.SYM, treatment.DEC):
		return g.Value >= 4 || s.Organ == "keiki"
	case s.Op == treatment.PartIt:
		return g.Value >= 4
	}
	return true
}

func (h *here) thirstyTidy() verdict {
	if h.rot && h.c.any(treatment.Rots) {
		return verdict{}
	}
	if h.thirsty && h.gate {
		return verdict{}
	}
	if h.thirsty {
		return verdict{do: drop, why: "it is thirsty: what looks lost comes back"}
	}
	return verdict{do: onlyIf(delay, h.soaked != never && h.day-h.soaked < 4), day: h.soaked + 5, why: "it has only just drunk"}
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

func (h *here) soaking() verdict {
	s := h.step
	switch {
	case s.Params.WetDrops.Known && !h.rot && h.phase() != "resting" && !h.c.has(cause.NoDrainage):
		return verdict{}
	case h.rot:
		return verdict{do: drop, why: "with live rot nothing is soaked"}
	case h.c.has(cause.NoDrainage) && h.set == never && !has(h.gone, treatment.DrainSaucer):
		if h.seat == treatment.InPot || h.seat == treatment.InReservoir {
			return verdict{do: before, step: do(treatment.DrainSaucer)}
		}
		return verdict{do: drop, why: "the water has no way out"}
	case h.c.firstRoots() && !h.gate && s.Op == treatment.Flush:
		return verdict{do: wait, gate: h.c.ownRoots()}
	case h.phase() == "resting" && h.c.code != treatment.AP:
		if s.Op == treatment.Flush && !h.gate {
			return verdict{do: wait, gate: "first new growth"}
		}
		if h.thirsty && !restingDry(h.c.subject) {
			return verdict{do: instead, step: do(treatment.ByRule, what("a little: it rests"), water(h.c.betterWater()))}
		}
		return verdict{do: drop, why: "it rests"}
	case s.Op == treatment.Soak && (h.moist == treatment.Wet || h.moist == treatment.Soaked):
		return verdict{do: drop, why: "the medium is wet"}
	case s.Op == treatment.Flush && h.c.code == treatment.AP:
		return verdict{do: drop, why: "it has no medium"}
	case s.Op == treatment.Flush && s.Every > 0 && h.c.kind.RestKind != "":
		s.Every, s.Until = 0, "" // once, and again by its look: it would run into its rest
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
		return verdict{do: wait, gate: "28 d, growing, firm, moist, r 0.25"}
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

// opposed are pairs of operators that undo each other on one day: the second
// gives way.
var opposed = []struct{ first, second []treatment.OperatorID }{
	{append(ops(treatment.CupFill), medium...), ops(treatment.HoldWater)},
	{ops(treatment.ShadeIt), ops(treatment.Brighten)},
	{ops(treatment.HoldFeed), ops(treatment.FeedIt)},
	{ops(treatment.Isolate, treatment.KeepApart), ops(treatment.Release, treatment.Routine)},
	{ops(treatment.Predators), poisons},
}

func (h *here) opposites() verdict {
	if h.gate {
		return verdict{}
	}
	same := h.sameDay()
	op := h.step.Op
	if op == treatment.Air && slices.ContainsFunc(same, func(s step) bool { return s.Op == treatment.CoverIt && s.Params.Cover == string(plant.CoverClosed) }) {
		return verdict{do: drop, why: "a closed cover stands; it is aired daily"}
	}
	if op == treatment.ByRule && has(same, treatment.HoldWater) && !h.c.thirsty && h.c.has(cause.Overwatering, cause.Springtail, cause.NoDrainage, cause.BaseRot, cause.BlackRot) && h.soaked != h.day {
		return verdict{do: drop, why: "water is held until it is due"}
	}
	for _, o := range opposed {
		if slices.Contains(o.second, op) && has(same, o.first...) {
			if op == treatment.HoldWater && has(same, treatment.ByRule) && h.c.has(cause.Overwatering, cause.Springtail, cause.NoDrainage, cause.BaseRot, cause.BlackRot) && !h.c.thirsty &&
				!has(same, treatment.Soak, treatment.FirstWater, treatment.BottomWater, treatment.Flush, treatment.CupFill) {
				continue // the by-rule gives way
			}
			if op == treatment.FeedIt {
				return verdict{do: wait, gate: "28 d, growing, firm, moist, r 0.25"}
			}
			if op == treatment.Brighten {
				return verdict{do: delay, day: h.day + 14, why: "it stands shaded first"}
			}
			return verdict{do: drop, why: fmt.Sprintf("it would undo “%s” of the same day", has1(same, o.first))}
		}
	}
	return verdict{}
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
		return verdict{do: wait, gate: "firm, 14 d"}
	case h.c.has(cause.HeatStress, cause.ColdInjury, cause.BloomDrain) || burnt && h.day < 14:
		return verdict{do: wait, gate: "firm, 14 d, growing, no new mark"}
	case h.lost != never && h.day-h.lost < 14, h.c.root != nil && h.c.sat >= 0 && h.day < h.c.sat+14, h.c.pieces != nil, h.c.neck, h.c.held != "" && h.c.roots < 0.5, h.c.any(treatment.Rots):
		return verdict{do: wait, gate: "firm, 14 d after the root work"}
	}
	return verdict{}
}

const tankShare = 0.25

func (h *here) feedHow() verdict {
	s := h.step
	switch {
	case h.c.code == treatment.CV:
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	case h.c.code == treatment.BR && s.Params.Share.Or(1) > tankShare:
		s.Params.Share = num(tankShare)
		return verdict{do: instead, step: s}
	case !h.gate && (h.c.any(treatment.Rots) || h.c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury)):
		return verdict{do: wait, gate: "28 d, growing, firm, moist, r 0.25"}
	}
	return verdict{}
}

const fedRoots = 0.25

func (h *here) feedWhen() verdict {
	c := h.c
	tonic := h.step.Op == treatment.Supplement && strings.Contains(h.step.Params.What, "tonic") && (c.school == treatment.Rest || c.school == treatment.ClayPot)
	if tonic {
		resting := c.resting() || c.has(cause.SaltInjury, cause.ColdInjury, cause.Drought) || c.roots < 0.15
		return dropIf(resting, "it rests, or could not take it up")
	}
	if h.gate {
		return verdict{}
	}
	if h.step.Op == treatment.Supplement && c.code == treatment.CV {
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	}
	nd := c.Answers.NewcomerDays
	not := h.roots < fedRoots || h.openWound() || h.rooted != never && h.day-h.rooted < 28 || h.thirsty || h.phase() != "growing" || h.salt && h.day < 56 ||
		nd.Known && nd.Value+float64(h.day) < newcomerDays || c.has(cause.Drought, cause.SettlingIn, cause.SpentRosette, cause.BloomDrain, cause.ColdInjury) || c.piece ||
		c.gated || c.sat >= 0 && (c.root != nil || c.change) || c.any(treatment.Rots) || c.limp && h.soaked == never && h.watered == never
	if not {
		return verdict{do: wait, gate: "28 d, growing, firm, moist, r 0.25"}
	}
	// A repeated feed stops where the kind rests.
	if h.step.Every > 0 {
		if end, ok := dayOf(h.step.Until); ok || h.step.Until != "" {
			if !ok {
				end = h.day + 84
			}
			for d := h.day; d <= end; d++ {
				if c.phase(d) == "resting" {
					if d-h.step.Every <= h.day {
						return verdict{do: wait, gate: "28 d, growing, firm, moist, r 0.25"}
					}
					s := h.step
					s.Until = fmt.Sprintf("d%d", d-1)
					if s.Until == h.step.Until {
						return verdict{}
					}
					c.leave(string(s.Op), "it ends where the kind's rest begins")
					return verdict{do: instead, step: s}
				}
			}
		}
	}
	return verdict{}
}

func (h *here) spraying() verdict {
	c, s := h.c, h.step
	if s.Op == treatment.Soap && s.Params.Where == "roots" {
		return dropIf(c.trait(plant.SoapTender, plant.PowderBloom), "its kind does not bear soap")
	}
	onLeaves := s.Op != treatment.LabelDrug || (c.any(treatment.LeafDiseases) || len(c.pests) > 0) && !slices.Contains(below, s.Organ) && s.Organ != "crown"
	switch {
	case s.Op == treatment.Soap && c.trait(plant.SoapTender, plant.PowderBloom):
		return verdict{do: drop, why: "its leaves do not bear soap"}
	case s.Op == treatment.Oil && c.trait(plant.OilTender, plant.PowderBloom, plant.Fuzzy):
		return verdict{do: drop, why: "its leaves do not bear oil"}
	case !onLeaves:
		return verdict{}
	case c.airC > 30:
		return verdict{do: drop, why: "over 30 °C every product burns"}
	case h.thirsty:
		return verdict{do: drop, why: "a thirsty plant burns under it"}
	case h.sun:
		return verdict{do: before, step: do(treatment.ShadeIt, share(0.4))}
	case h.soaked != never && h.day-h.soaked < drinkDays:
		return verdict{do: delay, day: h.soaked + drinkDays, why: "it has only just drunk"}
	case !h.gate && h.day < drinkDays && (c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury, cause.HeatStress, cause.ColdInjury)):
		return verdict{do: delay, day: drinkDays, why: "burnt or chilled leaves bear no product yet"}
	}
	return verdict{}
}

func (h *here) systemic() verdict {
	c := h.c
	home := c.Household
	dry := h.moist == treatment.Dry || h.moist == treatment.Bone || h.moist == treatment.Due
	switch {
	case home.Pollinators || home.Edible || c.trait(plant.Edible) || c.Place.Outdoors.Said && c.Answers.Spikes.Or(0) > 0:
		return verdict{do: drop, why: "bees or food could meet it"}
	case h.rooted != never && h.watered < h.rooted:
		return verdict{do: wait, gate: "moist again, after the first water"}
	case dry && !h.gate && !has(h.gone, medium...):
		return verdict{do: before, step: do(treatment.ByRule)}
	}
	return verdict{}
}

// mostMends bounds how often a plan is simulated anew: each mend moves, drops or
// adds one step, and none comes back.
const mostMends = 400

// mend simulates the plan, asks the guards at every step and mends the first
// thing they name, until nothing is named any more.
func (c *composer) mend(list []*sit) []*sit {
	for range mostMends {
		estimate(list)
		next, changed := c.mendOnce(list)
		list = next
		if !changed {
			break
		}
	}
	return list
}

func (c *composer) mendOnce(list []*sit) ([]*sit, bool) {
	w := c.begin()
	for _, s := range list {
		w.enter(s)
		for i := range s.steps {
			h := &here{world: w, s: s, i: i, step: s.steps[i], rest: s.steps[i+1:], gone: s.steps[:i], plans: list}
			for _, g := range guards {
				if !c.heeds(g.rule) || len(g.ops) > 0 && !slices.Contains(g.ops, h.step.Op) {
					continue
				}
				if v := g.says(h); v.do != fine {
					return c.apply(list, h, v), true
				}
			}
			w.do(h.step)
		}
		if out, dried := c.dryEnd(w, s); dried {
			s.steps = out
			return list, true
		}
	}
	return list, false
}

// dryEnd dries what must be dry by night, where the sitting left it wet.
func (c *composer) dryEnd(w *world, s *sit) ([]step, bool) {
	if len(s.steps) == 0 || s.steps[len(s.steps)-1].Op == treatment.CrownDry {
		return nil, false
	}
	crown := c.heeds("N46") && w.drips()
	night := c.heeds("N47") && c.wetNo && w.wet[treatment.Leaves] && s.slot == treatment.Evening
	if !crown && !night {
		return nil, false
	}
	return append(slices.Clone(s.steps), do(treatment.CrownDry)), true
}

// apply does what a guard says.
func (c *composer) apply(list []*sit, h *here, v verdict) []*sit {
	s := h.s
	switch v.do {
	case before:
		s.steps = slices.Insert(slices.Clone(s.steps), h.i, v.step)
		return list
	case instead:
		s.steps = slices.Clone(s.steps)
		s.steps[h.i] = v.step
		return list
	}
	if v.why != "" {
		c.leave(string(h.step.Op), v.why)
	}
	moved := []step{h.step}
	from, to := h.i, h.i+1
	if v.do == drop && slices.Contains(sprays, h.step.Op) { // its rinse goes with it
		if to < len(s.steps) && s.steps[to].Op == treatment.RinseOff {
			to++
		}
	}
	if v.do == delay && slices.Contains(sprays, h.step.Op) {
		for to < len(s.steps) && (s.steps[to].Op == treatment.RinseOff || s.steps[to].Op == treatment.CrownDry || s.steps[to].Op == treatment.CrownDrain) {
			moved = append(moved, s.steps[to])
			to++
		}
	}
	if v.do != drop && h.step.Op.Does(treatment.Cuts) && from > 0 && s.steps[from-1].Op == treatment.CleanBlade {
		from--
	}
	if v.do == delay && h.step.Op == treatment.RemoveLeaves {
		moved = append(moved, c.bag()...)
	}
	if v.do == wait {
		moved[0] = c.waiting(moved[0], s.day)
	}
	s.steps = slices.Concat(s.steps[:from], s.steps[to:])
	switch v.do {
	case delay:
		if !s.dated {
			return c.behind(list, s, fmt.Sprintf("%d d later", max(1, v.day-s.day)), moved)
		}
		return c.onDay(list, v.day, moved)
	case wait:
		for _, g := range list {
			if !g.dated && g.gate == v.gate && g.kind == "" {
				if !has(g.steps, h.step.Op) {
					g.steps = append(g.steps, moved...)
				}
				return list
			}
		}
		return append(list, &sit{slot: treatment.Morning, gate: v.gate, steps: moved})
	}
	return list
}

// waiting lets a repeated step that now waits for its gate count from there. A
// kind that rests is fed once, and after that by its routine.
func (c *composer) waiting(s step, day int) step {
	if s.Op == treatment.FeedIt && c.kind.RestKind != "" {
		s.Every, s.Until = 0, ""
		return s
	}
	if end, ok := dayOf(s.Until); ok {
		s.Until = fmt.Sprintf("%d d", max(1, end-day))
	}
	return s
}

// behind puts steps into a sitting right after a gated one.
func (c *composer) behind(list []*sit, s *sit, gate string, steps []step) []*sit {
	i := slices.Index(list, s)
	return slices.Insert(list, i+1, &sit{slot: treatment.Morning, gate: gate, after: true, steps: steps})
}

// onDay puts steps into the sitting of a day, or makes one.
func (c *composer) onDay(list []*sit, day int, steps []step) []*sit {
	for _, s := range list {
		if s.dated && s.day == day && s.slot == treatment.Morning {
			at := len(s.steps)
			for i, x := range s.steps {
				if orderOf(x.Op) > orderOf(steps[0].Op) && !slices.Contains(h2, x.Op) {
					at = i
					break
				}
			}
			if has(s.steps, treatment.Unpot) { // never into the middle of a root sitting
				at = 0
			}
			s.steps = tidy(slices.Insert(slices.Clone(s.steps), at, steps...))
			return list
		}
	}
	list = append(list, &sit{dated: true, day: day, slot: treatment.Morning, steps: steps})
	sortSits(list)
	return list
}

var h2 = ops(treatment.CleanBlade)
