package treatment_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/plant"
	"tendermend/core/treatment"
	"tendermend/core/treatment/check"
	"tendermend/core/treatment/sheet"
)

// fate is what became of a change of the carer's.
type fate string

const (
	asWished fate = "as wished"
	lawful   fate = "on the first lawful day"
	stayed   fate = "where it stood, by a rule that is told"
	undated  fate = "it waits to be seen, which is said"
	refused  fate = "refused"
	gone     fate = "gone"
	ignored  fate = "ignored"
)

// anyEdit makes up a change of a plan: a step left out, a sitting on another day, another pot.
func anyEdit(r *rand.Rand, p sheet.Plan) sheet.Edit {
	x := p.Steps[r.IntN(len(p.Steps))]
	e := sheet.Edit{Step: x.ID}
	width := x.Op == string(treatment.ReadyPot)
	switch n := r.IntN(10); {
	case width && n < 5:
		w := pick(r, 9.0, 12, 14, 18)
		e.PotWidthCM = &w
	case n < 7:
		d := pick(r, 1, 2, 3, 5, 6, 9, 14)
		e.Day = &d
	default:
		e.LeaveOut = true
	}
	return e
}

// became says what became of a change.
func became(e sheet.Edit, before, after sheet.Made) fate {
	find := func(m sheet.Made) *sheet.Step {
		i := slices.IndexFunc(m.Sheet.Steps, func(x sheet.Step) bool { return x.ID == e.Step })
		if i < 0 {
			return nil
		}
		return &m.Sheet.Steps[i]
	}
	was, now := find(before), find(after)
	switch {
	case slices.ContainsFunc(after.Breaches, func(b check.Breach) bool { return b.Reason == "" }):
		return refused
	case e.LeaveOut && now == nil:
		return asWished
	case e.LeaveOut:
		return ignored
	case now == nil:
		return gone
	case e.PotWidthCM != nil && len(now.Amounts) > 0:
		return asWished
	case e.Day != nil && was.Gate != "":
		return undated
	case e.Day != nil && int(now.On-after.Situation.On) == *e.Day:
		return asWished
	case e.Day != nil && now.On == was.On:
		return stayed
	case e.Day != nil:
		return lawful
	}
	return ignored
}

// Drawn changes of drawn plans are carried out on the wished day, or on the nearest that the rules allow, and that is
// told; none on another day is refused, and what is carried out breaks no rule. What is refused is left out against
// one.
func TestDrawnChangesAreCarriedOut(t *testing.T) {
	r := rand.New(rand.NewPCG(51, 6))
	kinds := plant.Profiles()
	count, all := map[fate]int{}, 0
	for range plansEdited {
		s := anySituation(r, kinds)
		a := sheet.Answers{Wish: s.Wish}
		before, err := sheet.Of(s, a)
		require.NoError(t, err)
		if len(before.Sheet.Steps) == 0 || len(before.Breaches) > 0 {
			continue
		}
		for range 5 {
			e := anyEdit(r, before.Sheet)
			a.Edits = []sheet.Edit{e}
			after, err := sheet.Of(s, a)
			require.NoError(t, err)
			is := became(e, before, after)
			count[is]++
			all++
			name := fmt.Sprintf("%s %v %s, %s on %v: %s", s.Kind, s.Causes, s.Wish, e.Step, e.Day, is)
			switch is {
			case refused:
				assert.True(t, e.LeaveOut, name)
			case lawful, stayed, undated:
				assert.True(t, slices.ContainsFunc(after.Sheet.Rules, func(x sheet.Rule) bool {
					return strings.HasPrefix(x.ID, "another day for ")
				}), name)
			default:
			}
		}
	}
	done := count[asWished] + count[lawful] + count[stayed] + count[undated]
	assert.GreaterOrEqual(t, 100*done, 90*all, "%v of %d", count, all)
	assert.LessOrEqual(t, 100*count[refused], 6*all, "%v of %d", count, all)
	assert.Zero(t, count[ignored])
}
