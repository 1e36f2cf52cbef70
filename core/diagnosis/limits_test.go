package diagnosis

import (
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
)

// wholeLook has every one of the six parts looked at, with what is seen on top.
func wholeLook(habit string, present ...string) Examination {
	h, _ := plant.HabitByID(habit)
	e := look(habit, present...)
	for _, id := range quietLook(h) {
		if !slices.Contains(present, id) {
			e.Absent = append(e.Absent, id)
		}
	}
	return e
}

// Both sides of each limit at which a differential is put into a verdict.
func TestVerdictsChangeAtTheirLimits(t *testing.T) {
	const vine = "aroid-vine"
	spots := []string{"leaf.spots-dark-dry"}
	for _, c := range []struct {
		name    string
		e       Examination
		chances map[string]float64
		outside float64
		want    VerdictKind
	}{
		{"a harmful cause at 80 %", look(vine, spots...), map[string]float64{"salt-injury": 0.80}, 0, Act},
		{"just under it", look(vine, spots...), map[string]float64{"salt-injury": 0.799}, 0, LookFurther},
		{"something else is probable", wholeLook(vine, spots...), map[string]float64{"salt-injury": 0.84}, 0.45,
			SomethingElse},
		{"not quite", wholeLook(vine, spots...), map[string]float64{"salt-injury": 0.84}, 0.449, Act},
		{"one cause leads clearly", wholeLook(vine, spots...), map[string]float64{"salt-injury": 0.85}, 0.45, Act},
		{"parts not looked at", look(vine, spots...), map[string]float64{"salt-injury": 0.84}, 0.45, LookFurther},
		{"a pest without its animal looked for", look(vine, spots...), map[string]float64{"thrips": 0.95}, 0, LookFurther},
		{"looked for in vain", look(vine, spots...).without("pest.slender"), map[string]float64{"thrips": 0.899}, 0,
			LookFurther},
		{"all but sure all the same", look(vine, spots...).without("pest.slender"), map[string]float64{"thrips": 0.90}, 0,
			Act},
		{"it does not stand out", look(vine, spots...).without("pest.slender"), map[string]float64{"thrips": 0.499}, 0,
			LookFurther},
		{"a lethal look is open", look(vine, spots...), map[string]float64{"salt-injury": 0.9, "base-rot": 0.051}, 0,
			LookFurther},
		{"it is not", look(vine, spots...), map[string]float64{"salt-injury": 0.9, "base-rot": 0.05}, 0, Act},
		{"nothing seen on the whole plant", wholeLook(vine), map[string]float64{"salt-injury": 0.05}, 0, NothingFound},
		{"harmless", wholeLook(vine, "leaf.yellow-few-oldest"), map[string]float64{"old-leaf": 0.50, "settling-in": 0.45},
			0, Harmless},
		{"not likely enough", wholeLook(vine, "leaf.yellow-few-oldest"),
			map[string]float64{"old-leaf": 0.499, "settling-in": 0.45}, 0, LookFurther},
		{"with a suspect", wholeLook(vine, "leaf.yellow-few-oldest"),
			map[string]float64{"old-leaf": 0.6, "settling-in": 0.3, "salt-injury": 0.07}, 0, LookFurther},
		{"parts not looked at", look(vine, "leaf.yellow-few-oldest"), map[string]float64{"old-leaf": 0.9}, 0, LookFurther},
	} {
		k := made(t, c.e, c.chances)
		k.outside = c.outside
		got, _ := k.judge([]Check{{Sign: "leaf.torn", Worth: 0.2}}, k.Missing())
		if c.want == NothingFound || c.want == Harmless {
			got, _ = k.judge([]Check{{Sign: "leaf.torn", Worth: 0.001}}, k.Missing())
		}
		assert.Equal(t, c.want, got, c.name)
	}
}

// What is left to settle decides between acting and looking.
func TestWhatIsLeftToSettleDecides(t *testing.T) {
	spots := wholeLook("aroid-vine", "leaf.spots-dark-dry")
	part := look("aroid-vine", "leaf.spots-dark-dry")
	for _, c := range []struct {
		name   string
		e      Examination
		cause  string
		chance float64
		worth  float64
		want   VerdictKind
	}{
		{"few days left, likely, little to settle", part, "drought", 0.50, 0.099, Act},
		{"much to settle", part, "drought", 0.50, 0.10, LookFurther},
		{"not likely", part, "drought", 0.499, 0.01, LookFurther},
		{"time enough", part, "salt-injury", 0.55, 0.01, LookFurther},
		{"time enough, parts seen, likely", spots, "salt-injury", 0.60, 0.029, Act},
		{"something to settle", spots, "salt-injury", 0.60, 0.03, LookFurther},
		{"less likely", spots, "salt-injury", 0.599, 0.01, LookFurther},
	} {
		k := made(t, c.e, map[string]float64{c.cause: c.chance})
		got, about := k.judge([]Check{{Sign: "leaf.torn", Worth: c.worth}}, k.Missing())
		assert.Equal(t, c.want, got, c.name)
		assert.Equal(t, got == Act, about == c.cause, c.name)
	}
	nothing := made(t, wholeLook("aroid-vine"), map[string]float64{"salt-injury": 0.10})
	for worth, want := range map[float64]VerdictKind{0.02: LookFurther, 0.019: NothingFound} {
		got, _ := nothing.judge([]Check{{Worth: worth}}, nothing.Missing())
		assert.Equal(t, want, got, worth)
	}
	likely := made(t, wholeLook("aroid-vine"), map[string]float64{"salt-injury": 0.101})
	got, _ := likely.judge([]Check{{Worth: 0.001}}, nil)
	assert.Equal(t, LookFurther, got, "a harmful cause over 10 %")
	got, _ = likely.judge(nil, nil)
	assert.Equal(t, NotEnough, got, "and nothing left to look for")
	got, _ = likely.judge([]Check{{Worth: 0.2, RulesOut: "root-rot"}}, nil)
	assert.Equal(t, LookFurther, got)
	// A pest whose animal was looked for in vain: with nothing left to look for, that is not enough.
	vain := made(t, wholeLook("aroid-vine", "leaf.spots-dark-dry"), map[string]float64{"thrips": 0.80})
	got, _ = vain.judge(nil, nil)
	assert.Equal(t, NotEnough, got)
	assert.True(t, vain.animalLacking())
	for chance, want := range map[float64]bool{0.499: false, 0.50: true, 0.899: true, 0.90: false} {
		pest := made(t, wholeLook("aroid-vine", "leaf.spots-dark-dry"), map[string]float64{"thrips": chance})
		assert.Equal(t, want, pest.animalLacking(), chance)
	}
	assert.InDelta(t, 0.1, bestWorth([]Check{{Worth: 0.2, RulesOut: "root-rot"}, {Worth: 0.1}}, 0), 1e-12)
	assert.InDelta(t, 0.1, bestWorth([]Check{{Worth: 0.2, Again: true}, {Worth: 0.1}}, 0), 1e-12)
}

// A look that needs days is not waited for where there are none, and never where days are
// few.
func TestNothingUrgentWaitsForALookThatNeedsDays(t *testing.T) {
	days := map[string]int{}
	for _, s := range Signs() {
		if s.Days > 0 {
			days[s.ID] = s.Days
			assert.False(t, seenAtSale(s), s.ID)
		}
	}
	assert.Equal(t, map[string]int{
		"course.perks-up": 1, "pest.larvae": 2, "course.spreading": 5, "course.static": 14, "new.stalled": 14,
	}, days)
	c := examine(t, look("aroid-vine"))
	assert.Equal(t, 14, c.check(c.k.signAt["course.static"]).Days)
	for left, want := range map[int]float64{4: 0, 5: 0.2, 6: 0.2} {
		assert.InDelta(t, want, bestWorth([]Check{{Worth: 0.2, Days: 5}}, left), 1e-12, left)
	}
	part := look("aroid-vine", "leaf.spots-dark-dry")
	drought := made(t, part, map[string]float64{"drought": 0.50})
	for days, want := range map[int]VerdictKind{0: LookFurther, 1: Act} {
		got, _ := drought.judge([]Check{{Worth: 0.5, Days: days}}, drought.Missing())
		assert.Equal(t, want, got, days)
	}
}

func TestVerdictsAreSaidPlainly(t *testing.T) {
	c := made(t, wholeLook("aroid-vine"), map[string]float64{"salt-injury": 0.05})
	for kind, words := range map[VerdictKind]string{
		NothingFound:  "Nothing found on the parts looked at",
		Harmless:      "This looks like ordinary ageing",
		Act:           "Time to act: ordinary ageing",
		SomethingElse: "not on the list",
		NotEnough:     "Not enough to go on",
		LookFurther:   "the next look tells more",
	} {
		assert.Contains(t, c.words(Judgement{Kind: kind, Cause: "old-leaf"}), words)
	}
	assert.Contains(t, c.words(Judgement{Kind: LookFurther, Missing: []string{"base"}}), "have not been looked at")
	c = made(t, look("aroid-vine", "leaf.torn"), nil)
	c.outside = 0.30
	assert.Contains(t, c.words(Judgement{Kind: LookFurther}), "may be at work")
	c.outside = 0.299
	assert.NotContains(t, c.words(Judgement{Kind: LookFurther}), "may be at work")
	v := examine(t, wholeLook("aroid-vine")).Verdict()
	assert.Equal(t, NothingFound, v.Kind)
	assert.Equal(t, 7, v.Again)
	assert.Zero(t, examine(t, look("aroid-vine", "root.mushy")).Verdict().Again)
}

func TestTheSixPartsAreThoseOfThePlant(t *testing.T) {
	for habit, parts := range map[string]int{"aroid-vine": 6, "cactus": 5, "air-plant": 5} {
		assert.Len(t, examine(t, look(habit)).Missing(), parts, habit)
	}
	assert.Equal(t, []string{"leaves", "undersides", "joints", "new", "base"},
		examine(t, look("aroid-vine").without("pest.small-flies")).Missing())
	assert.Empty(t, examine(t, wholeLook("aroid-vine")).Missing())
	implied := examine(t, look("aroid-vine", "new.clean"))
	assert.NotContains(t, implied.Missing(), "new")
}

func TestChancesHaveWords(t *testing.T) {
	list := Likelihoods()
	for _, c := range []struct {
		chance float64
		word   string
	}{
		{1, "very likely"}, {0.80, "very likely"}, {0.799, "likely"}, {0.5, "likely"}, {0.499, "possible"},
		{0.2, "possible"}, {0.199, "less likely"}, {0, "less likely"},
	} {
		i := slices.IndexFunc(list, func(l Likelihood) bool { return c.chance >= l.From })
		assert.Equal(t, c.word, list[i].Word, c.chance)
		assert.Equal(t, c.chance < 0.20, list[i].Folded, c.chance)
	}
	assert.True(t, StandsOut(CauseChance{"root-rot", 0.5}))
	assert.False(t, StandsOut(CauseChance{"root-rot", 0.499}))
	assert.False(t, StandsOut(CauseChance{"old-leaf", 0.9}), "it is harmless")
	assert.True(t, Hopeless(CauseChance{"drought", 0.0049}))
	assert.False(t, Hopeless(CauseChance{"drought", 0.005}))
}

func TestWhichCausesAreListed(t *testing.T) {
	c := made(t, look("aroid-vine"),
		map[string]float64{"drought": 0.3, "dry-air": 0.10, "salt-injury": 0.0999, "root-rot": 0.03})
	assert.Equal(t, []CauseChance{{"drought", 0.3}, {"dry-air", 0.10}}, c.Listed())
	assert.Equal(t, []CauseChance{{"root-rot", 0.03}}, c.ToRuleOut())
	many := map[string]float64{}
	for _, id := range []string{"drought", "salt-injury", "dry-air", "draught", "old-leaf", "edema", "low-light"} {
		many[id] = 0.2
	}
	many["root-rot"], many["base-rot"], many["soft-rot"] = 0.20, 0.199, 0.0299
	c = made(t, look("aroid-vine"), many)
	assert.Len(t, c.Listed(), 6)
	assert.Equal(t, []CauseChance{{"base-rot", 0.199}}, c.ToRuleOut(), "from 3 to under 20 %")
	assert.Len(t, made(t, look("aroid-vine"), map[string]float64{"drought": 0.01}).Listed(), 1, "at least one")
	two := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"drought": 0.5, "old-leaf": 0.499})
	assert.Equal(t, []string{"drought"}, two.Suggested())
	two.outside = 0.45
	assert.Empty(t, two.Suggested(), "nothing is suggested while something else is probable")
}

func TestSomethingElseIsFlaggedAtItsLimits(t *testing.T) {
	c := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"breakage": 0.849})
	for chance, want := range map[float64]string{
		0.299: "", 0.30: "may be at work", 0.449: "may be at work", 0.45: "is probably at work",
	} {
		c.outside = chance
		o := c.Outside()
		assert.Equal(t, want != "", o.Flag, chance)
		assert.Equal(t, strings.Contains(want, "probably"), o.Probably, chance)
		assert.Contains(t, o.Words, want)
		assert.Equal(t, o.Flag, strings.Contains(o.Words, "plant clinic"), chance)
	}
	lead := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"breakage": 0.85})
	lead.outside = 0.9
	assert.Equal(t, Outside{Chance: 0.9}, lead.Outside(), "one cause leads clearly and explains all")
	odd := made(t, look("aroid-vine", "leaf.torn", "leaf.sticky"), map[string]float64{"breakage": 0.9})
	odd.outside = 0.9
	assert.True(t, odd.Outside().Flag && !odd.Outside().Probably, "but a sign is left over")
	fact := made(t, look("aroid-vine", "care.hard-water"), nil)
	fact.outside = 0.9
	assert.False(t, fact.Outside().Probably, "no symptom was seen")
}

// By hand: one symptom seen, with a single cause set of weight one. With b its
// background, Z = 1 − (1 − b) and Z₁ = 1 − (1 − b)(1 − 0.30), times 0.96 for each
// symptom denied.
func TestSomethingElseByHand(t *testing.T) {
	for denied, e := range []Examination{
		look("aroid-vine", "leaf.torn"),
		look("aroid-vine", "leaf.torn").without("leaf.crisp"),
		look("aroid-vine", "leaf.torn").without("leaf.crisp", "leaf.mosaic", "care.hard-water"),
	} {
		if denied == 2 {
			denied = 2 // facts of care deny nothing
		}
		c := examine(t, e)
		p := problem{fail: []float64{0.8}}
		c.posterior.total = 0.2
		with := 0.04 * (1 - 0.8*0.7)
		for range denied {
			with *= 0.96
		}
		assert.InDelta(t, with/(with+0.96*0.2), c.somethingElse(p), 1e-12)
	}
}

func TestUnexplainedSignsAreNamed(t *testing.T) {
	c := made(t, look("aroid-vine", "leaf.torn", "care.hard-water"), map[string]float64{"breakage": 0.999})
	assert.Empty(t, c.Unexplained(), "breakage tears leaves")
	c = made(t, look("aroid-vine", "leaf.torn", "care.hard-water"), map[string]float64{"drought": 0.999})
	assert.Equal(t, []string{"leaf.torn"}, c.Unexplained(), "and facts of care want no explaining")
}

func TestOpenLethalLooksComeFirst(t *testing.T) {
	at := func(p float64, e Examination, id string) []openLook {
		return made(t, e, map[string]float64{id: p}).openLethal()
	}
	sign := func(open []openLook) string {
		if len(open) == 0 {
			return ""
		}
		return Standard().signs[open[0].sign].ID
	}
	vine := look("aroid-vine")
	assert.Equal(t, "stem.soft-brown", sign(at(0.051, vine, "base-rot")))
	assert.Empty(t, at(0.05, vine, "base-rot"))
	assert.Empty(t, at(0.9, vine.without("stem.collapsed"), "base-rot"), "one of its signs was asked")
	// Smell first; then unpot, from 15 % when it smells and from 30 % when it does not.
	assert.Equal(t, "root.smell", sign(at(0.9, vine, "root-rot")))
	smells := look("aroid-vine", "root.smell")
	assert.Equal(t, "root.mushy", sign(at(0.15, smells, "root-rot")))
	assert.Empty(t, at(0.149, smells, "root-rot"))
	assert.Equal(t, "root.mushy", sign(at(0.30, vine.without("root.smell"), "root-rot")))
	assert.Empty(t, at(0.299, vine.without("root.smell"), "root-rot"))
	assert.Empty(t, at(0.9, vine.without("root.mushy"), "root-rot"))
	assert.Empty(t, at(0.9, look("aroid-vine", "root.firm"), "root-rot"))
	two := made(t, vine, map[string]float64{"root-rot": 0.2, "base-rot": 0.4}).openLethal()
	require.Len(t, two, 2)
	assert.Equal(t, "base-rot", Standard().causes[two[0].cause].ID, "the likeliest first")
	few := made(t, vine, map[string]float64{"root-rot": 0.07})
	few.prior[few.k.causeAt["root-rot"]] = 0.07 / 1.5
	assert.Empty(t, few.openLethal(), "not likelier than before by half")
}

func TestTheAnimalOfALeadingPestIsLookedFor(t *testing.T) {
	open := func(p float64, e Examination) bool {
		_, is := made(t, e, map[string]float64{"thrips": p}).animalOpen()
		return is
	}
	assert.True(t, open(0.5, look("aroid-vine")))
	assert.False(t, open(0.499, look("aroid-vine")))
	assert.False(t, open(0.5, look("aroid-vine").without("pest.slender")))
	_, is := made(t, look("aroid-vine"), map[string]float64{"drought": 0.9}).animalOpen()
	assert.False(t, is, "no pest")
	checks := made(t, look("aroid-vine", "leaf.silver-scars"), map[string]float64{"thrips": 0.6}).NextChecks()
	require.NotEmpty(t, checks)
	assert.Equal(t, "thrips", checks[0].RulesOut)
	assert.Equal(t, "Before all else: nobody has looked for the animal of thrips.", checks[0].Reason)
}

func TestSuspectsAreRaisedByEvidence(t *testing.T) {
	at := func(p, prior float64) int {
		c := made(t, look("aroid-vine"), map[string]float64{"salt-injury": p, "old-leaf": 0.9})
		c.prior[c.k.causeAt["salt-injury"]] = prior
		return len(c.suspects())
	}
	assert.Equal(t, 1, at(0.0501, 0.01))
	assert.Equal(t, 0, at(0.05, 0.01), "5 % and no more")
	assert.Equal(t, 1, at(0.16, 0.1))
	assert.Equal(t, 0, at(0.15, 0.1), "one and a half times its prior and no more")
}
