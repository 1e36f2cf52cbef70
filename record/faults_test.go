package record_test

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/recovery"
	"tendermend/core/roots"
	"tendermend/core/treatment/sheet"
	"tendermend/record"
)

// Every kind of entry is tried with what cannot be right; each refusal names
// its field and says what to do.
func TestWhatCannotBeRightIsRefusedByItsField(t *testing.T) {
	none := uuid.Nil
	for _, tc := range []struct {
		field string
		body  record.Body
		says  string
	}{
		{"arrived", record.Body{Arrived: &record.Arrived{Name: "Again", Habit: "fern"}}, ""},
		{"examined.present[0]", record.Body{Examined: &record.Examined{Present: []string{"leaf.blue"}}}, "no sign"},
		{"examined", record.Body{Examined: &record.Examined{}}, ""},
		{"examined.absent[0]", record.Body{Examined: &record.Examined{Present: []string{"leaf.crisp"},
			Absent: []string{"leaf.crisp"}}}, ""},
		{"examined.again[0]", record.Body{Examined: &record.Examined{Absent: []string{"leaf.crisp"},
			Again: []string{"leaf.crisp"}}}, "was not seen"},
		{"examined.unsure[0]", record.Body{Examined: &record.Examined{Absent: []string{"leaf.crisp"},
			Unsure: []string{"leaf.torn"}}}, "nobody can be unsure"},
		{"diagnosed.causes[0]", record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"curse"}}}, "no cause"},
		{"diagnosed.causes[1]", record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"rust", "rust"}}}, "twice"},
		{"diagnosed.causes", record.Body{Diagnosed: &record.Diagnosed{Causes: []string{"rust", "aphid", "scale", "thrips",
			"virus", "drought", "low-light"}}}, "at most six"},
		{"planned", record.Body{Planned: &record.Planned{Answers: sheet.Answers{}}}, "cause"},
		{"did.step", record.Body{Did: &record.Did{Step: "unpot"}}, ""},
		{"watered.millilitres", record.Body{Watered: &record.Watered{Millilitres: p(-3.0)}}, ""},
		{"weighed.grams", record.Body{Weighed: &record.Weighed{Grams: 0}}, ""},
		{"probed.moisture", record.Body{Probed: &record.Probed{Moisture: "soggy"}}, ""},
		{"checked.readings", record.Body{Checked: &record.Checked{}}, ""},
		{"checked.readings[0]", record.Body{Checked: &record.Checked{Readings: []record.Value{{Measure: "mood",
			Value: 1}}}}, ""},
		{"moved", record.Body{Moved: &record.Moved{}}, ""},
		{"tallied", record.Body{Tallied: &record.Tallied{}}, "count at least one root"},
		{"tallied.inMedium", record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: roots.Count{Live: 900}}}},
			""},
		{"tallied.rootBallCm", record.Body{Tallied: &record.Tallied{Tally: roots.Tally{InMedium: roots.Count{Live: 1},
			RootBallCM: p(0.0)}}}, "cm"},
		{"fed.strength", record.Body{Fed: &record.Fed{}}, ""},
		{"potted", record.Body{Potted: &record.Potted{}}, "say what is new"},
		{"potted.widthCm", record.Body{Potted: &record.Potted{WidthCM: p(0.1)}}, ""},
		{"metered.minC", record.Body{Metered: &record.Metered{MinC: p(25.0), MaxC: p(18.0)}}, "change them round"},
		{"metered.hours", record.Body{Metered: &record.Metered{Lux: p(900.0), Hours: p(25.0)}}, ""},
		{"adjusted.temperature", record.Body{Adjusted: &record.Adjusted{Wishes: plant.Wishes{Temperature: &[3]float64{46,
			64, 86}}, Reason: "°F by mistake"}}, ""},
		{"adjusted.reason", record.Body{Adjusted: &record.Adjusted{}}, "why"},
		{"confirmed", record.Body{Confirmed: &record.Confirmed{How: "seen"}}, "examine it first"},
		{"prepared", record.Body{Prepared: &record.Prepared{What: "soap wash"}}, "at least one amount"},
		{"treated.product", record.Body{Treated: &record.Treated{Product: " "}}, "label"},
		{"treated.against", record.Body{Treated: &record.Treated{Product: "Oil", Against: "dragons"}}, "no cause"},
		{"treated.intervalDays", record.Body{Treated: &record.Treated{Product: "Oil", IntervalDays: -7}}, ""},
		{"staged", record.Body{Staged: &record.Staged{Track: "foliage-rerooting", From: "stabilise", To: "re-root"}}, ""},
		{"grown.sort", record.Body{Grown: &record.Grown{Growth: uuid.New()}}, "say what grows"},
		{"grown.sizeMm", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", SizeMM: p(-2.0)}}, "mm"},
		{"grown.marks", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", Marks: []recovery.Mark{"holy"}}},
			"from the list"},
		{"grown.marks", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf",
			Marks: []recovery.Mark{recovery.Torn, recovery.Torn}}}, "once"},
		{"grown.clean", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", Clean: true,
			Marks: []recovery.Mark{recovery.Torn}}}, "not both"},
		{"grown.lobes", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", Lobes: p(recovery.MostLobes + 1)}},
			"from 0 to 60"},
		{"grown.lobes", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", Lobes: p(-1)}}, ""},
		{"grown.state", record.Body{Grown: &record.Grown{Growth: uuid.New(), Sort: "leaf", State: "happy"}}, ""},
		{"pictured.side", record.Body{Pictured: &record.Pictured{Picture: uuid.New(), Side: "inside"}}, "which side"},
		{"pictured.scale", record.Body{Pictured: &record.Pictured{Picture: uuid.New(), Side: "front",
			Scale: &record.Scale{MM: 90}}}, "lie apart"},
		{"pictured.scale", record.Body{Pictured: &record.Pictured{Picture: uuid.New(), Side: "front",
			Scale: &record.Scale{X1: -4, X2: 1, MM: 90}}}, "inside the picture"},
		{"closed.outcome", record.Body{Closed: &record.Closed{Outcome: "sold"}}, ""},
		{"noted.text", record.Body{Noted: &record.Noted{Text: "  "}}, ""},
		{"closed.reason", record.Body{Closed: &record.Closed{Outcome: record.OutcomeLost}}, "may live by it"},
		{"reopened", record.Body{Reopened: &record.Reopened{}}, "open"},
		{"voided.entry", record.Body{Voided: &record.Voided{Entry: none}}, "no such entry"},
	} {
		b := newBook(t)
		faults := b.try(0, tc.body)
		if !assert.NotEmpty(t, faults, "%s: nothing was said against it", tc.field) {
			continue
		}
		named := false
		for _, f := range faults {
			named = named || f.Field == tc.field
			assert.NotEmpty(t, f.Message, tc.field)
		}
		assert.True(t, named, "%s is named in: %s", tc.field, faults)
		assert.Contains(t, faults.Error(), tc.says, tc.field)
	}
}

func TestABodyHoldsExactlyOneThing(t *testing.T) {
	b := newBook(t)
	assert.NotEmpty(t, b.try(0, record.Body{}))
	both := record.Body{Watered: &record.Watered{}, Fed: &record.Fed{Strength: 1}}
	assert.Empty(t, both.Kind())
	assert.NotEmpty(t, b.try(0, both))
}

// What happened may be written down days later: the order in which entries are
// recorded does not change what they say of different days.
func TestLateEntriesTakeTheirPlaceInTime(t *testing.T) {
	inTime, late := newBook(t), newBook(t)
	a := record.Body{Potted: &record.Potted{WidthCM: p(14.0), Medium: "bark"}}
	z := record.Body{Potted: &record.Potted{WidthCM: p(9.0), Medium: "moss"}}
	inTime.write(30, a)
	inTime.write(10, z)
	late.write(10, z)
	late.write(30, a)
	assert.Equal(t, inTime.state().Pot.Medium, late.state().Pot.Medium)
	require.NotNil(t, late.state().Pot.WidthCM)
	assert.Equal(t, 9.0, *late.state().Pot.WidthCM)
}
