package check

import (
	"regexp"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	t "tendermend/core/treatment"
)

var (
	goodWater = regexp.MustCompile(`low|rain|distil|filter|demineral|osmosis|better|fluoride-free|stood|let stand`)
	badWater  = regexp.MustCompile(`hard|tap|softened`)
)

// withoutSaucer are seats over water, or over nothing: what stands under them is no saucer.
var withoutSaucer = []facts.Seat{
	facts.InCup, facts.InDish, facts.InJar, facts.InReservoir, facts.InBin, facts.OnMount, facts.Hung, facts.InBasket,
}

var lawsOfWater = []law{
	{t.NeverWetOpenCut, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, medium...) {
			if e.p.For == t.ForPieces || len(r.of(false, t.PartIt)) > 0 && c.partsDrink() {
				continue
			}
			i := slices.IndexFunc(e.pre.Wounds, func(s state.Wound) bool { return s.Open && s.Wetted })
			if i < 0 ||
				e.op == t.ByRule && e.day > e.pre.Wounds[i].Day && strings.Contains(e.s.Args+e.p.What, "medium only") {
				continue
			}
			no(e, "a cut of the %s is still open", e.pre.Wounds[i].Organ)
		}
	}},
	{t.NeverWaterBeforeDry, dryDaysLaw},
	{t.NeverNoFirstWater, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.PotIn) {
			cut := isPiece(e) && r.has(t.TipCut, t.Behead)
			drinks := slices.ContainsFunc(r.events, func(x event) bool {
				return isOne(x.op, t.FirstWater, t.Mist, t.WetRoots, t.BottomWater, t.BoxTally) && e.before(&x)
			})
			if cut && !drinks {
				no(e, "the piece gets no first water")
			}
		}
		lifted := r.of(false, t.Unpot)
		for n, e := range lifted {
			here := r.later(e, sets...)
			if len(here) == 0 && len(r.later(e, t.Callus)) == 0 {
				continue
			}
			last := len(c.plan.Sittings)
			if n+1 < len(lifted) {
				last = lifted[n+1].sit
			}
			if slices.ContainsFunc(here, func(s *t.Step) bool { return s.Op == t.SetCup }) {
				continue
			}
			airy := slices.ContainsFunc(here, func(s *t.Step) bool { return s.Op == t.Hang || s.Op == t.Mount })
			watered := false
			for i := range r.events {
				x := &r.events[i]
				behind := x.sit > e.sit || x.sit == e.sit && x.step > e.step
				mine := x.op == t.FirstWater || x.op == t.WetRoots ||
					airy && (x.op == t.Mist || x.op == t.ChangeWater)
				watered = watered || behind && x.sit <= last && mine && x.p.For != t.ForPieces
			}
			if !watered {
				no(e, "no first water follows")
			}
		}
	}},
	{t.NeverSoakRotting, func(r *replay, c *patient, no found) {
		for _, e := range r.of(true, t.Soak, t.Flush) {
			rests := e.pre.phase == "resting" && c.habitID != t.AirPlant
			if e.p.WetDrops.Known && !e.pre.Rot && !rests {
				continue
			}
			switch {
			case e.pre.Rot:
				no(e, "with live rot")
			case c.has(cause.NoDrainage) && e.pre.SetOn == notYet && !isOne(e.pre.Seat, facts.Hung, facts.OnMount) &&
				!r.earlier(e, t.DrainSaucer):
				no(e, "the water has no way out")
			case rests && (e.op == t.Flush || c.kind.RestKind != ""):
				no(e, "it rests")
			case e.op == t.Soak && (e.pre.Moist == facts.Wet || e.pre.Moist == facts.Soaked):
				no(e, "the medium is wet")
			}
		}
	}},
	{t.NeverRootlessWater, func(r *replay, c *patient, no found) {
		want := c.waitsFor()
		if want == 0 {
			return
		}
		const sip = 20
		for _, e := range r.of(true, medium...) {
			if e.p.For == t.ForPieces || e.op == t.ByRule && e.gated || e.p.ML.Known && e.p.ML.Value <= sip {
				continue
			}
			if e.pre.NewRoot+1e-9 < want {
				no(e, "its new roots are %g cm, and it waits for %g cm", e.pre.NewRoot, want)
			}
		}
	}},
	{t.NeverWrongWater, func(r *replay, c *patient, no found) {
		bad := c.has(cause.WaterQuality, cause.SoftenedWater, cause.Chlorine, cause.Fluoride)
		for _, e := range r.of(true, t.Flush, t.CupFill, t.FirstWater, t.BottomWater) {
			w := e.p.Water
			switch {
			case bad && (e.op == t.Flush || e.op == t.CupFill) && !goodWater.MatchString(string(w)):
				no(e, "it does not name a better water than the one that is the cause")
			case badWater.MatchString(string(w)) && (c.habitID == t.Carnivore || bad || c.has2(plant.SaltTender) &&
				strings.Contains(string(w), "hard")):
				no(e, "%s water harms it", w)
			}
		}
	}},
	{t.NeverBaseInWater, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.SetCup, t.SetDish, t.PotIn, t.SetReservoir) {
			if e.op == t.SetCup && e.p.GapMM.Known && e.p.GapMM.Value < 0 || e.p.Submerged {
				no(e, "the base stands under water")
			}
			if !e.p.LevelCM.Known {
				continue
			}
			width := t.Number{Value: c.Facts.PotWidthCM.Value, Known: c.Facts.PotWidthCM.Known}
			for i := range r.events {
				x := &r.events[i]
				if x.op == t.ReadyPot && x.p.PotWidthCM.Known &&
					(x.sit < e.sit || x.sit == e.sit && x.step < e.step) {
					width = x.p.PotWidthCM
				}
			}
			depth := e.p.PotDepthCM.Or(0.92 * width.Or(0))
			if !width.Known && !e.p.PotDepthCM.Known {
				depth = c.Facts.PotDepthCM.Or(0)
			}
			if depth > 0 && e.p.LevelCM.Value >= depth-1 {
				no(e, "water of %g cm reaches the base in a pot %.1f cm deep", e.p.LevelCM.Value, depth)
			}
		}
	}},
	{t.NeverWetOvernight, func(r *replay, c *patient, no found) {
		for i := range r.events {
			e := &r.events[i]
			if !e.last || e.post.WetOn != e.day {
				continue
			}
			wet := e.post.Wet &^ state.Leaves
			if c.habitID == t.Bromeliad && c.warm > 15 && e.post.Film == "" {
				wet &^= state.Cup
			}
			if wet&(c.nature.Keep|state.Cup) != 0 && !driedLater(r, e) {
				no(e, "it is wet by evening where it must be dry")
			}
		}
	}},
	{t.NeverLeavesWetByNight, func(r *replay, c *patient, no found) {
		if !c.wetNo {
			return
		}
		for i := range r.events {
			e := &r.events[i]
			if e.last && e.slot == 2 && e.post.Wet&state.Leaves != 0 && !driedLater(r, e) {
				no(e, "its leaves are wet at night")
			}
		}
	}},
	{t.NeverMistDisease, func(r *replay, c *patient, no found) {
		spots := slices.DeleteFunc(
			t.LeafDiseases(),
			func(id cause.ID) bool { return id == cause.PowderyMildew },
		)
		open := c.anyOf(spots) || c.has(cause.BlackRot)
		virus := c.has(cause.Virus)
		if !open && !virus {
			return
		}
		for i := range r.events {
			e := &r.events[i]
			if e.again > 0 || e.pre.Free {
				continue
			}
			together := e.p.Shared == "shower"
			switch {
			case e.op == t.Mist, e.op == t.WashDown && (open || e.p.Shared != nil), together:
				no(e, "it travels in drops")
			}
		}
	}},
	{t.NeverStandingWater, func(r *replay, c *patient, no found) {
		if c.kind.WaterRule == plant.WetTray {
			return
		}
		for _, n := range r.nights {
			if n.pose.Standing &&
				!slices.Contains(withoutSaucer, n.pose.Seat) {
				no(
					&event{sit: n.sit, step: n.step, s: &t.Step{}},
					"water stands in the saucer over the night of day %d",
					n.day,
				)
				return
			}
		}
	}},
	{t.NeverHoldOpenEnded, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.HoldWater) {
			ends := slices.Concat(e.s.Until, e.p.Until)
			asleep := e.pre.phase == "resting" || c.has(cause.Dormancy)
			dated := !slices.ContainsFunc(ends, func(x gate.Condition) bool { return x.Is != gate.Season })
			if len(ends) == 0 || dated && !asleep {
				no(e, "it does not say which dryness ends it")
			}
		}
	}},
	{t.NeverOpposites, oppositeLaw},
	{t.NeverPreWaterRot, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.PreWater) {
			if e.pre.Rot || c.dry || e.pre.phase == "resting" {
				no(e, "it must stay dry")
			}
		}
	}},
}

// driedLater says whether it is dried later that day.
func driedLater(r *replay, e *event) bool {
	return slices.ContainsFunc(r.events, func(x event) bool {
		return x.day == e.day && (x.op == t.CrownDry || x.op == t.CrownDrain) &&
			(x.sit > e.sit || x.sit == e.sit && x.step > e.step)
	})
}

// sipOfTop says whether a leafy top that lies in its mix since the day before gets its sip.
func (r *replay) sipOfTop(e *event, c *patient) bool {
	heads := r.of(false, t.Behead)
	sip := e.p.ML.Or(0) > 0 && e.p.ML.Value <= 30
	return sip && len(heads) > 0 && !c.dry && !r.has(t.Callus, t.Unpot) && e.day > heads[0].day
}

// partsDrink says whether the parts of a division are watered at once: fine roots that dry
// out sooner than their cuts rot.
func (c *patient) partsDrink() bool {
	return c.is(t.Rhizomatous, t.Fern, t.Palm) && !c.rot
}

// dryDaysLaw: no first water before the root day and the low end of the dry
// range; the mineral habits stay dry after whole roots too.
func dryDaysLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.FirstWater) {
		if e.p.For == t.ForPieces || len(r.of(false, t.PartIt)) > 0 && c.partsDrink() || r.sipOfTop(e, c) {
			continue
		}
		if h := r.callused(e); h != notYet && e.day < h+14 && !e.gated {
			no(e, "a cutting that healed on a tray stays dry for two weeks")
		}
		from, least := c.dryFrom(e.pre)
		if from != notYet && least >= 0 && float64(e.day) < float64(from)+least-1e-9 {
			no(e, "on day %d; it stays dry until day %g", e.day, float64(from)+least)
		}
	}
}

// callused is the day on which a beheaded top was set from its tray before an event.
func (r *replay) callused(e *event) int {
	for _, x := range r.of(false, t.Behead) {
		for _, y := range r.of(false, t.Callus) {
			for _, z := range r.of(false, t.PotIn) {
				if x.before(y) && y.before(z) && z.before(e) && y.day <= x.day+1 {
					return z.day
				}
			}
		}
	}
	return notYet
}

// dryFrom is the day from which it stays dry, and for how many days at least;
// less than none where no cut asks for it.
func (c *patient) dryFrom(p pose) (from int, least float64) {
	cut := slices.DeleteFunc(slices.Clone(p.Wounds), func(s state.Wound) bool { return !s.Wetted })
	last := notYet
	for _, s := range cut {
		last = max(last, s.Day)
	}
	healed := slices.ContainsFunc(cut, func(s state.Wound) bool { return s.Healed })
	from, least = last, -1
	switch {
	case p.SetOn != notYet && (healed || len(cut) == 0):
		from = p.SetOn
	case from == notYet:
		from = p.LiftedOn
	}
	if last != notYet && last >= p.LiftedOn {
		least = float64(c.nature.RootDry[0])
		if slices.ContainsFunc(cut, func(s state.Wound) bool { return s.Organ != t.OnRoots && s.Day >= last-1 }) {
			least = float64(c.nature.StemDry[0])
		}
	}
	if t.MineralSet().Has(c.habitID) {
		least = max(least, float64(c.nature.RootDry[0]))
	}
	base := slices.ContainsFunc(cut, func(s state.Wound) bool { return isOne(s.Organ, t.OnBulb, t.OnCorm, t.OnBase) })
	if base && c.is(t.BulbPlant) && p.SetOn != notYet {
		from, least = p.SetOn, 7
	}
	return from, least
}

// pairs are operators that undo each other.
var pairs = []struct{ a, b []t.OperatorID }{
	{[]t.OperatorID{t.HoldWater}, waters},
	{[]t.OperatorID{t.CoverIt}, []t.OperatorID{t.Wean, t.Air}},
	{[]t.OperatorID{t.ShadeIt}, []t.OperatorID{t.Brighten}},
	{[]t.OperatorID{t.HoldFeed}, []t.OperatorID{t.FeedIt}},
	{[]t.OperatorID{t.KeepApart, t.Isolate}, []t.OperatorID{t.Release}},
}

func oppositeLaw(r *replay, c *patient, no found) {
	for i := range r.events {
		x := &r.events[i]
		for _, pair := range pairs {
			if !slices.Contains(pair.a, x.op) || x.op == t.CoverIt && x.p.Cover != "" && x.p.Cover != "closed" {
				continue
			}
			if y := r.onSameDay(x, pair.b); y != nil {
				late := y
				if y.sit < x.sit || y.sit == x.sit && y.step < x.step {
					late = x
				}
				no(late, "%s and %s on one day", x.op, y.op)
			}
		}
	}
}

// onSameDay is the first of some operators on the day of an event. Behind gates
// only what stands in one sitting is done on one day for certain.
func (r *replay) onSameDay(x *event, ops []t.OperatorID) *event {
	for i := range r.events {
		y := &r.events[i]
		certain := x.sit == y.sit || !x.gated && !y.gated
		if y.day == x.day && certain && slices.Contains(ops, y.op) {
			return y
		}
	}
	return nil
}
