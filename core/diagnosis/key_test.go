package diagnosis

import (
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/plant"
)

func TestAKeyFitsAPageAndItsKind(t *testing.T) {
	k := Standard()
	for _, h := range plant.Habits() {
		pest := "thrips"
		if priorOf("thrips", h) == 0 {
			pest = "mealybug"
		}
		rows := Standard().KeyOf(h, []string{pest})
		assert.True(t, len(rows) >= 8 && len(rows) <= 14, h.ID)
		before := 0
		for _, r := range rows {
			s, ok := SignByID(r.Sign)
			assert.True(t, ok && s.fits.habit(h.ID) && s.Disturbance < Unpot, "%s on %s", r.Sign, h.ID)
			at := slices.IndexFunc(zones, func(z Zone) bool { return z.ID == r.Zone })
			assert.GreaterOrEqual(t, at, before, "in the order of a look")
			before = at
			assert.Positive(t, priorOf(r.Cause, h), "%s cannot have %s", h.ID, r.Cause)
			assert.GreaterOrEqual(t, k.link[k.causeAt[r.Cause]][k.signAt[r.Sign]], 0.45)
			assert.NotEqual(t, r.Sign, r.With)
			known, _ := CauseByID(r.Cause)
			assert.Equal(t, known.DaysToAct <= 7 && !known.Harmless, r.Soon, r.Cause)
			assert.NotEqual(t, r.Cause, r.Alike)
			if r.First != "" {
				assert.True(t, k.moves[k.moveAt[r.First]].fits.habit(h.ID))
			}
		}
		assert.True(t, slices.ContainsFunc(rows, func(r KeyRow) bool { return r.Cause == pest }), "%s on %s", pest, h.ID)
	}
}
