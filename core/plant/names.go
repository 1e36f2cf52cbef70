package plant

import (
	"math/bits"
	"slices"
	"strings"
	"sync"
)

// Names finds kinds by what they are called: the collection's own, then those that ship. What finds
// them is made once, so it is kept for many questions.
type Names struct {
	own, ships shelf
}

// Names makes the kinds ready to be found by name.
func (k Kinds) Names() *Names {
	all := k.All()
	return &Names{own: shelve(all[:len(all)-len(profiles)]), ships: shippedNames()}
}

var shippedNames = sync.OnceValue(func() shelf { return shelve(profiles) })

// shelf is kinds made ready to be found.
type shelf struct {
	kinds   []named
	words   []word               // of all names, each once
	byName  map[string][]Profile // by all the words of a name, in the singular
	byGenus map[string][]Profile
}

// named is a kind with its names.
type named struct {
	*Profile
	names []name
}

// name is one name of a kind: as it is written, and its words for comparing.
type name struct {
	as     string
	words  []string
	joined string
}

// word is a word of names, with the set of its letters.
type word struct {
	text    string
	letters uint64
}

func shelve(kinds []Profile) shelf {
	x := shelf{byName: map[string][]Profile{}, byGenus: map[string][]Profile{}}
	met := map[string]bool{}
	put := func(in map[string][]Profile, key string, p Profile) {
		if !slices.ContainsFunc(in[key], func(q Profile) bool { return q.ID == p.ID }) {
			in[key] = append(in[key], p)
		}
	}
	for i := range kinds {
		p := &kinds[i]
		k := named{p, namesOf(*p)}
		x.kinds = append(x.kinds, k)
		for _, n := range k.names {
			put(x.byName, n.joined, *p)
			for _, w := range n.words {
				if !met[w] {
					met[w] = true
					x.words = append(x.words, word{w, lettersOf(w)})
				}
			}
		}
		for _, as := range append([]string{p.Botanical}, p.Synonyms...) {
			if words := wordsOf(as); len(words) > 0 {
				put(x.byGenus, words[0], *p)
			}
		}
	}
	return x
}

// namesOf are the names of a kind, made ready for comparing.
func namesOf(p Profile) (names []name) {
	for _, as := range p.AllNames() {
		names = add(names, as, as)
	}
	if !p.Own { // "Dendrobium nobile and its hybrids" is asked for as "dendrobium nobile", which its id says
		names = add(names, p.Botanical, strings.ReplaceAll(p.ID, "-", " "))
	}
	return names
}

func add(names []name, as, said string) []name {
	words := wordsOf(said)
	if len(words) == 0 {
		return names
	}
	return append(names, name{as, words, strings.Join(words, " ")})
}

// all goes through the kinds, the collection's own first.
func (x *Names) all(yield func(*named) bool) {
	for _, s := range []shelf{x.own, x.ships} {
		for i := range s.kinds {
			if !yield(&s.kinds[i]) {
				return
			}
		}
	}
}

func (x *Names) len() int { return len(x.own.kinds) + len(x.ships.kinds) }

// near gives the words of names that differ from a word in so few letters as may be wrong, with how
// many they are.
func (x *Names) near(q string) map[string]int {
	list, letters := map[string]int{}, lettersOf(q)
	for _, s := range []shelf{x.own, x.ships} {
		for _, w := range s.words {
			// A letter put for another changes two of the set, one more or less changes one.
			if bits.OnesCount64(w.letters^letters) > 2*mostWrong {
				continue
			}
			if d := wrong(w.text, q); d <= mostWrong {
				list[w.text] = d
			}
		}
	}
	return list
}

// lettersOf is the set of a word's letters; what is no letter of the alphabet shares places, which makes
// sets more alike and never less.
func lettersOf(w string) (set uint64) {
	for _, r := range w {
		set |= 1 << (uint(r) % 64)
	}
	return set
}
