package compose

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"tendermend/core/treatment"
)

// What facts that are seldom known put in or leave out, on both sides of each.
func TestWhatRareFactsDecide(t *testing.T) {
	for _, c := range []struct {
		what, before, has, lacks, after string
		op                              treatment.OperatorID
	}{
		{"no bag goes over what is more than 40 cm high",
			`{"kind":"spathiphyllum-wallisii","causes":["root-rot"],"on":"2026-06-15","answers":{"potWidthCm":12,"spanCm":20,`,
			`"heightCm":40`, `"heightCm":41`, `},"place":{"warmthC":20,"humidityPct":45}}`, treatment.CoverIt},
		{"open flowers without a spike go where mould sits in them",
			`{"kind":"hibiscus-rosa-sinensis","causes":["grey-mould"],"on":"2026-06-15","answers":{"moist":"right","spikes":0,`,
			`"flowers":true`, `"flowers":false`, `},"place":{"warmthC":20}}`, treatment.StripSpikes},
		{"twisted leaves stay on while rot lives",
			`{"kind":"ravenea-rivularis","causes":["broad-mite","black-rot"],"on":"2026-06-15","answers":{"moist":"right",`,
			`"rotAlive":false`, `"rotAlive":true`, `},"place":{"warmthC":20}}`, treatment.RemoveLeaves},
		{"a plantlet that was not seen is not taken today",
			`{"kind":"phragmipedium-besseae-hybrid","causes":["offset-drain"],"on":"2026-05-08","choices":{"plantlets":"now"},` +
				`"answers":{"moist":"right",`,
			`"plantlets":1`, `"plantlets":0`, `},"place":{"warmthC":20}}`, treatment.TakeOffset},
		{"what cannot drink and rests is not sprayed for leaf miners",
			`{"kind":"cissus-discolor","causes":["leaf-miner"],"on":"2026-12-27","answers":{"moist":"dry","deadRoots":20,` +
				`"liveRoots":0,"phase":"resting",`,
			`"limp":false`, `"limp":true`, `},"place":{"warmthC":26}}`, treatment.LabelDrug},
		{"a flush that the carer would like is none in a pot without a hole",
			`{"kind":"spathiphyllum-wallisii","causes":["salt-injury"],"on":"2026-06-15","choices":{"also":"flush"},` +
				`"answers":{"moist":"right",`,
			`"potHoles":true`, `"potHoles":false`, `},"place":{"warmthC":20}}`, treatment.Flush},
		{"no flower is cut where a larger pot is all that is wanted",
			`{"kind":"oncidium-hybrid","on":"2026-01-15","answers":{"spikes":2,"potWidthCm":12,"moist":"right","limp":true,` +
				`"liveRoots":9,"deadRoots":12},"place":{"warmthC":16},"causes":[`,
			`"old-leaf"`, `"pot-bound"`, `]}`, treatment.StripSpikes},
		{"no flower is cut for a wish",
			`{"kind":"oncidium-hybrid","on":"2026-01-15","answers":{"spikes":2,"potWidthCm":12,"moist":"right","limp":true,` +
				`"liveRoots":9,"deadRoots":12},"place":{"warmthC":16},"wish":"part"`,
			`,"causes":["old-leaf"]`, ``, `}`, treatment.StripSpikes},
	} {
		for answer, stands := range map[string]bool{c.has: true, c.lacks: false} {
			_, days := said(t, c.before+answer+c.after, c.op)
			today := len(days) > 0 && days[0] >= 0
			assert.Equal(t, stands, today, "%s: %s", c.what, answer)
		}
	}
}
