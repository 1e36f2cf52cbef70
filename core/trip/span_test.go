package trip_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
	"tendermend/core/trip"
)

// What a trip may be, and what it may become, on both sides of each day: as the field that is wrong, "settled" where
// nothing can be changed any more, and nothing where it may be.
func TestWhatATripMayBecome(t *testing.T) {
	const today = day.Day(100)
	span := func(from, back day.Day) trip.Span { return trip.Span{From: from, Back: back} }
	off := func(s trip.Span) trip.Span { s.Off = true; return s }
	told := func(r *trip.Refusal) string {
		switch {
		case r == nil:
			return ""
		case r.Settled:
			return "settled"
		}
		return r.Field
	}
	for i, row := range []struct {
		planned trip.Span
		want    string
	}{
		{span(100, 101), ""}, {span(99, 110), "from"}, {span(105, 105), "back"}, {span(105, 106), ""},
		{span(100, 220), ""}, {span(100, 221), "back"},
	} {
		assert.Equal(t, row.want, told(row.planned.MayBegin(today)), "row %d", i)
	}
	coming, begun := span(101, 110), span(100, 110)
	for i, row := range []struct {
		before, next trip.Span
		want         string
	}{
		{coming, span(100, 110), ""}, {coming, span(99, 110), "from"}, {coming, span(103, 103), "back"},
		{coming, span(101, 221), ""}, {coming, span(101, 222), "back"}, {coming, off(coming), ""},
		{off(coming), coming, ""}, {off(begun), begun, "settled"},
		{begun, span(101, 110), "from"}, {begun, span(100, 120), ""}, {begun, off(begun), "off"},
		{span(90, 110), span(90, 100), ""}, {span(90, 110), span(90, 99), "back"},
		{span(90, 100), span(90, 105), ""}, {span(90, 99), span(90, 105), "settled"},
	} {
		assert.Equal(t, row.want, told(row.before.MayBecome(row.next, today)), "row %d", i)
	}
	assert.Equal(t, []bool{false, true}, []bool{coming.Begun(today), begun.Begun(today)})
	assert.Equal(t, []bool{false, true}, []bool{span(90, 100).Over(today), span(90, 99).Over(today)})
}
