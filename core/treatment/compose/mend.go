package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// verdict is what a guard says of a step.
type verdict struct {
	do   action
	why  string
	step step      // put before it, or in its place
	day  int       // the day it is delayed to
	gate gate.Gate // the gate it waits for
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
	poisons = ops(
		treatment.Soap,
		treatment.Oil,
		treatment.Alcohol,
		treatment.Earth,
		treatment.LabelDrug,
		treatment.Systemic,
	)
	shaping = ops(treatment.PullDead, treatment.RemoveLeaves, treatment.TrimBranch)
)

// guards are the rules that a simulated plan is held against, in the order in
// which they are asked.
var guards = []guard{
	{treatment.NeverPartItLacks, ops(treatment.StripSpikes), func(h *here) verdict {
		return dropIf(
			h.c.is(treatment.Fern, treatment.Palm, treatment.Cycad, treatment.Ivy) ||
				h.c.Facts.Spikes.Known && h.c.Facts.Spikes.Value == 0 && !h.c.flowersWithout(),
			"it has no spike",
		)
	}},
	{
		treatment.NeverPartItLacks,
		ops(treatment.RemoveLeaves, treatment.LeafCut),
		func(h *here) verdict { return dropIf(h.c.leafless, "it has no leaves") },
	},
	{
		treatment.NeverPartItLacks,
		ops(treatment.RemoveLeaves),
		func(h *here) verdict {
			return dropIf(h.c.livingStone() && !h.step.Params.Mush, "its few leaves are its body: none is cut for marks")
		},
	},
	{
		treatment.NeverPartItLacks,
		ops(treatment.CupFill),
		func(h *here) verdict { return dropIf(h.c.habitID != treatment.Bromeliad, "it has no cup") },
	},
	{treatment.NeverPartItLacks, ops(treatment.TakeOffset), func(h *here) verdict {
		return dropIf(
			h.c.Facts.Plantlets.Known && h.c.Facts.Plantlets.Value == 0 && !h.gate,
			"no offset was seen",
		)
	}},
	{treatment.NeverPartItLacks, ops(treatment.CutRot), func(h *here) verdict {
		return dropIf(
			h.step.Organ == treatment.OnBulb && h.c.habitID != treatment.BulbPlant &&
				h.c.named && h.c.kind.Thirst != "wrinkled-bulb",
			"it has no bulb",
		)
	}},
	{
		treatment.NeverPotlessInPot,
		ops(
			treatment.SlideLook,
			treatment.DrainSaucer,
			treatment.Loosen,
			treatment.TopDress,
			treatment.RootPrune,
			treatment.PotUp,
			treatment.DryTop,
		),
		func(h *here) verdict {
			in := slices.Contains(
				[]facts.Seat{
					facts.InPot,
					facts.InDish,
					facts.InReservoir,
					facts.InHand,
					facts.OnTray,
				},
				h.Seat,
			)
			in = in && !(h.step.Op == treatment.Loosen && h.c.untied)
			return dropIf(
				!in && !(h.step.Op == treatment.TopDress && h.Seat == facts.InBasket),
				"it stands in no pot",
			)
		},
	},
	{
		treatment.NeverCutNothingRegrows,
		ops(treatment.TrimBranch),
		func(h *here) verdict { return dropIf(!h.c.branchable(), "its kind does not branch when it is cut") },
	},
	{treatment.NeverCutGraft, ops(treatment.Behead), func(h *here) verdict {
		return dropIf(h.c.trait(plant.Grafted), "its top has no roots of its own: only grafting it again saves it")
	}},
	{treatment.NeverCutNothingRegrows, ops(treatment.CutRot, treatment.Behead), func(h *here) verdict {
		return dropIf(!h.c.cuttable(h.step), "nothing would grow again from below the cut")
	}},
	{
		treatment.NeverCutNothingRegrows,
		ops(
			treatment.TipCut,
			treatment.NodeBox,
			treatment.LeafCut,
			treatment.PartIt,
			treatment.RootPrune,
			treatment.Insurance,
		),
		func(h *here) verdict {
			return dropIf(h.c.oneTopped(), "it has a single growing point")
		},
	},
	{
		treatment.NeverCutOldMarks,
		ops(treatment.RemoveLeaves, treatment.TrimBranch, treatment.CutRot, treatment.Behead),
		func(h *here) verdict {
			return dropIf(
				!h.step.Params.Mush && h.c.onlyMarks() && h.c.Wish != treatment.Prune &&
					h.c.Wish != treatment.Propagate,
				"the marks do not spread; the leaf still feeds it",
			)
		},
	},
	{
		treatment.NeverPieceTravels,
		ops(treatment.Insurance, treatment.TipCut, treatment.NodeBox, treatment.LeafCut, treatment.Layer),
		func(h *here) verdict {
			return dropIf(len(h.c.travels()) > 0 && !h.Free, "what ails it travels with a piece")
		},
	},
	{treatment.NeverPieceOfPiece, ops(treatment.Insurance), func(h *here) verdict {
		return dropIf(h.c.piece, "it is itself a piece")
	}},
	{
		treatment.NeverDivideBelowLeast,
		ops(treatment.PartIt, treatment.Insurance),
		func(h *here) verdict { return dropIf(!h.c.divisible(h.step), "too little would stay on one side") },
	},
	{treatment.NeverTidyThirsty, shaping, (*here).thirstyTidy},
	{treatment.NeverThirdOfLeaves, ops(treatment.RemoveLeaves), (*here).leafLimit},
	{treatment.NeverBladeUnclean, cutOps, func(h *here) verdict {
		return verdict{
			do:   onlyIf(before, h.step.Op.Does(treatment.Cuts) && h.Blade == state.Away),
			step: h.c.blade(),
		}
	}},
	{treatment.NeverBladeAfterInfected, cutOps, func(h *here) verdict {
		return verdict{do: onlyIf(before, h.step.Op.Does(treatment.Cuts) && h.Blade == state.Dirty), step: h.c.blade()}
	}},
	{treatment.NeverTangleBrittle, ops(treatment.WashOff, treatment.Loosen, treatment.RootPrune), func(h *here) verdict {
		palm := h.c.is(treatment.Palm, treatment.Cycad)
		if palm && h.step.Op == treatment.WashOff && h.step.Params.How != "falls" {
			s := h.step
			s.Params.How = "falls"
			return verdict{do: instead, step: s}
		}
		tied := h.c.roots >= 0.5 && (h.c.untied || h.c.habitID == treatment.Monopodial && h.c.trait(plant.Brittle))
		return dropIf(
			palm && h.step.Op != treatment.WashOff || h.step.Op == treatment.Loosen && tied,
			"its roots are not made again",
		)
	}},
	{treatment.NeverSoakRotting, ops(treatment.Soak, treatment.Flush), (*here).soaking},
	{treatment.NeverSoakRotting, ops(treatment.Flush), func(h *here) verdict {
		dry := treatment.MineralSet().Has(h.c.habitID) && h.Moist != facts.Due && h.Moist != facts.Dry
		return verdict{do: onlyIf(wait, dry && !h.gate), gate: due.With(growth...)}
	}},
	{treatment.NeverRootlessWater, append(ops(treatment.CupFill), medium...), func(h *here) verdict {
		return dropIf(
			h.c.firstRoots() && !h.gate && h.step.Params.For != treatment.ForPieces,
			"no water before its new roots are long enough",
		)
	}},
	{treatment.NeverPreWaterRot, ops(treatment.PreWater), func(h *here) verdict {
		return dropIf(h.Rot || h.c.dry || h.phase() == "resting", "it must stay dry")
	}},
	{treatment.NeverWarmTooFast, append(ops(treatment.FeedIt, treatment.Temper), medium...), (*here).chilled},
	{treatment.NeverWetOpenCut, medium, func(h *here) verdict {
		if !h.OpenWound() || h.step.Params.For == treatment.ForPieces {
			return verdict{}
		}
		return verdict{do: delay, day: h.healed(), why: cutsOpen}
	}},
	{treatment.NeverWaterBeforeDry, ops(treatment.FirstWater), func(h *here) verdict {
		dry := h.StemCut() + h.c.stemDry[0]
		early := h.day < dry && !h.gate && h.step.Params.For != treatment.ForPieces
		return verdict{do: onlyIf(delay, early), day: dry, why: cutIsDry}
	}},
	{treatment.NeverOpposites, nil, (*here).opposites},
	{treatment.NeverClosedCover, ops(treatment.CoverIt), func(h *here) verdict {
		shut := h.step.Params.Cover == plant.CoverClosed && h.c.stillAirHarms()
		return dropIf(shut, "still wet air would harm it")
	}},
	{treatment.NeverCoveredInSun, ops(treatment.CoverIt), func(h *here) verdict {
		return verdict{
			do:   onlyIf(before, h.Sun && !has(h.rest, treatment.ShadeIt)),
			step: do(treatment.ShadeIt, share(0.4)),
		}
	}},
	{treatment.NeverLightOnWeak, ops(treatment.Brighten), (*here).brighten},
	{treatment.NeverHumidDisease, ops(treatment.Humidify), func(h *here) verdict {
		return dropIf(
			h.c.any(treatment.LeafDiseases()) || h.c.has(cause.BroadMite, cause.Edema) ||
				h.c.is(treatment.SucculentRosette, treatment.Cactus),
			"moist air helps the trouble",
		)
	}},
	{treatment.NeverFeedWrongWay, ops(treatment.FeedIt), (*here).feedHow},
	{treatment.NeverFeedWeak, ops(treatment.FeedIt, treatment.Supplement), (*here).feedWhen},
	{treatment.NeverFeedDry, ops(treatment.FeedIt, treatment.Supplement), func(h *here) verdict {
		return dropIf(
			h.c.firstRoots() && !h.gate && h.step.Params.Where != "leaves",
			"no water before its new roots are long enough",
		)
	}},
	{treatment.NeverFeedDry, ops(treatment.FeedIt, treatment.Supplement), func(h *here) verdict {
		dry := h.Moist != facts.Right && h.Moist != facts.Wet && h.Moist != facts.Soaked
		return verdict{
			do: onlyIf(
				before,
				!h.gate && dry && !has(h.gone, treatment.ByRule, treatment.FirstWater, treatment.Soak) &&
					h.step.Params.Where != "leaves",
			),
			step: do(treatment.ByRule, water(h.c.betterWater())),
		}
	}},
	{treatment.NeverProductOnWeak, sprays, (*here).spraying},
	{treatment.NeverProductTouchesNothing, ops(treatment.LabelDrug), func(h *here) verdict {
		touched, known := treatment.ClassTouches(h.step.Params.Class)
		return dropIf(known && !h.c.any(touched), "its class touches nothing that was accepted")
	}},
	{treatment.NeverCopperHarm, ops(treatment.LabelDrug), func(h *here) verdict {
		return dropIf(h.step.Params.Class == "copper" && h.c.copperHurts(), "copper kills its leaves")
	}},
	{treatment.NeverSystemicHarm, ops(treatment.Systemic), (*here).systemic},
	{treatment.NeverPredatorsPoisoned, poisons, func(h *here) verdict {
		return dropIf(h.PredatorsOn != never && h.day-h.PredatorsOn < 28, "predators are at work")
	}},
	{treatment.NeverSulphurAfterOil, ops(treatment.WashDown, treatment.Mist, treatment.Soap), func(h *here) verdict {
		return dropIf(h.DustedOn != never && h.day-h.DustedOn < 4, "the dust would be washed off")
	}},
	{treatment.NeverWipeBloom, ops(treatment.Alcohol, treatment.Scrape), func(h *here) verdict {
		return dropIf(h.c.trait(plant.PowderBloom), "its powdery bloom must not be wiped")
	}},
	{treatment.NeverMistDisease, ops(treatment.Mist, treatment.WashDown), func(h *here) verdict {
		wetBad := !h.c.wetOK() || h.step.Op == treatment.Mist && h.c.has(cause.Virus)
		return dropIf(wetBad && !h.Free, "it travels in drops")
	}},
	{treatment.NeverPartItLacks, ops(treatment.Mist), func(h *here) verdict {
		return dropIf(h.c.wetNo, "its leaves must stay dry")
	}},
	{treatment.NeverUnasked, nil, func(h *here) verdict {
		o, ok := treatment.OperatorByID(h.step.Op)
		why := "nothing accepted asks for it"
		if h.step.Op == treatment.Humidify {
			why = "" // nobody misses it
		}
		return dropIf(ok && o.For != "" && !h.c.asked(o), why)
	}},
}
