package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// drowned says whether too much water ails it, and its medium is wet these first days.
func (h *here) drowned() bool {
	early := h.day <= 1 && !h.gate && h.SetOn == never
	return early && h.c.has(cause.Overwatering) && among(h.c.moist, facts.Wet, facts.Soaked)
}

func (h *here) soaking() verdict {
	s, rests, stands := h.step, h.phase() == "resting", h.c.has(cause.NoDrainage)
	if h.drowned() {
		return verdict{do: drop, why: "it is over-wet already: water is held first"}
	}
	return h.soakingDry(s, rests, stands)
}

// soakingDry says when a medium that is not over-wet is soaked or flushed.
func (h *here) soakingDry(s step, rests, stands bool) verdict {
	switch {
	case h.Rot:
		return verdict{do: drop, why: "with live rot nothing is soaked"}
	case s.Params.WetDrops.Known && !rests && !stands:
		return verdict{}
	case stands && h.SetOn == never && !has(h.gone, treatment.DrainSaucer):
		return h.noWayOut()
	case h.c.firstRoots() && !h.gate && s.Op == treatment.Flush:
		return verdict{do: wait, gate: h.c.ownRoots()}
	case rests && h.c.habitID != treatment.AirPlant:
		return h.soakedInRest()
	case s.Op == treatment.Soak:
		return dropIf(among(h.Moist, facts.Wet, facts.Soaked), "the medium is wet")
	case s.Op == treatment.Flush:
		return h.flushed()
	}
	return verdict{}
}

// noWayOut lets a dish be emptied before, where a pot has no hole.
func (h *here) noWayOut() verdict {
	if h.Seat == facts.InPot || h.Seat == facts.InReservoir {
		return verdict{do: before, step: h.c.drains()}
	}
	return verdict{do: drop, why: "the water has no way out"}
}

// soakedInRest gives a resting plant little water or none.
func (h *here) soakedInRest() verdict {
	if h.step.Op == treatment.Flush && !h.gate {
		return verdict{do: wait, gate: newGrowth}
	}
	if h.Thirsty && !restingDry(h.c.subject) {
		return verdict{do: instead, step: do(treatment.ByRule, what("a little: it rests"), water(h.c.betterWater()))}
	}
	return verdict{do: drop, why: "it rests"}
}

// flushed rinses salts out of a medium, once before a kind's rest.
func (h *here) flushed() verdict {
	s := h.step
	switch {
	case h.c.habitID == treatment.AirPlant:
		return verdict{do: drop, why: "it has no medium"}
	case s.Every > 0 && h.c.kind.RestKind != "":
		s.Every, s.Until = 0, nil // once, and again by its look: it would run into its rest
		return verdict{do: instead, step: s}
	}
	return verdict{}
}

// chilledDays is how long nothing is watered after cold, days (common practice).
const chilledDays = 3

func (h *here) chilled() verdict {
	if !h.c.has(cause.ColdInjury) || h.day > 1 || h.gate {
		return verdict{}
	}
	switch h.step.Op {
	case treatment.Temper:
		return verdict{}
	case treatment.FeedIt:
		return verdict{do: wait, gate: able}
	case treatment.ByRule:
		return verdict{}
	}
	return verdict{do: delay, day: chilledDays, why: onlyChilly}
}

// healed is the day on which every open wound has closed.
func (h *here) healed() int {
	day := h.day + 1
	for _, x := range h.Wounds {
		if !x.Open || !x.Wetted {
			continue
		}
		dry := h.c.stemDry[1]
		if x.Organ == treatment.OnRoots {
			dry = h.c.rootDry[1]
		}
		day = max(day, x.Day+max(2, dry))
	}
	return day
}
