package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// settle lets what excludes each other agree: a rotten heart is not unpotted, a
// piece is not rescued, a top that is taken off needs no root work.
func (c *composer) settle() {
	switch {
	case c.pieces != nil && (c.pieces.why == "piece" || c.pieces.why == "mother"), c.neck, c.top:
		c.givesUpRoots()
	case c.crown != nil && c.root != nil:
		c.leave(string(treatment.Unpot), "the heart rots: nothing is unpotted until it is dry")
		c.root = nil
	}
	if c.pieces != nil && c.pieces.why == "mother" && len(c.travels()) > 0 && c.has(cause.BaseRot) {
		c.pieces, c.top, c.root = nil, true, nil // what ails it travels: its top is rooted whole
	}
	c.settleChange()
	c.renewedAnyway()
	c.keptInGlass()
	if c.pieces != nil && c.pieces.why == "wish" && c.root != nil {
		c.leave("propagate", "after the root work, from what grows then")
		c.pieces = nil
	}
}

// renewedAnyway leaves out the measure on which it rests whether a mix that is too sour or too limy is renewed, where
// something else has that renewed.
func (c *composer) renewedAnyway() {
	other := func(id cause.ID) bool { return id != cause.PhOff }
	if c.root == nil || !slices.ContainsFunc(c.asks, other) {
		return
	}
	c.plain = slices.DeleteFunc(c.plain, func(p plain) bool {
		return p.cause == cause.PhOff && p.step.Op == treatment.Look && p.day == 0
	})
}

// givesUpRoots leaves the roots of what is rooted anew, and says so where they were asked for.
func (c *composer) givesUpRoots() {
	if c.root != nil && slices.Contains(c.asks, "") {
		c.leave(string(c.Wish), "what is sound of it is rooted first")
	}
	if c.root != nil && c.pieces != nil && c.has(cause.RootRot) {
		c.leave(string(cause.RootRot), "its roots go with the old base: what is sound is rooted anew")
	}
	c.root = nil
}

// settleChange leaves a top to its graft, and a new way of growing to a plant that is whole.
func (c *composer) settleChange() {
	if c.has(cause.BaseRot) && c.trait(plant.Grafted) {
		c.leave(string(treatment.Behead), "its top cannot root by itself: only grafting it again saves it")
	}
	why := ""
	switch {
	case !c.change:
		return
	case c.basal() && c.any(treatment.Rots()):
		why = "its base heals first"
	case c.top, c.neck:
		why = topRooted
	case c.has(cause.Detached):
		why = "it has no roots yet: it roots first, and changes its seat later"
	default:
		return
	}
	c.leave(string(treatment.SetupChange), why)
	c.change = false
}

// noRootWork takes root work from what is thrown away or has no medium.
func (c *composer) noRootWork() {
	if c.discard != "" {
		c.root, c.change = nil, false
	}
	if c.habitID != treatment.AirPlant {
		return
	}
	if c.root != nil {
		c.leave(string(treatment.Unpot), "it grows in no medium")
	}
	if c.change {
		c.leave(string(treatment.SetupChange), "it grows in air and wants nothing else")
	}
	c.root, c.change = nil, false
}
