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
