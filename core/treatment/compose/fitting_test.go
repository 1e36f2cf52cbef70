package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

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

// An air plant without a medium is fed in its bath, and no larvae are sought in a medium that it does not have.
func TestAnAirPlantIsFedInItsBath(t *testing.T) {
	const s = `{"kind":"tillandsia-usneoides","causes":["potassium-low","fungus-gnat"],"on":"2026-05-15",
		"answers":{"limp":false,"moist":"right"},"place":{"warmthC":20}}`
	fed, _ := said(t, s, treatment.FeedIt)
	assert.NotEmpty(t, fed)
	for _, words := range fed {
		assert.Contains(t, words, "in its bath")
		assert.NotContains(t, words, "medium")
	}
	poured, _ := said(t, s, treatment.Larvicide)
	assert.Empty(t, poured)
}

// What hangs without a medium is not flushed through one: its roots are laid in clean water.
func TestRootsInTheAirAreNotFlushedThroughAMedium(t *testing.T) {
	for kind, medium := range map[string]bool{"vanda-hybrid": false, "cattleya-hybrid": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["salt-injury"],"on":"2026-05-15",
			"answers":{"limp":false,"moist":"right"},"place":{"warmthC":21}}`, kind), treatment.Flush)
		if assert.NotEmpty(t, words, kind) {
			assert.Equal(t, medium, strings.Contains(words[0], "through the medium"), "%s: %s", kind, words[0])
		}
	}
}

// A product that is left out leaves nothing to dry.
func TestNothingIsDriedThatWasNotWetted(t *testing.T) {
	for warm, sprays := range map[int]int{31: 0, 30: 1} {
		situation := fmt.Sprintf(`{"kind":"cattleya-hybrid","causes":["acidovorax"],"on":"2026-06-15",
			"answers":{"limp":false,"moist":"right","liveRoots":9},"place":{"warmthC":%d}}`, warm)
		sprayed, _ := said(t, situation, treatment.LabelDrug)
		dried, _ := said(t, situation, treatment.CrownDry)
		assert.Equal(t, sprays, min(len(sprayed), 1), "%d °C: %v", warm, sprayed)
		assert.Equal(t, sprays, min(len(dried), 1), "%d °C: %v", warm, dried)
	}
}

// A pot without a way out is drained today where its work waits, and said to have no hole only where that was
// seen; what is dry in it gets a little water, and not until it drips.
func TestAPotWithoutAWayOut(t *testing.T) {
	for _, c := range []struct{ facts, drains, drinks string }{
		{`"moist":"right"`, "open the holes of its own from below", ""},
		{`"moist":"right","potHoles":false`, "Its own has no open hole", ""},
		{`"moist":"bone"`, "open the holes of its own from below", "a fifth of its pot at most"},
	} {
		s := fmt.Sprintf(`{"kind":"specklinia-grobyi","causes":["no-drainage"],"on":"2026-12-15",
			"answers":{"limp":false,"liveRoots":9,%s},"place":{"warmthC":20}}`, c.facts)
		drained, days := said(t, s, treatment.DrainSaucer)
		if assert.NotEmpty(t, drained, c.facts) {
			assert.Contains(t, drained[0], c.drains, c.facts)
			assert.Zero(t, days[0], c.facts)
		}
		rules, _ := said(t, s, treatment.ByRule)
		assert.Contains(t, strings.Join(rules, " "), c.drinks, c.facts)
		assert.NotContains(t, strings.Join(rules, " "), "until it drips", c.facts)
	}
}

// What is thrown away today is pictured, and neither counted nor weighed.
func TestWhatIsThrownAwayIsNotWeighed(t *testing.T) {
	for cause, weighed := range map[string]bool{"southern-blight": false, "mealybug": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"gonialoe-variegata","causes":[%q],"on":"2026-05-15",
			"answers":{"limp":false,"moist":"right"}}`, cause), treatment.Baseline)
		assert.Equal(t, weighed, strings.Contains(strings.Join(words, " "), "weigh"), "%s: %v", cause, words)
	}
}

// A pot is made narrower only where a narrower one holds what lives: by its ball and 2.5 cm, or by a guess where
// nobody measured it.
func TestAPotIsMadeNarrowerOnlyWhereItCanBe(t *testing.T) {
	for _, c := range []struct {
		answers string
		works   bool
	}{
		{`,"potWidthCm":6`, false}, {`,"potWidthCm":7`, true},
		{`,"potWidthCm":10,"rootBallCm":8`, false}, {`,"potWidthCm":11,"rootBallCm":8`, true},
		{``, true},
	} {
		s := fmt.Sprintf(`{"kind":"asparagus-densiflorus-myersii","causes":["pot-too-big"],"on":"2026-05-15",
			"answers":{"moist":"wet","liveRoots":9,"deadRoots":3%s},"place":{"warmthC":20}}`, c.answers)
		works, _ := said(t, s, treatment.Unpot)
		assert.Equal(t, c.works, len(works) > 0, c.answers)
		assert.Equal(t, !c.works, strings.Contains(leftOut(t, s, "unpot"), "too narrow for what lives"), c.answers)
	}
}

// Where no medium is there is none to cover, however gently it is washed.
func TestNoMediumIsCoveredWhereThereIsNone(t *testing.T) {
	for kind, covered := range map[string]bool{"aerangis-citrata": false, "zantedeschia-aethiopica": true} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["spider-mite"],"on":"2026-06-15",
			"answers":{"moist":"dry","limp":true},"place":{"warmthC":20}}`, treatment.WashDown)
		require.Contains(t, words[0], "gently")
		assert.Equal(t, covered, strings.Contains(words[0], "the medium covered"), kind)
	}
}

// Leaves that are washed today are dried once, after it.
func TestLeavesAreDriedOnceAfterTheirWash(t *testing.T) {
	for causes, dried := range map[string]int{`"crown-wet"`: 1, `"crown-wet","flat-mite"`: 1} {
		steps, days := stepsSaid(t, `{"kind":"goeppertia-insignis","causes":[`+causes+`],"on":"2026-06-15",
			"answers":{"moist":"right","limp":false},"place":{"warmthC":31}}`, treatment.CrownDry)
		require.NotEmpty(t, steps)
		today := 0
		for _, day := range days {
			if day == 0 {
				today++
			}
		}
		assert.Equal(t, dried, today, causes)
	}
}

// A cup that is emptied for a wash is filled by the day after, whether or not a product follows the wash.
func TestACupThatIsEmptiedIsFilledAgain(t *testing.T) {
	for _, warm := range []string{"16", "24", "31"} { // at 31 °C it is washed alone
		for _, pest := range []string{"whitefly", "spider-mite", "thrips", "scale"} {
			p, err := Plan(situationOf(t, `{"kind":"billbergia-nutans","causes":["`+pest+`"],"on":"2026-06-15",
				"answers":{"moist":"wet","limp":false},"place":{"warmthC":`+warm+`}}`))
			require.NoError(t, err)
			filled, emptied := map[int]bool{}, []int{}
			for _, s := range p.Sittings {
				for _, x := range s.Steps {
					switch {
					case s.Day == nil:
					case x.Op == treatment.CupFill:
						filled[*s.Day] = true
					case x.Op == treatment.CrownDrain:
						emptied = append(emptied, *s.Day)
					}
				}
			}
			for _, day := range emptied {
				assert.True(t, filled[day] || filled[day+1], "%s at %s °C: emptied on day %d", pest, warm, day)
			}
			assert.NotEmpty(t, emptied)
		}
	}
}
