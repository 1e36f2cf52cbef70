package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// Without a live root nothing drinks: a dry pot gets no water before its rescue is planned.
func TestNothingDrinksWithoutARoot(t *testing.T) {
	for moist, dry := range map[string]bool{
		"bone": true, "dry": true, "due": true, "right": false, "wet": false,
	} {
		situation := `{"kind":"goeppertia-roseopicta","causes":["micronutrient-low"],"on":"2026-06-15",
			"answers":{"limp":true,"moist":"` + moist + `","liveRoots":0,"deadRoots":3},"place":{"warmthC":20}}`
		looks, _ := said(t, situation, treatment.Look)
		assert.Equal(t, dry, strings.Contains(strings.Join(looks, " "), "Do not water it before"), moist)
		rules, _ := said(t, situation, treatment.ByRule)
		assert.Empty(t, rules, moist)
	}
}

// Without a live root it is not tidied first and not soaked: it is looked at, and its rescue planned.
func TestARootlessPlantIsNotTidiedFirst(t *testing.T) {
	for roots, tidied := range map[string]bool{`"liveRoots":0,"deadRoots":3`: false, `"liveRoots":6`: true} {
		s := `{"kind":"cissus-discolor","causes":["self-shading"],"on":"2026-05-15","answers":{"limp":true,"moist":"dry",` +
			roots + `},"place":{"warmthC":22}}`
		for _, op := range []treatment.OperatorID{treatment.PullDead, treatment.Soak} {
			words, _ := said(t, s, op)
			assert.Equal(t, tidied, len(words) > 0, "%s: %s", roots, op)
		}
	}
}

// Without a live root it is looked at until its rescue is planned: every week where it stands firm, every three
// days where it hangs limp.
func TestARootlessPlantIsLookedAt(t *testing.T) {
	for limp, want := range map[bool][]int{false: {0, deadLook}, true: {0, plumpEvery, 19}} { // 19: the one week after 12
		_, days := said(t, fmt.Sprintf(`{"kind":"hoya-obovata","wish":"refresh","on":"2026-10-15","answers":
			{"limp":%t,"moist":"wet","liveRoots":0,"deadRoots":3},"place":{"warmthC":20}}`, limp), treatment.Look)
		assert.Equal(t, want, days, "limp %t", limp)
	}
}

// In a wet pot its roots did not die of thirst, and even a line for water that says more goes.
func TestARootlessPlantInAWetPotIsNotWatered(t *testing.T) {
	for moist, accept := range map[string]string{
		"wet": "accept root rot for it", "dry": "or roots dried out (tan and hollow) for it",
	} {
		situation := `{"kind":"bletilla-striata","causes":["uneven-water"],"on":"2026-05-15","answers":{"limp":true,
			"moist":"` + moist + `","liveRoots":0,"deadRoots":12},"place":{"warmthC":20}}`
		looks, _ := said(t, situation, treatment.Look)
		assert.Contains(t, strings.Join(looks, " "), accept)
		rules, _ := said(t, situation, treatment.ByRule)
		assert.Empty(t, rules, moist)
	}
}

// A kind that never rests and stands still is watered as its kind has it, and looked at for what it lacks.
func TestWhatNeverRestsIsNotPutToRest(t *testing.T) {
	for kind, rests := range map[string]bool{"paphiopedilum-maudiae-hybrid": false, "dendrobium-nobile": true} {
		situation := `{"kind":"` + kind + `","causes":["dormancy"],"on":"2026-12-15","answers":{"limp":true,"moist":"bone",
			"liveRoots":5,"deadRoots":1},"place":{"warmthC":20}}`
		rules, _ := said(t, situation, treatment.ByRule)
		assert.Equal(t, rests, !strings.Contains(strings.Join(rules, " "), "water it now"), rules)
		looks, days := said(t, situation, treatment.Look)
		assert.Equal(t, rests, strings.Contains(strings.Join(looks, " "), "Soft means rot"), looks)
		assert.Equal(t, rests, days[len(days)-1] == 28, days)
	}
}

// A pot is asked to be narrower only where it can be: no wider than the slack, it is not too wide for what lives.
func TestOnlyAWidePotIsTooWideForWhatLives(t *testing.T) {
	for cm, asked := range map[int]bool{6: false, 7: true} {
		looks, _ := said(t, fmt.Sprintf(`{"kind":"hoya-obovata","causes":["chlorine"],"on":"2026-06-15","answers":
			{"moist":"right","liveRoots":3,"deadRoots":12,"potWidthCm":%d},"place":{"warmthC":20}}`, cm), treatment.Look)
		assert.Equal(t, asked, strings.Contains(strings.Join(looks, " "), fillPot), cm)
	}
}

// Water for young plants is no line for water of their mother: one that was soaked has her own.
func TestAMotherSoakedHasHerOwnLineForWater(t *testing.T) {
	rules, days := stepsSaid(t, `{"kind":"saintpaulia-ionantha","causes":["offset-drain"],"on":"2026-09-15","answers":
		{"limp":true,"moist":"dry","liveRoots":18,"deadRoots":3},"place":{"warmthC":22}}`, treatment.ByRule)
	require.Len(t, rules, 2)
	assert.Empty(t, rules[0].Params.For, "her own line")
	assert.Equal(t, drinkDays, days[0])
	assert.Equal(t, treatment.ForPieces, rules[1].Params.For, "and that of what is parted from her")
}

// Where no root lives to drink, a medium that repels is of no account: it is worked on today as what lost its roots,
// without a soak, and a wait. What has roots is soaked first.
func TestWithoutRootsAMediumNeedNotDrinkFirst(t *testing.T) {
	for _, kind := range []string{"monstera-deliciosa", "vanilla-planifolia"} {
		for live, waits := range map[float64]bool{0: false, 4: true} {
			situation := fmt.Sprintf(`{"kind":%q,"causes":["medium-repels"],"on":"2026-06-15","answers":{"limp":true,
				"moist":"dry","newcomerDays":200,"potWidthCm":14,"liveRoots":%g,"deadRoots":6},"place":{"warmthC":20}}`, kind, live)
			_, opened := said(t, situation, treatment.Unpot)
			_, soaked := said(t, situation, treatment.Soak)
			require.NotEmpty(t, opened, situation)
			assert.Equal(t, waits, opened[0] != 0, situation)
			assert.Equal(t, waits, len(soaked) > 0 && soaked[0] == 0, situation)
		}
	}
}

// A cup is filled today though no root lives: it drinks through its leaves while it waits for cooler days.
func TestACupIsFilledThoughNoRootLives(t *testing.T) {
	_, filled := said(t, `{"kind":"guzmania-lingulata","causes":["root-mealybug"],"on":"2026-12-15",
		"answers":{"limp":true,"moist":"dry","potWidthCm":14,"liveRoots":0,"deadRoots":6},"place":{"warmthC":31}}`,
		treatment.CupFill)
	assert.Contains(t, filled, 0)
}

// Limp in the moist, with most of its roots dead, it does not wait two weeks for a medium that repels to be wetted.
func TestAMediumThatRepelsIsNotWettedOverDeadRoots(t *testing.T) {
	for answers, first := range map[string]int{
		`"limp":true,"moist":"right","liveRoots":2,"deadRoots":3`:  0,
		`"limp":true,"moist":"right","liveRoots":3,"deadRoots":3`:  14,
		`"limp":false,"moist":"right","liveRoots":2,"deadRoots":3`: 14,
	} {
		_, opened := said(t, fmt.Sprintf(`{"kind":"polyscias-fruticosa","causes":["medium-repels"],"on":"2026-06-15",
			"answers":{"newcomerDays":200,"potWidthCm":12,%s},"place":{"warmthC":20}}`, answers), treatment.Unpot)
		require.NotEmpty(t, opened, answers)
		assert.Equal(t, first, opened[0], answers)
	}
}

// What has no live root and stands wet is told that it gets no water, whatever else is done to it.
func TestARootlessPlantInAWetPotIsHeldDry(t *testing.T) {
	for cause, holds := range map[string]bool{"bacterial-spot": true, "chlorine": false} {
		of := `{"kind":"aphelandra-squarrosa","causes":["` + cause + `"],"on":"2026-09-15","answers":{"limp":true,
			"moist":"wet","liveRoots":0,"deadRoots":12},"place":{"warmthC":20}}`
		held, _ := said(t, of, treatment.HoldWater)
		looks, _ := said(t, of, treatment.Look)
		assert.Equal(t, holds, len(held) > 0, cause)
		assert.Equal(t, !holds, strings.Contains(strings.Join(looks, " "), "nothing in there can drink"), cause)
	}
}

// The cup of what rots in its heart stays empty: water goes onto the medium only.
func TestACupThatRotsStaysEmpty(t *testing.T) {
	for cause, empty := range map[string]bool{"black-rot": true, "low-light": false} {
		words, _ := said(t, `{"kind":"vriesea-splendens","causes":["`+cause+`"],"on":"2026-05-15","answers":{
			"moist":"bone","limp":false,"liveRoots":18},"place":{"warmthC":24}}`, treatment.ByRule)
		require.NotEmpty(t, words, cause)
		assert.Equal(t, empty, strings.Contains(words[0], "Its cup stays empty"), words[0])
	}
}

// A plan that ends where a rescue is asked for says no rule of water: no root drinks until then.
func TestAPlanThatEndsSaysNoRuleOfWater(t *testing.T) {
	for limp, ruled := range map[bool]bool{true: false, false: true} {
		rules, _ := said(t, fmt.Sprintf(`{"kind":"dendrobium-cuthbertsonii","causes":["grey-mould"],"on":"2026-05-15",
			"answers":{"limp":%t,"moist":"right","potWidthCm":12,"liveRoots":0,"deadRoots":12},"place":{"warmthC":20}}`, limp),
			treatment.ByRule)
		assert.Equal(t, ruled, len(rules) > 0, "limp %t: %v", limp, rules)
	}
}

// What is kept apart for good gives no offset: it would carry what its mother has; what is apart for a time gives it
// when it is let back.
func TestWhatIsKeptApartGivesNoOffset(t *testing.T) {
	for cause, of := range map[string][3]bool{ // parted, waiting for its release, said to stay
		"virus": {false, false, true}, "bacterial-spot": {true, true, false}, "low-light": {true, false, false},
	} {
		s := `{"kind":"vanda-hybrid","causes":["` + cause + `","offset-drain"],"on":"2026-03-15",
			"answers":{"moist":"right","pups":2}}`
		p, err := Plan(situationOf(t, s))
		require.NoError(t, err)
		var parted, waits bool
		for _, sit := range p.Sittings {
			if slices.ContainsFunc(sit.Steps, func(x treatment.Step) bool { return x.Op == treatment.TakeOffset }) {
				parted, waits = true, sit.Gate.Wants(func(x gate.Condition) bool { return x.Is == gate.Free })
			}
		}
		assert.Equal(t, of, [3]bool{parted, waits, leftOut(t, s, "take-offset") != ""}, cause)
	}
}

// A dry pot without a live root is not watered before its rescue, though pieces are watered later.
func TestARootlessPotIsNotWateredForItsPieces(t *testing.T) {
	words, _ := said(t, `{"kind":"alocasia-reginula","wish":"prune","on":"2026-01-15","answers":{"moist":"bone",
		"liveRoots":0,"deadRoots":12,"plantlets":2}}`, treatment.Look)
	assert.Contains(t, strings.Join(words, " "), "Do not water it before")
}

// What lives in no medium is asked for when its tips run in the cup; what lives in one is potted then.
func TestWhatLivesInNoMediumIsNotPottedFromItsCup(t *testing.T) {
	for kind, potted := range map[string]bool{"rhynchostylis-gigantea": false, "phalaenopsis-hybrid": true} {
		s := `{"kind":"` + kind + `","causes":["moss-smothered"],"on":"2026-10-15","choices":{"school":"S1"},"answers":{
			"moist":"dry","potWidthCm":9,"liveRoots":5,"deadRoots":12},"place":{"warmthC":24,"humidityPct":30}}`
		words, _ := said(t, s, treatment.PotIn)
		assert.Equal(t, potted, len(words) > 0, kind)
		looks, _ := said(t, s, treatment.Look)
		assert.Equal(t, !potted, strings.Contains(strings.Join(looks, " "), "it is hung, its roots bare"), kind)
	}
}
