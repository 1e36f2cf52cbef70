package compose

import (
	"tendermend/core/cause"
	"tendermend/core/gate"
	t "tendermend/core/treatment"
)

// waterRecipes are those of water: too much, too little, in the wrong place.
var waterRecipes = []recipe{
	// water
	{cause.Overwatering, on(t.Carnivore), []item{at(0, t.ByRule, what("tray lower")), at(3, t.Look), at(7, t.Look)}},
	{
		cause.Overwatering,
		all,
		[]item{
			at(0, t.DrainSaucer),
			at(0, t.HoldWater, until(due)),
			given(limp, at(0, t.ShadeIt)),
			given(inMedium, at(0, t.Loosen, what("surface"))),
			at(0, t.Air),
			at(3, t.Look),
			at(7, t.Look, note("is it limp, does it smell, or is it no better? Then plan for root rot")),
			when(due, t.ByRule),
		},
	},
	{cause.Springtail, neverDries, []item{at(3, t.Look), at(14, t.Look)}}, // they do no harm, drying would
	{cause.Springtail, all, []item{at(0, t.HoldWater, until(due)), at(3, t.Look), when(due, t.ByRule)}},
	{cause.UnevenWater, all, []item{at(0, t.ByRule, every(3, twoLeaves)), at(14, t.Look, every(7, toDay(42)))}},
	{cause.Edema, all, join([]item{at(0, t.Air), at(0, t.ByRule, what("morning"))}, judged)},
	{cause.ColdWaterMarks, all, []item{at(0, t.ByRule, what(roomWarm)), at(28, t.Look)}},
	{cause.CrownWet, all, []item{at(0, t.CrownDrain), at(0, t.CrownDry), at(1, t.Look, every(1, toDay(7)))}},
	{cause.CupFoul, notKnownTo(cause.CupFoul), []item{at(7, t.Look)}}, // it has no cup to empty
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
		[]item{at(0, t.ShadeIt), at(3, t.Look, every(7, growth),
			note("it rests, so nothing else is done; a sip if it shrivels"))},
	},
	{
		cause.Drought,
		on(t.AirPlant),
		[]item{soaksOfAir, at(0, t.ShadeIt), at(1, t.Look, every(1, toDay(4))), at(5, t.PullDead)},
	},
	{
		cause.Drought,
		untied,
		[]item{
			at(0, t.Soak, how("dip")),
			at(0, t.CrownDry),
			at(0, t.ShadeIt, share(0.5)),
			given(bearsMist, at(0, t.Humidify)),
			at(0, t.HoldFeed, until(toDay(28))),
			at(1, t.WetRoots, every(1, gate.Gate{gate.FirmFor(7)})),
			at(1, t.Look, every(1, toDay(4))),
			at(5, t.PullDead),
			when(gate.Gate{gate.FirmFor(7)}, t.ByRule),
		},
	},
	{
		cause.Drought,
		on(t.Bromeliad),
		[]item{
			at(0, t.CrownDrain),
			at(0, t.CupFill, share(0.25), water("low-mineral")),
			at(0, t.FirstWater, how("light"), every(2, toDay(4))), // a medium that is dry through takes up little at once
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until(toDay(28))),
			at(1, t.Look, every(1, toDay(4))),
			at(5, t.PullDead),
			at(5, t.ByRule),
		},
	},
	{
		cause.Drought,
		on(t.JewelOrchid),
		[]item{
			at(0, t.Soak),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until(toDay(28))),
			at(1, t.Look, every(1, toDay(4))),
			at(5, t.ByRule),
		},
	},
	{
		cause.Drought,
		dryKinds,
		[]item{
			at(0, t.Soak),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until(toDay(28))),
			at(1, t.Look, every(3, toDay(14))),
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
			at(0, t.HoldFeed, until(toDay(28))),
			at(1, t.Look, every(1, toDay(4))),
			at(5, t.PullDead),
			at(5, t.Refill),
			at(5, t.ByRule),
			when(fedAgain, t.FeedIt, share(0.25)),
		},
	},
	{cause.MediumRepels, on(t.AirPlant), []item{soaksOfAir}},
	{
		cause.MediumRepels,
		all,
		[]item{
			at(0, t.Soak, with(func(p *t.Params) { p.WetDrops = num(3) })),
			at(1, t.Look, note("push a stick to its core; where it comes out dry, soak it until bubbles stop")),
			at(
				5,
				t.PullDead,
			),
			at(5, t.BottomWater, with(func(p *t.Params) { p.N = num(3) })),
			roots(wholeBall, inSeason, notBefore(14)),
		},
	},
}
