package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// A limp plant is not left alone for more than two weeks in its first four: it is looked at weekly
// (common practice).
const (
	limpEvery   = 7
	limpLonely  = 14
	limpWatched = 28
)

// limpWeekly fills a long time without a look at a limp plant with weekly ones.
func (c *composer) limpWeekly(list []*sit) []*sit {
	rescued := c.rootless && !c.noRootFound()
	if !c.limp || rescued || c.bareRooted() || c.piece || c.resting() || c.habitID == treatment.AirPlant ||
		anyHas(list, treatment.Discard) {
		return list
	}
	last := 0
	for _, day := range append(lookDays(list, limpWatched), limpWatched) {
		if day-last > limpLonely {
			end := last + (day-soon-last-1)/limpEvery*limpEvery
			looks := do(treatment.Look)
			if end > last+limpEvery {
				looks = do(treatment.Look, every(limpEvery, toDay(end)))
			}
			list = c.onDay(list, treatment.CareSit, last+limpEvery, []step{looks})
		}
		last = day
	}
	return list
}

// lookDays are the days up to one on which a plan looks at the plant itself, in order.
func lookDays(list []*sit, end int) (days []int) {
	for _, s := range list {
		for _, x := range s.steps {
			if !s.dated || !among(x.Op, treatment.Look, treatment.SlideLook, treatment.Unpot) {
				continue
			}
			last := s.day
			if x.Every > 0 {
				last = end
			}
			if until, dated := dayOf(x.Until); dated {
				last = until
			}
			last = min(last, end)
			for day := s.day; day <= last; day += max(1, x.Every) {
				days = append(days, day)
			}
		}
	}
	slices.Sort(days)
	return days
}
