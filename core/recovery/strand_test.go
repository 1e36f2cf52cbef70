package recovery_test

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

func leaf(id string, on int, mm float64, state recovery.GrowthState) recovery.Strand {
	at := began + day.Day(on)
	return recovery.Strand{
		ID:      id,
		Sort:    recovery.Leaf,
		Began:   at,
		State:   state,
		StateOn: at + 20,
		Sizes:   []recovery.Reading{{On: at + 20, Value: mm}},
	}
}

// A leaf a month after root rot: four months, three new leaves (common practice).
func TestALeafAMonthIsComputed(t *testing.T) {
	came := recovery.Strand{
		ID:       "old",
		Sort:     recovery.Leaf,
		CameWith: true,
		Began:    began,
		State:    recovery.Mature,
		Sizes:    []recovery.Reading{{On: began, Value: 200}},
	}
	strands := []recovery.Strand{
		came,
		leaf("a", 35, 150, recovery.Mature),
		leaf("b", 66, 165, recovery.Mature),
		leaf("c", 95, 178, recovery.Mature),
	}
	g := recovery.Reckon(strands, began, began+122)
	assert.Equal(t, 3, g.Made)
	require.NotNil(t, g.Interval)
	assert.InDelta(t, 30, g.Interval.Value, 1, "one leaf a month")
	require.Len(t, g.Ratios, 3)
	assert.Equal(
		t,
		[]float64{75, 110, 108},
		[]float64{g.Ratios[0].Percent, g.Ratios[1].Percent, g.Ratios[2].Percent},
		"each against the one before",
	)
	require.NotNil(t, g.Pace)
	assert.InDelta(t, 3*182.0/122, g.Pace.Value, 0.06)
}

// Several leaves came with the plant: which of them is the newest nobody said,
// and the order in which they were typed does not decide it.
func TestRatiosDoNotHangOnTheOrderOfTyping(t *testing.T) {
	came := func(id string, mm float64) recovery.Strand {
		s := leaf(id, 0, mm, recovery.Mature)
		s.CameWith = true
		return s
	}
	all := []recovery.Strand{
		came("long", 200), came("short", 125), came("middle", 160),
		leaf("new", 30, 150, recovery.Mature),
		leaf("twin a", 60, 120, recovery.Mature), leaf("twin b", 60, 180, recovery.Mature),
		leaf("last", 90, 162, recovery.Mature),
	}
	want := map[string]float64{
		"new":    94,  // 150 of 160, the middle one
		"twin a": 80,  // of 150
		"twin b": 120, // of 150
		"last":   90,  // of 180, the larger of two
	}
	for range 200 {
		rand.Shuffle(len(all), func(i, j int) { all[i], all[j] = all[j], all[i] })
		got := map[string]float64{}
		for _, r := range recovery.Reckon(all, began, began+200).Ratios {
			got[r.Strand] = r.Percent
		}
		require.Equal(t, want, got)
	}
}

func TestRootsAndSpikesAreNoGain(t *testing.T) {
	root := recovery.Strand{ID: "r", Sort: recovery.Root, Began: began, State: recovery.Growing}
	spike := recovery.Strand{ID: "s", Sort: recovery.Spike, Began: began, State: recovery.Lost, StateOn: began + 3}
	g := recovery.Reckon([]recovery.Strand{root, spike, leaf("a", 3, 40, recovery.Lost)}, began, began+60)
	assert.Equal(t, 1, g.Made)
	assert.Equal(t, 1, g.Gone, "the leaf; a spike that is cut is no loss")
	assert.Nil(t, g.Interval)
}

func TestALeafIsCountedOnceHoweverItIsRecorded(t *testing.T) {
	h := recovery.History{}
	h.Add("new-leaves", recovery.Reading{On: began + 10, Value: 1}) // nobody followed that one
	h.Add("new-leaves", recovery.Reading{On: began + 20, Value: 2}) // one of these is the strand
	recovery.FeedReadings(h, []recovery.Strand{leaf("a", 15, 90, recovery.Growing)})
	var sum float64
	for _, r := range h["new-leaves"] {
		sum += r.Value
	}
	assert.Equal(t, 3.0, sum)
}

func TestStrandsAnswerWhatGatesAsk(t *testing.T) {
	h := recovery.History{}
	bulb := recovery.Strand{
		ID:      "b",
		Sort:    recovery.Bulb,
		Began:   began + 4,
		State:   recovery.Mature,
		StateOn: began + 90,
	}
	first := recovery.Strand{
		ID:      "r1",
		Sort:    recovery.Root,
		Began:   began,
		State:   recovery.Lost,
		StateOn: began + 30,
		Sizes:   []recovery.Reading{{On: began + 10, Value: 30}, {On: began + 20, Value: 42}},
	}
	second := recovery.Strand{
		ID:    "r2",
		Sort:  recovery.Root,
		Began: began,
		State: recovery.Growing,
		Sizes: []recovery.Reading{{On: began + 12, Value: 12}, {On: began + 35, Value: 25}},
	}
	recovery.FeedReadings(h, []recovery.Strand{bulb, first, second})
	last, ok := h.Last("growth-mature")
	assert.True(t, ok && last.On == began+90)
	_, ok = h.Last("new-growth")
	assert.True(t, ok)
	var values []float64
	for _, r := range h["longest-root"] {
		values = append(values, r.Value)
	}
	assert.Equal(
		t,
		[]float64{30, 30, 42, 12, 25},
		values,
		"the longest that lives on each day; when it is lost the next one counts",
	)
}

func TestEverySortBelongsToSomeHabit(t *testing.T) {
	seen := map[recovery.GrowthSort]bool{}
	for _, h := range plant.Habits() {
		sorts := recovery.SortsOf(h)
		require.NotEmpty(t, sorts, h.ID)
		for _, s := range sorts {
			seen[s] = true
		}
	}
	for _, s := range recovery.GrowthSorts() {
		assert.True(t, seen[s.ID], "%s", s.ID)
		assert.NotEmpty(t, s.How)
	}
}
