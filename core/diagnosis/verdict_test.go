package diagnosis_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/diagnosis"
)

func chances(first string, a float64, second string, b float64) []diagnosis.CauseChance {
	return []diagnosis.CauseChance{{ID: first, Chance: a}, {ID: second, Chance: b}}
}

// Both sides of each limit at which a differential is put into words.
func TestVerdictsChangeAtTheirLimits(t *testing.T) {
	some := []diagnosis.CauseSet{{Causes: []string{"root-rot"}}}
	none := []diagnosis.CauseSet{{}}
	for _, c := range []struct {
		says             string
		ranked           []diagnosis.CauseChance
		sets             []diagnosis.CauseSet
		enough, complete bool
	}{
		{"Nothing wrong", chances("old-leaf", 0.3, "drought", 0.1), none, false, true},
		{"Not enough to go on: so far", chances("old-leaf", 0.3, "drought", 0.1), none, false, false},
		{"Not enough to go on yet", chances("root-rot", 0.95, "drought", 0.1), some, false, false},
		{"Time to act", chances("root-rot", 0.95, "drought", 0.1), some, true, true},
		{"Nearly sure", chances("root-rot", 0.9, "drought", 0.1), some, true, false},
		{"It points to something", chances("root-rot", 0.899, "drought", 0.1), some, true, false},
		{"Ordinary", chances("old-leaf", 0.5, "drought", 0.199), some, true, false},
		{"It points to something", chances("old-leaf", 0.499, "drought", 0.1), some, true, false},
		{"It points to something", chances("old-leaf", 0.5, "drought", 0.2), some, true, false},
		{"Ordinary", chances("old-leaf", 0.5, "drought", 0.2), some, true, true},
	} {
		assert.Contains(t, diagnosis.Verdict(c.ranked, c.sets, c.enough, c.complete), c.says[:8], "%+v", c)
	}
	ranked := chances("root-rot", 0.5, "drought", 0.499)
	assert.Equal(t, []string{"root-rot"}, diagnosis.Suggested(ranked, true))
	assert.Empty(t, diagnosis.Suggested(ranked, false))
	assert.True(t, diagnosis.StandsOut(ranked[0]))
	assert.False(t, diagnosis.StandsOut(ranked[1]))
	assert.False(t, diagnosis.StandsOut(diagnosis.CauseChance{ID: "old-leaf", Chance: 0.9}), "it needs no treatment")
	assert.True(t, diagnosis.Hopeless(diagnosis.CauseChance{ID: "drought", Chance: 0.0049}))
	assert.False(t, diagnosis.Hopeless(diagnosis.CauseChance{ID: "drought", Chance: 0.005}))
}

func TestChancesHaveWords(t *testing.T) {
	list := diagnosis.Likelihoods()
	for _, c := range []struct {
		chance float64
		word   string
	}{
		{1, "almost certain"}, {0.9, "almost certain"}, {0.899, "likely"}, {0.5, "likely"}, {0.499, "possible"},
		{0.2, "possible"}, {0.199, "less likely"}, {0.05, "less likely"}, {0.0499, "hardly"}, {0, "hardly"},
	} {
		i := slices.IndexFunc(list, func(l diagnosis.Likelihood) bool { return c.chance >= l.From })
		assert.Equal(t, c.word, list[i].Word, c.chance)
		assert.Equal(t, c.chance < 0.05, list[i].Folded, c.chance)
	}
}
