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

// Bare roots that had water, of what hangs limp for nothing that was accepted, are looked at today; not where it
// stands firm, thirsts, or its roots were counted.
func TestBareRootsOfALimpPlantAreLookedAt(t *testing.T) {
	for answers, asked := range map[string]bool{
		`"limp":true,"moist":"wet"`: true, `"limp":false,"moist":"wet"`: false, `"limp":true,"moist":"dry"`: false,
		`"limp":true,"moist":"wet","liveRoots":9,"deadRoots":2`: false,
	} {
		looks, days := said(t, `{"kind":"aerides-odorata","causes":["chlorine"],"on":"2026-05-15","answers":{`+answers+`},
			"place":{"warmthC":24}}`, treatment.Look)
		all := strings.Join(looks, " ")
		assert.Equal(t, asked, strings.Contains(all, "are its roots firm, and green once they are wet?"), all)
		if asked {
			assert.Zero(t, days[0])
			assert.Contains(t, all, "every week until day 28")
		}
	}
}

// What stands wet at rest gets no water before it grows where its kind gets none then, else before it is due, and is
// smelled below where it hangs limp; what stands dry then is told neither.
func TestWetAtRest(t *testing.T) {
	s := `{"kind":%q,"causes":["crown-wet"],"on":"2026-12-15","answers":{"limp":true,"moist":%q,"potWidthCm":6,
		"liveRoots":5,"deadRoots":3},"place":{"warmthC":20}}`
	held, _ := said(t, fmt.Sprintf(s, "lithops-hybrid", "wet"), treatment.HoldWater)
	require.Len(t, held, 1)
	assert.Contains(t, held[0], "until growth is seen")
	looks, _ := said(t, fmt.Sprintf(s, "lithops-hybrid", "wet"), treatment.Look)
	assert.Contains(t, strings.Join(looks, " "), "does the hole smell sour")
	held, _ = said(t, fmt.Sprintf(s, "lithops-hybrid", "dry"), treatment.HoldWater)
	assert.Empty(t, held)
}

// What waits so many days after a sitting in which nothing is left to do waits them all: the cuts of what is divided
// close before its reservoir is filled.
func TestWhatWaitsAfterNothingWaitsAsLong(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"anthurium-crystallinum","causes":["congested"],"on":"2026-08-16",
		"answers":{"seat":"reservoir","potWidthCm":8,"rootBallCm":3,"growths":8},"place":{"warmthC":31}}`))
	require.NoError(t, err)
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op == treatment.FirstWater {
				assert.Contains(t, s.Gate.Words(), "4 days after “Set it in clay over a reservoir”")
				return
			}
		}
	}
	assert.Fail(t, "it is never watered")
}

// A plant that waits for its fresh mix, and is to have better water from today on, is told once how it is watered.
func TestWaterOfWhatWaitsIsSaidOnce(t *testing.T) {
	words, days := said(t, `{"kind":"bletilla-striata","causes":["ph-off"],"on":"2026-04-15","answers":{"limp":false,
		"moist":"wet","growths":6,"potWidthCm":6},"place":{"warmthC":31}}`, treatment.ByRule)
	require.Len(t, words, 2)
	assert.Zero(t, days[0])
	assert.True(t, strings.HasPrefix(words[0], "It is wet now: give it none yet. Water it lightly"), words[0])
}

// Where the piece that was to be saved first may not be taken, nothing is laid out for it.
func TestNoHomeWhereNothingIsSaved(t *testing.T) {
	s := `{"kind":"hesperocyparis-macrocarpa","causes":["root-rot"],"on":"2026-10-15","answers":{"moist":"soaked",
		"fewRoots":true,"growths":8,"newGrowth":true},"place":{"warmthC":20}}`
	assert.NotEmpty(t, leftOut(t, s, "insurance"))
	p, err := Plan(situationOf(t, s))
	require.NoError(t, err)
	for _, sitting := range p.Sittings {
		for _, x := range sitting.Steps {
			assert.NotEqual(t, treatment.ForPieces, x.Params.For, x.Words)
			assert.NotEqual(t, treatment.BoxTally, x.Op)
		}
	}
}

// What thirsts at rest with its leaves on gets a little today; what stands firm then waits for its rule.
func TestWhatThirstsAtRestGetsALittle(t *testing.T) {
	for limp, now := range map[bool]bool{true: true, false: false} {
		words := firstWords(t, fmt.Sprintf(`{"kind":"peperomia-scandens","causes":["dormancy","salt-injury"],
			"on":"2026-07-15","answers":{"limp":%t,"moist":"dry","potWidthCm":18,"liveRoots":5,"deadRoots":0},
			"place":{"warmthC":24}}`, limp), treatment.ByRule)
		assert.Equal(t, now, strings.HasPrefix(words, "It hangs limp and is dry: give it a little now"), words)
		assert.Contains(t, strings.ToLower(words), "while it rests, water it lightly")
	}
}

// Less water, and water where no rot is wetted, are said in one line.
func TestLessWaterIsSaidWithWhereItGoes(t *testing.T) {
	words, _ := said(t, `{"kind":"angraecum-sesquipedale","causes":["black-rot","bloom-drain"],"on":"2026-08-15",
		"answers":{"limp":false,"moist":"dry","spikes":1,"growths":6,"potWidthCm":26,"liveRoots":5,"deadRoots":12},
		"place":{"warmthC":16}}`, treatment.ByRule)
	require.Len(t, words, 1)
	assert.Contains(t, words[0], "sparingly")
	assert.Contains(t, words[0], "onto the medium only")
}

// What stands in a tray is too dry as soon as others are due, limp or firm: it is wetted through today.
func TestATrayPlantThatIsDueIsWettedToday(t *testing.T) {
	for moist, wetted := range map[string]bool{"due": true, "right": false} {
		for _, limp := range []bool{true, false} {
			words, days := said(t, fmt.Sprintf(`{"kind":"dionaea-muscipula","causes":["low-light"],"on":"2026-06-15",
				"answers":{"limp":%t,"moist":%q,"liveRoots":18,"deadRoots":3},"place":{"warmthC":24}}`, limp, moist),
				treatment.ByRule)
			require.Equal(t, wetted, len(words) > 0, moist)
			if wetted {
				assert.Zero(t, days[0])
				assert.Contains(t, words[0], "wet it through from above now, with low-mineral water")
			}
		}
	}
}

// What hangs limp with its roots in the air is looked at in its first days too; what is firm is not.
func TestWhatHangsLimpInTheAirIsLookedAtSoon(t *testing.T) {
	for _, kind := range []string{"tillandsia-ionantha", "vanda-hybrid"} {
		for limp, soonLooked := range map[string]bool{"true": true, "false": false} {
			words, days := said(t, `{"kind":"`+kind+`","causes":["stress-colour"],"on":"2026-06-15",
				"answers":{"moist":"due","limp":`+limp+`},"place":{"warmthC":20}}`, treatment.Look)
			assert.Equal(t, soonLooked, slices.Contains(days, plumpEvery), "%s, limp %s: %v", kind, limp, days)
			assert.Equal(t, soonLooked, strings.Contains(strings.Join(words, " "), "every 3 days until day 9,"), kind)
		}
	}
}

// That it is cut back later is said of what branches alone.
func TestWhatDoesNotBranchIsNotCutBackLater(t *testing.T) {
	for kind, later := range map[string]bool{"bulbophyllum-lobbii": false, "ficus-benjamina": true} {
		why := leftOut(t, `{"kind":"`+kind+`","causes":["self-shading"],"on":"2026-06-15",
			"answers":{"moist":"right","limp":true},"place":{"warmthC":20}}`, "trim-branch")
		assert.Equal(t, later, why != "", "%s: %s", kind, why)
	}
}
