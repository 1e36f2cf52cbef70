package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

// mostSprays bounds how often a programme is made longer.
const mostSprays = 12

// covered makes the treatment of each pest long enough again, where thirst, a
// fresh watering or a wound took treatments out or moved them. Where the product
// cannot be borne at all, what can be dabbed is dabbed; else nothing is begun.
func (c *composer) covered(list []*sit) []*sit {
	if c.discard != "" {
		return list
	}
	for _, p := range c.pests {
		if !slices.Contains(timed, p) || p == cause.LeafMiner {
			continue
		}
		k := c.clockOf(p)
		dabbed := false
		for range mostSprays {
			estimate(list)
			first, last, final := treatedFor(list, p)
			if final == nil || k.cold || last >= first+k.treated || usesLasting(list, p) {
				break
			}
			next, ok := c.sprayedAgain(list, final, p, k)
			if !ok && !dabbed {
				next, ok = c.dabbedInstead(list, first, p, k)
				dabbed = true
			}
			if !ok {
				list = without(list, p)
				break
			}
			list = c.mend(next)
		}
	}
	return list
}

// meets says whether a step reaches some stage of a pest: a label product by its
// class and by where it goes, since one on leaves is for another pest than one at
// the roots.
func meets(x step, p cause.ID) bool {
	f, ok := treatment.FoeOf(p)
	if !ok || x.Op != treatment.LabelDrug {
		return slices.Contains(f.Reached, x.Op)
	}
	there := !f.Rests || slices.Contains(timed, p) // it lives on the plant
	if state.LowDown(x.Organ) {
		there = f.Rests // or rests in the medium
	}
	touched, _ := treatment.ClassTouches(x.Params.Class)
	return there && slices.Contains(touched, p)
}

// reaching says whether a step meets a pest on the leaves.
func reaching(x step, p cause.ID) bool {
	return meets(x, p) && !state.LowDown(x.Organ) && x.Organ != treatment.Crown
}

// treatedFor finds the first and the last day on which a pest is treated, and
// the sitting of the last.
func treatedFor(list []*sit, p cause.ID) (first, last int, final *sit) {
	for _, s := range list {
		for _, x := range s.steps {
			if !reaching(x, p) {
				continue
			}
			if final == nil {
				first = s.day
			}
			day := s.day
			if end, ok := dayOf(x.Until); ok && x.Every > 0 {
				day = max(day, end)
			}
			if final == nil || day >= last {
				last, final = day, s
			}
		}
	}
	return first, last, final
}

// usesLasting says whether something that works on by itself treats the pest.
func usesLasting(list []*sit, p cause.ID) bool {
	return slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool {
			lasts := x.Op == treatment.Predators || x.Op == treatment.Systemic || x.Op == treatment.HotDip
			return lasts && reaching(x, p)
		})
	})
}

// sprayedAgain adds one more treatment like the last, an interval later; false
// where the last one was no spray.
func (c *composer) sprayedAgain(list []*sit, final *sit, p cause.ID, k clock) ([]*sit, bool) {
	from := slices.IndexFunc(final.steps, func(x step) bool { return slices.Contains(sprays, x.Op) && reaching(x, p) })
	if from < 0 || !final.dated {
		return list, false
	}
	product := final.steps[from]
	wait := c.between(k, product.Op, p)
	for _, s := range list {
		onIt := s.dated && s.day == final.day+wait
		if onIt && slices.ContainsFunc(s.steps, func(x step) bool { return reaching(x, p) }) {
			return list, false // it was taken out there already
		}
	}
	day, used := final.day+wait, usedOn(list, product.Op)
	may := func() bool { return c.mayUse(product.Op, used, day, []cause.ID{p}) }
	wash := c.washing(shielded([]cause.ID{p}))
	if !may() && slices.ContainsFunc(wash, func(x step) bool { return reaching(x, p) }) {
		return c.onDay(list, treatment.SpraySit, day, wash), true
	}
	for last := day + soapRest; !may() && day < last; { // the product rests, and goes on
		day++
	}
	if !may() {
		return list, false
	}
	list = c.onDay(list, treatment.SpraySit, day, c.sprayOnce([]cause.ID{p}, product.Op, product.Params.Class, false))
	if product.Op == treatment.Oil {
		off := append(c.offOil(true), c.washing(false)...)
		list = c.onDay(list, treatment.SpraySit, day+oilOffDays, off)
	}
	return list, true
}

// usedOn lists the days on which a product is used.
func usedOn(list []*sit, op treatment.OperatorID) (days []int) {
	for _, s := range list {
		if s.dated && has(s.steps, op) {
			days = append(days, s.day)
		}
	}
	return days
}

// dabbedInstead dabs single insects every third day, where a spray is not borne.
func (c *composer) dabbedInstead(list []*sit, first int, p cause.ID, k clock) ([]*sit, bool) {
	f, _ := treatment.FoeOf(p)
	if !slices.Contains(f.Reached, treatment.Alcohol) || !c.bears(treatment.Alcohol) || c.barred(treatment.Alcohol, p) {
		return list, false
	}
	list = without(list, p)
	for i, x := range c.dabs(k, first) {
		list = c.onDay(list, treatment.SpraySit, first+i*dabDays, []step{x})
	}
	return list, true
}

// without takes out what treats a pest, where it would be begun in vain, and the rinse of
// what is taken out.
func without(list []*sit, p cause.ID) []*sit {
	vain := func(x step) bool { return reaching(x, p) && x.Op != treatment.WashDown && x.Op != treatment.Scrape }
	oiled := false
	for _, s := range list {
		for i := slices.IndexFunc(s.steps, vain); i >= 0; i = slices.IndexFunc(s.steps, vain) {
			s.steps = withoutUse(s.steps, i)
		}
		oiled = oiled || has(s.steps, treatment.Oil)
		s.steps = slices.DeleteFunc(s.steps, func(x step) bool {
			return !oiled && x.Op == treatment.RinseOff && x.Params.What != "" // what is left of the oil
		})
	}
	return list
}
