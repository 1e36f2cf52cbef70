package diagnosis

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

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
	burn := look("succulent-rosette", "leaf.scorch-sunside", "course.one-side", "care.sun-jump", "new.clean")
	burn.Season = "summer"
	assert.Contains(t, []string{Not, "left out"}, adviceOn("soap-or-oil", burn), "a burn is not sprayed")
	assert.Contains(t, []string{Not, "left out"}, adviceOn("fungicide", burn))
	assert.Equal(t, Now, adviceOn("move-from-sun", burn))
	wetWilt := look("aroid-vine", "leaf.drooping", "med.wet-long", "course.no-perk", "root.smell")
	assert.Equal(t, Not, adviceOn("soak", wetWilt), "a plant that wilts in wet medium is not watered")
	assert.Equal(t, Now, adviceOn("hold-water", wetWilt))
	noSpike := look("sympodial-orchid", "root.mushy", "root.few-live").without("flower.in-spike")
	assert.Equal(t, "left out", adviceOn("strip-spikes", noSpike), "where there is no spike none is cut")
	saucer := look("aroid-vine", "med.wet-long", "leaf.yellow-few-oldest").without("pot.stands-in-water", "pot.no-drain")
	assert.Equal(t, "left out", adviceOn("empty-saucer", saucer), "nothing to empty")
}

// By hand: what a move is worth for a set of causes.
func TestWhatAMoveIsWorthForASet(t *testing.T) {
	c := examine(t, look("aroid-vine"))
	at := func(id string) int { return c.k.causeAt[id] }
	m := &Move{effect: make([]int, len(c.k.causes))}
	fast, slow, other := at("root-rot"), at("nitrogen-low"), at("pot-bound")
	m.effect[fast], m.effect[slow], m.effect[other] = 3, -3, -1
	assert.InDelta(t, 3, c.value(m, []int{fast}), 1e-12)
	assert.InDelta(t, -3, c.value(m, []int{slow}), 1e-12)
	assert.InDelta(t, -3, c.value(m, []int{slow, other}), 1e-12, "the worst of them")
	assert.InDelta(t, 3-0.34*3, c.value(m, []int{fast, slow}), 1e-12, "help for the urgent outweighs")
	m.effect[fast], m.effect[slow] = -3, 3
	assert.InDelta(t, 0, c.value(m, []int{fast, slow}), 1e-12, "but not the other way")
	assert.Zero(t, c.value(m, nil))
}

// Both sides of each limit of advice, on a move and two causes made up for it.
func TestAdviceChangesAtItsLimits(t *testing.T) {
	const fast, slow, rival = "root-rot", "nitrogen-low", "dry-air"
	try := func(reversible bool, group string, effects map[string]int, chances map[string]float64) string {
		c := made(t, look("aroid-vine", "leaf.torn"), chances)
		m := Move{ID: "try", Reversible: reversible, group: group, Effects: effects, effect: make([]int, len(c.k.causes))}
		for id, e := range effects {
			m.effect[c.k.causeAt[id]] = e
		}
		a, named := c.advise(m, "", nil)
		if !named {
			return "left out"
		}
		return a.Advice
	}
	for _, c := range []struct {
		name       string
		reversible bool
		group      string
		effects    map[string]int
		chances    map[string]float64
		want       string
	}{
		{"likely enough", true, "water", map[string]int{slow: 3}, map[string]float64{slow: 0.35}, Now},
		{"not likely enough", true, "water", map[string]int{slow: 3}, map[string]float64{slow: 0.349}, If},
		{"an agent", true, "agent", map[string]int{slow: 3}, map[string]float64{slow: 0.50}, Now},
		{"an agent, not likely enough", true, "agent", map[string]int{slow: 3}, map[string]float64{slow: 0.499}, If},
		{"helps but little", true, "water", map[string]int{slow: 1}, map[string]float64{slow: 0.9}, If},
		{"helps enough", true, "water", map[string]int{slow: 2}, map[string]float64{slow: 0.9}, Now},
		{"cannot be undone", false, "cut", map[string]int{slow: 3}, map[string]float64{slow: 0.60}, Now},
		{"cannot be undone, not sure", false, "cut", map[string]int{slow: 3}, map[string]float64{slow: 0.599}, If},
		{"a rival is hurt", true, "water", map[string]int{slow: 3, rival: -3}, map[string]float64{slow: 0.6, rival: 0.151},
			Wait},
		{"hardly", true, "water", map[string]int{slow: 3, rival: -3}, map[string]float64{slow: 0.6, rival: 0.149}, Now},
		{"for good", false, "cut", map[string]int{slow: 3, rival: -3}, map[string]float64{slow: 0.7, rival: 0.081}, Wait},
		{"hardly for good", false, "cut", map[string]int{slow: 3, rival: -3}, map[string]float64{slow: 0.7, rival: 0.079},
			Now},
		{"days are few", true, "water", map[string]int{fast: 3, rival: -3}, map[string]float64{fast: 0.60, rival: 0.249},
			Now},
		{"days are few, too much harm", true, "water", map[string]int{fast: 3, rival: -3},
			map[string]float64{fast: 0.60, rival: 0.251}, Wait},
		{"days are few, not likely", true, "water", map[string]int{fast: 3, rival: -3},
			map[string]float64{fast: 0.599, rival: 0.2}, Wait},
		{"does harm", true, "water", map[string]int{slow: 2, rival: -3}, map[string]float64{slow: 0.2, rival: 0.5}, Not},
		{"does not matter", true, "water", map[string]int{slow: 2}, map[string]float64{slow: 0.149}, "left out"},
		{"matters", true, "water", map[string]int{slow: 2}, map[string]float64{slow: 0.15}, If},
		{"a mild harm", true, "water", map[string]int{rival: -2}, map[string]float64{rival: 0.5}, Not},
	} {
		assert.Equal(t, c.want, try(c.reversible, c.group, c.effects, c.chances), c.name)
	}
}

func TestOneDayLeftAllowsMore(t *testing.T) {
	for chance, want := range map[float64]string{0.50: Now, 0.499: If} {
		c := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"base-rot": chance})
		m := Move{ID: "try", group: "cut", Effects: map[string]int{"base-rot": 3}, effect: make([]int, len(c.k.causes))}
		m.effect[c.k.causeAt["base-rot"]] = 3
		a, _ := c.advise(m, "", nil)
		assert.Equal(t, want, a.Advice, chance)
		assert.InDelta(t, chance*3, a.Good, 1e-9)
		assert.InDelta(t, a.Good*1.5, a.worth, 1e-9)
		m.Stress = 2
		a, _ = c.advise(m, "", nil)
		assert.InDelta(t, chance*3-1, a.Good, 1e-9, "half its own stress")
		a, _ = c.advise(m, "root.mushy", nil)
		assert.Equal(t, If, a.Advice, "nobody has looked whether there is anything to cut")
	}
}

func TestWatchingIsAdvisedOnlyUnderAHarmlessLead(t *testing.T) {
	watch := func(chances map[string]float64) string {
		for _, a := range made(t, look("aroid-vine", "leaf.torn"), chances).Moves(nil) {
			if a.Move == "watch" {
				return a.Advice
			}
		}
		return ""
	}
	assert.Equal(t, Now, watch(map[string]float64{"old-leaf": 0.5}))
	assert.Equal(t, If, watch(map[string]float64{"old-leaf": 0.499}))
	assert.NotEqual(t, Now, watch(map[string]float64{"old-leaf": 0.5, "salt-injury": 0.51}))
}

// The gentler of two moves with one aim is taken where it is nearly as good; the first
// move stays first, and there are five at most.
func TestOneMoveOfAnAim(t *testing.T) {
	c := made(t, look("aroid-vine"), nil)
	rough := Advice{Move: "rough", Advice: Now, Good: 2, worth: 3, move: Move{group: "cut", tier: 2}}
	gentle := Advice{Move: "gentle", Advice: Now, Good: 1.2, worth: 2,
		move: Move{group: "cut", tier: 2, Reversible: true}}
	got := c.chooseNow([]Advice{rough, gentle})
	require.Len(t, got, 1)
	assert.Equal(t, "gentle", got[0].Move)
	gentle.Good = 1.19
	assert.Equal(t, "rough", c.chooseNow([]Advice{rough, gentle})[0].Move)
	var many []Advice
	for i, group := range []string{"a", "b", "c", "d", "e", "f"} {
		many = append(many, Advice{Move: group, Advice: Now, worth: float64(i), move: Move{group: group, tier: 6 - i}})
	}
	got = c.chooseNow(many)
	require.Len(t, got, 5)
	assert.Equal(t, "f", got[0].Move, "the worthiest, where nothing presses")
	for i := range 3 {
		assert.LessOrEqual(t, got[i+1].move.tier, got[i+2].move.tier, "the rest by tier")
	}
	assert.Empty(t, c.chooseNow(nil))
}

func TestTheFirstMoveStandsIn(t *testing.T) {
	first := func(chances map[string]float64, e Examination, moves ...string) string {
		var list []Advice
		for _, m := range moves {
			list = append(list, Advice{Move: m, Advice: Now})
		}
		return made(t, e, chances).firstMove(list)
	}
	rot := map[string]float64{"root-rot": 0.4}
	assert.Equal(t, "trim-dead-roots", first(rot, look("aroid-vine"), "hold-water", "trim-dead-roots"))
	assert.Equal(t, "unpot-look", first(rot, look("aroid-vine"), "hold-water", "unpot-look"))
	assert.Empty(t, first(map[string]float64{"root-rot": 0.399}, look("aroid-vine"), "trim-dead-roots"))
	soft := map[string]float64{"soft-rot": 0.9}
	assert.Equal(t, "cut-leaf", first(soft, look("aroid-vine"), "cut-leaf", "cut-to-clean"))
	assert.Equal(t, "cut-to-clean", first(soft, look("aroid-vine", "stem.collapsed"), "cut-leaf", "cut-to-clean"))
	both := map[string]float64{"nitrogen-low": 0.9, "root-rot": 0.4}
	assert.Equal(t, "trim-dead-roots", first(both, look("aroid-vine"), "feed-balanced", "trim-dead-roots"),
		"what presses comes before what is likelier")
}

func TestAWaitNamesTheCheckThatSeparates(t *testing.T) {
	c := made(t, look("aroid-vine"), map[string]float64{"drought": 0.4, "root-rot": 0.4})
	checks := []Check{{Sign: "leaf.torn"}, {Sign: "med.dry-through"}, {Sign: "leaf.drooping"}}
	assert.Equal(t, "med.dry-through", c.separating("drought", &Harm{Cause: "root-rot"}, checks))
	assert.Empty(t, c.separating("drought", nil, checks))
	assert.Equal(t, &Harm{"b", -2, 0.5}, graver(&Harm{"a", -4, 0.1}, Harm{"b", -2, 0.5}))
	assert.Equal(t, &Harm{"a", -4, 0.3}, graver(&Harm{"a", -4, 0.3}, Harm{"b", -2, 0.5}))
}

// Now stands first, what waits next, then what hangs on its cause, and what harms last;
// the worthiest first, and of what harms the worst.
func TestMovesStandInTheirOrder(t *testing.T) {
	order := map[string]int{Now: 0, Wait: 1, If: 2, Not: 3}
	seen := map[string]bool{}
	for _, e := range []Examination{
		look("aroid-vine", "leaf.drooping", "med.wet-long", "course.no-perk", "root.smell"),
		look("succulent-rosette", "leaf.scorch-sunside", "leaf.translucent"),
		look("sympodial-orchid", "leaf.wrinkled", "pest.cotton"),
		look("fern", "leaf.crisp", "leaf.tips-brown"),
		look("aroid-clump", "care.shipped-wet-cold", "leaf.drooping", "leaf.yellow-many-fast", "med.wet-long",
			"care.new-arrival"),
	} {
		c := examine(t, e)
		list := c.Moves(c.NextChecks())
		stands := map[string]bool{}
		for i, a := range list {
			seen[a.Advice] = true
			assert.False(t, stands[a.Move], "%s stands twice", a.Move)
			stands[a.Move] = true
			if i == 0 {
				continue
			}
			before := list[i-1]
			assert.GreaterOrEqual(t, order[a.Advice], order[before.Advice])
			switch {
			case a.Advice != before.Advice || a.Advice == Now:
			case a.Advice == Not:
				assert.GreaterOrEqual(t, a.Good, before.Good, "what harms most first")
			default:
				assert.LessOrEqual(t, a.worth, before.worth, "the worthiest first")
			}
		}
	}
	assert.Len(t, seen, 4)
}

// A move that cures nothing wants the cause that it helps to be sure enough; one that
// cures something is not let through by what it only helps.
func TestWhatCannotBeUndoneHangsOnWhatItCures(t *testing.T) {
	c := made(t, look("aroid-vine", "leaf.torn"), map[string]float64{"nitrogen-low": 0.6, "pot-bound": 0.599})
	for _, tc := range []struct {
		effects map[string]int
		want    bool
	}{
		{map[string]int{"nitrogen-low": 2}, true},
		{map[string]int{"pot-bound": 2}, false},
		{map[string]int{"nitrogen-low": 2, "pot-bound": 3}, false},
		{map[string]int{"nitrogen-low": 3, "pot-bound": 2}, true},
		{map[string]int{"nitrogen-low": 1}, false},
		{map[string]int{"nitrogen-low": 2, "drought": 3}, true},
	} {
		assert.Equal(t, tc.want, c.sureEnough(Move{Effects: tc.effects}, 7), tc.effects)
	}
	assert.True(t, c.sureEnough(Move{Effects: map[string]int{"pot-bound": 3}}, 1), "with a day left half is enough")
	assert.False(t, c.sureEnough(Move{Effects: map[string]int{"pot-bound": 3}}, 2))
}

// What has nothing to work on until somebody has looked says what must be there, and
// is not done now; where every such sign was looked for in vain it is left out.
func TestAMoveNamesWhatMustBeThere(t *testing.T) {
	saucer := func(e Examination) (a Advice, offered bool) {
		for _, a := range examine(t, e).Moves(nil) {
			if a.Move == "empty-saucer" {
				return a, true
			}
		}
		return a, false
	}
	wet := look("aroid-vine", "med.wet-long", "leaf.yellow-few-oldest", "care.water-often")
	a, offered := saucer(wet)
	require.True(t, offered)
	assert.Equal(t, "pot.stands-in-water", a.Needs, "the first of those that nobody looked for")
	assert.NotEqual(t, Now, a.Advice)
	a, offered = saucer(wet.without("pot.stands-in-water"))
	require.True(t, offered, "the holes may still be closed")
	assert.Equal(t, "pot.no-drain", a.Needs)
	_, offered = saucer(wet.without("pot.stands-in-water", "pot.no-drain"))
	assert.False(t, offered, "nothing to empty")
	a, offered = saucer(look("aroid-vine", "med.wet-long", "pot.stands-in-water"))
	require.True(t, offered)
	assert.Empty(t, a.Needs, "it was seen")
}

// Rot that is all but sure is cut or unpotted at once, also on a plant that is settling
// in; and no habit is given what it cannot have (common practice).
func TestRotIsWorkedOnAlsoInANewcomer(t *testing.T) {
	newcomer := []string{
		"care.new-arrival", "course.after-move", "course.sudden", "flower.buds-lost", "new.none-in-season",
		"leaf.tips-brown", "leaf.stuck-unfurling",
	}
	for id, signs := range map[string][]string{
		"soft-rot": {"leaf.black-mush", "leaf.smell", "course.spreading", "course.sudden", "care.wet-leaves",
			"leaf.translucent"},
		"base-rot":  {"stem.soft-brown", "stem.collapsed", "leaf.yellow-from-base", "course.spreading", "stem.wobbly"},
		"black-rot": {"stem.black-creep", "course.spreading", "course.sudden"},
		"root-rot":  {"root.mushy", "root.smell", "med.wet-long", "root.few-live"},
	} {
		c := examine(t, look("sympodial-orchid", append(slices.Clone(signs), newcomer...)...))
		require.GreaterOrEqual(t, c.Chance(id), 0.9, id)
		require.GreaterOrEqual(t, c.Chance("settling-in"), 0.5, id)
		worked := slices.ContainsFunc(now(c), func(a Advice) bool {
			return a.move.group == "cut" || a.move.group == "trim" || a.move.group == "root"
		})
		assert.True(t, worked, "%s: %v", id, now(c))
	}
	for move, habits := range map[string][]string{
		"humid-chamber": {"succulent-rosette", "cactus", "upright-succulent", "trailing-succulent"},
		"cut-to-clean":  {"monopodial-orchid", "palm", "cycad", "fern"},
		"strip-spikes":  {"fern"},
	} {
		k := Standard()
		for _, h := range habits {
			assert.False(t, k.moves[k.moveAt[move]].fits.habit(h), "%s on %s", move, h)
		}
	}
}

// Every move that matters stands in the list once, and those to be done now by tier
// after the first.
func TestEveryMoveThatMattersIsListedOnce(t *testing.T) {
	later := 0
	for _, wc := range cases(t, "practice") {
		c := examine(t, wc.Examination)
		all := c.weighed(nil)
		count := map[string]int{}
		for _, a := range all {
			count[a.Move]++
			if a.Worst != nil {
				assert.Negative(t, a.Worst.Effect, "%s: %s", wc.ID, a.Move)
				assert.Greater(t, a.Worst.Chance, 0.01)
			}
		}
		for _, a := range c.Moves(nil) {
			count[a.Move]--
		}
		for move, n := range count {
			assert.Zero(t, n, "%s: %s", wc.ID, move)
		}
		now := c.chooseNow(all)
		for i := 2; i < len(now); i++ {
			assert.LessOrEqual(t, now[i-1].move.tier, now[i].move.tier, wc.ID)
			if now[i-1].move.tier < now[i].move.tier {
				later++
			}
		}
	}
	assert.Positive(t, later)
}

// Both sides of the chance from which a harm is named.
func TestAHardlyPossibleHarmIsNotNamed(t *testing.T) {
	for chance, named := range map[float64]bool{0.0099: false, 0.0101: true} {
		c := made(t, look("aroid-vine"), map[string]float64{"overwatering": 0.9, "drought": chance})
		at := slices.IndexFunc(c.weighed(nil), func(a Advice) bool { return a.Move == "hold-water" })
		worst := c.weighed(nil)[at].Worst
		assert.Equal(t, named, worst != nil && worst.Cause == "drought", chance)
	}
}
