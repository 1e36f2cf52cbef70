package treatment_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"math/rand/v2"
	"os"
	"runtime"
	"slices"
	"strings"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/sync/errgroup"

	"tendermend/core/facts"
	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/internal/approve"
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

// shown names, for each rule, a drawn situation whose spoiled plan breaks it: so nobody has to look for one each
// time. A rule that is not broken there any more is looked for; APPROVE=1 writes down where all were found.
const shown = "testdata/shown.txt"

// mostDraws is how many situations are drawn to find a rule.
const mostDraws = 12_000

// Every rule is one that plans could break: spoiled, each of them is refused with it.
// The plans themselves are made by the program that ships, which breaks none.
func TestEveryRuleIsSeenWhereAPlanIsSpoiled(t *testing.T) {
	raw, err := os.ReadFile(shown)
	require.True(t, err == nil || approve.Taking(), "nothing says where rules are shown: %v", err)
	draws := map[draw]bool{}
	for line := range strings.Lines(string(raw)) {
		var rule, near string
		var n int
		_, err := fmt.Sscan(line, &rule, &n, &near)
		require.NoError(t, err, line)
		draws[draw{n, treatment.RuleID(near)}] = true
	}
	found := finding{at: map[treatment.RuleID]draw{}}
	if !approve.Taking() {
		found.in(t, slices.Collect(maps.Keys(draws)))
	}
	for n := 1; n <= mostDraws && len(found.missing()) > 0; n += 16 {
		next := map[draw]bool{}
		for _, id := range found.missing() {
			for k := range 16 {
				if prone[id] == nil {
					id = anyRule
				}
				next[draw{n + k, id}] = true
			}
		}
		found.in(t, slices.Collect(maps.Keys(next)))
	}
	for _, rule := range treatment.Rules() {
		_, is := found.at[rule.ID]
		assert.True(t, is, "%s: no spoiled plan breaks it, the checker does not see it: %s", rule.ID, rule.Never)
	}
	if approve.Taking() {
		var b strings.Builder
		for _, rule := range treatment.Rules() {
			fmt.Fprintln(&b, rule.ID, found.at[rule.ID].n, found.at[rule.ID].near)
		}
		require.NoError(t, os.WriteFile(shown, []byte(b.String()), 0o600))
	}
}

// draw is a drawn situation, made more like those that a rule is about.
type draw struct {
	n    int
	near treatment.RuleID
}

// anyRule is a situation as it is drawn.
const anyRule treatment.RuleID = "any"

// finding is in which draw each rule was found broken.
type finding struct {
	mu sync.Mutex
	at map[treatment.RuleID]draw
}

func (f *finding) missing() (ids []treatment.RuleID) {
	f.mu.Lock()
	defer f.mu.Unlock()
	for _, rule := range treatment.Rules() {
		if _, is := f.at[rule.ID]; !is {
			ids = append(ids, rule.ID)
		}
	}
	return ids
}

// in spoils the plans of drawn situations, side by side.
func (f *finding) in(t *testing.T, draws []draw) {
	t.Helper()
	kinds := plant.Profiles()
	var g errgroup.Group
	g.SetLimit(runtime.GOMAXPROCS(0))
	for _, d := range draws {
		g.Go(func() error {
			r := rand.New(rand.NewPCG(seed, uint64(d.n)))
			s := anySituation(r, kinds)
			if change := prone[d.near]; change != nil {
				change(&s)
			}
			for _, id := range spoiledBy(t, r, s) {
				f.mu.Lock()
				if _, known := f.at[id]; !known {
					f.at[id] = d
				}
				f.mu.Unlock()
			}
			return nil
		})
	}
	_ = g.Wait()
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
