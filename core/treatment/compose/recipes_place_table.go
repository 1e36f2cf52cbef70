package compose

import (
	"tendermend/core/cause"
	"tendermend/core/gate"
	t "tendermend/core/treatment"
)

// placeRecipes are those of medium, pot, light, air and warmth.
var placeRecipes = []recipe{
	// medium and pot
	{cause.MediumCollapsed, untied, []item{roots(washRoots)}},
	{cause.MediumCollapsed, on(t.Monopodial, t.Sympodial, t.WinterDeciduous, t.Bromeliad), []item{roots(washRoots,
		staked)}},
	{cause.MediumCollapsed, func(x *subject) bool { return x.habitID == t.Fern && x.epiphyte }, []item{roots(washRoots)}},
	{cause.MediumCollapsed, on(t.JewelOrchid), []item{roots(wholeBall, withTips)}},
	{cause.MediumCollapsed, on(t.Fern, t.BulbPlant), []item{roots(wholeBall)}},
	{cause.MediumCollapsed, on(t.SucculentRosette, t.UprightSucculent, t.TrailingSucculent, t.Cactus),
		[]item{roots(washRoots, washedDry)}},
	{cause.MediumCollapsed, on(t.Palm, t.Cycad), []item{roots(washRoots, whatFalls)}},
	{cause.MediumCollapsed, all, []item{roots(washRoots)}},
	{cause.PotTooBig, untied, []item{at(3, t.Look)}},
	{cause.PotTooBig, all, []item{roots(wholeBall, inSeason, smaller)}},
	{cause.PotBound, all, []item{roots(wholeBall, inSeason, potBound)}},
	{cause.NoDrainage, all, []item{at(0, t.DrainSaucer, how(tipped)), given(drowning, roots(wholeBall)),
		given(holeless, roots(wholeBall, inSeason)), at(7, t.Look)}},
	{cause.BaseBuried, all, []item{at(0, t.RaiseBase), at(14, t.Look, every(14, toDay(56)))}},
	{cause.Congested, all, []item{roots(washRoots, parted, inSeason)}},

	// light, air and warmth
	{cause.LowLight, dryKinds, join([]item{at(0, t.Brighten, share(0.25), every(3, bestLight))}, judged)},
	{
		cause.LowLight,
		all,
		join(
			[]item{
				given(branching, at(5, t.TrimBranch)),
				at(5, t.Brighten, share(0.25), every(3, bestLight)),
				at(5, t.Turn, every(7, toDay(84))),
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
			at(5, t.Turn, every(7, toDay(84))),
			at(28, t.Look),
		},
	},
	{cause.SunScorch, all, join([]item{at(0, t.ShadeIt)}, judged, backToLight)},
	{cause.LampBurn, all, join([]item{at(0, t.ShadeIt, what("with the lamp 30 cm or more away"))}, judged, backToLight)},
	{cause.DryAir, on(t.SucculentRosette, t.Cactus, t.UprightSucculent), judged},
	{cause.DryAir, on(t.Rhizomatous, t.AroidVine, t.GiantHerb, t.Monopodial),
		join([]item{at(0, t.Humidify), at(0, t.EaseLeaf)}, judged)},
	{cause.DryAir, all, join([]item{at(0, t.Humidify)}, judged)},
	{cause.Draught, all, join([]item{at(0, t.Undraught), at(7, t.Look)}, judged)},
	{
		cause.ColdInjury,
		func(x *subject) bool { return x.leafless || x.habitID == t.UprightSucculent },
		[]item{
			at(0, t.Temper, with(func(p *t.Params) { p.ToC, p.How = num(16), warmerNow })),
			at(0, t.ShadeIt),
			at(0, t.HoldFeed, until(growth)),
			at(0, t.HoldWater, until(gate.Gate{gate.InRange(3), gate.See(gate.Growth)})),
			at(3, t.Look, note("glassy or soft parts?")),
			at(8, t.CutRot, organ(t.OnBody), with(func(p *t.Params) { p.BeyondCM, p.Cond = num(1), "parts are soft" })),
			at(9, t.Look, note("is the cut dry and clean?")),
			at(14, t.Look, every(7, toDay(28))),
			when(gate.Gate{gate.In(gate.Spring()...), gate.See(gate.Growth)}, t.FirstWater, how("light"),
				with(func(p *t.Params) { p.ML = num(20) })),
		},
	},
	{
		cause.ColdInjury,
		all,
		[]item{
			at(0, t.Temper, with(func(p *t.Params) { p.ToC, p.How = num(16), warmerNow })),
			at(0, t.ShadeIt),
			at(3, t.Look),
			leaves(true, 9),
			at(14, t.Look, every(7, toDay(28))),
		},
	},
	{
		cause.HeatStress,
		all,
		[]item{at(0, t.Temper, what("shade and air")), at(0, t.ShadeIt), at(0, t.Air), at(1, t.Look, every(1, toDay(5))),
			at(14, t.Look)},
	},
	// It is warmth for those that have it: what is not known to may grow cool.
	{cause.MesophyllCollapse, notKnownTo(cause.MesophyllCollapse), []item{at(28, t.Look)}},
	{
		cause.MesophyllCollapse,
		all,
		[]item{at(0, t.Temper, with(func(p *t.Params) { p.ToC, p.How = num(18), warmerNow })), at(28, t.Look)},
	},
	{
		cause.Ethylene,
		all,
		[]item{at(0, t.Air, what("fruit, smoke and fresh paint away, the room aired")), at(28, t.Look)},
	},
}
