package sheet

import (
	"fmt"

	"tendermend/core/mix"
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
	"tendermend/core/working"
)

// amounts gives what a step takes, each number with its working.
func amounts(s treatment.Situation, x treatment.Step) []working.Amount {
	p := x.Params
	list := []working.Amount{}
	switch x.Op {
	case treatment.ReadyPot:
		list = pot(s, p)
	case treatment.Soap:
		list = soap(p)
	case treatment.Peroxide:
		list = peroxide(p)
	case treatment.WrapMoss:
		list = moss(s)
	case treatment.FeedIt:
		list = feeding(s, p)
	case treatment.SetCup:
		list = append(list, amount("base above the water", p.GapMM.Value/10, "cm", "0 to 5 mm",
			working.CommonPractice, "touching is the limit"))
	case treatment.SetDish, treatment.SetReservoir:
		list = append(list, amount("depth of the water", p.LevelCM.Value, "cm",
			"at most a third of the pot; a reservoir a quarter", working.CommonPractice, "falls as the roots go down"))
	case treatment.FirstWater:
		if p.Share.Known {
			list = append(list, amount("share of a full watering", p.Share.Value, "", "a quarter at first",
				working.CommonPractice, "by its roots"))
		}
	case treatment.Callus, treatment.Wean, treatment.Harden:
		if p.Days.Known {
			list = append(list, amount("how long", p.Days.Value, "days",
				"by the width of the wound, or the weeks under cover", working.CommonPractice, "what is seen decides"))
		}
	}
	if p.ML.Known {
		list = append(poured(s, x), list...)
	}
	return list
}

// poured gives what is poured or sprayed, with its working.
func poured(s treatment.Situation, x treatment.Step) []working.Amount {
	ml, pot := x.Params.ML.Value, in("pot", s.Facts.PotWidthCM.Or(14), "cm")
	switch x.Op {
	case treatment.FirstWater:
		return []working.Amount{amount("water, round the rim", ml, "ml", "0.07 × the pot's volume",
			working.CommonPractice, "none in the saucer", in("water", ml, "ml"))}
	case treatment.Flush:
		return []working.Amount{amount("low-mineral water", ml/1000, "l", "3 × the pot's volume",
			"geometry of a frustum; three volumes common practice", "more does no harm where it drains", pot)}
	case treatment.Oil, treatment.LabelDrug:
		return []working.Amount{amount("mixed spray, by its label", ml, "ml", "by the size of the pot",
			working.CommonPractice, "the label sets the dose", pot)}
	}
	return nil
}

func in(name string, value float64, unit string) working.Input {
	return working.Input{Name: name, Value: value, Unit: unit}
}

func amount(what string, value float64, unit, formula, source, sure string, inputs ...working.Input) working.Amount {
	if inputs == nil {
		inputs = []working.Input{}
	}
	return working.Amount{
		What:    what,
		Value:   value,
		Unit:    unit,
		Working: working.Working{Inputs: inputs, Formula: formula, Source: source, Sure: sure},
	}
}

// pot is the pot and its mix by parts.
func pot(s treatment.Situation, p treatment.Params) []working.Amount {
	if !p.PotWidthCM.Known {
		return []working.Amount{}
	}
	inputs := []working.Input{}
	if b := s.Facts.RootBallCM; b.Known {
		inputs = append(inputs, in("root ball", b.Value, "cm"))
	}
	if w := s.Facts.PotWidthCM; w.Known {
		inputs = append(inputs, in("present pot", w.Value, "cm"))
	}
	sure := "from the measured ball"
	if !s.Facts.RootBallCM.Known {
		sure = "a guess until the ball is measured"
	}
	list := []working.Amount{
		amount(
			"inner width of the pot",
			p.PotWidthCM.Value,
			"cm",
			"live ball + 2.5 cm (dry kinds 1.5), rounded down, never over the old pot; a whole ball + 2 cm; "+
				"pot-bound by its size",
			working.CommonPractice,
			sure,
			inputs...),
	}
	total := 0.0
	for _, m := range p.Mix {
		total += m.Parts
	}
	sized := append(
		[]working.Input{
			in("pot", p.PotWidthCM.Value, "cm"),
			in("volume of such a pot", compose.PotML(p.PotWidthCM.Value, p.Shape)/1000, "l"),
		},
		inputs...)
	from := map[string]string{"kind": "its kind's mix", "habit": "the mix of its habit, the kind being silent",
		"school": "the school's mix", "reservoir": "the mix of a reservoir", "carer": "your own mix"}[p.MixFrom]
	for _, m := range p.Mix {
		list = append(
			list,
			amount(
				m.What,
				p.VolumeML.Value*m.Parts/total/1000,
				"l",
				fmt.Sprintf("%g of %g parts of 1.15 × (0.9 × pot − ball)", m.Parts, total),
				"geometry of a frustum; shape and settling common practice; "+from,
				"within about a tenth",
				sized...),
		)
	}
	return list
}

// soap is a home preparation with its usual strength: the soap is rounded to what can
// be measured, and the water to it, so that the strength stays.
func soap(p treatment.Params) []working.Amount {
	if !p.Conc.Known || !p.ML.Known || p.Conc.Value <= 0 {
		return []working.Amount{}
	}
	of, water := treatment.SoapAndWater(p.ML.Value, p.Conc.Value)
	inputs := []working.Input{in("spray wanted", p.ML.Value, "ml"), in("strength", p.Conc.Value*100, "%")}
	src := "extension fact sheets, from memory"
	return []working.Amount{
		amount("mild liquid soap", of, "ml", "spray wanted × strength, to the nearest half ml; 1-2 % is the usual strength",
			src, "a home preparation; try one leaf first", inputs...),
		amount("water", water, "ml",
			"soap ÷ strength − soap, so that the strength stays", "arithmetic", "exact", inputs...),
	}
}

// peroxide is made weaker from 3 %: c₁v₁ = c₂v₂.
func peroxide(p treatment.Params) []working.Amount {
	stock := p.Stock.Or(0.03) * 100
	of, waterML, err := mix.Dilute(stock, p.Conc.Value*100, p.ML.Value)
	if err != nil {
		return []working.Amount{}
	}
	inputs := []working.Input{
		in("stock", stock, "%"),
		in("wanted", p.Conc.Value*100, "%"),
		in("volume", p.ML.Value, "ml"),
	}
	list := []working.Amount{
		amount(
			"peroxide of 3 %",
			of,
			"ml",
			"c₁v₁ = c₂v₂",
			"arithmetic; strength common practice",
			"exact, from 3 % as bought",
			inputs...),
	}
	if waterML > 0 {
		list = append(list, amount("water", waterML, "ml", "c₁v₁ = c₂v₂", "arithmetic", "exact", inputs...))
	}
	return list
}

// snugMoss is how much dry moss makes a litre when it is packed snug, in g.
const snugMoss = 20

func moss(s treatment.Situation) []working.Amount {
	w := s.Facts.RootBallCM.Or(8) + 2.5
	litres := compose.PotML(w, "usual") / 1000
	grams := snugMoss * litres
	least, most := mix.MossHolds(grams)
	inputs := []working.Input{in("pot", w, "cm")}
	return []working.Amount{
		amount(
			"dry moss",
			grams,
			"g",
			"20 g for each litre, packed snug",
			working.CommonPractice,
			"rough",
			inputs...),
		amount(
			"water it takes up",
			(least+most)/2,
			"ml",
			"8-9 × its dry weight",
			working.CommonPractice,
			"squeezed until no drop falls",
			inputs...),
	}
}

// feeding is the nitrogen of the share given.
func feeding(s treatment.Situation, p treatment.Params) []working.Amount {
	if s.Profile == nil || s.Profile.Feed.PpmN == 0 || !p.Share.Known {
		return []working.Amount{}
	}
	ppm := s.Profile.Feed.PpmN * p.Share.Value
	return []working.Amount{
		amount(
			"nitrogen in the water",
			ppm,
			"ppm",
			"share × what its kind is fed in growth",
			working.CommonPractice,
			"onto moist medium",
			in("its kind's feed", s.Profile.Feed.PpmN, "ppm"),
			in("share", p.Share.Value, ""),
		),
	}
}
