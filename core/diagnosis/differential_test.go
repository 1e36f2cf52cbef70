package diagnosis

import (
	"math/rand/v2"
	"os"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

func examine(t *testing.T, e Examination) *Case {
	t.Helper()
	c, err := Examine(e)
	require.NoError(t, err)
	return c
}

func TestPracticeCasesReachTheirFloor(t *testing.T) {
	f, err := os.Open("testdata/cases_practice.json")
	require.NoError(t, err)
	defer f.Close()
	cases, array, err := ReadCases(f)
	require.NoError(t, err)
	assert.True(t, array)
	score, err := ScoreCases(cases)
	require.NoError(t, err)
	require.Equal(t, 61, score.Cases)
	assert.GreaterOrEqual(t, score.FirstTrue, 60, "98 %%: %+v", score.Missed)
	assert.Equal(t, 61, score.MainIn3)
	assert.Less(t, score.Brier, 0.40)
}

func randomExamination(r *rand.Rand) Examination {
	e := Examination{Habit: plant.Habits()[r.IntN(len(plant.Habits()))].ID, Season: climate.Seasons()[r.IntN(4)]}
	for _, i := range r.Perm(len(signs))[:r.IntN(13)] {
		if r.IntN(2) == 0 {
			e.Present = append(e.Present, signs[i].ID)
		} else {
			e.Absent = append(e.Absent, signs[i].ID)
		}
	}
	return e
}

func TestDifferentialProperties(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	for range 25 {
		e := randomExamination(r)
		c := examine(t, e)
		for _, cc := range c.Causes() {
			assert.GreaterOrEqual(t, cc.Chance, 0.0)
			assert.LessOrEqual(t, cc.Chance, 1+1e-12)
		}

		shuffled := e
		shuffled.Present = append([]string{}, e.Present...)
		r.Shuffle(len(shuffled.Present), func(a, b int) {
			shuffled.Present[a], shuffled.Present[b] = shuffled.Present[b], shuffled.Present[a]
		})
		assert.Equal(t, c.Causes(), examine(t, shuffled).Causes(), "the order of answers does not matter")

		cause := causes[r.IntN(len(causes))]
		for _, l := range links[cause.ID] {
			if l.frequency < 0.9 || c.looked[signIndex[l.sign]] {
				continue
			}
			more := e
			more.Present = append(append([]string{}, e.Present...), l.sign)
			assert.GreaterOrEqual(t, examine(t, more).Chance(cause.ID)+1e-12, c.Chance(cause.ID),
				"%s nearly always shows %s, so seeing it never lowers it", cause.ID, l.sign)
		}
	}
}

func TestRelabellingCausesChangesNothing(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 10))
	n := randomNetwork(r, 9, 8)
	to := r.Perm(9)
	prior := make([]float64, 9)
	from := make([]int, 9)
	for old, renamed := range to {
		prior[renamed] = n.prior[old]
		from[renamed] = old
	}
	renamed := newNetwork(prior, n.background, func(c, s int) float64 { return 1 - n.miss[from[c]][s] })
	present, absent := split(r, 8)
	a, b := newJoint(n, present, absent), newJoint(renamed, present, absent)
	for c := range 9 {
		assert.InDelta(t, a.chance(c), b.chance(to[c]), 1e-12)
	}
}

func TestEvidenceSaysWhatEachSignDid(t *testing.T) {
	e := Examination{
		Habit:   "aroid-vine",
		Present: []string{"leaf.yellow-many-fast", "med.wet-long", "root.smell"},
		Absent:  []string{"pest.cotton", "med.dry-through"},
	}
	c := examine(t, e)
	weights := c.Evidence([]string{"root-rot", "drought"})
	require.Len(t, weights["root-rot"], 5)
	for _, w := range weights["root-rot"] {
		without := e
		without.Present, without.Absent = drop(e.Present, w.Sign), drop(e.Absent, w.Sign)
		assert.InDelta(
			t,
			examine(t, without).Chance("root-rot"),
			w.Without,
			1e-9,
			"as if %s had not been looked for",
			w.Sign,
		)
	}
	assert.Equal(t, "root.smell", weights["root-rot"][0].Sign, "what a nose says weighs most")
	assert.Greater(t, weights["root-rot"][0].Times, 5.0)
	last := map[string]float64{}
	for _, w := range weights["drought"] {
		last[w.Sign] = w.Times
	}
	assert.Less(t, last["med.dry-through"], 0.2, "a pot that is not dry speaks against drought")
}

func drop(ids []string, id string) (kept []string) {
	for _, i := range ids {
		if i != id {
			kept = append(kept, i)
		}
	}
	return kept
}

func TestNothingSeenIsNotEnoughToGoOnButHasANextCheck(t *testing.T) {
	r, err := Diagnose(Examination{Habit: "fern"})
	require.NoError(t, err)
	assert.False(t, r.Enough)
	assert.NotEmpty(t, r.Checks)
	assert.Empty(t, r.Sets[0].Causes, "the likeliest is no trouble at all")
}

func TestNextCheckIsWhatAGoodGrowerAsks(t *testing.T) {
	limpAndWet := Examination{
		Habit:   "aroid-vine",
		Present: []string{"leaf.drooping", "leaf.yellow-many-fast", "med.wet-long"},
	}
	c := examine(t, limpAndWet)
	checks := c.NextChecks()
	require.NotEmpty(t, checks)
	var asked []string
	for _, k := range checks {
		asked = append(asked, k.Sign)
		s, _ := SignByID(k.Sign)
		assert.Less(t, s.Disturbance, Unpot, "it is not unpotted while gentler looks settle more for less")
		for i, cc := range k.Outcomes.IfSeen {
			with := limpAndWet
			with.Present = append(append([]string{}, limpAndWet.Present...), k.Sign)
			assert.InDelta(t, examine(t, with).Chance(cc.ID), cc.Chance, 1e-9, "what a yes would mean")
			without := limpAndWet
			without.Absent = []string{k.Sign}
			assert.InDelta(
				t,
				examine(t, without).Chance(k.Outcomes.IfNot[i].ID),
				k.Outcomes.IfNot[i].Chance,
				1e-9,
				"what a no would mean",
			)
		}
	}
	assert.Contains(t, asked, "root.smell", "smell the drainage hole")
}

func TestAFragilePlantIsDisturbedLess(t *testing.T) {
	e := Examination{Habit: "sympodial-orchid", Present: []string{"leaf.wrinkled", "stem.wobbly"}}
	cost := func(e Examination) float64 {
		return examine(t, e).check(signIndex["root.mushy"], []int{causeIndex["root-rot"]}).Outcomes.Cost
	}
	assert.InDelta(t, 2+15+20, cost(e), 1e-9)
	e.Fragile = true
	assert.InDelta(t, 2+15+40, cost(e), 1e-9, "in its first two weeks an unpotting costs double")
	e.Fragile = false
	e.Present = append(e.Present, "root.few-live")
	assert.InDelta(t, 2+15+40, cost(e), 1e-9, "and with few live roots")
}

func TestBadExaminationsAreNamed(t *testing.T) {
	for _, tc := range []struct {
		name string
		e    Examination
		says string
	}{
		{"unknown habit", Examination{Habit: "moss"}, `habit: there is no growth habit "moss"`},
		{"unknown sign", Examination{Habit: "fern", Present: []string{"leaf.drooping", "leaf.blue"}}, `present[1]: there is no sign "leaf.blue"`},
		{"both answers", Examination{Habit: "fern", Present: []string{"leaf.crisp"}, Absent: []string{"leaf.crisp"}}, `absent[0]: "leaf.crisp" is said to be both seen and not there`},
		{"season", Examination{Habit: "fern", Season: "monsoon"}, `season: "monsoon"`},
	} {
		_, err := Examine(tc.e)
		assert.ErrorContains(t, err, tc.says, tc.name)
	}
}

// Facts of the trade as whole cases: common practice, no source.
func TestOverTreatmentIsHeldBack(t *testing.T) {
	adviceOn := func(move string, e Examination) string {
		r, err := Diagnose(e)
		require.NoError(t, err)
		for _, a := range r.Moves {
			if a.Move == move {
				return a.Advice
			}
		}
		return "left out"
	}
	burn := Examination{
		Habit:   "succulent-rosette",
		Season:  "summer",
		Present: []string{"leaf.scorch-sunside", "course.one-side", "care.sun-jump", "new.clean"},
	}
	assert.Equal(t, Not, adviceOn("soap-or-oil", burn), "a burn is not sprayed")
	assert.Equal(t, Not, adviceOn("fungicide", burn))
	assert.Equal(t, Now, adviceOn("move-from-sun", burn))

	wetWilt := Examination{
		Habit:   "aroid-vine",
		Present: []string{"leaf.drooping", "med.wet-long", "course.no-perk", "root.smell"},
	}
	wetWilt.Absent = Implied(wetWilt.Present, nil)
	assert.Equal(t, Not, adviceOn("soak", wetWilt), "a plant that wilts in wet medium is not watered")
	assert.Equal(t, Now, adviceOn("hold-water", wetWilt))

	resting := Examination{
		Habit:   "winter-deciduous-orchid",
		Season:  "winter",
		Present: []string{"leaf.dropping-fast", "new.none-in-season", "stem.shrivelled-oldest"},
		Absent:  []string{"root.mushy", "stem.soft-brown", "care.watered-asleep"},
	}
	assert.Equal(t, Not, adviceOn("repot-fresh", resting), "an orchid at rest is not repotted")

	noSpike := Examination{
		Habit:   "sympodial-orchid",
		Present: []string{"root.mushy", "root.few-live"},
		Absent:  []string{"flower.in-spike"},
	}
	assert.Equal(t, "left out", adviceOn("strip-spikes", noSpike), "where there is no spike none is cut")
	noSpike.Absent = nil
	assert.NotEqual(t, "left out", adviceOn("strip-spikes", noSpike))
}

func TestRestIsPossibleOnlyInItsSeason(t *testing.T) {
	h, _ := plant.HabitByID("winter-deciduous-orchid")
	assert.Zero(t, PriorFor("dormancy", h, climate.Summer))
	assert.InDelta(t, 0.20, PriorFor("dormancy", h, climate.Winter), 1e-12)
	assert.InDelta(t, 0.20, PriorFor("dormancy", h, ""), 1e-12, "an unknown season is taken as possible")
	fern, _ := plant.HabitByID("fern")
	assert.Zero(t, PriorFor("woken-early", fern, climate.Winter))
}
