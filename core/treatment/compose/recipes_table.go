package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/plant"
	t "tendermend/core/treatment"
)

// Parts of recipes that many causes share.
var (
	// judged by new growth: the marks stay, nothing is cut.
	judged = []item{at(14, t.Look, every(14, twoClean), note("marks against the picture"))}
	// spots on leaves: marked leaves off, air, water on the medium only.
	spots = []item{
		at(0, t.Air),
		at(0, t.ByRule, what("medium only, morning")),
		leaves(false, 0),
		at(5, t.Look, every(5, fortnight)),
	}
	// a heart that rots: dry, no unpotting, and patience for side shoots.
	heart = []item{at(0, t.Air), at(4, t.ByRule, what("medium only, morning")),
		when(gate.Gate{gate.See(gate.Offset)}, t.Look)}
	// a crown that is not cut: freed, dry, watched.
	uncut = []item{
		at(0, t.RaiseBase),
		at(0, t.HoldWater, until(due)),
		at(0, t.Air),
		when(due, t.ByRule, what("medium only, morning")),
	}
	// an air plant: what is mush off, and dry.
	airy = []item{leaves(true, 0), at(0, t.Air), at(7, t.Look, every(7, toDay(28)))}
	// look and leave.
	static = []item{at(14, t.Look, every(14, toDay(56)))}
)

const (
	closed = plant.CoverClosed
	open   = plant.CoverOpen
	none   = plant.CoverNone
)

// recipes are the treatments, gravest causes first; of the rows for one cause
// the first that fits is taken (society disease sheets, extension plant clinics
// and growers' practice, from memory).
var recipes = slices.Concat(
	waterRecipes,
	rotRecipes,
	placeRecipes,
	feedingRecipes,
	lifeRecipes,
	pestRecipes,
)

// wishes are treatments that need no illness.
var wishes = map[t.Wish][]item{
	t.SetupChange: {changeIt},
	t.Propagate:   {pieces("wish", "tip", closed, t.TipCut)},
	t.Refresh:     {roots(wholeBall, inSeason)},
	t.PartWish:    {roots(washRoots, parted, inSeason)},
	t.Prune:       {given(branching, at(0, t.TrimBranch)), at(28, t.Look)},
}

// recipeFor gives the recipe of a cause for a plant; false when there is none.
func recipeFor(id cause.ID, x *subject) (recipe, bool) {
	for _, r := range recipes {
		if r.cause == id && r.fits(x) {
			return r, true
		}
	}
	return recipe{}, false
}
