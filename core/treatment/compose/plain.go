package compose

import (
	"cmp"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// placing agrees a single step with the sittings; it says whether the step was put
// elsewhere, or left out.
type placing func(c *composer, p *plain) (placed bool)

// placings are the operators that stand otherwise than on their own day.
var placings = map[treatment.OperatorID]placing{
	treatment.ByRule:      placeWater,
	treatment.BottomWater: placeDish,
	treatment.FirstWater:  placeWater,
	treatment.Flush:       placeFlush,
	treatment.Soak:        placeSoak,
	treatment.HoldWater:   placeHold,
	treatment.ShadeIt:     placeShade,
	treatment.Temper:      placeWarmth,
	treatment.Brighten:    placeBrighten,
	treatment.Refill:      func(c *composer, p *plain) bool { c.refilled(*p); return true },
	treatment.TrimBranch:  func(c *composer, p *plain) bool { c.trimmed(*p); return true },
	treatment.TakeOffset:  placeOffset,
	treatment.CutRot:      placeCutRot,
	treatment.LabelDrug:   placeDrug,
	treatment.Release:     placeRelease,
	treatment.SlideLook:   func(c *composer, _ *plain) bool { return c.sitsOnDay() || c.piece },
	treatment.CrownDrain: func(c *composer, p *plain) bool { // where there is no crown to empty
		return p.cause == cause.CrownWet && notKnownTo(p.cause)(c.subject)
	},
	treatment.Loosen: func(c *composer, p *plain) bool { // not where the mix is new, or there is none
		return c.seat == facts.InJar || c.sitsOnDay() && c.sat <= p.day+1
	},
	treatment.Turn:       placeTurn,
	treatment.Supplement: placeFeed,
	treatment.FeedIt:     placeFeed,
	treatment.RinseOff:   placeRinse,
	treatment.CrownDry:   placeDrying,
}

// sitsOnDay says whether the root sitting has a day.
func (c *composer) sitsOnDay() bool { return c.sat >= 0 && (c.root != nil || c.change) }

// plainSteps puts the single steps on their days, so that they agree with the
// sittings.
func (c *composer) plainSteps() {
	for _, p := range c.plain {
		p.step.Until, p.gate = c.itsOwn(p.step.Until), c.itsOwn(p.gate)
		if p.step.Every > 0 && len(p.step.Until) == 0 {
			p.step.Until = toDay(max(p.day, 0) + 84)
		}
		if place, is := placings[p.step.Op]; is && place(c, &p) {
			continue
		}
		if len(p.gate) > 0 {
			c.draft.gate(p.gate, p.step)
			continue
		}
		rank := orderOf(p.step.Op)
		if p.day == 0 && p.step.Op == treatment.Look {
			rank = rankStart // what is asked on the first day decides what is done on it
		}
		c.draft.at(p.day, rank, p.step)
	}
}

// settledDays is how long after root work its own steps say when to water (common practice).
const settledDays = 14

// placeWater leaves out water that the root sitting brings, or that a piece must not
// have, and waters with better water.
func placeWater(c *composer, p *plain) bool {
	if p.cause == cause.Dormancy {
		return c.restWatered(p)
	}
	if c.overBefore(p) {
		return true
	}
	if p.step.Op == treatment.FirstWater && len(p.gate) == 0 && c.hasHadWater(p) {
		return true
	}
	c.driesThough(p)
	if c.wateredElsewhere(p) || p.step.Op == treatment.ByRule && c.doubtful(p.cause) {
		return true
	}
	if p.step.Params.Water == "" {
		p.step.Params.Water = c.betterWater()
	}
	if p.step.Op == treatment.ByRule && c.ruleSaysHowOften() {
		p.step.Every, p.step.Until = 0, nil
	}
	return false
}

// overBefore has water that comes again and again end before the work on its roots, where it was to end before the
// cuts of that have closed; what goes on for longer begins then. It says whether nothing is left of it.
func (c *composer) overBefore(p *plain) bool {
	settled := c.sat + settledDays
	if !c.sitsOnDay() || p.step.Every == 0 || len(p.gate) > 0 || p.day > settled {
		return false
	}
	last, dated := dayOf(p.step.Until)
	if !dated || last > settled {
		p.day = settled + 1 // until then the cuts close, and the work says when to water
		return false
	}
	last = min(last, c.sat-1)
	p.step.Until = toDay(last)
	if last < p.day+p.step.Every {
		p.step.Every, p.step.Until = 0, nil
	}
	return last < p.day
}

// placeDish leaves water from below out where nothing rises.
func placeDish(c *composer, p *plain) bool {
	if c.sealed() {
		c.leave(string(treatment.BottomWater), "its pot has no hole: nothing rises into it from a dish")
		return true
	}
	return placeWater(c, p)
}

// baseDries is for how many days what rots gets no water though its medium is dry enough for it: its base, which was
// freed or treated, dries (common practice).
const baseDries = 3

// driesThough gives water that waits until it is due a day, where it was found due though it rots and is not opened.
func (c *composer) driesThough(p *plain) {
	if p.gate.Same(due) && c.feltDue() && c.rotLives && !c.sitsOnDay() && !c.thirsty {
		p.gate, p.day = nil, baseDries
	}
}

// restWatered waters a rest by its own rule, with better water: not a bulb that is set dry, which drinks when it grows.
func (c *composer) restWatered(p *plain) (left bool) {
	p.step.Params.Water = cmp.Or(p.step.Params.Water, c.betterWater())
	return p.step.Op == treatment.ByRule && c.habitID == treatment.BulbPlant && c.sitsOnDay()
}

// ruleSaysHowOften says whether its rule says how often it is watered, and no stick does.
func (c *composer) ruleSaysHowOften() bool {
	return c.bareRooted() || among(c.kind.WaterRule, plant.AirRoots, plant.CupWater, plant.WetTray, plant.Reservoir)
}

// doubtful says whether its way of growing is not known to have a cause, beside one that it has: its water
// does not follow what is to be looked at again.
func (c *composer) doubtful(id cause.ID) bool {
	return id != "" && notKnownTo(id)(c.subject) && slices.ContainsFunc(c.causes, func(other cause.ID) bool {
		return !notKnownTo(other)(c.subject)
	})
}

// wateredElsewhere says whether the rest's own rule, the work on the roots or what is rooted
// anew says when it is watered, or it is thirsty and does not wait until it is due.
func (c *composer) wateredElsewhere(p *plain) bool {
	isDue := p.gate.Same(due)
	if c.has(cause.Dormancy) && p.step.Op == treatment.ByRule && p.cause != "" {
		return true
	}
	if p.cause == cause.ColdInjury && p.step.Op == treatment.FirstWater && c.root != nil {
		return true // the work on its roots says when it drinks
	}
	if c.sitsOnDay() && (isDue || len(p.gate) == 0 && p.day >= c.sat && p.day <= c.sat+settledDays) {
		return true
	}
	return c.rootedAnew(p) || isDue && c.drinksAtOnce()
}

// rootedAnew says whether what is rooted anew says when it is watered; how it is watered is said all the same.
func (c *composer) rootedAnew(p *plain) bool {
	topped := c.top && p.step.Params.What == ""
	return c.neck || topped || c.pieces != nil && !c.change && (c.piece || c.pieces.why == "mother")
}

// drinksAtOnce says whether it does not wait until it is due: it is thirsty, or due already.
func (c *composer) drinksAtOnce() bool { return c.thirsty || c.foundDue() }

// placeHold leaves holding back water out where the work on its roots or its thirst says when it drinks, and
// waters by its rule what was found as dry as its kind has it.
func placeHold(c *composer, p *plain) bool {
	if c.sitsOnDay() && c.sat == 0 || c.drinksThough() {
		return true
	}
	if p.cause == cause.ColdInjury && c.root != nil && c.gated {
		p.step.Until = gate.Gate{gate.InRange(inRangeDays)} // then its roots are worked on
	}
	if p.step.Until.Same(due) && c.feltDue() && c.rotLives && !c.sitsOnDay() {
		p.step.Until = toDay(baseDries)
	}
	if p.step.Until.Same(due) && c.foundDue() {
		p.step = do(treatment.ByRule)
		return placeWater(c, p)
	}
	return false
}

// foundDue says whether its medium was found as dry as its kind has it before water, or drier, and no rot lives.
func (c *composer) foundDue() bool { return c.feltDue() && !c.rotLives }

// feltDue says whether its medium was felt to be as dry as its kind has it before water, or drier.
func (x *subject) feltDue() bool {
	return x.Facts.Moist.Known && among(x.moist, facts.Due, facts.Dry, facts.Bone)
}

// renewedWhenWarm says whether its mix is renewed as soon as it stands warm, or cool, enough.
func (c *composer) renewedWhenWarm() bool {
	return c.gated && c.held == "temp" && (c.change || c.root != nil && c.root.kind == washRoots)
}

func placeFlush(c *composer, p *plain) bool {
	p.step.Params.Water = cmp.Or(c.betterWater(), treatment.LowMineral)
	p.step.Params.ML = num(3 * float64(int(PotML(c.potWidth(), c.shape(c.potWidth())))))
	switch {
	case c.sitsOnDay() && p.day >= c.sat-14, c.renewedWhenWarm() && c.foundWet():
		c.leave(string(p.step.Op), "the fresh mix does it")
		return true
	case c.top, c.neck:
		c.leave(string(p.step.Op), "its top goes into a fresh mix without its old roots")
		return true
	case c.livesInWater():
		c.leave(string(p.step.Op), "it grows in a glass of water: that is changed, and the glass rinsed")
		c.waterChanged(p.step.Params.Water)
		return true
	case c.sealed() && !c.has(cause.NoDrainage):
		c.leave(string(p.step.Op), "its pot has no hole: nothing would run out of it, and the salts would stay")
		return true
	case c.mostRootsDead() && c.kind.WaterRule == plant.CupWater:
		c.cupRinsed(*p)
		return true
	case c.noRootFound() && (c.root != nil || c.foundWet()):
		c.leave(string(p.step.Op), "no root lives that the salts could hurt: its rescue brings a fresh mix")
		return true
	}
	c.flushLater(p)
	return false
}

// flushLater has a flush wait until what thirsts has drunk, and until what is drowned has dried.
func (c *composer) flushLater(p *plain) {
	if c.thirsty && p.day < drinkDays {
		p.day = drinkDays // it is soaked first
	}
	driesFirst := c.foundWet() && (c.dry || c.mostRootsDead()) // what is wet and bears that ill is not wetted through
	if (driesFirst || c.has(cause.Overwatering)) && !c.thirsty && len(p.gate) == 0 && p.day < drinkDays {
		p.day, p.gate = -1, due // it is drowned already
		switch {
		case c.firstRoots():
			p.gate = c.ownRoots()
		case c.resting() || c.kind.RestKind != "": // it may be due in its rest
			p.gate = due.With(growth...)
		}
	}
}

// cupRinsed rinses the cup of what drinks from it, where most of its roots were dead, in place of litres through its
// medium (common practice).
func (c *composer) cupRinsed(flush plain) {
	c.leave(string(flush.step.Op), "most of its roots were dead, and it drinks from its cup: that gets fresh water, and "+
		"litres would only drown the roots that live")
	if c.thirsty || c.has(cause.CupFoul, cause.Drought) {
		return // its cup is filled anyway
	}
	c.draft.at(flush.day, orderOf(treatment.CrownDrain), do(treatment.CrownDrain))
	c.draft.at(flush.day, orderOf(treatment.CupFill), do(treatment.CupFill, share(0.25), water(flush.step.Params.Water)))
}

// wetThough says whether what is said to want water was found with it: a medium that takes
// none is wet, or that of a thirsty plant is moist.
func (c *composer) wetThough(id cause.ID) bool {
	wet := c.foundWet()
	moist := wet || c.Facts.Moist.Known && c.moist == facts.Right
	return id == cause.MediumRepels && wet || id == cause.Drought && moist
}

// hasHadWater leaves water for its thirst out, where its medium was found with some.
func (c *composer) hasHadWater(p *plain) bool {
	if !c.wetThough(p.cause) {
		return false
	}
	why := "its medium was found moist: it has had water"
	if c.habitID == treatment.AirPlant {
		why = "it was found wet: it has had water"
	}
	if c.limp {
		why += ", and hangs for something else"
	}
	c.leave(string(p.step.Op), why)
	return true
}

// placeSoak lets a thirsty plant drink when rotten leaves are off and the first days after
// cold are over.
func placeSoak(c *composer, p *plain) bool {
	if c.hasHadWater(p) {
		return true
	}
	if sitsNow := c.sitsOnDay() && c.sat == 0; c.sealed() && !sitsNow { // nothing rises from below, nothing runs out
		if c.has(cause.Overwatering) && c.drownedNow() {
			c.leave(string(treatment.Soak), "its pot has no hole, and it was watered too often: it dries first")
			return true
		}
		c.leave(string(treatment.Soak), "its pot has no hole: it is watered from above, a little")
		p.step = do(treatment.FirstWater, how("light"), water(c.betterWater()))
	}
	if c.thirsty && !c.rotsBelow() {
		p.day = max(p.day, c.drinks())
	}
	return false
}

// placeDrying has no air plant dried after soaks that are left out: only today, as it was found wet.
func placeDrying(c *composer, p *plain) bool {
	return c.habitID == treatment.AirPlant && p.step.Every > 0 && c.wetThough(p.cause)
}

// placeWarmth gives a rest the warmth that its kind's row names.
func placeWarmth(c *composer, p *plain) bool {
	if warm, named := c.restC(); named && p.step.Params.How == "rest" {
		p.step.Params.ToC = num(warm)
	}
	return false
}

// placeBrighten lets light wait for a burn to heal, for a limp plant to stand firm, and for roots that were
// worked on.
func placeBrighten(c *composer, p *plain) bool {
	burnt := c.has(cause.SunScorch, cause.LampBurn)
	if burnt && p.cause != cause.SunScorch && p.cause != cause.LampBurn {
		c.leave(string(p.step.Op), "it is burnt: light rises as its burn allows")
		return true
	}
	if p.cause == cause.LowLight && c.severed {
		p.day, p.gate = -1, gate.Gate{gate.See(gate.NewGrowth)} // it roots in shade
	}
	if p.cause == cause.LowLight && c.firmFirst() {
		p.day, p.gate = -1, gate.Gate{gate.FirmFor(1)}
	}
	if c.has(cause.Dormancy) && p.cause == cause.LowLight {
		c.leave(string(p.step.Op), "it rests: light rises when it grows again")
		return true
	}
	if burnt && (c.root != nil || c.change || c.rest) && len(p.gate) > 0 {
		p.gate = p.gate.With(gate.DaysSince(facts.SatRoots, 28), gate.See(gate.Growth))
	}
	return false
}

// firmFirst says whether it hangs limp for something else than thirst, and no work on its roots says when it
// is well again: it stands firm before it gets more light.
func (c *composer) firmFirst() bool { return c.limp && !c.thirsty && !c.resting() && !c.rootsWorked() }

func placeShade(_ *composer, p *plain) bool {
	if !p.step.Params.Share.Known {
		p.step.Params.Share = num(0.4)
	}
	return false
}

// placeOffset takes an offset off now where the carer chose so and the mother fails,
// else when it is ripe.
func placeOffset(c *composer, p *plain) bool {
	if !c.mayOffset() {
		c.leave(string(p.step.Op), "its kind makes no offsets that are taken; what drains it is looked for again")
		c.draft.at(14, rankLook, do(treatment.Look))
		return true
	}
	if c.keptApart() {
		c.leave(string(p.step.Op), "what is cut from it would carry what it has: its offset stays on")
		c.draft.at(14, rankLook, do(treatment.Look))
		return true
	}
	none := c.Facts.Plantlets.Known && c.Facts.Plantlets.Value == 0
	now := c.Choices.Plantlets.Now() && !none && c.has(cause.OffsetDrain) && len(c.travels()) == 0
	switch {
	case now && !c.sitsOnDay() && !(c.resting() && c.dry):
		c.offsetNow(p.step)
	case c.Choices.Plantlets == treatment.SideStay:
		c.leave(string(p.step.Op), "the carer lets it stay")
	case len(c.travels()) > 0:
		c.partOffset(p.step, p.gate.With(gate.IsFree()))
	default:
		c.partOffset(p.step, p.gate)
	}
	return true
}

func placeCutRot(c *composer, p *plain) bool {
	rank := rankLeaf
	if c.sitsOnDay() && c.sat == p.day {
		rank = rankRoot + 1
	}
	dry := do(treatment.DryCut, organ(treatment.OnBody), with(func(q *treatment.Params) { q.Hours = num(4) }))
	c.draft.sit(treatment.LeafSit, p.day, rank, slices.Concat(c.cutting(p.step), []step{dry}, c.bag())...)
	return true
}

func placeDrug(c *composer, p *plain) bool {
	s := p.step
	s.Params.Where = string(s.Organ)
	if c.Choices.Drug == "copper" && s.Params.Class == "bacteria" {
		if c.copperHurts() {
			c.leave("copper", "it kills the leaves of this kind")
		} else {
			s.Params.Product, s.Params.Class = "copper", "copper"
		}
	}
	steps := []step{s}
	if s.Organ == treatment.OnLeaf {
		steps = append(steps, c.dried()...)
	}
	c.draft.sit(treatment.SpraySit, p.day, rankSpray, steps...)
	return true
}

// placeRelease leaves it to the longest of all that was accepted.
func placeRelease(c *composer, p *plain) bool {
	if c.clear > 0 || len(c.spreads()) > 0 {
		return true
	}
	if c.rotLives {
		p.gate = p.gate.With(gate.WithoutRot())
	}
	return false
}

func placeTurn(c *composer, p *plain) bool {
	if c.Facts.Buds.Value || c.Facts.Spikes.Or(0) > 0 {
		c.leave(string(p.step.Op), "not turned while it is in bud")
		return true
	}
	return false
}

// placeFeed feeds after the root work by its own gate.
func placeFeed(c *composer, p *plain) bool {
	gated := len(p.gate) > 0
	if gated && c.gated {
		p.gate = p.gate.With(gate.DaysSince(facts.SatRoots, 28))
	}
	return gated && (c.sitsOnDay() || c.dry && p.step.Op == treatment.FeedIt && c.has(cause.Drought))
}

func placeRinse(c *composer, p *plain) bool {
	if c.any(treatment.LeafDiseases()) {
		c.leave(string(p.step.Op), "with a leaf disease open nothing is showered")
		return true
	}
	return false
}
