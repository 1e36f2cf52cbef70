package compose

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// What was found dry through drinks today when it may: an air plant and roots that hang in the air are dipped, what
// drops its leaves in winter drinks while it does not rest, what is never to dry even at rest, and in the kind of
// water that its case asks for.
func TestWhatIsDryThroughDrinksWhenItMay(t *testing.T) {
	const tooDry = "It is too dry for it: wet it through from above now, with low-mineral water. From then on: while it " +
		"rests"
	for _, c := range []struct{ kind, cause, on, answers, says string }{
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"bone"`, "Lay it under rain water"},
		{"tillandsia-usneoides", "breakage", "2026-01-15", `"moist":"dry"`, ""},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"bone"`, "Dip the whole root mass"},
		{"vanda-hybrid", "breakage", "2026-06-15", `"moist":"dry"`, ""},
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

// Against gnats its top dries as far as its kind likes it, and never less.
func TestAgainstGnatsItDriesAsItsKindLikes(t *testing.T) {
	for kind, says := range map[string]string{
		"spathiphyllum-wallisii": "Let the top quarter dry before the next water",
		"monstera-deliciosa":     "Let the top quarter dry before the next water",
		"ficus-elastica":         "Give no water until the medium is dry half way down, and then water from below.",
		"crassula-ovata":         "Give no water until it is dry through to the bottom, and then water from below.",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["fungus-gnat"],"on":"2026-05-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, treatment.DryTop)
		assert.Contains(t, strings.Join(words, "\n"), says, kind)
	}
}
