package plant

import (
	"cmp"
	"slices"
	"strings"
	"unicode"

	"github.com/agnivade/levenshtein"
)

// Match is a kind found by one of its names.
type Match struct {
	Profile
	// By is the name it was found by, where that is neither of its two first.
	By string `json:"by,omitempty"`
	// Shared names the other kinds that go by exactly this name: which one it is
	// matters, and Why says how.
	Shared []string `json:"shared,omitempty"`
	Why    string   `json:"why,omitempty"`
}

// How well a name answers a query, best first.
const (
	ofGroup = iota // it is one of the commonest of the group that is called so
	exactName
	nameBegins
	wordBegins
	misspelt
	noMatch
)

// mostWrong is how many letters of a query may be wrong.
const mostWrong = 2

// Find gives up to limit kinds by any of their names, botanical, former, trade
// or folk, singular or plural, misspelt by up to two letters; the
// collection's own first, then the best; of a group, as "orchid", its commonest first. Without a query all
// are given in order.
func (k Kinds) Find(query string, limit int) []Profile {
	list := make([]Profile, 0, min(limit, 20))
	for _, m := range k.Matches(query, limit) {
		list = append(list, m.Profile)
	}
	return list
}

// Matches is Find with the names by which the kinds were found.
func (k Kinds) Matches(query string, limit int) []Match { return k.Names().Matches(query, limit) }

// Matches is Kinds.Matches, for many queries.
func (x *Names) Matches(query string, limit int) []Match {
	words := wordsOf(query)
	if len(words) == 0 {
		list := make([]Match, 0, min(limit, x.len()))
		for k := range x.all {
			if len(list) == limit {
				break
			}
			list = append(list, Match{Profile: *k.Profile})
		}
		return list
	}
	joined := strings.Join(words, " ")
	found := x.ranked(func(n name) (int, int) { return n.answers(words, joined) })
	if len(found) == 0 && len(words) <= mostMisspeltWords { // what is only nearly right is given where nothing is right
		found = x.ranked(x.nearly(words))
	}
	found = commonestFirst(query, found)
	slices.SortStableFunc(found, func(a, b ranked) int {
		return cmp.Or(ownFirst(a.Profile, b.Profile), cmp.Compare(a.rank, b.rank), cmp.Compare(a.off, b.off))
	})
	var exact []string
	for _, r := range found {
		if r.rank == exactName {
			exact = append(exact, r.Botanical)
		}
	}
	list := make([]Match, 0, min(limit, len(found)))
	for _, r := range found[:min(limit, len(found))] {
		if r.rank == exactName && len(exact) > 1 {
			r.Shared = slices.DeleteFunc(slices.Clone(exact), func(n string) bool { return n == r.Botanical })
			r.Why = differ(r.Profile)
		}
		if r.By == r.Botanical || r.By == r.Common {
			r.By = ""
		}
		list = append(list, r.Match)
	}
	return list
}

// ranked is a match with how good it is: the less the better.
type ranked struct {
	Match
	rank, off int
}

// mostMisspeltWords is how many words of a query are compared letter by letter: no name has more.
const mostMisspeltWords = 8

// ranked lists the kinds one of whose names answers.
func (x *Names) ranked(answers func(name) (int, int)) (found []ranked) {
	for k := range x.all {
		r := ranked{rank: noMatch}
		for _, n := range k.names {
			if rank, off := answers(n); rank < r.rank || rank == r.rank && off < r.off {
				r.rank, r.off, r.By = rank, off, n.as
			}
		}
		if r.rank < noMatch {
			r.Profile = *k.Profile
			found = append(found, r)
		}
	}
	return found
}

// commonestFirst puts the commonest kinds of a group among those that were found, where its word is looked for: some of
// them have it in no name.
func commonestFirst(query string, found []ranked) []ranked {
	g, known := GroupCalled(query)
	if !known {
		return found
	}
	for i, p := range g.Kinds {
		found = slices.DeleteFunc(found, func(r ranked) bool { return r.ID == p.ID })
		found = append(found, ranked{Match: Match{Profile: p}, rank: ofGroup, off: i})
	}
	return found
}

func ownFirst(a, b Profile) int {
	switch {
	case a.Own == b.Own:
		return 0
	case a.Own:
		return -1
	}
	return 1
}

// differ says what follows from taking the wrong one of kinds with one name.
func differ(p Profile) string {
	if p.LookAlike != "" {
		return p.LookAlike
	}
	return p.Note
}

// AllNames are its botanical, common, folk and former names, in that order.
func (p Profile) AllNames() []string {
	return append([]string{p.Botanical, p.Common}, append(slices.Clone(p.Names), p.Synonyms...)...)
}

// wordsOf folds a name to plain lower-case words in the singular.
func wordsOf(s string) []string {
	words := strings.FieldsFunc(
		strings.ToLower(s),
		func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) },
	)
	words = slices.DeleteFunc(words, func(w string) bool { return w == "s" })
	for i, w := range words {
		words[i] = singular(w)
	}
	return words
}

func singular(w string) string {
	switch {
	case len(w) > 4 && strings.HasSuffix(w, "ies"):
		return w[:len(w)-3] + "y"
	case len(w) > 4 && (strings.HasSuffix(w, "xes") || strings.HasSuffix(w, "shes") || strings.HasSuffix(w, "ches")):
		return w[:len(w)-2]
	case len(w) > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && !strings.HasSuffix(w, "us") &&
		!strings.HasSuffix(w, "is"):
		return w[:len(w)-1]
	}
	return w
}

// answers ranks how well the name fits the words of a query, given one by one and joined.
func (n name) answers(query []string, joined string) (rank, off int) {
	switch {
	case n.joined == joined:
		return exactName, 0
	case strings.HasPrefix(n.joined, joined):
		return nameBegins, 0
	}
	for _, q := range query {
		if !slices.ContainsFunc(n.words, func(w string) bool { return strings.HasPrefix(w, q) }) {
			return noMatch, 0
		}
	}
	return wordBegins, 0
}

// nearly gives what ranks a name by how many letters of a query are off. Each word of the names is
// compared with each of the query once, however many names it stands in.
func (x *Names) nearly(query []string) func(name) (rank, off int) {
	off := make([]map[string]int, len(query)) // of each word of the query, the words that are near it
	for i, q := range query {
		off[i] = x.near(q)
	}
	return func(n name) (int, int) {
		sum := 0
		for i := range query {
			nearest := mostWrong + 1
			for _, w := range n.words {
				if d, near := off[i][w]; near {
					nearest = min(nearest, d)
				}
			}
			if sum += nearest; sum > mostWrong {
				return noMatch, 0
			}
		}
		return misspelt, sum
	}
}

// nearly ranks a name by how many letters of the query are off.
func (n name) nearly(query []string) (rank, off int) {
	for _, q := range query {
		nearest := mostWrong + 1
		for _, w := range n.words {
			nearest = min(nearest, wrong(w, q))
		}
		off += nearest
	}
	if off <= mostWrong {
		return misspelt, off
	}
	return noMatch, 0
}

// wrong counts the letters in which a word of a query differs from a word of a
// name; short words must be right, or every one would be like every other.
func wrong(w, q string) int {
	if len(q) < 4 {
		if w == q {
			return 0
		}
		return mostWrong + 1
	}
	if d := len(w) - len(q); d > mostWrong || d < -mostWrong {
		return mostWrong + 1
	}
	return levenshtein.ComputeDistance(w, q)
}
