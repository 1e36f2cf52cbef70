package state

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/treatment"
)

// lowDown are the parts below its leaves: what is done there wets no leaf.
var lowDown = []treatment.Organ{
	treatment.OnRoots, treatment.OnSoil, treatment.OnMedium, treatment.OnRhizome, treatment.OnStem, treatment.OnBulb,
	treatment.OnBody, treatment.OnCorm, treatment.OnBase,
}

// LowDown says whether a part is below its leaves.
func LowDown(o treatment.Organ) bool { return slices.Contains(lowDown, o) }

// wets is what a step makes wet: its leaves, and the parts that are kept dry by night.
func (n Nature) wets(s treatment.Step, at Moment) Wetness {
	low := LowDown(s.Organ) || slices.Contains([]string{"roots", "soil", "medium"}, s.Params.Where)
	switch s.Op {
	case treatment.Mist:
		if at.Evening {
			return n.Keep | Leaves
		}
		return Leaves
	case treatment.WashOff, treatment.ClearMoss:
		if s.Params.How != "dry" && s.Params.How != "falls" {
			return n.Keep &^ Leaves
		}
	case treatment.Peroxide:
		if !low {
			return n.Keep & Crown
		}
	default:
		if n.wetsAll(s.Op, low) {
			return n.Keep | Leaves | n.cup()
		}
	}
	return 0
}

// wetsAll says whether an operator wets the whole of it.
func (n Nature) wetsAll(op treatment.OperatorID, low bool) bool {
	switch op {
	case treatment.WashDown:
		return n.Habit != treatment.Cactus // it is brushed with a dry brush
	case treatment.RinseOff, treatment.Oil, treatment.HotDip:
		return true
	case treatment.Soap:
		return !low
	case treatment.LabelDrug:
		return !low && n.sprayed()
	default:
		return false
	}
}

// cup is its cup, where it has one.
func (n Nature) cup() Wetness {
	if n.Habit == treatment.Bromeliad {
		return Cup
	}
	return 0
}

// sprayed says whether what ails it is met on its leaves.
func (n Nature) sprayed() bool {
	return n.has(treatment.LeafDiseases()...) || slices.ContainsFunc(n.Causes, isPest)
}

// isPest says whether a cause is a pest that is met on the plant.
func isPest(id cause.ID) bool {
	_, foe := treatment.FoeOf(id)
	return foe && id != cause.Springtail
}
