package exchange_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/trip"
	"tendermend/exchange"
)

// A plan that is made on the way counts its days from the day of leaving; what was planned of the days behind stays,
// and so does what was done before leaving.
func TestAPlanOnTheWayGoesOnFromWhatIsBehind(t *testing.T) {
	pot := func(waterBefore bool, aids []trip.Aid, days ...int) exchange.TripPot {
		return exchange.TripPot{Plan: trip.Plan{WaterBefore: waterBefore, Aids: aids, Days: days}}
	}
	before := pot(true, []trip.Aid{trip.Covered}, 3, 6, 9, 12)
	for _, row := range []struct {
		gone int
		now  []int
		want []int
	}{
		{6, []int{0, 4}, []int{3, 6, 10}}, {7, []int{0, 4}, []int{3, 6, 7, 11}},
		{1, nil, []int{}}, {13, nil, []int{3, 6, 9, 12}},
	} {
		got := pot(false, nil, row.now...).Since(row.gone, before)
		assert.Equal(t, row.want, got.Days, "%d days gone", row.gone)
		assert.True(t, got.WaterBefore)
		assert.Equal(t, []trip.Aid{trip.Covered}, got.Aids)
	}
	came := pot(true, nil, 2).Since(5, exchange.TripPot{})
	assert.Equal(t, []int{7}, came.Days, "a plant that came since")
	assert.False(t, came.WaterBefore)
	assert.Equal(t, []trip.Aid{}, came.Aids)
}
