package compose

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// A product keeps its days to the one before it, and oil comes no more than three times in four weeks.
func TestProductsKeepTheirDays(t *testing.T) {
	c := &composer{orders: &orders{subject: &subject{}, pests: []cause.ID{cause.Thrips}}}
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
