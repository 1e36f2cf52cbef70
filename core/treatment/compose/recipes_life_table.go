package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	t "tendermend/core/treatment"
)

// lifeRecipes are those of what belongs to a plant's life.
var lifeRecipes = []recipe{
	// a plant's life
	{cause.OldLeaf, all, []item{at(0, t.PullDead), at(14, t.Look)}},
	{cause.Breakage, all, []item{at(0, t.Stake, what("tie or clean a torn stem")), at(14, t.Look)}},
	{
		cause.AnimalDamage,
		all,
		[]item{given(poisonous, at(0, t.Aid)), at(0, t.PullDead, organ("torn"), what("torn parts")), at(14, t.Look)},
	},
	{cause.RegulatorDwarfed, all, []item{at(28, t.Look)}},
	{
		cause.Dormancy,
		neverRests,
		[]item{at(0, t.ByRule), at(0, t.HoldFeed, until(newGrowth)), at(14, t.Look, every(14, toDay(56)))},
	},
	{
		cause.Dormancy,
		all,
		[]item{
			restWater,
			given(restsCool, at(0, t.Temper, restWarmth)),
			at(0, t.HoldFeed, until(newGrowth)),
			at(28, t.Look, every(28, growth), note("is it firm? Soft means rot: work on it that day")),
			given(wakesDry, when(newGrowth, t.FirstWater, how("light"), with(func(p *t.Params) { p.ML = num(20) }))),
			when(newGrowth, t.Brighten, share(0.25), every(3, bestLight)),
			given(wakesByRoots, when(itsRoots, t.FirstWater, how("quarter")),
				when(leafedOut.With(itsRoots...), t.FeedIt, share(0.25))),
			given(wakesOtherwise, when(leafedOut, t.FeedIt, share(0.25))),
		},
	},
	{cause.WokenEarly, neverWoken, []item{at(7, t.Look, every(7, toDay(28)))}},
	{
		cause.WokenEarly,
		all,
		[]item{
			at(0, t.HoldWater, until(itsRoots)),
			at(0, t.HoldFeed, until(growth)),
			at(7, t.Look, every(7, itsRoots)),
			when(itsRoots, t.FirstWater, how("quarter")),
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
			when(gate.Gate{gate.DaysSince(facts.Came, newcomerDays), gate.CleanFor(0, 2)}, t.Release),
		},
	},
	{cause.BloomDrain, orchids, []item{restIt}},
	{cause.BloomDrain, all, []item{stripIt, at(0, t.ShadeIt), at(0, t.ByRule)}},
	{
		cause.OffsetDrain,
		all,
		[]item{when(gate.Gate{gate.OneOf(gate.Count(gate.OffsetRoot, 3, 7.5), gate.See(gate.GrownOffset))}, t.TakeOffset)},
	},
	{cause.SpentRosette, notKnownTo(cause.SpentRosette), []item{at(7, t.Look)}}, // it does not die of its flower
	{
		cause.SpentRosette,
		all,
		[]item{
			at(0, t.HoldFeed, until(toDay(365))),
			at(28, t.Look),
			when(gate.Gate{gate.See(gate.GrownOffset)}, t.TakeOffset, organ(t.OnPup)),
		},
	},
	{cause.BudBlast, all, []item{at(0, t.ByRule), at(28, t.Look)}},
	{
		cause.Girdled,
		all,
		[]item{at(0, t.Untie), given(stakeable, at(0, t.Stake, what("loosely, beside "+
			"it"))), at(14, t.Look, every(14, toDay(84)))},
	},
	{cause.Nectar, all, []item{at(14, t.Look, note("are there ants? Then look for scale"))}},
	{
		cause.Guttation,
		all,
		static,
	}, {cause.Sori, all, static}, {cause.Corking, all, static}, {cause.StressColour, all, static},
	{cause.FlowersOver, all, []item{at(0, t.PullDead, what("spent flowers")), at(14, t.Look)}},
}
