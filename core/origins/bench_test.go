package origins_test

import (
	"fmt"
	"testing"

	"tendermend/core/day"
	"tendermend/core/origins"
)

// BenchmarkAllKinds counts 10,000 plants of 400 kinds, every seventh of them lost, each kind beside
// all others: what the page by kind asks for.
func BenchmarkAllKinds(b *testing.B) {
	all := make([]*origins.Plant, 10_000)
	groups := make([][]*origins.Plant, 400)
	for i := range all {
		all[i] = &origins.Plant{ID: fmt.Sprintf("%036d", i), Came: day.Day(i % 900), Until: 1000}
		if i%7 == 0 {
			all[i].End, all[i].Until = origins.Lost, all[i].Came+day.Day(i%97)
		}
		groups[i%400] = append(groups[i%400], all[i])
	}
	for b.Loop() {
		among := origins.Among(all)
		for _, group := range groups {
			among.Of("x", "X", group)
		}
	}
}
