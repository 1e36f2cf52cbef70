package plant

import "sort"

// Kinds are the kinds that a collection has added, by id. The kinds that ship
// with the program are always there as well, so that a nil Kinds is useful.
type Kinds map[string]Profile

// ByID finds a kind; false when there is none of that id.
func (k Kinds) ByID(id string) (Profile, bool) {
	if p, ok := k[id]; ok {
		return p, true
	}
	p, ok := profileByID[id]
	return p, ok
}

// All lists the collection's own kinds by name, then those that ship.
func (k Kinds) All() []Profile {
	own := make([]Profile, 0, len(k))
	for _, p := range k {
		own = append(own, p)
	}
	sort.Slice(own, func(a, b int) bool { return own[a].Botanical+own[a].ID < own[b].Botanical+own[b].ID })
	return append(own, profiles...)
}

// former are habits under which older records hold kinds that the tables now
// know better.
var former = map[string]string{
	"caladium-bicolor":       "aroid-clump",
	"dracaena-fragrans":      "woody",
	"crassula-ovata":         "succulent-rosette",
	"schlumbergera-truncata": "cactus",
	"rhipsalis-baccifera":    "cactus",
}

// GrowsAs says whether a kind grows, or was once said to grow, like a habit.
func (p Profile) GrowsAs(habit string) bool { return p.Habit == habit || former[p.ID] == habit }
