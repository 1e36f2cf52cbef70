package compose

import (
	"cmp"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// drinkDays is how long after its soak a thirsty plant is left untouched.
const drinkDays = 5

// tops takes off leaves, hearts, spikes and whole tops.
func (c *composer) tops() {
	if c.leaf != nil {
		c.leavesOff()
	}
	if c.strip || c.rest ||
		c.orchid && c.root != nil && c.sat == 0 && c.school != treatment.BareRoots && c.Facts.Spikes.Or(0) > 0 {
		c.spikes()
	}
	if c.crown != nil {
		c.heart()
	}
	if c.neck {
		c.neckSitting()
	}
}

// leavesOff takes marked leaves off, once it has drunk, and not beside rot that
// is left uncut.
func (c *composer) leavesOff() {
	day := c.leaf.day
	if c.thirsty && !c.leaf.mush {
		day = max(day, drinkDays)
	}
	if day > 0 && c.rotLives && !c.rotAsks() && c.crown == nil && !c.neck {
		c.leave(
			string(treatment.RemoveLeaves),
			"rot or a wilt is open that is not cut: nothing else is cut until it has stopped",
		)
		c.leaf = nil
		return
	}
	l := do(treatment.RemoveLeaves, organ(treatment.OnLeaf), what("marked"), func(s *step) { s.Cause = c.leaf.cause })
	l.Params.Share = num(0.25)
	if c.leaf.mush {
		l.Params.What, l.Params.Mush = "mush", true
	}
	c.draft.sit(treatment.LeafSit, day, rankLeaf, append(c.cutting(l), c.bag()...)...)
}

// spikes takes flower spikes off: all, or all but one, or none where they are to
// stay.
func (c *composer) spikes() {
	if c.Facts.Spikes.Known && c.Facts.Spikes.Value == 0 {
		return
	}
	keep := c.Choices.Spikes.Keeps()
	if keep && c.Choices.Spikes != "keep one" {
		c.leave(string(treatment.StripSpikes), "the carer keeps the spike")
		return
	}
	s := do(
		treatment.StripSpikes,
		organ(treatment.OnSpike),
		with(func(p *treatment.Params) { p.What, p.CMAbove = "all", num(2) }),
	)
	if keep {
		s.Params.What, s.Params.Part = "all but one", "one kept"
	}
	if c.Facts.Plantlets.Or(0) > 0 && !c.Choices.Plantlets.Now() {
		s.Params.OverKeiki, s.Params.At, s.Params.CMAbove = true, "above the plantlet", treatment.Number{}
	}
	if c.habitID == treatment.WaxVine {
		s.Organ, s.Params.What, s.Params.CMAbove = "flower", "flowers only", treatment.Number{}
	}
	c.draft.at(0, rankPieces, c.cutting(s)...)
}

// heart is CROWN: picked out by hand, dried, and treated as the carer chose.
func (c *composer) heart() {
	var steps []step
	steps = append(steps, c.blade())
	steps = append(steps, do(treatment.CrownDrain), do(treatment.PickCrown, organ(treatment.Crown)))
	steps = append(steps, c.crownDry(treatment.Crown, treatment.Cup)...)
	switch {
	case c.crown.drug != "" || c.Choices.CrownDose == treatment.SideLabel:
		class := cmp.Or(c.crown.drug, "bacteria")
		steps = append(steps, c.label(class, "crown", "crown"))
		steps = append(steps, c.crownDry(treatment.Crown, treatment.Cup)...)
	case c.Choices.CrownDose == treatment.SidePeroxide:
		if p, ok := c.peroxide("crown", 0.03, 3); ok {
			steps = append(steps, p)
			steps = append(steps, c.crownDry(treatment.Crown, treatment.Cup)...)
		}
	}
	steps = append(steps, c.bag()...)
	c.draft.sit(treatment.CrownSit, 0, rankCrown, steps...)
}

// neckSitting roots the crown again above a rotten neck.
func (c *composer) neckSitting() {
	w := c.rescueWidth(true)
	saved := do(treatment.Insurance, organ(treatment.OnLeaf), with(func(p *treatment.Params) { p.N = num(2) }))
	cut := do(treatment.Behead, organ(treatment.OnNeck))
	var steps []step
	steps = c.cutting(saved, cut)
	steps = append(
		steps,
		do(treatment.DryCut, organ(treatment.OnStem), with(func(p *treatment.Params) { p.Hours = num(2) })),
		do(treatment.PotIn, with(func(p *treatment.Params) { p.Depth = "in" })),
	)
	steps = append(steps, c.labelled()...)
	cover := c.covers("closed")
	steps = append(steps, cover...)
	steps = append(steps, do(treatment.ShadeIt, share(0.4)))
	steps = append(steps, c.bag()...)
	c.draft.at(0, rankReady, c.ready(w, 0, false))
	c.draft.sit(treatment.RootWash, 0, rankBlade, steps...)
	c.draft.at(
		c.dryDay("stem", true),
		rankPieces,
		do(
			treatment.FirstWater,
			how("light"),
			with(func(p *treatment.Params) { p.ML, p.From = c.lightML(w), "below" }),
		),
	)
	c.draft.at(21, rankLook, do(treatment.Look, every(7, nudged)))
	if len(cover) > 0 {
		c.sat = 0
		c.draft.gate(nudged, do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(12) })))
	}
}

// makePieces makes plants of pieces: of one that is itself a piece, of a mother
// that is lost, or because the carer wishes for more.
func (c *composer) makePieces() {
	p, day := c.pieces, 0
	ops, organName := p.ops, p.organ
	if p.why == "wish" {
		why := ""
		if day, ops, why = c.wishedPieces(); why != "" {
			c.leave("propagate", why)
			return
		}
		organName = ""
	} else if travels := c.travels(); len(travels) > 0 {
		c.rootWhole(p, travels)
		return
	}
	if p.why == "piece" && organName == "tip" && c.kind.Branches == "no" &&
		c.is(treatment.Woody, treatment.CaneFoliage, treatment.Begonia, treatment.SoftTrailer, treatment.Ivy) {
		c.rootWhole(p, nil)
		return
	}
	steps := c.cutting(c.pieceCuts(ops, organName)...)
	if organName == "segment" {
		steps = append(steps, do(treatment.DryCut, organ(treatment.OnSegment),
			with(func(q *treatment.Params) { q.Hours, q.For = num(20), "pieces" })))
	}
	steps = append(steps, do(treatment.Label))
	steps = append(steps, c.bag()...)
	c.draft.sit(treatment.PiecesSit, day, rankPieces, steps...)
	if organName == "segment" {
		c.draft.at(day+1, rankBlade, c.piecesPotted()...)
	} else if has(steps, treatment.TipCut) {
		c.draft.at(day, rankAfter, append(c.covers(p.cover), do(treatment.ShadeIt, share(0.4)))...)
	}
	c.boxLater(day)
}

// pieceCuts are the cuts that give pieces, each with its number.
func (c *composer) pieceCuts(ops []treatment.OperatorID, organName treatment.Organ) (cuts []step) {
	organs := map[treatment.OperatorID]treatment.Organ{
		treatment.NodeBox: "node",
		treatment.TipCut:  "tip",
		treatment.LeafCut: "leaf",
		treatment.Behead:  "stem",
	}
	counts := map[treatment.OperatorID]float64{treatment.NodeBox: 12, treatment.TipCut: 4, treatment.LeafCut: 4}
	spread := len(c.spreads()) > 0
	for _, op := range ops {
		s := do(op, organ(cmp.Or(organName, organs[op])), with(func(q *treatment.Params) { q.N = num(counts[op]) }))
		if organName == "node" && op == treatment.TipCut {
			s.Organ = "tip"
		}
		if spread {
			apart := true
			s.Params.Isolated = &apart
		}
		cuts = append(cuts, s)
	}
	return cuts
}

// wishedPieces gives the day and the cuts by which a healthy plant is
// multiplied, or why it is not.
func (c *composer) wishedPieces() (day int, ops []treatment.OperatorID, why string) {
	travels := c.travels()
	switch {
	case c.thirsty:
		day = drinkDays
	case !c.growing():
		return 0, nil, "it is not growing: cut in growth"
	case len(travels) > 0:
		return 0, nil, "what ails it travels with the pieces: " + strings.Join(travels, ", ")
	case c.piece:
		return 0, nil, "it is itself a piece"
	}
	if ops = c.kindCuts(); ops == nil {
		return 0, nil, "its kind is divided or grown from offsets, in season"
	}
	return day, ops, ""
}

// kindCuts gives the cuts by which its kind is multiplied.
func (c *composer) kindCuts() []treatment.OperatorID {
	switch {
	case c.propagates("node") && c.is(treatment.AroidVine, treatment.JewelOrchid, treatment.WaxVine):
		return []treatment.OperatorID{treatment.NodeBox}
	case c.propagates("tip", "stem") && !c.is(treatment.Palm, treatment.Cycad, treatment.AirPlant):
		return []treatment.OperatorID{treatment.TipCut}
	case c.propagates("leaf") && c.is(treatment.Begonia, treatment.Gesneriad, treatment.SucculentRosette,
		treatment.TrailingSucculent, treatment.UprightSucculent):
		return []treatment.OperatorID{treatment.LeafCut}
	case !c.named && treatment.TipSet().Has(c.habitID) && !c.is(treatment.Gesneriad, treatment.ForestCactus):
		return []treatment.OperatorID{treatment.TipCut}
	}
	return nil
}

// travels names the accepted causes that would go along with a piece.
func (x *subject) travels() (list []string) {
	for _, id := range treatment.Travels() {
		if x.has(id) {
			cc, _ := cause.ByID(id)
			list = append(list, strings.ToLower(cc.Label))
		}
	}
	return list
}

// rootWhole roots a piece as it is: nothing is cut from it.
func (c *composer) rootWhole(p *pieceWork, travels []string) {
	if len(travels) > 0 {
		c.leave(
			"pieces",
			"what ails it travels with every piece ("+strings.Join(
				travels,
				", ",
			)+"): it is rooted whole and isolated",
		)
	}
	if p.why == "mother" && c.rotLives { // rot in a mother that cannot be cut up
		c.sat = 0
		c.washSitting(rootWork{kind: washRoots, cut: "stem", live: true, cover: p.cover, daily: 7})
		return
	}
	w := c.rescueWidth(c.rootless)
	cover := c.covers(p.cover)
	steps := []step{c.ready(w, 0, false), c.potIn(treatment.PotIn)}
	steps = append(steps, c.labelled()...)
	steps = append(steps, cover...)
	steps = append(steps, do(treatment.ShadeIt, share(0.4)))
	c.draft.sit(treatment.PiecesSit, 0, rankRoot, steps...)
	c.draft.at(
		max(c.dryDay("", false), b2n(c.dry)),
		rankWater,
		do(treatment.FirstWater, how("light"), with(func(q *treatment.Params) { q.ML = c.lightML(w) })),
	)
	c.draft.at(7, rankLook, do(treatment.Look, every(7, toDay(56))))
	if len(cover) > 0 {
		c.sat = 0
		c.weaning(steady)
	}
}

func b2n(b bool) int {
	if b {
		return 1
	}
	return 0
}

// boxLater counts pieces, pots those with roots and hardens them.
func (c *composer) boxLater(day int) {
	c.draft.at(day+14, rankLook, do(treatment.BoxTally, every(14, rooted)))
	c.draft.hold(
		"",
		rooted,
		"",
		c.forPieces(),
		do(treatment.PotPieces, organ(treatment.OnPieces)),
		do(treatment.Label, organ(treatment.OnPieces)),
		do(treatment.FirstWater, how("through"), with(func(p *treatment.Params) { p.For = treatment.ForPieces })),
	)
	c.draft.gate(newLeaf, do(treatment.Harden, with(func(p *treatment.Params) { p.Days = num(12) })))
}

// offsets parts plantlets and pups when they are ripe, or now where the mother
// fails and the carer chose so.
func (c *composer) offsets() {
	if c.Facts.Plantlets.Or(0) < 1 || c.has(cause.OffsetDrain, cause.SpentRosette) || c.is(treatment.Palm) {
		return
	}
	ch := c.Choices.Plantlets
	if ch == "stay" {
		return
	}
	waits := gate.Gate{gate.Count(gate.OffsetRoot, 3, 7.5)}
	if !c.orchid {
		waits = gate.Gate{gate.See(gate.GrownOffset)}
	}
	steps := append(c.cutting(do(treatment.TakeOffset, organ("plantlet"))), c.labelled()...)
	if len(c.travels()) > 0 {
		waits = waits.With(gate.IsFree())
	}
	if ch.Now() && len(c.travels()) == 0 {
		if c.sat == 0 || c.root == nil {
			c.draft.sit(treatment.PiecesSit, 0, rankPieces, steps...)
			return
		}
	}
	c.draft.hold(treatment.PiecesSit, waits, "", steps...)
}
