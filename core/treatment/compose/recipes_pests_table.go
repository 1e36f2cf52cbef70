package compose

import (
	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

// pestRecipes are those of pests and diseases of leaves and flowers.
var pestRecipes = []recipe{
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
	{cause.LeafMiner, notKnownTo(cause.LeafMiner), []item{at(7, t.Look, every(7, toDay(28)),
		note("is there a winding line inside a leaf, with black dots in it? Treat nothing before you are sure"))}},
	{cause.LeafMiner, all, []item{pests}},
	{cause.Chewer, all, []item{pests}}, {cause.SlugSnail, all, []item{pests}}, {cause.RootGrub, all, []item{pests}},

	// diseases of leaves and flowers
	{
		cause.BacterialSpot,
		all,
		join(spotsOff, quickly),
	}, {cause.FungalSpot, all, spots}, {cause.Anthracnose, all, spots},
	{cause.Rust, all, join(spots, []item{ifMore(10, "new pustules break out")})},
	{cause.PowderyMildew, all, join(spots, []item{ifMore(10, "the film comes back, or is on more than ten leaves")})},
	{cause.GreyMould, fromBelow, join(spots, []item{when(due, t.BottomWater, what("in the morning"))})},
	{cause.GreyMould, all, spots},
	{cause.LeafNematode, notKnownTo(cause.LeafNematode), []item{at(0, t.Air),
		at(0, t.ByRule, what("medium only, morning")), at(5, t.Look, every(5, quiet),
			note("hold a marked leaf against the light: do veins bound the marks? Cut nothing before you are sure"))}},
	{cause.LeafNematode, all, spots},
	{cause.Acidovorax, notKnownTo(cause.Acidovorax), join(spotsOff, quickly)}, // no product for what is in doubt
	{cause.Acidovorax, all, []item{at(0, t.Air), at(0, t.ByRule, what("medium only, morning")), leaves(false, 0),
		at(
			1,
			t.LabelDrug,
			organ(t.OnLeaf),
			with(func(p *t.Params) { p.Class, p.DoseTyped = "bacteria", true }),
		), quickly[0], quickly[1]}},
	{cause.PetalBlight, all, []item{stripIt, at(0, t.Air), at(5, t.Look, every(5, quiet))}},
	{cause.SprayInjury, all, []item{at(0, t.RinseOff, what("what is left of the spray")),
		at(0, t.CrownDry), at(0, t.ShadeIt), at(14, t.Look)}},
	{
		cause.Virus,
		kept,
		[]item{at(0, t.KeepApart), at(1, t.ByRule), at(28, t.Look, every(365, toDay(730)))},
	},
	{
		cause.Virus,
		all,
		[]item{
			at(0, t.VirusTest),
			at(0, t.KeepApart),
			at(1, t.ByRule),
			at(28, t.Look, every(28, toDay(84))),
			at(90, t.VirusTest),
			at(91, t.Look, what(keepOrDiscard), note("read both tests")),
		},
	},
}
