package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// endsAtRescue ends the plan of a limp plant without a live root where another is asked for: what is done today
// stands, with shade and moist air, for it lives by its leaves; what would follow belongs to the plan of its rescue.
func (c *composer) endsAtRescue(list []*sit) []*sit {
	if c.pieces != nil || c.top || c.piece || c.resting() {
		return list // pieces are its rescue, and what rests is looked at
	}
	ended := false
	for _, s := range list {
		if s.dated && s.day == 0 {
			c.endsToday(s)
			continue
		}
		ended = ended || slices.ContainsFunc(s.steps, func(x step) bool { return x.Op != treatment.Look })
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return x.Params.What != keepOrDiscard })
	}
	c.unleave("products") // that it is washed on the clock is not true of what ends today
	for _, id := range c.causes {
		if !ended || c.leftOut(string(id)) {
			continue
		}
		c.leave(string(id), "its roots come first: accept this again with what killed them, and it is seen to in that plan")
	}
	return c.livesByLeaves(slices.DeleteFunc(list, func(s *sit) bool { return len(s.steps) == 0 }))
}

// endsToday lets what is begun today and would go on be done once, and gives no water by a rule: its rescue says how it
// is watered, where it is not taken to rest.
func (c *composer) endsToday(s *sit) {
	s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool { return ruled(x) && !c.has(cause.Dormancy) })
	for i, x := range s.steps {
		if x.Every > 0 && x.Op.Treats() {
			s.steps[i].Every, s.steps[i].Until = 0, nil
		}
	}
}

// livesByLeaves shades what has no root to drink with, and makes its air moister where that is dry for its kind.
func (c *composer) livesByLeaves(list []*sit) []*sit {
	var steps []step
	if !anyHas(list, treatment.Humidify) && bearsMist(c.subject) && c.named && c.humidity < c.kind.Humidity[0] &&
		!c.has(cause.GreyMould) {
		steps = append(steps, do(treatment.Humidify))
	}
	if !anyHas(list, treatment.ShadeIt) && c.kind.Sun != plant.FullSun {
		steps = append(steps, do(treatment.ShadeIt, share(0.4)))
	}
	if len(steps) == 0 {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, steps)
}
