package compose

import (
	"math"
	"slices"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// waysOf are the ways in which a habit is multiplied, the surest first, by the names of
// the kinds' tables (growers' books, from memory).
var waysOf = map[treatment.HabitID][]string{
	treatment.Monopodial:        {"keiki", "offset"},
	treatment.Sympodial:         {"division", "keiki", "offset"},
	treatment.WinterDeciduous:   {"division", "keiki", "offset"},
	treatment.JewelOrchid:       {"tip-cutting", "node-cutting", "division"},
	treatment.AroidVine:         {"node-cutting", "tip-cutting", "layering"},
	treatment.SoftTrailer:       {"tip-cutting", "leaf-cutting", "offset", "node-cutting", "layering", "division"},
	treatment.Ivy:               {"tip-cutting", "node-cutting", "layering"},
	treatment.Begonia:           {"tip-cutting", "node-cutting", "leaf-cutting", "rhizome", "division"},
	treatment.Woody:             {"tip-cutting", "layering", "offset"},
	treatment.WaxVine:           {"node-cutting", "tip-cutting", "layering"},
	treatment.AroidClump:        {"division", "offset", "tip-cutting", "stem-section", "leaf-cutting"},
	treatment.Rhizomatous:       {"division", "node-cutting", "offset"},
	treatment.HerbClump:         {"offset", "tip-cutting", "division"},
	treatment.GiantHerb:         {"offset", "division"},
	treatment.Fern:              {"division", "rhizome", "offset"},
	treatment.Palm:              {"division", "offset"},
	treatment.Cycad:             {"offset"},
	treatment.Bromeliad:         {"offset"},
	treatment.AirPlant:          {"offset"},
	treatment.SucculentRosette:  {"offset", "stem-section", "tip-cutting", "leaf-cutting"},
	treatment.UprightSucculent:  {"stem-section", "tip-cutting", "leaf-cutting", "offset", "layering"},
	treatment.TrailingSucculent: {"stem-section", "tip-cutting", "leaf-cutting", "offset", "layering"},
	treatment.Cactus:            {"offset", "stem-section"},
	treatment.ForestCactus:      {"stem-section", "tip-cutting"},
	treatment.Gesneriad:         {"leaf-cutting", "tip-cutting", "division"},
	treatment.BulbPlant:         {"offset", "division"},
	treatment.Carnivore:         {"division", "leaf-cutting", "tip-cutting"},
	treatment.CaneFoliage:       {"tip-cutting", "stem-section", "layering"},
}

// barredBy are the ways that a kind's "never" closes.
var barredBy = map[string][]string{
	"top": {"tip-cutting"}, "node": {"node-cutting"}, "leaf": {"leaf-cutting"}, "section": {"stem-section"},
	"division": {"division", "rhizome"},
}

// way is the one that the carer chose where its kind allows it, else the first of its
// habit; empty where there is none.
func (x *subject) way() string {
	list := x.ways()
	switch {
	case slices.Contains(list, x.Choices.MultiplyBy):
		return x.Choices.MultiplyBy
	case len(list) > 0:
		return list[0]
	}
	return ""
}

// ways are those of its habit that its kind allows, the surest first.
func (x *subject) ways() (list []string) {
	var barred []string
	for _, n := range x.kind.Never {
		barred = append(barred, barredBy[n]...)
	}
	for _, w := range waysOf[x.habitID] {
		own := slices.Contains(x.kind.Propagation, w)
		if x.named && (own || len(x.kind.Propagation) == 0 && !slices.Contains(barred, w)) ||
			!x.named && treatment.TipSet().Has(x.habitID) {
			list = append(list, w)
		}
	}
	return list
}

// divides says whether it is parted to be multiplied.
func (x *subject) divides() bool { return among(x.way(), "division", "rhizome") }

// cutWay is how a way is done: with what, on which organ, how many at most.
type cutWay struct {
	op    treatment.OperatorID
	organ treatment.Organ
	most  float64
}

var cutWays = map[string]cutWay{
	"tip-cutting":  {treatment.TipCut, treatment.OnTip, 4},
	"node-cutting": {treatment.NodeBox, treatment.OnNode, 4},
	"leaf-cutting": {treatment.LeafCut, treatment.OnLeaf, 3},
	"stem-section": {treatment.TipCut, treatment.OnSection, 3},
	"layering":     {treatment.Layer, treatment.OnStem, 1},
}

// howMany is how many pieces may be taken, of what is there; one growing point stays.
func (c *composer) howMany(w cutWay, dying bool) float64 {
	f := c.Facts
	var have float64
	switch w.organ {
	case treatment.OnNode:
		have = max(f.Nodes.Or(f.Leaves.Or(1)), 1)
	case treatment.OnLeaf, treatment.OnStem:
		return w.most
	default:
		have = c.tipsThere()
		if w.organ == treatment.OnSection && f.Nodes.Known {
			have = max(have, f.Nodes.Value)
		}
		if have > 1 && !dying {
			have--
		}
	}
	if c.is(treatment.SoftTrailer, treatment.Ivy) && w.organ == treatment.OnTip {
		w.most = 7
	}
	return max(1, min(w.most, have))
}

// tipsThere is how many growing tips it has, as far as anybody knows.
func (c *composer) tipsThere() float64 {
	f := c.Facts
	usual := 1.0
	if c.is(treatment.SoftTrailer, treatment.Ivy, treatment.AroidVine) {
		usual = 3
	}
	return max(1, f.Tips.Or(f.Points.Or(f.Growths.Or(usual))))
}

// multiplied makes more of a healthy plant, by the way of its kind.
func (c *composer) multiplied() {
	way := c.way()
	if by := c.Choices.MultiplyBy; by != "" && by != way {
		c.leave(by, "its kind is not multiplied so")
	}
	switch travels := c.travels(); {
	case len(travels) > 0:
		c.leave("propagate", "what ails it travels with the pieces: "+strings.Join(travels, ", "))
		return
	case c.piece:
		c.leave("propagate", "it is itself a piece")
		return
	case (c.dry || c.is(treatment.WinterDeciduous, treatment.BulbPlant)) && c.resting():
		c.leave("propagate", "it sleeps: a cut would rot before it roots")
		c.draft.at(28, rankLook, do(treatment.Look, every(28, growth), note("growth again? Then it may be multiplied")))
		return
	case among(way, "offset", "keiki"):
		c.offsetLater(way)
		return
	}
	w, known := cutWays[way]
	if !known {
		c.leave("propagate", "its kind is grown from seed, or not at all at home")
		c.draft.at(28, rankLook, do(treatment.Look, note("no pieces are taken of it")))
		return
	}
	day := 0
	if c.thirsty {
		day = drinkDays
	}
	c.takePieces(w, day, false)
	c.draft.at(day, rankWater+1, do(treatment.HoldFeed, until(toDay(day+14))))
}

// offsetLater parts an offset when it is ripe.
func (c *composer) offsetLater(way string) {
	organName, waits := treatment.OnOffset, gate.Gate{gate.See(gate.GrownOffset)}
	if way == "keiki" || c.orchid {
		organName, waits = treatment.OnKeiki, gate.Gate{gate.Count(gate.OffsetRoot, 3, 7.5)}
	}
	c.draft.at(14, rankLook, do(treatment.Look, every(14, waits), note("an offset or plantlet, and its own roots")))
	c.partOffset(do(treatment.TakeOffset, organ(organName)), waits)
}

// partOffset parts an offset when its gate opens, gives it a home, and looks after it.
func (c *composer) partOffset(cut step, waits gate.Gate) {
	c.draft.hold(treatment.PiecesSit, waits, "", c.setOff(cut)...)
	c.followOffset()
}

// setOff cuts off what has roots of its own and gives it a home, which is laid out before.
func (c *composer) setOff(cut step) []step {
	home := c.pieceHome()
	laid := 0
	if home[0].Op == treatment.ReadyPot {
		laid = 1
	}
	return slices.Concat(home[:laid], c.cutting(cut), home[laid:])
}

// followOffset waters what is set dry when it holds, and looks at it a fortnight later.
func (c *composer) followOffset() {
	if c.dry {
		c.draft.then(daysLater(14), do(treatment.Look, note("does the young plant resist a gentle nudge?")), c.pieceWater())
		return
	}
	c.draft.then(daysLater(14), do(treatment.Look, note("does the young plant hold and grow?")))
}

// offsetNow parts it today.
func (c *composer) offsetNow(cut step) {
	c.draft.sit(treatment.PiecesSit, 0, rankPieces, c.setOff(cut)...)
	c.draft.at(14, rankLook, do(treatment.Look, note("does the young plant resist a gentle nudge?")))
	if c.dry {
		c.draft.at(14, rankLook+1, c.pieceWater())
	}
}

// mayOffset says whether its kind makes offsets or plantlets that are taken.
func (x *subject) mayOffset() bool {
	if !x.named || len(x.kind.Propagation) == 0 || among("offset", x.kind.Propagation...) ||
		among("keiki", x.kind.Propagation...) {
		return true
	}
	return x.is(treatment.Monopodial, treatment.Sympodial, treatment.WinterDeciduous, treatment.AroidClump,
		treatment.HerbClump, treatment.GiantHerb, treatment.Fern, treatment.Cycad, treatment.Bromeliad,
		treatment.AirPlant, treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent,
		treatment.Cactus, treatment.Gesneriad, treatment.BulbPlant)
}

// mayPart says whether its kind is divided.
func (x *subject) mayPart() bool {
	if !x.named || len(x.kind.Propagation) == 0 {
		return true
	}
	if among("division", x.kind.Propagation...) || among("rhizome", x.kind.Propagation...) {
		return true
	}
	row := x.is(treatment.Sympodial, treatment.WinterDeciduous, treatment.JewelOrchid, treatment.AroidClump,
		treatment.Rhizomatous, treatment.HerbClump, treatment.GiantHerb, treatment.Fern, treatment.AirPlant,
		treatment.Gesneriad, treatment.BulbPlant, treatment.Carnivore)
	return row && !slices.Contains(x.kind.Never, "division")
}

// pieceHome gives a piece with roots of its own a place, a label and water.
func (c *composer) pieceHome() []step {
	switch {
	case c.habitID == treatment.AirPlant:
		return []step{do(treatment.Mount, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	case c.airRooted && c.seat == facts.Hung:
		return []step{do(treatment.Hang, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	}
	if c.untied && !c.inPotSchool() && c.orchid {
		return []step{do(treatment.Mount, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	}
	home := append([]step{c.forPieces(pieceWidth)},
		do(treatment.PotIn, organ(treatment.OnPieces), with(forPieces)))
	if c.habitID == treatment.Bromeliad {
		home = append(home, do(treatment.Stake, organ(treatment.OnPieces), with(forPieces)))
	}
	home = append(home, do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	if !c.dry {
		home = append(home, c.pieceWater())
	}
	return home
}

func forPieces(p *treatment.Params) { p.For = treatment.ForPieces }

// pieceWater is the first water of pieces in their pot.
func (c *composer) pieceWater() step {
	ml := 20.0
	if c.dry {
		ml = 15
	}
	return do(treatment.FirstWater, organ(treatment.OnPieces), how("light"), with(func(p *treatment.Params) {
		p.For, p.ML = treatment.ForPieces, num(ml)
		if c.habitID == treatment.Gesneriad {
			p.From = "below"
		}
	}))
}

const (
	pieceWidth = 7 // cm, of the pot of one piece (common practice)
	manyWidth  = 9 // cm, of a pot of several pieces, or of a length of cactus
)

// takePieces cuts pieces and gives them their home: a box of moss, or a pot, on the day
// on which their cuts have dried. Of a mother that is lost all are taken.
func (c *composer) takePieces(w cutWay, day int, dying bool) {
	n := c.howMany(w, dying)
	cut := do(w.op, organ(w.organ), with(func(p *treatment.Params) {
		p.N = num(n)
		if len(c.spreads()) > 0 {
			apart := true
			p.Isolated = &apart
		}
	}))
	if w.op == treatment.Layer {
		c.layered(cut, day)
		return
	}
	steps := c.cutting(cut)
	days, hours := c.pieceDries()
	switch {
	case w.op == treatment.NodeBox:
		steps = append(steps, do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	case days > 0:
		steps = append(steps, do(treatment.Callus, organ(treatment.OnPieces), with(func(p *treatment.Params) {
			p.Days, p.For = num(float64(days)), treatment.ForPieces
		})), do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	case hours > 0:
		steps = append(steps, do(treatment.DryCut, organ(w.organ), with(func(p *treatment.Params) {
			p.Hours, p.For = num(hours), treatment.ForPieces
		})))
	}
	steps = append(steps, c.bag()...)
	c.draft.sit(treatment.PiecesSit, day, rankPieces, steps...)
	if w.op == treatment.NodeBox {
		c.boxLater(day)
		return
	}
	c.piecesSet(w, n, day, days)
}

// layered roots a piece while its mother feeds it: pegged down, or on a woody stem in
// moss in the air; it is cut free when it has roots, and potted.
func (c *composer) layered(peg step, day int) {
	label := do(treatment.Label, organ(treatment.OnPieces), with(forPieces))
	if c.habitID == treatment.Woody {
		peg.Params.How = "in the air"
	}
	c.draft.sit(treatment.PiecesSit, day, rankPieces, append(c.cutting(peg), label)...)
	c.draft.at(day+14, rankLook, do(treatment.Look, every(14, rooted), note("roots at the node?")))
	free := do(treatment.Layer, organ(treatment.OnStem), with(func(p *treatment.Params) {
		p.N, p.What = num(1), treatment.CutFree
	}))
	c.draft.hold(treatment.PiecesSit, rooted, "", c.setOff(free)...)
	c.followOffset()
}

// piecesSet pots pieces when their cuts have dried, and follows them.
func (c *composer) piecesSet(w cutWay, n float64, day, days int) {
	width := float64(pieceWidth)
	if n > 1 || c.habitID == treatment.Cactus {
		width = manyWidth
	}
	home := []step{c.forPieces(width), do(treatment.PotIn, organ(treatment.OnPieces), with(func(p *treatment.Params) {
		p.For, p.How = treatment.ForPieces, "1 or 2 nodes, or 3 cm, under"
	}))}
	if w.organ == treatment.OnSection && c.is(treatment.Cactus, treatment.UprightSucculent) {
		home = append(home, do(treatment.Stake, organ(treatment.OnPieces), with(forPieces)))
	}
	if days == 0 {
		home = append(home, do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	}
	home = append(home, c.pieceCover()...)
	home = append(home, do(treatment.ShadeIt, organ(treatment.OnPieces), share(0.4), with(forPieces)))
	c.draft.at(day+days, rankAfter, home...)
	if c.dry {
		potted := day + days
		c.draft.at(potted+14, rankLook, do(treatment.Look, every(14, toDay(potted+84)), note("is the piece firm, does "+
			"it hold?")))
		c.draft.gate(gate.Gate{gate.OnDay(potted + 14), gate.See(gate.Nudge)}, c.pieceWater())
		c.draft.gate(newLeaf, do(treatment.Harden, organ(treatment.OnPieces), with(func(p *treatment.Params) {
			p.Days, p.For = num(12), treatment.ForPieces
		})))
		return
	}
	later := 1
	if c.is(treatment.CaneFoliage, treatment.WaxVine, treatment.Gesneriad) || c.trait(plant.Latex) {
		later = 2
	}
	c.draft.at(day+days+later, rankPieces, c.pieceWater())
	c.boxLater(day + days)
}

// pieceDries is how long the cut of a piece lies dry: days on a tray, or some hours.
func (c *composer) pieceDries() (days int, hours float64) {
	if d := c.kind.CutDryDays; d != nil && d[1] > 1 && c.dry {
		return max(d[0], 1), 0
	}
	switch {
	case c.is(treatment.SucculentRosette, treatment.UprightSucculent):
		return 3, 0
	case c.is(treatment.TrailingSucculent, treatment.ForestCactus):
		return 2, 0
	case c.habitID == treatment.Cactus:
		return 7, 0
	case c.is(treatment.CaneFoliage, treatment.WaxVine):
		return 0, 12
	case c.is(treatment.SoftTrailer, treatment.Ivy, treatment.Rhizomatous, treatment.Fern, treatment.Palm,
		treatment.Carnivore, treatment.JewelOrchid):
		return 0, 0
	}
	return 0, 1
}

// pieceCovers is the most that is put over pieces of a habit (growers' books, from memory).
var pieceCovers = map[treatment.HabitID]plant.Cover{
	treatment.JewelOrchid: plant.CoverClosed, treatment.AroidVine: plant.CoverClosed,
	treatment.Gesneriad: plant.CoverClosed, treatment.Carnivore: plant.CoverClosed,
	treatment.AroidClump: plant.CoverClosed, treatment.Begonia: plant.CoverOpen, treatment.Woody: plant.CoverOpen,
	treatment.WaxVine: plant.CoverOpen, treatment.Monopodial: plant.CoverOpen, treatment.Sympodial: plant.CoverOpen,
}

const pieceClosedC = 26 // above it pieces are not shut up (common practice)

// pieceCover is what is put over pieces in a pot.
func (c *composer) pieceCover() []step {
	got := pieceCovers[c.habitID]
	switch {
	case got == "", c.Choices.Cover == treatment.SideNone,
		c.airC > openC, c.Facts.Sun.Value, c.any(treatment.LeafDiseases()):
		return nil
	case c.airC > pieceClosedC, c.Choices.Cover == treatment.SideOpen:
		got = min2(got, plant.CoverOpen)
	}
	return []step{do(treatment.CoverIt, organ(treatment.OnPieces), every(1, weaned), with(func(p *treatment.Params) {
		p.Cover, p.For = got, treatment.ForPieces
	}))}
}

// cutMix is what tops and pieces root in: its own mix, with as much perlite where it does
// not grow dry.
func (c *composer) cutMix() (parts []plant.Part, from string) {
	parts, from = c.mix()
	if c.dry || parts == nil || from == "carer" {
		return parts, from
	}
	sum, out := 0.0, []plant.Part{}
	had := 0.0
	for _, p := range parts {
		sum += p.Parts
		if p.What == "perlite" {
			had = p.Parts
			continue
		}
		out = append(out, p)
	}
	return append(out, plant.Part{What: "perlite", Parts: sum + had}), from
}

// forPieces lays out a pot for pieces.
func (c *composer) forPieces(width float64) step {
	mix, from := c.cutMix()
	return do(treatment.ReadyPot, organ(treatment.OnPieces), with(func(p *treatment.Params) {
		p.For, p.PotWidthCM, p.Mix, p.MixFrom = treatment.ForPieces, num(width), mix, from
		if mix != nil {
			p.VolumeML = num(math.Round(MixML(width, 0, false, "usual")))
		}
		if from == "carer" {
			p.MixBy = "carer"
		}
		p.Dry = c.dry
	}))
}
