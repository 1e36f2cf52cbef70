package compose

import (
	"fmt"
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
