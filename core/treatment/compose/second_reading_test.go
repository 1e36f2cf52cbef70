package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// A mix that reads too sour or too limy is measured a second time before it is renewed, and again two weeks
// later; what is renewed is the mix that its roots sit in, as far as they bear it, and not a rim round it.
func TestASourMixIsMeasuredTwiceAndGoes(t *testing.T) {
	for _, c := range []struct{ kind, wrong, off string }{
		{"monstera-deliciosa", "under 5 or over 7", "two thirds"},
		{"goeppertia-insignis", "under 5 or over 7", "outer half"},
		{"nephrolepis-exaltata", "under 5 or over 7", "outer half"},
		{"paphiopedilum-callosum", "under 5 or over 7", "all the old medium"},
		{"chamaedorea-elegans", "under 5 or over 7", "drops by itself"},
		{"nepenthes-hybrid", "over 7", "drops by itself"},
	} {
		p, err := Plan(situationOf(t, fmt.Sprintf(`{"kind":%q,"causes":["ph-off"],"on":"2026-06-15",
			"answers":{"moist":"right","potWidthCm":14},"place":{"warmthC":22}}`, c.kind)))
		require.NoError(t, err)
		var order []string
		for _, s := range p.Sittings {
			for _, x := range s.Steps {
				switch {
				case strings.Contains(x.Words, "once more"):
					assert.Contains(t, x.Words, "where it reads "+c.wrong+" again", c.kind)
					order = append(order, "again")
				case strings.Contains(x.Words, "does its run-off read"):
					require.NotNil(t, s.Day)
					assert.Equal(t, 14, *s.Day, c.kind)
				case x.Op == treatment.ReadyPot || x.Op == treatment.WashOff:
					order = append(order, string(x.Op))
					assert.True(t, x.Op == treatment.ReadyPot || strings.Contains(x.Words, c.off), "%s: %s", c.kind, x.Words)
				}
			}
		}
		assert.Equal(t, []string{"again", "ready-pot", "wash-off"}, order, c.kind)
	}
}

// Of an orchid with sound roots only the mix is renewed: it goes on as it grew, in no other way of growing.
func TestARenewedMixIsItsOwn(t *testing.T) {
	for live, own := range map[int]bool{9: false, 10: true} {
		_, days := said(t, fmt.Sprintf(`{"kind":"dendrobium-latouria-hybrid","causes":["ph-off"],"on":"2026-08-15",
			"answers":{"moist":"dry","potWidthCm":9,"liveRoots":%d,"deadRoots":10,"liveTips":0},
			"place":{"warmthC":20,"humidityPct":30}}`, live), treatment.PotIn)
		assert.Equal(t, own, len(days) > 0, "%d of its roots live", live)
	}
}

// A limp plant that nothing else looks at is looked at weekly in its first four weeks; a firm one is not.
func TestALimpPlantIsLookedAtWeekly(t *testing.T) {
	for limp, want := range map[bool][]int{true: {0, 7, 28}, false: {28}} {
		words, days := said(t, fmt.Sprintf(`{"kind":"monstera-deliciosa","causes":["micronutrient-low"],
			"on":"2026-06-15","answers":{"limp":%t,"moist":"right"},"place":{"warmthC":22}}`, limp), treatment.Look)
		assert.Equal(t, want, days)
		weekly := strings.Contains(strings.Join(words, " "), "every week until day 21")
		assert.Equal(t, limp, weekly, words)
	}
}

// Two weeks without a look may pass, and not a day more.
func TestHowLongALimpPlantIsLeftAlone(t *testing.T) {
	c := composer{agenda: &agenda{subject: &subject{limp: true}}}
	for next, want := range map[int][]int{14: {14, 28}, 15: {7, 15, 28}, 28: {7, 14, 21, 28}, 90: {7, 14, 21, 28}} {
		list := c.limpWeekly([]*sit{
			{dated: true, day: next, steps: []step{do(treatment.Look)}},
			{dated: true, day: 28, steps: []step{do(treatment.Look, note("which?"))}},
		})
		var days []int
		for _, day := range lookDays(list, limpWatched) {
			if len(days) == 0 || days[len(days)-1] != day {
				days = append(days, day)
			}
		}
		assert.Equal(t, want, days, next)
	}
}

// Moss goes wet into a mix, where the mix is not to be dry.
func TestMossIsSoakedBeforeItIsPotted(t *testing.T) {
	for kind, soaked := range map[string]bool{"nepenthes-hybrid": true, "monstera-deliciosa": false} {
		words, _ := said(t, fmt.Sprintf(`{"kind":%q,"causes":["root-rot"],"on":"2026-06-15",
			"answers":{"moist":"wet","potWidthCm":14},"place":{"warmthC":22}}`, kind), treatment.ReadyPot)
		require.NotEmpty(t, words)
		assert.Equal(t, soaked, strings.Contains(words[0], "moss soaked and squeezed out"), words[0])
	}
}

// An orchid gives a plantlet, and an air plant a pup.
func TestWhatIsTiedOnASlabOfItsOwn(t *testing.T) {
	for kind, piece := range map[string]string{
		"vanda-coerulea": "Tie the plantlet", "tillandsia-xerographica": "Tie the pup",
	} {
		words, _ := said(t, `{"kind":"`+kind+`","wish":"part","on":"2026-06-15","answers":{"moist":"right"},
			"place":{"warmthC":22}}`, treatment.Mount)
		require.NotEmpty(t, words, kind)
		assert.Contains(t, words[0], piece)
	}
}

// A tip that is saved before a rescue has a label of its own beside its mother's.
func TestASavedTipHasItsLabel(t *testing.T) {
	words, days := said(t, `{"kind":"monstera-deliciosa","causes":["root-rot"],"on":"2026-06-15",
		"answers":{"limp":true,"moist":"wet","liveRoots":3,"deadRoots":12,"potWidthCm":18},"place":{"warmthC":20}}`,
		treatment.Label)
	assert.Contains(t, words, "Label the pieces with name, number and date.")
	assert.Contains(t, words, "Put its label back, with name and date.")
	assert.Equal(t, []int{0, 0}, days[:2])
}
