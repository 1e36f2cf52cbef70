package check

import (
	"math"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// lawsOfPieces are those of tops, pieces and parts.
var lawsOfPieces = []law{
	{t.NeverTopDrowned, topLaw},
	{t.NeverPieceHomeless, homeLaw},
	{t.NeverOnlyPointTaken, onlyPointLaw},
	{t.NeverMoreThanThere, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.TipCut, t.NodeBox) {
			have := c.tipsThere()
			if e.op == t.NodeBox || e.s.Organ == t.OnSection {
				have = max(1, c.Facts.Nodes.Or(c.Facts.Leaves.Or(have)))
			}
			goes := c.Facts.Piece.Value || c.has(cause.BaseRot, cause.Detached) || r.has(t.Discard)
			stays := e.op == t.TipCut && !goes
			if stays && have > 1 {
				have--
			}
			if n := e.p.N.Or(1); n > have {
				no(e, "%g are taken, %g may be", n, have)
			}
		}
	}},
	{t.NeverSucculentPieceWet, func(r *replay, c *patient, no found) {
		if !c.is(t.UprightSucculent, t.TrailingSucculent, t.Cactus, t.ForestCactus, t.SucculentRosette) {
			return
		}
		for _, e := range r.of(false, t.TipCut, t.LeafCut, t.Insurance, t.Behead) {
			dried := slices.ContainsFunc(r.events, func(x event) bool {
				return x.op == t.Callus && x.day >= e.day && x.day <= e.day+1
			})
			if !dried {
				no(e, "its cut does not dry on a tray")
			} else if days, need := r.trayDays(e), c.trayNeed(e); e.op != t.LeafCut && days < need {
				no(e, "%s on a tray, %g are needed", working.Measured(days, "day"), need)
			}
		}
		if r.has(t.TipCut, t.LeafCut, t.Insurance, t.Behead) {
			for _, e := range r.of(false, t.CoverIt) {
				if e.p.Cover == plant.CoverClosed {
					no(e, "a closed cover rots succulent pieces")
				}
			}
		}
	}},
	{t.NeverWayNotItsOwn, wayLaw},
	{t.NeverWashDivision, func(r *replay, c *patient, no found) {
		fine := c.is(t.Rhizomatous, t.HerbClump, t.Fern, t.AroidVine, t.AroidClump)
		if !fine || !r.has(t.PartIt) || c.has(cause.MediumCollapsed) || c.anyOf(t.Rots()) ||
			badMedium(c.Facts.Medium.Value) {
			return
		}
		for _, e := range r.of(false, t.WashOff, t.RootPrune) {
			no(e, "its fine roots are not made again")
		}
	}},
	{t.NeverCutGraft, func(r *replay, c *patient, no found) {
		if c.has2(plant.Grafted) {
			for _, e := range r.of(false, t.Behead, t.TipCut) {
				no(e, "its top has no roots without its stock")
			}
		}
	}},
	{t.NeverBulbSetWet, bulbLaw},
	{t.NeverPartBedless, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.PartIt) {
			n := e.p.N
			if !n.Known {
				continue
			}
			for _, op := range []t.OperatorID{t.ReadyPot, t.Label, t.FirstWater} {
				sum := 0.0
				for _, x := range r.of(false, op) {
					sum += max(1, x.p.N.Or(1))
				}
				if op == t.FirstWater && r.has(t.WetRoots, t.ChangeWater, t.SetCup) {
					sum = n.Value // on slabs or in cups the roots are wetted
				}
				if sum < n.Value {
					no(e, "%g parts, and %s for %g", n.Value, op, sum)
				}
			}
		}
	}},
}

func (c *patient) tipsThere() float64 {
	usual := 1.0
	if c.is(t.SoftTrailer, t.Ivy, t.AroidVine) {
		usual = 3
	}
	f := c.Facts
	for _, n := range []facts.Number{f.Tips, f.Points, f.Growths} {
		if n.Known {
			return max(1, n.Value)
		}
	}
	return usual
}

// isPiece says whether a step is for pieces, or for a part of a division.
func isPiece(e *event) bool {
	return e.p.For == t.ForPieces || e.p.For == t.ForPart || e.s.Organ == t.OnPieces
}

var homes = []t.OperatorID{t.NodeBox, t.Layer, t.Refill, t.PotPieces}

// homeLaw: every piece has its own home on its day, a label and looks.
func homeLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.Insurance, t.TipCut, t.LeafCut, t.TakeOffset) {
		if e.p.How == "beside the mother" || e.op == t.TakeOffset && c.is(t.AirPlant) {
			continue
		}
		latest := r.homeBy(e)
		after := func(is func(x *event) bool) bool {
			return slices.ContainsFunc(r.events, func(x event) bool { return e.before(&x) && is(&x) })
		}
		switch {
		case !after(func(x *event) bool { return isHome(x, e) && (x.day <= latest || x.sit == e.sit) }):
			no(e, "the piece has no home of its own")
		case !after(func(x *event) bool { return isOne(x.op, t.Label, t.Refill) }):
			no(e, "the piece has no label")
		case !after(func(x *event) bool { return isOne(x.op, t.Look, t.BoxTally, t.Refill) }):
			no(e, "nobody looks at the piece")
		}
	}
}

// homeBy is the last day on which a piece gets its home: the next, or when its cut is dry.
func (r *replay) homeBy(e *event) int {
	latest := e.day + 1
	for _, x := range r.of(false, t.Callus) {
		if x.day >= e.day && x.day <= e.day+1 {
			latest = max(latest, e.day+int(x.p.Days.Or(0)))
		}
	}
	return latest
}

// isHome says whether a step gives the piece that was taken a place to grow in.
func isHome(x, taken *event) bool {
	set := isOne(x.op, t.PotIn, t.Hang, t.Mount) && (isPiece(x) || taken.op == t.TakeOffset)
	return set || slices.Contains(homes, x.op)
}

// onlyPointLaw: the only growing point is not taken.
func onlyPointLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.Insurance) {
		enough := c.tipsThere() >= 2 || c.kind.Branches == plant.BranchesYes && c.Facts.Nodes.Or(0) >= 5
		if isOne(e.s.Organ, t.OnTip, t.OnStem) && !enough {
			no(e, "it is the only growing point")
		}
	}
	single := c.is(t.Sympodial, t.WinterDeciduous, t.Palm, t.Cycad, t.GiantHerb, t.Rhizomatous, t.Fern, t.HerbClump,
		t.Bromeliad, t.AirPlant, t.SucculentRosette, t.Monopodial) || c.kind.ID == "zamioculcas-zamiifolia"
	own := c.grownBy("tip-cutting", "node-cutting", "stem-section")
	for _, e := range r.of(false, t.TipCut) {
		if c.is(t.Monopodial) && c.Facts.PieceRoots.Or(0) < 3 {
			no(e, "a top without three roots of its own does not root")
			continue
		}
		if c.known && single && !own {
			no(e, "its tips do not root")
		}
	}
}

// bulbLaw: the cut base of a bulb or tuber heals for a week before it is set, and a week
// before it is watered.
func bulbLaw(r *replay, c *patient, no found) {
	soft := isOne(c.kind.ID, "zantedeschia-aethiopica", "clivia-miniata", "eucharis-amazonica", "begonia-tuberhybrida",
		"lilium-hybrid")
	if soft || !c.is(t.BulbPlant) && !c.tuberous() {
		return
	}
	first := math.MaxInt
	for _, e := range r.of(false, t.CutRot) {
		if isOne(e.s.Organ, t.OnBulb, t.OnCorm, t.OnRhizome, t.OnBase) {
			first = min(first, e.day)
		}
	}
	if first == math.MaxInt {
		return
	}
	for _, e := range r.of(false, t.PotIn, t.PotUp, t.FirstWater) {
		switch {
		case isPiece(e) || e.day < first:
		case e.op != t.FirstWater && e.day < first+7:
			no(e, "its cut base has not healed")
		case e.op == t.FirstWater && !e.gated && e.p.How == "through":
			no(e, "a cut base is never watered through")
		}
	}
}
