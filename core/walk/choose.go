// Package walk chooses, of all that is due, what is worth most in the minutes that there are.
package walk

import "slices"

// Zone is how a plant stands among the others: who is clean is walked past first.
type Zone int

// The zones.
const (
	Clean Zone = iota
	Watched
	Isolated
)

// Stop is a plant with what is due there.
type Stop struct {
	Plant   string
	Place   string
	Zone    Zone
	Value   float64 // what the looks there are worth now
	Minutes float64
}

// What a walk costs beside the looks, minutes (guesses): going to a place, turning to a plant,
// and washing before those that are watched and before those kept apart, each once.
const (
	perPlace, perPlant, perWash = 1.0, 0.3, 2.0
	// mustValue is from what value on a look goes in though it breaks the budget alone.
	mustValue = 20
	// A day that is over grows dearer, up to a limit.
	lateADay, latest = 0.5, 6.0
	atFirst          = 0.2
)

// Ramp is how much a look is worth on a day, as a share of its weight: nothing before its first
// useful day, a fifth on it, all of it on its best, twice that on the last safe one, and more
// from then on. All are days counted from anywhere.
func Ramp(today, from, best, until int) float64 {
	switch {
	case today < from:
		return 0
	case today < best:
		return atFirst + (1-atFirst)*float64(today-from)/float64(max(1, best-from))
	case today <= until:
		return 1 + float64(today-best)/float64(max(1, until-best))
	}
	return min(latest, 2+lateADay*float64(today-until))
}

// Choose gives which stops to make in so many minutes, by their index, in the order in which
// they came, and what that takes. The next is always the one that is worth most for the
// minutes that it adds: the way to a place and the washing count once.
func Choose(stops []Stop, minutes float64) (chosen []int, takes float64) {
	places, zones := map[string]bool{}, map[Zone]bool{Clean: true}
	extra := func(s Stop) float64 {
		more := s.Minutes + perPlant
		if !places[s.Place] {
			more += perPlace
		}
		if !zones[s.Zone] {
			more += perWash
		}
		return more
	}
	left := make([]int, 0, len(stops))
	for i, s := range stops {
		if s.Value > 0 {
			left = append(left, i)
		}
	}
	for len(left) > 0 {
		at := 0
		for k := range left {
			if stops[left[k]].Value/extra(stops[left[k]]) > stops[left[at]].Value/extra(stops[left[at]]) {
				at = k
			}
		}
		i := left[at]
		left = slices.Delete(left, at, at+1)
		s := stops[i]
		if more := extra(s); takes+more <= minutes || s.Value >= mustValue && len(chosen) == 0 {
			takes += more
			chosen = append(chosen, i)
			places[s.Place], zones[s.Zone] = true, true
		}
	}
	slices.Sort(chosen)
	return chosen, takes
}
