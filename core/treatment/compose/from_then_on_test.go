package compose

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// Whoever is told to wet a pot today is told how it is watered from then on, and with which water.
func TestWhatIsWettedIsToldHowItIsWateredFromThenOn(t *testing.T) {
	for _, c := range []struct {
		kind, cause, moist string
		limp               bool
		day                int
		low                bool
	}{
		{"ficus-benghalensis", "salt-injury", "dry", false, 5, true},
		{"ficus-benghalensis", "salt-injury", "right", false, 5, true},
		{"crassula-ovata", "salt-injury", "dry", false, 5, true},
		{"epipremnum-aureum", "salt-injury", "bone", true, 10, true}, // soaked today, flushed on day 5
		{"epipremnum-aureum", "cold-injury", "dry", true, 8, false},  // soaked when the first days after cold are over
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-05-15",
			"answers":{"moist":%q,"limp":%v,"newcomerDays":200,"potWidthCm":16},"place":{"warmthC":22}}`,
			c.kind, c.cause, c.moist, c.limp)))
		require.NoError(t, err)
		var days []int
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.ByRule {
					require.NotNil(t, s.Day, c)
					days = append(days, *s.Day)
					assert.Equal(t, c.low, x.Params.Water == treatment.LowMineral, c)
				}
			}
		}
		assert.Equal(t, []int{c.day}, days, c)
	}
}

// A medium that is dry through round the foot of a plant with a cup takes little at once: it gets that three times.
func TestADryCupPlantGetsSeveralSips(t *testing.T) {
	steps := func(moist string) (every []int) {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":"neoregelia-carolinae","causes":["drought"],"on":"2026-07-15",
			"answers":{"moist":%q,"limp":true},"place":{"warmthC":24}}`, moist)))
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.FirstWater {
					every = append(every, x.Every)
				}
			}
		}
		return every
	}
	assert.Equal(t, []int{2}, steps("bone"))
	assert.Empty(t, steps("right"))
}

// Worms in leaves that its kind is not known to have are looked for again: nothing is cut for them.
func TestNothingIsCutForWormsInDoubt(t *testing.T) {
	for kind, cut := range map[string]bool{"ficus-benghalensis": false, "begonia-rex": true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["leaf-nematode"],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{"warmthC":22}}`, kind), treatment.RemoveLeaves)
		assert.Equal(t, cut, len(words) > 0, kind)
	}
}

// What was soaked today for its thirst is not told to drink today a second time.
func TestASoakedPotWithGnatsIsNotToldTwiceToDrink(t *testing.T) {
	for limp, now := range map[bool]bool{true: false, false: true} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"epipremnum-aureum","causes":["fungus-gnat"],"on":"2026-05-15",
			"answers":{"moist":"dry","limp":%v},"place":{"warmthC":22}}`, limp), treatment.DryTop)
		require.Len(t, words, 1)
		assert.Equal(t, now, len(words[0]) > 10 && words[0][:10] == "It is due:", words[0])
	}
}
