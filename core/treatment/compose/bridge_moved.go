package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// heldFrom is the day from which root work counts as waiting: before it nothing is missed.
const heldFrom = 6

// bridgeMoved gives what waits its care where the waiting came of other work, and of no
// hold: the lines of water and light, and a look, that stand in no recipe then.
func (c *composer) bridgeMoved(list []*sit) {
	root := slices.IndexFunc(list, func(s *sit) bool { return has(s.steps, treatment.Unpot) })
	if root < 0 || c.has(cause.ColdInjury) || list[root].dated && list[root].day < heldFrom {
		return
	}
	first := slices.IndexFunc(list, func(s *sit) bool { return s.dated && s.day <= 1 })
	if first < 0 || first == root {
		return
	}
	end := c.bridgeEnd()
	if list[root].dated {
		end = toDay(list[root].day)
	}
	list[first].steps = append(list[first].steps, c.careLacking(list, end)...)
}

// careLacking is the water, the light and the look that no sitting of the first days has.
func (c *composer) careLacking(list []*sit, end gate.Gate) (steps []step) {
	by := func(day int, ops ...treatment.OperatorID) bool {
		return slices.ContainsFunc(list, func(s *sit) bool { return s.dated && s.day <= day && has(s.steps, ops...) })
	}
	if !by(1, bridgeWaters...) {
		steps = append(steps, c.waterMeanwhile(end))
	}
	if !by(1, treatment.ShadeIt, treatment.Brighten, treatment.Routine) {
		if c.keptApart() || c.has(cause.Virus) { // what goes round with the others is no care for it
			steps = append(steps, do(treatment.ShadeIt, share(0.8)))
		} else {
			steps = append(steps, do(treatment.Routine, what("light as it stands"), until(end)))
		}
	}
	if !by(14, treatment.Look, treatment.SlideLook) {
		steps = append(steps, do(treatment.Look, every(c.bridgeGap(), end), note(c.bridgeEyes())))
	}
	return steps
}

// waterMeanwhile is its water until then, by what it stands in.
func (c *composer) waterMeanwhile(end gate.Gate) step {
	switch {
	case c.drownedNow():
		return do(treatment.HoldWater, until(due))
	case c.seat == facts.InCup || c.seat == facts.InJar:
		return do(treatment.ChangeWater, every(3, end))
	case c.untied:
		return do(treatment.WetRoots, every(1, end))
	}
	return do(treatment.ByRule, water(c.betterWater()))
}

var bridgeWaters = ops(
	treatment.Soak, treatment.ByRule, treatment.HoldWater, treatment.WetRoots, treatment.ChangeWater,
	treatment.BottomWater, treatment.Mist, treatment.Routine, treatment.FirstWater, treatment.CupFill,
	treatment.DryTop, treatment.Flush,
)
