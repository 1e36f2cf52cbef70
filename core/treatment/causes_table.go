package treatment

import (
	"slices"

	"tendermend/core/cause"
)

// Groups of causes that composer and checker both ask for (common practice).

// LeafDiseases spread on wet leaves.
func LeafDiseases() []cause.ID { return slices.Clone(leafDiseases) }

var leafDiseases = []cause.ID{
	cause.BacterialSpot,
	cause.Acidovorax,
	cause.SoftRot,
	cause.FungalSpot,
	cause.Anthracnose,
	cause.PowderyMildew,
	cause.Rust,
	cause.GreyMould,
	cause.PetalBlight,
	cause.LeafNematode,
}

// Rots are taken as living unless the carer answers that they are dry and old.
func Rots() []cause.ID { return slices.Clone(rots) }

var rots = []cause.ID{cause.RootRot, cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium}

// Travels are causes that go along with a piece that is cut or taken.
func Travels() []cause.ID { return slices.Clone(travels) }

var travels = []cause.ID{
	cause.Virus,
	cause.Fusarium,
	cause.SoftRot,
	cause.BlackRot,
	cause.BacterialSpot,
	cause.Acidovorax,
	cause.SouthernBlight,
	cause.LeafNematode,
	cause.BroadMite,
	cause.FlatMite,
	cause.Thrips,
	cause.Mealybug,
	cause.RootMealybug,
	cause.SoftScale,
	cause.ArmouredScale,
}

// OnBlade are causes that a blade carries to the next plant it cuts.
func OnBlade() []cause.ID { return slices.Clone(onBlade) }

var onBlade = []cause.ID{
	cause.Virus,
	cause.Fusarium,
	cause.SouthernBlight,
	cause.BacterialSpot,
	cause.Acidovorax,
	cause.SoftRot,
}

// Rescued are causes after which the pot is sized to the live roots.
func Rescued() []cause.ID { return slices.Clone(rescued) }

var rescued = []cause.ID{
	cause.RootRot,
	cause.DryRootLoss,
	cause.BaseRot,
	cause.BlackRot,
	cause.Fusarium,
	cause.Detached,
	cause.PotTooBig,
	cause.RootMealybug,
}

// OldMarks are marks that neither heal nor spread: what made them is over.
func OldMarks() []cause.ID { return slices.Clone(oldMarks) }

var oldMarks = []cause.ID{
	cause.SunScorch,
	cause.Edema,
	cause.SprayInjury,
	cause.ColdWaterMarks,
	cause.MesophyllCollapse,
	cause.Corking,
	cause.StressColour,
	cause.LampBurn,
}
