package list_test

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/exchange/list"
)

// Ten thousand plants, each with a name of its own and one of a few kinds.
func BenchmarkReadingTenThousandRows(b *testing.B) {
	kinds := []string{"Boston fern", "Monstera deliciosa", "snake plant", "aroid vine", "peace lilly", ""}
	var text strings.Builder
	text.WriteString("Plant;Species;Date\n")
	for i := range 10_000 {
		fmt.Fprintf(&text, "Pothos number %d;%s;2026-03-%02d\n", i, kinds[i%len(kinds)], 1+i%28)
	}
	for b.Loop() {
		p, err := list.Read([]byte(text.String()), plant.Kinds{}, today, nil)
		require.NoError(b, err)
		require.Len(b, p.Plants, 10_000)
		require.Empty(b, p.Problems)
	}
}

// Two thousand names that no kind has: what is not known costs most.
func BenchmarkReadingTwoThousandUnknownNames(b *testing.B) {
	text := unknownNames(2000)
	for b.Loop() {
		p, err := list.Read([]byte(text), plant.Kinds{}, today, nil)
		require.NoError(b, err)
		require.Len(b, p.Plants, 2000)
	}
}

// unknownNames is a list of so many names, each unlike the others and like no kind's.
func unknownNames(n int) string {
	var text strings.Builder
	text.WriteString("Plant;Species\n")
	for i := range n {
		word := func(k int) string {
			letters := make([]byte, 9)
			for j := range letters {
				letters[j] = 'a' + byte((i*7+k*11+j*j*(i%13+3)+i/26)%26)
			}
			return string(letters)
		}
		fmt.Fprintf(&text, "My %s %d;%s %s\n", word(1), i, word(2), word(3))
	}
	return text.String()
}
