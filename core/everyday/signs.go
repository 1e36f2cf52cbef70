package everyday

const (
	// nearEnough is how near a phrase must be to mean a sign at all.
	nearEnough = 0.5
	// mostSigns is how many signs one phrase finds.
	mostSigns = 6
)

// asks begins a question about care, which tells no sign.
var asks = anyOf(`^\s*`, []string{
	`how (?:much|often|do|long|can|big|many|to)`, `should i`, `can i`, `could i`, `what (?:should|do|is|kind|size)`,
	`which`, `when (?:should|do|can|to)`, `where (?:can|should|do)`, `is it (?:ok|safe|normal)`, `do i `,
}, "")

// Signs gives the ids of the signs that a phrase may mean, likeliest first, six at most;
// none where it tells no sign.
func Signs(phrase string) []string { return bookOnce().signs(phrase) }

func (b *book) signs(said string) []string {
	ids := []string{}
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
