package compose

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// Where nothing can be divided no second pot is filled: too few growths, a single growing point.
func TestNoSecondPotWithoutADivision(t *testing.T) {
	for _, c := range []struct {
		kind, ask string
		growths   int
		divided   bool
	}{
		{"cymbidium-mini-hybrid", `"causes":["congested"]`, 5, false},
		{"cymbidium-mini-hybrid", `"causes":["congested"]`, 6, true},
		{"dypsis-lutescens", `"wish":"part"`, 6, false},
		{"spathiphyllum-wallisii", `"wish":"part"`, 3, false},
		{"spathiphyllum-wallisii", `"wish":"part"`, 4, true},
	} {
		p, _ := said(t, fmt.Sprintf(`{"kind":%q,%s,"on":"2026-04-15","answers":{"growths":%d,"moist":"right",
			"liveRoots":12,"deadRoots":1,"liveTips":3,"potWidthCm":14},"place":{"warmthC":21}}`, c.kind, c.ask, c.growths),
			treatment.PotIn)
		assert.Equal(t, c.divided, len(p) > 1, "%+v: %v", c, p)
	}
}
