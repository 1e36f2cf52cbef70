package compose

import (
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// What stands under a pot that was found soaked is poured away; of one that is only wet nothing need stand there.
func TestUnderASoakedPotNothingStands(t *testing.T) {
	for moist, emptied := range map[string]bool{"soaked": true, "wet": false, "right": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"begonia-erythrophylla","causes":["stress-colour"],"on":"2026-06-15",
			"answers":{"moist":%q}}`, moist), treatment.DrainSaucer)
		assert.Equal(t, emptied, len(words) > 0, moist)
	}
}

// A pot without a way out is opened before anything is poured into it.
func TestAPotIsOpenedBeforeItIsWatered(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"aeonium-arboreum","causes":["no-drainage"],"on":"2026-03-15",
		"answers":{"limp":true,"moist":"dry","liveRoots":5,"deadRoots":0}}`))
	assert.NoError(t, err)
	at := func(op treatment.OperatorID) int {
		return slices.IndexFunc(p.Sittings[0].Steps, func(x treatment.Step) bool { return x.Op == op })
	}
	assert.GreaterOrEqual(t, at(treatment.DrainSaucer), 0)
	assert.Less(t, at(treatment.DrainSaucer), at(treatment.FirstWater))
}

// A top that is cut from a pot in standing water is not set beside it: saucer and outer pot are emptied.
func TestATopDoesNotStandInWater(t *testing.T) {
	for standing, emptied := range map[bool]bool{true: true, false: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"columnea-gloriosa","causes":["black-rot"],"on":"2026-07-14",
			"answers":{"seat":"dish","moist":"dry","standing":%t,"potWidthCm":15}}`, standing), treatment.DrainSaucer)
		assert.Equal(t, emptied, len(words) > 0, standing)
	}
}
