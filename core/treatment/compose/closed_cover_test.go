package compose

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// A closed cover is opened by steps where its kind bears none, or where what it has spreads in still, wet air.
func TestAClosedCoverThatHarmsIsOpened(t *testing.T) {
	for _, c := range []struct {
		kind, cause, cover string
		opened             bool
	}{
		{"hedera-helix", "bacterial-spot", "closed", true}, {"hedera-helix", "bacterial-spot", "open", false},
		{"hedera-helix", "edema", "closed", true}, {"hedera-helix", "low-light", "closed", false},
		{"echeveria-elegans", "low-light", "closed", true}, {"echeveria-elegans", "low-light", "none", false},
	} {
		words, days := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-05-15",
			"answers":{"cover":%q,"moist":"right"}}`, c.kind, c.cause, c.cover), treatment.Wean)
		assert.Equal(t, c.opened, len(words) > 0, "%+v", c)
		if c.opened {
			assert.Zero(t, days[0])
			assert.Contains(t, words[0], "over 7 days")
		}
	}
}

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

// A plant that came off its roots and has none alive is not soaked first: it is worked on today.
func TestWhatCannotDrinkIsNotSoakedFirst(t *testing.T) {
	for live, soaked := range map[int]bool{0: false, 5: true} {
		s := fmt.Sprintf(`{"kind":"catasetum-fimbriatum","causes":["detached"],"on":"2026-06-15","answers":{"limp":true,
			"moist":"dry","liveRoots":%d,"deadRoots":12}}`, live)
		words, _ := said(t, s, treatment.Soak)
		assert.Equal(t, soaked, strings.Contains(strings.Join(words, ""), "Stand it in water"), live)
		_, days := said(t, s, treatment.Unpot)
		assert.Equal(t, soaked, days[0] > 0, live)
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
