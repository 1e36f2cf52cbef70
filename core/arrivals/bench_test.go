package arrivals_test

import (
	"fmt"
	"strings"
	"testing"

	"tendermend/core/arrivals"
	"tendermend/core/plant"
)

// A box as long as one may be, in which no kind is known: two hundred lines of two hundred letters.
func BenchmarkReadingABoxOfUnknownNames(b *testing.B) {
	var text strings.Builder
	for i := range 200 {
		fmt.Fprintf(&text, "qwerxyl%d trzunder, %s\n", i, strings.Repeat(fmt.Sprintf("wuxlop%d brinth ", i), 11))
	}
	for b.Loop() {
		arrivals.Read(text.String(), plant.Kinds{})
	}
}

// A line as long as a box may be.
func BenchmarkReadingOneLongLine(b *testing.B) {
	line := strings.Repeat("wuxlop brinth zarnol ", 1900)
	for b.Loop() {
		arrivals.Read("x, "+line, plant.Kinds{})
	}
}
