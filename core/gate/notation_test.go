package gate

import (
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"tendermend/core/facts"
)

func TestGatesWrittenShortAreReadStrictly(t *testing.T) {
	for short, want := range map[string]Gate{
		"28 d, new leaf, r 0.25":              {DaysSince(facts.SatRoots, 28), See(NewLeaf), Alive(0.25)},
		"28 d and a new tip":                  {DaysSince(facts.SatRoots, 28), See(Tip)},
		"16 clean days, 3 looks":              {CleanFor(16, 3)},
		"14 clean days without a new mark":    {QuietFor(14, 0)},
		"d12, resists a nudge":                {OnDay(12), See(Nudge)},
		"3 roots 7.5 cm":                      {Count(OffsetRoot, 3, 7.5)},
		"roots 1-3 cm on new growth":          {{Is: Counted, Sight: NewRoot, FromCM: 1, ToCM: 3}},
		"roots 8 cm":                          {Count(NewRoot, 0, 8)},
		"2 new tips of 1 cm":                  {Count(Tip, 2, 1)},
		"first new growth; day 14":            {See(NewGrowth), DaysSince(facts.Came, 14)},
		"spring warmth, 17 d at least":        {In(Spring()...), OnDay(17)},
		"3 d later":                           {DaysSince(facts.Before, 3)},
		"new keiki or side shoot, up to 9 mo": {See(Offset)},
		"9 d without a new mark":              {QuietFor(9, 0)},
		"16 clean days":                       {CleanFor(16, 0)},
		"20 d on the tray":                    {DaysSince(facts.OnATray, 20)},
		"6 d after potting":                   {DaysSince(facts.Potted, 6)},
		"d7 at least":                         {OnDay(7)},
		"in range 4 d":                        {InRange(4)},
		"firm":                                {FirmFor(0)},
		"firm for a day":                      {FirmFor(1)},
		"3 roots of 2 cm":                     {Count(OffsetRoot, 3, 2)},
		"2 tips of 1 cm":                      {Count(Tip, 2, 1)},
	} {
		got, err := Read(short)
		require.NoError(t, err, short)
		assert.Equal(t, want, got, short)
	}
	for _, wrong := range []string{"when it looks better", "28 dd", "28 d or so", "r much"} {
		_, err := Read(wrong)
		assert.ErrorContains(t, err, "is not how a gate is written", wrong)
	}
}

func TestGatesAreSaidInWords(t *testing.T) {
	for short, words := range map[string]string{
		"28 d, new leaf or tip, r 0.25": "28 days after the work on its roots, a new leaf or a growing " +
			"root tip, 25 % of its roots alive",
		"1 d later":                        "1 day after the step before it",
		"14 clean days, 3 looks":           "14 clean days in 3 looks",
		"spring warmth, d21 at least":      "spring, day 21 of the plan",
		"due, growing":                     "it is as dry as it likes to be before water, growth is seen",
		"3 roots of 7.5 cm, after release": "3 roots of 7.5 cm on the plantlet, out of isolation",
		"roots 1-3 cm on new growth":       "new roots of 1 to 3 cm",
		"resists a nudge":                  "it resists a gentle nudge",
		"firm for a day, in range 3 d":     "it has stood firm for 1 day, it stands in its range of warmth for 3 days",
		"14 clean days without a new mark, 3 looks, no live rot": "14 days without a new mark in 3 looks, no live rot",
	} {
		g, err := Read(short)
		require.NoError(t, err)
		assert.Equal(t, words, g.Words())
	}
}

func TestCountsWrittenShortWantNoLength(t *testing.T) {
	for short, want := range map[string]Condition{
		"2 new leaves": Count(NewLeaf, 2, 0), "3 clean new leaves": Count(CleanLeaf, 3, 0),
		"2 tips of 1.5 cm": Count(Tip, 2, 1.5), "roots 2 cm": Count(NewRoot, 0, 2),
	} {
		g, err := Read(short)
		require.NoError(t, err)
		assert.Equal(t, Gate{want}, g, short)
	}
}

// A gate takes the same condition once, and one that differs in anything beside it.
func TestAGateTakesEachConditionOnce(t *testing.T) {
	plain := Condition{Is: Counted, Sight: Tip, Since: facts.Planned, Days: 3, Looks: 3, N: 2, FromCM: 1, ToCM: 2,
		Share: 0.5, Months: Spring(), Any: []Condition{See(Nudge)}}
	assert.Equal(t, Gate{plain}, Gate{plain}.With(plain))
	for what, change := range map[string]func(c *Condition){
		"is": func(c *Condition) { c.Is = Seen }, "sight": func(c *Condition) { c.Sight = Nub },
		"since": func(c *Condition) { c.Since = facts.Came }, "days": func(c *Condition) { c.Days++ },
		"looks": func(c *Condition) { c.Looks++ }, "n": func(c *Condition) { c.N++ },
		"from": func(c *Condition) { c.FromCM++ }, "to": func(c *Condition) { c.ToCM++ },
		"share": func(c *Condition) { c.Share = 0.25 }, "months": func(c *Condition) { c.Months = LateWinter() },
		"any": func(c *Condition) { c.Any = []Condition{See(Growth)} },
	} {
		other := plain
		change(&other)
		assert.Len(t, Gate{plain}.With(other), 2, what)
	}
}
