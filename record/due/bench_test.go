package due_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/record"
	"tendermend/record/due"
)

// What goes over by itself comes last, what goes with blade and medium before it, and what
// may have something as well; first what has nothing to give.
func TestABenchGoesFromWhatHasNothingToGive(t *testing.T) {
	suffering := func(causes ...string) record.State {
		verdict := &record.Verdict{Diagnosed: record.Diagnosed{Causes: causes}}
		return record.State{Cases: []record.Case{{ID: uuid.New(), Verdict: verdict}}}
	}
	standing := func(isolation record.Isolation) record.State {
		return record.State{Identity: record.Identity{Isolation: isolation}}
	}
	suspect := record.State{Identity: record.Identity{Arrival: record.Arrived{Suspect: true}}}
	for says, c := range map[string]struct {
		s    record.State
		want due.Hygiene
	}{
		"nothing ails it":           {record.State{}, due.CleanFirst},
		"what stays where it is":    {suffering("pot-bound"), due.CleanFirst},
		"rot, by blade and medium":  {suffering("root-rot"), due.SuspectNext},
		"by touch":                  {suffering("mealybug"), due.InfestedLast},
		"by the air":                {suffering("grey-mould"), due.InfestedLast},
		"on insects":                {suffering("virus"), due.InfestedLast},
		"both":                      {suffering("root-rot", "mealybug"), due.InfestedLast},
		"kept apart":                {standing(record.Isolated), due.SuspectNext},
		"watched":                   {standing(record.UnderWatch), due.SuspectNext},
		"let back among the others": {standing(record.Clean), due.CleanFirst},
		"of a suspect source":       {suspect, due.SuspectNext},
	} {
		assert.Equal(t, c.want, due.HygieneOf(c.s), says)
	}
	var turns []due.Hygiene
	for _, turn := range due.Turns() {
		turns = append(turns, turn.Turn)
	}
	assert.Equal(t, []due.Hygiene{due.CleanFirst, due.SuspectNext, due.InfestedLast}, turns)
}
