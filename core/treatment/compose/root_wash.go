package compose

import (
	"math"
	"slices"
	"strings"

	"tendermend/core/agenda"
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// washSitting is ROOT-WASH: all old medium off, what is dead trimmed, set again
// in the way of its school or habit.
func (c *composer) washSitting(r rootWork) {
	set := c.setting()
	live := r.live || c.rotLives && c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
	r = c.dividedIf(r)
	sitting := c.unpotting(r, false)
	sitting = append(sitting, c.cleaning(r, false)...)
	sitting = append(sitting, c.settledIn(r, set)...)
	after, wean := c.sheltered(r, set.op)
	water := c.afterWash(set)
	pieces := c.insure(r)
	saved := slices.Concat(c.lessLeaf(r), pieces)
	if r.part {
		set.ready = append(set.ready, c.partPots(r)...)
		water = c.partWater(r, water)
	}
	c.place(treatment.RootWash, set.ready, slices.Concat([]step{c.blade()}, saved), sitting, after)
	c.waterAfter(r, set, live, water)
	c.nurse(r, set, live, wean)
	if len(pieces) > 0 {
		c.insuredHome()
	}
}

// lessLeaf takes a third of the leaves off where few roots are left for many of them, and
// no cover can be put over it.
func (c *composer) lessLeaf(r rootWork) []step {
	n := c.Facts.Leaves
	if r.cover == "" || c.roots > 0.3 || n.Or(0) < 6 || c.orchid || c.leafless ||
		c.is(treatment.Palm, treatment.Cycad, treatment.Fern) || c.mostCover() != plant.CoverNone || c.thirsty {
		return nil
	}
	return []step{
		do(treatment.RemoveLeaves, organ(treatment.OnLeaf), what("oldest"), share(1.0/3)), c.blade(),
	}
}

// partPots lay out a pot for each part but the largest, which keeps the plant's record.
func (c *composer) partPots(r rootWork) []step {
	n := c.parts(r)
	if n < 2 {
		return nil
	}
	w := max(6, potSize(c.ball(false)*0.7+2.5))
	pot := c.ready(w, 0, false, with(func(p *treatment.Params) { p.For, p.N = treatment.ForPart, num(n-1) }))
	return []step{pot}
}

// partWater waters every part.
func (c *composer) partWater(r rootWork, water []step) []step {
	n := c.parts(r)
	for i := range water {
		if water[i].Op == treatment.FirstWater && n > 1 {
			water[i].Params.N = num(n)
		}
	}
	return water
}

// settledIn sets it in its new way of growing, staked, named and dry in its heart.
func (c *composer) settledIn(r rootWork, set setting) []step {
	out := []step{c.setIn(set.op)}
	out = append(out, c.props(set.op, r.stake)...)
	if n := c.parts(r); r.part && n > 1 {
		out = append(out, do(treatment.PotIn, organ(treatment.OnPieces), with(func(p *treatment.Params) {
			p.For, p.N = treatment.ForPart, num(n-1)
		})))
		out = append(out, do(treatment.Label, with(func(p *treatment.Params) { p.N = num(n) })))
	} else {
		out = append(out, c.labelled()...)
	}
	if set.op != treatment.SetCup {
		out = append(out, c.bag()...)
	}
	out = append(out, c.scalded(r)...)
	wetHeart := !r.dryWash && !r.falls
	if wetHeart && (c.is(treatment.Monopodial, treatment.Begonia) || c.nature.KeepsDry(treatment.Crown) && !c.orchid) {
		out = append(out, c.crownDry(treatment.Crown, treatment.Leaves)...)
	}
	return out
}

// partLine waters the other parts of a plant that was divided, from some days after their first water.
func (c *composer) partLine(r rootWork, live bool) {
	if !r.part || c.parts(r) < 2 {
		return
	}
	part := c.thing(agenda.Part, 0)
	line := agenda.WaterOf(part)
	if c.firstRoots() {
		c.draft.gate(c.ownRoots(), wateredThing(part, nil))
		return
	}
	if c.gated {
		c.draft.then(daysLater(line.Every), wateredThing(part, nil))
		return
	}
	c.draft.at(c.sat+c.dryDay(r.wound(), live)+line.Every, rankWater, wateredThing(part, nil))
}

// neverStaked are habits that hold themselves, or that a stake only wounds.
var neverStaked = []treatment.HabitID{
	treatment.Gesneriad, treatment.SucculentRosette, treatment.AirPlant, treatment.Rhizomatous, treatment.Fern,
	treatment.BulbPlant, treatment.Carnivore, treatment.Bromeliad,
}

// propped are kinds of those habits that climb or stand tall.
var propped = []string{"gloriosa", "lilium", "nepenthes"}

// stakeable says whether its habit bears a stake.
func stakeable(x *subject) bool { return !x.is(neverStaked...) }

// level is how deep the water of its reservoir stands: 2.5 cm, a quarter of the pot's depth
// at most, half a centimetre at least.
func (c *composer) level() treatment.Number {
	w := math.Floor(min(c.ball(false)+2.5, c.Facts.PotWidthCM.Or(99), c.Choices.PotWidthCM.Or(99)))
	if from, _, ranged := c.potRange(); ranged {
		w = from
	}
	depth := min(c.Facts.PotDepthCM.Or(99), 0.92*w)
	if c.shape(w) == "shallow" {
		depth = min(depth, 0.5*w)
	}
	return num(max(0.5, math.Floor(min(2.5, depth/4)*10)/10))
}

// props stakes what would rock: single stems and bulbs with few roots, canes without any,
// and what its recipe asks for; never a habit that holds itself.
func (c *composer) props(op treatment.OperatorID, asked bool) []step {
	tall := slices.ContainsFunc(propped, func(p string) bool { return strings.HasPrefix(c.kind.ID, p) })
	if !among(op, treatment.PotIn, treatment.PotUp, treatment.WrapMoss) || c.is(neverStaked...) && !tall {
		return nil
	}
	rocks := c.is(treatment.Monopodial, treatment.Sympodial) && (c.roots < 0.5 || c.school == treatment.Lean) ||
		c.Facts.Leans.Value && c.is(treatment.GiantHerb, treatment.CaneFoliage, treatment.Woody)
	if !rocks && !(asked && (c.orchid || c.roots < 0.5)) {
		return nil
	}
	s := do(treatment.Stake)
	if c.orchid && rocks {
		s.Params.N = num(2)
	}
	return []step{s}
}

// setIn is the step that sets bare roots into a way of growing.
func (c *composer) setIn(op treatment.OperatorID) step {
	switch op {
	case treatment.SetCup:
		return do(op, with(func(p *treatment.Params) { p.GapMM = num(3) }))
	case treatment.SetReservoir:
		return do(op, with(func(p *treatment.Params) { p.LevelCM = c.level() }))
	case treatment.Hang, treatment.Mount:
		return do(op)
	case treatment.WrapMoss:
		return do(op, with(func(p *treatment.Params) { p.TouchesBase = false }))
	}
	place := c.potIn(op)
	place.Params.Dry = c.firstRoots()
	return place
}

// barelyDamp is how a mix is in which pieces are set that were saved from rot.
const barelyDamp = "barely damp"

// piecesPotted gives pieces a pot of their own, barely damp, with a label.
func (c *composer) piecesPotted() []step {
	return []step{
		c.forPieces(pieceWidth),
		do(treatment.PotIn, organ(treatment.OnPieces),
			with(func(p *treatment.Params) { p.For, p.How = treatment.ForPieces, barelyDamp })),
		do(treatment.Label, organ(treatment.OnPieces), with(forPieces)),
	}
}

// scalded scalds the old pot when the plant is out of it.
func (c *composer) scalded(r rootWork) []step {
	if !r.scald || c.untied {
		return nil
	}
	return []step{do(treatment.ScaldPot, what("the old pot and tray"))}
}

// wantsShade says whether too few roots feed its leaves for its usual light.
func (c *composer) wantsShade(r rootWork) bool {
	return c.roots < 0.25 || r.insure && c.roots < 1.0/3 || c.rootless || c.habitID == treatment.ForestCactus ||
		r.cover != "" && c.keepsItsLeaves() || among(c.school, treatment.Bridge, treatment.Lean)
}

// sheltered is cover, shade and rest after the sitting, and whether the cover
// has to be opened by steps.
func (c *composer) sheltered(r rootWork, op treatment.OperatorID) (after []step, wean bool) {
	if r.cover != "" && among(op, treatment.PotIn, treatment.WrapMoss) {
		after = c.coverOf(r)
	}
	wean = len(after) > 0
	if r.cover != "" && !wean && c.mostCover() == plant.CoverNone && bearsMist(c.subject) {
		after = append(after, do(treatment.Humidify))
	}
	if wean || has(after, treatment.Humidify) || c.wantsShade(r) {
		v := 0.4
		if op == treatment.SetCup {
			v = 0.3
		}
		after = append(after, do(treatment.ShadeIt, share(v)))
	}
	if op == treatment.SetCup {
		after = append(after, c.bag()...)
	}
	if c.firstRoots() {
		after = append(after, do(treatment.HoldWater, until(c.ownRoots())), do(treatment.HoldFeed, until(growth)))
	}
	return after, wean
}

// coverOf is the cover that root work asks for, where the plant wants one.
func (c *composer) coverOf(r rootWork) []step {
	if c.orchid && c.habitID != treatment.JewelOrchid && c.humidity >= 60 {
		return nil
	}
	if c.bulbless && r.cover == plant.CoverOpen {
		return c.covers(plant.CoverClosed)
	}
	return c.covers(r.cover)
}

// ownRoots says which roots a kind waits for that roots before it is watered.
func (c *composer) ownRoots() gate.Gate {
	cm := c.kind.RootsFirstCM
	if cm == 0 {
		cm = 3
	}
	return gate.Gate{gate.Count(gate.NewRoot, 0, cm)}
}

// afterWash is the first water in its own way.
func (c *composer) afterWash(set setting) []step {
	switch set.op {
	case treatment.SetCup:
		return nil
	case treatment.Hang, treatment.Mount:
		return []step{do(treatment.WetRoots, every(1, tips))}
	case treatment.SetReservoir:
		return append(
			[]step{
				do(treatment.FirstWater, how("reservoir"), with(func(p *treatment.Params) { p.LevelCM = c.level() })),
			},
			c.crownDry(treatment.Crown)...)
	}
	light := c.roots < mostDead && (c.rescue() || c.counted) || c.dry
	out := c.firstWater(set.width, light)
	if c.habitID == treatment.Monopodial {
		out = append(out, c.crownDry(treatment.Crown)...)
	}
	return out
}

// firstWaterDay is how many days after the sitting the first water comes.
func (c *composer) firstWaterDay(r rootWork, set setting, live bool) int {
	days := c.dryDay(r.wound(), live)
	airy := set.op == treatment.Hang || set.op == treatment.Mount
	switch {
	case airy && r.wound() != "":
		days = max(1, days)
	case airy && c.has(cause.RootRot) && c.rotLives:
		days = 2
	case airy:
		days = 1
	case c.habitID == treatment.Palm && r.falls && r.cut == "":
		days = c.rootDry[0] // a palm is watered again as soon as its cuts bear it
	}
	if c.has(cause.ColdInjury) {
		days = max(days, 3)
	}
	return days
}

// waterAfter dates the first water.
func (c *composer) waterAfter(r rootWork, set setting, live bool, water []step) {
	if c.firstRoots() {
		first := do(treatment.FirstWater, how("quarter"), share(0.25))
		if n := c.parts(r); r.part && n > 1 {
			first.Params.N = num(n)
		}
		c.draft.gate(c.ownRoots(), first)
		return
	}
	if c.habitID == treatment.BulbPlant && c.asleep() && !c.gated {
		c.following(0, rankWater, do(treatment.HoldWater, until(growth))) // what sleeps drinks nothing
		c.draft.gate(growth, water...)
		return
	}
	days := c.firstWaterDay(r, set, live)
	rank := rankPieces
	if days == 0 {
		rank = rankWater
	}
	c.following(days, rank, water...)
	if c.habitID == treatment.Bromeliad && !c.rotsAtHeart() && set.op == treatment.PotIn {
		c.following(
			max(1, days),
			rankWater+1,
			do(treatment.CupFill, share(0.25), with(func(p *treatment.Params) { p.Water = "low-mineral" })),
		)
	}
}

func (x *subject) rotsAtHeart() bool {
	return x.has(cause.BaseRot, cause.BlackRot, cause.CupFoul, cause.SoftRot)
}

// nurse looks after it from the sitting on.
func (c *composer) nurse(r rootWork, set setting, live, wean bool) {
	c.partLine(r, live)
	if c.gated {
		return
	}
	switch {
	case c.firstRoots():
		c.looks(7, 7, c.ownRoots(), note("do new roots show through the wall of its pot?"))
		return
	case set.op == treatment.SetCup:
		c.draft.at(c.sat+3, rankPieces, do(treatment.ChangeWater, every(3, tips)))
		c.looks(3, 7, tips)
		c.fromCup()
		return
	}
	if c.rescue() && (live || c.has(cause.RootRot, cause.DryRootLoss, cause.Detached)) && r.daily > 0 {
		c.looks(1, 1, toDay(c.sat+r.daily))
	}
	c.looks(7, 7, toDay(c.sat+28))
	c.watersFrom(set, c.dryDay(r.wound(), live))
	if wean {
		c.weaning(steady)
	}
	c.feedLater(set.op)
}

// looks repeats a look from days after the sitting until an end.
func (c *composer) looks(days, again int, end gate.Gate, opts ...option) {
	c.draft.at(c.sat+days, rankLook, do(treatment.Look, append(opts, every(again, end))...))
}

// watersFrom is how it is wetted from a day after the sitting on, by its seat.
func (c *composer) watersFrom(set setting, days int) {
	switch {
	case c.school == treatment.Lean && set.op == treatment.PotIn && c.roots < mostDead:
		if !c.wetNo && !c.has(cause.BlackRot, cause.Virus, cause.Fusarium) {
			c.draft.at(c.sat+1, rankPieces, do(treatment.Mist, every(1, nubs)))
		}
		c.looks(21, 14, nubs, note("do root nubs show?"))
		c.draft.at(c.sat+max(14, days+7), rankLook+1,
			do(treatment.ByRule, what("sips round the rim"), every(14, nubs)))
	case among(set.op, treatment.Hang, treatment.Mount, treatment.SetReservoir, treatment.WrapMoss):
		c.looks(14, 14, tips, note("do root tips grow?"))
		if set.op == treatment.WrapMoss {
			c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, what("when the moss is crisp on top")))
		}
	case c.habitID == treatment.AirPlant:
	default:
		c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, water(c.betterWater())))
	}
}

// weaning opens a cover by steps when its gate is met.
func (c *composer) weaning(waits gate.Gate) {
	c.draft.gate(waits, weanIt())
}

// weanIt opens a cover by steps over two weeks.
func weanIt() step { return do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(14) })) }

// feedLater feeds again when roots can take it.
func (c *composer) feedLater(op treatment.OperatorID) {
	if c.habitID == treatment.Carnivore || c.dry || c.firstRoots() {
		return
	}
	// No new tip is waited for where it was only given another way of growing.
	f := do(treatment.FeedIt, share(0.25))
	month := gate.DaysSince(facts.SatRoots, 28)
	waits := gate.Gate{month, gate.OneOf(gate.See(gate.Tip), gate.See(gate.NewLeaf)), gate.Alive(0.25)}
	if op == treatment.Hang {
		waits = gate.Gate{month, gate.Count(gate.Tip, 3, 2), gate.Alive(0.25)}
		if c.kind.RestKind == "" {
			f.Every, f.Until = 7, stageEnds
		}
	}
	if c.thirsty {
		waits = waits.With(gate.FirmFor(0), gate.IsMoist())
	}
	c.draft.gate(waits, f)
}

// fromCup takes it out of the cup when its tips run: into a pot over a dish; where its kind lives in no medium,
// that is asked for.
func (c *composer) fromCup() {
	if mix, _ := c.mix(); mix == nil {
		c.hungFromCup()
		return
	}
	width := 8.0
	if c.bound() {
		width = c.boundWidth()
	}
	school := c.school
	c.school = treatment.OwnMix
	level := math.Round(0.92*width/3*10) / 10
	c.draft.hold(
		treatment.RootWhole,
		tipsRun,
		"",
		c.ready(width, 0, false),
		c.potIn(treatment.PotIn),
		do(treatment.Stake),
		do(treatment.Label),
		do(treatment.FirstWater, how("through")),
		do(treatment.SetDish, with(func(p *treatment.Params) { p.LevelCM = num(level) })),
	)
	c.school = school
	c.feedLater(treatment.PotIn)
}

// tipsRun is when what stood over water in a cup leaves it.
var tipsRun = gate.Gate{gate.Count(gate.Tip, 2, 1)}

// hungFromCup asks for the plan by which it is hung again.
func (c *composer) hungFromCup() {
	c.draft.hold("", tipsRun, "", do(treatment.Look, note("its tips run, and it leaves the cup: its kind lives in no "+
		"medium. Wish for another seat, and plan today: it is hung, its roots bare")))
}
