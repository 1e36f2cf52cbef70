package compose

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"tendermend/core/cause"
	"tendermend/core/facts"
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
var timed = []cause.ID{
	cause.SpiderMite,
	cause.FlatMite,
	cause.BroadMite,
	cause.Thrips,
	cause.Aphid,
	cause.Whitefly,
	cause.Mealybug,
	cause.SoftScale,
	cause.ArmouredScale,
	cause.LeafMiner,
}

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
	switch op {
	case treatment.Soap:
		return !c.trait(plant.SoapTender, plant.PowderBloom) && c.habitID != treatment.Begonia
	case treatment.Oil:
		return !c.trait(plant.OilTender, plant.PowderBloom, plant.Fuzzy) && c.takesOil()
	case treatment.Alcohol, treatment.Scrape:
		return !c.trait(plant.PowderBloom)
	case treatment.Predators:
		return c.airC >= 18
	case treatment.HotDip:
		return !c.trait(plant.PowderBloom) && c.seat == facts.InPot && !c.asleep() &&
			c.Facts.Spikes.Or(0) == 0 &&
			!c.thirsty
	}
	return true
}

// sideOf is the operator that a side of the dispute stands for.
func sideOf(choice treatment.Side) treatment.OperatorID {
	if choice == treatment.SideNeem {
		return treatment.Oil
	}
	return treatment.OperatorID(choice)
}

// Sides are the products that reach a stage of a pest and that the plant bears,
// the usual first.
func (c *composer) sides(p cause.ID) (ops []treatment.OperatorID) {
	f, _ := treatment.FoeOf(p)
	for _, op := range f.Reached {
		if op == treatment.WashDown || op == treatment.Scrape || op == treatment.Earth || !c.bears(op) ||
			c.barred(op, p) {
			continue
		}
		if op == treatment.Systemic && c.Choices.PestFirst != treatment.Side(op) {
			continue // never unless the carer wants it
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
	case treatment.Systemic:
		return !c.takesSystemic()
	case treatment.Predators:
		return c.predatorsFail(p)
	case treatment.Alcohol:
		return p == cause.Thrips || p == cause.Aphid && (c.trait(plant.Fuzzy) || c.is(treatment.Fern))
	case treatment.HotDip:
		return c.any(treatment.LeafDiseases()) || c.root != nil || c.Choices.PestFirst != "hot-dip"
	case treatment.Soap:
		return p == cause.FlatMite || p == cause.BroadMite
	}
	return false
}

// predatorsFail says whether predators would starve, dry out, or meet what
// kills them.
func (c *composer) predatorsFail(p cause.ID) bool {
	mites := among(p, cause.SpiderMite, cause.FlatMite, cause.BroadMite)
	return mites && c.humidity < 55 || len(c.pests) > 1 || p == cause.Thrips && (c.airC > 27 || c.airC < 18) ||
		c.has(cause.SoftRot, cause.Acidovorax, cause.BlackRot, cause.FungalSpot, cause.BacterialSpot,
			cause.PowderyMildew, cause.Rust, cause.RootRot, cause.BaseRot) || c.Choices.RootRinse == treatment.SideLabel
}

// product chooses one product for all the leaf pests together, where one
// reaches them all; else one for each.
func (c *composer) product(list []cause.ID) map[cause.ID]treatment.OperatorID {
	chosen := map[cause.ID]treatment.OperatorID{}
	want := sideOf(c.Choices.PestFirst)
	for _, p := range list {
		chosen[p] = c.sideFor(p, want)
	}
	if len(list) < 2 {
		return chosen
	}
	// One product that reaches them all and that the plant bears; the carer's
	// side first, then the usual ones.
	for _, op := range append([]treatment.OperatorID{want}, treatment.Soap, treatment.Oil, treatment.LabelDrug) {
		if c.reachesAll(op, list) {
			for _, p := range list {
				chosen[p] = op
			}
			return chosen
		}
	}
	return chosen
}

// sideFor is the product against one pest: the carer's where it reaches it,
// with a reason where it does not.
func (c *composer) sideFor(p cause.ID, want treatment.OperatorID) treatment.OperatorID {
	sides := c.sides(p)
	pick := treatment.LabelDrug
	switch {
	case c.washSuffices(p):
		pick = treatment.WashDown
	case len(sides) > 0:
		pick = sides[0]
	}
	if want == "" || want == pick || slices.Contains(sides, want) {
		return cmp.Or(want, pick)
	}
	why := fmt.Sprintf("it reaches no stage of %s, or this plant does not bear it now", label(p))
	if want == treatment.Systemic && c.meetsBees() {
		why = beesOrFood
	}
	c.leave(string(want), why)
	if c.Choices.PestFirst != treatment.Side(want) {
		c.leave(string(c.Choices.PestFirst), "as above")
	}
	return pick
}

// washSuffices says whether a pest is washed off and no more: aphids on a fern, whose thin
// fronds bear neither soap nor alcohol (common practice).
func (c *composer) washSuffices(p cause.ID) bool {
	return p == cause.Aphid && c.is(treatment.Fern) && c.wetOK()
}

// reachesAll says whether one product reaches all the pests of a list; label
// products do, each of its own class and never two in one sitting.
func (c *composer) reachesAll(op treatment.OperatorID, list []cause.ID) bool {
	switch op {
	case "", treatment.Predators, treatment.HotDip, treatment.Alcohol:
		return false
	case treatment.LabelDrug:
		return true
	}
	for _, p := range list {
		f, _ := treatment.FoeOf(p)
		if !slices.Contains(f.Reached, op) || !c.bears(op) ||
			among(op, treatment.Soap, treatment.Systemic) && c.barred(op, p) {
			return false
		}
	}
	return true
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

// floors are the days that lie between two treatments with a product at least, whatever
// the clock of the pest wishes (common practice; the label stands above it).
var floors = map[treatment.OperatorID]int{
	treatment.WashDown: 2, treatment.Soap: 5, treatment.Oil: 7, treatment.Alcohol: 3, treatment.Earth: 7,
	treatment.LabelDrug: 7,
}

const (
	oilTenderDays = 10 // between two oils on epiphytes, rhizomes and palms (common practice)
	miteWashDays  = 3  // between two washes against mites (common practice)
	mostSoaps     = 6  // in a row, before two weeks of water alone (common practice)
	soapRest      = 14
	mostOils      = 3 // in any four weeks (common practice)
	oilWindow     = 28
)

// floorOf is the least number of days between two treatments with a product here.
func (c *composer) floorOf(op treatment.OperatorID, pests ...cause.ID) int {
	switch {
	case op == treatment.Oil && (c.epiphyte || c.is(treatment.Rhizomatous, treatment.Palm)):
		return oilTenderDays
	case op == treatment.WashDown && slices.ContainsFunc(pests, mites):
		return miteWashDays
	}
	return floors[op]
}

func mites(p cause.ID) bool { return among(p, cause.SpiderMite, cause.FlatMite, cause.BroadMite) }

// between is how many days lie between two treatments with a product.
func (c *composer) between(k clock, op treatment.OperatorID, pests ...cause.ID) int {
	return max(k.interval, c.floorOf(op, pests...))
}

// takesOil says whether nothing about it speaks against oil now: tanks, air plants, buds,
// root tips, heat and cold.
func (c *composer) takesOil() bool {
	f := c.Facts
	inBloom := (f.Spikes.Or(0) > 0 || f.Buds.Value || f.Flowers.Value) && !c.stripsFlowers()
	return !c.is(treatment.Bromeliad, treatment.AirPlant) && !inBloom && !(c.orchid && c.tips) &&
		c.airC >= 10 && c.airC <= 28
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
	start := 0
	if c.tender() {
		start = drinkDays
	}
	c.stripInfested(list)
	c.twistedOff(list, start)
	switch op {
	case treatment.Predators:
		c.release(k)
	case treatment.Alcohol:
		c.dabbing(list, start, k)
	case treatment.Systemic:
		c.drenching(list, start, k)
	case treatment.HotDip:
		c.dipping(k)
	default:
		c.spraying(list, chosen, start, k)
	}
	c.besides(list)
	c.clear = max(c.clear, k.clear)
	if k.cold {
		c.cold = true
		c.leave(
			"clock",
			"it is too cold to time this pest: treated every 10 days, clear only after a warm generation",
		)
	}
}

// tender says whether a product has to wait for it to drink, cool or heal.
func (c *composer) tender() bool {
	return c.thirsty || c.hurt() || c.airC > sprayC
}

// hurt says whether its leaves were burnt, heated, chilled or dried.
func (c *composer) hurt() bool {
	return c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury, cause.HeatStress, cause.ColdInjury, cause.Drought)
}

// minedInHeat says whether no more than the heat keeps products off it, and what mines its leaves goes with them.
func (c *composer) minedInHeat(list []cause.ID) bool {
	return slices.Contains(list, cause.LeafMiner) && !c.limp && !c.hurt()
}

// stripInfested takes the worst leaves off before the first treatment.
func (c *composer) stripInfested(list []cause.ID) {
	if c.leafless || c.thirsty || c.tender() && !c.minedInHeat(list) {
		return
	}
	s := do(treatment.RemoveLeaves, organ(treatment.OnLeaf), what("infested"))
	n := c.Facts.Infested
	switch {
	case c.Choices.RemoveShare.Known:
		s.Params.Share = c.Choices.RemoveShare
	case slices.Contains(list, cause.LeafMiner):
		s.Params.Share, s.Params.What = num(0.25), "mined"
	case slices.Contains(list, cause.Thrips):
		s.Params.N = num(max(1, n.Or(1)))
		if n.Known && n.Value < 1 {
			s.Params.N, s.Params.Share = treatment.Number{}, num(n.Value)
		}
	case n.Known && n.Value > 0 && slices.Contains(list, cause.Mealybug):
		s.Params.Share = num(min(n.Value, 0.2))
	default:
		return
	}
	var steps []step
	steps = append(steps, c.blade())
	steps = append(steps, s)
	if c.root != nil && c.sat == 0 {
		steps = append(steps, c.blade())
	}
	steps = append(steps, c.bag()...)
	c.draft.sit(treatment.LeafSit, 0, rankLeaf, steps...)
}
