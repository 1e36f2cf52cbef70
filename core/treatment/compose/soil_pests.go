package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// besides adds what belongs to single pests: the stage in the soil, cards, a
// look at the roots, moister air.
func (c *composer) besides(list []cause.ID) {
	if slices.Contains(list, cause.Thrips) {
		c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "blue" })))
		c.soilStage()
	}
	if slices.Contains(list, cause.Whitefly) {
		c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "yellow" })))
	}
	if slices.Contains(list, cause.SpiderMite) {
		c.draft.at(0, rankAfter, do(treatment.Humidify))
	}
	if slices.Contains(list, cause.Mealybug) && c.root == nil && c.seat == facts.InPot && !c.piece &&
		!c.thirsty &&
		c.pieces == nil &&
		!(treatment.OneSet().Has(c.habitID) && c.Facts.Spikes.Or(0) > 0) {
		c.draft.at(1, rankLook, do(treatment.SlideLook))
	}
	c.draft.at(0, rankPestBag, do(treatment.BagWaste))
}

// The warmth between which nematodes live in a medium, °C (common practice).
const (
	nematodesFrom = 12
	nematodesTo   = 27
)

// soilStage meets the pupae of thrips in the medium.
func (c *composer) soilStage() {
	if c.untied || c.habitID == treatment.AirPlant {
		c.leave("soil stage", "it grows in no medium where pupae rest")
		return
	}
	if c.has(cause.Overwatering, cause.Springtail) && !c.sitsOnDay() {
		if c.Choices.PestFirst == treatment.Side(treatment.Predators) && !c.leftOut(string(treatment.Predators)) {
			c.leave(string(treatment.Nematodes), "they want moist medium; a product in it would kill the predators")
			return
		}
		c.draft.gate(due, c.label("insect", "soil", "soil")) // no water comes before it is due
		return
	}
	if c.nematodesWait() {
		c.draft.gate(due, nematodesTwice())
		return
	}
	for _, day := range []int{3, 17} {
		if c.nematodesLive() {
			c.draft.in(treatment.Evening, day, rankSpray, "", do(treatment.Nematodes))
			continue
		}
		c.draft.at(day, rankSpray, c.label("insect", "soil", "soil"))
	}
}

// nematodesWait says whether it is warm enough for nematodes, and its medium is to dry before it gets water: they
// come with that.
func (c *composer) nematodesWait() bool {
	dries := c.driesFirst() || c.seat == facts.InDish && c.foundWet()
	return dries && !c.sitsOnDay() && c.nematodesLive()
}

// nematodesLive says whether the air is as warm as nematodes bear, and no warmer.
func (c *composer) nematodesLive() bool { return c.airC >= nematodesFrom && c.airC <= nematodesTo }

// nematodesGap is how many days after the first nematodes the second follow (common practice).
const nematodesGap = 14

// nematodesTwice pours them with its next water and once more.
func nematodesTwice() step {
	return do(treatment.Nematodes, every(nematodesGap, forDays(nematodesGap)))
}

// sayNematodes says how they are poured, with its next water where they wait for that.
func sayNematodes(w saying) string {
	const after = " For two weeks water it a little sooner than its rule says, so that they do not dry."
	if w.Every > 0 { // see nematodesGap
		return "Water it in the evening, once that is due, and pour nematodes onto the moist medium then, at 12 to 25 °C." +
			after + " Once more two weeks later."
	}
	return "Pour nematodes onto moist medium in the evening, at 12 to 25 °C." + after
}

// rootMealybug watches bare roots for a generation, with a systemic product
// where it is lawful and its roots can take it up.
func (c *composer) rootMealybug() {
	k := c.clockOf(cause.RootMealybug)
	from := max(c.sat, 0)
	switch {
	case c.meetsBees():
		c.leave("systemic", beesOrFood)
	case c.rootsDrink():
		c.draft.at(from+18, rankRoot, do(treatment.Systemic, with(func(p *treatment.Params) {
			p.Class, p.DoseTyped = "insect", true
		})))
	}
	if c.root == nil && !c.change {
		c.noRoots(from)
	}
	c.woolLooks(from, max(k.clear, 49))
	c.clear = max(c.clear, k.clear, 49)
}

// woolLooks looks for wool three times after the work, the last time when a generation is over.
func (c *composer) woolLooks(from, last int) {
	for i, day := range []int{21, 42, last} {
		look := do(treatment.SlideLook)
		switch {
		case c.untied || !among(c.seat, facts.InPot, facts.InReservoir, facts.InDish) ||
			c.orchid && among(c.school, treatment.Bridge, treatment.BareRoots):
			look = do(treatment.Look)
		case i == 0 && c.root != nil && c.fewRoots():
			look = do(treatment.Look, note("no white wool at the holes, the rim or its foot? It is not slid out yet: its "+
				"few new roots would tear"))
		}
		if c.gated && (c.root != nil || c.change) {
			c.draft.gate(gate.Gate{gate.DaysSince(facts.SatRoots, day)}, look) // its work has no day yet
			continue
		}
		c.draft.at(from+day, rankLook, look)
	}
}

// fewLive is under how many live roots a ball that was washed falls apart when it is slid out
// three weeks later (common practice).
const fewLive = 5

// fewRoots says whether its roots were counted, and few of them live.
func (c *composer) fewRoots() bool {
	return c.counted && (c.mostRootsDead() || c.Facts.LiveRoots.Or(fewLive) < fewLive)
}

// rootsDrink says whether roots in a medium can take up what is poured on.
func (c *composer) rootsDrink() bool {
	inMedium := !c.untied || c.inPotSchool()
	return c.root != nil && inMedium && c.roots >= 0.25 && !c.thirsty && !c.gated && !c.firstRoots() &&
		c.habitID != treatment.AirPlant && !treatment.MineralSet().Has(c.habitID)
}

// noRoots says what is done at roots that no sitting reaches.
func (c *composer) noRoots(from int) {
	if c.habitID == treatment.AirPlant {
		return // it has none in a pot, and is not known to have it: that is said
	}
	if c.meetsBees() || c.roots < 0.25 || c.thirsty || c.firstRoots() || c.asleep() {
		c.leave(
			"root-mealybug",
			"nothing reaches its roots now: it is watched, isolated, and washed when it can be unpotted",
		)
		return
	}
	c.draft.at(
		from+5,
		rankRoot,
		do(treatment.Systemic, with(func(p *treatment.Params) { p.Class, p.DoseTyped = "insect", true })),
	)
}

// rootGrub meets grubs with nematodes, and adults by night.
func (c *composer) rootGrub() {
	from := max(c.sat, 0)
	switch {
	case treatment.MineralSet().Has(c.habitID):
		c.leave("nematodes", "its fresh mix stays dry: they would not live")
	case !c.nematodesLive():
		c.leave("nematodes", fmt.Sprintf("they die outside %d to %d °C: bring it into that first",
			nematodesFrom, nematodesTo))
	case c.habitID == treatment.AirPlant || c.untied: // no medium that they could live in
	case c.endsBare():
		c.leave("nematodes", "its old medium goes with the grubs, and they could not live in what it is set in")
	case c.gated && c.drownedNow():
		c.draft.gate(due, do(treatment.Nematodes))
	case c.nematodesWait():
		c.draft.gate(due, nematodesTwice())
	default:
		for _, day := range []int{2, 16} {
			c.draft.in(treatment.Evening, from+day, rankSpray, "", do(treatment.Nematodes))
		}
	}
	c.draft.in(treatment.Evening, 1, rankSpray, "", do(treatment.HandPick, every(2, c.ending(28))))
	c.draft.at(14, rankLook, do(treatment.Look, every(14, toDay(84))))
	c.clear = max(c.clear, 84)
}

func (c *composer) ending(day int) gate.Gate {
	return toDay(day)
}

// driesAgainstLarvae says whether the top of its medium may dry against larvae before its next water: not of what is
// never to dry, nor where no root lives to drink in a pot that is dry already.
func (c *composer) driesAgainstLarvae() bool {
	parched := c.noRootFound() && c.foundDue()
	return !parched && !c.untied && c.seat == facts.InPot && c.habitID != treatment.Carnivore && !c.piece &&
		!among(c.kind.WaterRule, plant.Even, plant.WetTray, plant.CupWater, plant.Reservoir)
}

// gnats meets larvae in the medium and flies on cards.
func (c *composer) gnats() {
	k := c.clockOf(cause.FungusGnat)
	dryable := c.driesAgainstLarvae()
	switch {
	case c.Choices.Gnats == treatment.SideLarvicide: // alone
	case dryable && c.Choices.Gnats == treatment.SideGrit:
		c.draft.at(0, rankAfter, do(treatment.TopDress, what("1 cm of grit")))
	case dryable:
		c.draft.at(0, rankAfter, do(treatment.DryTop))
	}
	larvicide := do(treatment.Larvicide, every(7, c.ending(22)), with(func(p *treatment.Params) { p.DoseTyped = true }))
	switch {
	case c.livesInAir(): // there is no medium in which larvae live
	case (c.has(cause.Overwatering, cause.Springtail) || c.drownedNow()) && !c.sitsOnDay():
		larvicide.Until = forDays(21) // no water comes before it is due
		c.draft.gate(due, larvicide)
	default:
		c.draft.at(1, rankRoot, larvicide)
	}
	c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "yellow" })))
	c.draft.at(7, rankLook, do(treatment.Look, every(7, toDay(22+max(14, k.clear)))))
	c.clear = max(c.clear, k.clear)
}

// picked are slugs, snails and chewers: in the evening, by torchlight.
func (c *composer) picked(p cause.ID) {
	days := 14
	if p == cause.SlugSnail {
		days = 28
	}
	c.draft.in(treatment.Evening, 0, rankSpray, "", do(treatment.HandPick, every(2, c.ending(days))))
	c.draft.at(14, rankLook, do(treatment.Look, every(7, toDay(days+28))))
	c.clear = max(c.clear, 28)
}
