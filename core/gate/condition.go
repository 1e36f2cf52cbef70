package gate

import (
	"slices"
	"time"

	"tendermend/core/facts"
)

// Is says of what sort a condition is.
type Is string

// The sorts of condition. They stand in stored plans: none is renamed.
const (
	Days    Is = "days"    // so many days since something
	Seen    Is = "seen"    // a sight was seen
	Counted Is = "counted" // so many of something, of a length
	Share   Is = "share"   // so many of its roots live
	Firm    Is = "firm"    // it has stood firm for so many days
	Dry     Is = "dry"     // its medium is as dry as it likes before water
	Moist   Is = "moist"   // its medium is moist again
	Warmth  Is = "warmth"  // it has stood in its range of warmth for so many days
	Season  Is = "season"  // the months
	Clean   Is = "clean"   // so many days without a pest, in so many looks
	Quiet   Is = "quiet"   // so many days without a new mark, in so many looks
	NoRot   Is = "no-rot"  // no live rot at the last look
	Free    Is = "free"    // it is out of isolation
	AnyOf   Is = "any-of"  // one of several conditions
)

// Sight is something that is seen, or counted.
type Sight string

// The sights.
const (
	NewGrowth   Sight = "new growth"
	Growth      Sight = "growth" // that it grows at all
	NewLeaf     Sight = "new leaf"
	NewSpear    Sight = "new spear"
	Tip         Sight = "tip" // a growing root tip
	NewRoot     Sight = "new root"
	PieceRoot   Sight = "piece root"   // a root on a cutting
	OffsetRoot  Sight = "offset root"  // a root on a plantlet or offset
	GrownOffset Sight = "grown offset" // roots of its own, a third of its mother
	Offset      Sight = "offset"       // a plantlet, side shoot or pup
	Nudge       Sight = "nudge"        // it resists a nudge
	Bloomed     Sight = "bloomed"      // its last flower is over
	RivalAbsent Sight = "rival absent" // what else it could be was looked for and is not there
	Nub         Sight = "nub"          // a root that just shows
	CleanLeaf   Sight = "clean leaf"   // a new leaf without marks
	Greened     Sight = "greened"      // its green is back, in leaves or stems
	CrustGone   Sight = "crust gone"   // no crust of salts on medium and pot
	BestLight   Sight = "best light"   // it stands in its best light
	Weaned      Sight = "weaned"       // its cover is off for good
	StageEnd    Sight = "stage end"    // its stage of recovery ends
)

// Condition is one thing that must be so. Which fields count follows from Is.
type Condition struct {
	Is Is `json:"is" enum:"days,seen,counted,share,firm,dry,moist,warmth,season,clean,quiet,no-rot,free,any-of"`

	Sight  Sight           `json:"sight,omitempty" doc:"What is seen or counted."`
	Since  facts.Happening `json:"since,omitempty" doc:"From when its days are counted."`
	Days   int             `json:"days,omitempty" minimum:"0" maximum:"99999"`
	Looks  int             `json:"looks,omitempty" minimum:"0" maximum:"9999" doc:"Looks wanted in these days."`
	N      float64         `json:"n,omitempty" minimum:"-1000000" maximum:"1000000" doc:"How many at least."`
	FromCM float64         `json:"fromCm,omitempty" minimum:"0" maximum:"1000" doc:"How long each is at least, cm."`
	ToCM   float64         `json:"toCm,omitempty" minimum:"0" maximum:"1000" doc:"And at most; 0 for no limit."`
	Share  float64         `json:"share,omitempty" minimum:"0" maximum:"1" doc:"Of all its roots, 0 to 1."`
	Months []time.Month    `json:"months,omitempty" minimum:"1" maximum:"12" doc:"Months of the northern half."`
	Any    []Condition     `json:"any,omitempty"`
	Done   string          `json:"done,omitempty" doc:"Title of the step before it that its days are counted from."`
}

// Gate is what must be so, all of it; none is no gate.
type Gate []Condition

// DaysSince wants days to have gone by since something.
func DaysSince(what facts.Happening, days int) Condition {
	return Condition{Is: Days, Since: what, Days: days}
}

// OnDay wants a day of the plan to have come.
func OnDay(n int) Condition { return DaysSince(facts.Planned, n) }

// See wants a sight to be seen.
func See(s Sight) Condition { return Condition{Is: Seen, Sight: s} }

// Count wants at least n of something, each of a length in cm at least.
func Count(s Sight, n, cm float64) Condition {
	return Condition{Is: Counted, Sight: s, N: n, FromCM: cm}
}

// Alive wants a share of the roots to live.
func Alive(share float64) Condition { return Condition{Is: Share, Share: share} }

// FirmFor wants it to have stood firm for some days.
func FirmFor(days int) Condition { return Condition{Is: Firm, Days: days} }

// IsDry wants the medium as dry as the plant likes it before water.
func IsDry() Condition { return Condition{Is: Dry} }

// IsMoist wants the medium moist again.
func IsMoist() Condition { return Condition{Is: Moist} }

// InRange wants the warmth in its range for some days.
func InRange(days int) Condition { return Condition{Is: Warmth, Days: days} }

// In wants one of these months of the northern half.
func In(months ...time.Month) Condition { return Condition{Is: Season, Months: months} }

// CleanFor wants days without a pest, in so many looks.
func CleanFor(days, looks int) Condition { return Condition{Is: Clean, Days: days, Looks: looks} }

// QuietFor wants days without a new mark, in so many looks.
func QuietFor(days, looks int) Condition { return Condition{Is: Quiet, Days: days, Looks: looks} }

// WithoutRot wants no live rot.
func WithoutRot() Condition { return Condition{Is: NoRot} }

// IsFree wants it out of isolation.
func IsFree() Condition { return Condition{Is: Free} }

// OneOf wants one of several.
func OneOf(list ...Condition) Condition { return Condition{Is: AnyOf, Any: list} }

// Spring are the months in which it is warm again.
func Spring() []time.Month { return []time.Month{time.March, time.April, time.May} }

// LateWinter are the months before growth.
func LateWinter() []time.Month { return []time.Month{time.February, time.March} }

// same says whether two conditions want the same, whatever the step is called that their days are counted from.
func (c Condition) same(d Condition) bool {
	return c.Is == d.Is && c.Sight == d.Sight && c.Since == d.Since && c.Days == d.Days && c.Looks == d.Looks &&
		c.N == d.N && c.FromCM == d.FromCM && c.ToCM == d.ToCM && c.Share == d.Share &&
		slices.Equal(c.Months, d.Months) && slices.EqualFunc(c.Any, d.Any, Condition.same)
}

// With gives the gate with more conditions, each once.
func (g Gate) With(more ...Condition) Gate {
	out := append(Gate{}, g...)
	for _, c := range more {
		if !out.Wants(func(d Condition) bool { return d.same(c) }) {
			out = append(out, c)
		}
	}
	return out
}

// Same says whether two gates want the same, in the same order.
func (g Gate) Same(other Gate) bool {
	if len(g) != len(other) {
		return false
	}
	for i := range g {
		if !g[i].same(other[i]) {
			return false
		}
	}
	return true
}

// Wants says whether one of its conditions, or of what they leave open, is such.
func (g Gate) Wants(is func(Condition) bool) bool {
	for _, c := range g {
		if is(c) || Gate(c.Any).Wants(is) {
			return true
		}
	}
	return false
}

// Of finds its first condition of a sort.
func (g Gate) Of(is Is) (Condition, bool) {
	for _, c := range g {
		if c.Is == is {
			return c, true
		}
	}
	return Condition{}, false
}

// Sees says whether it wants one of these sights, seen or counted.
func (g Gate) Sees(list ...Sight) bool {
	return g.Wants(func(c Condition) bool {
		for _, s := range list {
			if c.Sight == s {
				return true
			}
		}
		return false
	})
}

// Since finds its first condition that counts days from something.
func (g Gate) Since(what facts.Happening) (days int, found bool) {
	for _, c := range g {
		if c.Is == Days && c.Since == what {
			return c.Days, true
		}
	}
	return 0, false
}
