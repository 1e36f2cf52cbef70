package treatment_test

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// does says whether a sitting has one of the operators, for the plant itself.
func does(s treatment.Sitting, ops ...treatment.OperatorID) bool {
	return slices.ContainsFunc(s.Steps, func(x treatment.Step) bool {
		return slices.Contains(ops, x.Op) && x.Params.For == ""
	})
}

// reworks says whether a sitting is work on the roots that waits for something to be seen.
func reworks(s treatment.Sitting) bool {
	return s.Day == nil && does(s, treatment.Unpot) && does(s, treatment.PotIn, treatment.PotUp)
}

// waitsUnattended says of work that waits that it ends at its first water: what was potted is looked at,
// watered by its rule and taken out from under its cover, once it is done.
func waitsUnattended(p treatment.Plan) string {
	for i, sat := range p.Sittings {
		after := func(ops ...treatment.OperatorID) bool {
			return slices.ContainsFunc(p.Sittings[i+1:], func(a treatment.Sitting) bool { return does(a, ops...) })
		}
		drinks := does(sat, treatment.FirstWater) || after(treatment.FirstWater)
		switch {
		case !reworks(sat):
		case !does(sat, treatment.Look) && !after(treatment.Look, treatment.SlideLook):
			return "work that waits is not looked at afterwards"
		case drinks && !after(treatment.ByRule, treatment.HoldWater, treatment.CupFill):
			return "work that waits has a first water and no rule behind it"
		case does(sat, treatment.CoverIt) && !after(treatment.Wean):
			return "work that waits is covered for good"
		}
	}
	return ""
}

// ruleTwice says of water by one rule that it is told again on the day or the day after.
func ruleTwice(p treatment.Plan) string {
	last := -9
	for _, sat := range p.Sittings {
		if sat.Day == nil {
			continue
		}
		if does(sat, treatment.ByRule) {
			sips := slices.ContainsFunc(sat.Steps, func(x treatment.Step) bool {
				return x.Op == treatment.ByRule && (x.Params.How != "" || x.Params.What != "" || x.Every > 0)
			})
			if !sips && *sat.Day-last <= 1 {
				return "water by its rule is told twice"
			}
			last = *sat.Day
		}
		if does(sat, treatment.Soak, treatment.FirstWater, treatment.HoldWater, treatment.Flush) {
			last = -9
		}
	}
	return ""
}

// Each judge of drawn plans refuses a plan that is wrong in its way.
func TestTheJudgesSeeWhatIsWrong(t *testing.T) {
	day := func(n int) *int { return &n }
	step := func(op treatment.OperatorID) treatment.Step { return treatment.Step{Op: op} }
	potted := treatment.Sitting{Steps: []treatment.Step{
		step(treatment.Unpot), step(treatment.PotIn), step(treatment.CoverIt), step(treatment.FirstWater),
	}}
	after := func(ops ...treatment.OperatorID) treatment.Plan {
		p := treatment.Plan{Sittings: []treatment.Sitting{potted}}
		for _, op := range ops {
			p.Sittings = append(p.Sittings, treatment.Sitting{Steps: []treatment.Step{step(op)}})
		}
		return p
	}
	assert.Contains(t, waitsUnattended(after()), "not looked at")
	assert.Contains(t, waitsUnattended(after(treatment.Look)), "no rule")
	assert.Contains(t, waitsUnattended(after(treatment.Look, treatment.ByRule)), "for good")
	assert.Empty(t, waitsUnattended(after(treatment.Look, treatment.ByRule, treatment.Wean)))
	rules := func(days ...int) (p treatment.Plan) {
		for _, d := range days {
			p.Sittings = append(p.Sittings, treatment.Sitting{Day: day(d), Steps: []treatment.Step{step(treatment.ByRule)}})
		}
		return p
	}
	assert.NotEmpty(t, ruleTwice(rules(3, 4)))
	assert.Empty(t, ruleTwice(rules(3, 5)))
	of := treatment.Situation{Causes: []cause.ID{cause.LowLight}}
	assert.NotEmpty(t, withoutGoal(of, rules(3)), "it is neither brighter nor looked at")
	assert.Empty(t, withoutGoal(of, after(treatment.Look)))
}
