package diagnosis

import (
	"bytes"
	"encoding/json"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

func TestBadExaminationsAreNamed(t *testing.T) {
	for _, tc := range []struct {
		name string
		e    Examination
		says string
	}{
		{"unknown habit", look("moss"), `habit: there is no growth habit "moss"`},
		{"unknown sign", look("fern", "leaf.drooping", "leaf.blue"), `present[1]: there is no sign "leaf.blue"`},
		{"both answers", look("fern", "leaf.crisp").without("leaf.crisp"), `absent[0]: "leaf.crisp" is said to be both`},
		{"season", Examination{Habit: "fern", Season: "monsoon"}, `season: "monsoon"`},
		{"unknown", Examination{Habit: "fern", Unknown: []string{"leaf.blue"}}, `unknown[0]: there is no sign`},
		{
			"degree",
			Examination{Habit: "fern", Present: []string{"leaf.crisp"}, Degrees: map[string]Degree{"leaf.crisp": Many}},
			`"many" is not a degree of "leaf.crisp"`,
		},
	} {
		_, err := Standard().Examine(tc.e)
		assert.ErrorContains(t, err, tc.says, tc.name)
	}
	twice := examine(t, look("fern", "leaf.crisp", "leaf.crisp"))
	assert.Equal(t, examine(t, look("fern", "leaf.crisp")).Causes(), twice.Causes(), "said twice is said once")
}

// What a sign seen for sure answers by itself is answered, unless it was asked; what
// is only thought answers nothing else.
func TestASureAnswerAnswersOthers(t *testing.T) {
	for _, s := range Signs() {
		e := look("aroid-vine", s.ID)
		there, not := Standard().Implied(e)
		for _, id := range s.impliesThere {
			assert.Contains(t, there, id, s.ID)
			assert.NotContains(t, second(Standard().Implied(e.without(id))), id)
			a, b, clash := Contradiction(e.without(id))
			assert.True(t, clash)
			assert.Equal(t, [2]string{s.ID, id}, [2]string{a, b})
		}
		for _, id := range s.impliesAbsent {
			assert.Contains(t, not, id, s.ID)
			a, b, clash := Contradiction(look("aroid-vine", s.ID, id))
			assert.True(t, clash)
			assert.ElementsMatch(t, []string{s.ID, id}, []string{a, b}, "both are named")
			thought := look("aroid-vine", s.ID, id)
			thought.Unsure = []string{id}
			_, _, clash = Contradiction(thought)
			assert.False(t, clash, "one of them is only thought to be so")
		}
		e.Unsure = e.Present
		there, not = Standard().Implied(e)
		assert.Empty(t, slices.Concat(there, not), "%s, thought", s.ID)
	}
	_, _, clash := Contradiction(look("fern", "leaf.crisp").without("leaf.drooping"))
	assert.False(t, clash)
	there, not := Standard().Implied(look("moss"))
	assert.Empty(t, slices.Concat(there, not, first(Standard().Implied(look("fern", "leaf.blue")))))
}

func first(a, _ []string) []string  { return a }
func second(_, b []string) []string { return b }

func randomExamination(r *rand.Rand) Examination {
	e := Examination{Habit: plant.Habits()[r.IntN(len(plant.Habits()))].ID, Season: climate.Seasons()[r.IntN(4)]}
	signs := Signs()
	for _, i := range r.Perm(len(signs))[:r.IntN(13)] {
		to := &e.Absent
		if r.IntN(2) == 0 {
			to = &e.Present
		}
		*to = append(*to, signs[i].ID)
		if r.IntN(3) == 0 {
			e.Unsure = append(e.Unsure, signs[i].ID)
		}
	}
	return e
}

func TestDifferentialProperties(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	for range 60 {
		e := randomExamination(r)
		c := examine(t, e)
		whole := 0.0
		for _, s := range c.sets {
			whole += s.share
		}
		assert.InDelta(t, 1, whole, 1e-9)
		for _, cc := range c.Causes() {
			assert.True(t, cc.Chance >= 0 && cc.Chance <= 1+1e-9, "%s %v", cc.ID, cc.Chance)
			i := c.k.causeAt[cc.ID]
			sum := 0.0
			for _, s := range c.sets {
				if slices.Contains(s.causes, i) {
					sum += s.share
				}
			}
			if !slices.Contains(c.conditionsSeen, i) {
				assert.InDelta(t, sum, cc.Chance, 1e-9, "a chance is what its sets have together")
			}
		}
		assert.True(t, c.Outside().Chance >= 0 && c.Outside().Chance <= 1)
		shuffled := e
		shuffled.Present = slices.Clone(e.Present)
		r.Shuffle(len(e.Present), func(a, b int) {
			shuffled.Present[a], shuffled.Present[b] = shuffled.Present[b], shuffled.Present[a]
		})
		assert.Equal(t, c.Result(), examine(t, shuffled).Result(), "the order of answers does not matter")
	}
}

// Of the same sign: sure moves a chance more than thought, and not there the other way.
func TestHowSureOneIsCounts(t *testing.T) {
	at := func(e Examination) float64 { return examine(t, e).Chance("mealybug") }
	open := at(look("aroid-vine"))
	thought := look("aroid-vine", "pest.cotton")
	thought.Unsure = thought.Present
	denied := look("aroid-vine").without("pest.cotton")
	doubted := denied
	doubted.Unsure = denied.Absent
	list := []float64{at(look("aroid-vine", "pest.cotton")), at(thought), open, at(doubted), at(denied)}
	assert.IsDecreasing(t, list)
	assert.GreaterOrEqual(t, list[0], 0.5)
}

// By hand: with background b, a sign thought to be seen has 1 − (1 − b)(1 − 0.15).
func TestEvidenceByHand(t *testing.T) {
	c := examine(t, look("aroid-vine", "leaf.drooping"))
	seen := c.answers.seen[0]
	b := c.k.signs[seen.sign].Background
	assert.InDelta(t, 1-b, c.fails(seen), 1e-12)
	seen.sure = false
	assert.InDelta(t, (1-b)*0.85, c.fails(seen), 1e-12)
	seen.sure = true
	for degree, times := range map[Degree]float64{Mild: 1.5, Few: 1.5, Some: 1, Clear: 1, Many: .35, Strong: .35} {
		seen.degree = degree
		assert.InDelta(t, 1-min(0.9, b*times), c.fails(seen), 1e-12, degree)
	}
	for degree, want := range map[Degree][2]float64{
		NoDegree: {1, 1}, Few: {.8, 1}, Mild: {.8, 1}, Some: {1, .7}, Clear: {1, .7}, Many: {1, .35}, Strong: {1, .35},
	} {
		a := answer{sign: seen.sign, degree: degree}
		for i, known := range c.k.causes {
			times := want[0]
			if known.mild {
				times = want[1]
			}
			assert.InDelta(t, c.k.link[i][seen.sign]*times, c.k.linkAt(i, a), 1e-12, "%s %s", degree, known.ID)
		}
	}
	s := c.k.signs[seen.sign]
	assert.InDelta(t, s.Overlooked, c.k.missed(answer{sign: seen.sign, sure: true}), 1e-12)
	assert.InDelta(t, 0.35, c.k.missed(answer{sign: seen.sign}), 1e-12)
	assert.InDelta(t, 0.02, c.k.missed(answer{sign: seen.sign, sure: true, implied: true}), 1e-12)
}

// A newcomer's trouble began after its purchase, whatever it is.
func TestOneSignMakesAnotherCommoner(t *testing.T) {
	newcomer := examine(t, look("aroid-vine", "care.new-arrival"))
	old := examine(t, look("aroid-vine"))
	s := old.k.signAt["course.after-move"]
	assert.InDelta(t, 0.70, newcomer.background(s), 1e-12)
	assert.InDelta(t, old.k.signs[s].Background, old.background(s), 1e-12)
	winter, summer := look("aroid-vine"), look("aroid-vine")
	winter.Season, summer.Season = climate.Winter, climate.Summer
	for _, sign := range old.k.signs {
		for _, g := range sign.given {
			if g.what == "season.winter" {
				at := old.k.signAt[sign.ID]
				assert.InDelta(t, g.background, examine(t, winter).background(at), 1e-12)
				assert.Less(t, examine(t, summer).background(at), g.background)
			}
		}
	}
}

// A cause that is a sign is seen, not guessed.
func TestConditionsAreSeen(t *testing.T) {
	k := Standard()
	tried := 0
	for i, known := range k.causes {
		if known.Condition == "" {
			continue
		}
		for _, h := range plant.Habits() {
			if k.prior(i, h, "") == 0 || !Fits(known.Condition, h) {
				continue
			}
			tried++
			seen := examine(t, look(h.ID, known.Condition))
			assert.InDelta(t, 0.97, seen.Chance(known.ID), 1e-12, "%s on %s", known.ID, h.ID)
			assert.Equal(t, []string{known.ID}, seen.Conditions())
			thought := look(h.ID, known.Condition)
			thought.Unsure = thought.Present
			c := examine(t, thought)
			assert.Empty(t, c.Conditions())
			assert.True(t, c.Chance(known.ID) > 0.4 && c.Chance(known.ID) < 0.85, "%s %v", known.ID, c.Chance(known.ID))
			denied := look(h.ID).without(known.Condition)
			assert.Zero(t, examine(t, denied).Chance(known.ID), known.ID)
			denied.Unsure = denied.Absent
			doubted := examine(t, denied).Chance(known.ID)
			assert.True(t, doubted > 0 && doubted < 0.5*examine(t, look(h.ID)).Chance(known.ID), known.ID)
			break
		}
	}
	assert.Equal(t, 11, tried)
	// Water that stands in the saucer speaks for a pot that does not drain, though
	// somebody says that it has a hole.
	kept := examine(t, look("aroid-vine", "pot.stands-in-water").without("pot.no-drain"))
	assert.Positive(t, kept.Chance("no-drainage"))
}

func TestEachDefiningPestSignIsEnoughByItself(t *testing.T) {
	for _, known := range Causes() {
		if known.Kind != "pest" || known.Harmless {
			continue
		}
		for _, sign := range known.Defining {
			if len(sign) < 5 || sign[:5] != "pest." {
				continue
			}
			for _, h := range plant.Habits() {
				if priorOf(known.ID, h) > 0 && Fits(sign, h) {
					assert.GreaterOrEqual(t, examine(t, look(h.ID, sign)).Chance(known.ID), 0.5, "%s by %s", known.ID, sign)
					break
				}
			}
		}
	}
}

func priorOf(id string, h plant.Habit) float64 { return Standard().PriorFor(id, h, "") }

func TestAnUmbrellaIsAnyOfItsParts(t *testing.T) {
	c := examine(t, look("woody", "leaf.veins-green-new", "med.ph-high"))
	assert.GreaterOrEqual(t, c.Chance("micronutrient-low"), c.Chance("iron-low")-1e-9)
	assert.LessOrEqual(t, c.Chance("micronutrient-low"), c.Chance("iron-low")+c.Chance("magnesium-low")+1e-9)
	assert.False(t, slices.ContainsFunc(c.Causes(), func(cc CauseChance) bool { return cc.ID == "micronutrient-low" }))
	assert.Zero(t, c.Chance("curse"))
	assert.Zero(t, c.Prior("curse"))
}

func TestExpectedSurvivalSumsOverAllSets(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 22))
	for range 8 {
		c := examine(t, randomExamination(r))
		assert.InDelta(t, 1, c.Expect(func(string) float64 { return 1 }), 1e-9)
		for _, cc := range c.Causes()[:3] {
			if slices.Contains(c.Conditions(), cc.ID) {
				continue
			}
			free := c.Expect(func(id string) float64 {
				if id == cc.ID {
					return 0
				}
				return 1
			})
			assert.InDelta(t, 1-cc.Chance, free, 1e-9, "what does not survive %s is its chance", cc.ID)
		}
	}
}

func TestEvidenceSaysWhatEachSignDid(t *testing.T) {
	e := look("aroid-vine", "leaf.yellow-many-fast", "med.wet-long", "root.smell", "pot.no-drain").
		without("pest.cotton", "leaf.stippling")
	c := examine(t, e)
	weights := c.Evidence([]string{"root-rot", "drought", "curse"})
	require.Len(t, weights["root-rot"], 6)
	assert.Empty(t, weights["curse"])
	for _, w := range weights["root-rot"] {
		rest := e
		not := func(id string) bool { return id == w.Sign }
		rest.Present = slices.DeleteFunc(slices.Clone(e.Present), not)
		rest.Absent = slices.DeleteFunc(slices.Clone(e.Absent), not)
		then := examine(t, rest).Chance("root-rot")
		assert.InDelta(t, then, w.Without, 0.02, "as if %s had not been looked for", w.Sign)
		assert.InDelta(t, odds(c.Chance("root-rot"))/odds(w.Without), w.Times, 1e-9)
		assert.Equal(t, max(w.Times, 1/w.Times) >= 1.15, w.Tells)
	}
	assert.Contains(t, []string{weights["root-rot"][0].Sign, weights["root-rot"][1].Sign}, "root.smell")
	assert.Greater(t, weights["root-rot"][0].Times, 2.0)
}

// A case comes back from its file as it went, and says no more of an answer than is to
// be said.
func TestACaseComesBackFromItsFile(t *testing.T) {
	c := WorkedCase{Known: true, Causes: []string{"drought"}, Examination: Examination{
		Habit: "aroid-vine", Present: []string{"leaf.drooping", "pest.cotton", "leaf.tips-brown", "leaf.crisp"},
		Absent: []string{"root.smell", "pest.webbing"}, Unsure: []string{"leaf.drooping", "pest.webbing"},
		Again: []string{"pest.cotton"}, Degrees: map[string]Degree{"leaf.tips-brown": Strong},
	}}
	raw, err := json.Marshal(c)
	require.NoError(t, err)
	assert.JSONEq(t, `{"habit":"aroid-vine","causes":["drought"],"present":[{"sign":"leaf.drooping","sure":false},
		{"sign":"pest.cotton","again":true},{"sign":"leaf.tips-brown","degree":"strong"},"leaf.crisp"],
		"absent":["root.smell",{"sign":"pest.webbing","sure":false}]}`, string(raw))
	back, _, err := ReadCases(bytes.NewReader(raw))
	require.NoError(t, err)
	assert.Equal(t, c, back[0])
	_, _, err = ReadCases(strings.NewReader("7"))
	require.Error(t, err)
	assert.NotContains(t, err.Error(), "empty")
	_, _, err = ReadCases(strings.NewReader(" "))
	assert.ErrorContains(t, err, "empty")
	_, _, err = ReadCases(strings.NewReader(`{"habit":"fern","absent":[{"sign":"leaf.crisp","again":true}]}`))
	assert.ErrorContains(t, err, "not seen again")
}

// What a cause would be without an answer is what it is where that was never given, also
// where the answer speaks for a condition that was denied.
func TestWithoutAnAnswerIsAsIfItWereNeverGiven(t *testing.T) {
	tried := 0
	for i, known := range Causes() {
		if known.Condition == "" {
			continue
		}
		for s, often := range Standard().link[i] {
			sign := Signs()[s].ID
			h, _ := plant.HabitByID("aroid-vine")
			if often != 0.70 || sign == known.Condition || !Fits(sign, h) || !Fits(known.Condition, h) {
				continue
			}
			e := look(h.ID, sign).without(known.Condition)
			if _, _, clash := Contradiction(e); clash {
				continue
			}
			tried++
			without := examine(t, look(h.ID).without(known.Condition))
			for _, w := range examine(t, e).Evidence([]string{known.ID})[known.ID] {
				if w.Sign == sign {
					assert.InDelta(t, without.Chance(known.ID), w.Without, 1e-9, "%s on %s", known.ID, sign)
				}
			}
		}
	}
	assert.Positive(t, tried)
}
