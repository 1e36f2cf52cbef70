package compose

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// foundWet says whether its medium was found wet.
func (c *composer) foundWet() bool { return c.Facts.Moist.Known && c.drownedNow() }

// driesFirst says whether it stands in a medium that was found wet, and is to dry before anything is
// poured on: what is never to dry as far as damp, and what drinks from a tray or a reservoir never.
func (c *composer) driesFirst() bool {
	felt := c.mediumFelt() || c.dry && c.seat == facts.InJar
	return c.foundWet() && felt && !c.is(treatment.AirPlant, treatment.Carnivore) &&
		!among(c.kind.WaterRule, plant.WetTray, plant.Reservoir)
}

// heldWhileWet gives no water to what was found wet, where the plan says nothing of water: what
// stands wet dries first, whatever else ails it (common practice).
func (c *composer) heldWhileWet(list []*sit) []*sit {
	if !c.driesFirst() || c.piece || tellsOfWater(list) || anyHas(list, treatment.Discard) {
		return list
	}
	ends := due
	if c.resting() && c.kind.WaterLow == plant.NoWater {
		ends = growth // none at rest
	}
	return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.HoldWater, until(ends))})
}

// wateredWhileDry waters today what was found too dry for its kind and stands firm, where the plan
// says nothing of water or waters it some days later: it drinks, whatever else ails it (common
// practice).
func (c *composer) wateredWhileDry(list []*sit) []*sit {
	told, waits := tellsOfWater(list), c.limp || c.rotLives
	switch {
	case c.isDue():
		return drinksBeforeWork(c.wateredWhenDue(list, told))
	case !told && (c.thirstyBare() || c.airDried() && !waits):
		return c.dipped(list)
	case !told && (c.runDry() || c.airDue() && !c.rotLives):
		return drinksBeforeWork(c.wateredWhenDue(list, told))
	case !c.foundTooDry(), waits && (told || !c.trayDue()):
		return list
	}
	return drinksBeforeWork(c.drinksToday(list))
}

// wateredWhenDue waters today what is due: where the plan says nothing of water, or says its rule later of what stands
// firm. What was chilled drinks when it has stood warm for some days.
func (c *composer) wateredWhenDue(list []*sit, told bool) []*sit {
	chilled := c.has(cause.ColdInjury)
	switch {
	case chilled && !told:
		return c.onDay(list, treatment.CareSit, chilledDays, []step{do(treatment.ByRule, water(c.betterWater()))})
	case chilled:
		return list
	case !told:
		return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.ByRule, water(c.betterWater()))})
	case !c.limp:
		return c.ruledToday(list)
	}
	return list
}

// dipped wets today what has its roots in no medium, and waters it by its rule from then on.
func (c *composer) dipped(list []*sit) []*sit {
	dip := []step{do(treatment.Soak, how("dip"))}
	if c.habitID == treatment.AirPlant { // water that stays in it rots it
		dip = append(dip, do(treatment.CrownDry, how("upside down")))
	}
	list = c.onDay(list, treatment.CareSit, 0, dip)
	return c.onDay(list, treatment.CareSit, 1, []step{do(treatment.ByRule, water(c.betterWater()))})
}

// thirstyBare says whether it hangs limp for want of water, with roots that live in no medium and no rot.
func (c *composer) thirstyBare() bool {
	return c.thirsty && c.bareRooted() && c.seat != facts.InBasket && !c.asleep() && c.rootsMayLive() &&
		!c.any(treatment.Rots()) && !c.rotUnaccepted()
}

// ruledToday says today what a plan says first of its water, where that is its rule on a later day.
func (c *composer) ruledToday(list []*sit) []*sit {
	for _, s := range list {
		i := slices.IndexFunc(s.steps, ofItsWater)
		if i < 0 {
			continue
		}
		x := s.steps[i]
		if !s.dated || s.day == 0 || !onlyItsRule(x) || waitsForWater(s, x) {
			return list
		}
		s.steps = slices.Delete(slices.Clone(s.steps), i, i+1)
		return c.onDay(list, treatment.CareSit, 0, []step{x})
	}
	return list
}

// drinksToday gives such a plant its line for water on the first day: the plan's own where that comes within a
// few days, one more where it comes later.
func (c *composer) drinksToday(list []*sit) []*sit {
	today := func(x step) []*sit { return c.onDay(list, treatment.CareSit, 0, []step{x}) }
	for _, s := range list {
		i := slices.IndexFunc(s.steps, ofItsWater)
		if i < 0 {
			continue
		}
		x := s.steps[i]
		switch {
		case !s.dated || s.day > dryWaits || s.day > 0 && slices.Contains(wetsByTheWay, x.Op):
			return today(do(treatment.ByRule, water(c.betterWater())))
		case s.day > 0 && ruled(x) && x.Every == 0:
			s.steps = slices.Delete(slices.Clone(s.steps), i, i+1)
			return today(x)
		}
		return list
	}
	return today(do(treatment.ByRule, water(c.betterWater())))
}

// dueNow says whether it stands in a pot that was found as dry as its kind has it before water, or drier, and may
// drink: whoever felt that is told to water it today, where nothing else of the plan does (common practice).
func (c *composer) dueNow() bool { return c.isDue() && !c.has(cause.ColdInjury) }

// isDue says the same of what was chilled as well, which drinks some days later.
func (c *composer) isDue() bool {
	rots := c.rotLives || c.rotUnaccepted()
	return c.feltDue() && !c.foundTooDry() && c.rootsMayLive() && !rots && c.mayDrink() && !c.piece &&
		c.seat == facts.InPot && !c.has(cause.NoDrainage, cause.Overwatering) && c.habitID != treatment.AirPlant &&
		!among(c.kind.WaterRule, plant.WetTray, plant.CupWater, plant.Reservoir, plant.AirRoots)
}

// tellsOfWater says whether a plan says anything of the water of the plant itself, before that is due.
func tellsOfWater(list []*sit) bool {
	return slices.ContainsFunc(list, func(s *sit) bool {
		return slices.ContainsFunc(s.steps, func(x step) bool { return ofItsWater(x) && !waitsForWater(s, x) })
	})
}

// waitsForWater says whether a step comes with its next water, and is none for the plant.
func waitsForWater(s *sit, x step) bool {
	return s.gate.Same(due) && (slices.Contains(wetsByTheWay, x.Op) || ruled(x))
}

// ofItsWater says whether a step is of the water of the plant itself, and not of its pieces.
func ofItsWater(x step) bool { return ofItsOwn(x, waters...) }

// drinksBeforeWork has what was found dry drink before it is washed, sprayed or cut that day, and after it was smelled
// below: soap, oil and products burn a leaf that wants water, its pieces root from what they hold, and what rots below
// is not watered (common practice, and what labels say).
func drinksBeforeWork(list []*sit) []*sit {
	for _, s := range list {
		drinks := slices.IndexFunc(s.steps, func(x step) bool { return ruled(x) && x.Every == 0 || x.Op == treatment.DryTop })
		if !s.dated || s.day > 0 || drinks < 0 {
			continue
		}
		rule := s.steps[drinks]
		rest := slices.Delete(slices.Clone(s.steps), drinks, drinks+1)
		at := drinks
		if work := slices.IndexFunc(rest, firstWork); work >= 0 {
			at = min(at, work)
		}
		if smelled := slices.IndexFunc(rest, smells); smelled >= 0 {
			at = max(at, smelled+1)
		}
		s.steps = slices.Insert(rest, at, rule)
	}
	return list
}

func firstWork(x step) bool {
	return among(x.Op, treatment.WashDown, treatment.CleanBlade) || slices.Contains(sprays, x.Op)
}

func smells(x step) bool {
	return x.Op == treatment.Look && strings.HasSuffix(x.Params.Note, leaveTheRest)
}

// fifthNow is how a pot without a way out is watered (common practice).
const fifthNow = "water it now, a fifth of its pot at most, and tip out what stands after an hour."

// littleNow is how a medium that is only to be moist is wetted again (common practice).
const littleNow = "give it a little water round the rim now, away from its stem, until it is moist."

// drinksNow says how it is watered today.
func (c *composer) drinksNow() string {
	switch {
	case c.runDry():
		return drawsAgain
	case c.dueNow() && c.noHole():
		return "It is due: " + fifthNow
	case c.dueNow() && c.moist != facts.Bone:
		return "It is due: water it now until it drips, and let it drain."
	case c.kind.WaterRule == plant.WetTray:
		return "It is too dry for it: wet it through from above now, with low-mineral water."
	case c.has(cause.NoDrainage) || c.noHole():
		return "It is too dry for it: " + fifthNow
	case c.kind.WaterRule == plant.CupWater && c.moist == facts.Dry:
		return "It is too dry for it: " + littleNow
	case c.kind.WaterRule == plant.CupWater:
		return "It is dry through: " + littleNow
	case c.seat == facts.InBasket:
		return "It is too dry for it: dip its basket in water until bubbles stop, and let it drip off."
	case c.moist == facts.Dry:
		return "It is too dry for it: water it now until it drips, and let it drain."
	}
	return "It is dry through: water it now, slowly and twice, until it drips, and let it drain."
}

// noHole says whether its pot was found without a hole.
func (x *subject) noHole() bool { return x.Facts.PotHoles.Known && !x.Facts.PotHoles.Value }

// sealed says whether it stands in a pot that was found without a hole.
func (x *subject) sealed() bool { return x.noHole() && x.seat == facts.InPot }

// dryWaits is up to how many days later a plan's own line for water is said today instead, where it was found
// too dry (common practice).
const dryWaits = 3

// foundTooDry says whether it stands in a pot that was found too dry for its kind, and may drink:
// dry through, or dry where no more than the top of its medium is to dry.
func (c *composer) foundTooDry() bool {
	tooDry := c.Facts.Moist.Known && (c.moist == facts.Bone || c.moist == facts.Dry && c.driesLittle() || c.trayDue())
	return tooDry && c.rootsMayLive() && !c.rotUnaccepted() && !c.dryKind() && c.mediumFelt() && c.mayDrink() &&
		!c.piece && c.habitID != treatment.AirPlant
}

// trayDue says whether it stands in a tray that is never empty, and was found as dry as others are watered.
func (c *composer) trayDue() bool { return c.kind.WaterRule == plant.WetTray && c.moist == facts.Due }

// rootsMayLive says whether a root of it lives, or nobody counted: without one nothing can drink.
func (c *composer) rootsMayLive() bool { return !c.rootless || !c.Facts.LiveRoots.Known }

// mayDrink says whether it does not rest dry: what is never to dry may drink at rest, and what is dry at rest when
// it has its roots, or when its rest is over.
func (c *composer) mayDrink() bool {
	switch {
	case c.kind.WaterRule == plant.DryRest:
		return c.hasItsRoots()
	case c.habitID == treatment.WinterDeciduous:
		return c.growing() || !c.resting() && !c.kind.RestsIn(c.month(0))
	}
	return !c.resting() || neverRests(c.subject) || neverDries(c.subject)
}

// airDried says whether an air plant, or live roots that hang in no medium, were found dry through: they are dipped
// today (common practice).
func (c *composer) airDried() bool { return c.drinksAir() && c.moist == facts.Bone }

// airDue says whether they were found dry, or due: they get today what they get as they live.
func (c *composer) airDue() bool { return c.drinksAir() && among(c.moist, facts.Due, facts.Dry) }

// drinksAir says whether it is an air plant, or has live roots that hang in no medium, and was felt.
func (c *composer) drinksAir() bool {
	lives := !c.rootless || c.habitID == treatment.AirPlant
	return c.Facts.Moist.Known && lives && !c.piece && !c.asleep() &&
		(c.habitID == treatment.AirPlant || c.bareRooted())
}

// mediumFelt says whether it stands in a medium that was felt: in a pot, or in a basket that is not of air roots.
func (c *composer) mediumFelt() bool {
	return c.seat == facts.InPot || c.mossed()
}

// bareRooted says whether its roots are in no medium.
func (c *composer) bareRooted() bool { return c.untied && !c.mossed() }

// mossed says whether it stands in a basket with a medium, which is watered by its rule and not by its roots.
func (c *composer) mossed() bool {
	return c.seat == facts.InBasket && c.named && c.kind.WaterRule != plant.AirRoots
}

// dryKind says whether it is a plant that stores water and is watered when it has long been dry: a bulb in
// leaf may drink as other plants do.
func (c *composer) dryKind() bool {
	return c.dry && !c.driesLittle()
}

// driesLittle says whether no more than the top of its medium is to dry before water.
func (c *composer) driesLittle() bool {
	return among(c.kind.WaterRule, plant.Even, plant.WetTray, plant.SurfaceDry, plant.QuarterDry, plant.DryRest,
		plant.CupWater)
}

// saidDry says at the first line for water of what was found too dry that it drinks today, and
// how: a medium that is dry through lets the first water run past.
func (c *composer) saidDry(list []treatment.Sitting) {
	x, day := firstOfItsWater(list)
	if day != 0 {
		return
	}
	switch once := ruled(*x) && x.Every == 0; {
	case once && (c.foundTooDry() || c.dueNow() || c.runDry()):
		x.Words = c.drinksFirst(*x)
	case once && x.Params.How == "at rest" && c.thirstsAtRest():
		x.Words = sipsNow + lowered(x.Words)
	case !c.boneDryInPot():
	case x.Op == treatment.Flush:
		x.Words = wettedFirst + x.Words
	case drinksDeep(*x) && c.kind.WaterRule != plant.WetTray && !x.Params.WetDrops.Known:
		x.Words += bubbling
	}
}

// boneDryInPot says whether its pot was found dry through.
func (c *composer) boneDryInPot() bool {
	return c.Facts.Moist.Known && c.moist == facts.Bone && c.seat == facts.InPot
}

// thirstsAtRest says whether it keeps its leaves while it rests, and hangs limp in a dry pot.
func (c *composer) thirstsAtRest() bool {
	return c.thirsty && !c.dry && !c.asleep() && c.mediumFelt() && c.rootsMayLive() && !c.rotLives && !c.rotUnaccepted()
}

// sipsNow comes before how it is watered at rest, where it thirsts (common practice).
const sipsNow = "It hangs limp and is dry: give it a little now, a fifth of its pot at most. From then on: "

// wettedFirst comes before a flush of a medium that is dry through: what is poured onto that runs past its salts
// (common practice).
const wettedFirst = "It is dry through: wet it from above first, and wait half an hour. "

// bubbling comes behind a soak of a medium that is dry through: half an hour is short for it (common practice).
const bubbling = " It is dry through: leave it in for longer while bubbles still rise."

// firstOfItsWater is the first line of a plan for the water of the plant itself, with its day: never where it waits
// for something, or where there is none.
func firstOfItsWater(list []treatment.Sitting) (x *step, day int) {
	for _, s := range list {
		for i := range s.Steps {
			if x = &s.Steps[i]; !ofItsWater(*x) || x.Op == treatment.Routine {
				continue
			}
			if s.Day == nil {
				return x, never
			}
			return x, *s.Day
		}
	}
	return nil, never
}

// saidWet says at the first line for water by its rule of what was found wet that it gets none yet.
func (c *composer) saidWet(list []treatment.Sitting) {
	x, day := firstOfItsWater(list)
	if day == never || day > wetStays || !c.driesFirst() || c.kind.WaterRule == plant.AirRoots {
		return
	}
	if ruled(*x) && !strings.HasPrefix(x.Words, "Give ") { // which says itself how little it gets
		x.Words = c.stillWet() + x.Words
	}
}

// stillWet says that it is wet: the cup of a bromeliad is filled though its medium is wet.
func (c *composer) stillWet() string {
	if c.kind.WaterRule == plant.CupWater {
		return "Its medium is wet now: give that none yet. "
	}
	return "It is wet now: give it none yet. "
}

// wetStays is for how many days a pot that was found wet is taken to be wet (common practice).
const wetStays = 3

// drinksFirst says how it is watered today, before the line says how from then on; the line alone where it is not
// plainly by the rule.
func (c *composer) drinksFirst(x step) string {
	switch {
	case x.Params.How == "half":
		return "It is too dry for it: give it half of the usual amount now, slowly. From then on: " + lowered(x.Words)
	case plainRule(x), x.Params.How == "at rest", x.Params.How == "" && whereOfRule[x.Params.What] != "":
		now := c.drinksNow()
		if x.Params.Water != "" {
			now = strings.Replace(now, "water it now", "water it now with "+waterKind(saying{c, x}), 1)
		}
		return now + " From then on: " + lowered(strings.TrimPrefix(x.Words, itHasRoots))
	}
	return x.Words
}

// wetsByTheWay are the steps that wet a medium by the way: they want it moist, and water nothing.
var wetsByTheWay = []treatment.OperatorID{
	treatment.Nematodes, treatment.Larvicide, treatment.Systemic, treatment.Peroxide,
}

// waters are the steps that say when it drinks, or that wet its medium.
var waters = []treatment.OperatorID{
	treatment.ByRule, treatment.HoldWater, treatment.BottomWater, treatment.Flush, treatment.FirstWater, treatment.Soak,
	treatment.WetRoots, treatment.ChangeWater, treatment.Routine, treatment.Discard, treatment.CupFill,
	treatment.DryTop, treatment.Unpot, treatment.Callus, treatment.Behead, treatment.NodeBox, treatment.Larvicide,
	treatment.Nematodes, treatment.Systemic, treatment.PotIn, treatment.SetCup, treatment.Peroxide,
}
