package forecast

import (
	"fmt"
	"math"
	"slices"

	"tendermend/core/drying"
)

// Limits of what is typed.
const (
	mostMeter = 10
	mostGrams = 200_000
	gramsInKG = 1000
	// fullHours is for how long after a watering a weight counts as full.
	fullHours = 3
)

// read turns one event into what the model reads; a weight of a pot that was never
// weighed full tells nothing yet.
func (r *reader) read(e Event, at float64, where string) ([]drying.Happening, error) {
	found := func(f drying.Finding) ([]drying.Happening, error) {
		return []drying.Happening{{At: at, Find: &f}}, nil
	}
	depth := drying.DepthOf(e.CM, r.pot.Depth(), r.who.rule)
	switch {
	case e.Watered != "":
		return r.water(e, at, where)
	case e.Stick != "":
		if !slices.Contains([]drying.Class{"dry", "barely", "moist", "wet"}, e.Stick) {
			return nil, Fault{where + ".stick", fmt.Sprintf("%q is not dry, barely, moist or wet", e.Stick)}
		}
		return found(drying.Stick(depth, e.Stick))
	case e.StillMoist:
		return found(drying.StillMoist(r.who.rule.Depth))
	case e.Lift != "":
		if !slices.Contains([]drying.Class{"light", "middling", "heavy"}, e.Lift) {
			return nil, Fault{where + ".lift", fmt.Sprintf("%q is not light, middling or heavy", e.Lift)}
		}
		return found(drying.Lift(e.Lift))
	case e.Limp != nil:
		return found(drying.Limp(*e.Limp, drying.LimpAt(r.pot.Drink)))
	case e.Meter != nil:
		if *e.Meter < 0 || *e.Meter > mostMeter {
			return nil, Fault{where + ".meter", fmt.Sprintf("%g is off the scale; a meter reads 0 to 10", *e.Meter)}
		}
		return found(drying.Meter(*e.Meter, depth))
	case e.WeighedG != 0:
		return r.weigh(e, at, where)
	}
	return r.change(e, at, where)
}

// change reads what makes the pot another one.
func (r *reader) change(e Event, at float64, where string) ([]drying.Happening, error) {
	switch {
	case e.Moved != "":
		if e.Moved == "in-or-out" {
			return []drying.Happening{{At: at, Spread: drying.MovedOutSD}}, nil
		}
		return []drying.Happening{{At: at, Spread: drying.MovedSD}}, nil
	case e.CutBack:
		return []drying.Happening{{At: at, Spread: drying.CutSD}}, nil
	case e.Repotted != nil:
		pot := *e.Repotted
		if pot.Drink == "" {
			pot.Drink = r.pot.Drink
		}
		r.pot, r.full, r.watered, r.capacity = pot, nil, at, pot.Capacity()
		return []drying.Happening{{At: at, Repot: &pot}}, nil
	}
	return nil, Fault{where, "say what happened: watered, stick, stillMoist, lift, weighedG, limp, meter, moved, " +
		"cutBack or repotted"}
}

func (r *reader) water(e Event, at float64, where string) ([]drying.Happening, error) {
	switch e.Watered {
	case "through", "soak":
		r.watered = at
		return []drying.Happening{{At: at, Water: drying.How(e.Watered)}}, nil
	case "little":
		if e.ML < 0 {
			return nil, Fault{where + ".ml", "give an amount, or leave it out"}
		}
		return []drying.Happening{{At: at, Sip: drying.SipOf(e.ML, r.capacity)}}, nil
	}
	return nil, Fault{where + ".watered", fmt.Sprintf("%q is not through, soak or little", e.Watered)}
}

// weigh reads a weight against what it weighed full in this pot.
func (r *reader) weigh(e Event, at float64, where string) ([]drying.Happening, error) {
	if e.WeighedG < 0 || e.WeighedG > mostGrams {
		return nil, Fault{where + ".weighedG", fmt.Sprintf("%g g is no pot; give grams", e.WeighedG)}
	}
	if r.watered >= 0 && at-r.watered <= fullHours/24.0 {
		if r.fullOn != r.watered && len(r.full) > 2 {
			r.full = r.full[1:] // it grows: the last few tell
		}
		r.full, r.fullOn = append(r.full, e.WeighedG), r.watered
		return nil, nil
	}
	if len(r.full) == 0 {
		return nil, nil
	}
	full := 0.0
	for _, g := range r.full {
		full += g / float64(len(r.full))
	}
	r.capacity = math.Max(r.capacity, (full-e.WeighedG)/gramsInKG)
	f := drying.Weighed(e.WeighedG, full, r.capacity)
	return []drying.Happening{{At: at, Find: &f}}, nil
}
