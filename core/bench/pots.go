package bench

import (
	"fmt"
	"slices"
	"strings"

	"tendermend/core/mix"
	"tendermend/core/plant"
	"tendermend/core/working"
)

// PotInput asks for a pot for a live root ball.
type PotInput struct {
	RootBallCM float64  `json:"rootBallCm" minimum:"0" maximum:"1000" doc:"Width of the live root ball, cm."`
	OldPotCM   *float64 `json:"oldPotCm,omitempty" minimum:"0" maximum:"1000" doc:"Inner width of the present pot, cm."`
	Bound      bool     `json:"bound,omitempty" doc:"Healthy roots fill the pot: it goes up a size instead of down."`
}

// upOneSize is the width by which a healthy pot-bound plant goes up, in cm
// (common practice: 2-5 cm).
const upOneSize = 3.0

// Pot gives the inner width, depth and volume of a pot for live roots, the step
// from the old one, and what would stay wet in the old one.
func Pot(i PotInput) (Reckoning, error) {
	r := fresh()
	if err := between("rootBallCm", i.RootBallCM, 0.5, 150, "cm"); err != nil {
		return r, err
	}
	old := 0.0
	inputs := []working.Input{in("live root ball", i.RootBallCM, "cm")}
	if i.OldPotCM != nil {
		if err := between("oldPotCm", *i.OldPotCM, 1, 200, "cm"); err != nil {
			return r, err
		}
		old = *i.OldPotCM
		inputs = append(inputs, in("present pot", old, "cm"))
	}
	width := mix.PotFor(i.RootBallCM, old)
	formula := "root ball + 2.5 cm, in half centimetres, never wider than the old pot"
	if i.Bound {
		width, formula = max(i.RootBallCM, old)+upOneSize, "old pot + 3 cm, for healthy roots that fill it"
	}
	r.add("inner width", width, "cm", formula, working.CommonPractice,
		"2-3 cm is usual for a rescue, 2-5 cm for a healthy plant", inputs...)
	inner := in("inner width", width, "cm")
	r.add("depth", width*mix.DepthShare, "cm", "0.92 × the width, a usual pot", working.CommonPractice,
		"pots differ", inner)
	r.add("volume", mix.PotLitres(width), "l", "πh/12·(D²+Dd+d²), d = 0.71 D, h = 0.92 D",
		"geometry of a frustum; shape common practice", "within about a tenth", inner)
	if old > 0 {
		r.add("step from the old pot", width-old, "cm", "new width − old width", "arithmetic", "exact", inputs...)
		idle := mix.Idle(i.RootBallCM, old)
		r.add(
			"of the old pot stays wet for days",
			100*idle,
			"%",
			"1 − ((root ball + 4 cm) ÷ pot)³",
			working.CommonPractice,
			"rough: both are taken as the same shape",
			inputs...)
		if idle > 0.4 && !i.Bound {
			r.warn(
				"In the old pot about %.0f %% of the medium has no live root within 2 cm: it stays wet and sours.",
				100*idle,
			)
		}
	}
	return r, nil
}

// MixInput asks for a mix by parts.
type MixInput struct {
	Parts   []plant.Part `json:"parts" maxItems:"12"`
	PotCM   *float64     `json:"potCm,omitempty" minimum:"0" maximum:"1000" doc:"Inner width of the pots to fill, cm."`
	Pots    int          `json:"pots,omitempty" minimum:"0" maximum:"10000" doc:"How many pots; 1 where it is left out."`
	Litres  *float64     `json:"litres,omitempty" minimum:"0" maximum:"10000" doc:"Loose mix, where no pot is given."`
	MossDry *float64     `json:"mossDryG,omitempty" minimum:"0" maximum:"100000" doc:"Dry moss to be wetted, grams."`
}

// mostParts is the largest number of parts that makes sense of one ingredient.
const mostParts = 1000

// Mix gives the litres of each ingredient, with what is lost by settling, and
// estimates the water and air that the mix holds.
func Mix(i MixInput, own Own) (Reckoning, error) {
	r := fresh()
	names, parts := make([]string, len(i.Parts)), make([]float64, len(i.Parts))
	for n, p := range i.Parts {
		names[n], parts[n] = strings.TrimSpace(p.What), p.Parts
		if !own.has(names[n]) {
			names[n] = strings.ToLower(names[n])
		}
		if err := between(fmt.Sprintf("parts[%d].parts", n), p.Parts, 0, mostParts, "parts"); err != nil {
			return r, err
		}
	}
	medium, err := mix.Holds(names, parts, own.Ingredients())
	if err != nil {
		return r, Fault{"parts", "give at least one ingredient with parts above 0"}
	}
	litres, formula, inputs, err := loose(i)
	if err != nil {
		return r, err
	}
	r.add("loose mix in all", litres, "l", formula, "geometry; settling common practice",
		"within about a tenth", inputs...)
	for n, share := range mix.Parts(litres, parts...) {
		r.add(names[n], share, "l", "litres × parts ÷ all parts", "arithmetic", "exact",
			in("parts", parts[n], ""), in("loose mix", litres, "l"))
	}
	for _, u := range medium.Unknown {
		r.warn("Nothing is known here of %s: it is measured out, but left out of the estimate of water and air.", u)
	}
	if len(medium.Unknown) < len(names) {
		const how = "average of the ingredients by volume, lowest and highest usual"
		const source = "growers' handbooks, from memory"
		const sure = "an estimate: fines between coarse parts leave less air"
		r.add("holds water, least", 100*medium.Water[0], "%", how, source, sure)
		r.add("holds water, most", 100*medium.Water[1], "%", how, source, sure)
		r.add("stays air, least", 100*medium.Air[0], "%", how, source, sure)
		r.add("stays air, most", 100*medium.Air[1], "%", how, source, sure)
		if medium.Air[1] < 0.2 {
			r.warn("Little air: roots of most indoor plants want at least a fifth.")
		}
	}
	if i.MossDry != nil {
		if err := between("mossDryG", *i.MossDry, 0.1, 5000, "g"); err != nil {
			return r, err
		}
		const sure = "handbooks say up to 20 × (from memory)"
		least, most := mix.MossHolds(*i.MossDry)
		dry := in("dry moss", *i.MossDry, "g")
		r.add("water for the moss, least", least, "ml", "8 × its dry weight", working.CommonPractice, sure, dry)
		r.add("water for the moss, most", most, "ml", "9 × its dry weight", working.CommonPractice, sure, dry)
	}
	r.Warnings = append(r.Warnings, dusty(names)...)
	return r, nil
}

// loose gives the litres of loose mix that are wanted.
func loose(i MixInput) (litres float64, formula string, inputs []working.Input, err error) {
	if i.PotCM != nil {
		if err := between("potCm", *i.PotCM, 1, 200, "cm"); err != nil {
			return 0, "", nil, err
		}
		pots := max(1, i.Pots)
		if pots > 1000 {
			return 0, "", nil, Fault{"pots", "give at most 1000 pots"}
		}
		one := mix.PotLitres(*i.PotCM)
		return float64(pots) * one * mix.Settling,
			fmt.Sprintf("pots × volume of a usual pot × %g for settling", mix.Settling),
			[]working.Input{
				in("pots", float64(pots), ""),
				in("pot", *i.PotCM, "cm"),
				in("volume of one", one, "l"),
			}, nil
	}
	if i.Litres == nil {
		return 0, "", nil, Fault{"litres", "say how much you want: litres, or the width of the pots"}
	}
	if err := between("litres", *i.Litres, 0.01, 10000, "l"); err != nil {
		return 0, "", nil, err
	}
	return *i.Litres, "as asked", []working.Input{in("asked", *i.Litres, "l")}, nil
}

func dusty(names []string) []string {
	for _, n := range names {
		switch n {
		case "perlite", "peat or coir", "vermiculite", "pumice":
			return []string{"Dust: wear a mask, damp it first, do not pour from high up."}
		case "chopped moss", "leaf mould", "compost", "garden soil":
			return []string{"Moss and compost: gloves, no open cuts, wash hands, do not breathe the dust."}
		}
	}
	return nil
}

// Recipe is a mix by parts that ships with the program.
type Recipe struct {
	Name  string       `json:"name" minLength:"1" maxLength:"80"`
	For   string       `json:"for,omitempty" maxLength:"80"`
	Parts []plant.Part `json:"parts" maxItems:"12"`
}

// Recipes gives the mixes that ship with the program (common practice).
func Recipes() []Recipe { return slices.Clone(recipes) }

var recipes = []Recipe{
	{
		"airy soil",
		"climbing and clumping aroids",
		[]plant.Part{{What: "potting soil", Parts: 1}, {What: "perlite", Parts: 1}, {What: "medium bark", Parts: 1}},
	},
	{
		"light and airy",
		"begonias",
		[]plant.Part{
			{What: "medium bark", Parts: 1},
			{What: "vermiculite", Parts: 1},
			{What: "peat or coir", Parts: 3},
		},
	},
	{
		"soil and bark",
		"wax vines, for beginners",
		[]plant.Part{{What: "potting soil", Parts: 1}, {What: "orchid bark", Parts: 1}},
	},
	{
		"open bark",
		"bulbed and single-stem orchids",
		[]plant.Part{{What: "medium bark", Parts: 4}, {What: "perlite", Parts: 1}, {What: "charcoal", Parts: 0.5}},
	},
	{
		"fine bark with moss",
		"thin-rooted orchids",
		[]plant.Part{{What: "fine bark", Parts: 3}, {What: "chopped moss", Parts: 1}, {What: "perlite", Parts: 1}},
	},
	{
		"moist and open",
		"prayer plants, ferns, trailers",
		[]plant.Part{{What: "potting soil", Parts: 2}, {What: "fine bark", Parts: 1}, {What: "perlite", Parts: 1}},
	},
	{
		"gritty",
		"succulents and cacti",
		[]plant.Part{{What: "potting soil", Parts: 1}, {What: "pumice", Parts: 1}, {What: "coarse grit", Parts: 1}},
	},
}
