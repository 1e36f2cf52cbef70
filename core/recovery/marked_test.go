package recovery_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/recovery"
)

// looked is a strand with looks at its marks, a week between two.
func looked(cameWith bool, state recovery.GrowthState, looks ...[]recovery.Mark) recovery.Strand {
	s := recovery.Strand{ID: "a", Sort: recovery.Leaf, CameWith: cameWith, Began: began, State: state}
	for i, has := range looks {
		s.LookedAt(began+day.Day(7*i), has)
	}
	return s
}

func list(m ...recovery.Mark) []recovery.Mark { return m }

// Old damage is what a growth came with; all else is new, from the look that first showed it.
func TestOldMarksAreToldFromNewOnes(t *testing.T) {
	for name, c := range map[string]struct {
		strand recovery.Strand
		marked []recovery.MarkSince
		fresh  []float64 // new marks by day
		clean  []float64 // clean leaves by day, none where no leaf that grew here was looked at
	}{
		"came torn": {looked(true, recovery.Mature, list(recovery.Torn)),
			[]recovery.MarkSince{{Mark: recovery.Torn, On: began, Old: true}}, []float64{0}, nil},
		"came torn, and is eaten now": {
			looked(true, recovery.Mature, list(recovery.Torn), list(recovery.Torn, recovery.Eaten)),
			[]recovery.MarkSince{{Mark: recovery.Torn, On: began, Old: true}, {Mark: recovery.Eaten, On: began + 7}},
			[]float64{0, 1}, nil},
		"came clean, and is torn now": {looked(true, recovery.Mature, nil, list(recovery.Torn)),
			[]recovery.MarkSince{{Mark: recovery.Torn, On: began + 7}}, []float64{0, 1}, nil},
		"grew here with a spot": {looked(false, recovery.Growing, list(recovery.Spotted)),
			[]recovery.MarkSince{{Mark: recovery.Spotted, On: began}}, []float64{1}, []float64{0}},
		"grew here clean": {looked(false, recovery.Growing, nil), []recovery.MarkSince{}, []float64{0}, []float64{1}},
		"a spot that stays is no new one": {
			looked(false, recovery.Growing, list(recovery.Spotted), list(recovery.Spotted)),
			[]recovery.MarkSince{{Mark: recovery.Spotted, On: began}}, []float64{1, 0}, []float64{0}},
		"a spot that was wiped off and comes again": {
			looked(false, recovery.Growing, list(recovery.Spotted), nil, list(recovery.Spotted)),
			[]recovery.MarkSince{{Mark: recovery.Spotted, On: began}}, []float64{1, 0, 0}, []float64{0}},
		"lost": {looked(false, recovery.Lost, nil), []recovery.MarkSince{}, []float64{0}, nil},
	} {
		h := recovery.History{}
		recovery.FeedReadings(h, []recovery.Strand{c.strand})
		assert.Equal(t, c.marked, c.strand.Marked, name)
		assert.Equal(t, c.fresh, valuesOf(h["marked-new"]), name)
		assert.Equal(t, c.clean, valuesOf(h[recovery.CleanLeafKey]), name)
	}
}

func valuesOf(list []recovery.Reading) (values []float64) {
	for _, r := range list {
		values = append(values, r.Value)
	}
	return values
}

// The later look of a day is believed, and what was answered by hand above what looks tell.
func TestOneDayHasOneLookAtMarks(t *testing.T) {
	s := looked(false, recovery.Growing, list(recovery.Torn))
	s.LookedAt(began, nil)
	assert.Len(t, s.Looks, 1)
	assert.True(t, s.Clean())
	h := recovery.History{}
	h.Add("marked-new", recovery.Reading{On: began, Value: 1})
	recovery.FeedReadings(h, []recovery.Strand{s})
	assert.Equal(t, []float64{1}, valuesOf(h["marked-new"]))
}
