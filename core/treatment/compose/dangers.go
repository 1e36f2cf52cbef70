package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// cautionsOf are the letters of the cautions of one step, as far as its danger
// is there.
func (c *composer) cautionsOf(s step) (letters []string) {
	o, _ := treatment.OperatorByID(s.Op)
	for _, l := range o.Cautions {
		if c.dangers(string(l), s) {
			letters = append(letters, string(l))
		}
	}
	if (o.Does.Has(treatment.Cuts) || s.Op == treatment.Unpot || s.Op == treatment.PullDead) && c.dangers("s", s) &&
		!slices.Contains(letters, "s") {
		letters = append(letters, "s")
	}
	if (o.Does.Has(treatment.Cuts) || s.Op == treatment.Unpot || s.Op == treatment.PotIn) && c.dangers("t", s) &&
		!slices.Contains(letters, "t") {
		letters = append(letters, "t")
	}
	home := c.Facts.Household
	for _, extra := range []struct {
		letter string
		is     bool
	}{
		{"k", (home.Children || home.Pets) && (s.Op.Does(treatment.LeafFilm) || s.Op == treatment.Systemic)},
		{"f", c.eaten() && (s.Op.Does(treatment.LeafFilm) || s.Op == treatment.Systemic)},
		{"b", o.Does.Has(treatment.Cuts)},
		{"n", c.has(cause.Ethylene) && (s.Op == treatment.Air || s.Op == treatment.Baseline)},
		{"g", c.code == treatment.BU && (s.Op == treatment.Unpot || s.Op == treatment.TakeOffset ||
			s.Op == treatment.PartIt)},
		{"w", s.Op == treatment.Discard},
	} {
		if extra.is && !slices.Contains(letters, extra.letter) {
			letters = append(letters, extra.letter)
		}
	}
	slices.Sort(letters)
	return letters
}

func (c *composer) eaten() bool { return c.trait(plant.Edible) || c.Facts.Household.Edible }

// dangers says whether the danger of a caution is in a step.
func (c *composer) dangers(letter string, s step) bool {
	switch letter {
	case "a":
		return s.Op == treatment.Alcohol || s.Params.Method != "bleach"
	case "c":
		return s.Op != treatment.CleanBlade || s.Params.Method == "bleach"
	case "d":
		return s.Op != treatment.ReadyPot ||
			shareOf(s.Params.Mix, "perlite", "peat", "coir", "grit", "pumice", "sand", "vermiculite") > 0
	case "m":
		return s.Op == treatment.WrapMoss || s.Op == treatment.NodeBox ||
			shareOf(s.Params.Mix, "moss", "soil", "compost", "leaf mould") > 0 ||
			s.Op == treatment.WashOff
	case "f":
		return c.eaten()
	case "k":
		return c.Facts.Household.Children || c.Facts.Household.Pets
	case "s":
		return !c.named || c.kind.Harms("people") || c.kind.Harms("pets") || c.trait(plant.Latex, plant.Oxalate)
	case "t":
		return c.trait(plant.Spines) || c.is(treatment.CA, treatment.CY, treatment.BR)
	case "u":
		return c.potWidth() >= 25 || s.Params.PotWidthCM.Or(0) >= 25
	case "w":
		return s.Op != treatment.BagWaste || len(c.spreads()) > 0
	}
	return true
}

func (c *composer) allCautions() []string {
	letters := []string{}
	for _, s := range c.plan.Sittings {
		for _, x := range s.Steps {
			for _, l := range x.Cautions {
				if !slices.Contains(letters, l) {
					letters = append(letters, l)
				}
			}
		}
	}
	slices.Sort(letters)
	return letters
}
