package treatment

import (
	"fmt"

	"tendermend/core/mix"
	"tendermend/core/working"
)

// potAmounts gives the pot for the live root ball and the mix that fills it,
// in equal parts of soil, perlite and bark for foliage plants.
func potAmounts(parts ...string) func(Situation) []working.Amount {
	return func(s Situation) []working.Amount {
		if s.Answers.RootBallCM == nil {
			return nil
		}
		ball, old := *s.Answers.RootBallCM, 0.0
		inputs := []working.Input{{Name: "live root ball", Value: ball, Unit: "cm"}}
		if s.Answers.PotWidthCM != nil {
			old = *s.Answers.PotWidthCM
			inputs = append(inputs, working.Input{Name: "present pot", Value: old, Unit: "cm"})
		}
		width := mix.PotFor(ball, old)
		litres := mix.PotLitres(width) * mix.Settling
		amounts := []working.Amount{{What: "inner width of the pot", Value: width, Unit: "cm", Working: working.Working{
			Inputs: inputs, Formula: "root ball + 2.5 cm, never wider than the old pot", Source: working.CommonPractice, Sure: "2-3 cm is usual"}}}
		sized := working.Working{
			Inputs:  []working.Input{{Name: "pot", Value: width, Unit: "cm"}, {Name: "parts", Value: float64(len(parts))}},
			Formula: fmt.Sprintf("πh/12·(D²+Dd+d²) for a usual pot (d = 0.71 D, h = 0.92 D), × %g for settling, in equal parts", mix.Settling),
			Source:  "geometry of a frustum; shape and settling common practice", Sure: "within about a tenth"}
		for i, share := range mix.Parts(litres, equal(len(parts))...) {
			amounts = append(amounts, working.Amount{What: parts[i], Value: share, Unit: "l", Working: sized})
		}
		return amounts
	}
}

func equal(n int) []float64 {
	parts := make([]float64, n)
	for i := range parts {
		parts[i] = 1
	}
	return parts
}

// washVolume is the wash for one plant in ml, by the width of its pot (common
// practice: half a litre for a pot of 12 cm, and in proportion).
func washVolume(s Situation) (float64, working.Input) {
	width := 12.0
	in := working.Input{Name: "pot, taken as usual", Value: width, Unit: "cm"}
	if s.Answers.PotWidthCM != nil {
		width = *s.Answers.PotWidthCM
		in = working.Input{Name: "pot", Value: width, Unit: "cm"}
	}
	return max(250, 500*width/12), in
}

// peroxideRinse halves 3 % peroxide to 1.5 %.
func peroxideRinse(s Situation) []working.Amount {
	volume, in := washVolume(s)
	stock, water, err := mix.Dilute(3, 1.5, volume)
	if err != nil {
		return nil
	}
	w := working.Working{Inputs: []working.Input{in, {Name: "stock", Value: 3, Unit: "%"}, {Name: "wanted", Value: 1.5, Unit: "%"}},
		Formula: "c₁v₁ = c₂v₂", Source: "arithmetic; strength common practice", Sure: "exact, from 3 % as bought"}
	return []working.Amount{{What: "peroxide of 3 %", Value: stock, Unit: "ml", Working: w}, {What: "water", Value: water, Unit: "ml", Working: w}}
}

// soapWash is four parts of water to one of mild soap.
func soapWash(s Situation) []working.Amount {
	volume, in := washVolume(s)
	shares := mix.Parts(volume, 4, 1)
	w := working.Working{Inputs: []working.Input{in}, Formula: "4 parts water : 1 part mild soap", Source: working.CommonPractice, Sure: "usual"}
	return []working.Amount{{What: "water", Value: shares[0], Unit: "ml", Working: w}, {What: "mild soap", Value: shares[1], Unit: "ml", Working: w}}
}

// insecticidalSoap gives the usual range of 1 to 2 % as its middle. The
// product's own label stands above it.
func insecticidalSoap(s Situation) []working.Amount {
	volume, in := washVolume(s)
	w := working.Working{Inputs: []working.Input{in, {Name: "strength", Value: 1.5, Unit: "%"}},
		Formula: "volume × 1.5 %; 1-2 % is 2.5-5 tablespoons to a US gallon", Source: "extension fact sheets, from memory", Sure: "the label of your soap decides"}
	return []working.Amount{{What: "insecticidal soap, unless its label says otherwise", Value: volume * 0.015, Unit: "ml", Working: w}, {What: "water", Value: volume * 0.985, Unit: "ml", Working: w}}
}

// potVolumes is how many pot volumes a flush runs through (common practice).
const potVolumes = 3

// flushVolume is the water of a flush, by the present pot.
func flushVolume(s Situation) []working.Amount {
	if s.Answers.PotWidthCM == nil {
		return nil
	}
	width := *s.Answers.PotWidthCM
	return []working.Amount{{What: "clean water", Value: potVolumes * mix.PotLitres(width), Unit: "l", Working: working.Working{
		Inputs: []working.Input{{Name: "pot", Value: width, Unit: "cm"}, {Name: "pot volumes", Value: potVolumes}}, Formula: "3 × the volume of a usual pot of that width",
		Source: "geometry of a frustum; three volumes common practice", Sure: "more does no harm where it drains"}}}
}

// mossPerCM is the dry moss for a wrap, in grams for each centimetre of live
// root ball (common practice).
const mossPerCM = 3

// mossWater is the dry moss for a wrap and the water that it holds.
func mossWater(s Situation) []working.Amount {
	if s.Answers.RootBallCM == nil {
		return nil
	}
	ball := *s.Answers.RootBallCM
	grams := mossPerCM * ball
	least, most := mix.MossHolds(grams)
	in := []working.Input{{Name: "live root ball", Value: ball, Unit: "cm"}}
	return []working.Amount{
		{What: "dry moss", Value: grams, Unit: "g", Working: working.Working{Inputs: in, Formula: "3 g for each cm of root ball", Source: working.CommonPractice, Sure: "rough"}},
		{What: "water it takes up", Value: (least + most) / 2, Unit: "ml", Working: working.Working{Inputs: append(in, working.Input{Name: "dry moss", Value: grams, Unit: "g"}), Formula: "8-9 × its dry weight", Source: working.CommonPractice, Sure: "handbooks say up to 20 × (from memory)"}},
	}
}
