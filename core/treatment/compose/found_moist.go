package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// foundWet says whether its medium was found wet.
func (c *composer) foundWet() bool { return c.Facts.Moist.Known && c.drownedNow() }

// driesFirst says whether it stands in a pot that was found wet, and is to dry before anything is
// poured on: what is never to dry as far as damp, and what drinks from a tray or a reservoir never.
func (c *composer) driesFirst() bool {
	return c.foundWet() && c.seat == facts.InPot && !c.is(treatment.AirPlant, treatment.Carnivore) &&
		!among(c.kind.WaterRule, plant.WetTray, plant.Reservoir)
}

// heldWhileWet gives no water to what was found wet, where the plan says nothing of water: what
// stands wet dries first, whatever else ails it (common practice).
func (c *composer) heldWhileWet(list []*sit) []*sit {
	if !c.driesFirst() || c.untied || c.resting() || c.piece || anyHas(list, waters...) {
		return list
	}
	return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.HoldWater, until(due))})
}

// wateredWhileDry waters today what was found too dry for its kind and stands firm, where the plan
// says nothing of water or waters it some days later: it drinks, whatever else ails it (common
// practice).
func (c *composer) wateredWhileDry(list []*sit) []*sit {
	if !c.foundTooDry() || c.limp || c.rotLives {
		return list
	}
	return drinksBeforeSprays(c.drinksToday(list))
}

// drinksToday gives such a plant its line for water on the first day.
func (c *composer) drinksToday(list []*sit) []*sit {
	if !anyHas(list, waters...) {
		return c.onDay(list, treatment.CareSit, 0, []step{do(treatment.ByRule, water(c.betterWater()))})
	}
	for _, s := range list {
		i := slices.IndexFunc(s.steps, func(x step) bool { return slices.Contains(waters, x.Op) })
		if i < 0 {
			continue
		}
		if x := s.steps[i]; s.dated && s.day > 0 && s.day <= dryWaits && ruled(x) && x.Every == 0 {
			s.steps = slices.Delete(slices.Clone(s.steps), i, i+1)
			return c.onDay(list, treatment.CareSit, 0, []step{x})
		}
		break
	}
	return list
}

// drinksBeforeSprays has what was found too dry drink before it is washed and sprayed that day: soap, oil and
// products burn a leaf that wants water (common practice, and what their labels say).
func drinksBeforeSprays(list []*sit) []*sit {
	for _, s := range list {
		wet := slices.IndexFunc(s.steps, func(x step) bool {
			return x.Op == treatment.WashDown || slices.Contains(sprays, x.Op)
		})
		drinks := slices.IndexFunc(s.steps, func(x step) bool { return ruled(x) && x.Every == 0 })
		if !s.dated || s.day > 0 || wet < 0 || drinks < wet {
			continue
		}
		rule := s.steps[drinks]
		s.steps = slices.Insert(slices.Delete(slices.Clone(s.steps), drinks, drinks+1), wet, rule)
	}
	return list
}

// drinksNow says how it is watered today.
func (c *composer) drinksNow() string {
	switch {
	case c.kind.WaterRule == plant.WetTray:
		return "It is too dry for it: wet it through from above now, with low-mineral water."
	case c.has(cause.NoDrainage) || c.Facts.PotHoles.Known && !c.Facts.PotHoles.Value:
		return "It is too dry for it: water it now, a fifth of its pot at most, and tip out what stands after an hour."
	case c.seat == facts.InBasket:
		return "It is too dry for it: dip its basket in water until bubbles stop, and let it drip off."
	case c.moist == facts.Dry:
		return "It is too dry for it: water it now until it drips, and let it drain."
	}
	return "It is dry through: water it now, slowly and twice, until it drips, and let it drain."
}

// dryWaits is up to how many days later a plan may water what was found too dry: it is watered
// today instead (common practice).
const dryWaits = 3

// foundTooDry says whether it stands in a pot that was found too dry for its kind, and may drink:
// dry through, or dry where no more than the top of its medium is to dry.
func (c *composer) foundTooDry() bool {
	tooDry := c.Facts.Moist.Known && (c.moist == facts.Bone || c.moist == facts.Dry && c.driesLittle())
	lives := !c.rootless || !c.Facts.LiveRoots.Known // without a live root nothing can drink
	return tooDry && lives && !c.dryKind() && c.mediumFelt() && (!c.resting() || neverRests(c.subject)) &&
		!c.piece && !c.is(treatment.AirPlant, treatment.Bromeliad, treatment.WinterDeciduous)
}

// mediumFelt says whether it stands in a medium that was felt: in a pot, or in a basket that is not of air roots.
func (c *composer) mediumFelt() bool {
	return c.seat == facts.InPot || c.mossed()
}

// bareRooted says whether its roots are in no medium.
func (c *composer) bareRooted() bool { return c.untied && !c.mossed() }

// mossed says whether it stands in a basket with a medium, which is watered by its rule and not by its roots.
func (c *composer) mossed() bool {
	return c.seat == facts.InBasket && c.named && c.kind.WaterRule != plant.AirRoots
}

// dryKind says whether it is a plant that stores water and is watered when it has long been dry: a bulb in
// leaf may drink as other plants do.
func (c *composer) dryKind() bool {
	return c.dry && !c.driesLittle()
}

// driesLittle says whether no more than the top of its medium is to dry before water.
func (c *composer) driesLittle() bool {
	return among(c.kind.WaterRule, plant.Even, plant.WetTray, plant.SurfaceDry, plant.QuarterDry)
}

// saidDry says at the first line for water of what was found too dry that it drinks today, and
// how: a medium that is dry through lets the first water run past.
func (c *composer) saidDry(list []treatment.Sitting) {
	if !c.foundTooDry() {
		return
	}
	for _, s := range list {
		for i, x := range s.Steps {
			if !slices.Contains(waters, x.Op) || x.Op == treatment.Routine {
				continue
			}
			half := x.Params.How == "half"
			plain := plainRule(x) || half || x.Params.How == "" && whereOfRule[x.Params.What] != ""
			if s.Day != nil && *s.Day == 0 && ruled(x) && plain && x.Every == 0 {
				now := c.drinksNow()
				if half {
					now = "It is too dry for it: give it half of the usual amount now, slowly."
				}
				s.Steps[i].Words = now + " From then on: " + lowered(x.Words)
			}
			return
		}
	}
}

// waters are the steps that say when it drinks, or that wet its medium.
var waters = []treatment.OperatorID{
	treatment.ByRule, treatment.HoldWater, treatment.BottomWater, treatment.Flush, treatment.FirstWater, treatment.Soak,
	treatment.WetRoots, treatment.ChangeWater, treatment.Routine, treatment.Discard, treatment.CupFill,
	treatment.DryTop, treatment.Unpot, treatment.Callus, treatment.Behead, treatment.NodeBox, treatment.Larvicide,
	treatment.Nematodes, treatment.Systemic, treatment.PotIn, treatment.SetCup, treatment.Peroxide,
}
