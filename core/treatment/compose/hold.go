package compose

import (
	"slices"
	"time"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// hold is a reason why a root sitting waits, with what is waited for: a day of the plan,
// or something that must be seen.
type hold struct {
	reason string
	day    int
	seen   gate.Gate
	// beside is what its day is told as, where something else must be seen as well.
	beside gate.Gate
}

// newcomerDays is how long a newcomer is left alone (common practice).
const newcomerDays = 14

// newFor is for how many days more it is a newcomer; 0 where it is none, or nobody knows since when it is here.
func (x *subject) newFor() int {
	came := x.Facts.NewcomerDays
	if !came.Known {
		return 0
	}
	return max(0, newcomerDays-int(came.Value))
}

// betweenSittings is how many days lie between two root sittings at least.
const betweenSittings = 28

const rotStillOpen = "rot or a wilt is open that is not cut: until it has stopped nothing is unpotted for less"

// undecided leaves root work out for less than rot: after the day on which a
// wilt must be decided, and beside a base that rots and cannot be cut.
func (c *composer) undecided() {
	if !c.rotLives || c.root == nil && !c.change ||
		slices.ContainsFunc(c.asks, func(id cause.ID) bool { return slices.Contains(treatment.Rots(), id) }) {
		return
	}
	wilt := c.has(cause.Fusarium) && (c.gated || c.sat > 3)
	base := c.has(cause.BaseRot, cause.BlackRot)
	if !wilt && !base {
		return
	}
	c.leave(string(treatment.Unpot), rotStillOpen)
	c.root, c.change, c.sat, c.gated, c.held = nil, false, -1, false, ""
	c.draft.gates = slices.DeleteFunc(c.draft.gates, func(g gated) bool { return g.kind == "?" })
	for key, blocks := range c.draft.days {
		c.draft.days[key] = slices.DeleteFunc(blocks, func(b block) bool { return has(b.steps, treatment.PreWater) })
	}
}

// holds lists why a root sitting waits on a day. Which of them there are, and what sets
// them aside, is one table: nothing else holds a root sitting back.
func (c *composer) holds(d int) (list []hold) {
	add := func(is bool, h hold) {
		if is {
			list = append(list, h)
		}
	}
	free, sleeping := c.cannotWait(), c.sleeps(d) && !c.has(cause.WokenEarly)
	add(sleeping && !c.keepsLeaves() && !(c.mustNow() || free && !c.sleeper()), c.restHold(d))
	add(c.outOfRange(), hold{reason: "temp", seen: gate.Gate{gate.InRange(inRangeDays)}})
	if free {
		return list
	}
	add(d < c.newFor() && !c.newcomerNow() && !c.rottenMedium(), hold{reason: "newcomer", day: c.newFor()})
	add(c.bloomKept(), hold{reason: "bloom", seen: gate.Gate{gate.See(gate.Bloomed)}})
	add(c.outOfSeason(d), c.seasonHold(d))
	add(c.tipless(d), hold{reason: "tips", seen: gate.Gate{gate.OneOf(gate.See(gate.Tip), gate.OnDay(tipDays))}})
	add(c.unsure() && d < doubtDays, hold{reason: "unsure", day: doubtDays})
	return list
}

// sleeps says whether it rests on a day, or will when the flowers that are kept are over, or when it stands in its
// range of warmth.
func (c *composer) sleeps(d int) bool {
	const inFlower = 30 // days (common practice)
	return c.phase(d) == "resting" || c.bloomKept() && !c.cannotWait() && c.phase(d+inFlower) == "resting" ||
		c.outOfRange() && c.phase(d+movedWithin+inRangeDays) == "resting"
}

const (
	inRangeDays = 3 // in its range of warmth before its roots are worked on (handbook, holds)

	tipDays   = 60 // an orchid without tips waits no longer (common practice)
	doubtDays = 7  // by then what else it could be was looked for (common practice)
)

// mustNow says whether not even sleep holds it: rot that lives, a sour medium, pests at
// its roots, or the carer's word.
func (c *composer) mustNow() bool {
	return c.rotLives || c.soured() || c.has(cause.RootMealybug, cause.RootGrub) || c.Choices.Override.Value
}

// cannotWait says whether nothing but heat, cold and sleep holds it.
func (c *composer) cannotWait() bool {
	drowned := c.has(cause.NoDrainage) && (c.Facts.Standing.Value || c.moist == facts.Soaked)
	return c.mustNow() || c.roots < 0.25 || c.piece || c.has(cause.MossSmothered) || drowned ||
		c.reserves() == facts.Shrivelled && c.roots < 0.5 && c.Facts.Reserves.Known
}

func (c *composer) soured() bool {
	return c.Facts.MediumSour.Value || c.Facts.Medium.Value == facts.Sour
}

// rottenMedium says whether its medium was seen to be rotten or worse, or is taken to be.
func (c *composer) rottenMedium() bool {
	m := c.Facts.Medium
	if m.Known {
		return among(m.Value, facts.Rotten, facts.Sour, facts.Infested)
	}
	return c.soured() || c.Facts.MediumBad.Value || c.has(cause.MediumCollapsed)
}

// keepsLeaves says whether it only slows down while it rests.
func (c *composer) keepsLeaves() bool {
	return c.kind.HowItRests() == plant.RestSlows && c.kind.WaterLow != plant.NoWater && c.kind.WaterLow != ""
}

// restHold waits until growth is seen, at the latest to the month after its rest.
func (c *composer) restHold(d int) hold {
	wakes := time.March
	switch {
	case c.kind.ID == "lithops-hybrid":
		wakes = time.May
	case c.kind.RestKind == "summer":
		wakes = time.September
	}
	if c.has(cause.Dormancy) || c.Facts.Resting.Value || c.Facts.Phase.Value == facts.Resting {
		return hold{reason: "rest", seen: newGrowth}
	}
	return hold{reason: "rest", day: c.dayOfMonth(d, wakes), beside: growth}
}

// seasonFrom is the day of its month from which a season has begun for certain.
const seasonFrom = 10

// dayOfMonth is the day of the plan on which a season that begins in a month of the north
// has begun next.
func (c *composer) dayOfMonth(d int, month time.Month) int {
	for n := d; n < d+370; n++ {
		if (c.On+day.Day(n)).Time().Day() == seasonFrom && c.month(n) == month {
			return n
		}
	}
	return d
}

// outOfRange says whether it is too warm or too cold to disturb its roots. Rot that
// lives does not wait for the weather.
func (c *composer) outOfRange() bool {
	if c.rotLives || c.Choices.Override.Value {
		return false
	}
	if c.has(cause.ColdInjury, cause.HeatStress) {
		return true
	}
	return c.named && (c.airC < c.kind.Temperature[0] || c.airC > c.mostC())
}

// mostC is the warmth up to which its roots are disturbed, °C.
func (c *composer) mostC() float64 {
	most := c.kind.Temperature[2]
	if !c.dry && !c.airRooted {
		most = min(most, hotC)
	}
	return most
}

// hotC is the warmth above which roots are not disturbed, °C (common practice).
const hotC = 30

// bloomKept says whether flowers stay and the roots wait for the last of them: where
// the carer keeps them, and of itself where nothing grave asks for the work.
func (c *composer) bloomKept() bool {
	f := c.Facts
	inBloom := f.Spikes.Or(0) > 0 || f.Buds.Value || f.Flowers.Value
	if !inBloom || c.has(cause.BloomDrain) || c.cutsBloom() {
		return false
	}
	return c.Choices.Spikes.Keeps() || !c.grave()
}

// cutsBloom says whether the carer lets the flowers go.
func (c *composer) cutsBloom() bool { return among(c.Choices.Spikes, "cut", "off today", "keep one") }

// grave says whether something asks for root work that flowers do not hold up; what ails its leaves alone is none.
func (c *composer) grave() bool {
	return slices.ContainsFunc(c.asks, func(id cause.ID) bool {
		mild := id == "" || id == cause.PotBound || id == cause.Congested ||
			id == cause.MediumCollapsed && c.Facts.Medium.Value == facts.Tired
		return !mild
	})
}

// seasonal are causes whose root work waits for a season, unless it stands wet.
var seasonal = []cause.ID{cause.PotTooBig, cause.NoDrainage, cause.BaseBuried, cause.Congested}

// asksForSeason says whether what asks for root work can wait for spring.
func (c *composer) asksForSeason() bool {
	wet := among(c.moist, facts.Wet, facts.Soaked)
	wished := among(c.Wish, treatment.Refresh, treatment.SetupChange, treatment.PartWish)
	mild := c.only(append(slices.Clone(seasonal), cause.PotBound, cause.MediumCollapsed)...)
	return wished && !c.grave() || mild && !c.rottenMedium() && !(wet && c.has(seasonal...)) ||
		c.root != nil && c.root.season && !c.grave2()
}

// outOfSeason says whether what is asked for waits for its season: wishes, a larger
// pot, a tired medium; never a plant that is limp of a cause, has few roots, or grows.
func (c *composer) outOfSeason(d int) bool {
	// A wish is not hurried: it may as well wait until the plant is firm.
	hurried := c.limp && slices.ContainsFunc(c.asks, func(id cause.ID) bool { return id != "" })
	if hurried || c.roots < 0.5 || c.phase(d) == "growing" || c.anyMonth() {
		return false
	}
	if !c.asksForSeason() {
		return false
	}
	m := c.month(d)
	if c.repotsIn("autumn") {
		return m != time.September && m != time.October
	}
	return m < time.March || m > time.August
}

// grave2 says whether another cause than those of a season asks for the root work.
func (c *composer) grave2() bool {
	return slices.ContainsFunc(c.asks, func(id cause.ID) bool {
		return id != "" && id != cause.PotBound && !slices.Contains(seasonal, id) &&
			!(id == cause.MediumCollapsed && !c.rottenMedium())
	})
}

// anyMonth says whether its kind may be unpotted in any month, or its roots never stop.
func (c *composer) anyMonth() bool {
	warm := c.airC >= 18 && (c.habitID == treatment.Monopodial && !c.airRooted ||
		c.habitID == treatment.JewelOrchid || c.bulbless)
	return warm || c.repotsIn("any")
}

func (c *composer) repotsIn(when string) bool { return slices.Contains(c.kind.RepotWhen, when) }

// seasonHold waits for the first of its season, or for what its kind names.
func (c *composer) seasonHold(d int) hold {
	switch {
	case c.repotsIn("autumn"):
		return hold{
			reason: "season", day: c.dayOfMonth(d, time.September),
			beside: gate.Gate{gate.In(time.September, time.October)},
		}
	case c.repotsIn("new-roots"):
		return hold{reason: "season", seen: gate.Gate{gate.See(gate.NewRoot)}}
	default:
		return hold{
			reason: "season", day: c.dayOfMonth(d, time.March), beside: gate.Gate{gate.In(gate.Spring()...)},
		}
	}
}

// newcomerNow says whether a newcomer is worked on at once: by the carer's
// choice, and only with a pest or a sour medium.
func (c *composer) newcomerNow() bool {
	return c.Choices.Newcomer == treatment.SideAtOnce
}

// hurt are causes that a root sitting gravely harms.
var hurt = []cause.ID{cause.Drought, cause.HeatStress, cause.ColdInjury, cause.Dormancy}

const (
	sureEnough = 0.60 // a cause that was examined and is less likely waits …
	rivalry    = 0.15 // … beside a rival that is at least this likely
)

// unsure says whether what asks for the root sitting is examined and doubtful
// beside a rival that the sitting would gravely harm.
func (c *composer) unsure() bool {
	best, examined := 0.0, false
	for _, id := range c.asks {
		if p, ok := c.Chances[id]; ok {
			best, examined = max(best, p), true
		}
	}
	if !examined || best >= sureEnough {
		return false
	}
	return slices.ContainsFunc(hurt, func(id cause.ID) bool { return c.Rivals[id] >= rivalry && !c.has(id) })
}

// rotAsks says whether rot is what the roots are worked on for.
func (c *composer) rotAsks() bool {
	return c.root != nil &&
		slices.ContainsFunc(c.asks, func(id cause.ID) bool { return slices.Contains(treatment.Rots(), id) })
}
