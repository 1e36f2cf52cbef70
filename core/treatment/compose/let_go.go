package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// binned lets go of a plant that nothing is left to save of, and says whether
// that is the whole plan.
func (c *composer) binned() bool {
	if c.Choices.Discard == treatment.SideNow || c.Choices.Keep == treatment.SideDiscard {
		if c.hopeless() {
			if c.Wish != "" {
				c.leave(string(c.Wish), "the plant is let go")
			}
			c.bin()
			return true
		}
		c.leave(string(treatment.Discard), "it is harmless, or can be cured")
	}
	if c.discard != "" && (c.pieces == nil || len(c.travels()) > 0) {
		c.bin()
		return true
	}
	return false
}

// bitten helps whoever bit a poisonous plant that is let go; a plant that stays has the
// help from its recipe.
func (c *composer) bitten() {
	if c.has(cause.AnimalDamage) && poisonous(c.subject) {
		c.draft.at(0, rankFirst, do(treatment.Aid))
	}
}

// bin ends a plant that cannot be kept.
func (c *composer) bin() {
	c.binnedWhole = true
	c.unleave(string(cause.DryRootLoss)) // nobody looks at its roots again
	c.bitten()
	c.draft.at(0, rankAfter, do(treatment.Discard))
}

// hopeless says whether throwing it away is a choice that the trade respects.
func (x *subject) hopeless() bool {
	if len(x.Causes) == 0 ||
		x.has(cause.SpentRosette) && (x.Facts.Plantlets.Or(0) > 0 || x.Facts.Pups.Or(0) > 0) {
		return false
	}
	for _, id := range x.Causes {
		cc, _ := cause.ByID(id)
		if !cc.Harmless &&
			(cc.Kind == "pest" || cc.Kind == "disease" || slices.Contains(treatment.Rots(), id) || id == cause.Drought) {
			return true
		}
	}
	return false
}
