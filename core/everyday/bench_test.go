package everyday

import (
	"testing"

	"tendermend/core/plant"
)

func BenchmarkSigns(b *testing.B) {
	for b.Loop() {
		Signs("tiny black flies when I water")
	}
}

func BenchmarkRead(b *testing.B) {
	const said = "My calethea has crispy brown edges and the new leaves are small, no webs, soil still wet after a week"
	for b.Loop() {
		Read(said, plant.Kinds{})
	}
}
