package feed

import "slices"

// Slow is something that feeds a little for a long time and has no label: how strong it is
// nobody can say.
type Slow struct {
	ID        string `json:"id"`
	Label     string `json:"label"`
	LastsDays int    `json:"lastsDays" doc:"For how long it feeds, days."`
}

// slow are what growers lay on or mix in (days common practice; warm, moist mix uses them
// up sooner).
var slow = []Slow{
	{"compost", "compost, laid on or mixed in", 90},
	{"castings", "worm castings", 90},
	{"fresh-mix", "fresh mix on top", 60},
}

// SlowFeeds lists them.
func SlowFeeds() []Slow { return slices.Clone(slow) }

// SlowByID finds one; false when there is none of that id.
func SlowByID(id string) (Slow, bool) {
	at := slices.IndexFunc(slow, func(s Slow) bool { return s.ID == id })
	if at < 0 {
		return Slow{}, false
	}
	return slow[at], true
}
