package everyday

import (
	_ "embed"
	"encoding/csv"
	"slices"
	"strings"
	"sync"
	"unicode"

	"github.com/agnivade/levenshtein"
	"github.com/kljensen/snowball/english"
	"github.com/trustelem/zxcvbn/frequency"
)

//go:embed synonyms.csv
var synonymsCSV string

// idea is what a word means: the first word of its row of synonyms, or its own stem.
type idea = string

// not is the idea of every word that denies.
const not idea = "not"

// idle are words that carry nothing for telling signs apart.
var idle = set(`a an the my your its it is are was were be been being am has have had having this that these those
	there here of on in at to from for with by and or but so very really quite some any i we you he she they them me
	our his her their get gets getting got go goes going gone went become becomes becoming became turn turns turning
	turned look looks looking looked like as when where which what why how do does did can could will would should may
	might now then also about around round bit bits kind sort something thing things stuff plant plants please help
	lately recently again already keep keeps kept couple lovely see seen saw seems seem feel feels feeling think
	guess maybe more much two three if into onto just too both each even quickly fast come comes came coming put
	ages really always whenever while during because yet us mine your who ever actually honestly basically sure
	certain sit sits make makes made try tried start starts started begin begins began bring brought want wants
	need needs use used able kinda whether though although however except visible visibly
	crazy mad super totally pretty rather extremely incredibly absolutely literally awfully terribly slightly somewhat
	noticeable obvious notice noticed found find finding sign signs four five six seven eight nine ten dozen
	beside next whose`)

// deny are the words that say that something is not so.
var deny = set(`not no none never nothing without neither nor cannot zero isnt arent doesnt dont didnt wont hasnt havent
	cant couldnt wasnt werent hardly barely aint nowhere`)

func set(words string) map[string]bool {
	out := map[string]bool{}
	for w := range strings.FieldsSeq(words) {
		out[w] = true
	}
	return out
}

// lexicon knows what words mean.
type lexicon struct {
	ideas map[string]idea // by stem
	known []string        // every word of the tables, for what is misspelt
	has   map[string]bool
	stems map[string]bool
	pairs [][2]string // several words that mean one idea, and it
}

// ordinary are words of everyday English, which are not misspelt.
var ordinary = sync.OnceValue(func() map[string]bool {
	out := map[string]bool{}
	for _, list := range frequency.FrequencyLists {
		for _, w := range list {
			out[w] = true
		}
	}
	return out
})

var lexiconOnce = sync.OnceValue(func() *lexicon {
	l := &lexicon{ideas: map[string]idea{}, has: map[string]bool{}, stems: map[string]bool{}}
	rows, err := csv.NewReader(strings.NewReader(synonymsCSV)).ReadAll()
	if err != nil {
		panic("everyday: synonyms.csv: " + err.Error())
	}
	for _, r := range rows[1:] {
		for _, w := range append(strings.Split(r[1], ";"), r[0]) {
			if strings.Contains(w+r[0], " ") {
				l.pairs = append(l.pairs, [2]string{" " + w + " ", " " + r[0] + " "})
				continue
			}
			l.ideas[stem(w)] = r[0]
			l.learn(w)
		}
	}
	return l
})

func (l *lexicon) learn(w string) {
	if !l.has[w] {
		l.has[w], l.stems[stem(w)], l.known = true, true, append(l.known, w)
	}
}

func stem(w string) string { return english.Stem(w, true) }

// wordsOf folds a text to plain lower-case words; what is shortened is joined: "don't"
// is "dont". Several words that mean one idea become its word.
func (l *lexicon) wordsOf(text string) []string {
	words := fold(text)
	joined := " " + strings.Join(words, " ") + " "
	for _, p := range l.pairs {
		joined = strings.ReplaceAll(joined, p[0], p[1])
	}
	return strings.Fields(joined)
}

func fold(text string) []string {
	text = strings.NewReplacer("’", "", "'", "", "-", " ").Replace(strings.ToLower(text))
	return strings.FieldsFunc(text, func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) })
}

// meaning gives what a word means; false where it means nothing here. A word that nobody
// knows is taken for the nearest that is known: one letter wrong from four letters on, two
// from six.
func (l *lexicon) meaning(w string) (idea, bool) {
	if !l.means(w) && !idle[w] && !deny[w] && !ordinary()[w] {
		if near := l.nearest(w); near != "" {
			w = near
		}
	}
	switch i := l.ideas[stem(w)]; {
	case deny[w]:
		return not, true
	case idle[w], len(w) < 2:
		return "", false
	case i != "":
		return i, true
	}
	return stem(w), true
}

// means says whether a word stands in the tables, in whatever form.
func (l *lexicon) means(w string) bool { return l.has[w] || l.ideas[stem(w)] != "" || l.stems[stem(w)] }

const (
	oneWrongFrom = 4
	twoWrongFrom = 6
)

// nearest is the known word that differs least from one that is not, empty where none is
// near enough.
func (l *lexicon) nearest(w string) string {
	most := 0
	switch {
	case len(w) >= twoWrongFrom:
		most = 2
	case len(w) >= oneWrongFrom:
		most = 1
	}
	best, at := most+1, ""
	for _, k := range l.known {
		if d := len(k) - len(w); d > most || -d > most || len(k) < oneWrongFrom {
			continue
		}
		d := levenshtein.ComputeDistance(k, w)
		if d == 2 && swapped(k, w) {
			d = 1
		}
		if d == 2 && k[0] != w[0] || d == 2 && len(k) < twoWrongFrom {
			continue
		}
		if d < best {
			best, at = d, k
		}
	}
	return at
}

// slip says whether a word is one that is known with a single letter wrong.
func (l *lexicon) slip(w string) bool {
	w = strings.ToLower(w)
	near := l.nearest(w)
	return near != "" && (swapped(near, w) || levenshtein.ComputeDistance(near, w) == 1)
}

// swapped says whether two words differ by two letters that stand the wrong way round, which is one slip.
func swapped(a, b string) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range len(a) - 1 {
		if a[i] != b[i] {
			return a[i] == b[i+1] && a[i+1] == b[i] && a[i+2:] == b[i+2:]
		}
	}
	return false
}

// ideasOf gives the ideas of a text, each once, in their order. A word that nobody knows
// and that is two known ones written together is both.
func (l *lexicon) ideasOf(words []string) (list []idea) {
	take := func(w string) {
		if i, means := l.meaning(w); means && !slices.Contains(list, i) {
			list = append(list, i)
		}
	}
	for _, w := range words {
		if a, b, two := l.twoOf(w); two {
			take(a)
			take(b)
			continue
		}
		take(w)
	}
	return list
}

const leastPart = 3 // letters of a word that is written together with another

// twoOf parts a word that is two known ones.
func (l *lexicon) twoOf(w string) (a, b string, two bool) {
	if l.means(w) || ordinary()[w] {
		return "", "", false
	}
	for at := leastPart; at <= len(w)-leastPart; at++ {
		if l.means(w[:at]) && l.means(w[at:]) {
			return w[:at], w[at:], true
		}
	}
	return "", "", false
}
