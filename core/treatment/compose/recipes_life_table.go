package compose

import (
	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

// lifeRecipes are those of what belongs to a plant's life.
var lifeRecipes = []recipe{
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
}
