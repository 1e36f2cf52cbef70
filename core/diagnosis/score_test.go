package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestForetoldCasesAreScored(t *testing.T) {
	score := ScoreForetold([]Foretold{
		{"a", []CauseChance{{"root-rot", 0.9}, {"overwatering", 0.4}}, []string{"root-rot"}},
		{"b", []CauseChance{{"drought", 0.6}, {"root-rot", 0.3}}, []string{"root-rot", "thrips"}},
		{"c", []CauseChance{{"old-leaf", 0.2}}, nil}, // nothing was wrong, and nothing was said to be
		{"d", nil, []string{"rust"}},
	})
	assert.Equal(t, 4, score.Cases)
	assert.Equal(t, 2, score.FirstTrue)
	assert.Equal(t, 2, score.MainIn3)
	assert.Equal(t, 3, score.Ill, "nothing was wrong in c")
	assert.Len(t, score.Missed, 2)
	// By hand: a .1² + .4²; b .6² + .7² + 1 for thrips, never named; c .2²; d 1.
	assert.InDelta(t, (0.01+0.16+0.36+0.49+1+0.04+1)/4, score.Brier, 1e-12)
	// By hand: a ln .9 + ln .6; b ln .4 + ln .3 + ln .0001 for thrips; c ln .8; d ln .0001.
	assert.InDelta(t, (0.105361+0.510826+0.916291+1.203973+9.210340+0.223144+9.210340)/4, score.LogLoss, 1e-5)
	assert.Equal(t, Bin{1, 0.9, 1}, score.Reliability[9])
	assert.LessOrEqual(t, score.Intervals.FirstTrue[0], 0.5)
	assert.GreaterOrEqual(t, score.Intervals.FirstTrue[1], 0.5)
	assert.Less(t, score.Intervals.Brier[0], score.Brier)
	assert.Greater(t, score.Intervals.LogLoss[1], score.LogLoss)
	assert.Equal(t, Score{Missed: []Missed{}}, ScoreForetold(nil))
}
