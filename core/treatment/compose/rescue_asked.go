package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// rootsMissed says what a plant without a live root lacks, where no cause of it was accepted,
// and has it looked at today: nothing else that is done saves it.
func (c *composer) rootsMissed(list []*sit) []*sit {
	if !c.noRootFound() || c.rescues(list) {
		return list
	}
	accept := "root rot (they are brown and soft) or roots dried out (tan and hollow)"
	if c.foundWet() {
		accept = "root rot" // its roots did not die of thirst now
	}
	c.leave(string(treatment.Unpot), "no live root was counted, and no cause of that was accepted: look for "+
		accept+", and plan its rescue")
	if c.thirsty && c.Wish == "" {
		list = c.untidied(list)
	}
	if c.limp {
		list = c.endsAtRescue(c.unsprayed(list))
	}
	if !anyHas(list, slices.Concat(sprays, cutOps, ops(treatment.PullDead, treatment.StripSpikes))...) {
		soakedNot(list)
	}
	for _, s := range list { // its roots were counted: whoever did that had it out
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return x.Op == treatment.SlideLook })
	}
	list = c.unflushed(c.unfed(list, "no root of it was found alive"))
	if c.resting() && !c.keepsLeaves() {
		return list
	}
	return c.rescueAsked(list, fmt.Sprintf(noRootLives, accept))
}

// rescues says whether a plan is a rescue of the plant itself, or of what is sound of one that rots.
func (c *composer) rescues(list []*sit) bool {
	if c.pieces != nil && c.any(treatment.Rots()) {
		return true
	}
	return slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			wished := c.Wish == treatment.Propagate && x.Op == treatment.NodeBox
			return x.Params.For == "" && slices.Contains(rescueSteps, x.Op) && !wished // pieces of it are no rescue of it
		})
	})
}

// rescueSteps are the steps that begin one.
var rescueSteps = ops(treatment.Unpot, treatment.Behead, treatment.NodeBox, treatment.Discard, treatment.Callus,
	treatment.PotIn, treatment.SetCup, treatment.Hang, treatment.Mount)

// rescueAsked asks today for the rescue of what has no live root, and looks at it until then. Where its pot is
// dry already, or wet, or it has none, no line for water by its rule stands: no root drinks.
func (c *composer) rescueAsked(list []*sit, said string) []*sit {
	if c.bareRooted() && !c.has(cause.Dormancy) {
		list = ruleLeftOut(list)
	}
	if (c.feltDue() || c.foundWet()) && among(c.seat, facts.InPot, facts.InReservoir, facts.InDish) &&
		!c.has(cause.Dormancy) {
		list = ruleLeftOut(list)
		watered := slices.ContainsFunc(list, func(s *sit) bool { return slices.ContainsFunc(s.steps, ofItsWater) })
		switch {
		case !c.driesFirst() && !watered,
			!watered && !anyHas(list, slices.Concat(sprays, cutOps, tidies)...):
			said += nothingDrinks
		case c.driesFirst() && !anyHas(list, treatment.HoldWater, treatment.CupFill):
			list = c.onDay(list, treatment.CareSit, 0, []step{do(treatment.HoldWater, until(due))})
		}
	}
	return c.rootlessLooks(c.askedFirst(list, do(treatment.Look, note(said))))
}

// noRootFound says whether no live root was counted of a plant that should have some.
func (x *subject) noRootFound() bool { return x.rootsCountedDead() && !x.piece }

// rootsCountedDead says whether its roots were counted, of a piece too, and none of them lives.
func (x *subject) rootsCountedDead() bool {
	return x.rootless && x.Facts.LiveRoots.Known && x.habitID != treatment.AirPlant
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

// unsprayed leaves products off the leaves of what hangs limp and cannot drink, and leaves it in its light: no root
// cools its leaves.
func (c *composer) unsprayed(list []*sit) []*sit {
	product := func(x step) bool {
		return among(x.Op, treatment.Soap, treatment.Oil, treatment.LabelDrug) && !state.LowDown(x.Organ)
	}
	for _, s := range list {
		if !s.dated {
			continue
		}
		for _, x := range s.steps {
			if product(x) || x.Op == treatment.Brighten {
				c.unleave(string(x.Op)) // that it waits until it has drunk is not true of what cannot drink
				c.leave(string(x.Op), "it hangs limp, and no root of it can drink: its rescue comes first")
			}
		}
		for i := slices.IndexFunc(s.steps, product); i >= 0; i = slices.IndexFunc(s.steps, product) {
			s.steps = withoutUse(s.steps, i)
		}
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			return x.Op == treatment.Brighten || x.Op == treatment.RinseOff && x.Params.What != "" // the oil that is left
		})
	}
	return list
}

// unfed takes the feed out of a plan that asks for another: the rescue of its roots says when it is fed again.
func (c *composer) unfed(list []*sit, why string) []*sit {
	for _, s := range list {
		if has(s.steps, treatment.FeedIt) {
			c.leave(string(treatment.FeedIt), why+": the plan of its rescue says when it is fed again")
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return x.Op == treatment.FeedIt })
		}
	}
	return list
}

// unflushed leaves a flush out where no root lives: the fresh mix of its rescue does it.
func (c *composer) unflushed(list []*sit) []*sit {
	for _, s := range list {
		if has(s.steps, treatment.Flush) {
			c.leave(string(treatment.Flush), "no root of it was found alive: the fresh mix of its rescue does it")
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return x.Op == treatment.Flush })
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
