package plant

import (
	"cmp"
	"slices"
	"strings"
	"sync"
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
func (k Kinds) Matches(query string, limit int) []Match {
	words := wordsOf(query)
	all := k.All()
	if len(words) == 0 {
		list := make([]Match, 0, min(limit, len(all)))
		for _, p := range all[:min(limit, len(all))] {
			list = append(list, Match{Profile: p})
		}
		return list
	}
	found := k.ranked(words, name.answers)
	if len(found) == 0 { // what is only nearly right is given where nothing is right
		found = k.ranked(words, name.nearly)
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

// ranked lists the kinds one of whose names answers to words.
func (k Kinds) ranked(words []string, answers func(name, []string) (int, int)) (found []ranked) {
	for _, p := range k.All() {
		r := ranked{Match: Match{Profile: p}, rank: noMatch}
		for _, n := range namesOf(p) {
			if rank, off := answers(n, words); rank < r.rank || rank == r.rank && off < r.off {
				r.rank, r.off, r.By = rank, off, n.as
			}
		}
		if r.rank < noMatch {
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

// name is one name of a kind: as it is written, and its words for comparing.
type name struct {
	as    string
	words []string
}

var (
	namesOnce sync.Once
	shipNames map[string][]name
)

func namesOf(p Profile) []name {
	namesOnce.Do(func() {
		shipNames = make(map[string][]name, len(profiles))
		for _, s := range profiles {
			// "Dendrobium nobile and its hybrids" is asked for as "dendrobium nobile", which its id says.
			known := name{s.Botanical, wordsOf(strings.ReplaceAll(s.ID, "-", " "))}
			shipNames[s.ID] = append(split(s), known)
		}
	})
	if known, ok := shipNames[p.ID]; ok {
		return known
	}
	return split(p)
}

// AllNames are its botanical, common, folk and former names, in that order.
func (p Profile) AllNames() []string {
	return append([]string{p.Botanical, p.Common}, append(slices.Clone(p.Names), p.Synonyms...)...)
}

func split(p Profile) []name {
	all := p.AllNames()
	names := make([]name, 0, len(all))
	for _, as := range all {
		if words := wordsOf(as); len(words) > 0 {
			names = append(names, name{as, words})
		}
	}
	return names
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

// answers ranks how well the name fits the words of a query.
func (n name) answers(query []string) (rank, off int) {
	if slices.Equal(n.words, query) {
		return exactName, 0
	}
	if strings.HasPrefix(strings.Join(n.words, " "), strings.Join(query, " ")) {
		return nameBegins, 0
	}
	all := true
	for _, q := range query {
		all = all && slices.ContainsFunc(n.words, func(w string) bool { return strings.HasPrefix(w, q) })
	}
	if all {
		return wordBegins, 0
	}
	return noMatch, 0
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
