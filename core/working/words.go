package working

import (
	"fmt"
	"strings"
)

// Count says how many of a thing there are: "1 look", "3 looks".
func Count(n int, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %s", n, Many(one))
}

// Measured is Count of what need not be whole: "1 day", "1.5 days".
func Measured(n float64, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%g %s", n, Many(one))
}

// Many gives the plural of a thing: "looks", "leaves", "entries".
func Many(one string) string {
	if irregular, is := plurals[one]; is {
		return irregular
	}
	if stem, is := strings.CutSuffix(one, "y"); is && !strings.HasSuffix(one, "ay") && !strings.HasSuffix(one, "ey") {
		return stem + "ies"
	}
	return one + "s"
}

var plurals = map[string]string{"leaf": "leaves", "new leaf": "new leaves", "clean new leaf": "clean new leaves",
	"person": "persons", "dry leaf": "dry leaves"}

// Of says how far a count has come: "3 of 14 days", and "16 days" once it is reached,
// whatever was wanted.
func Of(n, wanted int, one string) string {
	if n >= wanted {
		return Count(n, one)
	}
	return fmt.Sprintf("%d of %s", n, Count(wanted, one))
}

// A puts the article before a thing, as it is spoken: "an aroid vine", "a fern", "a
// unit".
func A(thing string) string {
	word := strings.ToLower(thing)
	vowel := strings.ContainsRune("aeiou", []rune(word + " ")[0])
	for _, as := range []string{"uni", "use", "usu", "euph", "eu", "one"} {
		vowel = vowel && !strings.HasPrefix(word, as)
	}
	if vowel {
		return "an " + thing
	}
	return "a " + thing
}

// Capital begins words as a sentence begins.
func Capital(words string) string {
	if words == "" {
		return words
	}
	return strings.ToUpper(words[:1]) + words[1:]
}

// Lower begins words as they stand within a sentence.
func Lower(words string) string {
	if words == "" {
		return words
	}
	return strings.ToLower(words[:1]) + words[1:]
}

// Every says how often something is done: "every day", "every 3 days".
func Every(n int, one string) string {
	if n == 1 {
		return "every " + one
	}
	return "every " + Count(n, one)
}
