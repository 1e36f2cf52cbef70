package store_test

import (
	"slices"
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/internal/pgtest"
	"tendermend/record"
	"tendermend/store"
)

// rotted is a plant whose roots rot, with its plan of a day.
func rotted(t *testing.T, s *store.Store, a store.Account, planned day.Day) uuid.UUID {
	t.Helper()
	plant := takeIn(t, s, a, "Monstera", planned-200)
	width := 16.0
	for _, b := range []record.Body{
		{Stated: &record.Stated{PotWidthCM: &width, Seat: facts.InPot}},
		{Examined: &record.Examined{Present: []string{"root.mushy", "med.wet-long"}, Absent: []string{"leaf.drooping"}}},
		{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}},
		{Planned: &record.Planned{}},
	} {
		_, err := s.Append(t.Context(), a, entry(plant, planned, b), today)
		require.NoError(t, err)
	}
	return plant
}

func stepOf(t *testing.T, plan *sheet.Plan, op treatment.OperatorID) sheet.Step {
	t.Helper()
	is := func(x sheet.Step) bool { return x.Op == string(op) }
	i := slices.IndexFunc(plan.Steps, func(x sheet.Step) bool { return is(x) && x.Makes != nil })
	if i < 0 { // one that says nothing of the plant
		i = slices.IndexFunc(plan.Steps, is)
	}
	require.GreaterOrEqual(t, i, 0, "the plan has no step %s", op)
	return plan.Steps[i]
}

func TestATickWritesWhatItsStepMakesSoAndUndoTakesBoth(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := rotted(t, s, a, today)
	before, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	pot := stepOf(t, before.Plan, treatment.PotIn)
	width := 11.0
	tick := entry(plant, today, record.Body{Did: &record.Did{Step: pot.ID, Made: &record.Made{WidthCM: &width}}})
	for range 2 { // sent again it does nothing twice
		_, err = s.Append(t.Context(), a, tick, today)
		require.NoError(t, err)
	}
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	require.NotNil(t, state.Pot.WidthCM)
	assert.Equal(t, 11.0, *state.Pot.WidthCM, "as it was corrected in the same tap")
	assert.Equal(t, pot.Makes.Stands.Medium, state.Pot.Medium, "the mix of the plan")
	assert.Len(t, state.PottedOn, 1)
	entries, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	last := entries[len(entries)-1]
	require.NotNil(t, last.With)
	assert.Equal(t, tick.ID, *last.With)

	undo := entry(plant, today, record.Body{Voided: &record.Voided{Entry: tick.ID, Reason: "by mistake"}})
	_, err = s.Append(t.Context(), a, undo, today)
	require.NoError(t, err)
	state, err = s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Equal(t, 16.0, *state.Pot.WidthCM, "both are taken back")
	assert.Empty(t, state.Ticks)
	back := entry(plant, today, record.Body{Voided: &record.Voided{Entry: undo.ID, Reason: "it was right"}})
	_, err = s.Append(t.Context(), a, back, today)
	require.NoError(t, err)
	state, err = s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Equal(t, 11.0, *state.Pot.WidthCM, "and both come back")
}

func TestAnEffectThatIsCorrectedStaysTheTicksOwn(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := rotted(t, s, a, today)
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	tick := entry(plant, today, record.Body{Did: &record.Did{Step: stepOf(t, state.Plan, treatment.PotIn).ID}})
	_, err = s.Append(t.Context(), a, tick, today)
	require.NoError(t, err)
	entries, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	potted := entries[slices.IndexFunc(entries, func(e record.Entry) bool { return e.Potted != nil })]
	width := 9.0
	right := entry(plant, today, record.Body{Potted: &record.Potted{WidthCM: &width, Medium: "bark"}})
	right.Replaces = &potted.ID
	kept, err := s.Append(t.Context(), a, right, today)
	require.NoError(t, err)
	require.NotNil(t, kept.With)
	_, err = s.Append(t.Context(), a, entry(plant, today, record.Body{Voided: &record.Voided{Entry: tick.ID}}), today)
	require.NoError(t, err)
	state, err = s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Equal(t, 16.0, *state.Pot.WidthCM, "the correction goes with the tick")
}

func TestAWholeSittingIsRecordedOnAPastDayAndUndoneAtOnce(t *testing.T) {
	s := pgtest.Store(t)
	a, stranger := pgtest.Account(t, s, "one@example.org"), pgtest.Account(t, s, "two@example.org")
	planned := today - 10
	plant := rotted(t, s, a, planned)
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	unpot := stepOf(t, state.Plan, treatment.Unpot)
	whole := entry(plant, planned+1, record.Body{Sat: &record.Sat{Sitting: unpot.Sitting}})
	list := []record.Entry{whole}
	live, dead := 6, 14
	for _, step := range state.Plan.Steps {
		if step.Sitting != unpot.Sitting || step.Op == string(treatment.Label) { // one is left out
			continue
		}
		did := record.Did{Step: step.ID, Note: "as written"}
		if step.Op == string(treatment.Tally) {
			did.Made = &record.Made{Live: &live, Dead: &dead}
		}
		tick := entry(plant, planned+1, record.Body{Did: &did})
		tick.With = &whole.ID
		list = append(list, tick)
	}
	_, err = s.AppendAll(t.Context(), stranger, list, today)
	require.ErrorIs(t, err, store.ErrNotFound, "a stranger does nothing")
	for range 2 {
		_, err = s.AppendAll(t.Context(), a, list, today)
		require.NoError(t, err)
	}
	state, err = s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	f := state.Facts(today, record.Context{})
	share, counted := f.LiveShare()
	assert.True(t, counted)
	assert.InDelta(t, 0.3, share, 1e-9, "what was counted in it")
	assert.Equal(t, planned+1, f.Last[facts.SatRoots])
	assert.Equal(t, facts.InPot, f.Seat.Value)
	assert.Equal(t, facts.Done, f.Seat.From)
	label := stepOf(t, state.Plan, treatment.Label)
	assert.NotContains(t, state.Ticks, label.ID)
	first := stepOf(t, state.Plan, treatment.FirstWater)
	assert.Equal(t, first.On+1, state.DueOn(first.ID), "what follows moves with the day on which it was done")
	_, err = s.Append(t.Context(), a, entry(plant, today, record.Body{Voided: &record.Voided{Entry: whole.ID}}), today)
	require.NoError(t, err)
	state, err = s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Empty(t, state.Ticks, "the whole sitting is taken back")
	assert.Empty(t, state.Tallies)
}

func TestNothingOfASittingIsKeptWhereOneStepIsRefused(t *testing.T) {
	s := pgtest.Store(t)
	a := pgtest.Account(t, s, "one@example.org")
	plant := rotted(t, s, a, today)
	before, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	state, err := s.State(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	list := []record.Entry{
		entry(plant, today, record.Body{Did: &record.Did{Step: stepOf(t, state.Plan, treatment.PotIn).ID}}),
		entry(plant, today, record.Body{Did: &record.Did{Step: "no-such-step"}}),
	}
	_, err = s.AppendAll(t.Context(), a, list, today)
	require.Error(t, err)
	after, err := s.Entries(t.Context(), a.Collection.ID, plant)
	require.NoError(t, err)
	assert.Len(t, after, len(before))
}
