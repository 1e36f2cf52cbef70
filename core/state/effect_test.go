package state

import (
	"maps"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

func TestEveryEffectSaysWhatItWritesAndBelongsToAnOperator(t *testing.T) {
	assert.ElementsMatch(t, slices.Collect(maps.Keys(effects)), slices.Collect(maps.Keys(writes)))
	for id := range effects {
		_, known := treatment.OperatorByID(id)
		assert.True(t, known, "%s", id)
		told := treatment.Params{What: CutFree, PotWidthCM: treatment.N(12), Share: treatment.N(0.5), ToC: treatment.N(18)}
		e, writes := EffectOf(Done{Step: treatment.Step{Op: id, Params: told}, Laid: &told})
		assert.True(t, writes, "%s", id)
		assert.NotEqual(t, Effect{}, e, "%s changes nothing", id)
		assert.NotEmpty(t, Writes(id))
	}
}

// A step of which nothing is known that could be told changes nothing: an empty entry
// would keep its tick from being recorded.
func TestAStepWithoutANumberChangesNothing(t *testing.T) {
	for _, id := range []treatment.OperatorID{treatment.ShadeIt, treatment.Brighten, treatment.Temper} {
		_, writes := EffectOf(Done{Step: treatment.Step{Op: id}})
		assert.False(t, writes, "%s", id)
	}
}

// What sets, waters, cuts or puts something on leaves changes a fact: none of them is
// housekeeping.
func TestWhatChangesThePlantHasAnEffect(t *testing.T) {
	pieces := []treatment.OperatorID{
		treatment.PartIt, treatment.NodeBox, treatment.Layer, treatment.PotPieces, treatment.Refill, treatment.Stake,
		treatment.Label,
	}
	for _, o := range treatment.Operators() {
		changes := slices.ContainsFunc([]treatment.Does{
			treatment.Sets, treatment.Waters, treatment.FillsCup, treatment.Cuts, treatment.LeafFilm,
		}, o.Does.Has)
		if _, has := effects[o.ID]; changes && !slices.Contains(pieces, o.ID) {
			assert.True(t, has, "%s changes the plant and writes nothing", o.ID)
		}
	}
}

func TestPottingTakesWhatWasLaidOut(t *testing.T) {
	laid := &treatment.Params{
		PotWidthCM: treatment.N(12), PotDepthCM: treatment.N(11),
		Mix: []plant.Part{{What: "fine bark", Parts: 2}, {What: "peat", Parts: 1}},
	}
	e, _ := EffectOf(Done{Step: treatment.Step{Op: treatment.PotIn}, Laid: laid})
	assert.Equal(t, facts.InPot, e.Stands.Seat)
	assert.Equal(t, 12.0, *e.Stands.WidthCM)
	assert.Equal(t, 11.0, *e.Stands.DepthCM)
	assert.Equal(t, "fine bark 2, peat 1", e.Stands.Medium)
	assert.Equal(t, facts.Bark, e.Stands.Class, "of its largest part")
	laid.Seat = facts.InReservoir
	e, _ = EffectOf(Done{
		Step: treatment.Step{Op: treatment.SetReservoir, Params: treatment.Params{LevelCM: treatment.N(2.5)}}, Laid: laid,
	})
	assert.Equal(t, facts.InReservoir, e.Stands.Seat)
	assert.Equal(t, 2.5, *e.Stands.LevelCM)
	e, _ = EffectOf(Done{Step: treatment.Step{Op: treatment.Hang}, Laid: laid})
	assert.Equal(t, facts.Hung, e.Stands.Seat)
	assert.Nil(t, e.Stands.WidthCM, "what hangs has no pot")
	_, writes := EffectOf(Done{
		Step: treatment.Step{Op: treatment.PotIn, Params: treatment.Params{For: "pieces"}}, Laid: laid,
	})
	assert.False(t, writes, "pieces are plants of their own")
}

func TestWateringsSayHow(t *testing.T) {
	how := func(op treatment.OperatorID, way string) facts.Watering {
		e, _ := EffectOf(Done{Step: treatment.Step{Op: op, Params: treatment.Params{How: way}}})
		return e.Waters.How
	}
	assert.Equal(t, facts.WateredThrough, how(treatment.FirstWater, "through"))
	assert.Equal(t, facts.WateredLight, how(treatment.FirstWater, "light"))
	assert.Equal(t, facts.WateredLight, how(treatment.FirstWater, "quarter"))
	assert.Equal(t, facts.WateredRoots, how(treatment.WetRoots, ""))
	for way, wets := range map[facts.Watering]bool{
		facts.WateredThrough: true, facts.WateredRoots: true, facts.WateredReservoir: true, "": true,
		facts.WateredCup: false, facts.WateredLeaves: false,
	} {
		assert.Equal(t, wets, way.WetsRoots(), string(way))
	}
}

// A step that is done once more is called by what is done then.
func TestWhatIsDoneAgainIsCalledSo(t *testing.T) {
	assert.Equal(t, "Air the cover for ten minutes", treatment.TitleAgain(treatment.CoverIt))
	look, _ := treatment.OperatorByID(treatment.Look)
	assert.Equal(t, look.Title, treatment.TitleAgain(treatment.Look))
	others := 0
	for _, o := range treatment.Operators() {
		if o.Again != "" {
			others++
			assert.NotEqual(t, o.Title, treatment.TitleAgain(o.ID), o.ID)
		} else {
			assert.Equal(t, o.Title, treatment.TitleAgain(o.ID), o.ID)
		}
	}
	assert.NotZero(t, others)
}

// A feed without a share is one at the usual strength; with one it is that share.
func TestAFeedSaysItsStrength(t *testing.T) {
	whole, writes := EffectOf(Done{Step: treatment.Step{Op: treatment.FeedIt}})
	require.True(t, writes)
	require.NotNil(t, whole.Feeds)
	assert.InDelta(t, 1, *whole.Feeds, 0)
	part, _ := EffectOf(Done{
		Step: treatment.Step{Op: treatment.FeedIt, Params: treatment.Params{Share: treatment.N(0.25)}},
	})
	assert.InDelta(t, 0.25, *part.Feeds, 0)
}
