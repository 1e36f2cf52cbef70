// Package plain brings what people wrote into a form in which it is compared.
package plain

import (
	"strings"
	"unicode"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"
)

// Words is a text without capitals, accents and marks, its words parted by one space.
func Words(text string) string {
	bare, _, err := transform.String(transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC), text)
	if err != nil {
		bare = text
	}
	bare = strings.Map(func(c rune) rune {
		if unicode.IsLetter(c) || unicode.IsDigit(c) {
			return unicode.ToLower(c)
		}
		return ' '
	}, bare)
	return strings.Join(strings.Fields(bare), " ")
}
