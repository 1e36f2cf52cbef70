package treatment_test

import (
	"encoding/json"
	"math/rand/v2"
	"runtime"
	"slices"
	"sync"
	"sync/atomic"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
)

// every changes the steps of a plan with some operators.
func every(p *treatment.Plan, change func(*treatment.Step), ops ...treatment.OperatorID) {
	for i := range p.Sittings {
		for k := range p.Sittings[i].Steps {
			if s := &p.Sittings[i].Steps[k]; slices.Contains(ops, s.Op) {
				change(s)
			}
		}
	}
}

func mixed(parts ...plant.Part) func(*treatment.Plan) {
	return func(p *treatment.Plan) {
		every(p, func(s *treatment.Step) { s.Params.Mix, s.Params.MixFrom = parts, "any" }, treatment.ReadyPot)
	}
}

func set(change func(*treatment.Params), ops ...treatment.OperatorID) func(*treatment.Plan) {
	return func(p *treatment.Plan) { every(p, func(s *treatment.Step) { change(&s.Params) }, ops...) }
}

// spoilers do to a plan what a rule forbids, where damage drawn at random seldom does.
var spoilers = []func(*treatment.Plan){
	set(func(p *treatment.Params) { p.Method = "alcohol" }, treatment.CleanBlade),
	mixed(plant.Part{What: "potting soil", Parts: 2}, plant.Part{What: "perlite", Parts: 1}),
	mixed(plant.Part{What: "peat", Parts: 3}, plant.Part{What: "perlite", Parts: 1}),
	set(func(p *treatment.Params) { p.PotWidthCM = treatment.N(p.PotWidthCM.Value - 4) }, treatment.ReadyPot),
	set(func(p *treatment.Params) { holes := false; p.Holes = &holes }, treatment.ReadyPot),
	set(func(p *treatment.Params) { p.UnderCM = treatment.N(4) }, treatment.PotIn, treatment.PotUp),
	set(func(p *treatment.Params) { p.GapMM, p.Submerged = treatment.N(-3), true }, treatment.SetCup, treatment.PotIn),
	set(func(p *treatment.Params) { p.DoseTyped, p.ML = false, treatment.N(5) }, treatment.LabelDrug, treatment.Systemic),
	set(func(p *treatment.Params) { p.Product, p.Class = "copper", "copper" }, treatment.LabelDrug),
	set(func(p *treatment.Params) { p.PotWidthTo = treatment.Number{} }, treatment.ReadyPot),
	func(p *treatment.Plan) { p.Cautions = nil },
	func(p *treatment.Plan) {
		p.LeftOut = []treatment.LeftOut{{Op: string(treatment.Systemic), Why: "it is repotted today"}}
	},
	func(p *treatment.Plan) {
		for i := range p.Sittings {
			p.Sittings[i].Steps = append(p.Sittings[i].Steps, treatment.Step{Op: treatment.Flush},
				treatment.Step{Op: treatment.FirstWater, Params: treatment.Params{How: "through"}})
		}
	},
	func(p *treatment.Plan) { p.Outcome = &treatment.Outcome{Shown: "lost", LivingParts: 2} },
	func(p *treatment.Plan) {
		for i := range p.Sittings {
			p.Sittings[i].Slot = treatment.Evening
			p.Sittings[i].Steps = slices.DeleteFunc(p.Sittings[i].Steps, func(s treatment.Step) bool {
				return s.Op == treatment.CrownDry || s.Op == treatment.Air
			})
		}
	},
	func(p *treatment.Plan) {
		for i := range p.Sittings {
			if p.Sittings[i].Day == nil {
				p.Sittings[i].OpenedBy = &facts.Event{Event: "a tip", Day: -20}
			}
		}
	},
	func(p *treatment.Plan) {
		for i := range p.Sittings {
			p.Sittings[i].Steps = append(p.Sittings[i].Steps, treatment.Step{Op: treatment.Alcohol, Organ: "leaf"})
		}
	},
}

// Every rule is one that plans could break: spoiled, each of them is refused with it.
// The plans themselves are made by the program that ships, which breaks none.
func TestEveryRuleIsSeenWhereAPlanIsSpoiled(t *testing.T) {
	const most = 12000 // situations
	rules, kinds := treatment.Rules(), plant.Profiles()
	var seen sync.Map
	var found, drawn atomic.Int64
	var wg sync.WaitGroup
	for range runtime.GOMAXPROCS(0) {
		wg.Go(func() {
			for n := drawn.Add(1); n <= most && int(found.Load()) < len(rules); n = drawn.Add(1) {
				r := rand.New(rand.NewPCG(seed, uint64(n)))
				s := anySituation(r, kinds)
				if f := prone[rules[int(n)%len(rules)].ID]; f != nil {
					f(&s)
				}
				for _, id := range spoiledBy(t, r, s) {
					if _, known := seen.LoadOrStore(id, true); !known {
						found.Add(1)
					}
				}
			}
		})
	}
	wg.Wait()
	for _, rule := range rules {
		_, is := seen.Load(rule.ID)
		assert.True(t, is, "%s: no spoiled plan breaks it, the checker does not see it: %s", rule.ID, rule.Never)
	}
}

// spoiledBy lists the rules by which the plan of a situation is refused when it is
// spoiled or damaged.
func spoiledBy(t *testing.T, r *rand.Rand, s treatment.Situation) (ids []treatment.RuleID) {
	whole, err := compose.Plan(s)
	if err != nil || len(whole.Sittings) == 0 {
		return nil
	}
	raw, err := json.Marshal(whole)
	if !assert.NoError(t, err) {
		return nil
	}
	refused := func(change func(*treatment.Plan)) {
		var p treatment.Plan
		if !assert.NoError(t, json.Unmarshal(raw, &p)) {
			return
		}
		change(&p)
		list, err := check.Plan(s, p)
		assert.NoError(t, err)
		for _, b := range list {
			ids = append(ids, b.Rule)
		}
	}
	for _, spoil := range spoilers {
		refused(spoil)
	}
	for _, damage := range damages {
		refused(func(p *treatment.Plan) { damage(r, p) })
	}
	return ids
}
