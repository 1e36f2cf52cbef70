package compose

import (
	"slices"
	"strings"
	"time"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// hold is a reason why a root sitting waits, with what is waited for.
type hold struct {
	reason string
	gate   gate.Gate
}

// newcomerDays is how long a newcomer is left alone (common practice).
const newcomerDays = 14

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

// holds lists why a root sitting waits on a day.
func (c *composer) holds(d int) (list []hold) {
	a := c.Facts
	add := func(is bool, reason string, waits ...gate.Condition) {
		if is {
			list = append(list, hold{reason, waits})
		}
	}
	add(c.phase(d) == "resting" && !c.has(cause.WokenEarly), "rest", gate.See(gate.NewGrowth))
	add(
		a.NewcomerDays.Known && a.NewcomerDays.Value+float64(d) < newcomerDays && !c.newcomerNow(),
		"newcomer",
		gate.DaysSince(facts.Came, newcomerDays),
	)
	add(
		c.named && (c.airC < c.kind.Temperature[0] || c.airC > c.kind.Temperature[2]) ||
			c.has(cause.ColdInjury, cause.HeatStress),
		"temp",
		gate.InRange(3),
	)
	add(a.Spikes.Or(0) > 0 && c.Choices.Spikes.Keeps(), "bloom", gate.See(gate.Bloomed))
	add(
		c.habitID == treatment.BulbPlant && a.Spikes.Or(0) > 0 && !c.Choices.Spikes.Keeps(),
		"bloom",
		gate.See(gate.Bloomed),
	)
	add(c.tipless(d), "tips", gate.See(gate.Tip), gate.See(gate.Growth))
	add(c.winterbound(d), "season", gate.In(gate.Spring()...))
	add(c.unsure(), "unsure", gate.See(gate.RivalAbsent))
	return list
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

// overrides says whether the root sitting cannot wait, whatever holds it.
func (c *composer) overrides() bool {
	rot := c.rotLives &&
		slices.ContainsFunc(c.asks, func(id cause.ID) bool { return slices.Contains(treatment.Rots(), id) })
	drowned := c.Facts.MediumSour.Value || c.Facts.Medium.Value == facts.Sour ||
		c.has(cause.NoDrainage) && c.limp && !c.thirsty
	return rot || c.has(cause.RootMealybug) || drowned || c.Choices.Override.Value
}

// dateRoots finds the day of the root sitting, or what it waits for.
func (c *composer) dateRoots() {
	if c.root == nil && !c.change {
		return
	}
	c.sat = 0
	if c.heldOn(0) || c.waitsFirst() {
		return
	}
	c.sat = c.readyOn()
	if c.sat > 0 && c.heldOn(c.sat) { // by then it would be held
		return
	}
	c.preWater()
	if c.change && c.school == treatment.ClayPot && !c.rotsBelow() {
		c.sat = max(c.sat, 1) // the clay is baked and soaked for a day
	}
}

// waitsFirst lets root work wait for its season, for new roots, or until it is
// firm, and says whether it does.
func (c *composer) waitsFirst() bool {
	switch {
	case !c.overrides() && c.root != nil && c.root.season && !c.growing():
		c.wait("season", c.rootSeason())
	case c.waitsForRoots():
		c.wait("", onNewRoot)
	case c.thirsty && !c.rotsBelow() && (restingDry(c.subject) || c.asleep() || c.firstRoots()):
		c.wait("thirst", gate.Gate{gate.FirmFor(1)})
	default:
		return false
	}
	return true
}

// readyOn is the first day on which nothing in the plant itself speaks against
// root work: when it has drunk, and has got over the last sitting.
func (c *composer) readyOn() (d int) {
	if c.root != nil && c.root.season {
		d = c.root.later
	}
	if c.rotsBelow() {
		return d
	}
	if c.thirsty {
		d = max(d, c.drinks()+4)
	}
	if last := c.Facts.LastSitting; last.Known {
		d = max(d, betweenSittings-int(last.Value))
	}
	return d
}

// heldOn lets the root sitting wait for all that holds it on a day, and says
// whether something does.
func (c *composer) heldOn(d int) bool {
	var reasons []string
	var waits gate.Gate
	if !c.overrides() {
		for _, h := range c.holds(d) {
			reasons, waits = append(reasons, h.reason), waits.With(h.gate...)
		}
	}
	late := d == 0 && c.root != nil && c.root.lateWinter
	if late {
		waits = gate.Gate{gate.In(gate.LateWinter()...)}.With(waits...)
	}
	if !late && len(reasons) == 0 {
		return false
	}
	c.wait(strings.Join(slices.Compact(reasons), ", "), waits)
	return true
}

// rotsBelow says whether rot lives in roots, base or bulb: it is cut before a
// thirsty plant drinks.
func (x *subject) rotsBelow() bool {
	return x.rotLives && x.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
}

// drinks is the day on which a thirsty plant drinks: at once, or the day after
// rotten leaves are off.
func (x *subject) drinks() int {
	if x.rotLives {
		return 1
	}
	return 0
}

func (c *composer) wait(reason string, waits gate.Gate) {
	if last := c.Facts.LastSitting; last.Known && last.Value < betweenSittings {
		days := max(newcomerDays, betweenSittings-int(last.Value))
		waits = slices.DeleteFunc(slices.Clone(waits), func(g gate.Condition) bool { return g.Since == facts.Came })
		waits = gate.Gate{gate.OnDay(days)}.With(waits...)
	}
	growing := waits.Sees(gate.NewGrowth, gate.Growth, gate.NewRoot)
	if c.kind.RestKind != "" && !growing {
		waits = waits.With(gate.See(gate.Growth))
	}
	if c.has(cause.Dormancy) && !growing && c.kind.RestKind == "" {
		waits = waits.With(gate.See(gate.NewGrowth))
	}
	if c.is(treatment.Woody, treatment.Palm) && !among(c.month(0), time.March, time.April, time.May) &&
		!waitsForSeason(waits) {
		waits = waits.With(gate.In(gate.Spring()...))
	}
	if c.thirsty && !c.rotsBelow() {
		waits = waits.With(gate.FirmFor(1))
	}
	c.sat, c.held, c.gated = -1, reason, true
	c.draft.gates = append(c.draft.gates, gated{waits: waits, held: reason, kind: "?"})
}

// preWater waters a thirsty medium through the day before a ball is lifted
// whole; the sitting is a day later then.
func (c *composer) preWater() {
	r := c.root
	if r == nil || r.kind != wholeBall || c.sat != 0 || c.untied || c.thirsty ||
		c.has(cause.NoDrainage, cause.Overwatering) ||
		!c.overrides() && len(c.holds(1)) > 0 { // a day later it would be held
		return
	}
	wants := among(c.moist, facts.Due, facts.Dry)
	bound := r.bound && c.growing() && !among(c.moist, facts.Wet, facts.Soaked)
	if (wants || bound) && c.bearsPreWater(wants) {
		c.draft.at(0, rankSoak, do(treatment.PreWater))
		c.sat = 1
	}
}

// bearsPreWater says whether water a day before harms nothing in the pot.
func (c *composer) bearsPreWater(wants bool) bool {
	if c.epiphyte && (c.badMedium() || !wants) {
		return false
	}
	return !c.rotLives && !c.dry && c.habitID != treatment.WinterDeciduous && !c.resting()
}

// drink soaks what is thirsty and has no recipe of its own for it; at rest a
// dry kind is only looked at, and others get a little by their rule.
func (c *composer) drink() {
	if !c.thirsty || c.rotsBelow() || c.has(cause.Drought, cause.MediumRepels) ||
		c.pieces != nil && c.piece && !c.change {
		return
	}
	switch {
	case restingDry(c.subject) || c.asleep():
		c.add(plain{day: 3, step: do(treatment.Look, every(7, growth), note("at rest: only look"))})
	case c.resting():
		c.add(plain{day: 0, step: do(treatment.ByRule, what("a little: it rests"))})
	case c.has(cause.NoDrainage): // what is poured in does not come out again
		c.add(plain{day: 0, step: do(treatment.FirstWater, how("light"))})
	case c.habitID == treatment.Bromeliad:
		c.add(plain{day: 0, step: do(treatment.CupFill, share(0.25), water("low-mineral"))})
		c.add(plain{day: 0, step: do(treatment.FirstWater, how("light"))})
	default:
		c.add(plain{day: c.drinks(), step: do(treatment.Soak)})
	}
}
