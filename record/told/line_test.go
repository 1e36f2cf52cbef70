package told_test

import (
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/record"
	"tendermend/record/told"
)

var today = day.Of(2026, time.November, 24)

// plantOf is a plant that came a hundred days ago, with what was recorded since.
func plantOf(entries ...record.Entry) record.State {
	id := uuid.New()
	came := record.Entry{
		ID: uuid.New(), PlantID: id, On: today - 100,
		Body: record.Body{Arrived: &record.Arrived{Name: "Fern", Habit: "fern", Profile: "nephrolepis-exaltata"}},
	}
	list := []record.Entry{came}
	for i, e := range entries {
		e.ID, e.PlantID, e.RecordedAt = uuid.New(), id, time.Unix(int64(i+1), 0)
		list = append(list, e)
	}
	return record.Fold(id, list, nil)
}

func entryOn(daysAgo day.Day, b record.Body) record.Entry {
	return record.Entry{On: today - daysAgo, Body: b}
}

func checked(daysAgo day.Day, wilt float64) record.Entry {
	readings := []record.Value{{Measure: "wilt", Value: wilt}}
	return entryOn(daysAgo, record.Body{Checked: &record.Checked{Readings: readings}})
}

// The line tells how a plant stands, since when, and the first thing to do.
func TestTheLineTellsHowAPlantStandsAndWhatIsNext(t *testing.T) {
	examined := entryOn(5, record.Body{Examined: &record.Examined{Present: []string{"leaf.crisp"}}})
	for said, s := range map[string]record.State{
		"It came on 16 August and nobody has examined it yet. Now: look it over from the outside in.": plantOf(),
		"It was examined on 19 November; what to do is not decided. Now: decide what to do.":          plantOf(examined),
		"Diagnosed on 20 November, drought stress; there is no plan yet. Now: make the plan.": plantOf(examined,
			entryOn(4, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"drought"}}})),
		"Lost on 20 November, 13 weeks after it came.": plantOf(
			entryOn(4, record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost}})),
		"Given away on 6 September, 3 weeks after it came.": plantOf(
			entryOn(79, record.Body{Closed: &record.Closed{Outcome: record.OutcomeGiven}})),
		"Given away on 5 September, 20 days after it came.": plantOf(
			entryOn(80, record.Body{Closed: &record.Closed{Outcome: record.OutcomeGiven}})),
	} {
		assert.Equal(t, said, told.Line(s, today, false))
	}
	last := plantOf()
	assert.Contains(t, told.Line(last, today+60, false), "It came on 16 August 2026", "another year is named")
}

// A change of its condition is told as its page tells it: against four weeks ago, where
// somebody looked, and from three points on.
func TestTheLineTellsAChangeOfItsCondition(t *testing.T) {
	line := func(first, last record.Entry) string { return told.Line(plantOf(first, last), today, false) }
	assert.Regexp(t, `Its condition rose by \d+ points in 28 days, to \d+ of 100\.`, line(checked(40, 1), checked(1, 0)))
	assert.Contains(t, line(checked(28, 0), checked(1, 1)), "Its condition fell by")
	assert.NotContains(t, line(checked(27, 0), checked(1, 1)), "condition", "nobody looked four weeks ago")
	assert.NotContains(t, line(checked(40, 1), checked(1, 1)), "condition", "as it was")
}

// A trouble that mended after it was taken in as well is what the line tells of.
func TestTheLineTellsOfWhatCameLast(t *testing.T) {
	well := entryOn(90, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}})
	seen := entryOn(60, record.Body{Examined: &record.Examined{Present: []string{"leaf.crisp"}}})
	dry := entryOn(60, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"drought"}}})
	mended := entryOn(20, record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}})
	assert.Contains(t, told.Line(plantOf(well), today, false), "It is well: nothing was found on 26 August.")
	assert.Contains(t, told.Line(plantOf(well, seen, dry, mended), today, false), "Mended on 4 November, drought stress.")
}
