// Package core_test holds what is true of the whole trade.
package core_test

import (
	"encoding/json"
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/climate"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/plant"
	"tendermend/core/prognosis"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/sheet"
)

// text is all that a computation gives, byte by byte.
func text(t *testing.T, v any, err error) string {
	t.Helper()
	if err != nil {
		return err.Error()
	}
	raw, err := json.Marshal(v)
	require.NoError(t, err)
	return string(raw)
}

// Everything in the trade gives the same bytes for the same question: lists never
// come out in the order of a map.
func TestEveryComputationGivesTheSameBytesTwice(t *testing.T) {
	chance := rand.New(rand.NewPCG(7, 7))
	signs, habits, profiles, causes := diagnosis.Signs(), plant.Habits(), plant.Profiles(), diagnosis.Causes()
	some := func(n int) (ids []string) {
		for range n {
			ids = append(ids, signs[chance.IntN(len(signs))].ID)
		}
		return ids
	}
	seasons := []climate.Season{climate.Spring, climate.Summer, climate.Autumn, climate.Winter}
	for range 40 {
		habit := habits[chance.IntN(len(habits))]
		e := diagnosis.Examination{
			Habit: habit.ID, Season: seasons[chance.IntN(4)], Present: some(chance.IntN(5)), Absent: some(chance.IntN(6)),
		}
		first, second := causes[chance.IntN(len(causes))].ID, causes[chance.IntN(len(causes))].ID
		s := treatment.Situation{
			Kind:   profiles[chance.IntN(len(profiles))].ID,
			Causes: []cause.ID{cause.ID(first), cause.ID(second)},
			On:     day.Of(2026, 1, 1) + day.Day(chance.IntN(365)),
		}
		for name, compute := range map[string]func() string{
			"diagnosis": func() string { r, err := diagnosis.Diagnose(e); return text(t, r, err) },
			"at a sale": func() string {
				c, err := diagnosis.Standard().Examine(e)
				if err != nil {
					return text(t, nil, err)
				}
				return text(t, c.ChecksAtSale(), nil)
			},
			"guide": func() string { return text(t, diagnosis.Standard().Guide(habit, e.Season, diagnosis.AtHome), nil) },
			"outlook": func() string {
				c, err := diagnosis.Standard().Examine(e)
				if err != nil {
					return text(t, nil, err)
				}
				return text(t, prognosis.Of(c, e), nil)
			},
			"plan": func() string {
				made, err := sheet.Of(s, sheet.Answers{})
				return text(t, made, err)
			},
			"check": func() string {
				list, err := check.Plan(s, treatment.Plan{Sittings: []treatment.Sitting{{Steps: []treatment.Step{
					{Op: treatment.Unpot}, {Op: treatment.Soap}, {Op: treatment.FirstWater},
				}}}})
				return text(t, list, err)
			},
			"compared": func() string { c, _ := diagnosis.Standard().Compare([]string{first, second}); return text(t, c, nil) },
		} {
			once := compute()
			for range 3 {
				require.Equal(t, once, compute(), name)
			}
			assert.NotEmpty(t, once, name)
		}
	}
}
