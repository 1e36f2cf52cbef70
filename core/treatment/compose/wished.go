package compose

import (
	"tendermend/core/treatment"
)

// mayNow asks again for a wish that waits.
var mayNow = map[treatment.Wish]string{
	treatment.Prune:       "may it be pruned now?",
	treatment.PartWish:    "may it be divided now?",
	treatment.Propagate:   "may pieces be taken from it now?",
	treatment.Refresh:     "may its mix be renewed now?",
	treatment.SetupChange: "may it change its seat now?",
}

// unwished says whether a wish ends in a reason instead of steps, and gives the reason
// with the day on which it is looked at again.
func (c *composer) unwished(wish treatment.Wish) bool {
	again := func(why string, days int) bool {
		c.leave(string(wish), why)
		c.draft.at(days, rankLook, do(treatment.Look, note(mayNow[wish])))
		return true
	}
	if wish == "" {
		return false
	}
	if why := c.neverWished(wish); why != "" {
		c.leave(string(wish), why)
		return true
	}
	if wish == treatment.PartWish {
		return c.unparted(again)
	}
	why, days := c.notYet(wish)
	return why != "" && again(why, days)
}

// notYet says why a wish for anything but parts waits, and after how many days it is asked for again; empty where it
// does not.
func (c *composer) notYet(wish treatment.Wish) (why string, days int) {
	switch {
	case wish == treatment.SetupChange && c.unwell():
		return "it changes its seat when it is well: standing firm, and without pests or new marks", unwellAsksDays
	case c.limpThough() && among(wish, treatment.Propagate, treatment.Prune):
		return "it hangs limp, and pieces of a limp plant root badly: they are taken when it stands firm", limpAsksDays
	case wish == treatment.Propagate && c.outOfRange():
		return "it stands where it is too warm or too cold for it, and pieces root badly there: they are taken when it " +
			"stands in its range", piecesAskDays
	case wish == treatment.Prune && c.mostRootsDead():
		return "most of its roots were dead: it is cut when it grows on new ones", unwellAsksDays
	case wish == treatment.Prune && !branching(c.subject):
		return "nothing was seen to grow this month: it is cut when a new leaf shows", 28
	}
	return "", 0
}

// topRooted is why a wish for the whole plant is not followed.
const topRooted = "its top is taken off and rooted: a wish is for what stands on roots of its own"

// neverWished says why a wish is not followed, and not asked for again; empty where it may be followed.
func (c *composer) neverWished(wish treatment.Wish) string {
	switch {
	case c.discard != "":
		return "the plant is let go"
	case wish != treatment.Propagate && c.foundRootless():
		return "no live root was counted: a wish is for a plant that is well, and this one is rescued first"
	case c.top && among(wish, treatment.SetupChange, treatment.Refresh, treatment.PartWish):
		return topRooted
	case c.piece && among(wish, treatment.PartWish, treatment.Prune):
		return "it is itself a piece"
	case wish == treatment.Prune && !c.prunes():
		return "its kind never branches where it is cut: only what is dead comes off"
	}
	return ""
}

// limpAsksDays is after how many days it is asked again whether a limp plant may be cut (common practice).
const limpAsksDays = 14

// piecesAskDays is after how many days it is asked again whether it stands in its range of warmth (common practice).
const piecesAskDays = 14

// limpThough says whether a plant with live roots hangs limp, and its roots are not what is rescued: then its
// sound pieces are part of that.
func (c *composer) limpThough() bool {
	return c.limp && !c.rescue() && !c.rootless && !c.piece && !c.resting()
}

// unwellAsksDays is after how many days it is asked again whether what was not well may change its seat (common
// practice).
const unwellAsksDays = 28

// unwell says whether a change of seat would come on top of something else: it hangs limp, or has a pest or a disease
// of leaves, its roots want no work themselves, and the carer did not say that it is to be done all the same.
func (c *composer) unwell() bool {
	sick := c.limpThough() || c.explained([]string{"pest", "disease"}, nil)
	return sick && c.root == nil && !c.rescue() && !c.Choices.Override.Value
}

// foundRootless says whether no live root was counted of a plant that does not rest, and nothing was accepted that
// is its rescue.
func (c *composer) foundRootless() bool {
	return !c.rescue() && c.noRootFound() && !c.resting()
}

// unparted says whether a wish to divide it is not followed, and what is done instead.
func (c *composer) unparted(again func(why string, days int) bool) bool {
	switch {
	case c.mayPart() && (c.oneTopped() || c.one() && c.habitID != treatment.Gesneriad):
		c.leave(string(treatment.PartWish), onePoint)
		return true
	case !c.mayPart() && c.mayOffset() && among(c.way(), "offset", "keiki"):
		c.leave(string(treatment.PartWish), "its kind is not divided: an offset is taken when it is ripe")
		c.offsetLater(c.way())
		return true
	case !c.mayPart():
		why := fallsApart
		if len(c.kind.Propagation) > 0 {
			why += "; plan to multiply it instead"
		}
		c.leave(string(treatment.PartWish), why)
		return true
	}
	why, days := c.notParted()
	return why != "" && again(why, days)
}

// notParted says why it is not divided yet, and after how many days that is asked again; empty where it may be.
func (c *composer) notParted() (why string, days int) {
	switch {
	case c.mostRootsDead():
		return "most of its roots were dead: it is divided when it grows on new ones", unwellAsksDays
	case c.sleepsOn():
		return sleepsStill, unwellAsksDays
	case c.tooSmall():
		return "it has too few growths for two parts: each keeps three or more", 90
	case c.undividable() != "":
		return c.undividable(), 90
	case c.limpThough() && !c.thirsty:
		return "it hangs limp, and parts of a limp plant root badly: it is divided when it stands firm", limpAsksDays
	}
	return "", 0
}

// prunes says whether it branches where it is cut.
func (x *subject) prunes() bool {
	return !x.one() && (x.branches || !x.named) && !x.leafless
}

// tooSmall says whether two parts would be less than its kind lives by.
func (c *composer) tooSmall() bool {
	g := c.Facts.Growths
	return g.Known && c.is(treatment.Sympodial, treatment.WinterDeciduous, treatment.Rhizomatous) &&
		g.Value < 2*c.eachPart()
}
