package compose

import (
	"slices"
	"strings"

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
	cuts := o.Does.Has(treatment.Cuts)
	filmed := s.Op.Does(treatment.LeafFilm) || s.Op == treatment.Systemic
	for _, extra := range []struct {
		letter string
		is     bool
	}{
		{"s", (cuts || among(s.Op, treatment.Unpot, treatment.PullDead)) && c.dangers("s", s)},
		{"t", (cuts || among(s.Op, treatment.Unpot, treatment.PotIn)) && c.dangers("t", s)},
		{"k", filmed && c.dangers("k", s)},
		{"f", filmed && c.eaten()},
		{"b", cuts},
		{"n", c.has(cause.Ethylene) && among(s.Op, treatment.Air, treatment.Baseline)},
		{"g", c.habitID == treatment.BulbPlant && among(s.Op, treatment.Unpot, treatment.TakeOffset, treatment.PartIt)},
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
	is, limited := dangerIn[letter]
	return !limited || is(c, s)
}

// dangerIn says of the cautions that are not always meant when they are.
var dangerIn = map[string]func(*composer, step) bool{
	"a": func(_ *composer, s step) bool { return s.Op == treatment.Alcohol || s.Params.Method != "bleach" },
	"c": func(_ *composer, s step) bool { return s.Op != treatment.CleanBlade || s.Params.Method == "bleach" },
	"d": func(_ *composer, s step) bool {
		return s.Op != treatment.ReadyPot ||
			shareOf(s.Params.Mix, "perlite", "peat", "coir", "grit", "pumice", "sand", "vermiculite") > 0
	},
	"m": func(_ *composer, s step) bool {
		return among(s.Op, treatment.WrapMoss, treatment.NodeBox, treatment.WashOff) ||
			shareOf(s.Params.Mix, "moss", "soil", "compost", "leaf mould") > 0
	},
	"f": func(c *composer, _ step) bool { return c.eaten() },
	"k": func(c *composer, _ step) bool { return c.Facts.Household.Children || c.Facts.Household.Pets },
	"s": func(c *composer, _ step) bool {
		return !c.named || c.kind.Harms("people") || c.kind.Harms("pets") || c.trait(plant.Latex, plant.Oxalate)
	},
	"t": func(c *composer, _ step) bool {
		return c.trait(plant.Spines) || c.is(treatment.Cactus, treatment.Cycad, treatment.Bromeliad)
	},
	"u": func(c *composer, s step) bool { return c.potWidth() >= 25 || s.Params.PotWidthCM.Or(0) >= 25 },
	"w": func(c *composer, s step) bool { return s.Op != treatment.BagWaste || len(c.spreads()) > 0 },
}

func (c *composer) allCautions() []string {
	letters := c.atHome()
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

// badPoison is the grade from which a kind is told of in every plan of a house with
// those whom it harms: moderate (poison-centre leaflets).
const badPoison = 2

// atHome are the cautions that stand on any plan, because of who lives there: nothing
// needs to be cut for a leaf to be bitten.
func (c *composer) atHome() []string {
	home := c.Facts.Household
	bad := 0
	if c.named {
		if home.Pets {
			bad = plant.Severity(c.kind.Toxicity("pets").Bad)
		}
		if home.Children {
			bad = max(bad, plant.Severity(c.kind.Toxicity("people").Bad))
		}
	}
	switch {
	case bad < badPoison:
		return []string{}
	case c.is(treatment.BulbPlant, treatment.Cycad) || c.tuberous():
		return []string{"g", "s"}
	}
	return []string{"s"}
}

// poisonous says whether it may have harmed who bit it: nobody knows the kind, or the
// kind is not known to be harmless.
func poisonous(x *subject) bool {
	switch {
	case !x.named:
		return true
	case x.Facts.BitBy.Value == "pet":
		return x.kind.Harms("pets")
	case x.Facts.BitBy.Value == "child":
		return x.kind.Harms("people")
	}
	return x.kind.Harms("pets") || x.kind.Harms("people")
}

// tuberous says whether an aroid lives on a tuber that is not cut wet.
func (x *subject) tuberous() bool {
	return x.kind.ID == "zamioculcas-zamiifolia" ||
		x.habitID == treatment.AroidClump &&
			(strings.Contains(x.kind.Piece, "tuber") || strings.Contains(string(x.kind.RestKind), "tuber"))
}
