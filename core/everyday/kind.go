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
	// mostGuesses is how many names of one text are compared letter by letter.
	mostGuesses = 120
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
	for _, p := range r.kinds.Called(said) {
		if len(ids) < mostKinds {
			ids = append(ids, p.ID)
		}
	}
	return ids
}

// kindsMisspelt are the kinds of which something is a name with a letter or two wrong, where it is no word of
// everyday English: asked only where no other words name one.
func (r *reader) kindsMisspelt(said string, words int) []string {
	if words > mostMisspelt || r.guesses == mostGuesses || !mayBeName(said, words) || !r.unknownIn(said) {
		return nil
	}
	r.guesses++
	for _, p := range r.kinds.Misspelt(said, mostKinds) {
		return []string{p.ID}
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
