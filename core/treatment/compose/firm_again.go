package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/treatment"
)

// firmsWithin is for how many days after it drank a limp plant is looked at each day (handbook,
// drought in a pot: look each day to day 4; still limp while wet: slide it out).
const firmsWithin = 3

// A dry kind fills its leaves again more slowly, and what is wet dries so: it is looked at every
// three days for two weeks (handbook, drought of dry kinds: look every 3 days to day 14).
const (
	plumpEvery   = 3
	plumpsWithin = 13
)

// firmAgain asks on the days after a limp plant drank, while one dries that hangs limp in the wet, or where
// nothing else looks at a limp plant in its first days, whether it stands firm again, and what is to be done
// where it does not: thirst is over in days, roots that cannot drink are not.
func (c *composer) firmAgain(list []*sit) []*sit {
	if !c.limp {
		return list
	}
	if c.bareRooted() || c.habitID == treatment.AirPlant {
		return c.firmInAir(list)
	}
	drank := slices.IndexFunc(list, func(s *sit) bool {
		return s.dated && slices.ContainsFunc(s.steps, func(x step) bool { return drinksDeep(x) || c.drinksSealed(x) })
	})
	if drank < 0 {
		drank = slices.IndexFunc(list, c.drinksDry)
	}
	switch {
	case c.noRootFound(): // it is looked at until its rescue is planned: no water makes it firm
		return list
	case drank >= 0:
		from, days, within := list[drank].day+1, 1, firmsWithin
		if c.dry {
			days, within = plumpEvery, plumpsWithin
		}
		return c.firmBy(list, list[drank:], from, from+within, days, " in a moist pot")
	case c.rootless, c.piece, c.resting(), c.waitsWatched(list), anyHas(list, treatment.Discard),
		!c.smelled && !c.saidDryAndWet() && !c.hotAndWet() && lookedSoon(list):
		return list
	}
	return c.firmThough(list)
}

// firmInAir looks in its first days at what hangs limp with its roots in the air, where nothing else does.
func (c *composer) firmInAir(list []*sit) []*sit {
	if lookedSoon(list) || c.piece || c.resting() || !c.rootsMayLive() || c.waitsWatched(list) ||
		anyHas(list, treatment.Discard) {
		return list
	}
	return c.onDay(list, treatment.CareSit, plumpEvery, []step{do(treatment.Look, every(plumpEvery, toDay(firmsInAir)))})
}

// firmsInAir is until which day a limp plant whose roots hang in the air is looked at every three days (common
// practice).
const firmsInAir = 9

// firmThough asks the same of what drinks nothing in its plan.
func (c *composer) firmThough(list []*sit) []*sit {
	came := c.Facts.NewcomerDays
	switch {
	case c.saidDryAndWet() && !c.dry:
		return c.firmBy(list, list, 1, 1+firmsWithin, 1, " in a moist pot")
	case came.Known && came.Value <= journeyDays:
		return c.firmBy(list, list, plumpEvery, journeyDays, plumpEvery, " (limp from its journey passes within a week)")
	case c.hotAndWet():
		return c.firmBy(list, list, plumpEvery, wetHeatDays, plumpEvery, " (in wet heat roots rot within days)")
	}
	return c.firmBy(list, list, plumpEvery, 1+plumpsWithin, plumpEvery, "")
}

// hotAndWet says whether it was found wet in the heat.
func (c *composer) hotAndWet() bool { return c.foundWet() && c.airC > sprayC }

// wetHeatDays is for how long a plant may hang limp in what was found wet, over 30 °C (common practice).
const wetHeatDays = 7

// journeyDays is for how long after it came a plant may hang limp from its journey alone (common practice).
const journeyDays = 7

// lookedBy is by which day a limp plant is looked at first (common practice).
const lookedBy = 4

// lookedSoon says whether a plan looks at the plant within its first days.
func lookedSoon(list []*sit) bool {
	return slices.ContainsFunc(list, func(s *sit) bool {
		looks := has(s.steps, treatment.SlideLook, treatment.Unpot) || slices.ContainsFunc(s.steps, func(x step) bool {
			return x.Op == treatment.Look && x.Params.What != keepOrDiscard && !strings.HasPrefix(x.Params.Note, fillPot)
		})
		return s.dated && s.day <= lookedBy && looks
	})
}

// waitsWatched says whether it is looked at anyway while work on its roots waits.
func (c *composer) waitsWatched(list []*sit) bool {
	return slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			return x.Op == treatment.Look && x.Params.Held && x.Every > 0 && x.Every <= plumpEvery
		})
	})
}

// firmBy asks from a day to another whether it stands firm, unless its roots are seen from there on
// anyway.
func (c *composer) firmBy(list, rest []*sit, from, end, days int, pot string) []*sit {
	sees := slices.ContainsFunc(rest, func(s *sit) bool {
		return s.dated && s.day <= end && has(s.steps, treatment.Unpot, treatment.SlideLook, treatment.Behead)
	})
	if sees {
		return list
	}
	return c.asksFirm(list, from, end, do(treatment.Look, every(days, toDay(end)), note(c.firmer(end, pot))))
}

// asksFirm puts the question to the looks of those days: to a series that runs just then, once at
// their end where a series looks for something else all the while, and else to a series of its own.
func (c *composer) asksFirm(list []*sit, from, end int, looks step) []*sit {
	for _, s := range list {
		for i := range s.steps {
			x := &s.steps[i]
			last, dated := dayOf(x.Until)
			if !s.dated || !dated || !plainLook(*x) || x.Every == 0 || x.Every > plumpEvery || s.day > end || last < end {
				continue
			}
			if s.day >= from && last == end {
				x.Params.Note = looks.Params.Note
				return list
			}
			return c.onDay(list, treatment.CareSit, end, []step{do(treatment.Look, note(looks.Params.Note))})
		}
	}
	from = laterThanLooks(list, from, looks.Every)
	if from > end { // a closer series looks until then: at its end one look asks
		from, looks = end, do(treatment.Look, note(looks.Params.Note))
	}
	return c.onDay(list, treatment.CareSit, from, []step{looks})
}

// laterThanLooks is the first day on which a series of looks says more than a closer one, which runs on
// its own first day and only compares.
func laterThanLooks(list []*sit, from, days int) int {
	for _, s := range list {
		for _, x := range s.steps {
			last, dated := dayOf(x.Until)
			if s.dated && dated && plainLook(x) && x.Every > 0 && x.Every < days && s.day <= from && last >= from {
				return last + days
			}
		}
	}
	return from
}

// drinksDeep is true of a soak that wets the whole pot of the plant itself.
func drinksDeep(x step) bool {
	return x.Op == treatment.Soak && x.Params.How == "" && x.Params.For == ""
}

// drinksSealed is true of the water of a plant in a pot without a hole, which is not soaked.
func (c *composer) drinksSealed(x step) bool {
	return c.noHole() && x.Op == treatment.FirstWater && x.Params.How == "light" && x.Params.For == ""
}

// drinksDry says whether a sitting waters by its rule, on the first day, what was found too dry, or due where it hangs
// limp.
func (c *composer) drinksDry(s *sit) bool {
	return (c.foundTooDry() || c.dueNow()) && s.day == 0 && slices.ContainsFunc(s.steps, func(x step) bool {
		return ruled(x) && x.Every == 0 && x.Params.How == ""
	})
}

// stillLimp begins what is to be done where it does not stand firm on the last day of asking.
const stillLimp = "Still as limp on day "

// firmer is what that question adds to a look against the picture.
func (c *composer) firmer(last int, where string) string {
	out := "slide"
	if c.mossed() {
		out = "lift"
	}
	if warm := c.Facts.Place.WarmthC; c.named && warm.Known && warm.Value > c.kind.Temperature[2] {
		where += fmt.Sprintf(" at %g °C or below", c.kind.Temperature[2]) // in the heat firm roots are not enough
	}
	return fmt.Sprintf("%s%d%s: %s it out; white, firm roots only need time, brown and soft ones are rot",
		stillLimp, last, where, out)
}

// asksWhetherFirm says whether a look asks that besides what its picture shows.
func asksWhetherFirm(x step) bool { return strings.HasPrefix(x.Params.Note, stillLimp) }
