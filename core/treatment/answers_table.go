package treatment

import "slices"

// answers are the operators that answer a signal: while one of them is still to be
// done in its plan the signal is quiet, and that step is due. Keys are the ids of
// signals (common practice).
var answers = map[string][]OperatorID{
	"live-pests": {
		Soap, Oil, Alcohol, HandPick, Scrape, Earth, Systemic, Predators, Nematodes, LabelDrug, HotDip, Larvicide,
		WashDown, RemoveLeaves, Discard,
	},
	"rot":              {Unpot, SlideLook, TrimDead, CutRot, PickCrown, Behead, Discard},
	"smell":            {Unpot, SlideLook, TrimDead, CutRot, PickCrown, Behead, Discard},
	"wilt":             {Unpot, SlideLook, Soak, BottomWater, PreWater, TrimDead, CutRot, Behead},
	"roots-lost":       {Unpot, SlideLook, Tally, TrimDead},
	"marked-new":       {RemoveLeaves, LabelDrug, Soap, Oil, WashDown, Predators, TrimBranch},
	"too-cold":         {Temper},
	"too-hot":          {Temper, ShadeIt},
	"does-not-drink":   {Unpot, SlideLook, Loosen, DrainSaucer},
	"watered-when-wet": {HoldWater, DrainSaucer, Unpot, SlideLook},
}

// AnswersSignal says whether an operator is what answers a signal.
func AnswersSignal(op OperatorID, signal string) bool { return slices.Contains(answers[signal], op) }
