package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/record"
)

func signOf(s record.State, sign string) *record.Derived {
	for _, d := range s.Derive(today, false) {
		if d.Sign == sign {
			return &d
		}
	}
	return nil
}

// Of a pot that is known, how it was watered is told by what it holds: an over-waterer is told
// so, who waters by the rule is not, and a pot that lasted is no neglect however long the gap.
func TestHowItWasWateredIsToldByItsPot(t *testing.T) {
	often := signOf(inPot(t, 33, 30, 27, 24, 21, 18, 15, 12, 9, 6, 3).state(), "care.water-often")
	require.NotNil(t, often)
	assert.True(t, often.Present)
	assert.Contains(t, often.Why, "in 10 came before its rule was met")
	assert.NotEmpty(t, often.Working.Inputs)

	forgotten := signOf(inPot(t, 58, 50, 42).state(), "care.water-missed")
	require.NotNil(t, forgotten)
	assert.True(t, forgotten.Present)
	assert.Contains(t, forgotten.Why, "longer than it bears")

	steady := inPot(t, 60, 48, 36, 24, 12).state()
	for _, sign := range []string{"care.water-often", "care.water-missed", "care.water-swings"} {
		if d := signOf(steady, sign); d != nil {
			assert.False(t, d.Present, "%s: %s", sign, d.Why)
		}
	}
}

// A trip is no neglect: a gap in which nobody was at home says nothing of how it is watered.
func TestATripIsNoNeglect(t *testing.T) {
	b := newBook(t) // nobody measured its pot
	for _, ago := range []int{58, 50, 42, 34} {
		b.write(ago, record.Body{Watered: &record.Watered{}})
	}
	b.write(5, record.Body{Watered: &record.Watered{}})
	s := b.state()
	require.True(t, signOf(s, "care.water-missed").Present, "a gap of 29 days where others are of 8")
	away := func(from, back int) bool {
		of := s.Apiece()
		of.Aways = []record.Away{{From: today - day.Day(from), Back: today - day.Day(back)}}
		d := signOf(of, "care.water-missed")
		return d != nil && d.Present
	}
	assert.False(t, away(30, 10))
	assert.True(t, away(80, 60), "a trip before that gap")
	assert.True(t, away(4, 1), "and one after it")
}
