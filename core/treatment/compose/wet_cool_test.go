package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// A plant that stores water and stands wet is dried half way between the least that its kind bears and what it likes
// (12 and 26 °C of a desert rose: 19), and felt at its base today (common practice); a thirsty kind is not, nor
// what was found dry.
func TestWhatStoresWaterIsDriedWarm(t *testing.T) {
	for _, c := range []struct {
		kind, moist, month string
		warmth             float64
		want               bool
	}{
		{"adenium-obesum", "wet", "07", 18, true},
		{"adenium-obesum", "wet", "07", 19, false},
		{"adenium-obesum", "dry", "07", 18, false},
		{"monstera-deliciosa", "wet", "07", 14, false},
	} {
		of := fmt.Sprintf(`{"kind":%q,"causes":["chewer"],"on":"2026-%s-15","answers":{"moist":%q,"limp":false,
			"liveRoots":9,"deadRoots":0},"place":{"warmthC":%g}}`, c.kind, c.month, c.moist, c.warmth)
		warmer, _ := said(t, of, treatment.Temper)
		looks, days := said(t, of, treatment.Look)
		assert.Equal(t, c.want, strings.Contains(strings.Join(warmer, " "), "Keep it at 19 °C or more"), "%+v", c)
		assert.Equal(t, c.want, strings.Contains(looks[0], "is its base firm all round?"), "%+v", c)
		if c.want {
			assert.Equal(t, 0, days[0], "%+v", c)
		}
	}
}

// What has no live root is not promised feed: the plan of its rescue says that; until then it is not left alone for
// more than two weeks.
func TestARootlessPlantIsLookedAtAndNotFed(t *testing.T) {
	for roots, fed := range map[int]bool{0: false, 9: true} {
		of := fmt.Sprintf(`{"kind":"stromanthe-sanguinea","causes":["nitrogen-low"],"on":"2026-09-15","answers":{
			"moist":"wet","limp":true,"liveRoots":%d,"deadRoots":3},"place":{"warmthC":20}}`, roots)
		feeds, _ := said(t, of, treatment.FeedIt)
		assert.Equal(t, fed, len(feeds) > 0, roots)
		_, days := said(t, of, treatment.Look)
		last := 14 // until which it is looked at every three days
		for _, day := range days {
			assert.LessOrEqual(t, day-last, limpLonely, "%d roots, on day %d", roots, day)
			last = max(last, day)
		}
	}
}
