package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// A product keeps its days to the one before it, and oil comes no more than three times in four weeks.
func TestProductsKeepTheirDays(t *testing.T) {
	c := &composer{agenda: &agenda{subject: &subject{}, pests: []cause.ID{cause.Thrips}}}
	for _, x := range []struct {
		op   treatment.OperatorID
		used []int
		day  int
		soon bool
	}{
		{treatment.Soap, []int{0}, 4, true}, {treatment.Soap, []int{0}, 5, false},
		{treatment.WashDown, []int{0}, 1, true}, {treatment.WashDown, []int{0}, 2, false},
		{treatment.LabelDrug, []int{0, 7}, 13, true}, {treatment.LabelDrug, []int{0, 7}, 14, false},
		{treatment.Oil, []int{0, 7}, 13, true}, {treatment.Oil, []int{0, 7}, 14, false},
		{treatment.Oil, []int{8, 15, 25}, 35, true}, {treatment.Oil, []int{8, 15, 25}, 36, false},
		{treatment.Soap, []int{5}, 5, false}, {treatment.Soap, nil, 0, false},
	} {
		assert.Equal(t, x.soon, c.tooSoon(x.op, x.used, x.day), "%+v", x)
	}
}

// A product that waits for something to be seen between two of another class is left out, and said so.
func TestWhatWouldComeBetweenTwoProductsIsSaid(t *testing.T) {
	const s = `{"kind":"cyperus-alternifolius","causes":["powdery-mildew"%s],"on":"2026-04-23",
		"answers":{"moist":"right"},"place":{"warmthC":20}}`
	assert.Empty(t, leftOut(t, fmt.Sprintf(s, ""), "label-drug"))
	assert.Contains(t, leftOut(t, fmt.Sprintf(s, `,"leaf-miner"`), "label-drug"), "if the film comes back")
}

// A limp top that is set drinks, and is sprayed five days later at the soonest: what is used once is moved, and what
// is used on a clock begins with a later turn.
func TestATopIsSprayedWhenItHasDrunk(t *testing.T) {
	for kind, causes := range map[string]string{
		"tradescantia-pallida": `"detached","thrips"`, "serissa-japonica": `"detached","soft-rot"`,
	} {
		s := fmt.Sprintf(`{"kind":%q,"causes":[%s],"on":"2026-05-29",
			"answers":{"moist":"dry","limp":true,"newcomerDays":0},"place":{"warmthC":22}}`, kind, causes)
		soaked, _ := said(t, s, treatment.Soak)
		assert.Empty(t, soaked, "it has left its pot")
		_, drank := said(t, s, treatment.FirstWater)
		var sprayed []int
		for _, op := range sprays {
			_, days := said(t, s, op)
			sprayed = append(sprayed, days...)
		}
		for _, day := range sprayed {
			assert.GreaterOrEqual(t, day, drank[0]+drinkDays, kind)
		}
		assert.NotEmpty(t, sprayed, kind)
	}
}

// What hangs limp and dry on a slab and has no medium is wetted today.
func TestWhatThirstsOnASlabIsWetted(t *testing.T) {
	for moist, wetted := range map[string]bool{"dry": true, "bone": true, "right": false} {
		_, days := said(t, fmt.Sprintf(`{"kind":"phragmipedium-caudatum","causes":["sun-scorch"],"on":"2026-10-19",
			"answers":{"seat":"mount","moist":%q,"limp":true,"phase":"resting"}}`, moist), treatment.Soak)
		assert.Equal(t, wetted, len(days) > 0 && days[0] == 0, moist)
	}
}

// A top that is cut from a pot in standing water is not set beside it: saucer and outer pot are emptied.
func TestATopDoesNotStandInWater(t *testing.T) {
	for standing, emptied := range map[bool]bool{true: true, false: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"columnea-gloriosa","causes":["black-rot"],"on":"2026-07-14",
			"answers":{"seat":"dish","moist":"dry","standing":%t,"potWidthCm":15}}`, standing), treatment.DrainSaucer)
		assert.Equal(t, emptied, len(words) > 0, standing)
	}
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

// What is smelled below is watered after that, where it is due.
func TestWhatIsSmelledIsWateredAfterwards(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"colocasia-esculenta","causes":["petal-blight"],"on":"2026-03-15","answers":{
		"limp":true,"moist":"due","newcomerDays":200,"potWidthCm":9,"liveRoots":2,"deadRoots":12}}`))
	assert.NoError(t, err)
	steps := p.Sittings[0].Steps
	smelled, rule := slices.IndexFunc(steps, smells), slices.IndexFunc(steps, ruled)
	assert.GreaterOrEqual(t, smelled, 0)
	assert.Greater(t, rule, smelled)
	assert.NotContains(t, steps[smelled].Words, "not for thirst", "it is due")
}
