package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Without a live root nothing drinks: a dry pot gets no line for water before its rescue is planned, and
// a moist one keeps it.
func TestNothingDrinksWithoutARoot(t *testing.T) {
	for moist, dry := range map[string]bool{"bone": true, "dry": true, "due": true, "right": false} {
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
	for limp, first := range map[bool]int{false: deadLook, true: plumpEvery} {
		_, days := said(t, fmt.Sprintf(`{"kind":"hoya-obovata","wish":"refresh","on":"2026-10-15","answers":
			{"limp":%t,"moist":"wet","liveRoots":0,"deadRoots":3},"place":{"warmthC":20}}`, limp), treatment.Look)
		assert.Equal(t, []int{0, first}, days, "limp %t", limp)
	}
}
