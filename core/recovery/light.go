package recovery

import "tendermend/core/working"

// LightAt is what a plant gets, mol a day, at a share of what its kind likes best.
func LightAt(share, best float64) working.Amount {
	return working.Amount{
		What:  "light",
		Value: share * best,
		Unit:  "mol/day",
		Working: working.Working{
			Inputs: []working.Input{
				{Name: "best for its kind", Value: best, Unit: "mol/day"},
				{Name: "share of it now", Value: share},
			},
			Formula: "what its kind likes best × the share that its plan gives it now",
			Source:  working.CommonPractice,
			Sure:    "rough",
		},
	}
}
