package exchange_test

import (
	"bytes"
	"encoding/json"
	"math/rand/v2"
	"os"
	"strings"
	"testing"
	"time"

	"github.com/google/uuid"
	"github.com/santhosh-tekuri/jsonschema/v6"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
	"golang.org/x/text/encoding/charmap"
	"golang.org/x/text/encoding/unicode"

	"tendermend/core/care"
	"tendermend/core/day"
	"tendermend/core/diagnosis"
	"tendermend/core/facts"
	"tendermend/core/place"
	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/water"
	"tendermend/exchange"
	"tendermend/internal/pgtest"
	"tendermend/record"
)

var today = day.Of(2026, time.November, 24)

func p[T any](v T) *T { return &v }

// anyWords holds what breaks tables and texts.
var anyWords = []string{
	"",
	"plain",
	"with, comma",
	`with "quotes"`,
	"two\nlines",
	"=SUM(A1)",
	"-3 °C",
	"+1",
	"@home",
	"'tis",
	"ümläut ✂ 苔",
	"\ttab",
}

func randomEntries(chance *rand.Rand, plant uuid.UUID, place uuid.UUID, n int) []record.Entry {
	word := func() string { return anyWords[chance.IntN(len(anyWords))] }
	bodies := []func() record.Body{
		func() record.Body {
			return record.Body{
				Arrived: &record.Arrived{
					Name:     "N" + word(),
					Habit:    "fern",
					From:     word(),
					Note:     word(),
					Place:    &place,
					Price:    p(chance.Float64() * 50),
					Leaves:   p(chance.IntN(40)),
					Isolated: chance.IntN(2) == 0,
				},
			}
		},
		func() record.Body {
			return record.Body{Watered: &record.Watered{Millilitres: p(chance.Float64() * 900)}}
		},
		func() record.Body { return record.Body{Probed: &record.Probed{Moisture: water.Moist}} },
		func() record.Body { return record.Body{Noted: &record.Noted{Text: "x" + word()}} },
		func() record.Body {
			return record.Body{
				Checked: &record.Checked{
					Note: word(),
					Readings: []record.Value{
						{Measure: "longest-root", Value: chance.Float64() * 100},
						{Measure: "wilt", Value: float64(chance.IntN(2))},
					},
				},
			}
		},
		func() record.Body { return record.Body{Moved: &record.Moved{Place: &place, Reason: word()}} },
		func() record.Body {
			return record.Body{
				Grown: &record.Grown{
					Growth: uuid.New(),
					Sort:   recovery.Root,
					Name:   word(),
					SizeMM: p(chance.Float64() * 80),
				},
			}
		},
		func() record.Body {
			return record.Body{
				Pictured: &record.Pictured{
					Picture: uuid.New(),
					Side:    record.SideBase,
					Scale:   &record.Scale{X1: chance.Float64(), X2: 2, MM: 140, Of: word()},
				},
			}
		},
	}
	var list []record.Entry
	at := time.Date(2026, 1, 3, 8, 0, 0, 0, time.UTC)
	for i := range n {
		at = at.Add(time.Duration(chance.IntN(1e9)) * time.Microsecond)
		e := record.Entry{
			ID:         uuid.New(),
			PlantID:    plant,
			On:         today - day.Day(chance.IntN(300)),
			RecordedAt: at,
			By:         "Marit" + word(),
			Body:       bodies[chance.IntN(len(bodies))](),
		}
		if i > 0 && chance.IntN(9) == 0 {
			e.Replaces = p(list[chance.IntN(i)].ID)
		}
		if i > 0 && chance.IntN(9) == 0 {
			e.With = p(list[chance.IntN(i)].ID)
		}
		if chance.IntN(6) == 0 {
			e.Despite = []record.Concern{{ID: record.WateredToday, Said: "Watered " + word()}}
		}
		list = append(list, e)
	}
	return list
}

func asText(t *testing.T, v any) string {
	t.Helper()
	raw, err := json.Marshal(v)
	require.NoError(t, err)
	return string(raw)
}

func TestEntriesGoOutAndComeInUnchanged(t *testing.T) {
	chance := rand.New(rand.NewPCG(8, 8))
	for range 60 {
		place := exchange.Place{ID: uuid.New(), Name: "Shelf" + anyWords[chance.IntN(len(anyWords))]}
		var plants []exchange.Plant
		for range 1 + chance.IntN(4) {
			id := uuid.New()
			plants = append(
				plants,
				exchange.Plant{ID: id, Entries: randomEntries(chance, id, place.ID, 1+chance.IntN(30))},
			)
		}
		back, err := exchange.Understand(pgtest.Table(t, plants, []exchange.Place{place}), today)
		require.NoError(t, err)
		require.Len(t, back.Plants, len(plants))
		for i := range plants {
			assert.Equal(t, asText(t, plants[i].Entries), asText(t, back.Plants[i].Entries))
		}
		for _, at := range back.Places {
			assert.Equal(t, place, at, "places come with their names")
		}

		whole := exchange.Archive{Format: exchange.Format, Written: today, Collection: "C", Plants: plants}
		var file bytes.Buffer
		file.Write(pgtest.JSON(t, whole))
		read, err := exchange.Understand(file.Bytes(), today)
		require.NoError(t, err)
		assert.Equal(t, asText(t, whole), asText(t, read))
	}
}

func TestASpreadsheetNeverSeesAFormula(t *testing.T) {
	id := uuid.New()
	e := record.Entry{
		ID:      uuid.New(),
		PlantID: id,
		On:      today,
		By:      "=HYPERLINK(1)",
		Body:    record.Body{Noted: &record.Noted{Text: "x"}},
	}
	var table bytes.Buffer
	table.Write(pgtest.Table(t, []exchange.Plant{{ID: id, Entries: []record.Entry{e}}}, nil))
	assert.NotContains(t, table.String(), ",=HYPERLINK")
	table.Reset()
	require.NoError(
		t,
		exchange.WriteRegister(&table, []exchange.Registered{
			{Arrival: record.Arrived{Name: "=1+1", Habit: "fern"}, Botanical: "=2+2"},
		}),
	)
	assert.Contains(t, table.String(), ",'=1+1,")
	assert.Contains(t, table.String(), ",'=2+2,", "the botanical name of an own kind as well")
}

func TestARegisterTakesPlantsIn(t *testing.T) {
	table := "\ufeffName,Habit,Place,Arrived,Pot_width_cm,Leaves\nFern by the " +
		"door,fern,Hall,2026-10-02,12.5,14\n\"Fig, the tall one\",woody,hall,,,\n"
	a, err := exchange.Understand([]byte(table), today)
	require.NoError(t, err)
	require.Len(t, a.Plants, 2)
	first := a.Plants[0].Entries[0]
	assert.Equal(t, day.Of(2026, time.October, 2), first.On)
	assert.Equal(t, 12.5, *first.Arrived.PotWidthCM)
	assert.Equal(t, 14, *first.Arrived.Leaves)
	assert.Equal(t, today, a.Plants[1].Entries[0].On, "without a day it came today")
	require.Len(t, a.Places, 1, "one place, however it is written")
	again, err := exchange.Understand([]byte(table), today)
	require.NoError(t, err)
	assert.Equal(t, asText(t, a.Plants), asText(t, again.Plants), "the same table gives the same plants")
	var out bytes.Buffer
	require.NoError(
		t,
		exchange.WriteRegister(
			&out,
			[]exchange.Registered{{ID: a.Plants[0].ID, On: first.On, Arrival: *first.Arrived, PlaceName: "Hall"}},
		),
	)
	back, err := exchange.Understand(out.Bytes(), today)
	require.NoError(t, err)
	assert.Equal(t, a.Plants[0].ID, back.Plants[0].ID)
	assert.Equal(t, asText(t, *first.Arrived), asText(t, *back.Plants[0].Entries[0].Arrived))
}

func TestWhatCannotBeReadIsSaidByItsPlace(t *testing.T) {
	id := uuid.NewString()
	head := "plant,entry,on,recorded_at,by,replaces,kind,place,recorded\n"
	for sent, says := range map[string]string{
		"":                   "neither an archive",
		"{":                  "cannot be read",
		`{"format":"other"}`: "neither an archive",
		`{"format":"tender-mend archive 1","more":1}`: "more",
		"name,price\nFern,3\n":                        "habit",
		"name,habit,leaves\nFern,fern,many\n": "row 2, " +
			"column “leaves”",
		"name,habit,arrived\nFern,fern,yesterday\n": "2026-11-24",
		"name,habit\nFern,fern,too,many\n":          "row 2",
		head + "x," + id + ",2026-11-24,2026-11-24T09:00:00Z,,,,,{}\n": "column " +
			"“plant”",
		head + id + "," + id + ",today,2026-11-24T09:00:00Z,,,,,{}\n": "column “on”",
		head + id + "," + id + ",2026-11-24,2026-11-24T09:00:00Z,,,,,{}\n": "no entry " +
			"of a known kind",
		head + id + "," + id + ",2026-11-24,2026-11-24T09:00:00Z,,,,,\"{\"\"noted\"\":{\"\"txt\"\":1}}\"\n": "txt",

		`{"format":"tender-mend archive 1","plants":[{"entries":[{}]}]}`: "plants[0].entries[0]",

		`{"format":"tender-mend archive 1","plants":[{"pictures":[{"jpeg":"PHNjcmlwdD4=","small":""}]}]}`: "holds no " +
			"JPEG",
	} {
		_, err := exchange.Understand([]byte(sent), today)
		if assert.Error(t, err, sent) {
			assert.Contains(t, err.Error(), says, sent)
		}
	}
}

func TestArchivesFollowTheirSchema(t *testing.T) {
	raw, err := os.ReadFile("../docs/archive.schema.json")
	require.NoError(t, err)
	document, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
	require.NoError(t, err)
	compiler := jsonschema.NewCompiler()
	require.NoError(t, compiler.AddResource("archive.json", document))
	schema, err := compiler.Compile("archive.json")
	require.NoError(t, err)
	id, place := uuid.New(), uuid.New()
	a := exchange.Archive{
		Format:     exchange.Format,
		Written:    today,
		Collection: "C",
		Places:     []exchange.Place{{ID: place, Name: "Hall"}},
		Supplies:   []exchange.Supply{},
		Cases: []diagnosis.WorkedCase{{
			Examination: diagnosis.Examination{Habit: "fern", Present: []string{"leaf.crisp"}, Again: []string{"leaf.crisp"}},
			Causes:      []string{"dry-air"}, Known: true, Basis: "seen",
		}},
		Plants: []exchange.Plant{
			{
				ID:       id,
				Name:     "Fern",
				Pictures: []exchange.Picture{},
				Entries:  randomEntries(rand.New(rand.NewPCG(1, 2)), id, place, 40),
			},
		},
	}
	a.Kinds = nil
	text := strings.Replace(asText(t, a), `"kinds":null`, `"kinds":[]`, 1)
	value, err := jsonschema.UnmarshalJSON(strings.NewReader(text))
	require.NoError(t, err)
	assert.NoError(t, schema.Validate(value))
	odd, err := jsonschema.UnmarshalJSON(strings.NewReader(strings.Replace(text, "dry-air", "curse", 1)))
	require.NoError(t, err)
	assert.Error(t, schema.Validate(odd), "a case of an unknown cause")
	broken, err := jsonschema.UnmarshalJSON(
		strings.NewReader(strings.Replace(text, `"habit":"fern"`, `"habit":7`, 1)),
	)
	require.NoError(t, err)
	if strings.Contains(text, `"habit":"fern"`) {
		assert.Error(t, schema.Validate(broken))
	}
}

func TestAPlantAloneTakesOnlyWhatItNames(t *testing.T) {
	sill, bed, soil, other := uuid.New(), uuid.New(), uuid.New(), uuid.New()
	id := uuid.New()
	entries := []record.Entry{
		{
			ID:      uuid.New(),
			PlantID: id,
			Body:    record.Body{Arrived: &record.Arrived{Name: "Vine", Profile: "own:vine", Place: &sill}},
		},
		{
			ID:      uuid.New(),
			PlantID: id,
			Body:    record.Body{Did: &record.Did{Step: "pot-up", Used: []record.Used{{Supply: soil, Amount: 2}}}},
		},
	}
	whole := exchange.Archive{Format: exchange.Format,
		Places: []exchange.Place{{ID: bed, Name: "Bedroom"}, {ID: sill, Name: "Sill"}},
		Kinds: []exchange.Kind{
			{Profile: plant.Profile{ID: "own:fern"}},
			{Profile: plant.Profile{ID: "own:vine"}, Withdrawn: true},
		},
		Supplies: []exchange.Supply{
			{ID: other, Name: "wine"},
			{ID: soil, Name: "soil", Low: 3, Moves: []exchange.SupplyMove{{ID: uuid.New(), Amount: 9}}},
		},
		Site: &place.Site{Latitude: 52}, Decided: &exchange.Decided{Off: []care.Job{care.Turn}},
		Trips:  []exchange.Trip{{ID: uuid.New(), Phone: "at the ferry"}},
		Cases:  []diagnosis.WorkedCase{{}},
		Plants: []exchange.Plant{{ID: id, Entries: entries}}}
	assert.Equal(t, map[uuid.UUID]bool{soil: true}, whole.Used())
	alone := whole.Alone()
	require.Len(t, alone.Places, 1)
	assert.Equal(t, "Sill", alone.Places[0].Name)
	require.Len(t, alone.Kinds, 1)
	assert.Equal(t, exchange.Kind{Profile: plant.Profile{ID: "own:vine"}, Withdrawn: true}, alone.Kinds[0])
	require.Len(t, alone.Supplies, 1)
	assert.Equal(
		t,
		exchange.Supply{ID: soil, Name: "soil", Withdrawn: true, Moves: []exchange.SupplyMove{}},
		alone.Supplies[0],
		"without what went in and out of that cupboard",
	)
	assert.Equal(t, entries, alone.Plants[0].Entries)
	assert.True(t, alone.Site == nil && alone.Decided == nil && alone.Trips == nil && alone.Cases == nil,
		"neither who lives there nor when they are away")
}

// A table is read as its spreadsheet wrote it, or refused; no letter is lost in
// silence.
func TestTablesAreReadInTheLettersTheyAreWrittenIn(t *testing.T) {
	const table = "name,habit,note\nGläserne Vanda,orchid-monopodial,Größe: 30 €\n"
	latin, err := charmap.Windows1252.NewEncoder().Bytes([]byte(table))
	require.NoError(t, err)
	wide, err := unicode.UTF16(unicode.LittleEndian, unicode.UseBOM).NewEncoder().Bytes([]byte(table))
	require.NoError(t, err)
	for name, raw := range map[string][]byte{
		"UTF-8": []byte(table), "UTF-8 with its mark": []byte("\ufeff" + table), "Latin": latin, "UTF-16": wide,
	} {
		a, err := exchange.Understand(raw, today)
		require.NoError(t, err, name)
		assert.Equal(t, "Gläserne Vanda", a.Plants[0].Entries[0].Arrived.Name, name)
		assert.Equal(t, "Größe: 30 €", a.Plants[0].Entries[0].Arrived.Note, name)
	}
	_, err = exchange.Understand([]byte("name,habit\n\x81\x8d,fern\n"), today)
	assert.ErrorContains(t, err, "save it as CSV in UTF-8")
	_, err = exchange.Understand([]byte(`{"format":"tender-mend archive 1","collection":"Gl`+"\xe4"+`ser"}`), today)
	assert.ErrorContains(t, err, "not written in UTF-8")
}

// A table of entries keeps the case that an entry belongs to, and what it was
// warned of.
func TestATableKeepsCasesAndWarnings(t *testing.T) {
	of := uuid.New()
	p := exchange.Plant{ID: uuid.New()}
	opened := record.Entry{
		ID: of, PlantID: p.ID, On: day.Of(2026, time.May, 1), RecordedAt: time.Unix(1777600000, 0).UTC(), By: "Ida",
		Body: record.Body{Opened: &record.Opened{Why: "white fluff"}},
	}
	ended := record.Entry{
		ID: uuid.New(), PlantID: p.ID, On: day.Of(2026, time.May, 9), RecordedAt: time.Unix(1778300000, 0).UTC(), By: "Ida",
		Case: &of, Body: record.Body{Closed: &record.Closed{Outcome: record.OutcomeMended}},
		Despite: []record.Concern{{ID: record.CourseOpen, Said: "too early"}},
	}
	effect := record.Entry{
		ID: uuid.New(), PlantID: p.ID, On: day.Of(2026, time.May, 9), RecordedAt: time.Unix(1778300001, 0).UTC(), By: "Ida",
		With: &ended.ID, Body: record.Body{Stated: &record.Stated{Seat: facts.InPot}},
	}
	p.Entries = []record.Entry{opened, ended, effect}
	var out bytes.Buffer
	w, err := exchange.BeginEntries(&out, nil)
	require.NoError(t, err)
	require.NoError(t, w.Plant(p))
	require.NoError(t, w.End())
	plants, _, err := exchange.ReadEntries(out.Bytes())
	require.NoError(t, err)
	require.Len(t, plants, 1)
	assert.Equal(t, p.Entries, plants[0].Entries)
	for column, id := range map[string]string{"case": of.String() + ",", "with": ended.ID.String() + "\n"} {
		last := strings.LastIndex(out.String(), id)
		require.Positive(t, last)
		_, _, err = exchange.ReadEntries([]byte(out.String()[:last] + "no" + out.String()[last:]))
		assert.ErrorContains(t, err, column)
	}
}
