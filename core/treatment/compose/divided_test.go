package compose

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Where nothing can be divided no second pot is filled: too few growths, a single growing point.
func TestNoSecondPotWithoutADivision(t *testing.T) {
	for _, c := range []struct {
		kind, ask string
		growths   int
		divided   bool
	}{
		{"cymbidium-mini-hybrid", `"causes":["congested"]`, 5, false},
		{"cymbidium-mini-hybrid", `"causes":["congested"]`, 6, true},
		{"dypsis-lutescens", `"wish":"part"`, 6, false},
		{"spathiphyllum-wallisii", `"wish":"part"`, 3, false},
		{"spathiphyllum-wallisii", `"wish":"part"`, 4, true},
	} {
		p, _ := said(t, fmt.Sprintf(`{"kind":%q,%s,"on":"2026-04-15","answers":{"growths":%d,"moist":"right",
			"liveRoots":12,"deadRoots":1,"liveTips":3,"potWidthCm":14},"place":{"warmthC":21}}`, c.kind, c.ask, c.growths),
			treatment.PotIn)
		assert.Equal(t, c.divided, len(p) > 1, "%+v: %v", c, p)
	}
}

// What hangs limp, and not for thirst, gets more light and the blade only when it stands firm.
func TestALimpPlantIsNotCutOrLitBeforeItStandsFirm(t *testing.T) {
	for _, limp := range []bool{true, false} {
		situation := fmt.Sprintf(`{"kind":"pachira-aquatica","causes":["low-light"],"on":"2026-05-15",
			"answers":{"limp":%t,"moist":"wet","growing":true},"place":{"warmthC":20}}`, limp)
		cuts, _ := said(t, situation, treatment.TrimBranch)
		assert.Equal(t, limp, len(cuts) == 0, "limp %t: %v", limp, cuts)
		_, lit := said(t, situation, treatment.Brighten)
		if assert.Len(t, lit, 1) {
			assert.Equal(t, limp, lit[0] < 0, "limp %t: on day %d", limp, lit[0]) // behind a gate
		}
	}
}

// A product that is left out leaves nothing to dry.
func TestNothingIsDriedThatWasNotWetted(t *testing.T) {
	for warm, sprays := range map[int]int{31: 0, 30: 1} {
		situation := fmt.Sprintf(`{"kind":"dossinia-marmorata","causes":["acidovorax"],"on":"2026-06-15",
			"answers":{"limp":false,"moist":"right","liveRoots":9},"place":{"warmthC":%d}}`, warm)
		sprayed, _ := said(t, situation, treatment.LabelDrug)
		dried, _ := said(t, situation, treatment.CrownDry)
		assert.Equal(t, sprays, min(len(sprayed), 1), "%d °C: %v", warm, sprayed)
		assert.Equal(t, sprays, min(len(dried), 1), "%d °C: %v", warm, dried)
	}
}

// Roots of water that died in a medium are rot: they are washed and trimmed, and do not stay in a whole ball.
func TestDeadWaterRootsAreTreatedLikeRot(t *testing.T) {
	for counted, washed := range map[string]bool{
		`"liveRoots":0,"deadRoots":12`: true, `"liveRoots":5,"deadRoots":6`: true, `"liveRoots":6,"deadRoots":6`: false,
		`"liveRoots":2`: false,
	} {
		words, _ := said(t, `{"kind":"citrus-limon","causes":["water-roots"],"on":"2026-05-15","answers":{"moist":"wet",`+
			counted+`,"potWidthCm":18},"place":{"warmthC":22}}`, treatment.WashOff)
		assert.Equal(t, washed, len(words) > 0, counted)
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
