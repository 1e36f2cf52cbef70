package compose

import (
	"slices"

	"tendermend/core/treatment"
)

// takers are the steps that make a piece of a plant.
var takers = ops(treatment.Insurance, treatment.TipCut, treatment.NodeBox, treatment.LeafCut, treatment.Layer,
	treatment.TakeOffset, treatment.PartIt, treatment.Refill, treatment.TrimBranch)

// homesOfSome leaves the home of pieces out, and what looks after them, where the only piece was to be one that is
// saved first and may not be taken.
func (c *composer) homesOfSome(list []*sit) []*sit {
	if !c.leftOut(string(treatment.Insurance)) || c.piece || c.severed || anyHas(list, takers...) {
		return list
	}
	for _, s := range list {
		s.steps = slices.DeleteFunc(slices.Clone(s.steps), func(x step) bool {
			return x.Params.For == treatment.ForPieces || x.Organ == treatment.OnPieces ||
				among(x.Op, treatment.BoxTally, treatment.PotPieces, treatment.Harden)
		})
		s.steps = trimmedHousekeeping(s.steps)
	}
	return list
}
