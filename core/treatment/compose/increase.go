package compose

import (
	"strings"

	"tendermend/core/agenda"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

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
		c.draft.at(28, rankLook, do(treatment.Look))
		return
	}
	day := 0
	if c.thirsty {
		day = drinkDays
	}
	c.takePieces(w, day, false)
	c.draft.at(day, rankWater+1, do(treatment.HoldFeed, until(toDay(day+14))))
}

const (
	pieceWidth = 7 // cm, of the pot of one piece (common practice)
	manyWidth  = 9 // cm, of a pot of several pieces, or of a length of cactus
)

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
		p.N, p.What = num(1), state.CutFree
	}))
	c.draft.hold(treatment.PiecesSit, rooted, "", c.setOff(free)...)
	c.followOffset()
}

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
		box := c.thing(agenda.Boxed, 0)
		c.draft.at(day+agenda.WaterOf(box).Every, rankWater, wateredThing(box, rooted))
		c.boxLater(day)
		return
	}
	c.piecesSet(w, n, day, days)
}

// roleOf is what a way of taking pieces gives.
func (c *composer) roleOf(w cutWay) agenda.Role {
	if w.organ == treatment.OnLeaf {
		return agenda.Leaf
	}
	return agenda.Cutting
}

// piecesSet pots pieces when their cuts have dried, and follows them.
func (c *composer) piecesSet(w cutWay, n float64, day, days int) {
	width := float64(pieceWidth)
	if n > 1 || c.habitID == treatment.Cactus {
		width = manyWidth
	}
	under := "1 or 2 nodes, or 3 cm, under"
	if w.op == treatment.LeafCut { // a leaf has no nodes
		under = "their lower ends 2 to 3 cm under"
	}
	home := []step{c.forPieces(width), do(treatment.PotIn, organ(treatment.OnPieces), with(func(p *treatment.Params) {
		p.For, p.How = treatment.ForPieces, under
	}))}
	if w.organ == treatment.OnSection && c.is(treatment.Cactus, treatment.UprightSucculent) {
		home = append(home, do(treatment.Stake, organ(treatment.OnPieces), with(forPieces)))
	}
	if days == 0 {
		home = append(home, do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	}
	cover := c.pieceCover()
	c.piecesOpen = len(cover) == 0
	home = append(home, cover...)
	home = append(home, do(treatment.ShadeIt, organ(treatment.OnPieces), share(0.4), with(forPieces)))
	c.draft.at(day+days, rankAfter, home...)
	if c.dry {
		potted := day + days
		c.draft.at(potted+14, rankLook, do(treatment.Look, every(14, toDay(potted+84)), note("is the piece firm, does "+
			"it hold?")))
		holds := gate.Gate{gate.OnDay(potted + 14), gate.See(gate.Nudge)}
		c.draft.hold("", holds, "", c.pieceWater())
		piece := c.thing(c.roleOf(w), width)
		c.draft.then(daysLater(agenda.WaterOf(piece).Every), wateredThing(piece, newLeaf))
		c.draft.at(potted+agenda.FallbackFrom, rankWater, c.fallback(c.roleOf(w), nudged))
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
	piece := c.thing(c.roleOf(w), width)
	c.draft.at(day+days+later+agenda.WaterOf(piece).Every, rankWater, wateredThing(piece, rooted))
	c.boxLater(day + days)
}
