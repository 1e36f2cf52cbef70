package plant

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/internal/approve"
)

// The tables of habits, as somebody read them.
func TestTablesStandAsTheyWereRead(t *testing.T) {
	approve.Tables(t, map[string]any{"habits": habits, "weeks": weeksOf})
}

// The share fed in low light is taken from nothing to all.
func TestAShareIsTakenUpToItsLimits(t *testing.T) {
	for low, fine := range map[float64]bool{0: true, 1: true, -0.01: false, 1.01: false} {
		p := Profiles()[0]
		p.Feed.Low = low
		found := false
		for _, f := range p.Faults() {
			found = found || f.Field == "feed.low"
		}
		assert.Equal(t, fine, !found, low)
	}
}
