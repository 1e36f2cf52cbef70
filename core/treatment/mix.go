package treatment

import (
	"cmp"
	"slices"
	"strconv"
	"strings"

	"tendermend/core/facts"
	"tendermend/core/plant"
)

// MixWords says a mix by its parts: "fine bark 2, peat 2, perlite 1"; empty for none.
func MixWords(mix []plant.Part) string {
	var parts []string
	for _, m := range mix {
		parts = append(parts, m.What+" "+strconv.FormatFloat(m.Parts, 'g', -1, 64))
	}
	return strings.Join(parts, ", ")
}

// MixClass is the class of the largest part of a mix; empty for none.
func MixClass(mix []plant.Part) facts.MediumClass {
	if len(mix) == 0 {
		return ""
	}
	largest := slices.MaxFunc(mix, func(a, b plant.Part) int { return cmp.Compare(a.Parts, b.Parts) })
	return facts.ClassOf(largest.What)
}
