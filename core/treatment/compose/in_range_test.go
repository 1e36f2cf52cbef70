package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Whatever ails it, what stands outside the warmth that its kind bears is brought into it: from 13 °C
// on for a monstera, up to 27 for a ribbon fern; nobody is told of it within that, or where nothing was measured.
func TestBroughtIntoItsWarmth(t *testing.T) {
	for _, c := range []struct {
		kind, cause, warmth, want string
	}{
		{"pteris-cretica", "dry-air", `"warmthC":28`, "cooler spot, at 27 °C or below"},
		{"pteris-cretica", "dry-air", `"warmthC":27`, ""},
		{"monstera-deliciosa", "dry-air", `"warmthC":12`, "Keep it at 13 °C or more"},
		{"monstera-deliciosa", "dry-air", `"warmthC":13`, ""},
		{"monstera-deliciosa", "dry-air", ``, ""},
		{"gonialoe-variegata", "southern-blight", `"warmthC":1`, ""}, // it is thrown away
	} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15",
			"answers":{"moist":"right"},"place":{%s}}`, c.kind, c.cause, c.warmth), treatment.Temper)
		assert.Equal(t, c.want != "", len(words) > 0, "%+v", c)
		assert.Contains(t, strings.Join(words, " "), c.want, "%+v", c)
	}
	// Work on roots that waits for the warmth says so; rot that lives does not wait.
	for cause, waits := range map[string]bool{`"congested"],"answers":{"growths":8`: true,
		`"root-rot"],"answers":{"rotAlive":true`: false} {
		words, _ := said(t, `{"kind":"pteris-cretica","causes":[`+cause+`,"moist":"right","liveRoots":9},
			"on":"2026-05-15","place":{"warmthC":31}}`, treatment.Temper)
		assert.Equal(t, waits, strings.Contains(strings.Join(words, " "), "too warm there to open"), cause)
	}
}
