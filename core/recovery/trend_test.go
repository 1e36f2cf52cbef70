package recovery_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/recovery"
)

func TestATrendLooksFourWeeksBack(t *testing.T) {
	scores := []recovery.Reading{{On: 10, Value: 40}, {On: 72, Value: 50}, {On: 73, Value: 90}}
	for _, c := range []struct {
		now    float64
		points int
	}{{53, 3}, {52, 0}, {50, 0}, {48, 0}, {47, -3}, {20, -30}} {
		trend, ok := recovery.TrendOf(scores, c.now, 100)
		assert.True(t, ok)
		assert.Equal(t, recovery.Trend{Days: 28, Points: c.points}, trend, "%v", c.now)
	}
	_, ok := recovery.TrendOf(scores[2:], 60, 100)
	assert.False(t, ok, "27 days ago is too near")
}
