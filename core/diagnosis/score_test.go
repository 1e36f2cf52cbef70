package diagnosis

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
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

// One case has an interval too, and a table in words is what the figures are.
func TestAScoreIsPrinted(t *testing.T) {
	score := ScoreForetold([]Foretold{{"a", []CauseChance{{"root-rot", 0.95}, {"rust", 0.125}}, []string{"root-rot"}}})
	assert.Equal(t, [2]float64{1, 1}, score.Intervals.FirstTrue)
	assert.InDelta(t, 0.05*0.05+0.125*0.125, score.Intervals.Brier[0], 1e-12)
	var b strings.Builder
	require.NoError(t, score.Print(&b))
	rows := map[string]bool{}
	for line := range strings.Lines(b.String()) {
		rows[strings.Join(strings.Fields(line), " ")] = true
	}
	for _, row := range []string{
		"first cause true 1 (100.0 %, 95 %: 100.0-100.0 %)",
		"main cause in the first three 1 (100.0 %, 95 %: 100.0-100.0 %)",
		"90-100 % 1 95.0 % 1 100.0 %",
		"10-20 % 1 12.5 % 0 0.0 %",
	} {
		assert.True(t, rows[row], "%s in\n%s", row, b.String())
	}
}

// The 95 % interval of a share against the exact one (Clopper and Pearson 1934, from
// memory: 90 of 100 gives 0.824 to 0.951), which it lies within.
func TestIntervalsHoldTheMiddleOfTheDraws(t *testing.T) {
	var list []Foretold
	for i := range 100 {
		truth := "root-rot"
		if i < 10 {
			truth = "rust"
		}
		list = append(list, Foretold{"", []CauseChance{{"root-rot", 0.9}}, []string{truth}})
	}
	share := ScoreForetold(list).Intervals.FirstTrue
	// Normal limits: 0.9 ± 1.96 × 0.03.
	assert.InDelta(t, 0.841, share[0], 0.0125)
	assert.InDelta(t, 0.959, share[1], 0.0125)
}
