package compose

import (
	"math"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// wetAndCool says whether a plant that stores water was found in a wet pot, at a warmth nearer to the least that its
// kind bears than to what it likes: its base rots so, though it would bear either (common practice).
func (c *composer) wetAndCool() bool {
	warm := c.Facts.Place.WarmthC
	return c.named && c.dryKind() && c.driesFirst() && warm.Known && warm.Value < c.driesAt() &&
		!c.resting() && !c.asleep() && !c.piece
}

// driesAt is the warmth at which such a plant dries, °C: half way between the least that its kind bears and what it
// likes.
func (c *composer) driesAt() float64 {
	return math.Round((c.kind.Temperature[0] + c.kind.Temperature[1]) / 2)
}

// driedWarm has what stands wet and cool felt at its base today and dried in a warmer place, where the plan says
// nothing of its warmth, or looks below by itself.
func (c *composer) driedWarm(list []*sit) []*sit {
	if !c.wetAndCool() || c.discard != "" || c.has(cause.ColdInjury, cause.HeatStress) || c.top ||
		anyHas(list, treatment.Discard, treatment.Behead) {
		return list
	}
	if !anyHas(list, treatment.Temper) {
		list = c.onDay(list, treatment.CareSit, 0, []step{do(treatment.Temper, how(warmerNow), with(
			func(p *treatment.Params) { p.ToC = num(c.driesAt()) }))})
	}
	if c.smelled || c.noRootFound() || c.rotUnaccepted() || anyHas(list, treatment.Unpot, treatment.SlideLook) {
		return list
	}
	return c.askedFirst(list, do(treatment.Look, note(softFoot)))
}

// softFoot is asked of what stands wet and cool.
const softFoot = "is its base firm all round? It stores water, and stands wet and cool: if it gives anywhere, leave " +
	"the rest of this and plan for base rot today"
