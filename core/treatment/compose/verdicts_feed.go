package compose

import (
	"strings"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

const tankShare = 0.25

func (h *here) feedHow() verdict {
	s := h.step
	switch {
	case h.c.habitID == treatment.Carnivore:
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	case h.c.habitID == treatment.Bromeliad && s.Params.Share.Or(1) > tankShare:
		s.Params.Share = num(tankShare)
		return verdict{do: instead, step: s}
	case !h.gate && (h.c.any(treatment.Rots()) || h.c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury)):
		return verdict{do: wait, gate: able}
	}
	return verdict{}
}

const fedRoots = 0.25

func (h *here) feedWhen() verdict {
	c := h.c
	switch {
	case h.tonic():
		resting := c.resting() || c.has(cause.SaltInjury, cause.ColdInjury, cause.Drought) || c.roots < 0.15
		return dropIf(resting, "it rests, or could not take it up")
	case h.gate:
		return verdict{}
	case h.step.Op == treatment.Supplement && c.habitID == treatment.Carnivore:
		return verdict{do: drop, why: "roots of a carnivore are never fed"}
	case h.unfed():
		return verdict{do: wait, gate: able}
	case h.onWet():
		return h.fedWhenDry()
	case h.c.limp && !c.untied && h.day < drinkDays:
		return verdict{do: delay, day: drinkDays, why: onlyDrank}
	case h.step.Every > 0 && len(h.step.Until) > 0:
		return h.fedUntilRest()
	}
	return verdict{}
}

// afterWater is feed that waits until what was found wet wants water again.
const afterWater = "after water"

// driesBy is the day by which what was found wet has wanted water again (common practice).
const driesBy = 14

// onWet says whether feed would be poured onto what was found wet and dries first.
func (h *here) onWet() bool {
	dries := h.c.driesFirst() && h.c.kind.WaterRule != plant.Even
	return dries && h.LiftedOn == never && h.day <= driesBy && h.step.Params.Where == ""
}

// fedWhenDry feeds it when it wants water again; of two doses of a salt one is left.
func (h *here) fedWhenDry() verdict {
	if h.day > 0 && h.step.Op == treatment.Supplement {
		return verdict{do: drop, why: "it was found wet and is given one dose when it has dried: look at new leaves then"}
	}
	h.step.Params.How = afterWater
	if left := h.c.newFor(); left > 0 {
		return verdict{do: wait, gate: due.With(toDay(left)...)}
	}
	return verdict{do: wait, gate: due}
}

// tonic says whether it is no feed, in a school that gives one.
func (h *here) tonic() bool {
	return h.step.Op == treatment.Supplement && strings.Contains(h.step.Params.What, "tonic") &&
		(h.c.school == treatment.Rest || h.c.school == treatment.ClayPot)
}

// unfed says whether roots could not take feed up now, or the plant is to be spared it.
func (h *here) unfed() bool {
	c := h.c
	now := h.Share < fedRoots || h.OpenWound() || h.LiftedOn != never && h.day-h.LiftedOn < 28 || h.Thirsty ||
		h.phase() != "growing" || h.c.has(cause.SaltInjury) && h.day < 56 ||
		c.limp && h.SoakedOn == never && h.WateredOn == never
	return now || h.day < c.newFor() || h.spared()
}

// spared says whether what was accepted, or the work on its roots, forbids feed.
func (h *here) spared() bool {
	c := h.c
	return c.has(cause.Drought, cause.SettlingIn, cause.SpentRosette, cause.BloomDrain, cause.ColdInjury) ||
		c.piece || c.gated || c.sitsOnDay() || c.any(treatment.Rots())
}

// fedUntilRest ends a repeated feed where the kind rests.
func (h *here) fedUntilRest() verdict {
	c := h.c
	end, dated := dayOf(h.step.Until)
	if !dated {
		end = h.day + 84
	}
	for d := h.day; d <= end; d++ {
		if c.phase(d) != "resting" {
			continue
		}
		if d-h.step.Every <= h.day {
			return verdict{do: wait, gate: able}
		}
		s := h.step
		s.Until = toDay(d - 1)
		if s.Until.Same(h.step.Until) {
			return verdict{}
		}
		c.leave(string(s.Op), "it ends where the kind's rest begins")
		return verdict{do: instead, step: s}
	}
	return verdict{}
}
