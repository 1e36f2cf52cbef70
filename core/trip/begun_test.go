package trip_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
	"tendermend/core/trip"
)

// On the way nobody waters before, moves or covers anything: a pot that lasts is left alone, any other is watered on
// the last day that is safe and as often afterwards as when it is full; one that is dry already is watered today.
func TestOnTheWayOnlyASitterHelps(t *testing.T) {
	fern := trip.Pot{Rate: .105, SD: .18, Litres: .46, Pace: .70, Rule: rule(t, plant.Even), NoCover: true}
	at := func(content float64, begun bool) trip.Plan {
		p := fern
		p.Content, p.Begun = content, begun
		return trip.For(p, 14, false)
	}
	full := at(.95, true)
	assert.Equal(t, trip.Sitter, full.Verdict)
	assert.Equal(t, at(.95, false).Days, full.Days, "a full pot is sat as one that was watered before")
	for _, content := range []float64{.8, .6, .4, .2} {
		before, now := at(content, false), at(content, true)
		assert.True(t, before.WaterBefore, "%g", content)
		assert.False(t, now.WaterBefore, "%g", content)
		assert.Empty(t, now.Aids, "%g", content)
		first := now.Days[0]
		assert.Equal(t, min(max(0, now.SafeDays), full.Days[0]), first, "%g", content)
		for i := 1; i < len(now.Days); i++ {
			assert.Equal(t, full.Days[0], now.Days[i]-now.Days[i-1], "%g", content)
		}
	}
	assert.Equal(t, 0, at(.2, true).Days[0], "it is dry: today")
	wax := trip.Pot{Rate: .050, SD: .20, Litres: .60, Pace: .75, Content: .60, Rule: rule(t, plant.DryThrough)}
	wax.Begun = true
	lasts := trip.For(wax, 14, false)
	assert.Equal(t, trip.Lasts, lasts.Verdict)
	assert.Empty(t, lasts.Days)
}
