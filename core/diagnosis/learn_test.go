package diagnosis

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

func confirmed(e Examination, causes ...string) WorkedCase {
	return WorkedCase{Examination: e, Causes: causes, Known: true}
}

func figure(list []Learnt, habit, cause, sign string) (Learnt, bool) {
	i := slices.IndexFunc(list, func(l Learnt) bool { return l.Habit == habit && l.Cause == cause && l.Sign == sign })
	if i < 0 {
		return Learnt{}, false
	}
	return list[i], true
}

// By hand: a prior is worth 40 cases, a link 12, a background 40; each case is one.
func TestCasesUpdateTheTablesByHand(t *testing.T) {
	k := Standard()
	thought := look("fern", "pest.webbing").without("leaf.crisp")
	thought.Unsure = []string{"pest.webbing"}
	l := k.Learn([]WorkedCase{
		confirmed(look("fern", "pest.webbing").without("pest.moving-dots"), "spider-mite"),
		confirmed(thought, "spider-mite"),
		confirmed(look("fern", "leaf.torn")),
	})
	assert.Equal(t, 3, l.Cases)
	fern := examine(t, look("fern")).habit
	prior, ok := figure(l.Priors, "fern", "spider-mite", "")
	require.True(t, ok)
	p := k.PriorFor("spider-mite", fern, "")
	assert.InDelta(t, (p*40+2)/(40+3), prior.Mean, 1e-12)
	assert.InDelta(t, p, prior.Table, 1e-12)
	assert.InDelta(t, 3, prior.Count, 1e-12)
	most := l.Most(5)
	assert.Len(t, most.Priors, 5)
	for i, p := range most.Priors {
		assert.True(t, p.Interval[0] < p.Mean && p.Mean < p.Interval[1], p.Cause)
		assert.True(t, i == 0 || p.moved() <= most.Priors[i-1].moved(), "those that move most")
	}
	other, _ := figure(l.Priors, "fern", "drought", "")
	assert.Less(t, other.Mean, other.Table, "it was none of them")
	_, ok = figure(l.Priors, "cactus", "spider-mite", "")
	assert.False(t, ok, "another habit is left as it is")

	mite, web, dots := k.causeAt["spider-mite"], k.signAt["pest.webbing"], k.signAt["pest.moving-dots"]
	link, ok := figure(l.Links, "", "spider-mite", "pest.webbing")
	require.True(t, ok)
	assert.InDelta(t, (k.link[mite][web]*12+1.5)/(12+1.5), link.Mean, 1e-12, "once sure, once thought")
	link, _ = figure(l.Links, "", "spider-mite", "pest.moving-dots")
	assert.InDelta(t, k.link[mite][dots]*12/(12+1-k.signs[dots].Overlooked), link.Mean, 1e-12)
	torn, ok := figure(l.Backgrounds, "", "", "leaf.torn")
	require.True(t, ok)
	assert.InDelta(t, (k.signs[k.signAt["leaf.torn"]].Background*40+1)/41, torn.Mean, 1e-12)
}

func TestTwoTrueCausesShareASign(t *testing.T) {
	k := Standard()
	l := k.Learn([]WorkedCase{confirmed(look("aroid-vine", "leaf.sticky"), "mealybug", "scale")})
	a, b := k.link[k.causeAt["mealybug"]][k.signAt["leaf.sticky"]], k.link[k.causeAt["scale"]][k.signAt["leaf.sticky"]]
	one, _ := figure(l.Links, "", "mealybug", "leaf.sticky")
	assert.InDelta(t, a/(a+b), one.Count, 1e-12)
	umbrella := k.Learn([]WorkedCase{confirmed(look("woody", "leaf.veins-green-new"), "micronutrient-low")})
	_, ok := figure(umbrella.Links, "", "iron-low", "leaf.veins-green-new")
	assert.True(t, ok, "an umbrella is its parts")
}

// Nothing changes until it is switched on, and only what is switched on.
func TestNothingIsLearnedUntilItIsSwitchedOn(t *testing.T) {
	k := Standard()
	var cases []WorkedCase
	for range 30 {
		cases = append(cases, confirmed(look("fern", "pest.webbing", "leaf.tips-brown"), "spider-mite"))
	}
	l := k.Learn(cases)
	assert.Same(t, k, k.Learned(l, Switches{}))
	assert.Same(t, k, k.Learned(Learning{}, Switches{Priors: true}))
	e := look("fern", "leaf.stippling")
	before := examine(t, e).Chance("spider-mite")
	for _, on := range []Switches{{Priors: true}, {Links: true}, {Backgrounds: true}} {
		with := k.Learned(l, on)
		assert.True(t, with.Edition().Learned)
		assert.Equal(t, Version+"+learned", with.Edition().String())
		c, err := with.Examine(e)
		require.NoError(t, err)
		if on.Priors {
			assert.Greater(t, c.Chance("spider-mite"), before)
		}
		changed := 0
		for i := range k.link {
			if !slices.Equal(k.link[i], with.link[i]) {
				changed++
			}
		}
		assert.Equal(t, on.Links, changed > 0)
		assert.Equal(t, on.Priors, with.priors != nil)
	}
	assert.InDelta(t, before, examine(t, e).Chance("spider-mite"), 1e-15, "the tables are as they were")
	assert.Equal(t, Version, k.Edition().String())
}

func TestWhatIsLearnedIsScoredOnTheOthers(t *testing.T) {
	list := cases(t, "practice")[:12]
	table, learned, err := Standard().LeaveOneOut(list, Switches{Priors: true, Links: true})
	require.NoError(t, err)
	assert.Equal(t, 12, table.Cases)
	assert.Equal(t, 12, learned.Cases)
	assert.NotEqual(t, table.Brier, learned.Brier)
	said := make([]Foretold, len(list))
	for i, wc := range list {
		others := slices.Delete(slices.Clone(list), i, i+1)
		k := Standard()
		c, err := k.Learned(k.Learn(others), Switches{Priors: true, Links: true}).Examine(wc.Examination)
		require.NoError(t, err)
		said[i] = Foretold{wc.ID, c.toldFor(wc.Causes), wc.Causes}
	}
	assert.InDelta(t, ScoreForetold(said).Brier, learned.Brier, 1e-9, "as if each had never been counted")
	assert.Empty(t, list[0].Anonymous().Story)
	for id, want := range map[string]string{
		"": "", "case 7": "", "case-0123456789abcdef": "case-0123456789abcdef",
		// sha256sum of the letter, its first 16 digits
		"a": "case-ca978112ca1bbdca",
	} {
		assert.Equal(t, want, WorkedCase{ID: id}.Anonymous().ID, id)
	}
}
