package check_test

import (
	"encoding/json"
	"fmt"
	"slices"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
)

// A plan that ends where a rescue is asked for need not treat a pest to its end: only where no root lives, it hangs
// limp, nothing else goes on, and the plan says so of the pest.
func TestAPlanMayEndWhereARescueIsAskedFor(t *testing.T) {
	const ask = `look{"note":"no root of it lives: plan its rescue"}`
	for _, c := range []struct {
		live    int
		limp    bool
		text    string
		leftOut string
		short   bool
	}{
		{0, true, `d0m: ` + ask + `; wash-down|d3m: look/3>d14`, "aphid", false},
		{1, true, `d0m: ` + ask + `; wash-down|d3m: look/3>d14`, "aphid", true},
		{0, false, `d0m: ` + ask + `; wash-down|d3m: look/3>d14`, "aphid", true},
		{0, true, `d0m: ` + ask + `; wash-down|d3m: look/3>d14`, "soap", true},
		{0, true, `d0m: wash-down|d3m: look/3>d14`, "aphid", true},
		{0, true, `d0m: ` + ask + `; wash-down|d3m: wash-down`, "aphid", true},
	} {
		var s treatment.Situation
		require.NoError(t, json.Unmarshal([]byte(fmt.Sprintf(`{`+vine+`,"causes":["aphid"],
			"answers":{"limp":%t,"liveRoots":%d,"deadRoots":3}}`, c.limp, c.live)), &s))
		p := written(t, c.text)
		p.LeftOut = []treatment.LeftOut{{Op: c.leftOut, Why: "its roots come first"}}
		short := false
		list, err := check.Plan(s, p)
		require.NoError(t, err)
		for _, b := range list {
			short = short || b.Rule == treatment.NeverProgrammeShort
		}
		assert.Equal(t, c.short, short, "%+v", c)
	}
}

// What rests in the soil is left for that plan too.
func TestTheSoilWaitsForTheRescueThatIsAskedFor(t *testing.T) {
	for _, pest := range []string{"thrips", "fungus-gnat"} {
		for live, left := range map[int]bool{0: false, 1: true} {
			var s treatment.Situation
			require.NoError(t, json.Unmarshal([]byte(fmt.Sprintf(`{`+vine+`,"causes":[%q],
				"answers":{"limp":true,"liveRoots":%d,"deadRoots":3}}`, pest, live)), &s))
			p := written(t, `d0m: look{"note":"no root of it lives: plan its rescue"}|d3m: look/3>d14`)
			p.LeftOut = []treatment.LeftOut{{Op: pest, Why: "its roots come first"}}
			list, err := check.Plan(s, p)
			require.NoError(t, err)
			broken := slices.ContainsFunc(list, func(b check.Breach) bool { return b.Rule == treatment.NeverSoilStageLeft })
			assert.Equal(t, left, broken, "%s, %d", pest, live)
		}
	}
}
