package isolation_test

import (
	"testing"
	"time"

	"github.com/stretchr/testify/assert"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/isolation"
	"tendermend/core/plant"
)

var came = day.Of(2026, time.June, 1)

// Two weeks, three after a suspect source, as long as a pest takes to grow up, six
// weeks at most (common practice).
func TestANewcomersQuarantine(t *testing.T) {
	draws := func(pests ...string) plant.Profile {
		p := plant.Profile{}
		for _, id := range pests {
			p.Pests = append(p.Pests, plant.Liking{Pest: id, How: plant.Often})
		}
		return p
	}
	length := func(suspect bool, kind plant.Profile) int {
		return int(isolation.QuarantineOf(came, suspect, kind).Until - came)
	}
	assert.Equal(t, 14, length(false, draws()))
	assert.Equal(t, 21, length(true, draws()))
	mites, bugs := length(false, draws("spider-mite")), length(false, draws("mealybug"))
	assert.True(t, mites >= 14 && mites <= 42, "%d days for mites", mites)
	assert.True(t, bugs > 14 && bugs <= 42, "%d days for mealybugs, half of egg to adult", bugs)
	assert.LessOrEqual(t, length(true, draws("scale", "mealybug", "thrips", "armoured-scale")), 42)
	q := isolation.QuarantineOf(came, false, draws())
	assert.Equal(t, []day.Day{came + 3, came + 7, came + 14}, q.Looks)
	assert.NotEmpty(t, q.Why)
}

func TestWhatTravelsSaysWhatThatMeans(t *testing.T) {
	for _, id := range []string{"mealybug", "spider-mite", "virus", "soft-rot", "fungal-spot", "fungus-gnat"} {
		ways := isolation.WaysOf(id)
		assert.NotEmpty(t, ways, id)
		assert.Len(t, isolation.Means(isolation.TravelOf(id)), len(ways))
	}
	assert.Empty(t, isolation.WaysOf("drought"), "thirst does not spread")
	assert.Len(t, isolation.WaysOf("mealybug", "mealybug"), len(isolation.WaysOf("mealybug")), "each once")
	for _, one := range cause.All() {
		for _, said := range isolation.Means(isolation.TravelOf(string(one.ID))) {
			assert.NotEmpty(t, said, "every way has its words: %s", one.ID)
			if one.Kind == "pest" {
				assert.NotContains(t, said, "leaves kept dry", "%s is an animal and no mould", one.ID)
				assert.NotContains(t, said, "spores", one.ID)
			}
		}
	}
	assert.True(t, isolation.ForGood("virus"))
	assert.False(t, isolation.ForGood("mealybug"))
}
