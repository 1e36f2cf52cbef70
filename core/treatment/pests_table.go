package treatment

import (
	"slices"

	"tendermend/core/cause"
)

// PestGroup says how a pest is named by groups of causes.
type PestGroup string

// The groups that products speak of.
const (
	Insects PestGroup = "insect"
	Mites   PestGroup = "mite"
	Others  PestGroup = "other" // slugs, worms
)

// Foe is what reaches a pest, and where it hides (greenhouse entomology, from
// memory; within about 20 %).
type Foe struct {
	Cause cause.ID
	Group PestGroup
	// Reached are the operators that reach a stage of it, the usual first.
	Reached []OperatorID
	// Rests says that a stage rests in the medium.
	Rests bool
	// Lasting generations are treated fully for the time of two eggs and ten days,
	// at least 28, and watched for a generation.
	Lasting bool
	Beside  string // who is looked at and washed once beside it
}

var foes = []Foe{
	{
		Cause:   cause.SpiderMite,
		Group:   Mites,
		Reached: []OperatorID{Soap, Predators, Oil, LabelDrug, WashDown},
		Beside:  "everything on the shelf",
	},
	{
		Cause:   cause.FlatMite,
		Group:   Mites,
		Reached: []OperatorID{Oil, LabelDrug, Soap, Predators},
		Lasting: true,
		Beside:  "what stands near it, orchids first",
	},
	{
		Cause:   cause.BroadMite,
		Group:   Mites,
		Reached: []OperatorID{LabelDrug, HotDip, Predators, Soap},
		Beside:  "begonias, gesneriads and ivies near it",
	},
	{
		Cause:   cause.Thrips,
		Group:   Insects,
		Reached: []OperatorID{Soap, LabelDrug, Predators, Oil, Systemic, Alcohol, WashDown},
		Rests:   true,
		Beside:  "everything in the room",
	},
	{
		Cause:   cause.Aphid,
		Group:   Insects,
		Reached: []OperatorID{Soap, Alcohol, Oil, LabelDrug, Systemic, Predators, WashDown},
		Beside:  "what stands on the same shelf",
	},
	{
		Cause:   cause.Whitefly,
		Group:   Insects,
		Reached: []OperatorID{Soap, Oil, LabelDrug, Systemic, Predators, WashDown},
		Beside:  "what stands in the same room",
	},
	{
		Cause:   cause.Mealybug,
		Group:   Insects,
		Reached: []OperatorID{Soap, Alcohol, Oil, LabelDrug, Systemic, Predators, WashDown},
		Lasting: true,
		Beside:  "what touched it or stood on its tray",
	},
	{
		Cause:   cause.RootMealybug,
		Group:   Insects,
		Reached: []OperatorID{WashOff, Systemic, LabelDrug},
		Rests:   true,
		Lasting: true,
		Beside:  "what shares its tray water",
	},
	{
		Cause:   cause.SoftScale,
		Group:   Insects,
		Reached: []OperatorID{Soap, Alcohol, Oil, LabelDrug, Systemic, Scrape},
		Lasting: true,
		Beside:  "what touched it",
	},
	{
		Cause:   cause.ArmouredScale,
		Group:   Insects,
		Reached: []OperatorID{Oil, Alcohol, LabelDrug, Scrape},
		Lasting: true,
		Beside:  "plants of the same kind",
	},
	{
		Cause:   cause.FungusGnat,
		Group:   Insects,
		Reached: []OperatorID{DryTop, Larvicide, Nematodes, Traps, LabelDrug, Predators},
		Rests:   true,
		Beside:  "every wet pot",
	},
	{
		Cause:   cause.LeafMiner,
		Group:   Insects,
		Reached: []OperatorID{RemoveLeaves, LabelDrug, Traps},
		Beside:  "plants of the same genus",
	},
	{
		Cause:   cause.Chewer,
		Group:   Insects,
		Reached: []OperatorID{HandPick, LabelDrug, Traps},
		Beside:  "what stood outdoors with it",
	},
	{
		Cause:   cause.SlugSnail,
		Group:   Others,
		Reached: []OperatorID{HandPick, Traps, LabelDrug, BakeGrit},
		Beside:  "what stands on the same shelf",
	},
	{
		Cause:   cause.RootGrub,
		Group:   Insects,
		Reached: []OperatorID{WashOff, Nematodes, HandPick, LabelDrug},
		Rests:   true,
		Beside:  "what stands on the same shelf",
	},
	{
		Cause:   cause.Springtail,
		Group:   Insects,
		Reached: []OperatorID{DryTop, HoldWater, Larvicide, Nematodes},
		Rests:   true,
	},
}

// FoeOf finds what is known of a pest; false where the cause is none.
func FoeOf(id cause.ID) (Foe, bool) {
	i := slices.IndexFunc(foes, func(f Foe) bool { return f.Cause == id })
	if i < 0 {
		return Foe{}, false
	}
	return foes[i], true
}

// Treating are the operators that meet a pest or a disease on the plant.
func Treating() []OperatorID { return slices.Clone(treating) }

// Treats says whether an operator meets a pest or a disease on the plant.
func (o OperatorID) Treats() bool { return slices.Contains(treating, o) }

var treating = []OperatorID{Soap, Oil, Alcohol, LabelDrug, Systemic, Predators, Scrape, HotDip, WashDown}

// ClassTouches gives the causes that a class of label product touches; false for
// a class that is not known.
func ClassTouches(class string) ([]cause.ID, bool) {
	touched, known := classes[class]
	return slices.Clone(touched), known
}

var classes = map[string][]cause.ID{
	"oomycete": {cause.BlackRot, cause.RootRot, cause.BaseRot},
	"fungus": {
		cause.FungalSpot,
		cause.Anthracnose,
		cause.PowderyMildew,
		cause.Rust,
		cause.GreyMould,
		cause.PetalBlight,
		cause.Fusarium,
		cause.RootRot,
		cause.BaseRot,
		cause.SouthernBlight,
	},
	"bacteria": {cause.SoftRot, cause.BacterialSpot, cause.Acidovorax, cause.BaseRot},
	"mite":     {cause.SpiderMite, cause.FlatMite, cause.BroadMite},
	"sulphur":  {cause.SpiderMite, cause.FlatMite, cause.BroadMite, cause.PowderyMildew, cause.Rust},
	"insect": {
		cause.Thrips,
		cause.Aphid,
		cause.Whitefly,
		cause.Mealybug,
		cause.RootMealybug,
		cause.SoftScale,
		cause.ArmouredScale,
		cause.FungusGnat,
		cause.LeafMiner,
		cause.Chewer,
		cause.RootGrub,
		cause.Springtail,
	},
	"copper": {
		cause.SoftRot,
		cause.BacterialSpot,
		cause.Acidovorax,
		cause.FungalSpot,
		cause.Anthracnose,
		cause.BlackRot,
		cause.BaseRot,
	},
}
