package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Where the top of the medium is to dry against larvae, no second line names another depth.
func TestOneDepthOfDryness(t *testing.T) {
	answers := `"on":"2026-06-15","answers":{"limp":true,"moist":"dry","liveRoots":9,"deadRoots":3},
		"place":{"warmthC":22}}`
	both := `{"kind":"spathiphyllum-wallisii","causes":["drought","fungus-gnat"],` + answers
	rules, _ := said(t, both, treatment.ByRule)
	drier, _ := said(t, both, treatment.DryTop)
	assert.Empty(t, rules)
	assert.Len(t, drier, 1)
	rules, _ = said(t, `{"kind":"spathiphyllum-wallisii","causes":["drought"],`+answers, treatment.ByRule)
	assert.Len(t, rules, 1)
}

// What stands wet gets none until it is as dry as its kind has it, told as that: a depth, the
// surface of what is never to dry, the medium of what drinks from its cup; what stands in a tray
// or a reservoir is not dried.
func TestNoWaterUntilAsDryAsItsKindHasIt(t *testing.T) {
	for kind, want := range map[string]string{
		"monstera-deliciosa":   "Give no water until the top quarter of the pot is dry.",
		"aglaonema-commutatum": "Give no water until the medium is dry half way down.",
		"brugmansia-hybrid":    "Give no water while its surface is wet. It is never to dry",
		"guzmania-lingulata":   "Give its medium no water until the surface is dry.",
		"sarracenia-hybrid":    "",
	} {
		for _, moist := range []string{"wet", "right"} {
			words, days := said(t, `{"kind":"`+kind+`","causes":["cold-injury"],"on":"2026-06-15","answers":
				{"moist":"`+moist+`"},"place":{"warmthC":20}}`, treatment.HoldWater)
			if moist == "right" || want == "" {
				assert.Empty(t, words, "%s, %s", kind, moist)
				continue
			}
			require.Len(t, words, 1, kind)
			assert.Equal(t, 0, days[0])
			assert.True(t, strings.HasPrefix(words[0], want), words[0])
		}
	}
}

// After cold it is looked at each week for four weeks, also after what was mush is off; in a
// draught a plant drops leaves within a week, so that it is looked at then.
func TestLooksAfterColdAndDraught(t *testing.T) {
	for cause, want := range map[string][]int{"cold-injury": {3, 14}, "draught": {7, 14}} {
		words, days := said(t, `{"kind":"monstera-deliciosa","causes":["`+cause+`"],"on":"2026-06-15",
			"answers":{"moist":"right","liveRoots":9},"place":{"warmthC":20}}`, treatment.Look)
		require.Equal(t, want, days, cause)
		if cause == "cold-injury" {
			assert.Contains(t, words[1], "every week until day 28")
		}
	}
}

// What is looked at for longer is asked for on, where another series of looks that is closer has ended.
func TestASeriesThatGoesOnIsNotLostInACloserOne(t *testing.T) {
	words, days := said(t, `{"kind":"monstera-deliciosa","causes":["cold-injury","dry-air"],"on":"2026-06-15",
		"answers":{"moist":"right","liveRoots":9},"place":{"warmthC":20}}`, treatment.Look)
	require.Equal(t, []int{3, 14, 14}, days)
	assert.Contains(t, words[1]+words[2], "every two weeks until 2 clean new leaves")
	assert.Contains(t, words[1]+words[2], "every week until day 28")
}

// What is said to thirst, hangs limp and was found moist is smelled below today: it hangs for
// something else. Found dry it drinks, and nobody smells.
func TestThirstyInTheWetIsSmelledBelow(t *testing.T) {
	for moist, smelled := range map[string]bool{"wet": true, "right": true, "dry": false} {
		words, days := said(t, `{"kind":"spathiphyllum-wallisii","causes":["drought"],"on":"2026-06-15",
			"answers":{"limp":true,"moist":"`+moist+`"},"place":{"warmthC":22}}`, treatment.Look)
		assert.Equal(t, smelled, strings.Contains(words[0], "does the hole smell sour"), moist)
		for i, w := range words {
			if smelled && strings.Contains(w, "every 3 days") {
				assert.Equal(t, 7, days[i], "the daily looks end on day 4")
			}
		}
	}
}

// A limp plant without a live root is looked at every three days until its rescue is planned; one
// that stands firm is not, and what only slows down at rest is asked for its base like any other.
func TestLimpWithoutALiveRoot(t *testing.T) {
	for _, c := range []struct {
		kind, causes, limp, accept string
		three                      bool
	}{
		{"ficus-lyrata", `"slug-snail"`, "true", "root rot or drought for it", true},
		{"ficus-lyrata", `"slug-snail"`, "false", "root rot or drought for it", false},
		{"cissus-alata", `"dormancy"`, "true", "root rot or drought for it", true},
		{"spathiphyllum-wallisii", `"drought"`, "true", "accept root rot for it", true},
		{"catasetum-fimbriatum", `"dormancy"`, "true", "", false},
	} {
		words, _ := said(t, `{"kind":"`+c.kind+`","causes":[`+c.causes+`],"on":"2026-12-15","answers":
			{"limp":`+c.limp+`,"moist":"wet","liveRoots":0,"deadRoots":3},"place":{"warmthC":20}}`, treatment.Look)
		all := strings.Join(words, "\n")
		assert.Equal(t, c.three, strings.Contains(all, "every 3 days until day 14"), "%s: %s", c.kind, all)
		assert.Equal(t, c.accept != "", strings.Contains(all, "No root of it was found alive"), "%s: %s", c.kind, all)
		assert.Contains(t, all, c.accept)
	}
}

// What has no cup is not emptied of it, and what has no medium is not washed over a covered one.
func TestNothingIsDoneWithWhatItHasNot(t *testing.T) {
	for kind, emptied := range map[string]int{"guzmania-lingulata": 1, "cissus-alata": 0} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["cup-foul"],"on":"2026-06-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, treatment.CrownDrain)
		assert.Len(t, words, emptied, kind)
	}
	for kind, covered := range map[string]bool{"tillandsia-ionantha": false, "ficus-lyrata": true} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["scale"],"on":"2026-06-15","answers":{},
			"place":{"warmthC":22}}`, treatment.WashDown)
		require.NotEmpty(t, words, kind)
		assert.Equal(t, covered, strings.Contains(words[0], "the medium covered"), words[0])
	}
}
