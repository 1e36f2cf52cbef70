package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// pours are what goes onto the medium with water, and is no water for the plant.
var pours = ops(treatment.Larvicide, treatment.Nematodes, treatment.Systemic)

// homes are what ends its lying bare.
var homes = ops(
	treatment.PotIn, treatment.PotUp, treatment.WrapMoss, treatment.SetReservoir, treatment.SetCup, treatment.Hang,
	treatment.Mount,
)

// keptDry takes out what would wet a medium that is kept dry, and water by its rule while
// it lies on a tray or has no medium.
func (c *composer) keptDry(list []*sit) {
	var state ground
	for _, s := range list {
		var kept []step
		for _, x := range s.steps {
			state.after(x)
			poured := among(x.Op, pours...) && state.held && !state.lifted && s.dated
			stays := true
			switch {
			case poured:
				c.leave(string(x.Op), "water is held: it would wet what must dry, and works in moist medium only")
				stays = false
			case x.Op == treatment.ByRule:
				x, stays = c.ruleKept(s, x, state)
			}
			if stays {
				kept = append(kept, x)
			}
		}
		if c.habitID == treatment.AirPlant {
			kept = shakenDry(kept)
		}
		s.steps = kept
	}
}

// ground is whether water is held back, and whether it lies bare.
type ground struct{ held, lifted, potted bool }

func (g *ground) after(x step) {
	switch {
	case x.Op == treatment.HoldWater:
		g.held = true
	case x.Op == treatment.Unpot:
		g.lifted = true
	case among(x.Op, homes...):
		g.lifted, g.potted = false, !among(x.Op, treatment.Hang, treatment.Mount)
	case slices.Contains(medium, x.Op) && x.Params.For == "" && !(g.lifted && x.Op == treatment.ByRule):
		g.held = false
	}
}

// ruleKept is what water by its rule is where it stands: nothing where it has its water
// without a medium, and no water while it waits for its own roots or lies on a tray.
func (c *composer) ruleKept(s *sit, x step, state ground) (instead step, stays bool) {
	airy := c.untied && !state.potted && has(s.steps, treatment.WetRoots, treatment.Soak)
	switch {
	case airy && x.Params.How == "":
		return x, false
	case s.dated && c.firstRoots() && x.Params.For == "":
		c.unleave(string(treatment.HoldWater))
		return do(treatment.HoldWater, until(c.ownRoots())), !has(s.steps, treatment.HoldWater)
	case state.lifted:
		return do(treatment.HoldWater, until(due)), true
	}
	return x, true
}

// shakenDry has an air plant dried after its soak, where the step that says so went to
// another day.
func shakenDry(steps []step) []step {
	at := slices.IndexFunc(steps, func(x step) bool { return x.Op == treatment.Soak })
	if at < 0 || has(steps[at:], treatment.CrownDry) {
		return steps
	}
	dry := do(treatment.CrownDry, how("upside down"))
	dry.Every, dry.Until = steps[at].Every, steps[at].Until
	return slices.Insert(steps, at+1, dry)
}

// drySaid gives a plant that waits for its own roots its line for water, where other
// causes took it out.
func (c *composer) drySaid(list []*sit) {
	told := slices.ContainsFunc(list, func(s *sit) bool { return has(s.steps, treatment.ByRule, treatment.HoldWater) })
	if c.firstRoots() && c.has(cause.Dormancy) && !told && !c.binnedWhole && len(list) > 0 {
		list[0].steps = append(list[0].steps, do(treatment.HoldWater, until(c.ownRoots())))
	}
}

// tellsWater says when it is watered next, or that it is not.
var tellsWater = []treatment.OperatorID{
	treatment.ByRule, treatment.HoldWater, treatment.BottomWater, treatment.Flush, treatment.WetRoots,
	treatment.ChangeWater, treatment.Routine, treatment.Discard, treatment.CupFill,
}

// wateredOn gives a plant that drinks today or tomorrow for its thirst its line for water from then on,
// where no recipe has one.
func (c *composer) wateredOn(list []*sit) []*sit {
	soon := func(op treatment.OperatorID) bool {
		return slices.ContainsFunc(list, func(s *sit) bool { return s.dated && s.day <= 1 && has(s.steps, op) })
	}
	// What has no way out for water gets a little of it and stays in its pot.
	sipped := c.thirsty && soon(treatment.FirstWater) && !anyHas(list, treatment.Unpot)
	told := slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			return x.Params.For == "" && (among(x.Op, tellsWater...) || !sipped && x.Op == treatment.FirstWater)
		})
	})
	if !sipped && !soon(treatment.Soak) || told || c.habitID == treatment.AirPlant || c.untied {
		return list
	}
	day := drinkDays
	if c.kind.WaterRule == plant.AirRoots {
		day = 1 // it drinks every morning
	}
	return c.onDay(list, treatment.CareSit, day, []step{do(treatment.ByRule, water(c.betterWater()))})
}

// rootsMissed says what a plant without a live root lacks, where no cause of it was accepted,
// and has it looked at today: nothing else that is done saves it.
func (c *composer) rootsMissed(list []*sit) []*sit {
	treated := slices.ContainsFunc(list, func(s *sit) bool {
		return has(s.steps, treatment.Unpot, treatment.Behead, treatment.NodeBox, treatment.Discard, treatment.Callus,
			treatment.PotIn, treatment.SetCup, treatment.Hang, treatment.Mount)
	})
	if !c.noRootFound() || treated {
		return list
	}
	accept := "root rot (they are brown and soft), or roots dried out (tan and hollow),"
	if c.foundWet() {
		accept = "root rot" // its roots did not die of thirst now
	}
	c.leave(string(treatment.Unpot), "no live root was counted, and no cause of that was accepted: look for "+
		strings.TrimSuffix(accept, ",")+", and plan its rescue")
	if c.thirsty && c.Wish == "" {
		list = c.untidied(list)
	}
	if c.thirsty {
		list = c.unsprayed(list)
	}
	if !anyHas(list, slices.Concat(sprays, cutOps, tidies)...) {
		soakedNot(list)
	}
	list = c.unfed(list)
	if c.resting() && !c.keepsLeaves() {
		return list
	}
	return c.rescueAsked(list, fmt.Sprintf(noRootLives, accept))
}

// rescueAsked asks today for the rescue of what has no live root, and looks at it until then. Where its pot is
// dry already, or wet, or it has none, no line for water by its rule stands: no root drinks.
func (c *composer) rescueAsked(list []*sit, said string) []*sit {
	if c.bareRooted() {
		list = ruleLeftOut(list)
	}
	if (c.foundDue() || c.foundWet()) && c.seat == facts.InPot && !c.has(cause.Dormancy) {
		list = ruleLeftOut(list)
		switch {
		case !anyHas(list, slices.Concat(sprays, cutOps, tidies, waters)...):
			said += nothingDrinks
		case c.driesFirst() && !anyHas(list, treatment.HoldWater):
			list = c.onDay(list, treatment.CareSit, 0, []step{do(treatment.HoldWater, until(due))})
		}
	}
	return c.rootlessLooks(c.askedFirst(list, do(treatment.Look, note(said))))
}

// noRootFound says whether no live root was counted of a plant that should have some.
func (x *subject) noRootFound() bool {
	return x.rootless && x.Facts.LiveRoots.Known && !x.piece && x.habitID != treatment.AirPlant
}

// rootlessLooks looks at what has no live root until its rescue is planned: every three days where it hangs
// limp, else every week.
func (c *composer) rootlessLooks(list []*sit) []*sit {
	if c.waitsWatched(list) {
		return list
	}
	if !c.limp {
		return c.onDay(list, treatment.CareSit, deadLook, []step{do(treatment.Look, every(deadLook, toDay(deadLookEnds)))})
	}
	looks := do(treatment.Look, every(plumpEvery, toDay(1+plumpsWithin)))
	return c.onDay(list, treatment.CareSit, plumpEvery, []step{looks})
}

// tidies take off or pick what a thirsty plant is left with.
var tidies = []treatment.OperatorID{treatment.PullDead, treatment.StripSpikes, treatment.HandPick}

// nothingDrinks is said of a dry pot in which no root lives.
const nothingDrinks = ". Do not water it before: nothing in there can drink"

// ruleLeftOut leaves lines out that give water by its rule.
func ruleLeftOut(list []*sit) []*sit {
	for _, s := range list {
		if s.dated {
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), ruled)
		}
	}
	return list
}

// untidied leaves dry leaves and long stems on what thirsts without a root, and does not turn it: its rescue comes
// first.
func (c *composer) untidied(list []*sit) []*sit {
	tidied := ops(treatment.PullDead, treatment.TrimBranch, treatment.TipCut, treatment.Refill, treatment.Turn)
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return among(x.Op, tidied...) })
	}
	for _, op := range tidied {
		c.unleave(string(op)) // that it waits until it has drunk is not true of what cannot drink
	}
	return list
}

// unsprayed leaves products off the leaves of what thirsts and cannot drink, and leaves it in its light: no root cools
// its leaves.
func (c *composer) unsprayed(list []*sit) []*sit {
	bares := func(x step) bool {
		onLeaves := among(x.Op, treatment.Soap, treatment.Oil, treatment.LabelDrug) && !slices.Contains(below, x.Organ)
		return onLeaves || x.Op == treatment.Brighten
	}
	for _, s := range list {
		for _, x := range s.steps {
			if bares(x) && s.dated {
				c.unleave(string(x.Op)) // that it waits until it has drunk is not true of what cannot drink
				c.leave(string(x.Op), "it thirsts, and no root of it can drink: its rescue comes first")
			}
		}
		if s.dated {
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), bares)
		}
	}
	return list
}

// unfed takes the feed out of a plan that asks for another: the rescue of its roots says when it is fed again.
func (c *composer) unfed(list []*sit) []*sit {
	for _, s := range list {
		if !s.dated && has(s.steps, treatment.FeedIt) {
			c.leave(string(treatment.FeedIt), "no root of it was found alive: the plan of its rescue says when it is fed again")
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return x.Op == treatment.FeedIt })
		}
	}
	return list
}

// soakedNot takes a soak for its thirst out: nothing is there that could drink.
func soakedNot(list []*sit) {
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			return x.Op == treatment.Soak && x.Params.How == "" && x.Params.For == ""
		})
	}
}

// askedFirst puts a look before all work of the first day: after it was set apart and pictured.
func (c *composer) askedFirst(list []*sit, look step) []*sit {
	i := slices.IndexFunc(list, func(s *sit) bool { return s.dated && s.day == 0 && s.slot == treatment.Morning })
	if i < 0 {
		return c.onDay(list, treatment.CareSit, 0, []step{look})
	}
	s, at := list[i], 0
	before := []treatment.OperatorID{treatment.Aid, treatment.Isolate, treatment.Baseline, treatment.Neighbours}
	for at < len(s.steps) && among(s.steps[at].Op, before...) {
		at++
	}
	s.steps = slices.Insert(slices.Clone(s.steps), at, look)
	return list
}

// noRootLives is what is looked at where no live root was counted and nothing says why.
const noRootLives = "is its base firm? No root of it was found alive, and this plan does not mend that: accept " +
	"%s for it today, and plan its rescue first"
