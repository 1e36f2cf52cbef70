package diagnosis

import (
	"math/rand/v2"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
)

// tufts is a cactus of which one thing alone was seen, and that settles it.
func tufts() Examination { return wholeLook("cactus", "pest.cotton") }

func TestActingOnOneSignAloneAsksForItOnceMore(t *testing.T) {
	c := examine(t, tufts())
	checks := c.NextChecks()
	require.NotEmpty(t, checks)
	assert.True(t, checks[0].Again)
	assert.Equal(t, "pest.cotton", checks[0].Sign)
	assert.NotEmpty(t, checks[0].Reason)
	assert.NotEmpty(t, checks[0].Working.Formula)
	v := c.Verdict()
	assert.Equal(t, LookFurther, v.Kind)
	assert.Empty(t, v.Cause)
	assert.Contains(t, v.Words, "once more")
	assert.LessOrEqual(t, len(checks), checksOffered)

	e := tufts()
	e.Again = []string{"pest.cotton"}
	twice := examine(t, e)
	assert.Equal(t, Act, twice.Verdict().Kind)
	assert.Equal(t, "mealybug", twice.Verdict().Cause)
	assert.Greater(t, twice.Chance("mealybug"), c.Chance("mealybug"))
	assert.InDelta(t, checks[0].Outcomes.IfSeen[0].Chance, twice.Chance(checks[0].Outcomes.IfSeen[0].ID), 1e-9)

	e = tufts().without("pest.cotton")
	e.Present = nil
	not := examine(t, e)
	assert.NotEqual(t, Act, not.Verdict().Kind)
	assert.InDelta(t, checks[0].Outcomes.IfNot[0].Chance, not.Chance(checks[0].Outcomes.IfNot[0].ID), 1e-9)
}

// A cause is borne out by another sign that it shows now and then, not by one that it
// shows rarely.
func TestASignThatIsBorneOutIsNotAskedAgain(t *testing.T) {
	k := Standard()
	h, _ := plant.HabitByID("aroid-vine")
	both := map[bool]int{}
	for s, sign := range k.signs {
		if sign.ID == "pest.cotton" || !Fits(sign.ID, h) {
			continue
		}
		c := examine(t, look(h.ID, "pest.cotton", sign.ID))
		want := k.link[k.causeAt["mealybug"]][s] >= 0.20
		both[want]++
		assert.Equal(t, want, c.borneOut("mealybug", k.signAt["pest.cotton"]), sign.ID)
	}
	assert.Greater(t, min(both[true], both[false]), 2)
	often := examine(t, look(h.ID, "pest.cotton", "leaf.sticky"))
	assert.False(t, often.NextChecks()[0].Again)
	for _, s := range Signs() {
		assert.Equal(t, s.Disturbance < 3 && !history(s), lookedAgain(s), s.ID)
	}
}

// What is seen by looking twice is asked for once: neither history nor a condition, which
// hangs on nothing, nor what two signs say.
func TestWhatDoesNotHangOnALookIsNotAskedAgain(t *testing.T) {
	again := func(e Examination) bool {
		return slices.ContainsFunc(examine(t, e).NextChecks(), func(c Check) bool { return c.Again })
	}
	assert.False(t, again(wholeLook("aroid-vine", "pot.no-drain")))
	assert.False(
		t,
		again(look("aroid-vine", "root.mushy", "root.smell", "leaf.drooping", "med.wet-long", "root.few-live")),
	)
	h, _ := plant.HabitByID("aroid-vine")
	for _, known := range Causes() {
		for _, id := range known.Defining {
			sign, _ := SignByID(id)
			if e := wholeLook(h.ID, id); Fits(id, h) && history(sign) {
				assert.False(t, again(e), id)
			}
		}
	}
}

// Where one sign fits nothing on the list it is looked at once more before something
// else is thought of; two that fit nothing are enough.
func TestAStrangeSignIsLookedAtOnceMore(t *testing.T) {
	asked, told := 0, 0
	for _, s := range Signs() {
		h, _ := plant.HabitByID("aroid-vine")
		if !s.Symptom || history(s) || !Fits(s.ID, h) {
			continue
		}
		c := examine(t, wholeLook(h.ID, s.ID))
		kind, _ := c.judge(c.NextChecks(), c.Missing())
		if kind != SomethingElse {
			continue
		}
		asked++
		assert.True(t, c.NextChecks()[0].Again, s.ID)
		assert.Equal(t, s.ID, c.NextChecks()[0].Sign)
		assert.Equal(t, LookFurther, c.Verdict().Kind, s.ID)
		e := wholeLook(h.ID, s.ID)
		e.Again = []string{s.ID}
		if examine(t, e).Verdict().Kind == SomethingElse {
			told++
		}
	}
	t.Logf("%d signs that fit nothing alone, %d told once they were seen twice", asked, told)
	assert.Positive(t, asked)
	assert.Equal(t, asked, told)
	many := wholeLook("aroid-vine", "leaf.silver-scars", "leaf.powder-white", "leaf.pustules", "root.galls")
	assert.True(t, examine(t, many).Outside().Probably)
	assert.Equal(t, LookFurther, examine(t, many).Verdict().Kind, "two are told, and it hangs on the third")
	many = wholeLook("aroid-vine", append(many.Present, "stem.black-creep")...)
	assert.Equal(t, SomethingElse, examine(t, many).Verdict().Kind)
}

// A second look takes three quarters of what a sign is mistaken for.
func TestASecondLookLowersTheBackground(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 50 {
		s := Signs()[r.IntN(len(Signs()))]
		e := look("aroid-vine", s.ID)
		c := examine(t, e)
		e.Again = e.Present
		twice := examine(t, e)
		of := func(c *Case) float64 {
			at := slices.IndexFunc(c.answers.seen, func(a answer) bool { return c.k.signs[a.sign].ID == s.ID })
			return c.backgroundOf(c.answers.seen[at])
		}
		assert.InDelta(t, of(c)*0.25, of(twice), 1e-12, s.ID)
	}
	// Without it is as if it were never given, also where other answers hang on it.
	e := look("aroid-vine", "care.new-arrival", "leaf.drooping", "pest.cotton")
	e.Again, e.Unsure = []string{"care.new-arrival"}, []string{"leaf.drooping"}
	without := examine(t, e.unanswered("care.new-arrival"))
	assert.Equal(t, []string{"leaf.drooping", "pest.cotton"}, without.examination.Present)
	for _, w := range examine(t, e).Evidence([]string{"settling-in"})["settling-in"] {
		if w.Sign == "care.new-arrival" {
			assert.InDelta(t, without.Chance("settling-in"), w.Without, 1e-9)
		}
	}
	_, err := Standard().Examine(Examination{Habit: "fern", Absent: []string{"leaf.crisp"}, Again: []string{"leaf.crisp"}})
	require.Error(t, err)
	assert.Contains(t, err.Error(), "again[0]")
}

// Both sides of what a sound plant often shows: one in twenty, in the degree in which it
// is there.
func TestWhatSoundPlantsOftenShowIsNoTrouble(t *testing.T) {
	const vine = "aroid-vine"
	for _, c := range []struct {
		name   string
		sign   string
		degree Degree
		want   bool
	}{
		{"one in five", "leaf.tips-brown", NoDegree, true},
		{"one in twenty", "leaf.stuck-unfurling", NoDegree, true},
		{"one in twenty-five", "leaf.yellow-patches", NoDegree, false},
		{"but only few of it", "leaf.yellow-patches", Few, true},
		{"many of what some often show", "leaf.spots-dark-dry", Many, false},
		{"some of it", "leaf.spots-dark-dry", Some, true},
		{"a condition", "pot.no-drain", NoDegree, false},
	} {
		e := wholeLook(vine, c.sign)
		if c.degree != NoDegree {
			e.Degrees = map[string]Degree{c.sign: c.degree}
		}
		assert.Equal(t, c.want, examine(t, e).onlyOrdinary(), c.name)
	}
	tips := wholeLook(vine, "leaf.tips-brown")
	for _, c := range []struct {
		name    string
		e       Examination
		chance  float64
		outside float64
		checks  []Check
		want    VerdictKind
	}{
		{"no harmful cause over 10 %", tips, 0.10, 0.299, nil, NothingFound},
		{"one is", tips, 0.101, 0.299, nil, NotEnough},
		{"something else may be at work", tips, 0.10, 0.30, nil, NotEnough},
		{"a look is left", tips, 0.10, 0, []Check{{Sign: "leaf.torn", Worth: 0.012}}, LookFurther},
		{"one that tells little", tips, 0.10, 0, []Check{{Sign: "leaf.torn", Worth: 0.0119}}, NothingFound},
		{"parts were not looked at", look(vine, "leaf.tips-brown"), 0.10, 0, nil, NotEnough},
		{"what sound plants seldom show", wholeLook(vine, "leaf.pustules"), 0.10, 0, nil, NotEnough},
	} {
		k := made(t, c.e, map[string]float64{"dry-air": c.chance})
		k.outside = c.outside
		kind, _ := k.judge(c.checks, k.Missing())
		assert.Equal(t, c.want, kind, c.name)
	}
	k := made(t, tips, map[string]float64{"dry-air": 0.05})
	assert.Contains(t, k.words(Judgement{Kind: NothingFound}), "Sound plants often show as much")
	k = made(t, wholeLook(vine), map[string]float64{"dry-air": 0.05})
	assert.Equal(t, "Nothing found on the parts looked at.", k.words(Judgement{Kind: NothingFound}))
}
