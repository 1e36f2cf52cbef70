package cause_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/climate"
)

// Each season brings a handful, each known, once, and told in a sentence.
func TestEverySeasonBringsItsTroubles(t *testing.T) {
	for _, s := range climate.Seasons() {
		list := cause.InSeason(s)
		assert.GreaterOrEqual(t, len(list), 4, s)
		assert.LessOrEqual(t, len(list), 8, s)
		seen := map[cause.ID]bool{}
		for _, o := range list {
			_, ok := cause.ByID(o.Cause)
			assert.True(t, ok, o.Cause)
			assert.False(t, seen[o.Cause], "%s stands twice in %s", o.Cause, s)
			assert.True(t, strings.HasSuffix(o.Why, "."), o.Why)
			assert.Equal(t, s, o.Season)
			seen[o.Cause] = true
		}
	}
	assert.Empty(t, cause.InSeason("monsoon"))
}
