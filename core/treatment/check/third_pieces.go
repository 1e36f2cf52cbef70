package check

import (
	"math"
	"slices"
	"strings"

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

// trayDays is for how long a cut lies on a tray; without a number as long as it needs.
func (r *replay) trayDays(e *event) float64 {
	for _, x := range r.of(false, t.Callus) {
		if x.day >= e.day && x.day <= e.day+1 {
			return x.p.Days.Or(math.MaxInt)
		}
	}
	return 0
}

// trayNeed is how long it must lie, in days: a rescued top by the width of its wound, at
// least its kind's (growers' books).
func (c *patient) trayNeed(e *event) float64 {
	kinds := 0.0
	if d := c.kind.CutDryDays; d != nil {
		kinds = float64(d[0])
	}
	if e.op != t.Behead || !c.rot && !c.has(cause.ColdInjury, cause.Girdled) {
		return kinds
	}
	wound := 21.0
	switch foot := c.foot(); {
	case c.is(t.SucculentRosette):
		wound = 3
	case c.is(t.TrailingSucculent):
		wound = 2
	case foot <= 2:
		wound = 7
	case foot <= 5:
		wound = 10
	}
	return max(kinds, wound)
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

// foot is how thick a top is where it was cut, cm.
func (c *patient) foot() float64 {
	if c.is(t.CaneFoliage, t.UprightSucculent, t.Cactus) {
		return c.Facts.FootCM.Or(4)
	}
	return c.Facts.FootCM.Or(1)
}

// tops are the cuts that leave a top without roots.
func (r *replay) tops(c *patient) []*event {
	if !c.is(t.CaneFoliage) {
		return r.of(false, t.Behead)
	}
	return slices.DeleteFunc(r.of(false, t.Behead, t.CutRot), func(e *event) bool {
		return e.op == t.CutRot && e.s.Organ != t.OnStem
	})
}

// topLaw: a top has a small pot, sips before its gate, and no feed.
func topLaw(r *replay, c *patient, no found) {
	if !c.has(cause.BaseRot) {
		return
	}
	heads := slices.DeleteFunc(r.tops(c), func(e *event) bool { return e.p.Keeps == "stump" })
	if len(heads) == 0 || c.has(cause.SpentRosette) {
		return
	}
	from := heads[0].day
	for _, e := range r.of(false, t.ReadyPot) {
		if w := max(e.p.PotWidthCM.Or(0), e.p.PotWidthTo.Or(0)); w > max(7, c.foot()+6)+0.05 {
			no(e, "%g cm for a top whose foot is %g cm", w, c.foot())
		}
	}
	for _, e := range r.of(false, t.FirstWater, t.FeedIt) {
		wet := e.p.How == "through" || e.p.ML.Or(0) > 30
		switch {
		case e.gated || e.day < from:
		case e.op == t.FeedIt:
			no(e, "it has no roots to feed")
		case wet && !isPiece(e):
			no(e, "it has no roots to drink with")
		}
	}
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

func (c *patient) grownBy(ways ...string) bool {
	return slices.ContainsFunc(ways, func(w string) bool { return slices.Contains(c.kind.Propagation, w) })
}

// rowWays are the ways of a habit, beside those that its kind names (growers' books).
var rowWays = map[t.HabitID]string{
	t.Monopodial: "keiki offset stem-section", t.Sympodial: "division keiki offset",
	t.WinterDeciduous: "division keiki offset", t.JewelOrchid: "tip-cutting node-cutting division",
	t.AroidVine: "node-cutting layering tip-cutting", t.Ivy: "tip-cutting", t.SoftTrailer: "tip-cutting",
	t.Begonia: "tip-cutting node-cutting leaf-cutting rhizome", t.Woody: "tip-cutting layering",
	t.WaxVine: "node-cutting layering", t.AroidClump: "division offset tip-cutting stem-section",
	t.Rhizomatous: "division", t.HerbClump: "division offset tip-cutting", t.GiantHerb: "division offset",
	t.Fern: "division rhizome offset", t.Cycad: "offset", t.Bromeliad: "offset", t.AirPlant: "offset division",
	t.SucculentRosette: "offset tip-cutting", t.Cactus: "offset stem-section", t.ForestCactus: "stem-section",
	t.UprightSucculent:  "stem-section tip-cutting leaf-cutting offset layering",
	t.TrailingSucculent: "stem-section tip-cutting leaf-cutting offset layering",
	t.Gesneriad:         "leaf-cutting division offset", t.BulbPlant: "offset division",
	t.Carnivore: "division leaf-cutting", t.CaneFoliage: "tip-cutting stem-section",
}

var stepWays = map[t.OperatorID]string{
	t.TipCut: "tip-cutting stem-section", t.NodeBox: "node-cutting", t.LeafCut: "leaf-cutting", t.Layer: "layering",
	t.PartIt: "division rhizome", t.TakeOffset: "offset keiki",
}

// wayLaw: a kind is multiplied as its row or its habit says, and not asleep.
func wayLaw(r *replay, c *patient, no found) {
	if !c.known || c.Facts.Piece.Value || c.has(cause.Detached) || len(c.kind.Propagation) == 0 {
		return
	}
	for _, e := range r.of(false, t.TipCut, t.NodeBox, t.LeafCut, t.Layer, t.PartIt, t.TakeOffset) {
		if e.op == t.PartIt && c.anyOf(t.Rots()) {
			continue
		}
		if !c.multipliedBy(stepWays[e.op]) {
			no(e, "its kind is not multiplied so")
		}
		if c.cutAsleep(e) {
			no(e, "it sleeps")
		}
	}
}

// cutAsleep says whether a kind that sleeps is cut while it does, and its rest is not over.
func (c *patient) cutAsleep(e *event) bool {
	asleep := e.pre.phase == "resting" && !e.gated && !(e.op == t.PartIt && c.restEnds(e.day))
	return asleep && (c.dry || c.is(t.WinterDeciduous, t.BulbPlant)) && !c.is(t.AirPlant)
}

// multipliedBy says whether one of some ways is its kind's, or its habit's and not forbidden.
func (c *patient) multipliedBy(ways string) bool {
	row := strings.Fields(rowWays[c.habitID])
	return slices.ContainsFunc(strings.Fields(ways), func(w string) bool {
		return slices.Contains(c.kind.Propagation, w) ||
			slices.Contains(row, w) && !slices.Contains(c.kind.Never, nameOf(w))
	})
}

func nameOf(way string) string {
	return map[string]string{
		"tip-cutting": "top", "node-cutting": "node", "leaf-cutting": "leaf", "division": "division",
		"rhizome": "division", "stem-section": "section",
	}[way]
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
