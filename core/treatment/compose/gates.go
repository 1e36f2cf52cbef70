package compose

import (
	"slices"

	"tendermend/core/facts"
	"tendermend/core/gate"
	"tendermend/core/treatment"
)

// What plans wait for most.
var (
	growth    = gate.Gate{gate.See(gate.Growth)}
	newGrowth = gate.Gate{gate.See(gate.NewGrowth)}
	newLeaf   = gate.Gate{gate.See(gate.NewLeaf)}
	tips      = gate.Gate{gate.See(gate.Tip)}
	nubs      = gate.Gate{gate.See(gate.Nub)}
	due       = gate.Gate{gate.IsDry()}
	rooted    = gate.Gate{gate.See(gate.PieceRoot)}
	nudged    = gate.Gate{gate.See(gate.Nudge)}
	steady    = gate.Gate{gate.OneOf(gate.See(gate.Nudge), gate.See(gate.NewGrowth))}
	greened   = gate.Gate{gate.See(gate.Greened)}
	crustGone = gate.Gate{gate.See(gate.CrustGone)}
	bestLight = gate.Gate{gate.See(gate.BestLight)}
	fullSun   = gate.Gate{gate.DaysSince(facts.Begun, 30)}
	weaned    = gate.Gate{gate.See(gate.Weaned)}
	stageEnds = gate.Gate{gate.See(gate.StageEnd)}
	twoLeaves = gate.Gate{gate.Count(gate.NewLeaf, 2, 0)}
	twoClean  = gate.Gate{gate.Count(gate.CleanLeaf, 2, 0)}
	onNewRoot = gate.Gate{{Is: gate.Counted, Sight: gate.NewRoot, FromCM: 1, ToCM: 3}}
	// able is when roots that were worked on can take feed up again.
	able = gate.Gate{
		gate.DaysSince(facts.SatRoots, 28), gate.See(gate.Growth), gate.FirmFor(0), gate.IsMoist(), gate.Alive(0.25),
	}
	// fedAgain is when a plant that grows again has roots to feed.
	fedAgain = gate.Gate{gate.DaysSince(facts.SatRoots, 28), gate.See(gate.NewGrowth), gate.Alive(0.25)}
	// leafedOut is when a plant that woke has leaves to feed.
	leafedOut = gate.Gate{gate.DaysSince(facts.Planned, 28), gate.Count(gate.NewLeaf, 2, 0)}
	// itsRoots stands in recipes for the length of new roots that its kind waits for.
	itsRoots = gate.Gate{gate.Count(gate.NewRoot, 0, 0)}
	// quiet stands in recipes for as long without a new mark as what ails it wants.
	quiet = gate.Gate{gate.QuietFor(0, 0)}
)

// plainGates takes out of gates what says nothing there: a day of the plan that days without
// a pest or a mark outlast, and medium and roots where a plant has neither.
func (c *composer) plainGates(list []*sit) {
	for _, s := range list {
		clean := 0
		for _, one := range s.gate {
			if one.Is == gate.Clean || one.Is == gate.Quiet {
				clean = max(clean, one.Days)
			}
		}
		plain := slices.DeleteFunc(slices.Clone(s.gate), func(one gate.Condition) bool {
			idle := one.Is == gate.Days && one.Since == facts.Planned && one.Days <= clean
			bare := c.habitID == treatment.AirPlant && (one.Is == gate.Moist || one.Is == gate.Share) ||
				one.Is == gate.Moist && c.hangs()
			return idle || bare
		})
		if len(plain) > 0 {
			s.gate = plain
		}
	}
}

// toDay is until a day of the plan.
func toDay(n int) gate.Gate { return gate.Gate{gate.OnDay(n)} }

// forDays is for so many days from when it is begun.
func forDays(n int) gate.Gate { return gate.Gate{gate.DaysSince(facts.Begun, n)} }

// dayOf gives the day of the plan on which a repeated step ends.
func dayOf(until gate.Gate) (int, bool) {
	if len(until) == 0 {
		return 0, false
	}
	return until[:1].Since(facts.Planned)
}

// itsOwn puts the length of its kind in the place of its roots, and the days of its
// diseases in the place of those without a new mark: it is looked at until it is let go.
func (c *composer) itsOwn(g gate.Gate) gate.Gate {
	var out gate.Gate
	for _, one := range g {
		switch only := (gate.Gate{one}); {
		case itsRoots.Same(only):
			one = c.ownRoots()[0]
		case quiet.Same(only):
			one = gate.QuietFor(max(c.quietDays(), leastQuiet), 0)
		case c.leafless && (twoClean.Same(only) || twoLeaves.Same(only)):
			one = growth[0] // it makes no leaves to count
		}
		out = append(out, one)
	}
	return out
}

// met says whether something that was seen is what a gate waits for.
func met(g gate.Gate, event string) bool {
	seen, err := gate.Read(event)
	if err != nil || len(seen) == 0 {
		return false
	}
	want := seen[0]
	return g.Wants(func(c gate.Condition) bool {
		switch want.Sight {
		case "":
			return c.Is == want.Is
		case gate.Growth:
			return c.Sight == gate.Growth || c.Sight == gate.NewGrowth
		case gate.NewRoot:
			return c.Sight == gate.NewRoot || c.Sight == gate.PieceRoot || c.Sight == gate.OffsetRoot
		default:
			return c.Sight == want.Sight
		}
	})
}
