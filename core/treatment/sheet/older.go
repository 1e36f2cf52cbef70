package sheet

import (
	"slices"

	"tendermend/core/treatment"
)

// sprayingSteps are the steps of older records that put something on leaves.
var sprayingSteps = []string{"soap-dusk", "soap-or-oil", "fungicide", "systemic"}

// Sprays says whether the step puts a product on the leaves or into the plant.
func (s Step) Sprays() bool {
	op := treatment.OperatorID(s.Op)
	return op.Does(treatment.LeafFilm) || op == treatment.Systemic ||
		s.Op == "" && slices.Contains(sprayingSteps, s.ID)
}
