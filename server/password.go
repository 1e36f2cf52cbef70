package server

import (
	"strings"
	"unicode"

	"github.com/trustelem/zxcvbn"
	"github.com/trustelem/zxcvbn/frequency"
)

// leastPassword is the shortest password that a new account takes, characters.
const leastPassword = 12

// mostPassword is the longest one (OWASP ASVS 4.0.3, 2.1.2), characters.
const mostPassword = 128

// leastScore is the score under which a password is among those that are tried
// first (zxcvbn, Wheeler 2016: 2 is fewer than 10^8 guesses).
const leastScore = 2

// commonest are the passwords that are taken most often (the list of zxcvbn, of some
// forty thousand).
var commonest = func() map[string]bool {
	set := map[string]bool{}
	for _, p := range frequency.FrequencyLists["passwords"] {
		set[p] = true
	}
	return set
}()

// weak says what is wrong with a password for a new account; empty where nothing
// is. What belongs to the person is guessed first.
func weak(password string, about ...string) string {
	if len([]rune(password)) < leastPassword {
		return "take at least 12 characters; a short sentence is good"
	}
	if len([]rune(password)) > mostPassword {
		return "take at most 128 characters"
	}
	if commonest[strings.ToLower(password)] {
		return "this is one of the commonest passwords, the first that are guessed; take a short sentence of your own"
	}
	words := []string{"tender", "mend", "tendermend", "plant"}
	for _, a := range about {
		parts := strings.FieldsFunc(a, func(r rune) bool { return strings.ContainsRune("@. -_", r) })
		words = append(append(words, parts...), strings.Join(parts, ""))
	}
	guesses := func(p string) int { return zxcvbn.PasswordStrength(p, words).Score }
	if min(guesses(password), guesses(bare(password))) < leastScore {
		return "this is among the first that are guessed; take a short sentence of your own"
	}
	return ""
}

// bare is a password in small letters and figures alone, and what is written again and again in it written once:
// whoever guesses that guesses the rest.
func bare(password string) string {
	letters := []rune(strings.Map(func(r rune) rune {
		if !unicode.IsLetter(r) && !unicode.IsDigit(r) {
			return -1
		}
		return unicode.ToLower(r)
	}, password))
	for n := 1; n <= len(letters)/2; n++ {
		if rest := letters[n:]; len(letters)%n == 0 && string(letters[:len(rest)]) == string(rest) {
			return string(letters[:n])
		}
	}
	return string(letters)
}
