package compose

import (
	"tendermend/core/cause"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// Parts of recipes that many causes share.
var (
	// judged by new growth: the marks stay, nothing is cut.
	judged = []item{at(14, t.Look, every(14, "2 clean new leaves"), note("marks against the picture"))}
	// spots on leaves: marked leaves off, air, water on the medium only.
	spots = []item{
		at(0, t.Air),
		at(0, t.ByRule, what("medium only, morning")),
		leaves(false, 0),
		at(5, t.Look, every(5, "14 d without a new mark")),
	}
	// a heart that rots: dry, no unpotting, and patience for side shoots.
	heart = []item{at(0, t.Air), at(4, t.ByRule, what("medium only, morning")),
		when("new keiki, side shoot or pup, up to 9 months", t.Look)}
	// a crown that is not cut: freed, dry, watched.
	uncut = []item{
		at(0, t.RaiseBase),
		at(0, t.HoldWater, until("due")),
		at(0, t.Air),
		when("due", t.ByRule, what("medium only, morning")),
	}
	// an air plant: what is mush off, and dry.
	airy = []item{leaves(true, 0), at(0, t.Air), at(7, t.Look, every(7, "d28"))}
	// look and leave.
	static = []item{at(14, t.Look, every(14, "d56"))}
)

const (
	closed = plant.CoverClosed
	open   = plant.CoverOpen
	none   = plant.CoverNone
)

// recipes are the treatments, gravest causes first; of the rows for one cause
// the first that fits is taken (society disease sheets, extension plant clinics
// and growers' practice, from memory).
var recipes = []recipe{
	// water
	{cause.Overwatering, on(t.CV), []item{at(0, t.ByRule, what("tray lower")), at(3, t.Look), at(7, t.Look)}},
	{
		cause.Overwatering,
		all,
		[]item{
			at(0, t.DrainSaucer),
			at(0, t.HoldWater, until("due")),
			given(limp, at(0, t.ShadeIt)),
			at(0, t.Air),
			at(3, t.Look),
			at(7, t.Look, note("limp, smell or no better: plan for root rot")),
			when("due", t.ByRule),
		},
	},
	{cause.Springtail, all, []item{at(0, t.HoldWater, until("due")), at(3, t.Look), when("due", t.ByRule)}},
	{cause.UnevenWater, all, []item{at(0, t.ByRule, every(3, "2 new leaves")), at(14, t.Look, every(7, "d42"))}},
	{cause.Edema, all, join([]item{at(0, t.Air), at(0, t.ByRule, what("morning"))}, judged)},
	{cause.ColdWaterMarks, all, []item{at(0, t.ByRule, water("at room warmth, from below")), at(28, t.Look)}},
	{cause.CrownWet, all, []item{at(0, t.CrownDrain), at(0, t.CrownDry), at(1, t.Look, every(1, "d7"))}},
	{
		cause.CupFoul,
		all,
		[]item{
			at(0, t.CrownDrain),
			at(0, t.CrownDry),
			at(1, t.CupFill, share(0.25), water("low-mineral")),
			at(7, t.Look),
		},
	},

	// drought
	{
		cause.Drought,
		restingDry,
		[]item{at(0, t.ShadeIt), at(3, t.Look, every(7, "growth"), note("at rest: only look; a sip if it shrivels"))},
	},
	{
		cause.Drought,
		on(t.AP),
		[]item{at(0, t.Soak), at(0, t.ShadeIt), at(1, t.Look, every(1, "d4")), at(3, t.ByRule), at(5, t.PullDead)},
	},
	{
		cause.Drought,
		on(t.BR),
		[]item{
			at(0, t.CrownDrain),
			at(0, t.CupFill, share(0.25), water("low-mineral")),
			at(0, t.FirstWater, how("light")),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until("d28")),
			at(1, t.Look, every(1, "d4")),
			at(5, t.PullDead),
			at(5, t.ByRule),
		},
	},
	{
		cause.Drought,
		on(t.JEW),
		[]item{
			at(0, t.Soak),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until("d28")),
			at(1, t.Look, every(1, "d4")),
			at(5, t.ByRule),
		},
	},
	{
		cause.Drought,
		dryKinds,
		[]item{
			at(0, t.Soak),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until("d28")),
			at(1, t.Look, every(3, "d14")),
			at(5, t.PullDead),
			at(7, t.ByRule),
		},
	},
	{
		cause.Drought,
		all,
		[]item{
			at(0, t.Soak),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until("d28")),
			at(1, t.Look, every(1, "d4")),
			at(5, t.PullDead),
			at(5, t.Refill),
			at(5, t.ByRule),
			when("28 d, new growth, r 0.25", t.FeedIt, share(0.25)),
		},
	},
	{cause.MediumRepels, on(t.AP), []item{at(0, t.Soak)}},
	{
		cause.MediumRepels,
		all,
		[]item{
			at(0, t.Soak, with(func(p *t.Params) { p.WetDrops = num(3) })),
			at(1, t.Look, note("a stick to the core: dry, then soak once more")),
			at(
				5,
				t.PullDead,
			),
			at(5, t.BottomWater, with(func(p *t.Params) { p.N = num(3) })),
			roots(wholeBall, inSeason, notBefore(14)),
		},
	},

	// rot
	{cause.RootRot, on(t.AP), airy},
	{cause.RootRot, on(t.PA), []item{roots(washRoots, whatFalls, covered(open))}},
	{cause.RootRot, untied, []item{roots(washRoots)}},
	{cause.RootRot, on(t.JEW), []item{roots(washRoots, covered(closed), insured)}},
	{cause.RootRot, orchids, []item{roots(washRoots, covered(open), sheathsOff)}},
	{cause.RootRot, on(t.FC), []item{roots(washRoots, covered(none), insured)}},
	{cause.RootRot, on(t.BU), []item{roots(washRoots, covered(none), scalesOff)}},
	{cause.RootRot, on(t.CY), []item{roots(washRoots, whatFalls, washedDry)}},
	{cause.RootRot, dryKinds, []item{roots(callusDry)}},
	{cause.RootRot, on(t.FE, t.CV), []item{roots(washRoots, covered(closed))}},
	{cause.RootRot, on(t.BR), []item{roots(washRoots, covered(none), staked)}},
	{cause.RootRot, all, []item{roots(washRoots, covered(closed), insured, staked)}},
	{cause.BaseRot, on(t.MON, t.BR), join([]item{crown(""), at(1, t.Look, every(1, "d7"))}, heart)},
	{cause.BaseRot, on(t.SYM, t.DEC), []item{roots(washRoots, cutting("rhizome"))}},
	{cause.BaseRot, on(t.GE), []item{neckCut}},
	{cause.BaseRot, on(t.RS, t.US, t.TS, t.CA), []item{roots(callusDry, beheaded, cutting(""))}},
	{cause.BaseRot, on(t.JEW), []item{pieces("mother", "node", closed, t.NodeBox, t.TipCut)}},
	{cause.BaseRot, on(t.FC), []item{pieces("mother", "segment", none, t.TipCut)}},
	{cause.BaseRot, on(t.FE, t.RH, t.HC, t.CV), []item{roots(washRoots, cutting("crown"), parted, covered(closed))}},
	{cause.BaseRot, on(t.BU), []item{roots(washRoots, cutting("bulb"), covered(none))}},
	{cause.BaseRot, on(t.PA, t.CY, t.GH), join(uncut, []item{at(1, t.Look, every(1, "d7"))})},
	{cause.BaseRot, on(t.AP), airy},
	{cause.BaseRot, on(t.AC), []item{roots(washRoots, cutting("corm"), covered(open), insured)}},
	{cause.BaseRot, on(t.CF), []item{roots(washRoots, cutting("stem"), covered(none), insured)}},
	{cause.BaseRot, all, []item{roots(washRoots, cutting("stem"), covered(open), insured)}},
	{cause.BlackRot, on(t.MON, t.BR), join([]item{crown("oomycete"), at(1, t.Look, every(1, "d14"))}, heart)},
	{cause.BlackRot, on(t.SYM, t.DEC), []item{roots(washRoots, cutting("rhizome"), drug("oomycete"), daily(14))}},
	{cause.BlackRot, on(t.RS, t.US, t.TS), []item{roots(callusDry, beheaded, cutting(""), daily(14))}},
	{cause.BlackRot, on(t.GE), []item{neckCut}},
	{
		cause.BlackRot,
		on(t.PA, t.CY, t.GH),
		join(
			uncut,
			[]item{
				at(1, t.LabelDrug, organ("stem"), with(func(p *t.Params) { p.Class, p.DoseTyped = "oomycete", true })),
				at(1, t.Look, every(1, "d14")),
			},
		),
	},
	{cause.BlackRot, on(t.AP), airy},
	{cause.BlackRot, on(t.FC), []item{roots(washRoots, cutting("body"), drug("oomycete"), covered(none), daily(14))}},
	{cause.BlackRot, on(t.BU), []item{roots(washRoots, cutting("bulb"), drug("oomycete"), daily(14))}},
	{cause.BlackRot, on(t.AC), []item{roots(washRoots, cutting("corm"), drug("oomycete"), covered(open), daily(14))}},
	{
		cause.BlackRot,
		on(t.FE, t.RH, t.HC, t.CV),
		[]item{roots(washRoots, cutting("crown"), parted, drug("oomycete"), covered(closed), daily(14))},
	},
	{cause.BlackRot, all, []item{roots(washRoots, cutting("stem"), drug("oomycete"), covered(open), daily(14))}},
	{
		cause.SoftRot,
		leafless,
		[]item{
			at(0, t.CutRot, organ("body"), with(func(p *t.Params) { p.BeyondCM = num(2) })),
			at(0, t.Air),
			at(0, t.HoldWater, until("due")),
			at(1, t.Look, every(1, "d7")),
			when("d14, due", t.ByRule, what("medium only")),
		},
	},
	{
		cause.SoftRot,
		all,
		[]item{
			leaves(true, 0),
			at(0, t.Air),
			at(1, t.LabelDrug, organ("leaf"), with(func(p *t.Params) { p.Class, p.DoseTyped = "bacteria", true })),
			at(1, t.Look, every(1, "d7")),
			at(3, t.ByRule, what("medium only, morning")),
		},
	},
	{cause.Fusarium, on(t.SYM, t.DEC), []item{roots(washRoots, cutting("rhizome")), at(28, t.Look)}},
	{cause.Fusarium, all, []item{at(0, t.KeepApart), at(28, t.Look, every(28, "d365"))}},
	{cause.SouthernBlight, all, []item{binIt}},

	// roots
	{cause.DryRootLoss, on(t.AP), []item{at(0, t.Soak), at(7, t.Look, every(7, "d28"))}},
	{cause.DryRootLoss, untied, []item{roots(washRoots)}},
	{cause.DryRootLoss, on(t.JEW), []item{roots(washRoots, covered(closed))}},
	{cause.DryRootLoss, orchids, []item{roots(washRoots, covered(open))}},
	{cause.DryRootLoss, on(t.FC, t.BU), []item{roots(washRoots, covered(none))}},
	{cause.DryRootLoss, on(t.CY, t.PA), []item{roots(washRoots, whatFalls, covered(open))}},
	{cause.DryRootLoss, dryKinds, []item{roots(callusDry)}},
	{cause.DryRootLoss, all, []item{roots(washRoots, covered(closed), staked)}},
	{cause.Detached, on(t.AP), []item{at(0, t.Stake), at(7, t.Look, every(7, "d56"))}},
	{cause.Detached, on(t.JEW, t.AV, t.WV), []item{pieces("piece", "node", closed, t.NodeBox)}},
	{cause.Detached, orchids, []item{roots(washRoots)}},
	{cause.Detached, on(t.TR, t.IV, t.BEG), []item{pieces("piece", "tip", closed, t.TipCut)}},
	{cause.Detached, on(t.WO, t.CF), []item{pieces("piece", "tip", open, t.TipCut)}},
	{cause.Detached, on(t.FC), []item{pieces("piece", "segment", none, t.TipCut)}},
	{cause.Detached, on(t.CY), []item{roots(washRoots, whatFalls, washedDry)}},
	{cause.Detached, on(t.PA), []item{roots(washRoots, whatFalls, covered(open))}},
	{cause.Detached, dryKinds, []item{roots(callusDry)}},
	{cause.Detached, on(t.BR), []item{roots(washRoots, staked)}},
	{cause.Detached, all, []item{roots(washRoots, covered(closed))}},
	{cause.MossSmothered, all, []item{roots(washRoots, mossOff)}},
	{cause.WaterRoots, all, []item{roots(wholeBall, covered(open), freshMix), at(14, t.Look)}},
	{cause.RootNematode, on(t.TR, t.AV, t.WV, t.BEG), []item{pieces("mother", "tip", closed, t.TipCut), binIt}},
	{cause.RootNematode, all, []item{binIt}},

	// medium and pot
	{cause.MediumCollapsed, untied, []item{roots(washRoots)}},
	{cause.MediumCollapsed, on(t.MON, t.SYM, t.DEC, t.BR), []item{roots(washRoots, staked)}},
	{cause.MediumCollapsed, func(x *subject) bool { return x.code == t.FE && x.epiphyte }, []item{roots(washRoots)}},
	{cause.MediumCollapsed, on(t.JEW), []item{roots(wholeBall, withTips)}},
	{cause.MediumCollapsed, all, []item{roots(wholeBall)}},
	{cause.PotTooBig, untied, []item{at(3, t.Look)}},
	{cause.PotTooBig, all, []item{roots(wholeBall, inSeason, smaller)}},
	{cause.PotBound, all, []item{roots(wholeBall, inSeason, potBound)}},
	{cause.NoDrainage, all, []item{at(0, t.DrainSaucer), given(drowning, roots(wholeBall)),
		given(holeless, roots(wholeBall, inSeason)), at(7, t.Look)}},
	{cause.BaseBuried, all, []item{at(0, t.RaiseBase), at(14, t.Look, every(14, "d56"))}},
	{cause.Congested, all, []item{roots(washRoots, parted, inSeason)}},

	// light, air and warmth
	{cause.LowLight, dryKinds, join([]item{at(0, t.Brighten, share(0.25), every(3, "light_best"))}, judged)},
	{
		cause.LowLight,
		all,
		join(
			[]item{
				given(branching, at(5, t.TrimBranch)),
				at(5, t.Brighten, share(0.25), every(3, "light_best")),
				at(5, t.Turn, every(7, "d84")),
			},
			judged,
		),
	},
	{
		cause.SelfShading,
		all,
		[]item{
			at(5, t.PullDead),
			given(branching, at(5, t.TrimBranch)),
			at(5, t.Turn, every(7, "d84")),
			at(28, t.Look),
		},
	},
	{cause.SunScorch, all, join([]item{at(0, t.ShadeIt)}, judged)},
	{cause.LampBurn, all, join([]item{at(0, t.ShadeIt, what("lamp 30 cm or more away"))}, judged)},
	{cause.DryAir, on(t.RS, t.CA, t.US), judged},
	{cause.DryAir, all, join([]item{at(0, t.Humidify)}, judged)},
	{cause.Draught, all, join([]item{at(0, t.Undraught)}, judged)},
	{
		cause.ColdInjury,
		all,
		[]item{
			at(0, t.Temper, with(func(p *t.Params) { p.ToC = num(16) })),
			at(0, t.ShadeIt),
			at(3, t.Look),
			leaves(true, 9),
			at(14, t.Look),
		},
	},
	{
		cause.HeatStress,
		all,
		[]item{at(0, t.Temper, what("shade and air")), at(0, t.ShadeIt), at(0, t.Air), at(1, t.Look, every(1, "d5"))},
	},
	{
		cause.MesophyllCollapse,
		all,
		[]item{at(0, t.Temper, with(func(p *t.Params) { p.ToC = num(18) })), at(28, t.Look)},
	},
	{
		cause.Ethylene,
		all,
		[]item{at(0, t.Air, what("fruit, smoke and fresh paint away, the room aired")), at(28, t.Look)},
	},

	// water quality and feeding
	{cause.SaltInjury, on(t.CV), []item{roots(washRoots, inSeason), at(0, t.HoldFeed, until("d56"))}},
	{
		cause.SaltInjury,
		all,
		[]item{
			at(0, t.Flush),
			at(0, t.HoldFeed, until("d56")),
			at(30, t.Flush, every(30, "crust gone")),
			at(14, t.Look),
		},
	},
	{
		cause.WaterQuality,
		on(t.CV),
		[]item{
			at(0, t.Flush),
			at(0, t.ByRule, water("low-mineral"), what("tray 1-2 cm")),
			at(0, t.HoldFeed, until("growth")),
			at(14, t.Look),
			roots(washRoots, lateWinter),
		},
	},
	{cause.WaterQuality, all, []item{at(0, t.Flush), at(1, t.ByRule, water("low-mineral")), at(28, t.Look)}},
	{cause.Fluoride, all, []item{at(0, t.ByRule, water("low-mineral, without fluoride")), at(28, t.Look)}},
	{cause.Chlorine, all, []item{at(0, t.ByRule, water("stood for a day or filtered")), at(28, t.Look)}},
	{
		cause.SoftenedWater,
		all,
		[]item{at(0, t.Flush), at(7, t.Flush), at(8, t.ByRule, water("low-mineral")), at(28, t.Look)},
	},
	{cause.PhOff, all, []item{at(0, t.ByRule, water("low-mineral")), at(14, t.Look), roots(wholeBall, inSeason)}},
	{cause.NitrogenLow, on(t.CV), []item{at(14, t.Look)}},
	{cause.NitrogenLow, all, []item{at(0, t.FeedIt, share(0.5), every(14, "green")), at(28, t.Look)}},
	{cause.IronLow, all, []item{at(0, t.Supplement, what("iron chelate")), at(14, t.Look), at(28, t.Look)}},
	{
		cause.MagnesiumLow,
		all,
		[]item{
			at(0, t.Supplement, what("magnesium"), with(func(p *t.Params) { p.GPerL = num(1) })),
			at(14, t.Supplement, what("magnesium"), with(func(p *t.Params) { p.GPerL = num(1) })),
			at(28, t.Look),
		},
	},
	{
		cause.PotassiumLow,
		all,
		[]item{at(0, t.FeedIt, share(0.5), every(14, "d84"), what("complete, with manganese")), at(28, t.Look)},
	},
	{
		cause.CalciumLow,
		all,
		[]item{at(0, t.Air), at(0, t.ByRule), at(0, t.Supplement, what("calcium")), at(28, t.Look)},
	},
	{
		cause.MicronutrientLow,
		all,
		[]item{at(0, t.SlideLook), at(14, t.FeedIt, share(0.5), every(28, "d84")), at(28, t.Look)},
	},

	// a plant's life
	{cause.OldLeaf, all, []item{at(0, t.PullDead), at(14, t.Look)}},
	{cause.Breakage, all, []item{at(0, t.Stake, what("tie or clean a torn stem")), at(14, t.Look)}},
	{cause.AnimalDamage, all, []item{at(0, t.PullDead, what("tidy torn parts, and out of reach")), at(14, t.Look)}},
	{cause.RegulatorDwarfed, all, []item{at(28, t.Look)}},
	{cause.Dormancy, all, []item{at(28, t.Look, every(28, "growth"), note("soft means rot: act"))}},
	{
		cause.WokenEarly,
		all,
		[]item{
			at(0, t.HoldWater, until("its roots")),
			at(0, t.HoldFeed, until("growth")),
			at(7, t.Look, every(7, "its roots")),
			when("its roots", t.FirstWater, share(0.25)),
		},
	},
	{
		cause.SettlingIn,
		all,
		[]item{
			at(0, t.Isolate),
			at(0, t.ByRule),
			at(7, t.Look),
			at(14, t.Look),
			when("day 14, 2 clean looks", t.Release),
		},
	},
	{cause.BloomDrain, orchids, []item{restIt}},
	{cause.BloomDrain, all, []item{stripIt, at(0, t.ShadeIt), at(0, t.ByRule)}},
	{
		cause.OffsetDrain,
		all,
		[]item{when("own roots: plantlet 3 roots of 7.5 cm, pup a third of its mother", t.TakeOffset)},
	},
	{
		cause.SpentRosette,
		all,
		[]item{
			at(0, t.HoldFeed, until("d365")),
			at(28, t.Look),
			when("pups 1/3 of the mother", t.TakeOffset, organ("pup")),
		},
	},
	{cause.BudBlast, all, []item{at(0, t.ByRule), at(28, t.Look)}},
	{
		cause.Girdled,
		all,
		[]item{at(0, t.Stake, what("the tie or wire cut away first")), at(14, t.Look, every(14, "d84"))},
	},
	{cause.Nectar, all, []item{at(14, t.Look, note("ants: look for scale"))}},
	{
		cause.Guttation,
		all,
		static,
	}, {cause.Sori, all, static}, {cause.Corking, all, static}, {cause.StressColour, all, static},
	{cause.FlowersOver, all, []item{at(0, t.PullDead, what("spent flowers")), at(14, t.Look)}},

	// pests
	{
		cause.SpiderMite,
		all,
		[]item{pests},
	}, {cause.FlatMite, all, []item{pests}}, {cause.BroadMite, all, []item{pests}}, {cause.Thrips, all, []item{pests}},
	{
		cause.Aphid,
		all,
		[]item{pests},
	}, {cause.Whitefly, all, []item{pests}}, {cause.Mealybug, all, []item{pests}}, {cause.RootMealybug, all,
		[]item{pests}},
	{
		cause.SoftScale,
		all,
		[]item{pests},
	}, {cause.ArmouredScale, all, []item{pests}}, {cause.FungusGnat, all, []item{pests}},
	{cause.LeafMiner, all, []item{pests}},
	{cause.Chewer, all, []item{pests}}, {cause.SlugSnail, all, []item{pests}}, {cause.RootGrub, all, []item{pests}},

	// diseases of leaves and flowers
	{
		cause.BacterialSpot,
		all,
		spots,
	}, {cause.FungalSpot, all, spots}, {cause.Anthracnose, all, spots}, {cause.Rust, all, spots},
	{cause.GreyMould, all, spots}, {cause.LeafNematode, all, spots}, {cause.PowderyMildew, all, spots},
	{cause.Acidovorax, all, []item{at(0, t.Air), at(0, t.ByRule, what("medium only, morning")), leaves(false, 0),
		at(
			1,
			t.LabelDrug,
			organ("leaf"),
			with(func(p *t.Params) { p.Class, p.DoseTyped = "bacteria", true }),
		), at(5, t.Look, every(5, "14 d without a new mark"))}},
	{cause.PetalBlight, all, []item{stripIt, at(0, t.Air), at(5, t.Look, every(5, "14 d without a new mark"))}},
	{cause.SprayInjury, all, []item{at(0, t.RinseOff), at(0, t.CrownDry), at(0, t.ShadeIt), at(14, t.Look)}},
	{
		cause.Virus,
		all,
		[]item{at(0, t.VirusTest), at(0, t.KeepApart), at(1, t.ByRule), at(28, t.Look, every(90, "d365"))},
	},
}

// wishes are treatments that need no illness.
var wishes = map[t.Wish][]item{
	t.SetupChange: {changeIt},
	t.Propagate:   {pieces("wish", "tip", closed, t.TipCut)},
	t.Refresh:     {roots(wholeBall, inSeason)},
	t.PartWish:    {roots(washRoots, parted, inSeason)},
	t.Prune:       {given(branching, at(0, t.TrimBranch)), at(28, t.Look)},
}

// recipeFor gives the recipe of a cause for a plant; false when there is none.
func recipeFor(id cause.ID, x *subject) (recipe, bool) {
	for _, r := range recipes {
		if r.cause == id && r.fits(x) {
			return r, true
		}
	}
	return recipe{}, false
}
