package treatment_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/compose"
	"tendermend/internal/approve"
)

const approved = "testdata/approved.txt"

// A plan that changes is read by somebody before it is approved: this keeps
// plans of all causes, and of any situations, as they were when they were read.
// APPROVE=1 writes them anew; the change is then seen in the difference.
func TestPlansStayAsTheyWereApproved(t *testing.T) {
	var made strings.Builder
	write := func(s treatment.Situation) {
		p, err := compose.Plan(s)
		require.NoError(t, err)
		raw, err := json.Marshal(s)
		require.NoError(t, err)
		fmt.Fprintf(&made, "# %s\n%s\n", raw, lines(t, s, p))
	}
	n, kinds := 0, plant.Profiles()
	seen := map[string]int{}
	plainSituations(1, func(s treatment.Situation) {
		n++
		key := string(s.Wish)
		for _, c := range s.Causes {
			key = string(c)
		}
		if most := 3; seen[key] < most && n%37 == 0 {
			seen[key]++
			write(s)
		}
	})
	r := rand.New(rand.NewPCG(11, 25))
	for range 250 {
		write(anySituation(r, kinds))
	}
	approve.Text(t, approved, made.String(), "\n# ")
}

// lines writes a plan for reading: a sitting a line, its steps with what they
// are done with, and what the checker says.
func lines(t *testing.T, s treatment.Situation, p treatment.Plan) string {
	t.Helper()
	var b strings.Builder
	fmt.Fprintf(&b, "%s %v %s cautions %v\n", p.Track, p.Beside, p.School, p.Cautions)
	for _, z := range p.Sittings {
		day := "[" + z.Gate.Words() + "]"
		if z.Day != nil {
			day = fmt.Sprint("d", *z.Day)
		}
		fmt.Fprintf(&b, "%s %s %s %s:", z.Kind, day, z.Slot, z.Held)
		for _, x := range z.Steps {
			raw, err := json.Marshal(x.Params)
			require.NoError(t, err)
			fmt.Fprintf(&b, "\n  %s %s | %s | %v %v", x.Op, raw, x.Words, x.Materials, x.Cautions)
			if x.Every > 0 {
				fmt.Fprintf(&b, "/%d to %s", x.Every, x.Until.Words())
			}
		}
		b.WriteString("\n")
	}
	for _, l := range p.LeftOut {
		fmt.Fprintf(&b, "- %s: %s\n", l.Op, l.Why)
	}
	broken, err := check.Plan(s, p)
	require.NoError(t, err)
	for _, x := range broken {
		fmt.Fprintf(&b, "! %s %s: %s\n", x.Rule, x.Step, x.Why)
	}
	return b.String()
}
