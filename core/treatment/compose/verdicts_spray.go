package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/state"
	"tendermend/core/treatment"
)

func (h *here) spraying() verdict {
	c, s := h.c, h.step
	if s.Op == treatment.Soap && s.Params.Where == "roots" {
		return dropIf(c.trait(plant.SoapTender, plant.PowderBloom), "its kind does not bear soap")
	}
	switch {
	case s.Op == treatment.Soap && c.trait(plant.SoapTender, plant.PowderBloom):
		return verdict{do: drop, why: "its leaves do not bear soap"}
	case s.Op == treatment.Oil && c.trait(plant.OilTender, plant.PowderBloom, plant.Fuzzy):
		return verdict{do: drop, why: "its leaves do not bear oil"}
	case !h.onLeaves():
		return verdict{}
	}
	return h.filmed()
}

// onLeaves says whether a product is meant for the leaves.
func (h *here) onLeaves() bool {
	return h.step.Op != treatment.LabelDrug ||
		(h.c.any(treatment.LeafDiseases()) || len(h.c.pests) > 0) &&
			!state.LowDown(h.step.Organ) && h.step.Organ != treatment.Crown
}

// filmed says when leaves bear a product on them.
func (h *here) filmed() verdict {
	c := h.c
	switch {
	case c.airC > sprayC:
		return verdict{do: drop, why: burns}
	case h.Thirsty:
		return verdict{do: drop, why: "a thirsty plant burns under it"}
	case h.Sun:
		return verdict{do: before, step: do(treatment.ShadeIt, share(0.4))}
	case h.SoakedOn != never && h.day-h.SoakedOn < drinkDays:
		return verdict{do: delay, day: h.SoakedOn + drinkDays, why: "it has only just drunk"}
	case !h.gate && h.day < drinkDays &&
		c.has(cause.SunScorch, cause.LampBurn, cause.SprayInjury, cause.HeatStress, cause.ColdInjury):
		return verdict{do: delay, day: drinkDays, why: "burnt or chilled leaves bear no product yet"}
	}
	return verdict{}
}

func (h *here) systemic() verdict {
	c := h.c
	dry := h.Moist == facts.Dry || h.Moist == facts.Bone || h.Moist == facts.Due
	switch {
	case c.meetsBees():
		return verdict{do: drop, why: beesOrFood}
	case h.LiftedOn != never && h.WateredOn < h.LiftedOn, h.Seat == facts.OnTray:
		return verdict{do: wait, gate: gate.Gate{gate.IsMoist()}}
	case dry && !h.gate && !has(h.gone, medium...):
		return verdict{do: before, step: do(treatment.ByRule)}
	}
	return verdict{}
}
