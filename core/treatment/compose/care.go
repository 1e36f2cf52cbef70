package compose

import (
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// order is where a single step stands in its slot.
var order = map[treatment.OperatorID]int{
	treatment.Isolate:      rankStart,
	treatment.Baseline:     rankStart,
	treatment.Neighbours:   rankStart,
	treatment.KeepApart:    rankStart,
	treatment.Soak:         rankSoak,
	treatment.Flush:        rankSoak,
	treatment.PreWater:     rankSoak,
	treatment.PullDead:     rankPull,
	treatment.RaiseBase:    rankPull,
	treatment.FirstWater:   rankPieces,
	treatment.BottomWater:  rankPieces,
	treatment.CupFill:      rankCrown + 2,
	treatment.TrimBranch:   rankPieces + 2,
	treatment.Refill:       rankPieces + 3,
	treatment.TakeOffset:   rankPieces,
	treatment.CutRot:       rankLeaf,
	treatment.RemoveLeaves: rankLeaf,
	treatment.CrownDrain:   rankCrown,
	treatment.CrownDry:     rankCrown + 1,
	treatment.RinseOff:     rankCrown,
	treatment.LabelDrug:    rankSpray + 1,
	treatment.ByRule:       rankWater,
	treatment.HoldFeed:     rankWater + 1,
	treatment.Look:         rankLook,
	treatment.SlideLook:    rankLook,
	treatment.BoxTally:     rankLook,
}

func orderOf(op treatment.OperatorID) int {
	if r, ok := order[op]; ok {
		return r
	}
	return rankAfter
}

// sick says whether nothing is cut from it for shape.
func (c *composer) sick() bool { return len(c.travels()) > 0 || c.rotLives || c.piece }

// plainSteps puts the single steps on their days, so that they agree with the
// sittings.
func (c *composer) plainSteps() {
	dated := c.sat >= 0 && (c.root != nil || c.change)
	for _, p := range c.plain {
		s := p.step
		s.Until, p.gate = c.itsOwn(s.Until), c.itsOwn(p.gate)
		if s.Every > 0 && len(s.Until) == 0 {
			s.Until = toDay(max(p.day, 0) + 84)
		}
		switch s.Op {
		case treatment.ByRule, treatment.BottomWater, treatment.FirstWater:
			if dated && len(p.gate) == 0 && p.day >= c.sat && p.day <= c.sat+14 {
				continue // the root sitting brings its own water
			}
			if dated && p.gate.Same(due) {
				continue
			}
			if c.neck || c.pieces != nil && !c.change && (c.piece || c.pieces.why == "mother") {
				continue
			}
			if s.Params.Water == "" {
				s.Params.Water = c.betterWater()
			}
			if c.thirsty && p.gate.Same(due) {
				continue
			}
		case treatment.Flush:
			s.Params.Water = or(c.betterWater(), "low-mineral")
			s.Params.ML = num(3 * float64(int(PotML(c.potWidth(), c.shape(c.potWidth())))))
			if dated && len(p.gate) == 0 && p.day <= c.sat+28 {
				c.leave(string(s.Op), "the fresh mix does it")
				continue
			}
		case treatment.HoldWater:
			if dated && c.sat == 0 {
				continue
			}
		case treatment.ShadeIt:
			if !s.Params.Share.Known {
				s.Params.Share = num(0.4)
			}
		case treatment.Refill:
			c.refilled(p)
			continue
		case treatment.TrimBranch:
			c.trimmed(p)
			continue
		case treatment.TakeOffset:
			steps := append(c.cutting(s), c.labelled()...)
			if strings.HasPrefix(c.Choices.Plantlets, "now") && c.has(cause.OffsetDrain) && len(c.travels()) == 0 &&
				!dated {
				c.draft.sit(treatment.PiecesSit, 0, rankPieces, steps...)
				continue
			}
			if c.Choices.Plantlets == "stay" {
				c.leave(string(s.Op), "the carer lets it stay")
				continue
			}
			c.draft.hold(treatment.PiecesSit, p.gate, "", steps...)
			continue
		case treatment.CutRot:
			rank := rankLeaf
			if dated && c.sat == p.day {
				rank = rankRoot + 1
			}
			c.draft.sit(
				treatment.LeafSit,
				p.day,
				rank,
				slices.Concat(
					c.cutting(s),
					[]step{do(treatment.DryCut, organ("body"), with(func(q *treatment.Params) { q.Hours = num(4) }))},
					c.bag(),
				)...)
			continue
		case treatment.LabelDrug:
			s.Params.Where = s.Organ
			if c.Choices.Drug == "copper" && s.Params.Class == "bacteria" {
				if c.copperHurts() {
					c.leave("copper", "it kills the leaves of this kind")
				} else {
					s.Params.Product, s.Params.Class = "copper", "copper"
				}
			}
			steps := []step{s}
			if s.Organ == "leaf" {
				steps = append(steps, c.dried()...)
			}
			c.draft.sit(treatment.SpraySit, p.day, rankSpray, steps...)
			continue
		case treatment.Release:
			if c.clear > 0 || len(c.spreads()) > 0 {
				continue // the longest of all that was accepted decides
			}
			if c.rotLives {
				p.gate = p.gate.With(gate.WithoutRot())
			}
		case treatment.SlideLook:
			if dated || c.piece {
				continue
			}
		case treatment.Turn:
			if c.Facts.Buds.Value || c.Facts.Spikes.Or(0) > 0 {
				c.leave(string(s.Op), "not turned while it is in bud")
				continue
			}
		case treatment.Supplement, treatment.FeedIt:
			if c.dry && s.Op == treatment.FeedIt && c.has(cause.Drought) && len(p.gate) > 0 {
				continue
			}
			if dated && len(p.gate) > 0 {
				continue // fed after the root work, by its own gate
			}
		case treatment.Brighten:
		case treatment.Temper:
		}
		if s.Op == treatment.RinseOff && c.any(treatment.LeafDiseases) {
			c.leave(string(s.Op), "with a leaf disease open nothing is showered")
			continue
		}
		if len(p.gate) > 0 {
			c.draft.gate(p.gate, s)
			continue
		}
		c.draft.at(p.day, orderOf(s.Op), s)
	}
}

func (x *subject) copperHurts() bool {
	return x.is(treatment.BR, treatment.FE) || strings.HasPrefix(x.kind.ID, "dendrobium")
}

// trimmed cuts back above nodes; soft trailers and ivies fill their own bare
// spots with what comes off.
func (c *composer) trimmed(p plain) {
	if c.sick() {
		c.leave(string(treatment.TrimBranch), "nothing is cut for shape while it is sick or a piece")
		return
	}
	cuts := []step{do(treatment.TrimBranch, organ("stem"))}
	cuts[0].Cause = p.cause
	var fill []step
	if c.is(treatment.TR, treatment.IV) && c.has(cause.LowLight, cause.SelfShading, cause.Drought) &&
		len(c.spreads()) == 0 {
		cuts = append(cuts, do(treatment.TipCut, organ("tip"), with(func(q *treatment.Params) { q.N = num(8) })))
		fill = []step{do(treatment.Refill, what("fresh tips"))}
	}
	var steps []step
	steps = append(steps, c.blade())
	c.draft.at(p.day, rankPieces+2, slices.Concat(steps, cuts, fill)...)
}

// refilled fills bare spots of soft trailers and ivies in growth; others pull
// what is dead and wait.
func (c *composer) refilled(p plain) {
	if !c.is(treatment.TR, treatment.IV) || !branching(c.subject) || !c.branches && c.named || c.sick() ||
		len(c.spreads()) > 0 ||
		c.has(cause.LowLight, cause.SelfShading) {
		return
	}
	var steps []step
	steps = append(steps, c.blade())
	c.draft.at(
		p.day,
		rankPieces+2,
		append(
			steps,
			do(treatment.TipCut, organ("tip"), with(func(q *treatment.Params) { q.N = num(8) })),
			do(treatment.Refill, what("fresh tips")),
		)...)
}

// letGo says when it may be released: the longest of all that was accepted.
func (c *composer) letGo() {
	if c.has(cause.Virus, cause.Fusarium) || len(c.spreads()) == 0 || c.discard != "" {
		return
	}
	var waits gate.Gate
	switch {
	case c.clear > 0:
		waits = gate.Gate{gate.CleanFor(c.clear, 3)}
	}
	if c.any(treatment.LeafDiseases) || c.has(cause.BlackRot) || len(waits) == 0 {
		waits = waits.With(gate.QuietFor(14, 3))
	}
	if c.rotLives {
		waits = waits.With(gate.WithoutRot())
	}
	if nd := c.Facts.NewcomerDays; nd.Known && nd.Value < newcomerDays {
		waits = waits.With(gate.DaysSince(facts.Came, newcomerDays))
	}
	if has(c.allSteps(), treatment.Release) {
		return
	}
	c.draft.gates = append(c.draft.gates, gated{waits: waits, steps: []step{do(treatment.Release)}, kind: ""})
}

func (c *composer) allSteps() (all []step) {
	for _, g := range c.draft.gates {
		all = append(all, g.steps...)
	}
	return all
}

// also adds what the carer would like besides, where something accepted asks
// for it.
func (c *composer) also() {
	for _, word := range strings.Fields(strings.ReplaceAll(c.Choices.Also, ",", " ")) {
		op, ok := treatment.OperatorByID(treatment.OperatorID(word))
		if !ok {
			c.leave(word, "there is no such operator")
			continue
		}
		if !c.asked(op) {
			c.leave(word, "nothing accepted asks for it")
			continue
		}
		pests := slices.ContainsFunc(c.Causes, func(id cause.ID) bool {
			_, ok := treatment.FoeOf(id)
			return ok && id != cause.Springtail
		})
		if op.ID == treatment.Earth && !pests &&
			(c.any(treatment.LeafDiseases) || c.has(cause.Virus)) {
			c.leave(word, "it reaches nothing that does harm here")
			continue
		}
		s := do(op.ID)
		if op.ID == treatment.Flush {
			s.Params.Water = or(c.betterWater(), "low-mineral")
		}
		c.draft.at(0, orderOf(op.ID), s)
	}
}

// hopeless says whether throwing it away is a choice that the trade respects.
func (x *subject) hopeless() bool {
	if len(x.Causes) == 0 ||
		x.has(cause.SpentRosette) && (x.Facts.Plantlets.Or(0) > 0 || x.Facts.Pups.Or(0) > 0) {
		return false
	}
	for _, id := range x.Causes {
		cc, _ := cause.ByID(id)
		if !cc.Harmless &&
			(cc.Kind == "pest" || cc.Kind == "disease" || slices.Contains(treatment.Rots, id) || id == cause.Drought) {
			return true
		}
	}
	return false
}

// asked says whether something accepted asks for an operator.
func (c *composer) asked(op treatment.Operator) bool {
	if op.For == "" {
		return op.Does.Has(treatment.Gentle)
	}
	for _, word := range strings.Fields(op.For) {
		if c.answers(word) {
			return true
		}
	}
	return false
}

// answers says whether a word of an operator's row holds here.
func (c *composer) answers(word string) bool {
	if w, ok := strings.CutPrefix(word, "wish:"); ok {
		return string(c.Wish) == w
	}
	if s, ok := strings.CutPrefix(word, "school:"); ok {
		return string(c.school) == s
	}
	switch word {
	case "rot":
		return c.any(treatment.Rots)
	case "leaf-disease":
		return c.any(treatment.LeafDiseases)
	case "thirst":
		return c.limp || c.code == treatment.AP
	case "pest", "insect":
		for _, id := range c.Causes {
			if f, ok := treatment.FoeOf(id); ok && (word == "pest" || f.Group == treatment.Insects) {
				return true
			}
		}
		return false
	}
	return c.has(cause.ID(word))
}
