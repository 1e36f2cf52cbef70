package compose

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// finish lays the sittings out, simulates and mends them, and writes the plan.
func (c *composer) finish() {
	list := c.assemble()
	for _, s := range list {
		s.steps = tidy(s.steps)
	}
	list = c.covered(c.mend(list))
	list = fedOnce(fedLast(c.settled(c.spaced(list))))
	c.bridgeMoved(list)
	c.keptDry(list)
	list = pouredWhenMoist(list)
	list = c.wateredOn(c.drySaid(list))
	list = c.driedWarm(c.piecesNextDay(c.broughtInRange(c.wateredWhileDry(c.heldWhileWet(list)))))
	list = drainedFirst(c.emptied(c.openCover(c.afterHeld(list))))
	drierThanItsRule(list)
	oneRule(list)
	list = c.heldAfterFirst(list)
	ruleOnceHeld(list)
	list = ruleBehindHold(list)
	firstWaterOnce(list)
	c.unpoured(list)
	ruleAfterSoak(list)
	ruleAfterFirst(list)
	list = c.lookedOnce(c.limpWeekly(c.lookedAt(c.firmAgain(c.rootsMissed(list)))))
	list = c.cooledToSpray(c.lookedUntilFree(list))
	list = c.cupsRefilled(c.spaced(c.drunkFirst(list)))
	if c.rotUnaccepted() {
		list = c.unfed(list, "rot was found alive on it")
	}
	c.airNoticed(list)
	fromPlan(list)
	c.plainGates(list)
	estimate(list)
	c.forgone(list)
	for _, s := range list {
		s.steps = trimmedHousekeeping(tidy(s.steps))
	}
	for _, s := range countedFrom(waitedFor(c.homesOfSome(list))) {
		out := treatment.Sitting{Kind: s.kind, Slot: s.slot, Gate: s.gate, Held: s.held}
		if out.Kind == "" {
			out.Kind = treatment.CareSit
		}
		day := s.day
		if s.dated {
			out.Day = &day
		} else {
			out.LookDay = &day
			c.opened(&out)
		}
		for i := range s.steps {
			out.Steps = append(out.Steps, c.written(s.steps[:i+1]))
		}
		c.plan.Sittings = append(c.plan.Sittings, out)
	}
	c.saidDry(c.plan.Sittings)
	c.saidWet(c.plan.Sittings)
	c.notLeftOut()
	c.trust()
	c.plan.Track, c.plan.Beside = c.tracks()
	c.plan.Cautions = c.allCautions()
	c.outcome()
}

// waitedFor leaves sittings out in which nothing is done; what waited some days after one of them waits as many days
// more after the one before it.
func waitedFor(list []*sit) (left []*sit) {
	for i, s := range list {
		if len(s.steps) > 0 {
			left = append(left, s)
			continue
		}
		days, counts := s.later()
		if i+1 == len(list) || !counts {
			continue
		}
		if more, after := list[i+1].later(); after {
			list[i+1].gate = daysLater(days + more)
		}
	}
	return left
}

// countedFrom names the step that days are counted from, where a sitting waits some days after the one before it: its
// first water, what it was set into, or the last thing that was done.
func countedFrom(list []*sit) []*sit {
	for i, s := range list {
		if _, counts := s.later(); !counts || i == 0 {
			continue
		}
		before := list[i-1].steps
		named := before[len(before)-1]
		for _, x := range before {
			if itsFirstWater(x) || homesIt(x) || among(x.Op, treatment.TakeOffset, treatment.PartIt, treatment.FeedIt) {
				named = x
			}
		}
		s.gate = slices.Clone(s.gate)
		for j := range s.gate {
			if s.gate[j].Since == facts.Before {
				s.gate[j].Done = named.Title()
			}
		}
	}
	return list
}

// written is the last of some steps of a sitting with its words, and what they tell of it.
func (c *composer) written(steps []step) step {
	x := steps[len(steps)-1]
	switch x.Op {
	case treatment.BagWaste:
		x.Params.What = c.waste(steps[:len(steps)-1])
	case treatment.Soak:
		x.Params.Water = cmp.Or(x.Params.Water, c.betterWater())
	}
	x.Words = c.words(x)
	x.Materials = c.materials(x)
	x.Cautions = c.cautionsOf(x)
	return x
}

// trimmedHousekeeping drops a blade that cuts nothing and a label or a bag that
// stands alone, where what they belonged to was left out.
func trimmedHousekeeping(steps []step) []step {
	if !has(steps, cutOps...) {
		steps = slices.DeleteFunc(slices.Clone(steps), func(s step) bool { return s.Op == treatment.CleanBlade })
	}
	steps = labelledOnce(steps)
	for _, s := range steps {
		if !slices.Contains(
			[]treatment.OperatorID{
				treatment.CleanBlade,
				treatment.Label,
				treatment.BagWaste,
				treatment.CrownDry,
				treatment.CrownDrain,
				treatment.DryCut,
			},
			s.Op,
		) {
			return steps
		}
	}
	if has(steps, treatment.CrownDrain) {
		return steps
	}
	return nil
}

// labelledOnce keeps the last of two labels or two trims for the same in one sitting.
func labelledOnce(steps []step) (kept []step) {
	for i, s := range steps {
		again := slices.ContainsFunc(steps[i+1:], func(x step) bool {
			return x.Op == s.Op && x.Params.For == s.Params.For
		})
		if !among(s.Op, treatment.Label, treatment.TrimBranch) || !again {
			kept = append(kept, s)
		}
	}
	return kept
}

// fedLast puts what feeds behind the root work that waits.
func fedLast(list []*sit) []*sit {
	var feeds, others []*sit
	for _, s := range list {
		if !s.dated && has(s.steps, treatment.FeedIt) && !has(s.steps, treatment.Unpot) {
			feeds = append(feeds, s)
		} else {
			others = append(others, s)
		}
	}
	return append(others, feeds...)
}

// fedOnce keeps one of several feeds that wait for the same roots: the first, which goes on as the
// others would, at the lowest strength of all. One that holds what is lacking stands for a plain one.
func fedOnce(list []*sit) []*sit {
	var kept *step
	for _, s := range list {
		if !waitsForRootWork(s) {
			continue
		}
		var steps []step
		for _, x := range s.steps {
			feed := x.Op == treatment.FeedIt && x.Params.Where == ""
			if feed && kept != nil && oneFeed(kept, x) {
				continue
			}
			steps = append(steps, x)
		}
		s.steps = steps
		if i := slices.IndexFunc(steps, func(x step) bool {
			return x.Op == treatment.FeedIt && x.Params.Where == ""
		}); kept == nil && i >= 0 {
			kept = &s.steps[i]
		}
	}
	return list
}

// oneFeed gives with one feed what another would, and says whether it does: what holds one thing
// that is lacking does not stand for what holds another.
func oneFeed(kept *step, x step) bool {
	if x.Params.What != "" && kept.Params.What != "" && x.Params.What != kept.Params.What {
		return false
	}
	if x.Every > 0 {
		kept.Every, kept.Until = x.Every, x.Until
	}
	kept.Params.Share = num(min(kept.Params.Share.Or(1), x.Params.Share.Or(1)))
	if kept.Params.What == "" {
		kept.Params.What = x.Params.What
	}
	return true
}

// waitsForRootWork says whether a sitting counts its days from the work on the roots.
func waitsForRootWork(s *sit) bool {
	return !s.dated && s.gate.Wants(func(one gate.Condition) bool {
		return one.Is == gate.Days && one.Since == facts.SatRoots
	})
}

// settled leaves out what was done under an earlier plan for the same trouble:
// it is state now.
func (c *composer) settled(list []*sit) []*sit {
	if len(c.Facts.Done) == 0 {
		return list
	}
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			return slices.ContainsFunc(
				c.Facts.Done,
				func(e facts.Event) bool { return e.Event == string(x.Op) && lasting(x.Op) },
			)
		})
	}
	return list
}

// lasting says whether an operator that was carried out needs no doing again
// when a plan is made anew.
func lasting(op treatment.OperatorID) bool {
	switch op {
	case treatment.Baseline,
		treatment.Isolate,
		treatment.Neighbours,
		treatment.StripSpikes,
		treatment.Humidify,
		treatment.Undraught,
		treatment.Traps,
		treatment.VirusTest,
		treatment.BakeGrit,
		treatment.KeepApart,
		treatment.Temper,
		treatment.Air,
		treatment.ShadeIt,
		treatment.HoldFeed:
		return true
	}
	return false
}

// tipless says that an orchid that wants tips to grow from has none on a day: in its own
// mix or in clay. Those whose roots grow all year in a warm room need none; where nobody
// looked, a change that is only wished for waits until one is seen.
func (c *composer) tipless(d int) bool {
	tips := c.Facts.LiveTips
	none := tips.Known && tips.Value == 0 || !tips.Known && c.change && len(c.Causes) == 0
	return c.orchid && none && !among(c.phase(d), "growing", "waking") &&
		!(c.is(treatment.Monopodial, treatment.JewelOrchid) && c.airC >= 18) &&
		among(c.school, treatment.OwnMix, treatment.ClayPot, "")
}

// leftOut says whether the plan says of something why it is left out.
func (c *composer) leftOut(what string) bool {
	return slices.ContainsFunc(c.plan.LeftOut, func(l treatment.LeftOut) bool { return l.Op == what })
}

// leftOutAs says whether anything was left out for a reason.
func (c *composer) leftOutAs(why string) bool {
	return slices.ContainsFunc(c.plan.LeftOut, func(l treatment.LeftOut) bool { return strings.HasPrefix(l.Why, why) })
}

// forgone says why nothing reaches a pest, where every product was left out.
func (c *composer) forgone(list []*sit) {
	if c.discard != "" {
		return
	}
	var all []step
	for _, s := range list {
		all = append(all, s.steps...)
	}
	for _, id := range c.causes {
		_, pest := treatment.FoeOf(id)
		met := slices.ContainsFunc(all, func(x step) bool { return meets(x, id) })
		if pest && id != cause.Springtail && !met && !c.leftOut(string(id)) {
			why := "nothing that reaches it is borne now: it is isolated, watched, and treated when it can be"
			if c.leftOut("products") {
				why = "nothing that reaches it is borne in this heat: it is treated when it stands cooler"
			}
			c.leave(string(id), why)
		}
	}
}

// Why something is done some days later.
const (
	onlyDrank  = "it has only just drunk"
	cutsOpen   = "the cuts have not closed"
	cutIsDry   = "the cut stays dry"
	onlyChilly = "nothing is watered in the first days after cold"
)

// notLeftOut takes back what was said of a step that is done a few days later after all.
func (c *composer) notLeftOut() {
	var all []step
	for _, s := range c.plan.Sittings {
		all = append(all, s.Steps...)
	}
	c.plan.LeftOut = slices.DeleteFunc(c.plan.LeftOut, func(l treatment.LeftOut) bool {
		return among(l.Why, onlyDrank, cutsOpen, cutIsDry, onlyChilly) && has(all, treatment.OperatorID(l.Op))
	})
}

// trustPests says why what the carer chose against pests is not done.
func (c *composer) trustPests(all []step, said func(word string) bool) {
	side := sideOf(c.Choices.PestFirst)
	wanted := c.Choices.PestFirst != "" && (len(c.pests) > 0 || c.discard != "")
	if wanted && !has(all, side) && !said(string(side)) {
		c.leave(string(side), "this plant does not bear it now, or it reaches no stage of this pest")
	}
}

// trust says why a side or a school that the carer chose is not in the plan.
func (c *composer) trust() {
	said := func(word string) bool {
		return slices.ContainsFunc(
			c.plan.LeftOut,
			func(l treatment.LeftOut) bool { return strings.Contains(l.Op+" "+l.Why, word) },
		)
	}
	var all []step
	for _, s := range c.plan.Sittings {
		all = append(all, s.Steps...)
	}
	c.trustPests(all, said)
	other := c.plan.School != "" && c.plan.School != c.Choices.School
	if want := c.Choices.School; want != "" && other && !said(string(want)) {
		c.leave("school "+string(want), fmt.Sprintf("%s is followed: what was accepted leaves no other way", c.plan.School))
	}
	rinsed := c.Choices.RootRinse == treatment.SidePeroxide && c.root != nil &&
		(c.root.kind != wholeBall || has(all, treatment.TrimDead))
	if rinsed && !has(all, treatment.Peroxide) && !said("peroxide") {
		c.leave("peroxide", "what the roots are treated with already must not meet it")
	}
}

// opened records the event that met a gate: one dated after its stage began.
func (c *composer) opened(s *treatment.Sitting) {
	stage := 0
	for _, done := range c.plan.Sittings {
		if done.Day != nil && *done.Day > stage && done.Kind != treatment.CareSit {
			stage = *done.Day
		}
	}
	for _, e := range c.Facts.Events {
		if !met(s.Gate, e.Event) {
			continue
		}
		if e.Day < stage {
			continue
		}
		ev := e
		s.OpenedBy, s.StageDay = &ev, &stage
		return
	}
}

var schoolTracks = map[treatment.School]string{
	treatment.Bridge:    "orchid-water-bridge",
	treatment.Rest:      "orchid-rest",
	treatment.Lean:      "orchid-lean",
	treatment.ClayPot:   "orchid-clay",
	treatment.BareRoots: "orchid-basket",
	treatment.OwnMix:    "orchid-moss",
	treatment.MossWrap:  "orchid-moss",
	treatment.MossBox:   "rejuvenation",
}

// tracks gives the track that leads, by the gravest cause, and those beside it.
func (c *composer) tracks() (lead string, beside []string) {
	pestsToo := slices.ContainsFunc(c.pests, func(id cause.ID) bool { _, ok := treatment.FoeOf(id); return ok })
	lead = c.leadTrack()
	if c.has(cause.SettlingIn) {
		beside = append(beside, "quarantine")
	}
	if c.has(cause.Virus, cause.Fusarium) {
		beside = append(beside, "suspect")
	}
	if pestsToo {
		beside = append(beside, "pest-clearance")
	}
	switch {
	case lead == "" && len(beside) > 0:
		return beside[0], beside[1:]
	case lead == "" && !c.onlyWished():
		lead = "place-correction"
	}
	return lead, beside
}

// onlyWished says whether nothing is wrong with it: the plan does what was wished of a well plant.
func (c *composer) onlyWished() bool {
	return c.Wish != "" && len(c.Causes) == 0 && !c.rescue() && !c.neck
}

// leadTrack is the track of the gravest cause; nothing where only its place,
// its pests or its arrival are meant.
func (c *composer) leadTrack() string {
	rooted := c.root != nil || c.gated || c.change
	if c.onlyWished() {
		if rooted || c.school != "" {
			return "settling"
		}
		return ""
	}
	return c.causeTrack(rooted)
}

// causeTrack is the track of what ails it.
func (c *composer) causeTrack(rooted bool) string {
	switch {
	case c.has(cause.BaseRot, cause.BlackRot) && c.is(treatment.Monopodial, treatment.Bromeliad, treatment.AirPlant):
		return "crown-recovery"
	case c.has(cause.WokenEarly) || c.asleep() && c.habitID == treatment.WinterDeciduous && rooted:
		return "waking"
	case c.pieces != nil:
		return "rejuvenation"
	case c.school != "":
		return schoolTracks[c.school]
	case c.change:
		return "foliage-rerooting"
	case c.neck, c.rescue(),
		rooted && c.has(cause.MediumCollapsed, cause.WaterRoots, cause.Congested, cause.RootGrub):
		return c.rerooting()
	case c.has(cause.Drought, cause.MediumRepels):
		return "drought-revive"
	}
	return ""
}

// fromPlan counts days from the plan in gates that count them from work on the roots,
// where the plan holds none.
func fromPlan(list []*sit) {
	if slices.ContainsFunc(list, func(s *sit) bool { return has(s.steps, treatment.Unpot) }) {
		return
	}
	for _, s := range list {
		for i, c := range s.gate {
			if c.Is == gate.Days && c.Since == facts.SatRoots {
				s.gate = slices.Clone(s.gate)
				s.gate[i].Since = facts.Planned
			}
		}
	}
}

// rerooting is the track of new roots, by how it drinks.
func (c *composer) rerooting() string {
	if treatment.MineralSet().Has(c.habitID) || c.habitID == treatment.BulbPlant && c.growing() {
		return "succulent-rerooting"
	}
	return "foliage-rerooting"
}
