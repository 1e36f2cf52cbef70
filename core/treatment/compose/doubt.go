package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// opensInDoubt says whether a recipe would open the pot for what its way of growing is not known to have; what rots is
// opened all the same.
func (c *composer) opensInDoubt(r recipe, id cause.ID) bool {
	if !notKnownTo(id)(c.subject) || slices.Contains(treatment.Rots(), id) {
		return false
	}
	alone := &orders{subject: c.subject}
	for _, i := range r.does {
		i(alone, id)
	}
	return alone.root != nil
}

// looksInDoubt looks for three weeks at what is not treated for something that its kind is not known to have.
func (c *composer) looksInDoubt() {
	c.draft.at(7, rankLook, do(treatment.Look, every(7, toDay(21))))
}

// pottedInVain says why another pot would be no help against a cause, and what is left out for that; empty where it
// is or another cause is meant.
func (c *composer) pottedInVain(id cause.ID) (out, why string) {
	switch {
	case id == cause.PotBound && boundOfDeadRoots(c.subject):
		return string(treatment.PotUp), "most of its roots were dead: what lives fills no wider pot, which would stay " +
			"wet; find out first why they died"
	case id == cause.PotTooBig && c.seat == facts.InPot && c.treatedAs(id) == id && !c.carersMixPot() &&
		c.Facts.PotWidthCM.Known && c.smallerWidth() >= c.Facts.PotWidthCM.Value:
		return string(treatment.Unpot), "a pot that would be narrower is too narrow for what lives: look again for what " +
			"keeps it wet"
	case id == cause.DryRootLoss && c.allRootsLive():
		return string(id), "every root that was counted lives: drought has taken none; look again before its pot is opened"
	}
	return "", ""
}

// allRootsLive says whether its roots were counted, and none of them was dead.
func (c *composer) allRootsLive() bool {
	live, dead := c.Facts.LiveRoots, c.Facts.DeadRoots
	return live.Known && live.Value > 0 && dead.Known && dead.Value == 0
}

// doubtUnfit says of what was accepted that this way of growing is not known to have it.
func (c *composer) doubtUnfit() {
	if c.has(cause.Dormancy) && neverRests(c.subject) {
		c.leave(string(cause.Dormancy), "its kind has no rest: it stands still for want of light, warmth, roots or feed; "+
			"look for that")
	}
	for _, id := range c.causes {
		if notKnownTo(id)(c.subject) && !slices.Contains(c.doubted, id) {
			c.leave(string(id), "plants that grow like this are not known to have it: look again before you act on it")
		}
	}
}
