package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// What a sign seen excludes counts as looked for and not there, whoever asks:
// the same look has the same chances on the command line and on a screen.
func TestWhatASignExcludesCountsAsNotThere(t *testing.T) {
	for _, pair := range exclusions {
		said, err := Diagnose(Examination{Habit: "aroid-vine", Present: []string{pair[0]}, Absent: []string{pair[1]}})
		require.NoError(t, err)
		implied, err := Diagnose(Examination{Habit: "aroid-vine", Present: []string{pair[0]}})
		require.NoError(t, err)
		assert.Equal(t, said, implied, pair)
	}
	for _, pair := range supposes {
		for _, id := range pair {
			_, known := SignByID(id)
			assert.True(t, known, id)
		}
		a, b, found := Contradiction([]string{pair[0]}, []string{pair[1]})
		assert.True(t, found)
		assert.Equal(t, pair, [2]string{a, b})
		_, _, found = Contradiction([]string{pair[0]}, nil)
		assert.False(t, found)
	}
	for _, pair := range exclusions {
		_, _, found := Contradiction(pair[:], nil)
		assert.True(t, found)
		_, _, found = Contradiction(pair[:1], pair[1:])
		assert.False(t, found, "one of the two")
	}
	both := Examination{Present: []string{"med.wet-long", "med.dry-through"}}.WithImplied()
	assert.Empty(t, both.Absent, "a contradiction is told by who asks; nothing is made up")
}

// A case in which nothing was wrong is a case.
func TestCasesWithNothingWrongAreScored(t *testing.T) {
	score, err := ScoreCases([]WorkedCase{{Examination: Examination{Habit: "fern", Present: []string{"new.clean"}}}})
	require.NoError(t, err)
	assert.Equal(t, 1, score.Cases)
	assert.Equal(t, 0, score.Ill)
}
