package compose

import (
	"cmp"
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// sit is a sitting in the making.
type sit struct {
	kind  treatment.SittingKind
	dated bool
	day   int // of a gated one: about when its gate may open
	slot  treatment.Slot
	gate  gate.Gate
	held  string
	after bool // its gate counts from the sitting before it
	steps []step
}

var slotRank = map[treatment.Slot]int{treatment.Morning: 0, treatment.Noon: 1, treatment.Evening: 2}

// assemble makes one sitting of each day and slot, blocks in the order of the
// work, then those that wait.
func (c *composer) assemble() []*sit {
	var list []*sit
	for key, blocks := range c.draft.days {
		slices.SortFunc(
			blocks,
			func(a, b block) int { return cmp.Or(cmp.Compare(a.rank, b.rank), cmp.Compare(a.turn, b.turn)) },
		)
		s := &sit{dated: true, day: key.day, slot: key.slot}
		for _, b := range blocks {
			s.kind = heavier(s.kind, b.kind)
			s.held = cmp.Or(s.held, b.held)
			s.steps = append(s.steps, b.steps...)
		}
		list = append(list, s)
	}
	sortSits(list)
	for _, g := range c.draft.gates {
		list = append(
			list,
			&sit{
				kind:  g.kind,
				slot:  treatment.Morning,
				gate:  g.waits,
				held:  g.held,
				after: g.after,
				steps: slices.Clone(g.steps),
			},
		)
	}
	return list
}

func sortSits(list []*sit) {
	slices.SortStableFunc(list, func(a, b *sit) int {
		if a.dated != b.dated {
			if a.dated {
				return -1
			}
			return 1
		}
		if !a.dated {
			return 0
		}
		return cmp.Or(cmp.Compare(a.day, b.day), cmp.Compare(slotRank[a.slot], slotRank[b.slot]))
	})
}

// daysLater counts days from the sitting before.
func daysLater(days int) gate.Gate { return gate.Gate{gate.DaysSince(facts.Before, days)} }

// later says how many days after the one before it a sitting comes; false where
// it waits for something else.
func (s *sit) later() (days int, counts bool) {
	if !s.after || len(s.gate) != 1 {
		return 0, false
	}
	return s.gate.Since(facts.Before)
}

// weightOf orders kinds of sitting by how much they disturb.
var weightOf = []treatment.SittingKind{
	"",
	treatment.CareSit,
	treatment.LeafSit,
	treatment.PiecesSit,
	treatment.SpraySit,
	treatment.CrownSit,
	treatment.RootWhole,
	treatment.CallusSit,
	treatment.RootWash,
	treatment.ChangeSit,
	treatment.PotPest,
}

// heavier names a sitting of two: a spray and root work together are a kind of
// their own.
func heavier(a, b treatment.SittingKind) treatment.SittingKind {
	if (a == treatment.SpraySit || a == treatment.LeafSit) && (b == treatment.RootWash || b == treatment.RootWhole) {
		return treatment.PotPest
	}
	if slices.Index(weightOf, b) > slices.Index(weightOf, a) {
		return b
	}
	return a
}

// once are operators that one sitting holds once.
var once = []treatment.OperatorID{
	treatment.Isolate,
	treatment.Baseline,
	treatment.Neighbours,
	treatment.ShadeIt,
	treatment.Air,
	treatment.Humidify,
	treatment.HoldFeed,
	treatment.HoldWater,
	treatment.Undraught,
	treatment.DrainSaucer,
	treatment.Temper,
	treatment.KeepApart,
	treatment.ByRule,
	treatment.Soak,
	treatment.Turn,
	treatment.Brighten,
	treatment.Flush,
	treatment.RaiseBase,
	treatment.Scrape,
	treatment.WashDown,
	treatment.FirstWater,
	treatment.CupFill,
	treatment.Look,
	treatment.DryTop,
	treatment.PullDead,
	treatment.Mist,
	treatment.Release,
	treatment.FeedIt,
	treatment.Traps,
	treatment.SlideLook,
	treatment.CoverIt,
	treatment.Wean,
	treatment.PreWater,
	treatment.BottomWater,
	treatment.Discard,
	treatment.HandPick,
	treatment.WetRoots,
	treatment.Nematodes,
}

// onceKey tells steps apart that are done once in a sitting.
func onceKey(s step) string {
	key := string(s.Op) + s.Params.Colour + string(s.Params.For)
	if s.Op == treatment.PullDead {
		key += string(s.Organ)
	}
	return key
}

// saidElsewhere says whether a step of a sitting is said better later, or was just said.
func saidElsewhere(s step, before, rest []step) bool {
	switch s.Op {
	case treatment.BagWaste:
		return has(rest, treatment.BagWaste) || !has(before, wastes...)
	case treatment.CrownDry:
		return len(before) > 0 && driedAlready(before[len(before)-1], s) || driedAfterWash(s, before, rest)
	}
	return refillsAgain(s, rest)
}

// refillsAgain says whether tips for bare spots are taken or set again later in the sitting.
func refillsAgain(s step, rest []step) bool {
	switch s.Op {
	case treatment.Refill:
		return has(rest, treatment.Refill)
	case treatment.TipCut:
		return has(rest, treatment.Refill) && has(rest, treatment.TipCut)
	}
	return false
}

// driedAlready says whether the step just before dries the same part in the same way.
func driedAlready(before, s step) bool {
	return before.Op == s.Op && before.Organ == s.Organ && before.Params.How == s.Params.How &&
		before.Every == s.Every && before.Until.Same(s.Until)
}

// driedAfterWash says whether it is wetted and dried the same way later in the sitting, and nothing wetted it before.
func driedAfterWash(s step, before, rest []step) bool {
	wash := slices.IndexFunc(rest, func(x step) bool { return x.Op == treatment.WashDown && x.Every == 0 })
	return wash >= 0 && s.Every == 0 && !has(before, treatment.WashDown, treatment.RinseOff, treatment.Soak) &&
		slices.ContainsFunc(rest[wash:], func(x step) bool { return driedAlready(x, s) })
}

// tidy merges what the blocks of one sitting say twice, and leaves out idle
// cleaning of the blade.
func tidy(steps []step) []step {
	var out []step
	seen := map[string]int{}
	dirty := true
	for i, s := range steps {
		rest := steps[i+1:]
		switch {
		case saidElsewhere(s, out, rest):
			continue
		case slices.Contains(once, s.Op):
			if at, known := seen[onceKey(s)]; known && !asksItself(out[at], s) {
				out[at] = merged(out[at], s)
				continue
			}
			seen[onceKey(s)] = len(out)
		case s.Op == treatment.CleanBlade:
			if !dirty || !has(rest, cutOps...) && !has(out, cutOps...) {
				continue
			}
			dirty = false
		}
		if s.Op.Does(treatment.Cuts) || s.Op == treatment.PickCrown {
			dirty = true
		}
		out = append(out, s)
	}
	return out
}

// asksItself says whether of two looks one asks its own question otherwise than the other: another one, once beside a
// series, which is not to ask it again each time, or in a series that goes on when the other has ended.
func asksItself(a, b step) bool {
	switch {
	case a.Op != treatment.Look:
		return false
	case a.Every == 0 && b.Every == 0:
		return a.Params.Note != "" && b.Params.Note != "" && a.Params.Note != b.Params.Note
	case a.Every == 0 || b.Every == 0:
		if a.Every > 0 {
			a, b = b, a
		}
		return b.Every > 0 && a.Params.Note != "" && a.Params.Note != b.Params.Note
	case a.Every < b.Every:
		a, b = b, a
	}
	_, ends := dayOf(b.Until)
	_, both := dayOf(a.Until)
	return b.Params.Note == "" && b.Every < a.Every && ends && !both
}

// wastes are operators that leave something to be bagged.
var wastes = append(slices.Clone(cutOps),
	treatment.Unpot, treatment.WashOff, treatment.PullDead, treatment.Scrape, treatment.ClearMoss, treatment.RemovePlug,
	treatment.PickCrown, treatment.TopDress, treatment.SetCup, treatment.HandPick, treatment.StripSpikes,
)

var cutOps = func() (ops []treatment.OperatorID) {
	for _, o := range treatment.Operators() {
		if o.Does.Has(treatment.Cuts) || o.ID == treatment.PickCrown {
			ops = append(ops, o.ID)
		}
	}
	return ops
}()

// merged keeps the more frequent and the longer of two steps that are one.
func merged(a, b step) step {
	switch {
	case a.Every == 0 && b.Every > 0, a.Every > 0 && b.Every > 0 && b.Every < a.Every:
		if b.Params.Note == "" {
			b.Params.Note = a.Params.Note
		}
		a, b = b, a
	case a.Params.Note == "":
		a.Params.Note = b.Params.Note
	}
	if da, ok := dayOf(a.Until); ok {
		if db, ok := dayOf(b.Until); ok && db > da {
			a.Until = b.Until
		}
	}
	if a.Params.Water == "" {
		a.Params.Water = b.Params.Water
	}
	if a.Params.What == "" {
		a.Params.What = b.Params.What
	}
	return a
}

// estimate guesses when gates may open, so that the simulation knows how far a
// plant is by then: their own day, or days after the sitting before.
func estimate(list []*sit) {
	last, root, treated := 0, 0, 0
	for i, s := range list {
		if s.dated {
			last = max(last, s.day)
			if has(s.steps, treatment.Unpot) {
				root = s.day
			}
			if has(s.steps, treatment.Treating()...) {
				treated = s.day
			}
			continue
		}
		s.day = s.opensAbout(last, root, treated)
		if !s.gate.Same(due) || i+1 < len(list) && list[i+1].after { // its water holds up nothing else
			last = s.day
		}
		if has(s.steps, treatment.Unpot) {
			root = s.day
		}
	}
}

// daysAfter is how many days after the sitting before it a gate opens.
func (s *sit) daysAfter() int {
	for _, from := range []facts.Happening{facts.Before, facts.Potted, facts.OnATray} {
		if d, ok := s.gate.Since(from); ok {
			return d
		}
	}
	return 0
}

// movedWithin is in about how many days it stands where it is warm enough, or cool enough.
const movedWithin = 4

// opensAbout guesses the day on which the gate of a sitting opens.
func (s *sit) opensAbout(last, root, treated int) int {
	switch {
	case s.after:
		return last + s.daysAfter()
	case len(s.gate) == 1 && s.gate[0].Is == gate.Warmth:
		return movedWithin + s.gate[0].Days // it is moved by steps of half a day, whatever else is dated
	}
	return s.opensLater(last, root, treated)
}

// opensLater is when one opens that waits for days, or for what is seen.
func (s *sit) opensLater(last, root, treated int) int {
	if c, ok := s.gate.Of(gate.Clean); ok && c.Days > 0 {
		return max(last, treated+c.Days)
	}
	if len(s.gate) > 0 && s.gate[0].Is == gate.Quiet {
		return max(last, treated+s.gate[0].Days)
	}
	worked, afterWork := s.gate.Since(facts.SatRoots)
	for _, from := range []facts.Happening{facts.Planned, facts.Came} {
		d, ok := s.gate.Since(from)
		switch {
		case ok && afterWork:
			return max(last, d, root+worked)
		case ok:
			return max(last, d)
		}
	}
	for _, x := range s.gate {
		if d, ok := gate.Gate(x.Any).Since(facts.Planned); ok && x.Is == gate.AnyOf {
			return max(last, d)
		}
	}
	if afterWork {
		return max(last, root+worked)
	}
	for _, is := range []gate.Is{gate.Quiet, gate.Warmth} {
		if c, ok := s.gate.Of(is); ok {
			return max(last, root+c.Days)
		}
	}
	return last + 30
}
