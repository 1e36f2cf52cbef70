package treatment

import (
	"fmt"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/recovery"
)

var firstDay = day.Of(2026, time.November, 24)

// known is what each step does, whichever protocol brings it.
var known = func() map[string]template {
	m := map[string]template{}
	for _, p := range protocols {
		for _, t := range p.steps {
			m[t.id] = t
		}
	}
	return m
}()

func TestProtocolsHoldTogether(t *testing.T) {
	ids := map[string]bool{}
	treated := map[string]bool{}
	for _, p := range protocols {
		assert.False(t, ids[p.id], "%s stands twice", p.id)
		ids[p.id] = true
		_, ok := recovery.TrackByID(p.track)
		assert.True(t, ok, "track %q of %s", p.track, p.id)
		for _, words := range []string{p.name, p.expect, p.ends, p.wrong} {
			assert.NotEmpty(t, words, p.id)
		}
		for _, id := range p.causes {
			_, ok := diagnosis.CauseByID(id)
			assert.True(t, ok, "%s of %s", id, p.id)
			treated[id] = true
		}
		steps := map[string]bool{}
		for _, s := range p.steps {
			assert.False(t, steps[s.id], "%s stands twice in %s", s.id, p.id)
			steps[s.id] = true
			_, ok := phaseRank[s.phase]
			assert.True(t, ok, "phase %q of %s", s.phase, s.id)
			assert.NotEmpty(t, s.how, s.id)
			assert.Positive(t, s.minutes, s.id)
			assert.True(t, s.day < 28 || s.gate != "" || s.phase == "repeats" || s.phase == "daily-watch" || s.id == "decide-keeping", "a late step waits for something seen: %s", s.id)
			if s.move != "" {
				_, ok := diagnosis.MoveByID(s.move)
				assert.True(t, ok, "move %q of %s", s.move, s.id)
			}
			for _, c := range s.cautions {
				assert.NotEmpty(t, cautions[c], "caution %q of %s", c, s.id)
			}
			if s.does&sprays != 0 || s.move == "systemic" || s.move == "fungicide" {
				assert.Contains(t, s.cautions, "pesticide", s.id)
			}
		}
	}
	for _, c := range diagnosis.Causes() {
		assert.True(t, treated[c.ID], "nothing is said about treating %s", c.ID)
	}
	for _, id := range []string{"P1", "P2", "P3", "P4", "P5", "P6", "P7", "P8", "P9", "P10", "P11", "P12", "P13", "P14", "P15", "P16", "P17", "P18", "P19", "P20", "P21", "P22", "P23", "S1", "S2", "S3", "S4", "S5", "S6"} {
		assert.True(t, ids[id], "protocol %s", id)
	}
}

// Over all causes alone, in pairs and in triples, on all habits: there is a
// plan; every cause is seen to or its step was taken out by a rule that says
// so; within a day phases stand in working order; no step contradicts another;
// nothing harms an accepted cause by 3 or more, unless what kills within days
// needs it and the plan says so; what cannot be done is not there.
func TestEveryPlanOfUpToThreeCausesIsSound(t *testing.T) {
	ids := []string{}
	for _, c := range diagnosis.Causes() {
		ids = append(ids, c.ID)
	}
	for _, h := range plant.Habits() {
		t.Run(h.ID, func(t *testing.T) {
			t.Parallel()
			plans := 0
			no := false
			for a := range ids {
				for b := a; b < len(ids); b++ {
					for c := b; c < len(ids); c++ {
						if b == a && c != b { // {a, a, c} stands as {a, c, c}
							continue
						}
						causes := []string{ids[a]}
						if b != a {
							causes = append(causes, ids[b])
						}
						if c != b {
							causes = append(causes, ids[c])
						}
						s := Situation{Habit: h, Causes: causes, Start: firstDay, Season: climate.Seasons[(a+b+c)%4]}
						if plans%2 == 0 {
							s.Answers.InSpike = &no
						}
						p, err := Compose(s)
						require.NoError(t, err)
						if fault := unsound(s, p); fault != "" {
							require.Fail(t, fault, "%v on %s in %s", causes, h.ID, s.Season)
						}
						plans++
					}
				}
			}
			t.Logf("%d plans", plans)
		})
	}
}

// unsound says what is wrong with a plan; empty when nothing is. It looks at the
// finished plan alone, by what its steps are known to do.
func unsound(s Situation, p Plan) string {
	if len(p.Steps) == 0 {
		return "no step"
	}
	if _, ok := recovery.TrackByID(p.Track); !ok {
		return "no track " + p.Track
	}
	rule := map[string]bool{}
	for _, r := range p.Rules {
		if r.Why == "" {
			return "rule without a reason: " + r.ID
		}
		rule[r.ID] = true
	}
	seen := map[string]bool{}
	var all does
	for i, step := range p.Steps {
		if seen[step.ID] {
			return step.ID + " stands twice"
		}
		seen[step.ID] = true
		if i > 0 && (p.Steps[i-1].On > step.On || p.Steps[i-1].On == step.On && phaseRank[p.Steps[i-1].Phase] > phaseRank[step.Phase]) {
			return step.ID + " stands out of order"
		}
		if len(step.Reasons) == 0 {
			return step.ID + " has no reason"
		}
		t := known[step.ID]
		doing := t.does
		if doing&closesAir != 0 && step.Title == "A cover open at the sides" {
			doing &^= closesAir
		}
		all |= doing
		if m, ok := diagnosis.MoveByID(t.move); ok {
			for _, cause := range s.Causes {
				waited := doing&sprays != 0 && step.On >= s.Start+5
				if m.Effects[cause] <= -3 && !rule["R1-"+step.ID] && !waited {
					return fmt.Sprintf("%s harms %s", step.ID, cause)
				}
			}
		}
		if s.Answers.InSpike != nil && !*s.Answers.InSpike && (step.ID == "strip-spikes" || step.ID == "keep-one-spike") {
			return "a spike is cut where there is none"
		}
		if step.ID == "cup" && !s.Habit.Orchid {
			return "a water bridge for no orchid"
		}
	}
	switch {
	case all&waters != 0 && all&holdsWater != 0:
		return "water is given and held back"
	case all&closesAir != 0 && all&driesLeaf != 0:
		return "leaves are to be dry in closed air"
	case all&feeds != 0 && all&holdsFeed != 0:
		return "feed is given and held back"
	case all&waters != 0 && all&cutsRoot != 0:
		return "fresh cuts are soaked"
	}
	return ""
}

func TestARuleCanBeSetAside(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	s := Situation{Habit: vine, Causes: []string{"nitrogen-low", "settling-in"}, Start: firstDay}
	p, err := Compose(s)
	require.NoError(t, err)
	has := func(p Plan, id string) bool {
		for _, step := range p.Steps {
			if step.ID == id {
				return true
			}
		}
		return false
	}
	assert.False(t, has(p, "feed"))
	s.Answers.Overruled = []string{"R4"}
	p, err = Compose(s)
	require.NoError(t, err)
	assert.True(t, has(p, "feed"), "the carer decides")
	overruled := false
	for _, r := range p.Rules {
		overruled = overruled || r.ID == "R4" && r.Overruled
	}
	assert.True(t, overruled, "and the plan says so")
}

func TestWhatCannotBeUndoneWaitsForASecondLook(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	s := Situation{Habit: vine, Causes: []string{"pot-bound"}, Start: firstDay, Chances: map[string]float64{"pot-bound": 0.45}}
	held := func(s Situation, id string) string {
		p, err := Compose(s)
		require.NoError(t, err)
		for _, step := range p.Steps {
			if step.ID == id {
				return step.If
			}
		}
		return "no such step"
	}
	assert.Contains(t, held(s, "pot-up"), "second look still says")
	s.Chances["pot-bound"] = 0.9
	assert.Empty(t, held(s, "pot-up"))
	s.Chances["settling-in"] = 0.2
	assert.Contains(t, held(s, "pot-up"), "rules out", "repotting harms what may be settling in")
	rot := Situation{Habit: vine, Causes: []string{"root-rot"}, Start: firstDay, Chances: map[string]float64{"root-rot": 0.4, "settling-in": 0.3}}
	assert.Empty(t, held(rot, "tally"), "rot does not wait")
}

func TestInsuranceIsTakenWhereOddsArePoorAndForbiddenWhereItSpreads(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	steps := func(causes ...string) (ids map[string]bool, rules map[string]bool) {
		p, err := Compose(Situation{Habit: vine, Causes: causes, Start: firstDay})
		require.NoError(t, err)
		ids, rules = map[string]bool{}, map[string]bool{}
		for _, s := range p.Steps {
			ids[s.ID] = true
		}
		for _, r := range p.Rules {
			rules[r.ID] = true
		}
		return ids, rules
	}
	ids, _ := steps("base-rot")
	assert.True(t, ids["insurance-piece"])
	ids, rules := steps("virus")
	assert.False(t, ids["insurance-piece"])
	assert.True(t, rules["P23"], "and the plan says why")
	ids, _ = steps("dry-air")
	assert.False(t, ids["insurance-piece"])
}

func TestTheHouseholdIsSpared(t *testing.T) {
	vine, _ := plant.HabitByID("aroid-vine")
	home := Household{Children: true, Pets: true, Pollinators: true, Asthma: true}
	s := Situation{Habit: vine, Causes: []string{"mealybug"}, Start: firstDay, Household: home, Answers: Answers{PestFirst: "systemic"}}
	p, err := Compose(s)
	require.NoError(t, err)
	warned := map[string]bool{}
	for _, step := range p.Steps {
		assert.NotEqual(t, "systemic", step.ID, "bees reach it")
	}
	for _, c := range p.Cautions {
		warned[c.ID] = true
	}
	assert.True(t, warned["children"] && warned["pets"])
	s.Answers.PestFirst = "soap"
	p, err = Compose(s)
	require.NoError(t, err)
	asthma := false
	for _, c := range p.Cautions {
		asthma = asthma || c.ID == "asthma"
	}
	assert.True(t, asthma)
	s.Household = Household{}
	p, err = Compose(s)
	require.NoError(t, err)
	for _, c := range p.Cautions {
		assert.NotContains(t, []string{"asthma", "children", "pets"}, c.ID)
	}
}

func TestChoicesHaveTwoSidesAndAreKept(t *testing.T) {
	for _, c := range choices {
		assert.GreaterOrEqual(t, len(c.Sides), 2, c.ID)
		for _, side := range c.Sides {
			assert.NotEmpty(t, side.For, side.ID)
			assert.NotEmpty(t, side.But, side.ID)
		}
	}
	vine, _ := plant.HabitByID("aroid-vine")
	s := Situation{Habit: vine, Causes: []string{"root-rot"}, Start: firstDay}
	asked := []string{}
	for _, c := range ChoicesFor(s) {
		asked = append(asked, c.ID)
	}
	assert.Equal(t, []string{"rootWash", "dryRoots"}, asked)
	s.Answers.DryRoots = "keep"
	p, err := Compose(s)
	require.NoError(t, err)
	for _, step := range p.Steps {
		assert.NotEqual(t, "tally", step.ID, "dry-looking roots are kept")
	}
}
