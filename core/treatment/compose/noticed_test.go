package compose

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/cause"
	"tendermend/core/day"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// What was found and not accepted is said: rot that lives, a medium that is rotten or sour, a pot without a hole.
// Where it was accepted, or is opened anyway, nothing is said.
func TestWhatWasFoundIsSaid(t *testing.T) {
	for _, c := range []struct {
		causes, answers string
		said            cause.ID
	}{
		{`"rust"`, `"rotAlive":true`, cause.RootRot},
		{`"rust"`, `"rotAlive":false`, ""},
		{`"acidovorax"`, `"rotAlive":true`, ""},
		{`"grey-mould"`, `"rotAlive":true`, ""},
		{`"rust","root-rot"`, `"rotAlive":true`, ""},
		{`"rust"`, `"medium":"rotten"`, cause.MediumCollapsed},
		{`"rust"`, `"medium":"sour"`, cause.MediumCollapsed},
		{`"rust"`, `"medium":"tired"`, ""},
		{`"rust","medium-collapsed"`, `"medium":"rotten"`, ""},
		{`"rust","pot-bound"`, `"medium":"rotten"`, ""},
		{`"rust"`, `"potHoles":false`, cause.NoDrainage},
		{`"rust"`, `"potHoles":true`, ""},
		{`"rust","no-drainage"`, `"potHoles":false`, ""},
		{`"rust"`, `"potHoles":false,"seat":"reservoir"`, ""},
	} {
		s := `{"kind":"spathiphyllum-wallisii","causes":[` + c.causes + `],"on":"2026-06-15","answers":{"moist":"right",
			"limp":false,"liveRoots":9,` + c.answers + `},"place":{"warmthC":22}}`
		for _, id := range []cause.ID{cause.RootRot, cause.MediumCollapsed, cause.NoDrainage} {
			why := leftOut(t, s, string(id))
			assert.Equal(t, id == c.said, strings.Contains(why, "plan again"), "%s %s: %s", c.causes, c.answers, why)
		}
		words, days := said(t, s, treatment.Look)
		rots := strings.HasPrefix(words[0], "Look at it: where does it rot?")
		assert.Equal(t, c.said == cause.RootRot, rots, words)
		if rots {
			assert.Zero(t, days[0])
		}
	}
}

// Rot that was found alive longer than two weeks ago is not taken to live.
func TestRotIsTakenToLiveForTwoWeeks(t *testing.T) {
	for ago, lives := range map[int]bool{14: true, 15: false} {
		var s treatment.Situation
		read := json.Unmarshal([]byte(`{"kind":"spathiphyllum-wallisii","causes":["rust"],"on":"2026-06-15"}`), &s)
		require.NoError(t, read)
		c := &composer{orders: &orders{subject: &subject{Situation: s}}}
		c.Facts.RotAlive = facts.Seen(true, c.On-day.Day(ago), facts.Done)
		assert.Equal(t, lives, c.rotUnaccepted(), "%d days ago", ago)
	}
}

// What hangs limp in a pot with a water space, or in a dish, is looked at below as in any wet pot.
func TestLimpOverWaterIsLookedAtBelow(t *testing.T) {
	for seat, below := range map[string]string{"reservoir": "its water space", "dish": "the hole", "pot": "the hole"} {
		words, _ := said(t, fmt.Sprintf(`{"kind":"spathiphyllum-wallisii","causes":["rust"],"on":"2026-06-15","answers":
			{"moist":"wet","limp":true,"seat":%q},"place":{"warmthC":22}}`, seat), treatment.Look)
		assert.Contains(t, strings.Join(words, " "), "does "+below+" smell sour", seat)
	}
}

// Rot that was found alive is told of where the pot is opened only later, beside what else is asked that day; where
// it is opened today it is seen.
func TestRotThatWaitsIsToldOf(t *testing.T) {
	for newcomer, told := range map[int]bool{2: true, 400: false} {
		of := fmt.Sprintf(`{"kind":"gloriosa-superba","causes":["ph-off"],"on":"2026-05-15","answers":{"limp":true,
			"moist":"right","newcomerDays":%d,"potWidthCm":6,"liveRoots":18,"liveTips":2,"rotAlive":true},
			"place":{"warmthC":22}}`, newcomer)
		looks, days := said(t, of, treatment.Look)
		_, opened := said(t, of, treatment.Unpot)
		require.NotEmpty(t, opened)
		assert.Equal(t, told, opened[0] > opensSoon, newcomer)
		asked, run := false, false
		for i, x := range looks {
			asked = asked || days[i] == 0 && strings.Contains(x, "where does it rot?")
			run = run || days[i] == 0 && strings.Contains(x, "run-off")
		}
		assert.Equal(t, told, asked, "%d: %v", newcomer, looks)
		assert.True(t, run, "%d: two questions of one day are both asked: %v", newcomer, looks)
	}
}
