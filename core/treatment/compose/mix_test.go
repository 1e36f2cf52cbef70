package compose

import (
	"fmt"
	"strings"
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

// The mix fills the new pot round what goes in: an unmeasured ball is no wider than a narrower pot lets it be, and of
// what has no live root nothing takes room. A 15 cm pot holds 0.533 x 15^3 = 1.8 l, an 8 cm pot 0.27 l.
func TestTheMixFillsANarrowerPot(t *testing.T) {
	for _, c := range []struct {
		kind, cause, answers string
		from, to             float64 // ml
	}{
		{"ficus-pumila", "pot-too-big", `"potWidthCm":18,"liveRoots":9`, 500, 1200},
		{"coelogyne-pandurata", "bloom-drain", `"potWidthCm":26,"liveRoots":0,"deadRoots":12`, 230, 320},
		{"begonia-tuberhybrida", "black-rot", `"potWidthCm":18,"liveRoots":0,"deadRoots":12`, 150, 220},
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15","answers":{"moist":"right",%s},
			"place":{"warmthC":20}}`, c.kind, c.cause, c.answers)))
		require.NoError(t, err)
		found := false
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if ml := x.Params.VolumeML; x.Op == treatment.ReadyPot && ml.Known && x.Params.For == "" {
					found = true
					assert.Greater(t, ml.Value, c.from, "%s: %s", c.kind, x.Words)
					assert.Less(t, ml.Value, c.to, "%s: %s", c.kind, x.Words)
				}
			}
		}
		assert.True(t, found, c.kind)
	}
}

// Moss goes wet into a mix, where the mix is not to be dry.
func TestMossIsSoakedBeforeItIsPotted(t *testing.T) {
	for kind, soaked := range map[string]bool{"nepenthes-hybrid": true, "monstera-deliciosa": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["root-rot"],"on":"2026-06-15",
			"answers":{"moist":"wet","potWidthCm":14},"place":{"warmthC":22}}`, kind), treatment.ReadyPot)
		require.NotEmpty(t, words)
		assert.Equal(t, soaked, strings.Contains(words[0], "moss soaked and squeezed out"), words[0])
	}
}
