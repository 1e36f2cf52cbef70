package check

import (
	"math"
	"slices"

	"tendermend/core/cause"
	t "tendermend/core/treatment"
)

// trayDays is for how long a cut lies on a tray; without a number as long as it needs.
func (r *replay) trayDays(e *event) float64 {
	for _, x := range r.of(false, t.Callus) {
		if x.day >= e.day && x.day <= e.day+1 {
			return x.p.Days.Or(math.MaxInt)
		}
	}
	return 0
}

// trayNeed is how long it must lie, in days: a rescued top by the width of its wound, at
// least its kind's (growers' books).
func (c *patient) trayNeed(e *event) float64 {
	kinds := 0.0
	if d := c.kind.CutDryDays; d != nil {
		kinds = float64(d[0])
	}
	if e.op != t.Behead || !c.rot && !c.has(cause.ColdInjury, cause.Girdled) {
		return kinds
	}
	wound := 21.0
	switch foot := c.foot(); {
	case c.is(t.SucculentRosette):
		wound = 3
	case c.is(t.TrailingSucculent):
		wound = 2
	case foot <= 2:
		wound = 7
	case foot <= 5:
		wound = 10
	}
	return max(kinds, wound)
}

// foot is how thick a top is where it was cut, cm.
func (c *patient) foot() float64 {
	if c.is(t.CaneFoliage, t.UprightSucculent, t.Cactus) {
		return c.Facts.FootCM.Or(4)
	}
	return c.Facts.FootCM.Or(1)
}

// tops are the cuts that leave a top without roots.
func (r *replay) tops(c *patient) []*event {
	if !c.is(t.CaneFoliage) {
		return r.of(false, t.Behead)
	}
	return slices.DeleteFunc(r.of(false, t.Behead, t.CutRot), func(e *event) bool {
		return e.op == t.CutRot && e.s.Organ != t.OnStem
	})
}

// topLaw: a top has a small pot, sips before its gate, and no feed.
func topLaw(r *replay, c *patient, no found) {
	if !c.has(cause.BaseRot) {
		return
	}
	heads := slices.DeleteFunc(r.tops(c), func(e *event) bool { return e.p.Keeps == "stump" })
	if len(heads) == 0 || c.has(cause.SpentRosette) {
		return
	}
	from := heads[0].day
	own := slices.ContainsFunc(r.of(false, t.ReadyPot), func(e *event) bool { return e.p.For != t.ForPieces })
	for _, e := range r.of(false, t.ReadyPot) {
		others := own && e.p.For == t.ForPieces // the top has a pot of its own
		if w := max(e.p.PotWidthCM.Or(0), e.p.PotWidthTo.Or(0)); !others && w > max(7, c.foot()+6)+0.05 {
			no(e, "%g cm for a top whose foot is %g cm", w, c.foot())
		}
	}
	for _, e := range r.of(false, t.FirstWater, t.FeedIt) {
		wet := e.p.How == "through" || e.p.ML.Or(0) > 30
		switch {
		case e.gated || e.day < from:
		case e.op == t.FeedIt:
			no(e, "it has no roots to feed")
		case wet && !isPiece(e):
			no(e, "it has no roots to drink with")
		}
	}
}
