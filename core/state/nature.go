package state

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// Wetness is a set of parts of a plant that are wet, or must not be.
type Wetness uint8

// The parts.
const (
	Leaves Wetness = 1 << iota
	Crown
	Joints
	Cup
)

// wetOf are the parts by the organ that a habit keeps dry, and by the trait that a kind has.
var (
	wetOf = map[treatment.Organ]Wetness{
		treatment.Leaves: Leaves, treatment.Crown: Crown, treatment.Joints: Joints, treatment.Cup: Cup,
	}
	wetByTrait = map[plant.Trait]Wetness{plant.DryCrown: Crown, plant.DryJoints: Joints, plant.DryLeaves: Leaves}
)

// Nature is what no step changes: how the plant grows, what ails it, and what it bears.
type Nature struct {
	Causes, Suspected []cause.ID
	Habit             treatment.HabitID
	Keep              Wetness // parts that must be dry by night
	RootDry, StemDry  [2]int  // days for which a cut is kept dry, least and most
	Share             float64 // of its roots that live, at the beginning
	LeafCount         float64 // 0 where nobody counted
}

// NatureOf reads a situation; false where its habit is not known.
func NatureOf(s treatment.Situation) (Nature, bool) {
	d, known := treatment.HabitDefaults(s.HabitID())
	if !known {
		return Nature{}, false
	}
	n := Nature{Causes: s.Causes, Suspected: s.Suspected, Habit: d.Habit, LeafCount: s.Facts.Leaves.Or(0)}
	n.Share, _ = s.Share()
	kind, _ := s.KindOf()
	n.RootDry, n.StemDry = DryDays(kind, d)
	for _, o := range d.KeepDry {
		n.Keep |= wetOf[o]
	}
	for _, t := range kind.Traits {
		n.Keep |= wetByTrait[t]
	}
	return n, true
}

// DryDays gives for how many days a cut of its roots, and one of a stem, base, rhizome or bulb, is kept dry, least and
// most: as its kind has it, or its habit; a stem no shorter than roots.
func DryDays(kind plant.Profile, d treatment.Defaults) (roots, stem [2]int) {
	roots, stem = d.StemDry, d.StemDry
	if kind.DryDays != nil {
		roots = *kind.DryDays
	}
	if roots[0] > stem[0] || roots[0] == stem[0] && roots[1] > stem[1] {
		stem = roots
	}
	return roots, stem
}

func (n Nature) has(ids ...cause.ID) bool { return has(n.Causes, ids...) }

func has(causes []cause.ID, ids ...cause.ID) bool {
	return slices.ContainsFunc(ids, func(id cause.ID) bool { return slices.Contains(causes, id) })
}

// infects says whether a cut goes through something that the blade carries on.
func (n Nature) infects(op treatment.OperatorID) bool {
	through := op.Does(treatment.InRot) || op == treatment.RemoveLeaves
	return through && n.has(treatment.Rots()...) || op.Does(treatment.OnLeaves) && n.has(treatment.LeafDiseases()...) ||
		n.has(treatment.OnBlade()...) || has(n.Suspected, treatment.OnBlade()...)
}

// LeafShare is what share of its leaves a step takes; 0 where nobody said.
func (n Nature) LeafShare(p treatment.Params) float64 {
	switch {
	case p.Share.Known:
		return p.Share.Value
	case p.N.Known && n.LeafCount > 0:
		return p.N.Value / n.LeafCount
	}
	return 0
}

// rotGoes says whether a step takes away all the rot that lives.
func (n Nature) rotGoes(s treatment.Step) bool {
	rootRot := n.has(cause.RootRot, cause.BaseRot, cause.BlackRot, cause.Fusarium)
	switch s.Op {
	case treatment.CutRot:
		// A soft spot cut out of a body is not the rot below it.
		return s.Organ != treatment.OnBody || !n.has(cause.SoftRot) || !rootRot
	case treatment.Behead, treatment.PickCrown:
		return true
	case treatment.TrimDead:
		return !n.has(cause.BaseRot, cause.BlackRot, cause.SoftRot, cause.Fusarium)
	case treatment.RemoveLeaves:
		return n.has(cause.SoftRot) && !rootRot
	default:
		return false
	}
}

// KeepsDry says whether a part must be dry by night.
func (n Nature) KeepsDry(o treatment.Organ) bool { return n.Keep&wetOf[o] != 0 }
