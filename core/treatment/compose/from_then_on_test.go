package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// Whoever is told to wet a pot today is told how it is watered from then on, and with which water.
func TestWhatIsWettedIsToldHowItIsWateredFromThenOn(t *testing.T) {
	for _, c := range []struct {
		kind, cause, moist string
		limp               bool
		day                int
		low                bool
	}{
		{"ficus-benghalensis", "salt-injury", "dry", false, 5, true},
		{"ficus-benghalensis", "salt-injury", "right", false, 5, true},
		{"crassula-ovata", "salt-injury", "dry", false, 5, true},
		{"epipremnum-aureum", "salt-injury", "bone", true, 10, true}, // soaked today, flushed on day 5
		{"epipremnum-aureum", "cold-injury", "dry", true, 8, false},  // soaked when the first days after cold are over
	} {
		rules, days := stepsSaid(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-05-15",
			"answers":{"moist":%q,"limp":%v,"newcomerDays":200,"potWidthCm":16},"place":{"warmthC":22}}`,
			c.kind, c.cause, c.moist, c.limp), treatment.ByRule)
		require.Equal(t, []int{c.day}, days, c)
		assert.Equal(t, c.low, rules[0].Params.Water == treatment.LowMineral, c)
	}
}

// A medium that is dry through round the foot of a plant with a cup takes little at once: it gets that three times.
func TestADryCupPlantGetsSeveralSips(t *testing.T) {
	const s = `{"kind":"neoregelia-carolinae","causes":["drought"],"on":"2026-07-15",
		"answers":{"moist":%q,"limp":true},"place":{"warmthC":24}}`
	sips, _ := stepsSaid(t, fmt.Sprintf(s, "bone"), treatment.FirstWater)
	require.Len(t, sips, 1)
	assert.Equal(t, 2, sips[0].Every)
	assert.True(t, sips[0].Until.Same(toDay(4)))
	sips, _ = stepsSaid(t, fmt.Sprintf(s, "right"), treatment.FirstWater)
	assert.Empty(t, sips)
}

// Worms in leaves that its kind is not known to have are looked for again: nothing is cut for them.
func TestNothingIsCutForWormsInDoubt(t *testing.T) {
	for kind, cut := range map[string]bool{"ficus-benghalensis": false, "begonia-rex": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["leaf-nematode"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{"warmthC":22}}`, kind), treatment.RemoveLeaves)
		assert.Equal(t, cut, len(words) > 0, kind)
	}
}

// What was soaked today for its thirst is not told to drink today a second time.
func TestASoakedPotWithGnatsIsNotToldTwiceToDrink(t *testing.T) {
	for limp, now := range map[bool]bool{true: false, false: true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"epipremnum-aureum","causes":["fungus-gnat"],"on":"2026-05-15",
			"answers":{"moist":"dry","limp":%v},"place":{"warmthC":22}}`, limp), treatment.DryTop)
		require.Len(t, words, 1)
		assert.Equal(t, now, strings.HasPrefix(words[0], "It is due:"), words[0])
	}
}

// The better water that a cause asks for is given at rest too.
func TestBetterWaterIsGivenAtRest(t *testing.T) {
	for causes, with := range map[string]bool{`"chlorine","dormancy"`: true, `"dormancy"`: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"dieffenbachia-seguine","causes":[%s],"on":"2026-10-15",
			"answers":{"moist":"right"},"place":{"warmthC":18}}`, causes), treatment.ByRule)
		require.NotEmpty(t, words)
		assert.Equal(t, with, strings.Contains(words[0], "day-old water"), words[0])
	}
}

// Where most roots were dead, and nothing that was accepted says why, the plan asks what killed them.
func TestWhatKilledMostRootsIsAsked(t *testing.T) {
	for _, c := range []struct {
		cause string
		live  int
		asked bool
	}{
		{"old-leaf", 5, true}, {"old-leaf", 6, false}, {"pot-too-big", 5, false}, {"salt-injury", 5, false},
	} {
		why := leftOut(t, fmt.Sprintf(`{"kind":"rhapis-excelsa","causes":[%q],"on":"2026-04-15",
			"answers":{"moist":"right","limp":false,"liveRoots":%d,"deadRoots":6,"potWidthCm":12},
			"place":{"warmthC":20}}`, c.cause, c.live), "unpot")
		assert.Equal(t, c.asked, strings.HasPrefix(why, "most of its roots were dead"), c)
	}
}

// What gets no water until something is seen is not told in between to be watered by its rule: that comes behind.
func TestNoRuleIsSaidWhileItIsHeldUntilSomethingIsSeen(t *testing.T) {
	for _, s := range []string{
		`{"kind":"kalanchoe-daigremontiana","causes":["cold-injury","water-quality"],"on":"2026-07-15",
			"answers":{"moist":"due","limp":true},"place":{"warmthC":31}}`,
		`{"kind":"gymnocalycium-mihanovichii","causes":["cold-injury","drought"],"on":"2026-10-15",
			"answers":{"moist":"wet","limp":true},"place":{"warmthC":16}}`,
		`{"kind":"euphorbia-trigona","causes":["no-drainage","uneven-water"],"on":"2026-02-15",
			"answers":{"moist":"due","limp":true,"liveRoots":0,"deadRoots":0},"place":{"warmthC":22}}`,
		`{"kind":"epiphyllum-oxypetalum","causes":["medium-repels","cold-injury"],"on":"2026-08-15",
			"answers":{"moist":"dry","limp":true,"liveRoots":0,"deadRoots":0},"place":{"warmthC":31}}`,
	} {
		p, err := Plan(situationOf(t, s))
		require.NoError(t, err)
		held, drinks := false, false
		for _, sit := range p.Sittings {
			for _, x := range sit.Steps {
				held = held || x.Op == treatment.HoldWater && !x.Until.Same(due)
				assert.False(t, held && sit.Day != nil && x.Op == treatment.ByRule, "%s: %s", s, x.Words)
				drinks = drinks || sit.Day == nil && among(x.Op, treatment.ByRule, treatment.FirstWater)
			}
		}
		assert.True(t, held && drinks, s)
	}
}

// After cold it is brought to warmth that its kind bears, from above too.
func TestAfterColdItIsNotKeptTooWarm(t *testing.T) {
	for warmth, says := range map[int]string{10: "", 33: "It is warm enough", 34: "It is too warm"} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"epiphyllum-oxypetalum","causes":["cold-injury"],"on":"2026-08-15",
			"place":{"warmthC":%d}}`, warmth), treatment.Temper)
		require.Len(t, words, 1)
		assert.True(t, strings.HasPrefix(words[0], says), words[0])
	}
}

// A miner in leaves that its kind is not known to have is looked for again, and not sprayed.
func TestNothingIsSprayedForAMinerInDoubt(t *testing.T) {
	for kind, sprays := range map[string]bool{"cereus-repandus": false, "jasminum-polyanthum": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["leaf-miner"],"on":"2026-06-15",
			"place":{"warmthC":22}}`, kind), treatment.LabelDrug)
		assert.Equal(t, sprays, len(words) > 0, kind)
	}
}

// What sleeps is not divided before the last month of its rest.
func TestWhatSleepsIsNotDivided(t *testing.T) {
	for on, parts := range map[string]bool{
		"2026-11-29": false, "2027-01-31": false, "2027-02-01": true, "2027-05-15": true,
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"begonia-tuberhybrida","causes":["dormancy","congested"],"on":%q,
			"answers":{"medium":"sour","moist":"right","limp":false,"newcomerDays":200,"growths":6},
			"place":{"warmthC":20}}`, on), treatment.PartIt)
		assert.Equal(t, parts, len(words) > 0, on)
	}
	for _, wish := range []string{"part", "propagate"} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"begonia-tuberhybrida","causes":["dormancy"],"wish":%q,"on":"2026-11-29",
			"answers":{"moist":"right","limp":false,"newcomerDays":200,"growths":6},
			"place":{"warmthC":20}}`, wish), treatment.PartIt)
		assert.Empty(t, words, wish)
	}
}

// An orchid in a glass of water that rests from its flowers is not potted, nor watered as in a pot.
func TestRestInAGlassStaysInTheGlass(t *testing.T) {
	for seat, pots := range map[string]bool{"jar": false, "pot": true} {
		situation := fmt.Sprintf(`{"kind":"encyclia-tampensis","causes":["root-rot","bloom-drain"],
			"on":"2027-01-09","answers":{"seat":%q,"moist":"wet","limp":false,"newcomerDays":30},
			"place":{"warmthC":22}}`, seat)
		potted, _ := said(t, situation, treatment.PotIn)
		ruled, _ := said(t, situation, treatment.ByRule)
		assert.Equal(t, pots, len(potted) > 0, seat)
		assert.Equal(t, pots, len(ruled) > 0, seat)
	}
}

// A sleeping tuber that is potted anew drinks when it grows: once, whatever asks for it.
func TestASleepingTuberDrinksFirstWhenItGrows(t *testing.T) {
	for causes, on := range map[string]string{
		`"dormancy","congested"`: "2026-11-29", `"root-rot","dormancy"`: "2026-12-15",
	} {
		situation := fmt.Sprintf(`{"kind":"begonia-tuberhybrida","causes":[%s],"on":%q,
			"answers":{"medium":"sour","moist":"right","limp":false,"newcomerDays":200},"place":{"warmthC":20}}`, causes, on)
		_, first := said(t, situation, treatment.FirstWater)
		assert.Equal(t, []int{-1}, first, causes)
		_, rules := said(t, situation, treatment.ByRule)
		assert.Equal(t, []int{-1}, rules, causes)
	}
}

// What rots at its base and was found dry already gets no water for three days, while that dries; what was found moist
// gets none until it is due.
func TestABaseThatRotsDriesBeforeItDrinks(t *testing.T) {
	for moist, day := range map[string]int{"dry": 3, "due": 3, "right": -1} {
		situation := fmt.Sprintf(`{"kind":"musa-acuminata-dwarf","causes":["black-rot"],"on":"2026-10-15",
			"answers":{"moist":%q,"limp":false},"place":{"warmthC":24}}`, moist)
		assert.Equal(t, day, dayOfFirst(t, situation, treatment.ByRule), moist)
		held, _ := said(t, situation, treatment.HoldWater)
		require.Len(t, held, 1, moist)
		assert.Equal(t, day > 0, strings.Contains(held[0], "until day 3"), held[0])
	}
}

// No product is used against bacteria that its kind is not known to have; its marked leaves come off all the same.
func TestNoProductIsUsedInDoubt(t *testing.T) {
	for kind, used := range map[string]bool{"begonia-masoniana": false, "phalaenopsis-hybrid": true} {
		situation := fmt.Sprintf(`{"kind":%q,"causes":["acidovorax"],"on":"2026-09-15","place":{"warmthC":22}}`, kind)
		drug, _ := said(t, situation, treatment.LabelDrug)
		off, _ := said(t, situation, treatment.RemoveLeaves)
		assert.Equal(t, used, len(drug) > 0, kind)
		assert.NotEmpty(t, off, kind)
	}
}

// Water for a piece that is taken today does not end the rest of its mother.
func TestAMotherIsHeldDryThoughItsPieceDrinks(t *testing.T) {
	held, _ := said(t, `{"kind":"cycnoches-chlorochilon","causes":["spider-mite","woken-early"],"on":"2026-08-25",
		"answers":{"moist":"dry","liveRoots":9,"deadRoots":0,"plantlets":2,"limp":true},"choices":{"plantlets":"now"},
		"place":{"warmthC":20}}`, treatment.HoldWater)
	require.Len(t, held, 1)
	assert.Contains(t, held[0], "new roots of 8 cm")
}

// A pot without a way out that is due gets a fifth of its pot from above today; one with holes is watered through, or
// drinks from below where gnats breed in its top.
func TestADuePotWithoutAHoleGetsALittle(t *testing.T) {
	for _, c := range []struct {
		cause string
		op    treatment.OperatorID
		holes bool
		says  string
	}{
		{"iron-low", treatment.ByRule, false, "It is due: water it now, a fifth of its pot at most"},
		{"iron-low", treatment.ByRule, true, "It is due: water it now until it drips"},
		{"fungus-gnat", treatment.DryTop, false, "It is due: water it now, a fifth of its pot at most"},
		{"fungus-gnat", treatment.DryTop, true, "It is due: water it from below now"},
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"epipremnum-aureum","causes":[%q],"on":"2026-05-15",
			"answers":{"moist":"due","limp":false,"potHoles":%v},"place":{"warmthC":22}}`, c.cause, c.holes), c.op)
		require.Len(t, words, 1, c)
		assert.True(t, strings.HasPrefix(words[0], c.says), words[0])
		assert.Equal(t, c.holes && c.cause == "fungus-gnat", strings.Contains(words[0], "from below"), words[0])
	}
}

// What stands in dry mix until spring is looked at until it grows; a cactus or a bulb shrinks by its rest and gets no
// sip for it. In growth its first water comes soon.
func TestWhatStandsDryUntilItGrowsIsLookedAt(t *testing.T) {
	for _, c := range []struct {
		kind, month, says string
	}{
		{"dracaena-trifasciata", "11", "20 ml round the rim"},
		{"gymnocalycium-mihanovichii", "12", "shrinks a little"},
		{"hippeastrum-hybrid", "12", "shrinks a little"},
		{"dracaena-trifasciata", "05", ""},
	} {
		looks, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["root-rot"],"on":"2026-%s-15",
			"answers":{"moist":"wet","limp":false},"place":{"warmthC":22}}`, c.kind, c.month), treatment.Look)
		long := slices.IndexFunc(looks, func(l string) bool {
			return strings.Contains(l, "until growth is seen: is it firm?")
		})
		assert.Equal(t, c.says != "", long >= 0, c)
		assert.True(t, long < 0 || strings.Contains(looks[long], c.says), looks)
	}
}

// A step that waits some days after another names it by the title under which the plan shows it.
func TestAWaitNamesTheStepThatItCountsFrom(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"aloe-vera","causes":["spent-rosette"],"on":"2026-05-15",
		"place":{"warmthC":22}}`))
	require.NoError(t, err)
	named := 0
	for i, s := range p.Sittings {
		for _, c := range s.Gate {
			if c.Since != facts.Before {
				continue
			}
			named++
			assert.True(t, slices.ContainsFunc(p.Sittings[i-1].Steps, func(x step) bool {
				o, _ := treatment.OperatorByID(x.Op)
				return o.Title == c.Done
			}), s.Gate.Words())
			assert.Contains(t, s.Gate.Words(), "after “"+c.Done+"”")
		}
	}
	assert.Positive(t, named)
}

// Of two pests the faster sets the days of the treatment; what is looked for when it is over lasts, and is looked for
// no more than once a week. One alone is looked for by its own clock.
func TestLastingPestsAreLookedForOnceAWeekAtMost(t *testing.T) {
	for causes, every := range map[string]int{`"broad-mite","armoured-scale"`: weekOfLooks, `"armoured-scale"`: 11} {
		looks, _ := stepsSaid(t, fmt.Sprintf(`{"kind":"ficus-benjamina","causes":[%s],"on":"2026-08-15",
			"answers":{"moist":"right","limp":false},"place":{"warmthC":20}}`, causes), treatment.Look)
		require.NotEmpty(t, looks, causes)
		assert.Equal(t, every, looks[len(looks)-1].Every, causes)
	}
}

// What is watered today gets the better water that its cause asks for today.
func TestTheWaterOfTodayIsTheBetterWater(t *testing.T) {
	for cause, water := range map[string]string{
		"chlorine":      "water it now with filtered or day-old water until it drips",
		"stress-colour": "water it now until it drips",
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"tradescantia-fluminensis","causes":[%q],"on":"2026-09-15",
			"answers":{"moist":"due","limp":false},"place":{"warmthC":22}}`, cause), treatment.ByRule)
		require.NotEmpty(t, words, cause)
		assert.Contains(t, words[0], water)
	}
}

// A mix whose pH is off is measured once more before it is renewed for that alone.
func TestTheRunOffIsMeasuredOnlyWhereItDecides(t *testing.T) {
	for causes, measured := range map[string]bool{`"ph-off"`: true, `"ph-off","medium-collapsed"`: false} {
		looks, _ := said(t, fmt.Sprintf(`{"kind":"dracaena-surculosa","causes":[%s],"on":"2026-10-15",
			"answers":{"moist":"due","limp":false},"place":{"warmthC":20}}`, causes), treatment.Look)
		assert.Equal(t, measured, strings.Contains(strings.Join(looks, " "), "measure its run-off once more"), causes)
	}
}
