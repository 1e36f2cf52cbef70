package treatment_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

// goals are what must come of a cause: of every group at least one operator is
// in the plan, or the plan says what it does without. They were written from
// the trade's book, not from the recipes (common practice, from memory). What is
// tied in air is trimmed, dried or soaked; palms are never cut at the base.
var goals = map[cause.ID][]string{
	cause.Overwatering: {"by-rule", "look"},
	cause.RootRot:      {"unpot discard node-box tip-cut pot-in remove-leaves", "look"},
	cause.BaseRot: {
		"cut-rot trim-dead crown-dry behead tip-cut node-box unpot discard remove-leaves raise-base",
		"look box-tally",
	},
	cause.Drought:         {"soak look", "shade"},
	cause.UnevenWater:     {"by-rule", "look"},
	cause.DryRootLoss:     {"unpot wet-roots soak", "trim-dead tally wet-roots soak"},
	cause.MediumCollapsed: {"unpot", "pot-in pot-up set-cup hang mount wrap-moss set-reservoir"},
	cause.MediumRepels:    {"soak flush bottom-water"},
	cause.PotTooBig:       {"unpot look"},
	cause.PotBound:        {"pot-up pot-in top-dress root-prune look by-rule"},
	cause.NoDrainage:      {"drain-saucer"},
	cause.BaseBuried:      {"raise-base"},
	cause.Detached: {
		"pot-in node-box tip-cut callus stake hang mount set-cup wrap-moss set-reservoir discard",
	},
	cause.MossSmothered: {"clear-moss", "trim-dead"},
	cause.Edema:         {"air", "by-rule"},
	cause.LowLight:      {"brighten look"},
	cause.SelfShading:   {"turn", "pull-dead trim-branch"},
	cause.SunScorch:     {"shade"},
	cause.DryAir:        {"humidify look"},
	cause.Draught:       {"undraught"},
	cause.ColdInjury:    {"temper", "shade"},
	cause.HeatStress:    {"temper", "shade", "air"},
	cause.SaltInjury:    {"flush unpot look", "hold-feed"},
	cause.WaterQuality:  {"flush by-rule unpot"},
	cause.NitrogenLow:   {"feed look"},
	cause.IronLow:       {"supplement look"},
	cause.MagnesiumLow:  {"supplement look"},
	cause.PotassiumLow:  {"feed look"},
	cause.CalciumLow:    {"supplement air"},
	cause.Dormancy:      {"look"},
	cause.WokenEarly:    {"hold-water"},
	cause.SettlingIn:    {"isolate", "release"},
	cause.BloomDrain:    {"strip-spikes by-rule"},
	cause.OffsetDrain:   {"take-offset"},
	cause.SpentRosette:  {"take-offset"},
	cause.Mealybug: {
		"isolate",
		"neighbours",
		"wash-down crown-dry hot-dip discard",
		"soap oil alcohol label-drug discard",
	},
	cause.RootMealybug:      {"isolate", "neighbours", "slide-look look"},
	cause.SoftScale:         {"isolate", "scrape soap oil discard label-drug"},
	cause.ArmouredScale:     {"isolate", "scrape oil label-drug discard"},
	cause.SpiderMite:        {"isolate", "wash-down", "soap oil label-drug predators"},
	cause.FlatMite:          {"isolate", "oil label-drug wash-down"},
	cause.BroadMite:         {"isolate", "label-drug hot-dip"},
	cause.Thrips:            {"isolate", "traps", "soap oil label-drug"},
	cause.Aphid:             {"isolate", "wash-down soap"},
	cause.Whitefly:          {"isolate", "traps"},
	cause.FungusGnat:        {"isolate", "dry-top larvicide top-dress", "traps"},
	cause.SlugSnail:         {"hand-pick"},
	cause.Chewer:            {"hand-pick"},
	cause.RootGrub:          {"isolate", "hand-pick nematodes"},
	cause.LeafMiner:         {"isolate", "remove-leaves label-drug"},
	cause.SoftRot:           {"isolate", "remove-leaves cut-rot look"},
	cause.Acidovorax:        {"isolate", "remove-leaves look"},
	cause.BlackRot:          {"isolate", "cut-rot trim-dead crown-dry tip-cut node-box unpot remove-leaves raise-base"},
	cause.SouthernBlight:    {"discard", "neighbours"},
	cause.BacterialSpot:     {"isolate", "remove-leaves look"},
	cause.FungalSpot:        {"isolate", "remove-leaves look"},
	cause.Anthracnose:       {"isolate", "remove-leaves look"},
	cause.PowderyMildew:     {"isolate", "air"},
	cause.Rust:              {"isolate", "remove-leaves look"},
	cause.GreyMould:         {"isolate", "air"},
	cause.PetalBlight:       {"isolate", "air"},
	cause.Fusarium:          {"isolate", "keep-apart cut-rot discard"},
	cause.Virus:             {"isolate", "virus-test", "keep-apart discard"},
	cause.RootNematode:      {"isolate", "discard tip-cut"},
	cause.LeafNematode:      {"isolate", "remove-leaves look"},
	cause.SprayInjury:       {"rinse-off", "shade"},
	cause.SoftenedWater:     {"flush by-rule"},
	cause.ColdWaterMarks:    {"by-rule"},
	cause.MesophyllCollapse: {"temper"},
	cause.Girdled:           {"untie"},
	cause.CrownWet:          {"crown-drain", "crown-dry"},
	cause.CupFoul:           {"crown-drain"},
	cause.Ethylene:          {"air"},
	cause.LampBurn:          {"shade"},
	cause.WaterRoots:        {"pot-in unpot look"},
	cause.Congested:         {"part unpot look"},
	cause.OldLeaf:           {"pull-dead"},
	cause.FlowersOver:       {"pull-dead"},
	cause.Nectar:            {"look"},
	cause.Guttation:         {"look"},
	cause.Sori:              {"look"},
	cause.Corking:           {"look"},
	cause.StressColour:      {"look"},
}

// goalsOf are the groups of operators of the goals, split once.
var goalsOf = func() map[cause.ID][][]treatment.OperatorID {
	of := map[cause.ID][][]treatment.OperatorID{}
	for id, groups := range goals {
		for _, words := range groups {
			var ops []treatment.OperatorID
			for op := range strings.FieldsSeq(words) {
				ops = append(ops, treatment.OperatorID(op))
			}
			of[id] = append(of[id], ops)
		}
	}
	return of
}()

// withoutGoal says of a plan for one cause that it does not come to its goal, and does not say why.
func withoutGoal(s treatment.Situation, p treatment.Plan) string {
	if len(s.Causes) != 1 || s.Wish != "" || len(p.LeftOut) > 0 {
		return ""
	}
	for _, ops := range goalsOf[s.Causes[0]] {
		met := slices.ContainsFunc(p.Sittings, func(z treatment.Sitting) bool {
			return slices.ContainsFunc(z.Steps, func(x treatment.Step) bool { return slices.Contains(ops, x.Op) })
		})
		if !met {
			return fmt.Sprintf("%s: none of %v, and nothing says why", s.Causes[0], ops)
		}
	}
	return ""
}

func TestGoalsNameOperators(t *testing.T) {
	for id, groups := range goalsOf {
		for _, ops := range groups {
			for _, op := range ops {
				_, known := treatment.OperatorByID(op)
				assert.True(t, known, "%s: no such operator: %s", id, op)
			}
		}
	}
}

// A pot without holes cannot be watered: it is repotted, at once where it drowns,
// else in its season.
func TestAPotWithoutHolesIsReplaced(t *testing.T) {
	replaced := func(a facts.Facts) (now, ever bool) {
		p, err := compose.Plan(
			treatment.Situation{
				Kind:   "monstera-deliciosa",
				Causes: []cause.ID{cause.NoDrainage},
				On:     day.Of(2026, 12, 10),
				Facts:  a,
			},
		)
		require.NoError(t, err)
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				if x.Op == treatment.Unpot {
					ever, now = true, s.Day != nil && *s.Day <= 1
				}
			}
		}
		return now, ever
	}
	now, ever := replaced(facts.Facts{PotHoles: facts.Said(true)})
	assert.False(t, now || ever, "holes are opened")
	now, ever = replaced(facts.Facts{PotHoles: facts.Said(false)})
	assert.True(t, ever && !now, "it waits for its season")
	now, _ = replaced(facts.Facts{PotHoles: facts.Said(false), Limp: facts.Said(true), Moist: facts.Said(facts.Wet)})
	assert.True(t, now, "it drowns")
}

// No plant is thrown away for a trouble that its kind is not known to have: the plan says so,
// and looks again.
func TestNoPlantIsThrownAwayForWhatItsKindCannotHave(t *testing.T) {
	met := 0
	for _, k := range plant.Profiles() {
		for _, c := range cause.All() {
			s := treatment.Situation{Kind: k.ID, Causes: []cause.ID{c.ID}, On: day.Of(2026, 5, 10)}
			if c.Fits(k.Habit) {
				continue
			}
			p, err := compose.Plan(s)
			require.NoError(t, err)
			for _, sit := range p.Sittings {
				for _, x := range sit.Steps {
					assert.NotEqual(t, treatment.Discard, x.Op, "%s with %s", k.ID, c.ID)
				}
			}
			if c.ID != cause.RootNematode {
				continue
			}
			met++
			assert.True(t, slices.ContainsFunc(p.LeftOut, func(l treatment.LeftOut) bool {
				return l.Op == string(treatment.Discard) && strings.Contains(l.Why, "look again")
			}), "%s: nothing says why", k.ID)
			broken, err := check.Plan(s, p)
			require.NoError(t, err)
			assert.Empty(t, broken, "%s with %s", k.ID, c.ID)
		}
	}
	assert.Greater(t, met, 50)
}

// Night grazers are picked when they graze.
func TestSlugsArePickedInTheEvening(t *testing.T) {
	for _, id := range []cause.ID{cause.SlugSnail, cause.Chewer, cause.RootGrub} {
		p, err := compose.Plan(treatment.Situation{
			Kind: "stephanotis-floribunda", Causes: []cause.ID{id}, On: day.Of(2026, 2, 15),
		})
		require.NoError(t, err)
		picked := false
		for _, sit := range p.Sittings {
			if slices.ContainsFunc(sit.Steps, func(x treatment.Step) bool { return x.Op == treatment.HandPick }) {
				assert.Equal(t, treatment.Evening, sit.Slot, string(id))
				picked = true
			}
		}
		assert.True(t, picked, string(id))
	}
}
