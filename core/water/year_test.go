package water_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/water"
)

func yearOf(t *testing.T, kind string, south bool) (parts []water.Part, list []water.Month) {
	t.Helper()
	p, ok := plant.Kinds(nil).ByID(kind)
	require.True(t, ok)
	habit, ok := plant.HabitByID(p.Habit)
	require.True(t, ok)
	list = water.YearOf(p, habit, 2026, south)
	for _, m := range list {
		parts = append(parts, m.Part)
	}
	return parts, list
}

// The tables of kinds and the months of growers' practice: what rests in winter rests from
// November to February, six months later in the south; what knows no rest slows down.
func TestTheYearOfAKind(t *testing.T) {
	g, s, r := water.Grows, water.Slows, water.Rests
	lily, _ := yearOf(t, "spathiphyllum-wallisii", false)
	assert.NotContains(t, lily, r)
	assert.Equal(t, g, lily[6])
	assert.Equal(t, s, lily[11])
	north, list := yearOf(t, "mammillaria-hahniana", false)
	assert.Equal(t, []water.Part{r, r}, north[:2])
	assert.Equal(t, []water.Part{r, r}, north[10:])
	assert.Equal(t, g, north[6])
	assert.False(t, list[11].Fed, "what rests is not fed")
	assert.True(t, list[6].Fed)
	south, _ := yearOf(t, "mammillaria-hahniana", true)
	for m := range 12 {
		assert.Equal(t, north[m], south[(m+6)%12], "the southern half is six months off")
	}
}

// Every kind has a year of twelve months with words for each, and grows in some of them.
func TestEveryKindHasAYear(t *testing.T) {
	for _, p := range plant.Profiles() {
		parts, list := yearOf(t, p.ID, false)
		require.Len(t, list, 12, p.ID)
		assert.Contains(t, parts, water.Grows, p.ID)
		for _, m := range list {
			assert.NotEmpty(t, m.Words, p.ID)
		}
	}
}
