package everyday

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

func presentIn(said string) string {
	var ids []string
	for _, s := range Read(said, plant.Kinds{}).Present {
		ids = append(ids, s.Sign)
	}
	return strings.Join(ids, " ")
}

// tells holds what sentences are read as against the signs that they tell.
func tells(t *testing.T, signsBySaid map[string]string) {
	t.Helper()
	for said, signs := range signsBySaid {
		assert.Equal(t, signs, presentIn(said), said)
	}
}

// Who asks why leaves are yellow tells of yellow leaves, who asks how to get rid of something has it, and who asks
// whether it has something, or how it is cared for, tells nothing.
func TestAQuestionTellsWhatItTakesForGranted(t *testing.T) {
	tells(t, map[string]string{
		"Why are the leaves of my monstera turning yellow?": "leaf.yellow-many-fast",
		"hello all, can anyone tell me why it is leaning?":  "stem.leaning",
		"Why's it leaning":                                               "stem.leaning",
		"why won't it bloom?":                                            "flower.none-in-season",
		"how come the leaves drop?":                                      "leaf.dropping-fast",
		"what is the white fluff on my hoya":                             "pest.cotton",
		"What's this sticky stuff on the leaves?":                        "leaf.sticky",
		"what causes brown tips?":                                        "leaf.tips-brown",
		"what could make the leaves droop even though the soil is wet?":  "leaf.drooping med.wet-long",
		"what is eating my leaves?":                                      "leaf.chewed",
		"what do I do about the black spots?":                            "leaf.spots-dark-dry",
		"How do I get rid of fungus gnats?":                              "pest.small-flies",
		"how can I save an orchid with no roots?":                        "root.few-live",
		"is it normal that the old pseudobulbs are wrinkled?":            "stem.shrivelled-oldest",
		"do the brown spots mean that it is too wet?":                    "leaf.spots-dark-dry",
		"should I cut off the yellow leaves?":                            "leaf.yellow-many-fast",
		"has anyone else had leaves that drop overnight?":                "leaf.dropping-fast",
		"does it have mites?":                                            "",
		"is this root rot?":                                              "",
		"are these thrips?":                                              "",
		"is my plant dying?":                                             "",
		"should I repot it?":                                             "",
		"how often should I water it?":                                   "",
		"how do I know if the roots are rotten?":                         "",
		"what are the best pots?":                                        "",
		"what should I do if the leaves turn yellow?":                    "",
		"can overwatering cause yellow leaves?":                          "",
		"is it ok to water now?":                                         "",
		"which plants like shade?":                                       "",
		"anyone know how much light it needs?":                           "",
		"What's wrong with it? It has brown tips and there are no bugs.": "leaf.tips-brown",
	})
	assert.Equal(t, []string{"leaf.dropping-fast"}, Signs("why does it drop leaves?")[:1])
	assert.Empty(t, Signs("how often should I water?"))
}

// What is asked after something was told is parted from it: it tells what it takes for granted, or nothing.
func TestAQuestionAfterAStatementTellsNothing(t *testing.T) {
	tells(t, map[string]string{
		"it hangs limp, the soil is soaking wet, is that root rot?":         "leaf.drooping med.wet-long",
		"it hangs limp and the soil is soaking wet is that root rot?":       "leaf.drooping med.wet-long",
		"round brown bumps under the fronds in neat rows - is that scale?":  "leaf.sori",
		"the leaves are sticky, could it be scale or aphids?":               "leaf.sticky",
		"white fluff in the joints; are these mealybugs?":                   "pest.cotton",
		"it drops its leaves, should I repot it?":                           "leaf.dropping-fast",
		"it has brown tips, why are the leaves dropping?":                   "leaf.tips-brown leaf.dropping-fast",
		"the tap water is softened, could that be why the tips are brown?":  "care.softened-water leaf.tips-brown",
		"sticky leaves, maybe mealybugs?":                                   "leaf.sticky pest.cotton",
		"the leaves are yellow, no bugs that I can see?":                    "leaf.yellow-many-fast",
		"is it normal that the old pseudobulbs are wrinkled, or is it rot?": "stem.shrivelled-oldest",
	})
}

// What is over, was only taken for something, or is only that it was watered tells no sign.
func TestWhatIsOverTellsNothing(t *testing.T) {
	tells(t, map[string]string{
		"it had mealybugs last year but they are gone now":             "",
		"it had mealybugs last year":                                   "pest.cotton",
		"I thought it was scale but the bumps are corky":               "leaf.bumps-corky",
		"it used to be in hot sun, now the leaves are pale":            "leaf.pale-overall",
		"tips are crispy and I water it with tap water":                "leaf.tips-brown care.hard-water",
		"looks limp, I watered it yesterday":                           "leaf.drooping",
		"white things jump when I touch the soil":                      "pest.springing",
		"the lowest leaf went yellow, others ok":                       "leaf.yellow-few-oldest",
		"the underside has silvery streaks with black dots of poop":    "leaf.silver-scars",
		"leaves are limp in the afternoon and firm in the morning":     "leaf.drooping",
		"the top of the soil is dry but the bottom is soaking":         "med.wet-long",
		"I water it every day and the leaves of the plant are falling": "care.water-often leaf.dropping-fast",
	})
}

// Moist is how a medium may well be: only what is wet, or stays moist, is surely too wet.
func TestMoistIsNotSurelyWet(t *testing.T) {
	for said, sure := range map[string]bool{
		"the soil is moist": false, "leaves droop though the soil is damp": false, "the soil is wet": true,
		"the soil is still moist after two weeks": true, "soil stays damp": true, "leaves droop though the soil is wet": true,
	} {
		for _, s := range Read(said, plant.Kinds{}).Present {
			if s.Sign == wetLong {
				assert.Equal(t, sure, s.Sure, said)
			}
		}
		assert.Contains(t, presentIn(said), wetLong, said)
	}
}

// The plant beside which it stands is not the one that is told of, and tells nothing of its neighbours.
func TestThePlantBesideItIsAnother(t *testing.T) {
	said := func(of string) Reading { return Read(of, plant.Kinds{}) }
	for of, kind := range map[string]string{
		"it stands beside a dracena and has brown tips":           "",
		"my pothos stands next to a monstera and has brown tips":  "epipremnum-aureum",
		"sits beside my dracaena with brown tips":                 "",
		"my dracaena stands beside the radiator, with brown tips": "dracaena-fragrans",
	} {
		got := said(of)
		if kind == "" {
			assert.Empty(t, got.Kind, of)
		} else {
			assert.Equal(t, kind, got.Kind[0], of)
		}
		assert.Contains(t, presentIn(of), "leaf.tips-brown", of)
		assert.NotContains(t, presentIn(of), "course.neighbours", of)
	}
	assert.Contains(t, presentIn("the plant beside it has it too"), "course.neighbours")
}

// A kind is found by the two words of its botanical name, whatever stands behind them there; what follows a name and
// nobody knows is that of a sort, and so is a name right behind another.
func TestSortsAreOfTheirKind(t *testing.T) {
	for of, kind := range map[string]string{
		"dendrobium nobile has brown tips":        "dendrobium-nobile",
		"phalaenopsis bellina, brown tips":        "phalaenopsis-bellina",
		"monstera deliciosa albo has brown tips":  "monstera-deliciosa",
		"my syngonium Pink Splash has brown tips": "syngonium-podophyllum",
		"alocasia frydek with brown tips":         "alocasia-amazonica",
		"my pothos broun tips":                    "epipremnum-aureum", // a slip is no sort
	} {
		got := Read(of, plant.Kinds{})
		if assert.NotEmpty(t, got.Kind, of) {
			assert.Equal(t, kind, got.Kind[0], of)
		}
		assert.Equal(t, "leaf.tips-brown", presentIn(of), of)
	}
}

// Two words behind a name that nobody knows are of the sort; what else nobody knows leaves what is said in doubt.
func TestASortHasTwoWordsAtMost(t *testing.T) {
	for of, sure := range map[string]bool{
		"monstera albo frydek has brown tips": true, "monstera albo frydek bambino has brown tips": false,
	} {
		got := Read(of, plant.Kinds{}).Present
		if assert.Len(t, got, 1, of) {
			assert.Equal(t, Seen{"leaf.tips-brown", sure}, got[0], of)
		}
	}
}
