package compose

import (
	"tendermend/core/cause"
	"tendermend/core/facts"
	"tendermend/core/treatment"
)

// knots is what is looked for in roots before a plant is thrown away for root-knot worms that its kind is not known
// to have: knots in the root itself, where swellings of an orchid's or a bulb's own roots would be even (common
// practice).
const knots = "hard knots in the root itself, that no nail rubs off? Only they are root-knot worms: then it goes, " +
	"with its medium. Brown and soft is rot: plan for that today. Firm and even is sound, and it stays."

// knotsSought looks at the roots today for what would have the plant thrown away, and waters it by its rule until it
// is known.
func (c *composer) knotsSought(id cause.ID) {
	if id != cause.RootNematode || c.rootsWorked() || c.noRootFound() {
		return
	}
	c.rootsLooked = true
	look := do(treatment.SlideLook)
	if c.untied || c.mossed() || !among(c.seat, facts.InPot, facts.InReservoir, facts.InDish) {
		look = do(treatment.Look, note(knots))
	}
	c.draft.at(0, rankStart+1, look)
	c.add(plain{day: 1, step: do(treatment.ByRule)})
}
