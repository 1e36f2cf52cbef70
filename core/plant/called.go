package plant

import (
	"slices"
	"strings"
)

// Called gives the kinds of which something is a name, in the singular or the plural, or
// where there is none those of that nickname or genus, today's before a former one; among them the
// collection's own first.
func (k Kinds) Called(said string) []Profile { return k.Names().Called(said) }

// Called is Kinds.Called, for many names.
func (x *Names) Called(said string) []Profile {
	words := wordsOf(said)
	name := strings.Join(words, " ")
	list := slices.Concat(x.own.byName[name], x.ships.byName[name])
	if len(list) == 0 {
		list = slices.Clone(nicknames()[name])
	}
	if len(list) > 0 || len(words) != 1 {
		return list
	}
	return todayFirst(name, slices.Concat(x.own.byGenus[name], x.ships.byGenus[name]))
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

// Misspelt gives, best first, those of the kinds that Matches finds for something of which it is a
// misspelt name.
func (x *Names) Misspelt(said string, limit int) (list []Profile) {
	for _, w := range wordsOf(said) {
		if len(x.near(w)) == 0 {
			return nil // no name has a word like it: most words that nobody knows end here
		}
	}
	for _, m := range x.Matches(said, limit) {
		if m.Misspelt(said) {
			list = append(list, m.Profile)
		}
	}
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
	answers := slices.ContainsFunc(namesOf(p), func(n name) bool {
		rank, off := n.nearly(words)
		return len(n.words) == len(words) && rank == misspelt && off <= slips
	})
	return answers || len(words) == 1 &&
		slices.ContainsFunc(append([]string{p.Botanical}, p.Synonyms...), func(as string) bool {
			name := wordsOf(as)
			return len(name) > 0 && wrong(name[0], words[0]) <= slips
		})
}
