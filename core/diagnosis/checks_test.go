package diagnosis

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/plant"
)

func TestNextCheckIsWhatAGoodGrowerAsks(t *testing.T) {
	limpAndWet := look("aroid-vine", "leaf.drooping", "leaf.yellow-many-fast", "med.wet-long")
	checks := examine(t, limpAndWet).NextChecks()
	require.NotEmpty(t, checks)
	assert.Equal(t, "root.smell", checks[0].Sign, "smell the drainage hole")
	assert.Equal(t, "root-rot", checks[0].RulesOut)
	assert.Equal(t, "Before all else, to rule out root rot, which is quick to kill.", checks[0].Reason)
	for _, k := range checks {
		s, _ := SignByID(k.Sign)
		assert.Less(t, s.Disturbance, Unpot, "it is not unpotted while gentler looks settle more for less")
		assert.NotEmpty(t, k.Working.Formula)
		for i, cc := range k.Outcomes.IfSeen {
			with := examine(t, look("aroid-vine", append(slices.Clone(limpAndWet.Present), k.Sign)...))
			assert.InDelta(t, with.Chance(cc.ID), cc.Chance, 0.12, "what a yes would mean: %s", k.Sign)
			no := examine(t, limpAndWet.without(k.Sign))
			assert.InDelta(t, no.Chance(k.Outcomes.IfNot[i].ID), k.Outcomes.IfNot[i].Chance, 0.12, "what a no would mean")
		}
	}
}

// By hand: two sets of equal chance, none and drought. A sign of drought with link .9
// and background .1: P(seen) = .5 × .1 + .5 × (1 − .9 × .1).
func TestWhatACheckIsWorthByHand(t *testing.T) {
	c := made(t, look("aroid-vine"), map[string]float64{"drought": 0.5})
	s := c.k.signAt["med.dry-through"]
	b, l := c.background(s), c.k.link[c.k.causeAt["drought"]][s]
	p := 0.5*b + 0.5*(1-(1-b)*(1-l))
	yes, no := 0.5*(1-(1-b)*(1-l))/p, 0.5*(1-b)*(1-l)/(1-p)
	check := c.check(s)
	assert.InDelta(t, p, check.Outcomes.Seen, 1e-9)
	assert.InDelta(t, yes, check.Outcomes.IfSeen[0].Chance, 1e-9)
	assert.InDelta(t, no, check.Outcomes.IfNot[0].Chance, 1e-9)
	want := 3 * 4 * (p*(yes-0.5)*(yes-0.5) + (1-p)*(no-0.5)*(no-0.5)) / check.Outcomes.Cost
	assert.InDelta(t, want, check.Worth, 1e-9, "three times over, for two days are left")
	assert.InDelta(t, 1-p*entropy(yes)-(1-p)*entropy(no), check.Bits, 1e-9)
}

func TestUrgencies(t *testing.T) {
	for _, c := range []struct {
		days     int
		harmless bool
		want     float64
	}{{0, false, 3}, {2, false, 3}, {3, false, 2}, {7, false, 2}, {8, false, 1}, {2, true, 0.3}} {
		assert.InDelta(t, c.want, (&Cause{DaysToAct: c.days, Harmless: c.harmless}).urgency(), 1e-12, c)
	}
}

func TestWhatPressesIsWorthMore(t *testing.T) {
	for _, c := range []struct {
		days     int
		harmless bool
		want     float64
	}{{2, false, 1.5}, {3, false, 1.2}, {7, false, 1.2}, {8, false, 1}, {2, true, 0.8}} {
		assert.InDelta(t, c.want, Cause{DaysToAct: c.days, Harmless: c.harmless}.presses(), 1e-12, c)
	}
}

func TestLooksHaveTheirPrice(t *testing.T) {
	plain := examine(t, look("sympodial-orchid", "leaf.wrinkled"))
	price := func(c *Case, d Disturbance) float64 { return c.price(Sign{Minutes: 5, Disturbance: d}) }
	for d, want := range map[Disturbance]float64{Look: 7, Touch: 8, Lift: 10, Unpot: 27} {
		assert.InDelta(t, want, price(plain, d), 1e-12)
	}
	fragile := look("sympodial-orchid", "leaf.wrinkled")
	fragile.Fragile = true
	assert.InDelta(t, 47, price(examine(t, fragile), Unpot), 1e-12, "an unpotting costs double")
	assert.InDelta(t, 47, price(examine(t, look("sympodial-orchid", "root.few-live")), Unpot), 1e-12)
}

func TestAtMostOneCheckAsksForItsPast(t *testing.T) {
	for _, h := range plant.Habits() {
		for _, sign := range []string{"leaf.tips-brown", "leaf.drooping", "leaf.yellow-few-oldest", "new.stalled"} {
			if !Fits(sign, h) {
				continue
			}
			checks := examine(t, look(h.ID, sign)).NextChecks()
			assert.LessOrEqual(t, len(checks), 3)
			past := 0
			for _, k := range checks {
				s, _ := SignByID(k.Sign)
				if history(s) {
					past++
				}
				assert.True(t, k.RulesOut != "" || k.Worth >= 0.004 || slices.Contains([]string{
					"leaves", "undersides", "joints", "new", "base", "surface", "stem",
				}, s.Zone), k.Sign)
			}
			assert.LessOrEqual(t, past, 1, "%s: %s", h.ID, sign)
		}
	}
}

func TestWhatNobodyKnowsIsNotAskedAgain(t *testing.T) {
	e := look("aroid-vine", "leaf.drooping", "med.wet-long")
	first := examine(t, e).NextChecks()[0].Sign
	e.Unknown = []string{first}
	c := examine(t, e)
	assert.InDelta(t, examine(t, look("aroid-vine", e.Present...)).Chance("root-rot"), c.Chance("root-rot"), 1e-12)
	for _, k := range c.NextChecks() {
		assert.NotEqual(t, first, k.Sign)
	}
	for _, turn := range c.Turns() {
		assert.NotEqual(t, first, turn.Sign)
	}
}

func TestAtASaleOnlyWhatAStrangerSeesIsAsked(t *testing.T) {
	for _, k := range examine(t, look("aroid-vine", "leaf.drooping", "med.wet-long")).ChecksAtSale() {
		s, _ := SignByID(k.Sign)
		assert.True(t, seenAtSale(s), k.Sign)
	}
	for id, want := range map[string]bool{
		"care.regulator": true, "care.water-often": false, "course.one-side": true, "course.sudden": false,
		"course.oldest-only": true, "course.neighbours": true, "place.cold": false, "leaf.drooping": true,
		"root.mushy": false, "root.smell": true, "med.wet-long": false, "leaf.pale-overall": false, "new.stalled": false,
	} {
		s, _ := SignByID(id)
		assert.Equal(t, want, seenAtSale(s), id)
	}
}

func TestWhatWouldChangeOnesMindDoes(t *testing.T) {
	e := look("aroid-vine", "leaf.drooping", "leaf.yellow-few-oldest", "med.wet-long")
	c := examine(t, e)
	turns := c.Turns()
	require.NotEmpty(t, turns)
	lead := c.Causes()[0]
	for _, turn := range turns {
		after := e.without(turn.Sign)
		if turn.Present {
			after = look("aroid-vine", append(slices.Clone(e.Present), turn.Sign)...)
		}
		assert.InDelta(t, examine(t, after).Chance(lead.ID), turn.Falls, 0.15, turn.Sign)
		assert.True(t, turn.Leads.ID != lead.ID || turn.Falls < lead.Chance/2, turn.Sign)
		assert.GreaterOrEqual(t, turn.Answer, 0.03)
	}
	assert.LessOrEqual(t, len(turns), 3)
	// Both sides of the chance from which there is something to overthrow.
	for chance, want := range map[float64]bool{0.199: false, 0.20: true} {
		c := made(t, look("aroid-vine"), map[string]float64{"breakage": chance})
		falls := slices.ContainsFunc(c.Turns(), func(turn Turn) bool { return !turn.Present })
		assert.Equal(t, want, falls, chance)
	}
	// Where nothing is likely before or after, there is no mind to change.
	for _, h := range plant.Habits() {
		c := examine(t, wholeLook(h.ID))
		for _, turn := range c.Turns() {
			assert.GreaterOrEqual(t, max(c.ranked[0].Chance, turn.Leads.Chance), 0.20, "%s: %s", h.ID, turn.Sign)
		}
	}
}

func TestAGuideGoesFromTheOutsideInAndFitsItsTime(t *testing.T) {
	for _, h := range plant.Habits() {
		for at, seconds := range map[Occasion]int{AtHome: 180, AtSale: 120} {
			guide := Standard().Guide(h, climate.Winter, at)
			asked, before := 0, -1
			for _, ask := range guide {
				place := slices.IndexFunc(zones, func(z Zone) bool { return z.ID == ask.Zone })
				assert.Greater(t, place, before, "%s: parts in order", h.ID)
				before = place
				for _, id := range ask.Signs {
					s, ok := SignByID(id)
					require.True(t, ok)
					assert.Equal(t, ask.Zone, s.Zone)
					assert.Less(t, s.Disturbance, Unpot, "a first look leaves the roots alone")
					assert.True(t, Fits(id, h), "%s on %s", id, h.ID)
				}
				asked += len(ask.Signs)
				assert.LessOrEqual(t, len(ask.Signs), 6)
				for _, id := range ask.Quiet {
					s, ok := SignByID(id)
					require.True(t, ok)
					assert.Equal(t, ask.Zone, s.Zone)
					assert.Less(t, s.Disturbance, Unpot)
					assert.False(t, s.Good || s.Source != FromLook, "nothing amiss does not deny %s", id)
				}
			}
			assert.LessOrEqual(t, asked*secondsPerAnswer, seconds, "%s at %s", h.ID, at)
			assert.Greater(t, asked, 20)
			assert.Equal(t, "stance", guide[0].Zone)
		}
	}
	assert.Empty(t, Standard().Guide(plant.Habit{ID: "moss"}, "", AtHome))
}

func TestLooksAtOnePartAreTakenTogether(t *testing.T) {
	assert.Equal(t, 1, Minutes([]string{"leaf.tips-brown", "leaf.edges-brown", "leaf.crisp"}))
	assert.Equal(t, 3, Minutes([]string{"leaf.tips-brown", "leaf.stippling", "leaf.blue"}))
	assert.Equal(t, 0, Minutes(nil))
}
