package compose

import (
	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

// epsomSalt is what magnesium is given as.
const epsomSalt = "Epsom salt (magnesium sulphate)"

// feedingRecipes are those of water quality and feeding.
var feedingRecipes = []recipe{
	// water quality and feeding
	{cause.SaltInjury, on(t.Carnivore), []item{roots(washRoots, inSeason), at(0, t.HoldFeed, until(toDay(56)))}},
	{
		cause.SaltInjury,
		all,
		[]item{
			at(0, t.Flush),
			at(0, t.HoldFeed, until(toDay(56))),
			at(30, t.Flush, every(30, crustGone)),
			at(14, t.Look, every(14, toDay(56))),
		},
	},
	{
		cause.WaterQuality,
		on(t.Carnivore),
		[]item{
			at(0, t.Flush),
			at(0, t.ByRule, water("low-mineral"), what("tray 1-2 cm")),
			at(0, t.HoldFeed, until(growth)),
			at(14, t.Look),
			roots(washRoots, lateWinter),
		},
	},
	{cause.WaterQuality, all, []item{at(0, t.Flush), at(1, t.ByRule, water("low-mineral")), at(28, t.Look)}},
	{cause.Fluoride, all, []item{at(0, t.ByRule, water(noFluoride)), at(28, t.Look)}},
	{cause.Chlorine, all, []item{at(0, t.ByRule, water(stoodWater)), at(28, t.Look)}},
	{
		cause.SoftenedWater,
		all,
		[]item{at(0, t.Flush), at(7, t.Flush), at(8, t.ByRule, water("low-mineral")), at(28, t.Look)},
	},
	{cause.PhOff, on(t.Carnivore), renewedFor("over 7", "under 7")}, // sour is what it lives in
	{cause.PhOff, all, renewedFor("under 5 or over 7", "between 5 and 7")},
	{cause.NitrogenLow, on(t.Carnivore), []item{at(14, t.Look)}},
	{cause.NitrogenLow, all, []item{at(0, t.FeedIt, share(0.5), every(14, greened)), at(28, t.Look)}},
	{cause.IronLow, all, []item{at(0, t.Supplement, what("iron chelate")), at(14, t.Look), at(28, t.Look)}},
	{
		cause.MagnesiumLow,
		all,
		[]item{
			at(0, t.Supplement, what(epsomSalt), with(func(p *t.Params) { p.GPerL = num(1) })),
			at(14, t.Supplement, what(epsomSalt), with(func(p *t.Params) { p.GPerL = num(1) })),
			at(28, t.Look),
		},
	},
	{
		cause.PotassiumLow,
		on(t.Palm, t.Cycad),
		[]item{at(0, t.FeedIt, share(0.5), every(14, toDay(84)),
			what("with a complete palm feed that holds potassium and manganese")), at(28, t.Look)},
	},
	{
		cause.PotassiumLow,
		all,
		[]item{at(0, t.FeedIt, share(0.5), every(14, toDay(84)),
			what("with a complete feed that holds potassium and trace elements")), at(28, t.Look)},
	},
	{
		cause.CalciumLow,
		all,
		[]item{at(0, t.Air), at(0, t.ByRule), at(0, t.Supplement, what("calcium")), at(28, t.Look)},
	},
	{
		cause.MicronutrientLow,
		all,
		[]item{at(0, t.SlideLook), at(14, t.FeedIt, share(0.5), every(28, toDay(84))), at(28, t.Look)},
	},
}

// renewedFor renews a mix for what its run-off reads, after a second reading, and has it read again (handbook, ph-off:
// measure twice; again in two weeks).
func renewedFor(wrong, right string) []item {
	return []item{
		at(0, t.Look, note("measure its run-off once more, before anything else is done: only where it reads "+wrong+
			" again is its mix renewed")),
		at(0, t.ByRule, water("low-mineral")),
		at(14, t.Look, note("does its run-off read "+right+" now?")),
		roots(washRoots, inSeason),
	}
}
