package everyday

import (
	"regexp"
	"strings"
)

const (
	// mostWords is how many words a kind's name has at most.
	mostWords = 5
	// mostMisspelt is how many words a name has at most that is looked for misspelt.
	mostMisspelt = 3
	// leastName is how many letters a name has at least that is found in a sentence, and leastMisspelt that is
	// found misspelt.
	leastName, leastMisspelt = 2, 4
	// mostKinds is how many kinds one name may stand for.
	mostKinds = 5
)

// noName are words that stand in names and are no name by themselves.
var noName = set(`plant flower orchid leaf tree house indoor pot green white black yellow red brown purple pink silver
	golden spider water stone star heart string baby mother money snake`)

// kindIn finds the kind that a sentence names, and gives the sentence without the name.
func (r *reader) kindIn(sentence string) string {
	if len(r.out.Kind) > 0 {
		return sentence
	}
	words := nameWords.FindAllStringIndex(sentence, -1)
	for _, called := range []func(said string, words int) []string{r.kindsCalled, r.kindsMisspelt} {
		for n := min(mostWords, len(words)); n > 0; n-- {
			for from := 0; from+n <= len(words); from++ {
				at, to := words[from][0], words[from+n-1][1]
				if ids := called(sentence[at:to], n); len(ids) > 0 {
					if from > 0 {
						at, ids = r.genusBefore(sentence, words[from-1], at, ids)
					}
					r.out.Kind = ids
					return sentence[:at] + " it " + sentence[r.sortsEnd(sentence, to, words[from+n:]):]
				}
			}
		}
	}
	return sentence
}

// nextTo tells beside what it stands.
var nextTo = regexp.MustCompile(`(?i)\b(?:(?:stands?|sits?|is|lives?|kept|standing|sitting) )?` +
	`(?:right |just |directly )?(?:next to|beside|alongside) (?:a|an|my|our|the|another|some) ` +
	`((?:[\pL'’-]+ ?){1,4}?)(?:$|[,.;!?]|\b(?:and|but|with|who|that|it)\b)`)

// withoutNeighbour is a sentence without the plant that it stands beside, which is not the one that is told of.
func (r *reader) withoutNeighbour(sentence string) string {
	at := nextTo.FindStringSubmatchIndex(sentence)
	if at == nil {
		return sentence
	}
	named := strings.TrimSpace(sentence[at[2]:at[3]])
	words := len(strings.Fields(named))
	if len(r.kindsCalled(named, words)) == 0 && len(r.kindsMisspelt(named, words)) == 0 {
		return sentence
	}
	return sentence[:at[0]] + " " + sentence[at[3]:]
}

// genusBefore takes a name that stands right behind another one for the name of a sort of that: a syngonium
// "Pink Splash" is a syngonium.
func (r *reader) genusBefore(sentence string, before []int, at int, ids []string) (begins int, kinds []string) {
	genus := r.kindsCalled(sentence[before[0]:before[1]], 1)
	if len(genus) == 0 || strings.TrimSpace(sentence[before[1]:at]) != "" {
		return at, ids
	}
	return before[0], genus
}

// mostSortWords is how many words behind the name of a kind are taken for that of a sort of it.
const mostSortWords = 2

// sortsEnd is where the name of a kind ends with that of a sort behind it, as of a monstera "albo": words that nobody
// knows, and that are no slip of a word that is known.
func (r *reader) sortsEnd(sentence string, to int, behind [][]int) int {
	for i, w := range behind {
		said := sentence[w[0]:w[1]]
		apart := strings.Trim(sentence[to:w[0]], " '\"‘’“”")
		if i == mostSortWords || apart != "" || !r.unknownIn(said) || r.book.lex.slip(said) {
			break
		}
		to = w[1]
	}
	return to
}

var nameWords = regexp.MustCompile(`[\pL\d][\pL\d'’.×-]*`)

// mayBeName says whether something of so many words may be a name at all.
func mayBeName(said string, words int) bool {
	folded := strings.Join(fold(said), " ")
	common := noName[folded] || idle[folded] || noName[strings.TrimSuffix(folded, "s")]
	return len(folded) >= leastName && (words > 1 || !common)
}

// kindsCalled are the kinds of which something is a name, just so, or a genus.
func (r *reader) kindsCalled(said string, words int) (ids []string) {
	if !mayBeName(said, words) {
		return nil
	}
	for _, p := range r.called(said) {
		if len(ids) < mostKinds {
			ids = append(ids, p.ID)
		}
	}
	return ids
}

// kindsMisspelt are the kinds of which something is a name with a letter or two wrong, where it is no word of
// everyday English: asked only where no other words name one.
func (r *reader) kindsMisspelt(said string, words int) []string {
	if words > mostMisspelt || !mayBeName(said, words) || !r.unknownIn(said) {
		return nil
	}
	for _, m := range r.kinds.Matches(said, mostKinds) {
		if m.Misspelt(said) {
			return []string{m.ID}
		}
	}
	return nil
}

// unknownIn says whether one of the words is no word of everyday English or of the tables.
func (r *reader) unknownIn(said string) bool {
	for _, w := range fold(said) {
		if len(w) >= leastMisspelt && !ordinary()[w] && !deny[w] && !r.book.lex.means(w) {
			return true
		}
	}
	return false
}
