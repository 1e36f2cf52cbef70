package check_test

import (
	"encoding/json"
	"os"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
)

// The check plans were written by growers' practice, from memory: they test
// agreement with the trade's book of rules, not truth.
type example struct {
	ID        string              `json:"id"`
	Situation treatment.Situation `json:"situation"`
	Plan      treatment.Plan      `json:"plan"`
	Rules     []treatment.RuleID  `json:"rules"`
}

// ruleCase is a plan that breaks a rule, and a sibling that differs in what matters and
// keeps it. What either breaks besides is named.
type ruleCase struct {
	Name          string               `json:"name"`
	Rule          treatment.RuleID     `json:"rule"`
	Situation     treatment.Situation  `json:"situation"`
	Bad           treatment.Plan       `json:"bad"`
	Besides       []treatment.RuleID   `json:"besides"`
	GoodSituation *treatment.Situation `json:"goodSituation"`
	Good          treatment.Plan       `json:"good"`
	GoodBesides   []treatment.RuleID   `json:"goodBesides"`
}

func load[T any](t *testing.T, name string) (list []T) {
	t.Helper()
	raw, err := os.ReadFile("testdata/" + name)
	require.NoError(t, err)
	require.NoError(t, json.Unmarshal(raw, &list))
	return list
}

// broken lists the rules that a plan breaks, with the cautions that it needs added where
// it prints none of its own, and that of its poison always.
func broken(t *testing.T, s treatment.Situation, p treatment.Plan) []treatment.RuleID {
	t.Helper()
	none := len(p.Cautions) == 0
	for _, c := range check.Cautions(s, p) {
		if (none || c == "s" || c == "g") && !slices.Contains(p.Cautions, c) {
			p.Cautions = append(p.Cautions, c)
		}
	}
	return brokenAsWritten(t, s, p)
}

func brokenAsWritten(t *testing.T, s treatment.Situation, p treatment.Plan) []treatment.RuleID {
	t.Helper()
	list, err := check.Plan(s, p)
	require.NoError(t, err)
	ids := []treatment.RuleID{}
	for _, b := range list {
		if !slices.Contains(ids, b.Rule) {
			ids = append(ids, b.Rule)
		}
	}
	return ids
}

func TestGoldenPlansBreakNothing(t *testing.T) {
	list := load[example](t, "golden.json")
	require.Len(t, list, 50)
	for _, g := range list {
		t.Run(g.ID, func(t *testing.T) {
			assert.Empty(t, broken(t, g.Situation, g.Plan))
		})
	}
}

func TestWrongPlansAreRefusedByTheRulesNamed(t *testing.T) {
	list := load[example](t, "wrong.json")
	require.Len(t, list, 21)
	for _, w := range list {
		t.Run(w.ID, func(t *testing.T) {
			require.NotEmpty(t, w.Rules)
			if slices.Contains(w.Rules, treatment.NeverPoisonUntold) { // its cautions are what is wrong
				assert.Subset(t, brokenAsWritten(t, w.Situation, w.Plan), w.Rules)
				return
			}
			assert.Subset(t, broken(t, w.Situation, w.Plan), w.Rules)
		})
	}
}

// Each rule has a small plan that breaks it, and a sibling that keeps it. Switched off, its
// rule would let the first pass for what it names.
func TestEachRuleHasAPlanThatBreaksItAndASiblingThatKeepsIt(t *testing.T) {
	list := load[ruleCase](t, "rules.json")
	require.Len(t, list, len(treatment.Rules()))
	for i, rule := range treatment.Rules() {
		require.True(t, slices.ContainsFunc(list, func(c ruleCase) bool { return c.Rule == rule.ID }), "%d %s", i, rule.ID)
	}
	alone := 0
	for _, c := range list {
		t.Run(string(c.Rule), func(t *testing.T) { pair(t, c) })
		if len(c.Besides) == 0 && len(c.GoodBesides) == 0 {
			alone++
		}
	}
	assert.Greater(t, alone, 80, "most plans break their rule and nothing else")
}

// Rulings on rules that say how they are meant at their edges.
func TestRulingsOnTheEdgesOfRules(t *testing.T) {
	for _, c := range load[ruleCase](t, "rulings.json") {
		t.Run(c.Name, func(t *testing.T) { pair(t, c) })
	}
}

func pair(t *testing.T, c ruleCase) {
	of := broken
	if c.Rule == treatment.NeverPoisonUntold {
		of = brokenAsWritten
	}
	assert.ElementsMatch(t, append([]treatment.RuleID{c.Rule}, c.Besides...), of(t, c.Situation, c.Bad), "the bad plan")
	good := of(t, *c.GoodSituation, c.Good)
	assert.ElementsMatch(t, c.GoodBesides, good, "its sibling")
	assert.NotContains(t, good, c.Rule)
}

func TestFurtherClausesOfTheRules(t *testing.T) {
	for _, c := range load[ruleCase](t, "clauses.json") {
		t.Run(string(c.Rule), func(t *testing.T) {
			assert.Contains(t, broken(t, c.Situation, c.Bad), c.Rule)
		})
	}
}

func BenchmarkCheck(b *testing.B) {
	raw, err := os.ReadFile("testdata/golden.json")
	require.NoError(b, err)
	var list []example
	require.NoError(b, json.Unmarshal(raw, &list))
	for b.Loop() {
		for _, g := range list[:1] {
			if _, err := check.Plan(g.Situation, g.Plan); err != nil {
				b.Fatal(err)
			}
		}
	}
}
