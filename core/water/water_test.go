package water_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/plant"
	"tendermend/core/water"
)

func TestLookWindowIsAGuessUntilItsOwnGapsAreKnown(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	_, ok := water.NextLook(vine, climate.Summer, nil, nil)
	assert.False(t, ok, "never watered here: nothing to count from")

	w, ok := water.NextLook(vine, climate.Summer, []day.Day{100}, nil)
	require.True(t, ok)
	assert.True(t, w.Guess)
	assert.Equal(t, []day.Day{106, 111}, []day.Day{w.From, w.Until})
	winter, _ := water.NextLook(vine, climate.Winter, []day.Day{100}, nil)
	assert.Greater(t, winter.From, w.From, "gaps lengthen in winter")

	own, _ := water.NextLook(vine, climate.Winter, []day.Day{60, 70, 80, 100}, nil)
	assert.False(t, own.Guess)
	assert.Equal(t, []day.Day{108, 113}, []day.Day{own.From, own.Until}, "0.8 to 1.25 times a median of 10 days")
}

func TestStillMoistMovesTheWindowOn(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	look := day.Day(111)
	w, _ := water.NextLook(vine, climate.Summer, []day.Day{100}, &look)
	assert.Equal(t, []day.Day{113, 115}, []day.Day{w.From, w.Until})
	before := day.Day(98)
	same, _ := water.NextLook(vine, climate.Summer, []day.Day{100}, &before)
	assert.Equal(t, day.Day(106), same.From, "a look before the watering says nothing about it")
}

func TestMedian(t *testing.T) {
	assert.Zero(t, water.Median(nil))
	assert.Equal(t, 4.0, water.Median([]float64{9, 4, 1}))
	assert.Equal(t, 2.5, water.Median([]float64{4, 1, 2, 3}))
}
