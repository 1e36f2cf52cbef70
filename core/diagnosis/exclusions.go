package diagnosis

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

// Contradiction finds two signs said to be seen that exclude each other.
func Contradiction(present []string) (a, b string, found bool) {
	seen := map[string]bool{}
	for _, id := range present {
		seen[id] = true
	}
	for _, pair := range exclusions {
		if seen[pair[0]] && seen[pair[1]] {
			return pair[0], pair[1], true
		}
	}
	return "", "", false
}
