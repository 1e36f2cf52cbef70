package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Bacteria are looked for every second day for two weeks and each week after that (handbook, the third
// edition of treatment, 4.10); what fungi mark every five days.
func TestWhatBacteriaMarkIsLookedAtWithinDays(t *testing.T) {
	for cause, first := range map[string]int{"bacterial-spot": 2, "acidovorax": 2, "fungal-spot": 5} {
		words, days := said(t, `{"kind":"hedera-helix","causes":["`+cause+`"],"on":"2026-04-15",
			"answers":{"moist":"right"},"place":{"warmthC":20}}`, treatment.Look)
		assert.Equal(t, first, days[0], cause)
		all := strings.Join(words, " ")
		assert.Equal(t, first == 2, strings.Contains(all, "every 2 days until day 14"), cause)
		assert.Equal(t, first == 2, strings.Contains(all, "every week until 42 days without a new mark"), cause)
	}
}

// A leaf that is hairy or holds water is not cut into: what is cut stays wet.
func TestHairyAndThickLeavesAreTakenWhole(t *testing.T) {
	for kind, says := range map[string]string{
		"tradescantia-sillamontana": "whole, where they sit on the stem", // hairy
		"hoya-carnosa":              "whole, where they sit on the stem",
		"crassula-ovata":            "whole, where they sit on the stem",
		"hedera-helix":              "1 to 2 cm into sound tissue",
		"saintpaulia-ionantha":      "twisted out whole",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["fungal-spot"],"on":"2026-04-15",
			"answers":{"moist":"right"},"place":{"warmthC":20}}`, treatment.RemoveLeaves)
		assert.Contains(t, strings.Join(words, " "), says, kind)
	}
}
