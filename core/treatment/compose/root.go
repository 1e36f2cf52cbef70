package compose

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// blade cleans blade and hands, in a flame where alcohol does not end what is
// carried.
func (c *composer) blade() step {
	method := "alcohol"
	switch {
	case !c.stubborn():
	case len(c.pests) > 0:
		method = "bleach" // no flame near the alcohol that is dabbed
	default:
		method = "flame"
	}
	return do(treatment.CleanBlade, with(func(p *treatment.Params) { p.Method = method }))
}

// stubborn says whether something is accepted or suspected that alcohol does
// not end, or that travels in every cut.
func (c *composer) stubborn() bool {
	ids := []cause.ID{
		cause.Virus,
		cause.Fusarium,
		cause.BlackRot,
		cause.SoftRot,
		cause.Acidovorax,
		cause.BacterialSpot,
		cause.SouthernBlight,
	}
	return c.any(ids) || slices.ContainsFunc(c.Suspected, func(id cause.ID) bool { return slices.Contains(ids, id) })
}

// cutting puts a clean blade before and after cuts.
func (c *composer) cutting(cuts ...step) []step {
	var out []step
	out = append(out, c.blade())
	out = append(out, cuts...)
	out = append(out, c.blade())
	return out
}

// rootSitting writes the sitting that works on the roots, and what follows it.
func (c *composer) rootSitting() {
	switch {
	case c.change:
		c.changeSetup()
	case c.root == nil:
	case c.root.kind == wholeBall:
		c.wholeSitting(*c.root)
	case c.root.kind == callusDry:
		c.callusSitting(*c.root)
	default:
		c.washSitting(*c.root)
	}
	// A wait that nothing filled holds nothing.
	c.draft.gates = slices.DeleteFunc(c.draft.gates, func(g gated) bool { return g.kind == "?" })
}

// place puts the parts of the root sitting on their day, or behind the gate it
// waits for, in one piece.
func (c *composer) place(kind treatment.SittingKind, ready, before, sitting, after []step) {
	if c.gated {
		for i := range c.draft.gates {
			if g := &c.draft.gates[i]; g.kind == "?" {
				g.kind, g.steps = kind, slices.Concat(ready, before, sitting, after)
			}
		}
		return
	}
	c.draft.at(c.sat, rankReady, ready...)
	c.draft.at(c.sat, rankBlade, before...)
	c.draft.sit(kind, c.sat, rankRoot, sitting...)
	c.draft.at(c.sat, rankAfter, after...)
	if c.sat > 0 {
		c.draft.heldTo(c.sat, c.held)
	}
}

// following puts what comes days after the root sitting on its day, or behind
// the gate after it.
func (c *composer) following(days, rank int, steps ...step) {
	if len(steps) == 0 {
		return
	}
	if !c.gated {
		c.draft.at(c.sat+days, rank, steps...)
		return
	}
	if days == 0 {
		for i := len(c.draft.gates) - 1; i >= 0; i-- {
			if g := &c.draft.gates[i]; g.kind != "" {
				g.steps = append(g.steps, steps...)
				return
			}
		}
	}
	c.draft.then(daysLater(days), steps...)
}

// dryDay is on which day after the sitting the first water comes: the middle of
// the dry range, rounded up; its end where live rot was cut; its beginning where
// the carer wants it at once and no stem was cut.
func (c *composer) dryDay(organ treatment.Organ, live bool) int {
	r := c.rootDry
	if organ != "" && organ != "roots" {
		r = c.stemDry
	}
	switch {
	case live:
		return r[1]
	case c.Choices.FirstWater == treatment.SideAtOnce && !c.orchid && !c.dry && (organ == "" || organ == "roots"):
		return r[0]
	}
	return int(math.Ceil(float64(r[0]+r[1]) / 2))
}

// wound is the organ that is cut besides roots; empty for none.
func (r rootWork) wound() treatment.Organ {
	if r.cut == "" && r.part {
		return "rhizome"
	}
	return r.cut
}

// wholeDay is the day of the first water after potting with whole roots.
func (c *composer) wholeDay() int {
	switch {
	case treatment.MineralSet().Has(c.habitID):
		return max(c.habit.Whole, c.dryDay("roots", false))
	case c.dry:
		return max(c.habit.Whole, c.dryDay("roots", false))
	case c.habit.Whole < 0:
		return c.dryDay("roots", false)
	}
	return c.habit.Whole
}

// unpotting takes it out, washes it and trims what is dead.
func (c *composer) unpotting(r rootWork, tray bool) []step {
	to, how := "hand", ""
	if tray {
		to = "tray"
	}
	switch {
	case c.untied:
		how = "lift"
	case c.potWidth() >= 25:
		how = "two persons"
	}
	out := []step{do(treatment.Unpot, with(func(p *treatment.Params) { p.To, p.How = to, how }))}
	if r.part && c.partsWhole() {
		return out // its soil stays on
	}
	out = append(out, c.mediumOff(r)...)
	if c.Facts.Plug.Value {
		out = append(out, do(treatment.RemovePlug))
	}
	if r.sheaths && c.habitID == treatment.Sympodial {
		out = append(out, do(treatment.PullDead, organ(treatment.OnSheaths)))
	}
	if r.scales {
		out = append(out, do(treatment.PullDead, organ(treatment.OnBulb)))
	}
	return append(out, do(treatment.Tally), c.trimDead(), c.blade())
}

// trimDead cuts dead roots off, and does with what is in doubt as the carer chose.
func (c *composer) trimDead() step {
	doubtful := string(cmp.Or(c.Choices.DryRoots, treatment.SideKeep))
	return do(treatment.TrimDead, organ(treatment.OnRoots), with(func(p *treatment.Params) { p.Doubtful = doubtful }))
}

// mediumOff takes the old medium off the roots, as the plant bears it.
func (c *composer) mediumOff(r rootWork) []step {
	wash := do(treatment.WashOff, how(c.washingWay(r)))
	switch {
	case r.moss && !c.untied && (c.badMedium() || c.any(treatment.Rots())):
		return []step{wash, do(treatment.ClearMoss)}
	case r.moss:
		return []step{do(treatment.ClearMoss)}
	case c.seat == facts.Hung || c.seat == facts.OnMount:
		return nil
	}
	return []step{wash}
}

// partsWhole says whether a division keeps the old soil on: fine roots that are washed bare
// are not made again.
func (c *composer) partsWhole() bool {
	return c.is(treatment.Rhizomatous, treatment.HerbClump, treatment.Fern, treatment.AroidVine, treatment.AroidClump) &&
		!c.any(treatment.Rots()) && !c.has(cause.MediumCollapsed) && !c.rottenMedium()
}

// eachPart is how many growths a part keeps at least (growers' books, from memory).
func (c *composer) eachPart() float64 {
	for _, kin := range []struct {
		prefix string
		n      float64
	}{{"pleione", 1}, {"calanthe-vestita", 1}, {"thunia", 1}, {"catasetum", 2}, {"cycnoches", 2}, {"mormodes", 2},
		{"clowesia", 2}} {
		if strings.HasPrefix(c.kind.ID, kin.prefix) {
			return kin.n
		}
	}
	return 3
}

const mostParts = 3

// parts is into how many it is divided: none is told where rot decides it.
func (c *composer) parts(r rootWork) float64 {
	if r.cut != "" && !among(c.Wish, treatment.PartWish, treatment.Propagate) {
		return 0
	}
	if g := c.Facts.Growths; g.Known && c.is(treatment.Sympodial, treatment.WinterDeciduous, treatment.Rhizomatous) {
		return max(2, min(mostParts, math.Floor(g.Value/c.eachPart())))
	}
	return 2
}

// washHow is how much of a bad mix goes, as far as its roots bear it: all, two thirds, the
// outer half, or only what drops (growers' practice).
func (c *composer) washHow() string {
	sulks := c.trait(plant.SulksMoved) || !c.growing()
	switch {
	case c.is(treatment.Palm, treatment.Cycad), strings.HasPrefix(c.kind.ID, "nepenthes"),
		c.habitID == treatment.Monopodial && c.trait(plant.Brittle), c.habitID == treatment.Woody && sulks:
		return "falls"
	case c.orchid, c.is(treatment.WaxVine, treatment.Bromeliad, treatment.Carnivore),
		strings.HasPrefix(c.kind.ID, "anthurium"), c.habitID == treatment.Fern && c.epiphyte:
		return "all"
	case c.is(treatment.Rhizomatous, treatment.Begonia, treatment.Gesneriad, treatment.Fern):
		return "half"
	}
	return "two thirds"
}

// washingWay is how the old medium comes off: what falls, dry, wet, or as roots allow.
func (c *composer) washingWay(r rootWork) string {
	dry := r.dryWash || treatment.MineralSet().Has(c.habitID)
	switch {
	case r.falls:
		return "falls"
	case dry && c.has(cause.RootMealybug):
		return "wet"
	case dry:
		return "dry"
	case !c.any(treatment.Rots()) && !c.has(cause.RootMealybug, cause.RootGrub) && c.roots >= 0.5:
		return c.washHow()
	}
	return ""
}

// cleaning cuts rot out, divides, rinses and dries.
func (c *composer) cleaning(r rootWork, tray bool) (out []step) {
	if r.cut != "" {
		beyond := 1.0
		if c.has(cause.BlackRot) {
			beyond = 2.5
		}
		out = append(
			out,
			do(treatment.CutRot, organ(r.cut), with(func(p *treatment.Params) { p.BeyondCM = num(beyond) })),
		)
		out = append(out, c.blade())
	}
	if r.part {
		out = append(out, do(treatment.PartIt, organ(treatment.OnRhizome), with(func(p *treatment.Params) {
			if n := c.parts(r); n > 0 {
				p.N = num(n)
			}
		})))
		out = append(out, c.blade())
	}
	out = append(out, c.rinse(r)...)
	out = append(out, c.dressing(r)...)
	if tray || r.part && c.partsWhole() {
		return out
	}
	if treatment.FineSet().Has(c.habitID) && r.cut == "" && !r.part {
		return out // fine roots stay damp
	}
	hours := 2.0
	switch {
	case c.fine:
		hours = 1
	case r.cut != "":
		hours = 4
	case c.rootless:
		hours = 3
	}
	return append(
		out,
		do(treatment.DryCut, organ(cmp.Or(r.cut, treatment.OnRoots)),
			with(func(p *treatment.Params) { p.Hours = num(hours) })),
	)
}

// dressing is the powder on a cut, where the carer wants it and it does no harm.
func (c *composer) dressing(r rootWork) []step {
	if d := c.Choices.CutDressing; d != "cinnamon" && d != "powder" {
		return nil
	}
	switch {
	case r.cut == "":
		c.leave("dust-cut", "powder dries root cuts dead; they are left dry")
	case c.habitID != treatment.Monopodial:
		return []step{do(treatment.DustCut, organ(r.cut))}
	}
	return nil
}

// rinse is the side taken of the root rinse.
func (c *composer) rinse(r rootWork) []step {
	switch {
	case r.drug != "":
		return []step{c.label(r.drug, cmp.Or(r.cut, treatment.OnRoots), "roots")}
	case c.Choices.RootRinse == treatment.SidePeroxide && c.is(treatment.JewelOrchid, treatment.Fern):
		c.leave("peroxide", "its fine roots do not bear it; water is taken")
	case c.Choices.RootRinse == treatment.SidePeroxide:
		if p, ok := c.peroxide("roots", 0.015, 200); ok {
			return []step{p}
		}
	case c.Choices.RootRinse == treatment.SideLabel && c.has(cause.RootRot, cause.BlackRot, cause.BaseRot):
		return []step{c.label("oomycete", "roots", "roots")}
	case c.Choices.RootRinse == treatment.SideLabel:
		c.leave("label-drug", "no water mould is accepted: it would touch nothing")
	case c.Choices.RootRinse == "soap":
		conc := 0.0004
		return []step{
			do(
				treatment.Soap,
				organ(treatment.OnRoots),
				with(
					func(p *treatment.Params) { p.Conc, p.Where, p.How = num(conc), "roots", "rinsed after a minute" },
				),
			),
		}
	}
	return nil
}

// peroxide is used up to 3 % and never from a stronger stock.
func (c *composer) peroxide(where treatment.Organ, strength, ml float64) (step, bool) {
	stock := c.Choices.PeroxidePct.Or(3) / 100
	if stock > 0.03 {
		c.leave("peroxide", fmt.Sprintf("%.0f %% is dangerous to handle: buy 3 %%", stock*100))
		return step{}, false
	}
	return do(treatment.Peroxide, organ(where), with(func(p *treatment.Params) {
		p.Conc, p.ML, p.Stock = num(strength), num(ml), num(stock)
	})), true
}

// label is a product by its label: the carer types its dose.
func (c *composer) label(class string, organName treatment.Organ, where string) step {
	return do(treatment.LabelDrug, organ(organName), with(func(p *treatment.Params) {
		p.Class, p.Where, p.DoseTyped = class, where, true
	}))
}
