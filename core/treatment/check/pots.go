package check

import (
	"math"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// parted gives a mix as shares of the whole, ingredients by their plain names.
func parted(parts []plant.Part) map[string]float64 {
	sum := 0.0
	for _, p := range parts {
		sum += p.Parts
	}
	mix := map[string]float64{}
	for _, p := range parts {
		mix[plain(p.What)] += p.Parts / sum
	}
	return mix
}

// plain gives the short name of an ingredient.
func plain(what string) string {
	what = strings.ToLower(strings.TrimSpace(what))
	switch what {
	case "potting soil":
		return "soil"
	case "peat or coir", "peat/coir", "coir":
		return "peat"
	case "coarse grit":
		return "grit"
	}
	return what
}

func like(a, b []plant.Part) bool {
	x, y := parted(a), parted(b)
	if len(x) != len(y) {
		return false
	}
	for what, share := range x {
		if other, ok := y[what]; !ok || math.Abs(other-share) > 0.02 {
			return false
		}
	}
	return true
}

// holding is the share of a mix whose ingredients hold one of the words.
func holding(parts []plant.Part, words ...string) float64 {
	sum := 0.0
	for what, share := range parted(parts) {
		if slices.ContainsFunc(words, func(w string) bool { return strings.Contains(what, w) }) {
			sum += share
		}
	}
	return sum
}

func one(what string) []plant.Part { return []plant.Part{{What: what, Parts: 1}} }

var (
	clayMix = []plant.Part{{What: "clay pellets", Parts: 1}, {What: "pumice", Parts: 1}}
	ofSeat  = [][]plant.Part{clayMix, one("clay pellets"), one("pumice")}
	// ofSchool are the mixes of the schools.
	ofSchool = map[t.School][][]plant.Part{
		t.Lean:     {one("coarse bark"), {{What: "coarse bark", Parts: 4}, {What: "chopped moss", Parts: 1}}},
		t.MossWrap: {one("long moss"), one("chopped moss")},
		t.MossBox:  {one("long moss"), one("chopped moss")},
		t.ClayPot:  ofSeat,
	}
	ofPieces = [][]plant.Part{one("long moss"), one("chopped moss"), one("perlite"), one("vermiculite")}
)

var lawsOfPots = []law{
	{t.NeverSoilForEpiphyte, func(r *replay, c *patient, no found) {
		if !(c.epi && (c.orchid || c.habitID == t.Fern) || c.habitID == t.AirPlant || c.epi && c.free()) {
			return
		}
		for _, e := range r.of(false, t.ReadyPot, t.TopDress) {
			if len(e.p.Mix) > 0 && (holding(e.p.Mix, "soil", "compost") > 0 || holding(e.p.Mix, "peat") >= 0.5) {
				no(e, "soil, or half peat, smothers roots that live on trees")
			}
		}
	}},
	{t.NeverMixUnknown, mixLaw},
	{t.NeverSucculentWet, func(r *replay, c *patient, no found) {
		if !t.MineralSet().Has(c.habitID) {
			return
		}
		for _, e := range r.of(false, t.ReadyPot) {
			share := holding(e.p.Mix, "perlite", "pumice", "grit", "sand", "clay pellets", "lava", "gravel")
			if len(e.p.Mix) > 0 && share < 0.5-1e-9 {
				no(e, "only %.0f %% of it is mineral", share*100)
			}
		}
	}},
	{t.NeverPotTooWide, func(r *replay, c *patient, no found) {
		if !c.anyOf(t.Rescued()) || c.has(cause.Detached) {
			return
		}
		for _, e := range r.of(false, t.ReadyPot) {
			w, b, old := e.p.PotWidthCM, c.Facts.RootBallCM, c.Facts.PotWidthCM
			if !w.Known || e.p.For == t.ForPieces || e.gated {
				continue
			}
			beheaded := slices.ContainsFunc(e.sitting.Steps, func(s t.Step) bool { return s.Op == t.Behead }) ||
				beforeIt(r, e, t.Behead)
			switch {
			case b.Known && c.share > 0 && !beheaded && w.Value > b.Value+3.05:
				no(e, "%g cm round a live ball of %g cm", w.Value, b.Value)
			case old.Known && w.Value > old.Value+0.05:
				no(e, "wider than the old pot")
			}
		}
	}},
	{t.NeverPotNoWider, func(r *replay, c *patient, no found) {
		old := c.Facts.PotWidthCM
		if !c.has(cause.PotBound) || !old.Known || c.anyOf(t.Rescued()) || r.has(t.RootPrune, t.TopDress, t.PartIt) {
			return
		}
		for _, e := range r.of(false, t.ReadyPot) {
			if w := e.p.PotWidthCM; w.Known && e.p.For != t.ForPieces && w.Value <= old.Value {
				no(e, "%g cm is no wider than %g cm", w.Value, old.Value)
			}
		}
	}},
	{t.NeverPotUpTooFar, func(r *replay, c *patient, no found) {
		old := c.Facts.PotWidthCM
		for _, e := range r.of(false, t.PotUp) {
			w := e.p.PotWidthCM
			for i := range r.events {
				x := &r.events[i]
				if x == e {
					break
				}
				if x.op == t.ReadyPot && x.p.For != t.ForPieces && x.p.PotWidthCM.Known && !e.p.PotWidthCM.Known {
					w = x.p.PotWidthCM
				}
			}
			most := 5.0
			if old.Or(0) >= 30 {
				most = 7
			}
			if w.Known && old.Known && w.Value > old.Value+most+0.05 {
				no(e, "%g cm wider at once", w.Value-old.Value)
			}
		}
	}},
	{t.NeverPotWithoutHoles, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.ReadyPot, t.PotIn, t.PotUp) {
			closed := e.p.Holes != nil && !*e.p.Holes
			if closed && !slices.Contains([]facts.Seat{facts.InCup, facts.InBox, facts.InReservoir, facts.InDish}, e.p.Seat) {
				no(e, "the pot has no holes")
			}
		}
	}},
	{t.NeverOldCore, func(r *replay, c *patient, no found) {
		bad := c.has(
			cause.MediumCollapsed,
			cause.RootRot,
			cause.RootMealybug,
			cause.BlackRot,
			cause.Fusarium,
			cause.RootGrub,
		) ||
			badMedium(c.Facts.Medium.Value)
		if !c.epi || !c.orchid || !bad || c.is(t.Monopodial) && c.has2(plant.Brittle) {
			return
		}
		for _, e := range r.of(false, t.Unpot) {
			if c.free() || e.gated || len(r.later(e, sets...)) == 0 {
				continue
			}
			full := slices.ContainsFunc(
				r.later(e, t.WashOff),
				func(s *t.Step) bool { return s.Params.How != "falls" },
			)
			switch {
			case !full:
				no(e, "the old medium stays in the roots")
			case c.Facts.Plug.Value && len(r.later(e, t.RemovePlug)) == 0:
				no(e, "the plug stays in the roots")
			}
		}
	}},
	{t.NeverBuriedPoint, func(r *replay, c *patient, no found) {
		most := 0.0
		if c.ground {
			most = 1
		}
		if !c.is(t.Sympodial, t.WinterDeciduous, t.Monopodial, t.SucculentRosette, t.Cactus, t.Cycad,
			t.UprightSucculent, t.Gesneriad, t.AroidClump, t.Rhizomatous, t.Bromeliad, t.Palm, t.AirPlant) {
			return
		}
		for _, e := range r.of(false, t.PotIn, t.PotUp, t.SetReservoir, t.WrapMoss, t.TopDress) {
			if under := e.p.UnderCM.Or(0); e.p.For != t.ForPieces && under > most+1e-9 {
				no(e, "the base is %g cm under the mix", under)
			}
		}
	}},
	{t.NeverScaldOccupied, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.ScaldPot) {
			out := e.pre.Seat == facts.InHand || e.pre.Seat == facts.OnTray || e.pre.Seat == facts.InBin || e.pre.SetOn != notYet
			if !out {
				no(e, "the plant stands in the pot")
			}
		}
		bad := c.anyOf(spreading) || c.has(cause.RootRot, cause.BaseRot, cause.MediumCollapsed) ||
			badMedium(c.Facts.Medium.Value)
		for _, e := range r.of(false, t.ReadyPot, t.PotIn, t.PotUp) {
			if e.p.Reuse && bad {
				no(e, "bad medium is used again")
			}
		}
	}},
	{t.NeverMossAgainstBase, func(r *replay, c *patient, no found) {
		for _, e := range r.of(false, t.WrapMoss) {
			if e.p.TouchesBase && c.habitID != t.JewelOrchid {
				no(e, "moss against the base")
			}
		}
		if !c.has(cause.MossSmothered) {
			return
		}
		for _, e := range r.of(false, sets...) {
			if e.op != t.RootPrune && e.p.For != t.ForPieces && r.earlier(e, t.Unpot) && !e.pre.Cleared {
				no(e, "living moss stays on the roots")
			}
		}
	}},
	{t.NeverPotlessInPot, func(r *replay, c *patient, no found) {
		ok := []facts.Seat{facts.InPot, facts.InDish, facts.InReservoir, facts.InHand, facts.OnTray}
		for _, e := range r.of(false, t.SlideLook, t.DrainSaucer, t.Loosen, t.TopDress, t.RootPrune, t.PotUp, t.DryTop) {
			if !slices.Contains(ok, e.pre.Seat) && !(e.op == t.TopDress && e.pre.Seat == facts.InBasket) {
				no(e, "it stands in no pot (%s)", e.pre.Seat)
			}
		}
	}},
	{t.NeverSittingUnlaid, labelLaw},
}

// beforeIt says whether an operator was carried out before an event.
func beforeIt(r *replay, e *event, op t.OperatorID) bool {
	for i := range r.events {
		if &r.events[i] == e {
			return false
		}
		if r.events[i].op == op {
			return true
		}
	}
	return false
}

func mixLaw(r *replay, c *patient, no found) {
	own := c.ownMix()
	for _, e := range r.of(false, t.ReadyPot) {
		if len(e.p.Mix) == 0 || e.p.MixBy == "carer" || len(own) == 0 ||
			slices.Contains([]facts.Seat{facts.InCup, facts.InBox, facts.Hung, facts.OnMount}, e.p.Seat) {
			continue
		}
		lawful := c.lawfulMixes(own, e, e.p.For == t.ForPieces || r.has(t.Behead))
		if !slices.ContainsFunc(lawful, func(m []plant.Part) bool { return like(m, e.p.Mix) }) {
			no(e, "it is neither its kind's mix nor the school's")
		}
	}
}

// ownMix is the mix of its kind, or of its habit where the kind is not known.
func (c *patient) ownMix() []plant.Part {
	switch {
	case !c.known:
		return c.d.Mix
	case len(c.kind.Mixes) > 0:
		return c.kind.Mixes[0].Parts
	}
	return nil
}

// lawfulMixes are what may stand in a pot: its own, its school's, its seat's, and those of
// cuttings.
func (c *patient) lawfulMixes(own []plant.Part, e *event, pieces bool) [][]plant.Part {
	lawful := append([][]plant.Part{own}, ofSchool[c.school()]...)
	if c.seat == facts.InReservoir || e.p.Seat == facts.InReservoir || c.Wish == t.SetupChange {
		lawful = append(lawful, ofSeat...)
	}
	if c.Wish == t.Refresh && c.Facts.MediumClass.Value == facts.Moss {
		lawful = append(lawful, []plant.Part{{What: "long moss", Parts: 1}})
	}
	if !pieces {
		return lawful
	}
	for _, m := range slices.Clone(lawful) {
		lawful = append(lawful, cuttingMix(m))
	}
	return append(lawful, ofPieces...)
}

// cuttingMix is a mix with as much perlite as it has parts.
func cuttingMix(own []plant.Part) (mix []plant.Part) {
	sum := 0.0
	for _, p := range own {
		sum += p.Parts
	}
	perlite := sum
	for _, p := range own {
		if p.What == "perlite" {
			perlite += p.Parts
			continue
		}
		mix = append(mix, p)
	}
	return append(mix, plant.Part{What: "perlite", Parts: perlite})
}

// labelLaw: a root sitting can be carried out as it is written.
func labelLaw(r *replay, c *patient, no found) {
	for _, e := range r.of(false, t.Unpot) {
		here := r.later(e, sets...)
		tray := len(r.later(e, t.Callus)) > 0
		if len(here) == 0 && !tray {
			continue
		}
		group := []int{e.sit}
		if len(here) == 0 { // potted after the tray
			group = append(group, r.afterTray(e)...)
		}
		if !slices.ContainsFunc(r.events, func(x event) bool { return among(group, &x) && labels(x) }) {
			no(e, "no label")
		}
		potted := slices.ContainsFunc(r.events, func(x event) bool { return among(group, &x) && pots(x) })
		measured := c.Facts.RootBallCM.Known || c.Facts.PotWidthCM.Known
		if laid, sized := r.laidOut(e, group); potted && measured && !e.gated && laid != nil && !sized {
			no(laid, "pot width and amount of mix are not both given")
		}
	}
}

// afterTray is the sitting in which what lay on a tray is potted.
func (r *replay) afterTray(e *event) []int {
	for i := range r.events {
		x := &r.events[i]
		if slices.Contains(sets, x.op) && x.day > e.day && x.p.For != t.ForPieces {
			return []int{x.sit}
		}
	}
	return nil
}

func among(group []int, x *event) bool { return slices.Contains(group, x.sit) && x.again == 0 }

func labels(x event) bool {
	return x.op == t.Label || x.op == t.PotIn && strings.Contains(x.s.Args, "label")
}

func pots(x event) bool {
	return isOne(x.op, t.PotIn, t.PotUp, t.SetReservoir, t.WrapMoss) && x.p.For != t.ForPieces
}

// laidOut is the pot laid out for a root sitting, up to two days before it, and
// whether its width and amount are both given.
func (r *replay) laidOut(e *event, group []int) (laid *event, sized bool) {
	for i := range r.events {
		x := &r.events[i]
		lately := slices.Contains(group, x.sit) || x.day <= e.day && e.day-x.day <= 2
		if x.op != t.ReadyPot || x.p.For == t.ForPieces || !lately {
			continue
		}
		if laid == nil {
			laid = x
		}
		sized = sized || x.p.PotWidthCM.Known && (x.p.VolumeML.Known || x.p.Seat == facts.InCup || x.p.PotWidthTo.Known)
	}
	return laid, sized
}
