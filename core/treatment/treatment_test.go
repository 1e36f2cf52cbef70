package treatment_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

var start = day.Of(2026, time.November, 24)

func situation(habit string, causes ...string) treatment.Situation {
	h, _ := plant.HabitByID(habit)
	return treatment.Situation{Habit: h, Causes: causes, Start: start}
}

func compose(t *testing.T, s treatment.Situation) treatment.Plan {
	t.Helper()
	p, err := treatment.Compose(s)
	require.NoError(t, err)
	return p
}

func find(p treatment.Plan, id string) *treatment.Step {
	for i, s := range p.Steps {
		if s.ID == id {
			return &p.Steps[i]
		}
	}
	return nil
}

func ptr[T any](v T) *T { return &v }

func TestRootRotPlanHasItsPotMixAndFirstWater(t *testing.T) {
	s := situation("aroid-vine", "root-rot")
	s.Answers = treatment.Answers{RootBallCM: ptr(7.0), PotWidthCM: ptr(15.0), RootWash: "peroxide"}
	p := compose(t, s)
	assert.Equal(t, "foliage-rerooting", p.Track)
	pot := find(p, "prepare-pot")
	require.NotNil(t, pot)
	assert.InDelta(t, 9.5, pot.Amounts[0].Value, 1e-9, "root ball and 2-3 cm: common practice")
	assert.Len(t, pot.Amounts, 4, "the pot and three equal parts: soil, perlite, bark")
	assert.InDelta(t, pot.Amounts[1].Value, pot.Amounts[3].Value, 1e-9)
	rinse := find(p, "root-wash-peroxide")
	require.NotNil(t, rinse)
	assert.InDelta(t, 312.5, rinse.Amounts[0].Value, 1e-9, "3 %% and equal water make 1.5 %%: 625 ml for a 15 cm pot")
	assert.InDelta(t, 312.5, rinse.Amounts[1].Value, 1e-9)
	assert.Contains(t, rinse.Cautions, "no-mixing")
	assert.Nil(t, find(p, "root-wash-soap"), "one school of root wash, not three")
	first := find(p, "first-water")
	require.NotNil(t, first)
	assert.True(t, first.On >= start+2 && first.On <= start+4, "after cutting rot wait 2-4 days: common practice")
	for _, step := range p.Steps {
		for _, a := range step.Amounts {
			assert.NotEmpty(t, a.Working.Formula, a.What)
			assert.NotEmpty(t, a.Working.Source, a.What)
		}
	}
	s.Answers.RootBallCM = nil
	assert.Contains(t, compose(t, s).Asks, "rootBallCm", "without the root ball it asks for it")
}

func TestOrderIsWorkingOrder(t *testing.T) {
	p := compose(t, situation("aroid-vine", "root-rot", "mealybug"))
	at := map[string]int{}
	for i, s := range p.Steps {
		at[s.ID] = i
		if i > 0 {
			assert.LessOrEqual(t, p.Steps[i-1].On, s.On)
		}
	}
	for _, pair := range [][2]string{{"isolate", "baseline"}, {"baseline", "unpot"}, {"unpot", "wash-roots"}, {"wash-roots", "tally"}, {"tally", "prepare-pot"}, {"prepare-pot", "pot-up"}, {"pot-up", "first-water"}} {
		assert.Less(t, at[pair[0]], at[pair[1]], "%v", pair)
	}
	assert.Len(t, find(p, "baseline").Reasons, 2, "the same step once, with both reasons")
	assert.NotEmpty(t, p.Rules, "pests and repotting: one disturbance")
}

func TestWaterIsNotGivenAndHeldBackInOnePlan(t *testing.T) {
	p := compose(t, situation("aroid-vine", "root-rot", "drought"))
	assert.Nil(t, find(p, "soak-below"))
	assert.NotNil(t, find(p, "first-water"))
	assert.NotEmpty(t, p.Rules)
}

func TestSensitivePlantsAreSpared(t *testing.T) {
	rosette := situation("succulent-rosette", "mealybug")
	powder, _ := plant.Kinds(nil).ByID("echeveria-elegans")
	rosette.Profile = &powder
	assert.Nil(t, find(compose(t, rosette), "soap-dusk"), "its own bloom must not be washed off")
	assert.NotNil(t, find(compose(t, situation("aroid-vine", "mealybug")), "soap-dusk"))
	burnt := compose(t, situation("aroid-vine", "mealybug", "sun-scorch"))
	assert.Nil(t, find(burnt, "soap-dusk"), "never on a burn")
	thirsty := compose(t, situation("aroid-vine", "mealybug", "drought"))
	assert.GreaterOrEqual(t, find(thirsty, "soap-dusk").On, start+5, "never on a thirsty plant")
	toxic := situation("aroid-vine", "sun-scorch")
	monstera, _ := plant.Kinds(nil).ByID("monstera-adansonii")
	toxic.Profile = &monstera
	assert.Equal(t, "sap", compose(t, toxic).Cautions[0].ID)
}

func TestNoPesticideDoseIsEverProposed(t *testing.T) {
	for _, c := range diagnosis.Causes() {
		for _, wash := range []string{"soap", "peroxide", "fungicide"} {
			s := situation("aroid-vine", c.ID)
			s.Answers.RootWash = wash
			for _, step := range compose(t, s).Steps {
				if step.ID == "root-wash-fungicide" || step.ID == "fungicide" || step.ID == "systemic" {
					assert.Empty(t, step.Amounts, step.ID)
					assert.Contains(t, step.Cautions, "pesticide", step.ID)
				}
			}
		}
	}
}

func TestSchoolsAreWeighedByWhatThePlantAndPlaceAre(t *testing.T) {
	s := situation("sympodial-orchid", "dry-root-loss")
	assert.True(t, s.WantsSchool())
	assert.Equal(t, "S3", treatment.Schools(s)[0].ID, "with nothing known the drier way first")
	s.Answers = treatment.Answers{Reserves: treatment.Shrivelled, HumidityPct: ptr(40.0), WarmthC: ptr(23.0), LookDays: ptr(2)}
	best := treatment.Schools(s)[0]
	assert.Equal(t, "S1", best.ID, "thin reserves, dry warm home, looks often")
	assert.GreaterOrEqual(t, len(best.Reasons), 2)
	assert.Equal(t, "orchid-water-bridge", compose(t, s).Track)
	s.Answers.WarmthC, s.Answers.LookDays, s.Answers.Reserves = ptr(15.0), ptr(10), treatment.Plump
	assert.Equal(t, "S2", treatment.Schools(s)[0].ID, "cold room, rare looks, plump bulbs: let it rest")
	ranked := treatment.Schools(s)
	assert.Len(t, ranked, 6)
	for _, school := range ranked {
		if school.ID == "S1" || school.ID == "S6" {
			assert.Negative(t, school.Score, "%s in a cold room, seldom looked at", school.ID)
		}
	}
	s.Answers.School = "S1"
	assert.Equal(t, "orchid-water-bridge", compose(t, s).Track, "the carer decides")
	assert.False(t, situation("aroid-vine", "root-rot").WantsSchool())
	rooted := situation("sympodial-orchid", "root-rot")
	rooted.Answers.LiveRoots = ptr(12)
	assert.False(t, rooted.WantsSchool())
}

func TestBadCausesAreNamed(t *testing.T) {
	_, err := treatment.Compose(situation("fern"))
	assert.ErrorContains(t, err, "accept at least one cause")
	_, err = treatment.Compose(situation("fern", "drought", "curse"))
	assert.ErrorContains(t, err, `causes[1]: there is no cause "curse"`)
}

// Common practice: about 3 g of dry moss for each centimetre of root ball; dry
// long-fibred moss takes up many times its weight in water.
func TestMossForAWrapFollowsTheRootBall(t *testing.T) {
	s := situation("sympodial-orchid", "dry-root-loss")
	s.Answers = treatment.Answers{School: "S4", LiveRoots: new(int)}
	*s.Answers.LiveRoots = 3
	assert.Empty(t, find(compose(t, s), "moss-wrap").Amounts, "nobody measured the root ball")
	ball := 6.0
	s.Answers.RootBallCM = &ball
	amounts := find(compose(t, s), "moss-wrap").Amounts
	require.NotEmpty(t, amounts)
	assert.Equal(t, "dry moss", amounts[0].What)
	assert.InDelta(t, 18, amounts[0].Value, 1e-9)
	for _, a := range amounts {
		assert.NotEmpty(t, a.Working.Formula, a.What)
		assert.NotEmpty(t, a.Working.Source, a.What)
	}
}

func TestSchoolsAreCalledByTheirNames(t *testing.T) {
	assert.Equal(t, "Water bridge", treatment.SchoolName("S1"))
	assert.Equal(t, "S99", treatment.SchoolName("S99"), "an unknown one keeps its id")
}
