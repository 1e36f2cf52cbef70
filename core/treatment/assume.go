package treatment

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
)

// killsRoots are causes with which few roots live where nobody counted.
var killsRoots = []cause.ID{cause.RootRot, cause.DryRootLoss, cause.BaseRot}

// KillsRoots says whether one of the causes kills roots.
func KillsRoots(causes []cause.ID) bool {
	return slices.ContainsFunc(causes, func(id cause.ID) bool { return slices.Contains(killsRoots, id) })
}

// Shares of live roots that are taken where nobody counted (common practice).
const (
	lostShare = 0.3
	limpShare = 0.2 // and where it hangs limp or is shrivelled
	wellShare = 0.8
	fewShare  = 0.1
)

// Assumed gives the facts of a situation with a value in the place of each that nobody
// said: what its kind is sold in, what the accepted causes say, or the cautious one.
// Those values are not known. Composer and checker both begin from it; neither guesses.
func Assumed(s Situation) facts.Facts {
	f := s.Facts
	f.Seat = assumed(f.Seat, usualSeat(s))
	f.MediumClass = assumed(f.MediumClass, usualMedium(s, f.Seat.Value))
	f.Moist = assumed(f.Moist, usualMoist(s))
	f.Limp = assumed(f.Limp, slices.Contains(s.Causes, cause.Drought))
	f.RotAlive = assumed(f.RotAlive, true)
	return f
}

func assumed[T any](f facts.Fact[T], usual T) facts.Fact[T] {
	if f.Known {
		return f
	}
	return facts.Taken(usual)
}

// Share is the share of its roots that live, 0 to 1, and whether it was counted;
// otherwise by what was accepted.
func (s Situation) Share() (share float64, counted bool) {
	if share, counted := s.Facts.LiveShare(); counted {
		return share, true
	}
	switch {
	case slices.Contains(s.Causes, cause.Detached):
		return 0, false
	case s.Facts.FewRoots.Value:
		return fewShare, false
	case KillsRoots(s.Causes) && (s.Facts.Limp.Value || s.Facts.Reserves.Value == facts.Shrivelled):
		return limpShare, false
	case KillsRoots(s.Causes):
		return lostShare, false
	}
	return wellShare, false
}

// seatSold is what a plant stands in by what its kind is sold in.
var seatSold = map[string]facts.Seat{
	"pot": facts.InPot, "pot-bark": facts.InPot, "pot-moss": facts.InPot, "pot-plug": facts.InPot,
	"basket": facts.InBasket, "mounted": facts.OnMount, "bare": facts.Hung,
}

// usualSeat is a pot where a width or a medium is known; else what its kind is sold in.
func usualSeat(s Situation) facts.Seat {
	f := s.Facts
	habit, _ := HabitDefaults(s.HabitID())
	if habit.Habit == AirPlant {
		return facts.Hung
	}
	kind, named := s.KindOf()
	inMedium := f.PotWidthCM.Known || f.MediumClass.Known && f.MediumClass.Value != facts.NoMedium
	if inMedium && (!named || len(kind.Setups) == 0 || slices.Contains(kind.Setups, "pot")) {
		return facts.InPot
	}
	seat := facts.InPot
	switch sold, known := seatSold[kind.SoldIn]; {
	case known && named:
		seat = sold
	case len(kind.Setups) > 0 && kind.SoldIn == "":
		seat = seatOfSetup(kind.Setups[0])
	}
	if seat == facts.InBasket && !OrchidSet().Has(habit.Habit) {
		return facts.InPot // a foliage plant's hanging basket is a pot
	}
	return seat
}

// seatOfSetup is what an own kind stands in by its first way of growing.
func seatOfSetup(setup string) facts.Seat {
	switch setup {
	case "basket":
		return facts.InBasket
	case "mounted":
		return facts.OnMount
	case "bare-root", "air":
		return facts.Hung
	}
	return facts.InPot
}

var mediumSold = map[string]facts.MediumClass{"pot-bark": facts.Bark, "pot-moss": facts.Moss, "pot-plug": facts.Moss}

// usualMedium is the class of what its kind is sold in, or of its own mix.
func usualMedium(s Situation, seat facts.Seat) facts.MediumClass {
	if seat == facts.OnMount || seat == facts.Hung {
		return facts.NoMedium
	}
	kind, _ := s.KindOf()
	if class, known := mediumSold[kind.SoldIn]; known {
		return class
	}
	var parts []plant.Part
	switch habit, _ := HabitDefaults(s.HabitID()); {
	case len(kind.Mixes) > 0:
		parts = kind.Mixes[0].Parts
	default:
		parts = habit.Mix
	}
	if class := MixClass(parts); class != "" {
		return class
	}
	return facts.Soil
}

// usualMoist is what the accepted causes say of the medium.
func usualMoist(s Situation) facts.Moist {
	has := func(ids ...cause.ID) bool {
		return slices.ContainsFunc(ids, func(id cause.ID) bool { return slices.Contains(s.Causes, id) })
	}
	switch {
	case has(cause.Overwatering, cause.RootRot, cause.NoDrainage):
		return facts.Wet
	case has(cause.Drought, cause.MediumRepels):
		return facts.Dry
	}
	return facts.Right
}
