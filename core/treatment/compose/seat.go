package compose

import (
	"math"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// setting is the operator that gives it a seat again, with the pot laid out.
type setting struct {
	op    treatment.OperatorID
	ready []step
	width float64
}

func (c *composer) setting() setting {
	ballCM := c.ball(false)
	w := c.rescueWidth(c.rootless)
	if c.has(cause.PotBound) && !c.rescue() {
		w = c.boundWidth()
	}
	if c.rootless {
		ballCM = 0
	}
	switch op := c.seatedBy(); op {
	case treatment.SetCup:
		return bare(op, facts.InCup)
	case treatment.Hang:
		return bare(op, facts.Hung)
	case treatment.Mount:
		return bare(op, facts.OnMount)
	case treatment.SetReservoir:
		return setting{
			op,
			[]step{do(treatment.BakeGrit), c.ready(w, ballCM, false, with(func(p *treatment.Params) {
				p.Seat, p.Shape = facts.InReservoir, "usual"
				p.VolumeML = num(math.Round(MixML(w, ballCM, false, "usual")))
			}))},
			w,
		}
	default:
		return setting{op, []step{c.ready(w, ballCM, false)}, w}
	}
}

// bare is a seat without a medium.
func bare(op treatment.OperatorID, s facts.Seat) setting {
	return setting{op, []step{do(treatment.ReadyPot, with(func(p *treatment.Params) { p.Seat = s }))}, 0}
}

// seatedBy is the step that sets it, by its school and by what it sat in.
func (c *composer) seatedBy() treatment.OperatorID {
	switch {
	case c.orchid && c.school == treatment.Bridge:
		return treatment.SetCup
	case c.orchid && c.airRooted && (c.school == treatment.BareRoots || c.untied && !c.inPotSchool()):
		return treatment.Hang
	case c.orchid && c.school == treatment.MossWrap && c.habitID != treatment.JewelOrchid:
		return treatment.WrapMoss
	case c.orchid && c.school == treatment.ClayPot, c.seat == facts.InReservoir:
		return treatment.SetReservoir
	case c.seat == facts.OnMount && !c.inPotSchool():
		return treatment.Mount
	}
	return treatment.PotIn
}

// inPotSchool says whether the school takes it into a pot, whatever it sat on.
func (c *composer) inPotSchool() bool {
	return c.orchid &&
		(c.school == treatment.Bridge || c.school == treatment.Lean || c.school == treatment.ClayPot ||
			c.school == treatment.MossWrap)
}

// potIn says how deep it is set.
func (c *composer) potIn(op treatment.OperatorID, opts ...option) step {
	s := do(op, opts...)
	ground := c.orchid && !c.epiphyte || c.bulbless
	switch {
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
	if c.Choices.Cover == treatment.SideOpen {
		got = min2(got, plant.CoverOpen)
	}
	if c.Choices.Cover == treatment.SideNone {
		got = plant.CoverNone
	}
	switch {
	case c.dry && c.habitID != treatment.ForestCactus && c.habitID != treatment.AirPlant &&
		c.habitID != treatment.BulbPlant:
		got = plant.CoverNone
	case c.dry, c.any(treatment.LeafDiseases()), c.has(cause.Edema, cause.BroadMite):
		got = min2(got, plant.CoverOpen)
	}
	if c.any(treatment.LeafDiseases()) || c.has(cause.Edema, cause.BroadMite, cause.GreyMould) {
		got = plant.CoverNone
	}
	if got == plant.CoverNone {
		return nil
	}
	return []step{do(treatment.CoverIt, every(1, weaned), with(func(p *treatment.Params) { p.Cover = got }))}
}

func min2(a, b plant.Cover) plant.Cover {
	if drier(b, a) {
		return b
	}
	return a
}

// firstWater is the dated first water after a sitting.
func (c *composer) firstWater(w float64, light bool) []step {
	s := do(treatment.FirstWater, how("through"))
	if light {
		s = do(treatment.FirstWater, how("light"), with(func(p *treatment.Params) { p.ML = c.lightML(w) }))
	}
	if c.habitID == treatment.Gesneriad {
		s.Params.From = "below"
	}
	s.Params.Water = c.betterWater()
	out := []step{s}
	if !light && c.seat == facts.InPot && c.habitID != treatment.Carnivore {
		out = append(out, do(treatment.DrainSaucer))
	}
	return out
}

// betterWater names the water, where tap water is not right.
func (c *composer) betterWater() treatment.Water {
	if c.habitID == treatment.Carnivore || c.has(cause.WaterQuality, cause.SoftenedWater, cause.Fluoride) {
		return "low-mineral"
	}
	if c.has(cause.Chlorine) {
		return "stood for a day or filtered"
	}
	return ""
}

func (c *composer) labelled() []step {
	return []step{do(treatment.Label)}
}

func (c *composer) bag() []step {
	return []step{do(treatment.BagWaste)}
}

// crownDry dries crown and joints, where one of them must be dry.
func (c *composer) crownDry(only ...treatment.Organ) []step {
	for _, o := range only {
		if c.keepDry[o] {
			return []step{do(treatment.CrownDry)}
		}
	}
	return nil
}
