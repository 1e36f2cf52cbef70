package sheet_test

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/sheet"
)

func p[T any](v T) *T { return &v }

func situation(kind string, causes ...cause.ID) treatment.Situation {
	return treatment.Situation{Kind: kind, Causes: causes, On: day.Of(2026, 10, 10)}
}

func made(t *testing.T, s treatment.Situation, a sheet.Answers) sheet.Made {
	t.Helper()
	m, err := sheet.Of(s, a)
	require.NoError(t, err)
	return m
}

// Every kind with a rot and with a pest: every step has one id, its day, its
// sitting, a title and a known caution; everything it needs is laid out first.
func TestEverySheetIsWhole(t *testing.T) {
	for _, k := range plant.Profiles() {
		for _, id := range []cause.ID{cause.RootRot, cause.Mealybug} {
			c, _ := cause.ByID(id)
			if !c.Fits(k.Habit) {
				continue
			}
			s := situation(k.ID, id)
			m := made(t, s, sheet.Answers{RootBallCM: p(8.0), PotWidthCM: p(14.0)})
			ids, letters := map[string]bool{}, map[string]bool{}
			for _, x := range m.Sheet.Cautions {
				letters[x.ID] = true
				assert.NotEmpty(t, x.Text)
			}
			for _, x := range m.Sheet.Steps {
				assert.False(t, ids[x.ID], "%s: %s twice", k.ID, x.ID)
				ids[x.ID] = true
				assert.GreaterOrEqual(t, x.On, s.On)
				assert.NotEmpty(t, x.Title, x.ID)
				require.Positive(t, x.Sitting, x.ID)
				sit := m.Sheet.Sittings[x.Sitting-1]
				assert.Subset(t, sit.LayOut, x.Materials, "%s: %s", k.ID, x.ID)
				for _, l := range x.Cautions {
					assert.True(t, letters[l], "%s: caution %s of %s has no words", k.ID, l, x.ID)
				}
				for _, a := range x.Amounts {
					assert.NotEmpty(t, a.Working.Formula, x.ID)
					assert.NotEmpty(t, a.Working.Source, x.ID)
				}
			}
			for _, sit := range m.Sheet.Sittings {
				waits := slices.ContainsFunc(sit.Waits, func(c gate.Condition) bool {
					return c.Is != gate.Days && c.Is != gate.Season
				})
				assert.Equal(t, waits, sit.Else != "", "%s: %s: says what is done where it does not come", k.ID, sit.Gate)
			}
			assert.NotEmpty(t, m.Sheet.Expect, k.ID)
			assert.NotEmpty(t, m.Sheet.Ends, k.ID)
			assert.Empty(t, m.Breaches, k.ID)
		}
	}
}

func TestAChangedPlanSaysWhatItGoesAgainst(t *testing.T) {
	s := situation("monstera-deliciosa", cause.RootRot)
	a := sheet.Answers{
		RootBallCM: p(8.0),
		PotWidthCM: p(14.0),
		Edits:      []sheet.Edit{{Step: "ready-pot@d0", PotWidthCM: p(30.0)}},
	}
	m := made(t, s, a)
	require.NotEmpty(t, m.Breaches)
	for _, b := range m.Breaches {
		assert.Empty(t, b.Reason)
	}
	a.Edits[0].Reason = "it is all there is"
	for _, b := range made(t, s, a).Breaches {
		assert.Empty(t, b.Reason, "it names no rule")
		a.Edits[0].Against = append(a.Edits[0].Against, string(b.Rule))
	}
	for _, b := range made(t, s, a).Breaches {
		assert.Equal(t, "it is all there is", b.Reason)
		assert.Equal(t, "ready-pot@d0", b.Edit)
	}
	a.Edits = append(a.Edits, sheet.Edit{Step: "clean-blade@d0", LeaveOut: true})
	both := made(t, s, a).Breaches
	blade := slices.IndexFunc(both, func(b check.Breach) bool { return b.Edit == "clean-blade@d0" })
	require.GreaterOrEqual(t, blade, 0)
	assert.Empty(t, both[blade].Reason, "the reason of another pot is not that of a dirty blade")
	assert.Equal(t, len(both)-1, len(slices.DeleteFunc(slices.Clone(both), func(b check.Breach) bool {
		return b.Reason == ""
	})), "and the pot keeps its own")
	a.Edits = []sheet.Edit{{Step: "clean-blade@d0", LeaveOut: true}}
	left := made(t, s, a)
	require.NotEmpty(t, left.Breaches)
	assert.Equal(t, treatment.RuleID(treatment.NeverBladeUnclean), left.Breaches[0].Rule)
	a.Edits = []sheet.Edit{{Step: "no-such@d0", LeaveOut: true}}
	assert.Empty(t, made(t, s, a).Breaches)
}

// on is the day of the plan on which an operator comes first; -1 where it does not.
func on(m sheet.Made, op treatment.OperatorID) int {
	for _, x := range m.Sheet.Steps {
		if x.Op == string(op) && x.Of == "" {
			return int(x.On - m.Situation.On)
		}
	}
	return -1
}

// Another day for the work on the roots is one for all that hangs on it: its water comes as many days later, and all
// keep their names. Rot that lives waits for no wish: the nearest day is taken and told, or a reason given.
func TestWhatHangsOnAMovedSittingMovesAlong(t *testing.T) {
	sound := situation("monstera-deliciosa", cause.MediumCollapsed)
	a := sheet.Answers{RootBallCM: p(8.0), PotWidthCM: p(14.0)}
	before := made(t, sound, a)
	require.NotEqual(t, -1, on(before, treatment.FirstWater))
	late := on(before, treatment.FirstWater) - on(before, treatment.Unpot)
	unpot := slices.IndexFunc(before.Sheet.Steps, func(x sheet.Step) bool { return x.Op == "unpot" })
	a.Edits = []sheet.Edit{{Step: before.Sheet.Steps[unpot].ID, Day: p(6)}}
	after := made(t, sound, a)
	assert.Empty(t, after.Breaches)
	assert.Equal(t, 6, on(after, treatment.Unpot))
	assert.Equal(t, 6, on(after, treatment.PotIn))
	assert.Equal(t, 6+late, on(after, treatment.FirstWater))
	names := map[string]bool{}
	for _, x := range after.Sheet.Steps {
		assert.False(t, names[x.ID], x.ID)
		names[x.ID] = true
	}
	for _, x := range before.Sheet.Steps {
		if x.Op == string(treatment.FirstWater) || x.Op == string(treatment.PotIn) {
			assert.True(t, names[x.ID], "%s keeps its name", x.ID)
		}
	}

	rot := situation("monstera-deliciosa", cause.RootRot)
	a.Edits = []sheet.Edit{{Step: "unpot@d0", Day: p(3)}}
	near := made(t, rot, a)
	assert.Empty(t, near.Breaches)
	assert.Equal(t, 1, on(near, treatment.Unpot))
	said := slices.IndexFunc(near.Sheet.Rules, func(x sheet.Rule) bool { return strings.Contains(x.Why, "(N83)") })
	require.GreaterOrEqual(t, said, 0)
	assert.Contains(t, near.Sheet.Rules[said].Why, "it comes on day 1")
	a.Edits[0].Reason, a.Edits[0].Against = "I am away", []string{"N83"}
	meant := made(t, rot, a)
	assert.Equal(t, 3, on(meant, treatment.Unpot))
	require.Len(t, meant.Breaches, 1)
	assert.Equal(t, "I am away", meant.Breaches[0].Reason)
	look := slices.IndexFunc(meant.Sheet.Steps, func(x sheet.Step) bool { return x.Op == "look" && x.Gate == "" })
	require.GreaterOrEqual(t, look, 0)
	id, want := meant.Sheet.Steps[look].ID, int(meant.Sheet.Steps[look].On-rot.On)+1
	a.Edits = append(a.Edits, sheet.Edit{Step: id, Day: &want})
	both := made(t, rot, a)
	at := slices.IndexFunc(both.Sheet.Steps, func(x sheet.Step) bool { return x.ID == id })
	require.GreaterOrEqual(t, at, 0)
	assert.Equal(t, want, int(both.Sheet.Steps[at].On-rot.On), "what was meant keeps no other from its day")
}

// What is left out takes along what is done for it alone; what is cut for rot, a home and water it never does.
func TestWhatIsLeftOutTakesItsOwnAlong(t *testing.T) {
	leaves := made(t, situation("anthurium-scherzerianum", cause.GreyMould), sheet.Answers{})
	blade := slices.IndexFunc(leaves.Sheet.Steps, func(x sheet.Step) bool { return x.Op == "clean-blade" })
	require.GreaterOrEqual(t, blade, 0)
	a := sheet.Answers{Edits: []sheet.Edit{{Step: leaves.Sheet.Steps[blade].ID, LeaveOut: true}}}
	without := made(t, situation("anthurium-scherzerianum", cause.GreyMould), a)
	assert.Empty(t, without.Breaches)
	assert.Equal(t, -1, on(without, treatment.RemoveLeaves))
	assert.True(t, slices.ContainsFunc(without.Sheet.Rules, func(x sheet.Rule) bool {
		return strings.Contains(x.Why, "which you leave out")
	}))
}

// A sitting that waits for something to be seen has no day to be set: that is said.
func TestADayForWhatWaitsIsRefusedInWords(t *testing.T) {
	s := situation("epipremnum-aureum", cause.Mealybug)
	for _, step := range made(t, s, sheet.Answers{}).Sheet.Steps {
		if step.Gate == "" {
			continue
		}
		day := 3
		m := made(t, s, sheet.Answers{Edits: []sheet.Edit{{Step: step.ID, Day: &day}}})
		said := slices.ContainsFunc(m.Sheet.Rules, func(r sheet.Rule) bool {
			return strings.Contains(r.What, "nother day") && strings.Contains(r.Why, step.Gate)
		})
		assert.True(t, said, "%s: %v", step.ID, m.Sheet.Rules)
		return
	}
	assert.Fail(t, "no step waits for anything")
}

// A choice that changes nothing is not shown; every side shown changes the plan
// and breaks nothing.
func TestChoicesShownMatter(t *testing.T) {
	offered := 0
	for i, k := range plant.Profiles() {
		if i%29 != 0 {
			continue
		}
		for _, id := range []cause.ID{cause.RootRot, cause.Mealybug, cause.Thrips, cause.FungusGnat} {
			c, _ := cause.ByID(id)
			if !c.Fits(k.Habit) {
				continue
			}
			s := situation(k.ID, id)
			for _, choice := range sheet.ChoicesFor(s, sheet.Answers{}) {
				plans := map[string]bool{}
				for _, side := range choice.Sides {
					offered++
					raw, err := json.Marshal(map[string]string{choice.ID: side.ID})
					require.NoError(t, err)
					var a sheet.Answers
					require.NoError(t, json.Unmarshal(raw, &a))
					m := made(t, s, a)
					assert.Empty(t, m.Breaches, "%s %s %s", k.ID, id, side.ID)
					steps, err := json.Marshal(m.Sheet.Steps)
					require.NoError(t, err)
					plans[string(steps)] = true
				}
				assert.Greater(t, len(plans), 1, "%s %s: %s changes nothing", k.ID, id, choice.ID)
			}
		}
	}
	assert.Positive(t, offered)
}

func TestRepeatedStepsEndByDayOrByWhatIsSeen(t *testing.T) {
	on := day.Of(2026, 10, 10)
	for until, want := range map[string]day.Day{"d35": on + 35, "d0": on, "14 d": on + 21} {
		last, known := sheet.Step{On: on + 7, Until: until}.EndsOn(on)
		assert.True(t, known, until)
		assert.Equal(t, want, last, until)
	}
	for _, until := range []string{"", "2 new leaves", "growth", "day 4"} {
		_, known := sheet.Step{On: on, Until: until}.EndsOn(on)
		assert.False(t, known, until)
	}
}

func TestShoppingAddsUpAndLeavesOutWhatIsNotBought(t *testing.T) {
	m := made(
		t,
		situation("phalaenopsis-hybrid", cause.MediumCollapsed, cause.Mealybug),
		sheet.Answers{RootBallCM: p(9.0), PotWidthCM: p(12.0), LiveRoots: p(9), DeadRoots: p(2)},
	)
	price := 0.9
	list := sheet.Shopping(m.Sheet.Steps, []sheet.Item{{Name: "medium bark", Unit: "l", Stock: 0.1, Price: &price}})
	seen := map[string]sheet.Need{}
	for _, n := range list {
		assert.Contains(t, []string{"ml", "l", "g", "kg", "pieces"}, n.Unit, n.What)
		assert.NotContains(t, seen, n.What)
		seen[n.What] = n
	}
	total := 0.0
	for _, x := range m.Sheet.Steps {
		for _, a := range x.Amounts {
			if a.What == "medium bark" {
				total += map[string]float64{"ml": 0.001, "l": 1}[a.Unit] * a.Value
			}
		}
	}
	bark := seen["medium bark"]
	scale := map[string]float64{"ml": 1000, "l": 1}[bark.Unit]
	require.Positive(t, total, fmt.Sprint(list))
	assert.InEpsilon(t, total*scale, bark.Need, 1e-6)
	assert.InEpsilon(t, total*scale-0.1*scale, bark.Buy, 1e-6)
}

func TestGnatsAreMetByTheSideChosen(t *testing.T) {
	s := situation("monstera-deliciosa", cause.FungusGnat)
	for side, want := range map[string][]string{
		"":          {"dry-top", "larvicide"},
		"grit":      {"top-dress", "larvicide"},
		"larvicide": {"larvicide"},
	} {
		var ops []string
		for _, x := range made(t, s, sheet.Answers{Gnats: side}).Sheet.Steps {
			switch x.Op {
			case "dry-top", "top-dress", "larvicide":
				ops = append(ops, x.Op)
			}
		}
		assert.ElementsMatch(t, want, ops, side)
	}
	i := slices.IndexFunc(sheet.ChoicesFor(s, sheet.Answers{}), func(c sheet.Choice) bool { return c.ID == "gnats" })
	require.GreaterOrEqual(t, i, 0)
	assert.Len(t, sheet.ChoicesFor(s, sheet.Answers{})[i].Sides, 3)
}

// The usual side is the one whose plan is made where nobody chose; where none is usual,
// every side makes another plan.
func TestTheUsualSideOfAChoiceIsThePlanWithoutOne(t *testing.T) {
	usual := map[string]bool{}
	try := func(kind string, wish treatment.Wish, causes ...cause.ID) {
		s := situation(kind, causes...)
		none := made(t, s, sheet.Answers{Wish: wish}).Sheet.Steps
		for _, choice := range sheet.ChoicesFor(s, sheet.Answers{Wish: wish}) {
			for _, side := range choice.Sides {
				raw, err := json.Marshal(map[string]any{"wish": wish, choice.ID: side.ID})
				require.NoError(t, err)
				var a sheet.Answers
				require.NoError(t, json.Unmarshal(raw, &a))
				same := reflect.DeepEqual(none, made(t, s, a).Sheet.Steps)
				assert.Equal(t, side.ID == choice.Usual, same, "%s %v: %s %s", kind, causes, choice.ID, side.ID)
			}
			usual[choice.ID+" "+choice.Usual] = true
		}
	}
	for i, k := range plant.Profiles() {
		if i%(13*every) != 0 && k.ID != "epipremnum-aureum" {
			continue
		}
		try(k.ID, treatment.Propagate)
		try(k.ID, treatment.SetupChange)
		for _, id := range []cause.ID{cause.RootRot, cause.Thrips} {
			if c, _ := cause.ByID(id); c.Fits(k.Habit) {
				try(k.ID, "", id)
			}
		}
	}
	assert.True(t, usual["multiplyBy node-cutting"], "which stands behind a tip in the list: %v", usual)
	assert.True(t, usual["pestFirst "], "of a kind whose leaves take no soap: %v", usual)
}

// A change is told by the name of its step and where that stood, whatever is left of the
// plan: no reader of a plan has to remember what was in it.
func TestChangesAreNamedWhateverIsLeftOfThePlan(t *testing.T) {
	s := situation("monstera-deliciosa", cause.RootRot)
	a := sheet.Answers{RootBallCM: p(8.0), PotWidthCM: p(14.0)}
	whole := made(t, s, a)
	assert.Empty(t, whole.Edited)
	last := whole.Sheet.Sittings[len(whole.Sheet.Sittings)-1].N
	require.Greater(t, last, 1)
	alone := func(of sheet.Step) bool {
		return !slices.ContainsFunc(whole.Sheet.Steps, func(x sheet.Step) bool {
			return x.Sitting == of.Sitting && x.ID != of.ID
		})
	}
	for _, step := range whole.Sheet.Steps {
		one := a
		one.Edits = []sheet.Edit{{Step: step.ID, LeaveOut: true}, {Step: "no-such@d0", LeaveOut: true}}
		changed := made(t, s, one)
		edited := changed.Edited
		require.Len(t, edited, 1, "what is not in the plan changes nothing")
		assert.Equal(t, []sheet.Gone{{Edit: 1, Step: "no-such@d0", Title: "no-such@d0"}}, changed.Gone, "and is named")
		at := step.Sitting
		if alone(step) {
			at = max(1, at-1) // its sitting is gone with it
		}
		assert.Equal(t, sheet.Edited{Step: step.ID, Title: step.Title, Sitting: at}, edited[0])
	}
	for _, gone := range []int{1, last} { // all of one sitting
		all := a
		for _, step := range whole.Sheet.Steps {
			if step.Sitting == gone {
				all.Edits = append(all.Edits, sheet.Edit{Step: step.ID, LeaveOut: true})
			}
		}
		m := made(t, s, all)
		require.Len(t, m.Edited, len(all.Edits))
		assert.Equal(t, max(1, gone-1), m.Edited[0].Sitting)
	}
}

// The water of pieces is called so, and each step says whom it is done to.
func TestTheWaterOfPiecesIsCalledSo(t *testing.T) {
	s := treatment.Situation{Kind: "tradescantia-zebrina", On: day.Of(2026, 5, 10)}
	s.Facts.PotWidthCM = facts.Said(12.0)
	p, err := sheet.Of(s, sheet.Answers{Wish: treatment.Propagate})
	require.NoError(t, err)
	titles := map[treatment.Target][]string{}
	for _, x := range p.Sheet.Steps {
		if x.Op == string(treatment.ByRule) {
			titles[x.Of] = append(titles[x.Of], x.Title)
		}
	}
	assert.Contains(t, titles[treatment.ForPieces], "Water the pieces")
	assert.NotContains(t, titles[""], "Water the pieces")
}
