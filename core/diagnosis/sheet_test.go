package diagnosis

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func TestASheetGathersWhatTheTablesKnow(t *testing.T) {
	s, ok := Standard().SheetOf("sun-scorch")
	require.True(t, ok)
	assert.Equal(t, "leaf.scorch-sunside", s.Signs[0].Sign)
	assert.Equal(t, "nearly always", s.Signs[0].Word)
	assert.Contains(t, s.Helps, Done{"move-from-sun", 3})
	assert.Contains(t, s.Harms, Done{"soap-or-oil", -3}, "a burn is not sprayed")
	assert.Len(t, s.LookAlikes, 4)
	assert.Contains(t, s.More, "succulent-rosette")
	showing := Standard().CausesShowing("leaf.scorch-sunside")
	require.NotEmpty(t, showing)
	assert.Equal(t, "sun-scorch", showing[0].Cause, "linked both ways")
	assert.Empty(t, Standard().CausesShowing("leaf.blue"))
	_, ok = Standard().SheetOf("curse")
	assert.False(t, ok)
	for _, c := range Causes() {
		s, ok := Standard().SheetOf(c.ID)
		assert.True(t, ok)
		assert.NotContains(t, s.LookAlikes, c.ID)
	}
}

// The pairs that growers confuse: each is told apart by a sign that a look
// can settle, and the check that separates them is no unpotting where a
// gentler look does (common practice).
func TestLookAlikesAreToldApart(t *testing.T) {
	for _, pair := range [][]string{
		{"sun-scorch", "fungal-spot"}, {"edema", "spider-mite"}, {"edema", "scale"}, {"edema", "salt-injury"},
		{"drought", "root-rot"},
		{"old-leaf", "overwatering"}, {"old-leaf", "nitrogen-low"}, {"overwatering", "nitrogen-low"},
		{"salt-injury", "dry-air"},
		{"dry-air", "draught", "water-quality"}, {"virus", "micronutrient-low"}, {"fusarium", "dry-root-loss"},
		{"dormancy", "woken-early"},
		{"dormancy", "root-rot"}, {"settling-in", "root-rot"}, {"detached", "root-rot"}, {"detached", "base-rot"},
	} {
		c, ok := Standard().Compare(pair)
		require.True(t, ok, "%v", pair)
		require.NotEmpty(t, c.Apart, "%v", pair)
		assert.Greater(t, c.Apart[0].Bits, 0.2, "%v by %s", pair, c.Apart[0].Sign)
		require.NotEmpty(t, c.Check)
		for _, a := range c.Apart {
			assert.Len(t, a.Chance, len(pair))
			assert.True(t, a.Bits >= telling && a.Bits <= 1.6)
		}
	}
	c, _ := Standard().Compare([]string{"drought", "root-rot"})
	check, _ := SignByID(c.Check)
	assert.Less(t, check.Disturbance, Unpot, "a stick or a nose tells a thirsty wilt from a rotting one")
	for _, bad := range [][]string{nil, {"drought"}, {"drought", "drought"}, {"drought", "curse"},
		{"drought", "root-rot", "edema", "scale"}} {
		_, ok := Standard().Compare(bad)
		assert.False(t, ok, "%v", bad)
	}
}

func TestWhatALookSettles(t *testing.T) {
	assert.InDelta(t, 1, settles([]float64{0, 1}), 1e-12, "a sign of one cause alone settles between two")
	assert.InDelta(t, 0, settles([]float64{0.4, 0.4}), 1e-12)
	// By hand: H(.5) − (H(.9)+H(.1))/2 = 1 − 0.468996.
	assert.InDelta(t, 0.531004, settles([]float64{0.9, 0.1}), 1e-6)
}

func TestHowOftenIsSaidInWords(t *testing.T) {
	for _, c := range []struct {
		often float64
		word  string
	}{
		{0.9, "nearly always"}, {0.899, "usually"}, {0.7, "usually"}, {0.699, "often"}, {0.45, "often"},
		{0.449, "sometimes"}, {0.2, "sometimes"}, {0.199, "seldom"}, {0.07, "seldom"},
	} {
		assert.Equal(t, c.word, frequencyWord(c.often), c.often)
	}
}
