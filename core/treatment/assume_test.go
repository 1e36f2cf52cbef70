package treatment_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// A known width or medium means a pot, where the kind is grown in pots; of a plant of which
// nothing is told, or that is never sold in one, it is what its kind is sold in.
func TestWhatNobodySaidIsTakenWithCare(t *testing.T) {
	seat := func(kind string, f facts.Facts) facts.Fact[facts.Seat] {
		return treatment.Assumed(treatment.Situation{Kind: kind, Facts: f}).Seat
	}
	pots := 0
	for _, k := range plant.Profiles() {
		if k.Habit == "air-plant" {
			continue
		}
		got := seat(k.ID, facts.Facts{PotWidthCM: facts.Said(12.0)})
		potted := len(k.Setups) == 0 || slices.Contains(k.Setups, "pot")
		assert.Equal(t, potted, got.Value == facts.InPot, "%s in a pot of 12 cm", k.ID)
		assert.False(t, got.Known, "nobody said so")
		inBark := seat(k.ID, facts.Facts{MediumClass: facts.Said(facts.Bark)})
		assert.Equal(t, potted, inBark.Value == facts.InPot, k.ID)
		told := seat(k.ID, facts.Facts{Seat: facts.Said(facts.OnMount), PotWidthCM: facts.Said(12.0)})
		assert.Equal(t, facts.OnMount, told.Value, k.ID)
		if seat(k.ID, facts.Facts{}).Value == facts.InPot {
			pots++
		}
	}
	assert.Greater(t, pots, 370, "most kinds are sold in pots")
	assert.Equal(t, facts.Hung, seat("vanda-hybrid", facts.Facts{}).Value)
	assert.Equal(t, facts.InPot, seat("phalaenopsis-hybrid", facts.Facts{}).Value)
}

func TestRootsThatNobodyCountedAreTakenByWhatWasAccepted(t *testing.T) {
	share := func(f facts.Facts, causes ...cause.ID) (float64, bool) {
		return treatment.Situation{Kind: "monstera-deliciosa", Causes: causes, Facts: f}.Share()
	}
	for id, want := range map[cause.ID]float64{
		cause.RootRot: 0.3, cause.DryRootLoss: 0.3, cause.Detached: 0, cause.LowLight: 0.8,
	} {
		got, counted := share(facts.Facts{}, id)
		assert.InDelta(t, want, got, 1e-9, string(id))
		assert.False(t, counted, string(id))
	}
	few, _ := share(facts.Facts{FewRoots: facts.Said(true)}, cause.LowLight)
	assert.InDelta(t, 0.1, few, 1e-9)
	got, counted := share(facts.Facts{LiveRoots: facts.Said(3.0), DeadRoots: facts.Said(9.0)}, cause.RootRot)
	assert.InDelta(t, 0.25, got, 1e-9)
	assert.True(t, counted)
	none, counted := share(facts.Facts{LiveRoots: facts.Said(0.0)}, cause.LowLight)
	assert.Zero(t, none)
	assert.True(t, counted)
}

func TestMoistureThatNobodyFeltIsTakenByWhatWasAccepted(t *testing.T) {
	for id, want := range map[cause.ID]facts.Moist{
		cause.Overwatering: facts.Wet, cause.RootRot: facts.Wet, cause.NoDrainage: facts.Wet,
		cause.Drought: facts.Dry, cause.MediumRepels: facts.Dry, cause.LowLight: facts.Right,
	} {
		s := treatment.Situation{Kind: "monstera-deliciosa", Causes: []cause.ID{id}}
		assert.Equal(t, want, treatment.Assumed(s).Moist.Value, string(id))
		s.Facts.Moist = facts.Said(facts.Bone)
		assert.Equal(t, facts.Bone, treatment.Assumed(s).Moist.Value, "what was said stands")
	}
}
