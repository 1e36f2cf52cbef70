package compose

import (
	"fmt"
	"slices"

	"tendermend/core/cause"
	"tendermend/core/pest"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// wetOK says whether water over the leaves would not spread what else is open.
func (c *composer) wetOK() bool {
	for _, id := range treatment.LeafDiseases() {
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
		if !c.brushedDry() {
			steps = append(steps, c.dried()...)
		}
	}
	return steps
}

// brushedDry says whether it is brushed with a dry brush where others are washed: nothing is wet after it.
func (x *subject) brushedDry() bool { return x.habitID == treatment.Cactus }

// holdsWater says whether its crown or cup holds what runs into it.
func (c *composer) holdsWater() bool { return c.is(treatment.Monopodial, treatment.Bromeliad) }

// dried is the drying after water above, always.
func (c *composer) dried() []step {
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
			steps = append(
				steps,
				do(treatment.Alcohol, with(func(q *treatment.Params) { q.Conc, q.Where = num(0.7), "singles" })),
			)
		}
		p.Conc = num(0.015)
		if own := c.Choices.SoapMLPerL; own.Known {
			p.Conc = num(own.Value / 1000)
			if own.Value > 20 {
				c.leave("soap", fmt.Sprintf("%g ml/l strips living membranes: 15 ml/l is taken", own.Value))
				p.Conc = num(0.015)
			}
		}
		s := do(op, organ(treatment.OnLeaf))
		s.Params = p
		steps = append(steps, s)
		steps = append(steps, c.rinsed()...)
	case treatment.Oil: // it stays on; what is left of it goes with the next wash
		s := do(op, organ(treatment.OnLeaf))
		s.Params = treatment.Params{ML: p.ML, DoseTyped: true}
		steps = append(steps, s)
		steps = append(steps, c.dried()...)
	case treatment.LabelDrug:
		steps = append(steps, c.label(class, "leaf", "leaves"))
		steps = append(steps, c.dried()...)
	}
	return steps
}

// rinsed takes a product off after two hours.
func (c *composer) rinsed() (steps []step) {
	steps = append(steps, do(treatment.RinseOff, with(func(p *treatment.Params) { p.Hours = num(2) })))
	if c.habitID == treatment.Bromeliad {
		steps = append(steps, do(treatment.CrownDrain))
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
		c.washFirst(list)
	}
	if c.airC > sprayC {
		c.tooHot(list, k)
		return
	}
	rounds := roundsOf(list, chosen)
	if len(rounds) > 1 {
		c.lookAfter(list, c.inTurn(list, rounds, start, k), k)
		return
	}
	c.lookAfter(list, c.onClock(list, rounds[0], start, k), k)
}

// onClock treats on every day of the pest's clock: with the product where its floor is
// over, with a wash alone between. It gives the day of the last treatment.
func (c *composer) onClock(list []cause.ID, r programme, start int, k clock) (last int) {
	interval := max(k.interval, c.floorOf(treatment.WashDown, list...))
	if !c.wetOK() || !washedOff(list) {
		interval = c.between(k, r.op, list...)
	}
	var used []int
	oiled := false
	for n, day := 0, start; n < k.least || day-interval < start+k.treated; n, day = n+1, day+interval {
		before := c.offOil(oiled)
		if c.mayUse(r.op, used, day, list) {
			c.spraySit(day, append(before, c.sprayOnce(list, r.op, r.class, len(used) == 0)...))
			used, oiled = append(used, day), r.op == treatment.Oil
			if oiled && interval > oilLongest {
				c.spraySit(day+oilOffDays, append(c.offOil(true), c.washing(false)...))
				oiled = false
			}
		} else {
			c.spraySit(day, append(before, c.washing(shielded(list))...))
			oiled = false
		}
		last = day
	}
	if oiled {
		c.spraySit(last+interval, append(c.offOil(true), c.washing(false)...))
	}
	return last
}

// oilOffDays is how long the last oil stays on before it is washed off (common practice).
const oilOffDays = 5

// oilLongest is the longest time that oil may wait for the next wash of the clock.
const oilLongest = 14

// offOil rinses what is left of the oil, before the next wash.
func (c *composer) offOil(oiled bool) []step {
	if !oiled {
		return nil
	}
	return []step{do(treatment.RinseOff, what("what is left of the oil"))}
}

// washedOff says whether water alone reaches one of some pests, so that a wash between two products does something.
func washedOff(list []cause.ID) bool {
	return slices.ContainsFunc(list, func(p cause.ID) bool {
		foe, known := treatment.FoeOf(p)
		return known && slices.Contains(foe.Reached, treatment.WashDown)
	})
}

// mayUse says whether a product may come on a day: after its floor, and not too often.
func (c *composer) mayUse(op treatment.OperatorID, used []int, day int, list []cause.ID) bool {
	if len(used) == 0 {
		return true
	}
	since := day - used[len(used)-1]
	if since < c.floorOf(op, list...) {
		return false
	}
	switch op {
	case treatment.Soap:
		run := 1
		for i := len(used) - 1; i > 0 && used[i]-used[i-1] < soapRest; i-- {
			run++
		}
		return run < mostSoaps || since >= soapRest
	case treatment.Oil:
		return len(used) < mostOils || day-used[len(used)-mostOils] >= oilWindow
	}
	return true
}

// inTurn sprays two products by turns: another one comes only on a residue a week old.
func (c *composer) inTurn(list []cause.ID, rounds []programme, start int, k clock) (last int) {
	const turn = 7
	oiled := false
	for n, day := 0, start; n < k.least*len(rounds) || day-turn < start+k.treated; n, day = n+1, day+turn {
		r := rounds[n%len(rounds)]
		c.spraySit(day, append(c.offOil(oiled), c.sprayOnce(list, r.op, r.class, n == 0)...))
		oiled, last = r.op == treatment.Oil, day
	}
	if oiled {
		c.spraySit(last+turn, append(c.offOil(true), c.washing(false)...))
	}
	return last
}

// washFirst washes pests off until a product may follow.
func (c *composer) washFirst(list []cause.ID) {
	steps := c.washing(shielded(list))
	for i := range steps {
		if steps[i].Op == treatment.WashDown && c.thirsty {
			steps[i].Params.How = "gentle"
		}
	}
	c.spraySit(0, steps)
}

// roundsOf are the products sprayed in turn, in the order of their pests; a
// label product is one for each class that its pests need.
func roundsOf(list []cause.ID, chosen map[cause.ID]treatment.OperatorID) (rounds []programme) {
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
	for _, op := range order {
		if op != treatment.LabelDrug {
			rounds = append(rounds, programme{groups[op][0], op, ""})
			continue
		}
		for _, class := range classesFor(groups[op]) {
			rounds = append(rounds, programme{groups[op][0], op, class})
		}
	}
	return rounds
}

// spraySit places one spray, with the cup of a bromeliad filled the next day.
func (c *composer) spraySit(day int, steps []step) {
	if len(steps) == 0 {
		return
	}
	c.draft.in(treatment.Morning, day, rankSpray, treatment.SpraySit, steps...)
	if has(steps, sprays...) && c.keepsCup() {
		c.draft.at(day+1, rankPieces, cupFilling())
	}
}

// keepsCup says whether it drinks from a cup that holds water while it is treated.
func (c *composer) keepsCup() bool {
	return c.habitID == treatment.Bromeliad && !c.any(treatment.Rots()) && !c.has(cause.CupFoul)
}

// cupFilling fills a cup again after it was emptied.
func cupFilling() step { return do(treatment.CupFill, share(0.25), water(treatment.LowMineral)) }

// cupsRefilled fills the cup of a bromeliad on the day after it was emptied for a wash alone: where a product was due
// that day and was left out, or none is used.
func (c *composer) cupsRefilled(list []*sit) []*sit {
	if !c.keepsCup() || c.discard != "" || c.piece || c.firstRoots() {
		return list
	}
	for _, s := range slices.Clone(list) {
		if s.dated && has(s.steps, treatment.CrownDrain) && has(s.steps, treatment.WashDown) && !cupFilled(list, s.day) {
			list = c.onDay(list, treatment.CareSit, s.day+1, []step{cupFilling()})
		}
	}
	return list
}

// cupFilled says whether a cup is filled on a day or the next.
func cupFilled(list []*sit, day int) bool {
	fills := func(x step) bool { return x.Op == treatment.CupFill || ruled(x) && x.Every == 0 }
	return slices.ContainsFunc(list, func(s *sit) bool {
		return s.dated && s.day >= day && s.day <= day+1 && slices.ContainsFunc(s.steps, fills)
	})
}

// anyLeft is what is asked after the last treatment of pests that sit tight.
const anyLeft = "is any of them left? Treat it where it sits"

// anyWashed is what is asked after the last wash of pests that got no product.
const anyWashed = "any left? Wash it again"

// lookAfter looks on after the last treatment until it may be released.
func (c *composer) lookAfter(list []cause.ID, last int, k clock) {
	lasting := false
	for _, p := range list {
		row, _ := pest.ByCause(string(p))
		lasting = lasting || row.Lasting
	}
	step1, from, words := 7, last+7, ""
	switch {
	case len(list) == 1 && c.washSuffices(list[0]):
		words = anyWashed
	case lasting:
		step1, from, words = k.interval, last+k.interval, anyLeft
		if len(list) > 1 { // the clock is of the fastest of them, and what lasts is not
			step1 = max(step1, weekOfLooks)
		}
		if slices.Contains(list, cause.SoftScale) && len(list) == 1 {
			from = last + 1
		}
	}
	end := max(last+k.clear, from+2*step1)
	n := (end - from + step1 - 1) / step1
	c.draft.at(from, rankLook, do(treatment.Look, every(step1, toDay(from+n*step1)), note(words)))
}
