package compose

import (
	"fmt"
	"slices"
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
		"pleione-formosana":    "Give no water while its medium is wet.",
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

// What was found dry and stands firm drinks before it is washed and sprayed that day; what is moist keeps its
// order, and what hangs limp is soaked first anyway.
func TestTheDryDrinkBeforeTheyAreSprayed(t *testing.T) {
	for moist, first := range map[string]bool{"bone": true, "right": false} {
		p, err := Plan(situationOf(t, `{"kind":"citrus-calamondin","causes":["mealybug"],"on":"2026-06-15","answers":
			{"moist":"`+moist+`","liveRoots":9},"place":{"warmthC":20}}`))
		require.NoError(t, err)
		at := func(op treatment.OperatorID) int {
			return slices.IndexFunc(p.Sittings[0].Steps, func(x treatment.Step) bool { return x.Op == op })
		}
		require.GreaterOrEqual(t, at(treatment.Soap), 0)
		rule := at(treatment.ByRule)
		assert.Equal(t, first, rule >= 0 && rule < at(treatment.WashDown), moist)
	}
}

// A plant that was bitten stands out of reach from now on: of a poisonous one that is said before all.
func TestWhatWasBittenStandsOutOfReach(t *testing.T) {
	for kind, poisonous := range map[string]bool{"pilea-depressa": false, "dieffenbachia-seguine": true} {
		words := func(op treatment.OperatorID) string {
			list, _ := said(t, `{"kind":"`+kind+`","causes":["animal-damage"],"on":"2026-06-15","answers":{"moist":"right"},
				"place":{"warmthC":22}}`, op)
			return strings.Join(list, " ")
		}
		assert.Equal(t, !poisonous, strings.Contains(words(treatment.PullDead), "out of reach"), kind)
		assert.Equal(t, poisonous, strings.Contains(words(treatment.Aid), "out of reach"), kind)
	}
}

// The water of a plant follows what it can have, not what is to be looked at again; alone, that is all there is.
func TestWaterFollowsWhatItCanHave(t *testing.T) {
	for causes, want := range map[string]treatment.OperatorID{
		`"base-rot","bud-blast"`: treatment.HoldWater, `"bud-blast"`: treatment.ByRule,
	} {
		words, _ := said(t, `{"kind":"ravenea-rivularis","causes":[`+causes+`],"on":"2026-06-15","answers":
			{"moist":"right"},"place":{"warmthC":22}}`, want)
		assert.NotEmpty(t, words, causes)
	}
}

// Of two lines for water within a week one is left, where the first only says that the water is its own.
func TestOwnWaterIsSaidOnce(t *testing.T) {
	words, _ := said(t, `{"kind":"syngonium-podophyllum","causes":["soft-rot","fusarium"],"on":"2026-06-15","answers":
		{"moist":"right","liveRoots":9,"deadRoots":3},"place":{"warmthC":20}}`, treatment.ByRule)
	require.Len(t, words, 1)
	assert.Contains(t, words[0], "in the morning, onto the medium only")
	words, _ = said(t, `{"kind":"syngonium-podophyllum","causes":["fusarium"],"on":"2026-06-15","answers":
		{"moist":"right","liveRoots":9,"deadRoots":3},"place":{"warmthC":20}}`, treatment.ByRule)
	require.Len(t, words, 1)
	assert.Contains(t, words[0], "with water of its own")
}

// A wish is for a plant that is well: without a live root it is left out and the base is looked at; a tuber at
// rest has none by nature, and taking pieces may be what is left.
func TestAWishIsForAPlantThatIsWell(t *testing.T) {
	const s = `{"kind":%q,"causes":[],"wish":%q,"on":%q,"answers":{"moist":"right","liveRoots":%d,"growths":6},
		"place":{"warmthC":22}}`
	for _, c := range []struct {
		kind, wish, on string
		live           int
		left           bool
	}{
		{"polyscias-scutellaria", "setup-change", "2026-05-15", 0, true},
		{"polyscias-scutellaria", "setup-change", "2026-05-15", 1, false},
		{"epiphyllum-hybrid", "refresh", "2026-05-15", 0, true},
		{"polyscias-scutellaria", "propagate", "2026-05-15", 0, false},
	} {
		of := fmt.Sprintf(s, c.kind, c.wish, c.on, c.live)
		assert.Equal(t, c.left, strings.Contains(leftOut(t, of, c.wish), "for a plant that is well"), of)
		looks, _ := said(t, of, treatment.Look)
		assert.Equal(t, c.left, strings.Contains(strings.Join(looks, " "), "is its base firm"), of)
	}
}

// A wish does not hurry because the plant hangs limp: it waits for its season as if it stood firm.
func TestALimpPlantHurriesNoWish(t *testing.T) {
	for _, limp := range []string{"true", "false"} {
		p, err := Plan(situationOf(t, `{"kind":"alocasia-macrorrhizos","causes":[],"wish":"part","on":"2026-11-15",
			"answers":{"limp":`+limp+`,"moist":"dry","growths":6,"liveRoots":18},"place":{"warmthC":20}}`))
		require.NoError(t, err)
		for _, x := range p.Sittings {
			if slices.ContainsFunc(x.Steps, func(s treatment.Step) bool { return s.Op == treatment.PartIt }) {
				assert.Contains(t, x.Held, "season", limp)
			}
		}
	}
}

// What is as dry as its kind has it is not dried further: it is watered by its rule at once, where springtails
// or too much water ask for a dry medium; with rot that lives it is not.
func TestTheDryAreNotDriedFurther(t *testing.T) {
	for _, cause := range []string{"springtail", "overwatering"} {
		for moist, held := range map[string]bool{"wet": true, "right": true, "due": false, "bone": false} {
			of := `{"kind":"cattleya-mini-hybrid","causes":["` + cause + `"],"on":"2026-06-15","answers":{"moist":"` + moist +
				`","liveRoots":9},"place":{"warmthC":22}}`
			hold, _ := said(t, of, treatment.HoldWater)
			rules, days := said(t, of, treatment.ByRule)
			assert.Equal(t, held, len(hold) > 0, of)
			require.Len(t, rules, 1, of)
			assert.Equal(t, !held, days[0] == 0, of)
		}
	}
}

// Of a kind without a rest it is said what to look for instead; and a pot that is opened when growth is seen is
// not asked for beside that.
func TestAKindWithoutARestIsToldOf(t *testing.T) {
	const s = `{"kind":%q,"causes":["dormancy","medium-collapsed"],"on":"2026-07-15","answers":
		{"limp":true,"moist":"right","liveRoots":2,"deadRoots":3,"liveTips":0,"potWidthCm":18,"newcomerDays":200},
		"place":{"warmthC":16}}`
	for kind, rests := range map[string]bool{"phragmipedium-caudatum": false, "catasetum-fimbriatum": true} {
		of := fmt.Sprintf(s, kind)
		assert.Equal(t, !rests, strings.Contains(leftOut(t, of, "dormancy"), "no rest"), kind)
		_, days := said(t, of, treatment.Unpot)
		require.Equal(t, []int{-1}, days, kind)
		looks, _ := said(t, of, treatment.Look)
		assert.NotContains(t, strings.Join(looks, " "), "live roots fill", "its pot is opened anyway")
	}
}

// What is poured onto a moist medium waits for its first water, where cut roots keep the fresh mix dry for days;
// of roots that were not cut, or where the mix is watered at once, it has its own days.
func TestWhatIsPouredWaitsForFirstWater(t *testing.T) {
	of := `{"kind":"dendrobium-speciosum","causes":["root-grub"],"on":"2026-10-15","answers":{"limp":true,"moist":"right",
		"newcomerDays":2,"spikes":0,"growths":0,"potWidthCm":18,"liveRoots":9,"deadRoots":0,"liveTips":2},
		"place":{"warmthC":20}}`
	_, first := said(t, of, treatment.FirstWater)
	_, poured := said(t, of, treatment.Nematodes)
	require.NotEmpty(t, first)
	require.Len(t, poured, 2)
	assert.Equal(t, first[0], poured[0])
	assert.Equal(t, 14, poured[1]-poured[0])
}

// Moved is what falls on the dry days only, with its later uses.
func TestPoursMoveOverTheDryDaysOnly(t *testing.T) {
	for day, want := range map[int]int{2: 2, 3: 8, 7: 8, 8: 8, 9: 9} {
		list := []*sit{
			{dated: true, day: 3, steps: []step{do(treatment.Unpot), do(treatment.PotIn)}},
			{dated: true, day: 8, steps: []step{do(treatment.FirstWater)}},
			{dated: true, day: day, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
			{dated: true, day: day + 14, slot: treatment.Evening, steps: []step{do(treatment.Nematodes)}},
		}
		var days []int
		for _, s := range pouredWhenMoist(list) {
			if has(s.steps, treatment.Nematodes) {
				days = append(days, s.day)
			}
		}
		assert.Equal(t, []int{want, want + 14}, days, day)
	}
}

// Pieces of a limp plant root badly: it is asked again in two weeks; what stands firm, or has no live root left,
// gives them today.
func TestNoPiecesOfALimpPlant(t *testing.T) {
	for answers, taken := range map[string]bool{
		`"limp":true,"liveRoots":18`: false, `"limp":false,"liveRoots":18`: true, `"limp":true,"liveRoots":0`: true,
	} {
		of := `{"kind":"rhipsalis-baccifera","causes":[],"wish":"propagate","on":"2026-03-15","answers":{"moist":"right",` +
			answers + `},"place":{"warmthC":20}}`
		tips, _ := said(t, of, treatment.TipCut)
		assert.Equal(t, taken, len(tips) > 0, answers)
		assert.Equal(t, !taken, strings.Contains(leftOut(t, of, "propagate"), "hangs limp"), answers)
		looks, days := said(t, of, treatment.Look)
		asked := slices.IndexFunc(looks, func(w string) bool { return strings.Contains(w, "may pieces be taken") })
		assert.Equal(t, !taken, asked >= 0 && days[asked] == 14, answers)
	}
}

// A leaf has no nodes: it is set by its lower end, a tip by its nodes.
func TestALeafIsSetByItsLowerEnd(t *testing.T) {
	for kind, want := range map[string]string{
		"saintpaulia-ionantha": "with their lower ends 2 to 3 cm under", "coleus-scutellarioides": "with 1 or 2 nodes",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":[],"wish":"propagate","on":"2026-06-15","answers":{"moist":"right",
			"liveRoots":18},"place":{"warmthC":22}}`, treatment.PotIn)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], want, kind)
	}
}

// Nobody is asked whether a plant stands firm that was thrown away, or that is a piece.
func TestWhatIsLetGoIsNotLookedAt(t *testing.T) {
	for more, asked := range map[string]bool{
		`}`: true, `,"piece":true}`: false, `},"choices":{"discard":"now"}`: false,
	} {
		words, _ := said(t, `{"kind":"cycas-revoluta","causes":["virus"],"on":"2026-04-14","answers":{"moist":"right",
			"liveRoots":9,"limp":true`+more+`,"place":{"warmthC":20}}`, treatment.Look)
		assert.Equal(t, asked, strings.Contains(strings.Join(words, " "), "stand firm again"), more)
	}
}
