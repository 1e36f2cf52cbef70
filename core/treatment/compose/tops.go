package compose

import (
	"cmp"
	"slices"
	"strings"

	"tendermend/core/agenda"
	"tendermend/core/cause"
	"tendermend/core/facts"
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
	if c.stripsFlowers() {
		c.spikes()
	}
	if c.crown != nil {
		c.heart()
	}
	if c.neck {
		c.neckSitting()
	}
	if c.top {
		c.topSitting()
	}
}

// inFlowers are causes that sit inside of flowers and buds.
var inFlowers = []cause.ID{cause.Thrips, cause.GreyMould, cause.PetalBlight}

// stripsFlowers says whether flowers go: they drain a plant that has nothing to give, or
// the trouble sits in them. No flower is cut for a wish, and none for thirst alone.
func (c *composer) stripsFlowers() bool {
	f := c.Facts
	open := f.Spikes.Or(0) > 0 || f.Flowers.Value || f.Buds.Value
	switch {
	case c.strip || c.rest || c.has(cause.BloomDrain):
		return true
	case !open || c.discard != "":
		return false
	case c.has(inFlowers...), c.has(cause.Detached), c.cutsBloom():
		return true
	}
	return c.weakFor() && c.root != nil && c.grave() || c.limpOnDeadRoots()
}

// weakFor says whether its roots do not feed flowers.
func (c *composer) weakFor() bool {
	shrunk := c.reserves() == facts.Shrivelled && c.Facts.Reserves.Known
	return c.roots < 0.25 || c.roots < mostDead && (c.limp && !c.thirsty || shrunk) || c.limpOnDeadRoots()
}

// limpOnDeadRoots says whether it hangs limp and most of its roots were counted dead: that is not thirst alone.
func (c *composer) limpOnDeadRoots() bool {
	wished := len(c.Causes) == 0 || c.only(cause.PotBound) // no flower is cut for a wish
	return c.limp && c.mostRootsDead() && !c.piece && !wished
}

// How much of all leaves is taken at most where they are marked; of palms and cycads, which make few fronds a year,
// less (common practice).
const (
	markedShare  = 0.25
	markedFronds = 0.1
)

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
	l.Params.Share = num(markedShare)
	if c.is(treatment.Palm, treatment.Cycad) {
		l.Params.Share = num(markedFronds)
	}
	if c.leaf.mush {
		l.Params.What, l.Params.Mush = "mush", true
	}
	c.draft.sit(treatment.LeafSit, day, rankLeaf, append(c.cutting(l), c.bag()...)...)
}

// flowersWithout says whether its flowers are open without a spike, and the trouble sits in them.
func (c *composer) flowersWithout() bool { return c.Facts.Flowers.Value && c.has(inFlowers...) }

// spikes takes flower spikes off: all, or all but one, or none where they are to
// stay.
func (c *composer) spikes() {
	if c.Facts.Spikes.Known && c.Facts.Spikes.Value == 0 && !c.flowersWithout() {
		return
	}
	keep := c.Choices.Spikes.Keeps()
	if keep && c.Choices.Spikes != "keep one" {
		why := "the carer keeps the spike"
		if c.has(inFlowers...) {
			why = "the carer keeps the flowers: what sits inside them comes back from there"
		}
		c.leave(string(treatment.StripSpikes), why)
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
	if c.has(inFlowers...) && !c.orchid {
		s.Organ, s.Params.What, s.Params.CMAbove = treatment.OnFlower, "flowers and swelling buds", treatment.Number{}
	}
	if c.twistsOut() && c.has(inFlowers...) {
		s.Params.How, s.Params.CMAbove = "twisted", treatment.Number{}
		c.draft.at(0, rankPieces, append([]step{s}, c.bag()...)...)
		return
	}
	c.draft.at(0, rankPieces, append(c.cutting(s), c.bag()...)...)
}

// fromBelow says whether its crown must stay dry when it is watered.
func fromBelow(x *subject) bool {
	return x.habitID == treatment.Gesneriad || x.kind.ID == "cyclamen-persicum"
}

// twistsOut says whether its stalks are twisted out whole, never cut: what is left of a
// cut stalk rots into the tuber.
func (c *composer) twistsOut() bool {
	return c.habitID == treatment.Gesneriad || c.kind.ID == "cyclamen-persicum"
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
	c.draft.at(0, rankRoot, c.piecesPotted()...)
	c.draft.at(2, rankPieces, c.pieceWater())
	piece := c.thing(agenda.Cutting, pieceWidth)
	c.draft.at(2+agenda.WaterOf(piece).Every, rankWater, wateredThing(piece, rooted))
	c.boxLater(0)
	if len(cover) > 0 {
		c.sat = 0
		c.draft.gate(nudged, do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(12) })))
	}
}

// makePieces makes plants of pieces: of one that is itself a piece, of a mother
// that is lost, or because the carer wishes for more.
func (c *composer) makePieces() {
	p := c.pieces
	if p.why == "wish" {
		c.multiplied()
		return
	}
	if travels := c.travels(); len(travels) > 0 {
		c.rootWhole(p, travels)
		return
	}
	for _, op := range p.ops {
		if p.why == "mother" && op == treatment.TipCut && p.organ == treatment.OnTip && !c.takesTips() {
			c.leave("pieces", "its kind is not grown from tips")
			continue
		}
		c.takePieces(c.cutOf(op, p.organ), 0, true)
	}
}

// takesTips says whether tips of its kind root.
func (c *composer) takesTips() bool {
	row := c.habitID != treatment.WaxVine && slices.Contains(waysOf[c.habitID], "tip-cutting")
	return !c.named || len(c.kind.Propagation) == 0 || c.propagates("tip") || row && !slices.Contains(c.kind.Never, "top")
}

// cutOf is how a recipe's cut is done here.
func (c *composer) cutOf(op treatment.OperatorID, organName treatment.Organ) cutWay {
	organs := map[treatment.OperatorID]treatment.Organ{
		treatment.NodeBox: treatment.OnNode, treatment.TipCut: treatment.OnTip, treatment.LeafCut: treatment.OnLeaf,
	}
	most := map[treatment.OperatorID]float64{treatment.NodeBox: 12, treatment.TipCut: 6, treatment.LeafCut: 4}
	of := organs[op]
	if organName == treatment.OnSegment {
		of = organName
	}
	return cutWay{op, of, most[op]}
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
	if c.boxed {
		return
	}
	c.boxed = true
	c.draft.at(day+14, rankLook, do(treatment.BoxTally, every(14, rooted)))
	c.draft.hold(
		"",
		rooted,
		"",
		c.forPieces(pieceWidth),
		do(treatment.PotPieces, organ(treatment.OnPieces)),
		do(treatment.Label, organ(treatment.OnPieces)),
		do(treatment.FirstWater, how("through"), with(func(p *treatment.Params) { p.For = treatment.ForPieces })),
	)
	c.rootedLater()
	c.draft.gate(newLeaf, do(treatment.Harden, with(func(p *treatment.Params) { p.Days = num(12) })))
}

// offsets parts plantlets and pups when they are ripe, or now where the mother
// fails and the carer chose so.
func (c *composer) offsets() {
	ch := c.Choices.Plantlets
	if c.Facts.Plantlets.Or(0) < 1 || ch == treatment.SideStay || !c.givesPlantlets() {
		return
	}
	if slices.ContainsFunc(c.draft.gates, func(g gated) bool { return has(g.steps, treatment.TakeOffset) }) {
		return // the wish takes them
	}
	waits := gate.Gate{gate.Count(gate.OffsetRoot, 3, 7.5)}
	if !c.orchid {
		waits = gate.Gate{gate.See(gate.GrownOffset)}
	}
	cut := do(treatment.TakeOffset, organ("plantlet"))
	if len(c.travels()) > 0 {
		waits = waits.With(gate.IsFree())
	}
	if ch.Now() && len(c.travels()) == 0 {
		if c.sat == 0 || c.root == nil {
			c.offsetNow(cut)
			return
		}
	}
	c.partOffset(cut, waits)
}

// givesPlantlets says whether its plantlets are parted beside what else is done: not where an accepted cause does
// that, where it is kept apart for good, or where it rests dry.
func (c *composer) givesPlantlets() bool {
	asleep := (c.dry || c.is(treatment.BulbPlant, treatment.WinterDeciduous)) && c.resting()
	return c.mayOffset() && !asleep && !c.keptApart() && !c.is(treatment.Palm) &&
		!c.has(cause.OffsetDrain, cause.SpentRosette)
}
