package everyday

import (
	"regexp"
	"strings"
)

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
