package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// Mites inside of the tips go with them: what branches is cut below the last twisted leaf, of others the young leaves
// go; a thirsty plant drinks first. Nothing is taken off for mites that sit on leaves.
func TestTwistedTipsComeOff(t *testing.T) {
	for _, c := range []struct {
		kind, cause, answers string
		op                   treatment.OperatorID
		day                  int
	}{
		{"hoya-carnosa", "broad-mite", `"moist":"right"`, treatment.TrimBranch, 0},
		{"hoya-carnosa", "broad-mite", `"moist":"dry","limp":true`, treatment.TrimBranch, 5},
		{"saintpaulia-ionantha", "broad-mite", `"moist":"right"`, treatment.RemoveLeaves, 0},
		{"phalaenopsis-hybrid", "broad-mite", `"moist":"right"`, treatment.RemoveLeaves, 0},
		{"hoya-carnosa", "spider-mite", `"moist":"right"`, "", 0},
		{"mammillaria-hahniana", "broad-mite", `"moist":"right"`, "", 0},
	} {
		situation := fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15","answers":{%s},"place":{"warmthC":20}}`,
			c.kind, c.cause, c.answers)
		for _, op := range []treatment.OperatorID{treatment.TrimBranch, treatment.RemoveLeaves} {
			words, days := said(t, situation, op)
			if op != c.op {
				assert.Empty(t, words, situation)
				continue
			}
			require.Len(t, words, 1, situation)
			assert.Contains(t, words[0], "twisted")
			assert.Equal(t, op == treatment.RemoveLeaves, strings.Contains(words[0], "20 % of all leaves at most"))
			assert.Equal(t, c.day, days[0], situation)
		}
	}
}

// A wash between two products is made where water reaches the pest, and not where it sits inside of tips.
func TestAWashBetweenProductsReachesSomething(t *testing.T) {
	for id, washed := range map[string]bool{"spider-mite": true, "broad-mite": false} {
		situation := fmt.Sprintf(`{"kind":"begonia-maculata","causes":[%q],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{"warmthC":25}}`, id)
		_, washes := said(t, situation, treatment.WashDown)
		products, days := said(t, situation, treatment.LabelDrug)
		oils, _ := said(t, situation, treatment.Oil)
		soaps, _ := said(t, situation, treatment.Soap)
		assert.Equal(t, washed, len(washes) > len(products)+len(oils)+len(soaps), id)
		if !washed {
			assert.Equal(t, []int{0, 7, 14, 21}, days, "the floor of a label product, until two generations and 21 days")
		}
	}
}

// What tells that mites in the tips are gone is two clean new leaves.
func TestTwoCleanLeavesEndBroadMites(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"hoya-carnosa","causes":["broad-mite"],"on":"2026-06-15",
		"answers":{"moist":"right"},"place":{"warmthC":20}}`))
	require.NoError(t, err)
	last := p.Sittings[len(p.Sittings)-1]
	assert.Equal(t, treatment.Release, last.Steps[0].Op)
	assert.Contains(t, last.Gate, gate.Count(gate.CleanLeaf, 2, 0))
}

// Every pest that is treated on its clock says what to look for, and where: on ribs of what has no leaves.
func TestALookNamesThePest(t *testing.T) {
	looks := map[cause.ID][2]string{
		cause.SpiderMite:    {"no web and no moving dot on the undersides", "no web and no moving dot on ribs"},
		cause.FlatMite:      {"no new pits or silver on the newest growth", "no new pits or silver on the newest growth"},
		cause.BroadMite:     {"leaves straight and green", "growth straight and green"},
		cause.Thrips:        {"no silver streak", "no silver streak"},
		cause.Aphid:         {"no aphid on tips", "no aphid on tips"},
		cause.Whitefly:      {"touched, none on the undersides", "touched, none on ribs and joints"},
		cause.Mealybug:      {"no wool in joints and sheaths", "no wool in ribs and joints"},
		cause.SoftScale:     {"no bump along veins", "no bump along its ribs"},
		cause.ArmouredScale: {"no shield at the leaf bases", "no shield on ribs"},
		cause.LeafMiner:     {"no new winding line", ""},
	}
	for _, p := range timed {
		for at, kind := range []string{"hoya-carnosa", "mammillaria-hahniana"} {
			words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15",
				"answers":{"moist":"right","potWidthCm":12},"place":{"warmthC":20}}`, kind, p), treatment.Look)
			require.Contains(t, looks, p)
			assert.Contains(t, strings.Join(words, " "), looks[p][at], "%s on %s", p, kind)
		}
	}
}

// Flowers go where most roots were counted dead and it hangs limp, also for thirst; not where half of them live, where
// it stands firm, and where the carer keeps them.
func TestFlowersGoOnDeadRoots(t *testing.T) {
	for answers, cut := range map[string]bool{
		`"moist":"dry","limp":true,"liveRoots":9,"deadRoots":12`:   true,
		`"moist":"dry","limp":true,"liveRoots":12,"deadRoots":12`:  false,
		`"moist":"dry","limp":true`:                                false,
		`"moist":"dry","limp":false,"liveRoots":9,"deadRoots":12`:  false,
		`"moist":"right","limp":true,"liveRoots":9,"deadRoots":12`: true,
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"oncidium-hybrid","causes":["old-leaf"],"on":"2026-01-15",
			"answers":{"spikes":2,"potWidthCm":12,%s},"place":{"warmthC":16}}`, answers), treatment.StripSpikes)
		assert.Equal(t, cut, len(words) > 0, answers)
		if cut {
			assert.Contains(t, words[0], "they take what its roots cannot give")
		}
	}
}

// The two leaves of a living stone are its body: none is cut for marks. A rosette with many loses the worst.
func TestALivingStoneKeepsItsLeaves(t *testing.T) {
	for kind, cut := range map[string]bool{
		"pleiospilos-nelii": false, "lithops-hybrid": false, "echeveria-elegans": true,
	} {
		situation := fmt.Sprintf(`{"kind":%q,"causes":["anthracnose"],"on":"2026-05-15","answers":{"moist":"right"},
			"place":{"warmthC":20}}`, kind)
		words, _ := said(t, situation, treatment.RemoveLeaves)
		assert.Equal(t, cut, len(words) > 0, kind)
		assert.Equal(t, !cut, leftOut(t, situation, string(treatment.RemoveLeaves)) != "", kind)
	}
}
