package diagnosis

import "sort"

// The sorts of advice on a move.
const (
	Now  = "now"  // good, or at least harmless, whichever plausible cause is true
	If   = "if"   // worth doing once its cause is accepted
	Wait = "wait" // look first: it helps one plausible cause and harms another
	Not  = "not"  // it would do more harm than good
)

// Harm is the worst that a move may do.
type Harm struct {
	Cause  string  `json:"cause"`
	Effect int     `json:"effect" doc:"−1 to −5"`
	Chance float64 `json:"chance"`
}

// Advice sorts one move.
type Advice struct {
	Move   string  `json:"move"`
	Advice string  `json:"advice" enum:"now,if,wait,not"`
	Good   float64 `json:"good" doc:"Expected good: the sum of chance × effect, less the move's own stress."`
	Helps  string  `json:"helps,omitempty" doc:"The cause for which the move is worth most."`
	Worst  *Harm   `json:"worst,omitempty"`
	Check  string  `json:"check,omitempty" doc:"For wait: the sign to look for first."`
	Needs  string  `json:"needs,omitempty" doc:"A sign without which there is nothing to do, and which nobody has looked for."`
}

const (
	// actThreshold is the chance over which something irreversible may be done
	// (common practice).
	actThreshold = 0.60
	graveHarm    = -3
	// leastChance keeps the worst harm named from being a mere curiosity.
	leastChance = 0.01
)

// doable says which sign must not have been found absent for a move to be
// possible at all: no spike, nothing to cut. Where several are named, one that
// may still be there is enough.
var doable = map[string][]string{
	"strip-spikes": {"flower.in-spike"},
	"take-offsets": {"flower.offsets-on-weak"},
	"clean-moss":   {"root.moss-grown"},
	"raise-base":   {"pot.base-buried"},
	"stake":        {"stem.wobbly"},
	"empty-saucer": {"pot.stands-in-water", "pot.no-drain"},
}

// canDo says whether a move has anything to work on, and which sign it needs
// that nobody has looked for.
func (c *Case) canDo(move string) (needs string, can bool) {
	signs := doable[move]
	can = len(signs) == 0
	for _, id := range signs {
		s := signIndex[id]
		switch {
		case contains(c.present, s):
			return "", true
		case !contains(c.absent, s):
			can = true
			if needs == "" {
				needs = id
			}
		}
	}
	return needs, can
}

// Moves sorts every move that can be done and would matter, most good first
// within each sort.
func (c *Case) Moves(checks []Check) []Advice {
	advice := []Advice{}
	for _, m := range moves {
		needs, can := c.canDo(m.ID)
		if !can {
			continue
		}
		if a, matters := c.advise(m, checks); matters {
			a.Needs = needs
			advice = append(advice, a)
		}
	}
	order := map[string]int{Now: 0, Wait: 1, If: 2, Not: 3}
	sort.SliceStable(advice, func(a, b int) bool {
		x, y := advice[a], advice[b]
		if x.Advice != y.Advice {
			return order[x.Advice] < order[y.Advice]
		}
		if x.Advice == Not {
			return x.Good < y.Good
		}
		return x.Good > y.Good
	})
	return advice
}

func (c *Case) advise(m Move, checks []Check) (a Advice, matters bool) {
	a = Advice{Move: m.ID, Good: -float64(m.Stress)}
	var helps, bestHelp float64 // chance of the cause it helps most, and what that is worth
	var plausibleHarm, remoteHarm *Harm
	suspect := map[int]bool{}
	for _, s := range c.suspects() {
		suspect[s] = true
	}
	for i, cause := range causes {
		effect, chance := m.Effects[cause.ID], c.joint.chance(i)
		worth := chance * float64(effect)
		a.Good += worth
		switch {
		case effect > 0 && chance > plausible && worth > bestHelp:
			a.Helps, helps, bestHelp = cause.ID, chance, worth
		// A mild harm by a cause that is merely common, to which nothing points,
		// holds nobody back.
		case effect < 0 && chance > plausible && (effect <= graveHarm || suspect[i]):
			plausibleHarm = graver(plausibleHarm, Harm{cause.ID, effect, chance})
		case effect < 0 && chance > leastChance:
			remoteHarm = graver(remoteHarm, Harm{cause.ID, effect, chance})
		}
	}
	if a.Worst = plausibleHarm; a.Worst == nil {
		a.Worst = remoteHarm
	}
	certain := m.Reversible || helps >= actThreshold
	switch {
	case a.Helps == "" && plausibleHarm == nil:
		return a, false
	case plausibleHarm == nil && certain && a.Good > 0:
		a.Advice = Now
	case plausibleHarm == nil:
		a.Advice = If
	case a.Helps == "" || a.Good <= 0 || plausibleHarm.Effect <= graveHarm && plausibleHarm.Chance > helps:
		a.Advice = Not
	case plausibleHarm.Effect > graveHarm:
		a.Advice = If
	default:
		a.Advice = Wait
		a.Check = c.separating(a.Helps, plausibleHarm.Cause, checks)
	}
	return a, true
}

func graver(known *Harm, h Harm) *Harm {
	if known == nil || h.Effect < known.Effect || h.Effect == known.Effect && h.Chance > known.Chance {
		return &h
	}
	return known
}

// separating picks the check that tells the cause a move helps from the cause
// it harms: of those offered, the one that moves their chances furthest apart.
func (c *Case) separating(helped, harmed string, checks []Check) string {
	best, name := 0.0, ""
	for _, check := range checks {
		s := signIndex[check.Sign]
		if gap := linkMatrix[causeIndex[helped]][s] - linkMatrix[causeIndex[harmed]][s]; gap*gap > best {
			best, name = gap*gap, check.Sign
		}
	}
	return name
}
