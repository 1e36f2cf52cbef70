package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// What was found wet is held dry though nematodes are to come: they wait for its next water and come twice. In a
// moist pot they come on their days. Without a medium to dry, or never to dry, nothing waits (handbook, rule
// N123: nothing is poured on while water is held).
func TestNematodesWaitForAWetPot(t *testing.T) {
	for _, c := range []struct {
		kind, moist string
		waits       bool
	}{
		{"monstera-deliciosa", "wet", true},
		{"agave-americana", "wet", true},
		{"phalaenopsis-hybrid", "wet", true},
		{"monstera-deliciosa", "right", false},
		{"sarracenia-hybrid", "wet", false},
	} {
		of := fmt.Sprintf(`{"kind":%q,"causes":["thrips"],"on":"2026-06-15","answers":{"moist":%q},
			"place":{"warmthC":20}}`, c.kind, c.moist)
		held, days := said(t, of, treatment.HoldWater)
		words, _ := said(t, of, treatment.Nematodes)
		if !c.waits {
			assert.Empty(t, held, of)
			assert.Len(t, words, 2, of)
			continue
		}
		require.Len(t, held, 1, of)
		assert.Equal(t, 0, days[0], of)
		require.Len(t, words, 1, of)
		assert.Contains(t, words[0], "once that is due", of)
		assert.Contains(t, words[0], "Once more two weeks later.", of)
	}
}

// Nematodes wait only where it is warm enough for them: else a product goes into the medium, as it is.
func TestNematodesWaitWhereTheyLive(t *testing.T) {
	for warmth, waits := range map[float64]bool{11.9: false, 12: true, 27: true, 27.1: false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":["thrips"],"on":"2026-06-15",
			"answers":{"moist":"wet"},"place":{"warmthC":%g}}`, warmth), treatment.Nematodes)
		assert.Equal(t, waits, len(words) == 1, warmth)
	}
}

// A line for water by the rule says first that a pot which was found wet gets none yet; a moist one is not told,
// nor what drinks from a tray, and a bromeliad still has water in its cup.
func TestTheWetAreToldToWait(t *testing.T) {
	const none = "It is wet now: give it none yet. Water it when "
	for _, c := range []struct{ kind, cause, moist, begins string }{
		{"schefflera-arboricola", "cold-water-marks", "wet", none},
		{"schefflera-arboricola", "cold-water-marks", "right", "Water it when "},
		{"phalaenopsis-hybrid", "chlorine", "wet", none},
		{"dracaena-marginata", "fungal-spot", "wet", none},
		{"guzmania-lingulata", "chlorine", "wet", "Its medium is wet now: give that none yet. Keep a little fresh water"},
		{"muehlenbeckia-complexa", "dormancy", "wet", "It is wet now: give it none yet. While it rests, water it lightly"},
		{"phragmipedium-besseae-hybrid", "chlorine", "wet", "Keep"},
	} {
		words, days := said(t, fmt.Sprintf(`{"kind":%q,"causes":[%q],"on":"2026-06-15","answers":{"moist":%q},
			"place":{"warmthC":20}}`, c.kind, c.cause, c.moist), treatment.ByRule)
		require.NotEmpty(t, words, c)
		assert.Equal(t, 0, days[0], c)
		assert.True(t, strings.HasPrefix(words[0], c.begins), "%v: %s", c, words[0])
	}
}

// It is taken to be wet for three days: a line for water of a later day does not say so.
func TestWetForThreeDays(t *testing.T) {
	assert.Equal(t, 3, wetStays)
	words, days := said(t, `{"kind":"hoya-carnosa","causes":["drought"],"on":"2026-05-15","answers":{"moist":"wet"},
		"place":{"warmthC":20}}`, treatment.ByRule)
	require.NotEmpty(t, words)
	assert.Equal(t, 5, days[0])
	assert.True(t, strings.HasPrefix(words[0], "Water it when "), words[0])
}

// What is done some days later is not said to be left out: a top whose cut is to dry first has its first water.
func TestWhatComesLaterIsNotLeftOut(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"monstera-deliciosa","causes":["base-rot"],"on":"2026-05-15",
		"answers":{"moist":"right","limp":false},"place":{"warmthC":20}}`))
	require.NoError(t, err)
	watered := false
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			watered = watered || x.Op == treatment.FirstWater
		}
	}
	assert.True(t, watered)
	for _, l := range p.LeftOut {
		assert.NotEqual(t, string(treatment.FirstWater), l.Op, l.Why)
	}
}

// What waits for its flowers is watered until then, and after its new pot by its rule: in that order.
func TestWaterBeforeAndAfterWorkThatWaits(t *testing.T) {
	words, _ := said(t, `{"kind":"phalaenopsis-hybrid","causes":["pot-bound"],"on":"2026-05-15",
		"answers":{"moist":"wet","spikes":2,"liveRoots":18,"newcomerDays":200},"place":{"warmthC":24}}`, treatment.ByRule)
	require.Len(t, words, 2)
	assert.Contains(t, words[0], "Water it lightly when")
	assert.Contains(t, words[1], "Water it when")
}

// Pieces without a cover have none to be opened: they come into their light. Those under one, or in a box, get used
// to the air.
func TestPiecesGetUsedToWhatTheyLacked(t *testing.T) {
	for place, want := range map[string]string{
		`{"warmthC":24}`: "used to the air of the room", `{"warmthC":31}`: "into the light of their place",
	} {
		words, _ := said(t, `{"kind":"olea-europaea","wish":"propagate","on":"2026-05-15","answers":{"growths":3},
			"choices":{"override":true},"place":`+place+`}`, treatment.Harden)
		require.Len(t, words, 1)
		assert.Contains(t, words[0], want)
	}
	covers, _ := said(t, `{"kind":"olea-europaea","wish":"propagate","on":"2026-05-15","answers":{"growths":3},
		"place":{"warmthC":24}}`, treatment.CoverIt)
	require.Len(t, covers, 1)
	assert.Contains(t, covers[0], "over the pieces")
}

// What waits is drafted once for each thing that it waits for, also where that comes first.
func TestWhatWaitsForItsWaterStandsTogether(t *testing.T) {
	var d draft
	d.gate(due, do(treatment.Nematodes))
	d.hold("", newLeaf, "", do(treatment.Label))
	d.gateFirst(due, do(treatment.ByRule))
	require.Len(t, d.gates, 2)
	assert.True(t, d.gates[0].waits.Same(due))
	assert.Len(t, d.gates[0].steps, 2)
	d.gateFirst(rooted, do(treatment.PotPieces))
	assert.True(t, d.gates[0].waits.Same(rooted))
}

// A pot that was found wet is said to be wet up to the third day, and no longer.
func TestHowLongItIsSaidToBeWet(t *testing.T) {
	c := laid(t, `{"kind":"monstera-deliciosa","causes":["chlorine"],"on":"2026-06-15","answers":{"moist":"wet"},
		"place":{"warmthC":20}}`)
	for on, told := range map[int]bool{0: true, wetStays: true, wetStays + 1: false} {
		list := []treatment.Sitting{{Day: &on, Steps: []treatment.Step{{Op: treatment.ByRule, Words: "Water it."}}}}
		c.saidWet(list)
		assert.Equal(t, told, strings.HasPrefix(list[0].Steps[0].Words, "It is wet now"), on)
	}
}

// Against gnats its top dries as far as its kind likes it, and never less.
func TestAgainstGnatsItDriesAsItsKindLikes(t *testing.T) {
	for kind, says := range map[string]string{
		"spathiphyllum-wallisii": "Let the top quarter dry before the next water",
		"monstera-deliciosa":     "Let the top quarter dry before the next water",
		"ficus-elastica":         "Give no water until the medium is dry half way down, and then water from below.",
		"crassula-ovata":         "Give no water until it is dry through to the bottom, and then water from below.",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","causes":["fungus-gnat"],"on":"2026-05-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, treatment.DryTop)
		assert.Contains(t, strings.Join(words, "\n"), says, kind)
	}
}
