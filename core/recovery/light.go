package recovery

import "tendermend/core/working"

// Light is what a plant gets in this stage, mol a day, of what its kind likes
// best; false where it follows the plant.
func (s Stage) Light(best float64) (working.Amount, bool) {
	if s.LightShare <= 0 {
		return working.Amount{}, false
	}
	return working.Amount{
		What:  "light",
		Value: s.LightShare * best,
		Unit:  "mol/day",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "best for its kind", Value: best, Unit: "mol/day"},
				{Name: "share in this stage", Value: s.LightShare},
			},
			Formula: "what its kind likes best × the share of this stage",
			Source:  working.CommonPractice,
			Sure:    "rough",
		},
	}, true
}
