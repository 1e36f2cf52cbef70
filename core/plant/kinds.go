package plant

import (
	"sort"
	"strings"
)

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

// Find gives up to limit kinds whose botanical or common name holds every word
// of the query; those that begin with it first.
func (k Kinds) Find(query string, limit int) []Profile {
	words := strings.Fields(strings.ToLower(query))
	var first, rest []Profile
	for _, p := range k.All() {
		names := strings.ToLower(p.Botanical + " " + p.Common)
		matches := true
		for _, w := range words {
			matches = matches && strings.Contains(names, w)
		}
		switch {
		case !matches:
		case len(words) > 0 && (strings.HasPrefix(names, words[0]) || strings.HasPrefix(strings.ToLower(p.Common), words[0])):
			first = append(first, p)
		default:
			rest = append(rest, p)
		}
	}
	all := append(first, rest...)
	return all[:min(limit, len(all))]
}
