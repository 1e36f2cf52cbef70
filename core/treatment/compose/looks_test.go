package compose

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// What marks leaves is looked at for as long as its release wants it without a new mark,
// and its outlook names the same days.
func TestALeafDiseaseIsLookedAtUntilItsRelease(t *testing.T) {
	days := regexp.MustCompile(`^(\d+) days without`)
	looked := 0
	for id, want := range quietFor {
		outlook, _ := treatment.OutlookOf(id, treatment.AroidVine)
		if said := days.FindStringSubmatch(outlook.Ends); said != nil {
			assert.Equal(t, strconv.Itoa(want), said[1], "the outlook of %s", id)
		}
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":[%q],"on":"2026-05-15"}`, id)))
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if until, is := x.Until.Of(gate.Quiet); is && x.Op == treatment.Look {
					assert.Equal(t, want, until.Days, id)
					looked++
				}
			}
			if release, is := s.Gate.Of(gate.Quiet); is && has(s.Steps, treatment.Release) {
				assert.Equal(t, want, release.Days, id)
			}
		}
	}
	assert.GreaterOrEqual(t, looked, 6)
}

// firstWords gives the words of the first step with an operator.
func firstWords(t *testing.T, situation string, op treatment.OperatorID) string {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err)
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op == op && (x.Every > 0 || op != treatment.Look) {
				return x.Words
			}
		}
	}
	return ""
}

// A look asks for what the plan treats: wool at the roots, how firm it stands, or marks.
func TestALookAsksForWhatIsTreated(t *testing.T) {
	plan := func(kind, causes string) string {
		return fmt.Sprintf(`{"kind":%q,"causes":[%s],"on":"2026-06-15",
			"answers":{"liveRoots":18,"deadRoots":2}}`, kind, causes)
	}
	wool := plan("schefflera-arboricola", `"root-mealybug"`)
	assert.Contains(t, firstWords(t, wool, treatment.Look), "as firm as it was, nothing newly yellow, no white wool")
	assert.Contains(t, firstWords(t, wool, treatment.SlideLook), "white wool, or small pale insects")
	assert.NotContains(t, firstWords(t, wool, treatment.SlideLook), "white and firm is well")
	both := firstWords(t, plan("schefflera-arboricola", `"root-mealybug","powdery-mildew"`), treatment.Look)
	assert.Contains(t, both, "marks as they were, new growth clean, no white wool")
	marks := firstWords(t, plan("monstera-deliciosa", `"powdery-mildew"`), treatment.Look)
	assert.Contains(t, marks, "marks as they were, new growth clean?")
	below := firstWords(t, plan("monstera-deliciosa", `"medium-collapsed"`), treatment.Look)
	assert.Contains(t, below, "as firm as it was, nothing newly yellow?")
	for _, id := range []string{"edema", "cold-water-marks"} { // water's doing, and seen on the leaves
		words, _ := said(t, plan("monstera-deliciosa", `"`+id+`"`), treatment.Look)
		assert.Contains(t, words[0], "marks as they were", id)
	}
	hungry := firstWords(t, plan("monstera-deliciosa", `"nitrogen-low"`), treatment.SlideLook)
	assert.NotContains(t, hungry, "wool")
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
	require.Equal(t, []int{3, 14, 42}, days)
	assert.Contains(t, words[1], "every week until day 28")
	assert.Contains(t, words[2], "every two weeks until 2 clean new leaves")
}

// While it is asked every three days whether it stands firm, a rarer look at its marks is the same look.
func TestALookWhetherItIsFirmIsALookAtItsMarks(t *testing.T) {
	for limp, want := range map[bool][]int{true: {3, 21}, false: {7}} {
		words, days := said(t, fmt.Sprintf(`{"kind":"asplenium-bulbiferum","causes":["breakage","slug-snail"],
			"on":"2026-06-15","answers":{"limp":%t,"moist":"right","liveRoots":5,"deadRoots":12},"place":{"warmthC":20}}`,
			limp), treatment.Look)
		at := slices.IndexFunc(words, func(w string) bool { return strings.Contains(w, "every") })
		assert.Equal(t, want, days[at:], words)
		assert.Equal(t, limp, strings.Contains(words[at], "marks as they were, new growth clean? Still as limp"), words)
		assert.Contains(t, words[len(words)-1], "every week until day 56", "two series of every week are one")
	}
}

// What is let back after weeks without a new mark is looked at until then, with its roots worked on or not; what was
// only doubted is looked at for two weeks and more.
func TestItIsLookedAtUntilItIsLetBack(t *testing.T) {
	for causes, until := range map[string]string{
		`"black-rot"`: "every week until 42 days without a new mark", `"soft-rot"`: "until 42 days without a new mark",
		`"root-nematode"`: "every week until day 21",
	} {
		words, _ := said(t, `{"kind":"cymbidium-mini-hybrid","causes":[`+causes+`],"on":"2026-05-15",
			"answers":{"moist":"right","liveRoots":18,"deadRoots":12},"place":{"warmthC":24}}`, treatment.Look)
		assert.Contains(t, words[len(words)-1], until, causes)
	}
}

// Looks go on where they would end more than a week before a release is due, each week, and every two weeks where more
// than twelve weeks without a pest are asked for.
func TestHowOftenItIsLookedAtUntilItIsLetBack(t *testing.T) {
	for _, c := range []struct{ days, every, fortnights int }{
		{35, 0, 0}, {36, 36, 0}, {84, 84, 0}, {85, 0, 85},
	} {
		list := []*sit{
			{dated: true, day: 7, slot: treatment.Morning, steps: []step{do(treatment.Look, every(7, toDay(28)))}},
			{gate: gate.Gate{gate.CleanFor(c.days, 3)}, steps: []step{do(treatment.Release)}},
		}
		weekly, fortnights := 0, 0
		for _, s := range (&composer{}).lookedUntilFree(list) {
			for _, x := range s.steps {
				switch {
				case x.Op != treatment.Look || len(x.Until) == 0 || x.Until[0].Is != gate.Clean:
				case x.Every == weekOfLooks:
					weekly = x.Until[0].Days
				default:
					fortnights = x.Until[0].Days
					assert.Equal(t, 2*weekOfLooks, x.Every)
				}
			}
		}
		assert.Equal(t, c.every, weekly, c.days)
		assert.Equal(t, c.fortnights, fortnights, c.days)
	}
}

// Looks for root mealybugs are counted from the work on the roots: on days where it has one, and from its day
// where it waits.
func TestTheWatchForRootMealybugsIsCountedFromTheWork(t *testing.T) {
	for warmth, dated := range map[string]bool{"24": true, "31": false} {
		words, days := said(t, `{"kind":"philodendron-gloriosum","causes":["root-mealybug"],"on":"2026-03-15",
			"answers":{"limp":false,"moist":"right","potWidthCm":12},"place":{"warmthC":`+warmth+`}}`, treatment.SlideLook)
		require.Len(t, words, 3, warmth)
		if dated {
			assert.Equal(t, []int{21, 42, 54}, days)
			continue
		}
		assert.Equal(t, []int{-1, -1, -1}, days)
	}
}

// What hangs limp in a basket of moss is smelled below and looked at, as in a pot, and lifted out; its basket is
// no pot to be measured.
func TestABasketThatHangsLimpIsSmelledBelow(t *testing.T) {
	for kind, asks := range map[string]string{
		"dracula-vampira": "does its medium smell sour", "monstera-deliciosa": "does the hole smell sour", "vanda-hybrid": "",
	} {
		words, days := said(t, `{"kind":"`+kind+`","causes":["old-leaf"],"on":"2026-06-15","answers":
			{"moist":"right","limp":true,"liveRoots":9,"deadRoots":12},"place":{"warmthC":20}}`, treatment.Look)
		all := strings.Join(words, "\n")
		assert.Equal(t, asks != "", strings.Contains(all, "smell sour"), kind)
		assert.Contains(t, all, asks, kind)
		assert.Equal(t, kind == "monstera-deliciosa", strings.Contains(all, "fill the pot"), kind)
		assert.Equal(t, kind == "dracula-vampira", strings.Contains(all, "lift it out"), kind)
		assert.Contains(t, days, plumpEvery, kind)
	}
}

// A limp plant that drinks by its rule today is looked at each day until it must stand firm, whatever else is
// decided in its first week.
func TestWhatDrinksByItsRuleIsLookedAtUntilFirm(t *testing.T) {
	for moist, daily := range map[string]bool{"dry": true, "right": false} {
		words, _ := said(t, `{"kind":"musa-acuminata-dwarf","causes":["fusarium"],"on":"2026-06-15","answers":
			{"moist":"`+moist+`","limp":true,"liveRoots":18,"deadRoots":3},"place":{"warmthC":20}}`, treatment.Look)
		all := strings.Join(words, "\n")
		assert.Equal(t, daily, strings.Contains(all, "Look at it every day until day 4"), moist)
		assert.Equal(t, !daily, strings.Contains(all, "Still as limp on day 14:"), moist)
	}
}

// Without a live root no water makes it firm: nobody is told to slide it out for white roots after a soak.
func TestWithoutALiveRootNobodyWaitsForWaterToFirmIt(t *testing.T) {
	for live, waits := range map[string]bool{"0": false, "1": true} {
		words, _ := said(t, `{"kind":"cattleya-labiata","causes":["broad-mite"],"on":"2026-06-15","answers":
			{"moist":"bone","limp":true,"liveRoots":`+live+`,"deadRoots":3},"place":{"warmthC":20}}`, treatment.Look)
		assert.Equal(t, waits, strings.Contains(strings.Join(words, "\n"), "white, firm roots only need time"), live)
	}
}

// Water that lay on leaves or in a cup does not say why a plant hangs limp in a wet pot: it is smelled below.
func TestWaterOnLeavesDoesNotExplainALimpPlant(t *testing.T) {
	for cause, smelled := range map[string]bool{
		"crown-wet": true, "cold-water-marks": true, "edema": true, "uneven-water": false,
	} {
		words, _ := said(t, `{"kind":"dracaena-sanderiana","causes":["`+cause+`"],"on":"2026-06-15","answers":
			{"moist":"wet","limp":true},"place":{"warmthC":20}}`, treatment.Look)
		assert.Equal(t, smelled, strings.Contains(strings.Join(words, "\n"), "smell sour"), cause)
	}
}

// What hangs limp while work on its roots waits is looked at every three days, else every week.
func TestALimpPlantThatWaitsIsLookedAtOften(t *testing.T) {
	for limp, often := range map[string]string{"true": "every 3 days", "false": "every week"} {
		words, _ := said(t, `{"kind":"anthurium-andraeanum","causes":["pot-too-big"],"on":"2026-03-15","answers":
			{"moist":"right","limp":`+limp+`,"liveRoots":9,"deadRoots":3},"place":{"warmthC":33}}`, treatment.Look)
		assert.Contains(t, strings.Join(words, "\n"), "Look at it "+often+" until it stands in its range", limp)
	}
}

// Work that waits is looked after for four weeks, also where its cuts close on a tray first.
func TestWhatWasPottedFromATrayIsLookedAfter(t *testing.T) {
	words, _ := said(t, `{"kind":"zantedeschia-elliottiana","causes":["pot-too-big"],"on":"2026-02-15","answers":
		{"moist":"wet","limp":true,"liveRoots":5,"deadRoots":12,"potWidthCm":18},"place":{"warmthC":31}}`, treatment.Look)
	assert.Contains(t, strings.Join(words, "\n"), "every week until 28 days after the work on its roots")
}

// A pot is not opened for what its way of growing is not known to have; what has it, or rots, is worked on.
func TestNoPotIsOpenedForWhatItsKindIsNotKnownToHave(t *testing.T) {
	for of, opened := range map[string]bool{
		`"echeveria-elegans","causes":["water-roots","chlorine"]`:     false,
		`"echeveria-elegans","causes":["water-roots"]`:                false,
		`"epipremnum-aureum","causes":["water-roots"]`:                true,
		`"monstera-deliciosa","causes":["moss-smothered"]`:            false,
		`"phalaenopsis-hybrid","causes":["moss-smothered"]`:           true,
		`"mammillaria-hahniana","causes":["black-rot","water-roots"]`: true,
	} {
		situation := `{"kind":` + of + `,"on":"2026-05-15","answers":{"limp":false,"moist":"right","liveRoots":18,
			"deadRoots":0,"newcomerDays":200,"potWidthCm":14},"place":{"warmthC":21}}`
		unpots, _ := said(t, situation, treatment.Unpot)
		assert.Equal(t, opened, len(unpots) > 0, of)
		looks, _ := said(t, situation, treatment.Look)
		assert.NotEmpty(t, looks, of)
	}
}

// What thirsts without a root is not turned to the light for twelve weeks: its rescue comes first.
func TestWhatThirstsWithoutARootIsNotTurned(t *testing.T) {
	for live, turned := range map[string]bool{"0": false, "6": true} {
		words, _ := said(t, `{"kind":"paphiopedilum-bellatulum","causes":["self-shading"],"on":"2026-06-15","answers":
			{"moist":"dry","limp":true,"liveRoots":`+live+`},"place":{"warmthC":20}}`, treatment.Turn)
		assert.Equal(t, turned, len(words) > 0, live)
	}
}

// Salts are looked after as long as the plant is fed nothing for them.
func TestSaltsAreLookedAfterAsLongAsFeedIsHeld(t *testing.T) {
	words, _ := said(t, `{"kind":"epiphyllum-hybrid","causes":["salt-injury"],"on":"2026-06-15","answers":
		{"moist":"right","limp":false,"liveRoots":5},"place":{"warmthC":22}}`, treatment.Look)
	assert.Contains(t, strings.Join(words, "\n"), "every two weeks until day 56")
}
