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

// dateRoots finds the day of the root sitting, or what it waits for.
func (c *composer) dateRoots() {
	if c.root == nil && !c.change {
		return
	}
	switch {
	case c.waitsForRoots():
		c.wait("", onNewRoot)
		return
	case c.thirsty && !c.rotsBelow() && (restingDry(c.subject) || c.asleep() || c.firstRoots()):
		waits := gate.Gate{gate.FirmFor(1)}
		if c.resting() {
			waits = waits.With(growth...)
		}
		c.wait("thirst", waits)
		return
	}
	if c.heldUntil(c.readyOn()) {
		return
	}
	c.preWater()
	if c.change && c.school == treatment.ClayPot && !c.rotsBelow() {
		c.sat = max(c.sat, 1) // the clay is baked and soaked for a day
	}
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
	if c.thirsty && !c.rootsCountedDead() {
		days := 4
		if c.roots < 0.25 {
			days = 1
		}
		d = max(d, c.drinks()+days)
	}
	if last := c.Facts.LastSitting; last.Known {
		d = max(d, betweenSittings-int(last.Value))
	}
	return d
}

// heldUntil puts the root sitting on the first day from one on which nothing holds it,
// or behind what must be seen first; it says whether it waits for something seen.
func (c *composer) heldUntil(d int) bool {
	var reasons []string
	var waits, beside gate.Gate
	if c.thirsty && !c.rotsBelow() && d > 1 {
		reasons = append(reasons, "thirst")
	}
	const rounds = 6 // each hold moves the day once, and there are no more of them
	for range rounds {
		next := d
		for _, h := range c.holds(d) {
			if !slices.Contains(reasons, h.reason) {
				reasons = append(reasons, h.reason)
				waits, beside = waits.With(h.seen...), beside.With(h.beside...)
			}
			next = max(next, h.day)
		}
		if c.root != nil && c.root.lateWinter && !among(c.month(d), gate.LateWinter()...) {
			next = max(next, c.dayOfMonth(d, time.February))
		}
		if next == d {
			break
		}
		d = next
	}
	c.held = strings.Join(reasons, ", ")
	if len(waits) == 0 {
		c.sat = c.rootsWanted(d)
		return false
	}
	if d > 0 {
		waits = gate.Gate{gate.OnDay(d)}.With(waits...)
	}
	c.wait(c.held, waits.With(beside...))
	return true
}

func (c *composer) wait(reason string, waits gate.Gate) {
	c.sat, c.held, c.gated = -1, reason, true
	c.draft.gates = append(c.draft.gates, gated{waits: waits, held: reason, kind: "?"})
}

// preWater waters a thirsty medium through the day before a ball is lifted
// whole; the sitting is a day later then.
func (c *composer) preWater() {
	_, put := c.rootsPut()
	if !c.liftsWhole() || c.sat != 0 && !put {
		return
	}
	r := c.root
	if c.untied || c.thirsty || c.has(cause.NoDrainage, cause.Overwatering) || c.heldTomorrow() {
		return
	}
	wants := among(c.moist, facts.Due, facts.Dry)
	bound := (r.bound || r.part) && c.growing() && !c.limp && !among(c.moist, facts.Wet, facts.Soaked)
	if (wants || bound) && c.bearsPreWater(wants) {
		c.sat = max(c.sat, 1)
		c.draft.at(c.sat-1, rankSoak, do(treatment.PreWater))
	}
}

// heldTomorrow says whether the work on its roots would be held, were it a day later; not where the carer says its day.
func (c *composer) heldTomorrow() bool {
	_, put := c.rootsPut()
	return !put && len(c.holds(1)) > 0
}

// liftsWhole says whether the ball is lifted whole, or parted whole.
func (c *composer) liftsWhole() bool {
	return c.root != nil && (c.root.kind == wholeBall || c.root.part && c.partsWhole())
}

// bearsPreWater says whether water a day before harms nothing in the pot.
func (c *composer) bearsPreWater(wants bool) bool {
	if c.epiphyte && (c.badMedium() || !wants) {
		return false
	}
	return !c.rotLives && !c.dry && c.habitID != treatment.WinterDeciduous && !c.resting()
}
