package compose

import (
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// looksAfterHeld is for how many days after work that waited it is looked at each week.
const looksAfterHeld = 28

// afterHeld follows work that waited, from the day on which it is done: water by its rule
// after its first water, a look each week, and a cover that comes off. Work that has a day
// gets them from its recipe.
func (c *composer) afterHeld(list []*sit) []*sit {
	potted := lastGated(list, func(s *sit) bool { return has(s.steps, treatment.Unpot) && has(s.steps, homes...) })
	watered := lastGated(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			return among(x.Op, treatment.FirstWater, treatment.BottomWater) && x.Params.For == ""
		})
	})
	if potted < 0 && watered < 0 {
		return list
	}
	last := max(potted, watered)
	for last+1 < len(list) && list[last+1].after {
		last++
	}
	rest := list[max(potted, watered):]
	tended := slices.ContainsFunc(rest, func(s *sit) bool { return has(s.steps, treatment.ByRule, treatment.HoldWater) })
	looked := slices.ContainsFunc(rest, func(s *sit) bool { return has(s.steps, treatment.Look, treatment.SlideLook) })
	var steps []step
	if watered >= potted && watered >= 0 && !tended && !c.drinksOtherwise(list[max(potted, 0)]) {
		steps = append(steps, c.ruleAfter(list[max(potted, 0)]))
	}
	if potted >= 0 && !looked {
		until := gate.Gate{gate.DaysSince(facts.SatRoots, looksAfterHeld)}
		steps = append(steps, do(treatment.Look, every(7, until)))
	}
	if len(steps) > 0 {
		list = c.behind(list, list[last], daysLater(drinkDays-1), steps)
	}
	if potted >= 0 && has(list[potted].steps, treatment.CoverIt) && !anyHas(list, treatment.Wean) {
		wean := do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(14) }))
		list = append(list, &sit{slot: treatment.Morning, gate: steady, steps: []step{wean}})
	}
	return list
}

// ruleAfter is its water from its first water on, by what it was set into.
func (c *composer) ruleAfter(s *sit) step {
	switch {
	case has(s.steps, treatment.WrapMoss):
		return do(treatment.ByRule, what("when the moss is crisp on top"))
	case c.kind.WaterRule == plant.DryRest:
		return do(treatment.ByRule, what("in growth"), water(c.betterWater()))
	}
	return do(treatment.ByRule, water(c.betterWater()))
}

// drinksOtherwise is true of a seat that is not watered onto a medium.
func (c *composer) drinksOtherwise(s *sit) bool {
	return c.habitID == treatment.AirPlant ||
		has(s.steps, treatment.Hang, treatment.Mount, treatment.SetCup, treatment.SetReservoir)
}

func anyHas(list []*sit, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(list, func(s *sit) bool { return has(s.steps, ops...) })
}

// lastGated is the index of the last waiting sitting of which something holds; -1 for none.
func lastGated(list []*sit, holds func(*sit) bool) int {
	for i := len(list) - 1; i >= 0; i-- {
		if !list[i].dated && holds(list[i]) {
			return i
		}
	}
	return -1
}

// oneRule leaves one line for water of two that stand on one day or on days that follow
// each other: two causes asked for the same, or one for less than the usual.
func oneRule(list []*sit) {
	var first *step
	day := never
	for _, s := range list {
		if !s.dated {
			return
		}
		s.steps = slices.DeleteFunc(s.steps, func(x step) bool {
			again := first != nil && s.day-day <= 1 && x.Op == treatment.ByRule && x.Every == 0 &&
				x.Params.For == "" && x.Params.How == "" && x.Params.What == ""
			if again && first.Params.How == "" && first.Params.What == "" && first.Every == 0 {
				*first = merged(*first, x)
			}
			return again
		})
		for i := range s.steps {
			switch x := &s.steps[i]; {
			case x.Op == treatment.ByRule && x.Params.For == "" && x.Params.What != beforeProduct:
				first, day = x, s.day
			case slices.Contains(bridgeWaters, x.Op):
				first = nil
			}
		}
	}
}
