package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// sprayC is up to which warmth, °C, leaves bear what is sprayed on them.
const sprayC = 30

// burns is why products are left out in the heat.
const burns = "over 30 °C what is sprayed burns the leaves"

// tooHot only washes until it is cooler, and says so; it is looked at when it is washed.
func (c *composer) tooHot(list []cause.ID, k clock) {
	if !shielded(list) && (!c.wetOK() || onlyMined(list)) {
		c.leave("products", burns+": bring it where it is cooler, and plan again there")
		c.draft.at(7, rankLook, do(treatment.Look, every(7, toDay(7+7*(k.clear/7+1)))))
		return
	}
	done := "it is washed on the clock"
	if !c.wetOK() {
		done = "what sits on it is scraped off on the clock"
	}
	c.leave("products", burns+": "+done+"; below that warmth plan again, with products")
	interval, last := max(k.interval, c.floorOf(treatment.WashDown, list...)), 0
	for n, day := 0, 0; n < k.least || day-interval < k.treated; n, day = n+1, day+interval {
		if day > 0 {
			c.spraySit(day, c.washing(shielded(list)))
		}
		last = day
	}
	between := interval * max(1, (hotLookDays+interval-1)/interval)
	if between < last {
		c.draft.at(between, rankLook, do(treatment.Look, every(between, toDay(last))))
	}
	c.lookAfter(list, last, k)
}

// onlyMined says whether all that is on it sits inside its leaves, where no wash reaches it.
func onlyMined(list []cause.ID) bool {
	return !slices.ContainsFunc(list, func(id cause.ID) bool { return id != cause.LeafMiner })
}

// hotLookDays is how many days at least lie between two looks at what is only washed (common practice).
const hotLookDays = 5

// coolYetDay is on which day it is asked whether what could not be sprayed stands cooler by now: it gets there by
// steps of half a day (common practice).
const coolYetDay = 3

// cooledToSpray brings what could not be sprayed in the heat where it can be, and asks some days later whether it
// stands there: what a wash leaves behind is met by a product only.
func (c *composer) cooledToSpray(list []*sit) []*sit {
	if !c.leftOutAs(burns) || c.discard != "" || anyHas(list, treatment.Discard) {
		return list
	}
	most := min(sprayC, c.mostC())
	if !c.has(cause.HeatStress) && !anyHas(list, treatment.Temper) {
		list = c.onDay(list, treatment.CareSit, 0, []step{c.warmedTo(most)})
	}
	return c.onDay(list, treatment.CareSit, coolYetDay, []step{do(treatment.Look, note(fmt.Sprintf(coolYet, most)))})
}

// coolYet is asked of what could not be sprayed in the heat.
const coolYet = "does it stand at %g °C or below by now? Then plan again today: its leaves bear a product there"
