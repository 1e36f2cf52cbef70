package compose

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// A mix of the carer's own is taken part by part; what is no part is left out, and where
// none is left, the kind's mix is taken.
func TestAMixOfOnesOwnIsTaken(t *testing.T) {
	const potBound = `{"kind":"monstera-deliciosa","causes":["pot-bound"],"on":"2026-05-01","answers":{"potWidthCm":12}}`
	mixed := func(parts []plant.Part) treatment.Params {
		s := situationOf(t, potBound)
		s.Choices.Parts = parts
		p, err := Plan(s)
		require.NoError(t, err)
		for _, sat := range p.Sittings {
			for _, x := range sat.Steps {
				if x.Op == treatment.ReadyPot {
					return x.Params
				}
			}
		}
		t.Fatal("no pot is laid out")
		return treatment.Params{}
	}
	own := []plant.Part{{What: "Lava (like pumice)", Parts: 1}, {What: "potting soil", Parts: 2}}
	assert.Equal(t, own, mixed(own).Mix)
	assert.Equal(t, "carer", mixed(own).MixFrom)
	bad := []plant.Part{{What: "pumice", Parts: -1}, {What: "grit"}, {What: " ", Parts: 1}}
	assert.Equal(t, own, mixed(append(bad, own...)).Mix)
	assert.Equal(t, mixed(nil).Mix, mixed(bad).Mix)
	assert.NotEqual(t, "carer", mixed(bad).MixFrom)
}
