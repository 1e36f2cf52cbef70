package climate_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/core/climate"
	"tendermend/core/day"
)

func TestSeasonsOnBothSidesOfTheEquator(t *testing.T) {
	for month, want := range map[time.Month]climate.Season{
		time.January: climate.Winter, time.February: climate.Winter, time.March: climate.Spring, time.May: climate.Spring,
		time.June: climate.Summer, time.August: climate.Summer, time.September: climate.Autumn,
		time.November: climate.Autumn, time.December: climate.Winter,
	} {
		assert.Equal(t, want, climate.SeasonOf(day.Of(2026, month, 15), false), month)
	}
	assert.Equal(t, climate.Summer, climate.SeasonOf(day.Of(2026, time.January, 15), true))
	assert.Equal(t, climate.Spring, climate.SeasonOf(day.Of(2026, time.November, 24), true))
}
