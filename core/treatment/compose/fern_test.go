package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Aphids are washed off a fern and no more: its fronds bear neither soap nor alcohol. What sits tight on
// it is dabbed, and aphids on a plant that bears soap are sprayed.
func TestAphidsAreWashedOffAFern(t *testing.T) {
	for _, c := range []struct {
		kind, cause string
		washes      int
		product     bool
	}{
		{"blechnum-gibbum", "aphid", 3, false},
		{"adiantum-raddianum", "aphid", 3, false},
		{"blechnum-gibbum", "scale", 1, true},
		{"epipremnum-aureum", "aphid", 3, true},
	} {
		situation := `{"kind":"` + c.kind + `","causes":["` + c.cause + `"],"on":"2026-04-15",
			"answers":{"moist":"right"},"place":{"warmthC":20,"humidityPct":60}}`
		washed, _ := said(t, situation, treatment.WashDown)
		assert.Len(t, washed, c.washes, c.kind)
		var used []string
		for _, op := range []treatment.OperatorID{treatment.Soap, treatment.Alcohol, treatment.Oil, treatment.LabelDrug} {
			words, _ := said(t, situation, op)
			used = append(used, words...)
		}
		assert.Equal(t, c.product, len(used) > 0, "%s %s: %s", c.kind, c.cause, used)
		looks, _ := said(t, situation, treatment.Look)
		assert.Equal(t, !c.product, strings.Contains(strings.Join(looks, " "), "washed off again"), c.kind)
	}
}
