package treatment

import "slices"

// partsOfWork are the parts of the work in a sitting, in the words under which its steps are told,
// with the operators that belong to each.
var partsOfWork = []struct {
	words string
	ops   []OperatorID
}{
	{"Ready", []OperatorID{Aid, Untie, Baseline, Isolate, Neighbours, Release, ReadyPot, BakeGrit, KeepApart}},
	{"Taken off", []OperatorID{
		StripSpikes, PullDead, RemoveLeaves, TakeOffset, Insurance, TrimBranch, Behead, CutRot, Scrape, HandPick,
	}},
	{"Roots", []OperatorID{
		Unpot, WashOff, Loosen, RemovePlug, ClearMoss, Tally, TrimDead, PartIt, Callus, Peroxide, RootPrune, RaiseBase,
	}},
	{"Crown", []OperatorID{PickCrown, EaseLeaf}},
	{"Set", []OperatorID{
		PotIn, PotUp, TopDress, WrapMoss, Hang, Mount, SetCup, SetDish, SetReservoir, Stake, ScaldPot,
	}},
	{"Pieces", []OperatorID{TipCut, NodeBox, LeafCut, Layer, BoxTally, PotPieces, Refill}},
	{"Pests", []OperatorID{
		WashDown, Soap, Oil, Alcohol, Earth, Systemic, Predators, Nematodes, Traps, HotDip, Larvicide, DryTop, LabelDrug,
	}},
	{"Water", []OperatorID{
		PreWater, FirstWater, Soak, BottomWater, CupFill, WetRoots, Mist, ChangeWater, Flush, HoldWater, ByRule,
		DrainSaucer,
	}},
	{"Feed", []OperatorID{FeedIt, Supplement, HoldFeed}},
	{"Light, air", []OperatorID{CoverIt, Wean, Harden, ShadeIt, Brighten, Temper, Humidify, Air, Undraught, Turn}},
	{"Looks", []OperatorID{Look, SlideLook, Routine, VirusTest, Discard}},
}

// housekeeping belongs to whatever it is done in the middle of.
var housekeeping = []OperatorID{CleanBlade, BagWaste, Label, DustCut, DryCut, CrownDrain, CrownDry, RinseOff}

// PartOf is the part of the work that an operator belongs to, in a word or two; empty for
// what belongs to the steps around it, such as cleaning the blade.
func PartOf(id OperatorID) string {
	for _, p := range partsOfWork {
		if slices.Contains(p.ops, id) {
			return p.words
		}
	}
	return ""
}
