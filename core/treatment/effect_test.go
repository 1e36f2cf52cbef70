package treatment

import (
	"maps"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
	"tendermend/core/plant"
)

func TestEveryEffectSaysWhatItWritesAndBelongsToAnOperator(t *testing.T) {
	assert.ElementsMatch(t, slices.Collect(maps.Keys(effects)), slices.Collect(maps.Keys(writes)))
	for id := range effects {
		_, known := OperatorByID(id)
		assert.True(t, known, "%s", id)
		told := Params{What: CutFree, PotWidthCM: N(12), Share: N(0.5), ToC: N(18)}
		e, writes := EffectOf(Done{Step: Step{Op: id, Params: told}, Laid: &told})
		assert.True(t, writes, "%s", id)
		assert.NotEqual(t, Effect{}, e, "%s changes nothing", id)
		assert.NotEmpty(t, Writes(id))
	}
}

// A step of which nothing is known that could be told changes nothing: an empty entry
// would keep its tick from being recorded.
func TestAStepWithoutANumberChangesNothing(t *testing.T) {
	for _, id := range []OperatorID{ShadeIt, Brighten, Temper} {
		_, writes := EffectOf(Done{Step: Step{Op: id}})
		assert.False(t, writes, "%s", id)
	}
}

// What sets, waters, cuts or puts something on leaves changes a fact: none of them is
// housekeeping.
func TestWhatChangesThePlantHasAnEffect(t *testing.T) {
	pieces := []OperatorID{PartIt, NodeBox, Layer, PotPieces, Refill, Stake, Label}
	for _, o := range Operators() {
		changes := o.Does.Has(Sets) || o.Does.Has(Waters) || o.Does.Has(FillsCup) || o.Does.Has(Cuts) || o.Does.Has(LeafFilm)
		if _, has := effects[o.ID]; changes && !slices.Contains(pieces, o.ID) {
			assert.True(t, has, "%s changes the plant and writes nothing", o.ID)
		}
	}
}

func TestPottingTakesWhatWasLaidOut(t *testing.T) {
	laid := &Params{
		PotWidthCM: N(12), PotDepthCM: N(11), Mix: []plant.Part{{What: "fine bark", Parts: 2}, {What: "peat", Parts: 1}},
	}
	e, _ := EffectOf(Done{Step: Step{Op: PotIn}, Laid: laid})
	assert.Equal(t, facts.InPot, e.Stands.Seat)
	assert.Equal(t, 12.0, *e.Stands.WidthCM)
	assert.Equal(t, 11.0, *e.Stands.DepthCM)
	assert.Equal(t, "fine bark 2, peat 1", e.Stands.Medium)
	assert.Equal(t, facts.Bark, e.Stands.Class, "of its largest part")
	laid.Seat = facts.InReservoir
	e, _ = EffectOf(Done{Step: Step{Op: SetReservoir, Params: Params{LevelCM: N(2.5)}}, Laid: laid})
	assert.Equal(t, facts.InReservoir, e.Stands.Seat)
	assert.Equal(t, 2.5, *e.Stands.LevelCM)
	e, _ = EffectOf(Done{Step: Step{Op: Hang}, Laid: laid})
	assert.Equal(t, facts.Hung, e.Stands.Seat)
	assert.Nil(t, e.Stands.WidthCM, "what hangs has no pot")
	_, writes := EffectOf(Done{Step: Step{Op: PotIn, Params: Params{For: "pieces"}}, Laid: laid})
	assert.False(t, writes, "pieces are plants of their own")
}

func TestWateringsSayHow(t *testing.T) {
	how := func(op OperatorID, way string) facts.Watering {
		e, _ := EffectOf(Done{Step: Step{Op: op, Params: Params{How: way}}})
		return e.Waters.How
	}
	assert.Equal(t, facts.WateredThrough, how(FirstWater, "through"))
	assert.Equal(t, facts.WateredLight, how(FirstWater, "light"))
	assert.Equal(t, facts.WateredLight, how(FirstWater, "quarter"))
	assert.Equal(t, facts.WateredRoots, how(WetRoots, ""))
	for way, wets := range map[facts.Watering]bool{
		facts.WateredThrough: true, facts.WateredRoots: true, facts.WateredReservoir: true, "": true,
		facts.WateredCup: false, facts.WateredLeaves: false,
	} {
		assert.Equal(t, wets, way.WetsRoots(), string(way))
	}
}

// A step that is done once more is called by what is done then.
func TestWhatIsDoneAgainIsCalledSo(t *testing.T) {
	assert.Equal(t, "Air the cover for ten minutes", TitleAgain(CoverIt))
	look, _ := OperatorByID(Look)
	assert.Equal(t, look.Title, TitleAgain(Look))
	others := 0
	for _, o := range Operators() {
		if o.Again != "" {
			others++
			assert.NotEqual(t, o.Title, TitleAgain(o.ID), o.ID)
		} else {
			assert.Equal(t, o.Title, TitleAgain(o.ID), o.ID)
		}
	}
	assert.NotZero(t, others)
}

// A feed without a share is one at the usual strength; with one it is that share.
func TestAFeedSaysItsStrength(t *testing.T) {
	whole, writes := EffectOf(Done{Step: Step{Op: FeedIt}})
	require.True(t, writes)
	require.NotNil(t, whole.Feeds)
	assert.InDelta(t, 1, *whole.Feeds, 0)
	part, _ := EffectOf(Done{Step: Step{Op: FeedIt, Params: Params{Share: N(0.25)}}})
	assert.InDelta(t, 0.25, *part.Feeds, 0)
}
