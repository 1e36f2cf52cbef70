package arrivals

import (
	"fmt"
	"math"
	"regexp"
	"slices"
	"strconv"
	"strings"
)

// counted is a label that ends in a number.
var counted = regexp.MustCompile(`^(.*?)(\d{1,9})$`)

// Pattern is the pattern after which most of the labels are numbered, as "T-###": a # for
// each digit; "###" where none is.
func Pattern(labels []string) string {
	seen := map[string]int{}
	for _, label := range labels {
		if m := counted.FindStringSubmatch(strings.TrimSpace(label)); m != nil {
			seen[m[1]+strings.Repeat("#", len(m[2]))]++
		}
	}
	best := "###"
	for pattern, n := range seen {
		if n > seen[best] || n == seen[best] && pattern < best {
			best = pattern
		}
	}
	return best
}

// Labels gives n labels by a pattern, counted on from the highest number that is taken; a
// pattern without a # is numbered behind it. None is one that is taken already.
func Labels(pattern string, taken []string, n int) []string {
	if !strings.Contains(pattern, "#") {
		pattern += "#"
	}
	first := strings.Index(pattern, "#")
	width := len(pattern[first:]) - len(strings.TrimLeft(pattern[first:], "#"))
	before, after := pattern[:first], pattern[first+width:]
	highest := 0
	for _, label := range taken {
		rest, starts := strings.CutPrefix(strings.TrimSpace(label), before)
		middle, ends := strings.CutSuffix(rest, after)
		if !starts || !ends {
			continue
		}
		if number, err := strconv.Atoi(middle); err == nil {
			highest = max(highest, number)
		}
	}
	var list []string
	for number := highest + 1; len(list) < n; number++ {
		if label := fmt.Sprintf("%s%0*d%s", before, width, number, after); !slices.Contains(taken, label) {
			list = append(list, label)
		}
	}
	return list
}

// Again says of each label whether it is one that is taken, or stands before it in the list; an empty one never is.
func Again(labels, taken []string) []bool {
	seen := map[string]bool{}
	for _, label := range taken {
		seen[alike(label)] = true
	}
	again := make([]bool, len(labels))
	for i, label := range labels {
		key := alike(label)
		again[i] = key != "" && seen[key]
		seen[key] = true
	}
	return again
}

// alike is what two labels have in common that are read as the same on a pot.
func alike(label string) string { return strings.ToLower(strings.TrimSpace(label)) }

// Shares parts a price among n plants to the hundredth: the parts add up to it.
func Shares(price float64, n int) []float64 {
	if n <= 0 {
		return nil
	}
	cents := int(math.Round(price * 100))
	list := make([]float64, n)
	for i := range list {
		part := cents / n
		if i < cents%n {
			part++
		}
		list[i] = float64(part) / 100
	}
	return list
}
