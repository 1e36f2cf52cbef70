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

type ruleCase struct {
	Rule          treatment.RuleID     `json:"rule"`
	Situation     treatment.Situation  `json:"situation"`
	Bad           treatment.Plan       `json:"bad"`
	GoodSituation *treatment.Situation `json:"goodSituation"`
	Good          treatment.Plan       `json:"good"`
}

func load[T any](t *testing.T, name string) (list []T) {
	t.Helper()
	raw, err := os.ReadFile("testdata/" + name)
	require.NoError(t, err)
	require.NoError(t, json.Unmarshal(raw, &list))
	return list
}

// broken lists the rules that a plan breaks, with the cautions that it needs
// added where it prints none of its own.
func broken(t *testing.T, s treatment.Situation, p treatment.Plan) []treatment.RuleID {
	t.Helper()
	if len(p.Cautions) == 0 {
		p.Cautions = check.Cautions(s, p)
	}
	list, err := check.Plan(s, p)
	require.NoError(t, err)
	var ids []treatment.RuleID
	for _, b := range list {
		if !slices.Contains(ids, b.Rule) {
			ids = append(ids, b.Rule)
		}
	}
	return ids
}

func TestGoldenPlansBreakNothing(t *testing.T) {
	list := load[example](t, "golden.json")
	require.Len(t, list, 26)
	for _, g := range list {
		t.Run(g.ID, func(t *testing.T) {
			assert.Empty(t, broken(t, g.Situation, g.Plan))
		})
	}
}

func TestWrongPlansAreRefusedByTheRulesNamed(t *testing.T) {
	list := load[example](t, "wrong.json")
	require.Len(t, list, 11)
	for _, w := range list {
		t.Run(w.ID, func(t *testing.T) {
			assert.Subset(t, broken(t, w.Situation, w.Plan), w.Rules)
		})
	}
}

// Each rule has a small plan that breaks it and nothing else, and a sibling that
// differs in what matters and breaks nothing.
func TestEachRuleHasAPlanThatBreaksItAlone(t *testing.T) {
	list := load[ruleCase](t, "rules.json")
	require.Len(t, list, len(treatment.Rules()))
	for _, c := range list {
		t.Run(string(c.Rule), func(t *testing.T) {
			if c.Rule == treatment.NeverCautionLeftOut { // its cautions are what it is about
				bad, err := check.Plan(c.Situation, c.Bad)
				require.NoError(t, err)
				assert.NotEmpty(t, bad)
				for _, b := range bad {
					assert.Equal(t, c.Rule, b.Rule)
				}
				return
			}
			assert.Equal(t, []treatment.RuleID{c.Rule}, broken(t, c.Situation, c.Bad), "the bad plan")
			assert.Empty(t, broken(t, *c.GoodSituation, c.Good), "its sibling")
		})
	}
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
