package compose

import (
	"math"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// pieceHome gives a piece with roots of its own a place, a label and water.
func (c *composer) pieceHome() []step {
	switch {
	case c.habitID == treatment.AirPlant:
		return []step{do(treatment.Mount, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	case c.airRooted && c.seat == facts.Hung:
		return []step{do(treatment.Hang, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	}
	if c.untied && !c.inPotSchool() && c.orchid {
		return []step{do(treatment.Mount, organ(treatment.OnPieces), with(forPieces)), do(treatment.Label, with(forPieces))}
	}
	home := append([]step{c.forPieces(pieceWidth)},
		do(treatment.PotIn, organ(treatment.OnPieces), with(forPieces)))
	if c.habitID == treatment.Bromeliad {
		home = append(home, do(treatment.Stake, organ(treatment.OnPieces), with(forPieces)))
	}
	home = append(home, do(treatment.Label, organ(treatment.OnPieces), with(forPieces)))
	if !c.dry {
		home = append(home, c.pieceWater())
	}
	return home
}

func forPieces(p *treatment.Params) { p.For = treatment.ForPieces }

// pieceWater is the first water of pieces in their pot.
func (c *composer) pieceWater() step {
	ml := 20.0
	if c.dry {
		ml = 15
	}
	return do(treatment.FirstWater, organ(treatment.OnPieces), how("light"), with(func(p *treatment.Params) {
		p.For, p.ML = treatment.ForPieces, num(ml)
		if c.habitID == treatment.Gesneriad {
			p.From = "below"
		}
	}))
}

// pieceDries is how long the cut of a piece lies dry: days on a tray, or some hours.
func (c *composer) pieceDries() (days int, hours float64) {
	if d := c.kind.CutDryDays; d != nil && d[1] > 1 && c.dry {
		return max(d[0], 1), 0
	}
	switch {
	case c.is(treatment.SucculentRosette, treatment.UprightSucculent):
		return 3, 0
	case c.is(treatment.TrailingSucculent, treatment.ForestCactus):
		return 2, 0
	case c.habitID == treatment.Cactus:
		return 7, 0
	case c.is(treatment.CaneFoliage, treatment.WaxVine):
		return 0, 12
	case c.is(treatment.SoftTrailer, treatment.Ivy, treatment.Rhizomatous, treatment.Fern, treatment.Palm,
		treatment.Carnivore, treatment.JewelOrchid):
		return 0, 0
	}
	return 0, 1
}

// pieceCovers is the most that is put over pieces of a habit (growers' books, from memory).
var pieceCovers = map[treatment.HabitID]plant.Cover{
	treatment.JewelOrchid: plant.CoverClosed, treatment.AroidVine: plant.CoverClosed,
	treatment.Gesneriad: plant.CoverClosed, treatment.Carnivore: plant.CoverClosed,
	treatment.AroidClump: plant.CoverClosed, treatment.Begonia: plant.CoverOpen, treatment.Woody: plant.CoverOpen,
	treatment.WaxVine: plant.CoverOpen, treatment.Monopodial: plant.CoverOpen, treatment.Sympodial: plant.CoverOpen,
}

const pieceClosedC = 26 // above it pieces are not shut up (common practice)

// pieceCover is what is put over pieces in a pot.
func (c *composer) pieceCover() []step {
	got := pieceCovers[c.habitID]
	switch {
	case got == "", c.Choices.Cover == treatment.SideNone,
		c.airC > openC, c.Facts.Sun.Value, c.any(treatment.LeafDiseases()):
		return nil
	case c.airC > pieceClosedC, c.Choices.Cover == treatment.SideOpen:
		got = min2(got, plant.CoverOpen)
	}
	return []step{do(treatment.CoverIt, organ(treatment.OnPieces), every(1, weaned), with(func(p *treatment.Params) {
		p.Cover, p.For = got, treatment.ForPieces
	}))}
}

// cutMix is what tops and pieces root in: its own mix, with as much perlite where it does
// not grow dry.
func (c *composer) cutMix() (parts []plant.Part, from string) {
	parts, from = c.mix()
	if c.dry || parts == nil || from == "carer" {
		return parts, from
	}
	sum, out := 0.0, []plant.Part{}
	had := 0.0
	for _, p := range parts {
		sum += p.Parts
		if p.What == "perlite" {
			had = p.Parts
			continue
		}
		out = append(out, p)
	}
	return append(out, plant.Part{What: "perlite", Parts: sum + had}), from
}

// forPieces lays out a pot for pieces.
func (c *composer) forPieces(width float64) step {
	mix, from := c.cutMix()
	return do(treatment.ReadyPot, organ(treatment.OnPieces), with(func(p *treatment.Params) {
		p.For, p.PotWidthCM, p.Mix, p.MixFrom = treatment.ForPieces, num(width), mix, from
		if mix != nil {
			p.VolumeML = num(math.Round(MixML(width, 0, false, "usual")))
		}
		if from == "carer" {
			p.MixBy = "carer"
		}
		p.Dry = c.dry
	}))
}
