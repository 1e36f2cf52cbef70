package record_test

import (
	"encoding/json"
	"reflect"
	"slices"
	"strconv"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/record"
)

// A number that cannot be right is refused with its field, on both sides of what can be; the limits themselves are
// taken. Limits are common practice: what a hand lens, a kitchen scale or a lux meter can read, and what fits a room.
func TestNumbersAreTakenAtTheirLimitsAndRefusedBeyond(t *testing.T) {
	for _, row := range []struct {
		field       string
		least, most float64
		by          float64 // by how much it is beyond
	}{
		{"arrived.potWidthCm", 1, 200, .01}, {"arrived.potDepthCm", 1, 200, .01}, {"arrived.price", 0, 100000, .01},
		{"arrived.leaves", 0, 10000, 1}, {"arrived.growths", 0, 1000, 1},
		{"cut.n", 0, 1000, 1}, {"cut.kept", 0, 1000, 1}, {"cut.share", 0, 1, .001},
		{"fed.strength", .05, 5, .001}, {"grown.sizeMm", 0, 5000, .1},
		{"metered.lux", 0, 200000, 1}, {"metered.hours", .5, 24, .01}, {"metered.minC", -40, 50, .1},
		{"metered.maxC", -40, 60, .1}, {"metered.humidityPct", 1, 100, .1},
		{"planned.answers.rootBallCm", .5, 200, .01}, {"planned.answers.potWidthCm", 1, 200, .01},
		{"planned.answers.warmthC", -10, 45, .1}, {"planned.answers.humidityPct", 5, 100, .1},
		{"planned.answers.liveRoots", 0, 500, 1}, {"planned.answers.liveTips", 0, 500, 1},
		{"planned.answers.lookDays", 1, 60, 1}, {"planned.answers.deadRoots", 0, 500, 1},
		{"planned.answers.offsetsSeen", 0, 100, 1}, {"planned.answers.growths", 0, 500, 1},
		{"planned.answers.ownedDays", 0, 40000, 1},
		{"potted.widthCm", 1, 200, .01}, {"potted.depthCm", 1, 200, .01}, {"potted.levelCm", .1, 30, .01},
		{"stated.potWidthCm", 1, 200, .01}, {"stated.baseUnderCm", 0, 100, .01}, {"stated.infested", 0, 1, .001},
		{"stated.lightShare", 0, 1, .001}, {"stated.warmthC", -10, 45, .1}, {"stated.spikes", 0, 200, 1},
		{"stated.growths", 0, 500, 1}, {"stated.leaves", 0, 5000, 1}, {"stated.plantlets", 0, 100, 1},
		{"tallied.longestMm", 0, 2000, .1}, {"tallied.tips", 0, 500, 1}, {"tallied.rootBallCm", .5, 200, .01},
		{"treated.intervalDays", 0, 365, 1}, {"treated.reentryHours", 0, 1000, .1},
		{"watered.millilitres", 1, 50000, .1}, {"weighed.grams", 1, 200000, .1},
		{"did.made.widthCm", 1, 200, .01}, {"did.made.depthCm", 1, 200, .01}, {"did.made.levelCm", .1, 30, .01},
		{"did.made.ml", 1, 50000, .1}, {"did.made.strength", .05, 5, .001}, {"did.made.ballCm", .5, 200, .01},
		{"did.made.n", 0, 1000, 1}, {"did.made.live", 0, 500, 1}, {"did.made.dead", 0, 500, 1},
		{"did.made.tips", 0, 500, 1},
	} {
		assert.False(t, refuses(t, row.field, row.least), "%s: %g", row.field, row.least)
		assert.False(t, refuses(t, row.field, row.most), "%s: %g", row.field, row.most)
		assert.True(t, refuses(t, row.field, row.least-row.by), "%s: %g", row.field, row.least-row.by)
		assert.True(t, refuses(t, row.field, row.most+row.by), "%s: %g", row.field, row.most+row.by)
		// What the record takes gets there: the document of the API shuts nothing of it out.
		least, most := published(t, row.field)
		assert.Less(t, least, row.least, row.field)
		assert.Greater(t, most, row.most, row.field)
	}
}

// published gives the limits of a field in the document of the API: wider than its own, so that the record says in its
// words what cannot be right.
func published(t *testing.T, field string) (least, most float64) {
	t.Helper()
	of := reflect.TypeFor[record.Body]()
	var tag reflect.StructTag
	for _, name := range strings.Split(field, ".") {
		for of.Kind() == reflect.Pointer {
			of = of.Elem()
		}
		at := slices.IndexFunc(reflect.VisibleFields(of), func(f reflect.StructField) bool {
			named, _, _ := strings.Cut(f.Tag.Get("json"), ",")
			return named == name
		})
		require.GreaterOrEqual(t, at, 0, field)
		tag, of = reflect.VisibleFields(of)[at].Tag, reflect.VisibleFields(of)[at].Type
	}
	least, err := strconv.ParseFloat(tag.Get("minimum"), 64)
	require.NoError(t, err, field)
	most, err = strconv.ParseFloat(tag.Get("maximum"), 64)
	require.NoError(t, err, field)
	return least, most
}

// refuses says whether a number in a field is refused as one that cannot be right.
func refuses(t *testing.T, field string, value float64) bool {
	t.Helper()
	var content any = value
	path := strings.Split(field, ".")
	for i := len(path) - 1; i >= 0; i-- {
		content = map[string]any{path[i]: content}
	}
	raw, err := json.Marshal(content)
	require.NoError(t, err)
	var body record.Body
	require.NoError(t, json.Unmarshal(raw, &body), field)
	b := newBook(t)
	if body.Planned != nil || body.Did != nil {
		b.rot()
	}
	if body.Did != nil {
		body.Did.Step = b.state().Plan.Steps[0].ID
	}
	var wrong []string
	for _, fault := range b.try(0, body) {
		if strings.Contains(fault.Message, "cannot be right") {
			wrong = append(wrong, fault.Field)
		}
	}
	if len(wrong) > 0 {
		assert.Equal(t, []string{field}, wrong, "it alone, once")
	}
	return len(wrong) > 0
}
