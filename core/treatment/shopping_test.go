package treatment_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

func TestAShoppingListAddsUpAndLooksIntoTheCupboard(t *testing.T) {
	s := situation("aroid-vine", "root-rot")
	s.Answers = treatment.Answers{RootBallCM: ptr(7.0), PotWidthCM: ptr(15.0), RootWash: "peroxide"}
	p := compose(t, s)
	list := treatment.Shopping(p.Steps, []treatment.Item{
		{Name: "Perlite", Unit: "l", Stock: 0.05, Price: ptr(0.6)}, {Name: "peroxide of 3 %", Unit: "ml", Stock: 1000, Price: ptr(0.004)}, {Name: "gloves", Unit: "pieces", Stock: 4},
	})
	need := map[string]treatment.Need{}
	for _, n := range list {
		need[n.What] = n
	}
	perlite := need["perlite"]
	require.NotNil(t, perlite.Stock)
	assert.InDelta(t, perlite.Need-0.05, perlite.Buy, 1e-9)
	assert.InDelta(t, perlite.Need*0.6, *perlite.Cost, 1e-9)
	assert.Zero(t, need["peroxide of 3 %"].Buy, "the cupboard has it")
	assert.InDelta(t, 1.25, *need["peroxide of 3 %"].Cost, 1e-9, "312.5 ml at 0.004 by hand")
	assert.Equal(t, 4.0, *need["gloves"].Stock)
	assert.NotContains(t, need, "water")
	assert.Contains(t, need, "clear bag or box")
	assert.Empty(t, treatment.Shopping(nil, nil))
}
