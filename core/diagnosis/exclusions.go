package diagnosis

import "slices"

// exclusions are pairs of signs of which at most one can be true of the same
// plant at the same look.
var exclusions = [][2]string{
	{"med.wet-long", "med.dry-through"},
	{"new.clean", "new.marked"},
	{"course.sudden", "course.slow"},
	{"course.spreading", "course.static"},
	{"course.perks-up", "course.no-perk"},
	{"root.firm", "root.few-live"},
	{"place.dry-air", "place.humid-still"},
	{"place.low-light", "place.hot-sun"},
	{"care.feed-heavy", "care.feed-none"},
	{"leaf.yellow-many-fast", "course.oldest-only"},
}

// Implied gives the signs that cannot be there because one that excludes them
// was seen, unless they were answered themselves.
func Implied(present, absent []string) []string {
	answered := map[string]bool{}
	for _, id := range present {
		answered[id] = true
	}
	seen := func(id string) bool {
		for _, p := range present {
			if p == id {
				return true
			}
		}
		return false
	}
	for _, id := range absent {
		answered[id] = true
	}
	var implied []string
	for _, pair := range exclusions {
		for side, id := range pair {
			if other := pair[1-side]; seen(id) && !answered[other] {
				answered[other] = true
				implied = append(implied, other)
			}
		}
	}
	return implied
}

// WithImplied takes what the signs seen exclude as looked for and not there. Every
// caller examines it so: the same look has the same chances everywhere.
func (e Examination) WithImplied() Examination {
	e.Absent = slices.Concat(e.Absent, Implied(e.Present, e.Absent))
	return e
}

// supposes are signs that can only be seen where the other is there as well.
var supposes = [][2]string{
	{"course.perks-up", "leaf.drooping"},
	{"course.no-perk", "leaf.drooping"},
}

// Contradiction finds two answers that cannot both be true of one look: two signs
// seen that exclude each other, or one seen that supposes another which is said
// not to be there.
func Contradiction(present, absent []string) (a, b string, found bool) {
	seen := func(id string) bool { return slices.Contains(present, id) }
	for _, pair := range exclusions {
		if seen(pair[0]) && seen(pair[1]) {
			return pair[0], pair[1], true
		}
	}
	for _, pair := range supposes {
		if seen(pair[0]) && slices.Contains(absent, pair[1]) {
			return pair[0], pair[1], true
		}
	}
	return "", "", false
}
