package compose

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// programme is what is done against one pest on its own clock.
type programme struct {
	pest  cause.ID
	op    treatment.OperatorID // the product; wash-down where none is borne
	class string               // of a label product
}

// timed are pests that contact products on leaves meet.
var timed = []cause.ID{cause.SpiderMite, cause.FlatMite, cause.BroadMite, cause.Thrips, cause.Aphid, cause.Whitefly, cause.Mealybug, cause.SoftScale,
	cause.ArmouredScale, cause.LeafMiner}

// programmes treats every accepted pest until what hid has come out.
func (c *composer) programmes() {
	var leafPests []cause.ID
	for _, p := range c.pests {
		switch {
		case slices.Contains(timed, p):
			leafPests = append(leafPests, p)
		case p == cause.RootMealybug:
			c.rootMealybug()
		case p == cause.RootGrub:
			c.rootGrub()
		case p == cause.FungusGnat:
			c.gnats()
		default:
			c.picked(p)
		}
	}
	if len(leafPests) > 0 {
		c.onLeaves(leafPests)
	}
}

// bears says whether its leaves bear a product.
func (c *composer) bears(op treatment.OperatorID) bool {
	if !c.heeds("N63") && (op == treatment.Soap || op == treatment.Oil) {
		return true
	}
	switch op {
	case treatment.Soap:
		return !c.trait(plant.SoapTender, plant.PowderBloom) && c.code != treatment.BEG
	case treatment.Oil:
		return !c.trait(plant.OilTender, plant.PowderBloom, plant.Fuzzy)
	case treatment.Alcohol, treatment.Scrape:
		return !c.trait(plant.PowderBloom) || !c.heeds("N77")
	case treatment.Predators:
		return c.airC >= 18
	case treatment.HotDip:
		return !c.trait(plant.PowderBloom) && c.seat == treatment.InPot && !c.asleep() && c.Answers.Spikes.Or(0) == 0 && !c.thirsty
	}
	return true
}

// sideOf is the operator that a side of the dispute stands for.
func sideOf(choice string) treatment.OperatorID {
	switch choice {
	case "neem":
		return treatment.Oil
	case "":
		return ""
	}
	return treatment.OperatorID(choice)
}

// Sides are the products that reach a stage of a pest and that the plant bears,
// the usual first.
func (c *composer) sides(p cause.ID) (ops []treatment.OperatorID) {
	f, _ := treatment.FoeOf(p)
	for _, op := range f.Reached {
		if op == treatment.WashDown || op == treatment.Scrape || op == treatment.Systemic || op == treatment.Earth || !c.bears(op) || c.barred(op, p) {
			continue
		}
		if op == treatment.RemoveLeaves || op == treatment.Traps {
			continue
		}
		ops = append(ops, op)
	}
	return ops
}

// barred says whether something else in the case speaks against a product.
func (c *composer) barred(op treatment.OperatorID, p cause.ID) bool {
	switch op {
	case treatment.Predators:
		mites := p == cause.SpiderMite || p == cause.FlatMite || p == cause.BroadMite
		return mites && c.humidity < 55 || len(c.pests) > 1 || p == cause.Thrips && (c.airC > 27 || c.airC < 18) ||
			c.has(cause.SoftRot, cause.Acidovorax, cause.BlackRot, cause.FungalSpot, cause.BacterialSpot, cause.RootRot, cause.BaseRot) || c.Choices.RootRinse == "label"
	case treatment.Alcohol:
		return p == cause.Thrips || p == cause.Aphid && c.trait(plant.Fuzzy)
	case treatment.HotDip:
		return c.any(treatment.LeafDiseases) || c.root != nil || c.Choices.PestFirst != "hot-dip"
	case treatment.Soap:
		return p == cause.FlatMite || p == cause.BroadMite
	}
	return false
}

// product chooses one product for all the leaf pests together, where one
// reaches them all; else one for each.
func (c *composer) product(list []cause.ID) map[cause.ID]treatment.OperatorID {
	chosen := map[cause.ID]treatment.OperatorID{}
	want := sideOf(c.Choices.PestFirst)
	for _, p := range list {
		sides := c.sides(p)
		pick := treatment.LabelDrug
		if len(sides) > 0 {
			pick = sides[0]
		}
		if want != "" && want != pick {
			if slices.Contains(sides, want) {
				pick = want
			} else if c.heeds("N87") {
				c.leave(string(want), fmt.Sprintf("it reaches no stage of %s, or this plant does not bear it now", label(p)))
				if c.Choices.PestFirst != string(want) {
					c.leave(c.Choices.PestFirst, "as above")
				}
			}
		}
		chosen[p] = pick
	}
	if len(list) < 2 {
		return chosen
	}
	// One product that reaches them all and that the plant bears; the carer's
	// side first, then the usual ones.
	for _, op := range append([]treatment.OperatorID{want}, treatment.Soap, treatment.Oil, treatment.LabelDrug) {
		if op == "" || op == treatment.Predators || op == treatment.HotDip || op == treatment.Alcohol {
			continue
		}
		reaches := true
		classes := map[string]bool{}
		for _, p := range list {
			f, _ := treatment.FoeOf(p)
			reaches = reaches && slices.Contains(f.Reached, op) && c.bears(op) && !(op == treatment.Soap && c.barred(op, p))
			classes[string(f.Group)] = true
		}
		if op == treatment.LabelDrug {
			reaches = true // each of its own class, never in one sitting
		}
		if reaches {
			for _, p := range list {
				chosen[p] = op
			}
			return chosen
		}
	}
	return chosen
}

func label(p cause.ID) string {
	cc, _ := cause.ByID(p)
	return strings.ToLower(cc.Label)
}

// clock is the timing of one pest here.
type clock struct {
	interval, treated, clear int
	least                    int
	cold                     bool
}

// coldInterval and coldDays are used where it is too cold to time a pest.
const coldInterval, coldDays, coldClear = 10, 40, 60

func (c *composer) clockOf(p cause.ID) clock {
	row, ok := pest.ByCause(string(p))
	if !ok {
		return clock{coldInterval, 28, 28, 3, false}
	}
	first := c.On
	k := clock{least: row.Treatments}
	var a, b, d bool
	k.interval, a = row.IntervalDays(first, c.warmth)
	k.treated, b = row.TreatedDays(first, c.warmth)
	k.clear, d = row.ClearDays(first, c.warmth)
	if !a || !b || !d {
		return clock{coldInterval, coldDays, coldClear, 3, true}
	}
	if !c.heeds("N72") {
		k.least, k.treated = 2, k.interval
	}
	return k
}

// onLeaves treats the leaf pests: one product where it can be, on the shorter
// clock until the longer generation is covered.
func (c *composer) onLeaves(list []cause.ID) {
	chosen := c.product(list)
	k := c.clockOf(list[0])
	for _, p := range list[1:] {
		o := c.clockOf(p)
		k.interval, k.treated, k.clear = min(k.interval, o.interval), max(k.treated, o.treated), max(k.clear, o.clear)
		k.least, k.cold = max(k.least, o.least), k.cold || o.cold
	}
	slices.SortFunc(list, byGravity)
	op := chosen[list[0]]
	c.stripInfested(list)
	start := 0
	if c.tender() && c.heeds("N63") {
		start = drinkDays
	}
	switch op {
	case treatment.Predators:
		c.release(k)
	case treatment.Alcohol:
		c.dabbing(list, start, k)
	case treatment.HotDip:
		c.dipping(k)
	default:
		c.spraying(list, chosen, start, k)
	}
	c.besides(list)
	c.clear = max(c.clear, k.clear)
	if k.cold {
		c.cold = true
		c.leave("clock", "it is too cold to time this pest: treated every 10 days, clear only after a warm generation")
	}
}

// tender says whether a product has to wait for it to drink, cool or heal.
func (c *composer) tender() bool {
	return c.thirsty || c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury, cause.HeatStress, cause.ColdInjury) || c.airC > 30 || c.has(cause.Drought)
}

// stripInfested takes the worst leaves off before the first treatment.
func (c *composer) stripInfested(list []cause.ID) {
	if c.leafless || c.thirsty || c.tender() {
		return
	}
	s := do(treatment.RemoveLeaves, organ("leaf"), what("infested"))
	n := c.Answers.Infested
	switch {
	case c.Choices.RemoveShare.Known:
		s.Params.Share = c.Choices.RemoveShare
	case slices.Contains(list, cause.LeafMiner):
		s.Params.Share, s.Params.What = num(0.25), "mined"
	case slices.Contains(list, cause.Thrips):
		s.Params.N = num(max(1, n.Or(1)))
		if n.Known && n.Value < 1 {
			s.Params.N, s.Params.Share = treatment.Number{}, n
		}
	case n.Known && n.Value > 0 && slices.Contains(list, cause.Mealybug):
		s.Params.Share = num(min(n.Value, 0.2))
	default:
		return
	}
	if !c.heeds("N07") {
		s.Params.Share, s.Params.N = num(0.6), treatment.Number{}
	}
	var steps []step
	if c.heeds("N01") {
		steps = append(steps, c.blade())
	}
	steps = append(steps, s)
	if c.root != nil && c.sat == 0 && c.heeds("N02") {
		steps = append(steps, c.blade())
	}
	steps = append(steps, c.bag()...)
	c.draft.sit(treatment.LeafSit, 0, rankLeaf, steps...)
}

// wetOK says whether water over the leaves would not spread what else is open.
func (c *composer) wetOK() bool {
	if !c.heeds("N48") {
		return true
	}
	for _, id := range treatment.LeafDiseases {
		if id != cause.PowderyMildew && c.has(id) {
			return false
		}
	}
	return !c.has(cause.BlackRot)
}

// washing is the wash before a product, the crown dried after it.
func (c *composer) washing(scrape bool) (steps []step) {
	if c.holdsWater() {
		steps = append(steps, do(treatment.CrownDrain))
	}
	if scrape && c.bears(treatment.Scrape) {
		steps = append(steps, do(treatment.Scrape))
	}
	if c.wetOK() {
		w := do(treatment.WashDown)
		if c.trait(plant.PowderBloom, plant.Fuzzy) {
			w.Params.How = "gentle"
		}
		steps = append(steps, w)
		steps = append(steps, c.dried()...)
	}
	return steps
}

// holdsWater says whether its crown or cup holds what runs into it.
func (c *composer) holdsWater() bool { return c.is(treatment.MON, treatment.BR) }

// dried is the drying after water above, always.
func (c *composer) dried() []step {
	if !c.heeds("N46") {
		return nil
	}
	return []step{do(treatment.CrownDry)}
}

// shielded says whether shields are scraped off first.
func shielded(list []cause.ID) bool {
	return slices.Contains(list, cause.SoftScale) || slices.Contains(list, cause.ArmouredScale)
}

// sprayOnce is SPRAY: wash, product, its rinse, everything dry.
func (c *composer) sprayOnce(list []cause.ID, op treatment.OperatorID, class string, first bool) []step {
	steps := c.washing(shielded(list))
	p := treatment.Params{ML: c.sprayML()}
	switch op {
	case treatment.Soap:
		if first && slices.Contains(list, cause.Mealybug) && !c.trait(plant.PowderBloom, plant.Fuzzy) {
			steps = append(steps, do(treatment.Alcohol, with(func(q *treatment.Params) { q.Conc, q.Where = num(0.7), "singles" })))
		}
		p.Conc = num(0.015)
		if own := c.Choices.SoapMLPerL; own.Known {
			p.Conc = num(own.Value / 1000)
			if own.Value > 20 && c.heeds("N64") {
				c.leave("soap", fmt.Sprintf("%g ml/l strips living membranes: 15 ml/l is taken", own.Value))
				p.Conc = num(0.015)
			}
		}
		s := do(op, organ("leaf"))
		s.Params = p
		steps = append(steps, s)
		steps = append(steps, c.rinsed()...)
	case treatment.Oil:
		s := do(op, organ("leaf"))
		s.Params = treatment.Params{ML: p.ML, DoseTyped: true}
		if !c.heeds("N68") {
			s.Params.DoseTyped = false
		}
		steps = append(steps, s)
		steps = append(steps, c.rinsed()...)
	case treatment.LabelDrug:
		steps = append(steps, c.label(class, "leaf", "leaves"))
		steps = append(steps, c.dried()...)
	}
	return steps
}

// rinsed takes a product off after two hours.
func (c *composer) rinsed() (steps []step) {
	if c.heeds("N65") {
		steps = append(steps, do(treatment.RinseOff, with(func(p *treatment.Params) { p.Hours = num(2) })))
		if c.code == treatment.BR {
			steps = append(steps, do(treatment.CrownDrain))
		}
	}
	return append(steps, c.dried()...)
}

// classesFor lists the classes of label product that the pests want.
func classesFor(list []cause.ID) (classes []string) {
	for _, p := range list {
		f, _ := treatment.FoeOf(p)
		class := string(f.Group)
		if class == string(treatment.Others) {
			class = string(treatment.Insects)
		}
		if !slices.Contains(classes, class) {
			classes = append(classes, class)
		}
	}
	return classes
}

// spraying repeats the product until what hid has come out. Where two pests
// need products of their own, the graver goes first and the other a week later.
func (c *composer) spraying(list []cause.ID, chosen map[cause.ID]treatment.OperatorID, start int, k clock) {
	if start > 0 && (c.wetOK() || shielded(list)) {
		steps := c.washing(shielded(list))
		for i := range steps {
			if steps[i].Op == treatment.WashDown && c.thirsty {
				steps[i].Params.How = "gentle"
			}
		}
		c.spraySit(0, steps)
	}
	if c.airC > 30 && c.heeds("N63") {
		c.tooHot(list, k)
		return
	}
	groups := map[treatment.OperatorID][]cause.ID{}
	var order []treatment.OperatorID
	for _, p := range list {
		op := chosen[p]
		if op == treatment.Predators || op == treatment.Alcohol || op == treatment.HotDip {
			op = treatment.LabelDrug
		}
		if groups[op] == nil {
			order = append(order, op)
		}
		groups[op] = append(groups[op], p)
	}
	var rounds []programme
	for _, op := range order {
		if op != treatment.LabelDrug {
			rounds = append(rounds, programme{groups[op][0], op, ""})
			continue
		}
		for _, class := range classesFor(groups[op]) {
			rounds = append(rounds, programme{groups[op][0], op, class})
		}
	}
	interval := k.interval
	if usesProduct(rounds, treatment.LabelDrug) {
		interval = max(interval, 7)
		if slices.Contains(list, cause.BroadMite) && len(rounds) == 1 {
			interval = max(k.interval, 5)
		}
	}
	treated := k.treated
	if start > 0 && c.any(treatment.Rots) && c.heeds("N72") {
		treated += interval // the rot is cut meanwhile, and moves one of them
	}
	last := start
	for i, r := range rounds {
		offset := 0
		step1 := interval
		if len(rounds) > 1 {
			offset, step1 = 7*i, 7*len(rounds) // another product only on a residue a week old
		}
		n := 0
		for day := start + offset; ; day += step1 {
			if n >= k.least && day-step1 >= start+offset+treated {
				break
			}
			c.spraySit(day, c.sprayOnce(list, r.op, r.class, n == 0 && i == 0))
			last = max(last, day)
			n++
		}
	}
	c.lookAfter(list, last, k)
}

func usesProduct(rounds []programme, op treatment.OperatorID) bool {
	return slices.ContainsFunc(rounds, func(r programme) bool { return r.op == op })
}

// tooHot only washes until it is cooler, and says so.
func (c *composer) tooHot(list []cause.ID, k clock) {
	c.leave("products", "over 30 °C every product burns: washed on the clock, products when it is cooler")
	if c.wetOK() || shielded(list) {
		last := 0
		for n, day := 0, 0; n < k.least || day-k.interval < k.treated; n, day = n+1, day+k.interval {
			if day > 0 {
				c.spraySit(day, c.washing(shielded(list)))
			}
			last = day
		}
		c.lookAfter(list, last, k)
		return
	}
	c.draft.at(7, rankLook, do(treatment.Look, every(7, fmt.Sprintf("d%d", 7+7*(k.clear/7+1)))))
}

// spraySit places one spray, with the cup of a bromeliad filled the next day.
func (c *composer) spraySit(day int, steps []step) {
	if len(steps) == 0 {
		return
	}
	slot := treatment.Morning
	if has(steps, treatment.Soap) && (!c.heeds("N66") || !c.heeds("N47") && c.wetNo) {
		slot = treatment.Evening
		if !c.heeds("N47") {
			steps = slices.DeleteFunc(steps, func(s step) bool { return s.Op == treatment.CrownDry })
		}
	}
	c.draft.in(slot, day, rankSpray, treatment.SpraySit, steps...)
	if c.code == treatment.BR && has(steps, treatment.Soap, treatment.Oil, treatment.LabelDrug) && !c.any(treatment.Rots) && !c.has(cause.CupFoul) {
		c.draft.at(day+1, rankPieces, do(treatment.CupFill, share(0.25), water("low-mineral")))
	}
}

// lookAfter looks on after the last treatment until it may be released.
func (c *composer) lookAfter(list []cause.ID, last int, k clock) {
	lasting := false
	for _, p := range list {
		row, _ := pest.ByCause(string(p))
		lasting = lasting || row.Lasting
	}
	step1, from, words := 7, last+7, ""
	if lasting {
		step1, from, words = k.interval, last+k.interval, "spot treatment where one is found"
		if slices.Contains(list, cause.SoftScale) && len(list) == 1 {
			from = last + 1
		}
	}
	end := max(last+k.clear, from+2*step1)
	n := (end - from + step1 - 1) / step1
	c.draft.at(from, rankLook, do(treatment.Look, every(step1, fmt.Sprintf("d%d", from+n*step1)), note(words)))
}

// release sets predators on the pest: one wash, a week, then no product.
func (c *composer) release(k clock) {
	c.spraySit(0, c.washing(false))
	const first, again = 7, 21
	c.draft.at(first, rankSpray, do(treatment.Predators))
	c.draft.at(first+again, rankSpray, do(treatment.Predators, with(func(p *treatment.Params) { p.Cond = "prey lives" })))
	c.draft.at(first+7, rankLook, do(treatment.Look, every(7, fmt.Sprintf("d%d", max(first+35, first+again+k.clear)))))
	if !c.heeds("N71") {
		c.draft.at(first+4, rankSpray, c.sprayOnce(c.pests, treatment.LabelDrug, "insect", false)...)
	}
}

// dabbing kills single insects every third day.
func (c *composer) dabbing(list []cause.ID, start int, k clock) {
	c.spraySit(0, c.washing(shielded(list)))
	c.draft.sit(treatment.SpraySit, start, rankSpray+1, do(treatment.Alcohol, with(func(p *treatment.Params) { p.Conc, p.Where = num(0.7), "a leaf tried first" })))
	const each = 3
	n := (max(k.treated, 28) + each - 1) / each
	if !c.heeds("N72") {
		n = 2
	}
	last := start + n*each
	end := fmt.Sprintf("d%d", last)
	if !c.heeds("N85") {
		end = ""
	}
	c.draft.sit(treatment.SpraySit, start+each, rankSpray+1, do(treatment.Alcohol, every(each, end), with(func(p *treatment.Params) { p.Conc, p.Where = num(0.7), "every joint and rim" })))
	from := last + 3
	step1 := 10
	n = (max(last+k.clear, from+2*step1) - from + step1 - 1) / step1
	c.draft.at(from, rankLook, do(treatment.Look, every(step1, fmt.Sprintf("d%d", from+n*step1)), note("spot treatment where one is found")))
}

// dipping is the warm bath against mites that hide in tips.
func (c *composer) dipping(k clock) {
	warm := 43.5
	if own := c.Choices.DipC; own.Known {
		warm = own.Value
		if c.heeds("N76") && (warm < 43 || warm > 44) {
			c.leave("hot-dip", "only 43 to 44 °C kills the mites and spares the plant")
			warm = 43.5
		}
	}
	for _, day := range []int{0, k.interval, 2 * k.interval} {
		steps := []step{do(treatment.HotDip, with(func(p *treatment.Params) { p.WaterC, p.Minutes = num(warm), num(15) }))}
		c.spraySit(day, append(steps, c.dried()...))
	}
	c.lookAfter([]cause.ID{cause.BroadMite}, 2*k.interval, k)
}

// besides adds what belongs to single pests: the stage in the soil, cards, a
// look at the roots, moister air.
func (c *composer) besides(list []cause.ID) {
	if slices.Contains(list, cause.Thrips) {
		c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "blue" })))
		if c.heeds("N73") {
			c.soilStage()
		}
	}
	if slices.Contains(list, cause.Whitefly) {
		c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "yellow" })))
	}
	if slices.Contains(list, cause.SpiderMite) {
		c.draft.at(0, rankAfter, do(treatment.Humidify))
	}
	if slices.Contains(list, cause.Mealybug) && c.root == nil && c.seat == treatment.InPot && !c.piece && !c.thirsty && c.pieces == nil && !(treatment.OneSet.Has(c.code) && c.Answers.Spikes.Or(0) > 0) {
		c.draft.at(1, rankLook, do(treatment.SlideLook))
	}
	if c.heeds("N81") {
		c.draft.at(0, rankPestBag, do(treatment.BagWaste))
	}
}

// soilStage meets the pupae of thrips in the medium.
func (c *composer) soilStage() {
	if c.untied || c.code == treatment.AP {
		c.leave("soil stage", "it grows in no medium where pupae rest")
		return
	}
	for _, day := range []int{3, 17} {
		if c.airC >= 12 && c.airC <= 27 {
			c.draft.in(treatment.Evening, day, rankSpray, "", do(treatment.Nematodes))
			continue
		}
		c.draft.at(day, rankSpray, c.label("insect", "soil", "soil"))
	}
}

// rootMealybug watches bare roots for a generation, with a systemic product
// where it is lawful and its roots can take it up.
func (c *composer) rootMealybug() {
	k := c.clockOf(cause.RootMealybug)
	from := max(c.sat, 0)
	lawful := !c.Household.Pollinators && !c.Household.Edible && !c.trait(plant.Edible)
	inMedium := !c.untied || c.inPotSchool()
	if c.root != nil && inMedium && c.roots >= 0.25 && (lawful || !c.heeds("N70")) && !c.thirsty && !treatment.MineralSet.Has(c.code) && !c.gated && !c.firstRoots() && c.code != treatment.AP {
		c.draft.at(from+18, rankRoot, do(treatment.Systemic, with(func(p *treatment.Params) {
			p.Class, p.DoseTyped = "insect", true
			if !c.heeds("N68") {
				p.DoseTyped, p.Grams = false, num(2)
			}
		})))
	} else if !lawful {
		c.leave("systemic", "bees or food could meet it")
	}
	if c.root == nil && !c.change {
		c.noRoots(from)
	}
	for _, day := range []int{21, 42, max(k.clear, 49)} {
		op := treatment.SlideLook
		if c.seat != treatment.InPot && c.seat != treatment.InReservoir && c.seat != treatment.InDish || c.untied || c.orchid && (c.school == treatment.Bridge || c.school == treatment.BareRoots) {
			op = treatment.Look
		}
		c.draft.at(from+day, rankLook, do(op))
	}
	c.clear = max(c.clear, k.clear, 49)
}

// noRoots says what is done at roots that no sitting reaches.
func (c *composer) noRoots(from int) {
	lawful := !c.Household.Pollinators && !c.Household.Edible && !c.trait(plant.Edible)
	if !lawful || c.roots < 0.25 || c.thirsty || c.firstRoots() || c.asleep() {
		c.leave("root-mealybug", "nothing reaches its roots now: it is watched, isolated, and washed when it can be unpotted")
		return
	}
	c.draft.at(from+5, rankRoot, do(treatment.Systemic, with(func(p *treatment.Params) { p.Class, p.DoseTyped = "insect", true })))
}

// rootGrub meets grubs with nematodes, and adults by night.
func (c *composer) rootGrub() {
	from := max(c.sat, 0)
	if c.airC >= 12 {
		for _, day := range []int{2, 16} {
			if c.code != treatment.AP && !c.untied {
				c.draft.in(treatment.Evening, from+day, rankSpray, "", do(treatment.Nematodes))
			}
		}
	}
	c.draft.at(1, rankSpray, do(treatment.HandPick, every(2, c.ending(28))))
	c.draft.at(14, rankLook, do(treatment.Look, every(14, "d84")))
	c.clear = max(c.clear, 84)
}

func (c *composer) ending(day int) string {
	if !c.heeds("N85") {
		return ""
	}
	return fmt.Sprintf("d%d", day)
}

// gnats meets larvae in the medium and flies on cards.
func (c *composer) gnats() {
	k := c.clockOf(cause.FungusGnat)
	rule := c.kind.WaterRule
	dryable := !c.untied && c.seat == treatment.InPot && c.code != treatment.CV && !c.piece && rule != plant.Even && rule != plant.WetTray && rule != plant.CupWater && rule != plant.Reservoir
	if c.heeds("N73") {
		switch {
		case dryable && c.Choices.Gnats == "grit":
			c.draft.at(0, rankAfter, do(treatment.TopDress, what("1 cm of grit")))
		case dryable:
			c.draft.at(0, rankAfter, do(treatment.DryTop))
		}
		c.draft.at(1, rankRoot, do(treatment.Larvicide, every(7, c.ending(22)), with(func(p *treatment.Params) { p.DoseTyped = true })))
	}
	c.draft.at(0, rankLook, do(treatment.Traps, with(func(p *treatment.Params) { p.Colour = "yellow" })))
	c.draft.at(7, rankLook, do(treatment.Look, every(7, fmt.Sprintf("d%d", 22+max(14, k.clear)))))
	c.clear = max(c.clear, k.clear)
}

// picked are slugs, snails and chewers: by torchlight.
func (c *composer) picked(p cause.ID) {
	days := 14
	if p == cause.SlugSnail {
		days = 28
	}
	c.draft.at(0, rankSpray, do(treatment.HandPick, every(2, c.ending(days))))
	c.draft.at(14, rankLook, do(treatment.Look, every(7, fmt.Sprintf("d%d", days+28))))
	c.clear = max(c.clear, 28)
}
