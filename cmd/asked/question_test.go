package main

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/day"
	"tendermend/core/place"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

var (
	today   = day.Of(2026, time.November, 24)
	orchid  = uuid.MustParse("0b6f1a52-6c0f-4a55-9d55-6f6f5c3f7a01")
	sister  = uuid.MustParse("0b6f1a52-6c0f-4a55-9d55-6f6f5c3f7a02")
	sill    = uuid.MustParse("0b6f1a52-6c0f-4a55-9d55-6f6f5c3f7a03")
	written = time.Date(2026, time.November, 24, 9, 0, 0, 0, time.UTC)
)

// entry is one of the orchid, so many days ago.
func entry(n byte, ago int, body record.Body) record.Entry {
	id := orchid
	id[0] = n
	return record.Entry{
		ID: id, PlantID: orchid, On: today - day.Day(ago),
		RecordedAt: written.Add(time.Duration(n)*time.Minute - time.Duration(ago)*24*time.Hour), Body: body,
	}
}

// wet is a moth orchid that stands wet over rotten roots: looked at today and decided on.
func wet() question {
	return question{On: today, Plant: orchid, Entries: []record.Entry{
		entry(1, 40, record.Body{Arrived: &record.Arrived{
			Name: "By the stairs", Profile: "phalaenopsis-hybrid", Habit: "monopodial-orchid",
			Place: &sill, From: "A market stall",
		}}),
		entry(2, 0, record.Body{Examined: &record.Examined{
			Present: []string{"root.mushy", "med.wet-long"}, Absent: []string{"pest.cotton"},
		}}),
		entry(3, 0, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"root-rot"}}}),
	}}
}

func ask(t *testing.T, q question) (answered, string) {
	t.Helper()
	sent, err := json.Marshal(q)
	require.NoError(t, err)
	var out bytes.Buffer
	require.NoError(t, answer(bytes.NewReader(sent), &out))
	var a answered
	require.NoError(t, json.Unmarshal(out.Bytes(), &a))
	return a, out.String()
}

func TestAPlanIsMadeWithoutAServer(t *testing.T) {
	q := wet()
	before, _ := ask(t, q)
	plan := entry(4, 0, record.Body{Planned: &record.Planned{Answers: sheet.Answers{}}})
	q.Add = &plan
	after, text := ask(t, q)
	require.NotNil(t, after.Added)
	require.NotEmpty(t, after.Added.Planned.Plan.Steps)
	assert.NotEqual(t, before.Tasks, after.Tasks, "a plan asks for its steps")
	assert.Contains(t, after.Line, "root rot")
	assert.NotEqual(t, before.Card, after.Card, "and says what it is given meanwhile")

	// What was kept is told again as it was: nothing depends on more than the question.
	q.Entries, q.Add = append(q.Entries, *after.Added), nil
	again, _ := ask(t, q)
	assert.Equal(t, after.Tasks, again.Tasks)
	assert.Equal(t, after.Card, again.Card)
	assert.NotContains(t, text, "null,", "lists and words, nothing that is not there")
}

func TestWhatStandsAroundIsOneValue(t *testing.T) {
	var air place.YearAir
	for i := range 12 {
		air.Light[i], air.Night[i], air.Day[i], air.Humidity[i], air.VPD[i] = 4.5, 18.5, 22, 55, 1.1
	}
	around := record.Around{
		Sisters: []record.Sister{{Plant: sister, Name: "The one beside it", Suspicion: record.Suspicion{
			Cause: "mealybug", What: "mealybugs", Since: today - 3, Decided: true,
		}}},
		Airs:  map[uuid.UUID]place.YearAir{sill: air},
		Aways: []record.Away{{From: today - 20, Back: today - 10}},
	}
	sent, err := json.Marshal(around)
	require.NoError(t, err)
	var read record.Around
	require.NoError(t, json.Unmarshal(sent, &read))
	assert.Equal(t, around, read)

	q := question{On: today, Plant: orchid, Entries: []record.Entry{
		wet().Entries[0],
		entry(5, 0, record.Body{Examined: &record.Examined{Absent: []string{"root.mushy", "pest.cotton"}}}),
		entry(6, 0, record.Body{Diagnosed: &record.Diagnosed{Nothing: true}}),
	}}
	alone, _ := ask(t, q)
	q.Around = around
	beside, _ := ask(t, q)
	kinds := func(a answered) (list []string) {
		for _, task := range a.Tasks {
			list = append(list, string(task.Kind))
		}
		return list
	}
	assert.NotContains(t, kinds(alone), "apart")
	assert.Contains(t, kinds(beside), "apart", "what came with a plant with mealybugs")
}

func TestWhatCannotBeAnsweredIsRefusedInWords(t *testing.T) {
	late := entry(9, 0, record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"no-such-cause"}}})
	refused := wet()
	refused.Add = &late
	made, err := json.Marshal(refused)
	require.NoError(t, err)
	for asked, says := range map[string]string{
		"":                     "reading the question",
		`{"of": 1}`:            "unknown field",
		`{"on": "2026-11-24"}`: "give its whole record",
		string(made):           "cannot be recorded",
	} {
		err := answer(strings.NewReader(asked), &bytes.Buffer{})
		require.Error(t, err, asked)
		assert.Contains(t, err.Error(), says)
	}
}
