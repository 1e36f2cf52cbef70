package drying

import "math"

// Case makes a day too late cheaper or dearer than usual.
type Case float64

// The cases (growers' practice; a guess).
const (
	Ordinary Case = 1
	Thirsty  Case = .6  // drought is what ails it
	WetHarms Case = 1.5 // gnats, or a pot too large for its roots
	RotsEasy Case = 3   // rot was found, or few roots live
)

// From which chances on something is said (growers' practice; a guess).
const (
	fromAt, fromAtRot = .20, .35 // that its rule is met: a look is useful
	rotsFrom          = WetHarms // from this case on the first look comes later
	sureAt, sureAtRot = .85, .95 // that it is thirsty
	sureSD            = .20      // of the rate: without a find it is sure enough up to that
	harmAt            = .10      // of harm: the last safe day
	lowEnd, highEnd   = .10, .90 // of the interval that holds eight days in ten
	horizon           = 120      // days that are looked ahead
)

// Window is when to look, in days from the moment that is asked about.
type Window struct {
	From  int // it may be dry enough
	Best  int // the day on which a look is worth most
	Until int // the last day before harm is likely
	Low   int // its rule is met on that day or later, nine times in ten
	High  int // and by that day, nine times in ten
}

// Window gives when to look for a rule, as of a moment.
func (f *Filter) Window(rule Rule, now float64, of Case) Window {
	f = f.likely()
	met := func(days int) float64 { return f.Below(rule.Met, now+float64(days)) }
	from := fromAt
	if of >= rotsFrom {
		from = fromAtRot
	}
	w := Window{
		From: firstDay(met, from),
		Best: firstDay(met, 1/(1+rule.Late/float64(of))),
	}
	w.Low, w.High = f.interval(rule, now)
	harm := func(days int) float64 { return f.Below(rule.Harm, now+float64(days)) }
	w.Until = horizon
	if late := firstDay(harm, math.Nextafter(harmAt, 1)); late < horizon {
		w.Until = max(late+rule.Grace-1, 0)
	}
	w.Until = max(w.Until, w.From)
	w.Best = max(w.From, min(w.Best, w.Until))
	return w
}

// interval gives the days between which the rule is met in eight cases of ten. A day
// stands for all that is met since the day before; the ends are rounded so that as much is
// left out on the average as is let in.
func (f *Filter) interval(rule Rule, now float64) (low, high int) {
	at := func(chance float64) float64 {
		from, to := 0.0, float64(horizon)
		for range 12 {
			middle := (from + to) / 2
			if f.Below(rule.Met, now+middle) >= chance {
				to = middle
			} else {
				from = middle
			}
		}
		return to
	}
	high = int(math.Round(at(highEnd)))
	low = int(math.Round(at(lowEnd))) + 1
	return min(low, max(high, 0)), high
}

// firstDay is the first day from which on a chance that only grows is so great; the
// horizon where it never is.
func firstDay(chance func(int) float64, wanted float64) int {
	if chance(horizon-1) < wanted {
		return horizon
	}
	low, high := -1, horizon-1
	for high-low > 1 {
		middle := (low + high) / 2
		if chance(middle) >= wanted {
			high = middle
		} else {
			low = middle
		}
	}
	return high
}

// Say is what to do now.
type Say string

// What is said.
const (
	WaterNow  Say = "water" // it is thirsty
	LookFirst Say = "look"  // probably dry: a finger first
	Wait      Say = "wait"  // still wet
)

// Says tells what to do from the chance that the rule is met, and from how sure the rate
// is; read is true where something was found since the last watering.
func (f *Filter) Says(met float64, read bool, of Case) Say {
	_, sd := f.Rate()
	sure := sureAt
	if of > Ordinary {
		sure = sureAtRot
	}
	switch {
	case met >= sure && (read || sd < sureSD):
		return WaterNow
	case met < fromAt:
		return Wait
	}
	return LookFirst
}
