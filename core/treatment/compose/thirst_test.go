package compose

import (
	"fmt"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// dayOfFirst is the first dated step of an operator; -1 where the plan holds none.
func dayOfFirst(t *testing.T, situation string, op treatment.OperatorID) int {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err, situation)
	for _, s := range p.Sittings {
		if s.Day != nil && has(s.Steps, op) {
			return *s.Day
		}
	}
	return -1
}

// A plant is soaked for drought unless its medium was found moist; one whose medium repels
// water unless it was found wet. Where nobody felt it, it is soaked.
func TestWhatHasWaterIsNotSoaked(t *testing.T) {
	for _, c := range []struct {
		cause, moist string
		soaked       bool
	}{
		{"drought", "bone", true},
		{"drought", "dry", true},
		{"drought", "right", false},
		{"drought", "wet", false},
		{"drought", "", true},
		{"medium-repels", "dry", true},
		{"medium-repels", "right", true}, // moist where it is felt, dry at its core
		{"medium-repels", "wet", false},
		{"medium-repels", "soaked", false},
	} {
		moist := ""
		if c.moist != "" {
			moist = fmt.Sprintf(`,"moist":%q`, c.moist)
		}
		day := dayOfFirst(t, fmt.Sprintf(`{"kind":"spathiphyllum-wallisii","causes":[%q],"on":"2026-05-15",
			"answers":{"limp":true%s}}`, c.cause, moist), treatment.Soak)
		assert.Equal(t, c.soaked, day >= 0, "%+v", c)
	}
}

// A thirsty plant drinks at once; after cold on the third day, and its pot is opened after
// that, not before.
func TestAChilledPlantDrinksOnTheThirdDay(t *testing.T) {
	const of = `{"kind":"saxifraga-stolonifera","causes":[%s],"on":"2026-07-23","wish":"setup-change",
		"choices":{"override":true},"answers":{"limp":true,"moist":"bone"}}`
	warm, cold := fmt.Sprintf(of, `"chlorine"`), fmt.Sprintf(of, `"cold-injury"`)
	assert.Equal(t, 0, dayOfFirst(t, warm, treatment.Soak))
	assert.Equal(t, chilledDays, dayOfFirst(t, cold, treatment.Soak))
	assert.GreaterOrEqual(t, dayOfFirst(t, cold, treatment.Unpot), chilledDays+4)
}

// A limp plant is fed once it has drunk for some days.
func TestALimpPlantIsFedDaysAfterItDrank(t *testing.T) {
	const of = `{"kind":"spathiphyllum-wallisii","causes":["magnesium-low"],"on":"2026-05-15","answers":{%s}}`
	firm, limp := fmt.Sprintf(of, `"limp":false`), fmt.Sprintf(of, `"limp":true,"moist":"bone"`)
	assert.Equal(t, 0, dayOfFirst(t, firm, treatment.Supplement))
	assert.Equal(t, drinkDays, dayOfFirst(t, limp, treatment.Supplement))
}

// Watering that goes on waits until the work on the roots has settled: then its own steps
// have said when.
func TestWateringThatGoesOnWaitsForTheWork(t *testing.T) {
	const of = `{"kind":"cyperus-alternifolius","causes":["uneven-water"],"on":"2026-05-15"%s}`
	p, err := Plan(situationOf(t, fmt.Sprintf(of, `,"wish":"part"`)))
	require.NoError(t, err)
	work := -1
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op == treatment.Unpot && s.Day != nil {
				work = *s.Day
			}
			if x.Op == treatment.ByRule && x.Params.For == "" && x.Every > 0 && s.Day != nil {
				require.GreaterOrEqual(t, work, 0)
				assert.Equal(t, work+settledDays+1, *s.Day)
			}
		}
	}
	assert.Equal(t, 0, dayOfFirst(t, fmt.Sprintf(of, ""), treatment.ByRule))
}

// One feed waits for the roots that were worked on: at the lower strength, and it goes on.
func TestOneFeedWaitsForWorkedRoots(t *testing.T) {
	p, err := Plan(situationOf(t, `{"kind":"spathiphyllum-wallisii","causes":["micronutrient-low"],"wish":"part",
		"on":"2026-09-07","answers":{"limp":true,"moist":"bone","liveRoots":5,"deadRoots":3}}`))
	require.NoError(t, err)
	var fed []treatment.Step
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			if x.Op == treatment.FeedIt {
				fed = append(fed, x)
			}
		}
	}
	require.Len(t, fed, 1)
	assert.InDelta(t, 0.25, fed[0].Params.Share.Value, 1e-9)
	assert.Positive(t, fed[0].Every)
}
