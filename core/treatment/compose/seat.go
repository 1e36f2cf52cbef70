package compose

import (
	"math"
	"slices"

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
	if c.bound() {
		w = c.boundWidth()
	}
	fresh := c.Wish == treatment.Refresh && !c.rescue() && !c.has(cause.PotBound)
	if fresh && !deadRoots(c.subject) && c.Facts.PotWidthCM.Known {
		w = c.Facts.PotWidthCM.Value // fresh mix, the same pot
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
			[]step{do(treatment.BakeGrit), c.ranged(c.ready(w, ballCM, false, with(func(p *treatment.Params) {
				p.Seat, p.Shape = facts.InReservoir, "usual"
				p.VolumeML = num(math.Round(MixML(w, c.ballIn(w, ballCM), false, "usual")))
			})))},
			w,
		}
	default:
		ready := c.ranged(c.ready(w, ballCM, false))
		return setting{op, []step{ready}, ready.Params.PotWidthCM.Or(w)}
	}
}

// bare is a seat without a medium.
func bare(op treatment.OperatorID, s facts.Seat) setting {
	return setting{op, []step{do(treatment.ReadyPot, with(func(p *treatment.Params) { p.Seat = s }))}, 0}
}

// hangsBare says whether its air roots hang free.
func (c *composer) hangsBare() bool {
	return c.orchid && c.airRooted && (c.school == treatment.BareRoots || c.untied && !c.inPotSchool())
}

// endsBare says whether the work on its roots leaves them without a medium that stays moist.
func (c *composer) endsBare() bool {
	return c.root != nil && c.root.kind == washRoots &&
		among(c.seatedBy(), treatment.Hang, treatment.Mount, treatment.SetCup, treatment.SetReservoir)
}

// livesInAir says whether it is an air plant without a medium: it takes all of its water and food by its leaves.
func (c *composer) livesInAir() bool { return c.habitID == treatment.AirPlant && c.untied }

// hangs says whether its roots hang bare or sit on a slab, or will once they were worked on.
func (c *composer) hangs() bool {
	stays := c.root == nil && !c.change
	return c.orchid && (stays && among(c.seat, facts.Hung, facts.OnMount) ||
		c.endsBare() && among(c.seatedBy(), treatment.Hang, treatment.Mount))
}

// wrapped says whether its roots are wrapped in moss.
func (c *composer) wrapped() bool {
	return c.orchid && c.school == treatment.MossWrap && c.habitID != treatment.JewelOrchid || c.keepsMoss()
}

// seatedBy is the step that sets it, by its school and by what it sat in.
func (c *composer) seatedBy() treatment.OperatorID {
	mounted := c.seat == facts.OnMount && !c.inPotSchool()
	switch {
	case c.orchid && c.school == treatment.Bridge:
		return treatment.SetCup
	case c.hangsBare():
		return treatment.Hang
	case c.wrapped():
		return treatment.WrapMoss
	case c.orchid && c.school == treatment.ClayPot, c.seat == facts.InReservoir && !c.rootless:
		return treatment.SetReservoir
	case mounted, c.potless() && !c.airRooted:
		return treatment.Mount
	case c.potless():
		return treatment.Hang
	}
	return treatment.PotIn
}

// keepsMoss says whether it is only refreshed, and grew in moss.
func (c *composer) keepsMoss() bool {
	return c.Wish == treatment.Refresh && len(c.Causes) == 0 && c.orchid && c.habitID != treatment.JewelOrchid &&
		(c.Facts.MediumClass.Value == facts.Moss && c.Facts.MediumClass.Known || c.Facts.GrewIn.Value == facts.Moss)
}

// potless says whether its kind never lives in a pot: its spikes grow down, or its roots
// live in air.
func (x *subject) potless() bool {
	return x.named && len(x.kind.Setups) > 0 && !slices.Contains(x.kind.Setups, "pot") && x.orchid
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
	got = min2(got, c.mostCover())
	if got == plant.CoverNone {
		return nil
	}
	if c.keepsItsLeaves() {
		c.leave(string(treatment.CoverIt), "three quarters of its roots live, it stands firm, and its air is moist enough")
		return nil
	}
	return []step{do(treatment.CoverIt, every(1, weaned), with(func(p *treatment.Params) { p.Cover = got }))}
}

// fewLost is the share of live roots from which a plant feeds its leaves in air that is moist enough (common practice).
const fewLost = 0.75

// keepsItsLeaves says whether it needs no cover: it was found firm, has most of its roots, and stands in air that its
// kind bears.
func (c *composer) keepsItsLeaves() bool {
	air := c.Facts.Place.HumidityPct
	return c.named && !c.has(cause.WaterRoots) && c.Facts.Limp.Known && !c.limp && c.counted && c.roots >= fewLost &&
		!c.piece && !c.top && !c.neck && c.Choices.Cover == "" && air.Known && air.Value >= c.kind.Humidity[0]
}

const (
	closedC  = 26 // above it a closed cover cooks (common practice)
	openC    = 30 // and above it an open one
	widePot  = 18 // cm: nothing is put over such a pot
	wideSpan = 40 // cm of leaves
	woodSpan = 30
)

// tooLargeToCover says whether no bag goes over it.
func (c *composer) tooLargeToCover() bool {
	wide := max(c.Facts.SpanCM.Or(c.spanGuess()), c.Facts.HeightCM.Or(0))
	return c.kind.Size == plant.HugeSize || c.potWidth() >= widePot && c.pieces == nil && !c.piece ||
		wide > wideSpan || c.habitID == treatment.Woody && wide > woodSpan
}

// mostCover is the most that heat, sun and size allow.
func (c *composer) mostCover() plant.Cover {
	heat := c.airC
	if c.Facts.Place.HighC.Known {
		heat = max(heat, c.Facts.Place.HighC.Value)
	}
	closedTo, openTo := float64(closedC), float64(openC)
	if c.named {
		closedTo, openTo = min(closedTo, c.kind.Temperature[2]-3), min(openTo, c.kind.Temperature[2])
	}
	if c.has(cause.Detached) && !c.orchid && pieceCovers[c.habitID] == "" {
		return plant.CoverNone // it is itself a piece of a habit that is not covered
	}
	switch {
	case heat > openTo, c.has(cause.HeatStress), c.Facts.Sun.Value, c.tooLargeToCover():
		return plant.CoverNone
	case heat > closedTo, c.kind.Size == plant.LargeSize,
		c.is(treatment.GiantHerb, treatment.Palm, treatment.Cycad, treatment.CaneFoliage, treatment.WaxVine, treatment.Woody):
		return plant.CoverOpen
	}
	return plant.CoverClosed
}

// spanGuess is how wide its leaves span where nobody measured: twice its pot, cm.
func (c *composer) spanGuess() float64 {
	if c.Facts.SpanCM.Known {
		return c.Facts.SpanCM.Value
	}
	if c.pieces != nil || c.piece {
		return 0
	}
	return 2 * c.potWidth()
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
	if c.has(cause.Fluoride) {
		return noFluoride
	}
	if c.habitID == treatment.Carnivore || c.has(cause.WaterQuality, cause.SoftenedWater, cause.PhOff, cause.SaltInjury) {
		return "low-mineral"
	}
	if c.has(cause.Chlorine) {
		return stoodWater
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
		if c.nature.KeepsDry(o) {
			return []step{do(treatment.CrownDry)}
		}
	}
	return nil
}
