package compose

import (
	"fmt"
	"math"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// blade cleans blade and hands, in a flame where alcohol does not end what is
// carried.
func (c *composer) blade() step {
	method := "alcohol"
	switch {
	case !c.stubborn() || !c.heeds("N03"):
	case c.heeds("N75") && len(c.pests) > 0:
		method = "bleach" // no flame near the alcohol that is dabbed
	default:
		method = "flame"
	}
	return do(treatment.CleanBlade, with(func(p *treatment.Params) { p.Method = method }))
}

// stubborn says whether something is accepted or suspected that alcohol does
// not end, or that travels in every cut.
func (c *composer) stubborn() bool {
	ids := []cause.ID{cause.Virus, cause.Fusarium, cause.BlackRot, cause.SoftRot, cause.Acidovorax, cause.BacterialSpot, cause.SouthernBlight}
	return c.any(ids) || slices.ContainsFunc(c.Suspected, func(id cause.ID) bool { return slices.Contains(ids, id) })
}

// cutting puts a clean blade before and after cuts.
func (c *composer) cutting(cuts ...step) []step {
	var out []step
	if c.heeds("N01") {
		out = append(out, c.blade())
	}
	out = append(out, cuts...)
	if c.heeds("N02") {
		out = append(out, c.blade())
	}
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
	if c.heeds("N19") {
		c.draft.sit(kind, c.sat, rankRoot, sitting...)
	} else {
		i := slices.IndexFunc(sitting, func(s step) bool { return s.Op.Does(treatment.Sets) })
		c.draft.sit(kind, c.sat, rankRoot, sitting[:max(0, i)]...)
		c.draft.sit(kind, c.sat+1, rankRoot, sitting[max(0, i):]...)
	}
	c.draft.at(c.sat, rankAfter, after...)
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
	c.draft.then(fmt.Sprintf("%d d later", days), steps...)
}

// dryDay is on which day after the sitting the first water comes: the middle of
// the dry range, rounded up; its end where live rot was cut; its beginning where
// the carer wants it at once and no stem was cut.
func (c *composer) dryDay(organ string, live bool) int {
	r := c.rootDry
	if organ != "" && organ != "roots" {
		r = c.stemDry
	}
	switch {
	case !c.heeds("N40"):
		return 0
	case live:
		return r[1]
	case c.Choices.FirstWater == "at once" && !c.orchid && !c.dry && (organ == "" || organ == "roots"):
		return r[0]
	}
	return int(math.Ceil(float64(r[0]+r[1]) / 2))
}

// wound is the organ that is cut besides roots; empty for none.
func (r rootWork) wound() string {
	if r.cut == "" && r.part {
		return "rhizome"
	}
	return r.cut
}

// wholeDay is the day of the first water after potting with whole roots.
func (c *composer) wholeDay() int {
	switch {
	case !c.heeds("N40"):
		return 0
	case treatment.MineralSet.Has(c.code):
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
	falls := r.falls && c.heeds("N24")
	wash := do(treatment.WashOff)
	switch {
	case falls:
		wash.Params.How = "falls"
	case r.dryWash || treatment.MineralSet.Has(c.code):
		wash.Params.How = "dry"
	}
	switch {
	case r.moss && c.heeds("N36"):
		if !c.untied && (c.badMedium() || c.any(treatment.Rots)) {
			out = append(out, wash)
		}
		out = append(out, do(treatment.ClearMoss))
	case c.seat == treatment.Hung || c.seat == treatment.OnMount:
	case c.heeds("N33") || !c.orchid:
		out = append(out, wash)
	}
	if c.Answers.Plug.Said && c.heeds("N33") {
		out = append(out, do(treatment.RemovePlug))
	}
	if r.sheaths && c.code == treatment.SYM {
		out = append(out, do(treatment.PullDead, organ("sheaths")))
	}
	if r.scales {
		out = append(out, do(treatment.PullDead, organ("bulb")))
	}
	if c.heeds("N15") {
		out = append(out, do(treatment.Tally))
	}
	doubtful := c.Choices.DryRoots
	if doubtful == "" {
		doubtful = "keep"
	}
	if doubtful == "keep" && !c.heeds("N15") {
		doubtful = "cut"
	}
	out = append(out, do(treatment.TrimDead, organ("roots"), with(func(p *treatment.Params) { p.Doubtful = doubtful })))
	if c.heeds("N02") {
		out = append(out, c.blade())
	}
	return out
}

// cleaning cuts rot out, divides, rinses and dries.
func (c *composer) cleaning(r rootWork, tray bool) (out []step) {
	if r.cut != "" {
		beyond := 1.0
		if c.has(cause.BlackRot) {
			beyond = 2.5
		}
		out = append(out, do(treatment.CutRot, organ(r.cut), with(func(p *treatment.Params) { p.BeyondCM = num(beyond) })))
		if c.heeds("N02") {
			out = append(out, c.blade())
		}
	}
	if r.part {
		out = append(out, do(treatment.PartIt, organ("rhizome"), with(func(p *treatment.Params) { p.N = num(2) })))
		if c.heeds("N02") {
			out = append(out, c.blade())
		}
	}
	out = append(out, c.rinse(r)...)
	if d := c.Choices.CutDressing; d == "cinnamon" || d == "powder" {
		switch {
		case r.cut != "" && (c.code != treatment.MON || !c.heeds("N14")):
			out = append(out, do(treatment.DustCut, organ(r.cut)))
		case !c.heeds("N14"):
			out = append(out, do(treatment.DustCut, organ("roots")))
		case r.cut == "":
			c.leave("dust-cut", "powder dries root cuts dead; they are left dry")
		}
	}
	if tray || !c.heeds("N39") {
		return out
	}
	if treatment.FineSet.Has(c.code) && r.cut == "" && !r.part {
		return out // fine roots stay damp
	}
	hours := 2.0
	switch {
	case !c.heeds("N16"):
		hours = 9
	case c.fine:
		hours = 1
	case r.cut != "":
		hours = 4
	case c.rootless:
		hours = 3
	}
	return append(out, do(treatment.DryCut, organ(or(r.cut, "roots")), with(func(p *treatment.Params) { p.Hours = num(hours) })))
}

func or(a, b string) string {
	if a != "" {
		return a
	}
	return b
}

// rinse is the side taken of the root rinse.
func (c *composer) rinse(r rootWork) []step {
	switch {
	case r.drug != "":
		return []step{c.label(r.drug, or(r.cut, "roots"), "roots")}
	case c.Choices.RootRinse == "peroxide" && c.is(treatment.JEW, treatment.FE):
		c.leave("peroxide", "its fine roots do not bear it; water is taken")
	case c.Choices.RootRinse == "peroxide":
		if p, ok := c.peroxide("roots", 0.015, 200); ok {
			return []step{p}
		}
	case c.Choices.RootRinse == "label" && c.has(cause.RootRot, cause.BlackRot, cause.BaseRot):
		return []step{c.label("oomycete", "roots", "roots")}
	case c.Choices.RootRinse == "label":
		c.leave("label-drug", "no water mould is accepted: it would touch nothing")
	case c.Choices.RootRinse == "soap":
		conc := 0.0004
		if !c.heeds("N64") {
			conc = 0.2
		}
		return []step{do(treatment.Soap, organ("roots"), with(func(p *treatment.Params) { p.Conc, p.Where, p.How = num(conc), "roots", "rinsed after a minute" }))}
	}
	return nil
}

// peroxide is used up to 3 % and never from a stronger stock.
func (c *composer) peroxide(where string, strength, ml float64) (step, bool) {
	stock := c.Choices.PeroxidePct.Or(3) / 100
	if stock > 0.03 && c.heeds("N75") {
		c.leave("peroxide", fmt.Sprintf("%.0f %% is dangerous to handle: buy 3 %%", stock*100))
		return step{}, false
	}
	return do(treatment.Peroxide, organ(where), with(func(p *treatment.Params) {
		p.Conc, p.ML, p.Stock = num(strength), num(ml), num(stock)
	})), true
}

// label is a product by its label: the carer types its dose.
func (c *composer) label(class, organName, where string) step {
	return do(treatment.LabelDrug, organ(organName), with(func(p *treatment.Params) {
		p.Class, p.Where, p.DoseTyped = class, where, true
		if !c.heeds("N68") {
			p.DoseTyped, p.ML = false, num(5)
		}
	}))
}

// setting is the operator that gives it a seat again, with the pot laid out.
type setting struct {
	op    treatment.OperatorID
	ready []step
	width float64
}

func (c *composer) setting(r rootWork) setting {
	ballCM := c.ball(false)
	w := c.rescueWidth(c.rootless)
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	if c.rootless {
		ballCM = 0
	}
	pot := func(op treatment.OperatorID, opts ...option) setting {
		return setting{op, []step{c.ready(w, ballCM, false, opts...)}, w}
	}
	seat := func(s treatment.Seat) option {
		return with(func(p *treatment.Params) {
			p.Seat, p.Mix, p.VolumeML, p.PotWidthCM, p.MixFrom, p.Shape = s, nil, treatment.Number{}, treatment.Number{}, "", ""
		})
	}
	bare := func(op treatment.OperatorID, s treatment.Seat) setting {
		return setting{op, []step{do(treatment.ReadyPot, seat(s))}, 0}
	}
	switch {
	case c.orchid && c.school == treatment.Bridge:
		return bare(treatment.SetCup, treatment.InCup)
	case c.orchid && c.school == treatment.BareRoots && c.airRooted, c.orchid && c.untied && c.airRooted && !c.inPotSchool():
		return bare(treatment.Hang, treatment.Hung)
	case c.orchid && (c.school == treatment.MossWrap) && c.code != treatment.JEW:
		return pot(treatment.WrapMoss)
	case c.orchid && c.school == treatment.ClayPot, c.seat == treatment.InReservoir:
		return setting{treatment.SetReservoir, []step{do(treatment.BakeGrit), c.ready(w, ballCM, false, with(func(p *treatment.Params) {
			p.Seat, p.Shape = treatment.InReservoir, "usual"
			p.VolumeML = num(math.Round(MixML(w, ballCM, false, "usual")))
		}))}, w}
	case c.seat == treatment.OnMount && !c.inPotSchool():
		return bare(treatment.Mount, treatment.OnMount)
	}
	return pot(treatment.PotIn)
}

// inPotSchool says whether the school takes it into a pot, whatever it sat on.
func (c *composer) inPotSchool() bool {
	return c.orchid && (c.school == treatment.Bridge || c.school == treatment.Lean || c.school == treatment.ClayPot || c.school == treatment.MossWrap)
}

// potIn says how deep it is set.
func (c *composer) potIn(op treatment.OperatorID, opts ...option) step {
	s := do(op, opts...)
	ground := c.orchid && !c.epiphyte || c.bulbless
	switch {
	case !c.heeds("N34"):
		s.Params.UnderCM = num(2)
	case c.orchid && c.epiphyte && !c.bulbless:
		s.Params.Depth = "on"
	case ground:
		s.Params.Depth, s.Params.UnderCM = "just in", num(0.5)
	}
	return s
}

// covers is the cover after root loss: what the kind bears, capped by the
// recipe and by the carer's choice.
func (c *composer) covers(most plant.Cover) []step {
	if most == "" {
		return nil
	}
	got := c.habit.Cover
	if c.kind.Cover != "" {
		got = c.kind.Cover
	}
	if !c.named {
		got = min2(got, plant.CoverOpen)
	}
	got = min2(got, most)
	switch c.Choices.Cover {
	case "open":
		got = min2(got, plant.CoverOpen)
	case "none":
		got = plant.CoverNone
	}
	if c.heeds("N53") {
		switch {
		case c.dry && c.code != treatment.FC && c.code != treatment.AP && c.code != treatment.BU:
			got = plant.CoverNone
		case c.dry, c.any(treatment.LeafDiseases), c.has(cause.Edema, cause.BroadMite):
			got = min2(got, plant.CoverOpen)
		}
		if c.any(treatment.LeafDiseases) || c.has(cause.Edema, cause.BroadMite, cause.GreyMould) {
			got = plant.CoverNone
		}
	} else {
		got = plant.CoverClosed
	}
	if got == plant.CoverNone {
		return nil
	}
	return []step{do(treatment.CoverIt, every(1, "wean"), with(func(p *treatment.Params) { p.Cover = string(got) }))}
}

func min2(a, b plant.Cover) plant.Cover {
	if drier(b, a) {
		return b
	}
	return a
}

// firstWater is the dated first water after a sitting.
func (c *composer) firstWater(w float64, light bool) []step {
	if !c.heeds("N41") {
		return nil
	}
	s := do(treatment.FirstWater, how("through"))
	if light {
		s = do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = c.lightML(w) }))
	}
	if c.code == treatment.GE {
		s.Params.From = "below"
	}
	s.Params.Water = c.betterWater()
	out := []step{s}
	if !light && c.seat == treatment.InPot && c.code != treatment.CV {
		out = append(out, do(treatment.DrainSaucer))
	}
	return out
}

// betterWater names the water, where tap water is not right.
func (c *composer) betterWater() string {
	if c.code == treatment.CV || c.has(cause.WaterQuality, cause.SoftenedWater, cause.Fluoride) {
		return "low-mineral"
	}
	if c.has(cause.Chlorine) {
		return "stood for a day or filtered"
	}
	return ""
}

func (c *composer) labelled() []step {
	if !c.heeds("N38") {
		return nil
	}
	return []step{do(treatment.Label)}
}

func (c *composer) bag() []step {
	if !c.heeds("N81") {
		return nil
	}
	return []step{do(treatment.BagWaste)}
}

// crownDry dries crown and joints, where one of them must be dry.
func (c *composer) crownDry(only ...treatment.Organ) []step {
	if !c.heeds("N46") {
		return nil
	}
	for _, o := range only {
		if c.keepDry[o] {
			return []step{do(treatment.CrownDry)}
		}
	}
	return nil
}

// washSitting is ROOT-WASH: all old medium off, what is dead trimmed, set again
// in the way of its school or habit.
func (c *composer) washSitting(r rootWork) {
	set := c.setting(r)
	live := r.live || c.rotLives && c.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
	sitting := c.unpotting(r, false)
	if !c.heeds("N35") {
		sitting = append(c.scalded(r), sitting...)
	}
	sitting = append(sitting, c.cleaning(r, false)...)
	place := c.potIn(set.op)
	switch set.op {
	case treatment.SetCup:
		place = do(set.op, with(func(p *treatment.Params) { p.GapMM = num(3) }))
		if !c.heeds("N45") {
			place.Params.GapMM = num(-4)
		}
	case treatment.SetReservoir:
		place = do(set.op, with(func(p *treatment.Params) { p.LevelCM = num(2.5) }))
	case treatment.Hang, treatment.Mount:
		place = do(set.op)
	case treatment.WrapMoss:
		place = do(set.op, with(func(p *treatment.Params) { p.TouchesBase = !c.heeds("N36") }))
	case treatment.PotIn:
		place.Params.Dry = c.firstRoots()
	}
	settled := []step{place}
	if set.op == treatment.PotIn && (r.stake || c.orchid) {
		n := 0.0
		if c.school == treatment.Lean {
			n = 2
		}
		s := do(treatment.Stake)
		if n > 0 {
			s.Params.N = num(n)
		}
		settled = append(settled, s)
	}
	settled = append(settled, c.labelled()...)
	if set.op != treatment.SetCup {
		settled = append(settled, c.bag()...)
	}
	settled = append(settled, c.scalded(r)...)
	if c.code == treatment.MON || c.code == treatment.BEG || c.keepDry[treatment.Crown] && !c.orchid {
		if !r.dryWash && !r.falls {
			settled = append(settled, c.crownDry(treatment.Crown, treatment.Leaves)...)
		}
	}
	if c.heeds("N25") {
		sitting = append(sitting, settled...)
	} else { // set first, trimmed afterwards
		i := slices.IndexFunc(sitting, func(s step) bool { return s.Op == treatment.TrimDead })
		sitting = slices.Concat(sitting[:i], settled[:1], sitting[i:], settled[1:])
	}
	after, wean := c.sheltered(r, set.op)
	water := c.afterWash(r, set, live)
	if !c.heeds("N18") && len(water) > 0 {
		i := slices.IndexFunc(sitting, func(s step) bool { return s.Op == treatment.TrimDead })
		sitting = slices.Insert(sitting, i, water[0])
	}
	before := []step{}
	if c.heeds("N01") {
		before = append(before, c.blade())
	}
	ready := set.ready
	if !c.heeds("N17") {
		ready = slices.DeleteFunc(slices.Clone(ready), func(s step) bool { return s.Op == treatment.ReadyPot })
	}
	saved := c.insure(r)
	c.place(treatment.RootWash, ready, slices.Concat(before, saved), sitting, after)
	c.waterAfter(r, set, live, water)
	c.nurse(r, set, live, wean)
	if len(saved) > 0 && c.code == treatment.FC {
		c.following(2, rankBlade, c.forPieces(), do(treatment.PotIn, organ("pieces"), with(func(p *treatment.Params) { p.For, p.How = "pieces", "barely damp" })), do(treatment.Label, organ("pieces")))
	}
}

// scalded scalds the old pot when the plant is out of it.
func (c *composer) scalded(r rootWork) []step {
	if !r.scald || c.untied {
		return nil
	}
	return []step{do(treatment.ScaldPot, what("the old pot and tray"))}
}

// forPieces lays out a pot for pieces.
func (c *composer) forPieces() step {
	mix, from := c.mix()
	return do(treatment.ReadyPot, with(func(p *treatment.Params) {
		p.For, p.PotWidthCM, p.Mix, p.MixFrom = "pieces", num(6), mix, from
		if mix != nil {
			p.VolumeML = num(math.Round(MixML(6, 0, false, "usual")))
		}
		if from == "carer" {
			p.MixBy = "carer"
		}
	}))
}

// sheltered is cover, shade and rest after the sitting, and whether the cover
// has to be opened by steps.
func (c *composer) sheltered(r rootWork, op treatment.OperatorID) (after []step, wean bool) {
	if r.cover != "" && (op == treatment.PotIn || op == treatment.WrapMoss) {
		most := r.cover
		if c.bulbless && most == plant.CoverOpen {
			most = plant.CoverClosed
		}
		if !c.orchid || c.code == treatment.JEW || c.humidity < 60 {
			after = append(after, c.covers(most)...)
		}
	}
	wean = len(after) > 0
	if wean || r.insure && c.roots < 1.0/3 || c.rootless || c.school == treatment.Bridge || c.school == treatment.Lean || c.code == treatment.FC {
		v := 0.4
		if op == treatment.SetCup {
			v = 0.3
		}
		after = append(after, do(treatment.ShadeIt, share(v)))
	}
	if op == treatment.SetCup {
		after = append(after, c.bag()...)
	}
	if c.firstRoots() {
		after = append(after, do(treatment.HoldWater, until(c.ownRoots())), do(treatment.HoldFeed, until("growth")))
	}
	return after, wean
}

// ownRoots says which roots a kind waits for that roots before it is watered.
func (c *composer) ownRoots() string {
	if c.kind.RootsFirstCM > 0 {
		return fmt.Sprintf("roots %g cm", c.kind.RootsFirstCM)
	}
	return "roots 3 cm"
}

// afterWash is the first water in its own way.
func (c *composer) afterWash(r rootWork, set setting, live bool) []step {
	switch set.op {
	case treatment.SetCup:
		return nil
	case treatment.Hang, treatment.Mount:
		if !c.heeds("N41") {
			return nil
		}
		return []step{do(treatment.WetRoots, every(1, "tips"))}
	case treatment.SetReservoir:
		if !c.heeds("N41") {
			return nil
		}
		return append([]step{do(treatment.FirstWater, how("reservoir"), with(func(p *treatment.Params) { p.LevelCM = num(2.5) }))}, c.crownDry(treatment.Crown)...)
	}
	light := c.roots < 0.5 && c.rescue() || c.dry
	out := c.firstWater(set.width, light)
	if c.code == treatment.MON {
		out = append(out, c.crownDry(treatment.Crown)...)
	}
	return out
}

// waterAfter dates the first water.
func (c *composer) waterAfter(r rootWork, set setting, live bool, water []step) {
	if c.firstRoots() {
		c.draft.gate(c.ownRoots(), do(treatment.FirstWater, how("quarter"), share(0.25)))
		return
	}
	days := c.dryDay(r.wound(), live)
	switch {
	case set.op == treatment.Hang || set.op == treatment.Mount:
		days = max(1, min(days, 1))
		if r.wound() != "" {
			days = max(1, c.dryDay(r.wound(), live))
		}
	case c.code == treatment.PA && r.falls && r.cut == "":
		days = 0 // a palm is watered again at once
		if c.heeds("N40") {
			days = c.rootDry[0]
		}
	}
	if c.has(cause.ColdInjury) {
		days = max(days, 3)
	}
	rank := rankPieces
	if days == 0 {
		rank = rankWater
	}
	c.following(days, rank, water...)
	if c.code == treatment.BR && !c.rotsAtHeart() && set.op == treatment.PotIn {
		c.following(max(1, days), rankWater+1, do(treatment.CupFill, share(0.25), with(func(p *treatment.Params) { p.Water = "low-mineral" })))
	}
}

func (x *subject) rotsAtHeart() bool {
	return x.has(cause.BaseRot, cause.BlackRot, cause.CupFoul, cause.SoftRot)
}

// nurse looks after it from the sitting on.
func (c *composer) nurse(r rootWork, set setting, live, wean bool) {
	if c.gated {
		return
	}
	look := func(days int, every1 int, end string, opts ...option) {
		c.draft.at(c.sat+days, rankLook, do(treatment.Look, append(opts, every(every1, end))...))
	}
	switch {
	case c.firstRoots():
		look(7, 7, c.ownRoots(), note("new roots, through the wall"))
		return
	case set.op == treatment.SetCup:
		c.draft.at(c.sat+3, rankPieces, do(treatment.ChangeWater, every(3, "tips")))
		look(3, 7, "tips")
		c.fromCup()
		return
	}
	if c.rescue() && (live || c.has(cause.RootRot, cause.DryRootLoss, cause.Detached)) && r.daily > 0 {
		look(1, 1, fmt.Sprintf("d%d", c.sat+r.daily))
	}
	look(7, 7, fmt.Sprintf("d%d", c.sat+28))
	days := c.dryDay(r.wound(), live)
	switch {
	case c.school == treatment.Lean && set.op == treatment.PotIn:
		if !c.wetNo && !c.has(cause.BlackRot, cause.Virus, cause.Fusarium) {
			c.draft.at(c.sat+1, rankPieces, do(treatment.Mist, every(1, "nubs")))
		}
		look(21, 14, "nubs", note("root nubs"))
		c.draft.at(c.sat+max(14, days+7), rankLook+1, do(treatment.ByRule, what("sips round the rim"), every(14, "nubs")))
	case set.op == treatment.Hang || set.op == treatment.Mount || set.op == treatment.SetReservoir || set.op == treatment.WrapMoss:
		look(14, 14, "tips", note("tips"))
		if set.op == treatment.WrapMoss {
			c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, what("when the moss is crisp on top")))
		}
	case c.code == treatment.AP:
	default:
		c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, water(c.betterWater())))
	}
	if wean {
		c.weaning("no rocking or a new point")
	}
	c.feedLater(set.op)
}

// weaning opens a cover by steps when its gate is met.
func (c *composer) weaning(gate string) {
	if c.heeds("N55") {
		c.draft.gate(gate, do(treatment.Wean, with(func(p *treatment.Params) { p.Days = num(14) })))
		return
	}
	c.draft.at(c.sat+14, rankAfter, do(treatment.CoverIt, with(func(p *treatment.Params) { p.Cover = "none" })))
}

// feedLater feeds again when roots can take it.
func (c *composer) feedLater(op treatment.OperatorID) {
	if c.code == treatment.CV || c.dry || c.firstRoots() {
		return
	}
	// No new tip is waited for where it was only given another way of growing.
	f := do(treatment.FeedIt, share(0.25))
	gate := "28 d and a new tip or leaf, r 0.25"
	if op == treatment.Hang {
		gate = "28 d, 3 tips of 2 cm, r 0.25"
		if c.kind.RestKind == "" {
			f.Every, f.Until = 7, "stage ends"
		}
	}
	if c.thirsty {
		gate += ", firm, moist"
	}
	c.draft.gate(gate, f)
}

// fromCup takes it out of the cup when its tips run.
func (c *composer) fromCup() {
	width := 8.0
	if c.has(cause.PotBound) && !c.rescue() {
		width = c.boundWidth()
	}
	school := c.school
	c.school = treatment.OwnMix
	level := math.Round(0.92*width/3*10) / 10
	if !c.heeds("N45") {
		level = 0.92 * width
	}
	c.draft.hold(treatment.RootWhole, "2 new tips of 1 cm", "", c.ready(width, 0, false), c.potIn(treatment.PotIn), do(treatment.Stake), do(treatment.Label),
		do(treatment.FirstWater, how("through")), do(treatment.SetDish, with(func(p *treatment.Params) { p.LevelCM = num(level) })))
	c.school = school
	c.feedLater(treatment.PotIn)
}

// insure first saves a piece, where few roots are left and a piece is to be had.
func (c *composer) insure(r rootWork) []step {
	if !r.insure || c.roots >= 1.0/3 || !treatment.TipSet.Has(c.code) || c.thirsty && c.heeds("N09") {
		return nil
	}
	if !c.named || !c.propagates("tip", "node", "leaf", "stem") {
		return nil
	}
	switch {
	case c.code == treatment.FC:
		return []step{do(treatment.Insurance, organ("segment"), with(func(p *treatment.Params) { p.N, p.How = num(6), "2-3 segments each" }))}
	case c.is(treatment.BEG, treatment.GE) && c.propagates("leaf"):
		return []step{do(treatment.Insurance, organ("leaf"), with(func(p *treatment.Params) { p.N = num(2) }))}
	}
	return []step{do(treatment.Insurance, organ("tip"), with(func(p *treatment.Params) { p.N = num(1) }))}
}

// callusDays is how long wounds heal on a tray, by their width.
func (c *composer) callusDays(head bool) int {
	wound := c.ball(false)
	if !c.Answers.RootBallCM.Known {
		wound = 5
	}
	switch {
	case c.code == treatment.RS && head:
		return 5
	case c.code == treatment.TS:
		return 3
	case c.code == treatment.RS:
		return 7
	case wound <= 2:
		return 7
	case wound <= 5:
		return 10
	}
	return 14
}

// callusSitting is CALLUS: bare on a tray until skins have grown, then potted
// dry, then watered when it holds.
func (c *composer) callusSitting(r rootWork) {
	head := c.is(treatment.RS, treatment.US, treatment.TS, treatment.CA) && (r.head || c.Answers.StemStain.Or(0) > 0)
	live := r.live || c.rotLives
	rr := r
	rr.cut = ""
	sitting := c.unpotting(rr, true)
	sitting = append(sitting, c.cleaning(rr, true)...)
	if head {
		part := "stem"
		if c.code == treatment.CA {
			part = "body"
		}
		sitting = append(sitting, do(treatment.Behead, organ(part)))
		if c.heeds("N02") {
			sitting = append(sitting, c.blade())
		}
	}
	days := c.callusDays(head)
	sitting = append(sitting, do(treatment.Callus, with(func(p *treatment.Params) { p.Days = num(float64(days)) })))
	sitting = append(sitting, c.bag()...)
	w, ballCM := c.rescueWidth(head || c.rootless), c.ball(false)
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	if head {
		w, ballCM = 7, 0
		if c.heeds("N29") {
			w = min(w, c.Answers.PotWidthCM.Or(w))
		}
	}
	pot := []step{c.ready(w, ballCM, false), c.potIn(treatment.PotIn, with(func(p *treatment.Params) { p.Dry = true }))}
	pot = append(pot, c.labelled()...)
	pot = append(pot, c.scalded(r)...)
	if head {
		pot = append(pot, do(treatment.ShadeIt, share(0.4)))
	} else if !c.growing() {
		pot = append(pot, do(treatment.HoldWater, until("growth")))
	}
	var before []step
	if c.heeds("N01") {
		before = append(before, c.blade())
	}
	organOf := "roots"
	if head {
		organOf = "stem"
	}
	wait := max(c.wholeDay(), c.stemDry[0])
	first := max(days+wait, c.dryDay(organOf, live))
	c.place(treatment.CallusSit, nil, before, sitting, []step{do(treatment.HoldFeed, until("growth"))})
	var water []step
	if c.heeds("N41") {
		water = []step{do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = c.lightML(w) }))}
	}
	if c.gated {
		c.draft.then(fmt.Sprintf("%d d on the tray", days), pot...)
		if len(water) > 0 {
			c.draft.then(fmt.Sprintf("%d d after potting, resists a nudge", wait), water...)
		}
		return
	}
	c.draft.sit(treatment.CallusSit, c.sat+days, rankRoot, pot...)
	gate := fmt.Sprintf("d%d, resists a nudge", c.sat+first)
	if !c.heeds("N40") {
		gate = fmt.Sprintf("d%d", c.sat+days)
	} else if !c.growing() {
		gate = fmt.Sprintf("spring warmth, growth begun, d%d at least", c.sat+first)
	}
	if c.firstRoots() {
		gate = c.ownRoots()
	}
	if c.Choices.Succulent == "at roots" {
		gate = fmt.Sprintf("d%d at least, roots 1 cm", c.sat+first)
	}
	c.draft.hold("", gate, "", water...)
	c.draft.at(c.sat+days+7, rankLook, do(treatment.Look, every(7, fmt.Sprintf("d%d", c.sat+days+28))))
	if r.daily > 7 {
		c.draft.at(c.sat+1, rankLook, do(treatment.Look, every(1, fmt.Sprintf("d%d", c.sat+r.daily))))
	}
}

// changeSetup is CHANGE: from any way of growing to another, when tips run.
func (c *composer) changeSetup() {
	r := rootWork{kind: washRoots, daily: 0}
	if c.root != nil {
		r = *c.root
	}
	aim := c.school
	set := c.setting(r)
	switch {
	case c.Choices.Aim == "mount":
		set = setting{treatment.Mount, []step{do(treatment.ReadyPot, with(func(p *treatment.Params) { p.Seat = treatment.OnMount }))}, 0}
	case aim == treatment.ClayPot || !c.orchid && c.Choices.Aim == "S5":
		c.school = treatment.ClayPot
		w := min(c.ball(false)+2.5, c.Answers.PotWidthCM.Or(99))
		w = math.Floor(w)
		set = setting{treatment.SetReservoir, []step{do(treatment.BakeGrit), c.clayPot(w)}, w}
	}
	c.plan.School = c.school
	if !c.orchid {
		c.plan.School = ""
	}
	sitting := c.unpotting(r, false)
	sitting = append(sitting, c.cleaning(r, false)...)
	place := c.potIn(set.op)
	if set.op == treatment.SetReservoir {
		place = do(set.op, with(func(p *treatment.Params) { p.LevelCM = num(2.5) }))
	}
	sitting = append(sitting, place)
	if set.op == treatment.PotIn {
		sitting = append(sitting, do(treatment.Stake))
	}
	sitting = append(sitting, c.labelled()...)
	sitting = append(sitting, c.bag()...)
	if c.code == treatment.MON {
		sitting = append(sitting, c.crownDry(treatment.Crown)...)
	}
	ready := set.ready
	if !c.gated && c.sat > 0 && set.op == treatment.SetReservoir { // baked and soaked the day before
		c.draft.at(c.sat-1, rankReady, ready...)
		ready = nil
	}
	var before []step
	if c.heeds("N01") {
		before = append(before, c.blade())
	}
	live := c.rotLives && r.live
	c.place(treatment.ChangeSit, ready, before, sitting, nil)
	c.waterAfter(r, set, live, c.afterWash(r, set, live))
	if !c.gated {
		c.draft.at(c.sat+7, rankLook, do(treatment.Look, every(7, "tips"), note("level and tips")))
		if set.op == treatment.PotIn || set.op == treatment.WrapMoss {
			c.draft.at(c.sat+max(7, c.dryDay("", false)+4), rankLook+1, do(treatment.ByRule))
		}
		c.feedLater(set.op)
	}
}

func (c *composer) clayPot(w float64) step {
	return c.ready(w, c.ball(false), false, with(func(p *treatment.Params) {
		p.Seat, p.Shape, p.Mix, p.MixFrom, p.MixBy = treatment.InReservoir, "usual", schoolMixes[treatment.ClayPot], "reservoir", ""
		p.VolumeML = num(math.Round(MixML(w, c.ball(false), false, "usual")))
	}))
}

// wholeSitting is ROOT-WHOLE: the ball stays whole.
func (c *composer) wholeSitting(r rootWork) {
	bound := r.bound && !c.rescue()
	if c.untied && r.bound {
		c.leave("pot-up", "it grows in no pot")
		if c.seat == treatment.InBasket && c.growing() {
			c.draft.at(14, rankPieces, do(treatment.TopDress))
		}
		c.draft.at(14, rankLook, do(treatment.Look))
		c.root, c.sat, c.gated = nil, -1, false
		return
	}
	if m, _ := c.mix(); m == nil || c.seat == treatment.Hung || c.seat == treatment.OnMount {
		c.leave(string(treatment.Unpot), "it grows in no medium that could be renewed")
		c.root, c.sat, c.gated = nil, -1, false
		return
	}
	w := c.wholeWidth(r)
	old := c.Answers.PotWidthCM
	if bound && c.potWidth() >= 35 {
		c.largePot()
		return
	}
	op := treatment.PotIn
	if w > old.Or(w-1) && !r.down && !r.mixOnly && !c.epiphyteCollapse() && c.growing() {
		op = treatment.PotUp
	}
	ready := []step{c.ready(w, c.ball(true), true)}
	if !c.heeds("N17") {
		ready = nil
	}
	var saved []step
	if r.tips && c.code == treatment.JEW {
		saved = c.cutting(do(treatment.TipCut, organ("tip"), with(func(p *treatment.Params) { p.N, p.How = num(4), "beside the mother" })),
			do(treatment.NodeBox, organ("node"), with(func(p *treatment.Params) { p.N = num(12) })))
	}
	lift := ""
	if c.potWidth() >= 25 {
		lift = "two persons"
	}
	sitting := []step{do(treatment.Unpot, with(func(p *treatment.Params) { p.To, p.How = "hand", lift }))}
	switch {
	case c.is(treatment.PA, treatment.CY) && c.heeds("N24"):
		sitting = append(sitting, do(treatment.WashOff, how("falls")))
	case c.heeds("N24") && (c.untied || c.code == treatment.MON && c.trait(plant.Brittle)):
	default:
		sitting = append(sitting, do(treatment.Loosen))
	}
	if c.Answers.Plug.Said {
		sitting = append(sitting, do(treatment.RemovePlug))
	}
	set := c.potIn(op)
	sitting = append(sitting, set)
	if bound || r.stake {
		sitting = append(sitting, do(treatment.Stake))
	}
	sitting = append(sitting, c.labelled()...)
	if len(saved) > 0 || c.has(cause.MediumCollapsed) || len(c.spreads()) > 0 {
		sitting = append(sitting, c.bag()...)
	}
	after := []step{}
	var wean bool
	if r.cover != "" {
		after = c.covers(r.cover)
		wean = len(after) > 0
	}
	days := c.wholeDay()
	if c.has(cause.ColdInjury) {
		days = max(days, 3)
	}
	first := c.firstWater(w, c.dry)
	if c.code == treatment.MON {
		first = append(first, c.crownDry(treatment.Crown)...)
	}
	if !c.heeds("N18") && len(first) > 0 {
		sitting = slices.Insert(sitting, 1, first[0])
	}
	c.place(treatment.RootWhole, ready, saved, sitting, after)
	if c.firstRoots() {
		c.draft.gate(c.ownRoots(), do(treatment.FirstWater, how("quarter"), share(0.25)))
	} else {
		rank := rankPieces
		if days == 0 {
			rank = rankWater
		}
		c.following(days, rank, first...)
	}
	if c.gated {
		return
	}
	c.draft.at(c.sat+14, rankLook, do(treatment.Look))
	if !c.firstRoots() && !c.asleep() {
		c.draft.at(c.sat+max(7, days+4), rankLook+1, do(treatment.ByRule, water(c.betterWater())))
	}
	if wean {
		c.weaning("no rocking or a new point")
	}
	if len(saved) > 0 {
		c.boxLater(c.sat)
	}
	if c.code != treatment.CV {
		v := 0.5
		if c.rescue() {
			v = 0.25
		}
		part := "leaf or tip"
		if c.is(treatment.GH, treatment.PA) {
			part = "spear"
		}
		c.draft.gate("28 d, new "+part+", r 0.25", do(treatment.FeedIt, share(v)))
	}
}

func (c *composer) epiphyteCollapse() bool { return c.epiphyte && c.has(cause.MediumCollapsed) }

// largePot renews what it can of a pot too large to go up: the ball is shaved
// where the habit bears it and it grows, else the top is renewed.
func (c *composer) largePot() {
	if !c.is(treatment.WO, treatment.GH, treatment.HC, treatment.CF) || !c.growing() {
		steps := []step{do(treatment.TopDress)}
		c.place("", nil, nil, steps, nil)
		return
	}
	w := c.potWidth()
	sitting := []step{do(treatment.Unpot, with(func(p *treatment.Params) { p.To, p.How = "hand", "two persons" })),
		do(treatment.RootPrune, organ("roots"))}
	sitting = append(sitting, c.labelled()...)
	sitting = append(sitting, c.bag()...)
	var before []step
	if c.heeds("N01") {
		before = append(before, c.blade())
	}
	c.place(treatment.RootWhole, []step{c.ready(w, c.ball(true), true)}, before, sitting, nil)
	c.following(c.dryDay("roots", false), rankWater, c.firstWater(w, false)...)
	if !c.gated {
		c.draft.at(c.sat+14, rankLook, do(treatment.Look))
		c.draft.at(c.sat+max(7, c.dryDay("roots", false)+4), rankLook+1, do(treatment.ByRule))
	}
}

// restFirst strips and rests an orchid, and repots it when roots show on new
// growth.
func (c *composer) restFirst() {
	c.draft.at(0, rankAfter, do(treatment.ShadeIt, share(0.5)), do(treatment.HoldFeed, until("growth")))
	if !c.firstRoots() && !c.thirsty && !c.asleep() {
		c.draft.at(0, rankWater, do(treatment.ByRule, how("sparingly")))
	}
	c.draft.at(7, rankAfter, do(treatment.Supplement, what("weak tonic"), every(14, "growth")))
	c.draft.at(7, rankLook, do(treatment.Look, every(14, "growth"), note("pests too")))
	if c.root != nil || c.untied {
		return // its own root sitting waits for those roots
	}
	school := c.school
	c.school = treatment.OwnMix
	r := rootWork{kind: washRoots}
	w := c.rescueWidth(c.rootless)
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	steps := []step{c.ready(w, c.ball(false), false), c.blade()}
	steps = append(steps, c.unpotting(r, false)...)
	steps = append(steps, c.cleaning(r, false)...)
	steps = append(steps, c.potIn(treatment.PotIn), do(treatment.Stake))
	steps = append(steps, c.labelled()...)
	steps = append(steps, c.bag()...)
	if c.code == treatment.MON {
		steps = append(steps, c.crownDry(treatment.Crown)...)
	}
	c.draft.hold(treatment.RootWash, "roots 1-3 cm on new growth", "", steps...)
	switch {
	case !c.heeds("N41"):
	case c.kind.RootsFirstCM > 0:
		c.draft.hold("", c.ownRoots(), "", do(treatment.FirstWater, how("quarter"), share(0.25)))
	default:
		c.draft.then(fmt.Sprintf("%d d later", max(1, c.dryDay("", false))), do(treatment.FirstWater, how("through")))
	}
	c.school = school
}
