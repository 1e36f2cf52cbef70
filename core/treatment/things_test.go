package treatment_test

import (
	"slices"

	"tendermend/core/treatment"
)

// unattended says which living thing a plan leaves without a line of water, a home or a look once it was parted from
// the plant; nothing where each has all three until its end.
func unattended(p treatment.Plan) string {
	homes := []treatment.OperatorID{
		treatment.PotIn, treatment.PotUp, treatment.Mount, treatment.Hang, treatment.NodeBox, treatment.PotPieces,
		treatment.Refill,
	}
	for i, s := range p.Sittings {
		for j, x := range s.Steps {
			whose, made := madeBy(x)
			if !made {
				continue
			}
			after := func(fits func(treatment.Step) bool) bool {
				return slices.ContainsFunc(s.Steps[j:], fits) || slices.ContainsFunc(p.Sittings[i+1:],
					func(later treatment.Sitting) bool { return slices.ContainsFunc(later.Steps, fits) })
			}
			of := func(y treatment.Step) bool {
				return y.Params.For == whose || whose == treatment.ForPieces && y.Organ == treatment.OnPieces
			}
			switch {
			case !after(func(y treatment.Step) bool {
				return slices.Contains(homes, y.Op) && (of(y) || y.Op == x.Op || y.Op == treatment.Refill)
			}):
				return string(x.Op) + ": what it makes has no home"
			case !after(func(y treatment.Step) bool {
				return y.Op == treatment.ByRule && y.Every > 0 && of(y) || y.Op == treatment.Refill // beside her, in her own words
			}):
				return string(x.Op) + ": what it makes has no line of water"
			case !after(func(y treatment.Step) bool { return y.Op == treatment.Look || y.Op == treatment.BoxTally }):
				return string(x.Op) + ": what it makes is not looked at"
			}
		}
	}
	return ""
}

// madeBy says whom a step makes a living thing of its own.
func madeBy(x treatment.Step) (whose treatment.Target, made bool) {
	switch x.Op {
	case treatment.Behead:
		return treatment.ForPlant, x.Params.Keeps == "top"
	case treatment.NodeBox, treatment.LeafCut, treatment.TakeOffset, treatment.Insurance, treatment.TipCut,
		treatment.PotPieces:
		return treatment.ForPieces, true
	case treatment.PotIn:
		return x.Params.For, x.Params.For != treatment.ForPlant
	default:
		return "", false
	}
}
