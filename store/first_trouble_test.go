package store

import (
	"testing"

	"github.com/google/uuid"
	"github.com/stretchr/testify/assert"

	"tendermend/core/day"
)

// The first trouble is the one that opened first; where nothing was found is none, only one that was saved
// is mended, and any that is open is still worked on.
func TestThePlantsFirstTrouble(t *testing.T) {
	ended := day.Day(40)
	at := func(opened day.Day, result, school string) caseRow {
		row := caseRow{Case: uuid.New(), Opened: opened, Result: result, School: school}
		if result != "open" {
			row.Ended = &ended
		}
		return row
	}
	on := func(d day.Day) *day.Day { return &d }
	for name, c := range map[string]struct {
		rows []caseRow
		want firstTrouble
	}{
		"none":       {nil, firstTrouble{}},
		"nothing":    {[]caseRow{at(3, "nothing", "S1")}, firstTrouble{}},
		"saved":      {[]caseRow{at(3, "saved", "S1")}, firstTrouble{FellIll: on(3), Mended: &ended, School: "S1"}},
		"lost":       {[]caseRow{at(3, "lost", "")}, firstTrouble{FellIll: on(3)}},
		"open":       {[]caseRow{at(3, "open", "S2")}, firstTrouble{FellIll: on(3), InWork: true, School: "S2"}},
		"later open": {[]caseRow{at(9, "open", "S2"), at(3, "saved", "S1")}, firstTrouble{on(3), &ended, true, "S1"}},
		"after none": {[]caseRow{at(1, "nothing", ""), at(9, "saved", "S3")}, firstTrouble{on(9), &ended, false, "S3"}},
	} {
		assert.Equal(t, c.want, firstTroubleOf(c.rows), name)
	}
}
