package treatment_test

import (
	"encoding/json"
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
)

// does says whether a sitting has one of the operators, for the plant itself.
func does(s treatment.Sitting, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(s.Steps, func(x treatment.Step) bool {
		return slices.Contains(ops, x.Op) && x.Params.For == ""
	})
}

// written is a situation as JSON, to be tried again.
func written(s treatment.Situation) string {
	raw, err := json.Marshal(s)
	if err != nil {
		return err.Error()
	}
	return string(raw)
}

// Work that waits does not end at its first water: what was potted is looked at, and
// watered by its rule, once it is done.
func TestWorkThatWaitsIsFollowedUp(t *testing.T) {
	r, kinds, waited := rand.New(rand.NewPCG(77, 3)), plant.Profiles(), 0
	for range 4000 {
		s := anySituation(r, kinds)
		p, err := compose.Plan(s)
		require.NoError(t, err)
		for i, sat := range p.Sittings {
			after := p.Sittings[i+1:]
			one := func(ops ...treatment.OperatorID) bool {
				return slices.ContainsFunc(after, func(a treatment.Sitting) bool { return does(a, ops...) })
			}
			if sat.Day != nil || !does(sat, treatment.Unpot) || !does(sat, treatment.PotIn, treatment.PotUp) {
				continue
			}
			waited++
			assert.True(t, does(sat, treatment.Look) || one(treatment.Look, treatment.SlideLook), "no look: %s", written(s))
			if does(sat, treatment.FirstWater) || one(treatment.FirstWater) {
				assert.True(t, one(treatment.ByRule, treatment.HoldWater, treatment.CupFill), "no water: %s", written(s))
			}
			assert.False(t, does(sat, treatment.CoverIt) && !one(treatment.Wean), "a cover for good: %s", written(s))
		}
	}
	assert.Greater(t, waited, 100, "too few plans with work that waits were drawn")
}

// Water by one rule is told once, not on two days that follow each other.
func TestWaterByItsRuleIsToldOnce(t *testing.T) {
	r, kinds, rules := rand.New(rand.NewPCG(78, 3)), plant.Profiles(), 0
	for range 4000 {
		s := anySituation(r, kinds)
		p, err := compose.Plan(s)
		require.NoError(t, err)
		last := -9
		for _, sat := range p.Sittings {
			if sat.Day == nil {
				continue
			}
			if does(sat, treatment.ByRule) {
				rules++
				sips := slices.ContainsFunc(sat.Steps, func(x treatment.Step) bool {
					return x.Op == treatment.ByRule && (x.Params.How != "" || x.Params.What != "" || x.Every > 0)
				})
				assert.False(t, !sips && *sat.Day-last <= 1, "twice: %s", written(s))
				last = *sat.Day
			}
			if does(sat, treatment.Soak, treatment.FirstWater, treatment.HoldWater, treatment.Flush) {
				last = -9
			}
		}
	}
	assert.Greater(t, rules, 500)
}
