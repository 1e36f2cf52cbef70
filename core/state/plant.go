// Package state is how a plant, what it stands in and the tools that are used on it stand at a moment, and the one
// table of what each operator changes. Plans are made on it, they are judged on it, and ticks are recorded by it.
package state

import (
	"slices"

	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// Never is the day of what did not happen.
const Never = -100000

// Blade is how clean what cuts is.
type Blade string

// The states of a blade.
const (
	Away  Blade = "away"  // from another plant, or another day
	Clean Blade = "clean" // made ready for this cut
	Used  Blade = "used"  // on sound tissue of this plant
	Dirty Blade = "dirty" // through what it would carry on
)

// Wound is a cut.
type Wound struct {
	Organ  treatment.Organ
	Day    int
	Open   bool // whether it has not closed yet
	Healed bool // whether it was laid up to close
	Wetted bool // whether water in the medium reaches it
}

// Taken is a share of its leaves that was taken on a day.
type Taken struct {
	Day   int
	Share float64
}

// Plant is how a plant stands at a moment, with its pot and the tools used on it. Days are counted from the plan's
// day 0, and are Never for what did not happen. It is a value: nothing in it is changed in place.
type Plant struct {
	Blade Blade
	Laid  *treatment.Params // the pot that is laid out for it
	Ready int               // the day on which that was laid out

	Seat     facts.Seat
	Medium   facts.MediumClass
	Out      bool // out of its pot, and not set again
	Cleared  bool // its old moss was taken off since
	Standing bool // water stands below it
	Plug     bool // a nursery plug sits in its roots
	Moist    facts.Moist
	NoWater  bool // it is kept dry until further notice
	NoFeed   bool
	Cover    facts.Cover
	Sun      bool // sun falls on it
	Light    treatment.Number
	WarmthC  treatment.Number
	Apart    bool
	Free     bool // it was let out of isolation

	Limp    bool
	Thirsty bool
	Rot     bool // rot lives in it
	Share   float64
	NewRoot float64 // length of its new roots, cm
	Grows   bool    // it was seen growing
	Wounds  []Wound
	Taken   []Taken
	Wet     Wetness
	Film    treatment.OperatorID // what lies on its leaves

	WetOn, CoveredOn, ShadedOn       int
	DippedOn                         int // its first soak
	SoakedOn                         int // a thirsty plant drank
	WateredOn                        int
	LiftedOn                         int // it was last taken out of its pot
	SetOn                            int
	LostOn                           int // much root was lost
	PredatorsOn, DustedOn, TreatedOn int
}

// Begin is how a plant stands on day 0: by its facts, and the cautious value for each that nobody said.
func Begin(s treatment.Situation) Plant {
	f := treatment.Assumed(s)
	share, _ := s.Share()
	p := Plant{
		Blade: Away, Ready: Never,
		Seat: f.Seat.Value, Medium: f.MediumClass.Value, Standing: f.Standing.Value, Plug: f.Plug.Value,
		Moist: f.Moist.Value, NoWater: f.NoWater.Value, NoFeed: f.NoFeed.Value,
		Cover: f.Cover.Value, Sun: f.Place.Sun.Value || f.Sun.Value,
		Light: number(f.LightShare), WarmthC: number(f.Place.WarmthC), Apart: f.Isolated.Value,
		Limp: f.Limp.Value, Rot: f.RotAlive.Value && has(s.Causes, treatment.Rots()...),
		Share: share, NewRoot: f.NewRootsCM.Or(0),
		WetOn: Never, CoveredOn: Never, ShadedOn: Never, DippedOn: Never, SoakedOn: Never,
		WateredOn: Never, LiftedOn: Never, SetOn: Never, LostOn: Never,
		PredatorsOn: Never, DustedOn: Never, TreatedOn: Never,
	}
	p.Thirsty = p.Limp && (p.Moist == facts.Dry || p.Moist == facts.Bone)
	return p
}

func number(f facts.Number) treatment.Number { return treatment.Number{Value: f.Value, Known: f.Known} }

// OpenWound says whether a cut that water would reach is open.
func (p Plant) OpenWound() bool {
	return slices.ContainsFunc(p.Wounds, func(w Wound) bool { return w.Open && w.Wetted })
}

// StemCut is the day of the last cut through stem, base or body; Never where there was none.
func (p Plant) StemCut() int {
	day := Never
	for _, w := range p.Wounds {
		if w.Organ != treatment.OnRoots {
			day = max(day, w.Day)
		}
	}
	return day
}

// closed closes its wounds; healed says that they were laid up for it.
func (p Plant) closed(healed bool) Plant {
	p.Wounds = slices.Clone(p.Wounds)
	for i := range p.Wounds {
		p.Wounds[i].Open = false
		p.Wounds[i].Healed = p.Wounds[i].Healed || healed
	}
	return p
}
