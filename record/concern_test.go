package record_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/record"
)

// warned gives what is warned of when something is recorded so long after the
// last entry.
func (b *book) warned(daysAgo int, later time.Duration, body record.Body) record.Concerns {
	b.t.Helper()
	ledger := record.NewLedger(b.plant, b.entries, b.kinds)
	now := b.at.Add(later)
	return ledger.Concerns(b.entry(daysAgo, body), now, record.Context{Kinds: b.kinds})
}

func ids(list record.Concerns) (ids []record.ConcernID) {
	for _, c := range list {
		ids = append(ids, c.ID)
	}
	return ids
}

var watering = record.Body{Watered: &record.Watered{}}

func TestASecondWateringOfADayIsNamed(t *testing.T) {
	b := newBook(t)
	assert.Empty(t, b.warned(3, 0, watering))
	first := b.entry(3, watering)
	first.By = "Ida"
	first = b.add(first)
	for later, words := range map[time.Duration]string{
		20 * time.Second: "Watered 20 s ago by Ida already.",
		59 * time.Second: "Watered 59 s ago by Ida already.",
		time.Minute:      "Watered 1 min ago by Ida already.",
		59 * time.Minute: "Watered 59 min ago by Ida already.",
		time.Hour:        "Watered earlier that day by Ida already.",
	} {
		b.at = first.RecordedAt
		assert.Equal(t, record.Concerns{{ID: record.WateredToday, Said: words}}, b.warned(3, later, watering))
	}
	assert.Empty(t, b.warned(2, 0, watering), "another day")
	correction := b.entry(3, watering)
	correction.Replaces = &first.ID
	ledger := record.NewLedger(b.plant, b.entries, b.kinds)
	assert.Empty(t, ledger.Concerns(correction, b.at, record.Context{}), "it corrects the first")
	b.write(3, record.Body{Voided: &record.Voided{Entry: first.ID}})
	assert.Empty(t, b.warned(3, 0, watering), "that one was undone")
}

func TestWaterOnRotAndOnFreshCutsIsNamed(t *testing.T) {
	b := newBook(t)
	b.rot()
	assert.Equal(t, []record.ConcernID{record.RotWatered}, ids(b.warned(40, 0, watering)))
	for _, step := range []string{"unpot@d0", "trim-dead@d0", "pot-in@d0"} {
		b.write(40, record.Body{Did: &record.Did{Step: step}})
	}
	assert.Equal(t, []record.ConcernID{record.CutsOpen}, ids(b.warned(40, 0, watering)), "on the day of the work")
	assert.Empty(t, b.warned(39, 0, watering), "on the day of its first water")
	b.write(39, record.Body{Did: &record.Did{Step: "first-water@d1"}})
	assert.Empty(t, b.warned(38, 0, watering))
}

// Five days pass before a product goes onto leaves that were burnt.
func TestAProductOnAFreshBurnIsNamed(t *testing.T) {
	spray := record.Body{Treated: &record.Treated{Product: "leaf spray"}}
	for _, c := range []struct {
		cause  string
		on     int
		warned bool
	}{
		{"sun-scorch", 20, true}, {"sun-scorch", 16, true}, {"sun-scorch", 15, false},
		{"cold-injury", 16, true}, {"heat-stress", 16, true}, {"spider-mite", 20, false},
	} {
		b := newBook(t)
		assert.Empty(t, b.warned(20, 0, spray), "nothing is accepted yet")
		b.write(20, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{c.cause}}})
		assert.Equal(t, c.warned, len(b.warned(c.on, 0, spray)) > 0, "%s, %d days ago", c.cause, c.on)
	}
}

func TestACauseThatNothingSpeaksForIsNamed(t *testing.T) {
	b := newBook(t)
	accept := func(causes ...string) record.Concerns {
		return b.warned(40, 0, record.Body{Diagnosed: &record.Diagnosed{Causes: causes}})
	}
	assert.Empty(t, accept("spent-rosette"), "nobody looked: there is no chance to hold it against")
	b.write(40, record.Body{Examined: &record.Examined{
		Present: []string{"root.mushy", "med.wet-long", "root.smell"},
		Absent:  []string{"pest.cotton"},
	}})
	assert.Empty(t, accept("root-rot"))
	assert.Empty(t, accept("fungus-gnat"), "hardly, but not nothing")
	list := accept("root-rot", "spent-rosette")
	if assert.Equal(t, []record.ConcernID{record.NothingSpeaks}, ids(list)) {
		assert.Contains(t, list[0].Said, "0 %")
	}
}

func TestConcernsThatWereAcceptedAreMet(t *testing.T) {
	list := record.Concerns{{ID: record.WateredToday, Said: "a."}, {ID: record.CutsOpen, Said: "b."}}
	assert.Equal(t, list[1:], list.Unmet([]record.ConcernID{record.WateredToday}))
	assert.Empty(t, list.Unmet([]record.ConcernID{record.CutsOpen, record.WateredToday}))
	assert.EqualError(t, list, "a. b.")
}
