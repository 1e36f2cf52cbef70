package record_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/recovery"
	"tendermend/record"
)

func together(letters ...string) record.Body {
	s := record.Shared{}
	for _, l := range letters {
		s.Plants = append(s.Plants, record.Potmate{Letter: l})
	}
	return record.Body{Shared: &s}
}

func leaf(of string, id uuid.UUID, mm float64, state recovery.GrowthState) record.Body {
	return record.Body{Grown: &record.Grown{Growth: id, Sort: recovery.Leaf, Of: of, SizeMM: &mm, State: state}}
}

// Growths are told by plant: each leaf is held against the one before it on the same plant, and
// leaves that two plants made on two days are no pace of one.
func TestGrowthsAreToldByPlantOfThePot(t *testing.T) {
	b := newBook(t)
	b.write(59, together("A", "B"))
	a1, a2, b1, b2 := uuid.New(), uuid.New(), uuid.New(), uuid.New()
	b.write(58, leaf("A", a1, 100, recovery.Mature))
	b.write(57, leaf("B", b1, 40, recovery.Mature))
	b.write(18, leaf("A", a2, 90, recovery.Mature))
	b.write(7, leaf("B", b2, 50, recovery.Mature))
	s := b.state()
	g := recovery.Reckon(s.Strands, s.ArrivedOn, today)
	percent := map[string]float64{}
	for _, r := range g.Ratios {
		percent[r.Strand] = r.Percent
	}
	assert.Equal(t, map[string]float64{a2.String(): 90, b2.String(): 125}, percent)
	require.NotNil(t, g.Interval)
	assert.EqualValues(t, 45, g.Interval.Value, "the median of 40 and 50, never of 1 and 39")
	for _, x := range s.Strands {
		assert.Contains(t, []int{1, 2}, x.Number, "each plant counts its own leaves")
	}
}

// Who is taken out goes with its growths; the same asking sent again writes the same entries.
func TestWhoIsTakenOutGoesWithItsGrowths(t *testing.T) {
	b := newBook(t)
	b.write(59, record.Body{Shared: &record.Shared{Plants: []record.Potmate{
		{Letter: "A"}, {Letter: "B", Name: "the tall one", Profile: "cereus-repandus"}, {Letter: "C"}}}})
	own, theirs := uuid.New(), uuid.New()
	b.write(50, leaf("A", own, 100, recovery.Mature))
	b.write(50, leaf("B", theirs, 55, recovery.Growing))
	asked, plantOut := uuid.New(), uuid.New()
	out := []record.TakenOut{{Letter: "B", Plant: plantOut, Name: "Tall"}}
	lists, faults := b.state().TakeOut(asked, today, out)
	require.Empty(t, faults)
	again, _ := b.state().TakeOut(asked, today, out)
	assert.Equal(t, lists, again)

	require.Len(t, lists, 2)
	arrived := lists[0][0].Arrived
	require.NotNil(t, arrived)
	assert.Equal(t, "cereus-repandus", arrived.Profile)
	assert.Equal(t, "cactus", arrived.Habit, "it grows as its own kind")
	assert.Equal(t, b.plant, *arrived.PotOf)
	assert.Equal(t, record.HadWeeks, arrived.Had, "it has been here as long as its pot")
	apart := record.Fold(plantOut, lists[0], b.kinds)
	require.Len(t, apart.Strands, 1)
	size, _ := apart.Strands[0].Size()
	assert.EqualValues(t, 55, size)
	assert.Equal(t, recovery.Growing, apart.Strands[0].State)

	b.entries = append(b.entries, lists[1]...)
	left := b.state()
	require.Len(t, left.Strands, 1)
	assert.Equal(t, own.String(), left.Strands[0].ID)
	assert.Equal(t, []record.OutOf{{Letter: "B", Plant: plantOut}}, left.Shared.Out)
	assert.Len(t, left.Shared.Plants, 2)

	// Taken back, it stands in the pot again with its growths.
	b.write(0, record.Body{Voided: &record.Voided{Entry: asked, Reason: "undone at once"}})
	assert.Len(t, b.state().Strands, 2)
	assert.Len(t, b.state().Shared.Plants, 3)
}

func TestWhatAPotCannotHold(t *testing.T) {
	all := []string{"A", "B", "C", "D", "E", "F", "G", "H", "I", "J", "K", "L"}
	for _, one := range []struct {
		what string
		body record.Body
		says string
	}{
		{"one plant, where nobody found more", together("A"), "at least two plants"},
		{"two", together("A", "B"), ""},
		{"twelve", together(all...), ""},
		{"thirteen", together(append(all, "M")...), "at most 12 plants"},
		{"without A", together("B", "C"), "it comes first"},
		{"a letter twice", together("A", "B", "B"), "a letter of its own"},
		{"a kind that nobody knows", record.Body{Shared: &record.Shared{Plants: []record.Potmate{
			{Letter: "A"}, {Letter: "B", Profile: "triffid"}}}}, "is not known"},
		{"in it and out of it", record.Body{Shared: &record.Shared{Plants: []record.Potmate{{Letter: "A"}, {Letter: "B"}},
			Out: []record.OutOf{{Letter: "B", Plant: uuid.New()}}}}, "in the pot and out of it"},
		{"a growth of nobody there", leaf("D", uuid.New(), 10, recovery.Growing), "no plant of its pot"},
	} {
		b := newBook(t)
		faults := b.try(0, one.body)
		if one.says == "" {
			assert.Empty(t, faults, one.what)
			continue
		}
		assert.Contains(t, faults.Error(), one.says, one.what)
	}
	b := newBook(t)
	_, faults := b.state().TakeOut(uuid.New(), today, []record.TakenOut{{Letter: "B", Plant: uuid.New(), Name: "x"}})
	assert.Contains(t, faults.Error(), "alone in its pot")
	b.write(1, together("A", "B"))
	_, faults = b.state().TakeOut(uuid.New(), today, []record.TakenOut{{Letter: "A", Plant: uuid.New(), Name: "x"}})
	assert.Contains(t, faults.Error(), "not A")

	lists, faults := b.state().TakeOut(uuid.New(), today, []record.TakenOut{{Letter: "B", Plant: uuid.New(), Name: "x"}})
	require.Empty(t, faults)
	b.entries = append(b.entries, lists[1]...)
	assert.Contains(t, b.try(0, together("A", "B")).Error(), "was taken out", "the letter of one that left")
	assert.Empty(t, b.try(0, together("A", "C")))
}

// How long it was had follows from how long its pot was here, on both sides of each limit.
func TestWhoIsTakenOutWasHadAsLongAsItsPot(t *testing.T) {
	for days, had := range map[int]record.Had{
		27: record.HadNew, 28: record.HadWeeks, 89: record.HadWeeks, 90: record.HadMonths, 364: record.HadMonths,
		365: record.HadYears,
	} {
		b := newBook(t)
		b.entries[0].On = today - day.Day(days)
		b.write(0, together("A", "B"))
		lists, faults := b.state().TakeOut(uuid.New(), today, []record.TakenOut{{Letter: "B", Plant: uuid.New(), Name: "x"}})
		require.Empty(t, faults)
		assert.Equal(t, had, lists[0][0].Arrived.Had, "%d days", days)
	}
}
