package cause

import (
	"slices"

	"tendermend/core/climate"
)

// OfSeason is a trouble that a season brings to plants indoors, with what brings it.
type OfSeason struct {
	Season climate.Season `json:"season" enum:"spring,summer,autumn,winter"`
	Cause  ID             `json:"cause"`
	Why    string         `json:"why" doc:"What in this season brings it, and where it is looked for."`
}

// InSeason lists what a season brings to plants indoors, what is looked for first at the top.
func InSeason(s climate.Season) []OfSeason {
	return slices.DeleteFunc(slices.Clone(ofSeasons), func(o OfSeason) bool { return o.Season != s })
}

// ofSeasons are common practice of growers indoors in a heated house.
var ofSeasons = []OfSeason{
	{climate.Spring, SunScorch,
		"The first strong sun falls on leaves that grew in the dark: look at those by the window."},
	{climate.Spring, PotBound,
		"New roots fill the pot as growth begins: look at the holes, and how fast it dries."},
	{climate.Spring, Aphid,
		"Soft new tips draw them: look at buds and the youngest leaves."},
	{climate.Spring, NitrogenLow,
		"It grows again and the old mix is used up: look at how green the oldest leaves are."},
	{climate.Spring, FungusGnat,
		"Warm wet mix feeds their young: look at the surface when you water."},
	{climate.Summer, Drought,
		"Small pots dry in a day: feel the medium, and the weight, in the morning."},
	{climate.Summer, SpiderMite,
		"In the heat a generation takes a week: look at undersides with a lens."},
	{climate.Summer, Thrips,
		"They come in through open windows: look for silver streaks and dark specks."},
	{climate.Summer, HeatStress,
		"A closed room, or glass in the sun: look at what hangs at noon and stands at night."},
	{climate.Summer, SaltInjury,
		"Much is fed and much dries off: look for a white crust and brown tips."},
	{climate.Autumn, Mealybug,
		"What comes in from outside brings them: look at joints and pot rims before it joins the others."},
	{climate.Autumn, SlugSnail,
		"They come in with pots from outside: look under the pot and at the rim by night."},
	{climate.Autumn, Overwatering,
		"It drinks less as the light goes, and is watered as in summer: feel before you pour."},
	{climate.Autumn, GreyMould,
		"Cool, still and damp: look at old flowers and dead leaves, and take them off."},
	{climate.Autumn, ColdInjury,
		"The first cold nights: look at what still stands outside or at an open window."},
	{climate.Winter, LowLight,
		"Short days: look for long thin growth that leans, and small new leaves."},
	{climate.Winter, DryAir,
		"Heated air: look at tips and edges, and at buds that dry."},
	{climate.Winter, Overwatering,
		"It drinks half of what it did: feel before you pour, and empty the saucer."},
	{climate.Winter, SpiderMite,
		"Dry heated air helps them: look at undersides with a lens."},
	{climate.Winter, ColdInjury,
		"Cold glass and open windows: look at leaves that touch the pane, and for soft glassy patches."},
	{climate.Winter, SoftScale,
		"They go on in a warm room unseen: feel for a sticky film."},
}
