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

// A series of looks asks its own question at each look; a single one beside it asks its own once.
func TestASeriesDoesNotRepeatTheQuestionOfASingleLook(t *testing.T) {
	words, days := said(t, `{"kind":"prosthechea-cochleata","causes":["soft-rot"],"on":"2026-02-15",
		"answers":{"limp":true,"moist":"bone","potWidthCm":12,"liveRoots":9,"deadRoots":12},
		"place":{"warmthC":24}}`, treatment.Look)
	require.Equal(t, []int{1, 1}, days[:2])
	assert.Contains(t, words[0], "every day until day 7, against the picture")
	assert.NotContains(t, words[0], "live roots fill")
	assert.Contains(t, words[1], "live roots fill")
	assert.NotContains(t, words[1], "every day")
}

// While nothing new must be seen for so many days it is looked at already: single looks of other
// causes within those days are not asked for, and what is left of a rarer series is a single one.
func TestLooksOfSeveralCausesAreOneSeries(t *testing.T) {
	_, days := said(t, `{"kind":"spathoglottis-plicata","causes":["settling-in","anthracnose"],"on":"2026-03-15",
		"answers":{"moist":"wet","liveRoots":18,"deadRoots":12},"place":{"warmthC":24}}`, treatment.Look)
	assert.Equal(t, []int{5}, days)
	words, days := said(t, `{"kind":"coffea-arabica","causes":["guttation","virus"],"on":"2026-08-15",
		"answers":{"moist":"right"},"place":{"warmthC":24}}`, treatment.Look)
	assert.Equal(t, []int{14, 84, 91}, days) // the last decides whether it is kept
	assert.NotContains(t, words[1], "every")
	words, days = said(t, `{"kind":"adiantum-raddianum","causes":["sori","self-shading"],"wish":"part","on":"2026-10-31",
		"south":true,"answers":{"potWidthCm":8},"place":{"warmthC":20}}`, treatment.Look)
	for i := 1; i < len(days); i++ {
		assert.Greater(t, days[i]-days[i-1], soon, "%s and %s", words[i-1], words[i])
	}
}

// A plant without a live root is looked at for that before anything is cut or sprayed, and is not
// soaked: nothing is there that could drink.
func TestNoLiveRootIsAskedForFirst(t *testing.T) {
	s := func(live int) string {
		return fmt.Sprintf(`{"kind":"cissus-alata","causes":["calcium-low"],"on":"2026-12-15","answers":
			{"limp":true,"moist":"dry","liveRoots":%d,"deadRoots":3},"place":{"warmthC":20}}`, live)
	}
	_, none := said(t, s(0), treatment.Soak)
	_, some := said(t, s(4), treatment.Soak)
	assert.Empty(t, none)
	assert.NotEmpty(t, some)
	p, err := Plan(situationOf(t, `{"kind":"episcia-cupreata","causes":["broad-mite"],"on":"2026-03-15","answers":
		{"moist":"bone","liveRoots":0,"deadRoots":12},"place":{"warmthC":20}}`))
	require.NoError(t, err)
	asked := false
	for _, x := range p.Sittings[0].Steps {
		asked = asked || strings.Contains(x.Words, "No root of it was found alive")
		if x.Op == treatment.WashDown || x.Op == treatment.LabelDrug {
			assert.True(t, asked, "asked before %s", x.Words)
		}
	}
	assert.True(t, asked)
}

// In a pot that does not drain, or is too wide, roots that were counted and mostly died are washed and cut;
// those that drowned as rot is, looked at daily; a ball that lives is set over whole.
func TestDrownedRootsAreWorkedAsRot(t *testing.T) {
	for _, cause := range []string{"no-drainage", "pot-too-big"} {
		for _, c := range []struct {
			answers       string
			drowned, dead bool
		}{
			{`"limp":true,"moist":"wet","liveRoots":4,"deadRoots":5`, true, true},
			{`"limp":true,"moist":"wet","liveRoots":5,"deadRoots":5`, false, false},
			{`"limp":true,"moist":"wet","liveRoots":0,"deadRoots":0`, true, true},
			{`"limp":true,"moist":"dry","liveRoots":4,"deadRoots":5`, false, true},
			{`"limp":false,"moist":"wet","liveRoots":4,"deadRoots":5`, false, true},
			{`"limp":true,"moist":"wet"`, false, false},
		} {
			washes, _ := said(t, fmt.Sprintf(`{"kind":"schefflera-arboricola","causes":[%q],"on":"2026-05-15",
				"answers":{"potWidthCm":18,%s},"place":{"warmthC":22}}`, cause, c.answers), treatment.WashOff)
			washed := c.drowned || c.dead && cause == "pot-too-big" // which opens the pot anyway
			assert.Equal(t, washed, len(washes) > 0, "%s: %s", cause, c.answers)
		}
	}
}

// What is bone dry and stands firm drinks today, and the first line for water says how.
func TestWhatIsBoneDryDrinksToday(t *testing.T) {
	const s = `{"kind":"coffea-arabica","causes":["guttation","virus"],"on":"2026-08-15",
		"answers":{"moist":%q},"place":{"warmthC":24}}`
	words, days := said(t, fmt.Sprintf(s, "bone"), treatment.ByRule)
	require.NotEmpty(t, days)
	assert.Zero(t, days[0])
	assert.Contains(t, words[0], "slowly and twice")
	words, _ = said(t, `{"kind":"begonia-bowerae","causes":["root-mealybug"],"on":"2026-03-15",
		"answers":{"moist":"bone","liveRoots":9,"deadRoots":3},"place":{"warmthC":31}}`, treatment.ByRule)
	assert.Contains(t, words[0], "slowly and twice", "though its light stays as it is until the work")
	words, _ = said(t, `{"kind":"ficus-benjamina","causes":["crown-wet"],"on":"2026-07-15",
		"answers":{"moist":"bone","liveRoots":0,"deadRoots":12},"place":{"warmthC":24}}`, treatment.ByRule)
	assert.Empty(t, words, "without a live root nothing can drink")
	words, _ = said(t, fmt.Sprintf(s, "right"), treatment.ByRule)
	for _, w := range words {
		assert.NotContains(t, w, "dry through: water it now")
	}
}

// Between its new pot and its first water nothing is said of water by its rule.
func TestNothingIsWateredBeforeItsFirstWater(t *testing.T) {
	const s = `{"kind":"euphorbia-pulcherrima","causes":["detached","powdery-mildew"],"on":"2026-03-15",
		"answers":{"moist":"right","potWidthCm":12},"place":{"warmthC":20}}`
	_, first := said(t, s, treatment.FirstWater)
	words, rules := said(t, s, treatment.ByRule)
	require.NotEmpty(t, first)
	require.NotEmpty(t, rules)
	for _, day := range rules {
		assert.True(t, day < 0 || day > first[0], "day %d, first water on %d", day, first[0])
	}
	assert.Contains(t, strings.Join(words, " "), "onto the medium only", "how is said where it is watered again")
}

// Why spikes are cut: the trouble sits in them, its roots cannot feed them, or neither.
func TestWhySpikesAreCut(t *testing.T) {
	const s = `{"kind":"oncidium-mini-hybrid","causes":[%q],"on":"2026-06-15",
		"answers":{"spikes":1,"moist":"right","liveRoots":%d,"deadRoots":3},"place":{"warmthC":24}}`
	words, _ := said(t, fmt.Sprintf(s, "grey-mould", 9), treatment.StripSpikes)
	require.NotEmpty(t, words)
	assert.Contains(t, words[0], "sits in flowers")
	words, _ = said(t, fmt.Sprintf(s, "root-rot", 0), treatment.StripSpikes)
	require.NotEmpty(t, words)
	assert.Contains(t, words[0], "its roots cannot give")
}

// A ball that was washed with fewer than five live roots is not slid out after three weeks.
func TestFewNewRootsAreNotSlidOut(t *testing.T) {
	for live, slid := range map[int]bool{4: false, 5: true} {
		_, days := said(t, fmt.Sprintf(`{"kind":"passiflora-caerulea","causes":["root-mealybug"],"on":"2026-05-15",
			"answers":{"moist":"right","potWidthCm":9,"liveRoots":%d,"deadRoots":1},"place":{"warmthC":20}}`, live),
			treatment.SlideLook)
		require.NotEmpty(t, days)
		assert.Equal(t, slid, days[0] < 30, "%d live roots: first slid out on day %d", live, days[0])
	}
	words, _ := rootLook(t, `{"kind":"caladium-bicolor","causes":["anthracnose"],"on":"2026-05-15",
		"answers":{"moist":"right","potWidthCm":12,"liveRoots":2,"deadRoots":12},"place":{"warmthC":24}}`)
	assert.Contains(t, words, "tuber firm")
}

// What keeps its leaves and drinks all year cannot have woken from a rest: it is looked at, and
// not kept dry for weeks.
func TestWhatNeverSleepsIsNotKeptDryForWaking(t *testing.T) {
	for kind, held := range map[string]bool{
		"monstera-deliciosa": false, "phalaenopsis-hybrid": false, "catasetum-fimbriatum": true, "pleione-formosana": true,
		"ulmus-parvifolia":   false,
		"hippeastrum-hybrid": true,
	} {
		holds, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["woken-early"],"on":"2026-01-15",
			"answers":{"moist":"right"},"place":{"warmthC":22}}`, kind), treatment.HoldWater)
		assert.Equal(t, held, len(holds) > 0, kind)
	}
}

// A kind of which no more than the top is to dry drinks where it is found dry; others only where they are dry
// through, sprayed or not.
func TestWhatIsTooDryForItsKindDrinksToday(t *testing.T) {
	for _, c := range []struct {
		kind, cause, moist, says string
	}{
		{"sarracenia-hybrid", "springtail", "dry", "wet it through from above"},
		{"adiantum-raddianum", "sori", "dry", "too dry for it"},
		{"adiantum-raddianum", "sori", "right", ""},
		{"citrus-calamondin", "mealybug", "bone", "slowly and twice"},
		{"citrus-calamondin", "mealybug", "dry", "too dry for it"},
		{"citrus-calamondin", "mealybug", "due", "It is due"},
		{"citrus-calamondin", "mealybug", "right", ""},
		{"aglaonema-commutatum", "mealybug", "dry", "It is due"},
		{"aglaonema-commutatum", "mealybug", "due", "It is due"},
		{"aglaonema-commutatum", "mealybug", "bone", "slowly and twice"},
		{"saxifraga-stolonifera", "powdery-mildew", "bone", "slowly and twice"},
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15",
			"answers":{"limp":false,"moist":%q},"place":{"warmthC":22}}`, c.kind, c.cause, c.moist), treatment.ByRule)
		all := strings.Join(words, " ")
		if c.says == "" {
			assert.NotContains(t, all, " now", "%s, %s", c.kind, c.moist)
		} else {
			assert.Contains(t, all, c.says, "%s, %s", c.kind, c.moist)
		}
	}
}

// Warmth mends mesophyll collapse in those that have it; what is not known to may grow cool, and
// is not warmed for it.
func TestOnlyWhatHasItIsWarmedForCollapse(t *testing.T) {
	for kind, warmed := range map[string]bool{"phalaenopsis-hybrid": true, "fatshedera-lizei": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["mesophyll-collapse"],"on":"2026-08-15",
			"answers":{"moist":"right"},"place":{"warmthC":16}}`, kind), treatment.Temper)
		assert.Equal(t, warmed, len(words) > 0, kind)
	}
}

// What hung limp for thirst is asked on the days after it drank whether it stands firm again; what
// stood firm is not, a dry kind fills its leaves in two weeks; one that was not thirsty is asked where
// nothing else looks at it within a week.
func TestALimpPlantIsLookedAtWhenItDrank(t *testing.T) {
	for _, c := range []struct {
		kind, cause, answers string
		asked                []int
		last                 string
	}{
		{"monstera-deliciosa", "edema", `"limp":true,"moist":"bone"`, []int{1}, "every day until day 4"},
		{"monstera-deliciosa", "drought", `"limp":true,"moist":"bone"`, []int{1}, "every day until day 4"},
		{"monstera-deliciosa", "edema", `"limp":false,"moist":"bone"`, nil, ""},
		{"monstera-deliciosa", "edema", `"limp":false,"moist":"right"`, nil, ""},
		{"monstera-deliciosa", "edema", `"limp":true,"moist":"right"`, []int{3}, "every 3 days until day 14"},
		{"monstera-deliciosa", "cold-injury", `"limp":true,"moist":"right"`, nil, ""}, // looked at on day 3 anyway
		{"haworthia-attenuata", "breakage", `"limp":true,"moist":"bone"`, []int{1}, "every 3 days until day 14"},
		// a daily series for its marks goes on: it is asked once, at the end of those days
		{"monstera-deliciosa", "soft-rot", `"limp":true,"moist":"bone"`, []int{5}, "Look at it, against"},
		{"pilea-involucrata", "crown-wet", `"limp":true,"moist":"dry"`, []int{4}, "Look at it, against"},
	} {
		words, days := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15","answers":{%s,
			"liveRoots":9,"deadRoots":3},"place":{"warmthC":22}}`, c.kind, c.cause, c.answers), treatment.Look)
		var asked []int
		for i, w := range words {
			if strings.Contains(w, "Still as limp") {
				asked = append(asked, days[i])
				assert.Contains(t, w, c.last, c.cause)
			}
		}
		assert.Equal(t, c.asked, asked, "%s %s %s", c.kind, c.cause, c.answers)
	}
}

// A pot that was said to be full, but of dead roots, is not made wider: what lives would stand wet.
func TestAPotOfDeadRootsIsNotMadeWider(t *testing.T) {
	for answers, wider := range map[string]bool{
		`"liveRoots":9,"deadRoots":10`: false,
		`"liveRoots":9,"deadRoots":9`:  true,
		`"liveRoots":0,"deadRoots":9`:  false,
		`"potWidthCm":14`:              true,
	} {
		text := fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-06-15",
			"answers":{"moist":"right",%s},"place":{"warmthC":22}}`, answers)
		words, _ := said(t, text, treatment.PotUp)
		assert.Equal(t, wider, len(words) > 0, answers)
		assert.Equal(t, !wider, leftOut(t, text, string(treatment.PotUp)) != "", answers)
	}
}

// What hangs limp in the wet is smelled below today, also where its pot is opened only after its
// rest, and where its ball is set over whole, so that nobody looks inside it; a ball that is washed is seen then.
func TestLimpInTheWetIsSmelledBeforeALongWait(t *testing.T) {
	for _, c := range []struct {
		kind, cause, on, answers string
		smelled                  bool
	}{
		{"opuntia-microdasys", "pot-bound", "2026-11-15", `"limp":true,"moist":"wet"`, true},
		{"opuntia-microdasys", "pot-bound", "2026-11-15", `"limp":true,"moist":"dry"`, false},
		{"opuntia-microdasys", "pot-bound", "2026-11-15", `"limp":false,"moist":"wet"`, false},
		{"opuntia-microdasys", "pot-bound", "2026-05-15", `"limp":true,"moist":"wet"`, true},
		{"scindapsus-pictus", "pot-bound", "2026-05-15", `"limp":true,"moist":"wet"`, true},
		{"scindapsus-pictus", "pot-bound", "2026-05-15", `"limp":true,"moist":"right"`, false}, // most were seen alive
		{"scindapsus-pictus", "pot-bound", "2026-05-15", `"limp":true,"moist":"dry"`, false},
		{"scindapsus-pictus", "ph-off", "2026-05-15", `"limp":true,"moist":"wet"`, false},
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":%q,
			"answers":{%s,"newcomerDays":200,"liveRoots":9,"deadRoots":3,"potWidthCm":12},"place":{"warmthC":22}}`,
			c.kind, c.cause, c.on, c.answers), treatment.Look)
		assert.Equal(t, c.smelled, strings.Contains(strings.Join(words, " "), "smell sour"), "%+v", c)
	}
	for moist, smelled := range map[string]bool{"wet": true, "right": true, "dry": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"guzmania-lingulata","causes":["base-buried"],"on":"2026-01-15",
			"answers":{"limp":true,"moist":%q},"place":{"warmthC":20}}`, moist), treatment.Look)
		assert.Equal(t, smelled, strings.Contains(strings.Join(words, " "), "smell sour"), moist)
	}
	words, _ := said(t, `{"kind":"opuntia-microdasys","causes":["dormancy"],"on":"2026-11-15",
		"answers":{"moist":"wet"},"place":{"warmthC":22}}`, treatment.ByRule)
	assert.NotContains(t, strings.Join(words, " "), "leafless", "a cactus has no leaves to drop")
}

// What does not die of its flower keeps its pups; an air plant is told once that it is not known to
// have what lives at roots in a pot.
func TestWhatIsNotKnownToHaveItIsToldOnce(t *testing.T) {
	for kind, parts := range map[string]bool{"guzmania-lingulata": true, "dendrobium-nobile": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["spent-rosette"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{"warmthC":22}}`, kind), treatment.TakeOffset)
		assert.Equal(t, parts, len(words) > 0, kind)
	}
	p, err := Plan(situationOf(t, `{"kind":"tillandsia-ionantha","causes":["root-mealybug"],"on":"2026-02-15",
		"answers":{"limp":true},"place":{"warmthC":20}}`))
	require.NoError(t, err)
	require.Len(t, p.LeftOut, 1)
	assert.Contains(t, p.LeftOut[0].Why, "not known to have it")
}

// What hangs limp in the wet, and nobody knows why, is asked every three days whether it stands firm
// again while it dries; overwatering has looks of its own.
func TestWhatDriesIsAskedWhetherItStandsFirm(t *testing.T) {
	for _, c := range []struct {
		cause, moist string
		days         []int
	}{
		{"mesophyll-collapse", "wet", []int{3}},
		{"mesophyll-collapse", "right", []int{3}},
		{"overwatering", "wet", nil},
	} {
		words, days := said(t, fmt.Sprintf(`{"kind":"hoya-obovata","causes":[%q],"on":"2026-04-15","answers":
			{"limp":true,"moist":%q,"liveRoots":9,"deadRoots":1},"place":{"warmthC":20}}`, c.cause, c.moist), treatment.Look)
		var asked []int
		for i, w := range words {
			if strings.Contains(w, "Still as limp") {
				asked = append(asked, days[i])
				assert.Contains(t, w, "every 3 days until day 14")
				assert.NotContains(t, w, "moist pot")
			}
		}
		assert.Equal(t, c.days, asked, "%s %s", c.cause, c.moist)
	}
}

// Two feeds that wait for the same roots are one, at the lower strength, with what is lacking; and
// no plan ends without a look.
func TestOneFeedAndOneLookAtLeast(t *testing.T) {
	words, _ := said(t, `{"kind":"ravenea-rivularis","causes":["medium-collapsed","potassium-low"],"on":"2026-05-15",
		"answers":{"moist":"right","liveRoots":2,"deadRoots":3,"potWidthCm":26},"place":{"warmthC":20}}`, treatment.FeedIt)
	require.Len(t, words, 1)
	assert.Contains(t, words[0], "a quarter of its usual strength, with a complete palm feed")
	assert.Contains(t, words[0], "every two weeks")
	_, days := said(t, `{"kind":"fittonia-albivenis","causes":["bloom-drain"],"on":"2026-02-15",
		"answers":{"moist":"right","spikes":0},"place":{"warmthC":24}}`, treatment.Look)
	assert.Equal(t, []int{14}, days)
}

// A pot that is opened within a week shows its roots then; one that is opened later does not.
func TestWhenAPotIsOpenedLate(t *testing.T) {
	for sat, late := range map[int]bool{-1: false, 0: false, 7: false, 8: true} {
		c := &composer{orders: &orders{root: &rootWork{}}, sat: sat}
		assert.Equal(t, late, c.opensLate(), sat)
	}
	assert.False(t, (&composer{orders: &orders{}, sat: 8}).opensLate(), "without work on the roots")
}

// A pot of roots counted dead is looked at each week, and moved to a smaller one when that is
// right: not while a newcomer settles, not between two treatments, and else now. What hangs limp
// is asked whether it is firm again, what lost its roots whether it is as firm as it was.
func TestAPotOfDeadRootsIsLookedAtEachWeek(t *testing.T) {
	for _, c := range []struct {
		cause, answers string
		smaller, asks  string
	}{
		{"potassium-low", `"newcomerDays":13,"liveRoots":5,"deadRoots":12`, "on day 1, when it has stood here", "as firm as"},
		{"potassium-low", `"newcomerDays":14,"liveRoots":5,"deadRoots":12`, "one now.", "as firm as it was, marks"},
		{"potassium-low", `"liveRoots":5,"deadRoots":12`, "one now.", "as firm as it was, marks"},
		{"potassium-low", `"limp":true,"liveRoots":5,"deadRoots":12`, "one now.", "picture: firm again, marks"},
		{"potassium-low", `"liveRoots":12,"deadRoots":12`, "", "picture: marks"},
		{"aphid", `"newcomerDays":2,"liveRoots":5,"deadRoots":12`, "when this is over", "as firm as it was, marks"},
		{"aphid", `"limp":true,"newcomerDays":2,"liveRoots":5,"deadRoots":12`, "now, beside the treatment.", "firm again"},
		{"potassium-low", `"limp":true,"moist":"dry","liveRoots":5,"deadRoots":12`, "stood firm for a week", "firm again"},
		{"fungal-spot", `"newcomerDays":2,"liveRoots":5,"deadRoots":12`, "when no new mark", "as firm as it was, marks"},
	} {
		words, days := said(t, fmt.Sprintf(`{"kind":"cordyline-fruticosa","causes":[%q],"on":"2026-06-15","answers":
			{"potWidthCm":12,"moist":"right",%s},"place":{"warmthC":20}}`, c.cause, c.answers), treatment.Look)
		said := strings.Join(words, " ")
		assert.Equal(t, c.smaller != "", strings.Contains(said, "fill the pot?"), c.answers)
		assert.Contains(t, said, c.smaller)
		assert.Contains(t, said, c.asks)
		weekly := slices.IndexFunc(words, func(w string) bool { return strings.Contains(w, "every week until day") })
		if assert.Equal(t, c.smaller != "", weekly >= 0, "%s: %s", c.answers, said) && weekly >= 0 {
			assert.Contains(t, []int{7, 14, 17, 21}, days[weekly], "or behind looks that are closer")
		}
	}
}
