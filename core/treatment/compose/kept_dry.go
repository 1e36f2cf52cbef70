package compose

import (
	"slices"

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

// unpoured takes out what would wet a medium while it is kept dry.
func (c *composer) unpoured(list []*sit) {
	var state ground
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			state.after(x)
			poured := among(x.Op, pours...) && state.held && !state.lifted && s.dated
			if poured {
				c.leave(string(x.Op), "water is held: it would wet what must dry, and works in moist medium only")
			}
			return poured
		})
	}
}

// keptDry takes out water by its rule while it lies on a tray or has no medium.
func (c *composer) keptDry(list []*sit) {
	var state ground
	for _, s := range list {
		var kept []step
		for _, x := range s.steps {
			state.after(x)
			stays := true
			if ofItsOwn(x, treatment.ByRule) {
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

// drySaid gives a plant that waits for its own roots its line for water, where nothing of its plan says it: none until
// they are long enough while it rests or wakes; and where nobody saw whether it has them, when they are.
func (c *composer) drySaid(list []*sit) []*sit {
	told := slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool { return ofItsOwn(x, tellsWater...) })
	})
	switch {
	case told || c.binnedWhole || c.piece || len(list) == 0:
	case c.firstRoots():
		list[0].steps = append(list[0].steps, do(treatment.HoldWater, until(c.ownRoots())))
	case c.kind.WaterRule == plant.DryRest && c.feltDue() && !c.mayDrink() && c.rootsMayLive() && c.mediumFelt() &&
		c.discard == "" && !c.rotLives && !c.rotUnaccepted():
		list = append(list, &sit{slot: treatment.Morning, gate: c.ownRoots(), steps: []step{
			do(treatment.ByRule, what("in growth"), water(c.betterWater())),
		}})
	}
	return list
}

// tellsWater says when it is watered next, or that it is not.
var tellsWater = []treatment.OperatorID{
	treatment.ByRule, treatment.HoldWater, treatment.BottomWater, treatment.WetRoots, treatment.ChangeWater,
	treatment.Routine, treatment.Discard, treatment.CupFill, treatment.DryTop, treatment.Unpot,
}

// wateredOn gives a plant that drinks for its thirst within a few days, or is flushed then, its line for water from
// then on, where no recipe has one (common practice).
func (c *composer) wateredOn(list []*sit) []*sit {
	// What has no way out for water gets a little of it.
	sipped := c.thirsty && wettedWithin(list, 1, treatment.FirstWater) != never
	told := slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			return x.Params.For == "" && (among(x.Op, tellsWater...) || !sipped && x.Op == treatment.FirstWater)
		})
	})
	last := max(wettedWithin(list, dryWaits, treatment.Soak), wettedWithin(list, drinkDays, treatment.Flush))
	if !sipped && last == never || told || c.habitID == treatment.AirPlant || c.untied {
		return list
	}
	day := max(last, 0) + drinkDays
	if c.kind.WaterRule == plant.AirRoots {
		day = 1 // it drinks every morning
	}
	return c.onDay(list, treatment.CareSit, day, []step{do(treatment.ByRule, water(c.betterWater()))})
}

// wettedWithin is the last day, up to one, on which an operator waters the plant; never where none does.
func wettedWithin(list []*sit, days int, op treatment.OperatorID) int {
	last := never
	for _, s := range list {
		if s.dated && s.day <= days && has(s.steps, op) {
			last = max(last, s.day)
		}
	}
	return last
}
