package compose

import (
	"go/parser"
	"go/token"
	"math"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

func TestEveryCauseHasARecipe(t *testing.T) {
	for _, c := range cause.All() {
		assert.True(
			t,
			slices.ContainsFunc(recipes, func(r recipe) bool { return r.cause == c.ID }) || hasProgramme(c.ID),
			c.ID,
		)
	}
}

// hasProgramme says whether an own rule makes a plan of a cause, where there is no row of operators.
func hasProgramme(id cause.ID) bool {
	p, err := Plan(treatment.Situation{Habit: "moth-orchid", Causes: []cause.ID{id}, On: day.Of(2026, 7, 5)})
	return err == nil && len(p.Sittings) > 0
}

// The checker proves plans only as long as it shares nothing with the composer
// but the words of the trade.
func TestComposerAndCheckerDoNotKnowEachOther(t *testing.T) {
	for dir, not := range map[string]string{".": "treatment/check", "../check": "treatment/compose"} {
		files, err := filepath.Glob(dir + "/*.go")
		require.NoError(t, err)
		require.NotEmpty(t, files)
		for _, f := range files {
			src, err := parser.ParseFile(token.NewFileSet(), f, nil, parser.ImportsOnly)
			require.NoError(t, err)
			for _, i := range src.Imports {
				assert.False(t, strings.Contains(i.Path.Value, not), "%s imports %s", f, i.Path.Value)
			}
		}
	}
}

// A pot is a truncated cone: its volume is checked by integrating slices of it.
// The usual pot is as deep as 0.85 of its width and tapers to 0.78 of it (common
// practice, measured on nobody's pots: the volume agrees within two per cent).
func coneML(w, depth, bottom float64) float64 {
	const slices = 2000
	sum := 0.0
	for i := range slices {
		at := (float64(i) + 0.5) / slices
		d := w * (bottom + (1-bottom)*at)
		sum += math.Pi / 4 * d * d * w * depth / slices
	}
	return sum
}

func TestPotsHoldWhatTheirShapeHolds(t *testing.T) {
	for w := 8.0; w <= 40; w++ {
		assert.InEpsilon(t, coneML(w, 0.85, 0.78), PotML(w, "usual"), 0.02, "usual, %v cm", w)
		assert.Less(t, PotML(w, "shallow"), PotML(w, "usual"))
		assert.Greater(t, PotML(w, "deep"), PotML(w, "usual"))
		assert.Greater(t, PotML(w+1, "usual"), PotML(w, "usual"))
	}
	assert.Equal(t, PotML(7, "usual"), PotML(7, "deep"), "small pots have one shape")
	assert.NotEqual(t, PotML(7.1, "usual"), PotML(7.1, "deep"))
}

// The check values stand in the trade's book: they agree only with that book.
func TestMixFillsThePotRoundTheBall(t *testing.T) {
	for _, c := range []struct {
		w, ball float64
		whole   bool
		shape   string
		litres  float64
	}{
		{11, 9, false, "usual", 0.68},
		{10, 7, false, "usual", 0.53},
		{18, 14, true, "usual", 1.70},
		{16, 13, false, "shallow", 1.26},
	} {
		assert.InDelta(t, c.litres, MixML(c.w, c.ball, c.whole, c.shape)/1000, 0.006, "%+v", c)
	}
	assert.Equal(t, 1.0, MixML(10, 30, true, "usual"), "never less than nothing")
}

func TestSchoolsAreScoredByTheirTable(t *testing.T) {
	moss := treatment.Situation{
		Kind:   "phalaenopsis-hybrid",
		Causes: []cause.ID{cause.MediumCollapsed},
		On:     day.Of(2026, 10, 10),
		Facts: facts.Facts{
			LiveRoots:  facts.Said[float64](9),
			DeadRoots:  facts.Said[float64](6),
			LiveTips:   facts.Said[float64](3),
			RootBallCM: facts.Said[float64](9),
		},
	}
	list := Schools(moss)
	require.NotEmpty(t, list)
	assert.Equal(t, treatment.School("S0"), list[0].School, "roots enough: its own pot")
	for _, s := range list {
		sum := 0
		for _, term := range s.Terms {
			sum += term.Weight
		}
		assert.Equal(t, s.Score, sum, "the terms shown are the score of %s", s.School)
		assert.True(t, slices.IsSortedFunc(s.Terms, func(a, b treatment.Term) int {
			return max(b.Weight, -b.Weight) - max(a.Weight, -a.Weight)
		}), "the heaviest first")
	}
	seen := map[treatment.School]bool{}
	for _, s := range list {
		seen[s.School] = true
	}
	for _, s := range []treatment.School{"S0", "S1", "S2", "S3", "S4", "S5", "S6"} {
		assert.True(t, seen[s], "any orchid may take %s", s)
	}
	assert.Empty(
		t,
		Schools(treatment.Situation{Kind: "monstera-deliciosa", Causes: []cause.ID{cause.RootRot}}),
		"no orchid, no school",
	)
}

func BenchmarkPlan(b *testing.B) {
	s := treatment.Situation{
		Kind:   "phalaenopsis-hybrid",
		Causes: []cause.ID{cause.MediumCollapsed, cause.Mealybug},
		On:     day.Of(2026, 10, 10),
		Facts: facts.Facts{
			LiveRoots:  facts.Said[float64](3),
			DeadRoots:  facts.Said[float64](6),
			PotWidthCM: facts.Said[float64](12),
			RootBallCM: facts.Said[float64](7),
		},
	}
	for b.Loop() {
		if _, err := Plan(s); err != nil {
			b.Fatal(err)
		}
	}
}
