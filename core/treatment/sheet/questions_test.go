package sheet_test

import (
	"encoding/json"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/compose"
	"tendermend/core/treatment/sheet"
)

func asksFor(s treatment.Situation, a sheet.Answers) (ids []string) {
	for _, q := range sheet.QuestionsFor(s, a) {
		ids = append(ids, q.ID)
	}
	return ids
}

// Of every kind: five questions at most, each of them changes the plan, none is asked
// of what is known, and none again that nobody can answer.
func TestWhatIsAskedChangesThePlanAndNothingElseIs(t *testing.T) {
	for i, k := range plant.Profiles() {
		if i%(31*every) != 0 {
			continue
		}
		for _, id := range []cause.ID{cause.RootRot, cause.Drought, cause.SpiderMite} {
			c, _ := cause.ByID(id)
			if !c.Fits(k.Habit) {
				continue
			}
			s := situation(k.ID, id)
			base, err := compose.Plan(s)
			require.NoError(t, err)
			questions := sheet.QuestionsFor(s, sheet.Answers{})
			assert.LessOrEqual(t, len(questions), sheet.MostQuestions)
			var all []string
			for _, q := range questions {
				all = append(all, q.ID)
				changes := false
				for i, answer := range q.Answers {
					other := s
					answer.Says.Tell(&other.Facts, s.On)
					p, err := compose.Plan(other)
					require.NoError(t, err)
					changes = changes || !sameSteps(t, base, p)
					if i == 0 {
						assert.NotContains(t, asksFor(s, answer.Says), q.ID, "%s: it was answered", k.ID)
					}
				}
				assert.True(t, changes, "%s, %s: %s changes nothing", k.ID, id, q.ID)
				assert.NotEmpty(t, q.Taken, "%s says what is taken", q.ID)
			}
			for _, again := range asksFor(s, sheet.Answers{Unknown: all}) {
				assert.NotContains(t, all, again, "%s: nobody knows it", k.ID)
			}
		}
	}
}

func sameSteps(t *testing.T, a, b treatment.Plan) bool {
	t.Helper()
	x, err := json.Marshal(a.Sittings)
	require.NoError(t, err)
	y, err := json.Marshal(b.Sittings)
	require.NoError(t, err)
	return string(x) == string(y)
}

func TestWhatNobodyKnowsIsTakenAndSaid(t *testing.T) {
	s := situation("phalaenopsis-hybrid", cause.RootRot)
	made, err := sheet.Of(s, sheet.Answers{Unknown: []string{"roots", "seat"}})
	require.NoError(t, err)
	rule := func(id string) string {
		i := slices.IndexFunc(made.Sheet.Rules, func(r sheet.Rule) bool { return r.ID == id })
		require.GreaterOrEqual(t, i, 0, id)
		return made.Sheet.Rules[i].Why
	}
	assert.Contains(t, rule("taken-roots"), "three of ten")
	assert.Contains(t, rule("taken-seat"), "a pot")
}

// A plan that gives the plant another seat or another sort of medium says so first.
func TestAPlanSaysFirstWhatItChanges(t *testing.T) {
	s := situation("phalaenopsis-hybrid", cause.RootRot)
	s.Facts.Seat, s.Facts.MediumClass = facts.Said(facts.InPot), facts.Said(facts.Bark)
	said := func(school string) (ids []string) {
		made, err := sheet.Of(s, sheet.Answers{School: school})
		require.NoError(t, err)
		for _, r := range made.Sheet.Rules {
			if r.ID == "changes-seat" || r.ID == "changes-medium" {
				ids = append(ids, r.ID)
			}
		}
		return ids
	}
	assert.Empty(t, said("S0"), "the same pot, the same sort of mix")
	assert.Equal(t, []string{"changes-medium"}, said("S4"), "into moss")
}

// A list without anything in it is written as a list.
func TestAPlanWithoutRulesHasAnEmptyList(t *testing.T) {
	made, err := sheet.Of(situation("epipremnum-aureum", cause.OldLeaf), sheet.Answers{})
	require.NoError(t, err)
	assert.NotNil(t, made.Sheet.Rules)
}

// What holds root work back can be set aside with a reason, which the plan says; the
// work has its day then.
func TestAHoldIsSetAsideWithItsReason(t *testing.T) {
	s := situation("cattleya-labiata", cause.MediumCollapsed)
	s.Facts.LiveTips, s.Facts.LiveRoots, s.Facts.DeadRoots = facts.Said(0.0), facts.Said(8.0), facts.Said(1.0)
	s.On = day.Of(2026, 12, 10)
	held := func(a sheet.Answers) (held, dated bool, rules []sheet.Rule) {
		made, err := sheet.Of(s, a)
		require.NoError(t, err)
		for _, sit := range made.Sheet.Sittings {
			held = held || sit.Held != ""
		}
		for _, step := range made.Sheet.Steps {
			dated = dated || step.Op == string(treatment.Unpot) && step.Gate == ""
		}
		return held, dated, made.Sheet.Rules
	}
	is, dated, _ := held(sheet.Answers{})
	assert.True(t, is)
	assert.False(t, dated)
	is, dated, rules := held(sheet.Answers{SetAside: "it stinks"})
	assert.False(t, is)
	assert.True(t, dated)
	i := slices.IndexFunc(rules, func(r sheet.Rule) bool { return r.ID == "set-aside" })
	require.GreaterOrEqual(t, i, 0)
	assert.Equal(t, "It stinks", rules[i].Why)
	is, _, _ = held(sheet.Answers{SetAside: "  "})
	assert.True(t, is, "no reason sets nothing aside")
}
