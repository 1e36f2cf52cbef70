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
	judged = []item{at(14, t.Look, every(14, twoClean))}
	// what is done at once about spots on leaves: marked leaves off, air, water on the medium only.
	spotsOff = []item{at(0, t.Air), at(0, t.ByRule, what("medium only, morning")), leaves(false, 0)}
	// spots on leaves, looked at until they are quiet.
	spots = join(spotsOff, []item{at(5, t.Look, every(5, quiet))})
	// what bacteria do to leaves is seen within days.
	quickly = []item{at(2, t.Look, every(2, toDay(14))), at(21, t.Look, every(7, quiet))}
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
	// what is left of a plant whose sound pieces were taken from a rotting base.
	oldBase = []item{
		at(0, t.HoldWater, until(due)),
		at(7, t.Look, every(7, toDay(28)),
			note("is the old base dry and firm? If it softens, bag it with its medium; the pieces go on alone")),
	}
	// an air plant: what is mush off, and dry.
	airy = []item{leaves(true, 0), at(0, t.Air), at(7, t.Look, every(7, toDay(28)))}
	// look and leave.
	static = []item{at(14, t.Look, every(14, toDay(56)))}
)

// ifMore is a product against fungi, for which there is no need while what was taken off
// was all of it.
func ifMore(day int, cond string) item {
	return at(day, t.LabelDrug, organ(t.OnLeaf), with(func(p *t.Params) {
		p.Class, p.DoseTyped, p.Cond = "fungus", true, cond
	}))
}

// keepOrDiscard is the question that ends what nothing cures.
const keepOrDiscard = "decide: keep it or discard it"

// kept says whether the carer keeps a suspect.
func kept(x *subject) bool { return x.Choices.Keep == t.SideKeep }

// graftedKind says whether it lives on the roots of another.
func graftedKind(x *subject) bool { return x.kind.Has(plant.Grafted) }

// bareCane says whether it is a length of stem without leaves: only that is cut up.
func bareCane(x *subject) bool {
	return x.is(t.JewelOrchid, t.AroidVine, t.WaxVine) && x.Facts.PieceOf.Value == "stem"
}

// neverDries says whether its kind is kept moist, in a tray or over a reservoir: what dries a
// medium for others harms it.
func neverDries(x *subject) bool {
	return x.habitID == t.Carnivore ||
		among(x.kind.WaterRule, plant.Even, plant.WetTray, plant.CupWater, plant.Reservoir)
}

// inMedium says whether it stands in a pot with a medium.
func inMedium(x *subject) bool { return !x.untied && x.seat == "pot" && x.habitID != t.AirPlant }

// bearsMist says whether moist air does it good.
func bearsMist(x *subject) bool {
	return !x.is(t.SucculentRosette, t.Cactus) && !x.any(t.LeafDiseases()) && !x.has(cause.Edema, cause.BroadMite)
}

// sunLover says whether its kind takes direct sun once it is used to it.
func sunLover(x *subject) bool {
	return x.named && (x.kind.Sun == plant.MorningSun || x.kind.Sun == plant.FullSun)
}

// backToLight is the way back after a burn: nothing before two weeks and a week without a
// new mark, then a quarter at a time, and sun last.
var backToLight = []item{
	when(gate.Gate{gate.OnDay(14), gate.QuietFor(7, 0)}, t.Brighten, share(0.25), every(3, bestLight)),
	given(sunLover, when(bestLight, t.Brighten, share(0.05), every(3, fullSun), what("sun"))),
}

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
	t.Refresh:     {refreshed},
	t.PartWish:    {roots(washRoots, parted, inSeason, covered(closed))},
	t.Prune:       {given(branching, at(0, t.TrimBranch)), at(28, t.Look)},
}

// refreshed gives fresh mix in the same way of growing and the same pot: palms and cycads
// only on top, dry kinds with dry fingers, all others washed as far as their roots bear it.
func refreshed(a *orders, c cause.ID) {
	switch {
	case a.is(t.Palm, t.Cycad):
		at(0, t.TopDress)(a, c)
	case a.is(t.JewelOrchid, t.Fern, t.BulbPlant):
		roots(wholeBall, inSeason)(a, c)
	case a.dry:
		roots(washRoots, inSeason, washedDry)(a, c)
	default:
		roots(washRoots, inSeason)(a, c)
	}
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
