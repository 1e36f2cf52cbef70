package compose

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
)

// rootLook is the first look that asks for the roots, and its day; empty where there is none.
func rootLook(t *testing.T, situation string) (words string, day int) {
	t.Helper()
	p, err := Plan(situationOf(t, situation))
	require.NoError(t, err, situation)
	for _, s := range p.Sittings {
		for _, x := range s.Steps {
			below := strings.Contains(x.Words, "hole smell sour") || strings.Contains(x.Words, "live roots fill")
			if x.Op == treatment.Look && s.Day != nil && below {
				return x.Words, *s.Day
			}
		}
	}
	return "", 0
}

func TestMostRootsDeadAreLookedForWhereNothingSaysWhy(t *testing.T) {
	for _, c := range []struct {
		kind, causes, answers string
		looks                 bool
	}{
		{"pelargonium-zonal", `"anthracnose"`, `"liveRoots":9,"deadRoots":11`, true},
		{"pelargonium-zonal", `"anthracnose"`, `"liveRoots":10,"deadRoots":10`, false}, // half of them live
		{"pelargonium-zonal", `"anthracnose"`, `"deadRoots":11`, false},                // nobody counted the live ones
		{"pelargonium-zonal", `"anthracnose","overwatering"`, `"liveRoots":5,"deadRoots":12`, false},
		{"pelargonium-zonal", `"base-buried"`, `"liveRoots":5,"deadRoots":12`, true}, // raising it works on no root
		{"pelargonium-zonal", `"drought"`, `"liveRoots":5,"deadRoots":12`, true},
		{"tradescantia-pallida", `"no-drainage"`, `"liveRoots":2,"deadRoots":12`, true},
		{"pelargonium-zonal", `"anthracnose","root-rot"`, `"liveRoots":5,"deadRoots":12`, false},
		{"pelargonium-zonal", `"anthracnose"`, `"liveRoots":5,"deadRoots":12,"rootBallCm":6,"potWidthCm":12`, false},
		{"pelargonium-zonal", `"anthracnose"`, `"liveRoots":5,"deadRoots":12,"rootBallCm":5.9,"potWidthCm":12`, true},
		{"pelargonium-zonal", `"anthracnose"`, `"liveRoots":5,"deadRoots":12,"seat":"hand","moist":"right"`, false},
		{"crassothonna-capensis", `"mealybug"`, `"liveRoots":2,"deadRoots":3,"potWidthCm":26,"moist":"dry"`, true},
		{"tillandsia-ionantha", `"mealybug"`, `"liveRoots":2,"deadRoots":3`, false},
	} {
		words, day := rootLook(t, fmt.Sprintf(`{"kind":%q,"causes":[%s],"on":"2026-05-15","answers":{%s}}`,
			c.kind, c.causes, c.answers))
		assert.Equal(t, c.looks, words != "", "%+v", c)
		if c.looks {
			assert.Equal(t, 1, day)
			assert.Contains(t, words, "more than 6 cm wider")
		}
	}
}

// What hangs limp in wet medium and lost most of its roots is smelt at on the first day,
// whatever else ails it; in dry medium it is thirsty.
func TestDrowningWithDeadRootsIsSmeltAtToday(t *testing.T) {
	for moist, sour := range map[string]bool{"wet": true, "right": true, "dry": false, "bone": false} {
		words, day := rootLook(t, fmt.Sprintf(`{"kind":"pelargonium-zonal","causes":["anthracnose"],"on":"2026-12-15",
			"answers":{"limp":true,"moist":%q,"liveRoots":5,"deadRoots":12}}`, moist))
		assert.Equal(t, sour, strings.Contains(words, "hole smell sour"), moist)
		assert.Equal(t, sour, day == 0 && words != "", moist)
	}
}

// The same where a cause was accepted of which roots die, but whose plan does not look at them.
func TestDeadRootsAreSmeltAtBesideWhatKillsThem(t *testing.T) {
	for _, causes := range []string{`"drought"`, `"base-buried"`} {
		words, day := rootLook(t, fmt.Sprintf(`{"kind":"davallia-fejeensis","causes":[%s],"on":"2026-04-15",
			"answers":{"limp":true,"moist":"right","liveRoots":5,"deadRoots":12}}`, causes))
		assert.Contains(t, words, "hole smell sour", causes)
		assert.Zero(t, day, causes)
	}
}

// What hangs limp in wet medium, with nothing accepted that says why, is smelt at on the
// first day, however many roots were counted; in moist medium where nobody counted that they live.
func TestLimpInWetMediumIsSmeltAtWhereNothingSaysWhy(t *testing.T) {
	for _, c := range []struct {
		causes, answers string
		smelt           bool
	}{
		{`"powdery-mildew"`, `"limp":true,"moist":"wet"`, true},
		{`"powdery-mildew"`, `"limp":true,"moist":"soaked","liveRoots":18,"deadRoots":3`, true},
		{`"powdery-mildew"`, `"limp":true,"moist":"right","liveRoots":9,"deadRoots":9`, false}, // moist, and roots live
		{`"powdery-mildew"`, `"limp":true,"moist":"right"`, true},                              // nobody counted them
		{`"powdery-mildew"`, `"limp":true,"moist":"dry"`, false},
		{`"powdery-mildew"`, `"limp":true`, false},
		{`"powdery-mildew"`, `"limp":false,"moist":"wet"`, false},
		{`"powdery-mildew","heat-stress"`, `"limp":true,"moist":"wet"`, false},
		{`"powdery-mildew","settling-in"`, `"limp":true,"moist":"wet"`, false},
		{`"powdery-mildew","overwatering"`, `"limp":true,"moist":"wet"`, true}, // it may have rotted already
		{`"powdery-mildew","overwatering"`, `"limp":true,"moist":"right"`, false},
		{`"powdery-mildew","overwatering"`, `"limp":false,"moist":"wet"`, false},
	} {
		words, day := rootLook(t, fmt.Sprintf(
			`{"kind":"pelargonium-zonal","causes":[%s],"on":"2026-05-15","answers":{%s}}`, c.causes, c.answers))
		assert.Equal(t, c.smelt, strings.Contains(words, "hole smell sour") && day == 0, "%+v: %s", c, words)
		assert.NotContains(t, words, "were dead")
	}
}
