package compose

import (
	"fmt"
	"slices"

	"tendermend/core/treatment"
)

// firmsWithin is for how many days after it drank a limp plant is looked at each day (handbook,
// drought in a pot: look each day to day 4; still limp while wet: slide it out).
const firmsWithin = 3

// A dry kind fills its leaves again more slowly: it is looked at every three days for two weeks
// (handbook, drought of dry kinds: look every 3 days to day 14).
const (
	plumpEvery   = 3
	plumpsWithin = 13
)

// firmAgain asks on the days after a limp plant drank whether it stands firm again, and what
// is to be done where it does not: thirst is over in days, roots that cannot drink are not.
func (c *composer) firmAgain(list []*sit) []*sit {
	if !c.limp || c.untied || c.is(treatment.AirPlant, treatment.Bromeliad) {
		return list
	}
	drank := slices.IndexFunc(list, func(s *sit) bool { return s.dated && slices.ContainsFunc(s.steps, drinksDeep) })
	if drank < 0 {
		return list
	}
	from := list[drank].day + 1
	days, within := 1, firmsWithin
	if c.dry {
		days, within = plumpEvery, plumpsWithin
	}
	sees := slices.ContainsFunc(list[drank:], func(s *sit) bool {
		return s.dated && s.day <= from+within && has(s.steps, treatment.Unpot, treatment.SlideLook, treatment.Behead)
	})
	if sees {
		return list
	}
	return c.asksFirm(list, from, within, days)
}

// asksFirm puts the question to the looks of those days: to a series that begins then, once at
// their end where a series began before, and else to a series of its own.
func (c *composer) asksFirm(list []*sit, from, within, days int) []*sit {
	end := from + within
	for _, s := range list {
		for i := range s.steps {
			x := &s.steps[i]
			last, dated := dayOf(x.Until)
			if !s.dated || !dated || !plainLook(*x) || x.Every == 0 || x.Every > plumpEvery || s.day > end || last < end {
				continue
			}
			if s.day >= from {
				x.Params.Note = firmer(last)
				return list
			}
			return c.onDay(list, treatment.CareSit, end, []step{do(treatment.Look, note(firmer(end)))})
		}
	}
	looks := do(treatment.Look, every(days, toDay(end)), note(firmer(end)))
	return c.onDay(list, treatment.CareSit, from, []step{looks})
}

// drinksDeep is true of a soak that wets the whole pot of the plant itself.
func drinksDeep(x step) bool {
	return x.Op == treatment.Soak && x.Params.How == "" && x.Params.For == ""
}

// firmer is that question, and what its answer means on the last day of asking.
func firmer(last int) string {
	return fmt.Sprintf("does it stand firm again? Still as limp on day %d in a moist pot: slide it out; "+
		"white, firm roots only need time, brown and soft ones are rot", last)
}
