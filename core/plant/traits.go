package plant

import (
	"maps"
	"slices"
)

// Trait is a property of a kind that changes what may be done with it.
type Trait string

// The traits. Ids stand in stored kinds: never rename or reuse one.
const (
	ToxicPets      Trait = "toxic-pets"   // harms animals that chew it
	ToxicPeople    Trait = "toxic-people" // sap or tissue irritates or poisons people
	PowderBloom    Trait = "powder-bloom" // its own white bloom must not be sprayed or wiped
	SoapTender     Trait = "soap-tender"  // soap marks its leaves
	OilTender      Trait = "oil-tender"   // oil marks its leaves
	SaltTender     Trait = "salt-tender"  // salts or hard water mark it
	FluorideTender Trait = "fluoride-tender"
	DryLeaves      Trait = "dry-leaves" // leaves must not stay wet
	DryCrown       Trait = "dry-crown"
	DryJoints      Trait = "dry-joints"
	Latex          Trait = "latex"
	Oxalate        Trait = "oxalate"
	Spines         Trait = "spines"
	Brittle        Trait = "brittle"
	Fuzzy          Trait = "fuzzy"
	Edible         Trait = "edible"
	SulksMoved     Trait = "sulks-when-moved"
	Bolts          Trait = "bolts"
	ResentsRepot   Trait = "resents-repot"
	MakesKeiki     Trait = "keiki"
	SpikeReblooms  Trait = "spike-reblooms"
	SnugPot        Trait = "snug-pot"    // does best tight in its pot
	ShallowPot     Trait = "shallow-pot" // roots stay near the surface
	WinterRest     Trait = "winter-rest" // rests in winter
	AirHoles       Trait = "air-holes"   // wants holes in the pot's sides, or no pot
	Grafted        Trait = "grafted"     // its top lives by another plant's stock
)

// TraitWords says each trait as a carer would.
func TraitWords() map[Trait]string { return maps.Clone(traitWords) }

var traitWords = map[Trait]string{
	ToxicPets: "harms animals that chew it", ToxicPeople: "sap or tissue harms people",
	PowderBloom: "powdery bloom of its own: do not wipe or spray",
	SoapTender:  "soap marks its leaves", OilTender: "oil marks its leaves",
	SaltTender: "salts and hard water mark it", FluorideTender: "fluoride marks it",
	DryLeaves: "leaves must not stay wet", DryCrown: "no water may stand in its crown",
	DryJoints: "no water may stand in its joints",
	Latex:     "milky sap", Oxalate: "needle-like crystals in its sap", Spines: "spines", Brittle: "brittle roots",
	Fuzzy: "hairy leaves", Edible: "eaten", SulksMoved: "sulks when moved", Bolts: "runs to seed",
	ResentsRepot: "resents repotting", MakesKeiki: "makes plantlets", SpikeReblooms: "an old spike blooms again",
	SnugPot: "likes a snug pot", ShallowPot: "shallow roots, shallow pot", WinterRest: "rests in winter",
	AirHoles: "holes in the pot's sides, or no pot", Grafted: "its top lives by the stock that it was grafted on",
}

// traitCodes are the traits as the kinds' tables write them, where they differ.
var traitCodes = map[string]Trait{
	"powder":   PowderBloom,
	"soap":     SoapTender,
	"oil":      OilTender,
	"salt":     SaltTender,
	"fluoride": FluorideTender,
}

// Has says whether the kind has a trait.
func (p Profile) Has(t Trait) bool { return slices.Contains(p.Traits, t) }

// ShedsNoShine says whether leaf shine and washing mark its leaves: they are hairy
// or have a powdery bloom (common practice).
func (p Profile) ShedsNoShine() bool { return p.Has(Fuzzy) || p.Has(PowderBloom) }
