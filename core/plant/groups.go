package plant

import (
	"strings"
	"sync"

	_ "embed"
)

// KindGroup is many kinds that people call by one word, as "my orchid".
type KindGroup struct {
	Said string `json:"said" doc:"The word, for one of them."`
	// Kinds are those of them that are kept most, the commonest first (common practice).
	Kinds []Profile `json:"kinds"`
	// Habits are how they grow, and what is taken for them.
	Habits []string `json:"habits" doc:"How they grow, the likeliest first."`
}

// groupsCSV are the groups: the words for one and for many of them, their commonest kinds and how they grow.
//
//go:embed data/groups.csv
var groupsCSV string

// groups are the groups by each of their words, folded as names are looked up.
var groups = sync.OnceValue(func() map[string]KindGroup {
	list := map[string]KindGroup{}
	for _, row := range rowsOf(groupsCSV) {
		said := strings.Split(row[0], ";")
		g := KindGroup{Said: said[0], Kinds: kindsIn(row[1]), Habits: strings.Split(row[2], ";")}
		for _, word := range said {
			list[strings.Join(wordsOf(word), " ")] = g
		}
	}
	return list
})

// GroupCalled finds the group that a word or two stand for; false where there is none.
func GroupCalled(said string) (KindGroup, bool) {
	g, known := groups()[strings.Join(wordsOf(said), " ")]
	return g, known
}
