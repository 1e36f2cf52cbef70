package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

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
		{"ficus-lyrata", `"slug-snail"`, "true", "accept root rot for it", true},
		{"ficus-lyrata", `"slug-snail"`, "false", "accept root rot for it", false},
		{"cissus-alata", `"dormancy"`, "true", "accept root rot for it", true},
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

// Nobody is asked whether a plant stands firm that was thrown away, or that is a piece.
func TestWhatIsLetGoIsNotLookedAt(t *testing.T) {
	for more, asked := range map[string]bool{
		`}`: true, `,"piece":true}`: false, `},"choices":{"discard":"now"}`: false,
	} {
		words, _ := said(t, `{"kind":"cycas-revoluta","causes":["virus"],"on":"2026-04-14","answers":{"moist":"right",
			"liveRoots":9,"limp":true`+more+`,"place":{"warmthC":20}}`, treatment.Look)
		assert.Equal(t, asked, strings.Contains(strings.Join(words, " "), "Still as limp"), more)
	}
}

// What hangs limp, and not for thirst, gets more light and the blade only when it stands firm.
func TestALimpPlantIsNotCutOrLitBeforeItStandsFirm(t *testing.T) {
	for _, limp := range []bool{true, false} {
		situation := fmt.Sprintf(`{"kind":"pachira-aquatica","causes":["low-light"],"on":"2026-05-15",
			"answers":{"limp":%t,"moist":"wet","growing":true},"place":{"warmthC":20}}`, limp)
		cuts, _ := said(t, situation, treatment.TrimBranch)
		assert.Equal(t, limp, len(cuts) == 0, "limp %t: %v", limp, cuts)
		_, lit := said(t, situation, treatment.Brighten)
		if assert.Len(t, lit, 1) {
			assert.Equal(t, limp, lit[0] < 0, "limp %t: on day %d", limp, lit[0]) // behind a gate
		}
	}
}

// A limp plant that nothing else looks at is looked at weekly in its first four weeks; a firm one is not.
func TestALimpPlantIsLookedAtWeekly(t *testing.T) {
	for limp, want := range map[bool][]int{true: {0, 7, 28}, false: {28}} {
		words, days := said(t, fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":["micronutrient-low"],
			"on":"2026-06-15","answers":{"limp":%t,"moist":"right"},"place":{"warmthC":22}}`, limp), treatment.Look)
		assert.Equal(t, want, days)
		weekly := strings.Contains(strings.Join(words, " "), "every week until day 21")
		assert.Equal(t, limp, weekly, words)
	}
}

// Two weeks without a look may pass, and not a day more.
func TestHowLongALimpPlantIsLeftAlone(t *testing.T) {
	c := composer{orders: &orders{subject: &subject{limp: true}}}
	for next, want := range map[int][]int{14: {14, 28}, 15: {7, 15, 28}, 28: {7, 14, 21, 28}, 90: {7, 14, 21, 28}} {
		list := c.limpWeekly([]*sit{
			{dated: true, day: next, steps: []step{do(treatment.Look)}},
			{dated: true, day: 28, steps: []step{do(treatment.Look, note("which?"))}},
		})
		var days []int
		for _, day := range lookDays(list, limpWatched) {
			if len(days) == 0 || days[len(days)-1] != day {
				days = append(days, day)
			}
		}
		assert.Equal(t, want, days, next)
	}
}

// A limp plant in a moist pot gets no water the day before its ball is lifted; a firm one does.
func TestALimpPlantIsNotWateredBeforeItsBallIsLifted(t *testing.T) {
	for answers, watered := range map[string]bool{
		`"limp":true,"moist":"right"`: false, `"limp":false,"moist":"right"`: true, `"limp":false,"moist":"wet"`: false,
	} {
		words, _ := said(t, `{"kind":"scindapsus-pictus","causes":["pot-bound"],"on":"2026-05-15","answers":{`+answers+`,
			"potWidthCm":12},"place":{"warmthC":22}}`, treatment.PreWater)
		assert.Equal(t, watered, len(words) > 0, answers)
	}
}

// A limp plant is looked at within four days: one whose first look would come later gets looks of its own.
func TestALimpPlantIsSeenWithinFourDays(t *testing.T) {
	for by, soon := range map[int]bool{0: true, 4: true, 5: false} {
		looks := []*sit{{dated: true, day: by, steps: []step{do(treatment.Look)}}}
		assert.Equal(t, soon, lookedSoon(looks), by)
	}
	_, days := said(t, `{"kind":"monstera-deliciosa","causes":["settling-in"],"on":"2026-06-15",
		"answers":{"limp":true,"moist":"right","newcomerDays":2,"potWidthCm":14},"place":{"warmthC":20}}`, treatment.Look)
	require.NotEmpty(t, days)
	assert.Equal(t, 3, days[0])
}

// The top of a medium is loosened where it stays, not where the plant is in a new one by the next day.
func TestANewMixIsNotLoosened(t *testing.T) {
	for causes, loosened := range map[string]bool{`"overwatering","pot-too-big"`: false, `"overwatering"`: true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"hemigraphis-alternata","causes":[%s],"on":"2026-06-15",
			"answers":{"moist":"wet","potWidthCm":18,"liveRoots":4,"deadRoots":12},"place":{"warmthC":20}}`, causes),
			treatment.Loosen)
		assert.Equal(t, loosened, strings.Contains(strings.Join(words, " "), "caked"), causes)
	}
}

// Of a palm's or a cycad's few fronds fewer are taken than of other leaves.
func TestFewFrondsAreTaken(t *testing.T) {
	for kind, share := range map[string]string{
		"cycas-revoluta": "10 %", "howea-forsteriana": "10 %", "ficus-lyrata": "25 %",
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["rust"],"on":"2026-06-15",
			"answers":{"moist":"right","potWidthCm":18},"place":{"warmthC":20}}`, kind), treatment.RemoveLeaves)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], share, kind)
	}
}

// A plant that is in a new mix by the next day is not loosened in its old one; two days later it is.
func TestHowSoonAMixIsNew(t *testing.T) {
	for sat, leftOut := range map[int]bool{-1: false, 0: true, 1: true, 2: false} {
		c := &composer{orders: &orders{subject: &subject{}, root: &rootWork{}}, sat: sat}
		assert.Equal(t, leftOut, placings[treatment.Loosen](c, &plain{}), sat)
	}
}

// What hangs limp in its first week here may do so from the journey: it is told so, and asked after a week.
func TestALimpNewcomerIsAskedAfterAWeek(t *testing.T) {
	for came, asked := range map[string]bool{`"newcomerDays":7,`: true, `"newcomerDays":8,`: false, ``: false} {
		looks, _ := said(t, `{"kind":"blechnum-gibbum","causes":["aphid"],"on":"2026-04-15","answers":
			{`+came+`"limp":true,"moist":"right"},"place":{"warmthC":20}}`, treatment.Look)
		all := strings.Join(looks, " ")
		assert.Equal(t, asked, strings.Contains(all, "Still as limp on day 7 (limp from its journey"), all)
		assert.Equal(t, !asked, strings.Contains(all, "Still as limp on day 14:"), all)
	}
}

// What hangs limp in a wet pot is slid out after a week over 30 °C, and after two where it is cooler.
func TestHowLongALimpPlantStandsWetInTheHeat(t *testing.T) {
	for warmth, last := range map[float64]int{30: 14, 30.5: 7} {
		looks, _ := said(t, fmt.Sprintf(`{"kind":"angraecum-sesquipedale","causes":["draught"],"on":"2026-06-15",
			"answers":{"limp":true,"moist":"wet","newcomerDays":200,"potWidthCm":12},"place":{"warmthC":%g}}`, warmth),
			treatment.Look)
		assert.Contains(t, strings.Join(looks, " "), fmt.Sprintf("Still as limp on day %d", last), warmth)
	}
	looks, _ := said(t, `{"kind":"tolumnia-hybrid","causes":["heat-stress"],"on":"2026-12-15","answers":
		{"limp":true,"moist":"wet","potWidthCm":18},"place":{"warmthC":31}}`, treatment.Look)
	assert.Contains(t, strings.Join(looks, " "), "Still as limp on day 7", "though it is looked at each day until day 5")
}

// Who took a plant for thirsty whose medium is moist is asked within days whether it stands firm.
func TestALimpPlantThatHasHadWaterIsSlidOut(t *testing.T) {
	looks, days := said(t, `{"kind":"epipremnum-aureum","causes":["drought"],"on":"2026-10-15","answers":
		{"limp":true,"moist":"right","newcomerDays":200,"potWidthCm":9,"liveRoots":5,"deadRoots":3},
		"place":{"warmthC":24}}`, treatment.Look)
	assert.Contains(t, looks[0], "Still as limp on day 4")
	assert.Equal(t, 1, days[0])
}

// Most roots dead and a wet pot are smelled below, limp or firm; where most live or it is not wet they are not.
func TestDeadRootsInTheWetAreSmelled(t *testing.T) {
	for facts, smelled := range map[string]bool{
		`"moist":"wet","liveRoots":5,"deadRoots":6`: true, `"moist":"wet","liveRoots":6,"deadRoots":6`: false,
		`"moist":"right","liveRoots":5,"deadRoots":6`: false,
	} {
		looks, _ := said(t, `{"kind":"monstera-deliciosa","causes":["bud-blast"],"on":"2026-06-15","answers":
			{"limp":false,"potWidthCm":18,`+facts+`},"place":{"warmthC":22}}`, treatment.Look)
		assert.Equal(t, smelled, strings.Contains(strings.Join(looks, " "), "does the hole smell sour"), facts)
	}
}
