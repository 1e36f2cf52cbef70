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
