package plant

import (
	"maps"
	"slices"
	"strings"
	"sync"
)

// index finds kinds by what they are called, without going through them all.
type index struct {
	byName  map[string][]Profile // by all the words of a name, in the singular
	byGenus map[string][]Profile
}

func (x index) add(p Profile) {
	put := func(in map[string][]Profile, key string) {
		if !slices.ContainsFunc(in[key], func(q Profile) bool { return q.ID == p.ID }) {
			in[key] = append(in[key], p)
		}
	}
	for _, n := range namesOf(p) {
		put(x.byName, strings.Join(n.words, " "))
	}
	for _, as := range append([]string{p.Botanical}, p.Synonyms...) {
		if words := wordsOf(as); len(words) > 0 {
			put(x.byGenus, words[0])
		}
	}
}

var shippedIndex = sync.OnceValue(func() index {
	x := index{map[string][]Profile{}, map[string][]Profile{}}
	for _, p := range profiles {
		x.add(p)
	}
	return x
})

// Called gives the kinds of which something is a name, in the singular or the plural, or
// where there is none those of that nickname or genus, today's before a former one; among them the
// collection's own first.
func (k Kinds) Called(said string) (list []Profile) { return k.Lookup()(said) }

// Lookup is Called for many names: what finds them is made once.
func (k Kinds) Lookup() func(said string) []Profile {
	own := index{map[string][]Profile{}, map[string][]Profile{}}
	for _, id := range slices.Sorted(maps.Keys(k)) {
		own.add(k[id])
	}
	return func(said string) []Profile {
		words := wordsOf(said)
		name := strings.Join(words, " ")
		list := slices.Concat(own.byName[name], shippedIndex().byName[name])
		if len(list) == 0 {
			list = slices.Clone(nicknames()[name])
		}
		if len(list) > 0 || len(words) != 1 {
			return list
		}
		return todayFirst(name, slices.Concat(own.byGenus[name], shippedIndex().byGenus[name]))
	}
}

// todayFirst puts the kinds that are of a genus today before those that once were.
func todayFirst(genus string, list []Profile) []Profile {
	former := func(p Profile) int {
		if words := wordsOf(p.Botanical); len(words) > 0 && words[0] == genus {
			return 0
		}
		return 1
	}
	slices.SortStableFunc(list, func(a, b Profile) int { return former(a) - former(b) })
	return list
}

// twoWrongFrom is from how many letters on two of a single word may be wrong.
const twoWrongFrom = 6

// Misspelt says whether something is one of its names, of as many words, or its genus,
// with a letter or two wrong; one at most in a single word of less than six letters.
func (p Profile) Misspelt(said string) bool {
	words := wordsOf(said)
	slips := mostWrong
	if len(words) == 1 && len(words[0]) < twoWrongFrom {
		slips = 1
	}
	named := slices.ContainsFunc(namesOf(p), func(n name) bool {
		rank, off := n.nearly(words)
		return len(n.words) == len(words) && rank == misspelt && off <= slips
	})
	return named || len(words) == 1 &&
		slices.ContainsFunc(append([]string{p.Botanical}, p.Synonyms...), func(as string) bool {
			name := wordsOf(as)
			return len(name) > 0 && wrong(name[0], words[0]) <= slips
		})
}
