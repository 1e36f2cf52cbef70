package compose

import (
	"cmp"
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// looksAfterHeld is for how many days after work that waited it is looked at each week.
const looksAfterHeld = 28

// afterItsWater is how many days after its first water it is watered by its rule.
const afterItsWater = drinkDays - 1

// afterHeld follows work that waited, from the day on which it is done: water by its rule
// after its first water, a look each week, and a cover that comes off. Work that has a day
// gets them from its recipe.
func (c *composer) afterHeld(list []*sit) []*sit {
	potted := pottedWaiting(list)
	watered := lastGated(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			return among(x.Op, treatment.FirstWater, treatment.BottomWater) && x.Params.For == ""
		})
	})
	from := max(potted, watered)
	if from < 0 {
		return list
	}
	covered := potted >= 0 && has(list[potted].steps, treatment.CoverIt) && !anyHas(list, treatment.Wean)
	var steps []step
	if watered == from && !slices.ContainsFunc(list[from:], rulesItself) {
		steps = append(steps, c.ruleAfter(list[max(potted, 0)])...)
	}
	if potted >= 0 && !slices.ContainsFunc(list[from:], looksByItself) {
		until := gate.Gate{gate.DaysSince(facts.SatRoots, looksAfterHeld)}
		steps = append(steps, do(treatment.Look, every(7, until)))
	}
	if len(steps) > 0 {
		last := from
		for last+1 < len(list) && list[last+1].after {
			last++
		}
		list = c.behind(list, list[last], daysLater(afterItsWater), steps)
	}
	if covered {
		list = append(list, &sit{slot: treatment.Morning, gate: steady, steps: []step{weanIt()}})
	}
	return list
}

// pottedWaiting is the sitting in which what waited ends its lying bare, also where its cuts close on a tray first;
// -1 for none.
func pottedWaiting(list []*sit) int {
	bared := slices.IndexFunc(list, func(s *sit) bool { return !s.dated && has(s.steps, treatment.Unpot) })
	potted := lastGated(list, func(s *sit) bool { return slices.ContainsFunc(s.steps, homesIt) })
	if bared < 0 || potted < bared {
		return -1
	}
	return potted
}

// homesIt says whether a step ends the lying bare of the plant itself.
func homesIt(x step) bool { return slices.Contains(homes, x.Op) && x.Params.For == "" }

// looksByItself says whether a sitting looks at it otherwise than once, so many days after the work.
func looksByItself(s *sit) bool {
	once := len(s.gate) == 1 && s.gate[0].Is == gate.Days && s.gate[0].Since == facts.SatRoots
	return has(s.steps, treatment.Look) && !once
}

// ruleAfter is its water from its first water on, by what it was set into; none where it
// drinks otherwise than from a medium.
func (c *composer) ruleAfter(s *sit) []step {
	switch {
	case c.habitID == treatment.AirPlant,
		has(s.steps, treatment.Hang, treatment.Mount, treatment.SetCup, treatment.SetReservoir):
		return nil
	case has(s.steps, treatment.WrapMoss):
		return []step{do(treatment.ByRule, what("when the moss is crisp on top"))}
	case c.kind.WaterRule == plant.DryRest:
		return []step{do(treatment.ByRule, what("in growth"), water(c.betterWater()))}
	}
	return []step{do(treatment.ByRule, water(c.betterWater()))}
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

// ruleAfterSoak takes water by its rule out of the day on which it is soaked, where a later
// line says the same: nobody waters what has just drunk.
func ruleAfterSoak(list []*sit) {
	for i, s := range list {
		later := slices.ContainsFunc(list[i+1:], func(l *sit) bool { return l.dated && slices.ContainsFunc(l.steps, ruled) })
		if !s.dated || !later || !has(s.steps, treatment.Soak) {
			continue
		}
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), saysItsRule)
	}
}

// ruleAfterFirst takes water by its rule out of the days between its new pot and its first water:
// it is kept dry so long. How it is watered is said where it is watered by its rule again.
func ruleAfterFirst(list []*sit) {
	for i, s := range list {
		if !s.dated || has(s.steps, treatment.FirstWater) || !anyHas(list[:i+1], treatment.PotIn) {
			continue
		}
		first := slices.IndexFunc(list[i+1:], func(l *sit) bool {
			return l.dated && slices.ContainsFunc(l.steps, itsFirstWater)
		})
		if first < 0 {
			continue
		}
		again := nextRule(list[i+1+first:])
		if again == nil {
			continue
		}
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			early := ruled(x) && x.Every == 0
			if early && again.Params.What == "" && whereOfRule[x.Params.What] != "" {
				again.Params.What = x.Params.What
			}
			return early
		})
	}
}

// nextRule is the first step with which it is watered by its rule; nil where there is none.
func nextRule(list []*sit) *step {
	for _, s := range list {
		for i := range s.steps {
			if ruled(s.steps[i]) {
				return &s.steps[i]
			}
		}
	}
	return nil
}

// drierThanItsRule leaves water by its rule out after the top of its medium is to dry further than that:
// two lines would name two depths.
func drierThanItsRule(list []*sit) {
	if anyHas(list, treatment.Unpot) {
		return // fresh mix has its own rule from its first water on
	}
	drier := false
	for _, s := range list {
		if drier && s.dated {
			s.steps = slices.DeleteFunc(slices.Clone(s.steps), onlyItsRule)
		}
		drier = drier || has(s.steps, treatment.DryTop)
	}
}

// sameWater is within how many days a second line for water by its rule says the first again.
const sameWater = 9

// oneRule leaves one line for water of two that stand within some days of each other: two causes asked for
// the same, or one for less than the usual.
func oneRule(list []*sit) {
	var first *step
	day := never
	for _, s := range list {
		if !s.dated {
			return
		}
		s.steps = slices.DeleteFunc(s.steps, func(x step) bool {
			if ownSaid(first, x, s.day-day) {
				return true
			}
			again := first != nil && s.day-day <= sameWater && saysItsRule(x)
			if again && plainRule(*first) && first.Every == 0 {
				*first = merged(*first, x)
			}
			return again
		})
		for i := range s.steps {
			switch x := &s.steps[i]; {
			case ruled(*x):
				first, day = x, s.day
			case ofItsOwn(*x, bridgeWaters...), x.Op == treatment.Unpot:
				first = nil // what it gets in between, or fresh mix, has a line of its own
			}
		}
	}
}

// ruleOnceHeld takes water by its rule out of the days on which it is held dry: the line that comes when it is due says
// it, and with which water. What is poured through it then comes before that line.
func ruleOnceHeld(list []*sit) {
	gated := slices.IndexFunc(list, func(s *sit) bool {
		return !s.dated && s.gate.Same(due) && slices.ContainsFunc(s.steps, ruled)
	})
	held := slices.IndexFunc(list, func(s *sit) bool { return s.dated && slices.ContainsFunc(s.steps, heldUntilDue) })
	if gated < 0 {
		return
	}
	then := list[gated]
	if held < 0 {
		ruledAtOnce(list, then)
		return
	}
	rule := &then.steps[slices.IndexFunc(then.steps, ruled)]
	for _, s := range list {
		if s.dated && s.day >= list[held].day && s.day <= list[held].day+sameWater {
			s.steps = saidThen(rule, s.steps)
		}
	}
	slices.SortStableFunc(then.steps, func(a, b step) int { return cmp.Compare(rulesLast(a), rulesLast(b)) })
}

// ruledAtOnce leaves the line for water that comes when it is due out, where one of the first days says it already, and
// has that one say how little it gets.
func ruledAtOnce(list []*sit, then *sit) {
	i := slices.IndexFunc(then.steps, ruled)
	for _, s := range list {
		said := slices.IndexFunc(s.steps, saysItsRule)
		if !s.dated || s.day > wetStays || said < 0 {
			continue
		}
		s.steps = slices.Clone(s.steps)
		s.steps[said].Params.How = then.steps[i].Params.How
		then.steps = slices.Delete(slices.Clone(then.steps), i, i+1)
		return
	}
}

func rulesLast(x step) int {
	if ruled(x) {
		return 1
	}
	return 0
}

// ruleBehindHold takes water by its rule out of the days on which it gets none until something is seen, and says it
// behind that, where nothing else waits there with its water.
func ruleBehindHold(list []*sit) []*sit {
	var hold, rule *step
	for _, s := range list {
		for i := range s.steps {
			if x := &s.steps[i]; s.dated && itsHold(*x) && !x.Until.Same(due) && x.Until.Wants(noDays) {
				hold = x
			}
		}
		if hold == nil || !s.dated {
			continue
		}
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			if ruled(x) {
				rule = &x
			}
			return ruled(x)
		})
	}
	waits := slices.ContainsFunc(list, func(s *sit) bool {
		return !s.dated && slices.ContainsFunc(s.steps, func(x step) bool {
			return ruled(x) || itsFirstWater(x)
		})
	})
	if rule == nil || waits {
		return list
	}
	again := do(treatment.ByRule, what(rule.Params.What), water(rule.Params.Water))
	return append(list, &sit{slot: treatment.Morning, gate: hold.Until, steps: []step{again}})
}

// firstWaterOnce leaves one first water of several that wait each for something of its own: the one that waits for
// most. Work on its roots that waits has a first water of its own.
func firstWaterOnce(list []*sit) {
	if slices.ContainsFunc(list, func(s *sit) bool { return !s.dated && has(s.steps, treatment.Unpot) }) {
		return
	}
	var kept *sit
	for _, s := range list {
		if s.dated || s.after || !slices.ContainsFunc(s.steps, itsFirstWater) {
			continue
		}
		spare := s
		if kept == nil || len(s.gate) > len(kept.gate) {
			spare, kept = kept, s
		}
		if spare != nil {
			spare.steps = slices.DeleteFunc(slices.Clone(spare.steps), itsFirstWater)
		}
	}
}

// noDays is true of a condition that no number of days meets.
func noDays(c gate.Condition) bool { return c.Is != gate.Days }

// heldAfterFirst holds its water from the day after its first one, where one sitting says both.
func (c *composer) heldAfterFirst(list []*sit) []*sit {
	return c.nextDay(list, heldUntilDue, itsFirstWater)
}

// nextDay moves a step to the day after, where its sitting has another beside it.
func (c *composer) nextDay(list []*sit, moves, beside func(step) bool) []*sit {
	for _, s := range list {
		i := slices.IndexFunc(s.steps, moves)
		if !s.dated || i < 0 || !slices.ContainsFunc(s.steps, beside) {
			continue
		}
		moved := s.steps[i]
		s.steps = slices.Delete(slices.Clone(s.steps), i, i+1)
		return c.onDay(list, treatment.CareSit, s.day+1, []step{moved})
	}
	return list
}

// itsFirstWater is true of the first water of the plant itself.
func itsFirstWater(x step) bool { return x.Op == treatment.FirstWater && x.Params.For == "" }

// itsHold is true of a step that holds the water of the plant itself.
func itsHold(x step) bool { return x.Op == treatment.HoldWater && x.Params.For == "" }

// heldUntilDue is true of a step that holds its water until it is due.
func heldUntilDue(x step) bool {
	return itsHold(x) && x.Until.Same(due)
}

// saidThen leaves out of some steps water by its rule, which a later line says, and adds to that what it says more.
func saidThen(rule *step, steps []step) []step {
	return slices.DeleteFunc(slices.Clone(steps), func(x step) bool {
		early := saysItsRule(x)
		if early && plainRule(*rule) {
			*rule = merged(*rule, x)
		}
		return early
	})
}

// ownSaid has a line for water that is its own say where and when it is given, as a second one within a week
// does; that it is its own is said where the plant is kept apart.
func ownSaid(first *step, x step, days int) bool {
	if first == nil || !saysWhere(x) {
		return false
	}
	own := first.Params.What == ownWater && days <= ownWaterFor
	little := among(first.Params.How, "", "sparingly", "half", "light")
	bare := first.Params.What == "" && little && first.Every == 0 && days <= sameWater
	if !own && !bare {
		return false
	}
	first.Params.What = x.Params.What
	return true
}

// ownWater is water by its rule of a plant that is kept apart for good; where its water goes is said for so
// many days with it (common practice).
const (
	ownWater    = "with water of its own"
	ownWaterFor = 7
)

// saysWhere is true of water by its rule that says where or when it is given.
func saysWhere(x step) bool {
	return ruled(x) && x.Every == 0 && x.Params.How == "" && whereOfRule[x.Params.What] != ""
}

// ruled is true of water by its rule for the plant itself.
func ruled(x step) bool {
	return x.Op == treatment.ByRule && x.Params.For == "" && x.Params.What != beforeProduct
}

// onlyItsRule is true of a line for water by its rule that says nothing else, and is said once.
func onlyItsRule(x step) bool {
	return saysItsRule(x) && x.Params.Water == ""
}

// saysItsRule is true of a line for water by its rule that is said once, with whatever water.
func saysItsRule(x step) bool { return ruled(x) && plainRule(x) && x.Every == 0 }

// plainRule is true of water as its kind has it, no less and nowhere else.
func plainRule(x step) bool { return x.Params.How == "" && x.Params.What == "" }
