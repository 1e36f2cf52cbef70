package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// bridge is the care of a plant whose root sitting waits: water, light, air, food and
// looks, from day 0 until the sitting. What waits is cared for.
func (c *composer) bridge() {
	if c.root == nil && !c.change || c.held == "" || !c.gated && c.sat < 4 {
		return
	}
	c.draft.at(0, rankLook-1, do(treatment.Look, every(c.bridgeGap(), c.bridgeEnd()),
		note(c.bridgeEyes()), with(func(p *treatment.Params) { p.Held = true })))
	if !c.gated {
		c.draft.at(c.sat, rankStart+1, do(treatment.Look, note(beforeWork+": as it was, or worse?")))
	}
	if c.keptApart() {
		c.draft.at(0, rankAfter, do(treatment.ShadeIt, share(0.8)))
	}
	c.bridgeWarmth()
	if c.sound() && !c.keptApart() {
		if c.foundTooDry() {
			c.draft.at(0, rankWater, do(treatment.ByRule, water(c.betterWater())))
		}
		c.draft.at(0, rankWater, do(treatment.Routine, until(c.bridgeEnd())))
		return
	}
	c.bridgeWater()
	c.bridgeAir()
	c.draft.at(0, rankWater+1, do(treatment.HoldFeed, until(gate.Gate{gate.DaysSince(facts.SatRoots, 28)})))
}

// bridgeWarmth brings it into its range, where that is what the work waits for.
func (c *composer) bridgeWarmth() {
	if !c.outOfRange() || !c.named || c.has(cause.ColdInjury, cause.HeatStress) {
		return // those causes say themselves what is done about it
	}
	c.draft.at(0, rankAfter, c.warmedTo(c.mostC()))
}

// bridgeAir is its light and its air until then.
func (c *composer) bridgeAir() {
	if c.limp || c.roots < 0.5 || c.reserves() == facts.Shrivelled {
		v := 0.5
		if c.rootless {
			v = 0.4
		}
		c.draft.at(0, rankAfter, do(treatment.ShadeIt, share(v)))
	} else if !c.keptApart() {
		c.draft.at(0, rankAfter, do(treatment.Routine, what("light as it stands"), until(c.bridgeEnd())))
	}
	humid, _ := treatment.OperatorByID(treatment.Humidify)
	if c.asked(humid) && (c.named && c.humidity < c.kind.Humidity[0] || c.reserves() == facts.Shrivelled) {
		c.draft.at(0, rankAfter, do(treatment.Humidify))
	}
}

// sound says whether nothing but the calendar holds it: it goes on as ever.
func (c *composer) sound() bool {
	return !c.limp && c.roots >= 0.5 && c.reserves() != facts.Shrivelled && !c.resting() && !c.outOfRange() &&
		!c.drownedNow()
}

func (c *composer) drownedNow() bool { return among(c.moist, facts.Wet, facts.Soaked) }

// bridgeGap is how often it is looked at, in days.
func (c *composer) bridgeGap() int {
	switch {
	case !c.gated && c.sat < 7: // two looks before the work
		return max(1, c.sat/2)
	case c.resting() && c.sleeper():
		return 28
	case c.reserves() == facts.Shrivelled, c.roots < 0.25, c.limp:
		return 3
	case c.sound():
		return 14
	}
	return 7
}

// bridgeEnd is what the sitting waits for.
func (c *composer) bridgeEnd() gate.Gate {
	for _, g := range c.draft.gates {
		if g.held == "" {
			continue
		}
		var seen gate.Gate
		for _, x := range g.waits {
			if x.Is != gate.Days {
				seen = append(seen, x)
			}
		}
		if len(seen) > 0 {
			return seen
		}
		return g.waits
	}
	return toDay(max(c.sat, 1))
}

// bridgeEyes names what is looked at: where it is worse, waiting ends.
func (c *composer) bridgeEyes() string {
	switch {
	case c.resting() && c.sleeper():
		return "firm? a shoot? Soft or smelling ends the wait: work on the roots today"
	case c.orchid && (c.bulbless || c.is(treatment.Monopodial, treatment.JewelOrchid)):
		return "leaves against the picture, new tips? Worse ends the wait: work on the roots today"
	case c.orchid:
		return "bulbs and leaves against the picture, new tips? Worse ends the wait: work on the roots today"
	}
	return "leaves against the picture, firm base? Worse ends the wait: work on the roots today"
}

// bridgeWater is its water until then, by what it stands in.
func (c *composer) bridgeWater() {
	day0 := func(op treatment.OperatorID, opts ...option) { c.draft.at(0, rankWater, do(op, opts...)) }
	switch {
	case c.firstRoots():
		day0(treatment.HoldWater, until(c.ownRoots()))
	case c.resting():
		restWater(c.orders, "")
		c.placeLast()
	case c.habitID == treatment.AirPlant:
		days := 5
		if c.humidity < 40 {
			days = 3
		}
		day0(treatment.Soak, every(days, c.bridgeEnd()))
		day0(treatment.CrownDry, every(days, c.bridgeEnd()), how("upside down"))
	case c.untied:
		day0(treatment.WetRoots, every(1, c.bridgeEnd()))
	case c.seat == facts.InCup || c.seat == facts.InJar:
		day0(treatment.ChangeWater, every(3, c.bridgeEnd()))
	case c.thirsty:
		c.afterTheSoak()
	case c.drownedNow():
		if c.gated {
			day0(treatment.HoldWater, until(due))
			c.draft.gateFirst(due, do(treatment.ByRule, how("light"), water(c.betterWater())))
		} else { // its day is known and comes soon: said in one line
			day0(treatment.HoldWater, until(due), how(thenLight), water(c.betterWater()))
		}
		c.draft.at(0, rankWater, c.drains())
	case c.roots < 0.5 && c.kind.WaterRule != plant.WetTray:
		day0(treatment.ByRule, how("half"), water(c.betterWater()))
	default:
		day0(treatment.ByRule, water(c.betterWater()))
	}
}

// afterTheSoak is the water of a plant that is soaked today: after that as ever.
func (c *composer) afterTheSoak() {
	if c.habitID == treatment.Bromeliad || c.has(cause.NoDrainage) {
		c.draft.at(1, rankWater, do(treatment.ByRule, how("half"), water(c.betterWater())))
	}
	if c.gated || c.sat > 6 {
		c.draft.at(4, rankWater, do(treatment.ByRule, water(c.betterWater())))
	}
}

// placeLast puts the step that a recipe just added on its day.
func (c *composer) placeLast() {
	n := len(c.plain) - 1
	p := c.plain[n]
	c.plain = c.plain[:n]
	p.step.Until = c.itsOwn(p.step.Until)
	c.draft.at(max(p.day, 0), rankWater, p.step)
}
