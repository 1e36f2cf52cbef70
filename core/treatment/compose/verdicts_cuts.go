package compose

import (
	"slices"

	"tendermend/core/cause"
	"tendermend/core/plant"
	"tendermend/core/treatment"
)

// branchable says whether cutting its stem makes it branch.
func (x *subject) branchable() bool {
	if x.kind.Branches != "" {
		return x.kind.Branches == plant.BranchesYes
	}
	return !x.is(
		treatment.Monopodial,
		treatment.Sympodial,
		treatment.WinterDeciduous,
		treatment.Palm,
		treatment.Cycad,
		treatment.Bromeliad,
		treatment.AirPlant,
		treatment.Fern,
		treatment.GiantHerb,
		treatment.AroidClump,
		treatment.Rhizomatous,
		treatment.HerbClump,
		treatment.Gesneriad,
		treatment.BulbPlant,
		treatment.Cactus,
	)
}

var lowOrgans = []treatment.Organ{"rhizome", "corm", "bulb", "crown", "base", ""}

// cuttable says whether a rot cut leaves something that grows.
func (x *subject) cuttable(s step) bool {
	if s.Op == treatment.CutRot && slices.Contains(lowOrgans, s.Organ) {
		return !x.is(treatment.Palm, treatment.Cycad, treatment.AirPlant, treatment.Monopodial) && !x.pointGone()
	}
	switch {
	case x.branches,
		x.is(treatment.SucculentRosette, treatment.UprightSucculent, treatment.TrailingSucculent, treatment.Cactus,
			treatment.CaneFoliage, treatment.AroidVine, treatment.Woody):
		return true
	case x.habitID == treatment.Gesneriad:
		return s.Organ == treatment.OnNeck || s.Organ == treatment.OnStem || s.Organ == ""
	case x.habitID == treatment.Monopodial:
		return x.Facts.RootsAbove.Or(0) >= 3
	case x.habitID == treatment.Bromeliad:
		return x.has(cause.SpentRosette)
	}
	return x.kind.Branches != plant.BranchesNo &&
		(x.branchable() || x.kind.Branches == plant.BranchesCrown && x.is(treatment.JewelOrchid, treatment.Begonia,
			treatment.SoftTrailer,
			treatment.WaxVine, treatment.Ivy, treatment.ForestCactus, treatment.Carnivore))
}

// onlyMarks says whether all that was accepted are marks that do not spread, or
// harmless.
func (x *subject) onlyMarks() bool {
	if len(x.Causes) == 0 || !x.any(treatment.OldMarks()) {
		return false
	}
	for _, id := range x.Causes {
		cc, _ := cause.ByID(id)
		if !cc.Harmless && !slices.Contains(treatment.OldMarks(), id) {
			return false
		}
	}
	return true
}

// pointGone says whether its only growing point is hit.
func (x *subject) pointGone() bool {
	return x.Facts.PointHit.Value && x.Facts.Growths.Or(0) <= 1 &&
		(x.Facts.Points.Or(0) == 1 || !x.Facts.Points.Known && x.one())
}

// divisible says whether enough stays on both sides of a division.
func (x *subject) divisible(s step) bool {
	sorted := s.Op == treatment.PartIt &&
		(x.has(cause.Detached) || s.Organ == treatment.OnPieces || x.any(treatment.Rots()))
	if sorted {
		return true
	}
	g := x.Facts.Growths
	if x.one() && !among(s.Organ, "offset", "keiki", "leaf", "pup") && x.habitID != treatment.Gesneriad {
		return false
	}
	if !g.Known {
		return true
	}
	switch {
	case x.is(treatment.Sympodial, treatment.WinterDeciduous) && s.Op == treatment.PartIt:
		return g.Value >= 6
	case x.is(treatment.Sympodial, treatment.WinterDeciduous):
		return g.Value >= 4 || s.Organ == treatment.OnKeiki
	case s.Op == treatment.PartIt:
		return g.Value >= 4
	}
	return true
}

func (h *here) thirstyTidy() verdict {
	if h.Rot && h.c.any(treatment.Rots()) {
		return verdict{}
	}
	if h.Thirsty && h.gate {
		return verdict{}
	}
	if h.Thirsty {
		return verdict{do: drop, why: "it is thirsty: what looks lost comes back"}
	}
	drank := h.SoakedOn
	if h.c.limp {
		drank = max(drank, h.DippedOn)
	}
	return verdict{
		do:  onlyIf(delay, drank != never && h.day-drank < 4),
		day: drank + 5,
		why: onlyDrank,
	}
}

const mostLeaves = 1.0 / 3

func (h *here) leafLimit() verdict {
	if h.step.Params.Mush {
		return verdict{}
	}
	taken := 0.0
	for _, t := range h.Taken {
		if h.day-t.Day < 30 {
			taken += t.Share
		}
	}
	want := h.c.nature.LeafShare(h.step.Params)
	if taken+want <= mostLeaves+1e-9 {
		return verdict{}
	}
	left := mostLeaves - taken
	if left < 0.05 {
		return verdict{do: drop, why: "a third of its leaves is off already this month"}
	}
	s := h.step
	s.Params.N, s.Params.Share = treatment.Number{}, num(float64(int(left*20))/20)
	h.c.leave("remove-leaves", "no more than a third of its leaves in a month")
	return verdict{do: instead, step: s}
}
