package everyday

const (
	// nearEnough is how near a phrase must be to mean a sign at all.
	nearEnough = 0.5
	// mostSigns is how many signs one phrase finds.
	mostSigns = 6
)

// Signs gives the ids of the signs that a phrase may mean, likeliest first, six at most;
// none where it tells no sign.
func Signs(phrase string) []string { return bookOnce().signs(phrase) }

func (b *book) signs(said string) []string {
	ids := []string{}
	if statement, is := takenForGranted(said); is {
		said = statement
	}
	if asks.MatchString(said) {
		return ids
	}
	for _, m := range b.matches(b.lex.ideasOf(b.lex.wordsOf(said))) {
		if m.near >= nearEnough && len(ids) < mostSigns {
			ids = append(ids, m.sign)
		}
	}
	return ids
}
