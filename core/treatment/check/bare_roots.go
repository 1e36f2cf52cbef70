package check

import (
	"slices"

	"tendermend/core/facts"
	t "tendermend/core/treatment"
	"tendermend/core/working"
)

// bareWetLaw: bare roots are not left dry for two days when they are thirsty or cleaned,
// and an air plant is dried on the day of its soak.
func bareWetLaw(r *replay, c *patient, no found) {
	if c.is(t.AirPlant) {
		driedAirLaw(r, no)
		return
	}
	if !c.thirstyBare() || r.has(t.Discard) {
		return
	}
	wets := slices.ContainsFunc(r.events, func(e event) bool {
		return !e.gated && e.day <= 1 && isOne(e.op, t.Soak, t.WetRoots, t.ByRule, t.FirstWater, t.Mist)
	})
	if !wets && !r.has(t.HoldWater) {
		no(nil, "its bare roots dry out")
		return
	}
	last := notYet
	for _, e := range r.of(true, t.Soak, t.WetRoots, t.FirstWater) {
		potted := isOne(e.pre.Seat, facts.InPot, facts.InReservoir, facts.InDish) // damp moss or mix lies round them
		if !e.gated && !potted && e.day <= 14 && last != notYet && e.day-last > 3 {
			no(e, "bare roots stay dry for %s", working.Count(e.day-last, "day"))
		}
		last = max(last, e.day)
	}
}

// driedAirLaw: an air plant is dried on the day of its soak.
func driedAirLaw(r *replay, no found) {
	for _, e := range r.of(false, t.Soak) {
		dried := slices.ContainsFunc(r.events, func(x event) bool {
			return x.op == t.CrownDry && x.day == e.day && x.sit == e.sit
		})
		if !dried {
			no(e, "an air plant is dried on the day of its soak")
		}
	}
}

// thirstyBare says whether it has bare roots, and is limp for want of water.
func (c *patient) thirstyBare() bool {
	dry := c.moist == facts.Dry || c.moist == facts.Bone
	return c.free() && c.seat != facts.InBasket && c.limp && dry && !c.anyOf(t.Rots())
}
