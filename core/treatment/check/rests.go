package check

import (
	"time"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	t "tendermend/core/treatment"
)

// phase is how it stands on a day: by what was said of it while that holds, asleep by the
// month only where sleep need not be seen, growing by habit, warmth and month.
func (c *patient) phase(d int) string {
	a := c.Facts
	fresh := d < proves
	switch {
	case a.Phase.Known && fresh:
		return string(a.Phase.Value)
	case c.has(cause.WokenEarly) && d < 2*proves:
		return "waking"
	case c.has(cause.Dormancy), a.Resting.Value && fresh:
		return "resting"
	case fresh && (a.NewGrowth.Value || a.Growing.Value || a.LiveTips.Or(0) > 0):
		return "growing"
	case c.sleepsIn(time.Month(c.northMonth(d))):
		return "resting"
	case fresh && a.Growing.Known:
		return "idle"
	case c.growsIn(time.Month(c.northMonth(d))):
		return "growing"
	}
	return "idle"
}

// sleepsIn says whether it is asleep by the month alone.
func (c *patient) sleepsIn(m time.Month) bool {
	bare := c.Facts.Leaves.Known && c.Facts.Leaves.Value == 0
	winter := isOne(m, time.November, time.December, time.January, time.February)
	rests := c.kind.RestKind != "" && c.kind.RestKind != "none" && !c.Facts.Growing.Value
	switch {
	case c.is(t.BulbPlant):
		return bare
	case c.kind.ID == "lithops-hybrid":
		return rests && (winter || isOne(m, time.March, time.April, time.July, time.August))
	case c.is(t.Cactus):
		return rests && winter
	}
	return c.is(t.WinterDeciduous) && bare && rests && winter
}

// growsIn says whether its habit grows in a month at its warmth.
func (c *patient) growsIn(m time.Month) bool {
	light := m >= time.March && m <= time.October || c.Facts.Place.Lamp.Value
	switch c.habitID { //nolint:exhaustive // the others are seen to grow, or not
	case t.AroidClump, t.AroidVine, t.SoftTrailer, t.WaxVine, t.Rhizomatous, t.HerbClump, t.Fern, t.Gesneriad,
		t.Begonia, t.Bromeliad:
		return light && c.warm >= 18
	case t.Woody, t.GiantHerb, t.CaneFoliage, t.Palm, t.Carnivore, t.Ivy:
		return light && c.warm >= 15
	case t.SucculentRosette, t.UprightSucculent, t.TrailingSucculent, t.Cactus, t.ForestCactus:
		return m >= time.April && m <= time.September && c.warm >= 18
	}
	return false
}

// shedsRoots says whether it sheds roots or shrinks by nature while it sleeps.
func (c *patient) shedsRoots() bool {
	return c.is(t.WinterDeciduous, t.BulbPlant, t.Cactus) || c.kind.ID == "lithops-hybrid" ||
		c.is(t.UprightSucculent) && c.kind.HowItRests() == plant.RestLeafless
}

// pressing lists what lets a root sitting wait for nothing but heat and cold.
func (c *patient) pressing(asleep bool) bool {
	a := c.Facts
	sour := a.MediumSour.Value || a.Medium.Value == facts.Sour
	grave := c.rot || sour || c.has(cause.RootMealybug, cause.RootGrub) || c.Choices.Override.Value
	if grave || asleep && c.shedsRoots() {
		return grave
	}
	return c.presses() || a.Piece.Value || a.PieceOf.Known
}

// presses says whether few roots, standing water or thirst let it wait for nothing.
func (c *patient) presses() bool {
	a := c.Facts
	standing := c.has(cause.NoDrainage) && (a.Standing.Value || c.moist == facts.Soaked)
	shrunk := a.Reserves.Value == facts.Shrivelled && c.share < 0.5
	return c.share < 0.25 || c.has(cause.Detached, cause.MossSmothered) || standing || shrunk
}

// held lists why a root sitting should wait at an event.
func (c *patient) held(e *event) (list []string) {
	reasons := []struct {
		name  string
		holds bool
	}{
		{"rest", c.heldByRest(e)},
		{"warmth", c.heldByWarmth()},
		{"newcomer", !c.pressing(false) && c.heldAsNew(e)},
		{"bloom", !c.pressing(false) && c.heldByBloom()},
		{"tips", !c.pressing(false) && c.heldForTips(e)},
		{"season", !c.pressing(false) && c.heldBySeason(e)},
	}
	for _, r := range reasons {
		if r.holds {
			list = append(list, r.name)
		}
	}
	return list
}

func (c *patient) heldByRest(e *event) bool {
	asleep := e.pre.phase == "resting" && !c.has(cause.WokenEarly)
	slows := c.kind.HowItRests() == plant.RestSlows && !isOne(c.kind.WaterLow, "", plant.NoWater)
	return asleep && !slows && !c.pressing(true)
}

func (c *patient) heldByWarmth() bool {
	top := c.kind.Temperature[2]
	if !c.dry && c.kind.WaterRule != plant.AirRoots {
		top = min(top, 30)
	}
	return c.known && (c.warm < c.kind.Temperature[0] || c.warm > top) && !c.rot && !c.Choices.Override.Value
}

func (c *patient) heldAsNew(e *event) bool {
	nd := c.Facts.NewcomerDays
	rotten := isOne(c.Facts.Medium.Value, facts.Rotten, facts.Sour, facts.Infested) ||
		!c.Facts.Medium.Known && c.has(cause.MediumCollapsed)
	return nd.Known && nd.Value+float64(e.day) < 14 && c.Choices.Newcomer != t.SideAtOnce && !rotten
}

func (c *patient) heldByBloom() bool {
	bloom := c.Facts.Spikes.Or(0) > 0 || c.Facts.Buds.Value || c.Facts.Flowers.Value
	return bloom && c.Choices.Spikes.Keeps() && c.Choices.Spikes != "keep one" && !c.has(cause.BloomDrain)
}

func (c *patient) heldForTips(e *event) bool {
	tips := c.Facts.LiveTips
	none := tips.Known && tips.Value == 0 && !isOne(e.pre.phase, "growing", "waking")
	warm := c.is(t.Monopodial, t.JewelOrchid) && c.warm >= 18
	return c.orchid && none && isOne(c.school(), t.OwnMix, t.ClayPot) && !warm
}

func (c *patient) heldBySeason(e *event) bool {
	m := c.northMonth(e.day)
	return c.wishesOnly() && e.pre.phase != "growing" && c.waitsForSeason() && !(m >= 3 && m <= 10)
}

// wishesOnly says whether nothing but a wish or a tight pot asks for root work.
func (c *patient) wishesOnly() bool {
	wish := isOne(c.Wish, t.Refresh, t.SetupChange, t.PartWish)
	for _, id := range c.Causes {
		if id != cause.PotBound {
			return false
		}
	}
	return (wish || c.has(cause.PotBound)) && !c.limp && c.share >= 0.5
}

// waitsForSeason says whether its kind is not unpotted in any month.
func (c *patient) waitsForSeason() bool {
	for _, when := range c.kind.RepotWhen {
		if when == "any" {
			return false
		}
	}
	bulbless := c.is(t.Sympodial) && t.Bulbless(c.kind.ID)
	warm := c.is(t.Monopodial) && c.kind.WaterRule != plant.AirRoots || c.is(t.JewelOrchid) || bulbless
	return c.known && !(warm && c.warm >= 18)
}

// heldLaw: a root sitting waits for what holds it, and for nothing else.
func heldLaw(r *replay, c *patient, no found) {
	if c.Choices.Override.Value {
		return
	}
	for _, e := range r.of(false, t.Unpot) {
		for _, why := range c.held(e) {
			if !c.excused(why, r, e) && !(e.gated && lifts(why, e.gate)) {
				no(e, "it is held back: %s", why)
			}
		}
	}
}

// excused says whether what is done in the sitting sets a reason for waiting aside.
func (c *patient) excused(why string, r *replay, e *event) bool {
	switch why {
	case "rest", "season": // the last weeks of a rest are the time to part it
		parts := len(r.later(e, t.PartIt)) > 0
		return parts && c.is(t.WinterDeciduous, t.BulbPlant) && c.restEnds(e.day)
	case "bloom":
		return r.earlier(e, t.StripSpikes)
	case "warmth":
		return len(r.later(e, t.ClearMoss)) > 0
	}
	return false
}

// restEnds says whether a day lies in the last month of its kind's rest, or behind it.
func (c *patient) restEnds(d int) bool {
	m := c.northMonth(d)
	if c.kind.RestKind == "summer" {
		return m != 6 && m != 7
	}
	return m != 11 && m != 12 && m != 1
}

// lifts says whether behind a gate a reason for waiting no longer holds.
func lifts(why string, g gate.Gate) bool {
	return g.Wants(func(x gate.Condition) bool {
		bloomed := x.Is == gate.Seen && x.Sight == gate.Bloomed
		if grows := x.Is == gate.Counted || x.Is == gate.Seen && state.ProvesGrowth(x.Sight); grows {
			return true
		}
		switch why {
		case "rest", "tips":
			return x.Is == gate.Season
		case "newcomer":
			return isOne(x.Is, gate.Days, gate.Warmth, gate.Season) || x.Days >= 14 || bloomed
		case "warmth":
			return isOne(x.Is, gate.Warmth, gate.Season) || bloomed
		}
		return x.Is == gate.Season || x.Is == gate.Days || bloomed // bloom, season
	})
}

// driedFor are causes whose recipes hold water back from a plant that is awake.
var driedFor = append([]cause.ID{
	cause.Overwatering, cause.SoftRot, cause.BlackRot, cause.NoDrainage, cause.Edema, cause.PotTooBig, cause.WokenEarly,
	cause.ColdInjury, cause.MediumCollapsed, cause.FungusGnat, cause.Springtail, cause.SouthernBlight, cause.GreyMould,
	cause.CrownWet, cause.Detached, cause.RootMealybug, cause.RootGrub, cause.Guttation, cause.DryRootLoss,
}, t.Rots()...)

// mayBeDried says whether water may be held back from it while it is awake.
func (c *patient) mayBeDried(r *replay) bool {
	wet := c.moist == facts.Wet || c.moist == facts.Soaked
	return wet || c.anyOf(driedFor) || c.has(cause.Dormancy) || r.has(t.Callus, t.CutRot, t.Behead, t.Unpot) ||
		c.kind.RootsFirstCM > 0
}

// restMadeLaw: nothing is dried, fed or cooled as if it slept while it is awake.
func restMadeLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.HoldWater) {
		if e.pre.phase != "resting" && !c.mayBeDried(r) {
			no(e, "a leafy plant is kept dry")
		}
	}
	for _, e := range r.of(true, t.FeedIt) {
		drier := c.kind.HowItRests() == plant.RestSlows
		if e.pre.phase == "resting" && !e.gated && c.kind.RestKind != "" && c.kind.RestKind != "none" && !drier {
			no(e, "nothing is fed while it sleeps")
		}
	}
	for _, e := range r.of(false, t.Temper) {
		if to := e.p.ToC; c.kind.Chill != nil && to.Known && to.Value < *c.kind.Chill {
			no(e, "%g °C harms it", to.Value)
		}
	}
}
