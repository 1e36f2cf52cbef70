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

// What was found dry and stands firm drinks before it is washed and sprayed or pieces are cut from it that day; what
// is moist keeps its order.
func TestTheDryDrinkBeforeTheyAreSprayedAndCut(t *testing.T) {
	for _, c := range []struct {
		kind, ails string
		work       treatment.OperatorID
	}{
		{"citrus-calamondin", `"causes":["mealybug"]`, treatment.WashDown},
		{"euphorbia-pulcherrima", `"wish":"propagate"`, treatment.TipCut},
	} {
		for moist, first := range map[string]bool{"bone": true, "due": true, "right": false} {
			p, err := Plan(situationOf(t, `{"kind":"`+c.kind+`",`+c.ails+`,"on":"2026-06-15","answers":
				{"moist":"`+moist+`","liveRoots":9},"place":{"warmthC":20}}`))
			require.NoError(t, err)
			at := func(op treatment.OperatorID) int {
				return slices.IndexFunc(p.Sittings[0].Steps, func(x treatment.Step) bool { return x.Op == op })
			}
			require.GreaterOrEqual(t, at(c.work), 0)
			rule := at(treatment.ByRule)
			assert.Equal(t, first, rule >= 0 && rule < at(c.work), "%s, %s", c.kind, moist)
		}
	}
}

// A crown is emptied where the plant has one that holds water, and dried wherever it was found wet.
func TestOnlyACrownIsEmptied(t *testing.T) {
	for kind, emptied := range map[string]bool{"phalaenopsis-hybrid": true, "curio-rowleyanus": false} {
		s := `{"kind":"` + kind + `","causes":["crown-wet"],"on":"2026-03-15","answers":{"moist":"right"}}`
		words, _ := said(t, s, treatment.CrownDrain)
		assert.Equal(t, emptied, len(words) > 0, kind)
		words, _ = said(t, s, treatment.CrownDry)
		assert.NotEmpty(t, words, kind)
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

// A base that rots and is not cut keeps its medium dry, also where that was found dry.
func TestRotIsKeptDry(t *testing.T) {
	for cause, held := range map[string]bool{`"base-rot"`: true, `"springtail"`: false} {
		words, _ := said(t, `{"kind":"ravenea-rivularis","causes":[`+cause+`],"on":"2026-06-15","answers":{"moist":"dry"},
			"place":{"warmthC":22}}`, treatment.HoldWater)
		assert.Equal(t, held, len(words) > 0, cause)
	}
}

// That its water is its own is left to where it is kept apart within a week only.
func TestOwnWaterIsLeftOutWithinAWeek(t *testing.T) {
	for days, once := range map[int]bool{0: true, ownWaterFor: true, ownWaterFor + 1: false} {
		first := do(treatment.ByRule, what(ownWater))
		assert.Equal(t, once, ownSaid(&first, do(treatment.ByRule, what("morning")), days), days)
	}
	assert.Equal(t, 7, ownWaterFor)
}

// A second line for water by its rule is left out within nine days, and what it says more is said with the
// first; later, or after fresh mix, it stands.
func TestASecondLineForTheSameWaterIsLeftOut(t *testing.T) {
	for _, c := range []struct {
		days  int
		repot bool
		lines int
	}{{sameWater, false, 1}, {sameWater + 1, false, 2}, {sameWater, true, 2}} {
		first := &sit{dated: true, steps: []step{do(treatment.ByRule)}}
		if c.repot {
			first.steps = append(first.steps, do(treatment.Unpot))
		}
		second := &sit{dated: true, day: c.days, steps: []step{do(treatment.ByRule, what("morning"))}}
		oneRule([]*sit{first, second})
		n := 0
		for _, s := range []*sit{first, second} {
			for _, x := range s.steps {
				if x.Op == treatment.ByRule {
					n++
				}
			}
		}
		assert.Equal(t, c.lines, n, "%+v", c)
		assert.Equal(t, c.lines == 1, first.steps[0].Params.What == "morning", "%+v", c)
	}
	assert.Equal(t, 9, sameWater)
}

// Against larvae the top is to dry: what is dry through drinks first, and where nothing lives that could
// drink nobody is told to let it dry.
func TestDriedAgainstLarvaeOnlyWhatDrank(t *testing.T) {
	for answers, want := range map[string]string{
		`"moist":"bone","liveRoots":9`:  "stand it in water now",
		`"moist":"right","liveRoots":9`: "Let the top quarter dry before the next water",
		`"moist":"bone","liveRoots":0`:  "",
	} {
		words, _ := said(t, `{"kind":"monstera-deliciosa","causes":["fungus-gnat"],"on":"2026-06-15",
			"answers":{"limp":false,`+answers+`},"place":{"warmthC":22}}`, treatment.DryTop)
		assert.Equal(t, want != "", len(words) > 0, answers)
		assert.Contains(t, strings.Join(words, " "), want, answers)
	}
}

// What grows in a basket of moss is watered by its rule, and dipped where it is found too dry; what hangs there
// with its roots in the air drinks by them.
func TestABasketOfMossIsNotWateredByTheRoots(t *testing.T) {
	for _, c := range []struct{ kind, moist, says string }{
		{"dracula-vampira", "bone", "dip its basket in water until bubbles stop"},
		{"dracula-vampira", "bone", "keep its medium evenly moist"},
		{"dracula-vampira", "right", ""},
		{"vanda-hybrid", "bone", "Wet its roots in the morning"},
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["spider-mite"],"on":"2026-05-15",
			"answers":{"seat":"basket","limp":false,"moist":%q},"place":{"warmthC":20}}`, c.kind, c.moist), treatment.ByRule)
		assert.Equal(t, c.says != "", len(words) > 0, "%+v", c)
		assert.Contains(t, strings.Join(words, " "), c.says, "%+v", c)
	}
}

// Water and potting of its pieces is none for the mother: she drinks, or is kept dry, as she was found.
func TestTheWaterOfPiecesIsNoneForTheMother(t *testing.T) {
	for moist, op := range map[string]treatment.OperatorID{"bone": treatment.ByRule, "wet": treatment.HoldWater} {
		words, days := said(t, `{"kind":"nephrolepis-exaltata","causes":["offset-drain"],"on":"2026-05-15",
			"answers":{"limp":false,"moist":"`+moist+`","liveRoots":9},"place":{"warmthC":20}}`, op)
		require.NotEmpty(t, words, moist)
		assert.Equal(t, 0, days[0], moist)
	}
}

// What drinks from its cup has its medium moistened too, where that was found dry through.
func TestTheDryMediumOfACupIsMoistened(t *testing.T) {
	for moist, says := range map[string]bool{"bone": true, "dry": false, "right": false} {
		words, _ := said(t, `{"kind":"guzmania-lingulata","causes":["dry-air"],"on":"2026-05-15",
			"answers":{"limp":false,"moist":"`+moist+`","liveRoots":9},"place":{"warmthC":20}}`, treatment.ByRule)
		assert.Equal(t, says, strings.Contains(strings.Join(words, " "), "dry through: give it a little water"), moist)
	}
}

// A line for water of its own that comes later than three days is said today as well, where it was found too dry.
func TestALateLineForWaterIsSaidTodayToo(t *testing.T) {
	for late, lines := range map[int][]int{0: {0}, dryWaits: {0}, dryWaits + 1: {0, dryWaits + 1}} {
		c := laid(t, `{"kind":"monstera-deliciosa","causes":["old-leaf"],"on":"2026-05-15",
			"answers":{"limp":false,"moist":"bone","liveRoots":9},"place":{"warmthC":20}}`)
		list := c.wateredWhileDry([]*sit{{dated: true, day: late, steps: []step{do(treatment.ByRule)}}})
		var days []int
		for _, x := range list {
			for range x.steps {
				days = append(days, x.day)
			}
		}
		slices.Sort(days)
		assert.Equal(t, lines, days, "%d", late)
	}
	assert.Equal(t, 3, dryWaits)
}

// A flush that a basin does not hold is sent where it may run away.
func TestALargeFlushIsSentWhereItMayRunAway(t *testing.T) {
	for ml, far := range map[float64]bool{byTheCan - 1: false, byTheCan: true} {
		x := do(treatment.Flush)
		x.Params.ML = num(ml)
		c := laid(t, `{"kind":"monstera-deliciosa","causes":["old-leaf"],"on":"2026-05-15"}`)
		assert.Equal(t, far, strings.Contains(c.words(x), "outdoors"), "%g", ml)
	}
	assert.EqualValues(t, 10_000, byTheCan)
}

// Soaks that are left out leave no drying behind: what was found wet is shaken dry today, and no more.
func TestNoDryingAfterSoaksThatAreLeftOut(t *testing.T) {
	words, days := said(t, `{"kind":"tillandsia-usneoides","causes":["drought"],"on":"2026-05-15",
		"answers":{"limp":false,"moist":"wet"},"place":{"warmthC":20}}`, treatment.CrownDry)
	require.NotEmpty(t, words)
	for i := range words {
		assert.Equal(t, 0, days[i], words[i])
		assert.NotContains(t, words[i], "Again")
	}
}

// What hangs with bare roots, of which none lives, is told its rescue, and not to wet its roots.
func TestDeadRootsThatHangAreNotWetted(t *testing.T) {
	for live, wetted := range map[string]bool{"0": false, "4": true} {
		words, _ := said(t, `{"kind":"rhynchostylis-gigantea","causes":["soft-rot"],"on":"2026-06-15",
			"answers":{"limp":true,"moist":"wet","liveRoots":`+live+`,"deadRoots":3},"place":{"warmthC":20}}`,
			treatment.ByRule)
		assert.Equal(t, wetted, len(words) > 0, live)
	}
}

// What is dry at rest is watered freely where it does not rest and most of its roots were found alive, and else not
// before its new roots are long enough.
func TestWhatHasItsRootsIsWateredFreely(t *testing.T) {
	for roots, has := range map[string]bool{
		`"liveRoots":9,"deadRoots":9`: true, `"liveRoots":9,"deadRoots":10`: false, `"limp":false`: false,
	} {
		words, _ := said(t, `{"kind":"calanthe-vestita","causes":["bud-blast"],"on":"2026-06-15",
			"answers":{"moist":"right",`+roots+`},"place":{"warmthC":20}}`, treatment.ByRule)
		require.NotEmpty(t, words, roots)
		assert.Equal(t, has, strings.Contains(words[0], "It has roots: water it freely"), words[0])
		assert.Equal(t, !has, strings.Contains(words[0], "no water before its new roots"), words[0])
	}
}

// Where nobody saw it grow, its rest must be over for two months.
func TestItsRootsAreThereTwoMonthsAfterItsRest(t *testing.T) {
	for on, has := range map[string]bool{"2026-04-29": false, "2026-04-30": true} { // 60 days after 28 Feb and 1 March
		words, _ := said(t, `{"kind":"cycnoches-chlorochilon","causes":["bud-blast"],"on":"`+on+`",
			"answers":{"moist":"right","liveRoots":9,"deadRoots":0},"place":{"warmthC":22}}`, treatment.ByRule)
		require.NotEmpty(t, words, on)
		assert.Equal(t, has, strings.Contains(words[0], "It has roots"), on)
	}
	assert.Equal(t, 60, rootsSince)
}

// What was found dry through drinks today when it may: an air plant and roots that hang in the air are dipped, what
// drops its leaves in winter drinks while it does not rest, what is never to dry even at rest, and in the kind of
// water that its case asks for.
func TestWhatIsDryThroughDrinksWhenItMay(t *testing.T) {
	const tooDry = "It is too dry for it: wet it through from above now, with low-mineral water. From then on: while it " +
		"rests"
	for _, c := range []struct{ kind, cause, on, answers, says string }{
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"bone"`, "Lay it under rain water"},
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"due"`, "Give it its water as it lives"},
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"dry"`, "Give it its water as it lives"},
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"right"`, ""},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"bone"`, "Dip the whole root mass"},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"due"`, "Wet its roots in the morning"},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"right"`, ""},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"bone","liveRoots":0,"deadRoots":3`, ""},
		{"catasetum-fimbriatum", "breakage", "2026-07-15", `"moist":"bone","liveRoots":9,"deadRoots":9`,
			"From then on: water it freely"},
		{"catasetum-fimbriatum", "breakage", "2026-07-15", `"moist":"dry","liveRoots":9,"deadRoots":9`,
			"From then on: water it freely"},
		{"catasetum-fimbriatum", "breakage", "2026-07-15", `"moist":"bone","liveRoots":9,"deadRoots":10`, ""},
		{"catasetum-fimbriatum", "breakage", "2026-12-15", `"moist":"bone","liveRoots":9,"deadRoots":0`, ""},
		{"lycaste-aromatica", "breakage", "2026-06-15", `"moist":"bone"`, "It is dry through: water it now"},
		{"lycaste-aromatica", "breakage", "2026-12-15", `"moist":"bone"`, ""},
		{"sarracenia-hybrid", "dormancy", "2026-12-15", `"moist":"dry"`, tooDry},
		{"strobilanthes-auriculata", "chlorine", "2026-06-15", `"moist":"bone","limp":true`,
			"Stand it in filtered or day-old water"},
		{"dionaea-muscipula", "cold-water-marks", "2026-06-15", `"moist":"right"`,
			"low-mineral water at room warmth, from below"},
	} {
		words, _ := said(t, `{"kind":"`+c.kind+`","causes":["`+c.cause+`"],"on":"`+c.on+`","answers":{`+c.answers+`},
			"place":{"warmthC":20}}`, treatment.ByRule)
		soaks, _ := said(t, `{"kind":"`+c.kind+`","causes":["`+c.cause+`"],"on":"`+c.on+`","answers":{`+c.answers+`},
			"place":{"warmthC":20}}`, treatment.Soak)
		all := strings.Join(append(words, soaks...), "\n")
		if c.says == "" {
			assert.NotContains(t, all, "now", "%+v", c)
			assert.Empty(t, soaks, "%+v", c)
			continue
		}
		assert.Contains(t, all, c.says, "%+v", c)
	}
}

// It is dipped before anything of it is cut that day.
func TestItIsDippedBeforeItIsCut(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"vanda-coerulea","causes":["thrips"],"on":"2026-06-15",
		"answers":{"moist":"bone","spikes":1,"liveRoots":9},"place":{"warmthC":24}}`))
	assert.NoError(t, err)
	var order []treatment.OperatorID
	for _, x := range p.Sittings[0].Steps {
		if x.Op == treatment.Soak || x.Op == treatment.CleanBlade || x.Op == treatment.StripSpikes {
			order = append(order, x.Op)
		}
	}
	assert.Equal(t, []treatment.OperatorID{treatment.Soak, treatment.CleanBlade, treatment.StripSpikes}, order[:3], order)
}

// A plant that drinks from its cup is to have a medium that is only just moist: found dry, it gets a little today.
func TestACupPlantThatIsFoundDryGetsALittleToday(t *testing.T) {
	for moist, says := range map[string]string{
		"bone": "It is dry through: give it a little", "dry": "It is too dry for it: give it a little", "right": "",
	} {
		words, days := said(t, `{"kind":"billbergia-nutans","causes":["micronutrient-low"],"on":"2026-06-15",
			"answers":{"moist":"`+moist+`","limp":false},"place":{"warmthC":22}}`, treatment.ByRule)
		assert.Equal(t, says != "", slices.Contains(days, 0), moist)
		assert.Contains(t, strings.Join(words, " "), says, moist)
	}
}

// What was chilled and is due drinks after three days in the warmth; what was never chilled, today.
func TestWhatIsDueAfterColdDrinksOnDayThree(t *testing.T) {
	for _, c := range []struct {
		kind, cause, moist string
		days               []int
	}{
		{"monstera-deliciosa", "cold-injury", "due", []int{3}},
		{"cycas-revoluta", "cold-injury", "bone", []int{3}},
		{"cycas-revoluta", "cold-injury", "right", nil},
		{"monstera-deliciosa", "stress-colour", "due", []int{0}},
	} {
		_, days := said(t, `{"kind":"`+c.kind+`","causes":["`+c.cause+`"],"on":"2026-09-15",
			"answers":{"moist":"`+c.moist+`","limp":false},"place":{"warmthC":22}}`, treatment.ByRule)
		assert.Equal(t, c.days, days, "%+v", c)
	}
}
