package record_test

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// A day with the hands on the plant is one for each person; a blade that was used or cleaned on it stays so, whatever
// is recorded first.
func TestADayInHandKeepsItsBlade(t *testing.T) {
	cut := record.Body{Cut: &record.Cut{Organ: "leaf"}}
	sat := record.Body{Treated: &record.Treated{Product: "Own soap", Where: "leaves"}}
	type did struct {
		days int
		body record.Body
	}
	for i, row := range []struct {
		did    []did
		blades []bool // of each day in hand
	}{
		{[]did{{9, cut}}, []bool{true}},
		{[]did{{9, sat}}, []bool{false}},
		{[]did{{9, cut}, {9, sat}}, []bool{true}},
		{[]did{{9, sat}, {9, cut}}, []bool{true}},
		{[]did{{9, cut}, {8, sat}}, []bool{true, false}},
		{[]did{{9, record.Body{Examined: &record.Examined{Present: []string{"leaf.drooping"}}}}}, nil},
	} {
		b := newBook(t)
		for _, d := range row.did {
			b.write(d.days, d.body)
		}
		var blades []bool
		for _, h := range b.state().Hands {
			blades = append(blades, h.Blade)
			assert.False(t, h.Cleaned, "row %d", i)
		}
		assert.Equal(t, row.blades, blades, "row %d", i)
	}

	b := newBook(t)
	one, other := b.entry(9, cut), b.entry(9, sat)
	one.By, other.By = "Ada", "Ines"
	b.add(one)
	b.add(other)
	require.Len(t, b.state().Hands, 2, "two people, two pairs of hands")
}

// A tick tells of hands on the plant, of a blade and of a clean one by what its step does; a skipped one does not.
func TestATickTellsOfHandsByWhatItDoes(t *testing.T) {
	for op, want := range map[treatment.OperatorID]struct{ blade, cleaned bool }{
		treatment.CleanBlade: {false, true}, treatment.TrimDead: {true, false}, treatment.Unpot: {false, false},
	} {
		for _, skipped := range []bool{false, true} {
			b := newBook(t)
			b.rot()
			b.write(39, record.Body{Did: &record.Did{Step: b.step(op).ID, Skipped: skipped, Reason: "as it came"}})
			hands := b.state().Hands
			if skipped {
				assert.Empty(t, hands, op)
				continue
			}
			require.Len(t, hands, 1, op)
			assert.Equal(t, want.blade, hands[0].Blade, op)
			assert.Equal(t, want.cleaned, hands[0].Cleaned, op)
		}
	}
}

// What was recorded since a step fell due is its tick: a picture or a count of the same day for a first picture, a look
// or a watering of the same day where the plan is older than that.
func TestWhatWasRecordedSinceAStepFellDueIsItsTick(t *testing.T) {
	const never = -1
	for i, row := range []struct {
		op      treatment.OperatorID
		due     int // days ago
		planned int
		looked  int
		watered int
		done    bool
	}{
		{treatment.Look, 5, 9, 5, never, true},
		{treatment.Look, 5, 9, 6, never, false},
		{treatment.Look, 5, 5, 5, never, false}, // what the plan was made from
		{treatment.Look, 5, 5, 4, never, true},
		{treatment.Look, 5, 9, never, 5, false},
		{treatment.FirstWater, 5, 9, never, 5, true},
		{treatment.FirstWater, 5, 9, never, 6, false},
		{treatment.FirstWater, 5, 5, never, 5, true}, // after the plan was taken up
		{treatment.FirstWater, 5, 9, 5, never, false},
		{treatment.Unpot, 5, 9, 4, 4, false},
	} {
		s := record.State{}
		s.ArrivedOn = ago(90)
		if row.looked != never {
			seen := ago(row.looked)
			s.SeenOn = &seen
		}
		if row.watered != never {
			s.WateredOn = daysAgo(50, row.watered)
		}
		s.PlannedOn = ago(row.planned)
		s.Plan = &sheet.Plan{Steps: []sheet.Step{{ID: "x", Op: string(row.op), On: ago(row.due)}}}
		tick, done := s.Done()["x"]
		assert.Equal(t, row.done, done, "row %d", i)
		if done {
			assert.Equal(t, ago(min(max(row.looked, row.watered), row.due)), tick.On, "row %d", i)
		}
	}
	for pictured, done := range map[int]bool{5: true, 4: true, 6: false} {
		s := record.State{Pictures: []record.PictureOn{{On: ago(pictured)}}}
		s.PlannedOn = ago(9)
		s.Plan = &sheet.Plan{Steps: []sheet.Step{{ID: "x", Op: string(treatment.Baseline), On: ago(5)}}}
		_, is := s.Done()["x"]
		assert.Equal(t, done, is, "pictured %d days ago", pictured)
	}
}

// A day in short form ends a repeated step of an older record; what must be seen gives no day.
func TestAStepEndsOnTheDayThatIsWritten(t *testing.T) {
	for short, days := range map[string]int{"d30": 30, "d12 at least": 12, "new leaf": -1, "when it looks better": -1} {
		end, known := sheet.Step{Until: short}.EndsOn(today)
		assert.Equal(t, days >= 0, known, short)
		if known {
			assert.EqualValues(t, days, end-today, short)
		}
	}
}

// A watering that is recorded plainly is the first water of what was set before, whatever that waits for: its plan
// keeps it dry no longer. One of the day on which it was lifted is not.
func TestAPlainWateringIsTheFirstWater(t *testing.T) {
	const lifted = 20
	for i, row := range []struct {
		gate    string
		due     int // days ago
		watered int
		done    bool
	}{
		{"new roots", 5, lifted - 1, true}, {"new roots", 5, lifted, false}, {"new roots", 5, lifted + 1, false},
		{"", 5, lifted - 1, true}, {"", 5, lifted, false}, {"", lifted, lifted, true}, {"", 5, 5, true}, {"", 5, 4, true},
	} {
		s := record.State{}
		s.ArrivedOn, s.PlannedOn = ago(90), ago(lifted)
		s.WateredOn = daysAgo(row.watered)
		s.Ticks = map[string]record.Tick{"lift": {On: ago(lifted)}}
		s.Plan = &sheet.Plan{Steps: []sheet.Step{
			{ID: "lift", Op: string(treatment.Unpot), On: ago(lifted)},
			{ID: "first", Op: string(treatment.FirstWater), On: ago(row.due), Gate: row.gate},
			{ID: "theirs", Op: string(treatment.FirstWater), On: ago(row.due), Of: treatment.ForPieces},
		}}
		_, done := s.Done()["first"]
		assert.Equal(t, row.done, done, "row %d", i)
		assert.NotContains(t, s.Done(), "theirs", "row %d: what is given to the plant its pieces do not drink", i)
	}
}
