package plant_test

import (
	"regexp"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/mix"
	"tendermend/core/plant"
)

// Every row of the kinds' tables is proved: units and ranges (DLI in mol m⁻² d⁻¹,
// °C, per cent, days, ppm), the words that stand for something, and that values
// of one row agree with each other. The values themselves are from memory.
func TestEveryShippedKindHoldsTogether(t *testing.T) {
	kinds := plant.Profiles()
	require.Len(t, kinds, 401)
	ids := map[string]bool{}
	perHabit := map[string]int{}
	for _, p := range kinds {
		require.Regexp(t, regexp.MustCompile(`^[a-z0-9]+(-[a-z0-9]+)*$`), p.ID)
		assert.False(t, ids[p.ID], "%s stands twice", p.ID)
		ids[p.ID] = true
		_, known := plant.HabitByID(p.Habit)
		assert.True(t, known, "habit of %s", p.ID)
		perHabit[p.Habit]++
		assert.Empty(t, p.Faults(), p.ID)
		inRange(t, p)
		inWords(t, p)
	}
	for _, h := range plant.Habits() {
		assert.GreaterOrEqual(t, perHabit[h.ID], 2, "kinds of %s", h.ID)
	}
}

func inRange(t *testing.T, p plant.Profile) {
	t.Helper()
	rising := func(what string, least, most float64, values ...float64) {
		assert.True(
			t,
			slices.IsSorted(values) && values[0] >= least && values[len(values)-1] <= most,
			"%s of %s: %v",
			what,
			p.ID,
			values,
		)
	}
	rising("light", 0.5, 60, p.Light[:]...)
	rising("warmth", -15, 45, p.Temperature[:]...)
	rising("chill", -30, p.Temperature[0], *p.Chill)
	rising("humidity", 5, 95, p.Humidity[:]...)
	rising("months to repotting", 1, 120, float64(p.RepotMonths[0]), float64(p.RepotMonths[1]))
	rising("growths a month", 0, 30, p.PerMonth[:]...)
	rising("dry days", 0, 30, float64(p.DryDays[0]), float64(p.DryDays[1]))
	rising("feed", 0, 400, p.Feed.PpmN)
	rising("feed in low light", 0, 1, p.Feed.Low)
	// Sun agrees with the most light: none up to about 8, filtered 14, morning 24.
	most := map[plant.Sun][2]float64{plant.Shade: {0, 9}, plant.Filtered: {6, 16}, plant.MorningSun: {10, 26},
		plant.FullSun: {18, 60}}[p.Sun]
	assert.True(
		t,
		most[0] <= p.Light[2] && p.Light[2] <= most[1],
		"sun %s of %s against its most light %g",
		p.Sun,
		p.ID,
		p.Light[2],
	)
}

func inWords(t *testing.T, p plant.Profile) {
	t.Helper()
	among := func(what string, word string, words ...string) {
		assert.Contains(t, words, word, "%s of %s", what, p.ID)
	}
	among("branching", string(p.Branches), "yes", "no", "crown")
	among("cover", string(p.Cover), "none", "open", "closed")
	among("fit", p.PotFit, "snug", "one-size", "roomy")
	among("shape", p.PotShape, "usual", "deep", "shallow", "holes", "clear", "none")
	among("how sure", p.Sure, "high", "fair", "low")
	among(
		"thirst",
		p.Thirst,
		"limp",
		"curl-in",
		"wrinkled-leaf",
		"wrinkled-bulb",
		"thin-leaf",
		"pale-roots",
		"light-pot",
		"none",
	)
	among("feeding", p.Feed.Every, "each-watering", "weekly", "fortnight", "month", "six-weeks", "quarter", "never")
	among(
		"rest",
		p.RestKind,
		"",
		"winter-cool-dry",
		"winter-dry",
		"winter-cool",
		"winter-drier",
		"leafless-winter",
		"tuber-winter",
		"summer",
		"after-bloom",
	)
	among("how its rest looks", string(p.RestSeen), "none", "slows", "leafless", "hard")
	among("water at rest", string(p.RestWater), "growth", "low", "none", "roots-first")
	among("size", string(p.Size), "small", "usual", "large", "huge")
	among("sold in", p.SoldIn, "pot", "pot-bark", "pot-moss", "pot-plug", "basket", "mounted", "bare")
	for _, in := range p.RootIn {
		among("rooting in", in, "water", "moss", "mix", "gritty", "pinned", "mount")
	}
	for _, part := range p.Never {
		among("never taken", part, "top", "node", "leaf", "division", "section")
	}
	agree(t, p)
	assert.NotEmpty(t, plant.WaterRuleText()[p.WaterRule], p.ID)
	assert.NotEmpty(t, plant.WaterRuleText()[p.WaterLow], p.ID)
	assert.Equal(t, p.WaterRule == plant.DryRest, p.RootsFirstCM > 0, "%s waits for roots of a length", p.ID)
	assert.NotEmpty(t, p.Weeks, p.ID)
	assert.NotEmpty(t, p.Pests, p.ID)
	assert.NotEmpty(t, p.Note, p.ID)
	assert.NotEmpty(t, p.Source, p.ID)
	for _, s := range p.Setups {
		among("setup", s, "pot", "basket", "mounted", "bare-root", "cup", "air")
	}
	for _, tr := range p.Traits {
		assert.NotEmpty(t, plant.TraitWords()[tr], "trait %s of %s", tr, p.ID)
	}
	for _, whom := range []string{"people", "pets"} {
		among("poison", p.Toxicity(whom).Bad, "none", "mild", "moderate", "severe", "deadly", plant.NotKnown)
	}
	for _, m := range p.Mixes {
		for _, part := range m.Parts {
			known := slices.ContainsFunc(mix.Ingredients(), func(i mix.Ingredient) bool { return i.ID == part.What })
			assert.True(t, known, "%s is mixed from %q", p.ID, part.What)
		}
	}
	air := slices.Contains(p.Setups, "air") || slices.Contains(p.Setups, "bare-root") ||
		slices.Contains(p.Setups, "mounted") ||
		p.PotShape == "none" ||
		slices.Contains(p.Setups, "basket")
	assert.True(t, len(p.Mixes) > 0 || air, "%s has no mix and needs one", p.ID)
}

// agree holds the words of a row against each other: rest, pieces and their roots.
func agree(t *testing.T, p plant.Profile) {
	t.Helper()
	assert.Equal(t, p.RestSeen == plant.RestNone, p.RestWater == plant.RestAsGrowth, "%s: no rest, no other water", p.ID)
	if p.RestWater == plant.RestDry {
		assert.Contains(t, []plant.RestLook{plant.RestLeafless, plant.RestHard}, p.RestSeen, "%s goes dry in leaf", p.ID)
	}
	assert.Equal(t, p.RestWater == plant.RestRootsFirst, p.WaterRule == plant.DryRest, "%s waits for roots", p.ID)
	assert.Equal(t, p.Piece == "", p.RootIn == nil, "%s: a piece and what it roots in", p.ID)
	assert.Equal(t, p.Piece == "", p.RootsWeeks[1] == 0, "%s: a piece and its weeks", p.ID)
	assert.LessOrEqual(t, p.RootsWeeks[0], p.RootsWeeks[1], p.ID)
	assert.LessOrEqual(t, p.CutDryDays[0], p.CutDryDays[1], p.ID)
	if p.Size == plant.HugeSize {
		assert.Equal(t, plant.CoverNone, p.Cover, "%s is too large for a cover", p.ID)
	}
	dry := p.Habit == "cactus" || p.ID == "lithops-hybrid" || p.WaterRule == plant.DryRest
	if p.WaterLow == plant.NoWater {
		assert.True(t, dry, "%s in leaf is given nothing in the dark months", p.ID)
	}
}

// Kinds keep the ids that stand in records; five of the first 96 grow otherwise
// than the first tables said.
func TestKindsOfOlderRecordsAreStillThere(t *testing.T) {
	for id, habit := range map[string]string{
		"zygopetalum-maculatum": "sympodial-orchid", "vanda-coerulea": "monopodial-orchid",
		"ludisia-discolor": "jewel-orchid",
		"caladium-bicolor": "bulb", "dracaena-fragrans": "cane-foliage", "crassula-ovata": "upright-succulent",
		"schlumbergera-truncata": "forest-cactus", "rhipsalis-baccifera": "forest-cactus", "ficus-elastica": "woody",
	} {
		p, ok := plant.Kinds(nil).ByID(id)
		require.True(t, ok, id)
		assert.Equal(t, habit, p.Habit, id)
	}
}

func TestWhatIsNotKnownIsNeverSafe(t *testing.T) {
	for _, p := range plant.Profiles() {
		for _, whom := range []string{"people", "pets"} {
			bad := p.Toxicity(whom)
			assert.Equal(t, bad.Bad != plant.Harmless, p.Harms(whom), p.ID)
			if bad.Bad == plant.NotKnown {
				assert.True(t, p.Harms(whom), p.ID)
				assert.Positive(t, plant.Severity(bad.Bad), p.ID)
			}
		}
	}
	silent := plant.Profile{ID: "own:1", Own: true}
	assert.Equal(t, plant.NotKnown, silent.Toxicity("pets").Bad)
	for _, c := range []struct {
		habit, whom string
		atLeast     int
	}{{"aroid-vine", "pets", 2}, {"aroid-clump", "people", 2}, {"cycad", "pets", 4}, {"bulb", "pets", 2},
		{"fern", "pets", 1}} {
		h, _ := plant.HabitByID(c.habit)
		worst := plant.OfHabit(h).Toxicity(c.whom)
		assert.GreaterOrEqual(t, plant.Severity(worst.Bad), c.atLeast, "%s: %+v", c.habit, worst)
	}
	for _, h := range plant.Habits() {
		assert.True(t, plant.OfHabit(h).Harms("pets"), "%s: a habit alone never reads harmless", h.ID)
	}
}

func TestEveryNameFindsItsKind(t *testing.T) {
	names := 0
	for _, p := range plant.Profiles() {
		for _, name := range append(append([]string{p.Botanical, p.Common}, p.Names...), p.Synonyms...) {
			names++
			found := plant.Kinds(nil).Find(name, 30)
			assert.True(
				t,
				slices.ContainsFunc(found, func(f plant.Profile) bool { return f.ID == p.ID }),
				"%q does not find %s",
				name,
				p.ID,
			)
		}
	}
	assert.GreaterOrEqual(t, names, 2400)
}

func TestNamesInPluralAndMisspeltAreFound(t *testing.T) {
	for query, id := range map[string]string{
		"moth orchids": "phalaenopsis-hybrid", "phalenopsis": "phalaenopsis-hybrid",
		"swiss cheese plants": "monstera-deliciosa",
		"strelizia nicolai":   "strelitzia-nicolai", "african violets": "saintpaulia-ionantha",
		"pepperomia obtusifolia": "peperomia-obtusifolia",
		"Tornelia fragrans":      "monstera-deliciosa", "split leaf philodendron": "monstera-deliciosa",
		"venus fly traps": "dionaea-muscipula",
	} {
		found := plant.Kinds(nil).Find(query, 8)
		assert.True(
			t,
			slices.ContainsFunc(found, func(p plant.Profile) bool { return p.ID == id }),
			"%q finds %s",
			query,
			idsOf(found),
		)
	}
	assert.Empty(t, plant.Kinds(nil).Find("xyzzyplugh", 5))
	assert.Empty(t, plant.Kinds(nil).Find("qqq", 5), "a short word is not taken for any other")
}

func TestAnAmbiguousNameAsksWhichOneAndWhyItMatters(t *testing.T) {
	shared := 0
	for _, p := range plant.Profiles() {
		for _, name := range append([]string{p.Common}, p.Names...) {
			matches := plant.Kinds(nil).Matches(name, 20)
			same := 0
			for _, other := range plant.Profiles() {
				for _, n := range append([]string{other.Common}, other.Names...) {
					if strings.EqualFold(n, name) {
						same++
					}
				}
			}
			if same < 2 {
				continue
			}
			shared++
			assert.NotEmpty(t, matches[0].Shared, "%q is the name of %d kinds", name, same)
			assert.NotEmpty(t, matches[0].Why, name)
		}
	}
	assert.Positive(t, shared)
}

func idsOf(list []plant.Profile) string {
	var ids []string
	for _, p := range list {
		ids = append(ids, p.ID)
	}
	return strings.Join(ids, " ")
}

func TestLookAlikesAreNamedNotNumbered(t *testing.T) {
	for _, p := range plant.Profiles() {
		for _, other := range plant.Profiles() {
			if strings.Contains(other.ID, "-") {
				assert.NotContains(
					t,
					strings.Fields(strings.NewReplacer(":", " ", ";", " ").Replace(p.LookAlike)),
					other.ID,
					p.ID,
				)
			}
		}
	}
}
