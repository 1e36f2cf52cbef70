package everyday

import (
	"cmp"
	_ "embed"
	"encoding/csv"
	"math"
	"slices"
	"strings"
	"sync"

	"tendermend/core/diagnosis"
)

//go:embed phrases.csv
var phrasesCSV string

// phrase is one way of saying signs, the likeliest first.
type phrase struct {
	ideas []idea
	signs []string
	// told is how much it counts: a phrase of the table wholly, what the handbook calls a
	// sign a little less.
	told float64
	norm float64
}

// book is every phrase, with how rare each idea is among them.
type book struct {
	lex     *lexicon
	phrases []phrase
	rare    map[idea]float64
	by      map[idea][]int
}

// noSign stands in the table for what people tell that is no sign, though its words are near to one.
const noSign = "none"

// asInBook is what a sign's own words count beside a phrase that people use.
const asInBook = 0.9

// unknown is the weight of an idea that stands in no phrase: it speaks against every one.
const unknown = 4

var bookOnce = sync.OnceValue(func() *book { return newBook(phrasesCSV) })

func newBook(table string) *book {
	rows, err := csv.NewReader(strings.NewReader(table)).ReadAll()
	if err != nil {
		panic("everyday: phrases.csv: " + err.Error())
	}
	b := &book{lex: lexiconOnce(), rare: map[idea]float64{}, by: map[idea][]int{}}
	for _, r := range rows[1:] {
		for _, w := range b.lex.wordsOf(r[0]) {
			b.lex.learn(w)
		}
	}
	for _, r := range rows[1:] {
		b.add(r[0], strings.Split(r[1], ";"), 1)
	}
	for _, s := range diagnosis.Signs() {
		b.add(s.Label, []string{s.ID}, asInBook)
	}
	b.weigh()
	return b
}

func (b *book) add(said string, signs []string, told float64) {
	if ideas := b.lex.ideasOf(b.lex.wordsOf(said)); len(ideas) > 0 {
		b.phrases = append(b.phrases, phrase{ideas: ideas, signs: signs, told: told})
	}
}

// weigh finds how rare each idea is: by the signs that it stands for, and not by how
// often a sign is said with it.
func (b *book) weigh() {
	of := map[idea]map[string]bool{}
	all := map[string]bool{}
	for n, p := range b.phrases {
		for _, i := range p.ideas {
			if of[i] == nil {
				of[i] = map[string]bool{}
			}
			b.by[i] = append(b.by[i], n)
			for _, s := range p.signs {
				if s != noSign {
					of[i][s], all[s] = true, true
				}
			}
		}
	}
	for i, signs := range of {
		b.rare[i] = math.Log(1 + float64(len(all))/float64(max(1, len(signs))))
	}
	for n, p := range b.phrases {
		b.phrases[n].norm = b.length(p.ideas)
	}
}

func (b *book) weight(i idea) float64 {
	w, known := b.rare[i]
	switch {
	case !known && faint[i]:
		return faintShare
	case !known:
		return unknown
	case faint[i]:
		return w * faintShare
	case weak[i]:
		return w * weakShare
	}
	return w
}

func (b *book) length(ideas []idea) float64 {
	sum := 0.0
	for _, i := range ideas {
		sum += b.weight(i) * b.weight(i)
	}
	return math.Sqrt(sum)
}

// weak are ideas that say where and not what: alone they are no sign.
var weak = ideasNamed(`leaf stem root soil pot new old water tiny side flower bulb top under
	inside green not room house fine huge am pm winter summer autumn spring base stand buy neighbour thing
	high low open place come shape pattern home weather tall foot shop happy friend
	colour hard overmuch grey`)

// faint are ideas that say for how long, or how many: they tell least.
var faint = ideasNamed(`after time day week month year hour long last half one only over still lot whole out off up now
	ever some side wide way every cover since fern cactus orchid palm succulent`)

// ideasNamed are the ideas of some words, which are words of the synonyms or stems.
func ideasNamed(words string) map[idea]bool {
	out := set(words)
	for w := range set(words) {
		out[stem(w)] = true
	}
	return out
}

// faintShare is what a faint idea counts beside one that says what is wrong.
const faintShare = 0.35

// weakShare is what a weak idea counts beside one that says what is wrong.
const weakShare = 0.8

// match is a phrase found, with how near it is, 0 to 1.
type match struct {
	sign string
	near float64
	by   phrase
}

// matches are the signs that ideas may mean, the nearest first; none where what is no sign is nearest.
func (b *book) matches(ideas []idea) []match { return signsOf(b.ranked(ideas)) }

func signsOf(ranked []match) []match {
	if len(ranked) > 0 && ranked[0].sign == noSign && ranked[0].near >= nearEnough {
		return nil
	}
	return slices.DeleteFunc(ranked, func(m match) bool { return m.sign == noSign })
}

// ranked compares ideas with every phrase that shares one with them: by sign, and what is no sign, the
// nearest first.
func (b *book) ranked(ideas []idea) (list []match) {
	best, long := map[string]match{}, b.length(ideas)
	for _, n := range b.sharing(ideas) {
		p := b.phrases[n]
		near := b.nearness(p, ideas, long)
		for rank, s := range p.signs {
			if one := (match{s, near * (1 - later*float64(rank)), p}); one.near > best[s].near {
				best[s] = one
			}
		}
	}
	for _, m := range best {
		list = append(list, m)
	}
	slices.SortFunc(list, func(a, b match) int {
		return cmp.Or(cmp.Compare(b.near, a.near), strings.Compare(a.sign, b.sign))
	})
	return list
}

// organs are the ideas that name a part of the plant, or what it stands in, and spots those
// that name a spot of one.
var organs, spots = set(`leaf stem root soil pot flower bud bulb`), set(`tip edge base`)

// elsewhere says whether two phrases name parts, and not the same one.
func elsewhere(a, b []idea) bool {
	named := func(list []idea) (out []idea) {
		for _, i := range list {
			if organs[i] {
				out = append(out, i)
			}
		}
		return out
	}
	x, y := named(a), named(b)
	return len(x) > 0 && len(y) > 0 && !slices.ContainsFunc(x, func(i idea) bool { return slices.Contains(y, i) })
}

// sharing are the phrases that share an idea, each once.
func (b *book) sharing(ideas []idea) (list []int) {
	seen := map[int]bool{}
	for _, i := range ideas {
		for _, n := range b.by[i] {
			if !seen[n] {
				seen[n], list = true, append(list, n)
			}
		}
	}
	return list
}

// nearness is the cosine between the ideas of a phrase and others of such a length, 0 to 1;
// less where one denies and the other does not, and none where they share nothing but weak
// ideas.
func (b *book) nearness(p phrase, ideas []idea, long float64) float64 {
	shared, strong := 0.0, false
	for _, j := range p.ideas {
		if slices.Contains(ideas, j) {
			shared += b.weight(j) * b.weight(j)
			strong = strong || !weak[j] && !faint[j]
		}
	}
	near := p.told * shared / (long * p.norm)
	if slices.Contains(ideas, not) != slices.Contains(p.ideas, not) {
		near *= otherwise
	}
	if elsewhere(p.ideas, ideas) {
		near *= otherwise
	}
	if !strong && near < wholly || len(ideas) == 1 && ideas[0] == not {
		return 0
	}
	return near
}

const (
	// wholly is how near a phrase must be that shares nothing but weak ideas.
	wholly = 0.95
	// otherwise is what a phrase counts that denies where this one does not, or the other
	// way round, or that is about another part.
	otherwise = 0.6
	// later is what a sign loses for each that a phrase means rather.
	later = 0.03
)
